import { tubeEngagement } from '../reference/engagement'
import type { Source } from '../reference/source'
import { STANDPIPES } from '../reference/standpipe'
import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end, fullDepthMm, type PortEnd } from './ends'
import type { Fitting } from './types'

const IN = 25.4

/** Plastics of drain pipe, as they are called. */
export const DRAIN_PLASTICS: readonly (readonly [PipeMaterial, string, string])[] = [
  ['pvc-drain', 'pvc', 'PVC'],
  ['abs-drain', 'abs', 'ABS'],
]

const d3311 = (table: string): Source => ({
  title: 'ASTM D3311 drain, waste and vent fitting patterns',
  table,
  certainty: 'recalled',
})
const TRAP_SHEET: Source = { title: 'Solvent traps, typical of the kind', certainty: "maker's sheet" }

type Size = '1-1/2' | '2' | '3' | '4'

/** From the middle to the end of the pipe, home in its socket, inches: eighth bend, quarter bend of long sweep, short quarter. */
export const BENDS: readonly (readonly [Size, eighthIn: number, sweepIn: number, quarterIn: number])[] = [
  ['1-1/2', 1.125, 2.75, 1.75],
  ['2', 1.5, 3.25, 2.3125],
  ['3', 1.75, 4.0625, 3.0625],
  ['4', 2.1875, 4.875, 3.875],
]

type Plastic = (typeof DRAIN_PLASTICS)[number]

function bends([material, key, word]: Plastic): Fitting[] {
  return BENDS.flatMap(([size, eighthIn, sweepIn]) => {
    const socket = end('drain-socket', 'IPS', size, material)
    const common = { material, heatSensitive: true, a: socket, b: socket }
    return [
      inline({
        ...common,
        id: `bend.eighth.${key}.${size}`,
        family: 'elbow-45',
        name: `${word} eighth bend, ${size} in`,
        layingMm: 2 * eighthIn * IN,
        turn: 135,
        source: d3311('eighth bend'),
      }),
      inline({
        ...common,
        id: `bend.sweep.${key}.${size}`,
        family: 'elbow-90',
        name: `${word} long-sweep quarter bend, ${size} in`,
        layingMm: 2 * sweepIn * IN,
        turn: 90,
        source: d3311('quarter bend, long sweep'),
      }),
    ]
  })
}

const CLOSET_BEND: Source = {
  title: 'Closet bends in the pattern of the long sweep of four inches, typical of the kind',
  certainty: "maker's sheet",
}

/** The one fitting of a drain that may be larger upstream: under a bowl, from three inches of pipe to four. */
export function closetBends(): Fitting[] {
  const [, , sweepIn] = BENDS.find(([size]) => size === '4') as (typeof BENDS)[number]
  return DRAIN_PLASTICS.map(([material, key, word]) =>
    inline({
      id: `bend.closet.${key}.4x3`,
      family: 'elbow-90',
      name: `${word} closet bend, 3 in to the drain × 4 in to the bowl`,
      material,
      heatSensitive: true,
      layingMm: 2 * sweepIn * IN,
      turn: 90,
      a: end('drain-socket', 'IPS', '3', material),
      b: end('drain-socket', 'IPS', '4', material),
      source: CLOSET_BEND,
    }),
  )
}

/** Bushings that lie flush in a socket: its size, the pipe's. */
const BUSHINGS: readonly (readonly [socket: Size, pipe: Size])[] = [
  ['2', '1-1/2'],
  ['3', '2'],
  ['3', '1-1/2'],
  ['4', '3'],
  ['4', '2'],
]
/** Reducing couplings, with what lies between the two pipes, inches. */
const REDUCERS: readonly (readonly [Size, Size, number])[] = [
  ['2', '1-1/2', 0.375],
  ['3', '2', 0.75],
  ['3', '1-1/2', 1],
  ['4', '3', 0.75],
  ['4', '2', 1.25],
]

/** What of a flush bushing stands out of the socket, mm. */
const LIP_MM = 2
const depthMm = (size: Size) => tubeEngagement('drain-socket', 'IPS', size)?.maxMm ?? 0

function reducers([material, key, word]: Plastic): Fitting[] {
  return [
    ...REDUCERS.map(([large, small, betweenIn]) =>
      inline({
        id: `reducer.drain.${key}.${large}x${small}`,
        family: 'reducing-coupling',
        name: `${word} reducing drain coupling, ${large} × ${small} in`,
        material,
        heatSensitive: true,
        layingMm: betweenIn * IN,
        a: end('drain-socket', 'IPS', large, material),
        b: end('drain-socket', 'IPS', small, material),
        source: d3311('increaser and reducer'),
      }),
    ),
    ...BUSHINGS.map(([socket, pipe]) =>
      inline({
        id: `bushing.drain.${key}.${socket}x${pipe}`,
        family: 'bushing',
        name: `${word} flush drain bushing, ${socket} in spigot × ${pipe} in socket`,
        material,
        heatSensitive: true,
        // the smaller socket lies within the spigot: all of it is no longer than that and its lip
        layingMm: LIP_MM - depthMm(pipe),
        a: end('spigot', 'IPS', socket, material),
        b: end('drain-socket', 'IPS', pipe, material),
        source: d3311('flush bushing'),
      }),
    ),
  ]
}

