import type { Source } from '../reference/source'
import { type BodySpec, inline } from './build'
import { end } from './ends'
import { BENDS, DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

const IN = 25.4

const radians = (degrees: number) => (degrees * Math.PI) / 180

/** What a bend is called by, the angle it turns by, and what `inline` calls that. */
const KINDS = [
  ['quarter', 'quarter bend', 90, 90],
  ['sixth', 'sixth bend', 60, 120],
  ['eighth', 'eighth bend', 45, 135],
  ['sixteenth', 'sixteenth bend', 22.5, 157.5],
] as const satisfies readonly (readonly [string, string, number, BodySpec['turn']])[]
type Kind = (typeof KINDS)[number][0]

/**
 * From the middle of a bend to the end of its leg: a bend of radius r with s straight beyond it measures
 * r tan(α/2) + s. Of two bends of one size and pattern both follow.
 *
 * @param quarter @param eighth from the middle to the end of the pipe, of those two bends
 * @param angleDegrees by how much the bend asked for turns
 * @returns in the unit that went in
 */
export function legByRadius(quarter: number, eighth: number, angleDegrees: number): number {
  const radius = (quarter - eighth) / (1 - Math.tan(radians(22.5)))
  return quarter - radius + radius * Math.tan(radians(angleDegrees / 2))
}

const SAME_PATTERN: Source = {
  title: 'ASTM D3311 patterns: by the radius and the straight end of the quarter and eighth bend of the size',
  certainty: 'formula',
}
const SHORT_QUARTER: Source = {
  title: 'ASTM D3311 drain, waste and vent fitting patterns',
  table: 'quarter bend',
  certainty: 'recalled',
}

/** Hubless bends, from the middle to the plain end, inches. */
export const HUBLESS_BENDS: readonly (readonly [size: '1-1/2' | '2' | '3' | '4', Record<Kind, number>])[] = [
  ['1-1/2', { quarter: 4.25, sixth: 3.0625, eighth: 2.625, sixteenth: 2.0625 }],
  ['2', { quarter: 4.5, sixth: 3.25, eighth: 2.75, sixteenth: 2.125 }],
  ['3', { quarter: 5, sixth: 3.5, eighth: 3, sixteenth: 2.25 }],
  ['4', { quarter: 5.5, sixth: 3.8125, eighth: 3.125, sixteenth: 2.3125 }],
]
const CISPI_301: Source = {
  title: 'CISPI 301 and ASTM A888 hubless fittings',
  table: 'bends',
  certainty: 'recalled',
}

/**
 * Bends of drains that an offset is measured for: short quarters, sixths and sixteenths of plastic, and those of
 * hubless iron. A line of Mate turns by eighths and long sweeps alone.
 */
export function drainBends(): Fitting[] {
  return [
    ...DRAIN_PLASTICS.flatMap(([material, key, word]) =>
      BENDS.flatMap(([size, eighthIn, , quarterIn]) =>
        KINDS.filter(([kind]) => kind !== 'eighth').map(([kind, said, angle, turn]) => {
          const socket = end('drain-socket', 'IPS', size, material)
          return inline({
            id: `bend.${kind}.${key}.${size}`,
            family: 'drain-bend',
            name: `${word} ${said}, ${size} in`,
            material,
            heatSensitive: true,
            layingMm: 2 * legByRadius(quarterIn, eighthIn, angle) * IN,
            turn,
            a: socket,
            b: socket,
            source: kind === 'quarter' ? SHORT_QUARTER : SAME_PATTERN,
          })
        }),
      ),
    ),
    ...HUBLESS_BENDS.flatMap(([size, legs]) => {
      // its plain end stands where the pose has it: nothing of it goes in before the coupling is round it
      const port = end('tube', 'hubless', size, 'cast-iron')
      return KINDS.map(([kind, said, , turn]) => ({
        ...inline({
          id: `bend.${kind}.hubless.${size}`,
          family: 'drain-bend',
          name: `hubless iron ${said}, ${size} in`,
          material: 'cast-iron',
          toEndMm: [legs[kind] * IN],
          turn,
          a: port,
          b: port,
          source: CISPI_301,
        }),
        layingMm: 2 * legs[kind] * IN,
      }))
    }),
  ]
}
