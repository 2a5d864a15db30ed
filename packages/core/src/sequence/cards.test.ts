import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import { pipeById } from '../reference'
import { cardsOf } from './cards'
import { type Plan, type PlannedStep, sequence } from './index'
import { ACKNOWLEDGED } from './sitting'

const { houseRules } = WELL_EQUIPPED
const services = ['hot', 'cold'] as const

/** Hot and cold of one faucet that stays, each by the way of that number. */
function plan(pipeId: string, hotWay: number, coldWay = hotWay): Plan {
  const requests = services.map((service) => line(pipeId, { service, oldJoint: 'compression' }))
  const { lines } = mate({
    lines: requests.map((request, at) => ({ ...request, lineId: services[at] as string })),
    settings: WELL_EQUIPPED,
  })
  const material = pipeById(pipeId)?.material
  return sequence({
    lines: lines.map(({ options }, at) => ({
      lineId: services[at] as string,
      conditions: (requests[at] as (typeof requests)[number]).conditions,
      option: options[[hotWay, coldWay][at] as number] ?? (options[0] as (typeof options)[number]),
      ...(material ? { material } : {}),
      meets: { to: 'main' },
    })),
    bodies: [{ id: 'main', mount: 'deck', contents: ['aerator'], stays: true }],
    houseRules,
  })
}

const plans = () =>
  ['copper.l.1/2', 'pex-b.sdr9.1/2', 'cpvc.sdr11.1/2', 'copper.regular.15mm'].flatMap((pipeId) =>
    [0, 1, 2, 3].flatMap((way) => [plan(pipeId, way), plan(pipeId, way, (way + 1) % 4)]),
  )

/** A step as the plan has it, of a joint at one place. */
const step = (id: string, words: string, more: Partial<PlannedStep> = {}): PlannedStep => ({
  id,
  lineId: 'a',
  seam: 0,
  kind: 'prepare',
  words,
  parameters: {},
  phase: 'water-off',
  startSeconds: 0,
  endSeconds: 0,
  passive: false,
  captive: null,
  hands: 0,
  after: [],
  ...more,
})
const grouped = (...steps: PlannedStep[]) =>
  cardsOf(steps, () => 'here').map(({ acts, waits }) => [
    acts.map(({ steps: ids }) => ids.join('+')).join(' '),
    ...waits,
  ])

describe('cards', () => {
  it('hold every act once, in an order in which nothing comes before what it waits for', () => {
    for (const { steps, cards } of plans()) {
      const ids = cards.flatMap(({ acts }) => acts.flatMap((act) => act.steps))
      expect([...ids].sort()).toEqual(
        steps
          .filter(({ passive }) => !passive)
          .map(({ id }) => id)
          .sort(),
      )
      expect(cards.flatMap(({ waits }) => waits).sort()).toEqual(
        steps
          .filter(({ passive }) => passive)
          .map(({ id }) => id)
          .sort(),
      )
      // a line of a card is one act on several lines: none of them waits for another of it
      const at = new Map(
        cards.flatMap(({ acts }) => acts).flatMap((act, place) => act.steps.map((id) => [id, place])),
      )
      const waiting = new Map(cards.flatMap(({ waits }, place) => waits.map((id) => [id, place])))
      const cardOf = new Map(
        cards.flatMap(({ acts }, place) =>
          acts.flatMap((act) => act.steps.map((id) => [id, place] as const)),
        ),
      )
      for (const { id, after, passive } of steps)
        for (const before of after) {
          if (passive) continue
          const wait = waiting.get(before)
          if (wait === undefined)
            expect([id, before, (at.get(before) ?? 99) < (at.get(id) ?? -1)]).toEqual([id, before, true])
          else expect([id, before, wait < (cardOf.get(id) ?? -1)]).toEqual([id, before, true])
        }
    }
  })

  it('put nothing else on one that has to be acknowledged', () => {
    let seen = 0
    for (const { cards } of plans())
      for (const { acts, acknowledge } of cards) {
        const hurts = acts.some(({ words }) => ACKNOWLEDGED.has(words))
        expect(acknowledge === true).toBe(hurts)
        if (hurts) seen++
        if (hurts) expect(acts.length).toBe(1)
      }
    expect(seen).toBeGreaterThan(10)
  })

  it('are ten at most for the commonest job: stop and connector, hot and cold, a heater to be shut and a line to be bonded', () => {
    const { cards } = plan('copper.l.1/2', 2)
    const inHand = cards.filter(
      ({ acts }) => !acts.some(({ words }) => /^(prove\.(two-hours|morning)|record)/.test(words)),
    )
    expect(inHand.filter(({ acknowledge }) => acknowledge).length).toBe(2)
    expect(inHand.length).toBeLessThanOrEqual(10)
    // what is done on both lines is one line of a card
    expect(
      inHand.flatMap(({ acts }) => acts).filter(({ steps }) => steps.length === 2).length,
    ).toBeGreaterThan(7)
  })

  it('take acts of one sitting by one pair of hands, the same act of two lines as one', () => {
    expect(grouped(step('1', 'x'), step('2', 'y'), step('3', 'x'))).toEqual([['1+3 2']])
    expect(grouped(step('1', 'x'), step('2', 'x', { hands: 1 }))).toEqual([['1'], ['2']])
    expect(grouped(step('1', 'x'), step('2', 'x', { seam: 1 }))).toEqual([['1'], ['2']])
    // where they differ in what is read out they are two; the number of the seam is not read out
    expect(
      grouped(step('1', 'x', { parameters: { mm: 3 } }), step('2', 'x', { parameters: { mm: 4 } })),
    ).toEqual([['1 2']])
    expect(
      grouped(step('1', 'x', { parameters: { seam: 1 } }), step('2', 'x', { parameters: { seam: 2 } })),
    ).toEqual([['1+2']])
  })

  it('hold five acts, and more of one that is there', () => {
    const five = ['a', 'b', 'c', 'd', 'e'].map((words) => step(words, words))
    expect(grouped(...five, step('6', 'f'))).toEqual([['a b c d e'], ['6']])
    expect(grouped(...five, step('6', 'c'))).toEqual([['a b c+6 d e']])
  })

  it('end where a wait begins that the next act has to wait for, and keep one that it has not', () => {
    const wait = step('w', 'cool', { passive: true, after: ['1'] })
    expect(grouped(step('1', 'x'), wait, step('2', 'y', { after: ['w'] }))).toEqual([['1', 'w'], ['2']])
    expect(grouped(step('1', 'x'), wait, step('2', 'y', { after: ['1'] }))).toEqual([['1 2', 'w']])
    // a wait for two belongs to the later of them
    const both = step('w', 'cool', { passive: true, after: ['1', '2'] })
    expect(grouped(step('1', 'x'), step('2', 'y', { seam: 1 }), both)).toEqual([['1'], ['2', 'w']])
    const other = step('w', 'cool', { passive: true, after: ['2', '1'] })
    expect(grouped(step('1', 'x'), step('2', 'y', { seam: 1 }), other)).toEqual([['1'], ['2', 'w']])
  })

  it('write an act anew that waits for one below the line it would be on', () => {
    expect(grouped(step('1', 'x'), step('2', 'y'), step('3', 'x', { after: ['2'] }))).toEqual([['1 2 3']])
    expect(grouped(step('1', 'x'), step('2', 'y'), step('3', 'x', { after: ['1'] }))).toEqual([['1+3 2']])
    expect(cardsOf([step('1', 'x', { hands: 1 })], () => 'here')[0]?.hands).toBe(1)
  })
})
