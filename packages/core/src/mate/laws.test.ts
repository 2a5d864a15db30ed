import fc from 'fast-check'
import { methodById } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { CATALOG, fittingById } from '../catalog'
import { Effort } from '../effort'
import { pipeById } from '../reference'
import { STUB_METHODS } from './asking/refusals'
import { mate } from './index'
import { type CostsCheck, checkBill } from './test/bill'
import { line, STUBS, WELL_EQUIPPED } from './test/problems'
import type { LineRequest, LineResult, MateSettings } from './types'

const answered = new Map<string, LineResult>()
/** What comes of a line alone; many laws ask the same, and one that asks it again is given what came of it. */
function ask(request: LineRequest, settings: MateSettings = WELL_EQUIPPED, k = 20): LineResult {
  const key = settings === WELL_EQUIPPED ? JSON.stringify([request, k]) : ''
  const known = answered.get(key)
  if (known) return known
  const found = mate({ lines: [request], settings, k }).lines[0] as LineResult
  if (key) answered.set(key, found)
  return found
}
const refused = (result: LineResult) => new Set(result.refusals.map((refusal) => refusal.method))
const best = (result: LineResult) => result.options[0]?.costs.totalCents ?? Number.POSITIVE_INFINITY

const pipes = fc.constantFrom(...STUBS.map((pipe) => pipe.id))
const places = fc.record({
  flame: fc.boolean(),
  line: fc.constantFrom('dry' as const, 'trickle' as const),
  access: fc.constantFrom('reachable' as const, 'closed-wall' as const),
  stubMm: fc.option(fc.integer({ min: 4, max: 80 }), { nil: null }),
  plateMm: fc.constantFrom(0, 3, 10),
  scored: fc.boolean(),
  outOfRound: fc.boolean(),
  waterSeen: fc.boolean(),
  nearHeater: fc.boolean(),
  stopShape: fc.constantFrom('angle' as const, 'straight' as const, 'either' as const),
  reachMm: fc.option(fc.integer({ min: 50, max: 600 }), { nil: null }),
})

/** What makes a place easier, never harder. */
const EASIER: readonly [string, Partial<Conditions>][] = [
  ['a flame is allowed', { flame: true }],
  ['the line runs dry', { line: 'dry' }],
  ['the place stays within reach', { access: 'reachable' }],
  ['the end is smooth', { scored: false }],
  ['the end is round', { outOfRound: false }],
  ['water was seen', { waterSeen: true }],
  ['no heater is near', { nearHeater: false }],
  ['no plate stays on', { plateMm: 0 }],
  ['the fixture is near', { reachMm: 20 }],
]

describe('a question with few steps', () => {
  const SETS: readonly number[] = [0, 1, 5, 20, 80, 300, 1000]
  it.each([
    ['one line', {}, 1],
    ['nothing fits', { flame: false, access: 'closed-wall' as const, scored: true }, 1],
    ['two lines', {}, 2],
  ])(
    'never calls something best or refused that the whole search does not, but says that it was cut short: %s',
    (_name, place, count) => {
      const lines = Array.from({ length: count }, (_, index) => ({
        ...line(['copper.l.1/2', 'pex-b.sdr9.1/2'][index] as string, place),
        lineId: `${index}`,
      }))
      const settings = WELL_EQUIPPED
      const whole = mate({ lines, settings })
      expect(whole.lines.map(({ truncated }) => truncated)).toEqual(lines.map(() => false))
      let cut = 0
      for (const steps of SETS) {
        const short = mate({ lines, settings }, { effort: new Effort(steps) })
        short.lines.forEach((result, index) => {
          const full = whole.lines[index] as LineResult
          const wrongBest = best(result) !== best(full)
          const said = (of: LineResult) =>
            of.refusals.map(({ method, reason }) => `${method} ${reason.ruleId}`)
          const wrongRefusal = said(result).some((text) => !said(full).includes(text))
          const fewerRemedies = result.remedies.length < full.remedies.length
          if (wrongBest || wrongRefusal || fewerRemedies) {
            cut++
            expect([steps, result.truncated]).toEqual([steps, true])
          }
        })
        const { together } = short
        if (together && together.totalCents !== whole.together?.totalCents)
          expect([steps, together.truncated]).toEqual([steps, true])
      }
      expect(cut).toBeGreaterThan(0)
    },
  )

  it('spends no more than it has, but for the label at hand', () => {
    const effort = new Effort(500)
    mate(
      { lines: [line('copper.l.1/2', { flame: false, scored: true })], settings: WELL_EQUIPPED },
      { effort },
    )
    expect(effort.used).toBeLessThan(1500)
  })
})

