import { BRASS_PIPE } from './brassPipe'
import { CAST_IRON } from './castIron'
import { COPPER_DRAIN } from './copperDrain'
import { COPPER_TUBE } from './copperTube'
import { IRON_PIPE_SIZE_PLASTIC } from './ironPipeSizePlastic'
import { LEAD_PIPE } from './lead'
import { materialName } from './materialNames'
import { METRIC_COPPER } from './metricCopper'
import { METRIC_PLASTIC } from './metricPlastic'
import { METRIC_STEEL } from './metricSteel'
import { PLASTIC_TUBE } from './plasticTube'
import { POLYETHYLENE_BY_BORE } from './polyethylene'
import { REFRIGERATION_TUBE } from './refrigerationTube'
import { SEWER_PIPE } from './sewerPipe'
import { STAINLESS } from './stainless'
import { STEEL_PIPE } from './steelPipe'
import { STONEWARE } from './stoneware'
import { TUBULAR_PIPE } from './tubular'
import { isMetricSystem, type Pipe } from './types'

/** Every pipe the product knows, in one fixed order. */
export const PIPES: readonly Pipe[] = [
  ...COPPER_TUBE,
  ...METRIC_COPPER,
  ...STEEL_PIPE,
  ...BRASS_PIPE,
  ...PLASTIC_TUBE,
  ...COPPER_DRAIN,
  ...REFRIGERATION_TUBE,
  ...METRIC_STEEL,
  ...STAINLESS,
  ...LEAD_PIPE,
  ...IRON_PIPE_SIZE_PLASTIC,
  ...POLYETHYLENE_BY_BORE,
  ...METRIC_PLASTIC,
  ...SEWER_PIPE,
  ...CAST_IRON,
  ...TUBULAR_PIPE,
  ...STONEWARE,
]

const BY_ID = new Map(PIPES.map((pipe) => [pipe.id, pipe]))

/** The pipe of that id, or undefined. */
export function pipeById(id: string): Pipe | undefined {
  return BY_ID.get(id)
}

/** What a size says besides its number, where another system uses the same numbers. */
const SIZE_REMARK: Partial<Record<Pipe['system'], string>> = {
  OD: ' outside',
  hubless: ' hubless',
  service: ' service',
  heavy: ' extra heavy',
}

/** The nominal size as it is spoken: `1/2 in`, `15 mm`, `5/8 in outside`. */
export function sizeName(pipe: Pick<Pipe, 'system' | 'nominal'>): string {
  return isMetricSystem(pipe.system)
    ? `${pipe.nominal} mm`
    : `${pipe.nominal} in${SIZE_REMARK[pipe.system] ?? ''}`
}

/** The full name of a pipe: `1/2 in copper tube, type L`. */
export function pipeName(pipe: Pipe): string {
  const type = pipe.material === 'copper' && pipe.system === 'CTS' ? `type ${pipe.grade}` : pipe.grade
  const rest = [type, pipe.temper].filter((word) => word && !materialName(pipe.material).includes(word))
  return [`${sizeName(pipe)} ${materialName(pipe.material)}`, ...rest].join(', ')
}
