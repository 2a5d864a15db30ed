import type { MethodId } from '../../assembly/methods/table'
import type { Fitting } from '../../catalog/types'

/**
 * One part of a way by what tells ways apart: how it is joined on, and its family. Of parts that are made on the job also
 * what they are made of: a filed coupling wants a coupling, an expanded sleeve only tube. Iron put back into a run of iron is
 * another way than plastic.
 */
export function tokenOf(method: MethodId, part: Pick<Fitting, 'family' | 'standing' | 'ports'>): string {
  const iron = part.family === 'tube-piece' && part.ports[0]?.material === 'cast-iron' ? '*iron' : ''
  return `${method}>${part.family}${part.standing ? `*${part.ports[0]?.form ?? ''}` : iron}`
}

/** A way by its tokens, the last joint's method alone: the same for one that is read from the other end. */
export function eitherWay(tokens: readonly string[]): string {
  const words = tokens.flatMap((token) => token.split('>'))
  const [one, other] = [words.join('>'), words.reverse().join('>')]
  return one < other ? one : other
}
