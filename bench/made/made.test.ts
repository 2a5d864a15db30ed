import { type PlannedStep, type PlanRequest, STARTING_SETTINGS, sequence } from '@diarmos/core'
import { STEPS } from '../../packages/core/src/words/steps'
import { Dice } from '../mate/random'
import { anyOrder } from './anyOrder'
import { IN_WALL, job, outletsOf, solvedQuestions, teed } from './jobs'
import { carryOut } from './world'

const solved = solvedQuestions(60)
const outlets = outletsOf(IN_WALL)
const TEES = teed()
// a twentieth of what bench/plan.ts carries out
const JOBS = Array.from({ length: 250 }, (_, index) => job(index, solved, outlets, TEES))
let known: readonly { readonly request: PlanRequest; readonly steps: readonly PlannedStep[] }[] | null = null
/** Planned when a test first asks: what a change to the planner breaks is that test's to see. */
function planned() {
  known ??= JOBS.map((request) => ({ request, steps: sequence(request).steps }))
  return known
}

describe('an order of work that is carried out', () => {
  it('floods, melts, burns, traps and bares nothing, whatever is worked on', () => {
    const wrong = planned().flatMap(({ request, steps }, index) =>
      carryOut(request, steps).map((what) => `job ${index}: ${what}`),
    )
    expect(wrong).toEqual([])
  })

  // an order that is only safe by the planner's choice is safe by chance
  it('nor in any other order that the plan allows', () => {
    const wrong = planned().flatMap(({ request, steps }, index) =>
      [0, 1].flatMap((again) =>
        carryOut(request, anyOrder(steps, new Dice(2_000_000 + 10 * index + again))).map(
          (what) => `job ${index}, order ${again}: ${what}`,
        ),
      ),
    )
    expect(wrong).toEqual([])
  })

  it('a tee and what branches off it are soldered in one heat, by the hands that they were priced at', () => {
    const { houseRules } = STARTING_SETTINGS
    let oneHeat = 0
    for (const lines of TEES)
      for (const people of [1, 2] as const) {
        const request = { lines, people, houseRules }
        const { steps } = sequence(request)
        expect(carryOut(request, steps)).toEqual([])
        const seconds = (wanted: (step: PlannedStep) => boolean) =>
          steps
            .filter((step) => !step.passive && wanted(step))
            .reduce((sum, { startSeconds, endSeconds }) => sum + endSeconds - startSeconds, 0)
        const hands = seconds(({ id, seam }) => seam !== null || /^[a-z]+\/remove\//.test(id))
        const priced = lines.reduce((sum, { option }) => sum + option.costs.labourSeconds, 0)
        expect(hands).toBe(priced)
        if (steps.some(({ id, words }) => id === 'branch/0/close' && words === 'sweat.heat-same')) oneHeat++
      }
    expect(oneHeat).toBeGreaterThan(10)
  })

  it('a wait binds nobody’s hands, and all else somebody’s', () => {
    for (const { steps } of planned())
      for (const { id, kind, passive, hands } of steps)
        expect([id, passive, hands === null]).toEqual([id, kind === 'wait', kind === 'wait'])
  })

  it('has words for every step', () => {
    const unsaid = planned().flatMap(({ steps }) => steps.filter(({ words }) => STEPS[words] === undefined))
    expect(unsaid.map(({ words }) => words)).toEqual([])
  })

  it('keeps a taped joint cool where what closes the run is soldered on the same body, and only there', () => {
    const heats = planned().flatMap(({ steps }) =>
      steps.filter(({ words }) => words.startsWith('sweat.heat')),
    )
    const wrapped = heats.filter(({ words }) => words === 'sweat.heat-wrapped').length
    expect(wrapped).toBeGreaterThan(0)
    expect(wrapped).toBeLessThan(heats.length / 4)
    // heated as any other it burns
    const burnt = planned().flatMap(({ request, steps }) =>
      carryOut(
        request,
        steps.map((step) => (step.words === 'sweat.heat-wrapped' ? { ...step, words: 'sweat.heat' } : step)),
      ),
    )
    expect(burnt.filter((what) => what.startsWith('melts: flame on part')).length).toBeGreaterThanOrEqual(
      wrapped,
    )
  })

  it('comes upon stops that stay, drains, valves in walls, fixtures that stay, and pipes that are left long', () => {
    const lines = JOBS.flatMap(({ lines: each }) => each)
    const some = (what: (line: PlanRequest['lines'][number]) => boolean) => lines.filter(what).length
    expect(some(({ option }) => option.removalId === 'keep-stop')).toBeGreaterThan(5)
    expect(some(({ conditions }) => conditions.service === 'waste')).toBeGreaterThan(5)
    expect(some(({ leftLong }) => leftLong !== undefined)).toBeGreaterThan(2)
    expect(some(({ meets }) => meets?.from !== undefined)).toBeGreaterThan(20)
    expect(JOBS.filter(({ bodies }) => bodies?.some(({ stays }) => stays)).length).toBeGreaterThan(20)
  })
})

/** Puts one step right after another, or before it, and leaves the rest where it is. */
function moved(steps: readonly PlannedStep[], what: PlannedStep, to: PlannedStep, side: 'after' | 'before') {
  const length = what.endSeconds - what.startSeconds
  const startSeconds = side === 'after' ? to.endSeconds + 0.25 : to.startSeconds - length - 0.25
  return steps.map((step) =>
    step === what ? { ...step, startSeconds, endSeconds: startSeconds + length } : step,
  )
}

// what is moved, where to, and what comes of it
const SPOILT: readonly [RegExp, 'after' | 'before', RegExp, RegExp][] = [
  [/^safe\.heater-off/, 'after', /^safe\.drain$/, /burns dry: the heater is on while/],
  [/^safe\.shut$/, 'after', /^safe\.drain$/, /drains against open water/],
  [/^safe\.proved/, 'after', /^remove\.cut$/, /floods: remove\.cut .* under pressure/],
  [/^remove\.cut$/, 'before', /^safe\.shut$/, /floods: remove\.cut .* under pressure/],
  [/^remove\.old-connector/, 'after', /^remove\.(cut|unscrew)/, /with its connector still on/],
  [/^remove\.undo-connector/, 'before', /^safe\.(drain-kept|stop-shut)/, /floods: remove\.undo-connector/],
  [/^compression\.nut/, 'after', /^compression\.tighten/, /trapped: compression\.nut/],
  [/^pex\.ring/, 'after', /^crimp\.press/, /trapped: pex\.ring/],
  [/^captive\.plate/, 'after', /^open\.valves/, /trapped: the plate/],
  [/^(compression\.tighten|push\.push|crimp\.press)$/, 'after', /^open\.restore$/, /floods: .* stands open/],
  [/^cement\.cure|^sweat\.cool|^expansion\.grip/, 'after', /^open\.valves/, /bursts: .* has not set/],
  [/^open\.valves/, 'after', /^open\.restore/, /floods: the new stops are not shut/],
  [/^body\.strip/, 'after', /^body\.cool/, /melts: what is in/],
  [/^body\.refit/, 'after', /^open\.restore/, /floods: what came out of/],
  [/^thread\.seal/, 'before', /^sweat\.heat/, /melts: flame on part/],
  [/^open\.heater-on/, 'before', /^open\.restore$/, /burns dry: the heater is on without water/],
  [/^open\.heater-on/, 'before', /^open\.flush/, /burns dry: air in/],
  [/^fixture\.set/, 'before', /^fixture\.out/, /set where the old one stands/],
  [/^fixture\.out/, 'before', /^remove\.(old-connector|undo-connector)/, /still holds it/],
  [/^fixture\.hang/, 'after', /^open\.valves/, /joined to what does not hang/],
  [/^swivel\.snug/, 'after', /^fixture\.set/, /no hand goes to the tail/],
  [/^swivel\.snug/, 'before', /^remove\.old-connector/, /still on the tail/],
  [/^prove\.tissue-inlet/, 'before', /^open\.restore$/, /looked at without pressure/],
  [/^fixture\.run/, 'before', /^swivel\.snug/, /runs out of/],
  [/^drain\.unplug/, 'after', /^prove\.fill/, /the plug of .* is shut in/],
  [/^cement\.cure/, 'after', /^closet\.set/, /stands on soft cement/],
  [/^flange\.screw/, 'after', /^closet\.set/, /stands on a loose flange/],
  [/^remove\.pull-bowl/, 'after', /^closet\.set/, /set on the old bowl/],
  [
    /^prove\.(flush|standpipe|fill-floor|let-go)/,
    'before',
    /^(closet\.set|cement\.join)/,
    /is filled and open/,
  ],
  [/^prove\.fill/, 'before', /^(slip\.tighten|cement\.join)/, /is filled and open/],
  [/^thread\.turn/, 'after', /^(crimp\.press|compression\.tighten|push\.push|sweat\.heat)$/, /nothing turns/],
  [/^union\.draw/, 'after', /^open\.restore$/, /floods: .* undrawn/],
  [/^sweat\.heat-same/, 'after', /^sweat\.cool/, /remelts: part/],
  [/^long\.cap/, 'after', /^open\.restore$/, /stands long and open/],
  [/^fix\.bib/, 'after', /^open\.flush-bib/, /opened with nothing to hold it/],
  [
    /^fix\.strap/,
    'before',
    /^(crimp\.press|push\.push|compression\.tighten|sweat\.heat)/,
    /strapped before it stands/,
  ],
  [/^fix\.ears/, 'after', /^thread\.turn/, /turned into an elbow that hangs free/],
  [
    /^fix\.stub/,
    'after',
    /^(compression\.tighten|push\.push|crimp\.press|sweat\.heat|press\.press)/,
    /stub that moves/,
  ],
  [/^prove\.scald/, 'before', /^open\.heater-on/, /measured cold/],
  [/^prove\.breaker/, 'before', /^open\.flush-bib/, /breaker is looked at dry/],
  [/^prove\.relief/, 'after', /^open\.heater-on/, /heated before its relief/],
  [/^cover\.(wall|ground)/, 'before', /^prove\.hold$/, /covered before it was held/],
  [/^cover\.(wall|ground)/, 'before', /^cover\.inspected/, /covered before it was inspected/],
  [/^cover\.(wall|ground)/, 'before', /^prove\.morning/, /covered before it was looked at again/],
  [/^cover\.(wall|ground)/, 'before', /^prove\.tissue/, /covered with .* not looked at/],
  [/^hold\.set/, 'before', /^open\.restore$/, /held without water/],
  [/^long\.cut/, 'before', /^cover\.wall/, /cut before the wall is shut/],
]

describe('an order that is spoilt on purpose', () => {
  it.each(SPOILT)('%s %s %s: %s', (what, side, to, fault) => {
    let tried = 0
    for (const { request, steps } of planned()) {
      for (const step of steps.filter(({ words }) => what.test(words)))
        for (const other of steps.filter(
          ({ words, lineId }) => to.test(words) && (lineId === step.lineId || !lineId || !step.lineId),
        )) {
          tried++
          if (carryOut(request, moved(steps, step, other, side)).some((wrong) => fault.test(wrong))) return
        }
      if (tried > 400) break
    }
    throw new Error(`${tried} tried, and nothing came of it`)
  })
})
