import { hatchOf } from './hatch'
import { LAYERS, type Scene, type Shape } from './types'

export interface SvgInk {
  readonly ink: string
  readonly paper: string
  readonly accent: string
  readonly faint: string
  /** Red and blue, as the colours of water and of nothing else. */
  readonly hot: string
  readonly cold: string
}

export const PAPER_INK: SvgInk = {
  ink: '#17242b',
  paper: '#fbfaf5',
  accent: '#0f6b5c',
  faint: '#8c9a9c',
  hot: '#ad1e1e',
  cold: '#16549b',
}

/** A sheet as wide as this is drawn with lines as thick as they are said; a wider one will be shown smaller, mm. */
const USUAL_WIDTH_MM = 400

const number = (value: number) => String(Math.round(value * 1000) / 1000)
const escapeXml = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] as string)

/** The path data of a shape, y downward as SVG wants it, in millimetres. */
export function pathData(shape: Pick<Shape, 'points' | 'closed'>): string {
  const commands = shape.points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${number(x)} ${number(-y)}`)
  return commands.join('') + (shape.closed ? 'Z' : '')
}

/** Shapes from back to front; within a layer as they were drawn. */
export function inDrawingOrder(shapes: readonly Shape[]): Shape[] {
  return [...shapes].sort((a, b) => LAYERS.indexOf(a.layer) - LAYERS.indexOf(b.layer))
}

function style(shape: Shape, ink: SvgInk, times: number): string {
  const mm = (width: number) => number(width * times)
  const opacity = shape.opacity === undefined ? '' : ` opacity="${number(shape.opacity)}"`
  const dash = shape.dashed ? ` stroke-dasharray="${mm(2.4)} ${mm(1.6)}"` : ''
  const written = ['mark', 'dimension', 'label'].includes(shape.layer)
  const colour = shape.service ? ink[shape.service] : written ? ink.accent : ink.ink
  switch (shape.role) {
    case 'outline':
      return `fill="${ink.paper}" stroke="${colour}" stroke-width="${mm(0.5)}"${opacity}${dash}`
    case 'section':
      return `fill="url(#${hatchOf(shape.material)})" stroke="${colour}" stroke-width="${mm(0.5)}"${opacity}`
    case 'fill':
      return `fill="${shape.layer === 'ghost' ? ink.faint : ink.ink}" stroke="none"${opacity}`
    case 'detail':
      return `fill="none" stroke="${colour}" stroke-width="${mm(0.22)}"${opacity}${dash}`
    case 'line':
      return `fill="none" stroke="${colour}" stroke-width="${mm(0.45)}"${opacity}${dash}`
  }
}

/**
 * The scene as an SVG document in millimetres: one unit is one millimetre, ids as in the scene
 * (`data-id`, since several shapes share one).
 */
export function toSvg(scene: Scene, ink: SvgInk = PAPER_INK): string {
  const { minX, minY, maxX, maxY } = scene.bounds
  const width = maxX - minX
  const height = maxY - minY
  const times = Math.max(1, width / USUAL_WIDTH_MM)
  const hatch = (id: string, angle: number) =>
    `<pattern id="${id}" width="1.6" height="1.6" patternUnits="userSpaceOnUse" patternTransform="rotate(${angle})"><rect width="1.6" height="1.6" fill="${ink.paper}"/><line x1="0" y1="0" x2="0" y2="1.6" stroke="${ink.ink}" stroke-width="0.5"/></pattern>`
  const shapes = inDrawingOrder(scene.shapes).map(
    (shape) =>
      `<path data-id="${escapeXml(shape.id)}" data-layer="${shape.layer}" data-role="${shape.role}" d="${pathData(shape)}" ${style(shape, ink, times)}/>`,
  )
  const texts = scene.texts.map(
    (text) =>
      `<text data-id="${escapeXml(text.id)}" x="${number(text.at[0])}" y="${number(-text.at[1] + text.sizeMm * 0.35)}" font-size="${number(text.sizeMm)}" text-anchor="${text.anchor}" font-family="sans-serif" fill="${text.service ? ink[text.service] : ink.accent}">${escapeXml(text.text)}</text>`,
  )
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${number(width)}mm" height="${number(height)}mm" viewBox="${number(minX)} ${number(-maxY)} ${number(width)} ${number(height)}">`,
    `<title>${escapeXml(scene.title)}</title>`,
    `<defs>${hatch('cut-metal', 45)}${hatch('cut-plastic', -45)}</defs>`,
    `<rect x="${number(minX)}" y="${number(-maxY)}" width="${number(width)}" height="${number(height)}" fill="${ink.paper}"/>`,
    ...shapes,
    ...texts,
    '</svg>',
  ].join('\n')
}
