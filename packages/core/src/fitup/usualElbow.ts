import { CATALOG } from '../catalog/families'
import type { PortForm } from '../catalog/types'
import type { Pipe } from '../reference/types'
import { faceMm } from './takeOut'

/** How pipe of a kind is joined mostly; what is not here has no usual elbow. */
const JOINED: Readonly<Partial<Record<Pipe['material'], PortForm>>> = {
  copper: 'solder-cup',
  cpvc: 'cement-socket',
  'pex-a': 'insert-barb',
  'pex-b': 'insert-barb',
  'pex-c': 'insert-barb',
  'galvanised-steel': 'taper-female',
  brass: 'taper-female',
}

/** Names of one size differ by less, mm. */
const SAME_MM = 0.6

/**
 * From the middle of the elbow that usually stands in a run of such pipe to where the pipe comes out of it, mm: nothing
 * is cut nearer to a corner than that. Typical of the kind, as its catalogue row has it; null where no such elbow is known.
 */
export function usualElbowMm({ material, odMm }: Pick<Pipe, 'material' | 'odMm'>): number | null {
  const form = JOINED[material]
  const found = CATALOG.flatMap((part) => {
    const [port] = part.ports
    return part.family === 'elbow-90' &&
      port?.form === form &&
      Math.abs((port?.diameterMm ?? 0) - odMm) < SAME_MM &&
      part.ports[1]?.nominal === port?.nominal
      ? [faceMm(part, 0)]
      : []
  })
  return found.length > 0 ? Math.max(...found) : null
}
