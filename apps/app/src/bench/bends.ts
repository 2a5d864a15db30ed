import type { OperationRequest } from '@diarmos/contract'

type Bend = NonNullable<OperationRequest<'offset'>['bend']>

interface Kind {
  readonly label: string
  readonly end: Omit<Bend, 'nominal'>
  readonly sizes: readonly string[]
  /** It carries waste. */
  readonly drain?: true
  /** Its bends have plain ends: nothing of pipe goes into them. */
  readonly plain?: true
}

const SUPPLY = ['1/2', '3/4', '1']
const DRAIN = ['1-1/2', '2', '3', '4']
const METRIC = ['32', '40', '50']

/** What bends are joined by, and the sizes that are made. */
export const BENDS: Readonly<Record<string, Kind>> = {
  sweat: {
    label: 'solder',
    end: { form: 'solder-cup', system: 'CTS', material: 'copper' },
    sizes: SUPPLY,
  },
  push: { label: 'push-fit', end: { form: 'push-fit', system: 'CTS', material: 'brass' }, sizes: SUPPLY },
  iron: {
    label: 'threaded',
    end: { form: 'taper-female', system: 'NPT', material: 'galvanised-steel' },
    sizes: SUPPLY,
  },
  cpvc: { label: 'CPVC', end: { form: 'cement-socket', system: 'CTS', material: 'cpvc' }, sizes: SUPPLY },
  pvc: {
    label: 'PVC drain',
    end: { form: 'drain-socket', system: 'IPS', material: 'pvc-drain' },
    sizes: DRAIN,
    drain: true,
  },
  abs: {
    label: 'ABS drain',
    end: { form: 'drain-socket', system: 'IPS', material: 'abs-drain' },
    sizes: DRAIN,
    drain: true,
  },
  hubless: {
    label: 'hubless iron',
    end: { form: 'tube', system: 'hubless', material: 'cast-iron' },
    sizes: DRAIN,
    drain: true,
    plain: true,
  },
  waste: {
    label: 'solvent waste',
    end: { form: 'drain-socket', system: 'metric-waste', material: 'waste-solvent' },
    sizes: METRIC,
    drain: true,
  },
}
