import type { OperationResponse } from '@diarmos/contract'
import { badRoundCorner, cornerOf } from '@diarmos/core/record'
import { formatLength, type ParsedLength } from '@diarmos/core/units'
import { screenText } from '@diarmos/core/words/counts'
import { ON_RUN_WORDS } from '@diarmos/core/words/fixtures'
import { useState } from 'react'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView, LineView } from '../data/select'
import type { EntityFields } from '../data/types'
import { setConditions } from '../job/actions'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'

type Run = NonNullable<EntityFields<'situation'>['onRun']>
type Thing = Run['things'][number]
type Side = 'near' | 'far'

const NOTHING: Run = { badMm: null, things: [] }
const KINDS = Object.entries(ON_RUN_WORDS) as [Thing['kind'], string][]

interface Props {
  readonly view: JobView
  readonly line: LineView
  readonly fixed: OperationResponse<'fixed-ends'>
  /** So much comes out; of a corner, on this side or the other. */
  readonly onOut: (length: ParsedLength, leg: 0 | 1) => Promise<void>
}

/** Where the run is cut: round what is bad, clear of what hangs on it, an old coupling taken along. */
export function RunCut({ view, line, fixed, onOut }: Props) {
  const unit = usePreferences((state) => state.unit)
  const run = line.situation?.fields.onRun ?? NOTHING
  const half = (run.badMm ?? 0) / 2
  const said = run.badMm !== null || run.things.length > 0
  // what comes out of a corner is counted from its elbow
  const lost = fixed.corner !== null && cornerOf(run) < 0
  const elbow = fixed.corner ? cornerOf(run) : -1
  const bad: readonly [number, number] = elbow < 0 ? [-half, half] : badRoundCorner(run, elbow)
  const { answer } = useSolved(
    'where-to-cut',
    said && !lost
      ? {
          badMm: [...bad],
          onRun: run.things,
          leastBareMm: [...fixed.leastBareMm],
          windowMm: [...fixed.windowMm],
          ...(fixed.corner && elbow >= 0
            ? {
                corner: {
                  elbow,
                  legsMm: [[...fixed.corner.legs[0].windowMm], [...fixed.corner.legs[1].windowMm]],
                },
              }
            : {}),
        }
      : null,
  )
  const turn = run.things[elbow]
  const middle = turn ? (turn.fromMm + turn.toMm) / 2 : 0
  const keep = (patch: Partial<Run>, label: string) =>
    void setConditions(view, [line], { onRun: { ...run, ...patch } }, label)
  const cuts = answer && 'cutsMm' in answer ? answer.cutsMm : ([0, 0] as const)
  const out = cuts[1] - cuts[0]
  /** What comes out as the cut sheet counts it: in one length, or from the corner's middle on each side. */
  const outs = elbow < 0 ? [out] : [middle - cuts[0], cuts[1] - middle]
  const taken = fixed.corner ? fixed.corner.legs.map(({ takeOutMm }) => takeOutMm) : [fixed.takeOutMm]
  const take = async () => {
    for (const [leg, mm] of outs.entries()) {
      const text = formatLength(mm, { unit, quantity: 'reading' })
      await onOut({ ok: true, mm, unit, resolutionMm: 1, text }, leg === 0 ? 0 : 1)
    }
  }
  const what = (indices: readonly number[]) =>
    indices.map((index) => ON_RUN_WORDS[(run.things[index] as Thing).kind]).join(', ')
  return (
    <View className="mt-4" testID="run-cut">
      <Txt bold heading={2}>
        Where to cut
      </Txt>
      {answer && 'cutsMm' in answer ? (
        <View aria-live="polite">
          <Txt bold size="l">
            {screenText(
              'cut.there',
              {
                nearMm: -answer.cutsMm[0],
                farMm: answer.cutsMm[1],
                outMm: out,
              },
              unit,
            )}
          </Txt>
          {answer.goes.length > 0 ? (
            <Txt tone="patina">
              {screenText('cut.goes', { count: answer.goes.length, what: what(answer.goes) })}
            </Txt>
          ) : null}
          {outs.some((mm, leg) => Math.abs(mm - (taken[leg] ?? 0)) > 0.5) ? (
            <Button
              kind="quiet"
              label={`Take out ${outs.map((mm) => formatLength(mm, { unit, quantity: 'reading' })).join(' and ')}`}
              onPress={() => void take()}
            />
          ) : null}
        </View>
      ) : answer && 'shortMm' in answer ? (
        <Note kind="caution" title="No place for the cut">
          {[
            answer.blocks === null
              ? screenText('cut.short-parts', { shortMm: answer.shortMm }, unit)
              : screenText('cut.short', { shortMm: answer.shortMm, what: what([answer.blocks]) }, unit),
            ...(answer.blocks !== null && !fixed.corner && run.things[answer.blocks]?.kind === 'elbow'
              ? [screenText('cut.corner', {}, unit)]
              : []),
          ].join(' ')}
        </Note>
      ) : lost ? (
        <Txt tone="soft">{screenText('cut.no-elbow', {}, unit)}</Txt>
      ) : (
        <Txt tone="soft">
          Mark the middle of the place, then say what is bad and what hangs on the run near it.
        </Txt>
      )}
      <MeasureRow
        label="Bad pipe, end to end"
        hint="All that has to come out, the mark in its middle."
        mm={run.badMm}
        onEnter={({ mm, text }) => keep({ badMm: mm }, `Bad pipe: ${text}`)}
      />
      {run.things.map((thing, index) => (
        <View
          key={`${thing.kind} ${thing.fromMm}`}
          className="min-h-[56px] flex-row items-center justify-between border-b border-rule"
        >
          <Txt className="flex-1 pr-2">
            {screenText(
              'run.thing',
              {
                what: ON_RUN_WORDS[thing.kind],
                side: thing.toMm <= 0 ? 'near' : 'far',
                fromMm: Math.min(Math.abs(thing.fromMm), Math.abs(thing.toMm)),
                longMm: thing.toMm - thing.fromMm,
              },
              unit,
            )}
          </Txt>
          <Button
            kind="quiet"
            label="Leave out"
            hint={ON_RUN_WORDS[thing.kind]}
            onPress={() =>
              keep(
                { things: run.things.filter((_, at) => at !== index) },
                `${ON_RUN_WORDS[thing.kind]} left out`,
              )
            }
          />
        </View>
      ))}
      <OneMore
        onAdd={(thing) => keep({ things: [...run.things, thing] }, `On the run: ${ON_RUN_WORDS[thing.kind]}`)}
      />
    </View>
  )
}

