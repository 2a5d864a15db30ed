// npm run bench:laws [-- --count=20000 --show=law]: every way that is offered, held against what no plumber would sign.

import { mate } from '@diarmos/core'
import { arg } from './arg'
import { finished } from './laws/finished'
import { LAWS, longerForATrip } from './laws/laws'
import { faultAtItsLength } from './laws/madeEnds'
import { faultOfPlan } from './laws/planned'
import { someQuestion } from './laws/questions'

const COUNT = Number(arg('count', '20000'))
const FROM = Number(arg('from', '0'))
const SHOW = arg('show', '')

const broken = new Map<string, { ways: number; first: number; example: string }>()
let ways = 0
let without = 0
let unsigned = 0
let longer = 0
let unmade = 0
let unplanned = 0
const begun = performance.now()
for (let index = FROM; index < FROM + COUNT; index++) {
  const question = someQuestion(index)
  const [line] = question.lines
  const options = mate(question).lines[0]?.options ?? []
  if (options.length === 0) without++
  const simpler = longerForATrip(
    options.map(({ methods, joints, costs, missingParts, missingTools }) => ({
      methods,
      joints,
      missing: missingParts.length + missingTools.length > 0,
      cents: costs.totalCents,
      tripCents: costs.tripCents,
    })),
  )
  if (simpler >= 0) longer++
  options.forEach((way, place) => {
    ways++
    const whole = finished(line, way)
    const fault = faultAtItsLength(line, way)
    if (fault) {
      unmade++
      console.log(`${index}.${place} does not go in at its own length: ${fault}`)
    }
    const order = faultOfPlan(line, way, question.settings.jointMinutes)
    if (order) {
      unplanned++
      console.log(`${index}.${place} ${way.id} has no order of work: ${order}`)
    }
    const laws = LAWS.filter((law) => law.breaks(whole))
    if (place === 0 && laws.length > 0) unsigned++
    for (const { id } of laws) {
      const known = broken.get(id) ?? { ways: 0, first: 0, example: '' }
      known.ways++
      if (place === 0) known.first++
      if (!known.example || id === SHOW) {
        known.example = `${index}.${place} ${line.pipeId} → ${whole.kind}, ${line.conditions.access}, ${line.conditions.service}: ${way.removalId} | ${way.joints.map(({ method }, at) => `${method} > ${way.parts[at]?.fittingId ?? '.'}`).join(' | ')}`
        if (id === SHOW) console.log(known.example)
      }
      broken.set(id, known)
    }
  })
}
console.log(
  `${COUNT} questions, ${ways} ways, ${without} questions without one, ${unsigned} first answers that break a law`,
)
for (const { id, says } of LAWS) {
  const found = broken.get(id)
  console.log(
    `${String(found?.ways ?? 0).padStart(7)} ways, ${String(found?.first ?? 0).padStart(6)} first: ${says}`,
  )
  if (found) console.log(`        ${found.example}`)
}
console.log(`${longer} first answers are longer, of more methods, than another that wants a trip`)
console.log(`${((performance.now() - begun) / 1000).toFixed(0)} s`)
console.log(`${unplanned} ways have no order of work, or one that burns what is on them`)
console.log(`${unmade} ways into a run do not go in at the length that they name`)
