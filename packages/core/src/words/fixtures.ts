import { BASIN_WASTES, type WasteCloser } from '../assembly/bodies/basins'
import {
  IRON_RUN_BRANCHES,
  isMetricBranch,
  METRIC_RUN_BRANCHES,
  RUN_BRANCHES,
  type RunBranch,
  TWO_SIDED_BRANCHES,
} from '../assembly/bodies/runBranches'
import type { KeptStopId } from '../assembly/oldJoints/keptStops'
import type { RunFeature } from '../fitup/whereToCut'
import { nominalNumber } from '../reference/types'
/** How a new basin waste is closed, as it is asked beside its tail. */
export const WASTE_CLOSER_WORDS: Readonly<Record<WasteCloser, string>> = {
  push: 'New, pushed to close',
  rod: 'New, by the faucet’s rod',
  open: 'New, always open',
}
const CLOSED_BY: Readonly<Record<WasteCloser, string>> = {
  push: 'pushed to close',
  rod: 'closed by a rod',
  open: 'always open',
}
/** What goes in, as it is asked. Ids are those of the assembly's kinds of bodies. */
export const FIXTURE_WORDS: Readonly<Record<string, string>> = {
  'faucet.shank.1/2': 'Faucet, 1/2 in threaded shanks',
  'faucet.hose.3/8': 'Faucet with own hoses, 3/8 in compression',
  'tap.tail.1/2': 'Tap, 1/2 in parallel tails',
  'tap.hose.1/2': 'Tap with own hoses, 1/2 in parallel nuts',
  'tap.tail.3/4': 'Bath tap, 3/4 in parallel tails',
  'toilet.fill.7/8': 'Toilet, 7/8 in fill valve',
  'toilet.fill.g3/8': 'Toilet, 3/8 in parallel fill valve',
  'toilet.fill.g1/2': 'Toilet, 1/2 in parallel fill valve',
  'appliance.comp.3/8': 'Dishwasher, 3/8 in compression',
  'appliance.comp.1/4': 'Ice maker or filter, 1/4 in compression',
  'washer.hose': 'Washing machine, hose thread',
  'washer.hose.g3/4': 'Washing machine, 3/4 in parallel hose',
  'hose.outlet': 'Hose bib',
  'heater.nipple.3/4': 'Water heater, 3/4 in nipple',
  'valve.combo.1/2': 'Shower or tub valve, 1/2 in thread or solder',
  'valve.female.1/2': 'Shower or tub valve, 1/2 in female thread',
  'valve.barb.1/2': 'Shower or tub valve, 1/2 in PEX insert',
  'valve.expansion.1/2': 'Shower or tub valve, 1/2 in PEX expansion',
  'valve.bsp.1/2': 'Shower valve, 1/2 in 55 degree thread',
  'valve.compression.15': 'Shower valve, 15 mm compression',
  'spout.slip.1/2': 'Tub spout, slips on 1/2 in copper',
  'spout.thread.1/2': 'Tub spout, 1/2 in female thread',
  'spout.bsp.1/2': 'Tub spout, 1/2 in 55 degree female thread',
  'arm.1/2': 'Shower arm, 1/2 in',
  'arm.bsp.1/2': 'Shower arm, 1/2 in 55 degree thread',
  closed: 'Close the line off',
  'run.repair': 'A repair in the run',
  'run.tee': 'A tee into the run',
  'run.valve': 'A valve into the run',
  'waste.tail.1-1/4': 'Tailpiece, 1-1/4 in tubular',
  'waste.tail.1-1/2': 'Tailpiece, 1-1/2 in tubular',
  'run.corner': 'A new corner in the run',
  'riser.hose.3/8': 'The old connector stays, flexible and sound, 3/8 in nut',
  'riser.hose.1/2': 'The old connector stays, flexible and sound, 1/2 in parallel nut',
  'toilet.riser.hose.3/8': 'The old connector stays, flexible and sound, 3/8 in nut at the stop',
  'valve.three.1/2': 'Shower valve with three outlets, 1/2 in thread or solder',
  'valve.three.bsp.1/2': 'Shower valve with three outlets, 1/2 in 55 degree thread',
  'spray.1/2': 'Body spray, 1/2 in',
  'spray.bsp.1/2': 'Body spray, 1/2 in 55 degree thread',
  'toilet.fill.15/16': 'Toilet, 15/16 in fill valve',
  'waste.bowl': 'Toilet bowl on its flange',
  'waste.shower.2': 'Shower drain, 2 in',
  'waste.tub.1-1/2': 'Tub waste and overflow, 1-1/2 in tail with a slip nut',
  'waste.tub.glued.1-1/2': 'Tub waste and overflow of 1-1/2 in pipe, cemented',
  'waste.standpipe': 'Standpipe of a washing machine',
  'waste.run.repair': 'New pipe for what is bad',
  'waste.run.cleanout': 'A cleanout into the run',
  'waste.sink.centre': 'Two bowls, the trap between them',
  'waste.sink.end': 'Two bowls, the trap under one',
  'waste.disposer': 'A disposer alone',
  'waste.disposer.two': 'A disposer and a second bowl',
  'waste.sink.dish': 'One bowl, 1-1/2 in, with a dishwasher',
  'waste.sink.centre.dish': 'Two bowls, the trap between them, with a dishwasher',
  'waste.sink.end.dish': 'Two bowls, the trap under one, with a dishwasher',
  'waste.disposer.dish': 'A disposer alone, with a dishwasher',
  'waste.disposer.two.dish': 'A disposer and a second bowl, with a dishwasher',
  'waste.shower.1-1/2': 'Shower drain, 1-1/2 in, where it is accepted',
  ...Object.fromEntries(
    RUN_BRANCHES.map(({ id, insert, size }) => [
      id,
      `A branch of ${size} in into ${insert === 'tee' ? 'upright' : 'lying'} pipe`,
    ]),
  ),
  'waste.tail.g1-1/4': 'Waste with 1-1/4 in parallel thread',
  'waste.tail.g1-1/2': 'Waste with 1-1/2 in parallel thread',
  'waste.shower.40': 'Shower waste with its own trap, 40 mm',
  'waste.shower.50': 'Shower waste with its own trap, 50 mm',
  'waste.pan': 'Toilet bowl with its own spigot, to a connector',
  ...Object.fromEntries(
    METRIC_RUN_BRANCHES.map(({ id, insert, size }) => [
      id,
      `A branch of ${size} mm into ${insert === 'tee' ? 'upright' : 'lying'} pipe`,
    ]),
  ),
  'waste.closed': 'Nothing: the old drain is closed off',
  'box.combo.1/2': 'Washing-machine box in the wall, 1/2 in thread or solder',
  'box.barb.1/2': 'Washing-machine box in the wall, 1/2 in PEX insert',
  'box.expansion.1/2': 'Washing-machine box in the wall, 1/2 in PEX expansion',
  'waste.box.2': 'Drain of a washing-machine box, 2 in',
  ...Object.fromEntries(
    TWO_SIDED_BRANCHES.map(({ id, size, second }) => [
      id,
      second?.at === 'opposite'
        ? `Two branches of ${size} in into upright pipe, opposite each other`
        : `A branch of ${size} in into upright pipe, a side inlet of ${second?.size} in ${second?.at}`,
    ]),
  ),
  'waste.shower.clamped.2': 'Shower drain in a pan made on the spot, its liner clamped, 2 in',
  ...Object.fromEntries(
    BASIN_WASTES.map(({ id, closes, tail }) => [
      id,
      `New basin waste, ${CLOSED_BY[closes]}, ${tail.includes('.g') ? '1-1/4 in parallel thread' : '1-1/4 in tubular'}`,
    ]),
  ),
  ...Object.fromEntries(
    IRON_RUN_BRANCHES.map(({ id, insert, size }) => [
      id,
      `A branch of ${size} in iron into ${insert === 'tee' ? 'upright' : 'lying'} pipe`,
    ]),
  ),
  'waste.tub.leg.1-1/2': 'Waste and overflow of a tub on legs, in sight, 1-1/2 in tail',
}

