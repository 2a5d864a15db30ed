import type { PipeMaterial } from './types'

const FERROUS: ReadonlySet<PipeMaterial> = new Set([
  'galvanised-steel',
  'black-steel',
  'sprinkler-steel',
  'cast-iron',
])
const OTHER_METAL: ReadonlySet<PipeMaterial> = new Set([
  'copper',
  'copper-drain',
  'copper-refrigeration',
  'chromed-supply',
  'brass',
  'stainless',
  'corrugated-stainless',
  'lead',
  'lead-waste',
  'tubular-brass',
])

/** Steel and iron: what a magnet holds to. */
export function isFerrous(material: PipeMaterial): boolean {
  return FERROUS.has(material)
}

/** True where a material conducts and rings: metal pipe. */
export function isMetal(material: PipeMaterial): boolean {
  return FERROUS.has(material) || OTHER_METAL.has(material)
}

const THREADED: ReadonlySet<PipeMaterial> = new Set([
  'galvanised-steel',
  'black-steel',
  'sprinkler-steel',
  'brass',
])

/** Thick metal pipe that is threaded rather than joined as tube. */
export function isThreadedMaterial(material: PipeMaterial): boolean {
  return THREADED.has(material)
}
