// npm run bench:drains [-- --count=10000 --programmes=300 --forced=100 --runs=3000]: drains that nobody prepared, held against the
// laws of the trade, an integer programme and exhaustive search; every old end against every waste, complete; and runs that
// are cut open, their orders of work carried out.
import { catalogueOf, mate, oldJointsOn, pipeById, sequence } from '@diarmos/core'
import { bruteForce } from '../packages/core/src/mate/test/bruteForce'
import { arg } from './arg'
import { brokenLaws } from './drains/laws'
import {
  DRAIN_KINDS,
  DRAIN_STUBS,
  METRIC_KINDS,
  METRIC_STUBS,
  PAN_STUBS,
  plainDrain,
  quarters,
  someBox,
  someClosed,
  someDrain,
  someMetricDrain,
  somePan,
} from './drains/questions'
import { brokenRunLaws, plainRun, SIDES, someRun } from './drains/runs'
import { carryOut } from './made/world'
import { highs } from './mate/highs'
import { programmeOf, toLp } from './mate/programme'

const COUNT = Number(arg('count', '10000'))
const PROGRAMMES = Number(arg('programmes', '300'))
const FORCED = Number(arg('forced', '100'))
const RUNS = Number(arg('runs', '3000'))
/** As many parts as a chain may have. */
const MOST_PARTS = 6

const optionsOf = ({ line, settings }: ReturnType<typeof someDrain>) =>
  mate({ lines: [line], settings, k: 8 }).lines[0]?.options ?? []
const least = (costs: readonly number[]) => (costs.length === 0 ? null : Math.min(...costs))

const broken = new Map<string, number[]>()
const times: number[] = []
let ways = 0
let without = 0
// inch drains, then a fifth as many each of metric waste, of bowls with a spigot, of drains that are closed
const DRAWN = [
  [COUNT, someDrain],
  [COUNT / 5, someMetricDrain],
  [COUNT / 5, somePan],
  [COUNT / 5, someClosed],
  [COUNT / 5, someBox],
] as const
// each shop is let go with its question: what is worked out for it is kept as long as it is
function* drawn() {
  for (const [count, some] of DRAWN) for (let index = 0; index < count; index++) yield some(index)
}
let index = -1
for (const asked of drawn()) {
  index++
  const begun = performance.now()
  const options = optionsOf(asked)
  times.push(performance.now() - begun)
  ways += options.length
  if (options.length === 0) without++
  for (const option of options)
    for (const id of brokenLaws(option, asked)) broken.set(id, [...(broken.get(id) ?? []), index])
}
times.sort((a, b) => a - b)
console.log(
  `${times.length} questions, a ninth each of metric waste, bowls with a spigot, drains that are closed and boxes in a wall, ${ways} ways, ${without} without one; ${times[Math.floor(times.length * 0.95)]?.toFixed(1)} ms at the 95th percentile`,
)
for (const [id, at] of broken) console.log(`  breaks ${id}: ${at.length} ways, as of question ${at[0]}`)
if (broken.size === 0) console.log('  no law broken')

// every kind of old end against every waste that is met on it, in a plain place with nothing aboard
const table = new Map<string, { readonly ways: number; readonly asked: number }>()
const nothing: string[] = []
let unequal = 0
const met = [
  ...DRAIN_KINDS.map((kind) => [kind, DRAIN_STUBS] as const),
  [['waste.box.2', 1.5, 3], DRAIN_STUBS] as const,
  ...METRIC_KINDS.map((kind) => [kind, METRIC_STUBS] as const),
  [['waste.pan', 4, 4.5], PAN_STUBS] as const,
  [
    ['waste.closed', 1.25, 4],
    [...DRAIN_STUBS, ...METRIC_STUBS],
  ] as const,
]
for (const [[kind, from, to], stubs] of met)
  for (const pipe of stubs) {
    const size = quarters(pipe)
    if (size < from || size > to) continue
    for (const oldJoint of oldJointsOn(pipe.material, true, pipe)) {
      if (oldJoint === 'flange' && kind !== 'waste.bowl' && (kind !== 'waste.closed' || size < 3)) continue
      const asked = plainDrain(pipe.id, kind, oldJoint)
      const options = optionsOf(asked)
      const all = bruteForce(asked.line, asked.settings, {
        catalogue: catalogueOf('drain'),
        mostParts: MOST_PARTS,
      })
      if (least(options.map(({ costs }) => costs.totalCents)) !== least(all.map(({ total }) => total)))
        unequal++
      const known = table.get(kind) ?? { ways: 0, asked: 0 }
      table.set(kind, { ways: known.ways + (options.length > 0 ? 1 : 0), asked: known.asked + 1 })
      if (options.length === 0) nothing.push(`${pipe.id} ${oldJoint} to ${kind}`)
    }
  }