/** What goes in, by its id. */
export const fixtureText = (id: string): string => FIXTURE_WORDS[id] ?? id

/** What a job is about, as it is asked. */
export const WORKED_ON_WORDS: Readonly<Record<string, string>> = {
  basin: 'Basin',
  sink: 'Kitchen sink',
  toilet: 'Toilet',
  tub: 'Tub',
  shower: 'Shower',
  'tub-shower': 'Tub and shower',
  washer: 'Washing machine',
  dishwasher: 'Dishwasher',
  bib: 'Hose bib',
  heater: 'Water heater',
  run: 'A run of pipe',
  drain: 'A run of drain',
  other: 'Something else',
}

/** What the place is asked for a kind of fixture besides the stub. */
export type FixtureAsk = 'stop' | 'reach' | 'freezing' | 'span' | 'outlets' | 'run'

/** What goes in, by kind: first what it is, then which end it has. */
export const FIXTURE_GROUPS: readonly {
  readonly id: string
  readonly label: string
  readonly ends: readonly string[]
  readonly asks: readonly FixtureAsk[]
}[] = [
  {
    id: 'faucet',
    label: 'Faucet',
    ends: ['faucet.shank.1/2', 'faucet.hose.3/8', 'riser.hose.3/8'],
    asks: ['stop', 'reach'],
  },
  {
    id: 'tap',
    label: 'Tap',
    ends: ['tap.tail.1/2', 'tap.hose.1/2', 'tap.tail.3/4', 'riser.hose.1/2'],
    asks: ['stop', 'reach'],
  },
  {
    id: 'toilet',
    label: 'Toilet',
    ends: [
      'toilet.fill.7/8',
      'toilet.fill.15/16',
      'toilet.fill.g3/8',
      'toilet.fill.g1/2',
      'toilet.riser.hose.3/8',
    ],
    asks: ['stop', 'reach'],
  },
  {
    id: 'appliance',
    label: 'Dishwasher, filter',
    ends: ['appliance.comp.3/8', 'appliance.comp.1/4'],
    asks: ['stop', 'reach'],
  },
  { id: 'washer', label: 'Washing machine', ends: ['washer.hose', 'washer.hose.g3/4'], asks: [] },
  {
    id: 'box',
    label: 'Box in the wall',
    ends: ['box.combo.1/2', 'box.barb.1/2', 'box.expansion.1/2'],
    asks: ['span'],
  },
  {
    id: 'run',
    label: 'Into a run',
    ends: ['run.repair', 'run.corner', 'run.tee', 'run.valve'],
    asks: ['run'],
  },
  { id: 'bib', label: 'Hose bib', ends: ['hose.outlet'], asks: ['freezing'] },
  {
    id: 'shower',
    label: 'Shower, tub',
    ends: [
      'valve.combo.1/2',
      'valve.female.1/2',
      'valve.barb.1/2',
      'valve.expansion.1/2',
      'valve.bsp.1/2',
      'valve.compression.15',
      'valve.three.1/2',
      'valve.three.bsp.1/2',
    ],
    asks: ['outlets', 'span'],
  },
  {
    id: 'outlet',
    label: 'Spout, arm',
    ends: [
      'spout.slip.1/2',
      'spout.thread.1/2',
      'spout.bsp.1/2',
      'arm.1/2',
      'arm.bsp.1/2',
      'spray.1/2',
      'spray.bsp.1/2',
    ],
    asks: [],
  },
  { id: 'heater', label: 'Water heater', ends: ['heater.nipple.3/4'], asks: ['reach'] },
  { id: 'closed', label: 'Close it off', ends: ['closed'], asks: [] },
]

