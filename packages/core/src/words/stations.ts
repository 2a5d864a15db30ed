import type { Family } from '../catalog/types'

/** What a part is called when a tape is held to it. */
const PART_WORDS: Readonly<Record<Family, string>> = {
  'angle-stop': 'stop',
  'straight-stop': 'stop',
  'dual-stop': 'stop',
  'washing-valve': 'valve',
  'hose-bib': 'bib',
  'frost-free-bib': 'bib',
  'vacuum-breaker': 'breaker',
  'isolating-valve': 'valve',
  coupling: 'coupling',
  'slip-coupling': 'slip coupling',
  'repair-coupling': 'repair coupling',
  'reducing-coupling': 'reducer',
  'fitting-reducer': 'reducer',
  'male-adapter': 'adapter',
  'female-adapter': 'adapter',
  'threaded-coupling': 'coupling',
  bushing: 'bushing',
  nipple: 'nipple',
  union: 'union',
  'dielectric-union': 'union',
  'transition-coupling': 'transition',
  'thread-converter': 'converter',
  'tap-connector': 'tap connector',
  'hose-adapter': 'hose adapter',
  'elbow-90': 'elbow',
  'elbow-45': 'elbow',
  'street-elbow-90': 'elbow',
  'street-elbow-45': 'elbow',
  'drop-ear-elbow': 'drop-ear elbow',
  tee: 'tee',
  'slip-tee': 'tee',
  cap: 'cap',
  plug: 'plug',
  'supply-connector': 'connector',
  'tube-piece': 'pipe',
  'trap-adapter': 'trap adapter',
  'tubular-trap': 'trap',
  'tail-extension': 'extension',
  'shielded-coupling': 'coupling',
  'flexible-coupling': 'coupling',
  'p-trap': 'trap',
  standpipe: 'standpipe',
  'closet-flange': 'flange',
  'flange-riser': 'riser ring',
  'flange-repair-ring': 'repair ring',
  'cleanout-tee': 'cleanout tee',
  'centre-waste': 'continuous waste',
  'end-waste': 'continuous waste',
  'disposer-waste': 'continuous waste',
  'branch-tail': 'branch tailpiece',
  'vent-tee': 'vent tee',
  'vent-riser': 'vent tee',
  'sanitary-tee': 'sanitary tee',
  wye: 'wye',
  'wye-eighth': 'wye',
  'compression-trap': 'trap',
  'drain-bend': 'bend',
  'pan-connector': 'connector',
  'pan-bend': 'bend',
}

/** What the two sides of a run are called, the one that is measured first: a branch stands one way round alone. */
export function sideTexts(families: readonly string[]): readonly [string, string] {
  if (families.includes('sanitary-tee')) return ['above', 'below']
  return families.some((family) => family.startsWith('wye'))
    ? ['upstream', 'downstream']
    : ['this side', 'other side']
}

/** Families that stand in drains alone: one of them is in every drain that turns or begins at a branch. */
const OF_DRAINS = /trap|standpipe|closet|shielded|flexible|^pan-/
const NTH = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'] as const

/**
 * What a place along a line is called.
 *
 * @param families of the parts of the line, in order
 * @param begins what the line begins and ends at: an old pipe, the mouth of something new, a run that is cut open, or
 * pipe that stands up to a floor, a hub that stays
 */
export function stationText(
  id: string,
  families: readonly Family[],
  begins: 'pipe' | 'fresh' | 'run' | 'floor' | 'hub' = 'pipe',
): string {
  if (begins === 'run') {
    if (id === 'stub') return 'the cut on this side'
    if (id === 'tail') return 'the cut on the other side'
  }

  if (begins === 'floor') {
    if (id === 'wall') return 'the rim of the fitting below'
    if (id === 'tail') return 'the finished floor'
  }
  if (id === 'wall') return 'the wall'
  if (id === 'stub' && begins === 'hub') return 'the mouth of the old fitting'
  if (id === 'stub' && begins === 'fresh')
    return families.some((family) => OF_DRAINS.test(family))
      ? 'the mouth that it drains into'
      : 'the mouth it begins at'
  if (id === 'stub') return 'the end of the old pipe'
  if (id === 'beside') return 'the middle of the line beside it'
  if (id === 'tail' && families.at(-1) === 'closet-flange') return 'the finished floor'
  if (id === 'tail' && families.at(-1)?.startsWith('pan-')) return 'the tip of the bowl’s spigot'
  if (id === 'tail' && families.at(-1) === 'standpipe') return 'the top of the standpipe'
  // pipe goes into what it ends at
  if (id === 'tail')
    return families.at(-1) === 'tube-piece' ? 'the mouth of the fixture' : 'the tip of the fixture’s end'
  const [, index, place] = id.split(':')
  const family = families[Number(index)]
  if (!family) return 'a part that is no longer there'
  const drain = families.some((other) => OF_DRAINS.test(other))
  // what turns pipe of a drain is a bend
  const wordOf = (other: Family) => (drain && /elbow/.test(other) ? 'bend' : PART_WORDS[other])
  const word = wordOf(family)
  const alike = families.flatMap((other, at) => (wordOf(other) === word ? [at] : []))
  const name = alike.length > 1 ? `${NTH[alike.indexOf(Number(index))] ?? 'last'} ${word}` : word
  if (place === 'centre') return `the middle of the ${name}`
  if (family === 'tube-piece')
    return place === 'in' ? `the near end of the ${name}` : `the far end of the ${name}`
  return place === 'in' ? `the near mouth of the ${name}` : `the far mouth of the ${name}`
}
