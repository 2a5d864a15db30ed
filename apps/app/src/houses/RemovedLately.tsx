import { useState } from 'react'
import { View } from 'react-native'
import { ApiError, type Removed, removedLately } from '../data/api'
import { type Edit, edit, syncSoon } from '../data/store'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'

const WORDS = { property: 'House', point: 'Point', job: 'Job' } as const

/** Houses, points and jobs that were removed within thirty days, and the way back from it. */
export function RemovedLately() {
  const [list, setList] = useState<readonly Removed[] | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [open, setOpen] = useState(false)
  const show = async () => {
    setOpen(true)
    setFault(null)
    try {
      setList(await removedLately())
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'This cannot be shown now.')
    }
  }
  const back = async ({ kind, id }: Removed) => {
    // an edit of nothing brings back, with what went along
    await edit([{ kind, id, patch: {} } as Edit])
    await syncSoon()
    await show()
  }
  return (
    <View className="border-t border-rule p-2">
      <Button kind="quiet" label="Removed lately" onPress={show} />
      {open ? (
        <SheetModal title="Removed in the last 30 days" onClose={() => setOpen(false)}>
          {fault ? <Note kind="caution" title={fault} /> : null}
          {list?.length === 0 ? <Txt tone="soft">Nothing was removed.</Txt> : null}
          {list?.map((entry) => (
            <View key={entry.id} className="min-h-[60px] flex-row items-center border-b border-rule">
              <View className="flex-1">
                <Txt>{entry.name}</Txt>
                <Txt size="s" tone="soft">
                  {WORDS[entry.kind]}, removed {entry.at.slice(0, 10)}
                </Txt>
              </View>
              <Button label="Take it back" hint={entry.name} onPress={() => back(entry)} />
            </View>
          ))}
        </SheetModal>
      ) : null}
    </View>
  )
}
