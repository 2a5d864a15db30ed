import { Effort } from '../effort'

/** A kind of piece: its size with the kerf, and how many are wanted. Whole numbers. */
export interface Wanted {
  readonly size: number
  readonly many: number
}

/** A kind of bar: its room with one kerf, and what it costs. */
export interface Room {
  readonly room: number
  readonly cost: number
}

/** What each kind of piece is worth, and the most that can be got out of one bar of each kind at these worths. */
export interface Worths {
  readonly ofPiece: readonly number[]
  readonly ofBar: readonly number[]
  /** All pieces together: bars whose worths come to less cannot hold them. */
  readonly all: number
  /** The fillings of the programme's own plan, each so many times: parts of bars among them. */
  readonly fillings: readonly Filling[]
}

/** So many bars of a kind, each with so many of each piece. */
export interface Filling {
  readonly room: number
  readonly counts: readonly number[]
  readonly times: number
}

const EPSILON = 1e-9
const MOST_PIVOTS = 600

/** Nodes after which the best filling of one bar is no longer looked for: with many small pieces all are near it. */
const MOST_NODES = 20_000
/** Places along a bar up to which it is filled place by place, exactly; with more, sizes are rounded down for a bound. */
const MOST_PLACES = 4000
const BOUND_PLACES = 20_000
/** Places that are filled in the time of one step of a search. */
const PLACES_A_STEP = 8

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))

export interface Best {
  readonly worth: number
  readonly counts: readonly number[]
  /** No filling is worth more. */
  readonly bound: number
}

/**
 * Fills a bar place by place: the most worth that ends at each place, piece after piece. Cost O(pieces × places).
 *
 * @param unit length of a place; sizes that are no whole number of it are rounded down, so that nothing is left out
 */
function byPlaces(wanted: readonly Wanted[], worths: readonly number[], room: number, unit: number): Best {
  const places = Math.floor(room / unit)
  const most = new Float64Array(places + 1)
  const units = wanted.flatMap(({ size, many }, index) =>
    (worths[index] as number) > EPSILON
      ? Array.from({ length: Math.min(many, Math.floor(room / size)) }, () => index)
      : [],
  )
  const taken = units.map(() => new Uint8Array(places + 1))
  for (const [at, index] of units.entries()) {
    const long = Math.floor((wanted[index] as Wanted).size / unit)
    const worth = worths[index] as number
    const took = taken[at] as Uint8Array
    for (let place = places; place >= long; place--) {
      const other = (most[place - long] as number) + worth
      if (other > (most[place] as number) + EPSILON) {
        most[place] = other
        took[place] = 1
      }
    }
  }
  const counts = wanted.map(() => 0)
  let place = places
  for (let at = units.length - 1; at >= 0; at--)
    if ((taken[at] as Uint8Array)[place]) {
      const index = units[at] as number
      counts[index] = (counts[index] as number) + 1
      place -= Math.floor((wanted[index] as Wanted).size / unit)
    }
  const worth = most[places] as number
  return { worth, counts, bound: worth }
}

/**
 * The best that one bar can hold at given worths. Where all sizes are whole numbers of some length, and few of it fit
 * into the bar, place by place; otherwise depth first by worth for room, bounded by the best still to come, and where
 * that takes too long, the best that was found, with a bound from sizes rounded down: never less than the best there is.
 */
export function bestPattern(
  wanted: readonly Wanted[],
  worths: readonly number[],
  room: number,
  effort = new Effort(Number.POSITIVE_INFINITY),
): Best {
  const unit = wanted.reduce((common, { size }) => gcd(common, size), 0)
  if (unit > 0 && room / unit <= MOST_PLACES) {
    effort.spend(Math.ceil((wanted.length * room) / unit / PLACES_A_STEP))
    return byPlaces(wanted, worths, room, unit)
  }
  const order = wanted
    .map((_, index) => index)
    .filter((index) => (worths[index] as number) > EPSILON)
    .sort(
      (a, b) =>
        (worths[b] as number) / (wanted[b] as Wanted).size -
        (worths[a] as number) / (wanted[a] as Wanted).size,
    )
  let best = 0
  let bestCounts = wanted.map(() => 0)
  const counts = wanted.map(() => 0)
  let nodes = 0
  const walk = (at: number, left: number, worth: number) => {
    if (++nodes > MOST_NODES) return
    if (worth > best + EPSILON) {
      best = worth
      bestCounts = [...counts]
    }
    const index = order[at]
    if (index === undefined) return
    const { size, many } = wanted[index] as Wanted
    const each = worths[index] as number
    if (worth + (left / size) * each <= best + EPSILON) return
    for (let count = Math.min(many, Math.floor(left / size)); count >= 0; count--) {
      counts[index] = count
      walk(at + 1, left - count * size, worth + count * each)
    }
    counts[index] = 0
  }
  walk(0, room, 0)
  effort.spend(nodes + (nodes <= MOST_NODES ? 0 : (wanted.length * BOUND_PLACES) / PLACES_A_STEP))
  const bound =
    nodes <= MOST_NODES ? best : byPlaces(wanted, worths, room, Math.ceil(room / BOUND_PLACES)).worth
  return { worth: best, counts: bestCounts, bound }
}

