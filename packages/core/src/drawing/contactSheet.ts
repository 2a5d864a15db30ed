import { CATALOG } from '../catalog/families'
import type { Fitting, PortForm } from '../catalog/types'
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
          : fitting.family
    const held = seen.get(kind)
    if (!held || rank(fitting) > rank(held)) seen.set(kind, fitting)
  }
  return [...seen.values()]
}

const CELL_MM = 82

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
    const xs = sample.flatMap((shape) => shape.points.map(([x]) => x))
    const [left, right] = [Math.min(...xs), Math.max(...xs)]
    // what is larger than its cell is drawn smaller; a silhouette has no scale
    const cos = Math.min(1, (CELL_MM - 8) / (right - left))
    for (const shape of sample)
      shapes.push(placeShape({ cos, sin: 0, dx: dx - (cos * (left + right)) / 2, dy }, shape))
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
