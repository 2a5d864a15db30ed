import type { MateOption, MateResult, RankedOption } from '@diarmos/core'
import { bodyKind } from '@diarmos/core/bodies'
import { opensSlab } from '@diarmos/core/record'
import { screenText } from '@diarmos/core/words/counts'
import { useRef, useState } from 'react'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import {
  alike,
  asksOldJoint,
  conditionsOf,
  endKind,
  isDrain,
  type JobView,
  joinedAlike,
  keepsStop,
  type LineView,
  type Stage,
  situationOf,
} from '../data/select'
import { useData } from '../data/store'
import type { EntityFields } from '../data/types'
import { chooseOptions, flipPermit, setConditions, setNote } from '../job/actions'
import { CopyCase } from '../job/CopyCase'
import { mateRequest, wayTimesRequest } from '../job/requests'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { faultWords } from '../ui/faultWords'
import { money } from '../ui/money'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { useWide } from '../ui/useWide'
import { type Solved, useSolved } from '../workers/solver'
import { CompareSheet } from './CompareSheet'
import { ConditionChips } from './ConditionChips'
import { ConditionPanel } from './ConditionPanel'
import { ForATime } from './ForATime'
import { OldJointAsk } from './OldJointAsk'
import { OptionCard, withTimes } from './OptionCard'
import { PartsSheet } from './PartsSheet'
import { Nothing, Refusals } from './Refused'
import { Shared } from './Shared'
import { WayStrip } from './WayStrip'
import { WayTable } from './WayTable'
import { WayTools } from './WayTools'

interface Props {
  view: JobView
  line: LineView
  mate: Solved<MateResult>
  settings: EntityFields<'settings'>['mate'] | undefined
  /** The way that is drawn. */
  shown: string | undefined
  onShow: (id: string) => void
  improvised: boolean
  onImprovised: (improvised: boolean) => void
  /** All lines of the fixture on one drawing. */
  goTo: (stage: Stage) => void
}

/** Whether concrete is cut open for a way. */
function opensFloor(line: LineView, option: MateOption): boolean {
  const conditions = conditionsOf(line)
  return conditions !== null && opensSlab({ conditions, option }, bodyKind(endKind(line) ?? '')?.mount)
}

