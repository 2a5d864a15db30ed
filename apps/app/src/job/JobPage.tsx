import { useCallback, useState } from 'react'
import { View } from 'react-native'
import type { Span } from '../cut/span'
import { inFront, type JobView, pointNames, useJob } from '../data/select'
import { madeOf, seamInHand } from '../make/made'
import { SeamSheet } from '../mate/SeamSheet'
import { JobProposals } from '../proposals/Proposals'
import { Button } from '../ui/Button'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { useShort, useWide } from '../ui/useWide'
import { Conflicts } from './Conflicts'
import { FoldButton } from './FoldButton'
import { JobDrawing } from './JobDrawing'
import { JobRows } from './JobList'
import { JobStage } from './JobStage'
import { LineTabs } from './LineTabs'
import { PointTabs } from './PointTabs'
import { ShortcutHelp } from './ShortcutHelp'
import { StagePanel } from './StagePanel'
import { StageStrip } from './StageStrip'
import { useJobKeys } from './useJobKeys'
import { useJobQuestions } from './useJobQuestions'
import { usePlace } from './usePlace'

/** How high the drawing stands, px. */
function heightOf(wide: boolean, stage: string, chosen: boolean, fresh: boolean): number {
  if (wide) return 520
  if (stage === 'find') return 130
  if (stage === 'cut' && chosen) return 290
  return stage === 'mate' || fresh ? 230 : 170
}

function Page({ view: job }: { view: JobView }) {
  const wide = useWide()
  const short = useShort()
  const { stage: shown, line, goTo, showLine } = usePlace(job)
  const view = inFront(job, line)
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

  useJobKeys({ view, goTo, showLine, onHelp: useCallback(() => setHelp('shown'), [setHelp]) })

  if (!line)
    return (
      <View className="flex-1">
        <TopBar title={view.job.fields.title} />
        <Txt className="p-4">This point has no water line.</Txt>
      </View>
    )

  const drawn = (shown === 'mate' ? known.weighed : null) ?? line.mating?.fields.option ?? null
  const picture = (
    <JobDrawing
      line={line}
      stage={shown}
      scene={known.scene}
      refused={known.refused}
      whole={whole}
      onWhole={setWhole}
      onLine={(lineId) => {
        setWhole(false)
        showLine(lineId)
      }}
      height={height}
      folded={folded}
      inHand={
        shown === 'make' && known.plan.answer
          ? seamInHand(madeOf(view, known.plan.answer), line.line.id)
          : null
      }
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
      <TopBar title={view.job.fields.title} detail={`${pointNames(view)}, ${view.property.fields.label}`} />
      <PointTabs view={view} onShow={showLine} />
      <LineTabs view={view} shown={line.line.id} onShow={showLine} />
    </>
  )
  const content = (
    <StagePanel shown={shown}>
      <JobStage
        view={view}
        line={line}
        shown={shown}
        goTo={goTo}
        showLine={showLine}
        known={known}
        onWeighed={setWeighed}
        improvised={improvised}
        onImprovised={setImprovised}
        asked={asked}
        onAsk={setAsked}
      />
    </StagePanel>
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
