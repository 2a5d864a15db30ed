import type { PortMaterial } from '../../catalog/types'
import type { StepTemplate } from '../acts/types'
import type { MethodRow } from './types'

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

/** Taper threads, turned home over tape or paste: the same whatever runs through them. */
export const THREADED = {
  id: 'threaded',
  name: 'threaded',
  pairings: [{ tip: 'taper-male', body: 'taper-female' }],
  needsFlame: false,
  needsDry: false,
  concealable: 'yes',
  setUpSeconds: 150,
  tools: ['pipe-wrenches'],
  consumables: [
    { id: 'ptfe-tape', quantity: 1 },
    { id: 'thread-paste', quantity: 1 },
  ],
  riskPerMille: 7,
  stubExtraMm: { fixed: 2, perOd: 0 },
  seal: 'thread-seal',
  reversible: 'with-wrenches',
  lifeYears: 50,
  toolRoomMm: 120,
  buried: 'wrapped',
  source: { title: 'ASME B1.20.1 wrench make-up', certainty: 'recalled' },
  steps: [
    { key: 'brush', kind: 'prepare', words: 'thread.brush', seconds: 45 },
    {
      key: 'seal',
      kind: 'prepare',
      words: 'thread.seal',
      seconds: 40,
      after: ['brush'],
      // tape and paste on a body burn while another end of it is soldered
      heatSensitive: true,
    },
    { key: 'close', kind: 'close', words: 'thread.turn', seconds: 90, after: ['seal'] },
  ],
} as const satisfies MethodRow
