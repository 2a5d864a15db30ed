import { stationText } from '@diarmos/core/words/stations'
import { useState } from 'react'
import { View } from 'react-native'
import { type LineView, placesOf } from '../data/select'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Length } from '../ui/Length'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import type { Layout } from './saw'
import type { Span } from './span'

interface Props {
  line: LineView
  layout: Layout
  onMeasure: (span: Span) => void
  onClose: () => void
}

/** Any two places of a straight stretch: how far apart they are by what is known, and a way to measure it instead. */
export function PlacesSheet({ line, layout, onMeasure, onClose }: Props) {
  const families = line.mating?.fields.option.parts.map(({ family }) => family) ?? []
  const begins = placesOf(line)
  const [leg, setLeg] = useState('0')
  // a bend at the very end begins a stretch with nothing in it
  const stretches = layout.legs.flatMap((_, index) =>
    layout.stations.filter((station) => station.leg === index).length > 1 ? [String(index)] : [],
  )
  const places = layout.stations.filter((station) => String(station.leg) === leg)
  const [from, setFrom] = useState<string | null>(null)
  const [to, setTo] = useState<string | null>(null)
  const [one, other] = [from, to].map((id) => places.find((station) => station.id === id) ?? null)
  const apart =
    one && other && one.fromLegMm !== null && other.fromLegMm !== null
      ? Math.abs(one.fromLegMm - other.fromLegMm)
      : null
  const options = places.map(({ id }) => ({
    value: id as string,
    label: stationText(id, families, begins).replace(/^the /, ''),
  }))
  return (
    <SheetModal title="Between two places" onClose={onClose}>
      {stretches.length > 1 ? (
        <Choice
          label="Straight stretch"
          columns={3}
          value={leg}
          options={stretches.map((value) => ({ value, label: `${Number(value) + 1}` }))}
          onChange={(value) => {
            setLeg(value)
            setFrom(null)
            setTo(null)
          }}
        />
      ) : null}
      <View className="mt-2 gap-2">
        <Choice label="From" columns={2} value={from} options={options} onChange={setFrom} />
        <Choice
          label="To"
          columns={2}
          value={to}
          options={options.filter(({ value }) => value !== from)}
          onChange={setTo}
        />
      </View>
      {one && other && one !== other ? (
        <View className="mt-3 gap-2">
          <View className="flex-row items-center justify-between border-b-2 border-ink pb-1" testID="apart">
            <Txt>by what is known</Txt>
            {apart === null ? (
              <Txt bold size="xl" tone="soft">
                ?
              </Txt>
            ) : (
              <Length mm={apart} size="xl" />
            )}
          </View>
          <Button
            kind="primary"
            label="Measure it"
            onPress={() => onMeasure({ from: one.id, to: other.id })}
          />
        </View>
      ) : null}
    </SheetModal>
  )
}
