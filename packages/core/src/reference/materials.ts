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

const NO_PLASTIC: ReadonlySet<string> = new Set(['rubber-seated', 'clay', 'cement'])

/** Neither metal nor stoneware nor the rubber of a seat. @param material of a pipe or of a port */
export function isPlastic(material: string): boolean {
  return !NO_PLASTIC.has(material) && !isMetal(material as PipeMaterial)
}

const DRAIN: ReadonlySet<PipeMaterial> = new Set([
  'copper-drain',
  'lead-waste',
  'pvc-drain',
  'pvc-sewer',
  'abs-drain',
  'tubular-brass',
  'tubular-plastic',
  'waste-solvent',
  'waste-push-fit',
  'cast-iron',
  'clay',
  'cement',
])

/** What a pipe is made to carry: water under pressure, or waste that runs by its own fall. */
export type Medium = 'supply' | 'drain'

/** The medium that a material is made for. */
export function mediumOf(material: PipeMaterial): Medium {
  return DRAIN.has(material) ? 'drain' : 'supply'
}

/** Waste pipe of metric countries, whose names are millimetres. @param material of a pipe or of a port */
export function isMetricWaste(material: string): boolean {
  return material === 'waste-solvent' || material === 'waste-push-fit'
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
