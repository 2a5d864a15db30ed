import { mouthOf } from '../assembly'
import {
  type CarriedWay,
  comesOutMm,
  dimensionsFor,
  fillsRun,
  findingBasis,
  legsOutMm,
  matingBasis,
  matingStands,
  type StageFacts,
  stageOf,
} from './index'

const nothing: StageFacts = { closed: false, fixture: false, started: false, lines: [] }
const line = { lineId: 'a', finding: true, mating: true, ticked: [] as string[], seams: 2 }

describe('the stage of a job', () => {
  it.each<[string, StageFacts, string]>([
    ['nothing known', nothing, 'find'],
    ['one line not found', { ...nothing, fixture: true, lines: [line, { ...line, finding: false }] }, 'find'],
    ['no fixture', { ...nothing, lines: [line] }, 'fixture'],
    ['one line not mated', { ...nothing, fixture: true, lines: [line, { ...line, mating: false }] }, 'mate'],
    ['nothing ticked', { ...nothing, fixture: true, lines: [line] }, 'cut'],
    ['a general step ticked', { ...nothing, fixture: true, started: true, lines: [line] }, 'make'],
    [
      'one seam open',
      { ...nothing, fixture: true, started: true, lines: [{ ...line, ticked: ['a/0/close'] }] },
      'make',
    ],
    [
      'every seam closed',
      { ...nothing, fixture: true, started: true, lines: [{ ...line, ticked: ['a/0/close', 'a/1/close'] }] },
      'prove',
    ],
    ['closed', { ...nothing, closed: true }, 'prove'],
  ])('%s: %#', (_name, facts, stage) => expect(stageOf(facts)).toBe(stage))
})

describe('what a finding and a mating rest on', () => {
  const look = {
    kind: 'outside',
    instrument: 'caliper',
    sign: null,
    answer: null,
    entered: '.625',
    mm: 15.875,
    withdrawn: false,
  }

  it('does not change with the order of looks, nor by one that is withdrawn', () => {
    const other = { ...look, mm: 15.9 }
    expect(findingBasis([look, other])).toBe(findingBasis([other, look]))
    expect(findingBasis([look, { ...other, withdrawn: true }])).toBe(findingBasis([look]))
    expect(findingBasis([look])).not.toBe(findingBasis([other]))
  })
  it('changes with any condition, whatever their order', () => {
    expect(matingBasis('p', faucet, { flame: true, line: 'dry' })).toBe(
      matingBasis('p', faucet, { line: 'dry', flame: true }),
    )
    expect(matingBasis('p', faucet, { flame: true })).not.toBe(matingBasis('p', faucet, { flame: false }))
  })
  it('stands in the version it was written in, and falls with the facts in each', () => {
    const facts = { flame: true, line: 'dry', faults: [] }
    // as it was stored before a basis named its version
    const first = JSON.stringify([
      'p',
      'faucet.shank.1/2',
      [
        ['flame', true],
        ['line', 'dry'],
      ],
    ])
    for (const stored of [first, matingBasis('p', faucet, facts)]) {
      expect(matingStands(stored, 'p', faucet, facts)).toBe(true)
      expect(matingStands(stored, 'q', faucet, facts)).toBe(false)
      expect(matingStands(stored, 'p', faucet, { ...facts, flame: false })).toBe(false)
      expect(matingStands(stored, 'p', { ...faucet, to: mouthOf('toilet.fill.7/8') as never }, facts)).toBe(
        false,
      )
    }
    // what goes into a run has no end of its own to tell it by
    const into = (insert: string) => ({ to: { ...mouthOf(`run.${insert}`), kind: `run.${insert}` }, insert })
    expect(matingStands(matingBasis('p', into('tee'), facts), 'p', into('valve'), facts)).toBe(false)
    // nor has a branch whose pipe is of another size
    const branch = (size: string) => ({
      to: { ...mouthOf(`waste.run.tee.${size}`), kind: `waste.run.tee.${size}` },
      insert: 'tee',
    })
    expect(matingStands(matingBasis('p', branch('2'), facts), 'p', branch('2'), facts)).toBe(true)
    expect(matingStands(matingBasis('p', branch('2'), facts), 'p', branch('3'), facts)).toBe(false)
    // by a phone that is older than the shop's others
    expect(matingStands('9:whatever', 'p', faucet, facts)).toBe(true)
  })
  const faucet = { to: { ...mouthOf('faucet.shank.1/2'), kind: 'faucet.shank.1/2' }, insert: null }
})

