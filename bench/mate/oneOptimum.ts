// The cheapest way of a line by itself, against one integer programme over the same line: what the search alone is worth.
import { Problem } from '../../packages/core/src/mate/model/problem'
import { search } from '../../packages/core/src/mate/search/search'
import type { Programmes } from './highs'
import { programmeOf } from './programme'
import { someProblem } from './random'

export interface OneOptimum {
  readonly problems: number
  /** Solved with what is kept between questions at hand, as in use; and with each side's own set-up counted too. */
  readonly ratio: number
  readonly withSetUp: number
}

/** @param solve one programme's optimum */
export async function oneOptimum(
  problems: number,
  mostParts: number,
  solve: (programmes: Programmes) => Promise<unknown>,
): Promise<OneOptimum> {
  const spent = { first: 0, own: 0, built: 0, solved: 0 }
  const timed = async <T>(what: keyof typeof spent, run: () => T | Promise<T>): Promise<T> => {
    const began = performance.now()
    const made = await run()
    spent[what] += performance.now() - began
    return made
  }
  let done = 0
  for (let index = 0; done < problems; index++) {
    const { catalogue, settings, line } = someProblem(index)
    const ask = () =>
      search(new Problem(line, { settings }, 1, { catalogue, mostParts }), { kind: 'ways', k: 1 }).goals
        .length
    if (programmeOf(line, settings, catalogue, mostParts).edges.length === 0) continue
    await timed('first', ask)
    await timed('own', ask)
    const programme = await timed('built', () => programmeOf(line, settings, catalogue, mostParts))
    await timed('solved', () => solve([programme]))
    done++
  }
  return {
    problems: done,
    ratio: spent.solved / spent.own,
    withSetUp: (spent.built + spent.solved) / spent.first,
  }
}
