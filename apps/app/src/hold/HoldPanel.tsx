import type { HoldJudged } from '@diarmos/core'
import { testPressureText } from '@diarmos/core/words/testPressure'
import { type ReactNode, useState } from 'react'
import { View } from 'react-native'
import { useSettings } from '../data/select'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { EndRow, EndSheet } from '../ui/EndChoice'
import { Field } from '../ui/Field'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { Unfold } from '../ui/Unfold'
import { HoldChart } from './HoldChart'
import { clock, GAUGES, type GaugeId, readPressure, shown } from './pressure'
import { MOST_READ, type useHold } from './useHold'
import { holdWords } from './words'

const FIRST_END = { kind: 'copper', size: '1/2' }

function Reading({ hold }: { hold: ReturnType<typeof useHold> }) {
  const { gauge, readings } = hold.hold
  const [text, setText] = useState('')
  const last = readings.at(-1)
  const { step, unit } = GAUGES[gauge]
  const written = text === '' && last ? shown(last.kpa, gauge) : text
  const kpa = readPressure(written, gauge)
  const by = (steps: number) => {
    if (kpa !== null) setText(shown(Math.max(0, kpa + steps * step * GAUGES[gauge].kpa), gauge))
  }
  const why =
    hold.hold.lengthMm === null
      ? 'First the length of the line'
      : readings.length >= MOST_READ
        ? `${MOST_READ} readings: keep them, or begin anew`
        : null
  return (
    <View className="mt-2">
      <Field
        label={readings.length === 0 ? 'The gauge shows, pumped up' : 'The gauge shows now'}
        value={written}
        onChange={setText}
        inputMode="decimal"
        suffix={unit}
        error={text !== '' && kpa === null ? 'A pressure, such as 100' : undefined}
      />
      <View className="flex-row gap-2">
        {[-5, -1, 1, 5].map((steps) => (
          <View key={steps} className="flex-1">
            <Button
              label={`${steps < 0 ? '−' : '+'}${shown(Math.abs(steps) * step * GAUGES[gauge].kpa, gauge)}`}
              disabled={kpa === null}
              onPress={() => by(steps)}
            />
          </View>
        ))}
      </View>
      <View className="mt-2">
        <Button
          kind="primary"
          label={readings.length === 0 ? 'Begin the hold' : 'Read now'}
          disabled={kpa === null || why !== null}
          {...(why ? { hint: why } : {})}
          onPress={() => {
            if (kpa === null) return
            hold.read(kpa)
            setText('')
          }}
          testID="read-gauge"
        />
      </View>
    </View>
  )
}

function Judged({
  judged,
  gauge,
  log,
}: {
  judged: HoldJudged | null
  gauge: GaugeId
  log: ReturnType<typeof useHold>['log']
}) {
  const words = judged ? holdWords(judged) : null
  const last = log.at(-1)
  return (
    <View className="mt-2" aria-live="polite">
      {words ? (
        <Note kind={words.kind} title={words.title}>
          {words.text}
        </Note>
      ) : null}
      <HoldChart
        readings={log}
        fittedKpa={judged && judged.fittedKpa.length === log.length ? judged.fittedKpa : null}
        gauge={gauge}
      />
      {last && log.length > 1 ? (
        <Txt size="s" tone="soft">
          Dots: {log.length} readings in {clock(last.seconds)}. Green line: the likeliest account of them.
        </Txt>
      ) : null}
    </View>
  )
}

