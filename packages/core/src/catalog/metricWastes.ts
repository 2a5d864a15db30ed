import { RING_GAP_MM } from '../reference/engagement'
import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { branchedPart, METRIC_PATTERNS } from './drainBranches'
import { end, fullDepthMm, type PortEnd, tubeDiameterMm } from './ends'
import { standpipeOf } from './solventFittings'
import { INLET_ABOVE_MM, WASTE_TRAPS } from './trapSizes'
import type { Fitting, PortForm, PortSystem } from './types'
import { ventSet } from './ventTees'

const SHEET: Source = { title: 'Metric waste fittings, typical of the kind', certainty: "maker's sheet" }

const VENT_SHEET: Source = {
  title: 'Tees of waste with a valve of EN 12380 on a riser, typical of the kind',
  certainty: "maker's sheet",
}

type Size = '32' | '40' | '50' | '110'
const SIZES: readonly Size[] = ['32', '40', '50']
/** The larger, the smaller. */
const REDUCED: readonly (readonly [Size, Size])[] = [
  ['40', '32'],
  ['50', '40'],
  ['50', '32'],
]

/** Runs and what comes into them: no branch is larger. */
const BRANCHES: readonly (readonly [run: Size, branch: Size])[] = [
  ['32', '32'],
  ['40', '32'],
  ['40', '40'],
  ['50', '32'],
  ['50', '40'],
  ['50', '50'],
]
const SOIL_BRANCHES: readonly (readonly [run: Size, branch: Size])[] = [
  ['110', '40'],
  ['110', '50'],
  ['110', '110'],
]
/** What lies between the two pipes of the run in a piece with an opening for a rod, in diameters of its pipe. */
const ACCESS = 1.6

/** What a range of fittings has at its ends: one for each way that the pipe is made to be joined. */
interface Range {
  readonly key: string
  readonly word: string
  readonly form: PortForm
  readonly system: Extract<PortSystem, 'metric' | 'metric-waste'>
  readonly material: PipeMaterial
  /** What lies between two pipes in a coupling: its stop, and the gap behind each where one is left. */
  readonly betweenMm: number
}

const RANGES = {
  solvent: {
    key: 'solvent',
    word: 'solvent waste',
    form: 'drain-socket',
    system: 'metric-waste',
    material: 'waste-solvent',
    betweenMm: 3,
  },
  push: {
    key: 'push',
    word: 'push-fit waste',
    form: 'ring-socket',
    system: 'metric-waste',
    material: 'waste-push-fit',
    betweenMm: 3 + 2 * RING_GAP_MM,
  },
  // of polypropylene that measures as much outside as it is called
  polypropylene: {
    key: 'pp',
    word: 'polypropylene waste',
    form: 'ring-socket',
    system: 'metric',
    material: 'waste-push-fit',
    betweenMm: 3 + 2 * RING_GAP_MM,
  },
  // takes all three of a name
  compression: {
    key: 'comp',
    word: 'compression waste',
    form: 'waste-compression',
    system: 'metric-waste',
    material: 'waste-push-fit',
    betweenMm: 4,
  },
} as const satisfies Readonly<Record<string, Range>>
const ALL: readonly Range[] = Object.values(RANGES)
/** Those that a soil pipe is made in. */
const SOIL: readonly Range[] = [RANGES.solvent, RANGES.polypropylene]
/** Those that pipe of their own is made for. */
const PIPED: readonly Range[] = [RANGES.solvent, RANGES.push, RANGES.polypropylene]

const mouth = ({ form, system, material }: Range, size: Size): PortEnd => end(form, system, size, material)

/** The middle of a swept bend lies so many pipe diameters from its pipes at a square turn; less at an eighth, by its tangent. */
const SWEEP = 1.25
const EIGHTH = Math.tan(Math.PI / 8)

