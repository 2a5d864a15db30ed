import { isMetal } from '../../reference/materials'
import type { PipeMaterial } from '../../reference/types'

/**
 * How often each answer is given for each kind of pipe by people who look. What is left over is spread evenly over
 * all answers as error. Common practice: estimates, to be corrected by what shops find.
 */
export type AnswerWeights = Readonly<Record<string, number>>
export type SignTable = Readonly<Record<PipeMaterial, AnswerWeights>>

const HOLDS = { holds: 0.985 }
const FALLS = { falls: 0.985 }

export const MAGNET: SignTable = {
  copper: FALLS,
  'copper-drain': FALLS,
  'copper-refrigeration': FALLS,
  'chromed-supply': FALLS,
  'galvanised-steel': HOLDS,
  'black-steel': HOLDS,
  'sprinkler-steel': HOLDS,
  brass: { falls: 0.97 },
  stainless: { falls: 0.88, holds: 0.08 },
  'corrugated-stainless': { falls: 0.93 },
  lead: FALLS,
  'lead-waste': FALLS,
  cpvc: FALLS,
  'cpvc-sprinkler': FALLS,
  'pex-a': FALLS,
  'pex-b': FALLS,
  'pex-c': FALLS,
  'pex-aluminium': FALLS,
  polybutylene: FALLS,
  polyethylene: FALLS,
  'polyethylene-gas': FALLS,
  pvc: FALLS,
  'pvc-drain': FALLS,
  'pvc-sewer': FALLS,
  'abs-drain': FALLS,
  'tubular-brass': { falls: 0.96 },
  'tubular-plastic': FALLS,
  'waste-solvent': FALLS,
  'waste-push-fit': FALLS,
  'cast-iron': HOLDS,
  clay: FALLS,
  cement: FALLS,
}

const CURL = { shaving: 0.97 }
const COPPER_SCRATCH = { copper: 0.95, yellow: 0.03 }

export const SCRATCH: SignTable = {
  copper: COPPER_SCRATCH,
  'copper-drain': COPPER_SCRATCH,
  'copper-refrigeration': COPPER_SCRATCH,
  'chromed-supply': { yellow: 0.45, copper: 0.4, silver: 0.1 },
  'galvanised-steel': { silver: 0.95 },
  'black-steel': { silver: 0.92, 'grey-iron': 0.04 },
  'sprinkler-steel': { silver: 0.93 },
  brass: { yellow: 0.92, copper: 0.05 },
  stainless: { silver: 0.95 },
  'corrugated-stainless': { shaving: 0.55, silver: 0.4 },
  lead: { 'silver-soft': 0.92, silver: 0.05 },
  'lead-waste': { 'silver-soft': 0.92, silver: 0.05 },
  cpvc: CURL,
  'cpvc-sprinkler': CURL,
  'pex-a': CURL,
  'pex-b': CURL,
  'pex-c': CURL,
  'pex-aluminium': CURL,
  polybutylene: CURL,
  polyethylene: CURL,
  'polyethylene-gas': CURL,
  pvc: CURL,
  'pvc-drain': CURL,
  'pvc-sewer': CURL,
  'abs-drain': CURL,
  'tubular-brass': { yellow: 0.72, silver: 0.18, copper: 0.04 },
  'tubular-plastic': CURL,
  'waste-solvent': CURL,
  'waste-push-fit': CURL,
  'cast-iron': { 'grey-iron': 0.86, silver: 0.1 },
  clay: { crumbles: 0.88 },
  cement: { crumbles: 0.93 },
}

const COPPER_COLOUR = { 'copper-brown': 0.72, green: 0.16, black: 0.03, 'yellow-metal': 0.02 }
const PEX_COLOUR = { white: 0.34, red: 0.28, blue: 0.26, clear: 0.06, orange: 0.03 }

