import { partOf } from '../assembly/kept'
import type { Port } from '../catalog/types'
import { type Dimension, layOut } from '../fitup/layout'
import type { Bulk } from '../fitup/stagger'
import type { MateOption } from '../mate/types'
import { endLook } from './profile'

/**
 * The stretches of a line's first straight part that are thicker than its pipe: bodies as thick as the ends they
 * carry, captive nuts as places for a wrench. What branches off upward is not in the way of a line beside it; what lies
 * behind a piece whose length is not known yet is left out.
 *
 * @param stubMm from the wall to the end of the old pipe, mm
 * @param dimensions what was measured along the line
 * @returns places from the wall, mm
 */
export function bulksOf(option: MateOption, stubMm: number, dimensions: readonly Dimension[] = []): Bulk[] {
  const { stations } = layOut({ chain: option, stubMm, dimensions })
  const at = (id: string) => {
    const along = stations.find((station) => station.leg === 0 && station.id === id)?.fromLegMm
    return along == null ? null : along + stubMm
  }
  const bulks: Bulk[] = []
  for (const [index, chosen] of option.parts.entries()) {
    if (chosen.family === 'tube-piece') continue
    const ports = partOf(chosen)?.ports ?? []
    const [inAt, centre, outAt] = [
      at(`part:${index}:in`),
      at(`part:${index}:centre`),
      at(`part:${index}:out`),
    ]
    if (inAt === null || centre === null) break
    // an end, where its mouth lies, and which way into the part
    const ends: (readonly [Port | undefined, number, 1 | -1])[] = [[ports[chosen.inPort], inAt, 1]]
    if (outAt !== null) ends.push([ports[chosen.outPort], outAt, -1])
    const looks = ends.flatMap(([port, mouth, way]) => (port ? [{ look: endLook(port), mouth, way }] : []))
    bulks.push({
      fromMm: Math.min(centre, ...looks.map(({ mouth }) => mouth)),
      toMm: Math.max(centre, ...looks.map(({ mouth }) => mouth)),
      radiusMm: Math.max(...looks.flatMap(({ look }) => look.stations.map(({ outer }) => outer))),
      wrench: false,
    })
    for (const { look, mouth, way } of looks)
      for (const { points } of look.captives.filter(({ name }) => name === 'nut')) {
        const xs = points.map(([u]) => mouth + way * u)
        bulks.push({
          fromMm: Math.min(...xs),
          toMm: Math.max(...xs),
          radiusMm: Math.max(...points.map(([, r]) => Math.abs(r))),
          wrench: true,
        })
      }
    // behind a bend the line goes another way
    if (outAt === null) break
  }
  return bulks
}
