import type { OldTrap } from '../assembly/oldTraps'

/** What trap was there, as it is tapped. */
export const OLD_TRAP_WORDS: Readonly<Record<OldTrap, string>> = {
  p: 'P, into the wall',
  s: 'S, into the floor',
  bottle: 'bottle',
  drum: 'drum',
  running: 'running, in the pipe',
  two: 'two on one way',
  standing: 'unseen, water stands',
  none: 'none at all',
}

/** Questions as they are asked, and answers as they are tapped. */
export const QUESTIONS: Readonly<Record<string, string>> = {
  'sign:magnet': 'Does a magnet hold?',
  'sign:scratch': 'Scratch it: what shows?',
  'sign:colour': 'What colour is it?',
  'sign:shaving-colour': 'Shave it: what colour beneath?',
  'sign:flex': 'Does it bend?',
  'sign:tap': 'Tap it: how does it sound?',
  'sign:joint': 'How is it joined?',
  'sign:joint-nut': 'A nut at the joint?',
  'sign:joint-band': 'A ring or band at the joint?',
  'sign:joint-seam': 'What shows where pipe meets fitting?',
  'sign:joint-turns': 'Does the fitting turn by hand?',
  'sign:print-colour': 'What colour is the print?',
  'sign:carries': 'What does the line carry?',
  'outside:caliper': 'Across, with a caliper',
  'outside:tape': 'Across, with a tape',
  'outside:screen-gauge': 'Across, on the screen gauge',
  'outside:string': 'Round it, with a string',
  'outside:paper-strip': 'Round it, with a paper strip',
  'wall:caliper': 'Wall at a cut end, with a caliper',
  'bore:caliper': 'Bore at a cut end, with a caliper',
  'bore:tape': 'Bore at a cut end, with a tape',
  gauge: 'Slot gauge: does it go over?',
  print: 'Read the print',
}

export const ANSWERS: Readonly<Record<string, string>> = {
  holds: 'holds',
  falls: 'falls off',
  copper: 'copper',
  silver: 'bright and hard',
  'silver-soft': 'bright, a nail marks it',
  'grey-iron': 'dark grey',
  yellow: 'yellow',
  shaving: 'plastic curl',
  crumbles: 'crumbles',
  metal: 'metal',
  grey: 'grey',
  stone: 'stone',
  'copper-brown': 'copper, brown',
  green: 'green',
  'grey-metal': 'grey metal',
  'dull-grey': 'dull grey, soft',
  black: 'black',
  'yellow-metal': 'yellow metal',
  chrome: 'chrome',
  cream: 'cream, tan',
  white: 'white',
  red: 'red',
  blue: 'blue',
  clear: 'clear',
  orange: 'orange',
  'grey-plastic': 'grey plastic',
  'green-plastic': 'green plastic',
  'yellow-plastic': 'yellow coat',
  terracotta: 'brick red',
  'cement-grey': 'cement grey',
  painted: 'painted over',
  rigid: 'rigid',
  'by-hand': 'bends and stays',
  flexible: 'springs back',
  rings: 'rings',
  dull: 'dull',
  clicks: 'plastic click',
  sweat: 'sweated',
  compression: 'nut and ring',
  'push-fit': 'push-fit',
  threaded: 'threaded',
  crimp: 'copper crimp ring',
  cinch: 'steel clamp',
  expansion: 'plastic collar on PEX',
  press: 'pressed',
  cement: 'cemented',
  flare: 'flare nut',
  slip: 'slip nut',
  'hub-lead': 'hub with lead',
  'hub-rubber': 'hub with rubber',
  hubless: 'banded coupling',
  'flexible-coupling': 'rubber sleeve',
  wiped: 'wiped bulb',
  flange: 'flange',
  none: 'bare end',
  'no-nut': 'no nut',
  'hex-nut': 'hex nut',
  'round-nut': 'large round nut',
  'no-band': 'none',
  'copper-ring': 'copper ring',
  'steel-clamp': 'steel clamp',
  'plastic-collar': 'plastic collar',
  'press-marks': 'press marks',
  'rubber-sleeve': 'rubber with bands',
  'no-seam': 'nothing',
  'solder-line': 'silver line',
  'cement-bead': 'bead of cement',
  'lead-ring': 'ring of lead',
  'rubber-lip': 'rubber lip',
  bulb: 'smooth bulb',
  'threads-show': 'threads',
  turns: 'turns',
  fixed: 'fixed',
  'none-seen': 'none to see',
  water: 'water seen',
  waste: 'waste seen',
  'gas-signs': 'yellow tag, regulator or drip leg',
  'refrigerant-signs': 'goes to an outdoor unit, insulated',
  'sprinkler-signs': 'goes to sprinkler heads',
  goes: 'goes over',
  stops: 'stops',
}

/** What is wrong with an end or a pipe, as it is tapped. */
export const FAULT_WORDS: Readonly<Record<string, string>> = {
  thinned: 'wall thinned',
  pitted: 'pitted',
  pinhole: 'one pinhole',
  pinholes: 'several pinholes',
  choked: 'bore choked',
  loose: 'loose in the wall',
  bent: 'not straight',
  'ring-mark': 'mark of an old ring',
  'tooth-marks': 'tooth marks',
  'solder-on': 'solder left on',
  'dirty-bore': 'bore dirty or waxed',
  'ring-broken': 'flange ring broken',
  'hub-split': 'hub split',
}

