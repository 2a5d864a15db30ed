// HiGHS compiled to WASM; started anew now and then, since its memory only grows.
import load from 'highs'
import type { Programme } from './programme'

export type Programmes = readonly Programme[]

let solver: Awaited<ReturnType<typeof load>> | null = null
let uses = 0

/**
 * The optimum of a programme in the LP format; null where nothing is feasible.
 *
 * @param gap how far from the bound it may stop: less than the grain of the objective leaves the optimum
 */
export async function highs(
  lp: string,
  gap = 0,
): Promise<{ readonly cents: number; readonly columns: Readonly<Record<string, number>> } | null> {
  if (!solver || uses++ % 300 === 0) solver = await load()
  const options = { mip_rel_gap: 0, mip_abs_gap: gap }
  let found = solver.solve(lp, options)
  // its presolve has called programmes infeasible that one more row made feasible: asked again without it
  if (found.Status === 'Infeasible') found = solver.solve(lp, { ...options, presolve: 'off' })
  if (found.Status === 'Infeasible') return null
  if (found.Status !== 'Optimal') throw new Error(`HiGHS: ${found.Status}`)
  const columns: Record<string, number> = {}
  for (const [name, column] of Object.entries(found.Columns))
    columns[name] = 'Primal' in column ? column.Primal : 0
  return { cents: Math.round(found.ObjectiveValue), columns }
}
