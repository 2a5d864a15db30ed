import type { DimensionalSystem, NominalSize, PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end } from './ends'
import type { Fitting, PortForm, PortSystem } from './types'

type Size = NominalSize
type TubeSystem = DimensionalSystem

/** What each kind of end is called in part names, and in part ids. */
const ENDS = {
  'solder-cup': { word: 'solder', key: 'c' },
  'cement-socket': { word: 'cement socket', key: 's' },
  'push-fit': { word: 'push-fit', key: 'push' },
  compression: { word: 'compression', key: 'comp' },
  'insert-barb': { word: 'PEX insert', key: 'barb' },
  'expansion-barb': { word: 'PEX expansion', key: 'exp' },
} as const
type BodyEnd = keyof typeof ENDS

const sized = (system: PortSystem, nominal: string) =>
  system === 'metric' ? `${nominal} mm` : `${nominal} in`
const key = (system: PortSystem, nominal: string) => (system === 'metric' ? `${nominal}mm` : nominal)

/** The tube-side ends, the systems they are made for, and the stuff the body is made of. */
const BODY_MATERIAL: Record<BodyEnd, PipeMaterial> = {
  'solder-cup': 'copper',
  'cement-socket': 'cpvc',
  'push-fit': 'brass',
  compression: 'brass',
  'insert-barb': 'brass',
  'expansion-barb': 'brass',
}
const HEAT_SENSITIVE: ReadonlySet<BodyEnd> = new Set(['push-fit', 'cement-socket'])

// ---- which sizes are really made -------------------------------------------------------------

const COUPLINGS: readonly [BodyEnd, TubeSystem, readonly Size[]][] = [
  ['solder-cup', 'CTS', ['3/8', '1/2', '3/4', '1']],
  ['solder-cup', 'metric', ['10', '12', '15', '22', '28']],
  ['compression', 'CTS', ['3/8', '1/2', '3/4', '1']],
  ['compression', 'metric', ['10', '12', '15', '22', '28']],
  ['push-fit', 'CTS', ['3/8', '1/2', '3/4', '1']],
  ['push-fit', 'metric', ['10', '15', '22', '28']],
  ['insert-barb', 'CTS', ['3/8', '1/2', '3/4', '1']],
  ['expansion-barb', 'CTS', ['3/8', '1/2', '3/4', '1']],
  ['cement-socket', 'CTS', ['1/2', '3/4', '1']],
]

