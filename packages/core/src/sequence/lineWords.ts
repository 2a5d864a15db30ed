import { methodById } from '../assembly/methods/table'
import { KEEP_STOP, opensRun } from '../assembly/oldJoints/removals'
import type { MateOption } from '../mate/types'
import { SHUTS } from '../record'
import type { Medium } from '../reference/materials'
import type { PlanLine } from './types'

export { SHUTS }

export const BIB = /bib$/

/** What a line carries: a way is of one medium from end to end. */
export const lineMedium = ({ conditions }: Pick<PlanLine, 'conditions'>): Medium =>
  conditions.service === 'waste' ? 'drain' : 'supply'

/** Whether the line's own stop, new or kept, keeps the water from what is behind it. */
export function hasStop({ parts, removalId }: Pick<MateOption, 'parts' | 'removalId'>): boolean {
  return removalId === KEEP_STOP.id || parts.some(({ family }) => SHUTS.test(family))
}

/**
 * What closes it to a body that is held stands before its valve, or is soldered: all behind that is made before, and
 * under pressure with it.
 */
export function closesEarly({ closes, joints }: Pick<MateOption, 'closes' | 'joints'>): boolean {
  const joint = closes && joints[closes.seam]
  if (!joint) return false
  if (closes.by === 'joint') return joint.beforeStop || methodById(joint.method).needsFlame
  return closes.by === 'union' && joint.beforeStop
}

/** Joints by which a bowl is set down on its flange, or pushed back onto its connector. */
const SEALS: ReadonlySet<string> = new Set(['wax-seal', 'rubber-seal', 'pan-fins'])

/** Whether a line comes to a waste that brings its own trap, as under a tray. */
export function bringsTrap({ joints, parts }: Pick<MateOption, 'joints' | 'parts'>): boolean {
  const last = joints.at(-1)
  return last !== undefined && last.to >= parts.length && last.method === 'trap-outlet'
}

/** Whether a line comes to a drain in the floor by cement or its gasket: over a trap that stays too there is no nut to look at. */
function endsAtFloor({ joints, parts }: Pick<MateOption, 'joints' | 'parts'>): boolean {
  const last = joints.at(-1)
  return last !== undefined && last.to >= parts.length && /^(drain-gasket|cement-)/.test(last.method)
}

/** Whether a line comes up to a bowl. */
export function isCloset({ joints, parts }: Pick<MateOption, 'joints' | 'parts'>): boolean {
  const last = joints.at(-1)
  return last !== undefined && last.to >= parts.length && SEALS.has(last.method)
}

/** A line that ends at a cap or a plug: nothing runs from it. */
export function isCapped(parts: MateOption['parts']): boolean {
  const last = parts.at(-1)?.family
  return last === 'cap' || last === 'plug'
}

/**
 * A line's own steps speak of its stop and its connector only where it has them.
 *
 * @param held it has stood full of water before this, since it will be covered
 * @param boxed it comes to a washing machine's box in the wall
 * @param heater it comes to a heater: what shuts it is a valve in its pipe, and nothing runs out at its end
 */
export function lineWords(
  words: string,
  option: MateOption,
  feeds: boolean,
  {
    held = false,
    boxed = false,
    heater = false,
  }: { readonly held?: boolean; readonly boxed?: boolean; readonly heater?: boolean } = {},
): string {
  const { parts, removalId } = option
  if (opensRun(removalId) && /^drain\.(un)?plug$/.test(words)) return `${words}-both`
  if (words === 'prove.fill') {
    if (isCloset(option)) return 'prove.flush'
    if (opensRun(removalId)) return 'prove.run'
    if (boxed || parts.some(({ family }) => family === 'standpipe')) return 'prove.standpipe'
    if (parts.some(({ family }) => /^(centre|end|disposer)-waste$/.test(family))) return 'prove.fill-both'
    if (bringsTrap(option)) return 'prove.fill-tray'
    if (isCapped(parts)) return 'prove.fill-past'
    if (parts.every(({ family }) => family !== 'p-trap') && !endsAtFloor(option)) return words
    return held ? 'prove.let-go' : 'prove.fill-floor'
  }
  const kept = removalId === KEEP_STOP.id
  const shuts = hasStop({ parts, removalId })
  const hose = parts.some(({ family }) => family === 'supply-connector')
  if (isCapped(parts))
    return (
      { 'prove.tissue-inlet': 'prove.tissue-joints', 'prove.tissue-outlet': 'prove.tissue-cap' }[words] ??
      words
    )
  if (heater && shuts)
    return (
      {
        'prove.tissue-inlet': 'prove.tissue-to-valve',
        'open.flush': closesEarly(option) ? 'open.flush-through' : 'open.flush-in-line',
        'prove.tissue-outlet': 'prove.tissue-past-valve',
      }[words] ?? words
    )
  // a heater, or a connector, without a valve before it: nothing is left open that it could be run from
  if (heater || (hose && !shuts))
    return (
      {
        'prove.tissue-inlet': 'prove.tissue-joints',
        'open.flush': 'open.flush-run',
        'prove.tissue-outlet': 'prove.tissue-end',
      }[words] ?? words
    )
  // in a run nothing is left open either, whatever shuts it
  if (opensRun(removalId))
    return (
      {
        'prove.tissue-inlet': 'prove.tissue-joints',
        'open.flush': 'open.flush-run',
        'prove.tissue-outlet': 'prove.tissue-end',
      }[words] ?? words
    )
  if (parts.some(({ family }) => BIB.test(family)))
    return { 'open.flush': 'open.flush-bib', 'prove.tissue-outlet': 'prove.tissue-bib' }[words] ?? words
  if (shuts && closesEarly(option) && words === 'open.flush') return 'open.flush-through'
  if (words === 'prove.tissue-outlet' && !hose) return shuts ? 'prove.tissue-behind' : 'prove.tissue-end'
  if (kept) return { 'prove.tissue-inlet': 'prove.old-stop', 'open.flush': 'open.flush-kept' }[words] ?? words
  if (shuts) return words
  if (words === 'open.flush' && feeds) return 'open.flush-valve'
  if (words === 'open.flush' && boxed) return 'open.flush-box'
  return { 'prove.tissue-inlet': 'prove.tissue-joints', 'open.flush': 'open.flush-end' }[words] ?? words
}
