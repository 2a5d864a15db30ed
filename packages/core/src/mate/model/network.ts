import { secondsOfPart } from '../../assembly/acts/union'
import { hotThrough } from '../../assembly/methods/heat'
import { joinable, type Pair, pairs, portClass } from '../../assembly/methods/pairs'
import { boreEighths } from '../../catalog/bores'
import { end, type PortEnd } from '../../catalog/ends'
import { catalogueOf } from '../../catalog/families'
import { type Fitting, type SecondSide, secondSide, turnOf } from '../../catalog/types'
import { PIPES } from '../../reference/pipes'
import { type Role, roleOf } from './routes'

/** Parts of one family that show the same ends the same way round: they differ in price, stock and length only. */
export interface Group {
  readonly id: number
  readonly role: Role
  readonly family: Fitting['family']
  readonly turn: 0 | 45 | 90
  readonly inPort: number
  /** -1 for caps and plugs, which have no way out. */
  readonly outPort: number
  readonly inClass: number
  readonly outClass: number
  /** The class of what it leaves open for another line: a tee's branch, a stop's second outlet; -1 where nothing. */
  readonly branchClass: number
  /** The same of a second side; -1 where it has none. */
  readonly secondClass: number
  readonly second: SecondSide | null
  /** Against the way it is meant to face: only where nothing is said of a fixture. */
  readonly backward: boolean
  /** Its way out is of a larger size than its way in (1), a smaller one (-1), or the same; of piping alone. */
  readonly grows: -1 | 0 | 1
  /** It is hot all through when one of its ends is soldered, so that the other is made in the same heat. */
  readonly hotThrough: boolean
  /** It bands two pipes of one kind together: on an old end where no cement goes, and nowhere behind it. */
  readonly bandsAlike: boolean
  /** Hands that it takes besides its joints, seconds. */
  readonly ownSeconds: number
  /** Of an adapter, what its two ends look like, numbered: two that come to a coupling cancel. -1 for all else. */
  readonly adapts: readonly [near: number, far: number]
  readonly parts: readonly Fitting[]
}

/** A pair of classes of ends joined by a method, numbered so that what rules say of it can be kept. */
export interface NumberedPair extends Pair {
  readonly pairId: number
}

/** A group as it can follow an open end, and the joint between. */
export interface Step extends Group {
  readonly stepId: number
  readonly pair: NumberedPair
}

/** A class of ends that an open end can be joined to, and how. */
export interface Entry {
  readonly inClass: number
  readonly pair: NumberedPair
}

/** What an elbow can turn the line by, degrees: all are multiples of it. */
export const BEND_STEP = 45

/** More stages than any route has. */
export const MOST_STAGES = 8

/** Roles that must face one way: the second port looks to the fixture. */
const ONE_WAY: ReadonlySet<Role> = new Set([
  'stop',
  'dual-stop',
  'washing-valve',
  'bib',
  'protected-bib',
  'breaker',
  'connector',
  'tap-connector',
  'sanitary-tee',
  'wye',
  'drop-ear',
  'trap-adapter',
  'trap',
  'extension',
  'centre-waste',
  'end-waste',
  'disposer-waste',
  'branch-tail',
  'vent-tee',
  'vent-riser',
  'p-trap',
  'standpipe',
  'flange',
  'flange-aside',
  'flange-riser',
  'flange-ring',
  'grip-trap',
])

/** What is sized by the fixture behind it: from there on the line is no longer the piping. A drop-ear elbow still is. */
const SIZED_BY_FIXTURE: ReadonlySet<Role> = new Set([...ONE_WAY].filter((role) => role !== 'drop-ear'))

const BANDED: ReadonlySet<PortEnd['form']> = new Set(['shielded', 'flexible'])

/** What makes another end of an end. */
const ADAPTERS: ReadonlySet<Fitting['family']> = new Set([
  'male-adapter',
  'female-adapter',
  'threaded-coupling',
  'reducing-coupling',
  'fitting-reducer',
  'bushing',
  'thread-converter',
  'transition-coupling',
])
const NO_ADAPTER = [-1, -1] as const

