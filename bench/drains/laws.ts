// What no plumber would put their name to in a drain, asked of every way that is offered. Written from the trade and the
// raw tables: no search, no rule and no price of the product.
import { type LineRequest, type MateOption, type MateSettings, pipeById } from '@diarmos/core'
import { partsOf } from './parts'

type Asked = { readonly line: LineRequest; readonly settings: MateSettings }
type Way = Pick<MateOption, 'parts' | 'joints' | 'methods' | 'removalId' | 'beginsAt' | 'leavesStubMm'>
type Law = readonly [id: string, broken: (way: Way, asked: Asked) => boolean]

const SEALS = /^(wax|rubber)-seal$/
const BOWL = 'waste.bowl'
/** What brings its own trap. */
const OWN_TRAP = /^waste\.(bowl|pan|shower\.[45]0)$/
const CLOSED = 'waste.closed'
const inches = (name: string) =>
  name.split('-').reduce((sum, piece) => {
    const [top = 0, below = 1] = piece.split('/').map(Number)
    return sum + top / below
  }, 0)

/** What it drains into, inches: the old pipe, or the side of a new branch; a name in millimetres is a little less. */
function drainIn({ beginsAt }: Way, { pipeId }: LineRequest): number {
  const name = pipeId?.split('.').at(-1) ?? beginsAt?.nominal ?? ''
  return Number(name) >= 32 ? Number(name) / 25.4 : inches(name)
}

/** How high an old flange stands over the floor with what was put on it, mm. */
function heightOf(way: Way, { line }: Asked): number | null {
  const { flangeMm } = line.conditions
  if (flangeMm == null || !/^keep-/.test(way.removalId)) return null
  return way.parts.reduce((sum, { fittingId }) => {
    const riser = /^flange\.riser\.(.+)$/.exec(fittingId)
    return sum + (riser ? inches(riser[1] ?? '') * 25.4 : fittingId === 'flange.repair-ring' ? 2 : 0)
  }, flangeMm)
}

/** From the old end to the middle of the trap, with all home and pieces at their shortest, and the most; null where none was asked for. */
function toTrap(way: Way, { line: { conditions, to } }: Asked): readonly [number, number] | null {
  const { spanMm, turn, rises, trapped } = conditions
  if (spanMm == null || turn || rises || trapped || OWN_TRAP.test(to?.kind ?? '')) return null
  if (!/^waste\.(shower|tub|standpipe|box)/.test(to?.kind ?? '')) return null
  const parts = partsOf(way)
  const at = parts.findIndex(({ family }) => family === 'p-trap')
  // along the pipe: what a bend under a tee drops is no part of the way out
  const half = (port: (typeof parts)[number]['near']) =>
    port ? Math.abs(port.pose.origin.reduce((sum, mm, axis) => sum + mm * (port.pose.axis[axis] ?? 0), 0)) : 0
  return parts.slice(0, at + 1).reduce<readonly [number, number]>(
    ([lo, hi], { family, lengthMm, near, far }, index) => {
      const { minMm = 0, maxMm = 0 } = way.joints[index] ?? {}
      const whole = half(near) + half(far)
      const [least, most] =
        index === at
          ? [half(near), half(near)]
          : family === 'tube-piece' && lengthMm
            ? [lengthMm.min, lengthMm.max]
            : [whole, whole]
      return [lo + least - maxMm, hi + most - minMm]
    },
    [0, 0],
  )
}
/** Pieces of pipe before the trap, and behind a tee if one stands there. */
/** Under a floor or in a wall pipe may turn before its trap, and under a bowl that no flange stands beneath. */
const mayBend = ({ to, conditions, pipeId }: Asked['line']) =>
  (to?.kind === 'waste.pan' && pipeId === undefined) ||
  /^waste\.(shower|tub|standpipe|box)/.test(to?.kind ?? '') ||
  (to?.kind === BOWL && conditions.oldJoint !== 'flange')
