import { CoreFault } from '../../fault'
import type { EndRef } from '../end'
import { BASIN_WASTES, type BasinWaste } from './basins'
import { isHeld } from './lines'
import {
  IRON_RUN_BRANCHES,
  isMetricBranch,
  METRIC_RUN_BRANCHES,
  RUN_BRANCHES,
  type RunBranch,
  TWO_SIDED_BRANCHES,
} from './runBranches'
import { SINK_WASTES } from './sinks'
import type { Body, BodyPort, Content, Mount, Mouth, RouteId } from './types'

/** A row of the table: a kind of thing that goes in, as it is typical of its maker's sheets. */
export interface BodyKind {
  readonly id: string
  readonly mount: Mount
  readonly contents: readonly Content[]
  readonly ports: readonly BodyPort[]
  readonly insert?: Body['insert']
}

/** An end by its form, system, size and what it is made of; brass where it is not said. */
function end(form: EndRef['form'], system: EndRef['system'], nominal: string): EndRef {
  return { form, system, nominal, material: form === 'swivel-nut' ? 'rubber-seated' : 'brass' }
}

const NONE: readonly EndRef[] = []
const port = (
  id: string,
  service: BodyPort['service'],
  ends: readonly EndRef[],
  route: RouteId,
): BodyPort => ({ id, service, flow: 'in', ends, route })

/** Both waters by the same end. */
const both = (ends: readonly EndRef[], route: RouteId) => [
  port('hot', 'hot', ends, route),
  port('cold', 'cold', ends, route),
]
/** One water, and which it usually is. */
const one = (usual: 'hot' | 'cold', ends: readonly EndRef[], route: RouteId): BodyPort[] => [
  { ...port('inlet', 'supply', ends, route), usual },
]
/** A valve that mixes, with what leaves it. */
const mixes = (...ends: EndRef[]): BodyPort[] => [
  ...both(ends, 'direct'),
  { ...port('spout', 'spout', ends, 'direct'), flow: 'out' },
  { ...port('shower', 'shower', ends, 'direct'), flow: 'out' },
]

const kind = (
  id: string,
  mount: Mount,
  contents: readonly Content[],
  ports: readonly BodyPort[],
): BodyKind => ({ id, mount, contents, ports })
const tap = (id: string, own: EndRef) =>
  kind(
    id,
    'deck',
    own.form === 'swivel-nut' ? ['cartridge', 'aerator', 'hose'] : ['cartridge', 'aerator'],
    both([own], 'stop'),
  )
const toilet = (id: string, own: EndRef) => kind(id, 'floor', ['fill-valve'], one('cold', [own], 'stop'))
const valve = (id: string, ...ends: EndRef[]) => kind(id, 'in-wall', ['cartridge', 'seat'], mixes(...ends))
/** One with a third outlet, for sprays from the wall. */
const threeWay = (id: string, ...ends: EndRef[]) =>
  kind(
    id,
    'in-wall',
    ['cartridge', 'seat'],
    [...mixes(...ends), { ...port('spray', 'spray', ends, 'direct'), flow: 'out' }],
  )
/** A box in a wall: both valves with a hose thread, seen from its front, and the drain's mouth beside them. */
const machineBox = (id: string, ...ends: EndRef[]) =>
  kind(id, 'in-wall', ['seat', 'hose'], both(ends, 'direct'))
const spray = (id: string, own: EndRef) => kind(id, 'wall', [], [port('inlet', 'spray', [own], 'arm')])
const spout = (id: string, own: EndRef) =>
  kind(id, 'wall', own.form === 'slip-spout' ? ['seal'] : [], [port('inlet', 'spout', [own], 'spout')])
const arm = (id: string, own: EndRef) => kind(id, 'wall', [], [port('inlet', 'shower', [own], 'arm')])
/** The kind of a shower's drain that clamps the liner of its pan. */
export const PAN_DRAIN = 'waste.shower.clamped.2'
/** The tailpiece under a basin or a sink: what its waste comes down by. */
const tail = (id: string, tube: string, route: RouteId = 'trap') =>
  kind(
    id,
    'deck',
    [],
    [
      {
        ...port(
          'waste',
          'waste',
          (['tubular-plastic', 'tubular-brass'] as const).map((material) => ({
            form: 'tube',
            system: 'tubular',
            nominal: tube,
            material,
          })),
          route,
        ),
        flow: 'out',
      },
    ],
  )
