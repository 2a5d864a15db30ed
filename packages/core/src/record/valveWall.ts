/** What is measured of the wall that a valve stands in, and taken from its sheet, mm; null until it is. */
export interface WallMeasures {
  /** Face of the blocking to the face of the studs, then each layer before it. */
  readonly studMm: number | null
  readonly boardMm: number | null
  readonly mortarMm: number | null
  readonly tileMm: number | null
  /** From what lies on the blocking to the middle of the ports. */
  readonly middleMm: number | null
  /** From the finished face to the middle, at least and at most. */
  readonly leastMm: number | null
  readonly mostMm: number | null
  /** Between the studs, clear. */
  readonly betweenMm: number | null
  /** Of the tub; from the corner to the middle of its drain. */
  readonly widthMm: number | null
  readonly drainMm: number | null
}

export const NO_WALL: WallMeasures = {
  studMm: null,
  boardMm: null,
  mortarMm: null,
  tileMm: null,
  middleMm: null,
  leastMm: null,
  mostMm: null,
  betweenMm: null,
  widthMm: null,
  drainMm: null,
}

const LAYERS = ['studMm', 'boardMm', 'mortarMm', 'tileMm'] as const

/** What is asked of a valve's depth; null while the blocking or the window on the sheet is not known. */
export function wallAsk(wall: WallMeasures) {
  const { studMm, middleMm, leastMm, mostMm } = wall
  if (studMm === null || leastMm === null || mostMm === null) return null
  const beside = (['betweenMm', 'widthMm', 'drainMm'] as const).flatMap((key) =>
    wall[key] === null ? [] : [[key, wall[key]] as const],
  )
  return {
    // what is not there may not be off either
    layers: LAYERS.flatMap((name) => (wall[name] === null ? [] : [{ name, mm: wall[name] }])),
    middleMm: middleMm ?? 0,
    windowMm: [leastMm, mostMm] as [number, number],
    ...(Object.fromEntries(beside) as { betweenMm?: number; widthMm?: number; drainMm?: number }),
  }
}
