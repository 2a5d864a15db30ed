/** One act as the clock sees it. */
export interface Task {
  readonly seconds: number
  /** It goes on by itself as soon as what it waits for has ended: nobody's hands are taken. */
  readonly passive: boolean
  /** Tasks, by their place in the list, that must have ended before it begins. */
  readonly after: readonly number[]
  /** Where hands are needed: two people do not work at one place. */
  readonly place: string | null
  /** What it has in common with acts that it had best follow, what counts most first: place, sitting, the act itself. */
  readonly near: readonly string[]
}

/** Where an order stands, to go back to. */
export interface Mark {
  readonly trail: number
  readonly free: readonly number[]
  readonly places: readonly number[]
  readonly last: number
}

/**
 * An order of tasks as it is built: each act begins as soon as what it waits for has ended, somebody is free and its
 * place is; waits begin by themselves. Everything can be taken back.
 */
export class Clock {
  private readonly ends: Float64Array
  private readonly starts: Float64Array
  private readonly tails: Float64Array
  private readonly heads: Float64Array
  private readonly left: Float64Array
  private readonly placeOf: Int32Array
  private readonly followers: readonly number[][]
  private readonly waits: readonly number[]
  private readonly byTail: readonly number[]
  /** Tasks that have begun, in order. */
  private readonly trail: number[] = []
  private free: number[]
  private places: number[]
  private last = 0

  /** @param tasks each after all it waits for */
  constructor(
    readonly tasks: readonly Task[],
    people: number,
  ) {
    const count = tasks.length
    this.ends = new Float64Array(count).fill(Number.NaN)
    this.starts = new Float64Array(count)
    this.tails = new Float64Array(count)
    this.heads = new Float64Array(count)
    this.left = new Float64Array(count)
    const followers: number[][] = tasks.map(() => [])
    tasks.forEach(({ after }, task) => {
      for (const before of after) followers[before]?.push(task)
    })
    this.followers = followers
    for (let task = count - 1; task >= 0; task--) {
      let longest = 0
      for (const next of followers[task] as number[]) longest = Math.max(longest, this.tails[next] as number)
      this.tails[task] = longest + this.seconds(task)
    }
    const named = [...new Set(tasks.flatMap(({ place }) => (place === null ? [] : [place])))]
    this.placeOf = Int32Array.from(tasks, ({ place }) => (place === null ? -1 : named.indexOf(place)))
    this.waits = [...tasks.keys()].filter((task) => tasks[task]?.passive)
    this.byTail = [...tasks.keys()]
      .filter((task) => !tasks[task]?.passive)
      .sort((a, b) => this.rest(b) - this.rest(a))
    this.free = new Array<number>(people).fill(0)
    this.places = new Array<number>(named.length).fill(0)
    for (const task of this.waits) if (tasks[task]?.after.length === 0) this.run(task)
  }

  get complete(): boolean {
    return this.trail.length === this.tasks.length
  }

  seconds(task: number): number {
    return (this.tasks[task] as Task).seconds
  }

  /** The longest chain from a task's beginning to the end of everything. */
  tail(task: number): number {
    return this.tails[task] as number
  }

  /** What is done, as a key. */
  get done(): string {
    let key = ''
    for (let from = 0; from < this.ends.length; from += 30) {
      let bits = 0
      for (let at = from; at < Math.min(from + 30, this.ends.length); at++)
        if (!Number.isNaN(this.ends[at])) bits |= 1 << (at - from)
      key += `${bits} `
    }
    return key
  }

  /** Acts whose turn may come: everything they wait for has begun, so that its end is known. */
  ready(): number[] {
    const found: number[] = []
    for (const [task, { passive, after }] of this.tasks.entries())
      if (
        !passive &&
        Number.isNaN(this.ends[task]) &&
        after.every((before) => !Number.isNaN(this.ends[before]))
      )
        found.push(task)
    return found
  }

  /** When an act that is ready can begin. */
  earliest(task: number): number {
    let at = Math.min(...this.free)
    for (const before of (this.tasks[task] as Task).after) at = Math.max(at, this.ends[before] as number)
    const place = this.placeOf[task] as number
    return place < 0 ? at : Math.max(at, this.places[place] as number)
  }

  /** Begins an act that is ready, by whoever is free last among those who can. */
  begin(task: number): void {
    const at = this.earliest(task)
    let person = 0
    this.free.forEach((since, other) => {
      const now = this.free[person] as number
      if ((since <= at && (now > at || since > now)) || (now > at && since < now)) person = other
    })
    this.set(task, at)
    const end = this.ends[task] as number
    this.free[person] = end
    const place = this.placeOf[task] as number
    if (place >= 0) this.places[place] = end
    this.follow(task)
  }

