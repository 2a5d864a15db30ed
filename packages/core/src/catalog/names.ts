import type { DimensionalSystem, NominalSize, PipeMaterial } from '../reference/types'
import type { PortForm, PortSystem } from './types'

export type Size = NominalSize
export type TubeSystem = DimensionalSystem

/** Ends that tube goes into, over or onto: what each is called in part names and in part ids, and what it is made of. */
export const TUBE_ENDS = {
  'solder-cup': { word: 'solder', key: 'c', material: 'copper' },
  'press-cup': { word: 'press', key: 'press', material: 'copper' },
  'cement-socket': { word: 'cement socket', key: 's', material: 'cpvc' },
  'pvc-socket': { word: 'PVC socket', key: 'pvc', material: 'pvc' },
  'push-fit': { word: 'push-fit', key: 'push', material: 'brass' },
  compression: { word: 'compression', key: 'comp', material: 'brass' },
  'gasket-socket': { word: 'gasketed', key: 'gasket', material: 'galvanised-steel' },
  'poly-compression': { word: 'polyethylene compression', key: 'pe', material: 'polyethylene' },
  'insert-barb': { word: 'PEX insert', key: 'barb', material: 'brass' },
  'expansion-barb': { word: 'PEX expansion', key: 'exp', material: 'brass' },
  'sleeve-barb': { word: 'press sleeve', key: 'sleeve', material: 'brass' },
  'poly-barb': { word: 'polyethylene insert', key: 'peb', material: 'brass' },
  'flare-male': { word: 'flare', key: 'flare', material: 'brass' },
} as const satisfies Partial<Record<PortForm, { word: string; key: string; material: PipeMaterial }>>
export type TubeEndForm = keyof typeof TUBE_ENDS

const SPOILT_BY_FLAME: ReadonlySet<PortForm> = new Set([
  'push-fit',
  'press-cup',
  'cement-socket',
  'pvc-socket',
  'gasket-socket',
  'poly-compression',
])

/** Ends with rubber or plastic in them. */
export function spoiltByFlame(form: PortForm): boolean {
  return SPOILT_BY_FLAME.has(form)
}

const METRIC: ReadonlySet<PortSystem> = new Set(['metric', 'metric-waste'])
const MATERIAL_WORDS: Partial<Record<PipeMaterial, string>> = {
  'galvanised-steel': 'galvanised',
  'pvc-drain': 'PVC drain',
  'abs-drain': 'ABS drain',
  'cast-iron': 'hubless iron',
  cpvc: 'CPVC',
  pvc: 'PVC',
  'pex-a': 'PEX type A',
  'pex-b': 'PEX type B',
  'pex-aluminium': 'PEX-aluminium',
  'waste-solvent': 'solvent waste',
  'waste-push-fit': 'push-fit waste',
}

/** A material as part names say it. */
export function materialWord(material: PipeMaterial): string {
  return MATERIAL_WORDS[material] ?? material
}

/** A size with its unit, as part names say it. */
export function sized(system: PortSystem, nominal: Size): string {
  return METRIC.has(system) ? `${nominal} mm` : system === 'OD' ? `${nominal} in outside` : `${nominal} in`
}

/** A size as part ids say it. */
export function sizeKey(system: PortSystem, nominal: Size): string {
  // by name alone: what measures as much outside as it is called has that id
  if (system === 'metric-waste') return `named.${nominal}mm`
  return METRIC.has(system) ? `${nominal}mm` : system === 'OD' ? `${nominal}od` : nominal
}