/** Whether what one adapter makes of an end, the next makes undone. */
export function cancels(before: Pick<Group, 'adapts'> | null, group: Pick<Group, 'adapts'>): boolean {
  return before !== null && before.adapts[0] >= 0 && before.adapts[0] === group.adapts[1]
}

function growth(near: PortEnd, far: PortEnd): -1 | 0 | 1 {
  const [a, b] = [boreEighths(near), boreEighths(far)]
  return a === null || b === null ? 0 : (Math.sign(b - a) as -1 | 0 | 1)
}

/**
 * A catalogue as a network: classes of ends, the groups of parts that show each, and which classes join. Groups are
 * made once; what joins a class is worked out when it is first asked for. Memory and time O(parts), once.
 */
export class Network {
  readonly ends: PortEnd[] = []
  private readonly ids = new Map<string, number>()
  private readonly shapes = new Map<string, number>()
  private readonly groups = new Map<string, Group & { readonly parts: Fitting[] }>()
  private readonly groupsOf: Group[][] = []
  /** Classes that groups begin with, by form and size. */
  private readonly beginnings = new Map<string, number[]>()
  private readonly joins: (readonly Entry[] | undefined)[] = []
  private readonly steps: (readonly Step[] | undefined)[] = []
  private readonly pairIds = new Map<string, number>()
  private readonly between = new Map<number, readonly NumberedPair[]>()
  private readonly stages = new Map<string, Int8Array>()
  private stepCount = 0

  constructor(readonly catalogue: readonly Fitting[]) {
    for (const fitting of catalogue) this.add(fitting)
    // old pipe too is a beginning, also where no part shows such an end
    for (const pipe of PIPES) this.classOf(end('tube', pipe.system, pipe.nominal, pipe.material))
  }

  private add(fitting: Fitting): void {
    const role = roleOf(fitting)
    const { ports } = fitting
    // a tee's run is its first two ends; its branch begins another line
    const ways = ports.length === 1 ? ([[0, -1]] as const) : BOTH_WAYS
    const [branch, beside] = [ports[2], ports[3]].map((port) =>
      port === undefined ? -1 : this.classOf(port),
    ) as [number, number]
    const second = secondSide(fitting)
    let first = ''
    for (const [inPort, outPort] of ways) {
      const inEnd = ports[inPort] as PortEnd
      const inClass = this.classOf(inEnd)
      const outClass = outPort < 0 ? -1 : this.classOf(ports[outPort] as PortEnd)
      const key = `${fitting.family}|${fitting.standing ?? ''}|${fitting.heatSensitive}|${role}|${inClass}|${outClass}|${branch}|${beside}|${second}`
      // the same both ways round
      if (key === first) continue
      if (!first) first = key
      const known = this.groups.get(key)
      if (known) {
        known.parts.push(fitting)
        continue
      }
      const group: Group & { readonly parts: Fitting[] } = {
        id: this.groups.size,
        role,
        family: fitting.family,
        turn: turnOf(fitting.family),
        inPort,
        outPort,
        inClass,
        outClass,
        branchClass: branch,
        secondClass: beside,
        second,
        backward: inPort === 1 && ONE_WAY.has(role),
        grows: outPort < 0 || SIZED_BY_FIXTURE.has(role) ? 0 : growth(inEnd, ports[outPort] as PortEnd),
        adapts:
          outPort < 0 || !ADAPTERS.has(fitting.family)
            ? NO_ADAPTER
            : [this.shapeOf(inEnd), this.shapeOf(ports[outPort] as PortEnd)],
        hotThrough: hotThrough(fitting),
        bandsAlike:
          BANDED.has(inEnd.form) && outPort >= 0 && inEnd.system === (ports[outPort] as PortEnd).system,
        ownSeconds: secondsOfPart(fitting.family),
        parts: [fitting],
      }
      this.groups.set(key, group)
      const held = this.groupsOf[inClass]
      if (held) held.push(group)
      else {
        this.groupsOf[inClass] = [group]
        const shape = `${inEnd.form}|${inEnd.nominal}`
        this.beginnings.set(shape, [...(this.beginnings.get(shape) ?? []), inClass])
      }
    }
  }

