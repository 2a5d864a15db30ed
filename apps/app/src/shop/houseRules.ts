import type { EntityFields } from '../data/types'

export type MateSettings = EntityFields<'settings'>['mate']
export type HouseRules = MateSettings['houseRules']

/** Where practitioners disagree: what a shop may choose, in words. */
export const RULES: readonly {
  key: keyof HouseRules
  label: string
  options: readonly (readonly [string, string])[]
}[] = [
  {
    key: 'pushFitConcealed',
    label: 'Push-fit in a closed wall',
    options: [
      ['allow', 'yes'],
      ['reachable-only', 'within reach only'],
      ['emergency-only', 'emergencies only'],
    ],
  },
  {
    key: 'oldStop',
    label: 'Old stop',
    options: [
      ['cut-behind', 'cut it off'],
      ['take-off', 'take it off'],
    ],
  },
  {
    key: 'threadSeal',
    label: 'Thread seal',
    options: [
      ['tape-then-paste', 'tape, then paste'],
      ['tape', 'tape'],
      ['paste', 'paste'],
    ],
  },
  {
    key: 'fluxOn',
    label: 'Flux on',
    options: [
      ['both', 'tube and fitting'],
      ['tube-only', 'tube only'],
    ],
  },
  {
    key: 'compressionNut',
    label: 'Compression nut',
    options: [
      ['dry', 'dry'],
      ['silicone-trace', 'a trace of silicone'],
    ],
  },
  {
    key: 'recheck',
    label: 'Recheck',
    options: [
      ['both', 'two hours and morning'],
      ['two-hours', 'two hours'],
      ['next-morning', 'next morning'],
    ],
  },
]
