import { PIPES } from '../reference/pipes'
import { SIGN_ANSWERS, type SignKind } from './answers'
import { SURFACE_COUNT } from './infer'
import { JOINT_ON_LOOK, signTable } from './seen'
import { CLASSES, LOOKS, OUTSIDES } from './space'

const SIGNS: readonly SignKind[] = ['magnet', 'scratch', 'colour', 'flex', 'tap']
/** Looks that agree in so much of what people answer are taken for each other. */
const ALIKE = 0.08
/** Diameters that a tape does not tell apart, mm; beyond that a share of the diameter. */
const NEAR_MM = 1
const NEAR_SHARE = 0.02

/** How much of what people say of two looks is the same, joints included: the overlap of their answers. */
function agreement(a: number, b: number): number {
  let product = 1
  for (const sign of SIGNS) {
    const answers = SIGN_ANSWERS[sign].length
    const table = signTable(sign)
    let overlap = 0
    for (let answer = 0; answer < answers; answer++)
      overlap += Math.min(
        table[a * SURFACE_COUNT * answers + answer] as number,
        table[b * SURFACE_COUNT * answers + answer] as number,
      )
    product *= overlap
  }
  const joints = (JOINT_ON_LOOK[a] as readonly number[]).reduce(
    (sum, share, joint) => sum + Math.min(share, (JOINT_ON_LOOK[b] as readonly number[])[joint] as number),
    0,
  )
  // the joint is seen less surely than the pipe
  return product * Math.sqrt(joints)
}

let found: ReadonlyMap<string, readonly string[]> | null = null

function all(): ReadonlyMap<string, readonly string[]> {
  const looks = LOOKS.values.map((_, a) => LOOKS.values.map((__, b) => (a === b ? 1 : agreement(a, b))))
  const sets = new Map<string, Set<string>>()
  PIPES.forEach((pipe, index) => {
    const own = CLASSES.values[CLASSES.of[index] as number]?.id ?? ''
    const set = sets.get(own) ?? new Set<string>()
    sets.set(own, set)
    const extent = OUTSIDES.values[OUTSIDES.of[index] as number]
    PIPES.forEach((other, at) => {
      const id = CLASSES.values[CLASSES.of[at] as number]?.id ?? ''
      if (id === own) return
      const limit =
        Math.max(NEAR_MM, NEAR_SHARE * pipe.odMm) + (extent?.toleranceMm ?? 0) + other.odToleranceMm
      if (Math.abs(other.odMm - pipe.odMm) > limit) return
      if ((looks[LOOKS.of[index] as number]?.[LOOKS.of[at] as number] ?? 0) >= ALIKE) set.add(id)
    })
  })
  return new Map([...sets].map(([id, set]) => [id, [...set].sort()]))
}

/**
 * The classes that a part-and-hazard class is taken for: diameters that a tape does not tell apart, and looks that
 * people describe alike. Worked out from the tables once; empty for a class that is none.
 */
export function lookalikesOf(classId: string): readonly string[] {
  found ??= all()
  return found.get(classId) ?? []
}
