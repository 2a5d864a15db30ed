import { end, type PortEnd } from '../catalog/ends'
import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'

/** What has to stand between the old pipe and the fixture's end. Its stages are in `mate/routes`. */
export const ROUTE_IDS = [
  'stop',
  'washing',
  'bib',
  'direct',
  'flexible',
  'arm',
  'spout',
  'cap',
  'any',
] as const
export type RouteId = (typeof ROUTE_IDS)[number]

/** What the new thing wants at one end of a line, or gives where a line begins at it. */
export interface FixtureConnection {
  readonly id: string
  readonly name: string
  /** Ends that would do, the usual first; none where a part of the chain is itself the end. */
  readonly ports: readonly PortEnd[]
  readonly route: RouteId
  readonly source: Source
}

const sheet: Source = { title: 'Fixture ends, typical of the kind', certainty: "maker's sheet" }
const valve = (id: string, name: string, ports: readonly PortEnd[]): FixtureConnection => ({
  id,
  name,
  ports,
  route: 'direct',
  source: sheet,
})

/** Ends of fixtures that a supply line can serve, or begin at. */
export const FIXTURE_CONNECTIONS: readonly FixtureConnection[] = [
  {
    id: 'faucet.shank.1/2',
    name: 'faucet with 1/2 in threaded shanks',
    ports: [end('parallel-male', 'NPS', '1/2', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'faucet.hose.3/8',
    name: 'faucet with its own hoses, 3/8 in compression nuts',
    ports: [end('swivel-nut', 'UNF', '3/8', 'rubber-seated')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'tap.tail.1/2',
    name: 'tap with 1/2 in parallel tails',
    ports: [end('parallel-male', 'BSPP', '1/2', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'tap.hose.1/2',
    name: 'tap with its own hoses, 1/2 in parallel nuts',
    ports: [end('swivel-nut', 'BSPP', '1/2', 'rubber-seated')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'tap.tail.3/4',
    name: 'bath tap with 3/4 in parallel tails',
    ports: [end('parallel-male', 'BSPP', '3/4', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'toilet.fill.7/8',
    name: 'toilet with 7/8 in fill valve',
    ports: [end('parallel-male', 'FV', '7/8', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'toilet.fill.g3/8',
    name: 'toilet with 3/8 in parallel fill valve',
    ports: [end('parallel-male', 'BSPP', '3/8', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'toilet.fill.g1/2',
    name: 'toilet with 1/2 in parallel fill valve',
    ports: [end('parallel-male', 'BSPP', '1/2', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'appliance.comp.3/8',
    name: 'dishwasher with 3/8 in compression end',
    ports: [end('compression-outlet', 'UNF', '3/8', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'appliance.comp.1/4',
    name: 'ice maker or filter with 1/4 in compression end',
    ports: [end('compression-outlet', 'UNF', '1/4', 'brass')],
    route: 'stop',
    source: commonPractice,
  },
  {
    id: 'washer.hose',
    name: 'washing machine hose, 3/4 in hose thread',
    ports: [end('swivel-nut', 'NH', '3/4', 'rubber-seated')],
    route: 'washing',
    source: commonPractice,
  },
  {
    id: 'washer.hose.g3/4',
    name: 'washing machine hose, 3/4 in parallel thread',
    ports: [end('swivel-nut', 'BSPP', '3/4', 'rubber-seated')],
    route: 'washing',
    source: commonPractice,
  },
  { id: 'hose.outlet', name: 'hose bib on a wall', ports: [], route: 'bib', source: commonPractice },
  {
    id: 'heater.nipple.3/4',
    name: 'water heater nipple, 3/4 in male',
    ports: [end('taper-male', 'NPT', '3/4', 'brass')],
    route: 'flexible',
    source: commonPractice,
  },
  valve('valve.combo.1/2', 'shower or tub valve, 1/2 in male thread or solder', [
    end('solder-cup', 'CTS', '1/2', 'brass'),
    end('taper-male', 'NPT', '1/2', 'brass'),
  ]),
  valve('valve.female.1/2', 'shower or tub valve, 1/2 in female thread', [
    end('taper-female', 'NPT', '1/2', 'brass'),
  ]),
  valve('valve.barb.1/2', 'shower or tub valve, 1/2 in PEX insert', [
    end('insert-barb', 'CTS', '1/2', 'brass'),
  ]),
  valve('valve.expansion.1/2', 'shower or tub valve, 1/2 in PEX expansion', [
    end('expansion-barb', 'CTS', '1/2', 'brass'),
  ]),
  valve('valve.bsp.1/2', 'shower valve, 1/2 in parallel male', [end('taper-male', 'BSP', '1/2', 'brass')]),
  valve('valve.compression.15', 'shower valve, 15 mm compression', [
    end('compression', 'metric', '15', 'brass'),
  ]),
  {
    id: 'spout.slip.1/2',
    name: 'tub spout that slips on 1/2 in copper',
    ports: [end('slip-spout', 'CTS', '1/2', 'brass')],
    route: 'spout',
    source: sheet,
  },
  {
    id: 'spout.thread.1/2',
    name: 'tub spout with 1/2 in female thread',
    ports: [end('taper-female', 'NPT', '1/2', 'brass')],
    route: 'spout',
    source: sheet,
  },
  {
    id: 'spout.bsp.1/2',
    name: 'tub spout with 1/2 in 55 degree female thread',
    ports: [end('taper-female', 'BSP', '1/2', 'brass')],
    route: 'spout',
    source: sheet,
  },
  {
    id: 'arm.1/2',
    name: 'shower arm, 1/2 in male thread',
    ports: [end('taper-male', 'NPT', '1/2', 'brass')],
    route: 'arm',
    source: sheet,
  },
  {
    id: 'arm.bsp.1/2',
    name: 'shower arm, 1/2 in male 55 degree thread',
    ports: [end('taper-male', 'BSP', '1/2', 'brass')],
    route: 'arm',
    source: sheet,
  },
  { id: 'closed', name: 'nothing: the line is closed off', ports: [], route: 'cap', source: commonPractice },
]

/** The fixture connection of that id, or undefined. */
export function fixtureById(id: string): FixtureConnection | undefined {
  return FIXTURE_CONNECTIONS.find((fixture) => fixture.id === id)
}
