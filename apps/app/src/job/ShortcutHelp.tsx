import { View } from 'react-native'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'

const KEYS = [
  ['1 … 6', 'Find, Fixture, Mate, Cut, Make, Prove'],
  ['h, c, d', 'hot, cold, drain'],
  ['o, s, y', 'spout, shower, spray'],
  ['b, i', 'branch, second side'],
  ['m, w', 'at the cut: measure the next, to the saw'],
  ['u', 'undo'],
  ['t', 'paper or cabinet'],
  ['?', 'this list'],
] as const

export function ShortcutHelp({ onClose }: { onClose: () => void }) {
  return (
    <SheetModal title="Keys" onClose={onClose}>
      {KEYS.map(([key, what]) => (
        <View key={key} className="flex-row border-b border-rule py-2">
          <Txt bold className="w-[90px]">
            {key}
          </Txt>
          <Txt>{what}</Txt>
        </View>
      ))}
    </SheetModal>
  )
}
