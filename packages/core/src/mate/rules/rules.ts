import { closes, drainsMachine, hangsOnStub, type Insert, type RouteId } from '../../assembly/bodies/types'
import type { Conditions } from '../../assembly/conditions'
import type { Method } from '../../assembly/methods/table'
import type { Start } from '../../assembly/oldJoints/start'
import type { OldTrap } from '../../assembly/oldTraps'
import type { ChangeId, Reason } from '../../assembly/reason'
import { schoolOf } from '../../assembly/schools'
import { OFFSET_FLANGE_MM } from '../../catalog/closets'
import type { PortEnd } from '../../catalog/ends'
import { PAN_GIVES_MM, PAN_OFFSETS_MM, PAN_REACH_MM, PAN_SHEET } from '../../catalog/panConnectors'
import type { SecondSide } from '../../catalog/types'
import { panAsideMm, panOffsetMm } from '../../fitup/pan'
import { nearMm } from '../../fitup/toilet'
import { isFerrous, isMetal, isMetricWaste, isPlastic, type Medium } from '../../reference/materials'
import { isSoftTube } from '../../reference/softTube'
import { commonPractice, type Source } from '../../reference/source'
import { STANDPIPES } from '../../reference/standpipe'
import { type NominalSize, nominalNumber, type Pipe, type PipeMaterial } from '../../reference/types'
import type { CodeProfile, LineRequest, MateSettings } from '../types'

/** A joint about to be made, with all that may speak for or against it. */
export interface JointContext {
  readonly method: Method
  readonly tip: PortEnd
  readonly body: PortEnd
  /** Set where the tip is the existing stub. */
  readonly start: Start | null
  /** The line begins with it, at an old pipe or at whatever else: what is said of all of the line is said there. */
  readonly begins: boolean
  /** Up to and with the stop's inlet, in the place the access condition speaks of. */
  readonly beforeStop: boolean
  /** What the line is for: a spout's leg takes metal only. */
  readonly route: RouteId
  /** False where the line begins at nothing old. */
  readonly old?: boolean
  /** What the run is made of that both sides of the line belong to; null where it does not go into a run. */
  readonly run: PipeMaterial | null
  /** What goes into that run. */
  readonly insert?: Insert | undefined
  /** Of a branch that comes into it, the size. */
  readonly branch?: NominalSize | undefined
  /** Where its second side stands, if it has one. */
  readonly second?: SecondSide | undefined
  /** The line comes into a tee right opposite another. */
  readonly headOn?: boolean
  /** How much of that run is bad has been said: all of it comes out. */
  readonly out?: boolean
  /** Stuffs (`stuffOf`) that the line's two ends are of; null where that is not asked. */
  readonly own: ReadonlySet<string> | null
  readonly needsStubMm: number
  readonly conditions: Conditions
  readonly settings: MateSettings
}

interface Rule {
  readonly id: string
  readonly severity: Reason['severity']
  /** What it speaks of: lines of water where it is not said. */
  readonly medium?: Medium | 'both'
  /** Where a published code weighs it otherwise. */
  readonly byCode?: Readonly<Partial<Record<CodeProfile, Reason['severity'] | 'off'>>>
  /** It can bite where the tip is not the stub's end; all others speak of the stub alone. */
  readonly anywhere?: true
  /** Follows from the parts themselves, or guards life: no amendment lifts it. */
  readonly fixed?: true
  readonly source: Source
  readonly change?: ChangeId
  /** For soft rules: risk added, per mille of a call-back. */
  readonly riskPerMille?: number
  /** The rule's parameters where it bites, or null where it does not. */
  readonly bites: (joint: JointContext) => Reason['parameters'] | null
}

const none = {}
const yes = (test: boolean): Reason['parameters'] | null => (test ? none : null)
/** Whether a method that wants its pipe dry would be made on one that is not. */
const tooWet = ({ method, start, conditions }: JointContext): Reason['parameters'] | null =>
  method.needsDry && start !== null && conditions.line !== 'dry' ? { method: method.name } : null
/** Whether a line comes to a bowl: what vents that is not put in with it. */
const isBowl = (route: RouteId) => route === 'closet' || route === 'pan'
/** Whether the trap lies under the floor, or in a wall. */
const isBelow = (route: RouteId) => route.startsWith('trap-')
type Place = Pick<JointContext, 'route' | 'run' | 'conditions'>
/** Whether a trap that is set on the drain where it comes up out of the floor would be an S. */
const isS = ({ route, conditions: { rises, trapped } }: Place) =>
  rises === true && trapped !== true && hangsOnStub(route)
