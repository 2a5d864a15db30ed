import { formatLength, type LengthUnit } from '@diarmos/core/units'
import { useEffect, useState } from 'react'
import { View } from 'react-native'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Txt } from '../ui/Txt'
import { BETWEEN, type Between, type CaliperReading, simulatedCaliper, steady } from './caliper'

const KEPT = 8

/** How a caliper shows what it stands at: hundredths of a millimetre, thousandths of an inch. */
export function shownBy(mm: number, unit: LengthUnit): string {
  return unit === 'mm' ? `${mm.toFixed(2)} mm` : `${(mm / 25.4).toFixed(3)}"`
}

/** What a caliper shows, and taking it; the one that ships is made up. */
export function FromCaliper({ unit, onTake }: { unit: LengthUnit; onTake: (text: string) => void }) {
  const [what, setWhat] = useState<Between | null>(null)
  const [readings, setReadings] = useState<readonly CaliperReading[]>([])
  useEffect(() => {
    if (what === null) return
    setReadings([])
    return simulatedCaliper(what).readings((reading) =>
      setReadings((before) => [...before.slice(1 - KEPT), reading]),
    )
  }, [what])
  const last = readings.at(-1)
  const stands = steady(readings)
  return (
    <View className="gap-2">
      <View className="border-b-2 border-ink pb-1" aria-live={stands === null ? 'off' : 'polite'}>
        <Txt bold size="xxl" tone={stands === null ? 'soft' : 'ink'} testID="caliper">
          {last ? shownBy(last.mm, unit) : '–'}
        </Txt>
        <Txt size="s" tone="soft">
          {stands === null
            ? last
              ? 'The jaws move.'
              : 'Nothing between the jaws.'
            : `It stands; about ${formatLength(stands, { unit })}.`}
        </Txt>
      </View>
      <Choice
        label="A made-up caliper: what lies between its jaws?"
        value={what}
        options={(Object.keys(BETWEEN) as Between[]).map((value) => ({ value, label: value }))}
        columns={4}
        onChange={setWhat}
      />
      <Button
        kind="primary"
        label="Take it"
        disabled={stands === null}
        onPress={() => {
          if (stands !== null) onTake(shownBy(stands, unit))
        }}
      />
    </View>
  )
}