const TAILS: readonly string[] = [
  'waste.tail.1-1/4',
  'waste.tail.1-1/2',
  'waste.tail.g1-1/4',
  'waste.tail.g1-1/2',
]
const TUBS: readonly string[] = [
  'waste.tub.1-1/2',
  'waste.tub.glued.1-1/2',
  'waste.tub.leg.1-1/2',
  'waste.tail.g1-1/2',
]
/** Into a run; of branches the usual size of each kind, others are asked for beside it. */
const RUN_WASTES: readonly string[] = [
  'waste.run.repair',
  'waste.run.cleanout',
  'waste.run.tee.2',
  'waste.run.wye.2',
]
const SHOWERS: readonly string[] = [
  'waste.shower.2',
  'waste.shower.clamped.2',
  'waste.shower.1-1/2',
  'waste.shower.40',
  'waste.shower.50',
]
/** What may drain into a new branch, with the least and the largest that is put in for it, inches; common practice. */
const SIDES: readonly Side[] = [
  ['waste.tail.1-1/2', 1.5, 2],
  ['waste.tail.1-1/4', 1.5, 2],
  ['waste.standpipe', 2, 3],
  ['waste.box.2', 2, 3],
  ['waste.shower.2', 2, 3],
  ['waste.shower.clamped.2', 2, 3],
  ['waste.tub.1-1/2', 1.5, 2],
  ['waste.bowl', 3, 4],
]
/** The same of metric waste, millimetres by name. */
const METRIC_SIDES: readonly Side[] = [
  ['waste.tail.g1-1/4', 32, 50],
  ['waste.tail.g1-1/2', 40, 50],
  ['waste.standpipe', 40, 50],
  ['waste.shower.40', 40, 50],
  ['waste.shower.50', 50, 50],
  ['waste.pan', 110, 110],
]
type Side = readonly [kind: string, least: number, most: number]
/** What a pump or a whole bowl sends in at once: it would shoot across into a side right opposite. */
const SHOOTS: readonly string[] = ['waste.standpipe', 'waste.box.2', 'waste.bowl']
/** The same for a branch of that size, the usual first; of a tee with a second side, what may come in there. */
export function sideWastes(size: RunBranch['size'], second?: RunBranch['second']): readonly string[] {
  const rows = isMetricBranch(size) ? METRIC_SIDES : SIDES
  const wide = nominalNumber(size)
  return rows
    .filter(([kind, least, most]) => {
      const shot = second?.at === 'opposite' && SHOOTS.includes(kind)
      return wide >= least && wide <= most && !shot
    })
    .map(([kind]) => kind)
}

