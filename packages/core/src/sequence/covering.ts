import type { StepTemplate } from '../assembly/acts/types'
import { isOnFloor, opensSlab } from '../record'
import { DRAIN_TESTS } from '../reference/drainTest'
import { TEST_PRESSURES } from '../reference/testPressure'
import type { Graph } from './graph'
import { isBox } from './inWall'
import { mountOf } from './slab'
import type { PlanBody, PlanLine, PlanRequest } from './types'

/** What comes before a line is covered for good, and the covering. Times are common practice. */
const STEPS = {
  set: { key: 'hold-set', kind: 'prepare', words: 'hold.set', seconds: 120 },
  wait: { key: 'hold-wait', kind: 'wait', words: 'hold.wait', seconds: 0, passive: true },
  hold: { key: 'hold', kind: 'prove', words: 'prove.hold', seconds: 60 },
  inspect: { key: 'inspected', kind: 'safe', words: 'cover.inspected', seconds: 60 },
  cover: { key: 'cover', kind: 'finish', words: 'cover.wall', seconds: 60 },
  full: { key: 'drain-full', kind: 'prepare', words: 'hold.fill', seconds: 600 },
  stand: { key: 'drain-stand', kind: 'wait', words: 'hold.stand', seconds: 0, passive: true },
  level: { key: 'drain-level', kind: 'prove', words: 'prove.level', seconds: 180 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** Mixing it, casting and striking it off. */
const CAST_SECONDS = 3600

const at = (step: keyof typeof STEPS) => `general/${STEPS[step].key}`

/** The act at a flange that takes its test plug out. */
const UNPLUGS = 'closet.seal'

/** Looks that a covered joint cannot be given any more. */
const LOOKS = ['general/two-hours', 'general/morning'] as const

const isShutIn = ({ conditions: { access } }: PlanLine) => access !== 'reachable'
const isDrain = ({ conditions: { service } }: PlanLine) => service === 'waste'
const isCovered = (line: PlanLine) => isShutIn(line) && !isDrain(line)
/** New drain that will be out of sight: what hangs or stands before the wall, or on the floor, is not. */
const isHidden = (line: PlanLine, bodies: readonly PlanBody[]) =>
  isShutIn(line) &&
  isDrain(line) &&
  line.option.joints.some(
    ({ beforeStop }, seam) => beforeStop && !isOnFloor(line, mountOf(line, bodies), seam),
  )
/** The run that a drain comes into, or itself: what has it in common is one drain. */
const drainOf = ({ lineId, branchOf }: PlanLine) => branchOf ?? lineId

/** Whether a drain of the job stands full of water before it is used: it will be out of sight, or what it joins will. */
export const standsFull = (
  line: PlanLine,
  { lines, bodies = [] }: Pick<PlanRequest, 'lines' | 'bodies'>,
): boolean =>
  isDrain(line) && lines.some((other) => isHidden(other, bodies) && drainOf(other) === drainOf(line))

/** Lines of water are held under pressure, all at once. */
function holdLines(
  graph: Graph,
  covered: readonly PlanLine[],
  { codeProfile = 'IPC', bodies = [] }: PlanRequest,
): void {
  const { minutes, leastKpa } = TEST_PRESSURES[codeProfile]
  const said = { minutes, bar: (leastKpa ?? 0) / 100 }
  graph.add(at('set'), STEPS.set, null, null, said)
  graph.add(at('wait'), { ...STEPS.wait, seconds: minutes * 60 }, null, null, said)
  graph.add(at('hold'), STEPS.hold, null, null, said)
  graph.precede(at('set'), at('wait'))
  graph.precede(at('wait'), at('hold'))
  // warmth moves the gauge, and a heater is not made for it
  graph.precede(at('hold'), 'general/heater-on')
  // nor is a machine's hose
  for (const body of bodies) if (isBox(body)) graph.precede(at('hold'), `general/run-${body.id}`)
  for (const { lineId, leftLong } of covered) {
    // the cap of what is left long is held with it
    const dry = leftLong === undefined ? 'dry-outlet' : 'dry-cap'
    for (const look of ['dry-inlet', dry]) graph.precede(`${lineId}/line/${look}`, at('set'))
  }
}

/** New drain is plugged, filled and looked at before any of it is used, and long before it is covered. */
function holdDrains(
  graph: Graph,
  drains: readonly PlanLine[],
  { codeProfile = 'IPC', bodies = [] }: PlanRequest,
): void {
  const { minutes } = DRAIN_TESTS[codeProfile]
  const said = { minutes, code: codeProfile }
  graph.add(at('full'), STEPS.full, null, null, said)
  graph.add(at('stand'), { ...STEPS.stand, seconds: minutes * 60 }, null, null, said)
  graph.add(at('level'), STEPS.level, null, null)
  graph.precede(at('full'), at('stand'))
  graph.precede(at('stand'), at('level'))
  for (const line of drains) {
    const { lineId, option } = line
    const mount = mountOf(line, bodies)
    const hidden = (seam: number) => option.joints[seam]?.beforeStop === true && !isOnFloor(line, mount, seam)
    for (const { id, seam, template } of graph.nodes.values()) {
      if (seam === null || !id.startsWith(`${lineId}/`)) continue
      if (hidden(seam)) graph.precede(id, at('full'))
      // a trap, a bowl, what hangs on it: not under ten feet of water; nor is the end unplugged for them
      else if (template.kind === 'close' || template.words === UNPLUGS) graph.precede(at('level'), id)
    }
    graph.precede(at('level'), `${lineId}/line/fill`)
  }
}

/** What hides the new lines again: concrete, soil, a floor or a wall; of drains it is not watched at a gauge. */
function coverWords(shut: readonly PlanLine[], bodies: readonly PlanBody[]): string {
  const drains = shut.every(isDrain) ? '-drain' : ''
  if (shut.every(({ conditions }) => conditions.access === 'buried'))
    // concrete is cast over either
    return shut.some((line) => opensSlab(line, mountOf(line, bodies)))
      ? 'cover.slab'
      : `cover.ground${drains}`
  return drains && shut.every((line) => mountOf(line, bodies) === 'floor')
    ? 'cover.floor-drain'
    : `cover.wall${drains}`
}

/** The covering itself, what comes before it whatever is covered, and what it comes before. */
function addCover(
  graph: Graph,
  shut: readonly PlanLine[],
  proofs: readonly string[],
  { bodies = [], permit = false }: PlanRequest,
): void {
  const words = coverWords(shut, bodies)
  const casts = words === 'cover.slab' ? { seconds: CAST_SECONDS } : {}
  graph.add(at('cover'), { ...STEPS.cover, ...casts, words }, null, null)
  for (const proof of proofs) graph.precede(proof, at('cover'))
  if (permit) {
    graph.add(at('inspect'), STEPS.inspect, null, null)
    for (const proof of proofs) graph.precede(proof, at('inspect'))
    graph.precede(at('inspect'), at('cover'))
  }
  for (const look of LOOKS) {
    for (const proof of proofs) graph.precede(proof, look)
    graph.precede(look, at('cover'))
  }
  graph.precede(at('cover'), 'general/record')
}

/**
 * What will be covered waits until it has been held under pressure, looked at again as the house has it and, where a
 * permit is open, inspected; the line stays under pressure while it is covered. What is left long is cut after that.
 */
export function addCovering(graph: Graph, request: PlanRequest): void {
  const { lines, bodies = [] } = request
  const [covered, drains] = [lines.filter(isCovered), lines.filter((line) => isHidden(line, bodies))]
  const shut = [...covered, ...drains]
  if (shut.length === 0) return
  if (covered.length > 0) holdLines(graph, covered, request)
  if (drains.length > 0)
    holdDrains(
      graph,
      lines.filter((line) => standsFull(line, request)),
      request,
    )
  addCover(
    graph,
    shut,
    [...(covered.length > 0 ? [at('hold')] : []), ...(drains.length > 0 ? [at('level')] : [])],
    request,
  )
  if (covered.length === 0) return
  // what leaves a valve that stands in the wall is cut and fitted once that is shut
  for (const { lineId, leftLong } of lines)
    if (leftLong !== undefined) {
      graph.precede(`${lineId}/line/dry-cap`, at('set'))
      graph.precede(at('cover'), `${lineId}/line/cut-long`)
    }
}
