import { type Engagement, tubeEngagement } from '../reference/engagement'
import type { Source } from '../reference/source'
import { type Fit, type FitReason, impossible } from './reason'

const IN = 25.4

/** A tub's waste and overflow: a shoe under the drain, an elbow behind the overflow, a tee where both come together. Millimetres. */
export interface TubWaste {
  readonly id: 'nuts' | 'cement'
  /** Shoe: from the middle of the drain to the mouth of its outlet, and from under the tub down to the middle of that. */
  readonly shoeOutMm: number
  readonly shoeDownMm: number
  /** Elbow behind the overflow: from its middle down to its mouth. */
  readonly elbowDownMm: number
  /** Tee: from its middle to the mouths that look to the shoe, up and down. */
  readonly teeMm: number
  /** How far a tube goes into each mouth, least and most. */
  readonly inMm: readonly [number, number]
  /** Tubes as they come with it: to the shoe, and to the overflow; none with pipe that is bought by the length. */
  readonly boughtMm: readonly [number, number] | null
  readonly source: Source
}

const window = (
  form: 'slip-joint' | 'drain-socket',
  system: 'tubular' | 'IPS',
): readonly [number, number] => {
  const { minMm, maxMm } = tubeEngagement(form, system, '1-1/2') as Engagement
  // cement wants it home
  return form === 'drain-socket' ? [maxMm, maxMm] : [minMm, maxMm]
}

/** By how its tubes are joined; typical: what is in hand is measured. */
export const TUB_WASTES: readonly TubWaste[] = [
  {
    id: 'nuts',
    shoeOutMm: 1.75 * IN,
    shoeDownMm: 1.25 * IN,
    elbowDownMm: 1.75 * IN,
    teeMm: 1.5 * IN,
    inMm: window('slip-joint', 'tubular'),
    boughtMm: [10 * IN, 16 * IN],
    source: {
      title: 'Tub wastes with slip nuts (ASME A112.18.2), typical of the kind',
      certainty: "maker's sheet",
    },
  },
  {
    id: 'cement',
    shoeOutMm: 2 * IN,
    shoeDownMm: 1.375 * IN,
    elbowDownMm: 2 * IN,
    teeMm: 1.75 * IN,
    inMm: window('drain-socket', 'IPS'),
    boughtMm: null,
    source: {
      title: 'Tub wastes of 1-1/2 in pipe, cemented, typical of the kind',
      certainty: "maker's sheet",
    },
  },
]

export interface TubAsk {
  readonly waste: TubWaste
  /** Along the tub, from the middle of its drain to the middle of the pipe behind the overflow, mm. */
  readonly outMm: number
  /** From under the tub at its drain up to the middle of the overflow, mm. */
  readonly highMm: number
}

export interface TubFit {
  /** Tube between shoe and tee, shortest and longest that hold, mm. */
  readonly shoeMm: readonly [number, number]
  /** Tube between tee and overflow, shortest and longest that hold, mm. */
  readonly overflowMm: readonly [number, number]
  /** The mouth that looks down to the trap: how far under the tub it stands, mm; it is `outMm` from the drain. */
  readonly mouthDownMm: number
  readonly notes: readonly FitReason[]
}

/**
 * What is cut of a tub's waste and overflow, from where the drain and the overflow are: each tube is the way between two
 * mouths and what goes into them.
 *
 * @returns the number that makes it impossible and by how much, where two mouths stand nearer than a tube can be short
 */
export function tubWasteFit({ waste, outMm, highMm }: TubAsk): Fit<TubFit> {
  const [least, most] = waste.inMm
  const apart = {
    shoe: outMm - waste.shoeOutMm - waste.teeMm,
    overflow: highMm + waste.shoeDownMm - waste.elbowDownMm - waste.teeMm,
  }
  for (const [which, mm] of Object.entries(apart))
    if (mm < 0) return impossible('tub.near', { which, shortMm: -mm })
  const tube = (mm: number) => [mm + 2 * least, mm + 2 * most] as const
  const [shoeMm, overflowMm] = [tube(apart.shoe), tube(apart.overflow)]
  const notes = (['shoe', 'overflow'] as const).flatMap((which, at) => {
    const bought = waste.boughtMm?.[at]
    const shortest = (which === 'shoe' ? shoeMm : overflowMm)[0]
    return bought !== undefined && shortest > bought
      ? [{ ruleId: 'tub.longer', parameters: { which, overMm: shortest - bought }, source: waste.source }]
      : []
  })
  return { ok: true, shoeMm, overflowMm, mouthDownMm: waste.shoeDownMm + waste.teeMm, notes }
}
