// npm run bench:hold [-- --count=600]: judges logs of a pressure hold, so many of each cause, from the line of bench/hold,
// and prints what was missed, what was raised for nothing, and how often it is told to read on.
import { arg } from './arg'
import { DRAWN } from './hold/logs'
import { judgeLogs, missed, raised, wilson } from './hold/tally'

const count = Number(arg('count', '600'))
const percent = (times: number, of: number) => {
  const [from, to] = wilson(times, of)
  return `${times} of ${of} (${((100 * times) / of).toFixed(2)} %, 95 %: ${(100 * from).toFixed(2)} to ${(100 * to).toFixed(2)} %)`
}
let dry = 0
let falsely = 0
for (const drawn of DRAWN) {
  const begin = performance.now()
  const all = judgeLogs(count, [drawn])
  const ms = (performance.now() - begin) / count
  const verdicts: Record<string, number> = {}
  const causes: Record<string, number> = {}
  for (const { judged } of all) {
    verdicts[judged.verdict] = (verdicts[judged.verdict] ?? 0) + 1
    causes[judged.cause] = (causes[judged.cause] ?? 0) + 1
  }
  console.log(
    `${drawn}: ${JSON.stringify(verdicts)}, mostly ${JSON.stringify(causes)}, ${ms.toFixed(0)} ms a log with its drawing`,
  )
  if (drawn === 'leak') console.log(`  missed: ${percent(all.filter(missed).length, count)}`)
  if (drawn !== 'leak' && drawn !== 'small leak') {
    const wrong = all.filter(raised).length
    dry += count
    falsely += wrong
    console.log(`  raised for nothing: ${percent(wrong, count)}`)
  }
  const again = all.filter(({ judged }) => judged.readOnS !== null)
  if (again.length > 0)
    console.log(
      `  told to read on: ${again.length}, for ${Math.round(again.reduce((sum, { judged }) => sum + (judged.readOnS ?? 0), 0) / again.length / 60)} min in the middle`,
    )
}
console.log(`raised for nothing in all: ${percent(falsely, dry)}`)
