import { type PartOfWay, partOf } from '../assembly/kept'
import { type MethodId, methodById } from '../assembly/methods/table'
import { opensRun } from '../assembly/oldJoints/removals'
import { pipeById } from '../reference/pipes'

/** What an open end of a drain is shut with meanwhile, and counted out again. */
export interface TestPlug {
  readonly nominal: string
  readonly unit: 'in' | 'mm'
  readonly count: number
}

interface Way {
  readonly removalId: string
  readonly parts: readonly PartOfWay[]
  readonly joints: readonly { readonly method: MethodId; readonly system: string; readonly nominal: string }[]
}

/** Whether a way carries waste, and no water that somebody drinks. */
export function isOfDrain({ joints }: Pick<Way, 'joints'>): boolean {
  return joints.every(({ method }) => methodById(method).medium === 'drain')
}

/**
 * The plugs that a drain's way asks for, by what they go into: the old pipe, both sides of a run that is cut open, and
 * the side of what goes into one. What comes into a new branch opens nothing of its own.
 *
 * @param way one way of a drain; of a line of water nothing is plugged
 * @param pipeId the old pipe, where it is known: a flange and a nut are called by another size
 */
export function plugsOf(way: Way, pipeId?: string | null): readonly TestPlug[] {
  const { removalId, parts, joints } = way
  const [first] = joints
  if (!first || removalId === 'new-end' || !isOfDrain(way)) return []
  const plug = ({ system, nominal }: { system: string; nominal: string }, count: number): TestPlug => ({
    nominal,
    unit: system.startsWith('metric') ? 'mm' : 'in',
    count,
  })
  const run = opensRun(removalId)
  const sides = run ? parts.flatMap((part) => partOf(part)?.ports.slice(2) ?? []) : []
  return [plug(pipeById(pipeId ?? '') ?? first, run ? 2 : 1), ...sides.map((side) => plug(side, 1))]
}
