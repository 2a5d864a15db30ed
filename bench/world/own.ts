// Another world: what pipes look like, how people read and say it, and how common they are, written down anew from the
// trade and never from the product's tables, so that a wrong figure there shows as a worse answer here. Coarse on
// purpose: mostly, often, sometimes, seldom.
import type { PipeMaterial } from '@diarmos/core'
import { isFerrous, isMetal } from '../../packages/core/src/reference/materials'
import type { Tables, Weights } from './tables'

const MOSTLY = 0.85
const OFTEN = 0.55
const SOMETIMES = 0.22
const SELDOM = 0.07
const RARELY = 0.02

type Kind = {
  /** What it looks like, from the side. */
  readonly colour: Weights
  readonly scratch: Weights
  readonly bends: Weights
  readonly sounds: Weights
  readonly joined: Weights
  readonly legible: number
}

const STIFF = { rigid: 0.97 }
const RINGING = { rings: 0.8, dull: 0.17 }
const CLICKING = { clicks: MOSTLY, dull: 0.12 }
const DEAD = { dull: 0.88, clicks: 0.06 }
const LIMP = { dull: 0.55, clicks: 0.4 }
const CURLS = { shaving: 0.96 }
const SHINES = { silver: 0.92 }
const SPRINGS = { flexible: 0.88, 'by-hand': 0.08 }
const COPPERY = { 'copper-brown': 0.75, green: 0.15, black: 0.05 }

const metal = (colour: Weights, scratch: Weights, joined: Weights, more: Partial<Kind> = {}): Kind => ({
  colour,
  scratch,
  joined,
  bends: STIFF,
  sounds: RINGING,
  legible: 0.05,
  ...more,
})
const plastic = (colour: Weights, joined: Weights, more: Partial<Kind> = {}): Kind => ({
  colour,
  scratch: CURLS,
  joined,
  bends: STIFF,
  sounds: CLICKING,
  legible: 0.5,
  ...more,
})
const limp = (colour: Weights, joined: Weights, more: Partial<Kind> = {}): Kind =>
  plastic(colour, joined, { bends: SPRINGS, sounds: LIMP, ...more })

const STEEL_JOINTS = { threaded: 0.94 }
const PEX_JOINTS = { crimp: 0.38, cinch: 0.25, 'push-fit': SOMETIMES, compression: SELDOM, press: SELDOM }
const PEX_COLOURS = { white: 0.38, red: 0.26, blue: 0.24, clear: 0.06, orange: RARELY }