/** What a branch is called by the sides that it has. */
export function sidesText(second: RunBranch['second']): string {
  if (!second) return 'One side'
  return second.at === 'opposite'
    ? 'Two sides, opposite each other'
    : `A side inlet of ${second.size} in, ${second.at}`
}

/** Of a fixture that goes, wherever it stood; of a run there is no end to close. */
const CLOSED: readonly string[] = ['waste.closed']
/** What waste leaves by, by what is worked on; a tailpiece where nothing is said. */
export const WASTES_OF: Readonly<Record<string, readonly string[]>> = {
  toilet: ['waste.bowl', 'waste.pan'],
  sink: [
    'waste.tail.1-1/2',
    'waste.sink.centre',
    'waste.sink.end',
    'waste.disposer',
    'waste.disposer.two',
    'waste.tail.g1-1/2',
  ],
  tub: [...TUBS, ...SHOWERS],
  'tub-shower': [...TUBS, ...SHOWERS],
  shower: SHOWERS,
  washer: ['waste.standpipe', 'waste.box.2'],
  drain: RUN_WASTES,
  other: [
    ...TAILS,
    'waste.bowl',
    'waste.pan',
    ...TUBS.filter((id) => !TAILS.includes(id)),
    ...SHOWERS,
    'waste.standpipe',
    'waste.box.2',
    ...RUN_WASTES,
  ],
}

/**
 * Every kind of waste that may be there, the usual first.
 *
 * @param parallel whether wastes with parallel threads, and those that bring a trap, are at home there, as in metric countries
 */
export function wastesOf(workedOn: string, parallel = false): readonly string[] {
  const all = [...(WASTES_OF[workedOn] ?? TAILS), ...(workedOn === 'drain' ? [] : CLOSED)]
  const threaded = (id: string) => /^waste\.(tail\.g|shower\.[45]0|pan)/.test(id)
  return parallel ? [...all.filter(threaded), ...all.filter((id) => !threaded(id))] : all
}

