import fc from 'fast-check'
import { capacities, LOADS } from '../reference/fixtureUnits'
import { nominalNumber } from '../reference/types'
import { LOAD_NAMES } from '../words/drainLoad'
import { REASONS } from '../words/reasons'
import { say } from '../words/say'
import { drainLoad, LOAD_IDS, type LoadAsk, type LoadId, MAIN_FALLS } from './drainLoad'

const ask = (patch: Partial<LoadAsk>) =>
  drainLoad({ code: 'IPC', pipe: 'branch', fall: '1/4', size: '2', fixtures: {}, ...patch })
const CODES = ['IPC', 'UPC', 'EN'] as const
const PIPES = ['branch', 'stack', 'main'] as const
const bath = { toilet: 1, basin: 1, tub: 1 } as const

describe('what a drain takes', () => {
  it.each([
    // a bath room's three things: 3 + 1 + 2, by either American table
    ['IPC', 'branch', '3', bath, 6, 20, 'load.takes'],
    ['UPC', 'branch', '3', bath, 6, 35, 'load.takes'],
    // its toilet needs three inches, whatever two could carry
    ['IPC', 'stack', '2', bath, 6, 10, 'load.own-drain'],
    // a third toilet on three inches is one too many, though twenty units would pass
    ['IPC', 'branch', '3', { toilet: 3 }, 9, 20, 'load.closets'],
    ['UPC', 'branch', '3', { toilet: 3 }, 9, 35, 'load.takes'],
    // a kitchen sink lying: three units on 1-1/2 in one code, one in the other
    ['IPC', 'branch', '1-1/2', { 'kitchen-sink': 1 }, 2, 3, 'load.takes'],
    ['UPC', 'branch', '1-1/2', { 'kitchen-sink': 1 }, 2, 1, 'load.over'],
    // to the last unit, and one more
    ['IPC', 'branch', '2', { tub: 3 }, 6, 6, 'load.takes'],
    ['IPC', 'branch', '2', { tub: 3, basin: 1 }, 7, 6, 'load.over'],
    ['UPC', 'branch', '5', { tub: 1 }, 2, null, 'load.no-size'],
    ['IPC', 'main', '2', {}, 0, 21, 'load.nothing'],
  ] as const)('%s, %s of %s: %j', (code, pipe, size, fixtures, load, most, ruleId) => {
    const answer = ask({ code, pipe, size, fixtures })
    expect([answer.load, answer.most, answer.reason.ruleId]).toEqual([load, most, ruleId])
    expect(answer.takes).toBe(ruleId === 'load.takes' || ruleId === 'load.nothing')
  })

  it('by EN 12056-2 is a flow: K √ΣDU of a dwelling, and never less than its largest alone', () => {
    // 0.5 √(0.8 + 0.8 + 0.5 + 0.8 + 0.8), the kitchen, the bath room without its toilet, the machine
    const fixtures = { 'kitchen-sink': 1, dishwasher: 1, basin: 1, tub: 1, 'washing-machine': 1 }
    expect(ask({ code: 'EN', size: '70', fixtures })).toMatchObject({ load: 0.96, takes: true, least: '60' })
    // with its toilet the root is 1.19, and the toilet alone runs two
    expect(ask({ code: 'EN', size: '90', fixtures: { ...fixtures, toilet: 1 } })).toMatchObject({
      load: 2,
      takes: true,
      least: '90',
    })
    // a stack with a toilet on it begins at a hundred, though ninety would carry the flow
    expect(ask({ code: 'EN', pipe: 'stack', size: '90', fixtures: { toilet: 1 } })).toMatchObject({
      reason: { ruleId: 'load.closets' },
      least: '100',
    })
  })

  it('flatter by UPC is four fifths of it, by IPC a column of its own; EN leaves the building drain to its formula', () => {
    const most = (code: 'IPC' | 'UPC', fall: LoadAsk['fall']) =>
      ask({ code, pipe: 'main', fall, size: '4' }).most
    expect([most('UPC', '1/8'), most('UPC', '1/4'), most('UPC', '1/2')]).toEqual([172, 216, 216])
    expect([most('IPC', '1/8'), most('IPC', '1/4'), most('IPC', '1/2')]).toEqual([180, 216, 250])
    expect(ask({ code: 'EN', pipe: 'main', size: '100', fixtures: bath })).toMatchObject({
      takes: false,
      most: null,
      least: null,
      sizes: [],
      reason: { ruleId: 'load.no-table' },
    })
  })
})

