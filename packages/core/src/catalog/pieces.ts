import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end } from './ends'
import { materialWord, type Size, sized, sizeKey, type TubeSystem } from './names'
import type { Fitting } from './types'

/** Tube cut to length for a piece between two fittings: what the van carries as stock. */
const PIECES: readonly (readonly [PipeMaterial, TubeSystem, readonly Size[]])[] = [
  ['copper', 'CTS', ['1/4', '3/8', '1/2', '5/8', '3/4', '1', '1-1/4', '1-1/2', '2']],
  ['copper', 'metric', ['8', '10', '12', '15', '18', '22', '28', '35', '42', '54']],
  ['stainless', 'metric', ['15', '18', '22', '28']],
  ['pex-a', 'CTS', ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4']],
  ['pex-b', 'CTS', ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4']],
  ['pex-a', 'metric', ['16', '20', '25', '32']],
  ['pex-b', 'metric', ['10', '15', '22', '28']],
  ['pex-aluminium', 'metric', ['16', '20', '26', '32']],
  ['cpvc', 'CTS', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2']],
  ['pvc', 'IPS', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2']],
  ['polyethylene', 'ID', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2']],
  ['polyethylene', 'metric', ['20', '25', '32', '40', '50', '63']],
  ['chromed-supply', 'OD', ['1/4', '3/8', '1/2']],
]

/** Ends in their middle position: 80 mm long, cut on the job between the two lengths named. */
const DRAWN_MM = 80
/** From what two joints and a cutter leave room for, to the length that tube is mostly sold in, mm. */
const CUT_MM = { min: 40, max: 3000 }

export function tubePieces(): Fitting[] {
  return PIECES.flatMap(([material, system, sizes]) =>
    sizes.map((size): Fitting => {
      const tip = end('tube', system, size, material)
      const half = DRAWN_MM / 2
      return {
        ...inline({
          id: `tube.${material}.${sizeKey(system, size)}`,
          family: 'tube-piece',
          name: `${materialWord(material)} tube${material === 'copper' && system === 'CTS' ? ' type L' : ''}, ${sized(system, size)}, cut to length`,
          material,
          heatSensitive: material !== 'copper' && material !== 'stainless',
          layingMm: DRAWN_MM,
          lengthMm: CUT_MM,
          source: { title: 'Cut on the job', certainty: 'common practice' },
          a: tip,
          b: tip,
        }),
        ports: [
          { ...tip, id: 'a', pose: { origin: [-half, 0, 0], axis: [-1, 0, 0], rollDegrees: 0 } },
          { ...tip, id: 'b', pose: { origin: [half, 0, 0], axis: [1, 0, 0], rollDegrees: 0 } },
        ],
      }
    }),
  )
}
