import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import { pipeById } from '../reference'
import { type Plan, sequence } from './index'
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

const PLANS = ['copper.l.1/2', 'pex-b.sdr9.1/2', 'cpvc.sdr11.1/2', 'copper.regular.15mm'].flatMap((pipeId) =>
  [0, 1, 2, 3].flatMap((way) => [plan(pipeId, way), plan(pipeId, way, (way + 1) % 4)]),
)

describe('cards', () => {
  it('hold every act once, in an order in which nothing comes before what it waits for', () => {
    for (const { steps, cards } of PLANS) {
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
    for (const { cards } of PLANS)
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
})
