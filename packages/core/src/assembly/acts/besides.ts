/** What is laid out besides the parts of a way: by their words. */
export const BESIDES = [
  'putty-or-silicone',
  'basin-wrench',
  'drain-key',
  'tub-putty',
  'base-silicone',
  'pan-liner',
  'pan-sealant',
  'pan-gravel',
  'pan-plug',
  'slab-scanner',
  'slab-saw',
  'slab-breaker',
  'slab-masks',
  'slab-sand',
  'slab-sheet',
  'slab-concrete',
  'heater-hose',
  'heater-cart',
  'heater-pan',
] as const
export type BesidesId = (typeof BESIDES)[number]

/** What opens concrete and closes it again. */
export const SLAB_USES: readonly BesidesId[] = BESIDES.filter((id) => id.startsWith('slab-'))

/** What an old heater goes out by, and a new one stands in. */
export const HEATER_USES: readonly BesidesId[] = BESIDES.filter((id) => id.startsWith('heater-'))
