import { Effort } from '../effort'
import { type Wanted, type Worths, worthsOf } from './cuttingBound'
import { type Fit, impossible } from './reason'

export interface PlanAsk {
  /** Pieces to cut, mm. */
  readonly pieces: readonly { readonly name: string; readonly mm: number }[]
  /** Lengths the stock is sold in, or lies in the van in, mm; as many of each as there are. */
  readonly stock: readonly { readonly mm: number; readonly count?: number }[]
  /** Lost at each cut, mm. */
  readonly kerfMm: number
}

export interface Bar {
  readonly stockMm: number
  /** Pieces in the order in which they are cut, the longest first. */
  readonly pieces: readonly number[]
  /** What is left over, mm. */
  readonly restMm: number
}

export interface CuttingPlan {
  readonly bars: readonly Bar[]
  /** Stock used up in all, mm. */
  readonly stockMm: number
  readonly wasteMm: number
  /** No plan uses less than this, mm: what is used up where that was proved, else a bound below it. */
  readonly leastMm: number
  /** False where the steps were used up first: then the plan is the best found. */
  readonly proved: boolean
}

/** Lengths are counted in hundredths of a millimetre. */
const PER_MM = 100
/** Bars are filled in turns: first those that leave a small part of what is spare, then more. */
const SHARES = [0.03, 0.2, 1] as const
/** Steps that are spent on a beginning taken from the linear programme before every beginning is tried. */
const DIVE_STEPS = 400_000
/** Steps after which one beginning, or one sum of stock, is given up; the plan then says that it is not proved. */
const STEP_BOUND = 6_000_000
/** Steps for a whole plan. */
export const PLAN_STEPS = 24_000_000
/** More sums of stock than this are not tried one by one: they are halved. */
const MOST_SUMS = 20_000
/** First part of the way from the bound to the first plan that is tried, where sums are halved. */
const NEAREST = 1024

/**
 * The cutting plan with the least stock used up: bin packing with bins of several lengths, exact.
 *
 * A first plan, the longest piece into the tightest bar, bounds the stock from above; worths of the pieces
 * (`cuttingBound`) from below. Every sum of stock lengths between is tried from the least up: a bar costs what it holds
 * is worth and a rest, and the rests of all bars may come to no more than the sum leaves over the worth of all pieces.
 * So the search fills a bar for the longest piece left in every way whose rest is small enough, as full as the pieces
 * left can make it, and goes on with what remains; what failed once with as much left over is not tried again. The first
 * sum that works out is the least. Before every beginning is tried, those that the linear programme itself uses whole
 * bars of are: most plans begin like one of them.
 *
 * A piece and its kerf fill a bar of stock plus one kerf, since the last cut may fall on the end.
 * Cost: exponential at worst; steps are bounded, for each sum and in all, and `proved` says when that bound was met: the
 * plan is then one that works, a better one may exist, and `leastMm` says how much better at most.
 */
export function cuttingPlan(
  { pieces, stock, kerfMm }: PlanAsk,
  effort = new Effort(PLAN_STEPS),
): Fit<CuttingPlan> {
  const count = (mm: number) => Math.round(mm * PER_MM)
  const kerf = count(kerfMm)
  const kinds = stock
    .map(
      ({ mm, count: many }): Kind => ({
        mm: count(mm),
        room: count(mm) + kerf,
        many: many ?? Math.max(1, pieces.length),
      }),
    )
    .filter(({ mm, many }) => mm > 0 && many > 0)
    .sort((a, b) => b.mm - a.mm)
  const longest = kinds[0]
  if (!longest) return impossible('plan.no-stock')
  if (pieces.length === 0) return { ok: true, bars: [], stockMm: 0, wasteMm: 0, leastMm: 0, proved: true }
  const order = pieces.map((_, index) => index).sort((a, b) => (pieces[b]?.mm ?? 0) - (pieces[a]?.mm ?? 0))
  const sizes = order.map((index) => count(pieces[index]?.mm ?? 0) + kerf)
  if ((sizes[0] as number) > longest.room)
    return impossible('plan.too-long', {
      name: pieces[order[0] as number]?.name ?? '',
      overMm: ((sizes[0] as number) - longest.room) / PER_MM,
    })
  const wanted = [...new Set(sizes)].map((size) => ({
    size,
    many: sizes.filter((other) => other === size).length,
  }))
  const first = firstPlan(sizes, kinds)
  const filling = new Filling(wanted, kinds, effort)
  const have = kinds.reduce((sum, { mm, many }) => sum + mm * many, 0)
  const { found, least } = leastStock(filling, kinds, first ? stockOf(first) : have + 1)
  const bars: readonly Filled[] | null = found ? named(found, wanted, sizes) : first
  if (!bars) {
    // cut short is not the same as impossible
    if (least !== null) return impossible('plan.not-settled')
    const need = sizes.reduce((sum, size) => sum + size, 0)
    const room = kinds.reduce((sum, kind) => sum + kind.room * kind.many, 0)
    return impossible('plan.too-little', { shortMm: Math.max(0, need - room) / PER_MM })
  }
  const stockMm = stockOf(bars) / PER_MM
  return {
    ok: true,
    bars: bars.map(({ kind, pieces: cut }) => {
      const rest = kind.room - cut.reduce((sum, piece) => sum + (sizes[piece] as number), 0)
      return {
        stockMm: kind.mm / PER_MM,
        pieces: cut.map((piece) => order[piece] as number),
        restMm: Math.max(0, rest - kerf) / PER_MM,
      }
    }),
    stockMm,
    wasteMm: stockMm - pieces.reduce((sum, { mm }) => sum + mm, 0),
    leastMm: (least === null ? stockOf(bars) : least) / PER_MM,
    proved: least === null,
  }
}

