import type { OperationResponse } from '@diarmos/contract'
import { tailOverMm, trapIn } from '@diarmos/core/record'
import type { ParsedLength } from '@diarmos/core/units'
import { screenText } from '@diarmos/core/words/counts'
import { router } from 'expo-router'
import { useState } from 'react'
import { View } from 'react-native'
import { encodeLengths } from '../bench/lengths'
import { usePreferences } from '../data/preferences'
import { beginsAt, type JobView, type LineView, type Stage, situationOf } from '../data/select'
import type { EntityFields } from '../data/types'
import { keepDimension, setConditions, tick } from '../job/actions'
import { cornerPlace, measuredOf } from '../job/requests'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { Keypad } from '../ui/Keypad'
import { saveFile } from '../ui/saveFile'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSheet } from '../ui/useSheet'
import { AnyLength } from './AnyLength'
import { Beside } from './Beside'
import { CutFacts } from './CutFacts'
import { CutNotes } from './CutNotes'
import { CutRow } from './CutRow'
import { CutSettings } from './CutSettings'
import { FixedEnds } from './FixedEnds'
import { MeasuredList } from './MeasuredList'
import { PanMiddle } from './PanMiddle'
import { PlacesSheet } from './PlacesSheet'
import { RunCut } from './RunCut'
import { SawView } from './SawView'
import { SlabCut } from './SlabCut'
import { cutsOf, type Layout, longStep, mayStayLong } from './saw'
import { type Span, spanText, spanTitle } from './span'
import { TrapCut } from './TrapCut'
import { TubCut } from './TubCut'
import { useCutKeys } from './useCutKeys'

interface Props {
  view: JobView
  line: LineView
  layout: Layout | null
  /** What goes into a run that is cut open; null for a line that ends. */
  fixed: OperationResponse<'fixed-ends'> | null
  /** The line that comes out of the wall next to it, and whether both clear each other. */
  beside: LineView | null
  stagger: OperationResponse<'stagger'> | null
  /** The drawing as it stands. */
  svg: string | null
  /** What is being measured; the drawing asks for it too. */
  asked: Span | null
  onAsk: (span: Span | null) => void
  goTo: (stage: Stage) => void
}

/** How long, from where to where: what to measure, what to saw, and whether it will go in. */
export function CutStage(props: Props) {
  const option = props.line.mating?.fields.option
  if (option) return <Cuts {...props} option={option} />
  return (
    <StageFrame
      actions={<Button kind="primary" label="Choose a way first" onPress={() => props.goTo('mate')} />}
    >
      <Txt size="l">Nothing to cut yet.</Txt>
      <Txt tone="soft">The cut follows from the joint that will close on the stub.</Txt>
    </StageFrame>
  )
}

type Option = EntityFields<'mating'>['option']

