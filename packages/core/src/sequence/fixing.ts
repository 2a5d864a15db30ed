import type { StepTemplate } from '../assembly/acts/types'
import { partOf } from '../assembly/kept'
import { opensRun } from '../assembly/oldJoints/removals'
import { isMetal, isPlastic } from '../reference/materials'
import type { Graph } from './graph'
import { hangsInWall, hungAt } from './inWall'
import { laterSeams } from './leftLong'
import { BIB } from './lineWords'
import type { PlanLine, PlanRequest } from './types'

/** What holds the new piping, and what is seen to at the end. Times are common practice. */
const STEPS = {
  ears: { key: 'ears', kind: 'finish', words: 'fix.ears', seconds: 120 },
  bib: { key: 'fix-bib', kind: 'finish', words: 'fix.bib', seconds: 240 },
  stub: { key: 'strap-stub', kind: 'prepare', words: 'fix.stub', seconds: 180 },
  strap: { key: 'strap', kind: 'finish', words: 'fix.strap', seconds: 120 },
  scald: { key: 'scald', kind: 'prove', words: 'prove.scald', seconds: 180 },
  breaker: { key: 'breaker', kind: 'prove', words: 'prove.breaker', seconds: 30 },
  relief: { key: 'relief', kind: 'prove', words: 'prove.relief', seconds: 30 },
  unbond: { key: 'unbond', kind: 'finish', words: 'safe.unbond', seconds: 60 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** What comes when the work of the visit is done. */
export const LATER = ['general/two-hours', 'general/morning', 'general/record'] as const

/** Whether plastic, or what parts metals, lies in a metal run now: then the bridge over the cut stays. Behind an end there is nothing to bridge to. */
function isParted({ option }: PlanLine): boolean {
  return (
    opensRun(option.removalId) &&
    option.joints.some(
      ({ tubeMaterial, to }) => isPlastic(tubeMaterial) || option.parts[to]?.family === 'dielectric-union',
    )
  )
}

/**
 * Straps, screws and flanges: a stub that moves is held before anything is joined to it, an elbow with ears hangs on the
 * framing before anything is turned into it, a bib on its wall before it is opened, new pipe on its straps before it is
 * proved. A mixing valve's limit is set and measured once its water is hot, and the bridge of the bonding is seen to.
 */
export function addFixing(graph: Graph, { lines, bodies = [] }: PlanRequest): void {
  const bridged = graph.nodes.has('general/bond')
  if (bridged) {
    const words = lines.some(
      (line) => line.material !== undefined && isMetal(line.material) && isParted(line),
    )
      ? 'safe.bond-stays'
      : STEPS.unbond.words
    graph.add('general/unbond', { ...STEPS.unbond, words }, null, null)
    for (const later of LATER) graph.precede('general/unbond', later)
  }
  for (const line of lines) {
    const { lineId, option, conditions, leftLong } = line
    const id = (step: keyof typeof STEPS) => `${lineId}/line/${STEPS[step].key}`
    const close = (seam: number) => `${lineId}/${seam}/close`
    // what is left long is seen dry at its cap, and cut much later
    const dry = `${lineId}/line/${leftLong === undefined ? 'dry-outlet' : 'dry-cap'}`
    if (bridged) graph.precede(dry, 'general/unbond')
    if (conditions.service === 'waste') continue
    if (conditions.faults.includes('loose') && option.joints[0]?.atStub) {
      graph.add(id('stub'), STEPS.stub, lineId, null)
      for (const step of graph.nodes.values())
        if (step.lineId === lineId && step.seam === 0 && step.template.kind === 'close')
          graph.precede(id('stub'), step.id)
    }
    // what leads on from a body that is still to be hung is fixed where it stays, once that hangs
    const from = bodies.find((body) => body.id === line.meets?.from)
    const fixed = (step: string) => {
      if (from && hangsInWall(from)) graph.precede(hungAt(from), step)
    }
    const ear = option.joints.findIndex(({ to }) => option.parts[to]?.family === 'drop-ear-elbow')
    if (ear >= 0) {
      graph.add(id('ears'), STEPS.ears, lineId, null)
      graph.precede(id('ears'), close(ear + 1))
      fixed(id('ears'))
    }
    if (option.parts.some(({ family }) => BIB.test(family))) {
      graph.add(id('bib'), STEPS.bib, lineId, null, { plain: ear >= 0 ? 'yes' : 'no' })
      // with all that leads to it; what hangs on its outlet comes after
      const bib = option.parts.findIndex(({ family }) => BIB.test(family))
      option.joints.forEach(({ to }, seam) => {
        if (to <= bib) graph.precede(close(seam), id('bib'))
      })
      graph.precede(id('bib'), `${lineId}/line/flush`)
    }
    if (option.parts.some((part) => partOf(part)?.protects)) {
      graph.add(id('breaker'), STEPS.breaker, lineId, null)
      graph.precede(`${lineId}/line/flush`, id('breaker'))
      for (const later of LATER) graph.precede(id('breaker'), later)
    }
    const piece = option.parts.find(({ family }) => family === 'tube-piece')
    const at = option.joints.find(({ from }) => option.parts[from] === piece)
    if (!piece || !at) continue
    // what is left long is joined at its far end once the wall is shut
    const later = laterSeams(line)
    graph.add(id('strap'), STEPS.strap, lineId, null, { of: spanOf(at.tubeMaterial) })
    fixed(id('strap'))
    // it hangs where it stays once all that it hangs between is made
    for (const seam of option.joints.keys()) if (!later.has(seam)) graph.precede(close(seam), id('strap'))
    // nor is it moved while it sets
    for (const step of graph.nodes.values())
      if (step.lineId === lineId && step.template.kind === 'wait' && !later.has(step.seam ?? -1))
        graph.precede(step.id, id('strap'))
    graph.precede(id('strap'), dry)
  }
  for (const body of bodies) {
    const { id, contents } = body
    const met = lines.filter(({ meets }) => meets?.to === id)
    if (contents.includes('element') && met.length > 0) {
      const relief = `general/${STEPS.relief.key}-${id}`
      graph.add(relief, STEPS.relief, null, null)
      for (const { lineId } of met) graph.precede(`${lineId}/line/dry-outlet`, relief)
      for (const later of ['general/heater-on', ...LATER]) graph.precede(relief, later)
    }
    const hot = lines.find(({ meets, conditions }) => meets?.to === id && conditions.service === 'hot')
    if (!hangsInWall(body) || !hot || !contents.includes('cartridge')) continue
    const step = `general/${STEPS.scald.key}-${id}`
    graph.add(step, STEPS.scald, null, null)
    graph.precede('general/heater-on', step)
    graph.precede(`${hot.lineId}/line/dry-outlet`, step)
    for (const later of ['cover', 'record']) graph.precede(step, `general/${later}`)
  }
}

/** By what a pipe is held apart: soft plastic, stiff plastic, or metal. */
function spanOf(material: string): 'soft' | 'stiff' | 'metal' {
  if (/^(pex|polybutylene|polyethylene)/.test(material)) return 'soft'
  return /^(cpvc|pvc)/.test(material) ? 'stiff' : 'metal'
}
