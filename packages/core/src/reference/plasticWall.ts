/**
 * A standard's wall of plastic pipe is the least there may be, with all its tolerance upward.
 *
 * @param leastMm least wall, mm
 * @param upMm what it may be thicker, mm
 * @returns the middle of the range, and how far it goes to each side, mm
 */
export function plasticWall(leastMm: number, upMm: number): { wallMm: number; wallToleranceMm: number } {
  return { wallMm: leastMm + upMm / 2, wallToleranceMm: upMm / 2 }
}