const KINDS: Readonly<Record<PipeMaterial, Kind>> = {
  copper: metal(
    COPPERY,
    { copper: 0.93, yellow: RARELY },
    { sweat: 0.6, compression: SOMETIMES, 'push-fit': 0.08, press: 0.05, flare: RARELY },
    { legible: 0.2 },
  ),
  'copper-drain': metal(COPPERY, { copper: 0.93 }, { sweat: 0.88, slip: 0.05, 'flexible-coupling': 0.04 }),
  'copper-refrigeration': metal(
    { 'copper-brown': 0.8, black: 0.1, green: 0.05 },
    { copper: 0.94 },
    { sweat: OFTEN, flare: 0.4 },
  ),
  'chromed-supply': metal(
    { chrome: 0.88, 'yellow-metal': 0.06 },
    { yellow: 0.4, copper: 0.4, silver: 0.12 },
    { compression: 0.95 },
    { bends: { 'by-hand': 0.65, rigid: 0.3 } },
  ),
  'galvanised-steel': metal(
    { 'grey-metal': 0.7, 'dull-grey': 0.15, 'copper-brown': 0.08 },
    SHINES,
    STEEL_JOINTS,
  ),
  'black-steel': metal({ black: 0.7, 'copper-brown': 0.15, 'grey-metal': 0.1 }, SHINES, STEEL_JOINTS),
  'sprinkler-steel': metal({ red: OFTEN, black: 0.35 }, SHINES, { threaded: 0.65, hubless: 0.25 }),
  brass: metal(
    { 'yellow-metal': 0.55, 'copper-brown': 0.28, green: SELDOM, chrome: 0.05 },
    { yellow: 0.9, copper: 0.05 },
    { threaded: 0.92 },
  ),
  stainless: metal({ chrome: 0.5, 'grey-metal': 0.45 }, SHINES, {
    press: 0.65,
    threaded: 0.15,
    compression: 0.15,
  }),
  'corrugated-stainless': metal(
    { 'yellow-plastic': 0.74, black: 0.2 },
    { shaving: 0.6, silver: 0.35 },
    { compression: 0.75, flare: 0.18 },
    { bends: { flexible: OFTEN, 'by-hand': 0.4 }, sounds: { dull: OFTEN, clicks: 0.3 }, legible: 0.3 },
  ),
  lead: metal(
    { 'dull-grey': 0.8, 'grey-metal': 0.12 },
    { 'silver-soft': 0.9, silver: 0.06 },
    { wiped: MOSTLY, compression: 0.1 },
    { bends: { 'by-hand': 0.65, rigid: 0.32 }, sounds: DEAD, legible: 0.01 },
  ),
  'lead-waste': metal(
    { 'dull-grey': 0.8, 'grey-metal': 0.12 },
    { 'silver-soft': 0.9, silver: 0.06 },
    { wiped: 0.82, slip: 0.1 },
    { bends: { 'by-hand': OFTEN, rigid: 0.4 }, sounds: DEAD, legible: 0.01 },
  ),
  cpvc: plastic(
    { cream: 0.92, white: 0.03 },
    { cement: 0.84, 'push-fit': SELDOM, compression: SELDOM },
    {
      bends: { rigid: 0.9, flexible: 0.08 },
    },
  ),
  'cpvc-sprinkler': plastic({ orange: 0.92, red: RARELY }, { cement: 0.95 }),
  'pex-a': limp(PEX_COLOURS, {
    expansion: 0.6,
    crimp: 0.13,
    cinch: 0.08,
    'push-fit': 0.12,
    compression: 0.05,
  }),
  'pex-b': limp(PEX_COLOURS, PEX_JOINTS),
  'pex-c': limp(PEX_COLOURS, PEX_JOINTS),
  'pex-aluminium': limp(
    { white: OFTEN, orange: 0.18, blue: 0.12, black: 0.06 },
    { press: 0.5, compression: 0.35, 'push-fit': SELDOM },
    { bends: { 'by-hand': MOSTLY, flexible: 0.1 } },
  ),
  polybutylene: limp(
    { 'grey-plastic': 0.78, black: 0.1, blue: 0.08 },
    { crimp: 0.75, compression: 0.1, 'push-fit': 0.1 },
  ),
  polyethylene: limp(
    { black: 0.8, blue: 0.16 },
    { cinch: 0.35, compression: 0.35, 'flexible-coupling': 0.15, 'push-fit': 0.1 },
    { bends: { flexible: MOSTLY, rigid: 0.12 } },
  ),
  'polyethylene-gas': limp(
    { 'yellow-plastic': MOSTLY, black: 0.08, orange: 0.03 },
    { compression: 0.5, cement: 0.25 },
    {
      bends: { flexible: MOSTLY, rigid: 0.12 },
    },
  ),
  pvc: plastic({ white: MOSTLY, 'grey-plastic': 0.1 }, { cement: 0.9, threaded: 0.05 }),
  'pvc-drain': plastic({ white: 0.92, cream: 0.04 }, { cement: 0.9, 'flexible-coupling': 0.05 }),
  'pvc-sewer': plastic({ 'green-plastic': OFTEN, white: 0.38 }, { 'hub-rubber': OFTEN, cement: 0.35 }),
  'abs-drain': plastic({ black: 0.95 }, { cement: 0.9, 'flexible-coupling': 0.05 }),
  'tubular-brass': metal({ chrome: 0.8, 'yellow-metal': 0.12 }, { yellow: 0.7, silver: 0.2 }, { slip: 0.95 }),
  'tubular-plastic': plastic({ white: MOSTLY, black: 0.12 }, { slip: 0.96 }, { legible: 0.2 }),
  'waste-solvent': plastic({ white: 0.5, 'grey-plastic': 0.3, black: 0.15 }, { cement: MOSTLY, slip: 0.1 }),
  'waste-push-fit': plastic(
    { 'grey-plastic': 0.45, white: 0.33, black: 0.08, orange: 0.08 },
    { 'hub-rubber': MOSTLY, slip: 0.1 },
  ),
  'cast-iron': metal(
    { black: 0.6, 'copper-brown': 0.2, 'grey-metal': 0.1 },
    { 'grey-iron': 0.82, silver: 0.13 },
    { 'hub-lead': 0.48, hubless: 0.32, 'hub-rubber': 0.12, 'flexible-coupling': 0.05 },
    { sounds: { rings: OFTEN, dull: 0.4 } },
  ),
  clay: metal(
    { terracotta: 0.88 },
    { crumbles: MOSTLY },
    { 'hub-rubber': 0.6, 'flexible-coupling': 0.2, 'hub-lead': SELDOM },
    { sounds: { rings: OFTEN, dull: 0.4 } },
  ),
  cement: metal(
    { 'cement-grey': 0.87 },
    { crumbles: 0.92 },
    { 'hub-rubber': OFTEN, 'flexible-coupling': 0.25, hubless: 0.05 },
    { sounds: DEAD },
  ),
}