function Cuts({
  view,
  line,
  layout,
  fixed,
  beside,
  stagger,
  svg,
  asked,
  onAsk,
  goTo,
  option,
}: Props & { option: Option }) {
  const measurer = usePreferences((state) => state.measurer)
  const [sawing, setSawing] = useState(false)
  const [dry, setDry] = useState(false)
  const [sheet, setSheet] = useSheet('cut', ['places'])
  // what begins at the new valve has no stub
  const begins = beginsAt(line)
  const titled = (span: Span) => spanTitle(line, span)
  /** A measurement in words, by its id. */
  const named = (id: string | null) => {
    const found = measuredOf(line).find((dimension) => dimension.id === id)
    return found ? spanText(line, found) : null
  }
  const cuts = cutsOf(view, line, layout)
  const trapped = trapIn(option) >= 0
  // the fixture's own tail is cut to the trap that it stands in
  const tailed = layout !== null && tailOverMm(option, layout.stations) !== null
  const measured = line.dimensions.filter(({ fields }) => fields.to !== 'beside')
  const asks = layout?.asks ?? []
  const [next] = asks
  const open = cuts.filter((cut) => cut.mm !== null && !cut.long && (!cut.done || cut.wasMm !== null))
  /** From mouth to mouth of the parts at both ends of a piece. */
  const mouths = ({ piece }: (typeof cuts)[number]): Span | null => {
    if (piece?.reason?.ruleId !== 'layout.mouth-to-mouth') return null
    const before = piece.part === 0 ? 'stub' : `part:${piece.part - 1}:out`
    const behind = piece.part + 1 < option.parts.length ? `part:${piece.part + 1}:in` : 'tail'
    return { from: before, to: behind }
  }
  const situation = situationOf(line)
  const pieces = cuts.flatMap((cut) => (cut.piece && cut.mm !== null ? [cut.mm] : []))
  const plan = () => router.push(`/bench/cuts?mm=${encodeLengths(pieces)}`)
  const keep = (to: string, length: ParsedLength, from = 'stub') =>
    keepDimension(view, line, { from, to }, length, { measurer, dry: false })
  const corner = cornerPlace(option)
  /** So much comes out: in one length, or on one side of a corner. */
  const takeOut = (length: ParsedLength, leg: 0 | 1) =>
    corner === null ? keep('tail', length) : leg === 0 ? keep(corner, length) : keep('tail', length, corner)
  const action =
    next && !fixed
      ? { label: next.why === 'reach' ? 'Measure the reach' : 'Measure the next', go: () => onAsk(next) }
      : open.length > 0
        ? { label: 'To the saw', go: () => setSawing(true) }
        : null
  const canSaw = cuts.some((cut) => cut.mm !== null && !cut.long)
  useCutKeys(next ? () => onAsk(next) : null, canSaw ? () => setSawing(true) : null)
  const enter = (mm: Parameters<typeof keepDimension>[3]) => {
    if (!asked) return
    onAsk(null)
    if (asked.from === 'wall' && asked.to === 'stub')
      void setConditions(view, [line], { stubMm: mm.mm }, `Bare stub: ${mm.text}`)
    else void keepDimension(view, line, asked, mm, { measurer, dry })
  }
  return (
    <StageFrame
      actions={
        <View className="flex-row gap-2">
          {action ? (
            <View className="flex-1">
              <Button kind="primary" label={action.label} onPress={action.go} testID="cut-next" />
            </View>
          ) : null}
          <View className="flex-1">
            <Button
              kind={action ? 'plain' : 'primary'}
              label="On to the making"
              onPress={() => goTo('make')}
            />
          </View>
        </View>
      }
    >
      <View className="flex-row items-center justify-between">
        <Txt bold size="l" heading={2}>
          {cuts.length > 0 || trapped || tailed || fixed ? 'Cut' : 'No cut needed'}
        </Txt>
        <UnitButton />
      </View>
      <CutNotes line={line} layout={layout} />
      {fixed ? (
        <FixedEnds
          answer={fixed}
          families={option.parts.map(({ family }) => family)}
          measured={situation.freeMm !== null && situation.sidewaysMm !== null}
          placeMm={
            measured.find(({ fields }) => fields.to === `part:${fixed.between}:centre`)?.fields.mm ?? null
          }
          onOut={(length, leg) => void takeOut(length, leg)}
          onPlace={(to, length) => void keep(to, length)}
        />
      ) : null}
      {fixed ? <RunCut view={view} line={line} fixed={fixed} onOut={takeOut} /> : null}
      {next && !fixed ? (
        <View className="mt-2 border-l-[5px] border-patina bg-patina-wash px-3 py-2">
          <Txt size="s" tone="soft">
            {screenText('measure.next', { asks: asks.length })}
          </Txt>
          <Txt bold size="l">
            {titled(next)}
          </Txt>
          {next.anyMm ? (
            <AnyLength mm={next.anyMm} onTake={(length) => void keep(next.to, length, next.from)} />
          ) : null}
        </View>
      ) : null}
      {cuts.length > 0 ? (
        <View className="mt-2" testID="cut-list">
          {cuts.map((cut) => (
            <CutRow
              key={cut.key}
              cut={cut}
              again={cut.piece && cut.piece.follows.length > 1 ? named(cut.piece.again) : null}
              {...(mouths(cut) ? { onMouths: () => onAsk(mouths(cut)) } : {})}
              {...(cut.piece && mayStayLong(line)
                ? {
                    onLong: () =>
                      void tick(
                        view,
                        line.line.id,
                        longStep(line, cut.key),
                        cut.long ? 'undone' : 'done',
                        cut.long ? 'cut by the tape' : 'left long',
                      ),
                  }
                : {})}
              onTick={() =>
                void tick(view, line.line.id, cut.stepId, cut.done ? 'undone' : 'done', String(cut.mm))
              }
            />
          ))}
        </View>
      ) : trapped || tailed ? null : (
        <Txt tone="soft">
          {fixed
            ? 'No new pipe: what goes in goes in as it is, and only the old run is cut.'
            : 'Every part goes together as it is: there is no pipe to cut in this line.'}
        </Txt>
      )}
      {trapped ? <TrapCut view={view} line={line} layout={layout} /> : null}
      <TubCut view={view} line={line} />
      <PanMiddle view={view} line={line} />
      <SlabCut view={view} line={line} />
      <CutFacts line={line} option={option} layout={layout} sawsOld={cuts.some(({ key }) => key === 'old')} />
      {beside && begins === 'pipe' ? (
        <Beside
          apartMm={line.dimensions.find(({ fields }) => fields.to === 'beside')?.fields.mm ?? null}
          service={beside.line.fields.service}
          stagger={stagger}
          onAsk={() => onAsk({ from: 'wall', to: 'beside' })}
        />
      ) : null}
      <MeasuredList view={view} line={line} layout={layout} dry={dry} />
      <CutSettings option={option} dry={dry} onDry={setDry}>
        {open.length > 0 && next ? <Button label="To the saw" onPress={() => setSawing(true)} /> : null}
        {layout ? (
          <Button kind="quiet" label="Between two places" onPress={() => setSheet('places')} />
        ) : null}
        {pieces.length > 0 ? <Button kind="quiet" label="Plan the stock" onPress={plan} /> : null}
        {svg ? (
          <Button
            kind="quiet"
            label="Drawing as SVG"
            onPress={() => saveFile(`${line.line.fields.service}-line.svg`, 'image/svg+xml', svg)}
          />
        ) : null}
      </CutSettings>
      {asked ? <Keypad title={titled(asked)} onClose={() => onAsk(null)} onEnter={enter} /> : null}
      {sheet === 'places' && layout ? (
        <PlacesSheet
          line={line}
          layout={layout}
          onClose={() => setSheet(null)}
          onMeasure={(span) => {
            setSheet(null)
            onAsk(span)
          }}
        />
      ) : null}
      {sawing ? (
        <SawView
          cuts={cuts}
          onClose={() => setSawing(false)}
          onCut={(cut) => void tick(view, line.line.id, cut.stepId, 'done', String(cut.mm))}
        />
      ) : null}
    </StageFrame>
  )
}
