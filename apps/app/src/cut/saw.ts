import type { OperationResponse } from '@diarmos/contract'
import { cutsOldPipe, markedInPlace } from '@diarmos/core/record'
import type { QuantityKind } from '@diarmos/core/units'
import { pieceLetter } from '@diarmos/core/units'
import { beginsAt, endKind, type JobView, type LineView, situationOf } from '../data/select'

export type Layout = OperationResponse<'layout'>

/** One thing to saw: the old pipe, or a piece of a line. */
export interface Cut {
  readonly key: string
  readonly stepId: string
  readonly name: string
  /** A letter, as on the drawing; the old pipe has none. */
  readonly letter: string | null
  /** What to set out; null while it is not known. */
  readonly mm: number | null
  readonly quantity: QuantityKind
  /** Where the insertion marks go, from each end; nothing where a part ends no joint there. */
  readonly marksMm: readonly number[]
  readonly piece: Layout['pieces'][number] | null
  readonly done: boolean
  /** It is left long and capped, and cut once what follows it is in hand. */
  readonly long: boolean
  /** What it was cut to, where that is no longer what is wanted. */
  readonly wasMm: number | null
}

/** Less than this is no other length, mm. */
const SAME_MM = 0.4

/** What says that a piece is left long. */
export const longStep = (line: LineView, part: string | number) => `${line.line.id}/long/${part}`

/** Whether a piece of a line may be left long: what shuts it off is new, and stands before it. */
export const mayStayLong = ({ ends }: LineView) =>
  typeof ends?.from === 'object' && 'bodyId' in ends.from && !('stop' in ends.from)

/** The piece of a line that is left long, by its place among the parts; null for none. */
export function leftLongOf(view: JobView, line: LineView): number | null {
  if (!mayStayLong(line)) return null
  const parts = line.mating?.fields.option.parts ?? []
  const found = parts.findIndex(({ family }, part) => {
    const said = view.checks.get(longStep(line, part))?.fields.result
    return family === 'tube-piece' && said !== undefined && said !== 'undone'
  })
  return found < 0 ? null : found
}

/** Where the bare end of an old pipe is measured from. */
function measuredFrom(line: LineView): string {
  if (endKind(line) === 'waste.bowl') return 'over the rim of the fitting below'
  return situationOf(line).rises ? 'from the floor' : 'from the wall'
}

/** Everything to saw on a line, from the wall outward. */
export function cutsOf(view: JobView, line: LineView, layout: Layout | null): Cut[] {
  const option = line.mating?.fields.option
  if (!option) return []
  const long = leftLongOf(view, line)
  const cut = (key: string, rest: Omit<Cut, 'key' | 'stepId' | 'done' | 'long' | 'wasMm'>): Cut => {
    const stepId = `${line.line.id}/cut/${key}`
    const check = view.checks.get(stepId)?.fields
    const done = check !== undefined && check.result !== 'undone'
    const was = done && check.note ? Number(check.note) : null
    const other = was !== null && rest.mm !== null && Math.abs(was - rest.mm) > SAME_MM
    return { key, stepId, done, long: key === String(long), wasMm: other ? was : null, ...rest }
  }
  const first = option.joints[0]
  // a flange goes on pipe that is cut flush with the floor, and that is said beside it
  const flush = option.parts[0]?.family === 'closet-flange'
  const old =
    beginsAt(line) === 'pipe' &&
    !flush &&
    cutsOldPipe(option.removalId) &&
    (option.leavesStubMm !== null || markedInPlace(option))
      ? [
          cut('old', {
            name: `Old pipe, square, ${measuredFrom(line)}`,
            letter: null,
            mm: option.leavesStubMm,
            quantity: 'piece-to-remove',
            marksMm: first ? [first.maxMm] : [],
            piece: null,
          }),
        ]
      : []
  const pieces = (layout?.pieces ?? []).map((piece, index) =>
    cut(String(piece.part), {
      name: option.parts[piece.part]?.name ?? 'pipe',
      letter: pieceLetter(index),
      mm: piece.sawMm,
      quantity: 'pipe-to-cut',
      marksMm: piece.marksMm.filter((mark) => mark > 0),
      piece,
    }),
  )
  return [...old, ...pieces]
}
