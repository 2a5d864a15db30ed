import { BRASS_PIPE } from './brassPipe'
import { COPPER_TUBE } from './copperTube'
import { METRIC_COPPER } from './metricCopper'
import { PLASTIC_TUBE } from './plasticTube'
import { STEEL_PIPE } from './steelPipe'
import type { Pipe } from './types'

/** Every pipe the product knows, in one fixed order. */
export const PIPES: readonly Pipe[] = [
  ...COPPER_TUBE,
  ...METRIC_COPPER,
  ...STEEL_PIPE,
  ...BRASS_PIPE,
  ...PLASTIC_TUBE,
]

const BY_ID = new Map(PIPES.map((pipe) => [pipe.id, pipe]))

/** The pipe of that id, or undefined. */
export function pipeById(id: string): Pipe | undefined {
  return BY_ID.get(id)
}

const MATERIAL_NAMES: Readonly<Record<Pipe['material'], string>> = {
  copper: 'copper tube',
  'galvanised-steel': 'galvanised steel',
  'black-steel': 'black steel',
  brass: 'brass pipe',
  cpvc: 'CPVC',
  'pex-a': 'PEX type A',
  'pex-b': 'PEX type B',
  polybutylene: 'polybutylene',
}

/** The name of a material as the trade says it. */
export function materialName(material: Pipe['material']): string {
  return MATERIAL_NAMES[material]
}

/** The nominal size as it is spoken: `1/2 in`, `15 mm`. */
export function sizeName(pipe: Pick<Pipe, 'system' | 'nominal'>): string {
  return pipe.system === 'metric' ? `${pipe.nominal} mm` : `${pipe.nominal} in`
}

/** The full name of a pipe: `1/2 in copper tube, type L`. */
export function pipeName(pipe: Pipe): string {
  const grade =
    pipe.material === 'copper' ? (pipe.system === 'CTS' ? `, type ${pipe.grade}` : `, ${pipe.grade}`) : ''
  return `${sizeName(pipe)} ${materialName(pipe.material)}${grade}`
}
