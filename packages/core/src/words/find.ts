/** Questions as they are asked, and answers as they are tapped. */
export const QUESTIONS: Readonly<Record<string, string>> = {
  'sign:magnet': 'Does a magnet hold?',
  'sign:scratch': 'Scratch it: what shows?',
  'sign:colour': 'What colour is it?',
  'sign:flex': 'Does it flex?',
  'sign:joint': 'How is it joined?',
  'sign:print-colour': 'What colour is the print?',
  'sign:carries': 'What does the line carry?',
  'outside:caliper': 'Across, with a caliper',
  'outside:tape': 'Across, with a tape',
  'outside:screen-gauge': 'Across, on the screen gauge',
  'outside:string': 'Round it, with a string',
  'outside:paper-strip': 'Round it, with a paper strip',
  'wall:caliper': 'Wall at a cut end, with a caliper',
  print: 'Read the print',
}

export const ANSWERS: Readonly<Record<string, string>> = {
  holds: 'holds',
  falls: 'falls off',
  copper: 'copper',
  silver: 'silver',
  yellow: 'yellow',
  shaving: 'plastic curl',
  'copper-brown': 'copper, brown',
  green: 'green',
  'grey-metal': 'grey metal',
  black: 'black',
  'yellow-metal': 'yellow metal',
  chrome: 'chrome',
  cream: 'cream, tan',
  white: 'white',
  red: 'red',
  blue: 'blue',
  clear: 'clear',
  'grey-plastic': 'grey plastic',
  painted: 'painted over',
  rigid: 'rigid',
  flexible: 'flexes',
  sweat: 'sweated',
  compression: 'nut and ring',
  'push-fit': 'push-fit',
  threaded: 'threaded',
  crimp: 'copper crimp ring',
  cinch: 'steel clamp',
  expansion: 'plastic collar',
  cement: 'cemented',
  none: 'bare end',
  'none-seen': 'none to see',
  water: 'water seen',
  'gas-signs': 'yellow tag, regulator or drip leg',
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
    todo: 'Look for a yellow tag, a regulator, a drip leg. Open nothing until water has been seen to come from this line.',
    decides: 'A licensed gas fitter',
  },
  bonding: {
    title: 'May carry the bonding',
    todo: 'Metal water pipe can be part of the building’s electrical bonding: bridge it before it is cut or plastic goes in.',
    decides: 'An electrician, where the code says so',
  },
  'lead-solder': {
    title: 'Old solder may hold lead',
    todo: 'No dry sanding; wash hands; lead-free material on drinking water.',
    decides: 'You, by the local code',
  },
  polybutylene: {
    title: 'Polybutylene',
    todo: 'Its fittings fail with age. Touch as little as possible and advise the owner in writing.',
    decides: 'The owner',
  },
  'old-coating': {
    title: 'Old paint or wrapping',
    todo: 'Paint and lagging of that time may hold lead or asbestos: no dry sanding, no sawing; stop if it crumbles.',
    decides: 'A survey, before it is disturbed',
  },
}

/** Probability in the words of a bet. */
export function odds(probability: number): string {
  if (probability >= 0.995) return 'certain'
  if (probability >= 0.9) return `${Math.round(probability * 100)} in 100`
  if (probability >= 0.1) return `${Math.round(probability * 10)} in 10`
  if (probability >= 0.01) return `${Math.round(probability * 100)} in 100`
  if (probability >= 0.001) return `${Math.max(1, Math.round(probability * 1000))} in 1000`
  return 'hardly'
}
