// Mate against solvers that share no code with it: an integer programme (HiGHS), a graph library's shortest path, plain
// reachability, and brute force over conditions; then its speed. Usage: npm run bench:mate [-- --problems=500]
import { writeFileSync } from 'node:fs'
import path from 'node:path'
import {
  CATALOG,
  CRITERIA,
  type Criteria,
  type Fitting,
  type LineRequest,
  type MateRequest,
  mate,
  type RankedOption,
  TOOL_IDS,
} from '@diarmos/core'
import { ROOT } from '../scripts/lib/machine.mjs'
import { assemblies } from './mate/assemblies'
import { remediesByForce } from './mate/force'
import { highs, type Programmes } from './mate/highs'
import { shortestByLibrary } from './mate/library'
import { oneOptimum } from './mate/oneOptimum'
import { programmeOf, toLp, type Wish } from './mate/programme'
import { Dice, FIXTURES, someLine, someParts, someProblem, someShop } from './mate/random'
import { reachability } from './mate/reach'
import { scaling } from './mate/scaling'
import { bestUnspared } from './mate/spared'

const argument = (name: string, otherwise: number) =>
  Number(process.argv.find((text) => text.startsWith(`--${name}=`))?.split('=')[1] ?? otherwise)
const PROBLEMS = argument('problems', 350)
const FIXTURE_PROBLEMS = argument('fixtures', 150)
const REMEDIES = argument('remedies', 200)
const MOST_PARTS = 4
const K = 4

const faults: string[] = []
const check = (what: string, got: unknown, expected: unknown) => {
  if (got !== expected) faults.push(`${what}: ${String(got)}, by the programme ${String(expected)}`)
}
const times = { own: 0, programme: 0, ownCalls: 0, programmeCalls: 0 }
const percentile = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ??
  Number.NaN

function own(request: MateRequest, catalogue: readonly Fitting[]) {
  const began = performance.now()
  const result = mate(request, { catalogue, mostParts: MOST_PARTS })
  times.own += performance.now() - began
  times.ownCalls++
  return result
}

async function solve(programmes: Programmes, wish: Wish) {
  if (programmes.some(({ edges }) => edges.length === 0)) return null
  const began = performance.now()
  const found = await highs(toLp(programmes, wish))
  times.programme += performance.now() - began
  times.programmeCalls++
  return found
}

/** Tokens of the way that a solution takes through a programme. */
function wayOf(programme: Programmes[number], columns: Readonly<Record<string, number>>): string[] {
  return programme.edges
    .filter((edge) => (columns[`${edge.name}_0`] ?? 0) > 0.5)
    .sort((a, b) => a.layer - b.layer)
    .map((edge) => edge.token)
}

async function singleLines() {
  let nothing = 0
  let spans = 0
  let points = 0
  let ways = 0
  for (let index = 0; index < PROBLEMS; index++) {
    const { catalogue, settings, line } = someProblem(index)
    if (line.conditions.spanMm != null) spans++
    const result = own({ lines: [line], settings, k: K }, catalogue).lines[0]
    if (!result) throw new Error('no line')
    const programme = programmeOf(line, settings, catalogue, MOST_PARTS)
    const best = await solve([programme], { least: 'total' })
    // the cheapest is listed, though a simpler one may come before it
    const [cheapest] = result.options.map((option) => option.costs.totalCents).sort((a, b) => a - b)
    check(`problem ${index}, optimum`, cheapest, best?.cents)
    if (!best) {
      nothing++
      continue
    }
    // the k cheapest ways, one after the other, each forbidding those before it
    const totals = result.options.map((option) => option.costs.totalCents)
    const known: string[][] = [wayOf(programme, best.columns)]
    for (let rank = 2; rank <= K; rank++) {
      const next = await solve([programme], { least: 'total', not: known })
      ways++
      if (!next) {
        check(
          `problem ${index}, ways`,
          new Set(result.options.map(({ id }) => id.split('#')[0])).size,
          rank - 1,
        )
        break
      }
      // the list is k ways and more; the k cheapest ways are among it
      check(`problem ${index}, way ${rank}`, totals.includes(next.cents), true)
      known.push(wayOf(programme, next.columns))
    }
    const window = 2 * best.cents
    const front = result.options.filter((option) => option.onFront)
    for (const option of [front[0], front.at(-1)].filter(
      (point): point is RankedOption => point !== undefined,
    )) {
      points++
      for (const criterion of CRITERIA) {
        const { [criterion]: _, ...most } = option.criteria
        const least = await solve([programme], {
          least: criterion,
          most: most as Partial<Criteria>,
          mostTotal: window,
        })
        check(`problem ${index}, front by ${criterion}`, option.criteria[criterion], least?.cents)
      }
    }
  }
  console.log(
    `single lines: ${PROBLEMS} problems (${spans} with a gap to fill, ${nothing} where nothing fits), ${ways} further ways, ${points} points of fronts × ${CRITERIA.length} criteria`,
  )
}