/** Holes that are met, as they are asked. Ids are the catalogue's. */
export const HOLE_WORDS: Readonly<Record<string, string>> = {
  one: 'one',
  'three-4': 'three, 4 in',
  'three-8': 'three, 8 in',
  'two-8': 'two, 8 in',
  'two-180': 'two, 180 mm',
  'wall-8': 'wall, 8 in',
  'wall-150': 'wall, 150 mm',
}

export const FAUCET_WORDS: Readonly<Record<string, string>> = {
  single: 'Single-hole faucet',
  'centre-4': 'Faucet on a 4 in body',
  spread: 'Faucet in three pieces, 6 to 16 in',
  'bridge-8': 'Bridge faucet, 8 in',
  'two-180': 'Bath mixer, 180 mm',
  pair: 'Pair of taps',
  wall: 'Wall faucet, 8 in',
  'wall-150': 'Wall mixer, 150 mm',
}

/** What a way is weighed by, in a word or two. */
export const CRITERION_WORDS: Readonly<Record<string, string>> = {
  priceCents: 'cheapest to buy',
  seconds: 'least work',
  waterOffSeconds: 'water off shortest',
  joints: 'fewest joints',
  riskPerMille: 'safest',
  notAboard: 'fewest parts to fetch',
}

export const METHOD_WORDS: Readonly<Record<string, string>> = {
  sweat: 'sweat',
  compression: 'compression',
  'push-fit': 'push-fit',
  threaded: 'thread',
  crimp: 'crimp',
  cinch: 'cinch clamp',
  expansion: 'expansion',
  cement: 'solvent cement',
  swivel: 'swivel nut',
  press: 'press',
  flare: 'flare',
  gasket: 'gasketed',
  'slip-on': 'slip-on spout',
  'press-sleeve': 'press sleeve',
  'cement-pvc': 'PVC cement',
  'cement-drain-pvc': 'PVC drain cement',
  'cement-drain-abs': 'ABS drain cement',
  'slip-joint': 'slip joint',
  'cement-waste': 'waste cement',
  'waste-compression': 'waste compression',
  'trap-outlet': 'ring and nut',
  'ring-seal': 'ring socket',
  'waste-nut': 'trap nut',
  'threaded-drain': 'threaded',
  'shielded-coupling': 'shielded coupling',
  'flexible-coupling': 'flexible coupling',
  'hub-gasket': 'gasket in the hub',
  'bore-gasket': 'gasket inside the pipe',
  'twist-in': 'twist-in',
  'pipe-fins': 'push-in',
  'pan-fins': 'pushed onto the spigot',
  'drain-gasket': 'floor drain gasket',
  'ring-screwed': 'repair ring',
  'riser-screwed': 'riser ring',
  'wax-seal': 'wax seal',
  'rubber-seal': 'rubber seal',
  'worm-clips': 'insert and clips',
  'poly-compression': 'polyethylene compression',
}

