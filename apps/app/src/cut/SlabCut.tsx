import { formatLength } from '@diarmos/core/units'
import { View } from 'react-native'
import { SlabAnswer } from '../bench/SlabAnswer'
import { DISCS, SLAB_ROWS, USUAL_DISC } from '../bench/slabs'
import { usePreferences } from '../data/preferences'
import { type JobView, type LineView, situationOf } from '../data/select'
import type { EntityFields } from '../data/types'
import { keepDimension, setConditions } from '../job/actions'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { MeasureRow } from '../ui/MeasureRow'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'

type Slab = NonNullable<EntityFields<'situation'>['slab']>
const NOTHING: Slab = { deepMm: null, discMm: null, aboveMm: null }
const SIZES = ['1-1/2', '2'] as const

/** The trap of a way that lies under a slab: which part, and its size; null where none goes in there. */
export function trapUnderSlab(line: LineView) {
  const option = line.mating?.fields.option
  const { access, slabMm } = situationOf(line)
  const at = option?.parts.findIndex(({ family }) => family === 'p-trap') ?? -1
  const nominal = option?.joints.find(({ to }) => to === at)?.nominal
  const size = SIZES.find((entry) => entry === nominal)
  const below = line.ends?.to.route.startsWith('trap-')
  return below && access === 'buried' && slabMm != null && at >= 0 && size ? { at, size, slabMm } : null
}

/** The trench for a drain under concrete: measured here, its riser left long and cut once the drain is in hand. */
export function SlabCut({ view, line }: { view: JobView; line: LineView }) {
  const { unit, measurer } = usePreferences()
  const trap = trapUnderSlab(line)
  const measured = line.situation?.fields.slab ?? NOTHING
  const { spanMm } = situationOf(line)
  const { deepMm, aboveMm } = measured
  const discMm = measured.discMm ?? Number(USUAL_DISC)
  const request =
    trap && deepMm !== null && spanMm
      ? { size: trap.size, slabMm: trap.slabMm, deepMm, outMm: spanMm, discMm, aboveMm }
      : null
  const { answer } = useSolved('slab', request)
  if (!trap) return null
  const set = (patch: Partial<Slab>, label: string) =>
    void setConditions(view, [line], { slab: { ...measured, ...patch } }, label)
  const over = aboveMm !== null && aboveMm > 0
  const rows = [
    ['deepMm', deepMm, (mm: number) => ({ deepMm: mm })],
    ['underMm', aboveMm === null || over ? null : -aboveMm, (mm: number) => ({ aboveMm: -mm })],
    ['overMm', over ? aboveMm : null, (mm: number) => ({ aboveMm: mm })],
  ] as const
  const fit = answer?.fit.ok ? answer.fit : null
  const risesMm = fit && aboveMm !== null ? fit.trapMm + aboveMm : null
  return (
    <View className="mt-3" testID="slab-cut">
      <Txt bold size="l" heading={2}>
        The trench
      </Txt>
      {answer && request ? (
        <SlabAnswer ask={request} answer={answer} listed />
      ) : (
        <Txt tone="soft" className="py-2">
          {spanMm
            ? 'How deep the old pipe lies decides where the trap stands: it is higher by the fall of its arm.'
            : 'Measure at Mate how far the drain stands from the old pipe: the trench follows from that.'}
        </Txt>
      )}
      {rows.map(([key, mm, patch]) => (
        <MeasureRow
          key={key}
          label={SLAB_ROWS[key][0]}
          hint={SLAB_ROWS[key][1]}
          mm={mm}
          onEnter={(length) => set(patch(length.mm), `${SLAB_ROWS[key][0]}: ${length.text}`)}
        />
      ))}
      <View className="mt-3">
        <Choice
          label="Disc of the saw"
          columns={4}
          value={String(discMm)}
          options={DISCS}
          onChange={(value) => set({ discMm: Number(value) }, `Disc: ${value} mm`)}
        />
      </View>
      {risesMm === null ? null : (
        <View className="mt-3">
          <Button
            label="Cut the riser by this"
            onPress={() =>
              void keepDimension(
                view,
                line,
                { from: `part:${trap.at}:centre`, to: 'tail' },
                { ok: true, mm: risesMm, text: formatLength(risesMm, { unit }), unit, resolutionMm: 0 },
                { measurer, dry: false },
              )
            }
          />
        </View>
      )}
    </View>
  )
}
