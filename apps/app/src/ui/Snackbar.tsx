import { useEffect } from 'react'
import { View } from 'react-native'
import { dismissUndo, undo, useData } from '../data/store'
import { Button } from './Button'
import { Txt } from './Txt'

const SHOWN_MS = 8000

/** The last step, and the way back from it. */
export function Snackbar() {
  const undoable = useData((state) => state.undoable)
  useEffect(() => {
    if (!undoable) return
    const timer = setTimeout(dismissUndo, SHOWN_MS)
    return () => clearTimeout(timer)
  }, [undoable])
  if (!undoable) return null
  return (
    <View
      role="status"
      className="absolute left-3 right-3 top-16 z-50 mx-auto max-w-[520px] flex-row items-center justify-between rounded-[4px] border-[1.5px] border-ink bg-raised pl-4"
    >
      <Txt size="s" className="flex-1">
        {undoable.label}
      </Txt>
      <Button kind="quiet" label="Undo" onPress={() => void undo()} />
    </View>
  )
}
