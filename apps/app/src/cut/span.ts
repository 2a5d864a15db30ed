import { stationText } from '@diarmos/core/words/stations'
import type { LineView } from '../data/select'

/** Two places of a line that a tape is held to. */
export interface Span {
  readonly from: string
  readonly to: string
}

/** A span in words: `from the wall to the middle of the elbow`. */
export function spanText(line: LineView, { from, to }: Span): string {
  const families = line.mating?.fields.option.parts.map(({ family }) => family) ?? []
  // what begins at the new valve has no old pipe
  const fresh = line.ends !== null && line.ends.from !== 'pipe'
  return `from ${stationText(from, families, fresh)} to ${stationText(to, families, fresh)}`
}
