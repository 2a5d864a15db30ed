import type { Port } from '../catalog/types'
import type { Station } from './profile'

/** An end with its profile along the part, in the order of that. */
type End = readonly [Pick<Port, 'form'>, readonly Station[]]

/** What goes into another, outside, while a pipe goes into it, inside. */
const WITHIN: Readonly<Record<string, string>> = { 'taper-male': 'taper-female', spigot: 'drain-socket' }

/** A profile at a place: between its stations as the line between them has it, before and behind as its end has it. */
function at(stations: readonly Station[], u: number): Station {
  const next = stations.findIndex((station) => station.u >= u)
  const [before, behind] = [stations[next - 1], stations[next]]
  if (!behind) return { ...(stations.at(-1) as Station), u }
  if (!before) return { ...behind, u }
  const share = (u - before.u) / (behind.u - before.u || 1)
  const between = (key: 'outer' | 'inner') => before[key] + share * (behind[key] - before[key])
  return { u, outer: between('outer'), inner: between('inner') }
}

const mirrored = (stations: readonly Station[]): Station[] =>
  stations.map((station) => ({ ...station, u: -station.u })).reverse()

/**
 * The profile of a part whose two ends take up more room than lies between them: a bushing has its socket within its own
 * thread or spigot, a close nipple one thread that serves both ways.
 *
 * @param first its stations from the part's beginning, @param second those of its other end, rising too; all in mm
 */
export function overlapping([a, first]: End, [b, second]: End): Station[] {
  if (WITHIN[b.form] === a.form) return mirrored(overlapping([b, mirrored(second)], [a, mirrored(first)]))
  const [outside, from] = [(first.at(-1) as Station).u, (second[0] as Station).u]
  if (WITHIN[a.form] !== b.form) {
    const middle = (outside + from) / 2
    return [
      ...first.filter(({ u }) => u < middle),
      at(first, middle),
      at(second, middle),
      ...second.filter(({ u }) => u > middle),
    ]
  }
  const places = [...first.map(({ u }) => u), outside + 0.1, from, from + 0.1, ...second.map(({ u }) => u)]
  return [...new Set(places)]
    .sort((p, q) => p - q)
    .map((u) => ({
      u,
      outer: u <= outside ? at(first, u).outer : Math.max(at(first, u).outer, at(second, u).outer),
      inner: u <= from ? at(first, u).inner : at(second, u).inner,
    }))
}
