/// <reference path="./svg-to-pdfkit.d.ts" />
import PDFDocument from 'pdfkit'
import { toBytes } from 'pdfkit/output'
import svgToPdf from 'svg-to-pdfkit'
import type { Block } from './block'
import { withoutPatterns } from './hatch'

/** The letters that a sheet is printed in: the whole file of each. */
export interface Fonts {
  readonly regular: Uint8Array
  readonly bold: Uint8Array
}

const MARGIN = 48
const DRAWING = { width: 420, height: 250 }
const PICTURE = [250, 220] as const
const SIGNATURE = { width: 213, height: 80 }
const RULE = '#9a9a9a'

/**
 * Pages of letter size with everything on them, on the phone as on the server.
 *
 * @returns the bytes of a PDF
 * @throws Error where a picture is none that can be read
 */
export function print(title: string, blocks: readonly Block[], fonts: Fonts): Promise<Uint8Array> {
  const page = new PDFDocument({
    size: 'LETTER',
    margin: MARGIN,
    bufferPages: true,
    // the type has only names of fonts that come along, which a browser does not have
    font: fonts.regular as never,
    info: { Title: title },
  })
  page.registerFont('regular', fonts.regular as never)
  page.registerFont('bold', fonts.bold as never)
  const bytes = toBytes(page)
  const room = (height: number) => {
    if (page.y + height > page.page.height - MARGIN) page.addPage()
  }
  const draw = (svg: string, box: { width: number; height: number }) =>
    svgToPdf(page, withoutPatterns(svg), MARGIN, page.y + 6, {
      ...box,
      preserveAspectRatio: 'xMinYMid meet',
      fontCallback: (_family, bold) => (bold ? 'bold' : 'regular'),
    })
  page.font('regular').fontSize(10)
  for (const [index, block] of blocks.entries()) {
    if (block.kind === 'drawing') {
      room(heightOf(block))
      draw(block.svg, DRAWING)
      page.y += DRAWING.height + 12
    } else if (block.kind === 'picture') {
      room(heightOf(block))
      page.image(
        Uint8Array.from(atob(block.base64), (letter) => letter.charCodeAt(0)) as never,
        MARGIN,
        page.y + 6,
        {
          fit: [...PICTURE],
        },
      )
      page.y += PICTURE[1] + 12
      page.fontSize(9).text(block.text, MARGIN).fontSize(10)
    } else if (block.kind === 'signature') {
      room(heightOf(block))
      if (block.path)
        draw(
          `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 320 120"><path d="${block.path}" fill="none" stroke="#111" stroke-width="2.5" stroke-linecap="round" stroke-linejoin="round"/></svg>`,
          SIGNATURE,
        )
      page.y += SIGNATURE.height
      page
        .moveTo(MARGIN, page.y)
        .lineTo(MARGIN + SIGNATURE.width, page.y)
        .strokeColor(RULE)
        .stroke()
      page.moveDown(0.3).text(block.text, MARGIN)
    } else if (block.kind === 'title')
      page.font('bold').fontSize(20).text(block.text).font('regular').fontSize(10)
    else if (block.kind === 'heading') {
      // never by itself at the foot of a page
      room(40 + heightOf(blocks[index + 1]))
      page.moveDown(0.8).font('bold').fontSize(13).text(block.text).font('regular').fontSize(10).moveDown(0.2)
    } else if (block.kind === 'small') page.moveDown().fontSize(8).text(block.text).fontSize(10)
    else page.text(block.text)
  }
  number(page, title)
  page.end()
  return bytes
}

/** Room that a block needs to be seen whole, points. */
function heightOf(block: Block | undefined): number {
  if (block?.kind === 'drawing') return DRAWING.height
  if (block?.kind === 'picture') return PICTURE[1] + 30
  return block?.kind === 'signature' ? SIGNATURE.height + 30 : 20
}

/** The title and how many there are, at the foot of every page. */
function number(page: PDFKit.PDFDocument, title: string): void {
  const { start, count } = page.bufferedPageRange()
  for (let at = start; at < start + count; at++) {
    page.switchToPage(at)
    // below the margin nothing may be written without another page, unless there is none
    page.page.margins.bottom = 0
    page
      .fontSize(8)
      .fillColor('#555')
      .text(`${title} · ${at + 1} of ${count}`, MARGIN, page.page.height - MARGIN + 16, { lineBreak: false })
      .fillColor('#000')
  }
}