const found = [...table.values()].reduce((sum, each) => sum + each.ways, 0)
const asked = [...table.values()].reduce((sum, each) => sum + each.asked, 0)
console.log(
  `old ends against wastes: ${found} of ${asked} have a way (${((100 * found) / asked).toFixed(0)} %), the others are out of reach in the raw tables too; ${unequal} differences`,
)
for (const [kind, each] of table) console.log(`  ${kind}: ${each.ways} of ${each.asked}`)
if (arg('show', '') === 'nothing') for (const text of nothing) console.log(`  none: ${text}`)

let optima = 0
let none = 0
const faults: string[] = []
for (let index = 20_000; optima < PROGRAMMES; index++) {
  const asked = index % 6 === 5 ? someMetricDrain(index) : someDrain(index)
  const programme = programmeOf(asked.line, asked.settings, catalogueOf('drain'), MOST_PARTS)
  const best = programme.edges.length === 0 ? null : await highs(toLp([programme], { least: 'total' }))
  const own = least(optionsOf(asked).map(({ costs }) => costs.totalCents))
  if (own !== (best?.cents ?? null)) faults.push(`${index}: ${own}, by the programme ${best?.cents ?? null}`)
  if (best) optima++
  else none++
}
console.log(`integer programme: ${optima} optima and ${none} without a way, ${faults.length} differences`)
for (const fault of faults) console.log(`  ${fault}`)

let differs = 0
for (let index = 40_000; index < 40_000 + FORCED; index++) {
  const { line, settings } = index % 6 === 5 ? someMetricDrain(index) : someDrain(index)
  const all = bruteForce(line, settings, { catalogue: catalogueOf('drain'), mostParts: MOST_PARTS })
  const own = least(optionsOf({ line, settings }).map(({ costs }) => costs.totalCents))
  if (own !== least(all.map(({ total }) => total))) differs++
}
console.log(`exhaustive search: ${FORCED} questions, ${differs} differences`)

const wrong = new Map<string, number[]>()
let intoRuns = 0
for (let index = 0; index < RUNS; index++) {
  const asked = someRun(index)
  for (const option of optionsOf(asked)) {
    intoRuns++
    const { conditions, pipeId = '' } = asked.line
    const material = pipeById(pipeId)?.material
    const request = {
      lines: [{ lineId: 'a', option, conditions, ...(material ? { material } : {}) }],
      houseRules: asked.settings.houseRules,
      people: 1 as const,
    }
    const found = [...brokenRunLaws(option, asked), ...carryOut(request, sequence(request).steps)]
    for (const id of found) wrong.set(id, [...(wrong.get(id) ?? []), index])
  }
}
console.log(`runs that are cut open: ${RUNS} questions, ${intoRuns} ways and their orders of work`)
for (const [id, at] of wrong) console.log(`  ${id}: ${at.length} ways, as of question ${at[0]}`)
if (wrong.size === 0) console.log('  no law broken, nothing wrong in any order')
let runDiffers = 0
const wholly = { ways: 0, asked: 0 }
for (let index = 60_000; index < 60_000 + PROGRAMMES / 2; index++) {
  const asked = someRun(index)
  const programme = programmeOf(asked.line, asked.settings, catalogueOf('drain'), 5)
  const best = programme.edges.length === 0 ? null : await highs(toLp([programme], { least: 'total' }))
  if (least(optionsOf(asked).map(({ costs }) => costs.totalCents)) !== (best?.cents ?? null)) runDiffers++
}
for (const pipe of DRAIN_STUBS)
  for (const [insert, side] of [
    ['repair', undefined],
    ['cleanout', undefined],
    ...(['tee', 'wye'] as const).flatMap((one) => SIDES.map((size) => [one, size] as const)),
  ] as const)
    for (const buried of [false, true]) {
      const asked = plainRun(pipe.id, insert, buried, side)
      const programme = programmeOf(asked.line, asked.settings, catalogueOf('drain'), 5)
      const options = optionsOf(asked)
      wholly.asked++
      if (options.length > 0) wholly.ways++
      if (options.length > 0 !== programme.edges.length > 0) runDiffers++
    }
console.log(
  `  every pipe, whatever goes into it, above and below ground: ${wholly.ways} of ${wholly.asked} have a way; ${runDiffers} differences from the integer programme, ${PROGRAMMES / 2} drawn ones among them`,
)
if (broken.size + unequal + faults.length + differs + wrong.size + runDiffers > 0) process.exitCode = 1
