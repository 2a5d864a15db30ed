import type { JobFile } from '@diarmos/contract'
import { CoreFault, fittingById, formatLength, type MateOption, pieceLetter } from '@diarmos/core'
import { unparse } from 'papaparse'
import { piecesOf } from './lengths'
import { newest } from './newest'

/** Rows under a head. What a spreadsheet would take for a formula is written as text. */
const table = (fields: readonly string[], data: readonly (readonly (string | number)[])[]): string =>
  `${unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { escapeFormulae: true })}\r\n`

const pointOf = ({ point, more = [] }: JobFile, id: unknown) =>
  String([point, ...more].find((each) => each.id === id)?.name ?? '')

/** Chosen ways, line by line. */
const chosen = (file: JobFile) =>
  file.lines.flatMap((line) => {
    const option = newest(file.documents.mating, line.id)?.option as MateOption | undefined
    return option ? [{ line, option, at: pointOf(file, line.pointId) }] : []
  })

/** Every part of the chosen ways, how many of it on which line, and whether it was aboard. */
export function partsCsv(file: JobFile): string {
  const rows = chosen(file).flatMap(({ line, option, at }) => {
    const count = new Map<string, number>()
    for (const { fittingId } of option.parts) count.set(fittingId, (count.get(fittingId) ?? 0) + 1)
    return [...count].map(([id, pieces]) => {
      const part = option.parts.find(({ fittingId }) => fittingId === id)
      return [
        at,
        String(line.service),
        pieces,
        part?.name ?? fittingById(id)?.name ?? id,
        part?.aboard ? 'van' : 'counter',
      ]
    })
  })
  return table(['point', 'line', 'pieces', 'part', 'from'], rows)
}

/** The pieces of a way; none where the tables of today do not know its parts any more. */
function cutsOf(...asked: Parameters<typeof piecesOf>): ReturnType<typeof piecesOf> {
  try {
    return piecesOf(...asked)
  } catch (error) {
    if (error instanceof CoreFault) return []
    throw error
  }
}

/** Every piece to cut: its letter on the drawing, how long, and the marks of insertion from its ends. */
export function cutsCsv(file: JobFile): string {
  const rows = chosen(file).flatMap(({ line, option, at }) =>
    cutsOf(file, line, option).map(({ part, sawMm, marksMm }, index) => [
      at,
      String(line.service),
      pieceLetter(index),
      option.parts[part]?.name ?? '',
      sawMm === null ? '' : Math.round(sawMm * 10) / 10,
      sawMm === null ? '' : formatLength(sawMm, { unit: 'in', quantity: 'pipe-to-cut' }),
      ...[0, 1].map((end) => (!marksMm[end] ? '' : Math.round((marksMm[end] ?? 0) * 10) / 10)),
    ]),
  )
  return table(['point', 'line', 'piece', 'part', 'saw mm', 'saw in', 'mark 1 mm', 'mark 2 mm'], rows)
}
