// Whether the server answers while it is asked to solve: 20 hard questions in hand, health and sync beside them.
// Usage: npm run bench:load
import { cpus, loadavg } from 'node:os'
import { startStack } from '../scripts/lib/stack.mjs'

const IN_HAND = 20
const PROBES = 200
const stack = await startStack()
const json = { 'content-type': 'application/json' }
const signIn = async (email: string) => {
  const answer = await fetch(`${stack.url}/api/session`, {
    method: 'POST',
    body: JSON.stringify({ email, password: 'harbour-demo' }),
    headers: json,
  })
  return answer.headers.get('set-cookie')?.split(';')[0] ?? ''
}
const heavy = {
  pieces: Array.from({ length: 40 }, (_, n) => ({ name: `${n}`, mm: 100.01 + ((n * 7919) % 900) * 1.013 })),
  stock: [3000.01, 2743.37, 1829.13, 6000.07].map((mm) => ({ mm })),
}
const looks = {
  observations: Array.from({ length: 60 }, (_, n) => ({
    id: `${n}`,
    kind: 'outside',
    instrument: ['caliper', 'tape', 'string'][n % 3],
    mm: 15.9 + (n % 7) / 20,
    resolutionMm: 0.1,
  })),
}
try {
  const people = await Promise.all(['bram', 'ines', 'oda'].map((name) => signIn(`${name}@tidewall.example`)))
  const jory = await signIn('jory@fennel.example')
  let going = true
  const statuses = new Map<number, number>()
  let bounded = 0
  const ask = async (index: number) => {
    while (going) {
      const plan = index % 2 === 0
      const answer = await fetch(`${stack.url}/api/run/${plan ? 'cutting-plan' : 'identify'}`, {
        method: 'POST',
        body: JSON.stringify(plan ? heavy : looks),
        headers: { ...json, cookie: people[index % people.length] as string },
      })
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
      if (answer.status === 200 && plan && ((await answer.json()) as { leastMm?: number }).leastMm) bounded++
      else await answer.arrayBuffer()
      if (answer.status === 503) await new Promise((resolve) => setTimeout(resolve, 500))
    }
  }
  const load = Array.from({ length: IN_HAND }, (_, index) => ask(index))
  await new Promise((resolve) => setTimeout(resolve, 2000))
  const time = async (work: () => Promise<Response>) => {
    const begin = performance.now()
    const answer = await work()
    await answer.arrayBuffer()
    if (answer.status !== 200) throw new Error(String(answer.status))
    return performance.now() - begin
  }
  const health: number[] = []
  const sync: number[] = []
  for (let n = 0; n < PROBES; n++) {
    health.push(await time(() => fetch(`${stack.url}/api/health`)))
    sync.push(
      await time(() =>
        fetch(`${stack.url}/api/sync`, {
          method: 'POST',
          body: JSON.stringify({ since: 1e9, operations: [] }),
          headers: { ...json, cookie: jory },
        }),
      ),
    )
  }
  going = false
  await Promise.all(load)
  const p = (list: number[], share: number) =>
    [...list].sort((a, b) => a - b)[Math.floor(list.length * share)]?.toFixed(1)
  console.log(
    `${cpus().length} processors, load ${loadavg()[0]?.toFixed(1)}, ${IN_HAND} hard questions in hand`,
  )
  console.log(`/api/health ms: median ${p(health, 0.5)}, p95 ${p(health, 0.95)} (aim under 100)`)
  console.log(`a sync ms: median ${p(sync, 0.5)}, p95 ${p(sync, 0.95)} (aim under 300)`)
  console.log(
    `answers: ${[...statuses].map(([status, count]) => `${status}: ${count}`).join('  ')}; plans with a bound ${bounded}`,
  )
} finally {
  await stack.stop()
}
