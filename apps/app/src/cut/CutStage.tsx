import type { OperationResponse } from '@diarmos/contract'
import type { ParsedLength } from '@diarmos/core/units'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useFocusEffect } from 'expo-router'
import { useCallback, useState } from 'react'
import { View } from 'react-native'
import { encodeLengths } from '../bench/lengths'
import { type Measurer, prefer, usePreferences } from '../data/preferences'
import { beginsAt, type JobView, type LineView, type Stage, situationOf } from '../data/select'
import type { EntityFields } from '../data/types'
import { dropDimension, keepDimension, setConditions, tick } from '../job/actions'
import { measuredOf } from '../job/requests'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Keypad } from '../ui/Keypad'
import { Length } from '../ui/Length'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { saveText } from '../ui/saveText'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSheet } from '../ui/useSheet'
import { Beside } from './Beside'
import { CutRow } from './CutRow'
import { FixedEnds } from './FixedEnds'
import { PlacesSheet } from './PlacesSheet'
import { SawView } from './SawView'
import { cutsOf, type Layout } from './saw'
import { type Span, spanText } from './span'

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

const MEASURERS: readonly { value: Measurer; label: string }[] = [
  { value: 'tape', label: 'tape' },
  { value: 'rule', label: 'rule' },
  { value: 'caliper', label: 'caliper' },
]
const SOLVENT = new Set(['cement-socket', 'pvc-socket'])

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
  const { unit, measurer } = usePreferences()
  const [sawing, setSawing] = useState(false)
  const [dry, setDry] = useState(false)
  const [sheet, setSheet] = useSheet('cut', ['places'])
  // what begins at the new valve has no stub
  const begins = beginsAt(line)
  const titled = (span: Span) => spanText(line, span).replace(/^f/, 'F')
  /** A measurement in words, by its id. */
  const named = (id: string | null) => {
    const found = measuredOf(line).find((dimension) => dimension.id === id)
    return found ? spanText(line, found) : null
  }
  const cuts = cutsOf(view, line, layout)
  const measured = line.dimensions.filter(({ fields }) => fields.to !== 'beside')
  const asks = layout?.asks ?? []
  const [next] = asks
  const open = cuts.filter((cut) => cut.mm !== null && (!cut.done || cut.wasMm !== null))
  /** From mouth to mouth of the parts at both ends of a piece. */
  const mouths = ({ piece }: (typeof cuts)[number]): Span | null => {
    if (piece?.reason?.ruleId !== 'layout.mouth-to-mouth') return null
    const before = piece.part === 0 ? 'stub' : `part:${piece.part - 1}:out`
    const behind = piece.part + 1 < option.parts.length ? `part:${piece.part + 1}:in` : 'tail'
    return { from: before, to: behind }
  }
  const situation = situationOf(line)
  const { stubMm } = situation
  const first = option.joints[0]
  const solvent = option.joints.some((joint) => SOLVENT.has(joint.bodyForm))
  const pieces = cuts.flatMap((cut) => (cut.piece && cut.mm !== null ? [cut.mm] : []))
  const plan = () => router.push(`/bench/cuts?mm=${encodeLengths(pieces)}`)
  const keep = (to: string, length: ParsedLength) =>
    void keepDimension(view, line, { from: 'stub', to }, length, { measurer, dry: false })
  const action =
    next && !fixed
      ? { label: next.why === 'reach' ? 'Measure the reach' : 'Measure the next', go: () => onAsk(next) }
      : open.length > 0
        ? { label: 'To the saw', go: () => setSawing(true) }
        : null
  const canSaw = cuts.some((cut) => cut.mm !== null)
  // only the page in front takes the keys
  useFocusEffect(
    useCallback(() => {
      const onKey = (event: KeyboardEvent) => {
        if (event.target instanceof HTMLInputElement || event.metaKey || event.ctrlKey || event.altKey) return
        if (document.querySelector('[role="dialog"]')) return
        if (event.key === 'm' && next) onAsk(next)
        else if (event.key === 'w' && canSaw) setSawing(true)
      }
      window.addEventListener('keydown', onKey)
      return () => window.removeEventListener('keydown', onKey)
    }, [next, canSaw, onAsk]),
  )
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
          {cuts.length > 0 ? 'Cut' : 'No cut needed'}
        </Txt>
        <UnitButton />
      </View>
      {line.matingStale ? (
        <Note kind="caution" title="Stale">
          Facts changed since this way was chosen: look at Mate before cutting.
        </Note>
      ) : null}
      {begins === 'pipe' && stubMm === null ? (
        <Note kind="caution" title="The stub is not measured">
          Measure the bare stub before cutting; without it only the least length is known.
        </Note>
      ) : null}
      {layout?.contradictions.map(({ dimensions, reason }) => (
        <Note key={dimensions.join()} kind="caution" title="This does not add up">
          {`${say(REASONS[reason.ruleId] ?? '', reason.parameters, unit)} ${dimensions
            .flatMap((id) => named(id) ?? [])
            .map((span) => `Measured ${span}.`)
            .join(' ')}`}
        </Note>
      ))}
      {fixed ? (
        <FixedEnds
          answer={fixed}
          families={option.parts.map(({ family }) => family)}
          measured={situation.freeMm !== null && situation.sidewaysMm !== null}
          placeMm={
            measured.find(({ fields }) => fields.to === `part:${fixed.between}:centre`)?.fields.mm ?? null
          }
          onOut={(length) => keep('tail', length)}
          onPlace={keep}
        />
      ) : null}
      {next && !fixed ? (
        <View className="mt-2 border-l-[5px] border-patina bg-patina-wash px-3 py-2">
          <Txt size="s" tone="soft">
            {asks.length > 1 ? `next of ${asks.length} to measure` : 'to measure'}
          </Txt>
          <Txt bold size="l">
            {titled(next)}
          </Txt>
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
              onTick={() =>
                void tick(view, line.line.id, cut.stepId, cut.done ? 'undone' : 'done', String(cut.mm))
              }
            />
          ))}
        </View>
      ) : (
        <Txt tone="soft">Every part goes together as it is: there is no pipe to cut in this line.</Txt>
      )}
      {first && begins === 'pipe' ? (
        <View className="mt-2">
          {cuts.some(({ key }) => key === 'old') ? null : (
            <Fact
              label={first.method === 'threaded' ? 'Thread made up' : 'Insertion mark on the old pipe'}
              mm={first.maxMm}
              quantity="insertion-mark"
            />
          )}
          <Fact label="Least bare stub for this joint" mm={option.needsStubMm} quantity="least-stub" />
        </View>
      ) : null}
      {layout?.reach ? (
        <View className="flex-row items-center justify-between border-b border-rule py-2">
          <Txt className="flex-1 pr-2">
            {layout.reach.verdict === 'fits'
              ? '✓ The connector reaches, with its slack.'
              : `${layout.reach.verdict === 'out' ? '✕' : '⚠'} ${say(REASONS[layout.reach.reason?.ruleId ?? ''] ?? '', layout.reach.reason?.parameters ?? {}, unit)}`}
          </Txt>
          <Length mm={layout.reach.lengthMm} size="l" />
        </View>
      ) : null}
      {beside && begins === 'pipe' ? (
        <Beside
          apartMm={line.dimensions.find(({ fields }) => fields.to === 'beside')?.fields.mm ?? null}
          service={beside.line.fields.service}
          stagger={stagger}
          onAsk={() => onAsk({ from: 'wall', to: 'beside' })}
        />
      ) : null}
      {measured.length > 0 ? (
        <View className="mt-3">
          <Txt bold tone="soft" heading={2}>
            Measured
          </Txt>
          {measured.map((doc) => {
            const unused = layout?.unused.find(({ dimension }) => dimension === doc.id)
            return (
              <View key={doc.id} className="flex-row items-center">
                <View className="flex-1">
                  <MeasureRow
                    label={titled(doc.fields)}
                    mm={doc.fields.mm}
                    detail={
                      unused
                        ? say(REASONS[unused.reason.ruleId] ?? '', unused.reason.parameters, unit)
                        : `as entered: ${doc.fields.entered}, by ${doc.fields.measurer}${doc.fields.dry ? ', dry' : ''}`
                    }
                    onEnter={(length) =>
                      void keepDimension(view, line, doc.fields, length, { measurer, dry })
                    }
                  />
                </View>
                <Button
                  kind="quiet"
                  label="Drop"
                  hint={spanText(line, doc.fields)}
                  onPress={() => dropDimension(doc)}
                />
              </View>
            )
          })}
        </View>
      ) : null}
      {line.dimensionsElsewhere > 0 ? (
        <Txt size="s" tone="soft">
          {line.dimensionsElsewhere === 1
            ? 'One measurement belongs to a way that is no longer chosen: it is kept, and counts again with that way.'
            : `${line.dimensionsElsewhere} measurements belong to ways that are no longer chosen: they are kept, and count again with them.`}
        </Txt>
      ) : null}
      <View className="mt-3 gap-3">
        <Choice
          label="Measured with a"
          columns={3}
          value={measurer}
          options={MEASURERS.map((entry) => ({ ...entry }))}
          onChange={(value) => prefer({ measurer: value })}
        />
        {solvent ? (
          <Toggle
            label="Measured with the sockets tried dry: cement lets them close further"
            value={dry}
            onChange={setDry}
          />
        ) : null}
        <View className="flex-row flex-wrap gap-2">
          {open.length > 0 && next ? <Button label="To the saw" onPress={() => setSawing(true)} /> : null}
          {layout ? (
            <Button kind="quiet" label="Between two places" onPress={() => setSheet('places')} />
          ) : null}
          {pieces.length > 0 ? <Button kind="quiet" label="Plan the stock" onPress={plan} /> : null}
          {svg ? (
            <Button
              kind="quiet"
              label="Drawing as SVG"
              onPress={() => saveText(`${line.line.fields.service}-line.svg`, 'image/svg+xml', svg)}
            />
          ) : null}
        </View>
        {first ? (
          <Txt size="s" tone="soft">
            {first.makeUpSource.title} ({first.makeUpSource.certainty}): the maker’s sheet decides. Pieces are
            rounded down, marks up.
          </Txt>
        ) : null}
      </View>
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

function Fact({
  label,
  mm,
  quantity,
}: {
  label: string
  mm: number
  quantity: 'insertion-mark' | 'least-stub'
}) {
  return (
    <View className="min-h-[48px] flex-row items-center justify-between border-b border-rule">
      <Txt className="flex-1 pr-2">{label}</Txt>
      <Length mm={mm} quantity={quantity} size="l" />
    </View>
  )
}
