import { MM_PER_INCH } from '../units/parseLength'

/** Questions about a thread or a connection face, and answers as they are tapped. */
export const THREAD_QUESTIONS: Readonly<Record<string, string>> = {
  'thread-sign:gender': 'Outside or inside thread?',
  'thread-sign:place': 'Where is it?',
  'thread-sign:seat': 'What does it seal on?',
  'thread-count': 'Count the threads',
  'thread-leaf': 'Lay a gauge leaf in',
  'thread-across:caliper': 'Across the crests, with a caliper',
  'thread-across:tape': 'Across the crests, with a tape',
  'thread-taper': 'Two diameters: does it taper?',
}

export const THREAD_ANSWER_WORDS: Readonly<Record<string, string>> = {
  male: 'outside',
  female: 'inside, a nut',
  none: 'on its own threads',
  'flat-washer': 'flat washer',
  cone: 'cone or ring',
  'o-ring': 'rubber ring',
  'pipe-end': 'pipe or fitting',
  'faucet-tail': 'under a faucet',
  hose: 'hose or its valve',
  'tube-nut': 'nut on small tube',
  'drain-nut': 'drain under a basin',
  'faucet-tip': 'tip of a spout',
  'shower-arm': 'shower arm',
  'tub-spout': 'tub spout',
  union: 'union, meter',
  'toilet-valve': 'toilet fill valve',
  'stop-outlet': 'outlet of a stop',
  'tub-drain': 'drain of a tub',
  'not-said': 'somewhere else',
  fits: 'fits',
  rocks: 'rocks',
}

/** What goes onto each family of threads, and what seals it: one sentence each. Common practice. */
export const THREAD_FAMILY: Readonly<Record<string, string>> = {
  NPT: 'Taper: seals on its threads with tape or paste. Only NPT goes on; 55 degree pipe thread starts and then leaks.',
  NPSM: 'Straight: the washer seals, no tape. A taper nipple does not belong in it.',
  'BSP taper': 'Taper, 55 degrees: seals on its threads. Never with NPT, though 1/2 and 3/4 count the same.',
  'BSP parallel': 'Straight, 55 degrees: a washer, ring or cone seals, no tape on its own.',
  'garden hose': 'Straight and coarse: the washer seals. It is no pipe thread, though 3/4 comes near.',
  compression: 'The ring on the tube seals: no tape. Nut and body of one make belong together.',
  'metric compression':
    'The ring on the tube seals: no tape. Nuts of different makes may not fit each other.',
  flare: 'Cone on cone seals: no tape. Its nut looks like a compression nut and does not fit one.',
  'slip joint': 'Coarse and straight: the washer seals, turned by hand and a little more.',
  'fill valve': 'The washer or cone in the nut seals: by hand only on plastic.',
  aerator: 'Fine and straight: the washer seals, by hand.',
  'metric hose': 'The rubber ring seals: by hand, it turns in easily.',
  'tub waste':
    'Straight: putty or washer seals under its flange. Fine and coarse of one size start in each other and bind: the strainer is bought by count and size, or with its bushing.',
}

/** What a place says by itself, where a thread is not the whole story. Common practice. */
export const PLACE_HINTS: Readonly<Record<string, string>> = {
  'tub-spout':
    'A set screw underneath means that the spout slips onto bare 1/2 in copper: then there is no thread. Otherwise it screws on.',
  union:
    'A union’s nut is often the maker’s own: its halves belong together, and cone or flat face tells which seal goes between.',
}

interface Leaf {
  readonly pitchMm: number
  readonly form: number
}

/** Leaves of thread gauges: of threads an inch at either angle, and of pitches in mm. */
export const GAUGE_LEAVES: readonly Leaf[] = [
  ...[27, 24, 20, 18, 16, 14, 11.5].map((perInch) => ({ pitchMm: MM_PER_INCH / perInch, form: 60 })),
  ...[28, 19, 14, 11].map((perInch) => ({ pitchMm: MM_PER_INCH / perInch, form: 55 })),
  ...[1, 1.5].map((pitchMm) => ({ pitchMm, form: 60 })),
]

/** What is stamped on a leaf of a thread gauge: threads an inch and the angle, or the pitch in mm. */
export function leafWords({ pitchMm, form }: Leaf): string {
  const perInch = MM_PER_INCH / pitchMm
  const half = Math.round(perInch * 2) / 2
  return Math.abs(perInch - half) < 0.02 ? `${half} · ${form}°` : `${Number(pitchMm.toFixed(2))} mm`
}

/** A look at a thread by its name; a leaf with what is stamped on it. */
export function threadLookWords(question: string, leaf?: Leaf): string {
  const words = THREAD_QUESTIONS[question] ?? question
  return leaf ? `${words}: ${leafWords(leaf)}` : words
}
