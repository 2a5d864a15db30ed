import { useFocusEffect } from 'expo-router'
import { useCallback, useState } from 'react'
import { View } from 'react-native'
import { CutStage } from '../cut/CutStage'
import type { Span } from '../cut/span'
import { toggleTheme } from '../data/preferences'
import { type JobView, STAGES, useJob } from '../data/select'
import { undo } from '../data/store'
import { FindStage } from '../find/FindStage'
import { FixtureStage } from '../fixture/FixtureStage'
import { MakeStage } from '../make/MakeStage'
import { MateStage } from '../mate/MateStage'
import { SeamSheet } from '../mate/SeamSheet'
import { JobProposals } from '../proposals/Proposals'
import { ProveStage } from '../prove/ProveStage'
import { Button } from '../ui/Button'
import { isSupply, type LineService } from '../ui/service'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { useShort, useWide } from '../ui/useWide'
import { Conflicts } from './Conflicts'
import { FoldButton } from './FoldButton'
import { JobDrawing } from './JobDrawing'
import { JobRows } from './JobList'
import { LineTabs } from './LineTabs'
import { ShortcutHelp } from './ShortcutHelp'
import { StageStrip } from './StageStrip'
import { useJobQuestions } from './useJobQuestions'
import { usePlace } from './usePlace'

/** Keys that bring a line to the front. */
const LINE_KEYS: Readonly<Record<string, LineService>> = {
  h: 'hot',
  c: 'cold',
  o: 'spout',
  s: 'shower',
  d: 'drain',
}

/** How high the drawing stands, px. */
function heightOf(wide: boolean, stage: string, chosen: boolean, fresh: boolean): number {
  if (wide) return 520
  if (stage === 'find') return 130
  if (stage === 'cut' && chosen) return 290
  return stage === 'mate' || fresh ? 230 : 170
}

function Page({ view }: { view: JobView }) {
  const wide = useWide()
  const short = useShort()
  const { stage: shown, line, goTo, showLine } = usePlace(view)
  const [seam, setSeam] = useSheet<string>('seam')
  const [help, setHelp] = useSheet('keys', ['shown'])
  const [weighedId, setWeighed] = useState<string | null>(null)
  const [improvised, setImprovised] = useState(false)
  const [whole, setWhole] = useState(false)
  const [asked, setAsked] = useState<Span | null>(null)
  const [unfolded, setUnfolded] = useState(false)
  const folds = short && !wide
  const folded = folds && !unfolded
  const height = folds
    ? 130
    : heightOf(wide, shown, line?.mating != null, line?.mating != null && !line.findingStale)
  const frame = folded ? null : { widthPx: wide ? 520 : 370, heightPx: height }
  const known = useJobQuestions({ view, line, stage: shown, weighedId, improvised, whole, frame })

  // jobs opened before stay mounted beneath this one: only the page in front takes the keys
  useFocusEffect(
    useCallback(() => {
      const onKey = (event: KeyboardEvent) => {
        const at = event.target as HTMLElement | null
        if (at?.matches?.('input, textarea') || event.metaKey || event.ctrlKey || event.altKey) return
        // a sheet that is open takes the keys itself
        if (document.querySelector('[role="dialog"]')) return
        const stage = STAGES[Number(event.key) - 1]
        const wanted = view.lines.find((entry) => entry.line.fields.service === LINE_KEYS[event.key])
        if (stage) goTo(stage)
        else if (wanted) showLine(wanted.line.id)
        else if (event.key === 'u') void undo()
        else if (event.key === 't') toggleTheme()
        else if (event.key === '?') setHelp('shown')
      }
      window.addEventListener('keydown', onKey)
      return () => window.removeEventListener('keydown', onKey)
    }, [view.lines, goTo, showLine, setHelp]),
  )

  if (!line)
    return (
      <View className="flex-1">
        <TopBar title={view.job.fields.title} />
        <Txt className="p-4">This point has no water line.</Txt>
      </View>
    )

  const common = { view, line, goTo }
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
      <FindStage
        {...common}
        belief={known.belief}
        expectation={known.expectation}
        settings={known.settings}
      />
    ) : shown === 'fixture' ? (
      <FixtureStage {...common} />
    ) : shown === 'mate' ? (
      <MateStage
        {...common}
        mate={known.mate}
        settings={known.settings}
        shown={known.weighed?.id}
        onShow={setWeighed}
        improvised={improvised}
        onImprovised={setImprovised}
        whole={whole}
        onWhole={setWhole}
      />
    ) : shown === 'cut' ? (
      <CutStage
        {...common}
        fixed={known.fixed}
        layout={known.layout}
        beside={known.beside}
        stagger={known.stagger}
        svg={known.svg}
        asked={asked}
        onAsk={setAsked}
      />
    ) : shown === 'make' ? (
      <MakeStage {...common} plan={known.plan} />
    ) : (
      <ProveStage {...common} plan={known.plan} />
    )

  const drawn = (shown === 'mate' ? known.weighed : null) ?? line.mating?.fields.option ?? null
  const picture = (
    <JobDrawing
      line={line}
      stage={shown}
      scene={known.scene}
      together={known.together}
      height={height}
      folded={folded}
      onSeam={drawn ? (seam) => setSeam(String(seam)) : null}
      onDimension={setAsked}
    />
  )
  const strip = (
    <StageStrip
      shown={shown}
      reached={view.stage}
      stale={view.lines.some((entry) => entry.findingStale || entry.matingStale)}
      onShow={goTo}
      beside={folds ? <FoldButton folded={folded} onFold={(away) => setUnfolded(!away)} /> : null}
    />
  )
  const top = (
    <>
      <TopBar
        title={view.job.fields.title}
        detail={`${view.point.fields.name}, ${view.property.fields.label}`}
      />
      <LineTabs view={view} shown={line.line.id} onShow={showLine} />
    </>
  )
  const questions = (
    <>
      <Conflicts view={view} />
      <JobProposals jobId={view.job.id} />
    </>
  )
  const sheets = (
    <>
      {seam !== null && drawn ? (
        <SeamSheet option={drawn} seam={Number(seam)} onClose={() => setSeam(null)} />
      ) : null}
      {help ? <ShortcutHelp onClose={() => setHelp(null)} /> : null}
    </>
  )
  return wide ? (
    <View className="flex-1 flex-row">
      <View role="navigation" aria-label="Jobs" className="w-[300px] border-r border-rule">
        <JobRows current={view.job.id} />
        <View className="p-3">
          <Button label="Keys: ?" kind="quiet" onPress={() => setHelp('shown')} />
        </View>
      </View>
      <View role="main" id="main" className="flex-1 flex-row">
        <View className="flex-1 border-r border-rule">
          {top}
          <View className="flex-1 justify-center px-4">{picture}</View>
          {strip}
        </View>
        <View className="w-[420px]">
          {questions}
          {content}
        </View>
      </View>
      {sheets}
    </View>
  ) : (
    <View role="main" id="main" className="flex-1">
      {top}
      <View className="px-1">{picture}</View>
      {strip}
      {questions}
      <View className="flex-1">{content}</View>
      {sheets}
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
