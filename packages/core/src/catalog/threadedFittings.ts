import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end, maleLengthMm } from './ends'
import { materialWord, type Size } from './names'
import {
  A733,
  B16_14,
  BUSHING_MM,
  CLOSE_NIPPLE_MM,
  MALLEABLE_55,
  MALLEABLE_150,
  type ThreadedBodies,
} from './threadedBodies'
import type { Fitting } from './types'

const IN = 25.4
type Pair = readonly [Size, Size]

interface Threaded {
  readonly material: PipeMaterial
  readonly system: 'NPT' | 'BSP'
  /** As ids say the material. */
  readonly tag: string
  /** Whose lengths they have; without one they are typical of the kind. */
  readonly bodies?: ThreadedBodies
  readonly couplings: readonly Size[]
  readonly reducers: readonly Pair[]
  /** Male × female. */
  readonly bushings: readonly Pair[]
  readonly nipples: readonly Size[]
  /** Lengths of nipples, inches; `close` is thread all over. */
  readonly nippleLengths: readonly ('close' | number)[]
  readonly elbows: readonly Size[]
  readonly eighths: readonly Size[]
  readonly streets: readonly Size[]
  readonly tees: readonly Size[]
  readonly caps: readonly Size[]
  readonly plugs: readonly Size[]
  readonly unions: readonly Size[]
  readonly isolating: readonly Size[]
}