/** One more thing on the run: what it is, on which side, how far off, how long. */
function OneMore({ onAdd }: { readonly onAdd: (thing: Thing) => void }) {
  const [kind, setKind] = useState<Thing['kind'] | null>(null)
  const [side, setSide] = useState<Side>('near')
  const [away, setAway] = useState<number | null>(null)
  if (kind === null)
    return (
      <Choice
        label="What hangs on the run there?"
        columns={3}
        value={kind}
        options={KINDS.map(([value, label]) => ({ value, label }))}
        onChange={setKind}
      />
    )
  const add = ({ mm }: ParsedLength) => {
    const from = away ?? 0
    onAdd(
      side === 'far' ? { kind, fromMm: from, toMm: from + mm } : { kind, fromMm: -from - mm, toMm: -from },
    )
    setKind(null)
    setAway(null)
  }
  return (
    <View className="mt-2">
      <Choice<Side>
        label={`The ${ON_RUN_WORDS[kind]} is on`}
        columns={2}
        value={side}
        options={[
          { value: 'near', label: 'this side' },
          { value: 'far', label: 'the other side' },
        ]}
        onChange={setSide}
      />
      <MeasureRow label="From the mark to its nearer end" mm={away} onEnter={({ mm }) => setAway(mm)} />
      {away === null ? null : (
        <MeasureRow
          label="Its length along the run"
          hint="Said last: then it is kept."
          mm={null}
          onEnter={add}
        />
      )}
      <Button kind="quiet" label="Not this" onPress={() => setKind(null)} />
    </View>
  )
}
