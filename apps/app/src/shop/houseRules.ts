import type { EntityFields } from '../data/types'

export type MateSettings = EntityFields<'settings'>['mate']
export type HouseRules = MateSettings['houseRules']

/** Where practitioners disagree: what a shop may choose, in words. */
export const RULES: readonly {
  key: keyof HouseRules
  label: string
  /** What is taken where the shop has not said. */
  usual?: string
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
  {
    key: 'pushFitClean',
    usual: 'wipe',
    label: 'Copper before push-fit',
    options: [
      ['wipe', 'wipe, no abrasive'],
      ['abrasive', 'clean as for solder'],
    ],
  },
  {
    key: 'stiffener',
    usual: 'leave',
    label: 'Push-fit stiffener, on copper',
    options: [
      ['leave', 'leave it in'],
      ['pull', 'pull it out'],
    ],
  },
  {
    key: 'pushFitReuse',
    usual: 'temporary',
    label: 'A push-fit taken off',
    options: [
      ['temporary', 'for a time only'],
      ['few', 'a few times'],
      ['never', 'never again'],
    ],
  },
  {
    key: 'tapeTurns',
    usual: 'five',
    label: 'Turns of tape',
    options: [
      ['three', 'three'],
      ['five', 'five'],
      ['seven', 'seven'],
    ],
  },
  {
    key: 'cooling',
    usual: 'hand',
    label: 'Solder beside plastic cools',
    options: [
      ['hand', 'to a bare hand'],
      ['ten-minutes', 'ten minutes'],
    ],
  },
  {
    key: 'wallYears',
    usual: '45',
    label: 'A closed wall stays shut, years',
    options: [
      ['25', '25'],
      ['45', '45'],
      ['70', '70'],
    ],
  },
  {
    key: 'copperType',
    usual: 'L',
    label: 'New copper',
    options: [
      ['L', 'type L'],
      ['M', 'type M'],
    ],
  },
  {
    key: 'oneHole',
    usual: 'repair',
    label: 'One pinhole',
    options: [
      ['repair', 'mend it'],
      ['replace', 'replace the length'],
    ],
  },
  {
    key: 'solderAt',
    usual: 'bench',
    label: 'Soldered joints among new parts',
    options: [
      ['bench', 'at the bench, carried in whole'],
      ['place', 'one after the other in place'],
    ],
  },
  {
    key: 'plates',
    usual: 'near',
    label: 'Nail plates over holes in studs',
    options: [
      ['near', 'where a nail may reach'],
      ['always', 'centred holes too'],
    ],
  },
  {
    key: 'cure',
    usual: 'long',
    label: 'Cement is left alone',
    options: [
      ['long', 'the longest that cans ask'],
      ['short', 'the shortest'],
    ],
  },
  {
    key: 'twistIn',
    usual: 'refuse',
    label: 'Closet flanges that are twisted in',
    options: [
      ['refuse', 'not used'],
      ['accept', 'where accepted'],
    ],
  },
  {
    key: 'flexibleAbove',
    usual: 'shielded',
    label: 'Rubber couplings above ground',
    options: [
      ['shielded', 'only in a shield'],
      ['accept', 'bare ones too'],
    ],
  },
  {
    key: 'badVent',
    usual: 'valve',
    label: 'A trap without a vent',
    options: [
      ['valve', 'a valve that admits air'],
      ['wall', 'the wall is opened'],
    ],
  },
]
