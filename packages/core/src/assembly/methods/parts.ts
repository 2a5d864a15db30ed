import type { PortMaterial } from '../../catalog/types'
import type { StepTemplate } from '../acts/types'

/** Crosslinked polyethylene of every type takes rings, clamps and grips; only type A is expanded. */
export const PEX: readonly PortMaterial[] = ['pex-a', 'pex-b', 'pex-c']

/** Soft tube: a blade leaves nothing to ream. */
export const CUT_SOFT = { words: 'pex.cut', parameters: {}, seconds: 20 } as const

/** Square cut, ream, dress: how every tube joint begins. */
export const cutAndDress = (tool: string): readonly StepTemplate[] => [
  {
    key: 'dress',
    kind: 'prepare',
    words: 'joint.dress',
    parameters: { tool },
    seconds: 45,
  },
]
