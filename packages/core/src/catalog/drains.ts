import type { Source } from '../reference/source'
import { inline } from './build'
import { closetParts } from './closets'
import { drainAdapters } from './drainAdapters'
import { drainBends } from './drainBends'
import { drainBranches, twoSidedTees } from './drainBranches'
import { drainCaps } from './drainCaps'
import { drainCouplings } from './drainCouplings'
import { drainRunParts } from './drainRuns'
import { end } from './ends'
import { hublessBranches } from './hublessBranches'
import { metricCaps, metricWastes } from './metricWastes'
import { panConnectors } from './panConnectors'
import { sinkWastes } from './sinkWastes'
import {
  closetBends,
  DRAIN_PLASTICS,
  extendedBushings,
  openingTraps,
  solventFittings,
} from './solventFittings'
import { INLET_ABOVE_MM, TRAP_SWINGS } from './trapSizes'
import type { Fitting, Port } from './types'
import { ventTees } from './ventTees'

const IN = 25.4

const TUBULAR_SHEET: Source = { title: 'Tubular traps, typical of the kind', certainty: "maker's sheet" }

/** From a drain pipe to the nut and washer that grip tubular drain: pipe size by tube size. */
const ADAPTERS: readonly (readonly [pipe: string, tube: string])[] = [
  ['1-1/4', '1-1/4'],
  ['1-1/2', '1-1/2'],
  ['1-1/2', '1-1/4'],
  ['2', '1-1/2'],
]

function trapAdapters(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    ADAPTERS.map(([pipe, tube]) =>
      inline({
        id: `trap-adapter.${key}.${pipe}x${tube}`,
        family: 'trap-adapter',
        name: `${word} trap adapter, ${pipe} in drain socket × ${tube} in slip nut`,
        material,
        heatSensitive: true,
        layingMm: 3,
        a: end('drain-socket', 'IPS', pipe, material),
        b: end('slip-joint', 'tubular', tube, material),
        source: TUBULAR_SHEET,
      }),
    ),
  )
}

/** From a threaded stub of steel to the nut that grips tubular drain: chromed brass, since plastic splits on steel. */
const STEEL_ADAPTERS: readonly (readonly [pipe: '1-1/4' | '1-1/2' | '2', tube: '1-1/4' | '1-1/2'])[] = [
  ['1-1/4', '1-1/4'],
  ['1-1/2', '1-1/4'],
  ['1-1/2', '1-1/2'],
  ['2', '1-1/2'],
]

function threadedAdapters(): Fitting[] {
  return STEEL_ADAPTERS.map(([pipe, tube]) =>
    inline({
      id: `trap-adapter.brass.fnpt.${pipe}x${tube}`,
      family: 'trap-adapter',
      name: `brass trap adapter, ${pipe} in female NPT × ${tube} in slip nut`,
      material: 'tubular-brass',
      heatSensitive: true,
      layingMm: 4,
      a: end('taper-female', 'NPT', pipe, 'tubular-brass'),
      b: end('slip-joint', 'tubular', tube, 'tubular-brass'),
      source: TUBULAR_SHEET,
    }),
  )
}

/** Wall tube as it is drawn before it is cut: from the outlet leg to its plain end. */
const ARM_MM = 5 * IN

/**
 * A trap of tube: its bend with a nut at the inlet, and the wall tube with a plain end. In its own frame the inlet
 * stands over the origin, at the height of the wall tube: the two axes meet there.
 */
function traps(): Fitting[] {
  return (['tubular-plastic', 'tubular-brass'] as const).flatMap((material) =>
    TRAP_SWINGS.map(([tube, swingMm]): Fitting => {
      const at = (id: string, part: ReturnType<typeof end>, x: number, y: number): Port => ({
        ...part,
        id,
        pose: {
          origin: [x, y, 0],
          axis: x < 0 ? [-1, 0, 0] : [0, 1, 0],
          rollDegrees: 0,
        },
      })
      return {
        id: `trap.${material === 'tubular-brass' ? 'brass' : 'plastic'}.${tube}`,
        family: 'tubular-trap',
        name: `${tube} in tubular trap, ${material === 'tubular-brass' ? 'chromed brass' : 'plastic'}, slip nuts and washers`,
        material,
        heatSensitive: true,
        layingMm: swingMm,
        source: TUBULAR_SHEET,
        ports: [
          at('a', end('tube', 'tubular', tube, material), -(swingMm + ARM_MM), 0),
          at('b', end('slip-joint', 'tubular', tube, material), 0, INLET_ABOVE_MM),
        ],
      }
    }),
  )
}

/** A longer tail between a trap and a fixture that ends too high: a nut and washer above, plain tube below. */
function extensions(): Fitting[] {
  return (['1-1/4', '1-1/2'] as const).map((tube) =>
    inline({
      id: `tail-extension.plastic.${tube}x8`,
      family: 'tail-extension',
      name: `${tube} in tailpiece extension, 8 in, slip nut and washer`,
      material: 'tubular-plastic',
      heatSensitive: true,
      layingMm: 8 * IN - 3 * IN,
      a: end('tube', 'tubular', tube, 'tubular-plastic'),
      b: end('slip-joint', 'tubular', tube, 'tubular-plastic'),
      source: TUBULAR_SHEET,
    }),
  )
}

/** Parts of drains: what carries a fixture's waste to an old end of drain pipe. */
export function drainParts(): Fitting[] {
  return [
    ...trapAdapters(),
    ...traps(),
    ...extensions(),
    ...threadedAdapters(),
    ...drainCouplings(),
    ...solventFittings(),
    ...closetParts(),
    ...drainRunParts(),
    ...sinkWastes(),
    ...ventTees(),
    ...drainBranches(),
    ...metricWastes(),
    ...drainBends(),
    ...drainAdapters(),
    ...panConnectors(),
    ...drainCaps(),
    ...metricCaps(),
    ...closetBends(),
    ...extendedBushings(),
    ...openingTraps(),
    ...twoSidedTees(),
    ...hublessBranches(),
  ]
}
