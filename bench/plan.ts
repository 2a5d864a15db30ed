// npm run bench:plan [-- --count=5000]: carries out the orders of work of generated jobs in the small world.
import { sequence } from '@diarmos/core'
import { IN_WALL, job, outletsOf, solvedQuestions } from './made/jobs'
import { carryOut } from './made/world'

const arg = (name: string, otherwise: string) =>
  process.argv.find((each) => each.startsWith(`--${name}=`))?.split('=')[1] ?? otherwise
const count = Number(arg('count', '5000'))
const solved = solvedQuestions(400)
const outlets = outletsOf(IN_WALL)
const wrong = new Map<string, number[]>()
let steps = 0
let lines = 0
let planning = 0
let longest = 0
for (let index = 0; index < count; index++) {
  const request = job(index, solved, outlets)
  const begin = performance.now()
  const plan = sequence(request)
  const took = performance.now() - begin
  planning += took
  longest = Math.max(longest, took)
  steps += plan.steps.length
  lines += request.lines.length
  for (const what of carryOut(request, plan.steps)) {
    const kind = what.replace(/b\d-[a-z0-9./]+/g, 'a line').replace(/\d+/g, 'n')
    wrong.set(kind, [...(wrong.get(kind) ?? []), index])
  }
}
console.log(`${count} jobs of ${lines} lines, ${steps} steps carried out`)
console.log(`planned in ${(planning / count).toFixed(1)} ms a job, the longest ${longest.toFixed(0)} ms`)
for (const [kind, jobs] of wrong) console.log(`${jobs.length} ${kind}, first in job ${jobs[0]}`)
console.log(wrong.size === 0 ? 'nothing floods, melts, burns, is trapped or bare' : 'WRONG')
