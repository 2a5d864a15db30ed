/** Parts that shut a line off, by their family. */
export const SHUTS = /stop$|valve$|bib$/

/** Of a way, what says where it can be shut. */
interface Shuttable {
  readonly joints: readonly { readonly from: number; readonly to: number }[]
  readonly parts: readonly { readonly family: string }[]
}

/** Joints that stand under one pressure with nothing between them that can be shut. */
export interface Section {
  readonly lineId: string
  /** Seams, counted from the wall. */
  readonly seams: readonly number[]
  /** Before its own stop, or the whole of a line that has none; behind the stop that is its part of that place. */
  readonly behind: number | null
}

/**
 * What can be held by itself: with every stop shut each line up to its stop, with one open what is behind that too.
 * Joints of one section no gauge tells apart: there tissue has to.
 */
export function sectionsOf(
  lines: readonly { readonly lineId: string; readonly option: Shuttable }[],
): readonly Section[] {
  return lines.flatMap(({ lineId, option }) => {
    const stop = option.parts.findIndex(({ family }) => SHUTS.test(family))
    const seams = [...option.joints.keys()]
    if (stop < 0) return [{ lineId, seams, behind: null }]
    const before = seams.filter((seam) => (option.joints[seam]?.to ?? 0) <= stop)
    const after = seams.filter((seam) => (option.joints[seam]?.from ?? 0) >= stop)
    return [
      { lineId, seams: before, behind: null },
      ...(after.length > 0 ? [{ lineId, seams: after, behind: stop }] : []),
    ]
  })
}
