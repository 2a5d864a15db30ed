// A way as it would stand in the house: parts and joints in order, from the old pipe to what goes in.
import {
  type Conditions,
  type Fitting,
  fittingById,
  type LineRequest,
  type MateOption,
  pipeById,
} from '@diarmos/core'

export interface End {
  readonly form: string
  readonly system: string
  readonly nominal: string
  readonly material: string
}

export interface Placed {
  readonly part: Fitting
  readonly near: End
  /** Null for what closes a pipe. */
  readonly far: End | null
}

export interface Finished {
  /** What goes in, by its kind. */
  readonly kind: string
  readonly conditions: Conditions
  readonly removalId: string
  /** The old pipe, as it is left. */
  readonly stub: End & { readonly threaded: boolean }
  readonly parts: readonly Placed[]
  /** One more than parts, but where a part is itself the end. */
  readonly joints: readonly { readonly method: string; readonly beforeStop: boolean }[]
  /** The end that what goes in shows to the last joint; null where a part is itself the end. */
  readonly ends: readonly End[]
  /** Comes back to the same run. */
  readonly run: boolean
}

/** @throws Error for a way that begins at no pipe: only those are judged */
export function finished(line: LineRequest, way: MateOption): Finished {
  const pipe = pipeById(line.pipeId ?? '')
  if (!pipe) throw new Error(`no pipe ${line.pipeId}`)
  const parts = way.parts.map(({ fittingId, inPort, outPort }): Placed => {
    const part = fittingById(fittingId)
    const near = part?.ports[inPort]
    if (!part || !near) throw new Error(`no part ${fittingId}`)
    return { part, near, far: part.ports[outPort] ?? null }
  })
  const { system, nominal, material } = pipe
  const first = way.joints[0]
  return {
    kind: line.cutIn ? `run.${line.cutIn.insert}` : (line.to?.kind ?? ''),
    conditions: line.conditions,
    removalId: way.removalId,
    stub: { form: 'tube', system, nominal, material, threaded: first?.method === 'threaded' },
    parts,
    joints: way.joints.map(({ method, beforeStop }) => ({ method, beforeStop })),
    ends: line.cutIn ? [{ form: 'tube', system, nominal, material }] : (line.to?.ends ?? []),
    run: line.cutIn !== undefined,
  }
}
