import type { Source } from './source'
import { BSP, NPT } from './threads'
import type { DimensionalSystem, NominalSize } from './types'

const IN = 25.4

/** How far a pipe goes into an end, as a range in mm: least that holds, and full depth. */
export interface Engagement {
  readonly minMm: number
  readonly maxMm: number
  readonly source: Source
}

const B16_22: Source = {
  title: 'ASME B16.22 wrought copper solder-joint fittings',
  table: 'dimensions of solder joint ends',
  certainty: 'recalled',
}
const EN1254_1: Source = {
  title: 'EN 1254-1 capillary fittings',
  table: 'lengths of engagement, end feed',
  certainty: 'recalled',
}
const D2846_SOCKET: Source = {
  title: 'ASTM D2846',
  table: 'tapered socket dimensions, length of socket',
  certainty: 'recalled',
}
const D2466: Source = {
  title: 'ASTM D2466 schedule 40 PVC fittings',
  table: 'tapered socket depths',
  certainty: 'recalled',
}
const makersSheet = (title: string): Source => ({ title, certainty: "maker's sheet" })

/** The sizes that one figure each is kept for. */
type TubeSize = `${'CTS' | 'metric' | 'metric-waste' | 'OD' | 'IPS' | 'ID' | 'tubular'}:${NominalSize}`

const CUP_MM: Partial<Record<TubeSize, number>> = {
  'CTS:1/4': 0.31 * IN,
  'CTS:3/8': 0.38 * IN,
  'CTS:1/2': 0.5 * IN,
  'CTS:5/8': 0.62 * IN,
  'CTS:3/4': 0.75 * IN,
  'CTS:1': 0.91 * IN,
  'CTS:1-1/4': 0.97 * IN,
  'CTS:1-1/2': 1.09 * IN,
  'CTS:2': 1.34 * IN,
  'metric:8': 6.8,
  'metric:10': 7.8,
  'metric:12': 8.6,
  'metric:15': 10.6,
  'metric:18': 12.6,
  'metric:22': 15.4,
  'metric:28': 18.4,
  'metric:35': 23,
  'metric:42': 27,
  'metric:54': 32,
}

/** Sockets of copper-tube-size CPVC: about 0.8 of the outside diameter. */
const CEMENT_SOCKET_MM: Partial<Record<TubeSize, number>> = {
  'CTS:1/2': 0.489 * IN,
  'CTS:3/4': 0.699 * IN,
  'CTS:1': 0.899 * IN,
  'CTS:1-1/4': 1.099 * IN,
  'CTS:1-1/2': 1.299 * IN,
  'CTS:2': 1.699 * IN,
}

/** Schedule 40 PVC sockets of iron pipe size. */
const PVC_SOCKET_MM: Partial<Record<TubeSize, number>> = {
  'IPS:1/2': 0.688 * IN,
  'IPS:3/4': 0.719 * IN,
  'IPS:1': 0.875 * IN,
  'IPS:1-1/4': 0.938 * IN,
  'IPS:1-1/2': 1.094 * IN,
  'IPS:2': 1.156 * IN,
}

const PUSH_FIT_MM: Partial<Record<TubeSize, number>> = {
  'CTS:1/4': 16,
  'CTS:3/8': 22,
  'CTS:1/2': 24,
  'CTS:5/8': 26,
  'CTS:3/4': 28.5,
  'CTS:1': 33,
  'CTS:1-1/4': 42,
  'CTS:1-1/2': 46,
  'CTS:2': 54,
  'metric:10': 20,
  'metric:12': 20,
  'metric:15': 25,
  'metric:22': 29,
  'metric:28': 32,
}

// tube inside a compression body, from the mouth of the body to its stop
const COMPRESSION_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 9,
  'CTS:1/2': 11,
  'CTS:5/8': 12,
  'CTS:3/4': 13,
  'CTS:1': 15,
  'OD:1/4': 7,
  'OD:3/8': 8.5,
  'OD:1/2': 9,
  'metric:8': 8,
  'metric:10': 9,
  'metric:12': 10,
  'metric:15': 11.5,
  'metric:18': 12,
  'metric:22': 13,
  'metric:28': 15,
  'metric:35': 18,
  'metric:42': 20,
  'metric:54': 23,
}