const bridges = ({ parts }: Way) => {
  const at = parts.findIndex(({ family }) => family === 'p-trap')
  const tee = parts.findIndex(({ family }) => family === 'vent-tee')
  return parts.slice(tee + 1, at).filter(({ family }) => family === 'tube-piece')
}

/** Diameters that a band, a gasket or a socket was made for and the pipe that stands in it, mm, must be the same. */
function misfit(way: Way, { line }: Asked): boolean {
  const parts = partsOf(way)
  return way.joints.some(({ from, to }) => {
    const before = from < 0 ? null : parts[from]
    const after = parts[to]
    const out = before?.far ?? (way.removalId.startsWith('keep') || way.beginsAt ? null : undefined)
    const old = line.pipeId ? pipeById(line.pipeId)?.odMm : undefined
    const reaches = out === undefined ? old : out?.diameterMm
    const takes = after?.near
    // a ring of a wedge makes up what pipes of one metric name differ by
    if (takes?.form === 'waste-compression' && reaches !== undefined)
      return Math.abs(reaches - takes.diameterMm) > 4
    if (!takes || reaches === undefined || !/^(shielded|flexible|(drain|ring)-socket)$/.test(takes.form))
      return false
    return Math.abs(reaches - takes.diameterMm) > 0.6
  })
}

/** Bare rubber sags where nothing beds it: above ground only where the shop accepts it. */
export const shieldAboveGround = (way: Pick<Way, 'methods'>, { line, settings }: Asked) =>
  way.methods.includes('flexible-coupling') &&
  line.conditions.access !== 'buried' &&
  settings.houseRules.flexibleAbove !== 'accept'

