import type { PortForm, PortMaterial } from '../catalog/types'
import { commonPractice, type Source } from '../reference/source'
import type { StepTemplate } from '../sequence/types'
import type { MethodId, ToolId } from './types'

/** A pair of ends that a method joins: the end that keeps its shape, and the end that takes it. */
export interface Pairing {
  readonly tip: PortForm
  readonly body: PortForm
  /** Materials of the tip; undefined means any. */
  readonly materials?: readonly PortMaterial[]
}

/** Everything the product knows of one way to make a joint. A new method is a new row, no new code. */
export interface Method {
  readonly id: MethodId
  readonly name: string
  readonly pairings: readonly Pairing[]
  readonly needsFlame: boolean
  readonly needsDry: boolean
  /** May it be closed into a wall: always, never, or as the house rule says. */
  readonly concealable: 'yes' | 'no' | 'house-rule'
  readonly setUpSeconds: number
  readonly jointSeconds: number
  /** Before water or load may come on it, s. */
  readonly waitSeconds: number
  readonly tools: readonly ToolId[]
  readonly consumables: readonly { readonly id: string; readonly quantity: number }[]
  /** Chance of a call-back for one joint, per mille. */
  readonly riskPerMille: number
  /** Bare straight stub beyond the insertion that nut, ring, clamp or cleaning takes, mm: fixed + share of OD. */
  readonly stubExtraMm: { readonly fixed: number; readonly perOd: number }
  readonly seal: string
  readonly reversible: string
  readonly steps: readonly StepTemplate[]
  readonly source: Source
}

/** Crosslinked polyethylene of every type takes rings, clamps and grips; only type A is expanded. */
const PEX: readonly PortMaterial[] = ['pex-a', 'pex-b', 'pex-c']

const cutAndDress = (tool: string): readonly StepTemplate[] => [
  {
    key: 'dress',
    kind: 'prepare',
    words: 'joint.dress',
    parameters: { tool },
    seconds: 45,
  },
]

