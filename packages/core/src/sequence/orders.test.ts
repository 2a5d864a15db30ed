import fc from 'fast-check'
import { CATALOG } from '../catalog'
import { mate } from '../mate'
import { line, STUBS, WELL_EQUIPPED } from '../mate/test/problems'
import { pipeById } from '../reference'
import { CircularPlanError, type Plan, type PlannedStep, sequence } from './index'

const { houseRules } = WELL_EQUIPPED
const pipes = STUBS.filter((pipe) => ['1/2', '3/4', '15', '22'].includes(pipe.nominal)).map((pipe) => pipe.id)

/** A plan for hot and cold, each with one of its own ways. */
function planFor(pipeId: string, hotWay: number, coldWay: number): Plan {
  const options =
    mate({ lines: [line(pipeId, { service: 'hot', plateMm: 3 })], settings: WELL_EQUIPPED }).lines[0]
      ?.options ?? []
  const material = pipeById(pipeId)?.material
  if (!material || options.length === 0) throw new Error(pipeId)
  const of = (lineId: 'hot' | 'cold', way: number) => ({
    lineId,
    material,
    conditions: { ...line(pipeId, { service: lineId, plateMm: 3 }).conditions },
    option: options[way % options.length] as (typeof options)[number],
  })
  return sequence({ lines: [of('hot', hotWay), of('cold', coldWay)], houseRules })
}

/**
 * Works through the steps of the window in some other allowed order, one pair of hands, waits running by
 * themselves, and tells how long the water was off. Its own small simulation.
 */
function windowOf(steps: readonly PlannedStep[], pick: (ready: readonly PlannedStep[]) => number): number {
  const inside = new Map(steps.map((step) => [step.id, step]))
  const ends = new Map<string, number>()
  let hands = 0
  let restored = 0
  while (ends.size < inside.size) {
    const ready = steps.filter(
      (step) => !ends.has(step.id) && step.after.every((before) => !inside.has(before) || ends.has(before)),
    )
    const step = ready[pick(ready) % ready.length] as PlannedStep
    const free = Math.max(0, ...step.after.map((before) => ends.get(before) ?? 0))
    const begin = step.passive ? free : Math.max(free, hands)
    const end = begin + step.endSeconds - step.startSeconds
    ends.set(step.id, end)
    if (!step.passive) hands = end
    if (step.id === 'general/restore') restored = end
  }
  return restored
}

