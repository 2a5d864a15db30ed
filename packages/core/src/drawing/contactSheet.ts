import { CATALOG } from '../catalog/families'
import { type Fitting, type PortForm, secondSide } from '../catalog/types'
import { partShapes, shortened } from './partShapes'
import { placeShape } from './place'
import type { Scene, Shape } from './types'

/** Kinds of ends in the order in which a plumber would look for them: the first that a family has stands for it. */
const USUAL_FORMS: readonly PortForm[] = [
  'solder-cup',
  'taper-female',
  'push-fit',
  'compression',
  'insert-barb',
]

/** One part of each family, in the usual half-inch size where it is made; and each kind of end once more as a coupling. */
function examples(): Fitting[] {
  const seen = new Map<string, Fitting>()
  const rank = (fitting: Fitting) =>
    fitting.ports.filter((port) => port.nominal === '1/2').length * 10 -
    Math.max(0, USUAL_FORMS.indexOf(fitting.ports[0]?.form ?? 'tube')) -
    (fitting.layingMm > 150 ? 4 : 0)
  for (const fitting of CATALOG) {
    const [a, b] = fitting.ports
    if (fitting.standing) continue
    const kind =
      fitting.family === 'coupling' || fitting.family === 'male-adapter'
        ? `${fitting.family} ${a?.form}`
        : fitting.family === 'angle-stop'
          ? `${fitting.family} ${a?.form} ${b?.form}`
          : `${fitting.family} ${fitting.opens ?? ''}${secondSide(fitting) ?? ''}`
    const held = seen.get(kind)
    if (!held || rank(fitting) > rank(held)) seen.set(kind, fitting)
  }
  return [...seen.values()]
}

const CELL_MM = 82
const STANDING = /flange|standpipe|vent-riser/

/** All families without a label: each must be recognised by its outline alone. */
export function contactSheet(columns = 8): Scene & { readonly names: readonly string[] } {
  const shapes: Shape[] = []
  const fittings = examples()
  fittings.forEach((fitting, index) => {
    const drawn = ['supply-connector', 'tube-piece', 'frost-free-bib'].includes(fitting.family)
      ? shortened(fitting, fitting.family === 'frost-free-bib' ? 110 : 70)
      : fitting
    const dx = (index % columns) * CELL_MM
    const dy = -Math.floor(index / columns) * CELL_MM
    const sample = partShapes(`sample:${index}`, drawn)
    const points = sample.flatMap((shape) => shape.points)
    const span = (at: 0 | 1) => {
      const all = points.map((point) => point[at])
      const [least, most] = [Math.min(...all), Math.max(...all)]
      return { middle: (least + most) / 2, size: most - least }
    }
    const [along, across] = [span(0), span(1)]
    const room = CELL_MM - 8
    // what is larger than its cell is drawn smaller; a silhouette has no scale
    const scale = Math.min(1, room / along.size, room / across.size)
    // what stands on floors and in the open is drawn standing
    const standing = STANDING.test(fitting.family)
    const tall = across.size > room
    const [cos, sin] = standing ? [0, scale] : [scale, 0]
    const x = standing ? dx + scale * across.middle : dx - scale * along.middle
    const y = standing ? dy - scale * along.middle : tall ? dy - scale * across.middle : dy
    for (const shape of sample) shapes.push(placeShape({ cos, sin, dx: x, dy: y }, shape))
  })
  const rows = Math.ceil(fittings.length / columns)
  return {
    bounds: {
      minX: -CELL_MM / 2,
      maxX: (columns - 0.5) * CELL_MM,
      maxY: CELL_MM / 2,
      minY: -(rows - 0.5) * CELL_MM,
    },
    shapes,
    texts: [],
    seams: [],
    dimensions: [],
    title: 'Fitting families',
    names: fittings.map((fitting) => fitting.name),
  }
}
