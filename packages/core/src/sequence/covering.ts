import type { StepTemplate } from '../assembly/acts/types'
import { TEST_PRESSURES } from '../reference/testPressure'
import type { Graph } from './graph'
import type { PlanLine, PlanRequest } from './types'

/** What comes before a line is covered for good, and the covering. Times are common practice. */
const STEPS = {
  set: { key: 'hold-set', kind: 'prepare', words: 'hold.set', seconds: 120 },
  wait: { key: 'hold-wait', kind: 'wait', words: 'hold.wait', seconds: 0, passive: true },
  hold: { key: 'hold', kind: 'prove', words: 'prove.hold', seconds: 60 },
  inspect: { key: 'inspected', kind: 'safe', words: 'cover.inspected', seconds: 60 },
  cover: { key: 'cover', kind: 'finish', words: 'cover.wall', seconds: 60 },
} as const satisfies Readonly<Record<string, StepTemplate>>

const at = (step: keyof typeof STEPS) => `general/${STEPS[step].key}`

/** Looks that a covered joint cannot be given any more. */
const LOOKS = ['general/two-hours', 'general/morning'] as const

const isCovered = ({ conditions: { access, service } }: PlanLine) =>
  access !== 'reachable' && service !== 'waste'

/**
 * What will be covered waits until it has been held under pressure, looked at again as the house has it and, where a
 * permit is open, inspected; the line stays under pressure while it is covered. What is left long is cut after that.
 */
export function addCovering(graph: Graph, { lines, permit = false, codeProfile = 'IPC' }: PlanRequest): void {
  const covered = lines.filter(isCovered)
  if (covered.length === 0) return
  const { minutes, leastKpa } = TEST_PRESSURES[codeProfile]
  const said = { minutes, bar: (leastKpa ?? 0) / 100 }
  const buried = covered.every(({ conditions }) => conditions.access === 'buried')
  graph.add(at('set'), STEPS.set, null, null, said)
  graph.add(at('wait'), { ...STEPS.wait, seconds: minutes * 60 }, null, null, said)
  graph.add(at('hold'), STEPS.hold, null, null, said)
  graph.add(at('cover'), { ...STEPS.cover, words: buried ? 'cover.ground' : STEPS.cover.words }, null, null)
  graph.precede(at('set'), at('wait'))
  graph.precede(at('wait'), at('hold'))
  graph.precede(at('hold'), at('cover'))
  if (permit) {
    graph.add(at('inspect'), STEPS.inspect, null, null)
    graph.precede(at('hold'), at('inspect'))
    graph.precede(at('inspect'), at('cover'))
  }
  for (const look of LOOKS) {
    graph.precede(at('hold'), look)
    graph.precede(look, at('cover'))
  }
  // warmth moves the gauge, and a heater is not made for it
  graph.precede(at('hold'), 'general/heater-on')
  for (const { lineId, leftLong } of covered) {
    // the cap of what is left long is held with it
    const dry = leftLong === undefined ? 'dry-outlet' : 'dry-cap'
    for (const look of ['dry-inlet', dry]) graph.precede(`${lineId}/line/${look}`, at('set'))
  }
  // what leaves a valve that stands in the wall is cut and fitted once that is shut
  for (const { lineId, leftLong } of lines)
    if (leftLong !== undefined) {
      graph.precede(`${lineId}/line/dry-cap`, at('set'))
      graph.precede(at('cover'), `${lineId}/line/cut-long`)
    }
  graph.precede(at('cover'), 'general/record')
}
