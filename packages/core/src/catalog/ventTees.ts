import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

const IN = 25.4
const SHEET: Source = {
  title: 'Sanitary tees, D3311, with a valve of ASSE 1051 on a riser, typical of the kind',
  certainty: "maker's sheet",
}

/** Its side: the nut of a trap's tube, or a socket for a trap that is cemented. Inches between the two pipes. */
const SIDES = [
  ['1-1/2', 'slip-joint', '1-1/2', 2.5],
  ['1-1/2', 'slip-joint', '1-1/4', 2.5],
  ['1-1/2', 'drain-socket', '1-1/2', 2],
  ['2', 'drain-socket', '2', 2.5],
] as const

/**
 * What is made up where no vent is: a sanitary tee upright, turned up by a long-sweep bend where the stub comes out of a
 * wall, the trap at its side, and a riser with a valve that admits air over it. Bought as one set, named so.
 */
export function ventTees(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    SIDES.map(([size, side, at, betweenIn]) => {
      const slip = side === 'slip-joint'
      return inline({
        id: `vent-tee.${key}.${size}x${slip ? `slip.${at}` : at}`,
        family: 'vent-tee',
        name: `${word} vent set, ${size} in: sanitary tee, riser, air admittance valve, ${slip ? `${at} in slip nut` : 'socket'} at its side, long-sweep bend under it`,
        material,
        heatSensitive: true,
        layingMm: betweenIn * IN,
        a: end('drain-socket', 'IPS', size, material),
        b: slip ? end('slip-joint', 'tubular', at, material) : end('drain-socket', 'IPS', at, material),
        source: SHEET,
      })
    }),
  )
}
