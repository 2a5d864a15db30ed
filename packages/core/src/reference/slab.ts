import type { Source } from './source'

/** Clamps that hold a disc leave so much of its radius, mm. */
const CLAMP_MM = 50

/** Discs that slabs are cut with, by their diameter, mm, and how deep each goes from one side. */
export const SLAB_DISCS: readonly { readonly mm: number; readonly reachMm: number }[] = [
  230, 300, 350, 400,
].map((mm) => ({ mm, reachMm: mm / 2 - CLAMP_MM }))

export const SLAB_DISC_SOURCE: Source = {
  title: 'Discs for concrete: half of the diameter less the clamps, typical',
  certainty: "maker's sheet",
}

/** The disc that is usual on a saw for concrete, mm. */
export const USUAL_DISC_MM = 350

/** How deep a disc goes, mm; of one that is not in the table by the same clamps. */
export const discReachMm = (discMm: number): number => Math.max(0, discMm / 2 - CLAMP_MM)
