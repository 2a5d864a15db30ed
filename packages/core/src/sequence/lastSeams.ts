import type { StepTemplate } from '../assembly/acts/types'
import type { MateOption } from '../mate/types'

/**
 * Joints of a way between two fixed ends that can only close when all the others are made: both ends of what slides, or
 * the one that is sprung; none elsewhere.
 */
export function lastSeams({ closes }: Pick<MateOption, 'closes'>): ReadonlySet<number> {
  if (closes?.by === 'slide') return new Set([closes.seam, closes.seam + 1])
  return new Set(closes?.by === 'spring' ? [closes.seam] : [])
}

/** What slides is put on first, whole, and drawn back last. Common practice. */
export const SLIDE_STEPS = {
  on: { key: 'slide-on', kind: 'captive', words: 'slide.on', seconds: 0, captive: 'slip coupling' },
  back: { key: 'slide-back', kind: 'prepare', words: 'slide.back', seconds: 0 },
} as const satisfies Readonly<Record<string, StepTemplate>>
