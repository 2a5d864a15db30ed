import type { MethodId } from '../../assembly/methods/table'
import type { Fitting } from '../../catalog/types'

/**
 * One part of a way by what tells ways apart: how it is joined on, and its family. Of parts that are made on the job also
 * what they are made of: a filed coupling wants a coupling, an expanded sleeve only tube.
 */
export function tokenOf(method: MethodId, part: Pick<Fitting, 'family' | 'standing' | 'ports'>): string {
  return `${method}>${part.family}${part.standing ? `*${part.ports[0]?.form ?? ''}` : ''}`
}