interface Least {
  readonly found: readonly Pattern[] | null
  /** Null where nothing less holds the pieces; else no plan uses less than this. */
  readonly least: number | null
}

/**
 * The least stock that holds all, below what a first plan takes. Beginnings of the linear programme are tried in widening
 * steps, for a plan that is near. Then few sums are tried from the least up: the first that works out is the least. Many
 * are halved: a sum that fails is a bound from below, one that works out leaves what its bars come to as the next bound
 * from above.
 */
function leastStock(filling: Filling, kinds: readonly Kind[], above: number): Least {
  const sums = sumsOf(kinds, above, filling.least)
  let failed = filling.least - 1
  // a sum that was given up on says nothing, and neither do those above it
  let sure = true
  const fails = (sum: number) => {
    if (filling.gaveUp) sure = false
    if (sure) failed = Math.max(failed, sum)
  }
  if (sums) {
    // beginnings of the linear programme first: they come near the least where there is one near
    let best: readonly Pattern[] | null = null
    for (let at = 0; at < sums.length && !best; at = 2 * at + 1) {
      best = filling.begun(sums[at] as number)
      if (filling.effort.used > filling.effort.most / 2) break
    }
    const below = best ? stockOf(best) : above
    for (const sum of sums) {
      if (sum >= below || filling.exhausted) break
      const found = filling.within(sum)
      if (found) return { found, least: sure ? null : Math.min(failed + 1, stockOf(found)) }
      fails(sum)
    }
    if (filling.exhausted) sure = false
    return { found: best, least: sure ? null : failed + 1 }
  }
  let best: readonly Pattern[] | null = null
  let low = failed
  let high = above
  // beginnings of the linear programme first: they come near the least at once where there is one near
  for (let part = NEAREST; part > 1 && !best; part /= 2) {
    best = filling.begun(low + Math.ceil((above - low) / part))
    if (best) high = stockOf(best)
  }
  while (high - low > 1 && !filling.exhausted) {
    const middle = Math.floor((low + high) / 2)
    const found = filling.within(middle)
    if (found) {
      best = found
      high = stockOf(found)
    } else {
      fails(middle)
      low = middle
    }
  }
  return { found: best, least: sure && high - low <= 1 ? null : failed + 1 }
}

/** What is made of a part of a bar: left away, taken from a half on, or always taken. */
const ROUNDINGS: readonly ((times: number) => number)[] = [
  (times) => Math.floor(times + 1e-6),
  (times) => Math.floor(times + 0.5),
  (times) => Math.max(0, Math.floor(times + 1e-6) - 1),
  (times) => Math.ceil(times - 1e-6),
]

interface Kind {
  readonly mm: number
  readonly room: number
  readonly many: number
}

interface Filled {
  readonly kind: Kind
  readonly pieces: number[]
}

const stockOf = (bars: readonly { readonly kind: Kind }[]) => bars.reduce((sum, { kind }) => sum + kind.mm, 0)

/** The longest piece into the tightest bar, a new one of the longest kind where none has room; then bars shortened. */
function firstPlan(sizes: readonly number[], kinds: readonly Kind[]): Filled[] | null {
  const bars: { kind: Kind; pieces: number[]; left: number }[] = []
  const used = new Map<Kind, number>()
  for (const [piece, size] of sizes.entries()) {
    let tightest: (typeof bars)[number] | null = null
    for (const bar of bars) if (bar.left >= size && (!tightest || bar.left < tightest.left)) tightest = bar
    if (!tightest) {
      const kind = kinds.find((entry) => entry.room >= size && (used.get(entry) ?? 0) < entry.many)
      if (!kind) return null
      used.set(kind, (used.get(kind) ?? 0) + 1)
      tightest = { kind, pieces: [], left: kind.room }
      bars.push(tightest)
    }
    tightest.pieces.push(piece)
    tightest.left -= size
  }
  for (const bar of bars) {
    const full = bar.kind.room - bar.left
    for (const kind of kinds)
      if (kind.room >= full && kind.mm < bar.kind.mm && (used.get(kind) ?? 0) < kind.many) {
        used.set(bar.kind, (used.get(bar.kind) ?? 0) - 1)
        used.set(kind, (used.get(kind) ?? 0) + 1)
        bar.kind = kind
      }
  }
  return bars
}