/** Bushings whose smaller socket stands wholly out of the larger one: its bottom lies at the larger one's mouth. */
export function extendedBushings(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    BUSHINGS.map(([socket, pipe]) =>
      inline({
        id: `bushing.extended.${key}.${socket}x${pipe}`,
        family: 'bushing',
        name: `${word} extended drain bushing, ${socket} in spigot × ${pipe} in socket`,
        material,
        heatSensitive: true,
        layingMm: LIP_MM,
        a: end('spigot', 'IPS', socket, material),
        b: end('drain-socket', 'IPS', pipe, material),
        source: d3311('extended bushing'),
      }),
    ),
  )
}

/** Solvent traps: size, the swing of the bend, from its leg to the outlet's mouth, the inlet's mouth over its middle; inches. */
export const SOLVENT_TRAPS: readonly (readonly [
  '1-1/2' | '2',
  swingIn: number,
  armIn: number,
  inletIn: number,
])[] = [
  ['1-1/2', 3.5, 2.5, 1],
  ['2', 4.5, 3, 1.25],
]

function traps([material, key, word]: Plastic): Fitting[] {
  return SOLVENT_TRAPS.flatMap(([size, swingIn, armIn, inletIn]) => {
    const outlet = end('drain-socket', 'IPS', size, material)
    const made = (
      inlet: typeof outlet,
      id: string,
      name: string,
      more: Pick<Fitting, 'opens'> = {},
    ): Fitting => ({
      ...more,
      id,
      family: 'p-trap',
      name,
      material,
      heatSensitive: true,
      // from pipe to pipe along its two legs, both home
      layingMm: (swingIn + armIn + inletIn) * IN - fullDepthMm(outlet) - fullDepthMm(inlet),
      source: TRAP_SHEET,
      ports: [
        {
          ...outlet,
          id: 'a',
          pose: { origin: [-(swingIn + armIn) * IN, 0, 0], axis: [-1, 0, 0], rollDegrees: 0 },
        },
        { ...inlet, id: 'b', pose: { origin: [0, inletIn * IN, 0], axis: [0, 1, 0], rollDegrees: 0 } },
      ],
    })
    return [
      made(outlet, `p-trap.${key}.${size}`, `${word} P-trap, ${size} in, cemented at both ends`),
      ...(size === '1-1/2'
        ? [
            made(
              end('slip-joint', 'tubular', size, material),
              `p-trap.${key}.slip.${size}`,
              `${word} P-trap, ${size} in, slip nut at the inlet`,
            ),
          ]
        : []),
    ]
  })
}

/** The same traps with what opens them: a nut between the bend and its outlet, or a plug under the bend. */
export function openingTraps(): Fitting[] {
  const said = { union: 'with a union', cleanout: 'with a cleanout plug' } as const
  return DRAIN_PLASTICS.flatMap((plastic) => traps(plastic)).flatMap((trap) =>
    trap.ports.every(({ form }) => form === 'drain-socket')
      ? (['union', 'cleanout'] as const).map((opens) => ({
          ...trap,
          id: trap.id.replace(/\.([^.]+)$/, `.${opens}.$1`),
          name: trap.name.replace(', cemented', ` ${said[opens]}, cemented`),
          opens,
        }))
      : [],
  )
}

const HEIGHTS = Object.values(STANDPIPES)
/** The least and the most that any code has a standpipe stand above its trap, mm. */
const STANDPIPE_MM = {
  min: Math.min(...HEIGHTS.map(({ leastMm }) => leastMm)),
  max: Math.max(...HEIGHTS.map(({ mostMm }) => mostMm)),
}
/** As it is drawn and carried before it is cut: between the two. */
const STANDPIPE_DRAWN_MM = (STANDPIPE_MM.min + STANDPIPE_MM.max) / 2

/** Pipe that is cut as a standpipe: open above. */
export function standpipeOf(id: string, name: string, a: PortEnd): Fitting {
  return inline({
    id,
    family: 'standpipe',
    name,
    material: a.material as PipeMaterial,
    heatSensitive: true,
    layingMm: 2 * STANDPIPE_DRAWN_MM,
    lengthMm: STANDPIPE_MM,
    a,
    source: { title: 'Cut on the job', certainty: 'common practice' },
  })
}

function standpipes([material, key, word]: Plastic): Fitting[] {
  return (['1-1/2', '2'] as const).map((size) =>
    standpipeOf(
      `standpipe.${key}.${size}`,
      `${word} pipe, ${size} in, cut as the standpipe`,
      end('tube', 'IPS', size, material),
    ),
  )
}

/** Fittings of plastic drain pipe that are cemented, and the traps among them. */
export function solventFittings(): Fitting[] {
  return DRAIN_PLASTICS.flatMap((plastic) => [
    ...bends(plastic),
    ...reducers(plastic),
    ...traps(plastic),
    ...standpipes(plastic),
  ])
}
