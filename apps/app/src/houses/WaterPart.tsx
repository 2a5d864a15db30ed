import { screenText } from '@diarmos/core/words/counts'
import { useState } from 'react'
import { View } from 'react-native'
import { type Edit, edit } from '../data/store'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field } from '../ui/Field'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'

const STOREYS = ['1', '2', '3', '4'] as const
const MOST_LETTERS = 200

/** Where the house's water is shut, and how long it runs empty. */
export function WaterPart({ property }: { property: Doc<'property'> }) {
  const [open, setOpen] = useSheet('water', ['change'])
  const { storeys, stopAt } = property.fields
  const told = [
    stopAt ? screenText('house.stop-at', { at: stopAt }) : '',
    storeys ? screenText('house.storeys', { storeys }) : '',
  ].filter(Boolean)
  return (
    <View className="flex-row items-center border-b border-rule py-1">
      <Txt className="flex-1" tone={told.length > 0 ? 'ink' : 'soft'}>
        {told.length > 0 ? told.join(' ') : 'Nobody has written down where its water is shut.'}
      </Txt>
      <Button kind="quiet" label="Change" hint="where the water is shut" onPress={() => setOpen('change')} />
      {open === null ? null : <WaterSheet property={property} onClose={() => setOpen(null)} />}
    </View>
  )
}

function WaterSheet({ property, onClose }: { property: Doc<'property'>; onClose: () => void }) {
  const { fields } = property
  const [stopAt, setStopAt] = useState(fields.stopAt ?? '')
  const [storeys, setStoreys] = useState(fields.storeys ?? null)
  const own = storeys !== null && storeys > STOREYS.length ? [String(storeys)] : []
  const fault = stopAt.trim().length > MOST_LETTERS ? `At most ${MOST_LETTERS} letters.` : undefined
  const save = async () => {
    const patch = { stopAt: stopAt.trim(), storeys }
    await edit([{ kind: 'property', id: property.id, patch } as Edit], 'Kept: where the water is shut')
    onClose()
  }
  return (
    <SheetModal title="Where the water is shut" onClose={onClose}>
      <Field label="Its own stop is" value={stopAt} onChange={setStopAt} error={fault} />
      <Choice
        label="Storeys that run empty"
        value={storeys === null ? null : String(storeys)}
        options={[...STOREYS, ...own].map((value) => ({ value, label: value }))}
        columns={4}
        onChange={(value) => setStoreys(String(storeys) === value ? null : Number(value))}
      />
      <View className="mt-3">
        <Button kind="primary" label="Save" disabled={fault !== undefined} onPress={save} />
      </View>
    </SheetModal>
  )
}