const CRIMP_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 15,
  'CTS:1/2': 16,
  'CTS:5/8': 17,
  'CTS:3/4': 17.5,
  'CTS:1': 21,
  'CTS:1-1/4': 25,
}

const EXPANSION_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 14,
  'CTS:1/2': 16,
  'CTS:5/8': 19,
  'CTS:3/4': 22,
  'CTS:1': 28,
  'CTS:1-1/4': 34,
  'metric:16': 16,
  'metric:20': 20,
  'metric:25': 25,
  'metric:32': 32,
}

/** Sleeve or press barbs for crosslinked tube. */
const SLEEVE_MM: Partial<Record<TubeSize, number>> = {
  'CTS:1/2': 17,
  'CTS:3/4': 20,
  'CTS:1': 25,
  'metric:16': 18,
  'metric:20': 20,
  'metric:25': 24,
  'metric:26': 24,
  'metric:32': 28,
}

/** Cups of press fittings for copper and stainless tube. */
const PRESS_MM: Partial<Record<TubeSize, number>> = {
  'CTS:1/2': 19,
  'CTS:3/4': 22,
  'CTS:1': 23,
  'CTS:1-1/4': 26,
  'CTS:1-1/2': 36,
  'CTS:2': 40,
  'metric:12': 18,
  'metric:15': 20,
  'metric:18': 20,
  'metric:22': 21,
  'metric:28': 23,
  'metric:35': 26,
  'metric:42': 30,
  'metric:54': 35,
}

/** Flared tube over a cone: what is seen of the cone, not an insertion. */
const FLARE_MM: Partial<Record<TubeSize, number>> = {
  'CTS:3/8': 5,
  'CTS:1/2': 6,
  'CTS:3/4': 7,
  'CTS:1': 8,
  'OD:1/4': 4,
  'OD:3/8': 5,
  'OD:1/2': 5,
}

/** Gasketed couplings over plain pipe of iron pipe size: least and usual insertion differ widely. */
const GASKET_MM: Partial<Record<TubeSize, number>> = {
  'IPS:1/2': 38,
  'IPS:3/4': 40,
  'IPS:1': 42,
  'IPS:1-1/4': 45,
  'IPS:1-1/2': 48,
  'IPS:2': 52,
}

/** Insert barbs of polyethylene pipe that is named by its bore, two clips to a joint. */
const POLY_INSERT_MM: Partial<Record<TubeSize, number>> = {
  'ID:1/2': 28,
  'ID:3/4': 30,
  'ID:1': 32,
  'ID:1-1/4': 34,
  'ID:1-1/2': 36,
  'ID:2': 40,
}

/** Compression bodies for metric polyethylene. */
const POLY_COMPRESSION_MM: Partial<Record<TubeSize, number>> = {
  'metric:20': 42,
  'metric:25': 48,
  'metric:32': 56,
  'metric:40': 66,
  'metric:50': 78,
  'metric:63': 92,
}

/** Sockets of drain, waste and vent fittings of iron pipe size: shallower than those that hold pressure up to 2 in. */
const DRAIN_SOCKET_MM: Partial<Record<TubeSize, number>> = {
  'IPS:1-1/4': (11 / 16) * IN,
  'IPS:1-1/2': (11 / 16) * IN,
  'IPS:2': (3 / 4) * IN,
  'IPS:3': 1.5 * IN,
  'IPS:4': 1.75 * IN,
  'metric-waste:32': 22,
  'metric-waste:40': 26,
  'metric-waste:50': 30,
  'metric-waste:110': 48,
}

/** A nut and a rubber ring round metric waste pipe, from the mouth of the nut to the stop. */
const WASTE_COMPRESSION_MM: Partial<Record<TubeSize, number>> = {
  'metric-waste:32': 30,
  'metric-waste:40': 33,
  'metric-waste:50': 36,
}

