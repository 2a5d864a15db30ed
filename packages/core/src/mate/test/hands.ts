import type { METHODS } from '../../assembly/methods/table'
import type { Removal } from '../../assembly/oldJoints/removals'
import type { Fitting } from '../../catalog/types'
import type { MateSettings } from '../types'

type Method = (typeof METHODS)[number]
export const INSERTED = ['pex-a', 'pex-b', 'pex-c', 'pex-aluminium', 'polybutylene', 'polyethylene']

/** Acts of a joint as docs/cost-model.md writes them, straight from the rows. */
const stepsOf = (method: Method, material: string, onOldPipe: boolean) =>
  method.steps
    .filter((step) => (!step.onlySoft || INSERTED.includes(material)) && (!step.needsPlace || onOldPipe))
    .map((step) =>
      // soft tube is cut, 20 s, and not reamed
      step.words === 'joint.dress' && INSERTED.includes(material) ? { ...step, seconds: 20 } : step,
    )

/** Tools of a joint: on soft tube a blade for the wheel, and no reamer. */
export function jointTools(method: Method, material: string): Method['tools'] {
  if (!INSERTED.includes(material)) return method.tools
  return method.tools.flatMap((tool) =>
    tool === 'deburrer' ? [] : tool === 'tube-cutter' ? ['plastic-cutter'] : [tool],
  )
}

/** Hands-on seconds of one joint, worked out anew. */
export function jointHands(
  method: Method,
  material: string,
  onOldPipe: boolean,
  settings: MateSettings,
): number {
  const own = settings.jointMinutes[method.id]
  if (own !== undefined) return Math.round(own * 60)
  let sum = 0
  for (const step of stepsOf(method, material, onOldPipe)) if (!step.passive) sum += step.seconds
  return sum
}

/** Trade: a fitting of bare metal is hot all through once one of its cups is soldered; a tube, a valve, a union are not. */
export const heatsThrough = ({ family, heatSensitive }: Pick<Fitting, 'family' | 'heatSensitive'>): boolean =>
  !heatSensitive && !/^tube-piece$|union|stop|valve|bib/.test(family)

/** Seconds that the next cup of a hot fitting spares: of its heat only half a minute of feeding is left. */
export function secondCup(
  method: Method,
  material: string,
  onOldPipe: boolean,
  settings: MateSettings,
): number {
  if (method.id !== 'sweat') return 0
  const steps = stepsOf(method, material, onOldPipe)
  const heat = steps.find(({ words }) => words === 'sweat.heat')?.seconds ?? 0
  const own = settings.jointMinutes[method.id]
  if (own === undefined) return heat - 30
  // the shop's own minutes are shared out among the acts, in whole seconds
  let left = Math.round(own * 60)
  let rest = 0
  for (const step of steps) if (!step.passive) rest += step.seconds
  for (const step of steps.filter(({ passive }) => !passive)) {
    const share = rest > 0 ? Math.round((left * step.seconds) / rest) : left
    if (step.words === 'sweat.heat') return Math.max(0, share - 30)
    left -= share
    rest -= step.seconds
  }
  return 0
}

/** Seconds to draw a union's nut. */
export const nutDrawn = ({ family }: Pick<Fitting, 'family'>): number => (/union$/.test(family) ? 60 : 0)

/** Cement in a warm room: twice as long from 1-1/2 in, three hours from 2-1/2 in on. */
function slower(id: string, nominal: string): number {
  if (!id.startsWith('cement')) return 1
  if (/^(2-1\/2|[3-9](-1\/2)?)$/.test(nominal)) return id === 'cement' ? 6 : 3
  return /^(1-1\/2|2)$/.test(nominal) ? 2 : 1
}

/** Seconds that the water is off for one joint on the old pipe, in a warm room; with the table's own times. */
export function jointCloses(method: Method, material: string, nominal: string): number {
  const longer = method.medium === 'drain' ? 1 : slower(method.id, nominal)
  return stepsOf(method, material, true)
    .filter(({ kind }) => ['close', 'wait'].includes(kind))
    .reduce((sum, { kind, seconds }) => sum + (kind === 'wait' ? longer * seconds : seconds), 0)
}

/** Seconds of a removal. */
export const removalHands = ({ steps }: Removal): number =>
  steps.reduce((sum, { seconds }) => sum + seconds, 0)

/** What tools that are got on the way cost, once for a kind of joint. */
export function toolsBought({ tools }: Pick<Method, 'tools'>, settings: MateSettings): number {
  let sum = 0
  for (const tool of tools) if (!settings.toolsAboard.includes(tool)) sum += settings.toolCents?.[tool] ?? 0
  return sum
}