export const FAMILY_WORDS: Readonly<Record<string, string>> = {
  'angle-stop': 'angle stop',
  'straight-stop': 'straight stop',
  coupling: 'coupling',
  'trap-adapter': 'trap adapter',
  'tubular-trap': 'tubular trap',
  'tail-extension': 'tailpiece extension',
  'shielded-coupling': 'shielded coupling',
  'flexible-coupling': 'flexible coupling',
  'p-trap': 'P-trap',
  standpipe: 'standpipe, cut to length',
  'closet-flange': 'closet flange',
  'flange-riser': 'flange riser ring',
  'flange-repair-ring': 'flange repair ring',
  'cleanout-tee': 'cleanout tee with plug',
  'centre-waste': 'continuous waste, centre',
  'end-waste': 'continuous waste, end',
  'disposer-waste': 'continuous waste, disposer',
  'branch-tail': 'branch tailpiece',
  'vent-tee': 'tee with an air admittance valve',
  'vent-riser': 'riser with a tee and an air admittance valve',
  'sanitary-tee': 'sanitary tee',
  wye: 'wye, its side at 45°',
  'wye-eighth': 'wye, its side square',
  'compression-trap': 'waste trap',
  'drain-bend': 'drain bend',
  'pan-connector': 'pan connector',
  'pan-bend': 'bent pan connector',
  'reducing-coupling': 'reducer',
  'male-adapter': 'male adapter',
  'female-adapter': 'female adapter',
  'threaded-coupling': 'threaded coupling',
  bushing: 'bushing',
  nipple: 'nipple',
  'dielectric-union': 'dielectric union',
  'transition-coupling': 'transition',
  'supply-connector': 'supply connector',
  'tube-piece': 'tube, cut to length',
  'dual-stop': 'two-outlet stop',
  'washing-valve': 'washing-machine valve',
  'hose-bib': 'hose bib',
  'frost-free-bib': 'frost-free hose bib',
  'vacuum-breaker': 'vacuum breaker',
  'isolating-valve': 'isolating valve',
  'slip-coupling': 'slip coupling',
  'repair-coupling': 'repair coupling',
  'fitting-reducer': 'fitting reducer',
  union: 'union',
  'thread-converter': 'thread converter',
  'tap-connector': 'tap connector',
  'hose-adapter': 'hose adapter',
  'elbow-90': 'elbow 90°',
  'elbow-45': 'elbow 45°',
  'street-elbow-90': 'street elbow 90°',
  'street-elbow-45': 'street elbow 45°',
  'drop-ear-elbow': 'drop-ear elbow',
  tee: 'tee',
  'slip-tee': 'slip tee',
  cap: 'cap',
  plug: 'plug',
}

/** The same of metric waste, where that is called otherwise. */
const METRIC_WASTE_WORDS: Readonly<Record<string, string>> = {
  'sanitary-tee': 'swept tee',
  wye: 'branch, its side at 45°',
}

/** Tees with a second side, by what their ids begin with. */
const TWO_SIDED_WORDS: Readonly<Record<string, string>> = {
  double: 'double sanitary tee',
  left: 'sanitary tee, side inlet left',
  right: 'sanitary tee, side inlet right',
}

/** A part of a way in a word or two. */
export function partWord({ family, fittingId }: { family: string; fittingId: string }): string | undefined {
  const [, sides] = /^tee\.(double|left|right)\./.exec(fittingId) ?? []
  if (sides) return TWO_SIDED_WORDS[sides]
  return (/\.waste\./.test(fittingId) ? METRIC_WASTE_WORDS[family] : undefined) ?? FAMILY_WORDS[family]
}

/** What hangs on a run. */
export const ON_RUN_WORDS: Readonly<Record<RunFeature, string>> = {
  coupling: 'coupling',
  strap: 'strap',
  elbow: 'elbow',
  tee: 'tee',
  stop: 'stop',
}

/** Cover plates larger than a valve's own. */
export const PLATE_WORDS: Readonly<Record<string, string>> = {
  'cover.round-9': 'round, 9 in across',
  'cover.round-12': 'round, 12 in across',
  'cover.oblong-8x13': 'oblong, 8 in wide, 13 in high',
  'cover.oblong-13x8': 'oblong, 13 in wide, 8 in high',
  'cover.square-14': 'square, 14 in',
}

/** What a valve is shimmed with. */
export const SHIM_WORDS: Readonly<Record<string, string>> = {
  'ply-1/4': '1/4 in plywood',
  'ply-3/8': '3/8 in plywood',
  'ply-15/32': '15/32 in plywood (sold as 1/2)',
  'ply-19/32': '19/32 in plywood (sold as 5/8)',
  'ply-23/32': '23/32 in plywood (sold as 3/4)',
  'board-3/4': 'a board, 3/4 in (sold as 1x)',
  'lumber-1-1/2': 'lumber, 1-1/2 in (sold as 2x)',
}

/** Outlets of stops that stay. */
export const KEPT_STOP_WORDS: Readonly<Record<KeptStopId, string>> = {
  'comp-3/8': '3/8 in compression (thread 9/16 across)',
  'comp-1/4': '1/4 in compression (thread 7/16 across)',
  'comp-1/2': '1/2 in compression (thread 11/16 across)',
  'tail-1/2': '1/2 in male, washer in the nut',
  'bsp-1/2': 'G 1/2 male, washer in the nut',
}
