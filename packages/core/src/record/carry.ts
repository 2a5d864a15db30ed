/** A way as far as it says which part is which. */
export interface CarriedWay {
  readonly id: string
  readonly removalId: string
  readonly leavesStubMm: number | null
  readonly parts: readonly { readonly fittingId: string; readonly inPort: number; readonly outPort: number }[]
  readonly joints: readonly {
    readonly method: string
    readonly system?: string
    readonly nominal?: string
    readonly from: number
    readonly to: number
  }[]
}

/** What of one way is still there in another that was chosen instead. */
export interface Carry {
  /** For each part of the first its place in the second; null where it is not in it. */
  readonly parts: readonly (number | null)[]
  /** For each joint of the first the same joint in the second: same method and size, same two parts. */
  readonly seams: readonly (number | null)[]
  /** The old end is left as long, by the same removal. */
  readonly stub: boolean
  /** Nothing differs. */
  readonly whole: boolean
}

/**
 * Matches the parts of two ways in their order: as many as can be are the same part the same way round, and of those
 * matches one that keeps the most joints. Every match is looked at: at most C(2n, n) for n parts, 924 for six.
 */
export function carryBetween(from: CarriedWay, to: CarriedWay): Carry {
  const stub =
    from.removalId === to.removalId &&
    (from.leavesStubMm === null
      ? to.leavesStubMm === null
      : to.leavesStubMm !== null && Math.abs(from.leavesStubMm - to.leavesStubMm) < 0.1)
  let best: { readonly parts: readonly (number | null)[]; readonly score: number } = { parts: [], score: -1 }
  const same = (a: number, b: number) => {
    const [one, other] = [from.parts[a], to.parts[b]]
    return (
      one !== undefined &&
      other !== undefined &&
      one.fittingId === other.fittingId &&
      one.inPort === other.inPort &&
      one.outPort === other.outPort
    )
  }
  const walk = (at: number, next: number, parts: readonly (number | null)[]) => {
    if (at === from.parts.length) {
      const matched = parts.filter((place) => place !== null).length
      // one part more is worth more than all joints
      const score = matched * 100 + seamsOf(from, to, parts, stub).filter((seam) => seam !== null).length
      if (score > best.score) best = { parts, score }
      return
    }
    for (let place = next; place < to.parts.length; place++)
      if (same(at, place)) walk(at + 1, place + 1, [...parts, place])
    walk(at + 1, next, [...parts, null])
  }
  walk(0, 0, [])
  const seams = seamsOf(from, to, best.parts, stub)
  return {
    parts: best.parts,
    seams,
    stub,
    whole: stub && from.joints.length === to.joints.length && seams.every((seam) => seam !== null),
  }
}

function seamsOf(
  from: CarriedWay,
  to: CarriedWay,
  parts: readonly (number | null)[],
  stub: boolean,
): (number | null)[] {
  const end = (part: number): number | null => {
    if (part < 0) return stub ? -1 : null
    // behind the last part is what goes in
    return part === from.parts.length ? to.parts.length : (parts[part] ?? null)
  }
  return from.joints.map((joint) => {
    const [a, b] = [end(joint.from), end(joint.to)]
    // what goes in may be another than it was: its joint is the same only in the same size
    const found = to.joints.findIndex(
      ({ method, system, nominal, from: one, to: other }) =>
        method === joint.method &&
        system === joint.system &&
        nominal === joint.nominal &&
        one === a &&
        other === b,
    )
    return a === null || b === null || found < 0 ? null : found
  })
}

/**
 * A place that a tape was held to, in the other way's terms; null where it has none.
 *
 * @param station as `StationId` has it
 */
export function carriedStation({ parts, stub }: Carry, station: string): string | null {
  const [, index, place] = /^part:(\d+):(in|centre|out)$/.exec(station) ?? []
  if (index !== undefined) {
    const now = parts[Number(index)]
    return now == null ? null : `part:${now}:${place}`
  }
  return station !== 'stub' || stub ? station : null
}

/**
 * A step of a line's plan in the other way's terms; null where what was done is no part of it. What is done to a whole
 * line (flushing it, finding it dry) is done anew as soon as anything in it is another.
 *
 * @param step line/seam/act, line/remove/act, line/line/act, line/cut/piece or line/long/piece; a step of no line stays
 */
export function carriedStep({ parts, seams, stub, whole }: Carry, step: string): string | null {
  const [line, place, key] = step.split('/')
  if (line === 'general' || key === undefined) return step
  if (place === 'line') return whole ? step : null
  if (place === 'remove') return stub ? step : null
  if (place === 'cut' || place === 'long') {
    if (key === 'old') return stub ? step : null
    const now = parts[Number(key)]
    return now == null ? null : `${line}/${place}/${now}`
  }
  const now = seams[Number(place)]
  return now == null ? null : `${line}/${now}/${key}`
}
