import type { StepTemplate } from '../assembly/acts/types'
import { isKnownStep } from './keys'

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

/** The data ask an act to wait for one that no work has. */
export class MissingStepError extends Error {
  constructor(readonly step: string) {
    super(`there is no such step: ${step}`)
    this.name = 'MissingStepError'
  }
}

/** What has to be done, and what before what. */
export class Graph {
  readonly nodes = new Map<string, Node>()
  /** Arrows from or to what was not there when they were asked for. */
  private readonly asked: (readonly [before: string, id: string])[] = []

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

  /**
   * `before` must be done when `id` begins. An act that this work does not have is no obstacle; one that no work has is a
   * fault.
   *
   * @throws MissingStepError where either names nothing that a table knows
   */
  precede(before: string, id: string): void {
    if (before === id) return
    const node = this.nodes.get(id)
    if (node && this.nodes.has(before)) node.after.add(before)
    else {
      for (const name of [before, id])
        if (!this.nodes.has(name) && !isKnownStep(name)) throw new MissingStepError(name)
      this.asked.push([before, id])
    }
  }

  /**
   * To be called when all acts are laid out: nothing was asked to wait for an act that was laid out later, and is.
   *
   * @throws MissingStepError naming the act that came too late
   */
  settle(): void {
    for (const [before, id] of this.asked) {
      const node = this.nodes.get(id)
      if (node && this.nodes.has(before) && !node.after.has(before)) throw new MissingStepError(before)
    }
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
