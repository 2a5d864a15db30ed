import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { z } from 'zod'
import { type EntityKind, entities } from './entities'
import { changesOf, FILED, filed, type HouseFile, houseFile, readHouseFile } from './houseFile'

const FOLDER = path.join(__dirname, '../../../apps/server/test/fixtures/jobs-v2')
const SCHEMA = path.join(__dirname, '../../../docs/house-file.schema.json')
const jobs = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.job.json'))
  .map((name) => {
    const { file } = JSON.parse(readFileSync(path.join(FOLDER, name), 'utf8')) as { file: unknown }
    return [name, JSON.stringify(file)] as const
  })
const read = (text: string): HouseFile => {
  const { file, faults } = readHouseFile(text)
  if (!file) throw new Error(JSON.stringify(faults))
  return file
}
const nothing = () => null
/** What a shop has after it took a file in. */
const after = (file: HouseFile) => {
  const has = new Map<string, Record<string, unknown>>()
  for (const { kind, id, patch } of changesOf(file, nothing).changes) has.set(`${kind} ${id}`, { ...patch })
  return has
}
const any = jobs[0]?.[1] ?? ''
const spoilt = (change: (file: { documents: Record<string, Record<string, unknown>[]> }) => void) => {
  const file = JSON.parse(JSON.stringify(read(any)))
  change(file)
  return readHouseFile(JSON.stringify(file)).faults?.map(({ path: at, message }) => `${at}: ${message}`)
}

describe('a file of a house', () => {
  it.each(jobs)(
    'of %s, as the second schema wrote it, is read, and taken in twice changes nothing',
    (_name, text) => {
      const file = read(text)
      const { changes, same } = changesOf(file, nothing)
      expect(changes.length).toBeGreaterThan(4)
      expect(same).toBe(0)
      const has = after(file)
      const again = changesOf(file, (kind, id) => has.get(`${kind} ${id}`) ?? null)
      expect(again).toEqual({ changes: [], same: changes.length })
    },
  )

  it.each(jobs)('of %s, taken in and written out again, is the same to the letter', (_name, text) => {
    const file = read(text)
    const has = after(file)
    const written = {
      format: 'diarmos-house/1',
      documents: Object.fromEntries(
        FILED.map((kind) => [
          kind,
          (file.documents[kind] ?? []).map(({ id }) => filed(kind, { ...has.get(`${kind} ${id}`), id })),
        ]),
      ),
    }
    expect(JSON.stringify(read(JSON.stringify(written)))).toBe(JSON.stringify(file))
  })

  it('goes in by dependence: nothing before what it belongs to', () => {
    const seen = new Set<string>()
    for (const { id, patch } of changesOf(read(any), nothing).changes) {
      for (const field of ['propertyId', 'pointId', 'jobId', 'lineId'] as const)
        if (typeof patch[field] === 'string') expect([field, seen.has(patch[field])]).toEqual([field, true])
      seen.add(id)
    }
  })

  it('names nobody of the shop that wrote it, and no customer', () => {
    for (const [, text] of jobs) {
      const said = JSON.stringify(read(text))
      expect(said).not.toMatch(/"(confirmedBy|closedBy)":"/)
      expect(said).not.toMatch(/"(contact|visit|personId|phone|email)"/)
    }
  })

  it('says of one field that it differs, and leaves who answers for it alone', () => {
    const file = read(any)
    const job = file.documents.job?.[0]
    const has = (kind: EntityKind, id: string) => {
      const row = file.documents[kind]?.find((each) => each.id === id) ?? null
      return row && kind === 'job' ? { ...row, title: 'Another', closedBy: 'somebody' } : row
    }
    expect(changesOf(file, has).changes).toEqual([
      { kind: 'job', id: job?.id, patch: { title: job?.title }, isNew: false },
    ])
  })

  it.each([
    ['{', '(whole)'],
    ['null', 'format'],
    ['{"format":"diarmos-job/9"}', 'format'],
    ['{"format":"diarmos-job/2"}', '(whole)'],
    ['{"format":"diarmos-house/1"}', 'documents'],
    ['[]', 'format'],
  ])('%s is refused with its place', (text, at) => {
    expect(readHouseFile(text).faults?.[0]?.path).toBe(at)
  })

  it('names what is wrong in it, and where', () => {
    expect(spoilt(({ documents }) => Object.assign(documents.job?.[0] ?? {}, { title: '' }))?.[0]).toMatch(
      /^documents\.job\.0\.title: is not what belongs there$/,
    )
    expect(
      spoilt(({ documents }) => Object.assign(documents.job?.[0] ?? {}, { colour: 'red' }))?.[0],
    ).toMatch(/^documents\.job\.0/)
    expect(
      spoilt(({ documents }) =>
        Object.assign(documents.line?.[0] ?? {}, { pointId: '00000000-0000-4000-8000-000000000000' }),
      )?.[0],
    ).toBe('documents.line.0.pointId: leads to no point of the file')
    expect(spoilt(({ documents }) => documents.line?.push({ ...documents.line[0] }))?.[0]).toMatch(
      /id: is there twice$/,
    )
  })

  it('has the JSON Schema that is published, and every field of every kind in it', () => {
    const schema = z.toJSONSchema(houseFile, { io: 'input', unrepresentable: 'any' })
    const text = `${JSON.stringify(schema, null, 2)}\n`
    if (process.env.GOLDEN === 'write') writeFileSync(SCHEMA, text)
    expect(JSON.parse(readFileSync(SCHEMA, 'utf8'))).toEqual(JSON.parse(text))
    for (const kind of FILED)
      for (const field of Object.keys(entities[kind].shape)) expect(text).toContain(`"${field}"`)
  })
})
