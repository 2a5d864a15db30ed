// Requests that nobody would send, over every route and operation. Usage: npm run bench:fuzz [-- --requests=20000]
import { startStack } from '../scripts/lib/stack.mjs'
import { fuzzRequest } from './fuzz/requests'

const REQUESTS = Number(process.argv.find((text) => text.startsWith('--requests='))?.split('=')[1] ?? 20_000)
const AT_ONCE = 8
const stack = await startStack()
try {
  const signedIn = await fetch(`${stack.url}/api/session`, {
    method: 'POST',
    body: JSON.stringify({ email: 'bram@tidewall.example', password: 'harbour-demo' }),
    headers: { 'content-type': 'application/json' },
  })
  const cookie = signedIn.headers.get('set-cookie')?.split(';')[0] ?? ''
  const pulled = await fetch(`${stack.url}/api/sync`, {
    method: 'POST',
    body: JSON.stringify({ since: 0, operations: [] }),
    headers: { 'content-type': 'application/json', cookie },
  })
  const ids = ((await pulled.json()) as { changes: { id: string }[] }).changes.map((change) => change.id)
  const statuses = new Map<number, number>()
  const faults: string[] = []
  let slowest = 0
  let next = 0
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (;;) {
        const number = next++
        if (number >= REQUESTS) return
        const { method, path: where, headers, body } = fuzzRequest(number, ids)
        const begin = performance.now()
        try {
          const answer = await fetch(stack.url + where, {
            method,
            headers: { ...headers, cookie },
            ...(body === null ? {} : { body }),
            signal: AbortSignal.timeout(60_000),
          })
          await answer.arrayBuffer()
          statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1)
          if (answer.status >= 500 && !(answer.status === 503 && answer.headers.has('retry-after')))
            faults.push(`${number}: ${answer.status} ${method} ${where}`)
        } catch (error) {
          faults.push(`${number}: ${method} ${where}: ${(error as Error).message}`)
        }
        slowest = Math.max(slowest, performance.now() - begin)
      }
    }),
  )
  console.log(`${REQUESTS} requests, ${AT_ONCE} at once; slowest ${Math.round(slowest)} ms`)
  console.log(
    [...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, count]) => `${status}: ${count}`)
      .join('  '),
  )
  console.log(faults.length === 0 ? 'no fault of the server, none hung' : faults.slice(0, 20).join('\n'))
  process.exitCode = faults.length === 0 ? 0 : 1
} finally {
  await stack.stop()
}
