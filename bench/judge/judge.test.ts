import { mate } from '@diarmos/core'
import { UNSIGNED, VERDICTS } from './golden'
import { judged } from './questions'
import { chainOf } from './said'

/** What is answered to a question: the first chain, or what would help where there is none. */
function answered(index: number): { readonly first: string | null; readonly helps: string } {
  const [line] = mate(judged(index).request).lines
  const [way] = line?.options ?? []
  const helps = (line?.remedies ?? []).map(
    ({ changes, gives }) => `${changes.join(' + ')} → ${gives.removalId} ${gives.methods.join(' ')}`,
  )
  return {
    first: way ? chainOf(way) : null,
    helps: [...helps, line?.lastResort?.ruleId ?? ''].join('\n'),
  }
}

describe('what a shop asks', () => {
  it('is judged whole: every question is signed, or said not to be', () => {
    const told = new Set([
      ...VERDICTS.flatMap(({ questions }) => questions),
      ...Object.keys(UNSIGNED).map(Number),
    ])
    expect(Array.from({ length: 200 }, (_, index) => index).filter((index) => !told.has(index))).toEqual([])
    expect(Object.keys(UNSIGNED).length).toBeLessThanOrEqual(2)
  })

  it.each(VERDICTS)('$says', ({ questions, must, never, helps }) => {
    for (const index of questions) {
      const answer = answered(index)
      if (must === null) {
        expect([index, answer.first]).toEqual([index, null])
        expect([index, answer.helps]).toEqual([index, expect.stringMatching(helps as RegExp)])
        continue
      }
      expect([index, answer.first]).toEqual([index, expect.stringMatching(must)])
      if (never) expect([index, answer.first]).toEqual([index, expect.not.stringMatching(never)])
    }
  })
})
