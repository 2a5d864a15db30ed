import { readdirSync } from 'node:fs'
import { groups } from './groups/groups.cjs'

describe('test files that share a world', () => {
  const projectOf = new Map(
    readdirSync(`${__dirname}/groups`).map((file) => {
      const [name = '', project = ''] = file.split('.')
      return [name, project] as const
    }),
  )
  projectOf.delete('groups')

  it('are each in one group, and each group is read by its project: none is left out of npm test', () => {
    const files = [...groups().values()].flat()
    expect(new Set(files).size).toBe(files.length)
    expect([...groups().keys()].sort()).toEqual([...projectOf.keys()].sort())
    for (const [name, inIt] of groups()) {
      expect(inIt.length).toBeGreaterThan(1)
      expect(new Set(inIt.map((file) => /^apps\/(app|server)\//.exec(file)?.[1] ?? 'core'))).toEqual(
        new Set([projectOf.get(name)]),
      )
    }
  })
})
