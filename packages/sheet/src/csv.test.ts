import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { type JobFile, liftJobFile } from '@diarmos/contract'
import { parse } from 'papaparse'
import { cutsCsv, partsCsv } from './csv'

const FOLDER = path.join(__dirname, '../../../apps/server/test/fixtures/jobs-v2')
const files = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.job.json'))
  .map((name) =>
    liftJobFile((JSON.parse(readFileSync(path.join(FOLDER, name), 'utf8')) as { file: JobFile }).file),
  )
const rows = (text: string) =>
  parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data

describe('tables for a spreadsheet', () => {
  it('hold every piece of every chosen way, once', () => {
    let pieces = 0
    for (const file of files) {
      const chosen = file.lines.flatMap(({ id }) =>
        (file.documents.mating ?? []).filter((row) => row.lineId === id).slice(-1),
      )
      const parts = chosen.flatMap(({ option }) => (option as { parts: { name: string }[] }).parts)
      const table = rows(partsCsv(file))
      expect(table.reduce((sum, row) => sum + Number(row.pieces), 0)).toBe(parts.length)
      expect(new Set(table.map(({ part }) => part))).toEqual(new Set(parts.map(({ name }) => name)))
      pieces += parts.length
    }
    expect(pieces).toBeGreaterThan(10)
  })

  it('say a length in both units, the same one', () => {
    const cuts = files.flatMap((file) => rows(cutsCsv(file))).filter((row) => row['saw mm'])
    expect(cuts.length).toBeGreaterThan(0)
    for (const row of cuts) {
      const [, whole = '0', over = '0', under = '1'] =
        /^(?:(\d+) ?)?(?:(\d+)\/(\d+))?"$/.exec(row['saw in'] ?? '') ?? []
      const inches = Number(whole) + Number(over) / Number(under)
      // a tape is read to a thirty-second
      expect(Math.abs(inches * 25.4 - Number(row['saw mm']))).toBeLessThan(25.4 / 32)
    }
  })

  it('run nothing: what looks like a formula is text, and commas and quotes stay in their cell', () => {
    const [file] = files
    if (!file) throw new Error('no file')
    for (const name of ['=HYPERLINK("x")', '+1+1', '-2', '@SUM(A1)', '\t=1', 'a,"b"\nc']) {
      const text = partsCsv({ ...file, point: { ...file.point, name }, more: [] })
      for (const row of rows(text)) {
        expect(row.point).toBe(/^[=+\-@\t]/.test(name) ? `'${name}` : name)
        expect(Object.keys(row)).toHaveLength(5)
      }
    }
  })

  it('of a job whose parts no table knows any more there are no cuts, and its parts by their names', () => {
    for (const file of files) {
      const text = JSON.stringify(file)
        .replaceAll(/"fittingId":"[^"]*"/g, '"fittingId":"gone"')
        .replaceAll(/"made":/g, '"unmade":')
      const gone = JSON.parse(text) as JobFile
      expect(rows(cutsCsv(gone)).length).toBeLessThanOrEqual(rows(cutsCsv(file)).length)
      expect(rows(partsCsv(gone)).reduce((sum, row) => sum + Number(row.pieces), 0)).toBe(
        rows(partsCsv(file)).reduce((sum, row) => sum + Number(row.pieces), 0),
      )
    }
  })
})
