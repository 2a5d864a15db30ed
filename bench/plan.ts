// npm run bench:plan [-- --count=5000 --timed=300]: carries out the orders of work of generated jobs in the small world, and
// sets the shortest orders beside an integer programme.

import { sequence } from '@diarmos/core'
import { schedule } from '../packages/core/src/sequence/schedule'
import { arg } from './arg'
import { anyOrder } from './made/anyOrder'
import { IN_WALL, job, outletsOf, solvedQuestions, teed } from './made/jobs'
import { leastHalves, someTasks } from './made/timed'
import { carryOut } from './made/world'
import { Dice } from './mate/random'

const count = Number(arg('count', '5000'))
const solved = solvedQuestions(400)
const outlets = outletsOf(IN_WALL)
const tees = teed()
const wrong = new Map<string, number[]>()
let steps = 0
let lines = 0
let planning = 0
let longest = 0
let proved = 0
let windows = 0
let widest = 0
for (let index = 0; index < count; index++) {
  const request = job(index, solved, outlets, tees)
  const begin = performance.now()
  const plan = sequence(request)
  const took = performance.now() - begin
  planning += took
  longest = Math.max(longest, took)
  steps += plan.steps.length
  const { seconds, boundSeconds } = plan.waterOff
  if (seconds > 0) {
    windows++
    if (seconds === boundSeconds) proved++
    widest = Math.max(widest, (seconds - boundSeconds) / seconds)
  }
  lines += request.lines.length
  // its own order, and another that it allows
  const orders = [plan.steps, anyOrder(plan.steps, new Dice(6_000_000 + index))]
  for (const what of orders.flatMap((order) => carryOut(request, order))) {
    const kind = what.replace(/b\d-[a-z0-9./]+/g, 'a line').replace(/\d+/g, 'n')
    wrong.set(kind, [...(wrong.get(kind) ?? []), index])
  }
}
console.log(
  `${count} jobs of ${lines} lines, ${steps} steps carried out, and in another order that the plan allows`,
)
console.log(`planned in ${(planning / count).toFixed(1)} ms a job, the longest ${longest.toFixed(0)} ms`)
for (const [kind, jobs] of wrong) console.log(`${jobs.length} ${kind}, first in job ${jobs[0]}`)
console.log(
  `${proved} of ${windows} windows proved the shortest, the others within ${(100 * widest).toFixed(1)} %`,
)
console.log(wrong.size === 0 ? 'nothing floods, melts, burns, is trapped or bare' : 'WRONG')

const timed = Number(arg('timed', '300'))
let equal = 0
let unproved = 0
const apart: string[] = []
for (let index = 0; index < timed; index++) {
  const people = 1 + (index % 2)
  const tasks = someTasks(new Dice(7_000 + index), 14)
  const found = schedule(
    tasks.map((task) => ({ ...task, seconds: 30 * task.halves, near: [] })),
    people,
  )
  const least = 30 * (await leastHalves(tasks, people, found.seconds / 30))
  if (found.seconds === least) equal++
  else apart.push(`set ${index}: ${found.seconds} s, ${least} s by the integer programme`)
  if (found.bound < found.seconds) unproved++
  if (found.bound > least) apart.push(`set ${index}: bound ${found.bound} s above the least, ${least} s`)
}
console.log(
  `${equal} of ${timed} sets of up to 14 acts as short as the integer programme has them, ${unproved} not proved`,
)
for (const line of apart) console.log(line)

// orders built backwards from a known shortest one: no idle moment for one pair of hands, so that nothing can be shorter
let above = 0
let worst = 0
for (let index = 0; index < timed; index++) {
  const dice = new Dice(8_000 + index)
  const count = dice.whole(30, 90)
  const tasks = Array.from({ length: count }, (_, at) => ({
    seconds: 15 * dice.whole(1, 12),
    passive: false,
    place: null,
    near: [],
    after: at === 0 ? [] : [dice.whole(Math.max(0, at - 8), at - 1)].filter(() => dice.chance(0.7)),
  }))
  const known = tasks.reduce((sum, { seconds }) => sum + seconds, 0)
  // waits that end, in that order, just when what needs them begins
  const ends = tasks.map((_, at) => tasks.slice(0, at + 1).reduce((sum, { seconds }) => sum + seconds, 0))
  const waits = Array.from({ length: dice.whole(2, 8) }, () => {
    const from = dice.whole(0, count - 3)
    const to = dice.whole(from + 2, count - 1)
    return { from, to, seconds: (ends[to - 1] as number) - (ends[from] as number) }
  })
  const all = [...tasks.map((task) => ({ ...task, after: [...task.after] }))]
  const order = [
    ...all,
    ...waits.map(({ from, seconds }) => ({ seconds, passive: true, place: null, near: [], after: [from] })),
  ]
  for (const [wait, { to }] of waits.entries()) all[to]?.after.push(count + wait)
  // each after all it waits for
  const sorted = order.map((_, at) => at).sort((a, b) => rank(a) - rank(b) || a - b)
  function rank(at: number): number {
    return at < count ? at : (waits[at - count]?.from ?? 0) + 0.5
  }
  const place = new Map(sorted.map((at, index) => [at, index]))
  const found = schedule(
    sorted.map((at) => {
      const task = order[at] as (typeof order)[number]
      return { ...task, after: task.after.map((before) => place.get(before) as number) }
    }),
  )
  if (found.bound > known) above++
  worst = Math.max(worst, found.seconds / known - 1)
}
console.log(
  `${timed} orders of 30 to 90 acts built backwards: bound above the known least ${above} times, found within ${(100 * worst).toFixed(1)} % of it`,
)
