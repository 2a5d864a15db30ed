import type { BesidesId } from '../assembly/acts/besides'

/** What is laid out besides the parts of a way. */
export const BESIDES_WORDS: Readonly<Record<BesidesId, string>> = {
  'putty-or-silicone': 'putty, or silicone on stone and plastic',
  'basin-wrench': 'wrench for the nut under the basin',
  'drain-key': 'key for the tub’s drain, cross and smooth',
  'tub-putty': 'putty, or silicone on plastic, for the tub’s drain',
  'base-silicone': 'silicone for the drain of the base',
  'pan-liner': 'liner for the pan, in one piece',
  'pan-sealant': 'sealant that the liner’s sheet names',
  'pan-gravel': 'pea gravel or a spacer for the weep holes',
  'pan-plug': 'test plug for the pan’s drain, below its weep holes',
  'slab-scanner': 'scanner for the slab, or somebody who has one',
  'slab-saw': 'wet saw for concrete',
  'slab-breaker': 'breaking hammer, spade, buckets',
  'slab-masks': 'masks for dust, eyes and ears',
  'slab-sand': 'sand for the bed, a tamper',
  'slab-sheet': 'sheet and tape under the slab, wire for mesh',
  'slab-concrete': 'concrete in bags: how many stands at Cut',
  'heater-hose': 'hose from the old heater’s cock to a drain',
  'heater-cart': 'cart for the heaters, or a second person',
  'heater-pan': 'pan with a drain where a leak would do harm, straps where the ground shakes',
}
