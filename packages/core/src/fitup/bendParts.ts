import type { PortEnd } from '../catalog/ends'
import { CATALOG } from '../catalog/families'
import type { Family, Fitting, Port } from '../catalog/types'
import type { Bend } from './offset'
import { insertionMm, takeOutMm } from './takeOut'

const BENDS: ReadonlySet<Family> = new Set(['elbow-90', 'elbow-45', 'drain-bend'])

/** By how much a part turns what comes in by its first end, degrees to a tenth: by its poses. */
function turnsBy({ ports: [a, b] }: Pick<Fitting, 'ports'>): number {
  if (!a || !b) return 0
  return Math.round((Math.atan2(b.pose.axis[1], b.pose.axis[0]) * 1800) / Math.PI) / 10
}

/**
 * What joins pipe to bends with that end: how much of a piece lies in both its joints, and how far each joint keeps it
 * from its bend, mm. Plain ends have a coupling round both, whose stop stands between them.
 */
export function bendJoints(port: PortEnd): { readonly insideMm: number; readonly apartMm: number } {
  if (port.form !== 'tube') return { insideMm: 2 * insertionMm(port)[1], apartMm: 0 }
  const coupling = CATALOG.find(
    ({ family, ports }) =>
      family === 'shielded-coupling' &&
      ports.every(({ system, nominal }) => system === port.system && nominal === port.nominal),
  )
  return {
    insideMm: coupling ? 2 * insertionMm(coupling.ports[0] as Port)[1] : 0,
    apartMm: coupling?.layingMm ?? 0,
  }
}

/**
 * A bend of that angle with both ends of that kind, and what it takes out with pipe fully home; undefined where none is
 * in the catalogue. Square turns of plastic drain are long sweeps, which are right every way that a drain turns.
 */
export function bendBetween(
  port: PortEnd,
  angleDegrees: number,
): { readonly part: Fitting; readonly bend: Bend } | undefined {
  const part = CATALOG.find(
    (fitting) =>
      BENDS.has(fitting.family) &&
      turnsBy(fitting) === angleDegrees &&
      fitting.ports.every(
        ({ form, system, nominal, medium, material }) =>
          form === port.form &&
          system === port.system &&
          nominal === port.nominal &&
          (medium === 'supply' || material === port.material),
      ),
  )
  if (!part) return undefined
  const { apartMm } = bendJoints(port)
  // the least that the bend takes out
  const least = (end: 0 | 1) => takeOutMm(part, end)[0] + apartMm
  return { part, bend: { angleDegrees, takeOutMm: [least(0), least(1)] } }
}
