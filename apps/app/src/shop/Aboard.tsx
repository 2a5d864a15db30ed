import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { later } from '../ui/later'
import { money } from '../ui/money'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { useSolved } from '../workers/solver'
import type { MateSettings } from './houseRules'
import { Shelves } from './Shelves'

const PartSheet = later(async () => (await import('../work')).PartSheet)

interface Props {
  mate: MateSettings
  onChange: (patch: Partial<MateSettings>, label: string) => void
}

const SHOWN = 12

/** What the van carries, by part; its own price and length behind its name. */
export function Aboard({ mate, onChange }: Props) {
  const [search, setSearch] = useState('')
  const [partId, openPart] = useSheet<string>('part')
  const catalogue = useSolved('catalogue', {})
  const open = (catalogue.answer ?? []).find((part) => part.id === partId)
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const parts = (catalogue.answer ?? []).filter((part) =>
    words.length === 0
      ? (mate.partsAboard[part.id] ?? 0) > 0
      : words.every((word) => part.name.toLowerCase().includes(word)),
  )
  const set = (id: string, name: string, count: number) =>
    onChange(
      { partsAboard: { ...mate.partsAboard, [id]: Math.max(0, count) } },
      `${name}: ${Math.max(0, count)} aboard`,
    )
  return (
    <View className="mt-4">
      <Txt bold size="l" heading={2} className="mb-1">
        Parts aboard
      </Txt>
      <Shelves mate={mate} onChange={onChange} />
      <Field label="Look up a part" value={search} onChange={setSearch} placeholder="1/2 push-fit coupling" />
      {parts.slice(0, SHOWN).map((part) => {
        const count = mate.partsAboard[part.id] ?? 0
        return (
          <View key={part.id} className="min-h-[56px] flex-row items-center border-b border-rule">
            <Pressable
              role="button"
              aria-label={`${part.name}: price and length`}
              onPress={() => openPart(part.id)}
              className="min-h-[48px] flex-1 justify-center"
            >
              <Txt size="s">{part.name}</Txt>
              <Txt size="s" tone="soft">
                {[
                  mate.priceCents[part.id] === undefined ? '' : money(mate.priceCents[part.id] as number),
                  mate.layingMm?.[part.id] === undefined ? '' : 'length as measured',
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Txt>
            </Pressable>
            <Button
              kind="quiet"
              label="−"
              hint={`one ${part.name} less`}
              onPress={() => set(part.id, part.name, count - 1)}
              className="w-[52px]"
            />
            <Txt bold size="l" className="w-[36px] text-center">
              {count}
            </Txt>
            <Button
              kind="quiet"
              label="+"
              hint={`one ${part.name} more`}
              onPress={() => set(part.id, part.name, count + 1)}
              className="w-[52px]"
            />
          </View>
        )
      })}
      {parts.length > SHOWN ? (
        <Txt size="s" tone="soft">
          {parts.length - SHOWN} more: say it more closely.
        </Txt>
      ) : null}
      {parts.length === 0 ? <Txt tone="soft">Nothing aboard by that name.</Txt> : null}
      {open ? <PartSheet part={open} mate={mate} onChange={onChange} onClose={() => openPart(null)} /> : null}
    </View>
  )
}
