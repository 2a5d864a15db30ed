import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end } from './ends'
import { type Size, sized, sizeKey, TUBE_ENDS, type TubeEndForm, type TubeSystem } from './names'
import type { Fitting } from './types'

/** Plastic to brass in one body, so that the thread is metal: the safe way out of a plastic system. */
function brassThreadTransitions(): Fitting[] {
  const rows: readonly (readonly [
    'cement-socket' | 'pvc-socket',
    TubeSystem,
    string,
    PipeMaterial,
    string,
  ])[] = [
    ['cement-socket', 'CTS', 's', 'cpvc', 'CPVC'],
    ['pvc-socket', 'IPS', 'pvc', 'pvc', 'PVC'],
  ]
  return rows.flatMap(([form, system, key, material, word]) =>
    (['1/2', '3/4', '1'] as const).flatMap((size) =>
      (['male', 'female'] as const).map((gender) =>
        inline({
          id: `transition.${key}x${gender[0]}npt.${size}`,
          family: 'transition-coupling',
          name: `${word} to brass transition, ${size} in ${TUBE_ENDS[form].word} × ${size} in ${gender} NPT, brass thread`,
          material: 'brass',
          heatSensitive: true,
          layingMm: 14,
          a: end(form, system, size, material),
          b: end(gender === 'male' ? 'taper-male' : 'taper-female', 'NPT', size, 'brass'),
        }),
      ),
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

/** A barb on one side, a cup or a bare copper stub on the other: soldered first, then the plastic goes on. */
function sweatToBarb(): Fitting[] {
  return (['insert-barb', 'expansion-barb'] as const).flatMap((form) =>
    (['1/2', '3/4', '1'] as const).map((size) =>
      inline({
        id: `transition.cx${TUBE_ENDS[form].key}.${size}`,
        family: 'transition-coupling',
        name: `${size} in solder × ${TUBE_ENDS[form].word} adapter`,
        material: 'brass',
        layingMm: 8,
        a: end('solder-cup', 'CTS', size, 'copper'),
        b: end(form, 'CTS', size, 'brass'),
      }),
    ),
  )
}

/** One tube system to another in one body; neighbours in size do not fit each other's fittings. */
const CROSSINGS: readonly (readonly [
  string,
  TubeEndForm,
  TubeSystem,
  Size,
  TubeEndForm,
  TubeSystem,
  Size,
])[] = [
  ['push', 'push-fit', 'CTS', '1/2', 'push-fit', 'metric', '15'],
  ['push', 'push-fit', 'CTS', '3/4', 'push-fit', 'metric', '22'],
  ['comp', 'compression', 'metric', '15', 'poly-compression', 'metric', '20'],
  ['comp', 'compression', 'metric', '22', 'poly-compression', 'metric', '25'],
  ['comp', 'compression', 'CTS', '1/2', 'compression', 'OD', '3/8'],
]

function crossings(): Fitting[] {
  return CROSSINGS.map(([key, formA, systemA, a, formB, systemB, b]) =>
    inline({
      id: `transition.${key}.${systemA.toLowerCase()}${a}x${systemB.toLowerCase()}${b}`,
      family: 'transition-coupling',
      name: `${TUBE_ENDS[formA].word} transition, ${sized(systemA, a)} × ${sized(systemB, b)}`,
      material: 'brass',
      heatSensitive: true,
      layingMm: 6,
      a: end(formA, systemA, a, 'brass'),
      b: end(formB, systemB, b, 'brass'),
    }),
  )
}

function dielectricUnions(): Fitting[] {
  return (['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'] as const).map((size) =>
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

/** One thread system to the other, both cut into one body: never one thread into the other. */
function threadConverters(): Fitting[] {
  return (['3/8', '1/2', '3/4', '1'] as const).flatMap((size) =>
    (
      [
        ['m', 'NPT', 'f', 'BSP'],
        ['m', 'BSP', 'f', 'NPT'],
        ['m', 'NPT', 'm', 'BSP'],
      ] as const
    ).map(([genderA, a, genderB, b]) =>
      inline({
        id: `converter.${genderA}${a.toLowerCase()}x${genderB}${b.toLowerCase()}.${size}`,
        family: 'thread-converter',
        name: `thread converter, ${size} in ${genderA === 'm' ? 'male' : 'female'} ${a} × ${size} in ${genderB === 'm' ? 'male' : 'female'} ${b}`,
        material: 'brass',
        layingMm: 8,
        a: end(genderA === 'm' ? 'taper-male' : 'taper-female', a, size, 'brass'),
        b: end(genderB === 'm' ? 'taper-male' : 'taper-female', b, size, 'brass'),
      }),
    ),
  )
}

/** Tube straight onto a tap's tail: a swivel nut with a washer. */
const TAP_CONNECTORS: readonly (readonly [TubeEndForm, Size, Size])[] = [
  ['compression', '15', '1/2'],
  ['compression', '15', '3/4'],
  ['compression', '22', '3/4'],
  ['solder-cup', '15', '1/2'],
  ['solder-cup', '22', '3/4'],
  ['push-fit', '15', '1/2'],
  ['push-fit', '22', '3/4'],
]

function tapConnectors(): Fitting[] {
  return TAP_CONNECTORS.map(([form, tube, thread]) =>
    inline({
      id: `tap-connector.${TUBE_ENDS[form].key}.${tube}mmx${thread}`,
      family: 'tap-connector',
      name: `tap connector, ${tube} mm ${TUBE_ENDS[form].word} × ${thread} in parallel nut`,
      material: 'brass',
      heatSensitive: form !== 'solder-cup',
      layingMm: 20,
      a: end(form, 'metric', tube, TUBE_ENDS[form].material),
      b: end('swivel-nut', 'BSPP', thread, 'rubber-seated'),
    }),
  )
}

/** Pipe thread to hose thread; the two are never screwed into each other. */
function hoseAdapters(): Fitting[] {
  return [
    ...(['1/2', '3/4'] as const).flatMap((size) =>
      (['male', 'female'] as const).map((gender) =>
        inline({
          id: `hose-adapter.${gender[0]}nptxhose.${size}`,
          family: 'hose-adapter',
          name: `hose adapter, ${size} in ${gender} NPT × 3/4 in male hose`,
          material: 'brass',
          layingMm: 8,
          a: end(gender === 'male' ? 'taper-male' : 'taper-female', 'NPT', size, 'brass'),
          b: end('parallel-male', 'NH', '3/4', 'brass'),
        }),
      ),
    ),
    inline({
      id: 'hose-adapter.mnptxswivel.3/4',
      family: 'hose-adapter',
      name: 'hose adapter, 3/4 in female hose swivel × 3/4 in male NPT',
      material: 'brass',
      layingMm: 8,
      a: end('swivel-nut', 'NH', '3/4', 'rubber-seated'),
      b: end('taper-male', 'NPT', '3/4', 'brass'),
    }),
  ]
}

/** Slip couplings that are made up on the job when the right part is not to be had, by how each end comes about. */
const HOME_MADE = [
  {
    key: 'filed',
    form: 'filed-cup',
    name: 'solder coupling with its stop filed out',
    title: 'Made on the job: the wall must not be thinned',
  },
  {
    key: 'sleeve',
    form: 'expanded-cup',
    name: 'sleeve expanded from annealed tube',
    title: 'Made on the job: anneal first, shorter sockets',
  },
] as const
const HOME_MADE_SIZES: readonly (readonly [TubeSystem, Size])[] = [
  ['CTS', '1/2'],
  ['CTS', '3/4'],
  ['CTS', '1'],
  ['metric', '15'],
  ['metric', '22'],
  ['metric', '28'],
]

function improvised(): Fitting[] {
  return HOME_MADE_SIZES.flatMap(([system, size]) =>
    HOME_MADE.map(({ key, form, name, title }) =>
      inline({
        id: `coupling.${key}.cxc.${sizeKey(system, size)}`,
        family: 'slip-coupling',
        name: `${name}, ${sized(system, size)}`,
        material: 'copper',
        layingMm: 0,
        a: end(form, system, size, 'copper'),
        b: end(form, system, size, 'copper'),
        standing: 'improvised',
        source: { title, certainty: 'common practice' },
      }),
    ),
  )
}

/** Parts that lead from one system into another. */
export function specialFittings(): Fitting[] {
  return [
    ...brassThreadTransitions(),
    ...polybutyleneTransitions(),
    ...sweatToBarb(),
    ...crossings(),
    ...dielectricUnions(),
    ...threadConverters(),
    ...tapConnectors(),
    ...hoseAdapters(),
    ...improvised(),
  ]
}
