import { Clock, type Task } from './clock'

/** When each task begins, and how good that is. */
export interface Schedule {
  /** Seconds from the beginning, by task. */
  readonly starts: readonly number[]
  /** Whose hands, by task; waits are nobody's. */
  readonly hands: readonly (number | null)[]
  /** Until everything has ended. */
  readonly seconds: number
  /** No order takes less; the same where the order is proved to be the shortest. */
  readonly bound: number
}

/** States, times tasks, that are looked at before the proof is given up: some tens of milliseconds at the worst. */
const MOST_WORK = 100_000
/** Times that each task is tried before likeness is given up. */
const MOST_LIKE = 4
/** States of one set of done tasks that are remembered. */
const MOST_BESIDE = 24

/**
 * The shortest order for one or more pairs of hands: branch and bound over the orders in which acts begin, waits
 * running by themselves. A state is what is done, when hands and places are free, and when waits end; of two with the
 * same done, one that is no later in anything makes the other needless. The bound of a state is its longest chain and,
 * for one pair of hands, the preemptive one-machine schedule with heads and tails (Jackson), which no order undercuts.
 * Among the shortest orders one is taken in which hands stay at a place and with an act, as far as a choice of the
 * nearest act that never leaves the shortest finds it.
 *
 * Exponential in the worst case; after `most` states the best order so far is given with the bound of the whole.
 *
 * @param tasks in an order in which each comes after all it waits for
 * @param people how many pairs of hands, 1 or more
 */
export function schedule(
  tasks: readonly Task[],
  people = 1,
  most = Math.ceil(MOST_WORK / Math.max(1, tasks.length)),
): Schedule {
  const clock = new Clock(tasks, people)
  const bound = clock.bound()
  const best = greedy(clock)
  const proved = best.seconds <= bound || shorten(clock, best, most)
  alike(clock, best, MOST_LIKE * tasks.length)
  return { ...best, hands: shared(tasks, best.starts, people), bound: proved ? best.seconds : bound }
}

interface Best {
  seconds: number
  starts: number[]
}

/** Whose hands: whoever is free and was at that place last, else who has been free the longest. */
function shared(tasks: readonly Task[], starts: readonly number[], people: number): (number | null)[] {
  const hands: (number | null)[] = tasks.map(() => null)
  const free = new Array<number>(people).fill(0)
  const last = new Array<string | null>(people).fill(null)
  const order = [...tasks.keys()].filter((task) => !tasks[task]?.passive)
  const begins = (task: number) => starts[task] as number
  for (const task of order.sort((a, b) => begins(a) - begins(b) || a - b)) {
    const { place, seconds } = tasks[task] as Task
    const can = [...free.keys()].filter((person) => (free[person] as number) <= begins(task))
    const who =
      can.find((person) => place !== null && last[person] === place) ??
      can.sort((a, b) => (free[a] as number) - (free[b] as number))[0] ??
      0
    hands[task] = who
    // what takes no time takes nobody from anything
    if (seconds === 0) continue
    free[who] = begins(task) + seconds
    last[who] = place
  }
  return hands
}

/** By what can begin first, then by the longest rest of the work: mostly the shortest already. */
function greedy(clock: Clock): Best {
  const mark = clock.mark()
  while (!clock.complete) {
    let next = -1
    for (const task of clock.ready())
      if (
        next < 0 ||
        clock.earliest(task) < clock.earliest(next) ||
        (clock.earliest(task) === clock.earliest(next) && clock.tail(task) > clock.tail(next))
      )
        next = task
    clock.begin(next)
  }
  const best = clock.written()
  clock.backTo(mark)
  return best
}

/** Looks for a shorter order; true where all were looked at or none can be shorter. */
function shorten(clock: Clock, best: Best, most: number): boolean {
  const seen = new Map<string, Float64Array[]>()
  let states = 0
  const visit = (): boolean => {
    if (clock.complete) {
      const found = clock.written()
      if (found.seconds < best.seconds) Object.assign(best, found)
      return true
    }
    if (clock.bound() >= best.seconds) return true
    if (++states > most) return false
    const state = clock.state()
    const beside = seen.get(clock.done) ?? []
    if (beside.some((other) => other.every((value, at) => value <= (state[at] as number)))) return true
    if (beside.length < MOST_BESIDE) seen.set(clock.done, [...beside, state])
    for (const task of candidates(clock)) {
      const mark = clock.mark()
      clock.begin(task)
      const whole = visit()
      clock.backTo(mark)
      if (!whole) return false
    }
    return true
  }
  return visit()
}

/** Acts that may begin next: none that leaves room for another whole one before it. The longest rest first. */
function candidates(clock: Clock): number[] {
  const ready = clock.ready()
  let soonest = Number.POSITIVE_INFINITY
  for (const task of ready) soonest = Math.min(soonest, clock.earliest(task) + clock.seconds(task))
  return ready
    .filter((task) => clock.earliest(task) <= soonest)
    .sort((a, b) => clock.earliest(a) - clock.earliest(b) || clock.tail(b) - clock.tail(a) || a - b)
}

/** The same time in an order in which like follows like; as it was where none is found. */
function alike(clock: Clock, best: Best, most: number): void {
  let states = 0
  const visit = (last: number): boolean => {
    if (clock.complete) {
      Object.assign(best, clock.written())
      return true
    }
    if (++states > most) return false
    const from = clock.tasks[last]
    const far = (task: number) => {
      const to = clock.tasks[task]
      if (!from || !to) return 0
      return to.near.reduce((sum, own, at) => 2 * sum + (own === from.near[at] ? 0 : 1), 0)
    }
    const next = candidates(clock).sort(
      (a, b) => clock.earliest(a) - clock.earliest(b) || far(a) - far(b) || a - b,
    )
    for (const task of next) {
      const mark = clock.mark()
      clock.begin(task)
      if (clock.bound() <= best.seconds && visit(task)) {
        clock.backTo(mark)
        return true
      }
      clock.backTo(mark)
      if (states > most) return false
    }
    return false
  }
  const mark = clock.mark()
  visit(-1)
  clock.backTo(mark)
}