it('what is too small for its own drain is named', () => {
  const words = (fixtures: LoadAsk['fixtures']) => {
    const { reason } = ask({ size: '1-1/4', fixtures })
    return [reason.ruleId, say(REASONS[reason.ruleId] ?? '', reason.parameters, 'in')]
  }
  expect(words({ 'washing-machine': 1 })).toEqual([
    'load.own-drain',
    'A washing machine drains through 2 in itself, and nothing downstream is smaller.',
  ])
  expect(words({ 'toilet-older': 1, basin: 2 })[1]).toMatch(/^A toilet drains through 3 in/)
  expect(words({ 'kitchen-sink': 1 })[1]).toMatch(/^A kitchen sink drains through 1-1\/2 in/)
})

it('where no size is asked of, the smallest that takes it all is spoken of, and where none does, the largest', () => {
  expect(ask({ size: null, fixtures: { tub: 3, basin: 1 } })).toMatchObject({
    size: '2-1/2',
    takes: true,
    most: 12,
  })
  expect(ask({ size: null, fixtures: { tub: 50, shower: 50 } })).toMatchObject({
    size: '4',
    takes: false,
    least: null,
    reason: { ruleId: 'load.over' },
  })
  // the table of the whole stack is wider than that of one of its storeys
  const words = (pipe: LoadAsk['pipe']) => {
    const { reason } = ask({ pipe, size: '4', fixtures: { tub: 10 } })
    return say(REASONS[reason.ruleId] ?? '', reason.parameters, 'in')
  }
  expect(words('stack')).toMatch(/20 of 240 fixture units.+On one storey no more than 90/)
  expect(words('branch')).not.toContain('storey')
})

describe('laws of what a drain takes', () => {
  const counts = fc
    .tuple(...LOAD_IDS.map(() => fc.integer({ min: 0, max: 3 })))
    .map((each) => Object.fromEntries(each.map((count, at) => [LOAD_IDS[at], count])) as LoadAsk['fixtures'])
  const asks = fc.record({
    code: fc.constantFrom(...CODES),
    pipe: fc.constantFrom(...PIPES),
    fall: fc.constantFrom(...MAIN_FALLS),
    size: fc.constantFrom(null, '1-1/4', '1-1/2', '2', '3', '4', '50', '90', '100'),
    fixtures: counts,
  })

  it('every table: a larger pipe takes no less, and a steeper drain no less', () => {
    for (const code of CODES)
      for (const pipe of PIPES) {
        const tables = MAIN_FALLS.map((fall) => capacities(code, pipe, fall) ?? [])
        for (const table of tables)
          for (const [at, row] of table.entries()) {
            const next = table[at + 1]
            if (!next) continue
            expect(nominalNumber(next.size)).toBeGreaterThan(nominalNumber(row.size))
            expect(next.most).toBeGreaterThanOrEqual(row.most)
            expect(next.closets ?? Number.POSITIVE_INFINITY).toBeGreaterThanOrEqual(row.closets ?? 0)
          }
        tables.slice(1).forEach((steeper, at) => {
          for (const row of tables[at] ?? [])
            expect(steeper.find(({ size }) => size === row.size)?.most).toBeGreaterThanOrEqual(row.most)
        })
      }
  })

  it('one thing less never turns a yes into a no, and the least size is the first that takes it', () =>
    fc.assert(
      fc.property(asks, fc.constantFrom(...LOAD_IDS), (request, fewer: LoadId) => {
        const answer = drainLoad(request)
        const less = {
          ...request,
          fixtures: { ...request.fixtures, [fewer]: Math.max(0, (request.fixtures[fewer] ?? 0) - 1) },
        }
        if (answer.takes) expect(drainLoad({ ...less, size: answer.size }).takes).toBe(true)
        const taking = answer.sizes.filter((size) => drainLoad({ ...request, size }).takes)
        expect(answer.least).toBe(taking[0] ?? null)
        // and from there on every larger one does
        if (answer.least) expect(taking).toEqual(answer.sizes.slice(answer.sizes.indexOf(answer.least)))
        const words = say(REASONS[answer.reason.ruleId] ?? '', answer.reason.parameters, 'in')
        expect(words).not.toMatch(/[{}]|undefined/)
        expect(words.length).toBeGreaterThan(20)
      }),
      { numRuns: 300 },
    ))

  it('each fixture has a name, and passes at least through its own drain where that is a size of the table', () => {
    expect(Object.keys(LOAD_NAMES).sort()).toEqual([...LOAD_IDS].sort())
    for (const code of ['IPC', 'EN'] as const)
      for (const { id, leastSize } of LOADS) {
        const answer = ask({ code, size: leastSize[code], fixtures: { [id]: 1 } })
        if (answer.sizes.includes(leastSize[code] as never))
          expect([id, code, answer.reason.ruleId]).toEqual([id, code, 'load.takes'])
      }
  })
})
