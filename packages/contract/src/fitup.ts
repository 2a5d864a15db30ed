import {
  CATALOG,
  CODE_PROFILES,
  CoreFault,
  end,
  FAMILIES,
  type Family,
  fitup,
  type PortEnd,
} from '@diarmos/core'
import { z } from 'zod'
import { discMm, endRef } from './core'

/** Distances on a site: less than a long wall. */
const distance = z.number().min(-30_000).max(30_000)
const measured = z.number().positive().max(30_000)

const measurer = z.enum(fitup.MEASURERS).optional()

export const offsetRequest = z.object({
  rollMm: distance,
  riseMm: distance,
  measurer,
  /** Fall over length that the run keeps through the offset. */
  pitch: z.number().min(0).max(0.5).optional(),
  /** What the bends are joined by: their take-out then gives the piece between. */
  bend: endRef.optional(),
})

const pieceEnd = z.object({
  reference: z.enum(['centre', 'face', 'end']),
  port: endRef.optional(),
  /** A part of the catalogue with such an end: its own lengths are then taken. */
  family: z.enum(FAMILIES).optional(),
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
  /** Fittings along the run, from its high end. */
  points: z
    .array(z.object({ name: z.string().max(80), alongMm: distance.min(0) }))
    .max(20)
    .optional(),
  /** What lies above and below: from the underside above to the middle of the high end, the pipe, and the room. */
  under: z
    .object({ headMm: distance.min(0), outsideMm: z.number().positive().max(400), roomMm: measured })
    .optional(),
})

export const drainLoadRequest = z.object({
  code: z.enum(CODE_PROFILES),
  pipe: z.enum(['branch', 'stack', 'main']),
  fall: z.enum(fitup.MAIN_FALLS),
  /** Null: which size takes it all? */
  size: z.string().min(1).max(10).nullable(),
  fixtures: z.partialRecord(z.enum(fitup.LOAD_IDS), z.number().int().min(0).max(50)),
})

const along = z.number().min(-5000).max(5000)
const thickness = z.number().min(0).max(1000)
/** Over a floor, or out from a wall. */
const height = z.number().min(0).max(3000)

export const valveDepthRequest = z.object({
  layers: z
    .array(z.object({ name: z.string().max(80), mm: thickness, tolMm: z.number().min(0).max(50).optional() }))
    .max(12),
  middleMm: thickness,
  windowMm: z.tuple([thickness, thickness]),
  /** Between the studs, clear; width of the tub, or from the corner to the middle of the drain. */
  betweenMm: measured.optional(),
  widthMm: measured.optional(),
  drainMm: measured.optional(),
})

/** What hangs on a run, by its ends from a mark at the place; below nothing on this side. */
export const onRun = z
  .object({ kind: z.enum(fitup.RUN_FEATURES), fromMm: along, toMm: along })
  .refine(({ fromMm, toMm }) => fromMm < toMm, { path: ['toMm'], message: 'ends before it begins' })

const outWindow = z.tuple([z.number().min(0).max(30_000), z.number().min(0).max(60_000)])
export const whereToCutRequest = z.object({
  badMm: z.tuple([along, along]).refine(([from, to]) => from <= to, 'ends before it begins'),
  onRun: z.array(onRun).max(12),
  leastBareMm: z.tuple([thickness, thickness]),
  windowMm: outWindow,
  /** Where a new corner goes in: which of what hangs there is its elbow, and least and most on each side of its middle. */
  corner: z
    .object({ elbow: z.number().int().min(0).max(11), legsMm: z.tuple([outWindow, outWindow]) })
    .optional(),
})

/** A hole in the wall, what goes through it, what covers it. */
export const openingRequest = z.object({
  edgesMm: z.tuple([thickness, thickness, thickness, thickness]),
  brokenMm: thickness.optional(),
  behindMm: thickness.optional(),
  bodyMm: z.tuple([measured, measured, measured]).optional(),
  trimMm: measured.optional(),
})

export const toiletRequest = z.object({
  roughInMm: measured.optional(),
  bowlMm: measured.optional(),
  flangeMm: z.number().min(-500).max(500).optional(),
  floorMm: z.array(thickness).max(8).optional(),
  slots: z.object({ leftMm: measured, rightMm: measured, apartMm: measured }).optional(),
  /** From the finished floor down to the stop of the drain's socket, and from under the flange to its own. */
  riser: z.object({ belowMm: measured, flangeSocketMm: z.number().min(0).max(500) }).optional(),
  measurer,
})

