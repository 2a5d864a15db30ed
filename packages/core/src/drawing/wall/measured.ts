import type { Point } from '../types'
import type { WallPlace } from './places'
import type { WallRequest } from './types'

/**
 * A place with its lines where they were measured to be: hot and cold as far apart as they are, each as far from its end
 * as the tape says. What was not measured stands where it usually does.
 */
export function measuredPlace(usual: WallPlace, { lines, apartMm }: WallRequest): WallPlace {
  const begins = { ...usual.begins }
  const { hot, cold } = begins
  if (apartMm && hot && cold) {
    const middle = (hot.at[0] + cold.at[0]) / 2
    const level = hot.at[1] === cold.at[1]
    // side by side, or one over the other
    begins.hot = { ...hot, at: level ? [middle - apartMm / 2, hot.at[1]] : [hot.at[0], cold.at[1] + apartMm] }
    if (level) begins.cold = { ...cold, at: [middle + apartMm / 2, cold.at[1]] }
  }
  for (const { service, reachMm } of lines) {
    const begin = begins[service]
    const end = usual.ends[service]
    if (!reachMm || !begin || !end || begin.from === 'left') continue
    const aside = begin.at[0] - end[0]
    // a tape that is shorter than the way aside was held otherwise
    if (reachMm <= Math.abs(aside)) continue
    const below = begin.at[1] < end[1] ? 1 : -1
    const at: Point = [begin.at[0], end[1] - below * Math.sqrt(reachMm ** 2 - aside ** 2)]
    begins[service] = { ...begin, at }
  }
  return { ...usual, begins }
}