/** Every sound way, ranked, under the conditions that hold; one is drawn, any two compared. */
export function MateStage(props: Props) {
  const unit = usePreferences((state) => state.unit)
  const { view, line, mate, settings, shown, onShow, improvised, onImprovised, goTo } = props
  const wide = useWide()
  const [sheet, setSheet] = useSheet('mate', ['parts', 'table'])
  const [against, setAgainst] = useSheet<string>('against')
  const [all, setAll] = useState(false)
  const choosing = useRef(false)
  // the ways that are shown are those of the facts before
  const behind = useData((state) => state.writing > 0) || mate.busy
  const times = useSolved('way-times', wayTimesRequest(view, line, mate.answer, settings))
  const trunk = view.lines.find((other) => other.line.id === line.trunk?.id)
  if (line.trunk && trunk && keepsStop(trunk.ends))
    return (
      <StageFrame actions={<Button kind="primary" label="To what goes in" onPress={() => goTo('fixture')} />}>
        <Txt size="l">Nothing to begin at.</Txt>
        <Txt tone="soft">
          The old stop on the {line.trunk.service} line stays, and it has no second outlet: let it go there,
          or leave out what it was to feed besides.
        </Txt>
      </StageFrame>
    )
  if (line.trunk && !line.begins)
    return (
      <StageFrame>
        <Txt size="l">Not yet.</Txt>
        <Txt tone="soft">
          This line begins at what the {line.trunk.service} one leaves open: choose the way there first.
        </Txt>
      </StageFrame>
    )
  if (!line.begins || !line.ends)
    return (
      <StageFrame
        actions={
          <Button
            kind="primary"
            label={line.begins ? 'Say what goes in' : 'Find the pipe first'}
            onPress={() => goTo(line.begins ? 'fixture' : 'find')}
          />
        }
      >
        <Txt size="l">Not yet.</Txt>
        <Txt tone="soft">A mating needs both ends: what the pipe is, and what goes in.</Txt>
      </StageFrame>
    )
  if (asksOldJoint(line))
    return (
      <StageFrame>
        <OldJointAsk
          line={line}
          onSay={(oldJoint, label) =>
            void setConditions(view, joinedAlike(view, line), { oldJoint, oldJointSeen: true }, label)
          }
        />
      </StageFrame>
    )
  const result = mate.answer?.lines.find((entry) => entry.lineId === line.line.id)
  const place = mate.answer?.lines.findIndex((entry) => entry.lineId === line.line.id) ?? -1
  const bestTogether = mate.answer?.together?.optionIds[place]
  const chosenId = line.mating?.fields.optionId
  const { works } = view
  const options = result?.options ?? []
  // what is shown has the minutes of its plan; what is chosen is what the solver gave
  const timed = withTimes(options, times.answer)
  const told = (way: RankedOption) => timed[options.indexOf(way)] ?? way
  const rank = options.findIndex((option) => option.id === shown)
  const option = options[rank] ?? options[0]
  // where nothing is offered and nothing chosen, nothing is chosen here
  const isChosen = option !== undefined && option.id === chosenId && !line.matingStale
  const choose = (picked: RankedOption) => {
    // what is chosen is first made whole by the solver: a second touch meanwhile is the same one
    if (!settings || !mate.answer || choosing.current) return
    choosing.current = true
    // lines that stand alike get the same way, unless one was chosen there already
    const same = alike(view, line).flatMap((other) => {
      if (other === line) return [{ line: other, option: picked }]
      const there = mate.answer?.lines.find((entry) => entry.lineId === other.line.id)
      const its = there?.options.find((entry) => entry.id === picked.id)
      return its && other.begins && (!other.mating || other.matingStale) ? [{ line: other, option: its }] : []
    })
    void chooseOptions(view, same, settings).finally(() => {
      choosing.current = false
    })
  }
  const stillThere = options.some((entry) => entry.id === chosenId)
  const ready = works.every((other) => other.mating && !other.matingStale)
  const other = against === null ? undefined : options.find((entry) => entry.id === against)
  // for the list of parts: what is drawn here, and on the other lines what is chosen, or goes best with all others
  const optionOf = (entry: LineView): readonly MateOption[] => {
    if (entry.mating && !entry.matingStale) return [entry.mating.fields.option]
    const at = mate.answer?.lines.findIndex((other) => other.lineId === entry.line.id) ?? -1
    const ways = mate.answer?.lines[at]?.options ?? []
    const best = ways.find(({ id }) => id === mate.answer?.together?.optionIds[at]) ?? ways[0]
    return best ? [best] : []
  }
  const staying = new Set(
    view.points.flatMap(({ fixtures }) => fixtures.flatMap(({ id, stays }) => (stays ? [id] : []))),
  )
  const forParts = works.flatMap((entry) =>
    (entry === line && option ? [option] : optionOf(entry)).map((way: MateOption) => ({
      way,
      pipeId: entry.finding?.fields.pipeId ?? null,
      place: {
        kind: endKind(entry),
        opens: opensFloor(entry, way),
        stays: staying.has(entry.ends?.to.bodyId ?? ''),
      },
    })),
  )
  // of each kind the first; the others are there for who asks
  const kinds = new Set(result?.kinds)
  const worth = options.filter(({ id }) => kinds.has(id) || id === chosenId || id === option?.id)

  return (
    <StageFrame
      actions={
        <>
          <ConditionChips
            conditions={conditionsOf(line) ?? situationOf(line)}
            fresh={line.ends.from !== 'pipe'}
            waste={isDrain(line)}
            set={(patch, label) => void setConditions(view, alike(view, line), patch, label)}
            permit={{ open: view.job.fields.permit ?? false, flip: () => void flipPermit(view) }}
          />
          {options.length > 0 ? (
            <WayStrip
              options={all ? options : worth}
              all={options}
              shown={option?.id}
              chosen={line.matingStale ? undefined : chosenId}
              onShow={onShow}
            />
          ) : null}
          {option && !isChosen ? (
            <Button kind="primary" label="Choose this way" disabled={behind} onPress={() => choose(option)} />
          ) : ready ? (
            <Button kind="primary" label="On to the cut" onPress={() => goTo('cut')} />
          ) : isChosen ? (
            <Txt bold tone="patina" className="text-center">
              ✓ Chosen here; another line still waits
            </Txt>
          ) : null}
        </>
      }
    >
      {line.matingStale ? (
        <Note kind="caution" title="Stale">
          {stillThere
            ? 'Facts changed since this way was chosen. It is still possible: choose it again to keep it.'
            : 'Facts changed since this way was chosen, and it is no longer offered. It is kept until you choose anew.'}
        </Note>
      ) : null}
      <View aria-live="polite" aria-busy={mate.busy}>
        {mate.error ? (
          <Note kind="caution" title="This could not be worked out">
            {faultWords(mate.error, unit)}
          </Note>
        ) : null}
        {result?.truncated || mate.answer?.together?.truncated ? (
          <Note kind="caution" title="The search was cut short">
            There were more ways than could be looked through: a better one may exist, and what is not offered
            need not be impossible. Say more of the place, or take fewer lines at once.
          </Note>
        ) : null}
        {result ? (
          option ? (
            <>
              <Txt bold size="l" heading={2} className="mb-1">
                {screenText('ways.kinds', { ways: options.length, kinds: kinds.size })}
              </Txt>
              <OptionCard
                option={told(option)}
                rank={options.indexOf(option) + 1}
                chosen={isChosen}
                together={option.id === bestTogether}
                only={options.length === 1 && result.truncated === false}
                planned={times.answer !== null}
              />
              {mate.answer?.together && mate.answer.lines.length > 1 ? (
                <Txt size="s" tone="soft">
                  All lines together at best: {money(mate.answer.together.totalCents)}, set-up and trip shared
                  (each alone: {money(mate.answer.together.apartCents)}).
                </Txt>
              ) : null}
              {mate.answer ? <Shared result={mate.answer} /> : null}
              <WayTools
                options={options}
                worth={worth}
                option={option}
                all={all}
                onAll={setAll}
                wide={wide}
                onSheet={setSheet}
                onCompare={setAgainst}
              />
            </>
          ) : (
            <Nothing result={result} />
          )
        ) : (
          <Txt tone="soft">Working it out …</Txt>
        )}
      </View>
      <ConditionPanel view={view} line={line} improvised={improvised} onImprovised={onImprovised} />
      {result ? <Refusals result={result} /> : null}
      {result ? (
        <ForATime
          ways={result.temporary}
          onNote={(sentence) =>
            void setNote(view, [view.job.fields.note, sentence].filter(Boolean).join('\n').slice(0, 4000))
          }
        />
      ) : null}
      <Txt size="s" tone="soft" className="mt-4">
        The local code, the makers’ sheets and a licensed plumber’s judgement come first.
      </Txt>
      <CopyCase operation="mate" request={mateRequest(view, settings, improvised)} />
      {option && other ? (
        <CompareSheet
          a={told(option)}
          b={told(other)}
          planned={times.answer !== null}
          onClose={() => setAgainst(null)}
        />
      ) : null}
      {sheet === 'parts' ? (
        <PartsSheet
          options={forParts.map(({ way }) => way)}
          pipeIds={forParts.map(({ pipeId }) => pipeId)}
          places={forParts.map(({ place }) => place)}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet === 'table' ? (
        <WayTable
          options={timed}
          planned={times.answer !== null}
          shown={option?.id}
          onShow={onShow}
          onClose={() => setSheet(null)}
        />
      ) : null}
    </StageFrame>
  )
}
