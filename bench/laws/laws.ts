// What no plumber would put their name to (water), each as a test of a finished way: written from the account of the
// trade alone, over the tables of parts, without anything that the search uses.
import type { End, Finished, Placed } from './finished'

export interface Law {
  readonly id: string
  /** As a plumber would say it. */
  readonly says: string
  readonly breaks: (way: Finished) => boolean
}

/** Sizes of one bore in eighths of an inch, whatever the system calls them. Trade: 15 mm is a half inch, 22 three quarters. */
const METRIC: Readonly<Record<string, number>> = {
  '8': 2,
  '10': 3,
  '12': 3,
  '14': 3,
  '15': 4,
  '16': 4,
  '18': 4,
  '20': 5,
  '22': 6,
  '25': 6,
  '26': 6,
  '28': 8,
  '32': 8,
  '35': 10,
  '40': 10,
  '42': 12,
  '50': 12,
  '54': 16,
  '63': 16,
}
function size({ system, nominal }: Pick<End, 'system' | 'nominal'>): number {
  if (system.startsWith('metric')) {
    const eighths = METRIC[nominal]
    if (eighths === undefined) throw new Error(`no size ${system} ${nominal}`)
    return eighths
  }
  const [whole, fraction] = nominal.includes('-')
    ? nominal.split('-')
    : nominal.includes('/')
      ? ['0', nominal]
      : [nominal, '0/1']
  const [over, under] = (fraction as string).split('/').map(Number)
  // tube that is named by its outside has a bore an eighth less
  const outside = system === 'OD' ? 1 : 0
  return 8 * (Number(whole) + (over as number) / (under as number)) - outside
}

const STOPS = [
  'angle-stop',
  'straight-stop',
  'dual-stop',
  'washing-valve',
  'hose-bib',
  'frost-free-bib',
  'isolating-valve',
]
const is =
  (...families: string[]) =>
  ({ part }: Placed) =>
    families.includes(part.family)
const isValve = is(...STOPS)
const isAdapter = is(
  'male-adapter',
  'female-adapter',
  'threaded-coupling',
  'reducing-coupling',
  'fitting-reducer',
  'bushing',
  'thread-converter',
  'transition-coupling',
)
const isHose = is('supply-connector', 'tap-connector')
const plastic = (material: string) => /pex|cpvc|pvc|poly|plastic|acetal/.test(material)
const steel = (material: string) => material.endsWith('steel') && !material.startsWith('stainless')
const heater = ({ kind }: Finished) => kind.startsWith('heater')
const heldByWall = ({ kind }: Finished) => /^(valve|heater)/.test(kind)
/** Up to and without the stop, or what is flexible: the permanent piping. */
function piping({ parts }: Finished): readonly Placed[] {
  const end = parts.findIndex(
    (placed) => (isValve(placed) && !is('isolating-valve')(placed)) || isHose(placed),
  )
  return end < 0 ? parts : parts.slice(0, end)
}
/** Pairs of ends that meet, from the old pipe on. */
function meetings(way: Finished): readonly (readonly [End, End])[] {
  const { stub, parts, joints, ends } = way
  return joints.flatMap((_, index): (readonly [End, End])[] => {
    const from = index === 0 ? stub : parts[index - 1]?.far
    const to = parts[index]?.near ?? ends[0]
    return from && to ? [[from, to]] : []
  })
}
/** As long as a part can be along the line, from mouth to mouth, mm. */
function longest({ part }: Placed): number {
  const between = part.ports.slice(0, 2).reduce((sum, { pose }) => sum + Math.hypot(...pose.origin), 0)
  return part.lengthMm?.max ?? between
}
const turns = (list: readonly number[]) => {
  const steps = list.slice(1).map((value, index) => Math.sign(value - (list[index] as number)))
  return steps.includes(1) && steps.includes(-1)
}

