import type { Source } from './source'
import { type NominalSize, nominalNumber, type Pipe } from './types'

const IN = 25.4

export const TUBULAR: Source = {
  title: 'ASME A112.18.2 tubular drain goods',
  table: 'outside diameters; walls by brass gauge',
  certainty: 'recalled',
}
const SUPPLY_TUBE: Source = {
  title: 'Chromed supply tube, named by outside diameter, typical',
  certainty: "maker's sheet",
}

/** Thickness of a Brown and Sharpe gauge number, inches: 0.005 × 92^((36 - n) / 39). */
export function brassGaugeIn(gauge: number): number {
  return 0.005 * 92 ** ((36 - gauge) / 39)
}

const drain = (
  material: 'tubular-brass' | 'tubular-plastic',
  nominal: NominalSize,
  grade: string,
  wallIn: number,
): Pipe => ({
  id: `${material}.${grade.replaceAll(' ', '-')}.${nominal}`,
  material,
  system: 'tubular',
  nominal,
  grade,
  odMm: nominalNumber(nominal) * IN,
  odToleranceMm: (material === 'tubular-brass' ? 0.006 : 0.01) * IN,
  wallMm: wallIn * IN,
  wallToleranceMm: 0.15 * wallIn * IN,
  source: TUBULAR,
})

/** Thin tube under basins and sinks, called by its outside diameter, and the small chromed supply tube. */
export const TUBULAR_PIPE: readonly Pipe[] = [
  ...['1-1/4', '1-1/2', '2'].flatMap((nominal) =>
    [17, 20, 22].map((gauge) => drain('tubular-brass', nominal, `${gauge} gauge`, brassGaugeIn(gauge))),
  ),
  ...['1-1/4', '1-1/2'].map((nominal) => drain('tubular-plastic', nominal, 'plastic', 0.07)),
  ...(['1/4', '3/8', '1/2'] as const).map(
    (nominal): Pipe => ({
      id: `chromed-supply.${nominal}`,
      material: 'chromed-supply',
      system: 'OD',
      nominal,
      grade: 'chromed',
      odMm: nominalNumber(nominal) * IN,
      odToleranceMm: 0.004 * IN,
      wallMm: 0.028 * IN,
      wallToleranceMm: 0.006 * IN,
      source: SUPPLY_TUBE,
    }),
  ),
]