export const trapRequest = z.object({
  size: z.enum(
    fitup.TUBULAR_TRAPS.map(({ id }) => id) as [fitup.TubularTrap['id'], ...fitup.TubularTrap['id'][]],
  ),
  /** From the middle of the inlet to the outlet leg, where the trap in hand was measured. */
  swingMm: measured.optional(),
  asideMm: distance,
  outMm: height,
  stubOutMm: thickness,
  drainMm: height,
  stubMm: height,
  pitch: z
    .number()
    .min(0)
    .max(0.5)
    .default(1 / 48),
  tailMm: thickness.nullable().default(null),
  pipeMm: height.nullable().default(null),
  measurer,
})

/** A tubular trap between drain and wall. */
export function trapOf({ size, swingMm, measurer, ...ask }: z.output<typeof trapRequest>) {
  const typical = fitup.TUBULAR_TRAPS.find(({ id }) => id === size) as fitup.TubularTrap
  const trap = swingMm === undefined ? typical : { ...typical, swingMm }
  const { asideMm, outMm, stubOutMm, drainMm, stubMm } = ask
  const at = (part: 'armMm' | 'tailMm') => (lengths: object) => {
    const fit = fitup.trapFit({ ...ask, ...lengths, trap })
    return fit.ok ? (fit[part][0] + fit[part][1]) / 2 : null
  }
  return {
    trap,
    fit: fitup.trapFit({ ...ask, trap }),
    armOff: fitup.sensitivity({ asideMm, outMm, stubOutMm }, at('armMm'), measurer),
    tailOff: fitup.sensitivity({ drainMm, stubMm }, at('tailMm'), measurer),
  }
}

export const slabRequest = z.object({
  size: z.enum(fitup.SLAB_SIZES),
  slabMm: measured,
  deepMm: height,
  outMm: measured,
  pitch: z
    .number()
    .min(0)
    .max(0.5)
    .default(1 / 48),
  discMm,
  aboveMm: z.number().min(-1000).max(1000).nullable().default(null),
  measurer,
})

/** A drain that is moved under a slab. */
export function slabOf({ measurer, ...ask }: z.output<typeof slabRequest>) {
  const { slabMm, deepMm, outMm, aboveMm } = ask
  const riser = (lengths: object) => {
    const fit = fitup.underSlab({ ...ask, ...lengths })
    return fit.ok ? fit.riserMm : null
  }
  return {
    fit: fitup.underSlab(ask),
    riserOff: fitup.sensitivity({ deepMm, outMm, ...(aboveMm === null ? {} : { aboveMm }) }, riser, measurer),
    reachMm: fitup.discReachMm(ask.discMm),
    slabMm,
  }
}

export const tubWasteRequest = z.object({
  by: z.enum(fitup.TUB_WASTES.map(({ id }) => id) as [fitup.TubWaste['id'], ...fitup.TubWaste['id'][]]),
  outMm: height,
  highMm: height,
  measurer,
})

/** The tubes of a tub's waste and overflow. */
export function tubWasteOf({ by, measurer, ...ask }: z.output<typeof tubWasteRequest>) {
  const waste = fitup.TUB_WASTES.find(({ id }) => id === by) as fitup.TubWaste
  const at = (tube: 'shoeMm' | 'overflowMm') => (lengths: object) => {
    const fit = fitup.tubWasteFit({ ...ask, ...lengths, waste })
    return fit.ok ? (fit[tube][0] + fit[tube][1]) / 2 : null
  }
  return {
    waste,
    fit: fitup.tubWasteFit({ ...ask, waste }),
    shoeOff: fitup.sensitivity({ outMm: ask.outMm }, at('shoeMm'), measurer),
    overflowOff: fitup.sensitivity({ highMm: ask.highMm }, at('overflowMm'), measurer),
  }
}

export const holeRequest = z.object({
  depthMm: measured,
  centreMm: measured,
  holeMm: measured,
  plates: z.enum(['near', 'always']).optional(),
})

