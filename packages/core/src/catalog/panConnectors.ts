import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import type { Fitting, PortSystem } from './types'

/** What all that is said of pan connectors comes from. */
export const PAN_SHEET: Source = {
  title: 'Pan connectors for spigots of 102 mm, typical of the kind',
  certainty: "maker's sheet",
}

/** Between the mouth of the pipe and the tip of the spigot, with all home, mm: of the short ones, and of the bend. */
const BETWEEN_MM = 15
const BEND_MM = 2 * 70
/** How far the eccentric ones stand aside, mm. */
export const PAN_OFFSETS_MM = [20, 40] as const
/** How far heights may differ before fins no longer lie round on, mm. */
export const PAN_GIVES_MM = 5
/** What a short one and one that is cut bridge from the pipe's mouth to the spigot's tip, mm. */
export const PAN_REACH_MM = { short: [0, 60], long: [60, 400] } as const

/** What of a drain fins are made for: pipe of 110 mm of either name, and iron of four inches. */
const PIPES: readonly (readonly [key: string, system: PortSystem, nominal: string, word: string])[] = [
  ['110', 'metric-waste', '110', '110 mm pipe'],
  ['pp110', 'metric', '110', '110 mm pipe named by its outside'],
  ['iron', 'service', '4', '4 in iron'],
]

/** What joins a bowl's own spigot to its drain: fins round the one, fins in the other. */
export function panConnectors(): Fitting[] {
  return PIPES.flatMap(([key, system, nominal, word]) => {
    const common = {
      material: 'waste-push-fit',
      heatSensitive: true,
      a: end('pipe-fins', system, nominal, 'waste-push-fit'),
      b: end('pan-fins', 'metric', '110', 'waste-push-fit'),
      source: PAN_SHEET,
    } as const
    return [
      inline({
        ...common,
        id: `pan.straight.${key}`,
        family: 'pan-connector',
        name: `pan connector, straight, into ${word}`,
        layingMm: BETWEEN_MM,
      }),
      ...PAN_OFFSETS_MM.map((shiftMm) =>
        inline({
          ...common,
          id: `pan.offset-${shiftMm}.${key}`,
          family: 'pan-connector',
          name: `pan connector, offset ${shiftMm} mm, into ${word}`,
          layingMm: BETWEEN_MM + shiftMm,
          shiftMm,
        }),
      ),
      inline({
        ...common,
        id: `pan.long.${key}`,
        family: 'pan-connector',
        name: `pan connector, 400 mm, cut to length, into ${word}`,
        layingMm: PAN_REACH_MM.long[1],
        lengthMm: { min: PAN_REACH_MM.long[0], max: PAN_REACH_MM.long[1] },
      }),
      inline({
        ...common,
        id: `pan.bend.${key}`,
        family: 'pan-bend',
        name: `pan connector, 90° bend, into ${word}`,
        layingMm: BEND_MM,
        turn: 90,
      }),
    ]
  })
}