  mark(): Mark {
    return { trail: this.trail.length, free: [...this.free], places: [...this.places], last: this.last }
  }

  backTo({ trail, free, places, last }: Mark): void {
    while (this.trail.length > trail) {
      const task = this.trail.pop() as number
      this.ends[task] = Number.NaN
    }
    this.free = [...free]
    this.places = [...places]
    this.last = last
  }

  /** The order as it stands, once it is complete. */
  written(): { seconds: number; starts: number[] } {
    return { seconds: this.last, starts: [...this.starts] }
  }

  /** All that decides what can still follow, each no better when it is greater. */
  state(): Float64Array {
    const soonest = Math.min(...this.free)
    return Float64Array.from([
      this.last,
      ...[...this.free].sort((a, b) => a - b),
      ...this.places.map((since) => Math.max(since, soonest)),
      ...this.waits.map((wait) => {
        const end = this.ends[wait] as number
        return Number.isNaN(end) ? 0 : Math.max(end, soonest)
      }),
    ])
  }

  /** No order that goes on from here ends before this. */
  bound(): number {
    const { tasks, ends, heads, tails } = this
    const soonest = Math.min(...this.free)
    let longest = this.last
    let hands = 0
    let leastRest = Number.POSITIVE_INFINITY
    for (const [task, { passive, after, seconds }] of tasks.entries()) {
      if (!Number.isNaN(ends[task])) continue
      let head = passive ? 0 : soonest
      for (const before of after) {
        const end = ends[before] as number
        head = Math.max(head, Number.isNaN(end) ? (heads[before] as number) + this.seconds(before) : end)
      }
      heads[task] = head
      longest = Math.max(longest, head + (tails[task] as number))
      if (passive) continue
      hands += seconds
      leastRest = Math.min(leastRest, this.rest(task))
    }
    if (hands === 0) return longest
    if (this.free.length === 1) return Math.max(longest, this.oneMachine(null))
    const since = this.free.reduce((sum, at) => sum + at, hands)
    longest = Math.max(longest, since / this.free.length + leastRest)
    // however many they are, at one place one of them works
    for (let place = 0; place < this.places.length; place++)
      longest = Math.max(longest, this.oneMachine(place))
    return longest
  }

  /**
   * Jackson's preemptive schedule of the acts that are left: at every moment the one with the longest rest behind it.
   * Quadratic, without a new object: it is asked at every state.
   *
   * @param at the place whose acts it is of; null for all
   */
  private oneMachine(at: number | null): number {
    const { byTail, left, heads, ends } = this
    let open = 0
    let now = Number.POSITIVE_INFINITY
    for (const task of byTail) {
      const wanted = Number.isNaN(ends[task]) && (at === null || this.placeOf[task] === at)
      left[task] = wanted ? this.seconds(task) : -1
      if (!wanted) continue
      open++
      now = Math.min(now, heads[task] as number)
    }
    if (at !== null && open > 0) now = Math.max(now, this.places[at] as number)
    let worst = 0
    while (open > 0) {
      let most = -1
      let until = Number.POSITIVE_INFINITY
      // the first that can go on has the longest rest; what comes up before it in the list may interrupt it
      for (const task of byTail) {
        if ((left[task] as number) < 0) continue
        const head = heads[task] as number
        if (head <= now) {
          most = task
          break
        }
        until = Math.min(until, head)
      }
      if (most < 0) {
        now = until
        continue
      }
      const needs = left[most] as number
      if (now + needs <= until) {
        now += needs
        left[most] = -1
        open--
        worst = Math.max(worst, now + this.rest(most))
      } else {
        left[most] = needs - (until - now)
        now = until
      }
    }
    return worst
  }

  /** The longest chain that follows a task. */
  private rest(task: number): number {
    return (this.tails[task] as number) - this.seconds(task)
  }

  private set(task: number, at: number): void {
    this.starts[task] = at
    const end = at + this.seconds(task)
    this.ends[task] = end
    this.last = Math.max(this.last, end)
    this.trail.push(task)
  }

  /** Waits that begin because a task has an end now. */
  private follow(task: number): void {
    for (const next of this.followers[task] as number[]) if (this.tasks[next]?.passive) this.run(next)
  }

  private run(wait: number): void {
    const { after } = this.tasks[wait] as Task
    if (!Number.isNaN(this.ends[wait]) || after.some((before) => Number.isNaN(this.ends[before]))) return
    let at = 0
    for (const before of after) at = Math.max(at, this.ends[before] as number)
    this.set(wait, at)
    this.follow(wait)
  }
}
