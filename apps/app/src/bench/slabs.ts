import { SLAB_DISCS, USUAL_DISC_MM } from '@diarmos/core/record'

/** What is measured of a trench in a slab, in the job and at the bench. */
export const SLAB_ROWS = {
  deepMm: [
    'Old pipe under the floor',
    'Top of the slab down to the middle of the pipe, where the way to the drain is measured from.',
  ],
  underMm: [
    'Drain’s mouth under the slab’s top',
    'Drain held at its height: from the floor down to the lower rim that takes the riser.',
  ],
  overMm: ['Drain’s mouth over the slab’s top', 'The same, where that rim stands higher than the floor.'],
} as const

/** The disc that is usual on a saw for concrete, and all that are met: called by the inch. */
export const USUAL_DISC = String(USUAL_DISC_MM)
export const DISCS = SLAB_DISCS.map(({ mm }) => ({ value: String(mm), label: `${Math.round(mm / 25.4)} in` }))
