import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import Svg, { Circle, Path, Rect } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { useSettings } from '../data/select'
import { Length } from '../ui/Length'
import { Note } from '../ui/Note'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { MeasureRows } from './MeasureRows'
import { useLengths } from './useLengths'

const ROWS = [
  ['Wood, face to face', 'A new 2x4 is 3 1/2 in; old ones are deeper: measure.'],
  ['Hole', 'The bit: what the pipe’s sleeve or isolator asks for.'],
  ['Middle of the hole', 'From one face; in the middle where it is left out.'],
] as const

/** The face of a stud with its hole, and where plates go, to scale. */
function StudPicture({
  depthMm,
  centreMm,
  holeMm,
  plates,
}: {
  depthMm: number
  centreMm: number
  holeMm: number
  plates: readonly boolean[]
}) {
  const { ink, oxide, raised, sheet, soft } = usePalette()
  const scale = 240 / depthMm
  const [x, high] = [60, Math.max(100, holeMm * scale + 36)]
  return (
    <Svg
      width="100%"
      height={high}
      viewBox={`0 0 360 ${high}`}
      role="img"
      aria-label={`A hole in the wood${plates.some(Boolean) ? ', with nail plates' : ''}`}
    >
      <Rect x={x} y={0} width={240} height={high} fill={raised} />
      <Path
        d={`M${x + 60} 0q8 ${high / 2} 0 ${high}M${x + 180} 0q-8 ${high / 2} 0 ${high}M${x + 24} 0q4 ${high / 2} 0 ${high}M${x + 216} 0q-4 ${high / 2} 0 ${high}`}
        stroke={soft}
        strokeWidth={0.7}
        fill="none"
      />
      <Path d={`M${x} 0v${high}M${x + 240} 0v${high}`} stroke={ink} strokeWidth={2} />
      <Circle
        cx={x + centreMm * scale}
        cy={high / 2}
        r={(holeMm * scale) / 2}
        fill={sheet}
        stroke={ink}
        strokeWidth={2}
      />
      {plates.map((plate, index) =>
        plate ? (
          <Path
            // biome-ignore lint/suspicious/noArrayIndexKey: one face and the other
            key={index}
            d={`M${index === 0 ? x - 5 : x + 245} ${high / 2 - 44}v88`}
            stroke={oxide}
            strokeWidth={6}
          />
        ) : null,
      )}
    </Svg>
  )
}

/** A hole through a stud or plate: edges, nail plates, and how much of the wood it takes. */
export function BenchHole() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(ROWS.length)
  const [depth, hole, centre] = lengths.map((mm) => mm ?? null)
  const plates = useSettings()?.fields.mate.houseRules.plates
  const request =
    depth != null && hole != null
      ? { depthMm: depth, holeMm: hole, centreMm: centre ?? depth / 2, ...(plates ? { plates } : {}) }
      : null
  const { answer, error } = useSolved('hole', request)
  return (
    <BenchFrame title="Hole in a stud" fault={fault} error={error} operation="hole" request={request}>
      {answer?.ok && request ? (
        <>
          <StudPicture {...request} plates={answer.plates} />
          <View className="flex-row border-b-2 border-ink pb-2">
            {answer.edgesMm.map((mm, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: one face and the other
              <View key={index} className="flex-1">
                <Txt size="s" tone="soft">
                  edge to {index === 0 ? 'this face' : 'the other face'}
                </Txt>
                <Length mm={mm} quantity="largest-opening" size="xl" />
                <Txt bold tone={answer.plates[index] ? 'oxide' : 'patina'}>
                  {answer.plates[index] ? '✕ nail plate' : '✓ no plate needed'}
                </Txt>
              </View>
            ))}
          </View>
          {answer.notes.map((note) => (
            <Note
              key={note.ruleId}
              kind={note.ruleId === 'hole.plate-by-rule' ? 'note' : 'caution'}
              title={note.ruleId === 'hole.plate-by-rule' ? 'House rule' : 'Much of the wood'}
            >
              {`${say(REASONS[note.ruleId] ?? '', note.parameters, unit)} ${note.source?.title ?? ''}`}
            </Note>
          ))}
          <Txt size="s" tone="soft">
            {answer.source.title} ({answer.source.certainty}): the local code decides.
          </Txt>
        </>
      ) : answer && !answer.ok ? (
        <Note kind="stop" title="This cannot be">
          {say(REASONS[answer.reason.ruleId] ?? '', answer.reason.parameters, unit)}
        </Note>
      ) : (
        <Txt tone="soft" className="py-6">
          How near a nail comes: from the wood and the bit.
        </Txt>
      )}
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3">
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
