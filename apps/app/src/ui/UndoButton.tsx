import Undo from 'lucide-react-native/icons/undo-2'
import { useEffect } from 'react'
import { Pressable, View } from 'react-native'
import { dismissUndo, undo, useData } from '../data/store'
import { usePalette } from './palette'
import { Txt } from './Txt'

const SHOWN_MS = 12_000

/** The last step, and the way back from it; beside the title, where it covers nothing. */
export function UndoButton() {
  const palette = usePalette()
  const undoable = useData((state) => state.undoable)
  useEffect(() => {
    if (!undoable) return
    const timer = setTimeout(dismissUndo, SHOWN_MS)
    return () => clearTimeout(timer)
  }, [undoable])
  return (
    <View role="status">
      {undoable ? (
        <Pressable
          role="button"
          aria-label={`Undo. ${undoable.label}`}
          onPress={() => void undo()}
          className="h-12 max-w-[150px] flex-row items-center gap-1 rounded-[4px] border-[1.5px] border-patina bg-patina-wash px-2"
        >
          <Undo size={22} color={palette.patina} />
          <View className="shrink">
            <Txt size="s" bold tone="patina">
              Undo
            </Txt>
            <Txt size="s" numberOfLines={1} className="-mt-1">
              {undoable.label}
            </Txt>
          </View>
        </Pressable>
      ) : null}
    </View>
  )
}
