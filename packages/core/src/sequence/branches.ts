import type { StepTemplate } from '../assembly/acts/types'
import { partOf } from '../assembly/kept'
import type { Graph } from './graph'
import { lineMedium } from './lineWords'
import type { PlanRequest } from './types'

/** What is done about the sides of a tee. Times are common practice. */
const STEPS = {
  way: { key: 'branch-way', kind: 'prepare', words: 'branch.way', seconds: 60 },
  plug: { key: 'branch-plug', kind: 'finish', words: 'branch.plug', seconds: 60 },
  hold: { key: 'branch-plug', kind: 'safe', words: 'branch.plug-now', seconds: 30 },
  free: { key: 'branch-unplug', kind: 'prepare', words: 'branch.unplug', seconds: 10 },
  cap: { key: 'branch-cap', kind: 'finish', words: 'branch.cap', seconds: 180 },
} as const satisfies Readonly<Record<string, StepTemplate>>
/** The same at the second side of a tee that has two. */
const SECOND_STEPS = {
  plug: { ...STEPS.plug, key: 'second-plug' },
  hold: { ...STEPS.hold, key: 'second-plug' },
  free: { ...STEPS.free, key: 'second-unplug' },
} as const satisfies Readonly<Record<string, StepTemplate>>

/**
 * A part that leaves something open besides its line: the side of a drain's tee or wye is turned to where the new pipe
 * comes from before cement holds it, and what no line of the job begins at is shut before anything runs; each side of a
 * tee with two by itself.
 */
export function addBranches(graph: Graph, { lines }: PlanRequest): void {
  for (const line of lines) {
    const { lineId, option } = line
    const at = option.parts.findIndex((part) => (partOf(part)?.ports.length ?? 0) > 2)
    const part = option.parts[at]
    if (!part) continue
    const { family } = part
    const sides = (partOf(part)?.ports.length ?? 0) - 2
    const step = ({ key }: StepTemplate) => `${lineId}/line/${key}`
    const seams = option.joints.flatMap(({ from, to }, seam) => (from === at || to === at ? [seam] : []))
    const closes = seams.map((seam) => `${lineId}/${seam}/close`)
    const drain = lineMedium(line) === 'drain'
    if (drain) {
      const cement = seams.some((seam) => option.joints[seam]?.method.startsWith('cement'))
      const way = step(STEPS.way)
      graph.add(way, STEPS.way, lineId, null, {
        of: sides > 1 ? 'two' : family === 'sanitary-tee' ? 'tee' : 'wye',
        by: cement ? 'cement' : 'other',
      })
      for (const close of closes) graph.precede(way, close)
      graph.precede(`${lineId}/line/plug`, way)
      graph.precede(way, `${lineId}/line/unplug`)
    }
    for (const second of sides > 1 ? [false, true] : [false]) {
      const { plug, hold, free } = second ? SECOND_STEPS : STEPS
      const said = { at: second ? 'second' : sides > 1 ? 'first' : 'only' }
      const fed = lines.filter((side) => side.branchOf === lineId && (side.second ?? false) === second)
      // nothing is pushed into the side of a fitting whose own joints have not set: the run is whole again first
      if (drain && fed.length > 0) {
        graph.add(step(hold), hold, lineId, null, said)
        graph.add(step(free), free, lineId, null, said)
        for (const close of closes) graph.precede(close, step(hold))
        graph.precede(step(hold), step(free))
        for (const seam of option.joints.keys())
          for (const act of ['close', 'cure']) graph.precede(`${lineId}/${seam}/${act}`, step(free))
        for (const side of fed)
          for (const own of side.option.joints.keys())
            graph.precede(step(free), `${side.lineId}/${own}/close`)
      }
      if (fed.length > 0) continue
      const shut = drain ? plug : STEPS.cap
      graph.add(
        step(shut),
        shut,
        lineId,
        null,
        drain ? said : { of: family === 'dual-stop' ? 'stop' : 'tee' },
      )
      for (const close of closes) graph.precede(close, step(shut))
      // a test by water stands in the side as well
      for (const runs of drain ? [`${lineId}/line/fill`, 'general/drain-full'] : ['general/restore'])
        graph.precede(step(shut), runs)
    }
  }
}
