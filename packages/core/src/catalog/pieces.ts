import { type TubeEnd, tubeEngagement } from '../reference/engagement'
import { isMetal, isThreadedMaterial } from '../reference/materials'
import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end } from './ends'
import { materialWord, type Size, sized, sizeKey, type TubeSystem } from './names'
import type { Fitting } from './types'

const COPPER: readonly TubeEnd[] = ['solder-cup', 'press-cup', 'push-fit', 'compression']
const SOFT: readonly TubeEnd[] = ['insert-barb', 'sleeve-barb', 'push-fit', 'compression']

/** Tube cut to length for a piece between two fittings: what the van carries as stock, and what it goes into or over. */
const PIECES: readonly (readonly [PipeMaterial, TubeSystem, readonly Size[], readonly TubeEnd[]])[] = [
  ['copper', 'CTS', ['1/4', '3/8', '1/2', '5/8', '3/4', '1', '1-1/4', '1-1/2', '2'], COPPER],
  ['copper', 'metric', ['8', '10', '12', '15', '18', '22', '28', '35', '42', '54'], COPPER],
  ['stainless', 'metric', ['15', '18', '22', '28'], COPPER],
  ['pex-a', 'CTS', ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4'], [...SOFT, 'expansion-barb']],
  ['pex-b', 'CTS', ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4'], SOFT],
  ['pex-a', 'metric', ['16', '20', '25', '32'], [...SOFT, 'expansion-barb']],
  ['pex-b', 'metric', ['10', '15', '22', '28'], SOFT],
  ['pex-aluminium', 'metric', ['16', '20', '26', '32'], SOFT],
  ['cpvc', 'CTS', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'], ['cement-socket', 'push-fit', 'compression']],
  ['galvanised-steel', 'IPS', ['1/2', '3/4', '1'], ['gasket-socket']],
  ['brass', 'IPS', ['1/2', '3/4', '1'], ['gasket-socket']],
  ['pvc', 'IPS', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'], ['pvc-socket', 'gasket-socket']],
  ['polyethylene', 'ID', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'], ['poly-barb']],
  ['polyethylene', 'metric', ['20', '25', '32', '40', '50', '63'], ['poly-compression']],
  ['pvc-drain', 'IPS', ['1-1/4', '1-1/2', '2', '3', '4'], ['drain-socket', 'shielded', 'flexible']],
  ['abs-drain', 'IPS', ['1-1/4', '1-1/2', '2', '3', '4'], ['drain-socket', 'shielded', 'flexible']],
  ['chromed-supply', 'OD', ['1/4', '3/8', '1/2'], ['compression']],
  ['cast-iron', 'hubless', ['1-1/2', '2', '3', '4'], ['shielded', 'flexible']],
  [
    'waste-solvent',
    'metric-waste',
    ['32', '40', '50', '110'],
    ['drain-socket', 'waste-compression', 'pipe-fins'],
  ],
  ['waste-push-fit', 'metric-waste', ['32', '40', '50'], ['ring-socket', 'waste-compression']],
  ['waste-push-fit', 'metric', ['32', '40', '50', '110'], ['ring-socket']],
]

/** Ends in their middle position: 80 mm long, cut on the job between the two lengths named. */
const DRAWN_MM = 80
/** From what a cutter leaves room for to the length that tube is mostly sold in, mm. */
const CUT_MM = { min: 40, max: 3000 }

/** Two ends that are home do not meet inside the piece: it is as long as the deepest that it goes into, twice. */
function leastMm(system: TubeSystem, size: Size, into: readonly TubeEnd[]): number {
  const depths = into.map((form) => tubeEngagement(form, system, size)?.maxMm ?? 0)
  return Math.max(CUT_MM.min, 2 * Math.max(...depths))
}

/** Of waste that is pushed together that of polypropylene measures as much outside as it is called. */
const stuffWord = (material: PipeMaterial, system: TubeSystem) =>
  material === 'waste-push-fit' && system === 'metric' ? 'polypropylene waste' : materialWord(material)
const isCalledPipe = (material: PipeMaterial) =>
  isThreadedMaterial(material) || /drain$|^waste|^cast-iron/.test(material)

export function tubePieces(): Fitting[] {
  return PIECES.flatMap(([material, system, sizes, into]) =>
    sizes.map((size): Fitting => {
      const tip = end('tube', system, size, material)
      const half = DRAWN_MM / 2
      return {
        ...inline({
          id: `tube.${material}.${sizeKey(system, size)}`,
          family: 'tube-piece',
          name: `${stuffWord(material, system)} ${isCalledPipe(material) ? 'pipe' : 'tube'}${material === 'copper' && system === 'CTS' ? ' type L' : ''}, ${sized(system, size)}, cut to length`,
          material,
          heatSensitive: !isMetal(material) || material === 'chromed-supply',
          layingMm: DRAWN_MM,
          lengthMm: { min: leastMm(system, size, into), max: CUT_MM.max },
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
