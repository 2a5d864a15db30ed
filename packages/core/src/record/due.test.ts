import { dueOf } from './due'

const way = (lineId: string, jobId: string, chosenAt: string, returnDays?: number | null) => ({
  jobId,
  lineId,
  chosenAt: `${chosenAt}T10:00:00.000Z`,
  option: returnDays === undefined ? {} : { followUp: { returnDays } },
})

describe('what a house still asks for', () => {
  it('is days of return by their day, then what was improvised, open jobs, and what was put off', () => {
    const due = dueOf(
      [
        {
          id: 'a',
          state: 'closed',
          advice: [
            { text: 'A regulator', answer: 'later' },
            { text: 'New stops', answer: 'refused' },
            { text: 'A cartridge', answer: 'taken' },
          ],
        },
        { id: 'b', state: 'open' },
      ],
      [way('1', 'a', '2026-11-20', 14), way('2', 'a', '2026-11-01', 14), way('3', 'b', '2026-11-20', null)],
    )
    expect(due).toEqual([
      { kind: 'return', jobId: 'a', by: '2026-11-15' },
      { kind: 'return', jobId: 'a', by: '2026-12-04' },
      { kind: 'replace', jobId: 'b' },
      { kind: 'open', jobId: 'b' },
      { kind: 'advice', jobId: 'a', text: 'A regulator' },
    ])
  })

  it('is nothing once a standing way lies on the line, and one visit for both lines of a fixture', () => {
    const jobs = [{ id: 'a', state: 'closed' }] as const
    expect(dueOf(jobs, [way('1', 'a', '2026-11-20', 14), way('1', 'a', '2026-11-25')])).toEqual([])
    expect(dueOf(jobs, [way('1', 'a', '2026-11-20', 14), way('2', 'a', '2026-11-20', 14)])).toHaveLength(1)
  })
})
