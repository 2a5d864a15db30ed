import { CATALOG } from '../catalog/families'
import type { Fitting } from '../catalog/types'
import { partShapes, shortened } from './partShapes'
import { placeShape } from './place'
import type { Scene, Shape } from './types'

/** One part of each family and kind of ends, in the usual half-inch size where it is made. */
function examples(): Fitting[] {
  const seen = new Map<string, Fitting>()
  const usual = (fitting: Fitting) => fitting.ports.filter((port) => port.nominal === '1/2').length
  for (const fitting of CATALOG) {
    if (fitting.ports.some((port) => port.system === 'metric' || port.system === 'BSP')) continue
    const kind = `${fitting.family}|${fitting.ports.map((port) => port.form).join('|')}`
    const held = seen.get(kind)
    if (!held || usual(fitting) > usual(held)) seen.set(kind, fitting)
  }
  return [...seen.values()]
}

const CELL_MM = 82

/** All families without a label: each must be recognised by its outline alone. */
export function contactSheet(columns = 6): Scene & { readonly names: readonly string[] } {
  const shapes: Shape[] = []
  const fittings = examples()
  fittings.forEach((fitting, index) => {
    const drawn =
      fitting.family === 'supply-connector' || fitting.family === 'tube-piece'
        ? shortened(fitting, 70)
        : fitting
    const dx = (index % columns) * CELL_MM
    const dy = -Math.floor(index / columns) * CELL_MM
    for (const shape of partShapes(`sample:${index}`, drawn))
      shapes.push(placeShape({ cos: 1, sin: 0, dx, dy }, shape))
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
    title: 'Fitting families',
    names: fittings.map((fitting) => fitting.name),
  }
}
