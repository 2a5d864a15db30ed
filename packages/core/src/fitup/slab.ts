import { CATALOG } from '../catalog'
import { fullDepthMm } from '../catalog/ends'
import { CoreFault } from '../fault'
import { PIPES } from '../reference/pipes'
import { discReachMm, SLAB_DISC_SOURCE } from '../reference/slab'
import type { Source } from '../reference/source'
import { commonPractice } from '../reference/source'
import { STANDPIPE_BORES } from '../reference/standpipe'
import { type Fit, type FitReason, impossible } from './reason'
import { MOST_DROP_MM } from './trap'

const IN = 25.4

/** Sizes of traps under a floor. */
export const SLAB_SIZES = ['1-1/2', '2'] as const
export type SlabSize = (typeof SLAB_SIZES)[number]

/** Water that a trap holds at least, mm. */
const SEAL_MM = 2 * IN
const SEAL_SOURCE: Source = {
  title: 'IPC 1002.4, UPC 1005.0: a seal of 2 to 4 in',
  certainty: 'recalled',
}
/** Common practice: soil taken out under the pipe for its bed; the riser left over the floor; beyond the work at both ends; across, mm. */
const BED_MM = 3 * IN
const LEFT_LONG_MM = 6 * IN
const BEYOND_MM = 6 * IN
const TRENCH_MM = 12 * IN
const LITRES_PER_CUBIC_FOOT = 28.316846592
/** What a bag of dry concrete gives, litres: 80 lb make 0.6 cubic feet. */
export const BAG_LITRES = 0.6 * LITRES_PER_CUBIC_FOOT

const DROP: Source = { title: 'IPC 1002.1, UPC 1001.2: 24 in from outlet to weir', certainty: 'recalled' }

export interface SlabAsk {
  readonly size: SlabSize
  /** Thickness of the concrete, mm. */
  readonly slabMm: number
  /** From its top down to the middle of the old pipe, mm, where the way is measured from; it falls as the new arm does. */
  readonly deepMm: number
  /** From there to the middle of the new drain, mm. */
  readonly outMm: number
  /** Fall over length. */
  readonly pitch: number
  /** Diameter of the saw's disc, mm. */
  readonly discMm: number
  /** Mouth of the drain that takes the riser, over the slab's top, below nothing beneath it, mm; null until it is in hand. */
  readonly aboveMm: number | null
}

export interface SlabFit {
  /** From the slab's top down to the middle of the trap's outlet, to its weir and to the mouth of its inlet, mm. */
  readonly trapMm: number
  readonly weirMm: number
  readonly inletMm: number
  /** Riser from its end in the trap to half a foot over the floor, as it is left, mm. */
  readonly longMm: number
  /** The same to its end in the drain, mm; null while that height is not known. */
  readonly riserMm: number | null
  /** How deep it is dug under the slab's top, at the old pipe and under the trap, mm. */
  readonly digMm: readonly [number, number]
  /** What the disc does not reach, mm; nothing where it goes through. */
  readonly restMm: number
  /** The trench, along and across, mm, and the concrete that fills it, litres and bags. */
  readonly lengthMm: number
  readonly acrossMm: number
  readonly litres: number
  readonly bags: number
  /** What says how much water the trap holds, for which the trench is dug. */
  readonly seal: Source
  readonly notes: readonly FitReason[]
}

/** A trap between two sockets for cement, as the catalogue has it, mm. */
function trapOf(size: SlabSize) {
  const trap = CATALOG.find(({ family, ports }) => {
    const [a, b] = ports
    return (
      family === 'p-trap' && a?.form === 'drain-socket' && b?.form === 'drain-socket' && a.nominal === size
    )
  })
  const [outlet, inlet] = trap?.ports ?? []
  if (!outlet || !inlet) throw new CoreFault('no-such-part', { family: 'p-trap' }, ['size'])
  return {
    longMm: -outlet.pose.origin[0],
    inletAboveMm: inlet.pose.origin[1],
    socketMm: fullDepthMm(inlet),
  }
}

/** The pipe that it is of, mm. */
function pipeOf(size: SlabSize) {
  const odMm = PIPES.find(({ id }) => id === `abs-dwv.40.${size}`)?.odMm ?? 0
  return { odMm, boreMm: STANDPIPE_BORES[size] ?? 0 }
}

/**
 * A drain moved under a slab: the trap stands under its middle, as much higher than the old pipe as the arm between them
 * falls; how deep is dug, how long the riser is, what the disc leaves, what goes back in.
 *
 * @returns the number that makes it impossible and by how much, where the trap is too long for the way, or stands so high
 * that the drain comes down on it
 */
export function underSlab({ size, slabMm, deepMm, outMm, pitch, discMm, aboveMm }: SlabAsk): Fit<SlabFit> {
  const trap = trapOf(size)
  const { odMm, boreMm } = pipeOf(size)
  const armMm = outMm - trap.longMm
  if (armMm < 0) return impossible('slab.near', { shortMm: -armMm })
  const trapMm = deepMm - armMm * pitch
  const inletMm = trapMm - trap.inletAboveMm
  const foot = inletMm + trap.socketMm
  // home at both ends
  const riserMm = aboveMm === null ? null : foot + aboveMm + trap.socketMm
  // no mouth is let into the other
  const leastMm = 2 * trap.socketMm
  if (riserMm !== null && riserMm < leastMm) return impossible('slab.high', { overMm: leastMm - riserMm })
  const weirMm = trapMm + boreMm / 2
  // down from the weir its seal, the bend's bore, and the pipe's own wall
  const underTrapMm = weirMm + SEAL_MM + boreMm + (odMm - boreMm) / 2
  const restMm = Math.max(0, slabMm - discReachMm(discMm))
  const lengthMm = outMm + 2 * BEYOND_MM
  const litres = (lengthMm * TRENCH_MM * slabMm) / 1e6
  const dropMm = weirMm + (aboveMm ?? 0)
  return {
    ok: true,
    trapMm,
    weirMm,
    inletMm,
    longMm: foot + LEFT_LONG_MM,
    riserMm,
    digMm: [deepMm + odMm / 2 + BED_MM, underTrapMm + BED_MM],
    restMm,
    lengthMm,
    acrossMm: TRENCH_MM,
    litres,
    bags: Math.ceil(litres / BAG_LITRES),
    seal: SEAL_SOURCE,
    notes: [
      ...(dropMm > MOST_DROP_MM
        ? [{ ruleId: 'trap.drop', parameters: { overMm: dropMm - MOST_DROP_MM }, source: DROP }]
        : []),
      ...(restMm > 0 ? [{ ruleId: 'slab.disc', parameters: { restMm }, source: SLAB_DISC_SOURCE }] : []),
      ...(inletMm < 0
        ? [{ ruleId: 'slab.stands-out', parameters: { overMm: -inletMm }, source: commonPractice }]
        : []),
    ],
  }
}
