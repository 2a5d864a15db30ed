import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'
import { end, type PortEnd } from './ends'

/** What the new thing wants at its end of the line. */
export interface FixtureConnection {
  readonly id: string
  readonly name: string
  readonly port: PortEnd
  readonly source: Source
}

/** Faucet ends that a supply line of this slice can serve. */
export const FIXTURE_CONNECTIONS: readonly FixtureConnection[] = [
  {
    id: 'faucet.shank.1/2',
    name: 'faucet with 1/2 in threaded shanks',
    port: end('parallel-male', 'NPS', '1/2', 'brass'),
    source: commonPractice,
  },
  {
    id: 'faucet.hose.3/8',
    name: 'faucet with its own hoses, 3/8 in compression nuts',
    port: end('swivel-nut', 'UNF', '3/8', 'rubber-seated'),
    source: commonPractice,
  },
  {
    id: 'tap.tail.1/2',
    name: 'tap with 1/2 in parallel tails',
    port: end('parallel-male', 'BSPP', '1/2', 'brass'),
    source: commonPractice,
  },
  {
    id: 'tap.hose.1/2',
    name: 'tap with its own hoses, 1/2 in parallel nuts',
    port: end('swivel-nut', 'BSPP', '1/2', 'rubber-seated'),
    source: commonPractice,
  },
]

/** The fixture connection of that id, or undefined. */
export function fixtureById(id: string): FixtureConnection | undefined {
  return FIXTURE_CONNECTIONS.find((fixture) => fixture.id === id)
}
