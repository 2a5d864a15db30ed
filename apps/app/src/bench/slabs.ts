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

/** The disc that is usual on a saw for concrete, mm, and all that are met. */
export const USUAL_DISC = '350'
export const DISCS = [
  { value: '230', label: '9 in' },
  { value: '300', label: '12 in' },
  { value: '350', label: '14 in' },
  { value: '400', label: '16 in' },
] as const
