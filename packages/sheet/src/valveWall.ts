import { runOperation } from '@diarmos/contract'
import { formatLength, type LengthUnit } from '@diarmos/core'
import { type OpeningMeasures, openingAsk, type WallMeasures, wallAsk } from '@diarmos/core/record'
import { PLATE_WORDS, SHIM_WORDS } from '@diarmos/core/words/fixtures'

/** How deep a valve stands in its wall, and what was put behind it, in words; nothing where it was not measured. */
export function wallDepth(wall: WallMeasures | null | undefined, unit: LengthUnit): string[] {
  const ask = wall ? wallAsk(wall) : null
  if (!ask) return []
  const fit = runOperation('valve-depth', ask)
  if (!fit.ok) return []
  const length = (mm: number) => formatLength(mm, { unit, quantity: 'depth-window' })
  const behind = fit.shims?.ids.map((id) => SHIM_WORDS[id] ?? id).join(' + ')
  return [
    `Valve: middle ${length(fit.depthMm)} behind the finished face; its sheet has ${length(ask.windowMm[0])} to ${length(ask.windowMm[1])}.${behind ? ` Behind it: ${behind}.` : ''}`,
  ]
}

/** The hole in the wall and what covers it, in words; nothing where it was not measured. */
export function wallOpening(opening: OpeningMeasures | null | undefined, unit: LengthUnit): string[] {
  const ask = opening ? openingAsk(opening) : null
  if (!ask) return []
  const { clearMm, plateId } = runOperation('opening', ask)
  const length = (mm: number) => formatLength(mm, { unit, quantity: 'largest-opening' })
  return [
    `Hole in the wall: ${length(clearMm[0])} wide, ${length(clearMm[1])} high.${plateId ? ` Cover plate: ${PLATE_WORDS[plateId] ?? plateId}.` : ''}`,
  ]
}