const of = (pick: (kind: Kind, material: PipeMaterial) => Weights) =>
  Object.fromEntries(
    Object.entries(KINDS).map(([name, kind]) => [name, pick(kind, name as PipeMaterial)]),
  ) as Record<PipeMaterial, Weights>

const isStone = (material: PipeMaterial) => material === 'clay' || material === 'cement'

/** Beneath the outside: plastics are one colour all through. */
const BENEATH: Readonly<Record<string, string>> = {
  'grey-plastic': 'grey',
  'green-plastic': 'green',
  'yellow-plastic': 'yellow',
  clear: 'white',
}

/** How much of the lines of an age a kind makes, in words: main, half of that, some, few, rare, a trace, hardly any. */
const HOW_MUCH: Readonly<Record<string, number>> = { M: 60, H: 30, S: 12, F: 4, R: 1, t: 0.3, '.': 0.05 }
type Lines = Tables['materialShares']['metric']['cold']

/** Kinds by age, before 1940 to since 2010, a letter each. */
function ages(kinds: Partial<Record<PipeMaterial, string>>): Lines {
  return Object.fromEntries(
    Object.entries(kinds).map(([name, letters]) => [
      name,
      [...letters].map((letter) => HOW_MUCH[letter] ?? 0),
    ]),
  )
}

/** What lines are made of, by the age of the house: rising and falling as the trade tells it. */
const SUPPLY_INCH = ages({
  copper: 'HMMMMH',
  'galvanised-steel': 'HHSRt.',
  brass: 'FFRRRR',
  lead: 'FR....',
  'chromed-supply': 'FFFFFF',
  cpvc: 'RFFSSS',
  'pex-a': 'FFRRSH',
  'pex-b': 'FFFFSH',
  'pex-c': 'tttRRF',
  'pex-aluminium': 'ttttRR',
  polybutylene: 'RRRSt.',
  polyethylene: 'RRRRRR',
  pvc: 'RRRRRR',
})
const SUPPLY_MM = ages({
  copper: 'MMMMMM',
  'galvanised-steel': 'SSFFRt',
  lead: 'SFRtt.',
  stainless: 'ttRRFF',
  'chromed-supply': 'RRRRRR',
  'pex-a': 'RRRFSS',
  'pex-b': 'FFFFSS',
  'pex-aluminium': 'RRRRSS',
  polybutylene: 'RRRFFS',
  polyethylene: 'FFFFFF',
})
const DRAINS_INCH = ages({
  'cast-iron': 'MMHSFF',
  'lead-waste': 'SFt...',
  'galvanised-steel': 'SSSRRt',
  'copper-drain': 'FSSFRt',
  'abs-drain': 'RRHHHS',
  'pvc-drain': 'FFSMMM',
  'tubular-brass': 'FFFFRR',
  'tubular-plastic': 'FFFFFF',
  'pvc-sewer': 'RRRRRR',
  clay: 'RRt...',
})
const DRAINS_MM = ages({
  'cast-iron': 'MHSFFF',
  'lead-waste': 'HSRt..',
  copper: 'FFFt..',
  'waste-solvent': 'SHHMHH',
  'waste-push-fit': 'SHHMMM',
  clay: 'FFRttt',
})
const VENTS_INCH = ages({
  'cast-iron': 'MMHSFF',
  'galvanised-steel': 'HHSFRR',
  'copper-drain': 'FSSFRt',
  'abs-drain': 'RRHHHS',
  'pvc-drain': 'FFSMMM',
})
const VENTS_MM = ages({
  'cast-iron': 'MMSFFF',
  'lead-waste': 'SFR...',
  'waste-solvent': 'SHHHHH',
  'waste-push-fit': 'SHHMMM',
})
const GASES_INCH = ages({
  'black-steel': 'MMMMMM',
  'galvanised-steel': 'FFFRRR',
  'corrugated-stainless': 'tttFSH',
  copper: 'FFFFFF',
  'polyethylene-gas': 'RRRFFF',
})
const GASES_MM = ages({
  copper: 'MMMMMM',
  'black-steel': 'MMHHSS',
  'polyethylene-gas': 'RFFSSS',
  'corrugated-stainless': 'tttRFF',
})
const COLD_AIR = ages({ 'copper-refrigeration': 'MMMMMM', copper: 'FFFFFF' })
const FIRE = ages({ 'sprinkler-steel': 'MMMMMH', 'black-steel': 'HHHSSS', 'cpvc-sprinkler': 'tttSHM' })