/**
 * Every sum that bars can come to, from a least up to below a bound; null where there are too many of them to be tried
 * one by one. Sums that no bars lead up to are left out as they come.
 */
function sumsOf(kinds: readonly Kind[], below: number, least: number): number[] | null {
  let sums = new Set([0])
  for (const { mm, many } of kinds) {
    const more = new Set<number>()
    for (const sum of sums)
      for (let count = 0; count <= many && sum + count * mm < below; count++) {
        more.add(sum + count * mm)
        if (more.size > MOST_SUMS) return null
      }
    sums = more
  }
  return [...sums].filter((sum) => sum >= least).sort((a, b) => a - b)
}

/** Gives filled bars the pieces that are meant: any of that size. */
function named(
  found: readonly { readonly kind: Kind; readonly counts: readonly number[] }[],
  wanted: readonly Wanted[],
  sizes: readonly number[],
): Filled[] {
  const left = wanted.map(({ size }) => sizes.flatMap((other, piece) => (other === size ? [piece] : [])))
  return found.map(({ kind, counts }) => ({
    kind,
    pieces: counts.flatMap((count, index) => (left[index] as number[]).splice(0, count)),
  }))
}

interface Pattern {
  readonly kind: Kind
  readonly counts: readonly number[]
}

/** Fills bar after bar, each for the longest piece that is left. */
class Filling {
  /** The last sum was left before it was settled. */
  gaveUp = false
  private cutOff = false
  private steps = 0
  private readonly worths: readonly number[]
  private readonly all: number
  private readonly fillings: Worths['fillings']
  private most = STEP_BOUND

  /** @param wanted pieces by size, the longest first */
  constructor(
    private readonly wanted: readonly Wanted[],
    private readonly kinds: readonly Kind[],
    readonly effort: Effort,
  ) {
    const worths = worthsOf(
      wanted,
      kinds.map(({ room, mm }) => ({ room, cost: mm })),
      effort,
    )
    this.fillings = [...worths.fillings].sort((a, b) => b.times - a.times)
    // no bar may hold more worth than it costs: what is beyond that is taken from all alike
    const over = Math.max(1, ...kinds.map(({ mm }, index) => (worths.ofBar[index] as number) / mm))
    const cheapest = Math.min(...kinds.map(({ mm, room }) => mm / room))
    const need = wanted.reduce((sum, { size, many }) => sum + size * many, 0)
    // where pieces are small the stuff alone says as much, and says it exactly
    const bySize = worths.all / over <= cheapest * need
    this.worths = bySize
      ? wanted.map(({ size }) => size * cheapest)
      : worths.ofPiece.map((worth) => worth / over)
    this.all = bySize ? cheapest * need : worths.all / over
  }

  /** No bars that come to less can hold all. */
  get least(): number {
    return Math.max(0, Math.ceil(this.all - 0.5))
  }

  get exhausted(): boolean {
    return this.effort.exhausted
  }

  /** Bars that hold all and come to no more than a sum; null where there are none, or where it gave up. */
  within(sum: number): Pattern[] | null {
    this.gaveUp = false
    const bars: Pattern[] = []
    // half a hundredth of a millimetre for what the floating point may be off
    const spare = sum - this.all + 0.5
    if (spare < 0) return null
    const used = this.kinds.map(() => 0)
    const left = this.wanted.map(({ many }) => many)
    this.most = STEP_BOUND
    return this.settle(left, used, spare, bars) ? bars : null
  }

  /** The same, of beginnings that the linear programme makes alone. */
  begun(sum: number): Pattern[] | null {
    const spare = sum - this.all + 0.5
    if (spare < 0) return null
    for (const whole of ROUNDINGS) {
      const begun = this.begin(whole, spare)
      if (begun) return begun
    }
    return null
  }

  private settle(left: number[], used: number[], spare: number, bars: Pattern[]): boolean {
    this.cutOff = false
    this.steps = 0
    const done = this.fill(left, used, spare, bars, new Map())
    // to be cut off on one beginning says nothing of the others
    if (this.cutOff && (this.most === STEP_BOUND || this.effort.exhausted)) this.gaveUp = true
    return done && !this.cutOff
  }

