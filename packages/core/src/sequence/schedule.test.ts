import fc from 'fast-check'
import type { Task } from './clock'
import { schedule } from './schedule'

/** Tasks at random, each after some before it; waits follow what they wait for. */
const tasks = (most: number): fc.Arbitrary<Task[]> =>
  fc
    .array(
      fc.record({
        seconds: fc.integer({ min: 0, max: 9 }),
        passive: fc.boolean(),
        picks: fc.array(fc.nat(20), { maxLength: 2 }),
        place: fc.constantFrom(null, 'a', 'b'),
        near: fc.constantFrom(['x'], ['y']),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((rows) =>
      rows.map(({ picks, ...row }, at) => ({
        ...row,
        after: at === 0 ? [] : [...new Set(picks.map((pick) => pick % at))],
      })),
    )

/** Acts with a wait between two of them and one behind: who is begun first decides what is waited for. */
const withWaits: fc.Arbitrary<Task[]> = fc
  .array(
    fc.record({
      first: fc.integer({ min: 1, max: 9 }),
      wait: fc.integer({ min: 1, max: 30 }),
      second: fc.integer({ min: 1, max: 9 }),
      rest: fc.integer({ min: 0, max: 30 }),
      place: fc.constantFrom(null, 'a', 'b'),
    }),
    { minLength: 3, maxLength: 6 },
  )
  .map((rows) =>
    rows.flatMap(({ first, wait, second, rest, place }, row): Task[] => {
      const at = 4 * row
      const [act, idle] = [
        { passive: false, place, near: ['x'] },
        { passive: true, place: null, near: ['x'] },
      ]
      return [
        { ...act, seconds: first, after: [] },
        { ...idle, seconds: wait, after: [at] },
        { ...act, seconds: second, after: [at + 1] },
        { ...idle, seconds: rest, after: [at + 2] },
      ]
    }),
  )

/** Every order and every pair of hands, with no bound and no memory: the shortest. */
function shortest(list: readonly Task[], people: number): number {
  let best = Number.POSITIVE_INFINITY
  const visit = (
    ends: ReadonlyMap<number, number>,
    free: readonly number[],
    places: ReadonlyMap<string, number>,
  ) => {
    const open = list.flatMap((task, at) =>
      !ends.has(at) && task.after.every((before) => ends.has(before)) ? [[task, at] as const] : [],
    )
    if (open.length === 0) {
      best = Math.min(best, Math.max(0, ...ends.values()))
      return
    }
    const since = (task: Task) => Math.max(0, ...task.after.map((before) => ends.get(before) ?? 0))
    const wait = open.find(([{ passive }]) => passive)
    if (wait) return visit(new Map([...ends, [wait[1], since(wait[0]) + wait[0].seconds]]), free, places)
    for (const [task, at] of open)
      for (const [person, from] of free.entries()) {
        const begin = Math.max(from, since(task), (task.place && places.get(task.place)) || 0)
        const end = begin + task.seconds
        visit(
          new Map([...ends, [at, end]]),
          free.map((own, other) => (other === person ? end : own)),
          task.place ? new Map([...places, [task.place, end]]) : places,
        )
      }
  }
  visit(new Map(), new Array<number>(people).fill(0), new Map())
  return best
}

/** What no order undercuts, counted by hand: chains, and of hands and of places the sum with what comes before and after. */
function countedBy(list: readonly Task[], people: number): number[] {
  const heads: number[] = []
  for (const [at, { after }] of list.entries())
    heads[at] = Math.max(0, ...after.map((before) => (heads[before] ?? 0) + (list[before]?.seconds ?? 0)))
  const rests = list.map(() => 0)
  for (const [at, { after }] of [...list.entries()].reverse())
    for (const before of after)
      rests[before] = Math.max(rests[before] ?? 0, (rests[at] ?? 0) + (list[at]?.seconds ?? 0))
  const own = [...list.keys()]
  const span = (some: readonly number[], hands: number) =>
    some.length === 0
      ? 0
      : Math.min(...some.map((at) => heads[at] ?? 0)) * (hands === 1 ? 1 : 0) +
        some.reduce((sum, at) => sum + (list[at]?.seconds ?? 0), 0) / hands +
        Math.min(...some.map((at) => rests[at] ?? 0))
  const active = own.filter((at) => !list[at]?.passive)
  return [
    ...own.map((at) => (heads[at] ?? 0) + (list[at]?.seconds ?? 0) + (rests[at] ?? 0)),
    span(active, people),
    ...['a', 'b'].map((place) =>
      span(
        active.filter((at) => list[at]?.place === place),
        1,
      ),
    ),
  ]
}

/** What is wrong with a schedule as it stands, by its own rules. */
function faults(list: readonly Task[], { starts, hands, seconds }: ReturnType<typeof schedule>): string[] {
  const end = (at: number) => (starts[at] ?? 0) + (list[at]?.seconds ?? 0)
  const wrong: string[] = []
  list.forEach((task, at) => {
    for (const before of task.after) if ((starts[at] ?? 0) < end(before)) wrong.push(`${at} before ${before}`)
    if (task.passive !== (hands[at] === null)) wrong.push(`hands of ${at}`)
    if (end(at) > seconds) wrong.push(`${at} ends late`)
    list.forEach((other, by) => {
      const apart = by <= at || end(at) <= (starts[by] ?? 0) || end(by) <= (starts[at] ?? 0)
      if (apart || task.passive || other.passive) return
      if (hands[at] === hands[by]) wrong.push(`${at} and ${by} by one pair of hands`)
      if (task.place && task.place === other.place) wrong.push(`${at} and ${by} at one place`)
    })
  })
  return wrong
}

describe.each([1, 2])('%i at work', (people) => {
  it('is as short as the shortest of all orders, and says so', () =>
    fc.assert(
      fc.property(tasks(people === 1 ? 8 : 6), (list) => {
        const found = schedule(list, people)
        expect(faults(list, found)).toEqual([])
        expect(found.seconds).toBe(shortest(list, people))
        expect(found.bound).toBe(found.seconds)
      }),
      { numRuns: 150, seed: 31 },
    ))

  it('says at once what anybody can count: the longest chain, the hands, and the hands at each place', () =>
    fc.assert(
      fc.property(tasks(14), (list) => {
        const { bound, seconds } = schedule(list, people, 0)
        for (const least of countedBy(list, people)) expect(bound).toBeGreaterThanOrEqual(least)
        expect(bound).toBeLessThanOrEqual(seconds)
      }),
      { numRuns: 300, seed: 33 },
    ))

  it('looks no further than it has to: what it remembers and what it counts spare it nearly all', () => {
    let proved = 0
    const lists = fc.sample(tasks(14), { numRuns: 100, seed: 34 })
    for (const list of lists) {
      const { bound, seconds } = schedule(list, people, 3 * list.length)
      if (bound === seconds) proved++
    }
    expect(proved).toBeGreaterThan(95)
  })

  it('takes as long however the work is listed: nothing that is remembered hides a shorter order', () =>
    fc.assert(
      fc.property(withWaits, fc.array(fc.nat(), { minLength: 24, maxLength: 24 }), (list, keys) => {
        const found = schedule(list, people)
        // another list of the same work, each still after all that it waits for
        const listed: number[] = []
        while (listed.length < list.length) {
          const ready = [...list.keys()].filter(
            (at) => !listed.includes(at) && list[at]?.after.every((before) => listed.includes(before)),
          )
          listed.push(ready[(keys[listed.length] as number) % ready.length] as number)
        }
        const again = listed.map((at) => {
          const task = list[at] as Task
          return { ...task, after: task.after.map((before) => listed.indexOf(before)) }
        })
        const other = schedule(again, people)
        expect([found.bound, other.bound]).toEqual([found.seconds, other.seconds])
        expect(other.seconds).toBe(found.seconds)
      }),
      { numRuns: 300, seed: 35 },
    ))

  it('never claims more than it knows where the proof is cut short', () => {
    let open = 0
    fc.assert(
      fc.property(tasks(people === 1 ? 8 : 6), (list) => {
        const found = schedule(list, people, 0)
        const best = shortest(list, people)
        expect(faults(list, found)).toEqual([])
        expect(found.bound).toBeLessThanOrEqual(best)
        expect(found.seconds).toBeGreaterThanOrEqual(best)
        if (found.bound < found.seconds) open++
      }),
      { numRuns: 150, seed: 32 },
    )
    expect(open).toBeGreaterThan(0)
  })
})

it('of orders that take as long, like follows like and hands stay where they are', () => {
  const act = (place: string, like: string, ...after: number[]): Task => ({
    seconds: 5,
    passive: false,
    after,
    place,
    near: [place, like],
  })
  // two lines of one point and one of another, three acts each
  const list = ['sink', 'sink', 'bath'].flatMap((place, line) =>
    ['cut', 'mark', 'press'].map((like, at) => act(place, like, ...(at > 0 ? [line * 3 + at - 1] : []))),
  )
  const { starts, seconds } = schedule(list)
  expect(seconds).toBe(45)
  const order = [...list.keys()].sort((a, b) => (starts[a] ?? 0) - (starts[b] ?? 0))
  expect(order.map((at) => `${list[at]?.near.join(' ')}`)).toEqual([
    ...['cut', 'cut', 'mark', 'mark', 'press', 'press'].map((like) => `sink ${like}`),
    ...['cut', 'mark', 'press'].map((like) => `bath ${like}`),
  ])
})

it('what either of two could begin, and neither stands at, is for who has been free the longest', () => {
  const act = { passive: false, place: null, near: ['x'] }
  const long = { ...act, seconds: 20, after: [] }
  const short = { ...act, seconds: 10, after: [] }
  const both = { ...act, seconds: 5, after: [0, 1] }
  expect(schedule([long, short, both], 2).hands).toEqual([0, 1, 1])
  expect(schedule([short, long, both], 2).hands).toEqual([0, 1, 0])
})
