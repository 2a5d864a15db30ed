import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

/** The bottom of a cap, the square that a plug is turned by. */
const BOTTOM_MM = 4
const SQUARE_MM = 8

const D3311: Source = {
  title: 'ASTM D3311 caps and plugs of drains; the bottom typical of the kind',
  certainty: "maker's sheet",
}
const THREADED: Source = {
  title: 'ASME B16.3 caps and B16.14 plugs with NPT threads; what is turned typical of the kind',
  certainty: "maker's sheet",
}
const HUBLESS: Source = { title: 'CISPI 301 blind plugs, typical of the kind', certainty: "maker's sheet" }

/** What closes an old drain for good: over plain pipe, over and into threads, at the end of hubless iron. */
export function drainCaps(): Fitting[] {
  return [
    ...DRAIN_PLASTICS.flatMap(([material, key, word]) =>
      (['1-1/4', '1-1/2', '2', '3', '4'] as const).map((size) =>
        inline({
          id: `cap.drain.${key}.${size}`,
          family: 'cap',
          name: `${word} drain cap, ${size} in`,
          material,
          heatSensitive: true,
          layingMm: BOTTOM_MM,
          a: end('drain-socket', 'IPS', size, material),
          source: D3311,
        }),
      ),
    ),
    ...(['1-1/4', '1-1/2', '2'] as const).flatMap((size) => [
      inline({
        id: `cap.drain.brass.${size}`,
        family: 'cap',
        name: `brass drain cap, ${size} in NPT`,
        material: 'tubular-brass',
        layingMm: BOTTOM_MM,
        a: end('taper-female', 'NPT', size, 'tubular-brass'),
        source: THREADED,
      }),
      inline({
        id: `plug.drain.brass.${size}`,
        family: 'plug',
        name: `brass drain plug, ${size} in NPT`,
        material: 'tubular-brass',
        layingMm: SQUARE_MM,
        a: end('taper-male', 'NPT', size, 'tubular-brass'),
        source: THREADED,
      }),
    ]),
    ...(['1-1/2', '2', '3', '4'] as const).map((size) =>
      inline({
        id: `plug.hubless.${size}`,
        family: 'plug',
        name: `hubless iron blind plug, ${size} in`,
        material: 'cast-iron',
        layingMm: BOTTOM_MM,
        a: end('tube', 'hubless', size, 'cast-iron'),
        source: HUBLESS,
      }),
    ),
  ]
}
