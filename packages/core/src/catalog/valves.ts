import { inline } from './build'
import { end, type PortEnd } from './ends'
import { type Size, sized, sizeKey, TUBE_ENDS, type TubeEndForm } from './names'
import type { Fitting, PortForm, PortSystem } from './types'

const IN = 25.4

/** An inlet as it is made: end, system, sizes. */
type Inlet = readonly [PortForm, PortSystem, readonly Size[]]

interface Outlet {
  readonly end: () => PortEnd
  readonly word: string
  readonly tag: string
}
const COMPRESSION_38: Outlet = {
  end: () => end('compression-outlet', 'UNF', '3/8', 'brass'),
  word: '3/8 in compression outlet',
  tag: 'compx3/8',
}
const COMPRESSION_14: Outlet = {
  end: () => end('compression-outlet', 'UNF', '1/4', 'brass'),
  word: '1/4 in compression outlet',
  tag: 'compx1/4',
}
const PARALLEL_12: Outlet = {
  end: () => end('parallel-male', 'BSPP', '1/2', 'brass'),
  word: '1/2 in parallel outlet',
  tag: 'gx1/2',
}
const PARALLEL_34: Outlet = {
  end: () => end('parallel-male', 'BSPP', '3/4', 'brass'),
  word: '3/4 in parallel hose outlet',
  tag: 'gx3/4',
}
const HOSE: Outlet = {
  end: () => end('parallel-male', 'NH', '3/4', 'brass'),
  word: '3/4 in hose outlet',
  tag: 'hose',
}

const inletWord = (form: PortForm, system: PortSystem) =>
  form === 'taper-female'
    ? `female ${system}`
    : form === 'taper-male'
      ? `male ${system}`
      : TUBE_ENDS[form as TubeEndForm].word
const inletTag = (form: PortForm, system: PortSystem) =>
  form === 'taper-female'
    ? `f${system.toLowerCase()}`
    : form === 'taper-male'
      ? `m${system.toLowerCase()}`
      : TUBE_ENDS[form as TubeEndForm].key

/** Angle and straight stops: which inlets are made for which outlet. */
const STOPS: readonly (readonly [Outlet, readonly Inlet[]])[] = [
  [
    COMPRESSION_38,
    [
      ['compression', 'CTS', ['3/8', '1/2']],
      ['solder-cup', 'CTS', ['1/2']],
      ['push-fit', 'CTS', ['1/2', '3/4']],
      ['insert-barb', 'CTS', ['1/2']],
      ['expansion-barb', 'CTS', ['1/2']],
      ['press-cup', 'CTS', ['1/2']],
      ['cement-socket', 'CTS', ['1/2']],
      ['taper-female', 'NPT', ['3/8', '1/2']],
    ],
  ],
  [
    COMPRESSION_14,
    [
      ['compression', 'CTS', ['1/2']],
      ['push-fit', 'CTS', ['1/2']],
      ['taper-female', 'NPT', ['1/2']],
    ],
  ],
  [
    PARALLEL_12,
    [
      ['compression', 'metric', ['15']],
      ['push-fit', 'metric', ['15']],
      ['taper-female', 'BSP', ['1/2']],
    ],
  ],
]

function stopId(shape: string, form: PortForm, system: PortSystem, size: Size, outlet: Outlet): string {
  const [tag, nominal] = outlet.tag.split('x')
  return `stop.${shape}.${inletTag(form, system)}x${tag}.${sizeKey(system, size)}x${nominal}`
}

function stops(): Fitting[] {
  return STOPS.flatMap(([outlet, inlets]) =>
    inlets.flatMap(([form, system, sizes]) =>
      sizes.flatMap((size) =>
        (['angle', 'straight'] as const).map((shape) =>
          inline({
            id: stopId(shape, form, system, size, outlet),
            family: shape === 'angle' ? 'angle-stop' : 'straight-stop',
            name: `quarter-turn ${shape} stop, ${sized(system, size)} ${inletWord(form, system)} × ${outlet.word}`,
            material: 'brass',
            heatSensitive: true,
            layingMm: 24,
            turn: shape === 'angle' ? 90 : 180,
            a: end(form, system, size, 'brass'),
            b: outlet.end(),
          }),
        ),
      ),
    ),
  )
}

const DUAL_INLETS: readonly Inlet[] = [
  ['compression', 'CTS', ['1/2']],
  ['solder-cup', 'CTS', ['1/2']],
  ['push-fit', 'CTS', ['1/2']],
  ['taper-female', 'NPT', ['1/2']],
]

/** One inlet, two outlets: a faucet and a dishwasher from one stub. */
function dualStops(): Fitting[] {
  return DUAL_INLETS.flatMap(([form, system, sizes]) =>
    sizes.flatMap((size) =>
      [COMPRESSION_38, COMPRESSION_14].map((second) =>
        inline({
          id: `stop.dual.${inletTag(form, system)}.${size}x3/8x${second.tag.split('x')[1]}`,
          family: 'dual-stop',
          name: `two-outlet stop, ${sized(system, size)} ${inletWord(form, system)} × 3/8 in and ${second.word}`,
          material: 'brass',
          heatSensitive: true,
          layingMm: 28,
          turn: 90,
          a: end(form, system, size, 'brass'),
          b: COMPRESSION_38.end(),
          branches: [second.end()],
        }),
      ),
    ),
  )
}

