import { CATALOG, end, fitup, type PortEnd } from '@diarmos/core'
import { z } from 'zod'
import { endRef } from './core'

/** Distances on a site: less than a long wall. */
const distance = z.number().min(-30_000).max(30_000)
const measured = z.number().positive().max(30_000)

export const offsetRequest = z.object({
  rollMm: distance,
  riseMm: distance,
  /** What the bends are joined by: their take-out then gives the piece between. */
  bend: endRef.optional(),
})

const pieceEnd = z.object({
  reference: z.enum(['centre', 'face', 'end']),
  port: endRef.optional(),
  faceMm: z.number().min(0).max(500).optional(),
  faceTolMm: z.number().min(0).max(20).optional(),
  dry: z.boolean().optional(),
})

export const cutLengthRequest = z.object({
  measuredMm: measured,
  ends: z.tuple([pieceEnd, pieceEnd]),
  measurer: z.enum(fitup.MEASURERS).optional(),
  cutter: z.enum(fitup.CUTTERS).optional(),
})

export const cuttingPlanRequest = z.object({
  pieces: z.array(z.object({ name: z.string().max(80), mm: measured })).max(40),
  stock: z
    .array(z.object({ mm: measured, count: z.int().min(0).max(200).optional() }))
    .min(1)
    .max(6),
  /** What it is cut with decides what each cut takes; or that itself, where it is known better. */
  cutter: z.enum(fitup.CUTTERS).default('tube-cutter'),
  kerfMm: z.number().min(0).max(10).optional(),
})

export const pitchRequest = z.object({
  lengthMm: measured,
  pitch: z.number().positive().max(1),
  levelMm: measured.optional(),
})

const thickness = z.number().min(0).max(1000)

export const valveDepthRequest = z.object({
  layers: z
    .array(z.object({ name: z.string().max(80), mm: thickness, tolMm: z.number().min(0).max(50).optional() }))
    .max(12),
  middleMm: thickness,
  windowMm: z.tuple([thickness, thickness]),
})

export const toiletRequest = z.object({
  roughInMm: measured.optional(),
  bowlMm: measured.optional(),
  flangeMm: z.number().min(-500).max(500).optional(),
  floorMm: z.array(thickness).max(8).optional(),
  slots: z.object({ leftMm: measured, rightMm: measured, apartMm: measured }).optional(),
})

/** A valve's depth in its wall. */
export function depthOf({ layers, middleMm, windowMm }: z.output<typeof valveDepthRequest>) {
  return fitup.valveDepth(
    layers.map(({ name, mm, tolMm }) => (tolMm === undefined ? { name, mm } : { name, mm, tolMm })),
    middleMm,
    windowMm,
  )
}

/** A toilet's place: whatever of it was measured. */
export function toiletPlace({
  roughInMm,
  bowlMm,
  flangeMm,
  floorMm = [],
  slots,
}: z.output<typeof toiletRequest>) {
  return {
    ...(roughInMm === undefined || bowlMm === undefined ? {} : { bowl: fitup.bowlFits(roughInMm, bowlMm) }),
    ...(flangeMm === undefined ? {} : { flange: fitup.flangeHeight(flangeMm, floorMm) }),
    ...(slots === undefined
      ? {}
      : { turnedDegrees: fitup.outOfSquareDegrees(slots.leftMm, slots.rightMm, slots.apartMm) }),
  }
}

/** A bend of that angle with both ends of that kind, and its take-out; undefined where none is in the catalogue. */
function bendOf(port: PortEnd, angle: number) {
  const family = angle === 90 ? 'elbow-90' : angle === 45 ? 'elbow-45' : null
  const part = CATALOG.find(
    (fitting) =>
      fitting.family === family &&
      fitting.ports.every(
        ({ form, system, nominal }) =>
          form === port.form && system === port.system && nominal === port.nominal,
      ),
  )
  if (!part) return undefined
  // the pipe fully home: the least that the bend takes out
  const takeOutMm = [fitup.takeOutMm(part, 0)[0], fitup.takeOutMm(part, 1)[0]] as const
  return { part, bend: { angleDegrees: angle, takeOutMm } }
}

/** An offset with every bend that is made, and the piece between two of them where the catalogue has them. */
export function offsets({ rollMm, riseMm, bend }: z.output<typeof offsetRequest>) {
  const port = bend && end(bend.form, bend.system, bend.nominal, bend.material)
  return fitup.BEND_ANGLES.map((angleDegrees) => {
    const made = fitup.offset({ rollMm, riseMm, angleDegrees })
    const found = made.ok && port ? bendOf(port, angleDegrees) : undefined
    const inside = port ? 2 * fitup.insertionMm(port)[1] : 0
    return {
      angleDegrees,
      offset: made,
      ...(made.ok && found
        ? { part: found.part.name, piece: fitup.travelPiece(made.travelMm, found.bend, found.bend, inside) }
        : {}),
    }
  })
}

/** A piece between two ends that are named. */
export function pieceBetween({ ends, ...ask }: z.output<typeof cutLengthRequest>) {
  const [a, b] = ends.map(({ port, ...rest }) => ({
    ...rest,
    ...(port ? { port: end(port.form, port.system, port.nominal, port.material) } : {}),
  })) as [fitup.PieceEnd, fitup.PieceEnd]
  return fitup.cutLength({ ...ask, ends: [a, b] })
}

/** A cutting plan, with what the tool takes at each cut. */
export function planOf({ pieces, stock, cutter, kerfMm }: z.output<typeof cuttingPlanRequest>) {
  return fitup.cuttingPlan({
    pieces,
    stock: stock.map(({ mm, count }) => (count === undefined ? { mm } : { mm, count })),
    kerfMm: kerfMm ?? fitup.KERF_MM[cutter],
  })
}

/** What a run falls, what the level and the vial say of it, and the pitches that are usual, with their source. */
export function pitchOf({ lengthMm, pitch, levelMm }: z.output<typeof pitchRequest>) {
  return {
    fallMm: fitup.fallMm(lengthMm, pitch),
    percent: fitup.vialPercent(pitch),
    usual: fitup.PITCHES,
    ...(levelMm === undefined ? {} : { shimMm: fitup.shimMm(levelMm, pitch) }),
  }
}
