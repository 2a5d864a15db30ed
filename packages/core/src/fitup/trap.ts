import { INLET_ABOVE_MM, TRAP_SWINGS, WASTE_TRAPS } from '../catalog/trapSizes'
import { type Engagement, tubeEngagement } from '../reference/engagement'
import type { Source } from '../reference/source'
import { type Fit, type FitReason, impossible } from './reason'
import { degrees } from './vector'

const IN = 25.4
const SHEET: Source = { title: 'Tubular traps, typical of the kind', certainty: "maker's sheet" }

/** A tubular trap of two pieces: its bend swings about the tailpiece, its wall tube about the bend. Millimetres. */
export interface TubularTrap {
  readonly id: '1-1/4' | '1-1/2' | '32' | '40'
  /** From the middle of the inlet to the middle of the outlet leg. */
  readonly swingMm: number
  /** The mouth of the inlet over the middle of the wall tube. */
  readonly inletAboveMm: number
  /** How far a tailpiece goes into the inlet, least and most. */
  readonly tailInMm: readonly [number, number]
  /** Wall tube from the middle of its bend to its plain end: cut back as far as may be, and as it is bought. */
  readonly armMm: readonly [number, number]
  /** Longer wall tubes that are sold by themselves, as waste arms, the shortest first. */
  readonly longerArmsMm: readonly number[]
  /** How far it goes into the nut at the wall, least and most. */
  readonly armInMm: readonly [number, number]
  /** A metric trap: its outlet is a nut that grips the pipe itself, so that the pipe is what is cut. */
  readonly grips?: Grips
  readonly source: Source
}

interface Grips {
  /** From the middle of the outlet leg to the mouth of its nut, mm. */
  readonly reachMm: number
  /** How far its inlet can be drawn out, mm. */
  readonly drawMm: number
}

/** Through a nut, as the joint itself has it; metric traps alike. */
const { minMm, maxMm } = tubeEngagement('slip-joint', 'tubular', '1-1/2') as Engagement
const SLIP_IN_MM = [minMm, maxMm] as const

const trap = (id: TubularTrap['id'], swingMm: number): TubularTrap => ({
  id,
  swingMm,
  inletAboveMm: INLET_ABOVE_MM,
  tailInMm: SLIP_IN_MM,
  armMm: [2 * IN, 7 * IN],
  longerArmsMm: [12 * IN, 15 * IN],
  armInMm: SLIP_IN_MM,
  source: SHEET,
})
/** How far the inlet of a metric trap can be drawn out, and what its nut wants before the wall, mm. */
const DRAW_MM = 60
const NUT_MM = 25
const GRIPPING_SHEET: Source = {
  title: 'Metric waste traps, typical of the kind',
  certainty: "maker's sheet",
}

/** Traps by size, typical: what is in hand is measured. */
export const TUBULAR_TRAPS: readonly TubularTrap[] = [
  ...TRAP_SWINGS.map(([size, swingMm]) => trap(size, swingMm)),
  ...WASTE_TRAPS.map(([_, size, swingMm, reachMm]): TubularTrap => {
    const pipe = tubeEngagement('trap-outlet', 'metric-waste', size) as Engagement
    return {
      ...trap(size, swingMm),
      tailInMm: [0, 0],
      armMm: [reachMm, reachMm],
      longerArmsMm: [],
      armInMm: [pipe.minMm, pipe.maxMm],
      grips: { reachMm, drawMm: DRAW_MM },
      source: GRIPPING_SHEET,
    }
  }),
]

/** From the fixture's outlet down to the weir at most, mm. */
export const MOST_DROP_MM = 24 * IN
const DROP: Source = { title: 'IPC 1002.1, UPC 1001.2: 24 in from outlet to weir', certainty: 'recalled' }

export interface TrapAsk {
  readonly trap: TubularTrap
  /** From the middle of the stub at the wall sideways to the middle of the drain, mm. */
  readonly asideMm: number
  /** From the finished wall out to the middle of the drain, mm. */
  readonly outMm: number
  /** The mouth of the stub's nut out from the finished wall, mm. */
  readonly stubOutMm: number
  /** Over the floor: where the tailpiece begins, and the middle of the stub, mm. */
  readonly drainMm: number
  readonly stubMm: number
  /** Fall of the wall tube. */
  readonly pitch: number
  /** The tailpiece in hand, from where it begins to its end, mm; null where it is still to be cut. */
  readonly tailMm?: number | null
  /** Of a trap that grips the pipe: how far that stands out now, from the finished wall, mm; null where pipe goes on it. */
  readonly pipeMm?: number | null
}

export interface TrapFit {
  /** How far the bend swings out of the plane square to the wall, degrees: nothing points straight at the wall or away. */
  readonly swingDegrees: number
  /** Whether its outlet leg stands nearer the wall than the drain, or further out. */
  readonly leg: 'toward' | 'away'
  /** The outlet leg from the finished wall, mm. */
  readonly legOutMm: number
  /**
   * What is cut, shortest and longest that hold, mm: the wall tube, from the middle of its bend to its end; of a trap that
   * grips the pipe, that pipe, from the finished wall to its end.
   */
  readonly armMm: readonly [number, number]
  /** The waste arm that is bought for it, from its bend to its end, mm; null where the trap's own tube does. */
  readonly longerArmMm: number | null
  /** Tailpiece from where it begins to its end, shortest and longest that hold; how far an inlet that can be is drawn out, mm. */
  readonly tailMm: readonly [number, number]
  /** What has to be added to the tailpiece in hand, or cut off it (below nothing), mm; nothing where it does as it is. */
  readonly tailChangeMm: number
  /** From where the tailpiece begins down to the weir, mm. */
  readonly dropMm: number
  readonly notes: readonly FitReason[]
}

