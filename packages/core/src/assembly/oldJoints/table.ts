import type { PipeMaterial } from '../../reference/types'

const COPPER = ['copper', 'copper-refrigeration', 'chromed-supply'] as const
const PEX = ['pex-a', 'pex-b', 'pex-c'] as const
const PLASTIC = ['cpvc', 'pvc', ...PEX, 'pex-aluminium', 'polybutylene', 'polyethylene'] as const
const STEEL = ['galvanised-steel', 'black-steel', 'sprinkler-steel', 'brass', 'stainless'] as const
const DRAIN_PLASTIC = ['pvc-drain', 'abs-drain', 'waste-solvent'] as const

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
  /** Pipe that it is met on, a thread also on an adapter; where it is not said, any. Common practice. */
  readonly on?: readonly PipeMaterial[]
  /** Met on wastes alone. */
  readonly waste?: true
}

/** Every connection that is told apart by looking, in the order in which it is asked for. A new one is a new row. */
export const OLD_JOINTS = [
  { id: 'sweat', body: 'solder-cup', removals: ['cut-behind', 'sweat-off'], on: ['copper'] },
  {
    id: 'compression',
    body: 'compression',
    removals: ['cut-behind', 'unscrew-pull-ring', 'unscrew-cut-behind-ring'],
    on: [...COPPER, 'stainless', 'cpvc', ...PEX, 'pex-aluminium', 'polybutylene', 'polyethylene'],
  },
  {
    id: 'push-fit',
    body: 'push-fit',
    removals: ['cut-behind', 'release', 'open-body'],
    on: ['copper', 'stainless', 'cpvc', ...PEX, 'pex-aluminium', 'polybutylene', 'waste-push-fit'],
  },
  { id: 'threaded', body: null, removals: ['cut-behind', 'unscrew'], on: [...STEEL, ...COPPER, ...PLASTIC] },
  { id: 'crimp', body: null, removals: ['cut-behind'], on: [...PEX, 'polybutylene'] },
  { id: 'cinch', body: null, removals: ['cut-behind'], on: PEX },
  { id: 'expansion', body: null, removals: ['cut-behind'], on: PEX },
  {
    id: 'press',
    body: 'press-cup',
    removals: ['cut-behind'],
    on: ['copper', 'stainless', 'galvanised-steel', 'black-steel', 'pex-aluminium', ...PEX],
  },
  {
    id: 'cement',
    body: 'cement-socket',
    removals: ['cut-behind', 'saw-behind'],
    on: ['cpvc', 'pvc', ...DRAIN_PLASTIC],
  },
  { id: 'flare', body: 'flare-male', removals: ['cut-behind'], on: COPPER },
  {
    id: 'slip',
    body: null,
    removals: ['undo-nut', 'undo-nut-reduced'],
    waste: true,
    on: [
      'tubular-brass',
      'tubular-plastic',
      ...DRAIN_PLASTIC,
      'copper-drain',
      'galvanised-steel',
      'black-steel',
      'brass',
    ],
  },
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

/**
 * What may stand on an old end of a pipe and can be got off, a bare end last: it is the rare one.
 *
 * @param material undefined where the pipe is not known: then all
 * @param waste whether it carries waste; undefined where that is not said: then both
 */
export function oldJointsOn(material: PipeMaterial | undefined, waste?: boolean): readonly OldJoint[] {
  const rows: readonly OldJointRow[] = OLD_JOINTS
  const met = rows.filter(
    ({ removals, on, waste: ofWaste }) =>
      removals.length > 0 && (!material || !on || on.includes(material)) && !(ofWaste && waste === false),
  )
  return [...met.map(({ id }) => id as OldJoint), 'none']
}
