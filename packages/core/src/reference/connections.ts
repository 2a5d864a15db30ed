import type { Source } from './source'
import { B1_1, B1_20_1, BSP, ISO_7, NPT, nptPitchDiameters, whitworthDiameters } from './threads'

const IN = 25.4

/** What seals on the thread or beside it. */
export type Seat = 'none' | 'flat-washer' | 'cone' | 'o-ring'
export type ThreadFamily =
  | 'NPT'
  | 'NPSM'
  | 'BSP taper'
  | 'BSP parallel'
  | 'garden hose'
  | 'compression'
  | 'metric compression'
  | 'flare'
  | 'slip joint'
  | 'fill valve'
  | 'aerator'
  | 'metric hose'
  | 'tub waste'
export type Place =
  | 'pipe-end'
  | 'faucet-tail'
  | 'hose'
  | 'tube-nut'
  | 'drain-nut'
  | 'faucet-tip'
  | 'shower-arm'
  | 'tub-spout'
  | 'union'
  | 'toilet-valve'
  | 'stop-outlet'
  | 'tub-drain'

/** One thread or connection face that is met in houses. Millimetres. */
export interface Connection {
  readonly id: string
  readonly family: ThreadFamily
  readonly nominal: string
  readonly name: string
  readonly gender: 'male' | 'female'
  readonly pitchMm: number
  /** Flank angle: 60 degree inch and metric, 55 degree pipe threads of ISO. */
  readonly form: 60 | 55
  /** One in sixteen on the diameter. */
  readonly taper: boolean
  /** What a caliper may read across the crests, outside of a male, inside of a female: smallest and largest. */
  readonly acrossMm: readonly [number, number]
  readonly seats: readonly Seat[]
  readonly places: Readonly<Partial<Record<Place, number>>>
  /** How often it is met, of 1000, where inch threads and where metric ones are at home. Common practice. */
  readonly share: { readonly inch: number; readonly metric: number }
  readonly source: Source
}

const round = (value: number) => Math.round(value * 1000) / 1000
const PIPE_PLACES = { 'pipe-end': 0.8, 'stop-outlet': 0.03, 'shower-arm': 0.08, 'tub-spout': 0.06 } as const
const PIPE_SIZES: Readonly<Record<string, number>> = {
  '1/8': 6,
  '1/4': 14,
  '3/8': 26,
  '1/2': 150,
  '3/4': 70,
  '1': 24,
  '1-1/4': 12,
  '1-1/2': 12,
  '2': 8,
}

/** NPT by ASME B1.20.1: crest to crest from the small end to the pipe's own diameter; inside at the mouth. */
function taperPipe(): Connection[] {
  return NPT.flatMap(({ nominal, threadsPerInch, majorMm, handTightMm }) => {
    const pitch = IN / threadsPerInch
    const { e0In, e1In } = nptPitchDiameters(majorMm / IN, threadsPerInch, handTightMm / IN)
    const height = 0.8 * pitch
    const mouth = e1In * IN - height
    const share = PIPE_SIZES[nominal] ?? 1
    const common = {
      family: 'NPT',
      nominal,
      pitchMm: pitch,
      form: 60,
      taper: true,
      seats: ['none'],
      places: PIPE_PLACES,
      source: { ...B1_20_1, certainty: 'formula' },
    } as const
    return [
      {
        ...common,
        id: `npt.male.${nominal}`,
        name: `${nominal} NPT male`,
        gender: 'male',
        acrossMm: [round(e0In * IN + height), round(majorMm + 0.05)],
        share: { inch: share * 0.6, metric: share * 0.02 },
      },
      {
        ...common,
        id: `npt.female.${nominal}`,
        name: `${nominal} NPT female`,
        gender: 'female',
        acrossMm: [round(mouth - handTightMm / 16), round(mouth + 0.4)],
        share: { inch: share * 0.4, metric: share * 0.02 },
      },
    ] satisfies Connection[]
  })
}

