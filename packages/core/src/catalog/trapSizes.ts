const IN = 25.4

/** Sizes of tubular traps with the swing of their bend, from the middle of the inlet to the middle of the outlet leg, mm. */
export const TRAP_SWINGS: readonly (readonly [tube: '1-1/4' | '1-1/2', swingMm: number])[] = [
  ['1-1/4', 3.5 * IN],
  ['1-1/2', 4 * IN],
]
/** The mouth of the inlet over the middle of the wall tube, mm. */
export const INLET_ABOVE_MM = IN

/** Metric traps by the thread of the waste over them: the pipe, the swing of the bend, and from its leg to the outlet's mouth, mm. */
export const WASTE_TRAPS: readonly (readonly [
  thread: '1-1/4' | '1-1/2',
  size: '32' | '40',
  swingMm: number,
  reachMm: number,
])[] = [
  ['1-1/4', '32', 80, 70],
  ['1-1/2', '40', 90, 80],
]
