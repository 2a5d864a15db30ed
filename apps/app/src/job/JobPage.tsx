import type { Belief } from '@diarmos/core'
import { MEASURING_INSTRUMENTS } from '@diarmos/core/answers'
import { useFocusEffect } from 'expo-router'
import { useCallback, useState } from 'react'
import { Pressable, ScrollView, View } from 'react-native'
import { CutStage } from '../cut/CutStage'
import { type Span, spanText } from '../cut/span'
import { toggleTheme, usePreferences } from '../data/preferences'
import {
  beginsAt,
  type JobView,
  type LineView,
  STAGES,
  type Stage,
  situationOf,
  useFinds,
  useJob,
  useKnown,
  useSettings,
} from '../data/select'
import { undo } from '../data/store'
import type { EntityFields } from '../data/types'
import { SceneView } from '../drawing/SceneView'
import { FindStage } from '../find/FindStage'
import { FixtureStage } from '../fixture/FixtureStage'
import { useScale } from '../gauge/scale'
import { MakeStage } from '../make/MakeStage'
import { MateStage } from '../mate/MateStage'
import { SeamSheet } from '../mate/SeamSheet'
import { JobProposals } from '../proposals/Proposals'
import { ProveStage } from '../prove/ProveStage'
import { Button } from '../ui/Button'
import { isSupply, type LineService, SERVICE_LOOK } from '../ui/service'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'
import { useWide } from '../ui/useWide'
import { useSolved } from '../workers/solver'
import { addLine } from './actions'
import { Conflicts } from './Conflicts'
import { JobRows } from './JobList'
import {
  fixedEndsRequest,
  identifyRequest,
  layoutRequest,
  mateRequest,
  measuredOf,
  planRequest,
  staggerRequest,
} from './requests'
import { ShortcutHelp } from './ShortcutHelp'
import { STAGE_WORDS } from './StageRule'

/** The six stages, each reachable at any time; the one the facts have reached is marked. */
function StageStrip({
  shown,
  reached,
  stale,
  onShow,
}: {
  shown: Stage
  reached: Stage
  stale: boolean
  onShow: (stage: Stage) => void
}) {
  const at = STAGES.indexOf(reached)
  return (
    <View role="tablist" aria-label="Stages" className="flex-row border-b border-t border-rule bg-sheet">
      {STAGES.map((stage, index) => {
        const here = stage === shown
        return (
          <Pressable
            key={stage}
            role="tab"
            aria-selected={here}
            tabIndex={here ? 0 : -1}
            aria-label={`${STAGE_WORDS[stage]}${index < at ? ', done' : index === at ? ', next' : ''}`}
            onPress={() => onShow(stage)}
            className={`min-h-[50px] flex-1 items-center justify-center ${here ? 'bg-patina-wash' : ''}`}
          >
            <View
              className={`absolute left-0 right-0 top-0 h-[4px] ${index < at ? 'bg-patina' : index === at ? 'bg-ink' : 'bg-transparent'}`}
            />
            <Txt size="s" bold={here} tone={here ? 'patina' : 'ink'}>
              {STAGE_WORDS[stage]}
              {stale && index >= 2 && index <= at ? '*' : ''}
            </Txt>
          </Pressable>
        )
      })}
    </View>
  )
}

