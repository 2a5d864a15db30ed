import type { StepTemplate } from '../assembly/acts/types'
import { partOf } from '../assembly/kept'
import { methodById } from '../assembly/methods/table'
import { seamsOverSlab } from '../record'
import type { Graph } from './graph'
import { isCloset } from './lineWords'
import { pointOf } from './point'
import { mountOf } from './slab'
import type { PlanBody, PlanLine, PlanRequest } from './types'

/** A flange that was cemented is screwed down once it is where it stays. Time is common practice. */
const SCREW: StepTemplate = { key: 'screw', kind: 'finish', words: 'flange.screw', seconds: 240 }

/** Which way an offset flange points is settled by its cement. */
const ASIDE: StepTemplate = { key: 'aside', kind: 'prepare', words: 'flange.aside', seconds: 180 }

/**
 * A bowl and what it stands on: flange and riser are joined before they go into what is below, while they can still be
 * turned square; the flange is screwed down, its cement hard, before the bowl's weight comes on it.
 */
function addFlange(graph: Graph, line: PlanLine, seal: number, mount: PlanBody['mount']): void {
  const { lineId, option } = line
  const at = option.parts.findIndex(({ family }) => family === 'closet-flange')
  const seam = option.joints.findIndex(({ to }) => to === at)
  if (at < 0) return
  const close = (index: number) => `${lineId}/${index}/close`
  const { shiftMm } = (option.parts[at] && partOf(option.parts[at])) ?? {}
  if (shiftMm) {
    const aside = `${lineId}/${seam}/${ASIDE.key}`
    graph.add(aside, ASIDE, lineId, seam, { shiftMm })
    graph.precede(aside, close(seam))
  }
  if (methodById(option.joints[seam]?.method ?? 'wax-seal').steps.every(({ key }) => key !== SCREW.key)) {
    const screw = `${lineId}/${seam}/${SCREW.key}`
    graph.add(screw, SCREW, lineId, seam)
    graph.precede(close(seam), screw)
    if (seam > 0) graph.precede(close(seam - 1), screw)
    graph.precede(screw, `${lineId}/${seal}/bolts`)
  }
  // through a slab the riser comes up first, and the flange lies on what was cast round it
  const over = seamsOverSlab(line, mount).has(seam)
  if (seam > 0 && !over && option.parts[at - 1]?.family === 'tube-piece')
    graph.precede(close(seam), close(seam - 1))
}

/**
 * A bowl and its water: the old one is lifted off before its stop is worked at, the new one is set down before its
 * supply is joined, and the tank is filled and set before it is flushed to prove the floor.
 */
export function addClosets(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  for (const line of lines) {
    const { lineId, option, meets } = line
    const seal = option.joints.length - 1
    if (!isCloset(option)) continue
    addFlange(graph, line, seal, mountOf(line, bodies))
    for (let seam = 0; seam < seal; seam++)
      graph.precede(`${lineId}/${seam}/close`, `${lineId}/${seal}/bolts`)
    // what it stands on is set and screwed down before it comes
    for (const step of graph.nodes.values())
      if (step.lineId === lineId && step.seam !== null && step.seam < seal)
        graph.precede(step.id, `${lineId}/${seal}/close`)
    const point = pointOf(meets?.to)
    const fed = bodies.filter(
      ({ id, mount, contents }) =>
        mount === 'floor' && contents.includes('fill-valve') && pointOf(id) === point,
    )
    for (const body of fed) {
      for (const other of lines.filter((each) => each.lineId !== lineId && each.meets?.to === body.id)) {
        const supply = `${other.lineId}/${other.option.joints.length - 1}/close`
        for (const step of ['close', 'shim']) graph.precede(`${lineId}/${seal}/${step}`, supply)
        // nobody waits for the water while it is lifted off
        for (const off of ['remove.scrape-wax', 'remove.draw-connector'])
          if (graph.nodes.has(`${lineId}/remove/${off}`))
            graph.precede(`${lineId}/remove/${off}`, 'general/shut')
      }
      const filled = `general/fill-${body.id}`
      if (graph.nodes.has(filled)) graph.precede(filled, `${lineId}/line/fill`)
    }
  }
}
