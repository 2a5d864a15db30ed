import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import type { Family, Fitting } from './types'

const IN = 25.4

const SHEET: Source = {
  title: 'ASME A112.18.2 and ASTM F409 tubular wastes of sinks, typical of the kind',
  certainty: "maker's sheet",
}
const SIZE = '1-1/2'

/** From the mouth of its nut to where both sides meet, and the tube below that, as it is bought, inches. */
const RISE_IN = 4
const TUBE_IN = 7
/** What of both goes into a nut, inches. */
const MADE_UP_IN = 3

/** Between the two tubes of a tailpiece with a branch, both home, inches. */
const BRANCH_IN = 5

/** What joins two bowls, or a disposer and a bowl, over one trap. Bought long, and cut to the bowls. */
const TWO: readonly (readonly [family: Family, key: string, said: string])[] = [
  ['centre-waste', 'centre', 'continuous waste, outlet between the bowls'],
  ['end-waste', 'end', 'continuous waste, outlet under one bowl'],
  ['disposer-waste', 'disposer', 'continuous waste, disposer and a bowl'],
]

/** How far the tail of one bowl stands aside of an outlet between two, as it is drawn, mm: the arms are cut to the bowls. */
export const CENTRE_ASIDE_MM = 44

const aside = (part: Fitting): Fitting => ({
  ...part,
  ports: part.ports.map((port, index) =>
    index === 0
      ? port
      : { ...port, pose: { ...port.pose, origin: [port.pose.origin[0], CENTRE_ASIDE_MM, 0] } },
  ),
})

/** Parts above the trap of a kitchen sink. */
export function sinkWastes(): Fitting[] {
  return (['tubular-plastic', 'tubular-brass'] as const).flatMap((material) => {
    const word = material === 'tubular-brass' ? 'chromed brass' : 'plastic'
    const key = material === 'tubular-brass' ? 'brass' : 'plastic'
    const tube = end('tube', 'tubular', SIZE, material)
    const nut = end('slip-joint', 'tubular', SIZE, material)
    return [
      ...TWO.map(([family, id, said]) => {
        const straight = inline({
          id: `waste.${id}.${key}.${SIZE}`,
          family,
          name: `${SIZE} in ${said}, ${word}, slip nuts and washers`,
          material,
          heatSensitive: true,
          layingMm: (RISE_IN + TUBE_IN - MADE_UP_IN) * IN,
          a: tube,
          b: nut,
          source: SHEET,
        })
        // the outlet stands between the two tails: the way goes on through the nearer
        return family === 'centre-waste' ? aside(straight) : straight
      }),
      inline({
        id: `tail.branch.${key}.${SIZE}`,
        family: 'branch-tail',
        name: `${SIZE} in tailpiece with a branch for a dishwasher, ${word}, slip nut and washer`,
        material,
        heatSensitive: true,
        layingMm: BRANCH_IN * IN,
        a: tube,
        b: nut,
        source: SHEET,
      }),
    ]
  })
}
