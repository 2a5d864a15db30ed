import type { StepTemplate } from '../assembly/acts/types'
import { CoreFault } from '../fault'
import type { Graph } from './graph'
import type { PlanLine } from './types'

/** A cap on the long end, its proof, and much later the cut. Common practice. */
const STEPS = {
  cap: { key: 'cap-long', kind: 'close', words: 'long.cap', seconds: 120 },
  dry: { key: 'dry-cap', kind: 'prove', words: 'prove.tissue-cap', seconds: 30 },
  cut: { key: 'cut-long', kind: 'prepare', words: 'long.cut', seconds: 180 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** The seams of a line that are joined once its long piece is cut: the one behind it, and all further out. */
export function laterSeams({ option, leftLong }: PlanLine): ReadonlySet<number> {
  if (leftLong === undefined) return new Set()
  return new Set(option.joints.flatMap(({ from }, seam) => (from >= leftLong ? [seam] : [])))
}

/**
 * A piece that is left long: capped before the water comes back, so that what is behind the wall is proved with it; cut
 * once the wall is shut and what follows is in hand; then the rest of the line is joined, run and dried.
 *
 * @param stepsOf the steps of a seam
 * @throws CoreFault where that part is no piece of pipe with something behind it
 */
export function addLeftLong(
  graph: Graph,
  line: PlanLine,
  later: ReadonlySet<number>,
  stepsOf: (seam: number) => readonly string[],
): void {
  const { lineId, option, leftLong = -1 } = line
  const piece = option.parts[leftLong]
  if (piece?.family !== 'tube-piece' || later.size === 0)
    throw new CoreFault('no-piece', { part: leftLong }, ['leftLong'])
  const id = (key: string) => `${lineId}/line/${key}`
  const part = option.parts[leftLong + 1]?.name ?? 'the fixture'
  for (const template of Object.values(STEPS)) graph.add(id(template.key), template, lineId, null, { part })
  option.joints.forEach((_, seam) => {
    for (const step of stepsOf(seam))
      if (later.has(seam)) graph.precede(id('cut-long'), step)
      else graph.precede(step, id('cap-long'))
  })
  graph.precede(id('cap-long'), 'general/valves')
  graph.precede('general/restore', id('dry-cap'))
  for (const proof of ['two-hours', 'morning']) graph.precede(id('dry-cap'), `general/${proof}`)
  for (const proof of [id('dry-inlet'), id('dry-cap'), 'general/two-hours', 'general/morning'])
    graph.precede(proof, id('cut-long'))
  // outward from what stays: tape, paste and rubber come to a body when all that is soldered there is cold
  for (const seam of later) {
    if (!later.has(seam - 1) || graph.nodes.get(`${lineId}/${seam}/close`)?.template.flame) continue
    for (const before of stepsOf(seam - 1)) for (const step of stepsOf(seam)) graph.precede(before, step)
  }
  for (const seam of later)
    for (const step of stepsOf(seam)) {
      graph.precede(step, id('flush'))
      graph.precede(step, id('dry-outlet'))
    }
  graph.precede(id('flush'), id('dry-outlet'))
  graph.precede(id('dry-outlet'), 'general/record')
}