interface Way {
  readonly leg: TrapFit['leg']
  readonly legOutMm: number
  readonly armMm: readonly [number, number]
}

/** What the pipe that is there has too much, or lacks so that other pipe has to go on it. */
function ofPipe(pipeMm: number | null, [least, most]: readonly [number, number]): FitReason[] {
  if (pipeMm === null) return []
  if (pipeMm < least) return [{ ruleId: 'trap.pipe-short', parameters: { shortMm: least - pipeMm } }]
  return pipeMm > most ? [{ ruleId: 'trap.pipe-long', parameters: { overMm: pipeMm - most } }] : []
}

/**
 * Whether a tubular trap lines up between a drain and the stub in the wall. Its bend swings on a circle about the
 * tailpiece; the wall tube must run straight into the stub, so the outlet leg has to stand where that circle meets the
 * plane of the stub: at most two places, out = drain ± √(swing² − aside²). Where its own tube reaches from neither, the
 * shortest waste arm does.
 *
 * @returns how it stands and what to cut, or the number that makes it impossible and by how much
 */
export function trapFit(ask: TrapAsk): Fit<TrapFit> {
  const { trap, outMm, stubOutMm, drainMm, stubMm, pitch } = ask
  const aside = Math.abs(ask.asideMm)
  if (aside > trap.swingMm)
    return impossible('trap.aside', { overMm: aside - trap.swingMm, swingMm: trap.swingMm })
  const across = Math.sqrt(trap.swingMm ** 2 - aside ** 2)
  const waysBy = (mostMm: number) =>
    (['toward', 'away'] as const).map((leg): Way => {
      const legOutMm = leg === 'toward' ? outMm - across : outMm + across
      const reach = legOutMm - stubOutMm
      if (trap.grips) {
        const mouth = legOutMm - trap.grips.reachMm
        return { leg, legOutMm, armMm: [mouth + trap.armInMm[0], mouth + trap.armInMm[1]] }
      }
      return {
        leg,
        legOutMm,
        armMm: [Math.max(reach + trap.armInMm[0], trap.armMm[0]), Math.min(reach + trap.armInMm[1], mostMm)],
      }
    })
  const roomFor = ({ armMm }: Way) => armMm[0] - trap.armInMm[0] - NUT_MM
  const [own, ...longer] = [trap.armMm[1], ...trap.longerArmsMm]
  const held = [own, ...longer].flatMap((mostMm) =>
    waysBy(mostMm)
      .filter((way) => (trap.grips ? roomFor(way) >= 0 : way.armMm[0] <= way.armMm[1]))
      .map((way) => ({ ...way, longerArmMm: mostMm === own ? null : mostMm })),
  )
  const [best] = held
  const longestMm = longer.at(-1) ?? own
  if (!best) {
    const [toward, away] = waysBy(longestMm) as [Way, Way]
    if (trap.grips) return impossible('trap.near', { shortMm: -roomFor(away) })
    const lacks = (way: Way) => trap.armMm[0] - (way.legOutMm - stubOutMm + trap.armInMm[1])
    const over = (way: Way) => way.legOutMm - stubOutMm + trap.armInMm[0] - longestMm
    return over(toward) > 0
      ? impossible('trap.far', { overMm: over(toward), longestMm })
      : impossible('trap.near', { shortMm: lacks(away) })
  }
  const armHeight = stubMm + (best.legOutMm - stubOutMm) * pitch
  const gap = drainMm - (armHeight + trap.inletAboveMm)
  if (gap < 0) return impossible('trap.high', { overMm: -gap })
  if (trap.grips && gap > trap.grips.drawMm)
    return impossible('trap.deep', { shortMm: gap - trap.grips.drawMm, drawMm: trap.grips.drawMm })
  const tailMm = [gap + trap.tailInMm[0], gap + trap.tailInMm[1]] as const
  const inHand = ask.tailMm ?? null
  const tailChangeMm =
    inHand === null || trap.grips
      ? 0
      : inHand < tailMm[0]
        ? tailMm[0] - inHand
        : Math.min(0, tailMm[1] - inHand)
  const dropMm = drainMm - armHeight
  const notes: FitReason[] = [
    ...(dropMm > MOST_DROP_MM
      ? [{ ruleId: 'trap.drop', parameters: { overMm: dropMm - MOST_DROP_MM }, source: DROP }]
      : []),
    ...(best.longerArmMm === null
      ? []
      : [{ ruleId: 'trap.longer-arm', parameters: { lengthMm: best.longerArmMm }, source: SHEET }]),
    ...(trap.grips ? ofPipe(ask.pipeMm ?? null, best.armMm) : []),
  ]
  return {
    ok: true,
    swingDegrees: degrees(Math.atan2(aside, across)),
    ...best,
    tailMm,
    tailChangeMm,
    dropMm,
    notes,
  }
}
