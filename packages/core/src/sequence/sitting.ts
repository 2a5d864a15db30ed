/** What hurts somebody where it is forgotten: each is acknowledged by itself. */
export const ACKNOWLEDGED: ReadonlySet<string> = new Set([
  'safe.heater-off',
  'safe.bond',
  'safe.lead-solder',
  'safe.water-seen',
  'sweat.shield',
  'cover.inspected',
  'slab.scan',
])

/** Acts of the whole house that are one thing to whoever does them. */
const TOGETHER: Readonly<Record<string, string>> = {
  'safe.parts': 'layout',
  'safe.set-up': 'layout',
  'safe.protect': 'layout',
  'drain.no-use': 'layout',
  'swivel.look': 'layout',
  'safe.shut': 'shut',
  'safe.shut-kept': 'shut',
  'safe.stop-shut': 'shut',
  'safe.drain': 'shut',
  'safe.drain-kept': 'shut',
  'safe.proved': 'shut',
  'open.valves': 'open',
  'open.valves-kept': 'open',
  'open.valves-body': 'open',
  'open.valves-run': 'open',
  'open.valves-in-line': 'open',
  'open.restore': 'open',
  'open.restore-kept': 'open',
  'open.stop-open': 'open',
  'prove.tissue-inlet': 'open',
  'prove.tissue-joints': 'open',
  'prove.tissue-to-valve': 'open',
  'prove.old-stop': 'open',
  'fixture.run': 'run',
  'fixture.fill': 'run',
  'open.heater-on': 'run',
  'safe.unbond': 'run',
  'safe.bond-stays': 'run',
}

/** Whether an act is done anywhere in the house, with others of its kind, whatever line it is for. */
export const isOfHouse = (words: string): boolean => words in TOGETHER

/** Acts at one fixture that go together whatever joint they belong to. */
const AT_PLACE: readonly (readonly [RegExp, string])[] = [
  [/^remove\./, 'off'],
  [/^fixture\.(out|set)$/, 'set'],
  [/^(open\.flush|swivel\.)/, 'hang'],
  [/^prove\.(tissue|breaker)/, 'dry'],
]

/**
 * What an act is done along with, without getting up: acts of one sitting at one place follow each other and are one
 * card. What has to be acknowledged sits by itself.
 *
 * @param place where it is done; null anywhere in the house
 */
export function sittingOf(
  { words, seam, id }: { readonly words: string; readonly seam: number | null; readonly id: string },
  place: string | null,
): string {
  if (ACKNOWLEDGED.has(words)) return `${words} ${place}`
  const house = TOGETHER[words]
  if (house) return house
  const at = AT_PLACE.find(([pattern]) => pattern.test(words))
  if (at) return `${at[1]} ${place}`
  // it is done with the joint before it
  if (words === 'sweat.heat-same' && seam !== null) return `joint ${place} ${seam - 1}`
  if (words === 'captive.plate') return `joint ${place} 0`
  return seam === null ? id : `joint ${place} ${seam}`
}
