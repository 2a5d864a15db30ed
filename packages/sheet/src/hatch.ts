/** Distance of the lines that a cut stuff is drawn with, and their width, mm. */
const APART = 1.6
const WIDTH = 0.5
const ANGLES = { 'cut-metal': 45, 'cut-plastic': -45 } as const

type Point = readonly [number, number]

const number = (value: number) => String(Math.round(value * 1000) / 1000)

/**
 * Lines at an angle inside a polygon, by the even-odd rule: each scan line crosses its edges in pairs. Cost: lines
 * times edges.
 *
 * @param points corners, mm, y downward
 * @param degrees 45 rises to the right
 * @returns segments from edge to edge
 */
export function hatchLines(points: readonly Point[], degrees: number): readonly (readonly [Point, Point])[] {
  const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)]
  // turned so that the lines lie level
  const turned = points.map(([x, y]): Point => [x * cos - y * sin, x * sin + y * cos])
  const back = (x: number, y: number): Point => [x * cos + y * sin, -x * sin + y * cos]
  const levels = turned.map(([, y]) => y)
  const [least, most] = [Math.min(...levels), Math.max(...levels)]
  const segments: [Point, Point][] = []
  // a half off, so that no line runs along an edge that lies on the raster
  for (let y = (Math.floor(least / APART) + 0.5) * APART; y < most; y += APART) {
    const crossings = turned
      .flatMap(([x0, y0], index) => {
        const [x1, y1] = turned[(index + 1) % turned.length] as Point
        return y0 <= y !== y1 <= y ? [x0 + ((y - y0) / (y1 - y0)) * (x1 - x0)] : []
      })
      .sort((a, b) => a - b)
    for (let at = 0; at + 1 < crossings.length; at += 2)
      segments.push([back(crossings[at] as number, y), back(crossings[at + 1] as number, y)])
  }
  return segments
}

/**
 * A drawing without patterns: what is cut is hatched line by line, since the printer knows a pattern by a name that
 * does not outlive the phone's bundle.
 */
export function withoutPatterns(svg: string): string {
  const ink = /<pattern[^>]*>.*?stroke="([^"]+)"/.exec(svg)?.[1] ?? '#000'
  const paper = /<pattern[^>]*><rect[^>]*fill="([^"]+)"/.exec(svg)?.[1] ?? '#fff'
  return svg
    .replace(/<path[^>]*fill="url\(#(cut-metal|cut-plastic)\)"[^>]*\/>/g, (path, id: keyof typeof ANGLES) => {
      const corners = [...(/ d="([^"]*)"/.exec(path)?.[1] ?? '').matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)]
      const points = corners.map(([, x, y]): Point => [Number(x), Number(y)])
      const lines = hatchLines(points, ANGLES[id])
        .map(([[x0, y0], [x1, y1]]) => `M${number(x0)} ${number(y0)}L${number(x1)} ${number(y1)}`)
        .join('')
      const below = path.replace(/fill="url[^"]*"/, `fill="${paper}"`)
      const edge = path.replace(/fill="url[^"]*"/, 'fill="none"')
      return `${below}<path d="${lines || 'M0 0'}" fill="none" stroke="${ink}" stroke-width="${WIDTH}"/>${edge}`
    })
    .replace(/<defs>.*?<\/defs>/s, '')
}
