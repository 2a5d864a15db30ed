import type { LoadId } from '../fitup/drainLoad'

/** What drains, as it is counted. */
export const LOAD_NAMES: Readonly<Record<LoadId, string>> = {
  toilet: 'Toilet, 1.6 gal (6 l) or less',
  'toilet-older': 'Toilet that takes more',
  basin: 'Basin',
  tub: 'Tub, also with a shower over it',
  shower: 'Shower',
  'kitchen-sink': 'Kitchen sink',
  dishwasher: 'Dishwasher',
  'washing-machine': 'Washing machine',
  'laundry-tub': 'Laundry tub',
  bidet: 'Bidet',
  'floor-drain': 'Floor drain',
}