  /** What an end looks like whatever it is made of, numbered. */
  private shapeOf({ form, system, nominal }: PortEnd): number {
    const key = `${form}|${system}|${nominal}`
    const known = this.shapes.get(key) ?? this.shapes.size
    this.shapes.set(key, known)
    return known
  }

  /** Stages after each group, by what decides them: -1 where it has no place, -2 while nobody asked. */
  stagesUnder(key: string): Int8Array {
    let known = this.stages.get(key)
    if (!known) {
      known = new Int8Array(this.groups.size * MOST_STAGES).fill(-2)
      this.stages.set(key, known)
    }
    return known
  }

  /** The number of an end's class; a new one where it has not been met. */
  classOf(end: PortEnd): number {
    const key = portClass(end)
    const known = this.ids.get(key)
    if (known !== undefined) return known
    const id = this.ends.length
    this.ids.set(key, id)
    this.ends.push(end)
    return id
  }

  private numbered(pair: Pair): NumberedPair {
    const key = `${pair.method.id}|${portClass(pair.tip)}|${portClass(pair.body)}`
    let pairId = this.pairIds.get(key)
    if (pairId === undefined) {
      pairId = this.pairIds.size
      this.pairIds.set(key, pairId)
    }
    // its own first: what a spread begins, some engines give a shape of its own each time, and no look-up is remembered
    return { pairId, ...pair }
  }

  /** All groups, in the order of the catalogue. */
  everyGroup(): Iterable<Group> {
    return this.groups.values()
  }

  /** The groups that begin with a class of ends. */
  groupsAt(inClass: number): readonly Group[] {
    return this.groupsOf[inClass] ?? []
  }

  /** Every class of ends that some part begins with and that joins an open end. */
  entries(openClass: number): readonly Entry[] {
    const known = this.joins[openClass]
    if (known) return known
    const open = this.ends[openClass] as PortEnd
    const made: Entry[] = []
    for (const form of joinable(open.form))
      for (const inClass of this.beginnings.get(`${form}|${open.nominal}`) ?? [])
        for (const pair of pairs(open, this.ends[inClass] as PortEnd))
          made.push({ inClass, pair: this.numbered(pair) })
    this.joins[openClass] = made
    return made
  }

  /** Every group of parts that can be joined to an open end. */
  follow(openClass: number): readonly Step[] {
    const known = this.steps[openClass]
    if (known) return known
    const made = this.entries(openClass).flatMap(({ inClass, pair }) =>
      // its own first, as of a pair
      this.groupsAt(inClass).map((group): Step => ({ stepId: this.stepCount++, pair, ...group })),
    )
    this.steps[openClass] = made
    return made
  }

  /** The ways to join two classes of ends. */
  join(a: number, b: number): readonly NumberedPair[] {
    const key = a * 1_000_003 + b
    const known = this.between.get(key)
    if (known) return known
    const made = pairs(this.ends[a] as PortEnd, this.ends[b] as PortEnd).map((pair) => this.numbered(pair))
    this.between.set(key, made)
    return made
  }
}

const BOTH_WAYS: readonly (readonly [number, number])[] = [
  [0, 1],
  [1, 0],
]

const KNOWN = new WeakMap<readonly Fitting[], Network>()

/** The network of a catalogue; made once for each. */
export function networkOf(catalogue: readonly Fitting[] = catalogueOf('supply')): Network {
  const known = KNOWN.get(catalogue)
  if (known) return known
  const made = new Network(catalogue)
  KNOWN.set(catalogue, made)
  return made
}
