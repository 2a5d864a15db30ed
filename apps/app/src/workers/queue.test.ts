import { SolverQueue, Superseded } from './queue'

function set() {
  const posted: { id: number; request: unknown }[] = []
  let restarts = 0
  let time = 0
  const queue = new SolverQueue(
    { post: (id, _operation, request) => posted.push({ id, request }), restart: () => restarts++ },
    () => time,
  )
  const said: string[] = []
  const ask = (slot: string, request: string) =>
    queue.ask(slot, 'mate', request).then(
      (answer) => said.push(`${request}: ${answer}`),
      (error: Error) =>
        said.push(`${request}: ${error instanceof Superseded ? 'superseded' : error.message}`),
    )
  const answer = async (id: number, text: string) => {
    queue.answered(id, ({ resolve }) => resolve(text))
    await Promise.resolve()
    await Promise.resolve()
  }
  return {
    queue,
    posted,
    said,
    ask,
    answer,
    restarts: () => restarts,
    pass: (ms: number) => {
      time += ms
      jest.advanceTimersByTime(ms)
    },
  }
}
beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

describe('questions to the worker', () => {
  it('go one at a time, and only the latest of each asker', async () => {
    const { posted, said, ask, answer } = set()
    void ask('draw', 'd1')
    for (const request of ['m1', 'm2', 'm3']) void ask('mate', request)
    expect(posted.map(({ request }) => request)).toEqual(['d1'])
    await answer(1, 'drawn')
    expect(posted.map(({ request }) => request)).toEqual(['d1', 'm3'])
    await answer(2, 'mated')
    expect(said.sort()).toEqual(['d1: drawn', 'm1: superseded', 'm2: superseded', 'm3: mated'])
  })

  it('let a stale answer go, and keep it from the next question', async () => {
    const { posted, said, ask, answer } = set()
    void ask('mate', 'old')
    void ask('mate', 'new')
    await answer(1, 'late')
    expect(posted.map(({ request }) => request)).toEqual(['old', 'new'])
    await answer(1, 'later still')
    await answer(2, 'right')
    expect(said).toEqual(['old: superseded', 'new: right'])
  })

  it('that only grow are answered, however fast they come: what is at work, then all there is by then', async () => {
    const { queue, posted, said, answer, restarts, pass } = set()
    const grow = (request: string) =>
      queue.ask('hold', 'hold', request, true).then(
        (given) => said.push(`${request}: ${given}`),
        () => said.push(`${request}: superseded`),
      )
    for (const request of ['1', '12', '123']) {
      void grow(request)
      pass(1000)
    }
    expect(posted.map(({ request }) => request)).toEqual(['1'])
    await answer(1, 'holds')
    expect([said.sort(), restarts()]).toEqual([['12: superseded', '1: holds'], 0])
    expect(posted.map(({ request }) => request)).toEqual(['1', '123'])
    // nobody looks any more: then it is let go as any other
    queue.drop('hold')
    pass(2000)
    expect(restarts()).toBe(1)
  })

  it('throw a worker away that is long at what nobody wants', () => {
    const { queue, posted, ask, restarts, pass } = set()
    void ask('mate', 'long')
    pass(2000)
    // long, and wanted: that is its own affair
    expect(restarts()).toBe(0)
    queue.drop('mate')
    pass(0)
    expect(restarts()).toBe(1)
    void ask('mate', 'next')
    expect(posted.at(-1)).toMatchObject({ request: 'next' })
  })

  it('survive a worker that dies', async () => {
    const { queue, posted, said, ask, answer } = set()
    void ask('a', 'one')
    void ask('b', 'two')
    queue.died(new Error('the solver stopped'))
    await answer(2, 'fine')
    expect(posted.map(({ request }) => request)).toEqual(['one', 'two'])
    expect(said).toEqual(['one: the solver stopped', 'two: fine'])
  })
})
