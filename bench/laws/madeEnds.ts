import { fitup, type LineRequest, type MateOption, pipeById } from '@diarmos/core'

/** A length that no tape shows, mm. */
const HAIR_MM = 0.02

/**
 * What is wrong with a way into a run at the length that the way itself names, or null: it has to go in, with bare pipe
 * for what slides, or a piece that what slides can wait on with its other end home.
 */
export function faultAtItsLength({ pipeId, conditions, cutIn }: LineRequest, way: MateOption): string | null {
  const pipe = pipeId ? pipeById(pipeId) : undefined
  if (!cutIn || !pipe) return null
  const found = fitup.fixedEnds({
    pipe,
    chain: way,
    takeOutMm: null,
    bareMm: [conditions.stubMm, cutIn.farMm],
    freeMm: cutIn.freeMm,
    roomMm: cutIn.sidewaysMm,
  })
  if (found.reason) return found.reason.ruleId
  const { sliding } = found
  if (sliding?.on !== 'piece') return null
  // of two pieces none is known before it is said where the part between them stands
  const beside = found.pieces.filter(
    ({ part, cutMm }) => Math.abs(part - sliding.part) === 1 && cutMm !== null,
  )
  const carries = beside.some(({ part, cutMm, marksMm }) => {
    const otherMm = marksMm[part < sliding.part ? 0 : 1]
    return (cutMm ?? 0) >= sliding.needsMm + otherMm - HAIR_MM
  })
  return beside.length === 0 || carries ? null : 'nothing to wait on'
}
