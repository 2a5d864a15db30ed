import { FIXTURE_GROUPS, FIXTURE_WORDS, WORKED_ON_WORDS } from '../words/fixtures'
import { bodiesOf, lineEnds, usualLine } from './bodies'
import { WORKED_ON, workedOn } from './workedOn'

describe('what is worked on', () => {
  const groups = new Map(FIXTURE_GROUPS.map((group) => [group.id, group]))
  it.each(WORKED_ON)('$id: has words, and only fixtures that its lines can serve', (row) => {
    expect(WORKED_ON_WORDS[row.id]).toBeDefined()
    for (const id of row.fixtures) {
      const ends = groups.get(id)?.ends ?? []
      expect([id, ends.length > 0]).toEqual([id, true])
      // what takes one line alone finds that line; by its usual kind, an ice maker beside a dishwasher is cold
      const one = usualLine(bodiesOf(ends.slice(0, 1)))
      if (one && id !== 'run') expect(row.lines).toContain(one)
    }
    const [kind] = workedOn(row.id).goesIn ?? []
    if (kind) {
      expect(FIXTURE_WORDS[kind]).toBeDefined()
      expect(groups.get(row.fixtures[0] ?? '')?.ends).toEqual([kind])
      for (const service of row.lines) expect(lineEnds(bodiesOf([kind]), service, false)).not.toBeNull()
    }
  })
  it('a toilet, a bib and a dishwasher have one line of water, and no other is asked for', () => {
    expect(
      ['toilet', 'bib', 'dishwasher', 'basin', 'never heard of'].map((id) => workedOn(id).lines),
    ).toEqual([['cold', 'drain'], ['cold'], ['hot'], ['hot', 'cold', 'drain'], ['hot', 'cold']])
  })
})
