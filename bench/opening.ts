// Opening and tapping with a full phone: 1000 jobs, 300 houses, 20 000 documents, processor slowed four times.
// Usage: npm run bench:opening [-- --jobs=1000]
import { cpus, loadavg } from 'node:os'
import { chromium, type Page } from '@playwright/test'
import { signIn } from '../e2e/steps'
import { CHROMIUM, startStack } from '../scripts/lib/stack.mjs'

const JOBS = Number(process.argv.find((text) => text.startsWith('--jobs='))?.split('=')[1] ?? 1000)
const RUNS = 5
const SLOWER = 4

const stack = await startStack()
const browser = await chromium.launch(CHROMIUM)

/** Clones one job with all that belongs to it, until the phone is full. */
async function fill(page: Page): Promise<number> {
  return page.evaluate(async (jobs) => {
    const { person } = JSON.parse(localStorage.getItem('diarmos.session') ?? '{}')
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const asked = indexedDB.open(`diarmos-${person.id}`)
      asked.onsuccess = () => resolve(asked.result)
      asked.onerror = () => reject(asked.error)
    })
    type Row = { kind: string; id: string; fields: Record<string, unknown> }
    const all = await new Promise<Row[]>((resolve) => {
      const asked = database.transaction('docs').objectStore('docs').getAll()
      asked.onsuccess = () => resolve(asked.result)
    })
    const job = all.find(
      (row) => row.kind === 'job' && row.fields.title === 'Washing machine moves round the corner',
    ) as Row
    const point = all.find((row) => row.id === job.fields.pointId) as Row
    const house = all.find((row) => row.id === job.fields.propertyId) as Row
    const lines = all.filter((row) => row.kind === 'line' && row.fields.pointId === point.id)
    const own = all.filter((row) => row.fields.jobId === job.id)
    let houseId = ''
    let made = 0
    for (let n = 0; n < jobs; n++) {
      const transaction = database.transaction('docs', 'readwrite')
      const store = transaction.objectStore('docs')
      const put = (row: Row, id: string, fields: object) => {
        made++
        store.put({ ...row, id, fields: { ...row.fields, ...fields } })
      }
      if (n % 3 === 0) {
        houseId = crypto.randomUUID()
        put(house, houseId, { label: `House ${n / 3}` })
      }
      const [jobId, pointId] = [crypto.randomUUID(), crypto.randomUUID()]
      put(point, pointId, { propertyId: houseId })
      put(job, jobId, {
        propertyId: houseId,
        pointId,
        title: `Job ${n}`,
        openedAt: new Date(1e12 + n * 1e8).toISOString(),
      })
      for (const line of lines) {
        const lineId = crypto.randomUUID()
        put(line, lineId, { pointId })
        for (const row of own.filter((entry) => entry.fields.lineId === line.id)) {
          put(row, crypto.randomUUID(), { jobId, lineId })
          // looks and ticks, as many as a worked job has
          if (row.kind === 'observation')
            for (let more = 0; more < 2; more++)
              put(row, crypto.randomUUID(), { jobId, lineId, withdrawn: true })
        }
      }
      await new Promise((resolve) => {
        transaction.oncomplete = resolve
      })
    }
    return made + all.length
  }, JOBS)
}

interface Watched {
  readonly seen: { tasks: number[]; touches: number[]; from: number; changed: number }
}

/** The longest task since it was asked last, ms. */
const longest = (page: Page): Promise<number> =>
  page.evaluate(() => {
    // in the page, where the script put it
    const { seen } = globalThis as unknown as Watched
    return Math.max(0, ...seen.tasks.splice(0))
  })

const figures = new Map<string, number[]>()
const note = (name: string, value: number) => figures.set(name, [...(figures.get(name) ?? []), value])
try {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  await signIn(page, stack.url)
  await page.getByRole('link', { name: /Washing machine/ }).waitFor()
  await page.waitForTimeout(1500)
  // the TypeScript runner names inner functions by a helper that the page does not have
  await page.evaluate('globalThis.__name = (named) => named')
  const documents = await fill(page)
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await page.addInitScript('globalThis.__name = (named) => named')
  await page.addInitScript(() => {
    const seen = {
      tasks: [] as number[],
      touches: [] as number[],
      answers: [] as number[],
      changed: 0,
      from: 0,
    }
    Object.assign(globalThis, { seen })
    // when the page changed last, leaving out what a solver's answer brought
    new MutationObserver(() => {
      const now = performance.now()
      if (!seen.answers.some((at) => at > seen.from && at < now)) seen.changed = now
    }).observe(document, { subtree: true, childList: true, attributes: true, characterData: true })
    const Plain = globalThis.Worker
    globalThis.Worker = class extends Plain {
      constructor(...args: ConstructorParameters<typeof Plain>) {
        super(...args)
        this.addEventListener('message', () => seen.answers.push(performance.now()))
      }
    }
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        if (/^(pointer(down|up)|click)$/.test(entry.name)) seen.touches.push(entry.duration)
    }).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit)
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.tasks.push(entry.duration)
    }).observe({ type: 'longtask', buffered: true })
  })
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  for (let run = 0; run < RUNS; run++) {
    const begin = performance.now()
    await page.goto(stack.url)
    await page.getByRole('link', { name: /^Job / }).first().waitFor()
    note('list usable on a second visit', performance.now() - begin)
    await page.waitForTimeout(2500)
    note('longest task while it opens', await longest(page))
    await page.getByRole('link', { name: /^Job / }).first().click()
    await page.getByRole('tablist', { name: 'Stages' }).waitFor()
    await page.waitForTimeout(2500)
    note('longest task as a job opens', await longest(page))
    for (const stage of ['Find', 'Fixture', 'Cut', 'Make', 'Prove']) {
      // from the touch to the next paint, as the browser itself counts it
      await page.evaluate(() => {
        // likewise
        const { seen } = globalThis as unknown as Watched
        seen.touches.length = 0
        seen.from = performance.now()
        seen.changed = seen.from
      })
      await page.getByRole('tab', { name: new RegExp(`^${stage}`) }).click()
      await page.waitForTimeout(900)
      // likewise
      const { touches, from, changed } = await page.evaluate(() => (globalThis as unknown as Watched).seen)
      note('a tap on a stage, answered', Math.max(0, ...touches))
      note('a tap on a stage, settled', changed - from)
    }
    note('longest task after a tap', await longest(page))
  }
  console.log(
    `${documents} documents, ${JOBS} jobs; ${cpus().length} processors, slowed ${SLOWER} times, load ${loadavg()[0]?.toFixed(1)}`,
  )
  const aims: Record<string, number> = {
    'list usable on a second visit': 2500,
    'a tap on a stage, answered': 100,
    'a tap on a stage, settled': 400,
    'longest task while it opens': 200,
    'longest task as a job opens': 200,
    'longest task after a tap': 200,
  }
  for (const [name, list] of figures) {
    const sorted = [...list].sort((a, b) => a - b)
    console.log(
      `${name.padEnd(32)} median ${Math.round(sorted[Math.floor(sorted.length / 2)] ?? 0)} ms, worst ${Math.round(sorted.at(-1) ?? 0)} ms (aim ${aims[name]})`,
    )
  }
} finally {
  await browser.close()
  await stack.stop()
}
