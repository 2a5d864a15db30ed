import type { Source } from '../reference/source'
import { type Fit, impossible } from './reason'

/** Fall over length: 1/4 in a foot is 1/48. */
export type Pitch = number

/** Usual pitches of drains, inches to the foot and per hundred. */
export const PITCHES: readonly { readonly id: string; readonly pitch: Pitch; readonly source: Source }[] = [
  {
    id: '1/4',
    pitch: 1 / 48,
    source: {
      title:
        'IPC 704.1: 2-1/2 in and smaller; UPC 708.1: all sizes, flatter from 4 in by leave of the authority',
      certainty: 'recalled',
    },
  },
  {
    id: '1/8',
    pitch: 1 / 96,
    source: { title: 'IPC 704.1: 3 in to 6 in; not where UPC 708.1 holds', certainty: 'recalled' },
  },
  { id: '1/16', pitch: 1 / 192, source: { title: 'IPC 704.1: 8 in and larger', certainty: 'recalled' } },
  { id: '2 %', pitch: 0.02, source: { title: 'EN 12056-2, branch pipes, usual', certainty: 'recalled' } },
  { id: '1 %', pitch: 0.01, source: { title: 'EN 12056-2, branch pipes, least', certainty: 'recalled' } },
]

/** What a run falls, mm. */
export function fallMm(lengthMm: number, pitch: Pitch): number {
  return lengthMm * pitch
}

/** What goes under the low end of a level so that its bubble stands in the middle, mm. */
export function shimMm(levelMm: number, pitch: Pitch): number {
  return levelMm * pitch
}

/** What a vial graduated in a hundredth reads: fall per hundred. */
export function vialPercent(pitch: Pitch): number {
  return pitch * 100
}

export interface RunPoint {
  readonly name: string
  /** Along the pipe from the high end, mm. */
  readonly alongMm: number
}

/**
 * Elevations along a run that keeps one pitch, mm, the high end at `startMm`; lengths are counted along the pipe, so a
 * travel between two bends falls by its own length and not by the run it gains.
 */
export function elevations(
  startMm: number,
  pitch: Pitch,
  points: readonly RunPoint[],
): readonly (RunPoint & { readonly elevationMm: number })[] {
  return points.map((point) => ({ ...point, elevationMm: startMm - fallMm(point.alongMm, pitch) }))
}

export interface UnderAsk {
  /** From the underside of what is above to the invert or middle of the high end, mm. */
  readonly headMm: number
  readonly lengthMm: number
  readonly pitch: Pitch
  /** Outside diameter of the pipe with its fittings, mm. */
  readonly outsideMm: number
  /** From the underside of what is above to what is below: a ceiling, a beam, mm. */
  readonly roomMm: number
}

/** What is left under a run at its low end, mm; or by how much it would come out below. `headMm` is to its middle. */
export function leftUnder({
  headMm,
  lengthMm,
  pitch,
  outsideMm,
  roomMm,
}: UnderAsk): Fit<{ readonly leftMm: number }> {
  if (headMm < outsideMm / 2) return impossible('pitch.no-head', { shortMm: outsideMm / 2 - headMm })
  const leftMm = roomMm - headMm - fallMm(lengthMm, pitch) - outsideMm / 2
  return leftMm < 0 ? impossible('pitch.too-low', { overMm: -leftMm }) : { ok: true, leftMm }
}

/** The steepest a run may be between two ends that are given, and whether it keeps the least, mm. */
export function pitchBetween(
  highMm: number,
  lowMm: number,
  lengthMm: number,
  least: Pitch,
): Fit<{ readonly pitch: Pitch }> {
  if (lengthMm <= 0) return impossible('pitch.no-length')
  const pitch = (highMm - lowMm) / lengthMm
  return pitch < least - 1e-12
    ? impossible('pitch.too-flat', { shortMm: least * lengthMm - (highMm - lowMm) })
    : { ok: true, pitch }
}