export const METHODS: readonly Method[] = [
  {
    id: 'sweat',
    name: 'sweat',
    pairings: [{ tip: 'tube', body: 'solder-cup', materials: ['copper'] }],
    needsFlame: true,
    needsDry: true,
    concealable: 'yes',
    setUpSeconds: 420,
    jointSeconds: 300,
    waitSeconds: 240,
    tools: ['torch', 'tube-cutter', 'deburrer'],
    consumables: [
      { id: 'lead-free-solder', quantity: 1 },
      { id: 'flux', quantity: 1 },
      { id: 'abrasive-pad', quantity: 1 },
    ],
    riskPerMille: 6,
    stubExtraMm: { fixed: 4, perOd: 0 },
    seal: 'lead-free-solder',
    reversible: 'with-flame',
    source: { title: 'ASTM B828 making capillary joints', certainty: 'recalled' },
    steps: [
      ...cutAndDress('tube-cutter'),
      { key: 'shield', kind: 'prepare', words: 'sweat.shield', seconds: 90, needsPlace: true },
      {
        key: 'empty',
        kind: 'prepare',
        words: 'sweat.empty',
        seconds: 90,
        needsPlace: true,
        afterRemoval: true,
      },
      { key: 'clean', kind: 'prepare', words: 'sweat.clean', seconds: 60, after: ['dress'] },
      { key: 'flux', kind: 'prepare', words: 'sweat.flux', seconds: 30, after: ['clean'] },
      {
        key: 'close',
        kind: 'close',
        words: 'sweat.heat',
        seconds: 90,
        after: ['flux', 'shield', 'empty'],
        flame: true,
      },
      { key: 'cool', kind: 'wait', words: 'sweat.cool', seconds: 240, after: ['close'], passive: true },
      { key: 'wipe', kind: 'finish', words: 'sweat.wipe', seconds: 20, after: ['cool'] },
    ],
  },
  {
    id: 'compression',
    name: 'compression',
    pairings: [{ tip: 'tube', body: 'compression', materials: ['copper', 'cpvc', ...PEX, 'polybutylene'] }],
    needsFlame: false,
    needsDry: false,
    concealable: 'no',
    setUpSeconds: 60,
    jointSeconds: 150,
    waitSeconds: 0,
    tools: ['two-wrenches', 'tube-cutter', 'deburrer'],
    consumables: [],
    riskPerMille: 9,
    // nut and ring behind the body's mouth: typical 8 mm and a quarter of the tube
    stubExtraMm: { fixed: 8, perOd: 0.25 },
    seal: 'ring-bites-tube',
    reversible: 'with-wrenches',
    source: commonPractice,
    steps: [
      ...cutAndDress('tube-cutter'),
      {
        key: 'insert',
        kind: 'prepare',
        words: 'compression.insert',
        seconds: 20,
        after: ['dress'],
        onlySoft: true,
      },
      {
        key: 'nut',
        kind: 'captive',
        words: 'compression.nut',
        seconds: 10,
        after: ['dress'],
        captive: 'nut',
      },
      {
        key: 'ring',
        kind: 'captive',
        words: 'compression.ring',
        seconds: 10,
        after: ['nut'],
        captive: 'ring',
      },
      { key: 'close', kind: 'close', words: 'compression.tighten', seconds: 75, after: ['ring', 'insert'] },
    ],
  },
  {
    id: 'push-fit',
    name: 'push-fit',
    pairings: [{ tip: 'tube', body: 'push-fit', materials: ['copper', 'cpvc', ...PEX, 'polybutylene'] }],
    needsFlame: false,
    needsDry: false,
    concealable: 'house-rule',
    setUpSeconds: 30,
    jointSeconds: 75,
    waitSeconds: 0,
    tools: ['tube-cutter', 'deburrer'],
    consumables: [],
    riskPerMille: 10,
    stubExtraMm: { fixed: 6, perOd: 0 },
    seal: 'rubber-ring',
    reversible: 'with-release-tool',
    source: { title: 'Push-fit fitting instructions, typical', certainty: "maker's sheet" },
    steps: [
      ...cutAndDress('tube-cutter'),
      { key: 'inspect', kind: 'prepare', words: 'push.inspect', seconds: 20, after: ['dress'] },
      { key: 'mark', kind: 'prepare', words: 'push.mark', seconds: 15, after: ['inspect'] },
      { key: 'close', kind: 'close', words: 'push.push', seconds: 15, after: ['mark'], heatSensitive: true },
    ],
  },
  {
    id: 'threaded',
    name: 'threaded',
    pairings: [{ tip: 'taper-male', body: 'taper-female' }],
    needsFlame: false,
    needsDry: false,
    concealable: 'yes',
    setUpSeconds: 60,
    jointSeconds: 180,
    waitSeconds: 0,
    tools: ['pipe-wrenches'],
    consumables: [
      { id: 'ptfe-tape', quantity: 1 },
      { id: 'thread-paste', quantity: 1 },
    ],
    riskPerMille: 7,
    stubExtraMm: { fixed: 2, perOd: 0 },
    seal: 'thread-seal',
    reversible: 'with-wrenches',
    source: { title: 'ASME B1.20.1 wrench make-up', certainty: 'recalled' },
    steps: [
      { key: 'brush', kind: 'prepare', words: 'thread.brush', seconds: 45 },
      { key: 'seal', kind: 'prepare', words: 'thread.seal', seconds: 40, after: ['brush'] },
      { key: 'close', kind: 'close', words: 'thread.turn', seconds: 90, after: ['seal'] },
    ],
  },
  {
    id: 'crimp',
    name: 'crimp',
    pairings: [
      { tip: 'tube', body: 'insert-barb', materials: PEX },
      { tip: 'tube', body: 'pb-barb', materials: ['polybutylene'] },
    ],
    needsFlame: false,
    needsDry: false,
    concealable: 'yes',
    setUpSeconds: 60,
    jointSeconds: 75,
    waitSeconds: 0,
    tools: ['crimp-tool', 'plastic-cutter'],
    consumables: [{ id: 'crimp-ring', quantity: 1 }],
    riskPerMille: 4,
    stubExtraMm: { fixed: 8, perOd: 0 },
    seal: 'ring-on-barb',
    reversible: 'cut-off',
    source: { title: 'ASTM F1807 insert fittings, F2098 clamps', certainty: 'recalled' },
    steps: [
      { key: 'cut', kind: 'prepare', words: 'pex.cut', seconds: 20 },
      { key: 'ring', kind: 'captive', words: 'pex.ring', seconds: 10, after: ['cut'], captive: 'crimp ring' },
      {
        key: 'close',
        kind: 'close',
        words: 'crimp.press',
        seconds: 30,
        after: ['ring'],
        heatSensitive: true,
      },
      { key: 'gauge', kind: 'finish', words: 'crimp.gauge', seconds: 15, after: ['close'] },
    ],
  },
  {
    id: 'cinch',
    name: 'cinch clamp',
    pairings: [{ tip: 'tube', body: 'insert-barb', materials: PEX }],
    needsFlame: false,
    needsDry: false,
    concealable: 'yes',
    setUpSeconds: 45,
    jointSeconds: 70,
    waitSeconds: 0,
    tools: ['cinch-tool', 'plastic-cutter'],
    consumables: [{ id: 'cinch-clamp', quantity: 1 }],
    riskPerMille: 5,
    stubExtraMm: { fixed: 8, perOd: 0 },
    seal: 'ring-on-barb',
    reversible: 'cut-off',
    source: { title: 'ASTM F2098 stainless clamps', certainty: 'recalled' },
    steps: [
      { key: 'cut', kind: 'prepare', words: 'pex.cut', seconds: 20 },
      {
        key: 'ring',
        kind: 'captive',
        words: 'pex.clamp',
        seconds: 10,
        after: ['cut'],
        captive: 'cinch clamp',
      },
      {
        key: 'close',
        kind: 'close',
        words: 'cinch.press',
        seconds: 30,
        after: ['ring'],
        heatSensitive: true,
      },
    ],
  },
  {
    id: 'expansion',
    name: 'expansion',
    pairings: [{ tip: 'tube', body: 'expansion-barb', materials: ['pex-a'] }],
    needsFlame: false,
    needsDry: false,
    concealable: 'yes',
    setUpSeconds: 90,
    jointSeconds: 90,
    waitSeconds: 900,
    tools: ['expander', 'plastic-cutter'],
    consumables: [{ id: 'expansion-ring', quantity: 1 }],
    riskPerMille: 3,
    stubExtraMm: { fixed: 8, perOd: 0 },
    seal: 'tube-shrinks-on-barb',
    reversible: 'cut-off',
    source: { title: 'ASTM F1960 cold expansion fittings', certainty: 'recalled' },
    steps: [
      { key: 'cut', kind: 'prepare', words: 'pex.cut', seconds: 20 },
      {
        key: 'ring',
        kind: 'captive',
        words: 'expansion.ring',
        seconds: 10,
        after: ['cut'],
        captive: 'expansion ring',
      },
      {
        key: 'close',
        kind: 'close',
        words: 'expansion.expand',
        seconds: 60,
        after: ['ring'],
        heatSensitive: true,
      },
      { key: 'grip', kind: 'wait', words: 'expansion.grip', seconds: 900, after: ['close'], passive: true },
    ],
  },
  {
    id: 'cement',
    name: 'solvent cement',
    pairings: [{ tip: 'tube', body: 'cement-socket', materials: ['cpvc'] }],
    needsFlame: false,
    needsDry: true,
    concealable: 'yes',
    setUpSeconds: 60,
    jointSeconds: 120,
    waitSeconds: 1800,
    tools: ['plastic-cutter', 'deburrer'],
    consumables: [{ id: 'cpvc-cement', quantity: 1 }],
    riskPerMille: 8,
    stubExtraMm: { fixed: 4, perOd: 0 },
    seal: 'cpvc-cement',
    reversible: 'cut-off',
    source: { title: 'ASTM D2846, cement of ASTM F493', certainty: 'recalled' },
    steps: [
      ...cutAndDress('plastic-cutter'),
      { key: 'fit', kind: 'prepare', words: 'cement.fit', seconds: 25, after: ['dress'] },
      { key: 'close', kind: 'close', words: 'cement.join', seconds: 60, after: ['fit'], heatSensitive: true },
      { key: 'cure', kind: 'wait', words: 'cement.cure', seconds: 1800, after: ['close'], passive: true },
    ],
  },
  {
    id: 'swivel',
    name: 'swivel nut',
    pairings: [
      { tip: 'compression-outlet', body: 'swivel-nut' },
      { tip: 'parallel-male', body: 'swivel-nut' },
    ],
    needsFlame: false,
    needsDry: false,
    concealable: 'no',
    setUpSeconds: 0,
    jointSeconds: 60,
    waitSeconds: 0,
    tools: ['two-wrenches'],
    consumables: [],
    riskPerMille: 4,
    stubExtraMm: { fixed: 0, perOd: 0 },
    seal: 'rubber-washer',
    reversible: 'with-wrenches',
    source: { title: 'Supply connector instructions, typical', certainty: "maker's sheet" },
    steps: [
      { key: 'look', kind: 'prepare', words: 'swivel.look', seconds: 15 },
      {
        key: 'close',
        kind: 'close',
        words: 'swivel.snug',
        seconds: 45,
        after: ['look'],
        heatSensitive: true,
      },
    ],
  },
]

const BY_ID = new Map(METHODS.map((method) => [method.id, method]))

/** The method of that id. @throws RangeError for an id that is no method */
export function methodById(id: MethodId): Method {
  const method = BY_ID.get(id)
  if (!method) throw new RangeError(`no joint method ${id}`)
  return method
}