describe('laws of mating, for stubs and places nobody prepared', () => {
  it.each(EASIER)('where %s, no method is lost and the best gets no dearer', (_name, patch) =>
    fc.assert(
      fc.property(pipes, places, (pipeId, place) => {
        const hard = ask(line(pipeId, place))
        const easy = ask(line(pipeId, { ...place, ...patch }))
        for (const method of refused(easy)) expect(refused(hard).has(method)).toBe(true)
        expect(best(easy)).toBeLessThanOrEqual(best(hard))
      }),
      { numRuns: 25, seed: 3 },
    ),
  )

  it('a longer stub never takes a method away', () =>
    fc.assert(
      fc.property(pipes, places, fc.integer({ min: 1, max: 40 }), (pipeId, place, more) => {
        const short = { ...place, stubMm: place.stubMm ?? 30 }
        const a = refused(ask(line(pipeId, short)))
        for (const method of refused(ask(line(pipeId, { ...short, stubMm: short.stubMm + more }))))
          expect(a.has(method)).toBe(true)
      }),
      { numRuns: 25, seed: 4 },
    ))

  it('another tool or part on the van never makes the best dearer', () =>
    fc.assert(
      fc.property(
        pipes,
        places,
        fc.subarray([...WELL_EQUIPPED.toolsAboard]),
        fc.constantFrom(...WELL_EQUIPPED.toolsAboard),
        fc.constantFrom(...CATALOG.map((part) => part.id)),
        (pipeId, place, toolsAboard, tool, part) => {
          const poor = { ...WELL_EQUIPPED, toolsAboard }
          const rich = { ...poor, toolsAboard: [...toolsAboard, tool], partsAboard: { [part]: 3 } }
          expect(best(ask(line(pipeId, place), rich))).toBeLessThanOrEqual(
            best(ask(line(pipeId, place), poor)),
          )
        },
      ),
      { numRuns: 40, seed: 5 },
    ))

  it('each bill follows from the raw prices, each part of it', () =>
    fc.assert(
      fc.property(
        pipes,
        places,
        fc.integer({ min: 1000, max: 30_000 }),
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 0, max: 90_000 }),
        (pipeId, place, labourCentsPerHour, tripMinutes, callBackCents) => {
          const settings = { ...WELL_EQUIPPED, labourCentsPerHour, tripMinutes, callBackCents }
          for (const option of ask(line(pipeId, place), settings).options) {
            const check: CostsCheck = checkBill(option, settings)
            expect(check).toEqual({
              partsCents: option.costs.partsCents,
              consumablesCents: option.costs.consumablesCents,
              labourCents: option.costs.labourCents,
              setUpCents: option.costs.setUpCents,
              tripCents: option.costs.tripCents,
            })
            expect(option.costs.riskCents).toBeGreaterThanOrEqual(0)
          }
        },
      ),
      { numRuns: 30, seed: 6 },
    ))

  it('asking for fewer ways gives the first of them', () =>
    fc.assert(
      fc.property(pipes, places, fc.integer({ min: 1, max: 6 }), (pipeId, place, k) => {
        const many = ask(line(pipeId, place), WELL_EQUIPPED, 20).options
        const few = ask(line(pipeId, place), WELL_EQUIPPED, k).options
        expect(few.slice(0, k).map((option) => option.costs.totalCents)).toEqual(
          many.slice(0, Math.min(k, few.length)).map((option) => option.costs.totalCents),
        )
      }),
      { numRuns: 25, seed: 8 },
    ))

  it('a method is either offered or refused, never both and never neither', () =>
    fc.assert(
      fc.property(pipes, places, (pipeId, place) => {
        const result = ask(line(pipeId, place), WELL_EQUIPPED, 3)
        const offered = new Set(result.options.map((option) => option.joints[0]?.method))
        for (const id of STUB_METHODS.filter((method) => methodById(method).medium !== 'drain'))
          expect([id, offered.has(id) !== refused(result).has(id)]).toEqual([id, true])
      }),
      { numRuns: 25, seed: 9 },
    ))

  it('where nothing fits, each change that is named makes something fit, and no part of it alone does', () => {
    const CHANGED: Readonly<Record<string, Partial<Conditions>>> = {
      flame: { flame: true },
      dry: { line: 'dry' },
      access: { access: 'reachable' },
      'water-seen': { waterSeen: true },
      smooth: { scored: false },
      round: { outOfRound: false },
      'away-from-heater': { nearHeater: false },
      plate: { plateMm: 0 },
    }
    let named = 0
    fc.assert(
      fc.property(pipes, places, (pipeId, place) => {
        const request = line(pipeId, place)
        const { options, remedies } = ask(request)
        if (options.length > 0) {
          expect(remedies).toEqual([])
          return
        }
        const works = (changes: readonly string[], missingMm?: number) => {
          const patch = Object.assign({}, ...changes.map((change) => CHANGED[change] ?? {}))
          const settings = changes.includes('push-fit-rule')
            ? {
                ...WELL_EQUIPPED,
                houseRules: { ...WELL_EQUIPPED.houseRules, pushFitConcealed: 'allow' as const },
              }
            : WELL_EQUIPPED
          const stubMm =
            changes.includes('stub') && place.stubMm !== null
              ? place.stubMm + (missingMm ?? 0) + 0.01
              : place.stubMm
          const thread = changes.includes('thread')
            ? { thread: 'NPT' as const, oldJoint: 'none' as const }
            : {}
          return ask(line(pipeId, { ...place, ...patch, stubMm, ...thread }), settings, 1).options.length > 0
        }
        for (const { changes, missingMm } of remedies) {
          named++
          expect([changes, works(changes, missingMm)]).toEqual([changes, true])
          for (const left of changes)
            if (changes.length > 1)
              expect([
                changes,
                left,
                works(
                  changes.filter((change) => change !== left),
                  missingMm,
                ),
              ]).toEqual([changes, left, false])
        }
      }),
      { numRuns: 60, seed: 10 },
    )
    expect(named).toBeGreaterThan(20)
  })
})

