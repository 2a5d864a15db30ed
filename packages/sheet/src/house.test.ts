import { readFileSync } from 'node:fs'
import path from 'node:path'
import { type HouseFile, readHouseFile } from '@diarmos/contract'
import { houseBlocks } from './house'

const FOLDER = path.join(__dirname, '../../../apps/server/test/fixtures/jobs-v2')
function house(name: string): HouseFile {
  const { file } = JSON.parse(readFileSync(path.join(FOLDER, name), 'utf8')) as { file: unknown }
  const read = readHouseFile(JSON.stringify(file))
  if (!read.file) throw new Error(JSON.stringify(read.faults))
  return read.file
}
const words = (file: HouseFile) =>
  houseBlocks(file, 'A shop').map((block) => ('text' in block ? `${block.kind}: ${block.text}` : block.kind))

describe('a house on paper', () => {
  const file = house('galley-tap.job.json')

  it('says at every point what is known of each line, how sure and since when, and what was done', () => {
    const printed = words(file)
    for (const { name } of file.documents.point ?? []) expect(printed).toContain(`heading: ${name}`)
    for (const { lineId, name, probability, foundAt } of file.documents.finding ?? []) {
      const line = file.documents.line?.find(({ id }) => id === lineId)
      const service = String(line?.service).replace(/^./, (letter) => letter.toUpperCase())
      const sure = Math.round(Number(probability) * 100)
      expect(printed).toContain(
        `text: ${service}: ${name}, ${sure} in 100, found ${String(foundAt).slice(0, 10)}.`,
      )
    }
    expect(printed.filter((text) => / onto .*, chosen \d{4}-/.test(text))).toHaveLength(
      new Set(file.documents.mating?.map(({ lineId }) => lineId)).size,
    )
  })

  it('says that a line is not known, and what is due before all else', () => {
    const bare: HouseFile = { ...file, documents: { ...file.documents, finding: [], mating: [] } }
    expect(words(bare).filter((text) => text.endsWith(': not known yet.'))).toHaveLength(
      file.documents.line?.length ?? 0,
    )
    const closed: HouseFile = {
      ...file,
      documents: {
        ...file.documents,
        job: (file.documents.job ?? []).map((job) => ({ ...job, state: 'closed', closedAt: job.openedAt })),
      },
    }
    expect(words(closed)).not.toContain('heading: Due')
    const due: HouseFile = {
      ...closed,
      documents: {
        ...closed.documents,
        job: (closed.documents.job ?? []).map((job) => ({
          ...job,
          advice: [{ id: job.id, text: 'A regulator', answer: 'later', at: job.openedAt }],
        })),
      },
    }
    const printed = words(due)
    const [title] = (file.documents.job ?? []).map((job) => job.title)
    expect(printed.slice(printed.indexOf('heading: Due'))[1]).toBe(
      `text: Advised, left for later: A regulator (${title}).`,
    )
  })
})