/** Whether a trap that goes in has no vent; a run that is mended is vented as it was. */
const airless = (place: Place) => {
  const { unvented, trapped } = place.conditions
  // what is closed has nothing that a trap or a vent would be for
  if (place.run !== null || closes(place.route)) return false
  return (unvented === true && trapped !== true) || isS(place)
}
/** What a bowl asks of the floor it stands on, whatever the shop's rules and the local code say. */
const OF_BOWLS = {
  medium: 'drain',
  anywhere: true,
  severity: 'forbid',
  fixed: true,
  change: 'bowl',
  source: commonPractice,
} as const
/** What is said of a trap that was found and that nobody makes anew, or that stays as the one: by whose code. */
const OLD_TRAP_SOURCES: Readonly<Partial<Record<OldTrap, Source>>> = {
  bottle: {
    title: 'IPC 1002.3: no trap that seals by inner partitions; check the local code',
    certainty: 'recalled',
  },
  drum: { title: 'IPC 1002.3, UPC 1004.0: no drum traps; check the local code', certainty: 'recalled' },
  running: {
    title: 'IPC 1002.1: from the outlet no more than 24 in down to the weir; check the local code',
    certainty: 'recalled',
  },
  two: { title: 'IPC 1002.1: no fixture is trapped twice; check the local code', certainty: 'recalled' },
  none: commonPractice,
}
const OLD_TRAP_NOTES: readonly Rule[] = Object.entries(OLD_TRAP_SOURCES).map(([trap, source]) => ({
  id: `drain.old-${trap}`,
  medium: 'drain',
  severity: 'note',
  source,
  bites: ({ route, begins, run, conditions: { oldTrap, trapped } }) =>
    begins && run === null && !closes(route) && oldTrap === trap
      ? { stays: trapped === true ? 'yes' : 'no' }
      : null,
}))
/** A building trap, and what takes its place. */
const HOUSE_TRAPS: Source = {
  title: 'IPC 1002.6, UPC 1008.0: no building trap but where the authority wants one; ask it first',
  certainty: 'recalled',
}
/** A trap that sits in the run itself, where that is cut open: the trap of the whole house. */
const hasHouseTrap = ({ start, run, conditions: { oldTrap } }: JointContext) =>
  start !== null && run !== null && oldTrap === 'running'
/** What goes into a pipe that comes out of the wall: out of the floor a bend turns to where the bowl is. */
const ofPipe = ({ form }: PortEnd, { rises }: Pick<Conditions, 'rises'>) =>
  form === 'pipe-fins' && rises !== true
/** Flanges that are there, whole or broken, and what is screwed onto them. */
const OLD_FLANGES: ReadonlySet<string> = new Set(['old-flange', 'broken-flange'])
/** What stays behind a tank before anyone would call it a gap, mm. Common practice. */
const GAP_MM = 38
const steel = (material: string) => material.endsWith('steel')

/** Whether a rubber ring seals on the tube's own surface, so that every mark on it is a leak path. */
const sealsOn = (method: Method) => method.seal === 'rubber-ring' || method.seal === 'rubber-gasket'

/** A material as plumbers speak of it: any PEX is PEX, any steel pipe is steel. */
export function stuffOf(material: string): string {
  if (material.startsWith('pex')) return 'pex'
  return steel(material) ? 'steel' : material
}

/**
 * What a line's ends are of, as plumbers speak of it; null where it begins at what another line leaves open, which has
 * been asked there. Polybutylene is made no more, and PEX is what follows it.
 */
export function stuffsOf(line: LineRequest, pipe: Pick<Pipe, 'material'> | null): ReadonlySet<string> | null {
  if (line.branchOf !== undefined) return null
  const begins = pipe ? [pipe] : (line.from?.ends ?? [])
  const own = [...begins, ...(line.to?.ends ?? [])].map(({ material }) => stuffOf(material))
  return new Set(own.includes('polybutylene') ? [...own, 'pex'] : own)
}

/** Pipe, nipple or body of a stuff that neither end of the line is of; brass goes with everything. */
function isFurther({ form, material }: PortEnd, own: ReadonlySet<string> | null): boolean {
  const told = form === 'tube' || steel(material) || isPlastic(material)
  return told && own !== null && material !== 'brass' && !own.has(stuffOf(material))
}