/** Straight pipe thread for mechanical joints (NPSM): pitch diameter that of NPT at the hand-tight plane. */
function straightPipe(): Connection[] {
  const uses: Readonly<Record<string, { male: number; female: number; places: Connection['places'] }>> = {
    '3/8': { male: 4, female: 4, places: { 'faucet-tail': 0.5, hose: 0.4 } },
    '1/2': { male: 60, female: 60, places: { 'faucet-tail': 0.62, hose: 0.3, 'shower-arm': 0.04 } },
    '3/4': { male: 6, female: 6, places: { 'faucet-tail': 0.3, hose: 0.5 } },
    '1': { male: 3, female: 3, places: { 'pipe-end': 0.3, hose: 0.3, union: 0.34 } },
  }
  return NPT.flatMap(({ nominal, threadsPerInch, majorMm, handTightMm }): Connection[] => {
    const use = uses[nominal]
    if (!use) return []
    const pitch = IN / threadsPerInch
    const { e1In } = nptPitchDiameters(majorMm / IN, threadsPerInch, handTightMm / IN)
    const major = straightPipeMajorMm(e1In, threadsPerInch)
    const minor = e1In * IN - 0.433 * pitch
    const common = {
      family: 'NPSM',
      nominal,
      pitchMm: pitch,
      form: 60,
      taper: false,
      seats: ['flat-washer', 'cone'],
      places: use.places,
      source: { ...B1_20_1, table: 'straight pipe thread NPSM', certainty: 'formula' },
    } as const
    return [
      {
        ...common,
        id: `npsm.male.${nominal}`,
        name: `${nominal} straight pipe thread male, tap shank`,
        gender: 'male',
        acrossMm: [round(major - 0.3), round(major)],
        share: { inch: use.male, metric: use.male * 0.02 },
      },
      {
        ...common,
        id: `npsm.female.${nominal}`,
        name: `${nominal} straight pipe thread nut`,
        gender: 'female',
        acrossMm: [round(minor), round(minor + 0.35)],
        share: { inch: use.female, metric: use.female * 0.02 },
      },
    ]
  })
}

/** Largest crest diameter of an external NPSM thread, mm: E1 less its allowance plus 0.6495 p. Inches in. */
export function straightPipeMajorMm(e1In: number, threadsPerInch: number): number {
  return (e1In - 0.0013 + 0.6495 / threadsPerInch) * IN
}

/** 55 degree pipe threads: taper male, parallel male, and the female that both go into. */
function britishPipe(): Connection[] {
  return BSP.flatMap(({ nominal, threadsPerInch, majorMm, handTightMm }): Connection[] => {
    const { minorMm } = whitworthDiameters(majorMm, threadsPerInch)
    const share = PIPE_SIZES[nominal] ?? 1
    const common = { nominal, pitchMm: IN / threadsPerInch, form: 55 as const }
    const formula: Source = { ...ISO_7, certainty: 'formula' }
    return [
      {
        ...common,
        id: `bsp.taper.male.${nominal}`,
        family: 'BSP taper',
        name: `${nominal} BSP taper male`,
        gender: 'male',
        taper: true,
        acrossMm: [round(majorMm - handTightMm / 16), round(majorMm + 0.25)],
        seats: ['none'],
        places: PIPE_PLACES,
        share: { inch: share * 0.004, metric: share * 0.4 },
        source: formula,
      },
      {
        ...common,
        id: `bsp.parallel.male.${nominal}`,
        family: 'BSP parallel',
        name: `${nominal} BSP parallel male`,
        gender: 'male',
        taper: false,
        acrossMm: [round(majorMm - 0.28), round(majorMm)],
        seats: ['flat-washer', 'o-ring', 'cone'],
        places: {
          'faucet-tail': 0.5,
          'stop-outlet': 0.2,
          hose: 0.1,
          'toilet-valve': 0.1,
          'shower-arm': 0.06,
        },
        share: { inch: share * 0.006, metric: share * 0.55 },
        source: formula,
      },
      {
        ...common,
        id: `bsp.female.${nominal}`,
        family: 'BSP parallel',
        name: `${nominal} BSP female or nut`,
        gender: 'female',
        taper: false,
        acrossMm: [round(minorMm), round(minorMm + 0.44)],
        seats: ['none', 'flat-washer', 'cone'],
        places: { 'pipe-end': 0.42, hose: 0.38, 'faucet-tail': 0.06, 'shower-arm': 0.06, union: 0.04 },
        share: { inch: share * 0.006, metric: share * 0.6 },
        source: formula,
      },
    ]
  })
}

