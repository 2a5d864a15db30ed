import { inline } from './build'
import { end } from './ends'
import type { Size } from './names'
import type { Fitting, PortSystem } from './types'

const IN = 25.4

/** Nut at an end: thread system, size, as ids say it, as people say it. */
type Nut = readonly [PortSystem, Size, string, string]
const COMP_38: Nut = ['UNF', '3/8', 'comp3/8', '3/8 compression nut']
const COMP_14: Nut = ['UNF', '1/4', 'comp1/4', '1/4 compression nut']
const COMP_12: Nut = ['UNF', '1/2', 'comp1/2', '1/2 compression nut']
const FAUCET_12: Nut = ['NPS', '1/2', 'faucet1/2', '1/2 faucet nut']
const FILL_78: Nut = ['FV', '7/8', 'fill7/8', '7/8 fill valve nut']
const FILL_1516: Nut = ['FV', '15/16', 'fill15/16', '15/16 fill valve nut']
const PIPE_34: Nut = ['NPS', '3/4', 'pipe3/4', '3/4 pipe nut']
const TAP_12: Nut = ['BSPP', '1/2', 'tap1/2', '1/2 parallel tap nut']
const G_12: Nut = ['BSPP', '1/2', 'g1/2', '1/2 parallel nut']
const TAP_38: Nut = ['BSPP', '3/8', 'tap3/8', '3/8 parallel tap nut']
const TAP_34: Nut = ['BSPP', '3/4', 'tap3/4', '3/4 parallel tap nut']
const HOSE_34: Nut = ['NH', '3/4', 'hose', '3/4 hose nut']

/**
 * From, to, lengths, the one that is usual for what it feeds, unit: what hangs on the counter's wall. The usual is common
 * practice, no source: a faucet 20 in from its stop, a toilet 12 in, a heater 18 in, an appliance that is drawn out 60 in.
 */
const CONNECTORS: readonly (readonly [Nut, Nut, readonly number[], number, 'in' | 'mm'])[] = [
  [COMP_38, FAUCET_12, [12, 16, 20, 24, 30], 20, 'in'],
  [COMP_38, FILL_78, [6, 9, 12, 16, 20], 12, 'in'],
  [COMP_38, FILL_1516, [9, 12, 20], 12, 'in'],
  [COMP_38, COMP_38, [12, 20, 36, 60], 60, 'in'],
  [COMP_12, FAUCET_12, [12, 16, 20], 20, 'in'],
  [COMP_14, COMP_14, [12, 60, 120], 60, 'in'],
  [FAUCET_12, FAUCET_12, [12, 16, 20], 20, 'in'],
  [FAUCET_12, FILL_78, [9, 12], 12, 'in'],
  [PIPE_34, PIPE_34, [12, 15, 18, 24], 18, 'in'],
  [HOSE_34, HOSE_34, [48, 60, 72], 60, 'in'],
  [G_12, TAP_12, [300, 500], 300, 'mm'],
  [G_12, TAP_38, [300, 500], 300, 'mm'],
  [G_12, TAP_34, [300], 300, 'mm'],
  [TAP_34, TAP_34, [300, 500, 1500], 1500, 'mm'],
]

/** Braided connectors: swivel nuts on both ends, by length. They bend, so they reach anything up to their length. */
export function supplyConnectors(): Fitting[] {
  return CONNECTORS.flatMap(([from, to, lengths, usual, unit]) =>
    lengths.map((length) => {
      const each = unit === 'in' ? IN : 1
      const mm = length * each
      return inline({
        id: `connector.${from[2]}x${to[2]}.${length}${unit}`,
        family: 'supply-connector',
        name: `braided supply connector, ${from[3]} × ${to[3]}, ${length} ${unit}`,
        material: 'braided',
        heatSensitive: true,
        layingMm: mm - 16,
        // laid in a bow it spans about a third of its length: common practice
        lengthMm: { min: mm * 0.35, max: mm, usual: usual * each },
        a: end('swivel-nut', from[0], from[1], 'rubber-seated'),
        b: end('swivel-nut', to[0], to[1], 'rubber-seated'),
      })
    }),
  )
}
