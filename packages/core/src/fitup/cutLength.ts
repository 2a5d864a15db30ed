import type { Port } from '../catalog/types'
import { type Fit, type FitReason, impossible } from './reason'
import { dryShorteningMm, insertionMm } from './takeOut'
import {
  CUTTING_ERROR_MM,
  type Cutter,
  type Measurer,
  measuringErrorMm,
  type Stack,
  stackUp,
} from './tolerance'

/** What a tape was held to at one end of the piece. */
export type Reference =
  /** The middle of a part. */
  | 'centre'
  /** The mouth of a part, where the pipe goes in. */
  | 'face'
  /** Where the pipe's end itself will lie: another pipe's end, a stop, a shoulder. */
  | 'end'

/** One end of a piece of pipe. */
export interface PieceEnd {
  readonly reference: Reference
  /** The part it goes into; none where it is measured to its own end. */
  readonly port?: Pick<Port, 'form' | 'system' | 'nominal'>
  /** From the middle of that part to its mouth, mm; for a measurement to its middle. */
  readonly faceMm?: number
  /** What that part's own length may be off, mm: it is typical where no standard fixes it. */
  readonly faceTolMm?: number
  /** The measurement was taken with the joint tried dry: it will lie closer. */
  readonly dry?: boolean
}

export interface CutAsk {
  /** As it was measured, from one reference to the other, mm. */
  readonly measuredMm: number
  readonly ends: readonly [PieceEnd, PieceEnd]
  readonly measurer?: Measurer
  readonly cutter?: Cutter
}

export interface CutLength {
  /** The piece from end to end, both fully home, mm. */
  readonly cutMm: number
  /** The shortest and longest that still make both joints, as measured, mm. */
  readonly windowMm: readonly [number, number]
  /** Marks from each end: full insertion, mm; nothing where the end goes into no part. */
  readonly marksMm: readonly [number, number]
  /** What the measured length and the cut may be off. */
  readonly stack: Stack
  /** Whether the joints can take all of that, and otherwise what to take again. */
  readonly sure: boolean
  readonly notes: readonly FitReason[]
}

/** Sum of what an end adds to the measured distance, mm: less the part up to its mouth, more what goes in. */
function endAdds(end: PieceEnd): number {
  const inside = end.port ? insertionMm(end.port)[1] : 0
  switch (end.reference) {
    case 'end':
      return 0
    case 'face':
      return inside
    case 'centre':
      return inside - (end.faceMm ?? 0)
  }
}

/**
 * The length of a piece of pipe from what was measured, with both joints fully home:
 * cut = measured + Σ (insertion − centre to mouth). The saw's kerf is no part of the piece: it comes out of the stock.
 *
 * @returns the length with its window and its tolerance, or the number that leaves no piece and by how much
 */
export function cutLength({
  measuredMm,
  ends,
  measurer = 'tape',
  cutter = 'tube-cutter',
}: CutAsk): Fit<CutLength> {
  const dry = ends.map((end) => (end.dry && end.port ? dryShorteningMm(end.port) : ([0, 0] as const)))
  // a dry socket stands out by a third to two thirds of its depth: the middle of that is taken off
  const dryMm = dry.reduce((sum, [least, most]) => sum + (least + most) / 2, 0)
  const cutMm = measuredMm - dryMm + endAdds(ends[0]) + endAdds(ends[1])
  const insertions = ends.map((end) => (end.port ? insertionMm(end.port) : ([0, 0] as const)))
  const [first, second] = insertions as [readonly [number, number], readonly [number, number]]
  const inside = first[1] + second[1]
  if (cutMm < inside) return impossible('cut.too-close', { shortMm: inside - cutMm, measuredMm })
  const slack = first[1] - first[0] + second[1] - second[0]
  const stack = stackUp([
    { name: 'measured', mm: measuredMm, tolMm: measuringErrorMm(measurer, measuredMm) },
    { name: 'cut', mm: 0, tolMm: CUTTING_ERROR_MM[cutter] },
    ...ends.map((end, index) => ({
      name: index === 0 ? 'first part' : 'second part',
      mm: endAdds(end),
      tolMm: end.reference === 'centre' ? (end.faceTolMm ?? 0) : 0,
    })),
    ...dry.map(([least, most]) => ({ name: 'dry fit', mm: -(least + most) / 2, tolMm: (most - least) / 2 })),
  ])
  // both home is the longest: half the slack either way is what the joints can take
  const windowMm = [cutMm - slack, cutMm] as const
  const notes: FitReason[] = []
  const sure = slack > 0 && 2 * stack.worstMm <= slack
  if (slack > 0 && !sure)
    notes.push({
      ruleId: 'cut.measure-again',
      parameters: { what: stack.largest ?? '', offMm: stack.worstMm, slackMm: slack },
    })
  if (dryMm > 0) notes.push({ ruleId: 'cut.dry-fit', parameters: { shortMm: dryMm } })
  return { ok: true, cutMm, windowMm, marksMm: [first[1], second[1]], stack, sure, notes }
}
