import type { OperationRequest } from '@diarmos/contract'

type Bend = NonNullable<OperationRequest<'offset'>['bend']>
/** What the bends of an offset are joined by. */
export const BENDS: Readonly<Record<string, { label: string; end: Omit<Bend, 'nominal'> }>> = {
  sweat: { label: 'solder', end: { form: 'solder-cup', system: 'CTS', material: 'copper' } },
  push: { label: 'push-fit', end: { form: 'push-fit', system: 'CTS', material: 'brass' } },
  iron: { label: 'threaded', end: { form: 'taper-female', system: 'NPT', material: 'galvanised-steel' } },
  cpvc: { label: 'CPVC', end: { form: 'cement-socket', system: 'CTS', material: 'cpvc' } },
}
export const SIZES = ['1/2', '3/4', '1'] as const
