// The order of work as an integer programme over half minutes, for a solver from the registry: shares nothing with the plan's own.
import { highs } from '../mate/highs'
import type { Dice } from '../mate/random'

export interface TimedTask {
  readonly halves: number
  readonly passive: boolean
  readonly after: readonly number[]
  readonly place: string | null
}

/**
 * The least half minutes until everything has ended.
 *
 * @param horizon an end that some order keeps
 */
export async function leastHalves(
  tasks: readonly TimedTask[],
  people: number,
  horizon: number,
): Promise<number> {
  const latest = tasks.map(({ halves }) => horizon - halves)
  const x = (task: number, at: number) => `x${task}_${at}`
  const times = (task: number) => Array.from({ length: (latest[task] ?? 0) + 1 }, (_, at) => at)
  const rows: string[] = []
  tasks.forEach(({ halves, after }, task) => {
    rows.push(
      `${times(task)
        .map((at) => x(task, at))
        .join(' + ')} = 1`,
    )
    rows.push(
      `span ${times(task)
        .filter((at) => at + halves > 0)
        .map((at) => `- ${at + halves} ${x(task, at)}`)
        .join(' ')} >= 0`,
    )
    // begun by then only where what it waits for has ended by then
    for (const before of after)
      for (let at = 0; at <= horizon; at++) {
        const mine = times(task).filter((t) => t <= at)
        const theirs = times(before).filter((t) => t + (tasks[before]?.halves ?? 0) <= at)
        if (mine.length === 0) continue
        rows.push(
          `${mine.map((t) => x(task, t)).join(' + ')} ${theirs.map((t) => `- ${x(before, t)}`).join(' ')} <= 0`,
        )
      }
  })
  const places = [...new Set(tasks.flatMap(({ place }) => (place === null ? [] : [place])))]
  for (let at = 0; at < horizon; at++) {
    const busy = (of: (task: TimedTask) => boolean) =>
      tasks.flatMap((task, index) =>
        of(task) && !task.passive
          ? times(index)
              .filter((t) => t <= at && at < t + task.halves)
              .map((t) => x(index, t))
          : [],
      )
    const all = busy(() => true)
    if (all.length > 1) rows.push(`${all.join(' + ')} <= ${people}`)
    for (const place of places) {
      const there = busy((task) => task.place === place)
      if (there.length > 1) rows.push(`${there.join(' + ')} <= 1`)
    }
  }
  const binaries = tasks.flatMap((_, task) => times(task).map((at) => x(task, at)))
  const text = `Minimize\n obj: span\nSubject To\n${rows.map((row, at) => ` c${at}: ${row}`).join('\n')}\nBinary\n ${binaries.join('\n ')}\nEnd\n`
  const found = await highs(text, 0.9)
  if (!found) throw new Error('no order at all')
  return found.cents
}

/** Acts and waits at random: each after some before it, at one of a few places or at none. */
export function someTasks(dice: Dice, most: number): TimedTask[] {
  const tasks: TimedTask[] = []
  const count = dice.whole(5, most)
  while (tasks.length < count) {
    const { length } = tasks
    const passive = length > 0 && !tasks[length - 1]?.passive && dice.chance(0.35)
    const after = passive
      ? [length - 1]
      : Array.from({ length }, (_, at) => at).filter((at) =>
          dice.chance(tasks[at]?.passive ? 0.35 : 1.2 / length),
        )
    tasks.push({
      halves: passive ? dice.whole(2, 12) : dice.whole(1, 6),
      passive,
      after,
      place: passive || dice.chance(0.3) ? null : dice.pick(['a', 'b', 'c']),
    })
  }
  return tasks
}