interface UnifiedRow {
  readonly id: string
  readonly family: ThreadFamily
  readonly nominal: string
  /** What it is called, before male or nut. */
  readonly word: string
  readonly majorIn: number
  readonly threadsPerInch: number
  readonly seats: readonly Seat[]
  readonly male: { readonly places: Connection['places']; readonly share: number }
  readonly female: { readonly places: Connection['places']; readonly share: number }
  /** Share where metric threads are at home, against the inch share. */
  readonly metric?: number
  /** Inside of the nut, least and most, where its standard gives it more room than ASME B1.1 would; inches. */
  readonly nutBoreIn?: readonly [number, number]
  readonly source: Source
}

/** Inside across the crests of a 60 degree nut: major less 1.0825 pitches (ASME B1.1). */
export function unifiedMinorMm(majorMm: number, pitchMm: number): number {
  return majorMm - 1.0825 * pitchMm
}

const TUBE_NUT = { 'tube-nut': 0.8, hose: 0.12 }
const TUBE_BODY = { 'stop-outlet': 0.6, 'tube-nut': 0.2, 'pipe-end': 0.1 }
const compression = (tube: string, majorIn: number, threadsPerInch: number, share: number): UnifiedRow => ({
  id: `compression.${tube}`,
  family: 'compression',
  nominal: tube,
  word: `${tube} compression`,
  majorIn,
  threadsPerInch,
  seats: ['cone'],
  male: { places: TUBE_BODY, share },
  female: { places: TUBE_NUT, share },
  metric: 0.02,
  source: B1_1,
})
const FLARE: Source = { title: 'SAE J513 45 degree flare', table: 'nut threads', certainty: 'recalled' }
const flare = (tube: string, majorIn: number, threadsPerInch: number, share: number): UnifiedRow => ({
  id: `flare.${tube}`,
  family: 'flare',
  nominal: tube,
  word: `${tube} flare`,
  majorIn,
  threadsPerInch,
  seats: ['cone'],
  male: { places: { 'pipe-end': 0.6, 'stop-outlet': 0.2 }, share },
  female: { places: { 'tube-nut': 0.9 }, share },
  metric: 0.3,
  source: FLARE,
})
const HOSE: Source = {
  title: 'ASME B1.20.7 hose coupling screw threads',
  table: '3/4-11.5 NH',
  certainty: 'recalled',
}
const TYPICAL: Source = { title: 'Threads of fixtures, typical of the kind', certainty: "maker's sheet" }

const fillValve = (size: string, majorIn: number, share: number): UnifiedRow => ({
  id: `fill-valve.${size}`,
  family: 'fill valve',
  nominal: size,
  word: `${size} toilet fill valve`,
  majorIn,
  threadsPerInch: 14,
  seats: ['flat-washer', 'cone'],
  male: { places: { 'toilet-valve': 0.95 }, share },
  female: { places: { hose: 0.6, 'toilet-valve': 0.34 }, share },
  metric: 0.02,
  source: TYPICAL,
})

/** The strainer of a tub, screwed down into its shoe: each shoe takes one, and the next thread starts and binds. */
const tubWaste = (size: string, majorIn: number, threadsPerInch: number, share: number): UnifiedRow => ({
  id: `tub-waste.${size}.${threadsPerInch}`,
  family: 'tub waste',
  nominal: size,
  word: `${size} tub strainer, ${threadsPerInch === 16 ? 'fine' : 'coarse'},`,
  majorIn,
  threadsPerInch,
  seats: ['flat-washer'],
  male: { places: { 'tub-drain': 0.96 }, share },
  female: { places: { 'tub-drain': 0.96 }, share },
  metric: 0.05,
  source: TYPICAL,
})

