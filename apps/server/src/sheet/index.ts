import PDFDocument from 'pdfkit'
import svgToPdf from 'svg-to-pdfkit'
import type { JobFile } from '../store/jobFile'
import { sheetBlocks } from './blocks'

const DRAWING = { width: 420, height: 250 }
const BOTTOM = 740

/** The job sheet as PDF, letter size. */
export function jobSheet(file: JobFile, shopName: string): Promise<Buffer> {
  const page = new PDFDocument({ size: 'LETTER', margin: 48, info: { Title: String(file.job.title) } })
  const chunks: Buffer[] = []
  page.on('data', (chunk: Buffer) => chunks.push(chunk))
  const done = new Promise<Buffer>((resolve, reject) => {
    page.on('end', () => resolve(Buffer.concat(chunks)))
    page.on('error', reject)
  })
  for (const block of sheetBlocks(file, shopName)) {
    if (block.kind === 'drawing') {
      if (page.y + DRAWING.height > BOTTOM) page.addPage()
      svgToPdf(page, block.svg, 48, page.y + 6, { ...DRAWING, preserveAspectRatio: 'xMinYMid meet' })
      page.y += DRAWING.height + 12
    } else if (block.kind === 'title') page.fontSize(20).text(block.text).fontSize(10)
    else if (block.kind === 'heading')
      page.moveDown(0.8).fontSize(13).text(block.text).fontSize(10).moveDown(0.2)
    else if (block.kind === 'small') page.moveDown().fontSize(8).text(block.text)
    else page.text(block.text)
  }
  page.end()
  return done
}
