import {
  bodiesOf,
  CATALOG,
  type Conditions,
  mate,
  mouthOf,
  PLAIN_CONDITIONS,
  type PlannedStep,
  type PlanRequest,
  pipeById,
  sequence,
} from '@diarmos/core'
import { WELL_EQUIPPED as SETTINGS } from '../../packages/core/src/mate/test/problems'
import { Dice } from '../mate/random'
import { anyOrder } from './anyOrder'
import { faultsOfHeaters } from './heaters'
import { carryOut } from './world'

const PLACE = { ...PLAIN_CONDITIONS, waterSeen: true, stubMm: 300 }
const KIND = 'heater.nipple.3/4'
type Service = 'hot' | 'cold'
const BOTH = ['hot', 'cold'] as const

/** A heater on its lines, mated together; the ways that stand at a place in the list of each. */
function heater(
  pipeId: string,
  place: Partial<Conditions>,
  {
    services = BOTH,
    stays = false,
    at = 0,
  }: { services?: readonly Service[]; stays?: boolean; at?: number } = {},
): PlanRequest {
  const [body] = bodiesOf([KIND])
  if (!body) throw new Error('no heater')
  const lines = services.map((service) => ({
    lineId: service,
    pipeId,
    to: { ...mouthOf(KIND), bodyId: body.id },
    conditions: { ...PLACE, service, ...place },
  }))
  const answer = mate({ lines, settings: SETTINGS, k: 8 })
  const material = pipeById(pipeId)?.material
  return {
    lines: lines.map(({ lineId, conditions }, index) => {
      const { options = [] } = answer.lines[index] ?? {}
      const option = options[at % options.length]
      if (!option) throw new Error(`no way for ${lineId}`)
      return { lineId, option, conditions, meets: { to: body.id }, ...(material ? { material } : {}) }
    }),
    bodies: [{ ...body, ...(stays ? { stays } : {}) }],
    houseRules: SETTINGS.houseRules,
  }
}

const PLACES: readonly (readonly [string, string, Partial<Conditions>])[] = [
  ['soldered copper', 'copper.l.3/4', { oldJoint: 'sweat' }],
  ['copper that can be lifted', 'copper.l.3/4', { oldJoint: 'sweat', givesMm: 40 }],
  ['copper round a corner', 'copper.l.3/4', { oldJoint: 'sweat', givesMm: 40, turn: 90 }],
  ['steel', 'galvanised.40.3/4', { oldJoint: 'threaded', thread: 'NPT' }],
  ['plastic', 'pex-b.sdr9.3/4', { oldJoint: 'crimp' }],
]

