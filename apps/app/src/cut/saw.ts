import type { OperationResponse } from '@diarmos/contract'
import type { QuantityKind } from '@diarmos/core/units'
import { pieceLetter } from '@diarmos/core/units'
import { beginsAt, type JobView, type LineView } from '../data/select'

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
  /** What it was cut to, where that is no longer what is wanted. */
  readonly wasMm: number | null
}

/** Less than this is no other length, mm. */
const SAME_MM = 0.4

/** Everything to saw on a line, from the wall outward. */
export function cutsOf(view: JobView, line: LineView, layout: Layout | null): Cut[] {
  const option = line.mating?.fields.option
  if (!option) return []
  const cut = (key: string, rest: Omit<Cut, 'key' | 'stepId' | 'done' | 'wasMm'>): Cut => {
    const stepId = `${line.line.id}/cut/${key}`
    const check = view.checks.get(stepId)?.fields
    const done = check !== undefined && check.result !== 'undone'
    const was = done && check.note ? Number(check.note) : null
    const other = was !== null && rest.mm !== null && Math.abs(was - rest.mm) > SAME_MM
    return { key, stepId, done, wasMm: other ? was : null, ...rest }
  }
  const first = option.joints[0]
  const old =
    beginsAt(line) === 'pipe' && option.removalId.includes('cut') && option.leavesStubMm !== null
      ? [
          cut('old', {
            name: 'Old pipe, square, from the wall',
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
