import type { StepTemplate } from '../assembly/acts/types'
import { COOL_BESIDE_SECONDS, COOLS, jointHeat } from '../assembly/methods/heat'
import type { Graph } from './graph'
import type { PlanLine, PlanRequest } from './types'

/** A joint at a body where lines meet. */
interface Contact {
  readonly step: string
  readonly heat: ReturnType<typeof jointHeat>
}

/** The joints at each body: at a port of what goes in, and round a tee that another line branches off. */
function contacts(lines: readonly PlanLine[]): Map<string, Contact[]> {
  const found = new Map<string, Contact[]>()
  const add = (body: string | undefined, { lineId, option }: PlanLine, seam: number) => {
    const joint = option.joints[seam]
    if (body === undefined || !joint) return
    const contact = { step: `${lineId}/${seam}/close`, heat: jointHeat(joint) }
    found.set(body, [...(found.get(body) ?? []), contact])
  }
  for (const line of lines) {
    add(line.branchOf === undefined ? line.meets?.from : `tee of ${line.branchOf}`, line, 0)
    // what is joined once the wall is shut meets nothing hot
    if (line.leftLong === undefined) add(line.meets?.to, line, line.option.joints.length - 1)
    if (!lines.some(({ branchOf }) => branchOf === line.lineId)) continue
    const tee = line.option.parts.findIndex(({ family }) => family === 'tee' || family === 'slip-tee')
    line.option.joints.forEach(({ from, to }, seam) => {
      if (tee >= 0 && (from === tee || to === tee)) add(`tee of ${line.lineId}`, line, seam)
    })
  }
  return found
}

/** Of what a body holds, what a flame on it would spoil. */
const SPOILT_INSIDE: ReadonlySet<string> = new Set(['cartridge', 'seat', 'seal'])

/**
 * What a flame asks of a body: what it would spoil inside comes out first and goes back once it is cold, and what it
 * would spoil at the other ports waits until then.
 */
export function addBodies(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  for (const [body, joints] of contacts(lines)) {
    const hot = joints.filter(({ heat }) => heat === 'heats')
    if (hot.length === 0) continue
    const inside =
      bodies.find(({ id }) => id === body)?.contents.filter((what) => SPOILT_INSIDE.has(what)) ?? []
    const spoilt = joints.filter(({ heat }) => heat === 'spoilt')
    const [strip, cool, refit] = ['strip', 'cool', 'refit'].map((key) => `general/${key}-${body}`) as [
      string,
      string,
      string,
    ]
    const say = (
      key: string,
      kind: StepTemplate['kind'],
      seconds: number,
      passive = false,
    ): StepTemplate => ({
      key,
      kind,
      words: `body.${key}`,
      seconds,
      ...(passive ? { passive } : {}),
    })
    if (inside.length > 0)
      graph.add(strip, say('strip', 'prepare', 90), null, null, { inside: inside.join(' ') })
    if (inside.length > 0 || spoilt.length > 0)
      graph.add(cool, say('cool', 'wait', COOL_BESIDE_SECONDS, true), null, null, COOLS.parameters)
    if (inside.length > 0) {
      graph.add(refit, say('refit', 'finish', 90), null, null, { inside: inside.join(' ') })
      graph.precede(cool, refit)
      graph.precede(refit, 'general/valves')
    }
    for (const { step } of hot) {
      graph.precede(strip, step)
      graph.precede(step, cool)
    }
    for (const { step } of spoilt) graph.precede(cool, step)
  }
}