/** How common a size is, by its place in the trade: the branch, the main, the odd one. */
const BRANCHES = ['1/2', '15', '16']
const MAINS = ['3/4', '20', '22', '25']
const SOME = ['3/8', '10', '12', '1', '26', '28', '32']
const WASTES: Readonly<Record<string, number>> = {
  '1-1/2': 0.35,
  '2': 0.25,
  '3': 0.17,
  '4': 0.12,
  '1-1/4': 0.1,
  '40': 0.35,
  '32': 0.28,
  '50': 0.12,
  '110': 0.15,
  '100': 0.15,
  '75': 0.04,
}
const sizes: Tables['sizeShare'] = (medium, _system, nominal) => {
  if (medium === 'waste' || medium === 'vent') return WASTES[nominal] ?? 0.008
  if (medium === 'sprinkler') return nominal === '1' ? 0.5 : 0.1
  if (medium === 'refrigerant')
    return ['1/4', '3/8', '1/2', '5/8', '3/4', '7/8'].includes(nominal) ? 0.18 : 0.02
  if (BRANCHES.includes(nominal)) return 0.62
  if (MAINS.includes(nominal)) return 0.22
  return SOME.includes(nominal) ? 0.05 : 0.006
}

const STIFFER = { fixed: 0.9, turns: 0.08 }
const LOOSER = { fixed: 0.78, turns: 0.2 }
/** A joint that shows nothing. */
const BARE = {
  nut: { 'no-nut': 0.96 },
  band: { 'no-band': 0.95 },
  seam: { 'no-seam': 0.92 },
  turns: { fixed: 0.97 },
}

