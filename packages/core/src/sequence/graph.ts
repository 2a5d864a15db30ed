import type { StepTemplate } from '../assembly/acts/types'

export interface Node {
  readonly id: string
  readonly lineId: string | null
  readonly seam: number | null
  readonly template: StepTemplate
  readonly parameters: Readonly<Record<string, string | number>>
  readonly order: number
  readonly after: Set<string>
}

/** Raised when the joints' own rules contradict each other: a fault in the data, named by the steps in the circle. */
export class CircularPlanError extends Error {
  constructor(readonly steps: readonly string[]) {
    super(`these steps wait for each other: ${steps.join(', ')}`)
    this.name = 'CircularPlanError'
  }
}

/** What has to be done, and what before what. */
export class Graph {
  readonly nodes = new Map<string, Node>()

  add(
    id: string,
    template: StepTemplate,
    lineId: string | null,
    seam: number | null,
    parameters: Node['parameters'] = {},
  ): void {
    this.nodes.set(id, {
      id,
      lineId,
      seam,
      template,
      parameters: { ...template.parameters, ...parameters },
      order: this.nodes.size,
      after: new Set(),
    })
  }

  /** `before` must be done when `id` begins; steps that are not there are no obstacle. */
  precede(before: string, id: string): void {
    if (before !== id && this.nodes.has(before)) this.nodes.get(id)?.after.add(before)
  }

  reachableFrom(id: string): Set<string> {
    const following = new Map<string, string[]>()
    for (const node of this.nodes.values())
      for (const before of node.after) following.set(before, [...(following.get(before) ?? []), node.id])
    return walk(id, (at) => following.get(at) ?? [])
  }

  before(id: string): Set<string> {
    return walk(id, (at) => this.nodes.get(at)?.after ?? [])
  }
}

function walk(from: string, next: (at: string) => Iterable<string>): Set<string> {
  const seen = new Set<string>()
  const pending = [from]
  while (pending.length > 0)
    for (const other of next(pending.pop() as string))
      if (!seen.has(other)) {
        seen.add(other)
        pending.push(other)
      }
  return seen
}