  /** Bars as the linear programme fills them, as many as `whole` makes of its parts, and the rest as it comes. */
  private begin(whole: (times: number) => number, spare: number): Pattern[] | null {
    const bars: Pattern[] = []
    const used = this.kinds.map(() => 0)
    const left = this.wanted.map(({ many }) => many)
    let rest = spare
    for (const { room, counts, times } of this.fillings) {
      const kind = this.kinds[room] as Kind
      const leaves =
        kind.mm - counts.reduce((sum, count, index) => sum + count * (this.worths[index] as number), 0)
      for (let bar = whole(times); bar > 0; bar--) {
        if ((used[room] as number) >= kind.many || Math.max(0, leaves) > rest) break
        if (counts.some((count, index) => count > (left[index] as number))) break
        counts.forEach((count, index) => {
          left[index] = (left[index] as number) - count
        })
        used[room] = (used[room] as number) + 1
        rest -= Math.max(0, leaves)
        bars.push({ kind, counts })
      }
    }
    if (bars.length === 0) return null
    this.most = DIVE_STEPS
    return this.settle(left, used, rest, bars) ? bars : null
  }

  private fill(
    left: number[],
    used: number[],
    spare: number,
    bars: Pattern[],
    failed: Map<string, number>,
  ): boolean {
    const at = left.findIndex((count) => count > 0)
    if (at < 0) return true
    const limited = this.kinds.some(({ many }, index) => many - (used[index] as number) < left.length)
    const key = limited ? `${left}|${used}` : `${left}`
    if (spare <= (failed.get(key) ?? -1)) return false
    for (const [index, kind] of this.kinds.entries()) {
      const { size } = this.wanted[at] as Wanted
      if (size > kind.room || (used[index] as number) >= kind.many) continue
      used[index] = (used[index] as number) + 1
      const counts = this.wanted.map(() => 0)
      counts[at] = 1
      left[at] = (left[at] as number) - 1
      const rest = kind.mm - (this.worths[at] as number)
      // the fullest bars first: what they leave over is then spare for the others
      let above = Number.NEGATIVE_INFINITY
      for (const share of SHARES) {
        const within = spare * share
        const done = this.pattern(at, kind, kind.room - size, rest, counts, left, within, (last) => {
          if (last <= above) return false
          bars.push({ kind, counts: [...counts] })
          if (this.fill(left, used, spare - Math.max(0, last), bars, failed)) return true
          bars.pop()
          return false
        })
        if (done) return !this.cutOff
        above = within
      }
      left[at] = (left[at] as number) + 1
      used[index] = (used[index] as number) - 1
    }
    failed.set(key, spare)
    return false
  }

  /**
   * Every filling of a bar that no piece left would still go into and whose rest is within what is spare: the bar's
   * cost less the worth of what it holds.
   */
  private pattern(
    at: number,
    kind: Kind,
    room: number,
    rest: number,
    counts: number[],
    left: number[],
    spare: number,
    visit: (rest: number) => boolean,
  ): boolean {
    if (this.cutOff || ++this.steps > this.most || !this.effort.spend()) {
      this.cutOff = true
      return true
    }
    // the next size that goes in
    let next = at
    while (next < left.length && ((left[next] as number) === 0 || (this.wanted[next] as Wanted).size > room))
      next++
    if (next === left.length) return rest <= spare && this.full(room, left) ? visit(rest) : false
    if (rest - this.mostFor(next, room, left) > spare) return false
    const { size } = this.wanted[next] as Wanted
    const worth = this.worths[next] as number
    const most = Math.min(left[next] as number, Math.floor(room / size))
    for (let count = most; count >= 0; count--) {
      counts[next] = (counts[next] as number) + count
      left[next] = (left[next] as number) - count
      const done = this.pattern(
        next + 1,
        kind,
        room - count * size,
        rest - count * worth,
        counts,
        left,
        spare,
        visit,
      )
      if (done) return true
      counts[next] = (counts[next] as number) - count
      left[next] = (left[next] as number) + count
    }
    return false
  }

  /** A bar into which a piece that is left would still go is filled elsewhere too, fuller: that is tried, this is not. */
  private full(room: number, left: readonly number[]): boolean {
    return left.every((count, index) => count === 0 || (this.wanted[index] as Wanted).size > room)
  }

  /** The most worth that can still go in, pieces cut in two allowed. */
  private mostFor(from: number, room: number, left: readonly number[]): number {
    let best = 0
    for (let index = from; index < left.length; index++)
      if ((left[index] as number) > 0)
        best = Math.max(best, (this.worths[index] as number) / (this.wanted[index] as Wanted).size)
    return best * room
  }
}
