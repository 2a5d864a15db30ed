import { end, type PortEnd } from '../../catalog/ends'
import { threadEngagement, tubeEngagement } from '../../reference/engagement'
import { isMetricWaste, isPlastic, isThreadedMaterial, mediumOf } from '../../reference/materials'
import { isSoftTube } from '../../reference/softTube'
import { commonPractice } from '../../reference/source'
import type { Pipe, PipeMaterial } from '../../reference/types'
import type { Conditions } from '../conditions'
import type { Reason } from '../reason'
import { toolsOn } from '../tools'
import { withBesides } from './besides'
import {
  CUT_BACK,
  type EndMark,
  KEEP_STOP,
  NEW_END,
  OLD_FLANGE_HUB_MM,
  type Removal,
  removalsOf,
  SAW_BACK,
  shorterBy,
} from './removals'
import { oldJointRow } from './table'

/** The end of the stub once the old stop is off. */
export interface Start {
  readonly removal: Removal
  readonly port: PortEnd
  /** Straight bare length from the wall, mm, below 0 where the cut would lie in the wall; null while the stub is not measured. */
  readonly usableMm: number | null
  readonly marks: ReadonlySet<EndMark>
  /** Drawn soft: it can be flared. */
  readonly soft?: boolean
  /** It is as long as it is: nothing is cut off it. */
  readonly whole?: boolean
  /** Of a free end that is sawn shorter, how long it was, mm; null while it is not measured. */
  readonly wholeMm?: number | null
  /** Top of a flange that stays, over the finished floor, mm; null while it is not measured. */
  readonly atMm?: number | null
  /** Reasons that rule this removal out here. */
  readonly forbidden: readonly Reason[]
}

/** Marks that were there before anything was taken off. */
const FAULT_MARKS: Partial<Record<Conditions['faults'][number], EndMark>> = {
  'ring-mark': 'ring',
  'tooth-marks': 'teeth',
  'solder-on': 'solder',
  bent: 'bend',
}

/** All marks that the end had before anything was taken off; one cut past them cures every one. */
export function marksOn({ scored, outOfRound, faults }: Conditions): EndMark[] {
  return [
    ...faults.flatMap((fault) => FAULT_MARKS[fault] ?? []),
    ...(scored ? (['score'] as const) : []),
    ...(outOfRound ? (['oval'] as const) : []),
  ]
}

/** What is said of an end whose length counts: it stays as long as it is, or is made shorter. */
function lengthOf(
  { id, kerfMm }: Removal,
  usableMm: number | null,
  shortens: boolean,
): Pick<Start, 'whole' | 'wholeMm'> {
  // what comes off by heat or by its nut is trimmed with what it leaves
  if (kerfMm === 0) return id === 'bare' || id === 'bands-off' ? { whole: true } : {}
  return shortens ? { wholeMm: usableMm === null ? null : usableMm + kerfMm } : {}
}

/** Tube that the nut of a trap adapter on drain pipe takes, and what it takes with a reducing washer. Common practice. */
const NUTS: Readonly<Record<string, readonly [string, string?]>> = {
  '1-1/4': ['1-1/4'],
  '1-1/2': ['1-1/2', '1-1/4'],
  '2': ['1-1/2', '1-1/4'],
}

/** Length of a compression nut by the tube's outside diameter, typical of the kind, mm. */
export function nutLengthMm(odMm: number): number {
  return 6 + odMm * 0.4
}

function gainMm(removal: Removal, pipe: Pipe, conditions: Conditions): number {
  const nut = nutLengthMm(pipe.odMm)
  const { body } = oldJointRow(conditions.oldJoint)
  const insertion = removal.threadedEnd
    ? conditions.oldJoint === 'threaded' && conditions.thread !== 'none'
      ? (threadEngagement(conditions.thread, pipe.nominal)?.minMm ?? 0)
      : 0
    : body
      ? (tubeEngagement(body, pipe.system, pipe.nominal)?.maxMm ?? 0)
      : 0
  switch (removal.gains) {
    case 'nothing':
      return 0
    case 'insertion':
      return insertion
    case 'nut-less-ring':
      // the ring sits at the body's mouth, inside the nut, about 8 mm long with its cut
      return Math.max(0, nut - 8)
    case 'nut-and-insertion':
      return nut + insertion
    case 'collar':
      return OLD_FLANGE_HUB_MM
  }
}

/** A new end that nothing has to be taken off: a fixture's own, or any end that was named. */
export function freshStart(port: PortEnd): Start {
  return { removal: NEW_END, port, usableMm: null, marks: new Set(), forbidden: [] }
}

/** The outlet of a stop that stays. */
export function keptStart(port: PortEnd, conditions: Conditions): Start {
  return { ...freshStart(port), removal: withBesides(KEEP_STOP, conditions) }
}

/** True for pipe that is threaded rather than joined as tube. */
export function isThreadedPipe(pipe: Pipe): boolean {
  return isThreadedMaterial(pipe.material)
}

/** Pipe that a removal is for. */
const IS_ON: Readonly<Record<NonNullable<Removal['on']>, (material: PipeMaterial) => boolean>> = {
  soft: isSoftTube,
  plastic: isPlastic,
  iron: (material) => material === 'cast-iron',
  'metric-waste': isMetricWaste,
  'copper-drain': (material) => material === 'copper-drain',
  threaded: isThreadedMaterial,
}

