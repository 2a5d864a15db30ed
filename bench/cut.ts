// Cutting plans against an integer programme that shares no code with them: a flow along the bar (arc-flow) in HiGHS.
// Usage: npm run bench:cut [-- --cases=200 --from=0]
import { fitup } from '@diarmos/core'
import { highs } from './mate/highs'
import { Dice } from './mate/random'

const CASES = Number(process.argv.find((text) => text.startsWith('--cases='))?.split('=')[1] ?? 200)
const FROM = Number(process.argv.find((text) => text.startsWith('--from='))?.split('=')[1] ?? 0)
/** All lengths are whole steps of two inches, so that places along a bar can be counted. */
const STEP_MM = 50.8
/** Stock lengths in steps: 20, 10, 5 and 2 ft. */
const STOCK = [120, 60, 30, 12] as const
/** All sums of stock are multiples of this: a gap below it leaves one optimum. */
const GRAIN = 6

interface Case {
  readonly pieces: readonly number[]
  readonly stock: readonly number[]
  readonly kerf: number
}

function someCase(dice: Dice): Case {
  const longest = dice.pick([10, 18, 28] as const)
  const stock = STOCK.filter(() => dice.chance(0.7))
  return {
    pieces: Array.from({ length: dice.whole(3, 40) }, () => dice.whole(2, longest)),
    stock: stock.some((steps) => steps >= longest) ? stock : [60, ...stock.filter((steps) => steps < 60)],
    kerf: dice.chance(0.5) ? 0 : 1,
  }
}

/** Nodes are places along a bar, arcs are pieces laid there; what is left over leads to the end of a kind of bar. */
function programme({ pieces, stock, kerf }: Case): string {
  const demand = new Map<number, number>()
  for (const piece of pieces) demand.set(piece + kerf, (demand.get(piece + kerf) ?? 0) + 1)
  const sizes = [...demand.keys()].sort((a, b) => b - a)
  const rooms = stock.map((steps) => steps + kerf)
  const longest = Math.max(...rooms)
  // places that can be reached with the longer pieces first, none more often than wanted
  const reach = new Set([0])
  for (const size of sizes)
    for (let times = 0; times < (demand.get(size) ?? 0); times++)
      for (const at of [...reach]) if (at + size <= longest) reach.add(at + size)
  const into = new Map<number, string[]>()
  const out = new Map<number, string[]>()
  const of = new Map<number, string[]>()
  const put = (map: Map<number, string[]>, key: number, name: string) => {
    const held = map.get(key)
    if (held) held.push(name)
    else map.set(key, [name])
  }
  const whole: string[] = []
  for (const at of reach)
    for (const size of sizes)
      if (reach.has(at + size)) {
        const name = `a${at}_${size}`
        whole.push(name)
        put(out, at, name)
        put(into, at + size, name)
        put(of, size, name)
      }
  const ends: string[][] = rooms.map(() => [])
  for (const at of reach)
    if (at > 0)
      rooms.forEach((room, kind) => {
        if (at > room) return
        const name = `l${at}_${kind}`
        whole.push(name)
        put(out, at, name)
        ends[kind]?.push(name)
      })
  const rows: string[] = []
  for (const at of reach)
    if (at > 0 && (into.get(at) ?? []).length > 0)
      rows.push(`${(into.get(at) ?? []).join(' + ')} - ${(out.get(at) ?? []).join(' - ')} = 0`)
  for (const size of sizes) rows.push(`${(of.get(size) ?? []).join(' + ')} = ${demand.get(size)}`)
  ends.forEach((names, kind) => {
    rows.push(`${names.join(' + ')} - z${kind} = 0`)
  })
  const bars = rooms.map((_, kind) => `z${kind}`)
  return `Minimize\n obj: ${stock.map((steps, kind) => `${steps} z${kind}`).join(' + ')}\nSubject To\n${rows
    .map((row, index) => ` c${index}: ${row}`)
    .join('\n')}\nGeneral\n ${[...whole, ...bars].join('\n ')}\nEnd\n`
}

let disagreements = 0
let unproved = 0
const own: number[] = []
const other: number[] = []
for (let index = FROM; index < FROM + CASES; index++) {
  const made = someCase(new Dice(7000 + index))
  const began = performance.now()
  const plan = fitup.cuttingPlan({
    pieces: made.pieces.map((steps, at) => ({ name: `${at}`, mm: steps * STEP_MM })),
    stock: made.stock.map((steps) => ({ mm: steps * STEP_MM })),
    kerfMm: made.kerf * STEP_MM,
  })
  own.push(performance.now() - began)
  const started = performance.now()
  const best = await highs(programme(made), GRAIN - 0.5)
  other.push(performance.now() - started)

  if (!plan.ok || !best) throw new Error(`case ${index}: ${JSON.stringify(made)}`)
  if (!plan.proved) unproved++
  if (Math.abs(plan.stockMm / STEP_MM - best.cents) > 0.01) {
    disagreements++
    console.log(`case ${index}: ${plan.stockMm / STEP_MM} steps, by the programme ${best.cents}`)
  }
}
const middle = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * share)]?.toFixed(1)
console.log(
  `cutting plans: ${CASES} cases of 3 to 40 pieces and up to 4 stock lengths, ${disagreements} disagreements, ${unproved} not proved by the search itself`,
)
console.log(
  `one plan: own ${middle(own, 0.5)} ms (p95 ${middle(own, 0.95)}), integer programme ${middle(other, 0.5)} ms (p95 ${middle(other, 0.95)})`,
)
if (disagreements > 0) process.exitCode = 1
