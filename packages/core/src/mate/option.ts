import { isSoftTube } from '../reference/softTube'
import {
  consumableCents,
  consumablesOf,
  jointSeconds,
  labourCents,
  missingTools,
  partCents,
  setUpCents,
} from './costs'
import { METHODS, methodById } from './methods'
import { type Pair, pairEngagement } from './pairs'
import { type Label, type Problem, stubNeedMm } from './search'
import type { ChosenJoint, ChosenPart, MateOption, MethodId, ToolId } from './types'

/** Turns a finished chain into the option that is shown, with every cent accounted for. */
export function toOption(problem: Problem, goal: Label): MateOption {
  const { settings, conditions } = problem
  const chain: Label[] = []
  for (let at: Label | null = goal; at; at = at.back) chain.unshift(at)
  const [first, ...links] = chain as [Label, ...Label[]]
  const { removal } = first.start
  const parts: ChosenPart[] = []
  const joints: ChosenJoint[] = []
  let consumables = 0
  let seconds = removal.seconds
  const tools = new Set<ToolId>(removal.tools)
  let stopPlaced = false

  for (const link of links) {
    const pair = (link.step?.pair ?? link.final) as Pair
    const engagement = pairEngagement(pair)
    joints.push({
      method: pair.method.id,
      from: parts.length - 1,
      to: parts.length,
      system: pair.body.system,
      nominal: pair.body.nominal,
      diameterMm: pair.tip.diameterMm,
      bodyForm: pair.body.form,
      tubeMaterial: pair.tip.material,
      minMm: engagement.minMm,
      maxMm: engagement.maxMm,
      makeUpSource: engagement.source,
      atStub: parts.length === 0,
      beforeStop: !stopPlaced,
      seal: pair.method.seal,
      tools: pair.method.tools,
      consumables: consumablesOf(pair.method, settings),
      steps: pair.method.steps
        .filter((step) => !step.onlySoft || isSoftTube(pair.tip.material))
        .map((step) => step.words),
      reasons: link.remarks,
    })
    consumables += consumableCents(pair.method, settings)
    seconds += jointSeconds(pair.method, settings)
    for (const tool of pair.method.tools) tools.add(tool)
    if (link.step) {
      const { fitting, inPort, outPort } = link.step
      parts.push({
        fittingId: fitting.id,
        name: fitting.name,
        family: fitting.family,
        inPort,
        outPort,
        priceCents: partCents(fitting, settings),
        aboard: (settings.partsAboard[fitting.id] ?? 0) >= problem.linesTogether,
      })
      if (fitting.family.endsWith('stop')) stopPlaced = true
    }
  }
  const firstPair = links[0]?.step?.pair as Pair
  const partsTotal = parts.reduce((sum, part) => sum + part.priceCents, 0)
  const setUp = setUpCents(goal.mask, settings)
  const trip = goal.trip ? labourCents(settings.tripMinutes * 60, settings) : 0
  const base = goal.additive - partsTotal - consumables
  // labour is rounded per joint in the search; what remains of the additive cost is risk
  const labour = [
    removal.seconds,
    ...joints.map((joint) => jointSeconds(methodById(joint.method), settings)),
  ].reduce((sum, s) => sum + labourCents(s, settings), 0)
  return {
    id: goal.coarse,
    removalId: removal.id,
    parts,
    joints,
    methods: METHODS.filter((_, index) => goal.mask & (1 << index)).map((method) => method.id as MethodId),
    costs: {
      partsCents: partsTotal,
      consumablesCents: consumables,
      labourSeconds: seconds,
      labourCents: labour,
      setUpCents: setUp,
      tripCents: trip,
      riskCents: base - labour,
      totalCents: goal.additive + setUp + trip,
    },
    waterOffSeconds: waterOffBound(removal.seconds, firstPair),
    missingParts: parts.filter((part) => !part.aboard).map((part) => part.fittingId),
    missingTools: missingTools([...tools], settings),
    needsStubMm: stubNeedMm(firstPair, conditions),
    leavesStubMm: first.start.usableMm,
    warnings: joints.flatMap((joint) => joint.reasons),
  }
}

/**
 * The water is off at least while the old stop comes off and the joint on the stub is closed and has cooled or
 * cured; all else may be done on the bench or after the new stop is shut.
 */
function waterOffBound(removalSeconds: number, first: Pair): number {
  const close = first.method.steps.filter((step) => step.kind === 'close' || step.kind === 'wait')
  return removalSeconds + close.reduce((sum, step) => sum + step.seconds, 0)
}
