import type { Source } from './source'
import { type NominalSize, nominalNumber, type Pipe } from './types'

const IN = 25.4

export const B280: Source = {
  title: 'ASTM B280 copper tube for air conditioning and refrigeration',
  table: 'dimensions, named by outside diameter',
  certainty: 'recalled',
}

// outside diameter, wall; inches
const SOFT: readonly [NominalSize, number][] = [
  ['1/8', 0.03],
  ['3/16', 0.03],
  ['1/4', 0.03],
  ['5/16', 0.032],
  ['3/8', 0.032],
  ['1/2', 0.032],
  ['5/8', 0.035],
  ['3/4', 0.042],
  ['7/8', 0.045],
  ['1-1/8', 0.05],
  ['1-3/8', 0.055],
  ['1-5/8', 0.06],
]
const HARD: readonly [NominalSize, number][] = [
  ['3/8', 0.03],
  ['1/2', 0.035],
  ['5/8', 0.04],
  ['3/4', 0.042],
  ['7/8', 0.045],
  ['1-1/8', 0.05],
  ['1-3/8', 0.055],
  ['1-5/8', 0.06],
  ['2-1/8', 0.07],
  ['2-5/8', 0.08],
  ['3-1/8', 0.09],
  ['3-5/8', 0.1],
  ['4-1/8', 0.11],
]

const tube =
  (temper?: 'soft') =>
  ([nominal, wall]: readonly [NominalSize, number]): Pipe => ({
    id: `copper.acr${temper ? '.soft' : ''}.${nominal}`,
    material: 'copper-refrigeration',
    system: 'OD',
    nominal,
    grade: 'ACR',
    ...(temper ? { temper } : {}),
    odMm: nominalNumber(nominal) * IN,
    odToleranceMm: 0.002 * IN,
    wallMm: wall * IN,
    wallToleranceMm: 0.1 * wall * IN,
    source: B280,
  })

/** Refrigeration tube, soft in coils and hard in lengths, named by its outside diameter. */
export const REFRIGERATION_TUBE: readonly Pipe[] = [...SOFT.map(tube('soft')), ...HARD.map(tube())]