/** The same of drains, where they are called otherwise: iron rots along its bottom, lead comes off what it was wiped to. */
const DRAIN_FAULT_WORDS: Readonly<Record<string, string>> = {
  thinned: 'thin at the bottom',
  pinhole: 'one hole',
  pinholes: 'rotten through',
}

/**
 * What is wrong with an end, as it is called on such pipe.
 *
 * @param material of the pipe, where it is known
 */
export function wrongText(fault: string, drain = false, material?: string): string {
  const lead = fault === 'loose' && material?.startsWith('lead') ? 'pulled off its lead' : undefined
  return (drain ? (lead ?? DRAIN_FAULT_WORDS[fault]) : undefined) ?? FAULT_WORDS[fault] ?? fault
}

/** What each kind of joint asks of who wants it apart. */
export const UNDONE_WORDS: Readonly<Record<string, string>> = {
  'by-hand': 'comes apart by hand',
  'with-wrenches': 'comes apart with two wrenches',
  'with-release-tool': 'comes off with a release tool',
  'with-flame': 'comes off with a flame',
  cut: 'must be cut',
}
export const REUSE_WORDS: Readonly<Record<string, string>> = {
  'as-it-is': 'the fitting can stay',
  'new-seal': 'may be used again with a new seal',
  never: 'never used again',
}

/** What a line carries. */
export const MEDIUM_WORDS: Readonly<Record<string, string>> = {
  cold: 'cold water',
  hot: 'hot water',
  waste: 'waste',
  vent: 'air, a vent',
  gas: 'gas',
  refrigerant: 'refrigerant',
  sprinkler: 'a sprinkler line',
}

export const SURFACE_WORDS: Readonly<Record<string, string>> = {
  clean: 'clean',
  painted: 'painted',
  corroded: 'corroded',
  rusted: 'rusted',
  'out-of-round': 'out of round',
  wrapped: 'wrapped or insulated',
}

export interface HazardWords {
  readonly title: string
  readonly todo: string
  readonly decides: string
}

/** What each hazard means, what to do, and who must decide. */
export const HAZARDS: Readonly<Record<string, HazardWords>> = {
  gas: {
    title: 'May be gas',
    todo: 'Look for a yellow tag, a regulator, a drip leg, and where it goes. Open nothing until water has been seen to come from this line.',
    decides: 'A licensed gas fitter',
  },
  refrigerant: {
    title: 'May be a refrigerant line',
    todo: 'Follow it: an insulated line to an outdoor unit is under pressure. Do not cut it.',
    decides: 'A licensed refrigeration technician',
  },
  sprinkler: {
    title: 'May be a fire sprinkler',
    todo: 'Orange plastic and red-painted steel feed sprinkler heads. Do not shut, drain or cut it.',
    decides: 'The fire protection contractor',
  },
  lead: {
    title: 'Lead pipe',
    todo: 'No sanding, no torch, gloves, wash hands. Drinking water through lead: advise the owner in writing to replace it.',
    decides: 'The owner and the water authority',
  },
  'lead-solder': {
    title: 'Old solder may hold lead',
    todo: 'No dry sanding; wash hands; lead-free material on drinking water.',
    decides: 'You, by the local code',
  },
  bonding: {
    title: 'May carry the bonding',
    todo: 'Metal water pipe can be part of the building’s electrical bonding: bridge it before it is cut or plastic goes in.',
    decides: 'An electrician, where the code says so',
  },
  asbestos: {
    title: 'May hold asbestos',
    todo: 'Old lagging, mud on elbows and cement pipe may hold asbestos: do not cut, drill, sand or break it.',
    decides: 'A survey, before it is disturbed',
  },
  'old-coating': {
    title: 'Old paint',
    todo: 'Paint of that time may hold lead: no dry sanding, no heat on it; wet scrape and wipe.',
    decides: 'You, by the local code',
  },
  polybutylene: {
    title: 'Polybutylene',
    todo: 'Its fittings fail with age. Touch as little as possible and advise the owner in writing.',
    decides: 'The owner',
  },
  sewage: {
    title: 'Waste line',
    todo: 'Foul water and sewer gas: gloves, disinfect, plug the open pipe and take the plug out again. Ask whether chemical cleaner is in it.',
    decides: 'You',
  },
}

/** Probability in the words of a bet. */
export function odds(probability: number): string {
  if (probability >= 0.995) return 'certain'
  if (probability >= 0.9) return `${Math.round(probability * 100)} in 100`
  // what would be 10 in 100 is 1 in 10
  if (probability >= 0.095) return `${Math.round(probability * 10)} in 10`
  if (probability >= 0.01) return `${Math.round(probability * 100)} in 100`
  if (probability >= 0.001) return `${Math.max(1, Math.round(probability * 1000))} in 1000`
  return 'hardly'
}
