/** A hole in the wall that is worked through, and what has to go into it, mm; null until it is measured. */
export interface OpeningMeasures {
  /** From the middle of the valve, or of the joint, to the edge of the hole. */
  readonly leftMm: number | null
  readonly rightMm: number | null
  readonly upMm: number | null
  readonly downMm: number | null
  /** How far the face is broken beyond the edge. */
  readonly brokenMm: number | null
  /** Behind the face, to what stands there. */
  readonly behindMm: number | null
  /** The body that goes in: across, up, front to back. */
  readonly acrossMm: number | null
  readonly tallMm: number | null
  readonly deepMm: number | null
  /** The round plate that comes with it. */
  readonly trimMm: number | null
}

export const NO_OPENING: OpeningMeasures = {
  leftMm: null,
  rightMm: null,
  upMm: null,
  downMm: null,
  brokenMm: null,
  behindMm: null,
  acrossMm: null,
  tallMm: null,
  deepMm: null,
  trimMm: null,
}

/** From the joint to the nearest edge of the hole, mm: what any tool has; null while not all of it was measured. */
export function nearestEdgeMm(opening: OpeningMeasures | null | undefined): number | null {
  const edges = opening ? edgesOf(opening) : null
  return edges && Math.min(...edges)
}

function edgesOf({
  leftMm,
  rightMm,
  upMm,
  downMm,
}: OpeningMeasures): [number, number, number, number] | null {
  return leftMm === null || rightMm === null || upMm === null || downMm === null
    ? null
    : [leftMm, rightMm, upMm, downMm]
}

/** What is asked of a hole in the wall; null while its edges are not measured. */
export function openingAsk(opening: OpeningMeasures) {
  const { brokenMm, behindMm, acrossMm, tallMm, deepMm, trimMm } = opening
  const edgesMm = edgesOf(opening)
  if (!edgesMm) return null
  const body = acrossMm !== null && tallMm !== null && deepMm !== null
  return {
    edgesMm,
    ...(brokenMm === null ? {} : { brokenMm }),
    ...(behindMm === null ? {} : { behindMm }),
    ...(body ? { bodyMm: [acrossMm, tallMm, deepMm] as [number, number, number] } : {}),
    ...(trimMm === null ? {} : { trimMm }),
  }
}
