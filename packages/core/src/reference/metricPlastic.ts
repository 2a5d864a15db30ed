import { plasticWall } from './plasticWall'
import type { Source } from './source'
import type { NominalSize, Pipe, PipeMaterial } from './types'

export const EN15875: Source = {
  title: 'EN ISO 15875 crosslinked polyethylene',
  table: 'series S5: wall = diameter / 11',
  certainty: 'formula',
}
export const BS7291: Source = {
  title: 'BS 7291 plastic pipe for hot and cold water',
  table: 'sizes of copper',
  certainty: 'recalled',
}
export const F1281: Source = {
  title: 'ASTM F1281 and F1282 aluminium-layer pipe',
  table: 'dimensions',
  certainty: 'recalled',
}
export const EN12201: Source = {
  title: 'EN 12201 and EN 1555 polyethylene, water and gas',
  table: 'SDR 11: wall = diameter / 11',
  certainty: 'formula',
}
const LAYERED: Source = { title: 'ISO 21003 multilayer pipe, typical walls', certainty: "maker's sheet" }
export const EN1451: Source = {
  title: 'EN 1451 polypropylene and EN 1329 PVC waste',
  table: 'named by outside diameter',
  certainty: 'recalled',
}
export const BS_WASTE: Source = {
  title: 'EN 1455, EN 1566 and BS 5254 waste pipe',
  table: 'solvent and push-fit waste, larger outside than their names',
  certainty: 'recalled',
}

interface Row {
  readonly nominal: NominalSize
  readonly odMm: number
  readonly tolerance: number
  readonly wall: number
}
interface Family {
  readonly material: PipeMaterial
  readonly prefix: string
  readonly system: 'metric' | 'metric-waste'
  readonly grade: string
  readonly source: Source
  readonly rows: readonly Row[]
}

/** Diameters with the wall that a ratio gives, to the next tenth, never below a least wall. Millimetres. */
function byRatio(diameters: readonly number[], ratio: number, least: number): Row[] {
  return diameters.map((odMm) => ({
    nominal: String(odMm),
    odMm: odMm + 0.15,
    tolerance: 0.15 + odMm * 0.003,
    wall: Math.max(least, Math.ceil((odMm / ratio) * 10 - 1e-9) / 10),
  }))
}
const listed = (rows: readonly (readonly [NominalSize, number, number, number])[]): Row[] =>
  rows.map(([nominal, odMm, tolerance, wall]) => ({ nominal, odMm, tolerance, wall }))

/** Plastic tube made to the diameters of metric copper. */
const LIKE_COPPER = listed([
  ['10', 10, 0.1, 1.5],
  ['15', 15, 0.1, 1.7],
  ['22', 22, 0.1, 2.0],
  ['28', 28, 0.1, 2.6],
])

const FAMILIES: readonly Family[] = [
  {
    material: 'pex-a',
    prefix: 'pex-a.s5',
    system: 'metric',
    grade: 'S5, type A',
    source: EN15875,
    rows: byRatio([16, 20, 25, 32], 11, 1.3),
  },
  {
    material: 'pex-b',
    prefix: 'pex-b.copper-size',
    system: 'metric',
    grade: 'copper diameters',
    source: BS7291,
    rows: LIKE_COPPER,
  },
  {
    material: 'polybutylene',
    prefix: 'polybutylene.copper-size',
    system: 'metric',
    grade: 'copper diameters',
    source: BS7291,
    rows: LIKE_COPPER,
  },
  {
    material: 'pex-aluminium',
    prefix: 'pex-al.f1281',
    system: 'metric',
    grade: 'aluminium layer',
    source: F1281,
    rows: listed([
      ['12', 12, 0.3, 1.6],
      ['16', 16, 0.3, 1.65],
      ['20', 20, 0.3, 1.9],
      ['25', 25, 0.3, 2.25],
      ['32', 32, 0.3, 2.9],
    ]),
  },
  {
    material: 'pex-aluminium',
    prefix: 'pex-al.layered',
    system: 'metric',
    grade: 'multilayer',
    source: LAYERED,
    rows: listed([
      ['16', 16, 0.3, 2],
      ['18', 18, 0.3, 2],
      ['20', 20, 0.3, 2],
      ['26', 26, 0.3, 3],
      ['40', 40, 0.3, 3.5],
      ['50', 50, 0.3, 4],
      ['63', 63, 0.4, 4.5],
    ]),
  },
  {
    material: 'polyethylene',
    prefix: 'polyethylene.sdr11',
    system: 'metric',
    grade: 'SDR 11',
    source: EN12201,
    rows: byRatio([20, 25, 32, 40, 50, 63], 11, 2.3),
  },
  {
    material: 'polyethylene-gas',
    prefix: 'polyethylene-gas.sdr11',
    system: 'metric',
    grade: 'SDR 11, gas',
    source: EN12201,
    rows: byRatio([20, 25, 32, 63], 11, 2.3),
  },
  {
    material: 'waste-push-fit',
    prefix: 'waste.pp',
    system: 'metric',
    grade: 'named by outside diameter',
    source: EN1451,
    rows: listed([
      ['32', 32.15, 0.15, 1.8],
      ['40', 40.15, 0.15, 1.8],
      ['50', 50.15, 0.15, 1.8],
      ['75', 75.2, 0.2, 1.9],
      ['90', 90.2, 0.2, 2.2],
      ['110', 110.2, 0.2, 2.7],
    ]),
  },
  {
    material: 'waste-push-fit',
    prefix: 'waste.push',
    system: 'metric-waste',
    grade: 'push-fit',
    source: BS_WASTE,
    rows: listed([
      ['32', 34.5, 0.2, 2],
      ['40', 41, 0.2, 2],
      ['50', 54, 0.2, 2.2],
    ]),
  },
  {
    material: 'waste-solvent',
    prefix: 'waste.solvent',
    system: 'metric-waste',
    grade: 'solvent weld',
    source: BS_WASTE,
    rows: listed([
      ['32', 36.3, 0.15, 1.9],
      ['40', 42.9, 0.15, 1.9],
      ['50', 55.9, 0.15, 2],
      ['82', 82.6, 0.2, 3.2],
      ['110', 110.2, 0.2, 3.2],
    ]),
  },
]

/** Plastic pipe of metric countries: supply, gas and waste. */
export const METRIC_PLASTIC: readonly Pipe[] = FAMILIES.flatMap(
  ({ material, prefix, system, grade, source, rows }) =>
    rows.map(
      ({ nominal, odMm, tolerance, wall }): Pipe => ({
        id: `${prefix}.${nominal}mm`,
        material,
        system,
        nominal,
        grade,
        odMm,
        odToleranceMm: tolerance,
        // EN 12201, EN ISO 15875: a tenth and a tenth of a millimetre upward, to the next tenth
        ...plasticWall(wall, Math.ceil(wall + 1 - 1e-9) / 10),
        source,
      }),
    ),
)