function ofSize(range: Range, size: Size): Fitting[] {
  const { key, word, material, betweenMm } = range
  const a = mouth(range, size)
  const common = { material, heatSensitive: true, source: SHEET, a, b: a }
  const sweepMm = 2 * SWEEP * (tubeDiameterMm(range.system, size, material) ?? 0)
  return [
    inline({
      ...common,
      id: `coupling.waste.${key}.${size}`,
      family: 'coupling',
      name: `${word} coupling, ${size} mm`,
      layingMm: betweenMm,
    }),
    inline({
      ...common,
      id: `bend.sweep.waste.${key}.${size}`,
      family: 'elbow-90',
      name: `${word} swept bend, ${size} mm`,
      layingMm: sweepMm + betweenMm,
      turn: 90,
    }),
    inline({
      ...common,
      id: `bend.eighth.waste.${key}.${size}`,
      family: 'elbow-45',
      name: `${word} 45° bend, ${size} mm`,
      layingMm: EIGHTH * sweepMm + betweenMm,
      turn: 135,
    }),
    inline({
      ...common,
      id: `coupling.repair.waste.${key}.${size}`,
      family: 'repair-coupling',
      name: `${word} repair coupling, ${size} mm, no stop`,
      layingMm: 0,
    }),
    inline({
      ...common,
      id: `cleanout.waste.${key}.${size}`,
      family: 'cleanout-tee',
      name: `${word} access piece with its cap, ${size} mm`,
      layingMm: ACCESS * a.diameterMm + betweenMm,
    }),
  ]
}

/** Swept tees for upright pipe, branches at 45 degrees for what lies. */
function branches(range: Range, sizes: (typeof BRANCHES)[number]): Fitting[] {
  const [run, branch] = sizes
  return METRIC_PATTERNS.map(([pattern, key, word]) =>
    branchedPart(pattern, {
      id: `${key}.waste.${range.key}.${run}x${branch}`,
      name: `${range.word} ${word}, ${run === branch ? run : `${run} × ${branch}`} mm`,
      material: range.material,
      source: SHEET,
      main: mouth(range, run),
      beside: mouth(range, branch),
    }),
  )
}

/** Sloping between its two sizes at half of what they differ by to a side, and a stop. */
function reducer(range: Range, [large, small]: (typeof REDUCED)[number]): Fitting {
  const [a, b] = [mouth(range, large), mouth(range, small)]
  return inline({
    id: `reducer.waste.${range.key}.${large}x${small}`,
    family: 'reducing-coupling',
    name: `${range.word} reducer, ${large} × ${small} mm`,
    material: range.material,
    heatSensitive: true,
    layingMm: range.betweenMm + (a.diameterMm - b.diameterMm) / 2,
    source: SHEET,
    a,
    b,
  })
}

const trapOutlet = (size: Size): PortEnd => end('trap-outlet', 'metric-waste', size, 'waste-push-fit')

/**
 * A trap whose inlet is a nut with a washer, for the thread of the waste, and whose outlet grips the pipe itself. In its
 * own frame its inlet stands over the origin, as a tubular one does.
 */
function traps(): Fitting[] {
  return WASTE_TRAPS.map(([thread, size, swingMm, reachMm]): Fitting => {
    const outlet = trapOutlet(size)
    return {
      id: `trap.waste.${size}`,
      family: 'compression-trap',
      name: `${size} mm waste trap, ${thread} in parallel nut, compression outlet`,
      material: 'waste-push-fit',
      heatSensitive: true,
      layingMm: swingMm + reachMm - fullDepthMm(outlet),
      source: SHEET,
      ports: [
        {
          ...outlet,
          id: 'a',
          pose: { origin: [-(swingMm + reachMm), 0, 0], axis: [-1, 0, 0], rollDegrees: 0 },
        },
        {
          ...end('swivel-nut', 'BSPP', thread, 'tubular-plastic'),
          id: 'b',
          pose: { origin: [0, INLET_ABOVE_MM, 0], axis: [0, 1, 0], rollDegrees: 0 },
        },
      ],
    }
  })
}