/**
 * Worths by which the least cost of all bars is bounded from below: the dual of the linear programme over all ways to
 * fill a bar, ways made as they are needed (column generation, primal simplex with the inverse of the basis kept).
 * Whatever the worths, the bound that follows from them holds; the better they are, the more it says.
 */
export function worthsOf(
  wanted: readonly Wanted[],
  rooms: readonly Room[],
  effort = new Effort(Number.POSITIVE_INFINITY),
): Worths {
  const rows = wanted.length
  // to begin with each kind of piece alone, in the bar in which it costs least
  const start = wanted.map(({ size, many }) =>
    rooms
      .filter(({ room }) => room >= size)
      .map(({ room, cost }) => ({ count: Math.min(many, Math.floor(room / size)), cost, room }))
      .reduce((best, entry) => (entry.cost / entry.count < best.cost / best.count ? entry : best)),
  )
  const inverse = wanted.map((_, row) =>
    Float64Array.from(wanted, (_, column) => (row === column ? 1 / (start[row]?.count ?? 1) : 0)),
  )
  const costs = start.map(({ cost }) => cost)
  const columns = start.map(({ count, room }, row) => ({
    room: rooms.findIndex((entry) => entry.room === room),
    counts: wanted.map((_, column): number => (column === row ? count : 0)),
  }))
  const values = wanted.map(({ many }, row) => many / (start[row]?.count ?? 1))
  let ofPiece: number[] = []
  // half of the steps at most: what is left is for the plan
  for (let pivots = 0; pivots < MOST_PIVOTS && effort.used <= effort.most / 2; pivots++) {
    ofPiece = wanted.map((_, column) =>
      Math.max(
        0,
        inverse.reduce((sum, line, row) => sum + (costs[row] as number) * (line[column] as number), 0),
      ),
    )
    let entering: { counts: readonly number[]; cost: number; gain: number; at: number } | null = null
    for (const [at, { room, cost }] of rooms.entries()) {
      const { worth, counts } = bestPattern(wanted, ofPiece, room, effort)
      const gain = worth - cost
      if (gain > cost * 1e-9 && (!entering || gain > entering.gain)) entering = { counts, cost, gain, at }
    }
    if (!entering) break
    const { counts, cost, at } = entering
    const direction = inverse.map((line) =>
      counts.reduce((sum, count, index) => sum + count * (line[index] as number), 0),
    )
    let leaving = -1
    for (let row = 0; row < rows; row++) {
      const step = direction[row] as number
      if (step <= EPSILON) continue
      if (
        leaving < 0 ||
        (values[row] as number) / step < (values[leaving] as number) / (direction[leaving] as number)
      )
        leaving = row
    }
    if (leaving < 0) break
    const pivot = direction[leaving] as number
    const pivotLine = inverse[leaving] as Float64Array
    for (let column = 0; column < rows; column++) pivotLine[column] = (pivotLine[column] as number) / pivot
    values[leaving] = (values[leaving] as number) / pivot
    for (let row = 0; row < rows; row++) {
      const factor = direction[row] as number
      if (row === leaving || factor === 0) continue
      const line = inverse[row] as Float64Array
      for (let column = 0; column < rows; column++)
        line[column] = (line[column] as number) - factor * (pivotLine[column] as number)
      values[row] = Math.max(0, (values[row] as number) - factor * (values[leaving] as number))
    }
    costs[leaving] = cost
    columns[leaving] = { room: at, counts: [...counts] }
  }
  return {
    ofPiece,
    ofBar: rooms.map(({ room }) => bestPattern(wanted, ofPiece, room).bound),
    all: wanted.reduce((sum, { many }, index) => sum + many * (ofPiece[index] as number), 0),
    fillings: columns.map((column, row) => ({ ...column, times: values[row] as number })),
  }
}
