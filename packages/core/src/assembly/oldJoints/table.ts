/** How an old connection was made: what it looks like from the pipe's side, and how it comes off. */
interface OldJointRow {
  readonly id: string
  /** Form of the body that the pipe stands in; null where that wins or loses no length. */
  readonly body:
    | 'solder-cup'
    | 'compression'
    | 'push-fit'
    | 'cement-socket'
    | 'press-cup'
    | 'flare-male'
    | null
  /** Ways to get it off, of `removals`; none where the product knows none yet. */
  readonly removals: readonly string[]
}

/** Every connection that is told apart by looking, in the order in which it is asked for. A new one is a new row. */
export const OLD_JOINTS = [
  { id: 'sweat', body: 'solder-cup', removals: ['cut-behind', 'sweat-off'] },
  {
    id: 'compression',
    body: 'compression',
    removals: ['cut-behind', 'unscrew-pull-ring', 'unscrew-cut-behind-ring'],
  },
  { id: 'push-fit', body: 'push-fit', removals: ['cut-behind', 'release'] },
  { id: 'threaded', body: null, removals: ['cut-behind', 'unscrew'] },
  { id: 'crimp', body: null, removals: ['cut-behind'] },
  { id: 'cinch', body: null, removals: ['cut-behind'] },
  { id: 'expansion', body: null, removals: ['cut-behind'] },
  { id: 'press', body: 'press-cup', removals: ['cut-behind'] },
  { id: 'cement', body: 'cement-socket', removals: ['cut-behind', 'saw-behind'] },
  { id: 'flare', body: 'flare-male', removals: ['cut-behind'] },
  { id: 'slip', body: null, removals: ['undo-nut', 'undo-nut-reduced'] },
  { id: 'hub-lead', body: null, removals: [] },
  { id: 'hub-rubber', body: null, removals: [] },
  { id: 'hubless', body: null, removals: [] },
  { id: 'flexible-coupling', body: null, removals: [] },
  { id: 'wiped', body: null, removals: [] },
  { id: 'flange', body: null, removals: [] },
] as const satisfies readonly OldJointRow[]

type Row = (typeof OLD_JOINTS)[number]
export type JointKind = Row['id']
/** A connection that the product knows how to get off, or none: an end that is bare already. */
export type OldJoint = 'none' | Exclude<Row, { readonly removals: readonly [] }>['id']

/** How a connection was made, as far as one can tell by looking. */
export const JOINT_KINDS = OLD_JOINTS.map(({ id }) => id) as [JointKind, ...JointKind[]]

/** Nothing at all, then the connections that can be got off. */
export const OLD_JOINT_IDS: readonly [OldJoint, ...OldJoint[]] = [
  'none',
  ...OLD_JOINTS.flatMap(({ id, removals }) => (removals.length > 0 ? [id as OldJoint] : [])),
]

/** What is done to an end that is bare already: looked at, or unscrewed where it is a threaded pipe. */
const BARE = { body: null, removals: ['bare', 'unscrew'] } as const

/** The row of an old joint. */
export function oldJointRow(id: OldJoint): Pick<OldJointRow, 'body' | 'removals'> {
  return OLD_JOINTS.find((row) => row.id === id) ?? BARE
}
