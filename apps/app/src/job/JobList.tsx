import { dueOf } from '@diarmos/core/record'
import { router } from 'expo-router'
import Plus from 'lucide-react-native/icons/plus'
import { memo, useCallback, useMemo } from 'react'
import { View } from 'react-native'
import { pointNames, useDocs, useJob, useSettings } from '../data/select'
import { useData } from '../data/store'
import type { Doc } from '../data/types'
import { dueText, looksAgain } from '../prove/rechecks'
import { Button } from '../ui/Button'
import { LinkTo } from '../ui/LinkTo'
import { NoneYet } from '../ui/NoneYet'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'
import { VirtualList } from '../ui/VirtualList'
import { StageRule } from './StageRule'

const DAY_MS = 86_400_000
const days = new Intl.RelativeTimeFormat('en', { numeric: 'auto' })

/** `today`, `yesterday`, `12 days ago`. */
function openedDay(instant: string): string {
  const midnight = (date: Date) => new Date(date).setHours(0, 0, 0, 0)
  return days.format(Math.round((midnight(new Date(instant)) - midnight(new Date())) / DAY_MS), 'day')
}

const JobRow = memo(function JobRow({ job, current = false }: { job: Doc<'job'>; current?: boolean }) {
  const view = useJob(job.id)
  const loaded = useData((state) => state.loaded)
  const recheck = useSettings()?.fields.mate.houseRules.recheck
  if (!view) return null
  const closed = job.fields.state === 'closed'
  const [again] = recheck ? looksAgain(view, recheck) : []
  const now = new Date()
  // what stands for a time only is not over when the job is closed
  const [due] = dueOf(
    [],
    view.lines.flatMap(({ mating }) => (mating ? [mating.fields] : [])),
  )
  return (
    <LinkTo
      href={`/job/${job.id}`}
      label={`${job.fields.title}, ${pointNames(view)}`}
      current={current}
      className={`border-b border-rule px-4 py-3 active:bg-patina-wash ${current ? 'border-l-[5px] border-l-patina bg-patina-wash' : ''}`}
    >
      <Txt bold size="l">
        {job.fields.title}
      </Txt>
      <Txt size="s" tone="soft">
        {pointNames(view)}, {view.property.fields.label} · {openedDay(job.fields.openedAt)}
      </Txt>
      {again ? (
        <Txt bold tone={again.due <= now ? 'amber' : 'patina'}>
          Look again {dueText(again.due, now)}
        </Txt>
      ) : null}
      {due?.kind === 'return' ? (
        <Txt bold tone={due.by < now.toISOString().slice(0, 10) ? 'amber' : 'patina'}>
          For a time only: back by {due.by}
        </Txt>
      ) : null}
      {due?.kind === 'replace' ? (
        <Txt bold tone="amber">
          Improvised: to be replaced
        </Txt>
      ) : null}
      {/* where a job stands follows from all that is known of it */}
      {loaded ? <StageRule stage={view.stage} closed={closed} /> : <View className="mt-2 h-[21px]" />}
    </LinkTo>
  )
})

/** Open ones first, the newest first. */
function sorted(jobs: readonly Doc<'job'>[]): Doc<'job'>[] {
  return [...jobs].sort(
    (a, b) =>
      Number(a.fields.state === 'closed') - Number(b.fields.state === 'closed') ||
      (a.fields.openedAt < b.fields.openedAt ? 1 : -1),
  )
}

/** Jobs in the order of work. `current` marks one in the wide view. Only what is in sight is there. */
export function JobRows({ current }: { current?: string }) {
  const jobs = useDocs('job')
  const rows = useMemo(() => sorted(jobs), [jobs])
  const render = useCallback(
    (job: Doc<'job'>) => <JobRow job={job} current={job.id === current} />,
    [current],
  )
  return <VirtualList rows={rows} testID="job-list" render={render} />
}

export function JobList() {
  useTitle('Jobs')
  const palette = usePalette()
  const empty = useDocs('job').length === 0
  return (
    <View className="mx-auto w-full max-w-[860px] flex-1">
      <Txt bold size="xl" heading={1} className="px-4 pb-1 pt-4">
        Jobs
      </Txt>
      {empty ? (
        <NoneYet of="jobs">
          <Txt size="l">No job yet.</Txt>
          <Txt tone="soft">
            A job is one place where a fixture meets the piping. Open one and measure the stub: the rest
            follows.
          </Txt>
        </NoneYet>
      ) : (
        <JobRows />
      )}
      <View className="border-t border-rule p-3">
        <Button
          kind="primary"
          label="Open a job"
          icon={<Plus size={22} color={palette.sheet} />}
          onPress={() => router.navigate('/job/new')}
        />
      </View>
    </View>
  )
}
