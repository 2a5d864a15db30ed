import { availableParallelism } from 'node:os'
import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import { FairQueue, type Whose } from './fairQueue'
import { type Done, perform, type Task } from './perform'

/** Why a task was not done: there is no room for it now, or it took too long. */
export class Busy extends Error {
  constructor(readonly why: 'full' | 'share' | 'time') {
    super(why)
    this.name = 'Busy'
  }
}

export interface Solver {
  /** @throws Busy; an AbortError where the client went away */
  do(task: Task, whose: Whose, signal?: AbortSignal): Promise<Done>
  stop(): Promise<void>
}

interface Options {
  /** The worker's file. */
  readonly filename: string
  readonly threads?: number
  /** Tasks that may wait. */
  readonly waiting?: number
  /** Tasks that one person, and one shop, may have waiting or at work. */
  readonly ofPerson?: number
  readonly ofShop?: number
  /** How long one may be at work, ms, from when its work begins. */
  readonly limitMs?: number
}

/** A pool of threads behind a fair, bounded queue. */
export function makeSolver({
  filename,
  threads = Math.max(1, availableParallelism() - 1),
  waiting = 64,
  ofPerson = 12,
  ofShop = 32,
  limitMs = 15_000,
}: Options): Solver {
  const pool = new Piscina({
    filename,
    minThreads: 1,
    maxThreads: threads,
    taskQueue: new FairQueue() as never,
    // answering comes before solving, where the system can say so
    niceIncrement: 5,
  })
  const inHand = new Map<string, number>()
  let all = 0
  const count = (key: string, by: number) => {
    const now = (inHand.get(key) ?? 0) + by
    if (now > 0) inHand.set(key, now)
    else inHand.delete(key)
  }

  return {
    async do(task, whose, signal) {
      const keys = [`person ${whose.person}`, `shop ${whose.shop}`]
      if ((inHand.get(keys[0] as string) ?? 0) >= ofPerson || (inHand.get(keys[1] as string) ?? 0) >= ofShop)
        throw new Busy('share')
      if (all >= threads + waiting) throw new Busy('full')
      for (const key of keys) count(key, 1)
      all++
      const stop = new AbortController()
      const gone = () => stop.abort('gone')
      signal?.addEventListener('abort', gone)
      const { port1, port2 } = new MessageChannel()
      let timer: NodeJS.Timeout | undefined
      port1.once('message', () => {
        timer = setTimeout(() => stop.abort('time'), limitMs)
      })
      try {
        if (signal?.aborted) gone()
        return (await pool.run(
          { task, begins: port2, [Piscina.queueOptionsSymbol]: whose },
          { signal: stop.signal, transferList: [port2] },
        )) as Done
      } catch (error) {
        if (stop.signal.reason === 'time') throw new Busy('time')
        throw error
      } finally {
        clearTimeout(timer)
        port1.close()
        signal?.removeEventListener('abort', gone)
        for (const key of keys) count(key, -1)
        all--
      }
    },
    stop: () => pool.destroy(),
  }
}

/** The same without threads: for tests of what is asked, not of how. */
export function inlineSolver(): Solver {
  return { do: (task) => perform(task), stop: async () => undefined }
}
