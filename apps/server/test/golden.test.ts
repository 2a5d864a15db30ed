import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { type JobFile, liftJobFile } from '@diarmos/contract'
import { type Block, sheetBlocks } from '@diarmos/sheet'

const FOLDER = path.join(__dirname, 'fixtures/jobs-v2')
const read = (name: string) => readFileSync(path.join(FOLDER, name), 'utf8')
/** Words by themselves, drawings by themselves: what differs is seen at once. */
const split = (blocks: readonly Block[]) => ({
  words: blocks.map((block) => ('text' in block ? `${block.kind}: ${block.text}` : '(drawing)')),
  drawings: blocks.flatMap((block) => (block.kind === 'drawing' ? [block.svg] : [])),
})

describe('jobs as the second schema stored them', () => {
  // whole jobs and what was printed of them, as they were on 27 November 2026: tables may change, these may not.
  // Printed anew twice since: marks of insertion are written in 32nds, and the inner corner of a short elbow no longer
  // crosses itself; the millimetres that are stored are the same
  const names = readdirSync(FOLDER).filter((name) => name.endsWith('.job.json'))
  it('are here, of every kind that the demo has', () => expect(names.length).toBe(8))
  it.each(names)('%s prints the same', (name) => {
    const { file, shopName } = JSON.parse(read(name)) as { file: JobFile; shopName: string }
    const printed = split(sheetBlocks(liftJobFile(file), shopName))
    const golden = name.replace('.job.json', '.sheet.json')
    if (process.env.GOLDEN === 'write') writeFileSync(path.join(FOLDER, golden), JSON.stringify(printed))
    expect(printed).toEqual(JSON.parse(read(golden)))
  })
})
