import { commonPractice, type Source } from '../reference/source'

const IN = 25.4

/** Holes of a deck or outlets in a wall: how many, and between the outer two, mm. */
export interface HolePattern {
  readonly id: string
  readonly holes: number
  readonly centresMm: number
  readonly wall?: true
}

const recalled: Source = {
  title: 'Faucets, centres and holes',
  table: 'ASME A112.18.1 and EN 817 mounting dimensions',
  certainty: 'recalled',
}

/** Patterns that are met, usual first. */
export const HOLE_PATTERNS: readonly HolePattern[] = [
  { id: 'one', holes: 1, centresMm: 0 },
  { id: 'three-4', holes: 3, centresMm: 4 * IN },
  { id: 'three-8', holes: 3, centresMm: 8 * IN },
  { id: 'two-8', holes: 2, centresMm: 8 * IN },
  { id: 'two-180', holes: 2, centresMm: 180 },
  { id: 'wall-8', holes: 2, centresMm: 8 * IN, wall: true },
  { id: 'wall-150', holes: 2, centresMm: 150, wall: true },
]

/** A faucet by what it needs of the deck or the wall. */
export interface FaucetPattern {
  readonly id: string
  readonly holes: number
  /** Least and most between its outer shanks, mm. */
  readonly centresMm: readonly [number, number]
  readonly wall?: true
  /** A plate can be had that covers spare holes this far apart, mm. */
  readonly plateMm?: number
  /** Fixture connections it may have, usual first. */
  readonly tails: readonly string[]
  readonly source: Source
}

export const FAUCET_PATTERNS: readonly FaucetPattern[] = [
  {
    id: 'single',
    holes: 1,
    centresMm: [0, 0],
    plateMm: 8 * IN,
    tails: ['faucet.hose.3/8', 'tap.hose.1/2', 'faucet.shank.1/2'],
    source: recalled,
  },
  {
    id: 'centre-4',
    holes: 3,
    centresMm: [4 * IN, 4 * IN],
    tails: ['faucet.shank.1/2', 'faucet.hose.3/8'],
    source: recalled,
  },
  {
    id: 'spread',
    holes: 3,
    centresMm: [6 * IN, 16 * IN],
    tails: ['faucet.shank.1/2', 'faucet.hose.3/8'],
    source: recalled,
  },
  { id: 'bridge-8', holes: 2, centresMm: [8 * IN, 8 * IN], tails: ['faucet.shank.1/2'], source: recalled },
  { id: 'two-180', holes: 2, centresMm: [178, 182], tails: ['tap.tail.3/4'], source: recalled },
  {
    id: 'pair',
    holes: 2,
    centresMm: [0, 400],
    tails: ['tap.tail.1/2', 'tap.tail.3/4'],
    source: commonPractice,
  },
  {
    id: 'wall',
    holes: 2,
    centresMm: [7 * IN, 9 * IN],
    wall: true,
    tails: ['faucet.shank.1/2'],
    source: commonPractice,
  },
  {
    id: 'wall-150',
    holes: 2,
    centresMm: [135, 165],
    wall: true,
    tails: ['tap.tail.3/4'],
    source: commonPractice,
  },
]

/** Whether a faucet sits on the holes that are there, and why or why not; lengths in mm. */
export interface DeckFit {
  readonly fits: boolean
  readonly reason: 'deck.fits' | 'deck.plate' | 'deck.spare' | 'deck.wall' | 'deck.too-few' | 'deck.centres'
  readonly parameters: Readonly<Record<string, number>>
  readonly source: Source
}

/** A faucet's shanks take a sixteenth either way in their holes: the holes are that much wider, mm. Common practice. */
const PLAY_MM = 3

/** Whether a faucet fits holes. The middle hole of three serves a faucet of one. */
export function deckFit(faucet: FaucetPattern, deck: HolePattern): DeckFit {
  const { source } = faucet
  const no = (reason: DeckFit['reason'], parameters: DeckFit['parameters'] = {}): DeckFit => ({
    fits: false,
    reason,
    parameters,
    source,
  })
  const yes = (reason: DeckFit['reason'], parameters: DeckFit['parameters'] = {}): DeckFit => ({
    fits: true,
    reason,
    parameters,
    source,
  })
  if ((faucet.wall ?? false) !== (deck.wall ?? false)) return no('deck.wall')
  if (faucet.holes > deck.holes) return no('deck.too-few', { needs: faucet.holes, has: deck.holes })
  const [least, most] = faucet.centresMm
  if (faucet.holes === 1) {
    if (deck.holes === 1) return yes('deck.fits')
    // of two holes neither is in the middle
    if (deck.holes === 2) return no('deck.centres', { leastMm: 0, hasMm: deck.centresMm })
    return (faucet.plateMm ?? 0) >= deck.centresMm
      ? yes('deck.plate', { hasMm: deck.centresMm })
      : yes('deck.spare', { spare: deck.holes - 1 })
  }
  if (deck.centresMm < least - PLAY_MM || deck.centresMm > most + PLAY_MM)
    return no('deck.centres', { leastMm: least, mostMm: most, hasMm: deck.centresMm })
  return faucet.holes < deck.holes
    ? yes('deck.spare', { spare: deck.holes - faucet.holes })
    : yes('deck.fits')
}