const REDUCERS: readonly [BodyEnd, TubeSystem, readonly (readonly [Size, Size])[]][] = [
  [
    'solder-cup',
    'CTS',
    [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1', '1/2'],
    ],
  ],
  [
    'solder-cup',
    'metric',
    [
      ['15', '10'],
      ['15', '12'],
      ['22', '15'],
      ['28', '22'],
      ['28', '15'],
    ],
  ],
  ['compression', 'CTS', [['1/2', '3/8']]],
  [
    'compression',
    'metric',
    [
      ['15', '10'],
      ['15', '12'],
      ['22', '15'],
      ['28', '22'],
    ],
  ],
  [
    'push-fit',
    'CTS',
    [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
  ],
  [
    'push-fit',
    'metric',
    [
      ['15', '10'],
      ['22', '15'],
      ['28', '22'],
    ],
  ],
  [
    'insert-barb',
    'CTS',
    [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
  ],
  [
    'expansion-barb',
    'CTS',
    [
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
  ],
  [
    'cement-socket',
    'CTS',
    [
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
  ],
]

/** tube end × taper thread: body end, tube system, thread system, [tube size, thread size]. */
const THREAD_ADAPTERS: readonly [BodyEnd, TubeSystem, 'NPT' | 'BSP', readonly (readonly [Size, Size])[]][] = [
  [
    'solder-cup',
    'CTS',
    'NPT',
    [
      ['3/8', '3/8'],
      ['1/2', '3/8'],
      ['1/2', '1/2'],
      ['3/4', '1/2'],
      ['3/4', '3/4'],
      ['1', '1'],
    ],
  ],
  [
    'solder-cup',
    'metric',
    'BSP',
    [
      ['12', '3/8'],
      ['15', '1/2'],
      ['22', '3/4'],
      ['28', '1'],
    ],
  ],
  [
    'compression',
    'CTS',
    'NPT',
    [
      ['3/8', '3/8'],
      ['1/2', '1/2'],
      ['3/4', '3/4'],
    ],
  ],
  [
    'compression',
    'metric',
    'BSP',
    [
      ['10', '3/8'],
      ['12', '3/8'],
      ['15', '1/2'],
      ['22', '3/4'],
      ['28', '1'],
    ],
  ],
  [
    'push-fit',
    'CTS',
    'NPT',
    [
      ['1/2', '1/2'],
      ['3/4', '3/4'],
      ['1', '1'],
    ],
  ],
  [
    'push-fit',
    'metric',
    'BSP',
    [
      ['15', '1/2'],
      ['22', '3/4'],
    ],
  ],
  [
    'insert-barb',
    'CTS',
    'NPT',
    [
      ['3/8', '1/2'],
      ['1/2', '1/2'],
      ['3/4', '3/4'],
      ['1', '1'],
    ],
  ],
  [
    'expansion-barb',
    'CTS',
    'NPT',
    [
      ['1/2', '1/2'],
      ['3/4', '3/4'],
      ['1', '1'],
    ],
  ],
  [
    'cement-socket',
    'CTS',
    'NPT',
    [
      ['1/2', '1/2'],
      ['3/4', '3/4'],
      ['1', '1'],
    ],
  ],
]

/** Stops with a 3/8 compression outlet: inlet end, system, sizes. */
const STOP_INLETS: readonly [PortForm, PortSystem, readonly Size[]][] = [
  ['compression', 'CTS', ['3/8', '1/2']],
  ['solder-cup', 'CTS', ['1/2']],
  ['push-fit', 'CTS', ['1/2']],
  ['insert-barb', 'CTS', ['1/2']],
  ['expansion-barb', 'CTS', ['1/2']],
  ['taper-female', 'NPT', ['3/8', '1/2']],
]
/** Stops with a 1/2 parallel outlet for metric houses. */
const METRIC_STOP_INLETS: readonly [PortForm, PortSystem, readonly Size[]][] = [
  ['compression', 'metric', ['15']],
  ['push-fit', 'metric', ['15']],
  ['taper-female', 'BSP', ['1/2']],
]

/** Threaded pipe fittings: material, thread system, couplings, reducers, bushings (male × female), nipples. */
const THREADED: readonly {
  material: 'galvanised-steel' | 'brass'
  system: 'NPT' | 'BSP'
  couplings: readonly Size[]
  reducers: readonly (readonly [Size, Size])[]
  bushings: readonly (readonly [Size, Size])[]
  nipples: readonly Size[]
}[] = [
  {
    material: 'brass',
    system: 'NPT',
    couplings: ['3/8', '1/2', '3/4', '1'],
    reducers: [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '1/2'],
      ['1', '3/4'],
    ],
    bushings: [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '3/4'],
      ['1', '1/2'],
    ],
    nipples: ['3/8', '1/2', '3/4', '1'],
  },
  {
    material: 'galvanised-steel',
    system: 'NPT',
    couplings: ['1/2', '3/4', '1'],
    reducers: [
      ['1/2', '3/8'],
      ['3/4', '1/2'],
      ['1', '1/2'],
      ['1', '3/4'],
    ],
    bushings: [
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
    nipples: ['1/2', '3/4', '1'],
  },
  {
    material: 'brass',
    system: 'BSP',
    couplings: ['1/2', '3/4', '1'],
    reducers: [
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
    bushings: [
      ['3/4', '1/2'],
      ['1', '3/4'],
    ],
    nipples: ['1/2', '3/4'],
  },
]

/** Tube cut to length for a piece between two fittings. */
const TUBE_PIECES: readonly [PipeMaterial, TubeSystem, readonly Size[]][] = [
  ['copper', 'CTS', ['3/8', '1/2', '3/4', '1']],
  ['copper', 'metric', ['10', '15', '22', '28']],
  ['pex-a', 'CTS', ['1/2', '3/4', '1']],
  ['pex-b', 'CTS', ['1/2', '3/4', '1']],
  ['cpvc', 'CTS', ['1/2', '3/4', '1']],
]

// ---- generators ------------------------------------------------------------------------------

const materialWord: Record<string, string> = {
  'galvanised-steel': 'galvanised',
  brass: 'brass',
  copper: 'copper',
  cpvc: 'CPVC',
  'pex-a': 'PEX type A',
  'pex-b': 'PEX type B',
}

function couplings(): Fitting[] {
  return COUPLINGS.flatMap(([form, system, sizes]) =>
    sizes.map((size) => {
      const tip = end(form, system, size, BODY_MATERIAL[form])
      return inline({
        id: `coupling.${ENDS[form].key}x${ENDS[form].key}.${key(system, size)}`,
        family: 'coupling',
        name: `${ENDS[form].word} coupling, ${sized(system, size)}`,
        material: BODY_MATERIAL[form],
        heatSensitive: HEAT_SENSITIVE.has(form),
        layingMm: form === 'solder-cup' ? 1.6 : form.endsWith('barb') ? 6 : 3,
        a: tip,
        b: tip,
      })
    }),
  )
}

function reducers(): Fitting[] {
  return REDUCERS.flatMap(([form, system, pairs]) =>
    pairs.map(([large, small]) =>
      inline({
        id: `reducer.${ENDS[form].key}x${ENDS[form].key}.${key(system, large)}x${key(system, small)}`,
        family: 'reducing-coupling',
        name: `${ENDS[form].word} reducing coupling, ${sized(system, large)} × ${sized(system, small)}`,
        material: BODY_MATERIAL[form],
        heatSensitive: HEAT_SENSITIVE.has(form),
        layingMm: 8,
        a: end(form, system, large, BODY_MATERIAL[form]),
        b: end(form, system, small, BODY_MATERIAL[form]),
      }),
    ),
  )
}

function threadAdapters(): Fitting[] {
  return THREAD_ADAPTERS.flatMap(([form, system, thread, pairs]) =>
    pairs.flatMap(([tube, pipe]) =>
      (['male', 'female'] as const).map((gender) => {
        const material = BODY_MATERIAL[form]
        return inline({
          id: `adapter.${ENDS[form].key}x${gender[0]}${thread.toLowerCase()}.${key(system, tube)}x${pipe}`,
          family: gender === 'male' ? 'male-adapter' : 'female-adapter',
          name: `${gender} adapter, ${sized(system, tube)} ${ENDS[form].word} × ${pipe} in ${thread}${form === 'cement-socket' ? ', all plastic' : ''}`,
          material,
          heatSensitive: HEAT_SENSITIVE.has(form),
          layingMm: 9,
          a: end(form, system, tube, material),
          b: end(gender === 'male' ? 'taper-male' : 'taper-female', thread, pipe, material),
        })
      }),
    ),
  )
}

function cpvcTransitions(): Fitting[] {
  return (['1/2', '3/4', '1'] as const).flatMap((size) =>
    (['male', 'female'] as const).map((gender) =>
      inline({
        id: `transition.sx${gender[0]}npt.${size}`,
        family: 'transition-coupling',
        name: `CPVC to brass transition, ${size} in cement socket × ${size} in ${gender} NPT, brass thread`,
        material: 'brass',
        heatSensitive: true,
        layingMm: 14,
        a: end('cement-socket', 'CTS', size, 'cpvc'),
        b: end(gender === 'male' ? 'taper-male' : 'taper-female', 'NPT', size, 'brass'),
      }),
    ),
  )
}

function polybutyleneTransitions(): Fitting[] {
  return (['1/2', '3/4'] as const).map((size) =>
    inline({
      id: `transition.pbxbarb.${size}`,
      family: 'transition-coupling',
      name: `polybutylene to PEX transition, ${size} in`,
      material: 'brass',
      layingMm: 6,
      a: end('pb-barb', 'CTS', size, 'brass'),
      b: end('insert-barb', 'CTS', size, 'brass'),
    }),
  )
}

function threaded(): Fitting[] {
  return THREADED.flatMap(({ material, system, ...made }) => {
    const word = materialWord[material]
    const tag = `${material === 'brass' ? 'brass' : 'galv'}.${system.toLowerCase()}`
    const female = (size: Size) => end('taper-female', system, size, material)
    const male = (size: Size) => end('taper-male', system, size, material)
    return [
      ...made.couplings.map((size) =>
        inline({
          id: `coupling.fxf.${tag}.${size}`,
          family: 'threaded-coupling' as const,
          name: `${word} threaded coupling, ${size} in ${system}`,
          material,
          layingMm: 6,
          a: female(size),
          b: female(size),
        }),
      ),
      ...made.reducers.map(([large, small]) =>
        inline({
          id: `reducer.fxf.${tag}.${large}x${small}`,
          family: 'reducing-coupling' as const,
          name: `${word} bell reducer, ${large} × ${small} in ${system}`,
          material,
          layingMm: 12,
          a: female(large),
          b: female(small),
        }),
      ),
      ...made.bushings.map(([large, small]) =>
        inline({
          id: `bushing.mxf.${tag}.${large}x${small}`,
          family: 'bushing' as const,
          name: `${word} hex bushing, ${large} male × ${small} female ${system}`,
          material,
          layingMm: 2,
          a: male(large),
          b: female(small),
        }),
      ),
      ...made.nipples.map((size) =>
        inline({
          id: `nipple.mxm.${tag}.${size}x2`,
          family: 'nipple' as const,
          name: `${word} nipple, ${size} × 2 in ${system}`,
          material,
          layingMm: 12,
          a: male(size),
          b: male(size),
        }),
      ),
    ]
  })
}

function dielectricUnions(): Fitting[] {
  return (['1/2', '3/4', '1'] as const).map((size) =>
    inline({
      id: `union.dielectric.fxc.${size}`,
      family: 'dielectric-union',
      name: `dielectric union, ${size} in female NPT steel × ${size} in solder`,
      material: 'galvanised-steel',
      heatSensitive: true,
      layingMm: 16,
      a: end('taper-female', 'NPT', size, 'galvanised-steel'),
      b: end('solder-cup', 'CTS', size, 'copper'),
    }),
  )
}

function stops(): Fitting[] {
  const word = (form: PortForm, system: PortSystem) =>
    form === 'taper-female' ? `female ${system}` : ENDS[form as BodyEnd].word
  const tag = (form: PortForm, system: PortSystem) =>
    form === 'taper-female' ? `f${system.toLowerCase()}` : ENDS[form as BodyEnd].key
  const make = (
    [form, system, sizes]: readonly [PortForm, PortSystem, readonly Size[]],
    outlet: { form: PortForm; system: PortSystem; nominal: Size; word: string; tag: string },
  ) =>
    sizes.flatMap((size) =>
      (['angle', 'straight'] as const).map((shape) =>
        inline({
          id: `stop.${shape}.${tag(form, system)}x${outlet.tag}.${key(system, size)}x${outlet.nominal}`,
          family: shape === 'angle' ? 'angle-stop' : 'straight-stop',
          name: `quarter-turn ${shape} stop, ${sized(system, size)} ${word(form, system)} × ${outlet.word}`,
          material: 'brass',
          heatSensitive: true,
          layingMm: 24,
          turn: shape === 'angle' ? 90 : 180,
          a: end(form, system, size, 'brass'),
          b: end(outlet.form, outlet.system, outlet.nominal, 'brass'),
        }),
      ),
    )
  return [
    ...STOP_INLETS.flatMap((row) =>
      make(row, {
        form: 'compression-outlet',
        system: 'UNF',
        nominal: '3/8',
        word: '3/8 in compression outlet',
        tag: 'comp',
      }),
    ),
    ...METRIC_STOP_INLETS.flatMap((row) =>
      make(row, {
        form: 'parallel-male',
        system: 'BSPP',
        nominal: '1/2',
        word: '1/2 in parallel outlet',
        tag: 'g',
      }),
    ),
  ]
}

function supplyConnectors(): Fitting[] {
  const make = (
    from: readonly [PortSystem, Size, string],
    to: readonly [PortSystem, Size, string],
    lengths: readonly number[],
    unit: 'in' | 'mm',
  ) =>
    lengths.map((length): Fitting => {
      const mm = unit === 'in' ? length * 25.4 : length
      return {
        ...inline({
          id: `connector.${from[2]}x${to[2]}.${length}${unit}`,
          family: 'supply-connector',
          name: `braided supply connector, ${from[1]} ${from[0] === 'UNF' ? 'compression nut' : 'parallel nut'} × ${to[1]} ${to[0] === 'BSPP' ? 'parallel tap nut' : 'faucet nut'}, ${length} ${unit}`,
          material: 'braided',
          heatSensitive: true,
          layingMm: mm - 16,
          a: end('swivel-nut', from[0], from[1], 'rubber-seated'),
          b: end('swivel-nut', to[0], to[1], 'rubber-seated'),
        }),
        lengthMm: { min: mm * 0.7, max: mm },
      }
    })
  return [
    ...make(['UNF', '3/8', 'comp3/8'], ['NPS', '1/2', 'faucet1/2'], [12, 16, 20], 'in'),
    ...make(['BSPP', '1/2', 'g1/2'], ['BSPP', '1/2', 'tap1/2'], [300, 500], 'mm'),
  ]
}

function tubePieces(): Fitting[] {
  return TUBE_PIECES.flatMap(([material, system, sizes]) =>
    sizes.map((size): Fitting => {
      const tip = end('tube', system, size, material)
      return {
        id: `tube.${material}.${key(system, size)}`,
        family: 'tube-piece',
        name: `${materialWord[material]} tube${material === 'copper' && system === 'CTS' ? ' type L' : ''}, ${sized(system, size)}, cut to length`,
        material,
        heatSensitive: material !== 'copper',
        layingMm: 80,
        lengthMm: { min: 40, max: 600 },
        source: { title: 'Cut on the job', certainty: 'common practice' },
        ports: [
          { ...tip, id: 'a', pose: { origin: [-40, 0, 0], axis: [-1, 0, 0], rollDegrees: 0 } },
          { ...tip, id: 'b', pose: { origin: [40, 0, 0], axis: [1, 0, 0], rollDegrees: 0 } },
        ],
      }
    }),
  )
}

/** Every generic part, in one fixed order: families × the sizes really made. */
export const CATALOG: readonly Fitting[] = [
  ...stops(),
  ...couplings(),
  ...reducers(),
  ...threadAdapters(),
  ...cpvcTransitions(),
  ...polybutyleneTransitions(),
  ...threaded(),
  ...dielectricUnions(),
  ...tubePieces(),
  ...supplyConnectors(),
]

const BY_ID = new Map(CATALOG.map((fitting) => [fitting.id, fitting]))

/** The part of that id, or undefined. */
export function fittingById(id: string): Fitting | undefined {
  return BY_ID.get(id)
}
