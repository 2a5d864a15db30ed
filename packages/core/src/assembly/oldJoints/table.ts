import { type DimensionalSystem, namedInches, type Pipe, type PipeMaterial } from '../../reference/types'

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
    | 'hub'
    | 'shielded'
    | 'flexible'
    | null
  /** Ways to get it off, of `removals`. */
  readonly removals: readonly string[]
  /** Pipe that it is met on, a thread also on an adapter; where it is not said, any. Common practice. */
  readonly on?: readonly PipeMaterial[]
  /** Met on wastes alone, or on water alone. */
  readonly waste?: true
  readonly water?: true
  /** Systems of pipe that it is met on, where not on all. */
  readonly systems?: readonly DimensionalSystem[]
  /** The least and the largest size that it is met on, inches. */
  readonly fromIn?: number
  readonly toIn?: number
}

/** Every connection that is told apart by looking, in the order in which it is asked for. A new one is a new row. */
export const OLD_JOINTS = [
  {
    id: 'sweat',
    body: 'solder-cup',
    removals: ['cut-behind', 'sweat-off', 'saw-behind'],
    on: ['copper', 'copper-drain'],
  },
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
    on: ['copper', 'stainless', 'cpvc', ...PEX, 'pex-aluminium', 'polybutylene'],
  },
  {
    id: 'threaded',
    body: null,
    removals: ['cut-behind', 'unscrew', 'saw-thread', 'draw-from-fitting'],
    on: [...STEEL, ...COPPER, ...PLASTIC],
  },
  { id: 'crimp', body: null, removals: ['cut-behind'], on: [...PEX, 'polybutylene'] },
  { id: 'cinch', body: null, removals: ['cut-behind'], on: PEX },
  { id: 'expansion', body: null, removals: ['cut-behind'], on: PEX },
  {
    id: 'press',
    body: 'press-cup',
    removals: ['cut-behind'],
    water: true,
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
    removals: [
      'undo-nut',
      'undo-nut-reduced',
      'nut-and-ring-off',
      'saw-behind',
      'unscrew',
      'draw-from-fitting',
    ],
    waste: true,
    toIn: 2,
    on: [
      'tubular-brass',
      'tubular-plastic',
      ...DRAIN_PLASTIC,
      'waste-push-fit',
      'copper-drain',
      'galvanised-steel',
      'black-steel',
      'brass',
    ],
  },
  {
    id: 'hub-lead',
    body: 'hub',
    removals: ['chain-cut', 'pick-hub'],
    waste: true,
    on: ['cast-iron'],
    systems: ['service', 'heavy'],
  },
  {
    id: 'hub-rubber',
    body: 'hub',
    removals: ['chain-cut', 'draw-from-hub', 'draw-from-ring', 'saw-behind-ring'],
    waste: true,
    on: ['cast-iron', 'waste-push-fit'],
    systems: ['service', 'heavy', 'metric', 'metric-waste'],
  },
  {
    id: 'hubless',
    body: 'shielded',
    removals: ['bands-off', 'chain-cut'],
    waste: true,
    on: ['cast-iron', ...DRAIN_PLASTIC, 'copper-drain', 'galvanised-steel'],
  },
  {
    id: 'flexible-coupling',
    body: 'flexible',
    removals: ['bands-off'],
    waste: true,
    on: ['cast-iron', ...DRAIN_PLASTIC, 'copper-drain', 'galvanised-steel', 'lead-waste', 'clay'],
  },
  { id: 'wiped', body: null, removals: ['saw-lead'], waste: true, on: ['lead-waste'] },
  {
    id: 'flange',
    body: null,
    removals: [
      'keep-flange',
      'keep-broken-flange',
      'flange-off',
      'flange-cut-inside',
      'flange-off-iron',
      'bore-hub',
      'flange-cut-iron',
      'flange-off-copper',
    ],
    waste: true,
    on: [...DRAIN_PLASTIC, 'cast-iron', 'copper-drain', 'lead-waste'],
    fromIn: 3,
  },
] as const satisfies readonly OldJointRow[]

type Row = (typeof OLD_JOINTS)[number]
export type JointKind = Row['id']
/** A connection that has to come off, or none: an end that is bare already. */
export type OldJoint = 'none' | JointKind

/** How a connection was made, as far as one can tell by looking. */
export const JOINT_KINDS = OLD_JOINTS.map(({ id }) => id) as [JointKind, ...JointKind[]]

/** Nothing at all, then the connections. */
export const OLD_JOINT_IDS: readonly [OldJoint, ...OldJoint[]] = ['none', ...JOINT_KINDS]

/** What is done to an end that is bare already: looked at, or unscrewed where it is a threaded pipe. */
const BARE = { body: null, removals: ['bare', 'unscrew', 'saw-thread', 'draw-from-fitting'] } as const

/** The row of an old joint. */
export function oldJointRow(id: OldJoint): Pick<OldJointRow, 'body' | 'removals'> {
  return OLD_JOINTS.find((row) => row.id === id) ?? BARE
}

const between = (size: number, from: number, to: number) => size >= from && size <= to

/**
 * What may stand on an old end of a pipe and can be got off, a bare end last: it is the rare one.
 *
 * @param material undefined where the pipe is not known: then all
 * @param waste whether it carries waste; undefined where that is not said: then both
 * @param sized the pipe's system and size, where they are known
 */
export function oldJointsOn(
  material: PipeMaterial | undefined,
  waste?: boolean,
  sized?: Pick<Pipe, 'system' | 'nominal'>,
): readonly OldJoint[] {
  const rows: readonly OldJointRow[] = OLD_JOINTS
  const met = rows.filter(
    ({ on, waste: ofWaste, water, systems, fromIn = 0, toIn = Number.POSITIVE_INFINITY }) =>
      (!material || !on || on.includes(material)) &&
      !(ofWaste && waste === false) &&
      !(water && waste === true) &&
      (!sized || !systems || systems.includes(sized.system)) &&
      (!sized || !ofWaste || between(namedInches(sized), fromIn, toIn)),
  )
  return [...met.map(({ id }) => id as OldJoint), 'none']
}
