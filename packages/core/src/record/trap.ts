/** What was measured round a trap, mm; each null until it is. */
export interface TrapMeasures {
  readonly outMm: number | null
  readonly asideMm: number | null
  readonly drainMm: number | null
  readonly stubMm: number | null
}

/** Of a chosen way what decides where its trap begins. */
interface TrapWay {
  readonly parts: readonly { readonly family: string }[]
  readonly joints: readonly { readonly to: number; readonly nominal: string }[]
  /** Where the nut of an old adapter is kept: from the wall to its mouth, mm. */
  readonly leavesStubMm?: number | null
}
type Stations = readonly { readonly id: string; readonly fromLegMm: number | null }[]

/** What is cut for it is the pipe. */
const GRIPS = 'compression-trap'
/** Whether the trap of a way grips the pipe itself, so that no tube of its own is cut. */
export const gripsPipe = ({ parts }: Pick<TrapWay, 'parts'>): boolean =>
  parts.some(({ family }) => family === GRIPS)

/**
 * Which part of a way is the trap that something is cut for; -1 where none is. One that grips the side of a tee is held
 * there, and nothing of it is cut.
 */
export function trapIn({ parts }: Pick<TrapWay, 'parts'>): number {
  return parts.findIndex(
    ({ family }, index) =>
      family === 'tubular-trap' || (family === GRIPS && !parts[index - 1]?.family.startsWith('vent')),
  )
}

export const TRAP_SIZES = ['1-1/4', '1-1/2', '32', '40'] as const

/** Whether the trap of a way hangs at the side of a tee on a riser: it is measured from the riser's middle. */
export const isOnRiser = ({ parts }: Pick<TrapWay, 'parts'>): boolean =>
  parts.some(({ family }) => family === 'vent-riser')

/**
 * Whether the trap of a way lines up, as it is asked: its size from the way, the nut at the wall where the layout has
 * it.
 *
 * @returns null where the way has no trap, or while too little is measured
 */
export function trapAsk(way: TrapWay, stations: Stations, measured: TrapMeasures | null | undefined) {
  const at = trapIn(way)
  const size = TRAP_SIZES.find((entry) => entry === way.joints.find(({ to }) => to === at)?.nominal)
  // the wall tube goes into the outlet of the part before the trap
  const place = (id: string) => stations.find((station) => station.id === id)?.fromLegMm
  // the side of a tee on a riser is a leg of its own, from the riser's middle
  const from = () => (isOnRiser(way) ? 0 : place('wall'))
  const [mouth, wall] =
    // one that grips its pipe is measured from the wall
    way.parts[at]?.family === GRIPS
      ? [0, 0]
      : at === 0
        ? [way.leavesStubMm, 0]
        : [place(`part:${at - 1}:out`), from()]
  if (at < 0 || !measured || !size || mouth == null || wall == null) return null
  const { outMm, drainMm, stubMm, asideMm } = measured
  if (outMm === null || drainMm === null || stubMm === null) return null
  return {
    size,
    outMm,
    drainMm,
    stubMm,
    asideMm: asideMm ?? 0,
    stubOutMm: Math.max(0, mouth - wall),
    ...(at === 0 && gripsPipe(way) ? { pipeMm: way.leavesStubMm ?? null } : {}),
  }
}
