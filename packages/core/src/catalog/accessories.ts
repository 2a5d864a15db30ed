import { PIPES } from '../reference/pipes'
import { F876 } from '../reference/plasticTube'
import { commonPractice, type Source } from '../reference/source'
import type { DimensionalSystem, NominalSize } from '../reference/types'
import { TYPICAL } from './build'
import type { PortEnd } from './ends'
import type { PortMaterial } from './types'

export const ACCESSORY_KINDS = [
  'plate-whole',
  'plate-split',
  'compression-nut',
  'compression-ring',
  'stiffener',
  'crimp-ring',
  'cinch-clamp',
  'expansion-ring',
  'press-sleeve',
  'flare-nut',
  'washing-box',
] as const
export type AccessoryKind = (typeof ACCESSORY_KINDS)[number]

/** A thing of a size that goes with a joint or a wall and is itself no seam. Millimetres. */
export interface Accessory {
  readonly id: string
  readonly kind: AccessoryKind
  readonly name: string
  readonly system: DimensionalSystem
  readonly nominal: NominalSize
  /** The tube it is for, outside. */
  readonly tubeMm: number
  /** Its own hole, or for a stiffener its outside. */
  readonly boreMm: number
  readonly outsideMm: number
  readonly source: Source
}

type Made = readonly [DimensionalSystem, readonly NominalSize[], PortMaterial, string]

const CTS: Made = ['CTS', ['3/8', '1/2', '3/4', '1'], 'copper', 'in']
const CTS_PEX: Made = ['CTS', ['3/8', '1/2', '3/4', '1'], 'pex-b', 'in']
const IPS: Made = ['IPS', ['3/8', '1/2', '3/4', '1'], 'galvanised-steel', 'in iron pipe']
const METRIC: Made = ['metric', ['10', '12', '15', '18', '22', '28'], 'copper', 'mm']
const METRIC_PEX: Made = ['metric', ['15', '22'], 'pex-b', 'mm']

/** What each kind is made for, and how much wider than the tube its hole and its rim are, mm. */
const KINDS: readonly {
  readonly kind: AccessoryKind
  readonly name: string
  readonly sizes: readonly Made[]
  readonly bore: (tubeMm: number, boreMm: number) => number
  readonly outside: (tubeMm: number, boreMm: number) => number
  readonly source: Source
}[] = [
  {
    kind: 'plate-whole',
    name: 'wall plate, whole',
    sizes: [CTS, IPS, METRIC],
    bore: (tube) => tube + 0.8,
    outside: (tube) => Math.max(57, tube + 35),
    source: TYPICAL,
  },
  {
    kind: 'plate-split',
    name: 'wall plate, split',
    sizes: [CTS, IPS, METRIC],
    bore: (tube) => tube + 1.2,
    outside: (tube) => Math.max(60, tube + 38),
    source: TYPICAL,
  },
  {
    kind: 'compression-nut',
    name: 'compression nut',
    sizes: [CTS, METRIC],
    bore: (tube) => tube + 0.3,
    outside: (tube) => tube * 1.3 + 6,
    source: TYPICAL,
  },
  {
    kind: 'compression-ring',
    name: 'compression ring',
    sizes: [CTS, METRIC],
    bore: (tube) => tube + 0.1,
    outside: (tube) => tube + 2.4,
    source: TYPICAL,
  },
  {
    // into the bore that the thickest wall leaves
    kind: 'stiffener',
    name: 'stiffener for soft tube',
    sizes: [CTS_PEX, METRIC_PEX],
    bore: (_, boreMm) => boreMm - 2,
    outside: (_, boreMm) => boreMm - 0.2,
    source: F876,
  },
  {
    kind: 'crimp-ring',
    name: 'copper crimp ring',
    sizes: [CTS_PEX],
    bore: (tube) => tube + 0.5,
    outside: (tube) => tube + 3.7,
    source: TYPICAL,
  },
  {
    kind: 'cinch-clamp',
    name: 'cinch clamp',
    sizes: [CTS_PEX],
    bore: (tube) => tube + 0.6,
    outside: (tube) => tube + 2.4,
    source: TYPICAL,
  },
  {
    kind: 'expansion-ring',
    name: 'expansion ring',
    sizes: [CTS_PEX],
    bore: (tube) => tube + 0.2,
    outside: (tube) => tube + 5.5,
    source: TYPICAL,
  },
  {
    kind: 'press-sleeve',
    name: 'press sleeve',
    sizes: [CTS_PEX, METRIC_PEX],
    bore: (tube) => tube + 0.4,
    outside: (tube) => tube + 3,
    source: TYPICAL,
  },
  {
    kind: 'flare-nut',
    name: 'flare nut',
    sizes: [['CTS', ['3/8', '1/2', '3/4'], 'copper', 'in']],
    bore: (tube) => tube + 0.2,
    outside: (tube) => tube * 1.25 + 7,
    source: TYPICAL,
  },
  {
    kind: 'washing-box',
    name: 'washing-machine box, two valves and a drain',
    sizes: [['CTS', ['1/2'], 'copper', 'in']],
    bore: (tube) => tube + 3,
    outside: () => 230,
    source: commonPractice,
  },
]

/** Every accessory, in the order of the kinds and sizes. */
export const ACCESSORIES: readonly Accessory[] = KINDS.flatMap(
  ({ kind, name, sizes, bore, outside, source }) =>
    sizes.flatMap(([system, nominals, material, word]) =>
      nominals.flatMap((nominal): Accessory[] => {
        const pipe = PIPES.find(
          (entry) => entry.system === system && entry.nominal === nominal && entry.material === material,
        )
        if (!pipe) return []
        const narrowMm = pipe.odMm - 2 * (pipe.wallMm + pipe.wallToleranceMm)
        return [
          {
            id: `${kind}.${system.toLowerCase()}.${nominal}`,
            kind,
            name: `${name}, ${nominal} ${word}`,
            system,
            nominal,
            tubeMm: pipe.odMm,
            boreMm: bore(pipe.odMm, narrowMm),
            outsideMm: outside(pipe.odMm, narrowMm),
            source,
          },
        ]
      }),
    ),
)

/**
 * Wall plates that go round an end, the closest hole first: a whole one slides on before the stop is joined, a split
 * one goes round at any time.
 */
export function platesFor(end: Pick<PortEnd, 'diameterMm'>): readonly Accessory[] {
  return ACCESSORIES.filter(
    ({ kind, boreMm }) =>
      kind.startsWith('plate') && boreMm - end.diameterMm > 0.5 && boreMm - end.diameterMm <= 1.5,
  ).sort((a, b) => a.boreMm - b.boreMm)
}
