import type { RouteId } from '../../assembly/bodies/types'
import type { WorkedOnId } from '../../assembly/workedOn'
import type { MateOption } from '../../mate/types'
import type { WallService } from './places'

/** One line as it stands in the assembly. */
export interface WallLine {
  readonly lineId: string
  readonly service: WallService
  /** The name it is touched by. */
  readonly label: string
  /** What was found; null while nothing was, or where the line begins at something new. */
  readonly pipeId: string | null
  /** It begins at something new, not at an old pipe. */
  readonly fresh: boolean
  /** The way that is chosen or looked at; null while there is none. */
  readonly option: MateOption | null
  /** What has to stand before its end; null while nothing goes in. */
  readonly route: RouteId | null
  /** It begins at the outlet of an old stop, which stays. */
  readonly kept?: boolean
  /** It goes into a run. */
  readonly run: boolean
  /** That run stands: what comes into it comes by the side of a tee. */
  readonly stands?: boolean
  /** From its stop, or from where it begins, to its end, where that was measured, mm. */
  readonly reachMm?: number | null
  /** Another line begins at its second outlet. */
  readonly feeds: boolean
}

export interface WallRequest {
  readonly place: WorkedOnId
  readonly lines: readonly WallLine[]
  /** From the middle of the hot line to that of the cold, where they come out, mm; null while it is not measured. */
  readonly apartMm?: number | null
  readonly widthPx?: number
  readonly heightPx?: number
}