describe('distances that were measured along a line', () => {
  const row = (from: string, to: string, optionId: string | null, takenAt: string, withdrawn = false) => ({
    from,
    to,
    optionId,
    takenAt,
    withdrawn,
  })
  const rows = [
    row('wall', 'part:1:centre', 'a', '2026-01-01'),
    row('wall', 'part:1:centre', 'b', '2026-01-02'),
    row('stub', 'part:0:in', 'a', '2026-01-02', true),
    // heard of later, though its clock is behind
    row('wall', 'part:1:centre', 'a', '2025-12-31'),
    row('wall', 'tail', null, '2026-01-04'),
  ]
  it.each([
    ['a', ['2025-12-31', '2026-01-04']],
    ['b', ['2026-01-02', '2026-01-04']],
    [null, ['2026-01-04']],
  ])('hold for way %p: the newest of each, in order, none that was withdrawn', (optionId, taken) =>
    expect(
      dimensionsFor(rows, optionId === null ? null : bare(optionId, [])).map(({ takenAt }) => takenAt),
    ).toEqual(taken),
  )

  const bare = (id: string, names: readonly string[]): CarriedWay => ({
    id,
    removalId: 'cut-behind',
    leavesStubMm: 60,
    parts: names.map((fittingId) => ({ fittingId, inPort: 0, outPort: 1 })),
    joints: [],
  })
  it('of another way hold on where their parts are still in it, by their places there', () => {
    const before = [bare('a', ['coupling', 'elbow', 'stop']), bare('b', ['elbow', 'other stop'])]
    const [a, b] = before as [CarriedWay, CarriedWay]
    const taken = [
      row('wall', 'part:1:centre', 'a', '1'),
      row('part:1:centre', 'part:2:in', 'a', '2'),
      row('stub', 'part:0:centre', 'b', '3'),
    ]
    const places = (way: CarriedWay) =>
      dimensionsFor(taken, way, before).map(({ from, to, takenAt }) => [from, to, takenAt])
    // the elbow is the second part of the one and the first of the other; the old stop is in one only
    expect(places(b)).toEqual([
      ['wall', 'part:0:centre', '1'],
      ['stub', 'part:0:centre', '3'],
    ])
    expect(places(a)).toEqual([
      ['wall', 'part:1:centre', '1'],
      ['part:1:centre', 'part:2:in', '2'],
      ['stub', 'part:1:centre', '3'],
    ])
    // another removal leaves another end: what was held to it holds no more
    expect(dimensionsFor(taken, { ...a, removalId: 'sweat-off' }, before)).toHaveLength(2)
  })
})

describe('what has to come out of a run', () => {
  const coupling = (fromMm: number) => ({ kind: 'coupling', fromMm, toMm: fromMm + 40 })
  it.each([
    [null, [], null],
    [0, [], 0],
    [30, [], 30],
    // one that stands too near goes, and the next that stands too near to that
    [30, [coupling(20)], 75],
    [30, [coupling(20), coupling(100)], 155],
    [30, [coupling(20), coupling(120)], 75],
    [30, [coupling(-80), coupling(40)], 160],
    // what turns or branches the run stays
    [30, [{ kind: 'elbow', fromMm: 20, toMm: 60 }], 30],
    [null, [coupling(66)], 0],
  ] as const)('%p mm of bad pipe and %j: %p', (badMm, things, out) =>
    expect(comesOutMm({ badMm, things })).toBe(out),
  )

  const elbow = (fromMm: number) => ({ kind: 'elbow', fromMm, toMm: fromMm + 40 })
  it.each([
    // by the elbow's middle: its own halves, and the bad pipe on the side where it lies
    [null, [elbow(100)], [20, 20]],
    [30, [elbow(100)], [135, 20]],
    [30, [elbow(-100)], [20, 95]],
    [90, [elbow(-20)], [45, 45]],
    // the elbow that is nearest, and a coupling too near to it goes with it
    [30, [elbow(-200), elbow(60)], [95, 20]],
    [null, [elbow(60), coupling(120)], [20, 80]],
    [30, [coupling(20)], null],
  ] as const)('round a corner %p mm of bad pipe and %j: %j from its middle', (badMm, things, legs) =>
    expect(legsOutMm({ badMm, things })).toEqual(legs),
  )

  it('is filled by a way, or no longer', () => {
    const bad = (badMm: number) => ({ badMm, things: [elbow(100)] })
    const repair = { removeMm: { max: 60 } }
    expect([fillsRun(repair, bad(60)), fillsRun(repair, bad(61)), fillsRun(repair, null)]).toEqual([
      true,
      false,
      true,
    ])
    // 120 from the elbow's middle to the mark, half of what is bad beyond it
    const corner = { removeLegsMm: [{ max: 140 }, { max: 30 }] as const }
    expect([fillsRun(corner, bad(40)), fillsRun(corner, bad(41))]).toEqual([true, false])
    expect(fillsRun({ removeLegsMm: [{ max: 500 }, { max: 15 }] }, bad(40))).toBe(false)
    // a line that ends fills nothing
    expect(fillsRun({}, bad(500))).toBe(true)
  })
})