/** A gauge on a shut line, read by hand or by itself, and what moves it. */
export function HoldPanel({
  hold,
  own = null,
  keep,
}: {
  hold: ReturnType<typeof useHold>
  /** What the job's pipe is called. */
  own?: string | null
  /** What is done with a hold, under its readings. */
  keep?: ReactNode
}) {
  const { hold: now, change, stream, setStream, log, solved } = hold
  const [street, setStreet] = useState(now.streetKpa === null ? '' : shown(now.streetKpa, now.gauge))
  const streetWrong = street !== '' && readPressure(street, now.gauge) === null
  const [picking, setPicking] = useState(false)
  const profile = useSettings()?.fields.mate.codeProfile
  const caution = (
    <Note kind="caution" title="Water, not air">
      {`Air under pressure throws what lets go. Take off or shut away what is not made for it: heater, cartridges, hoses. ${testPressureText(profile)}`}
    </Note>
  )
  const reading = (
    <>
      {stream === null ? (
        <Reading hold={hold} />
      ) : (
        <Button label="Stop the made-up gauge" onPress={() => setStream(null)} />
      )}
      {keep}
      {now.readings.length > 0 && stream === null ? (
        <View className="flex-row gap-2">
          <View className="flex-1">
            <Button
              kind="quiet"
              label="One back"
              onPress={() => change({ readings: now.readings.slice(0, -1) })}
            />
          </View>
          <View className="flex-1">
            <Button
              kind="quiet"
              label="Begin anew"
              onPress={() => change({ readings: [], before: now.readings })}
            />
          </View>
        </View>
      ) : null}
      {now.readings.length === 0 && (now.before?.length ?? 0) > 0 && stream === null ? (
        <Button
          kind="quiet"
          label="Bring the readings back"
          onPress={() => change({ readings: now.before ?? [], before: [] })}
        />
      ) : null}
    </>
  )
  return (
    <View>
      <Judged judged={log.length > 1 ? solved.answer : null} gauge={now.gauge} log={log} />
      {log.length > 0 ? reading : caution}
      <View className="mt-3 gap-3">
        <MeasureRow
          label="Length of the line that is shut"
          hint="All of it, paced out: within a quarter is enough."
          mm={now.lengthMm}
          onEnter={({ mm }) => change({ lengthMm: mm })}
        />
        {own ? (
          <Choice
            label="It is made of"
            value={now.end ? 'other' : 'own'}
            options={[
              { value: 'own', label: own },
              { value: 'other', label: 'another pipe' },
            ]}
            onChange={(value) => change({ end: value === 'own' ? null : FIRST_END })}
          />
        ) : null}
        {now.end ? (
          <EndRow name={own ? 'That is' : 'It is made of'} {...now.end} onPress={() => setPicking(true)} />
        ) : null}
        {now.end && picking ? (
          <EndSheet
            title="The line is made of"
            {...now.end}
            pipesOnly
            onPick={(kind, size) => change({ end: { kind, size } })}
            onClose={() => setPicking(false)}
          />
        ) : null}
        <Choice
          label="The gauge is read to"
          columns={4}
          value={now.gauge}
          options={Object.entries(GAUGES).map(([value, { label }]) => ({ value: value as GaugeId, label }))}
          onChange={(gauge) => {
            change({ gauge })
            setStreet(now.streetKpa === null ? '' : shown(now.streetKpa, gauge))
          }}
        />
        <Field
          label="Pressure in front of the stop, if it was measured"
          value={street}
          onChange={(text) => {
            setStreet(text)
            if (text === '' || readPressure(text, now.gauge) !== null)
              change({ streetKpa: readPressure(text, now.gauge) })
          }}
          inputMode="decimal"
          suffix={GAUGES[now.gauge].unit}
          error={streetWrong ? 'A pressure, such as 60' : undefined}
        />
        <Toggle
          label="The stop is proved"
          detail="The lowest tap behind it ran out and stayed dry."
          value={now.stopProved}
          onChange={(stopProved) => change({ stopProved })}
        />
        <Unfold closed="Try it with a made-up gauge" open="A made-up gauge" known={false}>
          <Txt size="s" tone="soft" className="mb-2">
            It sends what a wireless gauge would send, a minute every second. Nothing of it is kept.
          </Txt>
          <Choice
            label="The made-up line"
            value={stream}
            columns={3}
            options={[
              { value: 'tight', label: 'is tight' },
              { value: 'leaks', label: 'leaks' },
              { value: 'passes', label: 'has a stop that lets by' },
            ]}
            onChange={setStream}
          />
        </Unfold>
      </View>
      {log.length > 0 ? caution : reading}
    </View>
  )
}
