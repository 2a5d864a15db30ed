import { removalTools } from '../assembly/oldJoints/removals'
import type { ToolId } from '../assembly/tools'
import { pipeById } from '../reference/pipes'

interface Way {
  readonly removalId: string
  readonly joints: readonly { readonly tools: readonly ToolId[] }[]
}

/**
 * Every tool that ways ask for, once each, in the order of their use: what opens the old end or parts the run, then what
 * each joint is made with.
 *
 * @param pipeIds the old pipe of each way, where it is known: soft tube is cut by a blade
 */
export function toolsFor(ways: readonly Way[], pipeIds: readonly (string | null)[] = []): readonly ToolId[] {
  const tools = ways.flatMap(({ removalId, joints }, at) => [
    ...removalTools(removalId, pipeById(pipeIds[at] ?? '')?.material),
    ...joints.flatMap((joint) => joint.tools),
  ])
  return [...new Set(tools)]
}
