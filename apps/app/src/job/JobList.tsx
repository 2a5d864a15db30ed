import { router } from 'expo-router'
import Plus from 'lucide-react-native/icons/plus'
import { ScrollView, View } from 'react-native'
import { useDocs, useJob } from '../data/select'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { LinkTo } from '../ui/LinkTo'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'
import { StageRule } from './StageRule'

const DAY_MS = 86_400_000
const days = new Intl.RelativeTimeFormat('en', { numeric: 'auto' })

/** `today`, `yesterday`, `12 days ago`. */
function openedDay(instant: string): string {
  const midnight = (date: Date) => new Date(date).setHours(0, 0, 0, 0)
  return days.format(Math.round((midnight(new Date(instant)) - midnight(new Date())) / DAY_MS), 'day')
}

function JobRow({ job, current = false }: { job: Doc<'job'>; current?: boolean }) {
  const view = useJob(job.id)
  if (!view) return null
  const closed = job.fields.state === 'closed'
  return (
    <LinkTo
      href={`/job/${job.id}`}
      label={`${job.fields.title}, ${view.point.fields.name}`}
      current={current}
      className={`border-b border-rule px-4 py-3 active:bg-patina-wash ${current ? 'border-l-[5px] border-l-patina bg-patina-wash' : ''}`}
    >
      <Txt bold size="l">
        {job.fields.title}
      </Txt>
      <Txt size="s" tone="soft">
        {view.point.fields.name}, {view.property.fields.label} · {openedDay(job.fields.openedAt)}
      </Txt>
      <StageRule stage={view.stage} closed={closed} />
    </LinkTo>
  )
}

/** Jobs, open ones first, newest first. `current` marks one in the wide view. */
export function JobRows({ current }: { current?: string }) {
  const jobs = useDocs('job')
  const sorted = [...jobs].sort(
    (a, b) =>
      Number(a.fields.state === 'closed') - Number(b.fields.state === 'closed') ||
      (a.fields.openedAt < b.fields.openedAt ? 1 : -1),
  )
  return (
    <>
      {sorted.map((job) => (
        <JobRow key={job.id} job={job} current={job.id === current} />
      ))}
    </>
  )
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
      <ScrollView className="flex-1" testID="job-list">
        {empty ? (
          <View className="px-4 py-8">
            <Txt size="l">No job yet.</Txt>
            <Txt tone="soft">
              A job is one place where a fixture meets the piping. Open one and measure the stub: the rest
              follows.
            </Txt>
          </View>
        ) : (
          <JobRows />
        )}
      </ScrollView>
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