describe('what a chosen chain is made of', () => {
  it('is in the catalogue, faces the right way, and its make-up lies in the tables’ range', () =>
    fc.assert(
      fc.property(pipes, places, (pipeId, place) => {
        for (const option of ask(line(pipeId, place)).options) {
          for (const part of option.parts) {
            const fitting = fittingById(part.fittingId)
            expect(fitting?.ports[part.inPort]).toBeDefined()
            expect(fitting?.ports[part.outPort]).toBeDefined()
            expect(part.inPort).not.toBe(part.outPort)
          }
          option.joints.forEach((joint, index) => {
            expect(joint.from).toBe(index - 1)
            expect(joint.to).toBe(index)
            expect(joint.minMm).toBeGreaterThanOrEqual(0)
            expect(joint.maxMm).toBeLessThan(60)
          })
          expect(option.joints).toHaveLength(option.parts.length + 1)
          expect(option.joints[0]?.atStub).toBe(true)
          // the water stays off up to the stop's inlet, and not beyond
          const stop = option.parts.findIndex((part) => /stop$|isolating/.test(part.family))
          expect(option.joints.map((joint) => joint.beforeStop)).toEqual(
            option.joints.map((_, at) => at <= stop),
          )
        }
        expect(pipeById(pipeId)).toBeDefined()
      }),
      { numRuns: 30, seed: 11 },
    ))
})
