import type { Port } from '../catalog/types'
import type { Bulk } from '../fitup/stagger'
import type { MateOption } from '../mate/types'
import { assemble } from './assemble'
import { placePoint } from './place'
import { endLook } from './profile'

/**
 * The stretches of a line's first straight part that are thicker than its pipe: bodies as thick as the ends they
 * carry, captive nuts as places for a wrench. What branches off upward is not in the way of a line beside it.
 *
 * @param stubMm from the wall to the end of the old pipe, mm
 */
export function bulksOf(option: MateOption, stubMm: number): Bulk[] {
  const bulks: Bulk[] = []
  for (const { fitting, placement } of assemble(option, stubMm).parts) {
    if (fitting.family === 'supply-connector') break
    if (fitting.family === 'tube-piece') continue
    const along = (port: Port, u: number) => {
      const [x, y] = [
        port.pose.origin[0] - port.pose.axis[0] * u,
        port.pose.origin[1] - port.pose.axis[1] * u,
      ]
      return placePoint(placement, [x, y])[0]
    }
    const ends = fitting.ports.filter((port) => Math.abs(port.pose.axis[1]) < 0.001)
    const centre = placePoint(placement, [0, 0])[0]
    const thick = ends.map((port) => Math.max(...endLook(port).stations.map(({ outer }) => outer)))
    const reach = [centre, ...ends.map((port) => along(port, 0))]
    if (ends.length > 0)
      bulks.push({
        fromMm: Math.min(...reach),
        toMm: Math.max(...reach),
        radiusMm: Math.max(...thick),
        wrench: false,
      })
    for (const port of ends)
      for (const { name, points } of endLook(port).captives) {
        if (name !== 'nut') continue
        const xs = points.map(([u]) => along(port, u))
        bulks.push({
          fromMm: Math.min(...xs),
          toMm: Math.max(...xs),
          radiusMm: Math.max(...points.map(([, r]) => Math.abs(r))),
          wrench: true,
        })
      }
    // behind a bend the line goes another way
    if (ends.length < 2) break
  }
  return bulks
}
