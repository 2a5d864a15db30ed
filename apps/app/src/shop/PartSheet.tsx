import type { OperationResponse } from '@diarmos/contract'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { MeasureRow } from '../ui/MeasureRow'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import type { MateSettings } from './houseRules'
import { readNumber } from './readNumber'

export type CataloguePart = OperationResponse<'catalogue'>[number]

interface Props {
  part: CataloguePart
  mate: MateSettings
  onChange: (patch: Partial<MateSettings>, label: string) => void
  onClose: () => void
}

/** One entry more, changed or, with null, taken out. */
function withEntry(
  record: Readonly<Record<string, number>> | undefined,
  key: string,
  value: number | null,
): Record<string, number> {
  const { [key]: _before, ...others } = record ?? {}
  return value === null ? others : { ...others, [key]: value }
}

/** What the shop knows better of one part: its price, and the laying length it measured. */
export function PartSheet({ part, mate, onChange, onClose }: Props) {
  const own = mate.layingMm?.[part.id]
  const price = mate.priceCents[part.id]
  const [text, setText] = useState(price === undefined ? '' : String(price / 100))
  const [fault, setFault] = useState<string>()
  const save = () => {
    const read = text.trim() === '' ? null : readNumber(text, 10_000)
    if (typeof read === 'string') return setFault(read)
    const value = read === null ? null : Math.round(read * 100)
    onChange({ priceCents: withEntry(mate.priceCents, part.id, value) }, `${part.name}: price saved`)
    onClose()
  }
  return (
    <SheetModal title={part.name} onClose={onClose}>
      <Field
        label="Own price; empty is its family’s"
        value={text}
        onChange={setText}
        error={fault}
        inputMode="decimal"
        suffix="each"
      />
      {part.layingMm < 0 ? (
        <Txt size="s" tone="soft">
          Screwed home, nothing of it lies between two pipes’ ends: it has no laying length to measure.
        </Txt>
      ) : (
        <MeasureRow
          label="Laying length"
          detail={`${own === undefined ? 'typical of the kind: measure yours' : 'as you measured it'}, between the pipes’ ends when both are home`}
          hint="The whole part less both depths to the stop."
          mm={own ?? part.layingMm}
          onEnter={({ mm, text: entered }) =>
            onChange({ layingMm: withEntry(mate.layingMm, part.id, mm) }, `${part.name}: ${entered}`)
          }
        />
      )}
      {own === undefined ? null : (
        <Button
          kind="quiet"
          label="Take the typical length again"
          onPress={() =>
            onChange(
              { layingMm: withEntry(mate.layingMm, part.id, null) },
              `${part.name}: typical length again`,
            )
          }
        />
      )}
      <Button kind="primary" label="Save the price" onPress={save} className="mt-3" />
    </SheetModal>
  )
}
