import { wasteActs } from '../assembly/acts/wastes'
import { PAN_TESTS } from '../reference/panTest'
import { LATER } from './fixing'
import type { Graph } from './graph'
import { pointOf } from './point'
import { looksAt } from './slab'
import type { PlanBody, PlanRequest } from './types'

/** Joints that bring what sets the drain with them. */
const SETS_ITSELF = 'drain-gasket'

/** What stands on the same deck as a basin's waste: its rod goes through it. */
const deckOver = (body: PlanBody, bodies: readonly PlanBody[]) =>
  bodies.filter((other) => other !== body && other.mount === 'deck' && pointOf(other.id) === pointOf(body.id))

/**
 * Wastes that go in with their pipe: the old one out when its trap is off, the new one set before its pipe is joined to
 * it, for it cannot be turned or lifted after; then what closes it, and whether it holds. A pan is flooded before its
 * mortar hides the liner, and its weep holes are kept open last of all.
 */
export function addWastes(graph: Graph, { lines, bodies = [], codeProfile = 'IPC' }: PlanRequest): void {
  const test = PAN_TESTS[codeProfile]
  const said = { code: codeProfile, minutes: test.minutes, upMm: test.upMm, deepMm: test.deepMm ?? 0 }
  for (const line of lines) {
    const { lineId, option, conditions, meets } = line
    const body = bodies.find(({ id }) => id === meets?.to)
    const acts = conditions.service === 'waste' && !body?.stays ? wasteActs(body?.kind) : undefined
    if (!body || !acts) continue
    const last = option.joints.length - 1
    const [close, fill] = [`${lineId}/${last}/close`, `${lineId}/line/fill`]
    const at = (key: string) => `${lineId}/line/${key}`
    const removed = [...graph.nodes.keys()].filter((id) => id.startsWith(`${lineId}/remove/`))
    const before = option.joints[last]?.method === SETS_ITSELF && acts.after.length === 0 ? [] : acts.before
    const old = acts.out && conditions.oldJoint !== 'none' ? [acts.out] : []
    const order = [...old, ...before]
    for (const act of [...order, ...acts.after, ...acts.proves])
      graph.add(
        at(act.key),
        { ...act, ...(act.kind === 'wait' ? { seconds: test.minutes * 60 } : {}) },
        lineId,
        null,
        { ...said, ...act.parameters },
      )
    for (const [index, act] of order.entries()) {
      for (const step of removed) graph.precede(step, at(act.key))
      const next = order[index + 1]
      if (next) graph.precede(at(act.key), at(next.key))
      graph.precede(at(act.key), close)
      // a trap hangs where arms and eyes go up to the old waste
      for (const [seam, { beforeStop }] of option.joints.entries())
        if (!beforeStop) graph.precede(at(act.key), `${lineId}/${seam}/close`)
    }
    let prior = close
    // one water at a time: what is beneath is joined, hangs and was proved before a pan is laid over it
    const beneath = [...option.joints.keys()].map((seam) => `${lineId}/${seam}/close`)
    for (const act of acts.after)
      for (const step of [...beneath, at('hangers'), 'general/drain-level']) graph.precede(step, at(act.key))
    const cured = `${lineId}/${last}/cure`
    for (const act of acts.after) {
      graph.precede(prior, at(act.key))
      // nothing is stood on or filled that has not set
      if (graph.nodes.has(cured)) graph.precede(cured, at(act.key))
      graph.precede(at(act.key), fill)
      prior = at(act.key)
    }
    // its rod goes through what stands on the same deck
    for (const { id } of deckOver(body, bodies))
      for (const act of acts.after) graph.precede(`general/set-${id}`, at(act.key))
    const laters = looksAt(body.id, LATER, { lines, bodies })
    for (const act of acts.proves) {
      graph.precede(fill, at(act.key))
      for (const later of laters) graph.precede(at(act.key), later)
    }
  }
}