export const DRAIN_LAWS: readonly Law[] = [
  [
    // the short end of a fitting fills a socket; a band, a hub or a gasket wants pipe
    'bushing-in-socket',
    (way) => {
      const parts = partsOf(way)
      return parts.some(({ family }, index) => {
        if (family !== 'bushing') return false
        const before = parts[index - 1]?.far?.form
        return before !== 'drain-socket' && !(index === 0 && way.beginsAt?.form === 'drain-socket')
      })
    },
  ],
  ['six-parts', ({ parts }) => parts.length > 6],
  [
    // by what the bends are named for, and never by a short one: where it lies only a long sweep or two eighths
    'turns-as-asked',
    (way, { line }) =>
      partsOf(way).reduce(
        (sum, { id }) => sum + (/^bend\.eighth/.test(id) ? 45 : /^bend\./.test(id) ? 90 : 0),
        0,
      ) !== (mayBend(line) ? (line.conditions.turn ?? 0) : 0) ||
      partsOf(way).some(
        ({ family, id }) => family.startsWith('elbow') && !/^bend\.(eighth|sweep|closet)/.test(id),
      ),
  ],
  ['of-drains', (way) => partsOf(way).some(({ ports }) => ports.some(({ medium }) => medium !== 'drain'))],
  [
    'one-trap',
    (way, { line }) => {
      const traps = partsOf(way).filter(({ family }) => /trap$/.test(family)).length
      // what is closed drains nothing
      if (line.to?.kind === CLOSED) return traps > 0
      const there =
        Number(OWN_TRAP.test(line.to?.kind ?? '')) +
        Number(line.to?.kind !== BOWL && line.conditions.trapped === true)
      return traps + there !== 1
    },
  ],
  [
    'not-smaller-downstream',
    (way, { line }) =>
      partsOf(way).some(
        ({ id, near, far, family }) =>
          near &&
          far &&
          !/flange|^pan-/.test(family) &&
          !(line.to?.kind === BOWL && /^bend\.closet/.test(id)) &&
          far.diameterMm > near.diameterMm * 1.03 + 0.5 &&
          // tube of a trap is called by its outside, pipe by its bore
          inches(far.nominal) > inches(near.nominal),
      ),
  ],
  [
    'one-plastic',
    (way, { line }) => {
      const cements = way.methods.filter((id) => id.startsWith('cement-drain'))
      // metric pipe goes on in its own make and diameter, and what is of polypropylene takes no cement
      const metric = line.pipeId?.startsWith('waste.') ? pipeById(line.pipeId) : undefined
      const pipes = partsOf(way).filter(({ family }) => /^(tube-piece|standpipe)$/.test(family))
      if (metric)
        return (
          (metric.material === 'waste-push-fit' && way.methods.includes('cement-waste')) ||
          pipes.some(({ ports: [end] }) => end?.material !== metric.material || end.system !== metric.system)
        )
      const old = line.pipeId?.startsWith('pvc') ? 'pvc' : line.pipeId?.startsWith('abs') ? 'abs' : null
      return cements.length > 1 || (old !== null && cements.some((id) => !id.endsWith(old)))
    },
  ],
  [
    // one cap, last, as large as the pipe; plastic takes it itself, and no way is longer than what iron or lead needs
    'closed-by-one',
    (way, { line }) => {
      const kinds = way.parts.map(({ family }) => /^(cap|plug)$/.test(family))
      const closers = kinds.filter(Boolean).length
      if (line.to?.kind !== CLOSED) return closers > 0
      const size = pipeById(line.pipeId ?? '')?.nominal ?? ''
      const onPlastic = /^(pvc-dwv|abs-dwv|waste)\./.test(line.pipeId ?? '') && !way.beginsAt
      return (
        closers !== 1 ||
        kinds.at(-1) !== true ||
        way.parts.length > (onPlastic ? 1 : 3) ||
        partsOf(way).at(-1)?.near?.nominal !== size.replace('mm', '')
      )
    },
  ],
  [
    // what grips by a nut is never shut in: a tray has its panel
    'tray-in-reach',
    (way, { line }) =>
      /^waste\.shower\.[45]0$/.test(line.to?.kind ?? '') &&
      line.conditions.access !== 'reachable' &&
      way.methods.length > 0,
  ],
  ['by-diameter', misfit],
  [
    'slip-in-reach',
    (way, { line }) =>
      way.methods.includes('slip-joint') &&
      line.conditions.access !== 'reachable' &&
      /^trap-(below|shower)$/.test(line.to?.route ?? ''),
  ],
  [
    'opens-in-reach',
    (way, { line }) =>
      way.parts.some(({ fittingId }) => /^p-trap\.\w+\.(union|cleanout)\./.test(fittingId)) &&
      line.conditions.access !== 'reachable',
  ],
  ['shield-above-ground', shieldAboveGround],
  [
    'no-shield-in-ground',
    (way, { line }) =>
      way.methods.includes('shielded-coupling') &&
      line.conditions.access === 'buried' &&
      way.joints.some(({ method, beforeStop }) => method === 'shielded-coupling' && beforeStop),
  ],
  [
    'one-seal',
    (way, { line }) =>
      way.joints.filter(({ method }) => SEALS.test(method)).length !== (line.to?.kind === BOWL ? 1 : 0),
  ],
  [
    'ring-on-broken',
    (way, { line }) =>
      way.parts.some(({ fittingId }) => fittingId === 'flange.repair-ring') !==
        (way.removalId === 'keep-broken-flange') ||
      (way.removalId === 'keep-flange' && line.conditions.faults.includes('ring-broken')),
  ],
  [
    'flange-at-floor',
    (way, asked) => {
      const height = heightOf(way, asked)
      if (height === null) return false
      const least = way.methods.includes('wax-seal') ? -6.35 : -12.7
      return height < least - 0.02 || height > 12.72
    },
  ],
  [
    'rings-where-low',
    (way, { line }) =>
      way.parts.some(({ fittingId }) => fittingId.startsWith('flange.riser')) &&
      (line.conditions.flangeMm ?? 0) > -6,
  ],
  [
    // over a stub out of the floor a trap is an S: it stands at the side of a tee with air over it, and nowhere else
    'no-s-trap',
    (way, { line: { conditions, to } }) => {
      const s = conditions.rises === true && conditions.trapped !== true
      const kinds = way.parts.map(({ family }) => family)
      const tee = kinds.indexOf('vent-riser')
      const trap = kinds.findIndex((family) => family.endsWith('trap'))
      return (
        tee >= 0 !== (s && /^waste\.(tail|sink|disposer|standpipe|box)/.test(to?.kind ?? '')) ||
        (tee >= 0 && trap < tee)
      )
    },
  ],
  [
    // nothing but what was measured says where a trap stands: its middle under the drain
    'under-the-drain',
    (way, asked) => {
      const reach = toTrap(way, asked)
      const { spanMm, stubMm } = asked.line.conditions
      if (!reach || spanMm == null) return false
      // from a hub that stays it is measured anew, and a piece takes what comes of it
      if (/hub$/.test(way.removalId)) return bridges(way).length === 0
      if (way.leavesStubMm === null) return stubMm !== null || bridges(way).length === 0
      const [lo, hi] = reach
      return way.leavesStubMm + lo > spanMm + 0.02 || way.leavesStubMm + hi < spanMm - 0.02
    },
  ],
  [
    // a free end is sawn where it is too long as it is, and one piece of pipe of a size bridges what is missing
    'sawn-for-nothing',
    (way, asked) => {
      const reach = toTrap(way, asked)
      const { spanMm, stubMm, oldJoint } = asked.line.conditions
      if (!reach || spanMm == null) return false
      const pieces = bridges(way).map(({ fittingId }) => fittingId)
      if (new Set(pieces).size < pieces.length) return true
      const sawn =
        /^(saw-shorter|bands-off-saw|chain-clay)$/.test(way.removalId) ||
        (oldJoint === 'none' && way.removalId === 'chain-cut')
      return (
        sawn &&
        stubMm !== null &&
        oldJoint === 'none' &&
        way.parts[0]?.family !== 'p-trap' &&
        stubMm + reach[0] <= spanMm
      )
    },
  ],
  [
    // a bowl made for more than there is before its wall: an offset flange moves it an inch and a half, nothing further
    'offset-where-near',
    (way, { line: { conditions, to } }) => {
      const { roughMm, bowlMm } = conditions
      const short = to?.kind === BOWL && roughMm != null && bowlMm != null ? bowlMm - roughMm : 0
      const offset = way.parts.some(({ fittingId }) => /^flange\..*offset/.test(fittingId))
      return offset !== short > 6 || short > 38.1 + 1e-6
    },
  ],
  [
    'machine',
    (way, { line }) =>
      /^waste\.(standpipe|box)/.test(line.to?.kind ?? '') &&
      (line.conditions.slow === true || drainIn(way, line) < 1.5),
  ],
  [
    'standpipe-2',
    (way, { line }) =>
      way.parts.some(({ fittingId }) => /^standpipe\..*1-1\/2$/.test(fittingId)) && drainIn(way, line) >= 2,
  ],
  [
    'twist-accepted',
    (way, { settings }) => way.methods.includes('twist-in') && settings.houseRules.twistIn !== 'accept',
  ],
  [
    'dry-for-cement',
    (way, { line }) =>
      line.conditions.line !== 'dry' && (way.joints[0]?.method.startsWith('cement-drain') ?? false),
  ],
  [
    'split-hub',
    (way, { line }) =>
      /hub$/.test(way.removalId) &&
      way.removalId !== 'bore-hub' &&
      line.conditions.faults.includes('hub-split'),
  ],
  [
    'bands-at-old-end',
    (way) =>
      partsOf(way).some(
        ({ id }, index) => index > 0 && /^coupling\.(shielded|flexible)\.plasticxplastic/.test(id),
      ),
  ],
]

/** The laws that a way breaks. */
export function brokenLaws(way: Way, asked: Asked): string[] {
  return DRAIN_LAWS.flatMap(([id, broken]) => (broken(way, asked) ? [id] : []))
}