export const COLOUR: SignTable = {
  copper: { ...COPPER_COLOUR, chrome: 0.02 },
  'copper-drain': COPPER_COLOUR,
  'copper-refrigeration': { 'copper-brown': 0.86, green: 0.08 },
  'chromed-supply': { chrome: 0.88, 'yellow-metal': 0.04, green: 0.03 },
  'galvanised-steel': { 'grey-metal': 0.8, 'copper-brown': 0.06, 'dull-grey': 0.06, black: 0.03 },
  'black-steel': { black: 0.8, 'copper-brown': 0.07, 'grey-metal': 0.05, 'yellow-plastic': 0.02 },
  'sprinkler-steel': { red: 0.62, black: 0.3, 'grey-metal': 0.03 },
  brass: { 'yellow-metal': 0.66, 'copper-brown': 0.16, chrome: 0.08, green: 0.04 },
  stainless: { chrome: 0.62, 'grey-metal': 0.34 },
  'corrugated-stainless': { 'yellow-plastic': 0.78, black: 0.17 },
  lead: { 'dull-grey': 0.84, 'grey-metal': 0.08, white: 0.02 },
  'lead-waste': { 'dull-grey': 0.84, 'grey-metal': 0.08 },
  cpvc: { cream: 0.94 },
  'cpvc-sprinkler': { orange: 0.94 },
  'pex-a': PEX_COLOUR,
  'pex-b': PEX_COLOUR,
  'pex-c': PEX_COLOUR,
  'pex-aluminium': { white: 0.5, orange: 0.2, blue: 0.12, black: 0.08 },
  polybutylene: { 'grey-plastic': 0.82, blue: 0.08, black: 0.06 },
  polyethylene: { black: 0.76, blue: 0.2 },
  'polyethylene-gas': { 'yellow-plastic': 0.84, black: 0.1, orange: 0.03 },
  pvc: { white: 0.86, 'grey-plastic': 0.1 },
  'pvc-drain': { white: 0.93, cream: 0.02 },
  'pvc-sewer': { 'green-plastic': 0.58, white: 0.36 },
  'abs-drain': { black: 0.96 },
  'tubular-brass': { chrome: 0.84, 'yellow-metal': 0.08, green: 0.04 },
  'tubular-plastic': { white: 0.88, black: 0.08 },
  'waste-solvent': { white: 0.55, 'grey-plastic': 0.28, black: 0.12 },
  // below ground it is orange to brick red
  'waste-push-fit': { 'grey-plastic': 0.42, white: 0.36, black: 0.1, orange: 0.06, terracotta: 0.03 },
  'cast-iron': { black: 0.68, 'copper-brown': 0.18, 'grey-metal': 0.06, terracotta: 0.03 },
  clay: { terracotta: 0.9 },
  cement: { 'cement-grey': 0.9 },
}

/** Copper under verdigris. */
export const GREEN_COLOUR: AnswerWeights = { green: 0.55, 'copper-brown': 0.35 }
/** Iron and steel under rust. */
export const RUST_COLOUR: AnswerWeights = {
  'copper-brown': 0.66,
  black: 0.13,
  'grey-metal': 0.09,
  'dull-grey': 0.06,
}

/** What shows beneath paint and dirt, by what the outside is called. Metal is metal all through, stone is stone. */
const BENEATH: Readonly<Record<string, string>> = {
  white: 'white',
  clear: 'white',
  black: 'black',
  cream: 'cream',
  'grey-plastic': 'grey',
  blue: 'blue',
  red: 'red',
  orange: 'orange',
  'green-plastic': 'green',
  'yellow-plastic': 'yellow',
}

/** The colour of a shaving, from the usual colours of the kind. */
export function shavingColour(material: PipeMaterial): AnswerWeights {
  if (isMetal(material)) return { metal: 0.96 }
  if (material === 'clay' || material === 'cement') return { stone: 0.95 }
  const weights: Record<string, number> = {}
  for (const [colour, weight] of Object.entries(COLOUR[material])) {
    const beneath = BENEATH[colour]
    if (beneath) weights[beneath] = (weights[beneath] ?? 0) + weight
  }
  return weights
}

const RIGID = { rigid: 0.985 }
const SPRINGY = { flexible: 0.95, 'by-hand': 0.02 }

