/** Which way a printed length is rounded. */
export type RoundingDirection = 'down' | 'up' | 'nearest'

/** The kinds of quantity the product prints. */
export type QuantityKind =
  | 'reading'
  | 'pipe-to-cut'
  | 'piece-to-remove'
  | 'insertion-mark'
  | 'least-stub'
  | 'missing-length'
  | 'largest-opening'
  | 'outside-diameter'
  | 'depth-window'

/** How one kind of quantity is rounded. */
export interface Rounding {
  readonly direction: RoundingDirection
  readonly why: string
  /** Finer than a sixteenth of an inch, where a sixteenth would be too much. */
  readonly denominator?: 32
}

/**
 * Rounding by kind of quantity. A direction is chosen so that the printed number, taken literally,
 * errs to the side that can still be mended. Common practice; no standard states it.
 */
export const ROUNDING: Readonly<Record<QuantityKind, Rounding>> = {
  reading: { direction: 'nearest', why: 'a reading is shown as it was taken' },
  'pipe-to-cut': {
    direction: 'down',
    why: 'a piece between two stops that is too long cannot go in; the make-up range takes up the rest',
  },
  'piece-to-remove': { direction: 'down', why: 'more can still be taken off' },
  'insertion-mark': {
    direction: 'down',
    why: 'home, the mark is just gone: one that can never go in would look like a joint that is not home',
    denominator: 32,
  },
  'least-stub': { direction: 'up', why: 'a stub a hair short does not reach the seal' },
  'missing-length': { direction: 'up', why: 'what is missing must not be understated' },
  'largest-opening': { direction: 'down', why: 'an opening must not be overstated' },
  'depth-window': { direction: 'nearest', why: 'a depth is held against its window, not cut' },
  'outside-diameter': { direction: 'nearest', why: 'a diameter is compared, not cut' },
}
