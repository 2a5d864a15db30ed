// The optimum among choices in which no line is longer only to be spared the trip to the counter.
import type { RankedOption } from '@diarmos/core'
import { shortestByLibrary } from './library'
import type { Programme, Wish } from './programme'

type Solution = { readonly cents: number; readonly columns: Readonly<Record<string, number>> }

/** Solved so many times at most: each time forbids what was found too long. */
const MOST = 60

/**
 * @param listed the ways of each line beside which a longer one is not taken; none where lines branch off each other
 * @throws Error where it does not come to an end
 */
export async function bestUnspared(
  programmes: readonly Programme[],
  listed: readonly (readonly RankedOption[])[],
  solve: (wish: Wish) => Promise<Solution | null>,
): Promise<Solution | null> {
  const branches = programmes.some(({ line }) => line.branchOf !== undefined)
  const notEdges: string[][] = []
  for (let count = 0; count < MOST; count++) {
    const best = await solve({ least: 'total', notEdges })
    if (!best || branches) return best
    const long = programmes.flatMap((programme, at) => {
      const chosen = programme.edges.filter((edge) => (best.columns[`${edge.name}_${at}`] ?? 0) > 0.5)
      return spares(programme, chosen, listed[at] ?? []) ? [chosen.map(({ name }) => `${name}_${at}`)] : []
    })
    if (long.length === 0) return best
    notEdges.push(...long)
  }
  throw new Error('no end of longer ways')
}

/** Trade: more kinds of joints, more joints, and dearer than a listed way but for the trip that it does not want. */
function spares(
  { settings }: Programme,
  edges: Programme['edges'],
  listed: readonly RankedOption[],
): boolean {
  const pieces = edges.flatMap(({ part }) => (part ? [part] : []))
  const lacks = (part: string) =>
    pieces.filter((other) => other === part).length > (settings.partsAboard[part] ?? 0)
  if (edges.some(({ trip }) => trip) || pieces.some(lacks)) return false
  const methods = new Set(edges.flatMap(({ method }) => (method ? [method] : [])))
  const joints = edges.reduce((sum, edge) => sum + edge.joints, 0)
  const cents =
    edges.reduce((sum, edge) => sum + edge.cents, 0) +
    [...methods].reduce((sum, id) => sum + shortestByLibrary.setUp(id, settings), 0)
  return listed.some(
    (way) =>
      way.costs.tripCents > 0 &&
      way.joints.length + 2 <= joints &&
      way.methods.length < methods.size &&
      way.methods.every((id) => methods.has(id)) &&
      way.costs.totalCents - way.costs.tripCents < cents,
  )
}
