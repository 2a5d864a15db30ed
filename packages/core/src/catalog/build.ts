import type { Source } from '../reference/source'
import { fullDepthMm, maleLengthMm, type PortEnd } from './ends'
import type { Family, Fitting, PartMaterial, Port, Vector } from './types'

export const TYPICAL: Source = {
  title: 'Body and laying length, typical of the kind',
  certainty: "maker's sheet",
}

/** Mouths that pipe goes into; everything else is itself a tip that goes into or takes a nut. */
export function isSocket(end: Pick<Port, 'form'>): boolean {
  return ['solder-cup', 'cement-socket', 'push-fit', 'compression', 'taper-female'].includes(end.form)
}

/** From the middle of the body to the mouth or tip of an end, mm, with half the laying length between. */
function reachMm(end: PortEnd, halfLayingMm: number): number {
  return halfLayingMm + (isSocket(end) ? fullDepthMm(end) : maleLengthMm(end))
}

interface InlineSpec {
  id: string
  family: Family
  name: string
  material: PartMaterial
  heatSensitive?: boolean
  layingMm: number
  a: PortEnd
  b: PortEnd
  /** Angle between the run in and the run out: 180 straight, 90 for an angle stop. */
  turn?: 180 | 90
}

/** A two-ended part in its own frame: middle at the origin, the inlet facing -x, the outlet +x (or +y where it turns). */
export function inline(spec: InlineSpec): Fitting {
  const half = spec.layingMm / 2
  const out: Vector = spec.turn === 90 ? [0, 1, 0] : [1, 0, 0]
  const reachA = reachMm(spec.a, half)
  const reachB = reachMm(spec.b, half)
  return {
    id: spec.id,
    family: spec.family,
    name: spec.name,
    material: spec.material,
    heatSensitive: spec.heatSensitive ?? false,
    layingMm: spec.layingMm,
    source: TYPICAL,
    ports: [
      { ...spec.a, id: 'a', pose: { origin: [-reachA, 0, 0], axis: [-1, 0, 0], rollDegrees: 0 } },
      {
        ...spec.b,
        id: 'b',
        pose: {
          origin: [out[0] * reachB, out[1] * reachB, 0],
          axis: out,
          rollDegrees: 0,
        },
      },
    ],
  }
}
