import { HEAVY_HUBLESS } from '../reference/bandTorque'
import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

const IN = 25.4

const CISPI_310: Source = {
  title: 'CISPI 310 and ASTM C1277 couplings for hubless iron',
  table: 'width of the gasket’s stop',
  certainty: 'recalled',
}
const C1540: Source = {
  title: 'ASTM C1540 heavy-duty shielded couplings for hubless iron',
  table: 'width of the gasket’s stop',
  certainty: 'recalled',
}
const REPAIR_SHEET: Source = {
  title: 'Drain couplings without a stop, typical of the kind',
  certainty: "maker's sheet",
}
const CLEANOUT_SHEET: Source = {
  title: 'Cleanout tees with their plug, typical of the kind',
  certainty: "maker's sheet",
}

/** Sizes of cleanout tees with what lies between the two pipes of the run, inches. */
const CLEANOUTS = [
  ['1-1/2', 2],
  ['2', 2.5],
  ['3', 3.75],
  ['4', 4.75],
] as const

/** What goes into a run of drain between two ends that cannot be drawn apart. */
export function drainRunParts(): Fitting[] {
  return [
    ...DRAIN_PLASTICS.flatMap(([material, key, word]) =>
      CLEANOUTS.flatMap(([size, betweenIn]) => {
        const socket = end('drain-socket', 'IPS', size, material)
        const common = { material, heatSensitive: true, a: socket, b: socket }
        return [
          inline({
            ...common,
            id: `coupling.repair.drain.${key}.${size}`,
            family: 'repair-coupling',
            name: `${word} drain repair coupling, ${size} in, no stop`,
            layingMm: 0,
            source: REPAIR_SHEET,
          }),
          inline({
            ...common,
            id: `cleanout.drain.${key}.${size}`,
            family: 'cleanout-tee',
            name: `${word} cleanout tee with plug, ${size} in`,
            layingMm: betweenIn * IN,
            source: CLEANOUT_SHEET,
          }),
        ]
      }),
    ),
    ...CLEANOUTS.flatMap(([size]) => {
      const sleeve = end('shielded', 'hubless', size, 'cast-iron')
      const coupling = {
        family: 'shielded-coupling',
        material: 'stainless',
        heatSensitive: true,
        layingMm: (size === '4' ? 0.25 : 0.125) * IN,
        a: sleeve,
        b: sleeve,
      } as const
      return [
        inline({
          ...coupling,
          id: `coupling.hubless.iron.${size}`,
          name: `hubless coupling, ${size} in, iron × iron`,
          source: CISPI_310,
        }),
        inline({
          ...coupling,
          id: `${HEAVY_HUBLESS}iron.${size}`,
          name: `heavy-duty hubless coupling, ${size} in, iron × iron`,
          source: C1540,
        }),
      ]
    }),
  ]
}