/** A waste whose own thread takes the nut of a trap. */
const threadedTail = (id: string, thread: string) =>
  drainOf(
    id,
    'deck',
    'trap',
    of('parallel-male', 'BSPP', thread, 'tubular-brass'),
    of('parallel-male', 'BSPP', thread, 'tubular-plastic'),
  )
/** The same with the waste over it new as well. */
const newWaste = ({ id, tail: as }: BasinWaste): BodyKind =>
  as.startsWith('waste.tail.g') ? threadedTail(id, '1-1/4') : tail(id, '1-1/4')
/** What waste leaves by at the floor, or in a wall. */
const drainOf = (id: string, mount: Mount, route: RouteId, ...ends: EndRef[]) =>
  kind(id, mount, [], [{ ...port('waste', 'waste', ends, route), flow: 'out' }])
const of = (form: EndRef['form'], system: EndRef['system'], nominal: string, material: EndRef['material']) =>
  ({ form, system, nominal, material }) as const
const into = (insert: NonNullable<Body['insert']>): BodyKind => ({
  ...kind(`run.${insert}`, 'pipe', insert === 'valve' ? ['seat'] : [], one('cold', NONE, 'any')),
  insert,
})

/** What goes into a run of drain. */
const intoDrain = (insert: 'repair' | 'cleanout'): BodyKind => ({
  ...drainOf(`waste.run.${insert}`, 'pipe', 'any'),
  insert,
})
/** A socket for cement, of either plastic of drains. */
const eitherSocket = (size: EndRef['nominal']): readonly EndRef[] =>
  (['pvc-drain', 'abs-drain'] as const).map((stuff) => of('drain-socket', 'IPS', size, stuff))
/** What the side of a branch may be: a socket of either plastic; of metric waste one of each range that is made. */
const sideEnds = ({ size, stuff }: RunBranch): readonly EndRef[] =>
  stuff === 'iron'
    ? [of('tube', 'hubless', size, 'cast-iron')]
    : isMetricBranch(size)
      ? [
          of('drain-socket', 'metric-waste', size, 'waste-solvent'),
          of('ring-socket', size === '110' ? 'metric' : 'metric-waste', size, 'waste-push-fit'),
          ...(size === '110'
            ? []
            : [
                of('ring-socket', 'metric', size, 'waste-push-fit'),
                of('waste-compression', 'metric-waste', size, 'waste-push-fit'),
              ]),
        ]
      : eitherSocket(size)
/** A branch into one, with what its sides take. */
const branchInto = (row: RunBranch): BodyKind => ({
  id: row.id,
  mount: 'pipe',
  contents: [],
  ports: [
    { ...port('waste', 'waste', NONE, 'any'), flow: 'out' },
    port('branch', 'waste', sideEnds(row), 'any'),
    ...(row.second ? [port('side', 'waste', eitherSocket(row.second.size), 'any')] : []),
  ],
  insert: row.insert,
})

/**
 * Everything that can go in, a row each. Ends are maker's sheet, typical of the kind; which water a fixture takes and
 * what it holds are common practice. What was released stays as it is: stored bodies were made from it.
 */