/** Hard tube; what is soft in coils is in `FLEX_SOFT`. */
export const FLEX: SignTable = {
  copper: { rigid: 0.95, 'by-hand': 0.03 },
  'copper-drain': RIGID,
  'copper-refrigeration': { rigid: 0.95, 'by-hand': 0.03 },
  'chromed-supply': { 'by-hand': 0.72, rigid: 0.2 },
  'galvanised-steel': RIGID,
  'black-steel': RIGID,
  'sprinkler-steel': RIGID,
  brass: RIGID,
  stainless: RIGID,
  'corrugated-stainless': { flexible: 0.62, 'by-hand': 0.34 },
  lead: { 'by-hand': 0.7, rigid: 0.26 },
  'lead-waste': { 'by-hand': 0.62, rigid: 0.34 },
  cpvc: { rigid: 0.92, flexible: 0.06 },
  'cpvc-sprinkler': { rigid: 0.94, flexible: 0.04 },
  'pex-a': SPRINGY,
  'pex-b': SPRINGY,
  'pex-c': SPRINGY,
  'pex-aluminium': { 'by-hand': 0.86, flexible: 0.1 },
  polybutylene: SPRINGY,
  polyethylene: { flexible: 0.86, rigid: 0.1 },
  'polyethylene-gas': { flexible: 0.84, rigid: 0.12 },
  pvc: RIGID,
  'pvc-drain': RIGID,
  'pvc-sewer': RIGID,
  'abs-drain': RIGID,
  'tubular-brass': RIGID,
  'tubular-plastic': { rigid: 0.9, flexible: 0.08 },
  'waste-solvent': RIGID,
  'waste-push-fit': { rigid: 0.94, flexible: 0.04 },
  'cast-iron': RIGID,
  clay: RIGID,
  cement: RIGID,
}
export const FLEX_SOFT: AnswerWeights = { 'by-hand': 0.84, rigid: 0.13 }

const RINGS = { rings: 0.86, dull: 0.1 }
const CLICKS = { clicks: 0.9, dull: 0.08 }
const DULL = { dull: 0.9 }

export const TAP: SignTable = {
  copper: RINGS,
  'copper-drain': RINGS,
  'copper-refrigeration': RINGS,
  'chromed-supply': RINGS,
  'galvanised-steel': { rings: 0.78, dull: 0.2 },
  'black-steel': { rings: 0.78, dull: 0.2 },
  'sprinkler-steel': { rings: 0.78, dull: 0.2 },
  brass: RINGS,
  stainless: RINGS,
  'corrugated-stainless': { dull: 0.6, clicks: 0.3 },
  lead: DULL,
  'lead-waste': DULL,
  cpvc: CLICKS,
  'cpvc-sprinkler': CLICKS,
  'pex-a': { dull: 0.5, clicks: 0.47 },
  'pex-b': { dull: 0.5, clicks: 0.47 },
  'pex-c': { dull: 0.5, clicks: 0.47 },
  'pex-aluminium': { dull: 0.5, clicks: 0.45 },
  polybutylene: { dull: 0.5, clicks: 0.47 },
  polyethylene: { dull: 0.55, clicks: 0.42 },
  'polyethylene-gas': { dull: 0.55, clicks: 0.42 },
  pvc: CLICKS,
  'pvc-drain': CLICKS,
  'pvc-sewer': CLICKS,
  'abs-drain': CLICKS,
  'tubular-brass': RINGS,
  'tubular-plastic': CLICKS,
  'waste-solvent': CLICKS,
  'waste-push-fit': CLICKS,
  'cast-iron': { rings: 0.62, dull: 0.35 },
  clay: { rings: 0.6, dull: 0.36 },
  cement: { dull: 0.82, rings: 0.14 },
}

/** Colour of the print by copper type (ASTM B88: K green, L blue, M red; B306: DWV yellow). Old tube shows none. */
export const PRINT_COLOUR: Readonly<Record<string, AnswerWeights>> = {
  K: { green: 0.5, 'none-seen': 0.47 },
  L: { blue: 0.5, 'none-seen': 0.47 },
  M: { red: 0.5, 'none-seen': 0.47 },
  DWV: { yellow: 0.5, 'none-seen': 0.47 },
  ACR: { blue: 0.4, 'none-seen': 0.55 },
}
export const OTHER_PRINT: AnswerWeights = { 'none-seen': 0.9 }

/** Seconds it takes to look, by sign. Common practice. */
export const SIGN_SECONDS: Readonly<Record<string, number>> = {
  magnet: 5,
  scratch: 10,
  'shaving-colour': 15,
  colour: 3,
  flex: 4,
  tap: 4,
  joint: 8,
  'joint-nut': 4,
  'joint-band': 4,
  'joint-seam': 6,
  'joint-turns': 6,
  'print-colour': 15,
  carries: 20,
}
