import { isSoftTube } from '../reference/softTube'
import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'

export interface Stiffness {
  /** Young's modulus, MPa. */
  readonly modulusMPa: number
  /** Stress that bends it for good (metal), or that it may be held at (plastic), MPa. */
  readonly limitMPa: number
  readonly source: Source
}

const handbook = (title: string): Source => ({ title, certainty: 'recalled' })
const COPPER: Stiffness = {
  modulusMPa: 117_000,
  limitMPa: 205,
  source: handbook('Copper tube handbook: hard temper H58, modulus 17 000 ksi, yield 30 ksi'),
}
const STEEL: Stiffness = {
  modulusMPa: 200_000,
  limitMPa: 205,
  source: handbook('ASTM A53 grade A: yield 30 ksi, modulus of steel'),
}
const PEX: Stiffness = {
  modulusMPa: 600,
  limitMPa: 12,
  source: handbook('ASTM F876: flexural, at room temperature'),
}
const BY_MATERIAL: Readonly<Partial<Record<PipeMaterial, Stiffness>>> = {
  copper: COPPER,
  'copper-refrigeration': {
    ...COPPER,
    limitMPa: 60,
    source: handbook('Copper tube handbook: annealed temper'),
  },
  'chromed-supply': { ...COPPER, limitMPa: 60, source: handbook('Copper tube handbook: annealed temper') },
  stainless: { modulusMPa: 193_000, limitMPa: 205, source: handbook('ASTM A312 type 304 and 316') },
  'galvanised-steel': STEEL,
  'black-steel': STEEL,
  brass: {
    modulusMPa: 117_000,
    limitMPa: 83,
    source: handbook('ASTM B43 red brass C23000, annealed: modulus 17 000 ksi, yield 12 ksi'),
  },
  cpvc: {
    modulusMPa: 2900,
    limitMPa: 13.8,
    source: handbook('ASTM D1784 CPVC: modulus 420 ksi, design 2000 psi'),
  },
  pvc: {
    modulusMPa: 2760,
    limitMPa: 13.8,
    source: handbook('ASTM D1784 PVC 1120: modulus 400 ksi, design 2000 psi'),
  },
  'pex-a': PEX,
  'pex-b': PEX,
  'pex-c': PEX,
  'pex-aluminium': PEX,
  polybutylene: { modulusMPa: 400, limitMPa: 8, source: handbook('ASTM D2581 polybutylene') },
  polyethylene: { modulusMPa: 800, limitMPa: 8, source: handbook('ASTM D3350 polyethylene') },
}

/** How stiff a pipe's stuff is; undefined where it is not sprung at all. Annealed copper yields early. */
export function stiffnessOf(material: PipeMaterial, soft = false): Stiffness | undefined {
  const known = BY_MATERIAL[material]
  return known && soft && material === 'copper' ? { ...known, limitMPa: 60 } : known
}

/** Share of the limit that is used: what is sprung must come back. */
export const USED = 1 / 1.5

export interface Spring {
  /** Sideways at the cut end, mm. */
  readonly sidewaysMm: number
  /** How much shorter the sprung pipe reaches along its axis, mm. */
  readonly retractionMm: number
  readonly forceN: number
  readonly stressMPa: number
  /** What stops it: the stuff, the room beside it, its free length or that it is not sprung; `bow` where it is bent by hand. */
  readonly limit: 'stress' | 'room' | 'rigid' | 'bow'
}

/**
 * A pipe clamped at one end and pushed sideways at the other, as far as stress and room allow.
 *
 * Cantilever with a load at its tip: y = Y(3ξ² - ξ³)/2, so the tip comes back by δ = ½∫y'² = 3Y²/(5L);
 * at the clamp σ = 3E·(D/2)·Y/L²; the force is 3EI·Y/L³ (beam theory, small deflections).
 *
 * @param pipe outside diameter and wall, mm
 * @param freeMm free length from the clamp to the cut, mm
 * @param roomMm how far it can go sideways, mm
 */
