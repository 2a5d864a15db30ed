/** A question on its way to the worker: the latest of whoever asks. */
interface Waiting {
  readonly operation: string
  readonly request: unknown
  readonly resolve: (answer: unknown) => void
  readonly reject: (error: Error) => void
}

/** What the worker's side of the queue has to offer. */
export interface Line {
  post(id: number, operation: string, request: unknown): void
  /** Throws away what is at work; the next post begins anew. */
  restart(): void
}

/** Thrown at a question in whose place its asker has put another. */
export class Superseded extends Error {
  constructor() {
    super('another question took its place')
    this.name = 'Superseded'
  }
}

/** A stale question that is at work for so long is not waited for, ms. */
const PATIENCE_MS = 1500

/**
 * Hands questions to the worker one at a time. Each asker has one place: a newer question takes it before the older is
 * sent; one that is already at work is let go, and where it takes long its worker is thrown away.
 */
export class SolverQueue {
  private readonly waiting = new Map<string, Waiting>()
  private atWork:
    | (Waiting & { readonly id: number; readonly slot: string; stale: boolean; since: number })
    | null = null
  private count = 0
  private timer: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly line: Line,
    private readonly now: () => number = () => Date.now(),
  ) {}

  /**
   * @param grows a question that only grows, as a log does: what is at work is worth its answer all the same, and what
   * comes faster than it can be answered is not let go for ever
   */
  ask(slot: string, operation: string, request: unknown, grows = false): Promise<unknown> {
    if (grows) this.dropWaiting(slot)
    else this.drop(slot)
    return new Promise((resolve, reject) => {
      this.waiting.set(slot, { operation, request, resolve, reject })
      this.next()
    })
  }

  /** Nobody waits for the answer of this place any more. */
  drop(slot: string): void {
    this.dropWaiting(slot)
    const { atWork } = this
    if (atWork?.slot !== slot || atWork.stale) return
    atWork.stale = true
    atWork.reject(new Superseded())
    const left = PATIENCE_MS - (this.now() - atWork.since)
    clearTimeout(this.timer)
    this.timer = setTimeout(() => this.giveUp(atWork.id), Math.max(0, left))
  }

  private dropWaiting(slot: string): void {
    const held = this.waiting.get(slot)
    this.waiting.delete(slot)
    held?.reject(new Superseded())
  }

  /** What the worker says to a question. */
  answered(id: number, settle: (asker: Pick<Waiting, 'resolve' | 'reject'>) => void): void {
    const { atWork } = this
    if (atWork?.id !== id) return
    clearTimeout(this.timer)
    this.atWork = null
    if (!atWork.stale) settle(atWork)
    this.next()
  }

  /** The worker died, and took what was at work along. */
  died(error: Error): void {
    const { atWork } = this
    this.atWork = null
    if (atWork && !atWork.stale) atWork.reject(error)
    this.next()
  }

  private giveUp(id: number): void {
    if (this.atWork?.id !== id) return
    this.line.restart()
    this.atWork = null
    this.next()
  }

  private next(): void {
    if (this.atWork) return
    const [first] = this.waiting
    if (!first) return
    const [slot, question] = first
    this.waiting.delete(slot)
    const id = ++this.count
    this.atWork = { ...question, id, slot, stale: false, since: this.now() }
    this.line.post(id, question.operation, question.request)
  }
}