export const BODY_KINDS: readonly BodyKind[] = [
  tap('faucet.shank.1/2', end('parallel-male', 'NPS', '1/2')),
  tap('faucet.hose.3/8', end('swivel-nut', 'UNF', '3/8')),
  tap('tap.tail.1/2', end('parallel-male', 'BSPP', '1/2')),
  tap('tap.hose.1/2', end('swivel-nut', 'BSPP', '1/2')),
  tap('tap.tail.3/4', end('parallel-male', 'BSPP', '3/4')),
  toilet('toilet.fill.7/8', end('parallel-male', 'FV', '7/8')),
  toilet('toilet.fill.g3/8', end('parallel-male', 'BSPP', '3/8')),
  toilet('toilet.fill.g1/2', end('parallel-male', 'BSPP', '1/2')),
  kind('appliance.comp.3/8', 'stands', [], one('hot', [end('compression-outlet', 'UNF', '3/8')], 'stop')),
  // ice and filters are for drinking: cold
  kind('appliance.comp.1/4', 'stands', [], one('cold', [end('compression-outlet', 'UNF', '1/4')], 'stop')),
  kind('washer.hose', 'stands', ['hose'], both([end('swivel-nut', 'NH', '3/4')], 'washing')),
  kind('washer.hose.g3/4', 'stands', ['hose'], both([end('swivel-nut', 'BSPP', '3/4')], 'washing')),
  kind('hose.outlet', 'wall', ['seat'], one('cold', NONE, 'bib')),
  kind(
    'heater.nipple.3/4',
    'stands',
    ['element'],
    both([end('taper-male', 'NPT', '3/4')], 'flexible').map((entry) =>
      entry.id === 'hot' ? { ...entry, flow: 'out' as const } : entry,
    ),
  ),
  valve('valve.combo.1/2', end('solder-cup', 'CTS', '1/2'), end('taper-male', 'NPT', '1/2')),
  valve('valve.female.1/2', end('taper-female', 'NPT', '1/2')),
  valve('valve.barb.1/2', end('insert-barb', 'CTS', '1/2')),
  valve('valve.expansion.1/2', end('expansion-barb', 'CTS', '1/2')),
  valve('valve.bsp.1/2', end('taper-male', 'BSP', '1/2')),
  valve('valve.compression.15', end('compression', 'metric', '15')),
  spout('spout.slip.1/2', end('slip-spout', 'CTS', '1/2')),
  spout('spout.thread.1/2', end('taper-female', 'NPT', '1/2')),
  spout('spout.bsp.1/2', end('taper-female', 'BSP', '1/2')),
  arm('arm.1/2', end('taper-male', 'NPT', '1/2')),
  arm('arm.bsp.1/2', end('taper-male', 'BSP', '1/2')),
  // a cap at each end of pipe that is left
  kind('closed', 'pipe', [], both(NONE, 'cap')),
  into('repair'),
  into('tee'),
  into('valve'),
  tail('waste.tail.1-1/4', '1-1/4'),
  tail('waste.tail.1-1/2', '1-1/2'),
  into('corner'),
  // what led from the old stop to the fixture stays, where it is flexible and sound: the line ends at its nut
  tap('riser.hose.3/8', end('swivel-nut', 'UNF', '3/8')),
  tap('riser.hose.1/2', end('swivel-nut', 'BSPP', '1/2')),
  toilet('toilet.riser.hose.3/8', end('swivel-nut', 'UNF', '3/8')),
  threeWay('valve.three.1/2', end('solder-cup', 'CTS', '1/2'), end('taper-male', 'NPT', '1/2')),
  threeWay('valve.three.bsp.1/2', end('taper-male', 'BSP', '1/2')),
  spray('spray.1/2', end('taper-male', 'NPT', '1/2')),
  spray('spray.bsp.1/2', end('taper-male', 'BSP', '1/2')),
  // older brass fill valves have a larger shank
  toilet('toilet.fill.15/16', end('parallel-male', 'FV', '15/16')),
  drainOf('waste.bowl', 'floor', 'closet', of('closet-outlet', 'IPS', '4', 'rubber-seated')),
  drainOf(
    'waste.shower.2',
    'floor',
    'trap-below',
    ...eitherSocket('2'),
    of('ring-gasket', 'IPS', '2', 'rubber-seated'),
  ),
  drainOf(
    'waste.tub.1-1/2',
    'floor',
    'trap-below',
    of('tube', 'tubular', '1-1/2', 'tubular-plastic'),
    of('tube', 'tubular', '1-1/2', 'tubular-brass'),
  ),
  drainOf(
    'waste.tub.glued.1-1/2',
    'floor',
    'trap-below',
    of('tube', 'IPS', '1-1/2', 'pvc-drain'),
    of('tube', 'IPS', '1-1/2', 'abs-drain'),
  ),
  drainOf('waste.standpipe', 'stands', 'standpipe'),
  intoDrain('repair'),
  intoDrain('cleanout'),
  ...SINK_WASTES.map(({ id, route }) => tail(id, '1-1/2', route)),
  drainOf('waste.shower.1-1/2', 'floor', 'trap-shower', ...eitherSocket('1-1/2')),
  ...RUN_BRANCHES.map(branchInto),
  threadedTail('waste.tail.g1-1/4', '1-1/4'),
  threadedTail('waste.tail.g1-1/2', '1-1/2'),
  // its trap lifts out through the grate, its outlet grips the pipe
  drainOf('waste.shower.40', 'floor', 'trap-own', of('trap-outlet', 'metric-waste', '40', 'waste-push-fit')),
  drainOf('waste.shower.50', 'floor', 'trap-own', of('trap-outlet', 'metric-waste', '50', 'waste-push-fit')),
  drainOf('waste.pan', 'floor', 'pan', of('pan-spigot', 'metric', '110', 'rubber-seated')),
  ...METRIC_RUN_BRANCHES.map(branchInto),
  drainOf('waste.closed', 'pipe', 'cap-drain'),
  machineBox('box.combo.1/2', end('solder-cup', 'CTS', '1/2'), end('taper-male', 'NPT', '1/2')),
  machineBox('box.barb.1/2', end('insert-barb', 'CTS', '1/2')),
  machineBox('box.expansion.1/2', end('expansion-barb', 'CTS', '1/2')),
  drainOf('waste.box.2', 'in-wall', 'machine-box', ...eitherSocket('2')),
  ...TWO_SIDED_BRANCHES.map(branchInto),
  // set in a pan that is made on the spot, its liner clamped between ring and base
  drainOf(PAN_DRAIN, 'floor', 'trap-below', ...eitherSocket('2')),
  // a basin's waste that is new with its tail
  ...BASIN_WASTES.map(newWaste),
  ...IRON_RUN_BRANCHES.map(branchInto),
  // old pattern: in sight before a tub on legs, its pipe down through the floor
  drainOf('waste.tub.leg.1-1/2', 'floor', 'trap-below', of('tube', 'tubular', '1-1/2', 'tubular-brass')),
]

