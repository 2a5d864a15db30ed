import type { EntityFields } from '../data/types'

/** When a house was last piped, in words. */
export const ERA_WORDS: Readonly<Record<EntityFields<'property'>['era'], string>> = {
  'before-1940': 'before 1940',
  '1940-1965': '1940 to 1965',
  '1965-1978': '1965 to 1978',
  '1978-1995': '1978 to 1995',
  '1995-2010': '1995 to 2010',
  'since-2010': 'since 2010',
  unknown: 'not known',
}