/** Where a trap stays further down: from the waste's thread straight to the pipe. */
function connectors(): Fitting[] {
  return WASTE_TRAPS.map(([thread, size]) =>
    inline({
      id: `waste-connector.${size}`,
      family: 'trap-adapter',
      name: `waste connector, ${thread} in parallel nut × ${size} mm compression`,
      material: 'waste-push-fit',
      heatSensitive: true,
      layingMm: 12,
      a: trapOutlet(size),
      b: end('swivel-nut', 'BSPP', thread, 'tubular-plastic'),
      source: SHEET,
    }),
  )
}

/** Swing, outlet and inlet of the trap under a standpipe, mm: as of its pipe's other traps. */
const STANDPIPE_TRAP = { swingMm: 90, armMm: 80, inletMm: 50 } as const

function standpipeTrap(): Fitting {
  const { swingMm, armMm, inletMm } = STANDPIPE_TRAP
  const own = mouth(RANGES.compression, '40')
  return {
    id: 'p-trap.waste.40',
    family: 'p-trap',
    name: '40 mm standpipe trap, compression at both ends',
    material: 'waste-push-fit',
    heatSensitive: true,
    layingMm: swingMm + armMm + inletMm - 2 * fullDepthMm(own),
    source: SHEET,
    ports: [
      { ...own, id: 'a', pose: { origin: [-(swingMm + armMm), 0, 0], axis: [-1, 0, 0], rollDegrees: 0 } },
      { ...own, id: 'b', pose: { origin: [0, inletMm, 0], axis: [0, 1, 0], rollDegrees: 0 } },
    ],
  }
}

/** Between the pipes of a tee that a vent set is made of, and its bend; the plain end at its side that a trap grips. */
const VENTED = [
  ['32', 46],
  ['40', 54],
] as const

/** What closes the end of metric waste: of every range, over the pipe. */
export function metricCaps(): Fitting[] {
  const cap = (range: Range, size: Size) =>
    inline({
      id: `cap.waste.${range.key}.${size}`,
      family: 'cap',
      name: `${range.word} cap, ${size} mm`,
      material: range.material,
      heatSensitive: true,
      layingMm: range.betweenMm,
      a: mouth(range, size),
      source: SHEET,
    })
  return [
    ...ALL.flatMap((range) => SIZES.map((size) => cap(range, size))),
    ...SOIL.map((range) => cap(range, '110')),
  ]
}

/** Metric waste: what joins pipe of each kind, and the traps under wastes with parallel threads. */
export function metricWastes(): Fitting[] {
  return [
    ...ALL.flatMap((range) => SIZES.flatMap((size) => ofSize(range, size))),
    ...SOIL.flatMap((range) => ofSize(range, '110')),
    ...ALL.flatMap((range) => BRANCHES.flatMap((sizes) => branches(range, sizes))),
    ...SOIL.flatMap((range) => SOIL_BRANCHES.flatMap((sizes) => branches(range, sizes))),
    ...ALL.flatMap((range) => REDUCED.map((sizes) => reducer(range, sizes))),
    ...traps(),
    ...connectors(),
    standpipeTrap(),
    ...PIPED.map(({ key, word, system, material }) =>
      standpipeOf(
        `standpipe.waste.${key}.40`,
        `${word} pipe, 40 mm, cut as the standpipe`,
        end('tube', system, '40', material),
      ),
    ),
    ...(['wall', 'floor'] as const).flatMap((where) =>
      VENTED.map(([size, betweenMm]) => {
        const bend = ofSize(RANGES.compression, size)[1] as Fitting
        return ventSet(where, {
          key: `waste.${size}`,
          name: (what) =>
            `waste vent set${what}, ${size} mm compression: tee, riser, air admittance valve, plain end at its side`,
          a: mouth(RANGES.compression, size),
          b: end('tube', 'metric-waste', size, 'tubular-plastic'),
          material: 'waste-push-fit',
          betweenMm,
          sweepMm: bend.layingMm / 2,
          source: VENT_SHEET,
        })
      }),
    ),
  ]
}