const THREADED: readonly Threaded[] = [
  {
    material: 'brass',
    system: 'NPT',
    tag: 'brass.npt',
    couplings: ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    reducers: [
      ['1/4', '1/8'],
      ['3/8', '1/4'],
      ['1/2', '1/4'],
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '1/2'],
      ['1', '3/4'],
      ['1-1/4', '1'],
      ['1-1/2', '1-1/4'],
      ['2', '1-1/2'],
    ],
    bushings: [
      ['1/4', '1/8'],
      ['3/8', '1/8'],
      ['3/8', '1/4'],
      ['1/2', '1/4'],
      ['1/2', '3/8'],
      ['3/4', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1', '1/2'],
      ['1-1/4', '1'],
      ['1-1/2', '1-1/4'],
      ['2', '1-1/2'],
    ],
    nipples: ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    nippleLengths: ['close', 2, 2.5, 3, 4, 5, 6],
    elbows: ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    eighths: ['1/4', '3/8', '1/2', '3/4', '1'],
    streets: ['1/8', '1/4', '3/8', '1/2', '3/4', '1'],
    tees: ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    caps: ['1/8', '1/4', '3/8', '1/2', '3/4', '1'],
    plugs: ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    unions: ['1/4', '3/8', '1/2', '3/4', '1'],
    isolating: ['1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
  },
  {
    material: 'galvanised-steel',
    system: 'NPT',
    tag: 'galv.npt',
    bodies: MALLEABLE_150,
    couplings: ['1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    reducers: [
      ['3/8', '1/4'],
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '1/2'],
      ['1', '3/4'],
      ['1-1/4', '3/4'],
      ['1-1/4', '1'],
      ['1-1/2', '1-1/4'],
      ['2', '1-1/2'],
    ],
    bushings: [
      ['3/8', '1/4'],
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1', '1/2'],
      ['1-1/4', '1'],
      ['1-1/2', '1-1/4'],
      ['2', '1-1/2'],
    ],
    nipples: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    nippleLengths: ['close', 2, 3, 4, 5, 6, 8, 10, 12],
    elbows: ['1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    eighths: ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    streets: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    tees: ['1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    caps: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    plugs: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    unions: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    isolating: [],
  },
  {
    material: 'brass',
    system: 'BSP',
    tag: 'brass.bsp',
    couplings: ['1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    reducers: [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1-1/4', '1'],
    ],
    bushings: [
      ['3/8', '1/4'],
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1', '1/2'],
      ['1-1/4', '1'],
      ['2', '1-1/2'],
    ],
    nipples: ['1/4', '3/8', '1/2', '3/4', '1'],
    nippleLengths: ['close', 2, 3, 4],
    elbows: ['3/8', '1/2', '3/4', '1'],
    eighths: [],
    streets: ['1/2', '3/4', '1'],
    tees: ['3/8', '1/2', '3/4', '1'],
    caps: ['3/8', '1/2', '3/4', '1'],
    plugs: ['3/8', '1/2', '3/4', '1'],
    unions: ['1/2', '3/4', '1'],
    isolating: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
  },
  {
    material: 'galvanised-steel',
    system: 'BSP',
    tag: 'galv.bsp',
    bodies: MALLEABLE_55,
    couplings: ['3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    reducers: [
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1-1/4', '1'],
    ],
    bushings: [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1-1/4', '1'],
    ],
    nipples: ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    nippleLengths: ['close', 2, 3, 4, 6],
    elbows: ['3/8', '1/2', '3/4', '1', '1-1/4'],
    eighths: ['1/2', '3/4', '1'],
    streets: ['1/2', '3/4', '1'],
    tees: ['3/8', '1/2', '3/4', '1', '1-1/4'],
    caps: ['1/2', '3/4', '1'],
    plugs: ['1/2', '3/4', '1'],
    unions: ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    isolating: [],
  },
  {
    material: 'pvc',
    system: 'NPT',
    tag: 'pvc.npt',
    couplings: ['1/2', '3/4', '1'],
    reducers: [],
    bushings: [
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
    nipples: ['1/2', '3/4', '1'],
    nippleLengths: ['close', 2, 3, 4, 6],
    elbows: ['1/2', '3/4', '1'],
    eighths: [],
    streets: [],
    tees: ['1/2', '3/4', '1'],
    caps: ['1/2', '3/4', '1'],
    plugs: ['1/2', '3/4', '1'],
    unions: [],
    isolating: ['1/2', '3/4', '1'],
  },
]

/** A part of that length, tip to mouth. */
const overallMm = (mm: number | undefined) => (mm === undefined ? { layingMm: 0 } : { toEndMm: [mm / 2] })

function fittings(row: Threaded): Fitting[] {
  const { material, system, tag, bodies } = row
  const word = materialWord(material)
  const female = (size: Size) => end('taper-female', system, size, material)
  const male = (size: Size) => end('taper-male', system, size, material)
  // what no standard is kept for: cast bodies are about so long
  const squareMm = (size: Size) => 2 * (0.55 * female(size).diameterMm + 2)
  /** The standard's length of that size, or the typical laying length. */
  const as = (
    kind: Exclude<keyof ThreadedBodies, 'source'>,
    size: Size,
    layingMm: number,
    ends: (mm: number) => readonly number[] = (mm) => [mm],
  ) => {
    const mm = bodies?.[kind][size]
    return bodies && mm !== undefined ? { toEndMm: ends(mm), source: bodies.source } : { layingMm }
  }
  const halves = (mm: number) => [mm / 2]
  return [
    ...row.couplings.map((size) =>
      inline({
        id: `coupling.fxf.${tag}.${size}`,
        family: 'threaded-coupling',
        name: `${word} threaded coupling, ${size} in ${system}`,
        material,
        ...as('coupling', size, 6, halves),
        a: female(size),
        b: female(size),
      }),
    ),
    ...row.reducers.map(([large, small]) =>
      inline({
        id: `reducer.fxf.${tag}.${large}x${small}`,
        family: 'reducing-coupling',
        name: `${word} bell reducer, ${large} × ${small} in ${system}`,
        material,
        ...as('reducer', large, 12, halves),
        a: female(large),
        b: female(small),
      }),
    ),
    ...row.bushings.map(([large, small]) =>
      inline({
        id: `bushing.mxf.${tag}.${large}x${small}`,
        family: 'bushing',
        name: `${word} hex bushing, ${large} male × ${small} female ${system}`,
        material,
        // its own thread holds the smaller one: from tip to mouth it is no longer than thread and hexagon
        ...overallMm(BUSHING_MM[large]),
        ...(bodies === MALLEABLE_150 ? { source: B16_14 } : {}),
        a: male(large),
        b: female(small),
      }),
    ),
    ...row.nipples.flatMap((size) =>
      row.nippleLengths.flatMap((length) => {
        const mm = length === 'close' ? CLOSE_NIPPLE_MM[size] : length * IN
        // a nipple shorter than its two threads is not made
        if (mm === undefined || (length !== 'close' && mm < 2 * maleLengthMm(male(size)))) return []
        return inline({
          id: `nipple.mxm.${tag}.${size}x${length}`,
          family: 'nipple',
          name:
            length === 'close'
              ? `${word} close nipple, ${size} in ${system}`
              : `${word} nipple, ${size} × ${length} in ${system}`,
          material,
          toEndMm: [mm / 2],
          // the standard is of steel; other nipples are made to the same lengths
          ...(bodies === MALLEABLE_150 ? { source: A733 } : {}),
          a: male(size),
          b: male(size),
        })
      }),
    ),
    ...row.elbows.map((size) =>
      inline({
        id: `elbow.90.fxf.${tag}.${size}`,
        family: 'elbow-90',
        name: `${word} threaded elbow 90°, ${size} in ${system}`,
        material,
        ...as('square', size, squareMm(size)),
        turn: 90,
        a: female(size),
        b: female(size),
      }),
    ),
    ...row.eighths.map((size) =>
      inline({
        id: `elbow.45.fxf.${tag}.${size}`,
        family: 'elbow-45',
        name: `${word} threaded elbow 45°, ${size} in ${system}`,
        material,
        ...as('eighth', size, squareMm(size) / 2),
        turn: 135,
        a: female(size),
        b: female(size),
      }),
    ),
    ...row.streets.map((size) =>
      inline({
        id: `elbow.street.90.mxf.${tag}.${size}`,
        family: 'street-elbow-90',
        name: `${word} street elbow 90°, ${size} in ${system}`,
        material,
        ...as('street', size, squareMm(size), (mm) => [mm, bodies?.square[size] ?? mm]),
        turn: 90,
        a: male(size),
        b: female(size),
      }),
    ),
    ...row.tees.map((size) =>
      inline({
        id: `tee.fxfxf.${tag}.${size}`,
        family: 'tee',
        name: `${word} threaded tee, ${size} in ${system}`,
        material,
        ...as('square', size, squareMm(size)),
        a: female(size),
        b: female(size),
        branches: [female(size)],
      }),
    ),
    ...row.caps.map((size) =>
      inline({
        id: `cap.f.${tag}.${size}`,
        family: 'cap',
        name: `${word} threaded cap, ${size} in ${system}`,
        material,
        layingMm: 4,
        a: female(size),
      }),
    ),
    ...row.plugs.map((size) =>
      inline({
        id: `plug.m.${tag}.${size}`,
        family: 'plug',
        name: `${word} plug, ${size} in ${system}`,
        material,
        layingMm: 8,
        a: male(size),
      }),
    ),
    ...row.unions.map((size) =>
      inline({
        id: `union.fxf.${tag}.${size}`,
        family: 'union',
        name: `${word} ground-joint union, ${size} in ${system}`,
        material,
        ...as('union', size, 20, halves),
        a: female(size),
        b: female(size),
      }),
    ),
    ...row.isolating.map((size) =>
      inline({
        id: `valve.isolating.fxf.${tag}.${size}`,
        family: 'isolating-valve',
        name: `full-bore isolating valve, ${size} in female ${system}`,
        material,
        heatSensitive: true,
        layingMm: 24,
        a: female(size),
        b: female(size),
      }),
    ),
  ]
}

/** Fittings for taper threads, by material: families × the sizes really made. */
export function threadedFittings(): Fitting[] {
  return THREADED.flatMap(fittings)
}
