import { readFileSync } from 'node:fs'
import path from 'node:path'
import { type JobFile, liftJobFile } from '@diarmos/contract'
import { agreedBlocks } from './agreed'
import { sheetBlocks } from './blocks'
import { print } from './pdf'

const FOLDER = path.join(__dirname, '../../../apps/server/test/fixtures/jobs-v2')
const stored = JSON.parse(readFileSync(path.join(FOLDER, 'galley-tap.job.json'), 'utf8')) as {
  file: JobFile
}
const file = liftJobFile(stored.file)
const AT = '2026-11-29T10:00:00.000Z'
/** One dot, as a JPEG would be: what is printed is asked of a real one below. */
const DOT =
  '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAAA//EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AN//Z'

const whole: JobFile = {
  ...file,
  job: {
    ...file.job,
    closedAt: AT,
    warranty: { months: 12, note: 'Parts by their makers.' },
    advice: [{ id: 'a', text: 'A regulator: 92 psi', answer: 'refused', at: AT }],
  },
  documents: {
    ...file.documents,
    mating: (file.documents.mating ?? []).map((row) => ({
      ...row,
      chosenAt: AT,
      option: { ...(row.option as object), followUp: { standing: 'temporary', returnDays: 14 } },
    })),
    attachment: [
      { id: '1', about: 'left', name: 'Done', mediaType: 'image/jpeg', content: DOT, takenAt: AT },
      { id: '2', about: 'found', name: 'Before', mediaType: 'image/jpeg', content: DOT, takenAt: AT },
      // not on this phone
      { id: '3', about: 'found', name: 'Elsewhere', mediaType: 'image/jpeg', content: '', takenAt: AT },
      {
        id: '4',
        about: 'signature',
        name: 'Mette Kråkenes',
        mediaType: 'text/plain',
        content: btoa('M1 1L9 9'),
        takenAt: AT,
      },
      {
        id: '5',
        about: 'signature',
        name: 'Eve',
        mediaType: 'text/plain',
        content: btoa('"/><script>'),
        takenAt: AT,
      },
    ],
  },
}
const words = (blocks: ReturnType<typeof sheetBlocks>) =>
  blocks.map((block) => ('text' in block ? `${block.kind}: ${block.text}` : block.kind))

describe('the record on paper', () => {
  it('says what was advised and refused, until when the work is warranted, and by when somebody has to come back', () => {
    for (const printed of [words(sheetBlocks(whole, 'A shop')), words(agreedBlocks(whole, 'A shop'))]) {
      expect(printed).toContain('text: A regulator: 92 psi (refused, 2026-11-29)')
      expect(printed).toContain('text: 12 months on the work from 2026-11-29. Parts by their makers.')
      expect(printed).toContain('text: For a time only: back by 2026-12-13.')
    }
  })

  it('shows what was found before what was left, leaves out what is not here, and lets only strokes be drawn', () => {
    const blocks = sheetBlocks(whole, 'A shop')
    const pictures = blocks.flatMap((block) => (block.kind === 'picture' ? [block.text] : []))
    expect(pictures).toEqual(['Before, 2026-11-29', 'Done, 2026-11-29'])
    const strokes = blocks.flatMap((block) => (block.kind === 'signature' ? [block.path] : []))
    expect(strokes).toEqual(['M1 1L9 9', ''])
  })

  it('tells looks, holds and cuts one by one, by their line, and counts the acts that were ticked', () => {
    const [line] = whole.lines
    const at = (minute: number) => `2026-11-29T09:0${minute}:00.000Z`
    const check = (stepId: string, result: string, minute: number, lineId: unknown = null) => ({
      stepId,
      result,
      lineId,
      note: '',
      optionId: null,
      at: at(minute),
    })
    const printed = words(
      sheetBlocks(
        {
          ...whole,
          documents: {
            ...whole.documents,
            check: [
              check('general/parts', 'done', 1),
              check('general/hold', 'dry', 2),
              check(`${line?.id}/line/dry-inlet`, 'wet', 3, line?.id),
              check('general/scald-valve', 'dry', 4),
              check('general/cover', 'done', 5),
              check('general/shut', 'done', 6),
              check('general/drain', 'undone', 7),
            ],
          },
        },
        'A shop',
      ),
    )
    const from = printed.indexOf('heading: Checks')
    expect(printed.slice(from + 1, from + 6)).toEqual([
      'text: 2026-11-29 09:02  pressure hold: dry',
      expect.stringMatching(`^text: 2026-11-29 09:03  ${line?.service} line, Dry everything.*: wet`),
      expect.stringMatching(/^text: 2026-11-29 09:04 {2}Once it is hot: .*: right$/),
      expect.stringMatching(/^text: 2026-11-29 09:05 {2}Close the wall.*: done$/),
      'text: Acts of the work ticked as done: 2, from 2026-11-29 09:01 to 2026-11-29 09:06.',
    ])
  })

  it('says of a signature that something was changed after it', () => {
    const signed = (takenAt: string) =>
      sheetBlocks(
        {
          ...whole,
          documents: {
            ...whole.documents,
            attachment: (whole.documents.attachment ?? []).map((row) => ({ ...row, takenAt })),
          },
        },
        'A shop',
      ).flatMap((block) => (block.kind === 'signature' ? [block.text] : []))
    expect(signed('2026-11-29T10:00:00.000Z')[0]).toBe('Mette Kråkenes, 2026-11-29')
    expect(signed('2026-11-29T09:59:59.000Z')[0]).toMatch(/before something of this was changed$/)
  })

  it('of a job that has none of it says nothing of it', () => {
    const kinds = sheetBlocks(file, 'A shop').map(({ kind }) => kind)
    expect(kinds).not.toContain('picture')
    expect(words(agreedBlocks(file, 'A shop')).some((text) => /Advised|Warranty|Signed/.test(text))).toBe(
      false,
    )
  })

  it('says of every line what is new in it, and no price', () => {
    const printed = words(agreedBlocks(whole, 'A shop'))
    expect(printed.filter((text) => text.startsWith('heading: ') && / line$/.test(text))).toHaveLength(
      (whole.documents.mating ?? []).length,
    )
    expect(printed.filter((text) => text.startsWith('text: New: ')).length).toBeGreaterThan(0)
    expect(printed.join('\n')).not.toMatch(/cents|\$|€/)
  })
})

describe('the printer', () => {
  it('prints all kinds of pieces, with letters of its own, on numbered pages', async () => {
    const face = path.join(
      __dirname,
      '../../../node_modules/@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
    )
    const letters = new Uint8Array(readFileSync(face))
    const pdf = Buffer.from(
      await print('A job', sheetBlocks(whole, 'A shop'), { regular: letters, bold: letters }),
    )
    const text = pdf.toString('latin1')
    expect(text.startsWith('%PDF-')).toBe(true)
    expect(text.match(/\/DCTDecode/g)).toHaveLength(2)
    // no tiling pattern, which only some printers can, and no letters that the reader would have to bring
    expect(text).not.toMatch(/PatternType|\/BaseFont \/Helvetica/)
    expect(text).toContain('FontFile2')
    expect(text.match(/\/Type \/Page\b/g)?.length).toBeGreaterThan(1)
  })
})