describe('the order of work against other orders that are allowed', () => {
  it('no order drawn at random has the water off for less', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...pipes),
        fc.nat(7),
        fc.nat(7),
        fc.array(fc.nat(50), { minLength: 60, maxLength: 60 }),
        (pipeId, hot, cold, draws) => {
          const plan = planFor(pipeId, hot, cold)
          const inside = plan.steps.filter((step) => step.phase === 'water-off')
          const shut = inside.find((step) => step.id === 'general/shut') as PlannedStep
          const closing = shut.endSeconds - shut.startSeconds
          let draw = 0
          const random = windowOf(inside, () => draws[draw++ % draws.length] ?? 0) - closing
          expect(plan.waterOff.seconds).toBeLessThanOrEqual(random)
        },
      ),
      { numRuns: 150, seed: 12 },
    ))

  it('the plan itself, worked through by the simulation, takes what it says', () =>
    fc.assert(
      fc.property(fc.constantFrom(...pipes), fc.nat(7), fc.nat(7), (pipeId, hot, cold) => {
        const plan = planFor(pipeId, hot, cold)
        const inside = plan.steps.filter((step) => step.phase === 'water-off')
        const shut = inside.find((step) => step.id === 'general/shut') as PlannedStep
        // always the step that the plan has first
        const seconds = windowOf(inside, () => 0) - (shut.endSeconds - shut.startSeconds)
        expect(seconds).toBe(plan.waterOff.seconds)
      }),
      { numRuns: 60, seed: 13 },
    ))

  it('moves out of the window whatever need not be in it', () =>
    fc.assert(
      fc.property(fc.constantFrom(...pipes), fc.nat(7), (pipeId, way) => {
        const { steps } = planFor(pipeId, way, way)
        const at = new Map(steps.map((step) => [step.id, step]))
        const below = (id: string, seen = new Set<string>()): Set<string> => {
          for (const before of at.get(id)?.after ?? [])
            if (!seen.has(before)) {
              seen.add(before)
              below(before, seen)
            }
          return seen
        }
        const beforeRestore = below('general/restore')
        for (const step of steps) {
          const needsWaterOff = below(step.id).has('general/shut')
          if (step.phase === 'water-off' && !['general/shut', 'general/restore'].includes(step.id)) {
            expect([step.id, needsWaterOff]).toEqual([step.id, true])
            expect([step.id, beforeRestore.has(step.id)]).toEqual([step.id, true])
          }
          if (step.phase === 'before') expect([step.id, needsWaterOff]).toEqual([step.id, false])
        }
      }),
      { numRuns: 40, seed: 14 },
    ))

  it('every step starts after all it waits for, and the whole is one order', () =>
    fc.assert(
      fc.property(fc.constantFrom(...pipes), fc.nat(7), fc.nat(7), (pipeId, hot, cold) => {
        const { steps } = planFor(pipeId, hot, cold)
        const place = new Map(steps.map((step, index) => [step.id, index]))
        for (const [index, step] of steps.entries())
          for (const before of step.after) {
            expect(place.get(before)).toBeLessThan(index)
            expect(steps[place.get(before) ?? 0]?.endSeconds).toBeLessThanOrEqual(step.startSeconds)
          }
      }),
      { numRuns: 60, seed: 15 },
    ))

  it.each(['bench', 'place'] as const)(
    'soldered at the %s: tape, paste, rubber and plastic come to a body after every flame on it, what slides is soldered where it stays',
    (solderAt) => {
      const copper = ['copper.l.1/2', 'copper.l.3/4', 'copper.regular.15mm']
      let benched = 0
      let held = 0
      for (const pipeId of copper) {
        const reachable = line(pipeId, { stubMm: 200 })
        const run = {
          ...reachable,
          cutIn: { insert: 'repair', farMm: 200, freeMm: [900, 900], outMm: 150, sidewaysMm: 2 },
        } as const
        const { to: _, ...within } = run
        const corner = { ...within, cutIn: { ...within.cutIn, insert: 'corner', outMm: null } } as const
        for (const request of [
          reachable,
          line(pipeId, { turn: 90, stubMm: 200 }, 'valve.combo.1/2'),
          within,
          corner,
        ]) {
          const { options } = mate(
            { lines: [request], settings: WELL_EQUIPPED, k: 25 },
            request === corner
              ? { catalogue: CATALOG.filter(({ family }) => !family.startsWith('street')) }
              : {},
          ).lines[0] ?? {
            options: [],
          }
          for (const option of options) {
            const { steps } = sequence({
              lines: [{ lineId: 'a', option, conditions: request.conditions }],
              houseRules: { ...houseRules, solderAt },
            })
            const at = (seam: number, words: RegExp) =>
              steps.filter((step) => step.seam === seam && words.test(step.words))
            const bodies = (seam: number) =>
              [option.joints[seam]?.from ?? -1, option.joints[seam]?.to ?? -1].filter(
                (part) => option.parts[part],
              )
            option.joints.forEach(({ method, atStub }, hot) => {
              // what closes the run is made last, whatever it is
              const { closes } = option
              const closing = closes
                ? closes.by === 'slide'
                  ? [closes.seam, closes.seam + 1]
                  : [closes.seam]
                : []
              const [heated] = at(hot, /^sweat\.heat/)
              const wrapped = steps.some(
                ({ words, endSeconds }) =>
                  words === 'sweat.heat-wrapped' && endSeconds === heated?.startSeconds,
              )
              if (
                method !== 'sweat' ||
                closing.includes(hot) ||
                wrapped ||
                heated?.words === 'sweat.heat-wrapped'
              )
                return
              const cold = Math.max(...at(hot, /^sweat\.cool/).map(({ endSeconds }) => endSeconds))
              option.joints.forEach(({ method: other }, seam) => {
                if (other === 'sweat' || !bodies(seam).some((part) => bodies(hot).includes(part))) return
                held++
                for (const step of at(seam, /^(thread\.seal|push\.push|press\.press)$/))
                  expect([option.id, step.id, step.startSeconds >= cold]).toEqual([option.id, step.id, true])
              })
              const [heat] = at(hot, /^sweat\.heat/)
              const slid = bodies(hot).some((part) => /slip|repair/.test(option.parts[part]?.family ?? ''))
              // where the old end is made without a flame, whatever is soldered is carried in by either school
              // and what is screwed into a body that is held, before that is closed to
              if (heat?.phase !== 'before' || option.joints[0]?.method !== 'sweat' || closes?.by === 'joint')
                return
              benched++
              expect([solderAt, atStub, slid]).toEqual(['bench', false, false])
            })
          }
        }
      }
      expect(held).toBeGreaterThan(10)
      expect(benched > 0).toBe(solderAt === 'bench')
    },
  )

  it('a circle in the data is named by its steps', () => {
    const fault = new CircularPlanError(['a/0/close', 'a/1/close', 'a/0/close'])
    expect(fault.message).toBe('these steps wait for each other: a/0/close, a/1/close, a/0/close')
  })
})