/** Fins of a pan connector: round the bowl's spigot, and in the pipe; they slide a good way. */
const PAN_FINS_MM: Partial<Record<TubeSize, number>> = { 'metric:110': 40 }
const PIPE_FINS_MM = {
  'metric-waste:110': 50,
  'metric:110': 50,
  'service:4': 50,
} as Partial<Record<TubeSize, number>>

/** What a ring socket leaves open behind the pipe, so that hot water may make it longer, mm. */
export const RING_GAP_MM = 10
/** Metric waste in a ring socket, as it stays: pushed home, then drawn back by the gap. */
const RING_SOCKET_MM: Partial<Record<TubeSize, number>> = Object.fromEntries(
  (['metric-waste', 'metric'] as const).flatMap((system) =>
    (['32', '40', '50'] as const).map((size, index) => [`${system}:${size}`, 32 + 2 * index]),
  ),
)
RING_SOCKET_MM['metric:110'] = 60

/** One figure for each size of the systems that a coupling of drains is made for, in millimetres. */
function ofDrains(systems: readonly string[], inches: Readonly<Record<NominalSize, number>>) {
  return Object.fromEntries(
    systems.flatMap((system) =>
      Object.entries(inches).map(([nominal, figure]) => [`${system}:${nominal}`, figure * IN]),
    ),
  ) as Partial<Record<TubeSize, number>>
}
const IRON = ['hubless', 'service', 'heavy'] as const

/**
 * Half of a shielded coupling, to its stop: 2-1/8 in wide up to 3 in and 3 in wide at 4 (CISPI 310), the stop an eighth
 * and a quarter.
 */
const SHIELD_MM = ofDrains(['IPS', 'CTS', 'ID', ...IRON], {
  '1-1/4': 1,
  '1-1/2': 1,
  '2': 1,
  '3': 1,
  '4': 1.375,
})

/** Half of a bare rubber coupling, to its middle: a band's width and room behind it. */
const FLEXIBLE_MM = ofDrains(['IPS', 'CTS', 'ID', 'barrel', ...IRON], {
  '1-1/4': 1.25,
  '1-1/2': 1.5,
  '2': 1.75,
  '3': 2,
  '4': 2.25,
})

/** Hubs of iron pipe, from the mouth to where a spigot stands. */
const HUB_MM = ofDrains(['service', 'heavy'], { '2': 2.5, '3': 2.75, '4': 3 })

/** What of a closet flange goes into pipe. */
const INSIDE_MM = ofDrains(['IPS'], { '3': 1.5, '4': 1.75 })
const BORE_GASKET_MM = ofDrains(IRON, { '3': 2, '4': 2 })
const TWIST_MM = ofDrains(['IPS', 'service', 'hubless'], { '3': 2, '4': 2 })

/** A floor drain's gasket round the pipe that stands up in it: up to the ridge under its strainer, and less. */
const RING_GASKET_MM = ofDrains(['IPS'], { '1-1/2': 1.25, '2': 1.25 })

/**
 * What stands over a floor when a bowl is set down: the flange of a new one, as thick as its plate; what a seal makes up
 * for over or under an old one. Below nothing it lies under the floor. By the seal, see the methods.
 */
const FLANGE_MM = ofDrains(['IPS'], { '4': 0.25 })
const OLD_FLANGE_MM = ofDrains(['IPS'], { '4': 0.5 })
const NO_DEPTH_MM = ofDrains(['IPS'], { '4': 0 })

/** Tubular drain through a slip nut and its washer: it may slide a good way. */
const SLIP_MM: Partial<Record<TubeSize, number>> = {
  'tubular:1-1/4': 1.5 * IN,
  'tubular:1-1/2': 1.5 * IN,
}

/** Slip-on tub spouts over the stub. */
const SPOUT_MM: Partial<Record<TubeSize, number>> = { 'CTS:1/2': 25 }

