/** A binary min-heap. Equal items leave in the order in which they came, so results are the same everywhere. */
export class Heap<T> {
  private readonly items: { readonly key: number; readonly order: number; readonly value: T }[] = []
  private count = 0

  get size(): number {
    return this.items.length
  }

  push(key: number, value: T): void {
    const items = this.items
    items.push({ key, order: this.count++, value })
    let at = items.length - 1
    while (at > 0) {
      const above = (at - 1) >> 1
      if (!this.before(at, above)) break
      this.swap(at, above)
      at = above
    }
  }

  pop(): T | undefined {
    return this.popEntry()?.value
  }

  /** The first item with the key it was pushed under. */
  popEntry(): { readonly key: number; readonly value: T } | undefined {
    const items = this.items
    const top = items[0]
    if (!top) return undefined
    const last = items.pop() as (typeof items)[number]
    if (items.length > 0) {
      items[0] = last
      let at = 0
      for (;;) {
        let least = at
        for (const child of [2 * at + 1, 2 * at + 2])
          if (child < items.length && this.before(child, least)) least = child
        if (least === at) break
        this.swap(at, least)
        at = least
      }
    }
    return top
  }

  private before(a: number, b: number): boolean {
    const left = this.items[a] as (typeof this.items)[number]
    const right = this.items[b] as (typeof this.items)[number]
    return left.key - right.key < 0 || (left.key === right.key && left.order < right.order)
  }

  private swap(a: number, b: number): void {
    const held = this.items[a] as (typeof this.items)[number]
    this.items[a] = this.items[b] as (typeof this.items)[number]
    this.items[b] = held
  }
}
