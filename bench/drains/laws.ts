// What no plumber would put their name to in a drain, asked of every way that is offered. Written from the trade and the
// raw tables: no search, no rule and no price of the product.
import { type LineRequest, type MateOption, type MateSettings, pipeById } from '@diarmos/core'
import { partsOf } from './parts'

type Asked = { readonly line: LineRequest; readonly settings: MateSettings }
type Way = Pick<MateOption, 'parts' | 'joints' | 'methods' | 'removalId' | 'beginsAt'>
type Law = readonly [id: string, broken: (way: Way, asked: Asked) => boolean]

const SEALS = /^(wax|rubber)-seal$/
const OWN_TRAP = 'waste.bowl'
const inches = (name: string) =>
  name.split('-').reduce((sum, piece) => {
    const [top = 0, below = 1] = piece.split('/').map(Number)
    return sum + top / below
  }, 0)

/** How high an old flange stands over the floor with what was put on it, mm. */
function heightOf(way: Way, { line }: Asked): number | null {
  const { flangeMm } = line.conditions
  if (flangeMm == null || !/^keep-/.test(way.removalId)) return null
  return way.parts.reduce((sum, { fittingId }) => {
    const riser = /^flange\.riser\.(.+)$/.exec(fittingId)
    return sum + (riser ? inches(riser[1] ?? '') * 25.4 : fittingId === 'flange.repair-ring' ? 2 : 0)
  }, flangeMm)
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
    if (!takes || reaches === undefined || !/^(shielded|flexible|drain-socket)$/.test(takes.form))
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
      ) !== (/^waste\.(shower|tub|standpipe)/.test(line.to?.kind ?? '') ? (line.conditions.turn ?? 0) : 0) ||
      partsOf(way).some(({ family, id }) => family.startsWith('elbow') && !/^bend\.(eighth|sweep)/.test(id)),
  ],
  ['of-drains', (way) => partsOf(way).some(({ ports }) => ports.some(({ medium }) => medium !== 'drain'))],
  [
    'one-trap',
    (way, { line }) => {
      const traps = partsOf(way).filter(({ family }) => /trap$/.test(family)).length
      const there = line.to?.kind === OWN_TRAP || line.conditions.trapped === true ? 1 : 0
      return traps + there !== 1
    },
  ],
  [
    'not-smaller-downstream',
    (way) =>
      partsOf(way).some(
        ({ near, far, family }) =>
          near &&
          far &&
          !family.includes('flange') &&
          far.diameterMm > near.diameterMm * 1.03 + 0.5 &&
          // tube of a trap is called by its outside, pipe by its bore
          inches(far.nominal) > inches(near.nominal),
      ),
  ],
  [
    'one-plastic',
    (way, { line }) => {
      const cements = way.methods.filter((id) => id.startsWith('cement-drain'))
      const old = line.pipeId?.startsWith('pvc') ? 'pvc' : line.pipeId?.startsWith('abs') ? 'abs' : null
      return cements.length > 1 || (old !== null && cements.some((id) => !id.endsWith(old)))
    },
  ],
  ['by-diameter', misfit],
  [
    'slip-in-reach',
    (way, { line }) =>
      way.methods.includes('slip-joint') &&
      line.conditions.access !== 'reachable' &&
      /^trap-(below|shower)$/.test(line.to?.route ?? ''),
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
      way.joints.filter(({ method }) => SEALS.test(method)).length !== (line.to?.kind === OWN_TRAP ? 1 : 0),
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
        tee >= 0 !== (s && /^waste\.(tail|sink|disposer|standpipe)/.test(to?.kind ?? '')) ||
        (tee >= 0 && trap < tee)
      )
    },
  ],
  [
    // a bowl made for more than there is before its wall: an offset flange moves it an inch and a half, nothing further
    'offset-where-near',
    (way, { line: { conditions, to } }) => {
      const { roughMm, bowlMm } = conditions
      const short = to?.kind === OWN_TRAP && roughMm != null && bowlMm != null ? bowlMm - roughMm : 0
      const offset = way.parts.some(({ fittingId }) => /^flange\..*offset/.test(fittingId))
      return offset !== short > 6 || short > 38.1 + 1e-6
    },
  ],
  [
    'machine',
    (_way, { line }) =>
      line.to?.kind === 'waste.standpipe' &&
      (line.conditions.slow === true || inches(line.pipeId?.split('.').at(-1) ?? '') < 1.5),
  ],
  [
    'standpipe-2',
    (way, { line }) =>
      way.parts.some(({ fittingId }) => /^standpipe\..*1-1\/2$/.test(fittingId)) &&
      inches(line.pipeId?.split('.').at(-1) ?? '') >= 2,
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