const ROWS: ReadonlyMap<string, BodyKind> = new Map(BODY_KINDS.map((row) => [row.id, row]))

/** The row of a kind, or undefined. */
export function bodyKind(id: string): BodyKind | undefined {
  return ROWS.get(id)
}

/**
 * What goes in as bodies of a job: the main one and what its outlets feed, each made from its row, with ids that are
 * theirs for as long as they stand. A kind that no row has becomes a body without ports, so that its name stays.
 *
 * @param at another point than the one that the job was opened for: bodies of two points are two
 */
export function bodiesOf(kinds: readonly string[], at = ''): Body[] {
  let wastes = 0
  return kinds.map((id, index) => {
    const { id: _row, ...row } = ROWS.get(id) ?? kind(id, 'stands', [], [])
    const first = row.ports[0]?.service
    // a waste is one of its own, also where nothing else goes in
    const main = index === 0 && first !== 'waste'
    const own = main ? 'main' : (first ?? `body-${index}`)
    // a run of drain and what comes into it are all of waste; the names of all else were stored and stay
    if (first === 'waste') wastes++
    const name = first === 'waste' && wastes > 1 ? `${own}-${wastes}` : own
    return { id: at ? `${at} ${name}` : name, kind: id, ...row }
  })
}

/**
 * The mouth of a kind, as a line by hand names it: where its water comes in.
 *
 * @throws CoreFault where no row has that id
 */
export function mouthOf(id: string): Mouth {
  const row = ROWS.get(id)
  const inlet = row?.ports[0]
  if (!inlet) throw new CoreFault('no-kind', { id })
  const mouth = { kind: id, ends: inlet.ends, route: inlet.route }
  return isHeld(row) ? { ...mouth, held: true } : mouth
}

/** Any end, for what asks how two ends are joined whatever they are for. */
export function anyMouth(end: EndRef): Mouth {
  return { ends: [end], route: 'any' }
}