export const bibRequest = z.object({
  layers: z.array(z.object({ name: z.string().max(80), mm: thickness })).max(12),
  /** How far the seat lies beyond the warm side. */
  beyondMm: thickness.default(25.4),
})

export const roughInRequest = z.object({
  measured: z
    .array(
      z.object({ id: z.enum(fitup.ROUGH_IN.map(({ id }) => id) as [string, ...string[]]), mm: measured }),
    )
    .max(40),
})

/** Every usual height, and where what was measured stands against it. */
export function heights({ measured: taken }: z.output<typeof roughInRequest>) {
  return fitup.ROUGH_IN.map((window) => {
    const mm = taken.find(({ id }) => id === window.id)?.mm ?? null
    return { ...window, measuredMm: mm, fit: mm === null ? null : fitup.roughIn(window.id, mm) }
  })
}

export const bendPairsRequest = z.object({
  /** From the end of one line to the end of the other: along the first, sideways and up. */
  alongMm: distance,
  asideMm: distance,
  upMm: distance,
  /** How far the second line points aside of the first, and up, degrees. */
  turnedDegrees: z.number().min(-180).max(180).default(0),
  tiltedDegrees: z.number().min(-90).max(90).default(0),
  /** What two joints give together, degrees. */
  giveDegrees: z.number().min(0).max(10).default(2),
  bend: endRef.optional(),
  measurer,
})

const radians = (degrees: number) => (degrees * Math.PI) / 180

/** Pairs of bends between two lines, with the piece between them where the catalogue has both bends. */
export function pairsOf(ask: z.output<typeof bendPairsRequest>) {
  const { alongMm, asideMm, upMm, turnedDegrees, tiltedDegrees, giveDegrees, bend, measurer } = ask
  const [turn, tilt] = [radians(turnedDegrees), radians(tiltedDegrees)]
  const toAxis = [Math.cos(tilt) * Math.cos(turn), Math.cos(tilt) * Math.sin(turn), Math.sin(tilt)] as const
  const between = (lengths: { alongMm: number; asideMm: number; upMm: number }): fitup.Misalignment => ({
    fromAt: [0, 0, 0],
    fromAxis: [1, 0, 0],
    toAt: [lengths.alongMm, lengths.asideMm, lengths.upMm],
    toAxis,
  })
  const pairs = fitup.bendPairs(between({ alongMm, asideMm, upMm }), fitup.BEND_ANGLES, giveDegrees)
  const port = bend && end(bend.form, bend.system, bend.nominal, bend.material)
  return pairs.map((pair) => {
    const [first, second] = [pair.first, pair.second].map((angle) =>
      port ? fitup.bendBetween(port, angle) : undefined,
    )
    const inside = port ? fitup.bendJoints(port).insideMm : 0
    return {
      ...pair,
      /** The way the second line goes on. */
      toAxis,
      off: fitup.sensitivity(
        { alongMm, asideMm, upMm },
        (lengths) => fitup.bendPair(between(lengths), pair.first, pair.second, giveDegrees)?.travelMm ?? null,
        measurer,
      ),
      ...(first && second
        ? { piece: fitup.travelPiece(pair.travelMm, first.bend, second.bend, inside) }
        : {}),
    }
  })
}

export const turnedRequest = z.object({
  first: z.number().positive().max(90),
  second: z.number().positive().max(90),
  turnedDegrees: z.number().min(0).max(180),
})

/** What two bends make with the second turned out of the plane of the first, and whether a bend of that angle is made. */
export function turnedBends({ first, second, turnedDegrees }: z.output<typeof turnedRequest>) {
  const angleDegrees = fitup.resultingAngle(first, second, turnedDegrees)
  return {
    angleDegrees,
    nearest: fitup.BEND_ANGLES.reduce((best, made) =>
      Math.abs(made - angleDegrees) < Math.abs(best - angleDegrees) ? made : best,
    ),
  }
}

/** A valve's depth in its wall, how long its blocking is, and where its middle stands from the corner. */
export function depthOf({
  layers,
  middleMm,
  windowMm,
  betweenMm,
  widthMm,
  drainMm,
}: z.output<typeof valveDepthRequest>) {
  const depth = fitup.valveDepth(
    layers.map(({ name, mm, tolMm }) => (tolMm === undefined ? { name, mm } : { name, mm, tolMm })),
    middleMm,
    windowMm,
  )
  // over the drain where that is known, else in the middle of the tub
  const centreMm = drainMm ?? (widthMm === undefined ? null : widthMm / 2)
  return { ...depth, blockingMm: betweenMm ?? null, centreMm }
}

