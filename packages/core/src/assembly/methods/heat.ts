import { isMetal } from '../../reference/materials'
import { commonPractice } from '../../reference/source'
import type { PipeMaterial } from '../../reference/types'
import type { StepTemplate } from '../acts/types'
import type { PartOfWay } from '../kept'
import type { Reason } from '../reason'
import type { Pair } from './pairs'
import { type Method, type MethodId, methodById } from './table'

/** What a joint does to the body it is made at: it heats it, heat would spoil it, or neither. */
export type HeatAt = 'heats' | 'spoilt' | null

/**
 * How a joint and heat get on. Spoilt by it: what its method says, plastic at either end, and threads that are taped or
 * pasted.
 */
export function heatAt({ method, tip, body }: Pair): HeatAt {
  return heatOf(method, tip.material, body.material)
}

/** The same of a joint of a way, as far as it was kept. */
export function jointHeat(joint: { readonly method: MethodId; readonly tubeMaterial: string }): HeatAt {
  return heatOf(methodById(joint.method), joint.tubeMaterial)
}

function heatOf(method: Method, ...materials: readonly string[]): HeatAt {
  if (method.needsFlame) return 'heats'
  const spoilt =
    method.seal === 'thread-seal' ||
    method.steps.some((act) => act.heatSensitive) ||
    materials.some((material) => !isMetal(material as PipeMaterial))
  return spoilt ? 'spoilt' : null
}

/** What one more joint takes in a heat that is on already: solder fed, seconds. Common practice. */
export const FEED_SECONDS = 30

/** A heat of its own is no shorter than what is fed in another's. */
const fed = (seconds: number) => Math.min(FEED_SECONDS, seconds)

/** What closing a joint takes where the fitting is hot already, seconds. */
export function inSameHeat({ seconds }: Pick<StepTemplate, 'seconds'>): number {
  return fed(seconds)
}

/** What is spared of a joint's acts where the fitting is hot already, seconds; nothing where no flame closes it. */
export function sparedByHeat(acts: readonly StepTemplate[]): number {
  return acts.reduce(
    (sum, act) => sum + (act.kind === 'close' && act.flame ? act.seconds - fed(act.seconds) : 0),
    0,
  )
}

/** Families that are heated end by end: long, or with halves that part, or with a body that must stay cool. */
const END_BY_END = /^tube-piece$|union$|stop$|valve$|bib$/

/** A fitting that is hot all through when one of its ends is; a tube, a valve and a union's halves are heated apart. */
export function hotThrough({
  family,
  heatSensitive,
}: {
  readonly family: PartOfWay['family']
  readonly heatSensitive: boolean
}): boolean {
  return !END_BY_END.test(family) && !heatSensitive
}

/**
 * Until a body that was soldered takes a seal, tape or plastic at another of its ports, s. One school waits ten minutes,
 * others until it can be held in the bare hand.
 */
export const COOL_BESIDE_SECONDS = 600

/** Why it is waited, where both come to one body. */
export const COOLS: Reason = {
  ruleId: 'body.cools',
  severity: 'note',
  parameters: { minutes: COOL_BESIDE_SECONDS / 60 },
  source: commonPractice,
}