export const LAWS: readonly Law[] = [
  {
    id: 'two-stops',
    says: 'two stops to one fixture, or a valve that nobody asked for',
    breaks: (way) => {
      const valves = way.parts.filter(isValve).length
      if (way.kind === 'run.valve') return valves !== 1
      if (way.run || /^(valve|spout|arm|spray|closed)/.test(way.kind)) return valves > 0
      // a heater has a valve on its cold line only
      if (heater(way)) return valves > (way.conditions.service === 'cold' ? 1 : 0)
      return valves > 1
    },
  },
  {
    id: 'stop-not-last',
    says: 'a fixture’s stop anywhere but at the end of the run',
    breaks: ({ parts, run, kind }) => {
      if (run || kind.startsWith('heater')) return false
      const at = parts.findIndex(isValve)
      // what comes after it is sized by the fixture; from a valve in the line to a tap one piece of tube
      const behind = at < 0 ? [] : parts.slice(at + 1)
      if (behind.filter(is('tube-piece')).length > 1) return true
      return !behind.every((placed) => isHose(placed) || is('vacuum-breaker', 'tube-piece')(placed))
    },
  },
  {
    id: 'connector-as-pipe',
    says: 'a flexible connector anywhere but from a stop to a fixture, or in sight to a heater',
    breaks: (way) => {
      const hoses = way.parts.filter(is('supply-connector'))
      if (hoses.length === 0) return false
      const last = way.parts.at(-1)
      if (hoses.length > 1 || !last || !is('supply-connector')(last)) return true
      if (heater(way)) return way.conditions.access !== 'reachable'
      const before = way.parts.at(-2)
      return !before || !isValve(before)
    },
  },
  {
    id: 'hose-adapter',
    says: 'a hose adapter as part of a line',
    breaks: ({ parts }) => parts.some(is('hose-adapter')),
  },
  {
    id: 'cancel',
    says: 'two adapters back to back that cancel each other',
    // two that come to a coupling: what one makes of an end, the next makes undone
    breaks: ({ parts }) =>
      parts.some((placed, index) => {
        const next = parts[index + 1]
        return (
          next?.far != null &&
          isAdapter(placed) &&
          isAdapter(next) &&
          placed.near.form === next.far.form &&
          placed.near.system === next.far.system &&
          placed.near.nominal === next.far.nominal
        )
      }),
  },
  {
    id: 'up-and-down',
    says: 'up a size and down again, or down and up',
    breaks: (way) => {
      const line = piping(way)
      const whole = line.length === way.parts.length
      const sizes = [
        size(way.stub),
        ...line.flatMap(({ near, far }) => [size(near), ...(far ? [size(far)] : [])]),
      ]
      const end = whole && way.ends.length > 0 ? way.ends.map((each) => size(each)) : []
      return end.length > 0 ? end.every((last) => turns([...sizes, last])) : turns(sizes)
    },
  },
  {
    id: 'least-size',
    says: 'a nominal size below the least for the fixture',
    breaks: (way) => {
      if (way.kind === 'closed') return false
      // least supplies of the model codes: a basin and a toilet 3/8, all else a half inch, a heater three quarters
      const least = heater(way) ? 6 : /^(faucet|tap|toilet|appliance|riser)/.test(way.kind) ? 3 : 4
      const old = size(way.stub)
      return piping(way).some(({ near, far }) =>
        [near, far].some((end) => end && size(end) < Math.min(least, old)),
      )
    },
  },
  {
    id: 'nut-in-wall',
    says: 'a union, a nut or a valve’s stem inside a wall that closes',
    breaks: (way) =>
      // in the ground some nuts may lie; a wall is tiled over all of them
      way.conditions.access === 'closed-wall' &&
      (piping(way).some(is('union', 'dielectric-union', 'isolating-valve')) ||
        way.joints.some(
          ({ method, beforeStop }) =>
            beforeStop &&
            ['compression', 'flare', 'gasket', 'swivel', 'worm-clips', 'poly-compression'].includes(method),
        )),
  },
  {
    id: 'no-turn',
    says: 'a screwed joint that nothing can turn',
    breaks: (way) =>
      heldByWall(way) &&
      way.joints.every(({ method }) => method === 'threaded') &&
      !way.parts.some(is('union', 'dielectric-union')),
  },
  {
    id: 'stands',
    says: 'a tube to be pushed in between a heater and a pipe that both stand',
    breaks: (way) =>
      heater(way) &&
      !way.parts.some((placed) => isHose(placed) || is('union', 'dielectric-union')(placed)) &&
      // no socket is shallower than 3/8 in; a flare goes over its cone
      (way.conditions.givesMm ?? 0) < (way.joints.some(({ method }) => method === 'flare') ? 3 : 9.5),
  },
  {
    id: 'made-wet',
    says: 'a flame or cement in a line that trickles, where the bench is no help',
    breaks: (way) => {
      if (way.conditions.line === 'dry') return false
      const wantsDry = ({ method, beforeStop }: Finished['joints'][number]) =>
        beforeStop && /^(sweat|cement)/.test(method)
      const [first, last] = [way.joints[0], way.joints.at(-1)]
      if ((first && wantsDry(first)) || (way.run && last && wantsDry(last))) return true
      // soldered up apart, something else has to draw it together where it stands
      return (
        heldByWall(way) &&
        way.joints.some(wantsDry) &&
        way.joints.every((joint) => joint.method === 'threaded' || wantsDry(joint)) &&
        !way.parts.some(is('union', 'dielectric-union'))
      )
    },
  },
  {
    id: 'heater-plastic',
    says: 'plastic within 18 in of a heater',
    breaks: (way) =>
      (heater(way) || way.conditions.nearHeater) &&
      piping(way).some(({ near, far }) => [near, far].some((end) => end && plastic(end.material))),
  },
  {
    id: 'heater-distance',
    says: 'old plastic with less than 18 in of line between it and the heater',
    breaks: (way) =>
      heater(way) &&
      plastic(way.stub.material) &&
      way.parts.reduce((sum, placed) => sum + longest(placed), 0) < 450,
  },
  {
    id: 'heater-gap',
    says: 'parts that do not reach from the old pipe to the heater',
    breaks: (way) => {
      const { reachMm, turn } = way.conditions
      if (!heater(way) || reachMm === null || turn) return false
      return way.parts.reduce((sum, placed) => sum + longest(placed), 0) < reachMm
    },
  },
  {
    id: 'bib-on-plastic',
    says: 'a bib that only plastic holds: no flange of its own, no elbow screwed to the framing',
    breaks: ({ parts, stub }) => {
      const bib = parts.findIndex(is('hose-bib'))
      if (bib < 0) return false
      const before = parts.slice(0, bib)
      const soft = [stub, ...before.flatMap(({ near, far }) => (far ? [near, far] : [near]))].some(
        ({ material }) => plastic(material),
      )
      return soft && !before.some(is('drop-ear-elbow'))
    },
  },
  {
    id: 'steel-on-copper',
    says: 'steel screwed to copper',
    breaks: (way) =>
      meetings(way).some(
        ([a, b]) =>
          (steel(a.material) && b.material === 'copper') || (a.material === 'copper' && steel(b.material)),
      ),
  },
  {
    id: 'plastic-on-metal',
    says: 'a female plastic thread on a metal male',
    breaks: (way) =>
      meetings(way).some(([a, b]) =>
        [
          [a, b],
          [b, a],
        ].some(
          ([female, male]) =>
            female?.form === 'taper-female' &&
            plastic(female.material) &&
            male !== undefined &&
            !plastic(male.material),
        ),
      ),
  },
  {
    id: 'plastic-between',
    says: 'plastic let between two metal stretches of a run',
    breaks: ({ run, stub, parts }) =>
      run &&
      !plastic(stub.material) &&
      parts.some(({ near, far }) => [near, far].some((end) => end && plastic(end.material))),
  },
  {
    id: 'steel-in-run',
    says: 'a piece of steel pipe let into a run of another metal',
    breaks: ({ run, stub, parts }) =>
      run &&
      !steel(stub.material) &&
      !plastic(stub.material) &&
      parts.some((placed) => is('tube-piece')(placed) && steel(placed.near.material)),
  },
  {
    id: 'flame-in-plastic',
    says: 'a soldered joint between two stretches of plastic pipe',
    breaks: ({ run, stub, joints }) =>
      run && plastic(stub.material) && joints.some(({ method }) => method === 'sweat'),
  },
  {
    id: 'no-breaker',
    says: 'a hose outlet without backflow protection',
    breaks: ({ kind, parts }) =>
      kind === 'hose.outlet' && !parts.some(({ part }) => part.protects || part.family === 'vacuum-breaker'),
  },
  {
    id: 'short-bib',
    says: 'a bib that freezes, or as long as the wall and no longer',
    breaks: ({ parts, conditions }) =>
      parts.some(
        ({ part }) =>
          (part.family === 'hose-bib' && conditions.freezing === true) ||
          (part.family === 'frost-free-bib' &&
            conditions.wallMm != null &&
            (part.lengthMm?.max ?? 0) <= conditions.wallMm),
      ),
  },
  {
    id: 'unseen-reach',
    says: 'a hose under a foot, to an appliance under a yard, or a stem under six inches, where nobody measured the way',
    breaks: ({ parts, kind, conditions: { reachMm, wallMm } }) =>
      parts.some(({ part }) => {
        const longMm = part.lengthMm?.max ?? 0
        if (part.family === 'frost-free-bib') return wallMm == null && longMm < 150
        const leastMm = kind.startsWith('appliance') ? 914 : 290
        return part.family === 'supply-connector' && reachMm === null && longMm < leastMm
      }),
  },
  {
    id: 'marked-seal',
    says: 'a seal, a ring or an expansion on tube that is marked',
    breaks: ({ joints, conditions, run, removalId }) => {
      // in a run what is bad goes with the cut, and what was cut back is clean
      if (run || removalId.endsWith('-marks')) return false
      const marks = conditions.scored || conditions.faults.some((fault) => /mark|pit|pinhole/.test(fault))
      return (
        marks && ['push-fit', 'press', 'gasket', 'expansion', 'compression'].includes(joints[0]?.method ?? '')
      )
    },
  },
]

/**
 * A longer chain of more kinds of joints before a simpler one, because what the simpler one wants is a trip away: told
 * of an answer, since only there it is seen what else was to be had.
 *
 * @returns the place of the simpler way, or -1
 */
export function longerForATrip(
  ways: readonly {
    readonly methods: readonly string[]
    readonly joints: readonly unknown[]
    readonly missing: boolean
    readonly cents: number
    readonly tripCents: number
  }[],
): number {
  const [first] = ways
  if (!first || first.missing) return -1
  return ways.findIndex(
    (other) =>
      other.missing &&
      other.joints.length + 1 < first.joints.length &&
      other.methods.length < first.methods.length &&
      other.methods.every((method) => first.methods.includes(method)) &&
      other.cents - other.tripCents < first.cents,
  )
}