/** A cup that is expanded on the job is shallower than a bought one: three quarters of it. */
const EXPANDED_SHARE = 0.75
const EXPANDED_MM: Partial<Record<TubeSize, number>> = Object.fromEntries(
  Object.entries(CUP_MM).map(([size, mm = 0]) => [size, EXPANDED_SHARE * mm]),
)

const TABLES = {
  'solder-cup': { mm: CUP_MM, slack: 1 },
  'filed-cup': { mm: CUP_MM, slack: 1 },
  'expanded-cup': { mm: EXPANDED_MM, slack: 1 },
  'cement-socket': { mm: CEMENT_SOCKET_MM, slack: 1.5 },
  'pvc-socket': { mm: PVC_SOCKET_MM, slack: 2 },
  'push-fit': { mm: PUSH_FIT_MM, slack: 1 },
  compression: { mm: COMPRESSION_MM, slack: 2 },
  'insert-barb': { mm: CRIMP_MM, slack: 1 },
  'expansion-barb': { mm: EXPANSION_MM, slack: 1 },
  'sleeve-barb': { mm: SLEEVE_MM, slack: 1 },
  'press-cup': { mm: PRESS_MM, slack: 1 },
  'flare-male': { mm: FLARE_MM, slack: 0.5 },
  'gasket-socket': { mm: GASKET_MM, slack: 15 },
  'poly-barb': { mm: POLY_INSERT_MM, slack: 2 },
  'poly-compression': { mm: POLY_COMPRESSION_MM, slack: 3 },
  'slip-spout': { mm: SPOUT_MM, slack: 6 },
  'drain-socket': { mm: DRAIN_SOCKET_MM, slack: 1.5 },
  spigot: { mm: DRAIN_SOCKET_MM, slack: 1.5 },
  'slip-joint': { mm: SLIP_MM, slack: IN },
  shielded: { mm: SHIELD_MM, slack: 3 },
  hub: { mm: HUB_MM, slack: 12 },
  flexible: { mm: FLEXIBLE_MM, slack: 10 },
  'pipe-inside': { mm: INSIDE_MM, slack: 3 },
  'bore-gasket': { mm: BORE_GASKET_MM, slack: 6 },
  'twist-in': { mm: TWIST_MM, slack: 6 },
  'ring-gasket': { mm: RING_GASKET_MM, slack: 12 },
  'closet-flange': { mm: FLANGE_MM, slack: 0 },
  'old-flange': { mm: OLD_FLANGE_MM, slack: 0.75 * IN },
  'broken-flange': { mm: NO_DEPTH_MM, slack: 0 },
  'ring-under': { mm: NO_DEPTH_MM, slack: 0 },
  'stack-under': { mm: NO_DEPTH_MM, slack: 0 },
  'closet-outlet': { mm: NO_DEPTH_MM, slack: 0 },
  'waste-compression': { mm: WASTE_COMPRESSION_MM, slack: 8 },
  'trap-outlet': { mm: WASTE_COMPRESSION_MM, slack: 8 },
  'ring-socket': { mm: RING_SOCKET_MM, slack: 6 },
  'pan-fins': { mm: PAN_FINS_MM, slack: 15 },
  'pipe-fins': { mm: PIPE_FINS_MM, slack: 15 },
} as const

export type TubeEnd = keyof typeof TABLES