export function sidewaysSpring(
  pipe: {
    readonly odMm: number
    readonly wallMm: number
    readonly material: PipeMaterial
    readonly soft?: boolean
  },
  freeMm: number,
  roomMm: number,
): Spring {
  const stiffness = stiffnessOf(pipe.material, pipe.soft)
  if (!stiffness || freeMm <= 0 || roomMm <= 0)
    return { sidewaysMm: 0, retractionMm: 0, forceN: 0, stressMPa: 0, limit: stiffness ? 'room' : 'rigid' }
  const { modulusMPa, limitMPa } = stiffness
  const byStress = (limitMPa * USED * freeMm ** 2) / (3 * modulusMPa * (pipe.odMm / 2))
  // small deflections only: a tenth of the length
  const most = Math.min(roomMm, freeMm / 10)
  const sidewaysMm = Math.min(byStress, most)
  const inner = pipe.odMm - 2 * pipe.wallMm
  const inertia = (Math.PI / 64) * (pipe.odMm ** 4 - inner ** 4)
  return {
    sidewaysMm,
    retractionMm: (3 * sidewaysMm ** 2) / (5 * freeMm),
    forceN: (3 * modulusMPa * inertia * sidewaysMm) / freeMm ** 3,
    stressMPa: (3 * modulusMPa * (pipe.odMm / 2) * sidewaysMm) / freeMm ** 2,
    limit: byStress < most ? 'stress' : 'room',
  }
}

type Tube = Parameters<typeof sidewaysSpring>[0]

/** Least bend of soft tube by hand, in outside diameters. Makers of PEX print 6 to 8; the stiffer kinds 10. */
export function bendRadiusMm({ odMm, material }: Pick<Tube, 'odMm' | 'material'>): number {
  return (material.startsWith('pex') ? 8 : 10) * odMm
}

/**
 * Soft tube drawn into a bow beside its line, no tighter than it may be bent, its ends in line: how much nearer its cut
 * end then lies.
 *
 * Shape w = Y(1 - cos 2πx/L)/2: least radius L²/(2π²Y), so L = π√(2YR); it comes back by ½∫w'² = π²Y²/(4L).
 */
function bow(pipe: Tube, freeMm: number, roomMm: number): Spring {
  const radiusMm = bendRadiusMm(pipe)
  // the whole free length, where it is shorter than so wide a bow takes
  const sidewaysMm = Math.min(roomMm, freeMm ** 2 / (2 * Math.PI ** 2 * radiusMm))
  const length = Math.PI * Math.sqrt(2 * sidewaysMm * radiusMm)
  return {
    sidewaysMm,
    retractionMm: length > 0 ? (Math.PI * sidewaysMm) ** 2 / (4 * length) : 0,
    forceN: 0,
    stressMPa: 0,
    limit: 'bow',
  }
}

/** How far a cut pipe can be drawn back along its line: sprung sideways at its end, or soft tube bowed, whichever gives more. */
export function drawnBack(pipe: Tube, freeMm: number, roomMm: number): Spring {
  const sprung = sidewaysSpring(pipe, freeMm, roomMm)
  if (!isSoftTube(pipe.material) || freeMm <= 0 || roomMm <= 0) return sprung
  const bowed = bow(pipe, freeMm, roomMm)
  return bowed.retractionMm > sprung.retractionMm ? bowed : sprung
}

/** The free length from which soft tube is drawn back so far by a bow, mm; null where the room is too small for it. */
export function leastBowedMm(
  pipe: Pick<Tube, 'odMm' | 'material'>,
  retractionMm: number,
  roomMm: number,
): number | null {
  const radiusMm = bendRadiusMm(pipe)
  // r = πY^1.5 / (4√(2R))
  const sidewaysMm = ((4 * retractionMm * Math.sqrt(2 * radiusMm)) / Math.PI) ** (2 / 3)
  return sidewaysMm > roomMm ? null : Math.PI * Math.sqrt(2 * sidewaysMm * radiusMm)
}
