import type { Source } from '../reference/source'
import { inline } from './build'
import { end } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

const IN = 25.4

/** Between the pipe's end in the socket and the shoulder of the thread: the stop and the grips for a wrench. */
const BETWEEN_IN = 0.5

const PATTERN: Source = {
  title: 'ASTM D3311 male adapters, the length of the grips typical of the kind',
  certainty: "maker's sheet",
}

/**
 * Male adapters of plastic drain: into the threaded hub of an old fitting that stays. None of plastic goes over a
 * thread of metal, which splits it.
 */
export function drainAdapters(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    (['1-1/2', '2'] as const).map((size) =>
      inline({
        id: `adapter.drain.${key}.mxs.${size}`,
        family: 'male-adapter',
        name: `${word} male adapter, ${size} in male NPT × ${size} in drain socket`,
        material,
        heatSensitive: true,
        layingMm: BETWEEN_IN * IN,
        a: end('taper-male', 'NPT', size, material),
        b: end('drain-socket', 'IPS', size, material),
        source: PATTERN,
      }),
    ),
  )
}
