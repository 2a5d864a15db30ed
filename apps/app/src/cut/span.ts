import { stationText } from '@diarmos/core/words/stations'
import { type LineView, placesOf } from '../data/select'

/** Two places of a line that a tape is held to. */
export interface Span {
  readonly from: string
  readonly to: string
}

/** A span in words: `from the wall to the middle of the elbow`. */
export function spanText(line: LineView, { from, to }: Span): string {
  const families = line.mating?.fields.option.parts.map(({ family }) => family) ?? []
  const begins = placesOf(line)
  return `from ${stationText(from, families, begins)} to ${stationText(to, families, begins)}`
}

/** The same as the heading of a question. */
export const spanTitle = (line: LineView, span: Span): string => spanText(line, span).replace(/^f/, 'F')