/** Hard rules first. Each says one thing, bites on data alone, and names its source. */
export const RULES: readonly Rule[] = [
  {
    id: 'water.not-seen',
    severity: 'forbid',
    fixed: true,
    change: 'water-seen',
    source: {
      title: 'Fuel gas piping is opened only by those licensed for it',
      certainty: 'common practice',
    },
    bites: ({ tip, start, conditions }) =>
      yes(start !== null && steel(tip.material) && !conditions.waterSeen),
  },
  {
    id: 'flame.not-allowed',
    severity: 'forbid',
    change: 'flame',
    source: commonPractice,
    bites: ({ method, start, conditions }) => yes(method.needsFlame && start !== null && !conditions.flame),
  },
  {
    id: 'line.not-dry',
    medium: 'both',
    severity: 'forbid',
    change: 'dry',
    source: { title: 'ASTM B828', certainty: 'recalled' },
    bites: (joint) => (joint.method.needsFlame ? tooWet(joint) : null),
  },
  {
    id: 'cement.not-dry',
    medium: 'both',
    severity: 'forbid',
    change: 'dry',
    source: { title: 'ASTM D2855, D2846: dry pipe and socket', certainty: 'recalled' },
    bites: (joint) => (joint.method.needsFlame ? null : tooWet(joint)),
  },
  {
    id: 'stub.too-short',
    medium: 'both',
    severity: 'forbid',
    fixed: true,
    change: 'stub',
    source: { title: 'Insertion depth, and room for nut, ring or cleaning', certainty: "maker's sheet" },
    bites: ({ start, needsStubMm }) =>
      start?.usableMm != null && start.usableMm < needsStubMm - 1e-6
        ? {
            missingMm: needsStubMm - start.usableMm,
            needsMm: needsStubMm,
            ...(start.usableMm < 0 ? { hasMm: 0, left: 'none' } : { hasMm: start.usableMm, left: 'some' }),
          }
        : null,
  },
  {
    id: 'access.closed-wall',
    medium: 'both',
    anywhere: true,
    severity: 'forbid',
    change: 'access',
    source: {
      title: 'Model plumbing codes: mechanical joints stay accessible; check the local code',
      certainty: 'recalled',
    },
    bites: ({ method, beforeStop, conditions }) =>
      method.concealable === 'no' && beforeStop && conditions.access === 'closed-wall'
        ? { method: method.name }
        : null,
  },
  {
    id: 'ground.not-buried',
    medium: 'both',
    anywhere: true,
    severity: 'forbid',
    change: 'access',
    source: {
      title: 'Model plumbing codes: joints below ground; check the local code',
      certainty: 'recalled',
    },
    bites: ({ method, beforeStop, conditions }) =>
      method.buried === 'no' && beforeStop && conditions.access === 'buried' ? { method: method.name } : null,
  },
  {
    id: 'room.tool',
    medium: 'both',
    severity: 'forbid',
    change: 'room',
    source: { title: 'Room for wrench, jaw or flame, typical', certainty: "maker's sheet" },
    bites: ({ method, tip, start, conditions }) =>
      start !== null &&
      // what goes into the pipe wants no room round it
      tip.form !== 'pipe-inside' &&
      conditions.roomMm != null &&
      conditions.roomMm < method.toolRoomMm
        ? { method: method.name, needsMm: method.toolRoomMm, hasMm: conditions.roomMm }
        : null,
  },
  {
    id: 'opening.tool',
    medium: 'both',
    severity: 'forbid',
    change: 'opening',
    source: { title: 'Room for wrench, jaw or flame, typical', certainty: "maker's sheet" },
    bites: ({ method, tip, start, conditions }) => {
      // from the pipe's outside to the nearest edge: all that a tool has in a hole
      const hasMm =
        conditions.openingMm == null ? null : Math.max(0, conditions.openingMm - tip.diameterMm / 2)
      return start !== null && hasMm !== null && hasMm < method.toolRoomMm
        ? { method: method.name, needsMm: method.toolRoomMm, hasMm }
        : null
    },
  },
  {
    id: 'tool.not-fetched',
    severity: 'forbid',
    anywhere: true,
    change: 'tool',
    source: {
      title: 'A press tool is not bought on the way: it is aboard or it is not',
      certainty: 'common practice',
    },
    bites: ({ method, settings }) =>
      method.tools.includes('press-tool') && !settings.toolsAboard.includes('press-tool')
        ? { method: method.name }
        : null,
  },
  {
    id: 'flare.hard-tube',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) =>
      yes(method.id === 'flare' && start?.port.material === 'copper' && start.soft !== true),
  },
  {
    id: 'sun.plastic',
    anywhere: true,
    severity: 'forbid',
    change: 'shade',
    source: { title: 'PEX and polyethylene tube stay out of daylight', certainty: "maker's sheet" },
    bites: ({ tip, conditions }) =>
      yes(conditions.sunlight === true && (isSoftTube(tip.material) || tip.material === 'cpvc')),
  },
  {
    id: 'hot.plastic',
    anywhere: true,
    severity: 'forbid',
    fixed: true,
    source: { title: 'PVC and polyethylene carry cold water only', certainty: 'common practice' },
    bites: ({ tip, body, conditions }) =>
      yes(
        conditions.service === 'hot' &&
          [tip.material, body.material].some((material) => material === 'pvc' || material === 'polyethylene'),
      ),
  },
  {
    id: 'spout.plastic-leg',
    anywhere: true,
    severity: 'forbid',
    source: { title: 'Tub spout leg of copper or brass only', certainty: "maker's sheet" },
    bites: ({ tip, body, route }) =>
      yes(route === 'spout' && (isPlastic(tip.material) || isPlastic(body.material))),
  },
  {
    id: 'house.push-fit-concealed',
    anywhere: true,
    severity: 'forbid',
    change: 'push-fit-rule',
    source: { title: "The shop's own rule on push-fit in closed walls", certainty: 'common practice' },
    bites: ({ method, beforeStop, conditions, settings }) =>
      yes(
        method.concealable === 'house-rule' &&
          beforeStop &&
          conditions.access === 'closed-wall' &&
          settings.houseRules.pushFitConcealed !== 'allow',
      ),
  },
  {
    id: 'compression.second-ring',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) => yes(method.id === 'compression' && (start?.marks.has('ring') ?? false)),
  },
  {
    id: 'push-fit.ring-mark',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) =>
      sealsOn(method) && start?.marks.has('ring') ? { method: method.name } : null,
  },
  {
    id: 'push-fit.solder-left',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) =>
      sealsOn(method) && start?.marks.has('solder') ? { method: method.name } : null,
  },
  {
    id: 'push-fit.tooth-marks',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) =>
      sealsOn(method) && start?.marks.has('teeth') ? { method: method.name } : null,
  },
  {
    // every cut in the wall opens when the tube is stretched
    id: 'expansion.marked',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) =>
      yes(method.id === 'expansion' && ['teeth', 'ring'].some((mark) => start?.marks.has(mark as 'teeth'))),
  },
  {
    id: 'end.scored',
    severity: 'forbid',
    change: 'smooth',
    source: commonPractice,
    bites: ({ method, start }) =>
      start?.marks.has('score') && (sealsOn(method) || ['compression', 'expansion'].includes(method.id))
        ? { method: method.name }
        : null,
  },
  {
    id: 'end.out-of-round',
    severity: 'forbid',
    change: 'round',
    source: commonPractice,
    bites: ({ method, start }) =>
      start?.marks.has('oval') && (sealsOn(method) || method.id === 'compression' || method.id === 'sweat')
        ? { method: method.name }
        : null,
  },
  {
    id: 'end.pitted',
    severity: 'forbid',
    change: 'smooth',
    source: commonPractice,
    bites: ({ method, start, conditions }) =>
      start &&
      conditions.faults.includes('pitted') &&
      (sealsOn(method) || ['compression', 'expansion'].includes(method.id))
        ? { method: method.name }
        : null,
  },
  {
    id: 'end.pinholes',
    medium: 'both',
    severity: 'forbid',
    change: 'sound',
    source: commonPractice,
    // of a run of drain all that was said to be rotten comes out, between two sound ends
    bites: ({ method, start, out, conditions }) =>
      yes(start !== null && conditions.faults.includes('pinholes') && !(out && method.medium === 'drain')),
  },
  {
    id: 'end.pinhole',
    medium: 'both',
    severity: 'forbid',
    change: 'sound',
    source: commonPractice,
    // of a run, the hole comes out
    bites: ({ start, run, conditions }) =>
      yes(start !== null && run === null && conditions.faults.includes('pinhole')),
  },
  {
    id: 'house.one-hole',
    severity: 'forbid',
    source: { title: "The shop's own rule on pinholes", certainty: 'common practice' },
    bites: ({ start, run, conditions, settings }) =>
      yes(
        start !== null &&
          run !== null &&
          conditions.faults.includes('pinhole') &&
          schoolOf(settings.houseRules, 'oneHole') === 'replace',
      ),
  },
  {
    id: 'run.hole-out',
    medium: 'both',
    severity: 'note',
    source: commonPractice,
    bites: ({ start, run, conditions }) =>
      yes(start !== null && run !== null && conditions.faults.includes('pinhole')),
  },
  {
    id: 'end.bent',
    medium: 'both',
    severity: 'forbid',
    change: 'straight',
    source: commonPractice,
    bites: ({ method, start }) =>
      start?.marks.has('bend') && (sealsOn(method) || method.id === 'compression' || method.id === 'sweat')
        ? { method: method.name }
        : null,
  },
  {
    id: 'metal.steel-on-copper',
    anywhere: true,
    severity: 'forbid',
    // there the rule is one of flow: copper before steel never, steel before copper with care
    byCode: { EN: 'warn' },
    source: {
      title: 'Model plumbing codes: dielectric fitting or brass between; check the local code',
      certainty: 'recalled',
    },
    bites: ({ tip, body }) =>
      yes(
        (steel(tip.material) && body.material === 'copper') ||
          (tip.material === 'copper' && steel(body.material)),
      ),
  },
  {
    id: 'thread.plastic-female',
    anywhere: true,
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, tip, body }) =>
      yes(method.id === 'threaded' && isPlastic(body.material) && !isPlastic(tip.material)),
  },
  {
    id: 'heater.plastic-near',
    anywhere: true,
    severity: 'forbid',
    change: 'away-from-heater',
    source: { title: 'PEX and CPVC kept 18 in from a heater outlet', certainty: 'common practice' },
    bites: ({ tip, body, route, conditions }) =>
      yes(
        // a heater's own nipple is near a heater whether anybody ticked it or not; new tube of plastic has no place there
        (conditions.nearHeater && isPlastic(tip.material)) ||
          (route === 'flexible' && isPlastic(body.material)),
      ),
  },
  {
    id: 'heater.plastic-stub',
    severity: 'warn',
    riskPerMille: 25,
    source: { title: 'PEX and CPVC kept 18 in from a heater outlet', certainty: 'common practice' },
    bites: ({ tip, start, route, conditions: { reachMm, spanMm, turn } }) =>
      yes(
        route === 'flexible' &&
          start !== null &&
          isPlastic(tip.material) &&
          // what was measured straight on is filled by what is long enough
          ((spanMm ?? reachMm) === null || Boolean(turn)),
      ),
  },
  {
    id: 'bond.plastic-between',
    anywhere: true,
    severity: 'forbid',
    source: {
      title:
        'Metal water pipe may carry the bonding of the house: nothing that does not conduct is let between',
      certainty: 'common practice',
    },
    bites: ({ tip, body, run }) =>
      yes(run !== null && isMetal(run) && (isPlastic(tip.material) || isPlastic(body.material))),
  },
  {
    id: 'run.steel-piece',
    anywhere: true,
    severity: 'forbid',
    source: commonPractice,
    bites: ({ tip, run }) =>
      run !== null &&
      isMetal(run) &&
      !isFerrous(run) &&
      tip.form === 'tube' &&
      isFerrous(tip.material as PipeMaterial)
        ? { run }
        : null,
  },
  {
    // copper carries the heat into both ends, and what closes the run is made in place
    id: 'run.flame-in-plastic',
    anywhere: true,
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, run }) => yes(method.needsFlame && run !== null && isPlastic(run)),
  },
  {
    id: 'line.further-material',
    anywhere: true,
    severity: 'note',
    riskPerMille: 8,
    source: commonPractice,
    bites: ({ tip, body, own }) => yes(isFurther(tip, own) || isFurther(body, own)),
  },
  {
    id: 'bond.rubber-between',
    severity: 'note',
    source: commonPractice,
    bites: ({ method, run }) => yes(run !== null && isMetal(run) && sealsOn(method)),
  },
  {
    id: 'end.thinned',
    severity: 'warn',
    riskPerMille: 25,
    source: commonPractice,
    bites: ({ start, conditions }) => yes(start !== null && conditions.faults.includes('thinned')),
  },
  {
    id: 'end.loose',
    medium: 'both',
    severity: 'warn',
    riskPerMille: 12,
    source: commonPractice,
    bites: ({ start, conditions }) => yes(start !== null && conditions.faults.includes('loose')),
  },
  {
    id: 'end.dirty-bore',
    severity: 'warn',
    riskPerMille: 8,
    source: commonPractice,
    bites: ({ method, start, conditions }) =>
      yes(method.id === 'sweat' && start !== null && conditions.faults.includes('dirty-bore')),
  },
  {
    id: 'end.choked',
    medium: 'both',
    severity: 'note',
    source: commonPractice,
    bites: ({ start, conditions }) => yes(start !== null && conditions.faults.includes('choked')),
  },
  {
    // a ring seals on the tube as rubber does
    id: 'compression.old-marks',
    severity: 'forbid',
    source: commonPractice,
    bites: ({ method, start }) => yes(method.id === 'compression' && (start?.marks.has('teeth') ?? false)),
  },
  {
    id: 'compression.solder-left',
    severity: 'warn',
    riskPerMille: 12,
    source: commonPractice,
    bites: ({ method, start }) => yes(method.id === 'compression' && (start?.marks.has('solder') ?? false)),
  },
  {
    id: 'compression.plastic-tube',
    anywhere: true,
    severity: 'warn',
    riskPerMille: 8,
    source: { title: 'Ring and insert must be listed for the tube', certainty: "maker's sheet" },
    bites: ({ method, tip }) =>
      method.id === 'compression' && isPlastic(tip.material)
        ? { insert: isSoftTube(tip.material) ? 1 : 0 }
        : null,
  },
  {
    id: 'push-fit.polybutylene',
    anywhere: true,
    severity: 'warn',
    riskPerMille: 20,
    source: { title: 'Only where the fitting is listed for polybutylene', certainty: "maker's sheet" },
    bites: ({ method, tip }) => yes(method.id === 'push-fit' && tip.material === 'polybutylene'),
  },
  {
    id: 'push-fit.concealed',
    anywhere: true,
    severity: 'warn',
    riskPerMille: 30,
    source: commonPractice,
    bites: ({ method, beforeStop, conditions }) =>
      yes(method.id === 'push-fit' && beforeStop && conditions.access === 'closed-wall'),
  },
  {
    id: 'ground.wrap',
    anywhere: true,
    severity: 'warn',
    riskPerMille: 10,
    source: { title: 'Buried joints of metal and rubber are wrapped', certainty: 'common practice' },
    bites: ({ method, beforeStop, conditions }) =>
      yes(method.buried === 'wrapped' && beforeStop && conditions.access === 'buried'),
  },
  {
    id: 'ground.slab',
    medium: 'both',
    severity: 'warn',
    anywhere: true,
    source: {
      title: '29 CFR 1926.1153: dust of concrete; tensioned cables are looked for first: common practice',
      certainty: 'recalled',
    },
    bites: ({ begins, conditions: { access, slabMm } }) =>
      begins && access === 'buried' && slabMm != null ? { slabMm } : null,
  },
  {
    id: 'life.shorter-than-place',
    medium: 'both',
    anywhere: true,
    severity: 'note',
    riskPerMille: 6,
    source: {
      title: 'Years a good joint lasts, against a wall meant to stay shut',
      certainty: 'common practice',
    },
    bites: ({ method, beforeStop, conditions, settings }) => {
      const wall = Number(schoolOf(settings.houseRules, 'wallYears'))
      return beforeStop && conditions.access !== 'reachable' && method.lifeYears < wall
        ? { method: method.name, years: method.lifeYears, wall }
        : null
    },
  },
  {
    id: 'push-fit.stiffener',
    anywhere: true,
    severity: 'note',
    source: { title: 'Push-fit fitting instructions, typical', certainty: "maker's sheet" },
    bites: ({ method, tip }) => yes(method.id === 'push-fit' && isSoftTube(tip.material)),
  },
  {
    id: 'drinking.lead-free',
    severity: 'note',
    source: {
      title: 'Safe Drinking Water Act, section 1417: 0.25 % weighted average',
      certainty: 'recalled',
    },
    bites: ({ start }) => yes(start !== null),
  },
  {
    id: 'stub.not-measured',
    medium: 'both',
    severity: 'warn',
    source: commonPractice,
    bites: ({ start, needsStubMm }) =>
      start && start.usableMm === null && needsStubMm > 0 ? { needsMm: needsStubMm } : null,
  },
  {
    id: 'stub.close',
    medium: 'both',
    severity: 'warn',
    source: commonPractice,
    bites: ({ start, needsStubMm }) =>
      start?.usableMm != null && start.usableMm >= needsStubMm && start.usableMm < needsStubMm + 3
        ? { spareMm: start.usableMm - needsStubMm }
        : null,
  },
  {
    id: 'stop.seats-and-flame',
    severity: 'note',
    source: commonPractice,
    bites: ({ method, start }) => yes(method.needsFlame && start !== null),
  },
  {
    id: 'pressure.high',
    severity: 'warn',
    source: { title: 'Model plumbing codes: over 80 psi a regulator', certainty: 'recalled' },
    bites: ({ start, conditions }) =>
      start && conditions.pressurePsi !== null && conditions.pressurePsi > 80
        ? { psi: conditions.pressurePsi }
        : null,
  },
  {
    id: 'thread.old-steel',
    medium: 'both',
    severity: 'warn',
    riskPerMille: 20,
    source: commonPractice,
    bites: ({ method, start, tip }) =>
      yes(method.id.startsWith('threaded') && start !== null && steel(tip.material)),
  },
  {
    id: 'bonding.plastic-in-metal',
    severity: 'warn',
    source: {
      title: 'Metal water piping may be part of the electrical bonding',
      certainty: 'common practice',
    },
    bites: ({ start, tip, body }) =>
      yes(start !== null && isMetal(tip.material as PipeMaterial) && isPlastic(body.material)),
  },
  {
    id: 'drain.out-of-round',
    medium: 'drain',
    severity: 'forbid',
    change: 'round',
    source: { title: 'ASTM D2855: the pipe has to fill its socket', certainty: 'recalled' },
    bites: ({ start }) => yes(start?.marks.has('oval') ?? false),
  },
  {
    id: 'drain.flexible-above',
    medium: 'drain',
    anywhere: true,
    severity: 'forbid',
    source: {
      title: 'Model plumbing codes: unshielded couplings below ground only; check the local code',
      certainty: 'recalled',
    },
    bites: ({ method, conditions, settings }) =>
      yes(
        method.id === 'flexible-coupling' &&
          conditions.access !== 'buried' &&
          schoolOf(settings.houseRules, 'flexibleAbove') !== 'accept',
      ),
  },
  {
    id: 'drain.slow-machine',
    medium: 'drain',
    anywhere: true,
    severity: 'forbid',
    fixed: true,
    source: commonPractice,
    bites: ({ route, conditions }) => yes(drainsMachine(route) && conditions.slow === true),
  },
  {
    id: 'drain.small-machine',
    medium: 'drain',
    severity: 'forbid',
    fixed: true,
    source: commonPractice,
    bites: ({ route, start }) =>
      yes(drainsMachine(route) && start !== null && nominalNumber(start.port.nominal) < 1.5),
  },
  {
    id: 'drain.standpipe-2',
    medium: 'drain',
    severity: 'warn',
    riskPerMille: 40,
    source: {
      title: 'Model plumbing codes: standpipe and trap of a clothes washer, 2 in; check the local code',
      certainty: 'recalled',
    },
    bites: ({ route, start }) =>
      yes(drainsMachine(route) && start !== null && nominalNumber(start.port.nominal) < 2),
  },
  {
    id: 'drain.standpipe-height',
    medium: 'drain',
    anywhere: true,
    severity: 'note',
    source: STANDPIPES.IPC.source,
    bites: ({ route, tip, body, settings }) => {
      // said once, of the joint that its trap or the pipe below takes it by
      const { leastMm, mostMm } = STANDPIPES[settings.codeProfile ?? 'IPC']
      return drainsMachine(route) && tip.form === 'tube' && body.form === 'drain-socket'
        ? { leastMm, mostMm }
        : null
    },
  },
  {
    id: 'drain.slow',
    medium: 'drain',
    severity: 'warn',
    source: commonPractice,
    bites: ({ route, begins, conditions }) =>
      yes(!drainsMachine(route) && !closes(route) && begins && conditions.slow === true),
  },
  {
    id: 'drain.dead-end',
    medium: 'drain',
    severity: 'warn',
    source: {
      title: 'IPC 704: no dead ends but for a cleanout or a fixture to come; check the local code',
      certainty: 'recalled',
    },
    bites: ({ route, begins }) => yes(closes(route) && begins),
  },
  {
    id: 'drain.closed-vent',
    medium: 'drain',
    severity: 'warn',
    source: {
      title: 'Model plumbing codes: every trap is vented; check the local code',
      certainty: 'recalled',
    },
    bites: ({ route, begins }) => yes(closes(route) && begins),
  },
  {
    id: 'drain.lead',
    medium: 'drain',
    severity: 'warn',
    riskPerMille: 20,
    source: commonPractice,
    bites: ({ start, tip }) => yes(start !== null && tip.material === 'lead-waste'),
  },
  {
    id: 'drain.from-fitting',
    medium: 'drain',
    anywhere: true,
    severity: 'warn',
    riskPerMille: 40,
    source: commonPractice,
    bites: ({ tip, body }) =>
      yes(
        tip.form === 'taper-male' && isPlastic(tip.material as PipeMaterial) && body.form === 'taper-female',
      ),
  },
  {
    id: 'flange.twist-refused',
    medium: 'drain',
    anywhere: true,
    severity: 'forbid',
    source: { title: "The shop's own rule on flanges that are twisted in", certainty: 'common practice' },
    bites: ({ method, settings }) =>
      yes(method.id === 'twist-in' && schoolOf(settings.houseRules, 'twistIn') !== 'accept'),
  },
  {
    id: 'flange.not-measured',
    medium: 'drain',
    anywhere: true,
    severity: 'warn',
    source: commonPractice,
    bites: ({ body, tip, conditions }) =>
      yes(body.form === 'old-flange' && tip.form === 'closet-outlet' && conditions.flangeMm == null),
  },
  {
    ...OF_BOWLS,
    id: 'toilet.too-near',
    bites: ({ route, conditions }) => {
      const shortMm = nearMm(conditions) - OFFSET_FLANGE_MM
      return route === 'closet' && shortMm > 0 ? { shortMm } : null
    },
  },
  {
    ...OF_BOWLS,
    id: 'flange.kept-near',
    // after the rule before it: nothing is promised of an offset flange that would not do
    bites: ({ body, conditions }) => {
      const shortMm = nearMm(conditions)
      return OLD_FLANGES.has(body.form) && shortMm > 0 ? { shortMm } : null
    },
  },
  {
    id: 'flange.offset',
    medium: 'drain',
    anywhere: true,
    severity: 'note',
    source: { title: 'Offset closet flanges, typical of the kind', certainty: "maker's sheet" },
    bites: ({ tip, conditions }) => {
      const shortMm = nearMm(conditions)
      return tip.form === 'closet-outlet' && shortMm > 0 ? { shortMm, asideMm: OFFSET_FLANGE_MM } : null
    },
  },
  {
    id: 'flange.gap',
    medium: 'drain',
    anywhere: true,
    severity: 'note',
    source: commonPractice,
    bites: ({ tip, conditions: { roughMm, bowlMm } }) =>
      tip.form === 'closet-outlet' && roughMm != null && bowlMm != null && roughMm - bowlMm > GAP_MM
        ? { gapMm: roughMm - bowlMm }
        : null,
  },
  {
    id: 'drain.vent',
    medium: 'drain',
    severity: 'note',
    source: {
      title: 'Model plumbing codes: a trap is vented within the length of its arm; check the local code',
      certainty: 'recalled',
    },
    // where a flange stays nothing of the drain changes
    bites: (joint) =>
      yes(
        joint.begins &&
          joint.run === null &&
          !closes(joint.route) &&
          !OLD_FLANGES.has(joint.body.form) &&
          !airless(joint),
      ),
  },
  ...OLD_TRAP_NOTES,
  {
    id: 'drain.shower-2',
    medium: 'drain',
    severity: 'warn',
    byCode: { UPC: 'forbid' },
    riskPerMille: 30,
    source: {
      title: 'IPC 417.3: a shower of 1-1/2 in; UPC 408.4: of 2 in; check the local code',
      certainty: 'recalled',
    },
    bites: ({ route, begins }) => yes(route === 'trap-shower' && begins),
  },
  {
    // a valve that admits air stands where it is reached, in free air
    id: 'drain.unvented',
    medium: 'drain',
    anywhere: true,
    severity: 'forbid',
    change: 'vented',
    source: {
      title:
        'Model plumbing codes: every trap is vented; a valve reachable and in free air; check the local code',
      certainty: 'recalled',
    },
    bites: (joint) => {
      const { route, conditions, settings, old } = joint
      const nowhere =
        isBelow(route) ||
        conditions.access !== 'reachable' ||
        schoolOf(settings.houseRules, 'badVent') === 'wall'
      // the one that stood there is set again on what it had; a new one is vented
      const refused = isBowl(route) ? old === false : nowhere
      return airless(joint) && refused
        ? { from: isBowl(route) ? 'bowl' : isS(joint) ? 'floor' : 'wall' }
        : null
    },
  },
  {
    id: 'drain.bowl-unvented',
    medium: 'drain',
    severity: 'warn',
    riskPerMille: 20,
    source: {
      title: 'Model plumbing codes: every trap is vented; check the local code',
      certainty: 'recalled',
    },
    bites: (joint) => yes(joint.old !== false && isBowl(joint.route) && airless(joint)),
  },
  {
    // nothing is reached under a tray but through a panel
    id: 'drain.tray-shut-in',
    medium: 'drain',
    anywhere: true,
    severity: 'forbid',
    change: 'access',
    source: {
      title: 'EN 274-1 shower wastes, outlet nut and seal: typical of the kind',
      certainty: "maker's sheet",
    },
    bites: ({ route, body, conditions }) =>
      yes(route === 'trap-own' && body.form === 'trap-outlet' && conditions.access !== 'reachable'),
  },
  {
    id: 'drain.own-trap',
    medium: 'drain',
    fixed: true,
    severity: 'forbid',
    source: { title: 'IPC 1002.1: no fixture is trapped twice; check the local code', certainty: 'recalled' },
    bites: ({ route, begins, conditions }) =>
      yes(begins && (route === 'trap-own' || route === 'pan') && conditions.trapped === true),
  },
  {
    id: 'pan.aside',
    medium: 'drain',
    anywhere: true,
    fixed: true,
    severity: 'forbid',
    change: 'bowl',
    source: PAN_SHEET,
    bites: ({ tip, conditions, old }) => {
      const asideMm = panAsideMm(conditions)
      // what is new is led to its height
      return old !== false && ofPipe(tip, conditions) && asideMm !== null && panOffsetMm(asideMm) === null
        ? { asideMm, mostMm: PAN_OFFSETS_MM.at(-1) as number }
        : null
    },
  },
  {
    id: 'pan.far',
    medium: 'drain',
    anywhere: true,
    fixed: true,
    severity: 'forbid',
    source: PAN_SHEET,
    bites: ({ tip, conditions }) => {
      const { reachMm } = conditions
      const straight = panOffsetMm(panAsideMm(conditions) ?? 0) === 0
      const mostMm = straight ? PAN_REACH_MM.long[1] : PAN_REACH_MM.short[1]
      return ofPipe(tip, conditions) && reachMm !== null && reachMm > mostMm
        ? { reachMm, mostMm, straight: straight ? 'yes' : 'no' }
        : null
    },
  },
  {
    id: 'pan.not-measured',
    medium: 'drain',
    anywhere: true,
    severity: 'warn',
    source: PAN_SHEET,
    bites: ({ tip, conditions, old }) =>
      // likewise
      old !== false && ofPipe(tip, conditions) && panAsideMm(conditions) === null
        ? { givesMm: PAN_GIVES_MM }
        : null,
  },
  {
    id: 'drain.s-trap',
    medium: 'drain',
    severity: 'note',
    source: { title: 'IPC 1002.3, UPC 1004.1: no S-traps; check the local code', certainty: 'recalled' },
    bites: (joint) => yes(joint.begins && isS(joint)),
  },
  {
    id: 'drain.air-valve',
    medium: 'drain',
    severity: 'warn',
    riskPerMille: 20,
    source: {
      title: 'IPC 918 air admittance valves; UPC: as the authority accepts them; check the local code',
      certainty: 'recalled',
    },
    bites: (joint) => yes(joint.begins && airless(joint) && !isBowl(joint.route) && !isBelow(joint.route)),
  },
  {
    id: 'drain.run-held',
    medium: 'drain',
    severity: 'note',
    source: commonPractice,
    bites: ({ start, run }) => yes(start !== null && run !== null),
  },
  {
    id: 'run.house-trap',
    medium: 'drain',
    severity: 'warn',
    riskPerMille: 10,
    source: HOUSE_TRAPS,
    bites: (joint) => yes(hasHouseTrap(joint) && joint.insert === 'cleanout'),
  },
  {
    // where a drain machine went in through its plugs there has to be another way in
    id: 'run.house-trap-plain',
    medium: 'drain',
    fixed: true,
    severity: 'forbid',
    source: HOUSE_TRAPS,
    bites: (joint) => yes(hasHouseTrap(joint) && joint.insert !== 'cleanout'),
  },
  {
    id: 'branch.upright',
    medium: 'drain',
    severity: 'note',
    source: {
      title: 'IPC 706.3, UPC 706: a sanitary tee only from level into upright pipe; check the local code',
      certainty: 'recalled',
    },
    bites: ({ start, insert }) => yes(start !== null && insert === 'tee'),
  },
  {
    id: 'branch.lying',
    medium: 'drain',
    severity: 'note',
    source: {
      title: 'IPC 706.3, UPC 706: level into level by a wye and an eighth bend; check the local code',
      certainty: 'recalled',
    },
    bites: ({ start, insert }) => yes(start !== null && insert === 'wye'),
  },
  {
    id: 'branch.larger',
    medium: 'drain',
    fixed: true,
    severity: 'forbid',
    source: {
      title: 'IPC 704.2, UPC 316: nothing of a drain is smaller downstream; check the local code',
      certainty: 'recalled',
    },
    bites: ({ start, tip, branch }) =>
      start !== null && branch !== undefined && nominalNumber(branch) > nominalNumber(tip.nominal)
        ? { branch, run: tip.nominal, unit: isMetricWaste(tip.material) ? 'mm' : 'in' }
        : null,
  },
  {
    id: 'branch.opposite',
    medium: 'drain',
    severity: 'warn',
    source: {
      title: 'IPC 706.3, UPC 704.2: no bowl and no pump into a double sanitary tee; check the local code',
      certainty: 'recalled',
    },
    bites: ({ start, second }) => yes(start !== null && second === 'opposite'),
  },
  {
    id: 'branch.beside',
    medium: 'drain',
    severity: 'note',
    source: {
      title: 'Model plumbing codes: which fixtures may share a vent; check the local code',
      certainty: 'recalled',
    },
    bites: ({ start, second }) =>
      start !== null && (second === 'left' || second === 'right') ? { at: second } : null,
  },
  {
    id: 'branch.head-on',
    medium: 'drain',
    anywhere: true,
    fixed: true,
    severity: 'forbid',
    source: {
      title: 'IPC 706.3, UPC 704.2: no bowl and no pump into a double sanitary tee; check the local code',
      certainty: 'recalled',
    },
    bites: ({ begins, headOn, route }) =>
      yes(begins && headOn === true && (isBowl(route) || drainsMachine(route))),
  },
  {
    // the run is a vent for nothing that comes in under what drains from above
    id: 'branch.vent',
    medium: 'drain',
    severity: 'warn',
    source: {
      title: 'Model plumbing codes: every trap is vented, and a drain is sized by its fixture units',
      certainty: 'recalled',
    },
    bites: ({ start, insert }) => yes(start !== null && (insert === 'tee' || insert === 'wye')),
  },
  {
    id: 'pipe.polybutylene',
    severity: 'warn',
    riskPerMille: 15,
    source: commonPractice,
    bites: ({ start, tip }) => yes(start !== null && tip.material === 'polybutylene'),
  },
]