/** Another world than the product's, in which it is asked the same. */
export const OWN: Tables = {
  name: 'own',
  instruments: {
    caliper: { reads: 'diameter', sdMm: 0.1, biasMm: 0, wild: 0.03 },
    'screen-gauge': { reads: 'diameter', sdMm: 0.6, biasMm: 0.1, wild: 0.05 },
    tape: { reads: 'diameter', sdMm: 1.1, biasMm: 0.1, wild: 0.06 },
    string: { reads: 'circumference', sdMm: 1.3, biasMm: 1, wild: 0.05 },
    'paper-strip': { reads: 'circumference', sdMm: 0.7, biasMm: 0.2, wild: 0.04 },
  },
  surfaces: {
    clean: { biasMm: 0, sdMm: 0.02, scatterMm: 0, wallBiasMm: 0, wallSdMm: 0 },
    painted: { biasMm: 0.3, sdMm: 0.2, scatterMm: 0.06, wallBiasMm: 0, wallSdMm: 0 },
    corroded: { biasMm: 0.1, sdMm: 0.2, scatterMm: 0.15, wallBiasMm: -0.15, wallSdMm: 0.15 },
    rusted: { biasMm: 0.7, sdMm: 0.6, scatterMm: 0.4, wallBiasMm: -0.4, wallSdMm: 0.4 },
    'out-of-round': { biasMm: 0, sdMm: 0.1, scatterMm: 0.4, wallBiasMm: 0, wallSdMm: 0 },
    wrapped: { biasMm: 14, sdMm: 6, scatterMm: 1, wallBiasMm: 0, wallSdMm: 0 },
  },
  surfaceShares: (material) => {
    if (material.startsWith('lead')) return [0.45, 0.15, 0.12, 0, 0.25, 0.03]
    if (isFerrous(material)) return [0.4, 0.2, 0, 0.33, 0.04, 0.03]
    if (isMetal(material)) return [0.6, 0.17, 0.15, 0, 0.06, 0.02]
    if (isStone(material)) return [0.6, 0.03, 0.15, 0, 0.2, 0.02]
    return [0.82, 0.1, 0, 0, 0.06, 0.02]
  },
  magnet: of(
    (_, material): Weights =>
      isFerrous(material) ? { holds: 0.98 } : { falls: material === 'stainless' ? MOSTLY : 0.98 },
  ),
  scratch: of(({ scratch }) => scratch),
  tap: of(({ sounds }) => sounds),
  colour: of(({ colour }) => colour),
  flex: of(({ bends }) => bends),
  flexSoft: { 'by-hand': 0.8, rigid: 0.18 },
  shavingColour: (material) => {
    if (isMetal(material)) return { metal: 0.93 }
    if (isStone(material)) return { stone: 0.9 }
    const weights: Record<string, number> = {}
    for (const [colour, weight] of Object.entries(KINDS[material].colour)) {
      const beneath = BENEATH[colour] ?? colour
      weights[beneath] = (weights[beneath] ?? 0) + weight
    }
    return weights
  },
  rustColour: { 'copper-brown': 0.7, black: 0.1, 'dull-grey': 0.1 },
  greenColour: { green: 0.6, 'copper-brown': 0.3 },
  printColour: {
    K: { green: 0.4, 'none-seen': OFTEN },
    L: { blue: 0.4, 'none-seen': OFTEN },
    M: { red: 0.4, 'none-seen': OFTEN },
    DWV: { yellow: 0.4, 'none-seen': OFTEN },
  },
  noPrintColour: { 'none-seen': 0.92 },
  jointShare: of(({ joined }) => joined),
  joints: {
    sweat: { ...BARE, seam: { 'solder-line': 0.8, 'no-seam': 0.15 } },
    compression: {
      ...BARE,
      nut: { 'hex-nut': 0.93 },
      seam: { 'no-seam': 0.78, 'threads-show': 0.15 },
      turns: STIFFER,
    },
    'push-fit': {
      nut: { 'no-nut': MOSTLY, 'round-nut': 0.1 },
      band: { 'plastic-collar': 0.6, 'no-band': 0.35 },
      seam: BARE.seam,
      turns: { turns: MOSTLY, fixed: 0.12 },
    },
    threaded: {
      ...BARE,
      nut: { 'no-nut': 0.75, 'hex-nut': 0.22 },
      seam: { 'threads-show': 0.83, 'no-seam': 0.13 },
    },
    crimp: { ...BARE, band: { 'copper-ring': 0.9, 'steel-clamp': 0.05 }, turns: LOOSER },
    cinch: { ...BARE, band: { 'steel-clamp': 0.9, 'copper-ring': 0.04 }, turns: LOOSER },
    expansion: { ...BARE, band: { 'plastic-collar': 0.9, 'no-band': 0.06 }, turns: STIFFER },
    press: { ...BARE, band: { 'press-marks': 0.87, 'no-band': 0.08 }, turns: STIFFER },
    cement: { ...BARE, seam: { 'cement-bead': 0.74, 'no-seam': SOMETIMES } },
    flare: {
      ...BARE,
      nut: { 'hex-nut': 0.94 },
      seam: { 'no-seam': 0.76, 'threads-show': 0.18 },
      turns: STIFFER,
    },
    slip: {
      ...BARE,
      nut: { 'round-nut': 0.83, 'hex-nut': 0.13 },
      seam: { 'no-seam': 0.6, 'threads-show': 0.33 },
      turns: { fixed: 0.6, turns: 0.38 },
    },
    'hub-lead': { ...BARE, seam: { 'lead-ring': MOSTLY, 'no-seam': 0.1 } },
    'hub-rubber': {
      ...BARE,
      seam: { 'rubber-lip': 0.77, 'no-seam': 0.18 },
      turns: { fixed: 0.62, turns: 0.36 },
    },
    hubless: {
      ...BARE,
      band: { 'rubber-sleeve': 0.6, 'steel-clamp': 0.34 },
      seam: { 'no-seam': 0.6, 'rubber-lip': 0.35 },
      turns: STIFFER,
    },
    'flexible-coupling': {
      ...BARE,
      band: { 'rubber-sleeve': MOSTLY, 'steel-clamp': 0.1 },
      seam: { 'no-seam': OFTEN, 'rubber-lip': 0.4 },
      turns: STIFFER,
    },
    wiped: { ...BARE, seam: { bulb: 0.88, 'solder-line': SELDOM } },
    flange: {
      ...BARE,
      nut: { 'hex-nut': 0.75, 'no-nut': 0.2 },
      seam: { 'no-seam': 0.72, 'rubber-lip': 0.2 },
    },
  },
  namedRightly: 0.91,
  legible: (material) => KINDS[material].legible,
  printOfAnother: 0.03,
  misled: 0.03,
  carries: {
    cold: { water: 0.99, waste: RARELY / 4 },
    hot: { water: 0.99, waste: RARELY / 4 },
    waste: { waste: 0.96, water: 0.03 },
    vent: { waste: 0.9, water: 0.03 },
    gas: { 'gas-signs': 0.95, water: 0.005 },
    refrigerant: { 'refrigerant-signs': 0.95, water: 0.005 },
    sprinkler: { 'sprinkler-signs': 0.92, water: 0.06 },
  },
  materialShares: {
    'north-america': {
      cold: SUPPLY_INCH,
      hot: { ...SUPPLY_INCH, ...ages({ polyethylene: '......', pvc: '......' }) },
      waste: DRAINS_INCH,
      vent: VENTS_INCH,
      gas: GASES_INCH,
      refrigerant: COLD_AIR,
      sprinkler: FIRE,
    },
    metric: {
      cold: SUPPLY_MM,
      hot: { ...SUPPLY_MM, ...ages({ polyethylene: 'tttttt' }) },
      waste: DRAINS_MM,
      vent: VENTS_MM,
      gas: GASES_MM,
      refrigerant: COLD_AIR,
      sprinkler: FIRE,
    },
  },
  mediumOfService: {
    cold: {
      cold: 0.965,
      hot: 0.02,
      waste: 0.003,
      vent: 0.001,
      gas: 0.006,
      refrigerant: 0.001,
      sprinkler: 0.004,
    },
    hot: {
      cold: 0.02,
      hot: 0.965,
      waste: 0.003,
      vent: 0.001,
      gas: 0.006,
      refrigerant: 0.001,
      sprinkler: 0.004,
    },
    drain: {
      cold: 0.005,
      hot: 0.005,
      waste: 0.94,
      vent: 0.045,
      gas: 0.002,
      refrigerant: 0.001,
      sprinkler: 0.002,
    },
    vent: {
      cold: 0.003,
      hot: 0.003,
      waste: 0.08,
      vent: 0.907,
      gas: 0.003,
      refrigerant: 0.001,
      sprinkler: 0.003,
    },
    unknown: {
      cold: 0.36,
      hot: 0.3,
      waste: 0.2,
      vent: 0.04,
      gas: 0.07,
      refrigerant: 0.015,
      sprinkler: 0.015,
    },
  },
  regionOf: {
    'north-america': { 'north-america': 0.98, metric: 0.02 },
    metric: { 'north-america': 0.03, metric: 0.97 },
    unknown: { 'north-america': 0.7, metric: 0.3 },
  },
  strayShare: 0.02,
  sizeShare: sizes,
  variantShares: {
    copper: {
      'K hard': 0.05,
      'L hard': 0.45,
      'M hard': 0.4,
      'K soft': 0.03,
      'L soft': 0.07,
      'thin hard': 0.5,
      'thick hard': 0.4,
      'thick soft': 0.1,
    },
    'black-steel': { 'schedule 40': 0.95, 'schedule 80': 0.05 },
    brass: { regular: 0.95, 'extra strong': 0.05 },
    cpvc: { 'SDR 11': 0.96, 'schedule 80': 0.04 },
    pvc: { 'schedule 40': MOSTLY, 'schedule 80': 0.05, 'SDR 21': 0.1 },
    'cast-iron': {
      hubless: [0.02, 0.08, 0.5, 0.8, 0.9, 0.95],
      'service weight': [0.5, 0.6, 0.4, 0.15, 0.08, 0.04],
      'extra heavy': [0.48, 0.32, 0.1, 0.05, 0.02, 0.01],
    },
  },
}
