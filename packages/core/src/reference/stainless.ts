import { IRON_PIPE_SIZES } from './ironPipeSize'
import type { Source } from './source'
import type { NominalSize, Pipe } from './types'

const IN = 25.4

export const EN10312: Source = {
  title: 'EN 10312 welded stainless tube for water',
  table: 'series 1 diameters, walls as pressed systems use them',
  certainty: 'recalled',
}
export const B36_19: Source = {
  title: 'ASME B36.19M stainless steel pipe',
  table: 'schedule 10S',
  certainty: 'recalled',
}
const TYPICAL_CORRUGATED: Source = {
  title: 'Corrugated stainless gas tubing, over its jacket, typical',
  certainty: "maker's sheet",
}

// outside diameter, wall; mm
const PRESSED: readonly [NominalSize, number][] = [
  ['15', 1.0],
  ['18', 1.0],
  ['22', 1.2],
  ['28', 1.2],
  ['35', 1.5],
  ['42', 1.5],
  ['54', 1.5],
]
// nominal, wall of schedule 10S; inches
const SCHEDULE_10S: readonly [NominalSize, number][] = [
  ['1/2', 0.083],
  ['3/4', 0.083],
  ['1', 0.109],
  ['1-1/4', 0.109],
  ['1-1/2', 0.109],
  ['2', 0.109],
]
// nominal, outside over the jacket, mm
const CORRUGATED: readonly [NominalSize, number][] = [
  ['3/8', 15.2],
  ['1/2', 19.3],
  ['3/4', 25.6],
  ['1', 32.5],
]

/** Stainless: thin metric tube for pressing, pipe of iron pipe size, and corrugated gas tubing. */
export const STAINLESS: readonly Pipe[] = [
  ...PRESSED.map(
    ([nominal, wall]): Pipe => ({
      id: `stainless.${nominal}mm`,
      material: 'stainless',
      system: 'metric',
      nominal,
      grade: `${wall.toFixed(1)} mm wall`,
      odMm: Number(nominal),
      odToleranceMm: Math.max(0.1, Number(nominal) * 0.005),
      wallMm: wall,
      wallToleranceMm: wall * 0.1,
      source: EN10312,
    }),
  ),
  ...SCHEDULE_10S.map(([nominal, wall]): Pipe => {
    const odIn = IRON_PIPE_SIZES.find((row) => row.nominal === nominal)?.odIn ?? Number.NaN
    return {
      id: `stainless.10s.${nominal}`,
      material: 'stainless',
      system: 'IPS',
      nominal,
      grade: 'schedule 10S',
      odMm: odIn * IN,
      odToleranceMm: IN / 64,
      wallMm: wall * IN,
      wallToleranceMm: wall * IN * 0.125,
      source: B36_19,
    }
  }),
  ...CORRUGATED.map(
    ([nominal, odMm]): Pipe => ({
      id: `stainless.corrugated.${nominal}`,
      material: 'corrugated-stainless',
      system: 'OD',
      nominal,
      grade: 'corrugated',
      odMm,
      odToleranceMm: 1.2,
      wallMm: 0.25,
      wallToleranceMm: 0.05,
      source: TYPICAL_CORRUGATED,
    }),
  ),
]
