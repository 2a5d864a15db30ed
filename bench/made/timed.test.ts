import { schedule } from '../../packages/core/src/sequence/schedule'
import { Dice } from '../mate/random'
import { leastHalves, someTasks } from './timed'

// a twentieth of what bench/plan.ts asks
it.each(Array.from({ length: 15 }, (_, index) => [index, 1 + (index % 2)] as const))(
  'set of acts %i, %i at work: as short as the integer programme over half minutes has it',
  async (index, people) => {
    const tasks = someTasks(new Dice(7_000 + index), 12)
    const found = schedule(
      tasks.map((task) => ({ ...task, seconds: 30 * task.halves, near: [] })),
      people,
    )
    expect(found.bound).toBe(found.seconds)
    expect(found.seconds).toBe(30 * (await leastHalves(tasks, people, found.seconds / 30)))
  },
)