function LineTabs({ view, shown, onShow }: { view: JobView; shown: string; onShow: (id: string) => void }) {
  return (
    <View className="flex-row">
      <View role="tablist" aria-label="Lines" className="flex-1 flex-row">
        {view.lines.map(({ line, finding, ends }) => {
          const here = line.id === shown
          const { service } = line.fields
          const look = SERVICE_LOOK[service]
          const edge = service === 'hot' ? 'border-hot' : service === 'cold' ? 'border-cold' : 'border-ink'
          return (
            <Pressable
              key={line.id}
              role="tab"
              aria-selected={here}
              tabIndex={here ? 0 : -1}
              aria-label={`${service} line`}
              onPress={() => onShow(line.id)}
              className={`min-h-[48px] flex-1 flex-row items-center justify-center gap-2 border-b-[4px] px-1 ${here ? edge : 'border-transparent'}`}
            >
              <Txt
                bold={here}
                tone={look.tone}
                numberOfLines={1}
                className="shrink-0"
                {...(view.lines.length > 3 ? { size: 's' as const } : {})}
              >
                {look.mark} {look.word}
              </Txt>
              {view.lines.length > 3 ? null : (
                <Txt size="s" tone="soft" numberOfLines={1} className="shrink">
                  {finding ? finding.fields.name : ends && ends.from !== 'pipe' ? 'new' : 'not known'}
                </Txt>
              )}
            </Pressable>
          )
        })}
      </View>
      {view.lines.some(({ line }) => line.fields.service === 'drain') ? null : (
        <Pressable
          role="button"
          aria-label="Add the drain"
          onPress={() => addLine(view, 'drain').then(onShow)}
          className="min-h-[48px] w-[76px] items-center justify-center border-b-[4px] border-transparent"
        >
          <Txt size="s" tone="patina" bold>
            + drain
          </Txt>
        </Pressable>
      )}
    </View>
  )
}

/** Keys that bring a line to the front. */
const LINE_KEYS: Readonly<Record<string, LineService>> = {
  h: 'hot',
  c: 'cold',
  o: 'spout',
  s: 'shower',
  d: 'drain',
}

type StoredOption = EntityFields<'mating'>['option']

/** What is drawn of a line at a stage. */
function drawing(
  line: LineView,
  belief: Belief | null,
  stage: Stage,
  /** The way that is looked at, where none need be chosen yet. */
  weighed: StoredOption | null,
  sheet: { unit: 'in' | 'mm'; denominator: 16 | 32; widthPx: number; heightPx: number },
) {
  const situation = situationOf(line)
  const known = line.finding && !line.findingStale && stage !== 'find'
  const fresh = line.ends !== null && line.ends.from !== 'pipe'
  const withChain = STAGES.indexOf(stage) >= STAGES.indexOf('mate')
  return {
    pipeId: known ? (line.finding?.fields.pipeId ?? null) : null,
    outline: belief ? [...belief.outline] : [],
    option:
      withChain && (known || fresh)
        ? ((stage === 'mate' ? weighed : null) ?? line.mating?.fields.option ?? null)
        : null,
    fixtureId: stage === 'find' || beginsAt(line) === 'run' ? null : (line.ends?.to ?? null),
    stubMm: situation.stubMm,
    plateMm: situation.plateMm,
    run: beginsAt(line) === 'run',
    stage,
    ...(stage === 'cut' ? { dimensions: measuredOf(line) } : {}),
    ...sheet,
  }
}

