import { Clock, type Task } from './clock'

const act = (seconds: number, after: readonly number[] = [], place: string | null = null): Task => ({
  seconds,
  passive: false,
  after,
  place,
  near: [],
})
const wait = (seconds: number, after: readonly number[]): Task => ({ ...act(seconds, after), passive: true })
const begun = (tasks: readonly Task[], people: number, ...order: number[]) => {
  const clock = new Clock(tasks, people)
  for (const task of order) clock.begin(task)
  return clock
}

// each by hand: the bound is as high as its reason allows, and no order ends before it
it.each<[string, Clock, number]>([
  ['one after another: the longest chain', begun([act(10), act(20, [0]), wait(30, [1])], 2), 60],
  ['two people share three acts', begun([act(60), act(60), act(60)], 2), 90],
  // whoever is last has a wait of 30 behind him
  [
    'each with a wait behind it',
    begun([act(60), wait(30, [0]), act(60), wait(30, [2]), act(60), wait(30, [4])], 2),
    120,
  ],
  ['one person does all', begun([act(60), act(60), act(60)], 1), 180],
  // the one with the longest rest first, and that still ends at 10 + 20 + 30
  ['one person, rests of unlike length', begun([act(10), wait(50, [0]), act(20), wait(30, [2])], 1), 60],
  [
    'at one place one works, however many they are',
    begun([act(60, [], 'a'), act(60, [], 'a'), act(60, [], 'b')], 2),
    120,
  ],
  // the place is taken until 60, and two more acts are for it
  ['a place that is taken', begun([act(60, [], 'a'), act(60, [], 'a'), act(60, [], 'a')], 2, 0), 180],
  ['nothing is left', begun([act(5), wait(7, [0])], 1, 0), 12],
])('no order is shorter: %s', (_, clock, seconds) => {
  expect(clock.bound()).toBe(seconds)
})

it('what is done is told apart, whichever it is and however many there are', () => {
  const many = Array.from({ length: 65 }, () => act(1))
  const keys = many.map((_, at) => begun(many, 1, at).done)
  expect(new Set(keys).size).toBe(65)
  // the same acts in another order are the same
  expect(begun(many, 1, 3, 40, 64).done).toBe(begun(many, 1, 64, 3, 40).done)
})

it('a mark takes back all that was begun after it', () => {
  const tasks = [act(10, [], 'a'), wait(5, [0]), act(20, [1], 'a'), act(7, [], 'b')]
  const clock = begun(tasks, 2, 0)
  const [mark, before] = [clock.mark(), [clock.done, ...clock.state()]]
  clock.begin(2)
  clock.begin(3)
  expect(clock.complete).toBe(true)
  // the second waits for water to run off, then for nobody; the third had a hand free at once
  expect(clock.written()).toEqual({ seconds: 35, starts: [0, 10, 15, 0] })
  clock.backTo(mark)
  expect([clock.done, ...clock.state()]).toEqual(before)
  expect(clock.complete).toBe(false)
})
