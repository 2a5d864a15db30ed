import { lineEnds, usualLine } from '../record'
import { FIXTURE_GROUPS, FIXTURE_WORDS, WORKED_ON_WORDS } from '../words/fixtures'
import { WORKED_ON, workedOn } from './workedOn'

describe('what is worked on', () => {
  const groups = new Map(FIXTURE_GROUPS.map((group) => [group.id, group]))
  it.each(WORKED_ON)('$id: has words, and only fixtures that its lines can serve', (row) => {
    expect(WORKED_ON_WORDS[row.id]).toBeDefined()
    for (const id of row.fixtures) {
      const ends = groups.get(id)?.ends ?? []
      expect([id, ends.length > 0]).toEqual([id, true])
      for (const end of ends) {
        const one = usualLine(end)
        // who takes one line alone is offered that line
        if (one && !end.startsWith('run.')) expect(row.lines).toContain(one)
      }
    }
    const { fixtureId } = workedOn(row.id)
    if (fixtureId) {
      expect(FIXTURE_WORDS[fixtureId]).toBeDefined()
      expect(groups.get(row.fixtures[0] ?? '')?.ends).toEqual([fixtureId])
      for (const service of row.lines) expect(lineEnds(fixtureId, service, false)).not.toBeNull()
    }
  })
  it('a toilet, a bib and a dishwasher have one line, and no other is asked for', () => {
    expect(
      ['toilet', 'bib', 'dishwasher', 'basin', 'never heard of'].map((id) => workedOn(id).lines),
    ).toEqual([['cold'], ['cold'], ['hot'], ['hot', 'cold'], ['hot', 'cold']])
  })
})