/** Whether what a removal keeps is there: a nut of a size that takes tube, a ring that is whole or is not, a hub. */
function staysThere(
  keeps: NonNullable<Removal['keeps']>,
  { system, nominal, material }: Pipe,
  { faults, stubMm }: Conditions,
): boolean {
  switch (keeps) {
    case 'nut':
    case 'nut-reduced':
      return NUTS[nominal]?.[keeps === 'nut' ? 0 : 1] !== undefined
    case 'flange':
      return !faults.includes('ring-broken')
    case 'flange-broken':
      return faults.includes('ring-broken')
    case 'hub':
      return system === 'service' || system === 'heavy'
    case 'socket':
      // who has measured down to it has seen it
      return isPlastic(material) && stubMm !== null
    case 'thread':
    case 'stop':
      return true
  }
}

/**
 * Where the mouth of what stays stands, from where the line is measured, mm: a hub's rim is that place, a flange stands
 * where the floor has it. Null while it is not measured; undefined for what stands at the end of the stub.
 */
function keptAtMm(
  keeps: NonNullable<Removal['keeps']>,
  { spanMm, flangeMm }: Conditions,
): number | null | undefined {
  if (keeps === 'hub' || keeps === 'socket' || keeps === 'thread') return 0
  if (!keeps.startsWith('flange')) return undefined
  return spanMm == null || flangeMm == null ? null : Math.max(0, spanMm + flangeMm)
}

function keptEnd(
  keeps: NonNullable<Removal['keeps']>,
  { system, nominal, material }: Pipe,
  { thread }: Conditions,
): PortEnd {
  switch (keeps) {
    case 'flange':
      return end('old-flange', 'IPS', '4', 'pvc-drain')
    case 'flange-broken':
      return end('broken-flange', 'IPS', '4', 'pvc-drain')
    case 'hub':
      return end('hub', system, nominal, material)
    case 'socket':
      return end('drain-socket', system, nominal, material)
    case 'thread':
      return { ...end('taper-female', thread === 'BSP' ? 'BSP' : 'NPT', nominal, material), medium: 'drain' }
    default:
      return end('slip-joint', 'tubular', NUTS[nominal]?.[keeps === 'nut' ? 0 : 1] ?? '', 'tubular-plastic')
  }
}

/**
 * Every state the stub's end can be brought into here, with what each removal leaves and forbids.
 *
 * @param fitted what goes on it has to stand at a distance that was measured: a free end lies where it does, or is sawn
 */
export function starts(pipe: Pipe, conditions: Conditions, fitted = false): Start[] {
  const states: Start[] = []
  // steel, brass and copper carry either
  const medium = conditions.service === 'waste' ? 'drain' : mediumOf(pipe.material)
  const before = marksOn(conditions)
  const back = medium === 'drain' ? SAW_BACK : CUT_BACK
  const shorter = new Set<Removal>()
  const removals = removalsOf(conditions.oldJoint).flatMap((removal) => {
    const sawn = fitted ? shorterBy(removal, pipe.material, medium) : null
    if (sawn) shorter.add(sawn)
    return sawn ? [removal, sawn] : [removal]
  })
  const cuts = removals.some(({ id }) => ['bare', 'cut-behind', 'saw-behind', 'saw-behind-ring'].includes(id))
  for (const removal of before.length > 0 && cuts ? [...removals, back] : removals) {
    if (removal.medium && removal.medium !== medium) continue
    if (removal.on && !IS_ON[removal.on](pipe.material)) continue
    const threadedPipe = isThreadedPipe(pipe)
    if (removal.offThread && !(threadedPipe && conditions.thread !== 'none')) continue
    if (removal.threadedEnd) {
      // a bare threaded pipe needs nothing unscrewed; the thread must be there
      if (conditions.thread === 'none') continue
      if (conditions.oldJoint === 'none' && !threadedPipe) continue
    } else if (['bare', back.id].includes(removal.id) && threadedPipe && conditions.thread !== 'none')
      continue
    if (removal.keeps && !staysThere(removal.keeps, pipe, conditions)) continue
    let port: PortEnd
    try {
      port = removal.keeps
        ? keptEnd(removal.keeps, pipe, conditions)
        : removal.threadedEnd
          ? end('taper-male', conditions.thread === 'BSP' ? 'BSP' : 'NPT', pipe.nominal, pipe.material)
          : end('tube', pipe.system, pipe.nominal, pipe.material)
    } catch {
      // that thread is not made in that size
      continue
    }
    const kept = removal.keeps && keptAtMm(removal.keeps, conditions)
    const usableMm =
      kept !== undefined
        ? kept
        : conditions.stubMm === null
          ? null
          : conditions.stubMm + gainMm(removal, pipe, conditions) - removal.kerfMm
    const forbidden: Reason[] = []
    const forbid = (ruleId: string, change: Reason['change'], parameters: Reason['parameters'] = {}) =>
      forbidden.push({
        ruleId,
        severity: 'forbid',
        parameters,
        source: commonPractice,
        ...(change ? { change } : {}),
      })
    if (removal.keeps === 'hub' && conditions.faults.includes('hub-split'))
      forbid('removal.hub-split', undefined)
    if (removal.needsFlame && !conditions.flame) forbid('removal.flame', 'flame')
    if (removal.needsDry && conditions.line !== 'dry') forbid('removal.dry', 'dry')
    if (conditions.stubMm !== null && conditions.stubMm < removal.roomMm)
      forbid('removal.room', 'stub', { missingMm: removal.roomMm - conditions.stubMm })
    states.push({
      removal: withBesides(
        removal.on ? removal : { ...removal, tools: toolsOn(removal.tools, pipe.material) },
        conditions,
      ),
      port,
      usableMm,
      marks: new Set(removal === back ? [] : [...removal.leaves, ...before]),
      ...(pipe.temper === 'soft' ? { soft: true } : {}),
      ...(fitted ? lengthOf(removal, usableMm, shorter.has(removal)) : {}),
      ...(removal.keeps?.startsWith('flange') ? { atMm: conditions.flangeMm ?? null } : {}),
      forbidden,
    })
  }
  return states
}
