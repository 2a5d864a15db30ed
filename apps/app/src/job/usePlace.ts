import { router, useLocalSearchParams } from 'expo-router'
import { useState } from 'react'
import { type JobView, type LineView, STAGES, type Stage } from '../data/select'

/** Where on the job page one is: in its address, so that a reload, a link and a second tab show the same. */
export function usePlace(view: JobView): {
  readonly stage: Stage
  readonly line: LineView | undefined
  readonly goTo: (stage: Stage) => void
  readonly showLine: (lineId: string) => void
} {
  const { stage, line } = useLocalSearchParams<{ stage?: string; line?: string }>()
  // opened where the job stands; after that the page turns only when it is told to
  const [opened] = useState<Stage>(view.stage)
  const named = STAGES.find((name) => name === stage)
  return {
    stage: named ?? opened,
    // a line is named by what it carries, or by its id where two carry the same
    line:
      view.lines.find((entry) => [entry.line.fields.service, entry.line.id].includes(line ?? '')) ??
      view.lines[0],
    goTo: (next) => router.setParams({ stage: next }),
    showLine: (lineId) => {
      const service = view.lines.find((entry) => entry.line.id === lineId)?.line.fields.service
      const alone = view.lines.filter((entry) => entry.line.fields.service === service).length === 1
      router.setParams({ line: service && alone ? service : lineId })
    },
  }
}
