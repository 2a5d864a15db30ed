// What lies under concrete, what is set on it, and the wastes of basins, tubs and pans: what a master would be angry about.
// From the trade's rules; imports types alone.
import type { PlannedStep, PlanRequest } from '@diarmos/core'
import { MAKES } from './closing'

type Line = PlanRequest['lines'][number]
type Step = Pick<PlannedStep, 'id' | 'lineId' | 'seam' | 'words' | 'startSeconds' | 'endSeconds'>

const inConcrete = ({ conditions: { access, slabMm } }: Line) =>
  access === 'buried' && slabMm != null && slabMm > 0

/** Joints that lie on the floor: a flange with what stands on it, or a tub's or a shower's own. */
function onFloor(line: Line, bodies: NonNullable<PlanRequest['bodies']>): number[] {
  const { parts, joints } = line.option
  const body = bodies.find(({ id }) => id === line.meets?.to)
  if (body?.mount !== 'floor' || line.conditions.service !== 'waste') return []
  const flange = parts.findIndex(({ family }) => /flange|^pan/.test(family))
  return joints.flatMap(({ to }, seam) => ((flange >= 0 ? to >= flange : to === parts.length) ? [seam] : []))
}

/** Concrete is cut open for it: something of it lies beneath. */
export const underSlab = (line: Line, bodies: NonNullable<PlanRequest['bodies']>) => {
  const floor = onFloor(line, bodies)
  return (
    inConcrete(line) && line.option.joints.some(({ beforeStop }, seam) => beforeStop && !floor.includes(seam))
  )
}

/** The joints that are made on a slab that was closed again. */
export const overSlab = (line: Line, bodies: NonNullable<PlanRequest['bodies']>): readonly number[] =>
  underSlab(line, bodies) ? onFloor(line, bodies) : []

/** Of a line in concrete, what is made on the floor though nothing is opened: nobody covers it. */
export const seenAnyway = (line: Line, bodies: NonNullable<PlanRequest['bodies']>): readonly number[] =>
  inConcrete(line) ? onFloor(line, bodies) : []

/** Lets water into a drain to see that it holds. */
const RUNS = /^prove\.(fill|fill-both|fill-floor|fill-tray|let-go|flush|standpipe|run)$/

/** @returns what comes in the wrong order, by the times of the steps */
export function faultsOfFloors({ lines, bodies = [] }: PlanRequest, steps: readonly Step[]): string[] {
  const wrong: string[] = []
  const of = (words: RegExp, lineId?: string) =>
    steps.filter((step) => words.test(step.words) && (lineId === undefined || step.lineId === lineId))
  /** Whatever is named first has ended when whatever is named then begins. */
  const first = (a: readonly Step[], b: readonly Step[], otherwise: string) => {
    if (a.some(({ endSeconds }) => b.some(({ startSeconds }) => startSeconds < endSeconds)))
      wrong.push(otherwise)
  }
  const slabs = lines.filter((line) => underSlab(line, bodies))
  const opened = of(/^slab\.dig$/)
  if (slabs.length > 0 && opened.length === 0) wrong.push('nobody opens the slab')
  if (slabs.length === 0 && of(/^(slab|cover\.slab|riser)/).length > 0)
    wrong.push('concrete where there is none')
  first(of(/^slab\.scan$/), of(/^slab\.cut$/), 'cut blind')
  first(of(/^slab\.cut$/), opened, 'dug through concrete')
  first(opened, of(/^safe\.shut$/), 'the house is dry while concrete is cut')
  const casts = of(/^cover\.slab$/)
  first(of(/^slab\.fill$/), casts, 'cast over a hole')
  for (const proof of [/^prove\.(level|hold)$/, /^prove\.(two-hours|morning)$/, /^cover\.inspected$/])
    first(of(proof), of(/^slab\.fill$/), `filled in before ${proof.source}`)
  for (const line of slabs) {
    const { lineId } = line
    const over = overSlab(line, bodies)
    const own = steps.filter((step) => step.lineId === lineId)
    const inTrench = own.filter(
      ({ words, seam }) =>
        words.startsWith('remove.') || (MAKES.test(words) && seam !== null && !over.includes(seam)),
    )
    first(opened, inTrench, `${lineId} is reached through concrete`)
    first(inTrench, of(/^slab\.fill$/), `${lineId} is made under sand`)
    if (over.length === 0) continue
    const plug = of(/^riser\.plug$/, lineId)
    if (plug.length === 0) wrong.push(`${lineId} stands open while concrete is cast`)
    first(plug, casts, `concrete runs into ${lineId}`)
    first(plug, of(/^hold\.fill$/), `${lineId} is filled and open above`)
    const joined = own.filter(({ words, seam }) => MAKES.test(words) && seam !== null && over.includes(seam))
    first(of(/^slab\.set$/), joined, `${lineId} is knelt at on soft concrete`)
    first(of(/^riser\.cut$/, lineId), joined, `${lineId} is joined to what still stands long`)
    first(
      of(/^(waste|tub|base)\.set$|^pan\.base$/, lineId),
      of(/^riser\.cut$/, lineId),
      `${lineId} is cut by guess`,
    )
  }
  for (const { lineId, option } of lines) {
    const last = option.joints.length - 1
    const joined = steps.filter(
      ({ lineId: own, words, seam }) => own === lineId && MAKES.test(words) && seam === last,
    )
    const set = of(/^(waste|tub|base)\.set$|^pan\.base$/, lineId)
    first(set, joined, `${lineId} is joined to what is not set`)
    first(of(/^(waste|tub)\.out$/, lineId), set, `${lineId} is set on the old waste`)
    first(
      of(/^remove\./, lineId),
      of(/^(waste|tub)\.out$/, lineId),
      `the old trap of ${lineId} still hangs there`,
    )
    first(of(/^fixture\.set$/), of(/^waste\.rod$/, lineId), `no faucet for the rod of ${lineId}`)
    const liner = of(/^pan\.liner$/, lineId)
    first(joined, liner, `the liner of ${lineId} lies over an open pipe`)
    first(of(/^prove\.level$/), liner, `a pan over ${lineId}, which was not proved`)
    const beneath = steps.filter(
      ({ lineId: own, words }) => own === lineId && (MAKES.test(words) || words === 'fix.hang'),
    )
    first(beneath, liner, `a pan over ${lineId}, which does not stand yet`)
    const chain = ['liner', 'full', 'stand', 'weep'].map((key) => of(new RegExp(`^pan\\.${key}$`), lineId))
    for (const [at, acts] of chain.entries())
      first(acts, chain[at + 1] ?? [], `the pan of ${lineId} is out of order at ${at}`)
    first(
      of(/^pan\.stand$/, lineId),
      of(/^prove\.pan$/, lineId),
      `the pan of ${lineId} is read before it stood`,
    )
    first(
      of(/^prove\.pan$/, lineId),
      of(/^pan\.weep$/, lineId),
      `${lineId}: gravel in a pan that was not proved`,
    )
    const runs = steps.filter(({ lineId: own, words }) => own === lineId && RUNS.test(words))
    first([...liner, ...of(/^pan\.weep$/, lineId)], runs, `${lineId} is run into a pan that is not made`)
    first(runs, of(/^prove\.(waste|tub)-holds$/, lineId), `${lineId} is filled before it was seen to run off`)
  }
  return wrong
}