function sourceOf(end: TubeEnd, system: DimensionalSystem): Source {
  switch (end) {
    case 'expanded-cup':
      return {
        title: 'Sleeve expanded on the job: shallower than a bought cup',
        certainty: 'common practice',
      }
    case 'solder-cup':
    case 'filed-cup':
      return system === 'metric' ? EN1254_1 : B16_22
    case 'cement-socket':
      return D2846_SOCKET
    case 'push-fit':
      return makersSheet('Push-fit insertion depth, typical')
    case 'compression':
      return makersSheet('Compression body depth, typical')
    case 'insert-barb':
      return makersSheet('Insert fitting barb length, typical')
    case 'expansion-barb':
      return makersSheet('Expansion fitting barb length, typical')
    case 'pvc-socket':
      return D2466
    case 'drain-socket':
    case 'spigot':
      if (system === 'metric-waste')
        return {
          title: 'EN 1329-1, EN 1455-1 and EN 1566-1 solvent waste',
          table: 'length of the socket',
          certainty: 'recalled',
        }
      return { title: 'ASTM D2665 and D2661 drain fittings', table: 'socket depths', certainty: 'recalled' }
    case 'shielded':
      return {
        title: 'CISPI 310 and ASTM C1460 couplings',
        table: 'width of the coupling',
        certainty: 'recalled',
      }
    case 'hub':
      return { title: 'ASTM A74 hubs', table: 'depth of the hub', certainty: 'recalled' }
    case 'flexible':
      return makersSheet('Unshielded flexible coupling, half its length, typical')
    case 'pipe-inside':
      return { title: 'ASTM D2665 and D2661 drain fittings', table: 'socket depths', certainty: 'recalled' }
    case 'bore-gasket':
    case 'twist-in':
      return makersSheet('Closet flange that seals inside the pipe, typical')
    case 'ring-gasket':
      return makersSheet('Floor drain with a tightened gasket, typical')
    case 'closet-flange':
    case 'old-flange':
    case 'broken-flange':
    case 'ring-under':
    case 'stack-under':
    case 'closet-outlet':
      return makersSheet('Closet flanges and seals, typical')
    case 'waste-compression':
    case 'trap-outlet':
      return makersSheet('Compression waste fittings, pipe to its stop, typical')
    case 'pan-fins':
    case 'pipe-fins':
      return makersSheet('Pan connectors, fins, typical')
    case 'ring-socket':
      return makersSheet('Ring sockets of waste, the gap for expansion left, typical')
    case 'slip-joint':
      return makersSheet('Slip joint, tube through the nut, typical')
    case 'sleeve-barb':
      return makersSheet('Press sleeve fitting barb length, typical')
    case 'press-cup':
      return makersSheet('Press fitting insertion depth, typical')
    case 'flare-male':
      return { title: 'SAE J512 45 degree flare, cone', certainty: 'recalled' }
    case 'gasket-socket':
      return makersSheet('Gasketed coupling, insertion, typical')
    case 'poly-barb':
      return makersSheet('Polyethylene insert barb, typical')
    case 'poly-compression':
      return makersSheet('Polyethylene compression body, typical')
    case 'slip-spout':
      return makersSheet('Slip-on spout, depth over the stub, typical')
  }
}

/**
 * How far tube goes into (or over) a fitting end.
 *
 * @returns the range in mm with its source, or undefined where that end is not made in that size
 */
export function tubeEngagement(
  end: TubeEnd,
  system: DimensionalSystem,
  nominal: NominalSize,
): Engagement | undefined {
  // forms that take no tube have no table
  const table = (TABLES as Readonly<Partial<typeof TABLES>>)[end]
  const maxMm = table?.mm[`${system}:${nominal}` as TubeSize]
  if (!table || maxMm === undefined) return undefined
  return { minMm: maxMm - table.slack, maxMm, source: sourceOf(end, system) }
}

/** Turns from hand-tight to home: three threads of wrench make-up (L3) of NPT; the fitting allowance of 55 degree threads. */
const HOME_TURNS = { NPT: () => 3, BSP: (nominal: NominalSize) => (nominal === '2' ? 3.25 : 2.75) } as const

/**
 * Make-up of a taper thread: its hand-tight or gauge length, and one turn of the wrench to all that is allowed for it
 * (ASME B1.20.1, L1 and L3; ISO 7-1, fitting allowance).
 */
export function threadEngagement(system: 'NPT' | 'BSP', nominal: NominalSize): Engagement | undefined {
  const thread = (system === 'NPT' ? NPT : BSP).find((row) => row.nominal === nominal)
  if (!thread) return undefined
  const pitch = IN / thread.threadsPerInch
  return {
    minMm: thread.handTightMm + pitch,
    maxMm: thread.handTightMm + HOME_TURNS[system](nominal) * pitch,
    source: { ...thread.source, certainty: 'formula' },
  }
}