const UNIFIED: readonly UnifiedRow[] = [
  compression('1/4', 0.4375, 24, 8),
  compression('5/16', 0.5, 24, 3),
  compression('3/8', 0.5625, 24, 90),
  compression('1/2', 0.6875, 20, 12),
  compression('5/8', 0.8125, 18, 22),
  compression('7/8', 1.0625, 16, 5),
  flare('1/4', 0.4375, 20, 8),
  flare('3/8', 0.625, 18, 10),
  flare('1/2', 0.75, 16, 8),
  flare('5/8', 0.875, 14, 4),
  flare('3/4', 1.0625, 14, 2),
  {
    id: 'hose.3/4',
    family: 'garden hose',
    nominal: '3/4',
    word: '3/4 garden hose thread',
    majorIn: 1.0625,
    threadsPerInch: 11.5,
    seats: ['flat-washer'],
    male: { places: { 'stop-outlet': 0.6, hose: 0.34 }, share: 50 },
    female: { places: { hose: 0.94 }, share: 45 },
    metric: 0.03,
    nutBoreIn: [0.9595, 0.9765],
    source: HOSE,
  },
  {
    id: 'slip.1-1/4',
    family: 'slip joint',
    nominal: '1-1/4',
    word: '1-1/4 slip joint',
    majorIn: 1.63,
    threadsPerInch: 11.5,
    seats: ['flat-washer', 'cone'],
    male: { places: { 'drain-nut': 0.9 }, share: 26 },
    female: { places: { 'drain-nut': 0.95 }, share: 26 },
    metric: 0.05,
    source: TYPICAL,
  },
  {
    id: 'slip.1-1/2',
    family: 'slip joint',
    nominal: '1-1/2',
    word: '1-1/2 slip joint',
    majorIn: 1.88,
    threadsPerInch: 11.5,
    seats: ['flat-washer', 'cone'],
    male: { places: { 'drain-nut': 0.9 }, share: 34 },
    female: { places: { 'drain-nut': 0.95 }, share: 34 },
    metric: 0.05,
    source: TYPICAL,
  },
  fillValve('7/8', 7 / 8, 40),
  // older, of brass
  fillValve('15/16', 15 / 16, 8),
  {
    id: 'aerator.15/16',
    family: 'aerator',
    nominal: '15/16',
    word: '15/16-27 aerator',
    majorIn: 0.9375,
    threadsPerInch: 27,
    seats: ['flat-washer'],
    male: { places: { 'faucet-tip': 0.96 }, share: 20 },
    female: { places: { 'faucet-tip': 0.96 }, share: 14 },
    metric: 0.02,
    source: TYPICAL,
  },
  {
    id: 'aerator.55/64',
    family: 'aerator',
    nominal: '55/64',
    word: '55/64-27 aerator',
    majorIn: 55 / 64,
    threadsPerInch: 27,
    seats: ['flat-washer'],
    male: { places: { 'faucet-tip': 0.96 }, share: 14 },
    female: { places: { 'faucet-tip': 0.96 }, share: 20 },
    metric: 0.02,
    source: TYPICAL,
  },
  tubWaste('1-3/8', 1.375, 16, 6),
  tubWaste('1-1/2', 1.5, 16, 5),
  tubWaste('1-1/2', 1.5, 11.5, 9),
  // the size of 1-1/2 straight pipe thread
  tubWaste('1-7/8', 1.875, 11.5, 4),
]

function unified(): Connection[] {
  return UNIFIED.flatMap((row): Connection[] => {
    const major = row.majorIn * IN
    const pitch = IN / row.threadsPerInch
    // coarse loose threads of drains and hoses vary more
    const loose = row.family === 'slip joint' ? 0.9 : row.family === 'garden hose' ? 0.43 : 0.2
    const minor = unifiedMinorMm(major, pitch)
    const common = {
      family: row.family,
      nominal: row.nominal,
      pitchMm: pitch,
      form: 60 as const,
      taper: false,
      seats: row.seats,
      source: row.source,
    }
    return [
      {
        ...common,
        id: `${row.id}.male`,
        name: `${row.word} male`,
        gender: 'male',
        acrossMm: [round(major - loose), round(major)],
        places: row.male.places,
        share: { inch: row.male.share, metric: row.male.share * (row.metric ?? 0.02) },
      },
      {
        ...common,
        id: `${row.id}.female`,
        name: `${row.word} nut`,
        gender: 'female',
        acrossMm: row.nutBoreIn
          ? [round(row.nutBoreIn[0] * IN), round(row.nutBoreIn[1] * IN)]
          : [round(minor), round(minor + Math.max(0.3, loose))],
        places: row.female.places,
        share: { inch: row.female.share, metric: row.female.share * (row.metric ?? 0.02) },
      },
    ]
  })
}

