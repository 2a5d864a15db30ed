import { Piscina } from 'piscina'

/** Whose a task is. */
export interface Whose {
  readonly person: string
  readonly shop: string
}

type QueueTask = Parameters<NonNullable<Piscina['options']['taskQueue']>['push']>[0]

/** Whose task it is: the pool hangs its options on it. */
const whose = (task: QueueTask): Whose =>
  // by a symbol, which its type does not show
  (task as unknown as Record<symbol, Whose | undefined>)[Piscina.queueOptionsSymbol] ?? {
    person: '',
    shop: '',
  }

/**
 * Waiting tasks, handed out in turns: shop after shop, and within a shop person after person. However much one asks,
 * the next of another waits for one task at most.
 */
export class FairQueue {
  private readonly shops = new Map<string, Map<string, QueueTask[]>>()
  private waiting = 0

  get size(): number {
    return this.waiting
  }

  push(task: QueueTask): void {
    const { person, shop } = whose(task)
    const people = this.shops.get(shop) ?? new Map<string, QueueTask[]>()
    this.shops.set(shop, people)
    const own = people.get(person)
    if (own) own.push(task)
    else people.set(person, [task])
    this.waiting++
  }

  shift(): QueueTask | null {
    const [next] = this.shops
    if (!next) return null
    const [shop, people] = next
    const [first] = people
    if (!first) return null
    const [person, tasks] = first
    const task = tasks.shift() as QueueTask
    this.waiting--
    // whoever was served goes to the end
    people.delete(person)
    if (tasks.length > 0) people.set(person, tasks)
    this.shops.delete(shop)
    if (people.size > 0) this.shops.set(shop, people)
    return task
  }

  remove(task: QueueTask): void {
    const { person, shop } = whose(task)
    const people = this.shops.get(shop)
    const tasks = people?.get(person)
    const at = tasks?.indexOf(task) ?? -1
    if (!people || !tasks || at < 0) return
    tasks.splice(at, 1)
    this.waiting--
    if (tasks.length === 0) people.delete(person)
    if (people.size === 0) this.shops.delete(shop)
  }
}
