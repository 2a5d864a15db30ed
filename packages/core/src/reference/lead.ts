import type { Source } from './source'
import { type NominalSize, nominalNumber, type Pipe } from './types'

const IN = 25.4
/** Weight of lead, lb per cubic inch. */
const LEAD_LB_PER_IN3 = 0.4097

export const LEAD_WEIGHTS: Source = {
  title: 'Lead pipe as it was sold: by bore and by weight a foot',
  table: 'strong and extra strong water pipe, light waste pipe',
  certainty: 'recalled',
}

/**
 * Outside diameter of lead pipe from its bore and its weight: area = weight / (12 × 0.4097 lb/in3).
 * Inches and lb/ft in, inches out.
 */
export function leadOutsideDiameterIn(boreIn: number, poundsPerFoot: number): number {
  return Math.sqrt(boreIn ** 2 + (4 * poundsPerFoot) / (Math.PI * 12 * LEAD_LB_PER_IN3))
}

// bore, lb/ft strong, lb/ft extra strong
const WATER: readonly [NominalSize, number, number][] = [
  ['1/2', 1.75, 2],
  ['5/8', 2.5, 3],
  ['3/4', 3, 3.5],
  ['1', 4, 4.75],
]
// bore, lb/ft
const WASTE: readonly [NominalSize, number][] = [
  ['1-1/4', 2.5],
  ['1-1/2', 3.5],
  ['2', 4],
  ['3', 6],
  ['4', 8],
]

function lead(
  material: 'lead' | 'lead-waste',
  nominal: NominalSize,
  grade: string,
  poundsPerFoot: number,
): Pipe {
  const bore = nominalNumber(nominal)
  const od = leadOutsideDiameterIn(bore, poundsPerFoot)
  return {
    id: `${material}.${grade.replace(' ', '-')}.${nominal}`,
    material,
    system: 'ID',
    nominal,
    grade,
    odMm: od * IN,
    // soft, drawn by hand through worn dies, bent and dressed since
    odToleranceMm: 1.2,
    wallMm: ((od - bore) / 2) * IN,
    wallToleranceMm: 0.8,
    source: LEAD_WEIGHTS,
  }
}

/** Lead water and waste pipe, named by bore. */
export const LEAD_PIPE: readonly Pipe[] = [
  ...WATER.flatMap(([nominal, strong, extra]) => [
    lead('lead', nominal, 'strong', strong),
    lead('lead', nominal, 'extra strong', extra),
  ]),
  ...WASTE.map(([nominal, weight]) => lead('lead-waste', nominal, 'light', weight)),
]