/** A toilet's place: whatever of it was measured. */
export function toiletPlace({
  roughInMm,
  bowlMm,
  flangeMm,
  floorMm = [],
  slots,
  riser,
  measurer,
}: z.output<typeof toiletRequest>) {
  return {
    ...(roughInMm === undefined || bowlMm === undefined
      ? {}
      : {
          bowl: fitup.bowlFits(roughInMm, bowlMm),
          // a tape that reads short by so much would say the other thing
          roughInOffMm: fitup.measuringErrorMm(measurer ?? 'tape', roughInMm),
        }),
    ...(flangeMm === undefined ? {} : { flange: fitup.flangeHeight(flangeMm, floorMm) }),
    ...(riser === undefined ? {} : { riser: fitup.riserMm(riser.belowMm, riser.flangeSocketMm) }),
    ...(slots === undefined
      ? {}
      : { turnedDegrees: fitup.outOfSquareDegrees(slots.leftMm, slots.rightMm, slots.apartMm) }),
  }
}

/** An offset with every bend that is made, and the piece between two of them where the catalogue has them. */
export function offsets({ rollMm, riseMm, bend, measurer, pitch }: z.output<typeof offsetRequest>) {
  const port = bend && end(bend.form, bend.system, bend.nominal, bend.material)
  return fitup.BEND_ANGLES.map((angleDegrees) => {
    const made = fitup.offset({ rollMm, riseMm, angleDegrees })
    const found = made.ok && port ? fitup.bendBetween(port, angleDegrees) : undefined
    const inside = port ? fitup.bendJoints(port).insideMm : 0
    const travel = (lengths: { rollMm: number; riseMm: number }) => {
      const other = fitup.offset({ ...lengths, angleDegrees })
      return other.ok ? other.travelMm : null
    }
    return {
      angleDegrees,
      offset: made,
      off: fitup.sensitivity({ rollMm, riseMm }, travel, measurer),
      // the run falls along the travel, which is longer than what it gains
      ...(made.ok && pitch !== undefined ? { fallMm: fitup.fallMm(made.travelMm, pitch) } : {}),
      ...(made.ok && found
        ? { part: found.part.name, piece: fitup.travelPiece(made.travelMm, found.bend, found.bend, inside) }
        : {}),
    }
  })
}

/** A part of a family with such an end, and which of its ends that is. */
function partWith(port: PortEnd, family: Family, index: number) {
  for (const fitting of CATALOG) {
    if (fitting.family !== family) continue
    const at = fitting.ports.findIndex(
      ({ form, system, nominal }) => form === port.form && system === port.system && nominal === port.nominal,
    )
    if (at >= 0) return { fitting, at }
  }
  throw new CoreFault('no-such-part', { family }, ['ends', index, 'family'])
}

/** A piece between two ends that are named. */
export function pieceBetween({ ends, ...ask }: z.output<typeof cutLengthRequest>) {
  const [a, b] = ends.map(({ port: ref, family, ...rest }, index) => {
    const port = ref && end(ref.form, ref.system, ref.nominal, ref.material)
    const part = port && family ? partWith(port, family, index) : undefined
    return {
      ...rest,
      ...(port ? { port } : {}),
      ...(part
        ? { faceMm: fitup.faceMm(part.fitting, part.at), faceTolMm: fitup.partErrorMm(part.fitting) }
        : {}),
    }
  }) as [fitup.PieceEnd, fitup.PieceEnd]
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
export function pitchOf({ lengthMm, pitch, levelMm, points, under }: z.output<typeof pitchRequest>) {
  return {
    fallMm: fitup.fallMm(lengthMm, pitch),
    percent: fitup.vialPercent(pitch),
    usual: fitup.PITCHES,
    ...(levelMm === undefined ? {} : { shimMm: fitup.shimMm(levelMm, pitch) }),
    ...(points === undefined ? {} : { points: fitup.elevations(0, pitch, points) }),
    ...(under === undefined ? {} : { under: fitup.leftUnder({ ...under, lengthMm, pitch }) }),
  }
}
