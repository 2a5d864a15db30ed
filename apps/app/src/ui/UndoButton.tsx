import Undo from 'lucide-react-native/icons/undo-2'
import { useEffect, useState } from 'react'
import { Pressable, View } from 'react-native'
import { undo, useData } from '../data/store'
import { usePalette } from './palette'
import { Txt } from './Txt'

const SHOWN_MS = 12_000

/**
 * The last step, and the way back from it; beside the title, where it covers nothing. After a while only the arrow is
 * left: ten steps can be taken back.
 */
export function UndoButton() {
  const palette = usePalette()
  const last = useData((state) => state.undos.at(-1))
  const [said, setSaid] = useState<number | null>(null)
  useEffect(() => {
    if (!last) return
    const timer = setTimeout(() => setSaid(last.at), Math.max(0, last.at + SHOWN_MS - Date.now()))
    return () => clearTimeout(timer)
  }, [last])
  const short = last !== undefined && said === last.at
  return (
    <View role="status">
      {last ? (
        <Pressable
          role="button"
          aria-label={`Undo. ${last.label}`}
          onPress={() => undo()}
          className={`h-12 max-w-[150px] flex-row items-center justify-center gap-1 rounded-[4px] border-[1.5px] px-2 ${short ? 'w-12 border-transparent' : 'border-patina bg-patina-wash'}`}
        >
          <Undo size={22} color={palette.patina} />
          {short ? null : (
            <View className="shrink">
              <Txt size="s" bold tone="patina">
                Undo
              </Txt>
              <Txt size="s" numberOfLines={1} className="-mt-1">
                {last.label}
              </Txt>
            </View>
          )}
        </Pressable>
      ) : null}
    </View>
  )
}
