import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Choice } from '../ui/Choice'
import { faultWords } from '../ui/faultWords'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { BendChoice, useBend } from './BendChoice'
import { useLengths } from './useLengths'

const SUPPLY_PARTS = [
  { value: 'elbow-90', label: 'elbow' },
  { value: 'elbow-45', label: '45° elbow' },
  { value: 'tee', label: 'tee' },
  { value: 'coupling', label: 'coupling' },
  { value: 'isolating-valve', label: 'valve' },
  { value: 'none', label: 'nothing' },
] as const
/** A branch is left out: its two ways along the run are of two lengths. */
const DRAIN_PARTS = [
  { value: 'elbow-90', label: 'sweep bend' },
  { value: 'elbow-45', label: 'eighth bend' },
  { value: 'coupling', label: 'coupling' },
  { value: 'none', label: 'nothing' },
] as const
type Part = (typeof SUPPLY_PARTS | typeof DRAIN_PARTS)[number]['value']
const REFERENCES = [
  { value: 'centre', label: 'its middle' },
  { value: 'face', label: 'its mouth' },
] as const
type Reference = (typeof REFERENCES)[number]['value']

/** A piece of pipe between two parts, from what the tape was held to. */
export function BenchPiece() {
  const { unit, measurer } = usePreferences()
  const { lengths, fault, set } = useLengths(1)
  const params = useLocalSearchParams<Record<string, string>>()
  const { kind, end: port } = useBend(true)
  const parts: readonly { value: Part; label: string }[] = kind?.drain ? DRAIN_PARTS : SUPPLY_PARTS
  const [mm] = lengths
  const ends = (['1', '2'] as const).map((index) => ({
    part: parts.find(({ value }) => value === params[`part${index}`])?.value ?? ('elbow-90' as Part),
    reference:
      REFERENCES.find(({ value }) => value === params[`at${index}`])?.value ?? ('centre' as Reference),
  }))
  const cemented = port?.form === 'cement-socket' || port?.form === 'drain-socket'
  const dry = cemented && params.dry === '1'
  const end = ({ part, reference }: (typeof ends)[number]) =>
    part === 'none' || !port
      ? { reference: 'end' as const }
      : {
          reference,
          port,
          family: part,
          ...(dry ? { dry } : {}),
        }
  const [a, b] = ends
  const request = mm && a && b ? { measuredMm: mm, measurer, ends: [end(a), end(b)] as [never, never] } : null
  const { answer, error } = useSolved('cut-length', request)
  return (
    <BenchFrame title="Piece between two parts" fault={fault} operation="cut-length" request={request}>
      {error ? (
        <Note kind="caution" title="Not in the catalogue">
          {faultWords(error, unit)}
        </Note>
      ) : answer?.ok ? (
        <View className="border-b-2 border-ink pb-2" testID="piece">
          <Txt size="s" tone="soft">
            cut
          </Txt>
          <Length mm={answer.cutMm} quantity="pipe-to-cut" size="huge" />
          <View className="flex-row flex-wrap items-center gap-x-3">
            <Txt tone="soft">marks</Txt>
            {answer.marksMm.map((mark, index) =>
              mark > 0 ? (
                // biome-ignore lint/suspicious/noArrayIndexKey: one end and the other
                <Length key={index} mm={mark} quantity="insertion-mark" tone="patina" />
              ) : null,
            )}
            <Txt tone="soft">not under</Txt>
            <Length mm={answer.windowMm[0]} quantity="least-stub" />
          </View>
          {answer.notes.map((note) => (
            <Txt key={note.ruleId} size="s" tone="soft">
              {say(REASONS[note.ruleId] ?? '', note.parameters, unit)}
            </Txt>
          ))}
        </View>
      ) : answer ? (
        <Note kind="stop" title="There is no room for a piece">
          {say(REASONS[answer.reason.ruleId] ?? '', answer.reason.parameters, unit)}
        </Note>
      ) : (
        <Txt tone="soft" className="py-6">
          Say what stands at both ends and where the tape was held: what both parts take up and what goes into
          them is reckoned in.
        </Txt>
      )}
      <MeasureRow
        label="Measured"
        hint="From the one place to the other, as chosen below."
        mm={mm ?? null}
        onEnter={(length) => set(0, length.mm)}
      />
      <View className="mt-3 gap-3">
        {ends.map(({ part, reference }, index) => (
          <View key={index === 0 ? 'first' : 'second'} className="gap-1">
            <Choice
              label={index === 0 ? 'At one end' : 'At the other end'}
              columns={3}
              value={part}
              options={parts.map((entry) => ({ ...entry }))}
              onChange={(value) => router.setParams({ [`part${index + 1}`]: value })}
            />
            {part === 'none' ? null : (
              <Choice
                label={index === 0 ? 'The tape was held to' : 'And there to'}
                columns={2}
                value={reference}
                options={REFERENCES.map((entry) => ({ ...entry }))}
                onChange={(value) => router.setParams({ [`at${index + 1}`]: value })}
              />
            )}
          </View>
        ))}
        <BendChoice sockets />
        {cemented ? (
          <Toggle
            label="Measured with the sockets tried dry"
            value={dry}
            onChange={(on) => router.setParams({ dry: on ? '1' : '0' })}
          />
        ) : null}
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
