import type { Source } from '../reference/source'
import { fullDepthMm, maleLengthMm, type PortEnd } from './ends'
import type { Family, Fitting, PartMaterial, Port, PortForm, Standing, Vector } from './types'

export const TYPICAL: Source = {
  title: 'Body and laying length, typical of the kind',
  certainty: "maker's sheet",
}

const SOCKETS: ReadonlySet<PortForm> = new Set([
  'solder-cup',
  'press-cup',
  'cement-socket',
  'pvc-socket',
  'push-fit',
  'compression',
  'gasket-socket',
  'poly-compression',
  'taper-female',
  'slip-spout',
  'drain-socket',
  'slip-joint',
  'filed-cup',
  'expanded-cup',
  'shielded',
  'hub',
  'flexible',
  'ring-gasket',
  'waste-compression',
  'ring-socket',
  'trap-outlet',
  'pan-fins',
])

/** Sockets that cement closes, of water and of drains. */
export function isCementSocket(form: string): boolean {
  return form === 'cement-socket' || form === 'pvc-socket' || form === 'drain-socket'
}

/** Mouths that pipe goes into; everything else is itself a tip that goes into or takes a nut. */
export function isSocket(end: Pick<Port, 'form'>): boolean {
  return SOCKETS.has(end.form)
}

/** How far an end's own depth or thread reaches from the pipe's end to its mouth or tip, mm. */
function depthMm(end: PortEnd): number {
  return isSocket(end) ? fullDepthMm(end) : maleLengthMm(end)
}

export interface BodySpec {
  id: string
  family: Family
  name: string
  material: PartMaterial
  heatSensitive?: boolean
  /** Between the pipes' ends, both home; at an elbow or tee twice the distance from the middle. */
  layingMm?: number
  /** Instead, where a standard has it: from the middle to the mouth or tip of each end; the last holds for the rest. */
  toEndMm?: readonly number[]
  a: PortEnd
  /** The way out; none for caps and plugs. */
  b?: PortEnd
  /** Ends beside the run, square to it, in turn to each side. */
  branches?: readonly PortEnd[]
  /** Angle between the run in and the run out: 180 straight, 90 a square turn, 135 an eighth bend, 120 a sixth. */
  turn?: keyof typeof OUT
  protects?: true
  /** How far the way out stands aside of the way in, mm. */
  shiftMm?: number
  standing?: Standing
  lengthMm?: Fitting['lengthMm']
  source?: Source
}

const OUT = {
  180: [1, 0, 0],
  157.5: [Math.cos(Math.PI / 8), Math.sin(Math.PI / 8), 0],
  135: [Math.SQRT1_2, Math.SQRT1_2, 0],
  120: [0.5, Math.sqrt(3) / 2, 0],
  90: [0, 1, 0],
} as const satisfies Readonly<Record<number, Vector>>

/**
 * A part in its own frame: middle at the origin, the inlet facing -x, the outlet +x, or towards +y where it turns;
 * branches face +y, then -y.
 */
export function inline(spec: BodySpec): Fitting {
  const { toEndMm, a, b } = spec
  const reachMm = (end: PortEnd, index: number) =>
    toEndMm ? (toEndMm[index] ?? toEndMm.at(-1) ?? 0) : (spec.layingMm ?? 0) / 2 + depthMm(end)
  const layingMm = toEndMm
    ? [a, b ?? a].reduce((sum, end, index) => sum + reachMm(end, index) - depthMm(end), 0)
    : (spec.layingMm ?? 0)
  const out = OUT[spec.turn ?? 180]
  const port = (index: number, end: PortEnd, axis: Vector): Port => {
    const reach = reachMm(end, index)
    return {
      id: 'abcde'[index] as string,
      pose: {
        origin: [axis[0] * reach, axis[1] * reach + (index === 1 ? (spec.shiftMm ?? 0) : 0), 0],
        axis,
        rollDegrees: 0,
      },
      // last: what a spread begins, some engines give a shape of its own each time
      ...end,
    }
  }
  return {
    id: spec.id,
    family: spec.family,
    name: spec.name,
    material: spec.material,
    heatSensitive: spec.heatSensitive ?? false,
    layingMm,
    ...(spec.lengthMm ? { lengthMm: spec.lengthMm } : {}),
    ...(spec.protects ? { protects: spec.protects } : {}),
    ...(spec.shiftMm ? { shiftMm: spec.shiftMm } : {}),
    ...(spec.standing ? { standing: spec.standing } : {}),
    source: spec.source ?? TYPICAL,
    ports: [
      port(0, a, [-1, 0, 0]),
      ...(b ? [port(1, b, out)] : []),
      ...(spec.branches ?? []).map((end, index) => port(index + 2, end, [0, index % 2 === 0 ? 1 : -1, 0])),
    ],
  }
}
