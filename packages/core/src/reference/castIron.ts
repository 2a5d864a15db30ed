import type { Source } from './source'
import type { DimensionalSystem, NominalSize, Pipe } from './types'

const IN = 25.4

export const A888: Source = {
  title: 'ASTM A888 and CISPI 301 hubless cast iron',
  table: 'barrel diameters',
  certainty: 'recalled',
}
export const A74: Source = {
  title: 'ASTM A74 cast iron soil pipe with hubs',
  table: 'barrel diameters, service and extra heavy',
  certainty: 'recalled',
}
export const EN877: Source = {
  title: 'EN 877 cast iron drainage pipe',
  table: 'diameters',
  certainty: 'recalled',
}

// nominal, outside diameter, wall, tolerance on the diameter; inches
type Row = readonly [NominalSize, number, number, number]

const HUBLESS: readonly Row[] = [
  ['1-1/2', 1.9, 0.16, 0.06],
  ['2', 2.35, 0.16, 0.09],
  ['3', 3.35, 0.16, 0.09],
  ['4', 4.38, 0.19, 0.07],
  ['5', 5.3, 0.19, 0.07],
  ['6', 6.3, 0.19, 0.07],
]
const SERVICE: readonly Row[] = [
  ['2', 2.3, 0.17, 0.09],
  ['3', 3.3, 0.17, 0.09],
  ['4', 4.3, 0.18, 0.09],
  ['5', 5.3, 0.18, 0.09],
  ['6', 6.3, 0.18, 0.09],
]
const HEAVY: readonly Row[] = [
  ['2', 2.38, 0.19, 0.09],
  ['3', 3.5, 0.25, 0.09],
  ['4', 4.5, 0.25, 0.09],
  ['5', 5.5, 0.25, 0.09],
  ['6', 6.5, 0.25, 0.09],
]
// the same in millimetres
const METRIC: readonly Row[] = [
  ['40', 48, 3, 1.5],
  ['50', 58, 3.5, 1.5],
  ['70', 78, 3.5, 1.5],
  ['75', 83, 3.5, 1.5],
  ['100', 110, 3.5, 1.5],
]

function iron(rows: readonly Row[], system: DimensionalSystem, grade: string, source: Source): Pipe[] {
  const mm = system === 'metric-iron'
  const scale = mm ? 1 : IN
  return rows.map(([nominal, od, wall, tolerance]) => ({
    id: `cast-iron.${system === 'metric-iron' ? 'metric' : system}.${nominal}${mm ? 'mm' : ''}`,
    material: 'cast-iron',
    system,
    nominal,
    grade,
    odMm: od * scale,
    odToleranceMm: tolerance * scale,
    wallMm: wall * scale,
    wallToleranceMm: 0.05 * IN,
    source,
  }))
}

/** Cast iron soil pipe, whose three inch classes differ in their outside diameters. */
export const CAST_IRON: readonly Pipe[] = [
  ...iron(HUBLESS, 'hubless', 'hubless', A888),
  ...iron(SERVICE, 'service', 'service weight', A74),
  ...iron(HEAVY, 'heavy', 'extra heavy', A74),
  ...iron(METRIC, 'metric-iron', 'metric', EN877),
]