// word, family, nominal, major mm, pitch mm, seats, male places, female places, share
type MetricRow = readonly [
  string,
  ThreadFamily,
  string,
  number,
  number,
  readonly Seat[],
  Connection['places'],
  Connection['places'],
  number,
]
const METRIC: readonly MetricRow[] = [
  [
    'M24×1 aerator',
    'aerator',
    'M24',
    24,
    1,
    ['flat-washer'],
    { 'faucet-tip': 0.96 },
    { 'faucet-tip': 0.96 },
    24,
  ],
  [
    'M22×1 aerator',
    'aerator',
    'M22',
    22,
    1,
    ['flat-washer'],
    { 'faucet-tip': 0.96 },
    { 'faucet-tip': 0.96 },
    24,
  ],
  ['M10×1 tap hose', 'metric hose', 'M10', 10, 1, ['o-ring'], { hose: 0.9 }, { 'faucet-tail': 0.9 }, 20],
  ['M8×1 tap hose', 'metric hose', 'M8', 8, 1, ['o-ring'], { hose: 0.9 }, { 'faucet-tail': 0.9 }, 8],
  [
    '10 mm compression',
    'metric compression',
    '10',
    16.662,
    IN / 19,
    ['cone'],
    { 'stop-outlet': 0.7, 'tube-nut': 0.2 },
    { 'tube-nut': 0.95 },
    14,
  ],
  [
    '22 mm compression',
    'metric compression',
    '22',
    28.5,
    1.5,
    ['cone'],
    { 'stop-outlet': 0.7, 'tube-nut': 0.2 },
    { 'tube-nut': 0.95 },
    24,
  ],
  [
    '15 mm compression',
    'metric compression',
    '15',
    20.955,
    IN / 14,
    ['cone'],
    { 'stop-outlet': 0.7, 'tube-nut': 0.2 },
    { 'tube-nut': 0.95 },
    60,
  ],
]

function metric(): Connection[] {
  return METRIC.flatMap(([word, family, nominal, major, pitch, seats, male, female, share]): Connection[] => {
    const is55 = family === 'metric compression' && BSP.some((row) => row.majorMm === major)
    const common = {
      family,
      nominal,
      pitchMm: pitch,
      // what counts whole threads an inch is a pipe thread of 55 degrees; larger nuts are the maker's own
      form: is55 ? (55 as const) : (60 as const),
      taper: false,
      seats,
      source: TYPICAL,
    }
    const minor = is55 ? whitworthDiameters(major, IN / pitch).minorMm : unifiedMinorMm(major, pitch)
    const inch = family === 'aerator' || family === 'metric hose' ? share * 0.2 : share * 0.01
    const key = word.toLowerCase().replaceAll(' ', '-').replace('×', 'x')
    return [
      {
        ...common,
        id: `${key}.male`,
        name: `${word} male`,
        gender: 'male',
        acrossMm: [round(major - 0.25), round(major)],
        places: male,
        share: { inch, metric: share },
      },
      {
        ...common,
        id: `${key}.female`,
        name: `${word} nut`,
        gender: 'female',
        acrossMm: [round(minor), round(minor + 0.3)],
        places: female,
        share: { inch, metric: share },
      },
    ]
  })
}

/** Every thread and connection face the product knows, in one fixed order. */
export const CONNECTIONS: readonly Connection[] = [
  ...taperPipe(),
  ...straightPipe(),
  ...britishPipe(),
  ...unified(),
  ...metric(),
]
