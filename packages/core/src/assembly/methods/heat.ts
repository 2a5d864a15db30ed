import { isMetal } from '../../reference/materials'
import { commonPractice } from '../../reference/source'
import type { PipeMaterial } from '../../reference/types'
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
