import type { Cell } from './belief'
import { GAS_SHARE, isMetal, WATER_SEEN } from './signs'
import type { HazardFlag, IdentifyRequest, Observation } from './types'

/**
 * Hazards, by what they could cost and how likely they are, not by the leading guess: a one in fifty chance of
 * gas is worth a stop. Thresholds are common practice.
 */
export function hazards(
  cells: readonly Cell[],
  request: IdentifyRequest,
  observations: readonly Observation[],
): HazardFlag[] {
  const flags: HazardFlag[] = []
  if (observations.length === 0) return flags
  const share = (test: (cell: Cell) => number) =>
    cells.reduce((sum, cell) => sum + cell.weight * test(cell), 0)

  const carries = observations.filter((o) => o.kind === 'sign' && o.sign === 'carries')
  const gas = share((cell) => {
    if (!cell.pipe) return 0.05
    let p = GAS_SHARE[cell.pipe.material]
    for (const o of carries) {
      const water = o.kind === 'sign' && o.answer === 'water'
      const ifGas = water ? 1 - WATER_SEEN : WATER_SEEN
      const ifWater = water ? WATER_SEEN : 1 - WATER_SEEN
      p = (p * ifGas) / (p * ifGas + (1 - p) * ifWater)
    }
    return p
  })
  if (gas > 0.04) flags.push({ hazardId: 'gas', level: 'stop', probability: gas })
  else if (gas > 0.004 && share((cell) => (cell.pipe?.material.endsWith('steel') ? 1 : 0)) > 0.02)
    flags.push({ hazardId: 'gas', level: 'caution', probability: gas })

  const metal = share((cell) => (cell.pipe && isMetal(cell.pipe.material) ? 1 : 0))
  if (metal > 0.2) flags.push({ hazardId: 'bonding', level: 'caution', probability: metal })

  const copper = share((cell) => (cell.pipe?.material === 'copper' ? 1 : 0))
  const old = ['before-1940', '1940-1965', '1965-1978', '1978-1995', 'unknown'].includes(request.era)
  if (copper > 0.2 && old) flags.push({ hazardId: 'lead-solder', level: 'note', probability: copper })

  const pb = share((cell) => (cell.pipe?.material === 'polybutylene' ? 1 : 0))
  if (pb > 0.1) flags.push({ hazardId: 'polybutylene', level: 'caution', probability: pb })

  const painted = share((cell) => (cell.surface === 'painted' || cell.surface === 'wrapped' ? 1 : 0))
  const leadPaintEra = ['before-1940', '1940-1965', '1965-1978'].includes(request.era)
  if (painted > 0.3 && leadPaintEra)
    flags.push({ hazardId: 'old-coating', level: 'caution', probability: painted })
  return flags
}
