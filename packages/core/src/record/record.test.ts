import { dimensionsFor, findingBasis, matingBasis, type StageFacts, stageOf } from './index'

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
    expect(matingBasis('p', 'f', { flame: true, line: 'dry' })).toBe(
      matingBasis('p', 'f', { line: 'dry', flame: true }),
    )
    expect(matingBasis('p', 'f', { flame: true })).not.toBe(matingBasis('p', 'f', { flame: false }))
  })
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
    expect(dimensionsFor(rows, optionId).map(({ takenAt }) => takenAt)).toEqual(taken),
  )
})
