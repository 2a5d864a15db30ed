import { type PartOfWay, partOf } from '../assembly/kept'

/** Of a chosen way, what is looked at here. */
interface Way {
  readonly parts: readonly PartOfWay[]
  readonly joints: readonly { readonly method: string; readonly maxMm: number }[]
}

/** Whether a way goes into the inside of the old pipe: nothing is marked or cut on that. */
export function goesInside({ joints }: Pick<Way, 'joints'>): boolean {
  return joints[0]?.method === 'pipe-fins'
}

/**
 * What is left of the tail of a pan connector that is cut to length, from the stop in its cup, mm: the way between pipe
 * and spigot, and what goes into the pipe. Null for any other, or where that way was not measured.
 */
export function panTailMm({ parts, joints }: Way, reachMm: number | null): number | null {
  const cut = parts.some((part) => part.family === 'pan-connector' && partOf(part)?.lengthMm !== undefined)
  return cut && reachMm !== null ? reachMm + (joints[0]?.maxMm ?? 0) : null
}