function Page({ view }: { view: JobView }) {
  const wide = useWide()
  // opened where the job stands; after that the page turns only when it is told to
  const [shown, setStage] = useState<Stage>(view.stage)
  const [lineId, setLineId] = useState(view.lines[0]?.line.id ?? '')
  const [seam, setSeam] = useState<number | null>(null)
  const [help, setHelp] = useState(false)
  const [weighedId, setWeighed] = useState<string | null>(null)
  const [improvised, setImprovised] = useState(false)
  const [whole, setWhole] = useState(false)
  const [asked, setAsked] = useState<Span | null>(null)
  const { unit, denominator } = usePreferences()
  const shop = useSettings()?.fields
  const settings = shop?.mate
  const line = view.lines.find((entry) => entry.line.id === lineId) ?? view.lines[0]
  const known = useKnown(view, line?.line.id)
  const finds = useFinds(view)
  const factors = shop?.expected?.[view.property.fields.era]
  // a screen that was calibrated is one more thing to measure with
  const gauge = useScale() !== null
  const expectation = {
    known,
    finds,
    ...(factors ? { factors } : {}),
    ...(gauge ? { instruments: [...MEASURING_INSTRUMENTS] } : {}),
  }
  const belief = useSolved('identify', line ? identifyRequest(view, line, expectation, settings) : null)
  const mate = useSolved('mate', mateRequest(view, settings, improvised))
  const plan = useSolved('sequence', planRequest(view, settings))
  const height = wide
    ? 520
    : shown === 'find'
      ? 130
      : shown === 'cut' && line?.mating
        ? 290
        : shown === 'mate' || (line?.mating && !line.findingStale)
          ? 230
          : 170
  const widthPx = wide ? 520 : 370
  const bestTogether = mate.answer?.together?.optionIds ?? []
  const weighedOf = (entry: LineView): StoredOption | null => {
    const options = mate.answer?.lines.find((result) => result.lineId === entry.line.id)?.options
    const wanted = entry.line.id === line?.line.id ? weighedId : null
    const chosen = entry.matingStale ? undefined : entry.mating?.fields.optionId
    const found =
      options?.find((option) => option.id === wanted) ??
      options?.find((option) => option.id === chosen) ??
      options?.find((option) => bestTogether.includes(option.id)) ??
      options?.[0]
    return (found as StoredOption | undefined) ?? null
  }
  const weighed = line ? weighedOf(line) : null
  const together = whole && shown === 'mate'
  const layout = useSolved('layout', line && shown === 'cut' ? layoutRequest(line) : null)
  const fixed = useSolved('fixed-ends', line && shown === 'cut' ? fixedEndsRequest(line) : null)
  // what comes out of the wall next to it: hot beside cold
  const beside = view.supply.find((entry) => entry !== line && entry.mating && beginsAt(entry) === 'pipe')
  const stagger = useSolved('stagger', line && shown === 'cut' ? staggerRequest(line, beside) : null)
  const sheet = { unit, denominator, widthPx, heightPx: height }
  const scene = useSolved(
    'draw',
    line && !together ? drawing(line, belief.answer, shown, weighed, sheet) : null,
  )
  const wholeScene = useSolved(
    'draw-whole',
    together
      ? {
          lines: view.supply
            .filter((entry) => entry.begins)
            .map((entry) => ({
              label: entry.line.fields.service,
              line: drawing(entry, null, shown, weighedOf(entry), sheet),
            })),
          widthPx,
          heightPx: height,
        }
      : null,
  )

  // jobs opened before stay mounted beneath this one: only the page in front takes the keys
  useFocusEffect(
    useCallback(() => {
      const onKey = (event: KeyboardEvent) => {
        if (event.target instanceof HTMLInputElement || event.metaKey || event.ctrlKey || event.altKey) return
        // a sheet that is open takes the keys itself
        if (document.querySelector('[role="dialog"]')) return
        const number = Number(event.key)
        if (number >= 1 && number <= STAGES.length) setStage(STAGES[number - 1] ?? 'find')
        else if (event.key in LINE_KEYS) {
          const wanted = view.lines.find((entry) => entry.line.fields.service === LINE_KEYS[event.key])
          if (wanted) setLineId(wanted.line.id)
        } else if (event.key === 'u') void undo()
        else if (event.key === 't') toggleTheme()
        else if (event.key === '?') setHelp(true)
      }
      window.addEventListener('keydown', onKey)
      return () => window.removeEventListener('keydown', onKey)
    }, [view.lines]),
  )

  if (!line)
    return (
      <View className="flex-1">
        <TopBar title={view.job.fields.title} />
        <Txt className="p-4">This point has no water line.</Txt>
      </View>
    )

  const common = { view, line, goTo: setStage }
  const drains = !isSupply(line.line.fields.service)
  const content =
    drains && ['fixture', 'mate', 'cut'].includes(shown) ? (
      <View className="flex-1 px-4 pt-2">
        <Txt size="l">This line carries waste.</Txt>
        <Txt tone="soft">
          What its pipe is, is found and remembered with the house. What joins a drain is not worked out here
          yet: the steps below are those of the water lines.
        </Txt>
      </View>
    ) : shown === 'find' ? (
      <FindStage {...common} belief={belief} expectation={expectation} settings={settings} />
    ) : shown === 'fixture' ? (
      <FixtureStage {...common} />
    ) : shown === 'mate' ? (
      <MateStage
        {...common}
        mate={mate}
        settings={settings}
        shown={weighed?.id}
        onShow={setWeighed}
        improvised={improvised}
        onImprovised={setImprovised}
        whole={whole}
        onWhole={setWhole}
      />
    ) : shown === 'cut' ? (
      <CutStage
        {...common}
        fixed={fixed.answer}
        layout={layout.answer}
        beside={beside ?? null}
        stagger={stagger.answer}
        svg={scene.answer?.svg ?? null}
        asked={asked}
        onAsk={setAsked}
      />
    ) : shown === 'make' ? (
      <MakeStage {...common} plan={plan} />
    ) : (
      <ProveStage {...common} plan={plan} />
    )

  const drawn = (shown === 'mate' ? weighed : null) ?? line.mating?.fields.option ?? null
  const shownScene = together ? wholeScene.answer : scene.answer
  const picture = shownScene ? (
    <SceneView
      scene={shownScene.scene}
      height={height}
      label={
        together
          ? 'Joint lines of the whole fixture'
          : `Joint line, ${line.line.fields.service}: ${line.finding?.fields.name ?? 'pipe not known'}`
      }
      {...(drawn && !together ? { onSeam: setSeam } : {})}
      {...(shown === 'cut' && line.mating
        ? { onDimension: setAsked, nameOf: (span) => spanText(line, span) }
        : {})}
    />
  ) : (
    <View style={{ height }} />
  )
  const stale = view.lines.some((entry) => entry.findingStale || entry.matingStale)
  const strip = <StageStrip shown={shown} reached={view.stage} stale={stale} onShow={setStage} />
  const top = (
    <TopBar
      title={view.job.fields.title}
      detail={`${view.point.fields.name}, ${view.property.fields.label}`}
    />
  )
  const seamSheet =
    seam !== null && drawn ? <SeamSheet option={drawn} seam={seam} onClose={() => setSeam(null)} /> : null

  return wide ? (
    <View className="flex-1 flex-row">
      <View role="navigation" aria-label="Jobs" className="w-[300px] border-r border-rule">
        <ScrollView>
          <JobRows current={view.job.id} />
        </ScrollView>
        <View className="p-3">
          <Button label="Keys: ?" kind="quiet" onPress={() => setHelp(true)} />
        </View>
      </View>
      <View role="main" className="flex-1 flex-row">
        <View className="flex-1 border-r border-rule">
          {top}
          <LineTabs view={view} shown={line.line.id} onShow={setLineId} />
          <View className="flex-1 justify-center px-4">{picture}</View>
          {strip}
        </View>
        <View className="w-[420px]">
          <Conflicts view={view} />
          <JobProposals jobId={view.job.id} />
          {content}
        </View>
      </View>
      {seamSheet}
      {help ? <ShortcutHelp onClose={() => setHelp(false)} /> : null}
    </View>
  ) : (
    <View role="main" className="flex-1">
      {top}
      <LineTabs view={view} shown={line.line.id} onShow={setLineId} />
      <View className="px-1">{picture}</View>
      {strip}
      <Conflicts view={view} />
      <JobProposals jobId={view.job.id} />
      <View className="flex-1">{content}</View>
      {seamSheet}
      {help ? <ShortcutHelp onClose={() => setHelp(false)} /> : null}
    </View>
  )
}

/** One job: one page, one drawing, six stages. */
export function JobPage({ jobId }: { jobId: string }) {
  const view = useJob(jobId)
  if (!view)
    return (
      <View role="main" className="flex-1">
        <TopBar title="No such job" />
        <View className="p-4">
          <Txt size="l">This job is not on the phone.</Txt>
          <Txt tone="soft">It may belong to another shop, or not have arrived yet.</Txt>
        </View>
      </View>
    )
  return <Page view={view} />
}
