import { GENERAL_STEPS, LINE_STEPS } from '../assembly/acts/general'
import { UNION_STEP } from '../assembly/acts/union'
import { METHODS } from '../assembly/methods/table'

/** Acts that the rooms of the plan add to those of the tables, by their keys. */
const OWN_KEYS = [
  // a stop of its own, where the house is shut for other lines
  'stop-shut',
  'stop-open',
  // what hangs on an old stop
  'undo-old',
  // what slides
  'slide-on',
  'slide-back',
  // what stands
  'lift',
  'mark-in-place',
  // what holds it, and what is seen to at the end
  'ears',
  'fix-bib',
  'strap-stub',
  'strap',
  'hangers',
  'unbond',
  'breaker',
  // what is left long
  'cap-long',
  'dry-cap',
  'cut-long',
  // what is covered
  'hold-set',
  'hold-wait',
  'hold',
  'inspected',
  'cover',
  'drain-full',
  'drain-stand',
  'drain-level',
  // what a kitchen sink has besides
  'sink-off',
  'sink-elbow',
  'sink-second',
  'sink-knock',
  'sink-hose',
  'sink-run',
  'sink-pump',
  // a valve that admits air
  'vent-riser',
  'vent-valve',
  'vent-air',
  // what a tee or a wye leaves open
  'branch-way',
  'branch-plug',
  'branch-unplug',
  'second-plug',
  'second-unplug',
  'branch-cap',
  // where a trap of the whole house was
  'fresh-air',
  'traps-full',
  // whether a drain that is closed was a vent
  'listen',
  // concrete over it, and the riser through that
  'slab-scan',
  'slab-cut',
  'slab-dig',
  'slab-fill',
  'slab-set',
  'riser-plug',
  'riser-cut',
  // a waste that is set with its pipe
  'waste-out',
  'waste-set',
  'waste-rod',
  'waste-holds',
  'pan-liner',
  'pan-full',
  'pan-stand',
  'pan-level',
  'pan-weep',
  // which way a bend or a trap points
  'aim',
] as const

/** Acts at a body, whose name follows the key. */
const AT_BODY =
  /^general\/(out|set|hang|hoses-off|run|fill|empty|empties|scald|relief|strip|cool|refit|set-up)-./

const KEYS: ReadonlySet<string> = new Set([
  ...OWN_KEYS,
  UNION_STEP.key,
  ...[...GENERAL_STEPS, ...LINE_STEPS].map(({ key }) => key),
  ...METHODS.flatMap(({ steps, pairings }) => [
    ...steps.map(({ key }) => key),
    ...pairings.flatMap(({ made }) => (made ? [made.key] : [])),
  ]),
])

/** Whether some work has a step of that name: of a removal any, since what was chosen long ago brings its own. */
export function isKnownStep(id: string): boolean {
  const parts = id.split('/')
  const key = parts.at(-1) ?? ''
  return KEYS.has(key) || AT_BODY.test(id) || (parts.at(-2) === 'remove' && key !== 'undefined')
}