/** Rules that can bite away from the stub: few, and asked most often. */
const ANYWHERE: readonly Rule[] = RULES.filter((rule) => rule.anywhere)
const speaking = (rules: readonly Rule[], medium: Medium) =>
  rules.filter((rule) => rule.medium === 'both' || (rule.medium ?? 'supply') === medium)
const byMedium = (rules: readonly Rule[]) => ({
  supply: speaking(rules, 'supply'),
  drain: speaking(rules, 'drain'),
})
const BY_MEDIUM = byMedium(RULES)
const ANYWHERE_BY_MEDIUM = byMedium(ANYWHERE)

/** How hard a rule is for this shop: the table, the code profile on it, the local amendment on that. */
export function ruleIn(
  rule: Pick<Rule, 'id' | 'severity' | 'byCode' | 'fixed' | 'source'>,
  settings: MateSettings,
): { readonly severity: Reason['severity'] | 'off'; readonly source: Source } {
  const byCode = rule.byCode?.[settings.codeProfile ?? 'IPC']
  const amendment = rule.fixed ? undefined : settings.amendments?.find(({ ruleId }) => ruleId === rule.id)
  return {
    severity: amendment?.severity ?? byCode ?? rule.severity,
    source: amendment
      ? { title: `Local amendment: ${amendment.why}`, certainty: 'common practice' }
      : rule.source,
  }
}

/** All that the rules say of a joint: hard reasons and the others, with the risk the soft ones add. */
export function judge(joint: JointContext): {
  readonly forbidden: readonly Reason[]
  readonly remarks: readonly Reason[]
  readonly riskPerMille: number
} {
  const forbidden: Reason[] = []
  const remarks: Reason[] = []
  let riskPerMille = joint.method.riskPerMille
  const { medium = 'supply' } = joint.method
  for (const rule of (joint.begins ? BY_MEDIUM : ANYWHERE_BY_MEDIUM)[medium]) {
    // most bite nowhere: how hard they would is not asked
    const parameters = rule.bites(joint)
    if (!parameters) continue
    const { severity, source } = ruleIn(rule, joint.settings)
    if (severity === 'off') continue
    const reason: Reason = {
      ruleId: rule.id,
      severity,
      parameters,
      source,
      ...(rule.change ? { change: rule.change } : {}),
    }
    if (severity === 'forbid') forbidden.push(reason)
    else {
      remarks.push(reason)
      riskPerMille += rule.riskPerMille ?? 0
    }
  }
  return { forbidden, remarks, riskPerMille }
}
