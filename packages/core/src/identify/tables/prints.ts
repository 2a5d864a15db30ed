import { isMetricSystem, type Pipe, type PipeMaterial } from '../../reference/types'

/** Words that stand in the print line of each kind of pipe. */
const PRINT_WORDS: Readonly<Record<PipeMaterial, readonly string[]>> = {
  copper: ['TYPE', 'B88', 'COPPER', 'ASTM'],
  'copper-drain': ['DWV', 'B306', 'COPPER', 'ASTM'],
  'copper-refrigeration': ['ACR', 'B280', 'COPPER', 'ASTM'],
  'chromed-supply': [],
  'galvanised-steel': ['A53', 'GALV', 'SCH40'],
  'black-steel': ['A53', 'SCH40', 'STEEL'],
  'sprinkler-steel': ['A795', 'FIRE', 'SPRINKLER'],
  brass: ['B43', 'BRASS'],
  stainless: ['STAINLESS', '316', '304', 'EN10312'],
  'corrugated-stainless': ['GAS', 'CSST', 'PSI', 'EHD'],
  lead: [],
  'lead-waste': [],
  cpvc: ['CPVC', 'D2846', 'SDR11', '4120', 'ASTM'],
  'cpvc-sprinkler': ['CPVC', 'F442', 'SDR13.5', 'FIRE', 'SPRINKLER', 'ASTM'],
  'pex-a': ['PEX', 'PEXA', 'PEX-A', 'F876', 'F1960', 'SDR9', 'ASTM'],
  'pex-b': ['PEX', 'PEXB', 'PEX-B', 'F876', 'F1807', 'SDR9', 'ASTM'],
  'pex-c': ['PEX', 'PEXC', 'PEX-C', 'F876', 'F1807', 'SDR9', 'ASTM'],
  'pex-aluminium': ['PEX-AL-PEX', 'F1281', 'AL', 'PE-AL-PE', 'F1282', 'ASTM'],
  polybutylene: ['PB2110', 'PB', 'D3309', 'SDR11', 'ASTM'],
  polyethylene: ['PE', 'PE3408', 'PE4710', 'PE80', 'D2239', 'SIDR', 'ASTM', 'POTABLE'],
  'polyethylene-gas': ['GAS', 'PE2406', 'PE2708', 'D2513', 'PE80', 'ASTM'],
  pvc: ['PVC', '1120', 'D1785', 'SCH40', 'PSI', 'ASTM'],
  'pvc-drain': ['PVC', 'DWV', 'D2665', 'SCH40', 'ASTM'],
  'pvc-sewer': ['PVC', 'SEWER', 'D3034', 'SDR35', 'ASTM'],
  'abs-drain': ['ABS', 'DWV', 'D2661', 'F628', 'ASTM'],
  'tubular-brass': ['17GA', '20GA', '22GA'],
  'tubular-plastic': ['F409', 'PP'],
  'waste-solvent': ['ABS', 'EN1455', 'BS5255', 'MUPVC'],
  'waste-push-fit': ['PP', 'EN1451', 'BS5254', 'HT'],
  'cast-iron': ['CISPI', 'A888', 'A74', 'NH', 'SV', 'XH'],
  clay: ['C700'],
  cement: [],
}

/** What stands on a pipe: the words of its kind, its type, its size. */
export function printWords(pipe: Pick<Pipe, 'material' | 'system' | 'grade' | 'nominal'>): readonly string[] {
  const metric = isMetricSystem(pipe.system)
  if (pipe.material === 'copper' && metric)
    return ['EN1057', 'R250', 'COPPER', `${pipe.nominal}MM`, pipe.nominal]
  return [
    ...PRINT_WORDS[pipe.material],
    ...(pipe.material === 'copper' ? [pipe.grade] : []),
    pipe.nominal,
    ...(metric ? [`${pipe.nominal}MM`] : pipe.system === 'CTS' ? ['CTS', 'IN'] : ['IN']),
  ]
}

/** How often any print can be read at all, by kind of pipe: for what looking for it is worth. Common practice. */
export function legible(material: PipeMaterial): number {
  const words = PRINT_WORDS[material].length
  if (words === 0) return 0.01
  if (/^(pex|cpvc|pvc|abs|poly|waste)/.test(material)) return 0.45
  if (material.startsWith('copper')) return 0.25
  return 0.06
}
