import type { EntityFields } from '@diarmos/contract'
import {
  drawJointLine,
  fitup,
  formatLength,
  type MateOption,
  pieceLetter,
  reasonText,
  SEALS,
  stationText,
  stepText,
  toSvg,
} from '@diarmos/core'
import { cutInOf, dimensionsFor, lineEnds } from '@diarmos/core/record'
import PDFDocument from 'pdfkit'
import svgToPdf from 'svg-to-pdfkit'
import type { JobFile } from './store/jobFile'

type Fields = Record<string, unknown>

/** The job sheet: what was found, what was fitted with what seal, drawn to scale, and the checks. */
export function jobSheet(file: JobFile, shopName: string): Promise<Buffer> {
  const page = new PDFDocument({ size: 'LETTER', margin: 48, info: { Title: String(file.job.title) } })
  const chunks: Buffer[] = []
  page.on('data', (chunk: Buffer) => chunks.push(chunk))
  const done = new Promise<Buffer>((resolve, reject) => {
    page.on('end', () => resolve(Buffer.concat(chunks)))
    page.on('error', reject)
  })
  const heading = (text: string) => page.moveDown(0.8).fontSize(13).text(text).fontSize(10).moveDown(0.2)

  page.fontSize(20).text(String(file.job.title))
  page.fontSize(10).text(`${file.property.label}, ${file.property.street}, ${file.property.town}`)
  page.text(`${file.point.name} · ${shopName} · opened ${String(file.job.openedAt).slice(0, 10)}`)

  for (const line of file.lines) {
    const finding = newest(file.documents.finding, line.id)
    const mating = newest(file.documents.mating, line.id)
    if (!finding && !mating) continue
    heading(`${String(line.service).replace(/^./, (letter) => letter.toUpperCase())} line`)
    if (finding) page.text(`Found: ${finding.name} (${Math.round(Number(finding.probability) * 100)} in 100)`)
    if (!mating) continue
    const option = mating.option as MateOption
    const ends = file.job.fixtureId
      ? lineEnds(String(file.job.fixtureId), String(line.service), finding !== undefined)
      : null
    option.joints.forEach((joint, index) => {
      const part = option.parts[joint.to]?.name ?? 'the fixture'
      page.text(`${index + 1}. ${joint.method} into ${part}. Seal: ${SEALS[joint.seal] ?? joint.seal}.`)
    })
    for (const warning of option.warnings) page.text(`Note: ${reasonText(warning, 'in')}`)
    const dimensions = measuredOf(file, line.id, String(mating.optionId))
    const into = ends ? cutInOf(ends.to) : null
    const begins = into ? 'run' : ends && ends.from !== 'pipe' ? 'fresh' : 'pipe'
    try {
      for (const text of cutList(option, dimensions, begins)) page.text(text)
      const scene = drawJointLine({
        pipeId: (finding?.pipeId as string | undefined) ?? null,
        option,
        fixtureId: into ? null : (ends?.to ?? null),
        unit: 'in',
        stage: 'cut',
        dimensions,
      })
      const height = 250
      if (page.y + height > 740) page.addPage()
      svgToPdf(page, toSvg(scene), 48, page.y + 6, {
        width: 420,
        height,
        preserveAspectRatio: 'xMinYMid meet',
      })
      page.y += height + 12
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      // what was written down stays readable, whatever the tables hold today
      page.text(`Not drawn and not measured out: ${error.message}.`)
    }
  }
  const checks = (file.documents.check ?? []).filter((check) => check.result !== 'undone')
  if (checks.length > 0) {
    heading('Checks')
    for (const check of checks)
      page.text(`${String(check.at).slice(0, 16).replace('T', ' ')}  ${checkText(check)}: ${check.result}`)
  }
  if (file.job.note) {
    heading('Note')
    page.text(String(file.job.note))
  }
  page
    .moveDown()
    .fontSize(8)
    .text('Local codes, the maker’s sheets and a licensed plumber’s judgement come first.')
  page.end()
  return done
}

/** Distances measured along a line that hold for its way, as the core takes them. */
function measuredOf(file: JobFile, lineId: unknown, optionId: string): fitup.Dimension[] {
  const rows = (file.documents.dimension ?? []) as readonly (Fields & EntityFields<'dimension'>)[]
  return dimensionsFor(
    rows.filter((row) => row.lineId === lineId),
    optionId,
  ).map(({ id, from, to, mm, measurer, dry }) => ({
    id: String(id),
    // checked against the places there are when it was kept
    from: from as fitup.StationId,
    to: to as fitup.StationId,
    mm,
    measurer,
    dry,
  }))
}

/** What was measured along a line and what was cut for it, in words. */
function cutList(
  option: MateOption,
  dimensions: readonly fitup.Dimension[],
  begins: 'pipe' | 'fresh' | 'run',
): string[] {
  const families = option.parts.map(({ family }) => family)
  const { pieces } = fitup.layOut({
    chain: option,
    stubMm: begins === 'pipe' ? option.leavesStubMm : null,
    dimensions,
  })
  const inches = (mm: number, quantity?: 'pipe-to-cut' | 'insertion-mark') =>
    formatLength(mm, { unit: 'in', ...(quantity ? { quantity } : {}) })
  return [
    ...dimensions.map(
      ({ from, to, mm }) =>
        `Measured from ${stationText(from, families, begins)} to ${stationText(to, families, begins)}: ${inches(mm)}.`,
    ),
    ...pieces.flatMap(({ part, sawMm, marksMm }, index) =>
      sawMm === null
        ? []
        : [
            `Piece ${pieceLetter(index)}, ${option.parts[part]?.name}: ${inches(sawMm, 'pipe-to-cut')}; marks ${marksMm.map((mm) => inches(mm, 'insertion-mark')).join(' and ')} from its ends.`,
          ],
    ),
  ]
}

function checkText(check: Fields): string {
  const key = String(check.stepId).split('/').at(-1) ?? ''
  if (String(check.stepId).includes('/cut/')) {
    const mm = Number(check.note)
    const what = key === 'old' ? 'old pipe cut' : 'piece cut'
    return mm > 0 ? `${what} at ${formatLength(mm, { unit: 'in' })}` : what
  }
  const words = {
    'dry-inlet': 'prove.tissue-inlet',
    'dry-outlet': 'prove.tissue-outlet',
    'two-hours': 'prove.two-hours',
    morning: 'prove.morning',
  }[key]
  return words ? stepText({ words, parameters: {} }, 'in') : key
}

/** The one that the shop heard of last, whatever the clocks of its phones say. */
function newest(rows: readonly Fields[] | undefined, lineId: unknown): Fields | undefined {
  return (rows ?? [])
    .filter((row) => row.lineId === lineId)
    .sort((a, b) => Number(b.revision) - Number(a.revision))[0]
}