describe('a heater', () => {
  it.each(PLACES)(
    'on %s: any order that the plan allows can be carried out, new or staying, by one line or both',
    (_, pipeId, place) => {
      for (const services of [BOTH, ['cold'], ['hot']] as const)
        for (const stays of [false, true])
          for (let at = 0; at < 6; at++) {
            const request = heater(pipeId, place, { services, stays, at })
            const { steps } = sequence(request)
            const told = [services.join(), stays, request.lines.map(({ option }) => option.id)]
            expect([...told, carryOut(request, steps)]).toEqual([...told, []])
            for (let draw = 0; draw < 4; draw++)
              expect([...told, carryOut(request, anyOrder(steps, new Dice(draw)))]).toEqual([...told, []])
            const lifts = steps.filter(({ words }) => words === 'close.lift')
            expect(lifts).toHaveLength(
              request.lines.filter(({ option }) => option.closes?.by === 'joint' && option.closes.needsMm > 0)
                .length,
            )
            // it runs empty while water still comes out of the house's other taps
            expect(steps.find(({ words }) => words === 'heater.empties')?.phase).toBe(
              stays ? undefined : 'before',
            )
          }
    },
  )

  it('that is lifted to, is so when all else stands: the joint follows the lift', () => {
    const request = heater('copper.l.3/4', { oldJoint: 'sweat', givesMm: 40 }, { services: ['hot'] })
    const { steps } = sequence(request)
    const lift = steps.findIndex(({ words }) => words === 'close.lift')
    expect(lift).toBeGreaterThan(0)
    const seam = request.lines[0]?.option.closes?.seam
    const own = steps.slice(lift + 1).filter(({ lineId, seam: of }) => lineId === 'hot' && of !== null)
    expect(new Set(own.map(({ seam: of }) => of))).toEqual(new Set([seam]))
  })

  it('that is lifted to by a joint in whose heat others are made, is so when those stand in their place', () => {
    const request = heater('copper.l.1/2', { oldJoint: 'sweat', givesMm: 40 }, { services: ['hot'] })
    const [line] = request.lines
    if (!line) throw new Error('no line')
    const asked = { lineId: 'hot', pipeId: 'copper.l.1/2', to: mouthOf(KIND), conditions: line.conditions }
    // where all is soldered or screwed
    const catalogue = CATALOG.filter(
      ({ family, ports }) =>
        !/union|connector/.test(family) && ports.every(({ form }) => /^(solder-cup|tube|taper-)/.test(form)),
    )
    const { options = [] } = mate({ lines: [asked], settings: SETTINGS, k: 40 }, { catalogue }).lines[0] ?? {}
    const soldered = options.filter(
      ({ closes, joints }) =>
        closes?.by === 'joint' && joints.filter(({ method }) => method === 'sweat').length > 1,
    )
    expect(soldered.length).toBeGreaterThan(2)
    for (const option of soldered) {
      const { steps } = sequence({ ...request, lines: [{ ...line, option }] })
      expect([option.id, carryOut({ ...request, lines: [{ ...line, option }] }, steps)]).toEqual([
        option.id,
        [],
      ])
    }
  })

  it('says valve and not stop where no stop is, and runs nothing out of an end that is not open', () => {
    for (const [, pipeId, place] of PLACES)
      for (let at = 0; at < 6; at++) {
        const words = sequence(heater(pipeId, place, { at })).steps.map((step) => step.words)
        expect(words.filter((each) => /^open\.(flush|flush-end|valves|valves-body)$/.test(each))).toEqual([])
        expect(words.filter((each) => /^prove\.tissue-(inlet|outlet|behind)$/.test(each))).toEqual([])
      }
  })

  it('to which nobody measured gets pipe that was held there and marked, once it stands; measured, no such act', () => {
    const asked = (patch: Partial<Conditions>, stays = false) =>
      heater('copper.l.3/4', { oldJoint: 'sweat', givesMm: 40, ...patch }, { services: ['hot'], stays })
    for (const stays of [false, true]) {
      const request = asked({}, stays)
      const { steps } = sequence(request)
      expect(faultsOfHeaters(request, steps)).toEqual([])
      const mark = steps.find(({ words }) => words === 'heater.mark') as PlannedStep
      const without = steps.filter((step) => step !== mark)
      expect(faultsOfHeaters(request, without)).toEqual(['hot is cut by guess'])
      const moved = (seconds: number) => [
        ...without,
        { ...mark, startSeconds: seconds, endSeconds: seconds + 1 },
      ]
      expect(faultsOfHeaters(request, moved(0))).toContain('hot is marked with the old one on it')
      expect(faultsOfHeaters(request, moved(0)).includes('hot is held to what does not stand')).toBe(!stays)
      expect(faultsOfHeaters(request, moved(0))).toContain('hot is marked to what is not screwed home')
      expect(faultsOfHeaters(request, moved(1e6))).toContain('hot is joined before it has its length')
    }
    const measured = asked({ reachMm: 76 })
    expect(sequence(measured).steps.filter(({ words }) => words === 'heater.mark')).toEqual([])
    expect(faultsOfHeaters(measured, sequence(measured).steps)).toEqual([])
  })

  // what is moved, where to, and what comes of it
  const SPOILT: readonly [RegExp, 'after' | 'before', RegExp, RegExp][] = [
    [/^heater\.empty$/, 'before', /^safe\.heater-off/, /burns dry: emptied/],
    [/^heater\.out/, 'before', /^heater\.empties/, /carried out full/],
    [/^heater\.out/, 'before', /^remove\.cut/, /carried out with/],
    [/^heater\.set/, 'before', /^heater\.out/, /set where the old one stands/],
    [/^heater\.set/, 'after', /^prove\.morning/, /joined to what does not stand/],
    [/^heater\.fill/, 'before', /^open\.restore/, /filled from nothing/],
    [/^heater\.fill/, 'after', /^open\.heater-on/, /burns dry: on before/],
    [/^heater\.fill/, 'before', /^swivel\.snug/, /runs out of/],
    [/^prove\.tissue-joints/, 'before', /^heater\.fill/, /looked at dry/],
  ]
  it.each(SPOILT)('%s moved %s %s is found', (what, side, where, said) => {
    const request = heater('copper.l.3/4', { oldJoint: 'sweat' })
    const { steps } = sequence(request)
    const found = (pattern: RegExp) => steps.filter(({ words }) => pattern.test(words))
    const moved = found(what)[0] as PlannedStep
    const to = (side === 'after' ? found(where).at(-1) : found(where)[0]) as PlannedStep
    const length = moved.endSeconds - moved.startSeconds
    const startSeconds = side === 'after' ? to.endSeconds + 0.25 : to.startSeconds - length - 0.25
    const spoilt = steps.map((step) =>
      step === moved ? { ...step, startSeconds, endSeconds: startSeconds + length } : step,
    )
    expect(faultsOfHeaters(request, steps)).toEqual([])
    expect(faultsOfHeaters(request, spoilt).join('; ')).toMatch(said)
  })
})
