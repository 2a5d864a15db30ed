import { stiffnessOf } from '../fitup/spring'
import { isPlastic } from '../reference/materials'
import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'

/** A length of one pipe of the line that is held. */
export interface Length {
  readonly material: PipeMaterial
  readonly outsideMm: number
  readonly wallMm: number
  readonly lengthMm: number
}

/** What decides how a line answers to a change of the water in it. */
export interface Pipework {
  readonly volumeMl: number
  /** By what share the pipe's bore grows with each kilopascal, 1/kPa, over the volume. */
  readonly stretch: number
  /** By what share it grows with each degree, 1/K. */
  readonly expansion: number
  /** Share of the volume that lies in pipe which goes on yielding under pressure. */
  readonly plastic: number
}

/** Growth of a length with each degree, millionths. Handbook values; plastics scatter by a fifth. */
const LINEAR: Readonly<Partial<Record<PipeMaterial, number>>> = {
  copper: 16.9,
  'copper-refrigeration': 16.9,
  'chromed-supply': 16.9,
  brass: 18.7,
  'galvanised-steel': 11.7,
  'black-steel': 11.7,
  stainless: 17.3,
  cpvc: 62,
  pvc: 54,
  'pex-a': 170,
  'pex-b': 150,
  'pex-c': 150,
  'pex-aluminium': 25,
  polybutylene: 130,
  polyethylene: 180,
}
export const LINEAR_SOURCE: Source = {
  title: 'Handbook values of thermal expansion; plastics as their makers print them',
  certainty: 'recalled',
}
/** Where a table says nothing of a material it is taken for copper, which gives least. */
const OTHERWISE = { modulusMPa: 117_000, linear: 17 }
/** A layer of aluminium holds the pipe: it stretches as the metal lets it. */
const HELD_BY_METAL: ReadonlySet<PipeMaterial> = new Set(['pex-aluminium'])
/** Of 0.2 to 0.4 mm of aluminium (70 000 MPa) in a wall of 2 to 3 mm, by their shares; no maker prints one. */
const METAL_LAYER_MPA = 9000
/** Handbook: copper 0.34, steel 0.29; polyethylene and PVC 0.38 to 0.46. A tenth of it is a twentieth of the stretch. */
const POISSON = { metal: 0.34, plastic: 0.42 }

/**
 * By what share the volume of a pipe grows with each kilopascal inside, its ends closed and free: Lamé's thick wall,
 * twice the strain round it and once that along it.
 *
 * @param outsideMm with `wallMm`, mm
 * @param modulusMPa Young's
 * @returns 1/kPa
 */
export function pipeStretch(outsideMm: number, wallMm: number, modulusMPa: number, poisson: number): number {
  const outer = (outsideMm / 2) ** 2
  const inner = (outsideMm / 2 - wallMm) ** 2
  const around = (outer + inner) / (outer - inner)
  const along = inner / (outer - inner)
  const strainAround = around - poisson * (along - 1)
  const strainAlong = along - poisson * (around - 1)
  return (2 * strainAround + strainAlong) / (modulusMPa * 1000)
}

/**
 * A line as one: its water, and how pipe and length give.
 *
 * @throws RangeError where no length has any bore: a line without water cannot be held
 */
export function pipework(lengths: readonly Length[]): Pipework {
  let volumeMl = 0
  let stretch = 0
  let expansion = 0
  let plastic = 0
  for (const { material, outsideMm, wallMm, lengthMm } of lengths) {
    const bore = outsideMm - 2 * wallMm
    const ml = bore > 0 ? ((Math.PI / 4) * bore * bore * lengthMm) / 1000 : 0
    const soft = isPlastic(material) && !HELD_BY_METAL.has(material)
    const modulus = HELD_BY_METAL.has(material)
      ? METAL_LAYER_MPA
      : (stiffnessOf(material)?.modulusMPa ?? OTHERWISE.modulusMPa)
    volumeMl += ml
    stretch += ml * pipeStretch(outsideMm, wallMm, modulus, soft ? POISSON.plastic : POISSON.metal)
    expansion += (ml * 3 * (LINEAR[material] ?? OTHERWISE.linear)) / 1e6
    if (soft) plastic += ml
  }
  if (!(volumeMl > 0)) throw new RangeError('no length has any bore')
  return {
    volumeMl,
    stretch: stretch / volumeMl,
    expansion: expansion / volumeMl,
    plastic: plastic / volumeMl,
  }
}