const WASHING: readonly (readonly [Outlet, readonly Inlet[]])[] = [
  [
    HOSE,
    [
      ['solder-cup', 'CTS', ['1/2']],
      ['taper-female', 'NPT', ['1/2']],
      ['taper-male', 'NPT', ['1/2']],
      ['push-fit', 'CTS', ['1/2']],
      ['insert-barb', 'CTS', ['1/2']],
      ['expansion-barb', 'CTS', ['1/2']],
      ['press-cup', 'CTS', ['1/2']],
      ['cement-socket', 'CTS', ['1/2']],
      ['compression', 'CTS', ['1/2']],
    ],
  ],
  [
    PARALLEL_34,
    [
      ['compression', 'metric', ['15']],
      ['taper-male', 'BSP', ['1/2']],
    ],
  ],
]

function washingValves(): Fitting[] {
  return WASHING.flatMap(([outlet, inlets]) =>
    inlets.flatMap(([form, system, sizes]) =>
      sizes.map((size) =>
        inline({
          id: `valve.washing.${inletTag(form, system)}.${sizeKey(system, size)}`,
          family: 'washing-valve',
          name: `washing-machine valve, ${sized(system, size)} ${inletWord(form, system)} × ${outlet.word}`,
          material: 'brass',
          heatSensitive: true,
          layingMm: 26,
          turn: 90,
          a: end(form, system, size, 'brass'),
          b: outlet.end(),
        }),
      ),
    ),
  )
}

const BIB_INLETS: readonly Inlet[] = [
  ['taper-female', 'NPT', ['1/2', '3/4']],
  ['taper-male', 'NPT', ['1/2', '3/4']],
  ['solder-cup', 'CTS', ['1/2', '3/4']],
  ['push-fit', 'CTS', ['1/2']],
]
const METRIC_BIB_INLETS: readonly Inlet[] = [['taper-male', 'BSP', ['1/2', '3/4']]]

function hoseBibs(): Fitting[] {
  const make = ([form, system, sizes]: Inlet, outlet: Outlet, protects: boolean) =>
    sizes.map((size) =>
      inline({
        id: `bib.${protects ? 'protected.' : ''}${inletTag(form, system)}.${sizeKey(system, size)}`,
        family: 'hose-bib',
        name: `hose bib, ${sized(system, size)} ${inletWord(form, system)} × ${outlet.word}${protects ? ', built-in vacuum breaker' : ''}`,
        material: 'brass',
        heatSensitive: true,
        layingMm: 40,
        a: end(form, system, size, 'brass'),
        b: outlet.end(),
        ...(protects ? { protects: true as const } : {}),
      }),
    )
  return [
    ...BIB_INLETS.flatMap((row) => make(row, HOSE, false)),
    ...BIB_INLETS.slice(0, 3).flatMap((row) => make(row, HOSE, true)),
    ...METRIC_BIB_INLETS.flatMap((row) => make(row, PARALLEL_34, true)),
  ]
}

const FROST_FREE_INCHES = [4, 6, 8, 10, 12, 14] as const
/** Through a framed wall with its sheathing: common practice, where nobody measured. */
const USUAL_INCHES = 8
const FROST_FREE_INLETS: readonly Inlet[] = [
  ['taper-male', 'NPT', ['1/2', '3/4']],
  ['solder-cup', 'CTS', ['1/2', '3/4']],
  ['push-fit', 'CTS', ['1/2']],
  ['insert-barb', 'CTS', ['1/2']],
  ['expansion-barb', 'CTS', ['1/2']],
]

/** The seat stands a tube's length inside, in the warm; the length is what passes through the wall. */
function frostFreeBibs(): Fitting[] {
  return FROST_FREE_INLETS.flatMap(([form, system, sizes]) =>
    sizes.flatMap((size) =>
      FROST_FREE_INCHES.map((inches) =>
        inline({
          id: `bib.frost-free.${inletTag(form, system)}.${size}x${inches}`,
          family: 'frost-free-bib',
          name: `frost-free hose bib, ${inches} in, ${sized(system, size)} ${inletWord(form, system)}, built-in vacuum breaker`,
          material: 'brass',
          heatSensitive: true,
          layingMm: inches * IN,
          lengthMm: { min: inches * IN, max: inches * IN, usual: USUAL_INCHES * IN },
          a: end(form, system, size, 'brass'),
          b: HOSE.end(),
          protects: true,
        }),
      ),
    ),
  )
}

function vacuumBreakers(): Fitting[] {
  return (
    [
      ['NH', 'hose'],
      ['BSPP', 'g'],
    ] as const
  ).map(([system, tag]) =>
    inline({
      id: `breaker.${tag}.3/4`,
      family: 'vacuum-breaker',
      name: `hose vacuum breaker, 3/4 in ${system === 'NH' ? 'hose' : 'parallel'} thread`,
      material: 'brass',
      heatSensitive: true,
      layingMm: 24,
      a: end('swivel-nut', system, '3/4', 'rubber-seated'),
      b: end('parallel-male', system, '3/4', 'brass'),
      protects: true,
    }),
  )
}

/** Stops, washing-machine valves, hose bibs and what protects them. */
export function valves(): Fitting[] {
  return [
    ...stops(),
    ...dualStops(),
    ...washingValves(),
    ...hoseBibs(),
    ...frostFreeBibs(),
    ...vacuumBreakers(),
  ]
}