async function wholeFixtures() {
  let missed = 0
  let solved = 0
  let tried = 0
  for (let index = 0; solved < FIXTURE_PROBLEMS && index < FIXTURE_PROBLEMS * 6; index++) {
    tried++
    const dice = new Dice(50_000 + index)
    const region = dice.pick(['inch', 'inch', 'metric'] as const)
    const catalogue = someParts(dice, 200, region)
    // all tools aboard, of most parts a few: what one line finds there another may find gone
    const settings = {
      ...someShop(dice, catalogue),
      tripMinutes: dice.whole(8, 30),
      toolsAboard: TOOL_IDS,
      partsAboard: Object.fromEntries(
        catalogue.filter(() => dice.chance(0.7)).map(({ id }) => [id, dice.whole(1, 4)]),
      ),
    }
    const fixtureId = dice.pick(FIXTURES[region].filter((id) => id !== 'hose.outlet'))
    const lines: LineRequest[] = Array.from({ length: dice.whole(3, 4) }, (_, at) => {
      const line = someLine(dice, `${at}`, region, fixtureId)
      // places where most lines have some way; single lines try the hard ones
      return {
        ...line,
        conditions: { ...line.conditions, scored: false, outOfRound: false, nearHeater: false },
      }
    })
    const result = own({ lines, settings, k: K }, catalogue)
    const programmes = lines.map((line) => programmeOf(line, settings, catalogue, MOST_PARTS))
    const listed = result.lines.map(({ options }) => options)
    const best = await bestUnspared(programmes, listed, (wish) => solve(programmes, wish))
    check(`fixture ${index}`, result.together?.totalCents, best?.cents)
    if (!best || !result.together) continue
    solved++
    // each line asked about alone, then put together: what is shared is charged once, and a part that one line found
    // aboard must be there for all of them
    const alone = lines.map(
      (line) =>
        mate({ lines: [line], settings, k: 1 }, { catalogue, mostParts: MOST_PARTS }).lines[0]
          ?.options[0] as RankedOption,
    )
    const methods = new Set(alone.flatMap((option) => option.methods))
    const shared = alone.reduce(
      (sum, option) => sum + option.costs.totalCents - option.costs.setUpCents - option.costs.tripCents,
      0,
    )
    const opened = [...methods].reduce((sum, id) => sum + shortestByLibrary.setUp(id, settings), 0)
    const pieces = new Map<string, number>()
    for (const { fittingId } of alone.flatMap((option) => option.parts))
      pieces.set(fittingId, (pieces.get(fittingId) ?? 0) + 1)
    const short =
      alone.some((option) => option.missingTools.length > 0) ||
      [...pieces].some(([id, count]) => count > (settings.partsAboard[id] ?? 0))
    const trip = short ? Math.ceil((settings.tripMinutes * 60 * settings.labourCentsPerHour) / 3600) : 0
    if (shared + opened + trip > best.cents) missed++
  }
  console.log(
    `whole fixtures: ${tried} problems of three and four lines, ${solved} with a way for every line; taking each line's own cheapest misses the optimum in ${missed} (${((100 * missed) / solved).toFixed(0)} %)`,
  )
}

async function main() {
  const began = performance.now()
  await singleLines()
  await wholeFixtures()
  const met = await assemblies(argument('assemblies', 120), MOST_PARTS, check, own, solve)
  console.log(
    `assemblies: ${met.tried} drawn, with a way ${[...met.solved].map(([kind, count]) => `${count} of a ${kind}`).join(', ')}; in ${met.cooled} a body has to cool, in ${met.short} a piece is short`,
  )
  console.log(
    `one question: own ${(times.own / times.ownCalls).toFixed(1)} ms (ways, refusals, front, together); one integer programme ${(times.programme / times.programmeCalls).toFixed(1)} ms (${times.programmeCalls} solved)`,
  )
  const one = await oneOptimum(argument('optima', 80), MOST_PARTS, (programmes) =>
    solve(programmes, { least: 'total' }),
  )
  console.log(
    `one optimum: ${one.ratio.toFixed(0)} times as fast as the integer programme on the same ${one.problems} lines; ${one.withSetUp.toFixed(1)} times with the network and the programme built anew for each`,
  )
  const additive = shortestByLibrary.compare(argument('additive', 200), check)
  console.log(
    `additive costs against a graph library's shortest path: ${additive.problems} problems; own ${additive.ownMs.toFixed(1)} ms, library ${additive.libraryMs.toFixed(1)} ms each`,
  )
  const force = remediesByForce(REMEDIES, check)
  console.log(
    `what would make it possible: ${force.cases} cases without a way, ${force.sets} smallest sets, all by brute force too`,
  )
  const reach = reachability(check)
  console.log(
    `pairs of ends: ${reach.pairs}; mated by at most five parts ${reach.solved} (${((100 * reach.solved) / reach.pairs).toFixed(1)} %), refused ${reach.pairs - reach.solved}, every refusal unreachable in the raw tables; of ${reach.drains.pairs} pairs of drain ends ${reach.drains.solved}; ${CATALOG.length} parts`,
  )
  const plot = scaling(percentile)
  for (const { parts, signatures, p50, p95 } of plot.rows)
    console.log(
      `${parts} parts, ${signatures} signatures: one line ${p50.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms`,
    )
  writeFileSync(path.join(ROOT, 'docs/mate-scaling.svg'), plot.svg)
  console.log(`${faults.length} disagreements, ${((performance.now() - began) / 60_000).toFixed(1)} min`)
  for (const fault of faults.slice(0, 20)) console.log(`  ${fault}`)
  if (faults.length > 0) process.exitCode = 1
}

await main()
