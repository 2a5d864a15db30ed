// Prints what a user waits for: bytes until the list of jobs, and the solvers in the browser's worker.
import { readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import path from 'node:path'
import { gzipSync } from 'node:zlib'
import { mouthOf, STARTING_SETTINGS } from '@diarmos/core'
import { chromium } from '@playwright/test'
import { build } from 'esbuild'
import { signIn } from '../e2e/steps'
import { ROOT } from '../scripts/lib/machine.mjs'
import { CHROMIUM, startStack } from '../scripts/lib/stack.mjs'
import { Dice, someLine } from './mate/random'
import { typed } from './typing'

const RUNS = 40
const conditions = {
  service: 'cold',
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: 45,
  plateMm: 3,
  oldJoint: 'sweat',
  thread: 'none',
  scored: false,
  outOfRound: false,
  waterSeen: true,
  nearHeater: false,
  pressurePsi: 60,
  stopShape: 'angle',
  reachMm: null,
}
const line = (lineId: string, pipeId: string, patch = {}) => ({
  lineId,
  pipeId,
  to: mouthOf('faucet.shank.1/2'),
  conditions: { ...conditions, ...patch },
})
const observations = [
  { id: '1', kind: 'outside', instrument: 'string', mm: 50.8, resolutionMm: 1.5875 },
  { id: '2', kind: 'sign', sign: 'scratch', answer: 'copper' },
  { id: '3', kind: 'sign', sign: 'joint', answer: 'sweat' },
]
const settings = STARTING_SETTINGS
const { lineId, to, conditions: held } = line('a', 'copper.l.1/2')
const CASES: readonly [string, string, unknown][] = [
  ['reference: read one length', 'units', { text: '2 11/16' }],
  ['identify, three looks', 'identify', { observations }],
  [
    'identify, a thread',
    'identify-thread',
    {
      observations: [{ id: '1', kind: 'thread-across', instrument: 'caliper', mm: 20.9, resolutionMm: 0.1 }],
    },
  ],
  [
    'identify, deciding by mating',
    'identify',
    { observations, decideFor: { line: { lineId, to, conditions: held }, settings } },
  ],
  ['mate, one line', 'mate', { lines: [line('a', 'copper.l.1/2')], settings }],
  [
    'mate, hot and cold alike',
    'mate',
    { lines: [line('a', 'copper.l.1/2'), line('b', 'copper.l.1/2')], settings },
  ],
  [
    'mate, hot and cold unlike',
    'mate',
    { lines: [line('a', 'copper.l.3/4'), line('b', 'pex-a.sdr9.1/2', { oldJoint: 'crimp' })], settings },
  ],
  [
    'mate, tub and shower, four ends',
    'mate',
    {
      lines: [
        { ...line('hot', 'copper.m.1/2'), to: mouthOf('valve.combo.1/2') },
        { ...line('cold', 'pex-b.sdr9.1/2', { oldJoint: 'crimp' }), to: mouthOf('valve.combo.1/2') },
        { lineId: 'spout', from: mouthOf('valve.combo.1/2'), to: mouthOf('spout.slip.1/2'), conditions },
        { lineId: 'shower', from: mouthOf('valve.combo.1/2'), to: mouthOf('arm.1/2'), conditions },
      ],
      settings,
    },
  ],
  [
    'mate, a gap to fill',
    'mate',
    { lines: [{ ...line('a', 'copper.l.1/2', { spanMm: 300 }), to: mouthOf('valve.combo.1/2') }], settings },
  ],
  [
    'mate, a tee into a run',
    'mate',
    {
      lines: [
        {
          lineId: 'a',
          pipeId: 'copper.l.1/2',
          cutIn: { insert: 'tee', farMm: 200, freeMm: [600, 600], sidewaysMm: 30 },
          conditions: { ...conditions, stubMm: 200 },
        },
      ],
      settings,
    },
  ],
  [
    'mate, nothing fits',
    'mate',
    { lines: [line('a', 'copper.l.1/2', { flame: false, access: 'closed-wall', scored: true })], settings },
  ],
]

/** One line, another pipe, place and fixture each time, as a plumber asks who has not asked before. */
const dice = new Dice(7)
const VARIED = Array.from({ length: 5 * RUNS }, () => ({ lines: [someLine(dice, 'a', 'inch')], settings }))
const FOUR = CASES.find(([name]) => name.includes('four ends'))?.[2] as { lines: { conditions: object }[] }
const VARIED_FOUR = Array.from({ length: 5 * RUNS }, () => {
  const place = {
    flame: dice.chance(0.7),
    stubMm: dice.whole(30, 90),
    line: dice.chance(0.7) ? 'dry' : 'trickle',
  }
  return {
    lines: FOUR.lines.map((entry) => ({ ...entry, conditions: { ...entry.conditions, ...place } })),
    settings,
  }
})

const stack = await startStack()
const browser = await chromium.launch(CHROMIUM)
try {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  const scripts = new Map<string, number>()
  let workerUrl = ''
  page.on('response', async (response) => {
    const { pathname } = new URL(response.url())
    if (!pathname.endsWith('.js') || pathname.endsWith('/sw.js')) return
    const file = path.join(ROOT, 'apps/app/dist', pathname)
    scripts.set(pathname, gzipSync(readFileSync(file), { level: 9 }).length)
  })
  await page.addInitScript(() => {
    // the shell's own cache is filled after the list stands; it is not part of the first load
    Object.defineProperty(navigator, 'serviceWorker', { value: { register: async () => undefined } })
  })
  const begin = performance.now()
  await signIn(page, stack.url)
  await page.getByRole('link', { name: /Seized stop/ }).waitFor()
  const total = [...scripts.values()].reduce((sum, size) => sum + size, 0)
  console.log(`machine: ${cpus().length} × ${cpus()[0]?.model}`)
  console.log(
    `\nJavaScript until the list of jobs is usable, sign-in included: ${(total / 1000).toFixed(1)} kB gz (aim: under 350)`,
  )
  for (const [name, size] of scripts)
    console.log(`  ${(size / 1000).toFixed(1).padStart(7)} kB  ${path.basename(name)}`)
  console.log(`  from empty cache to the list, typing included: ${Math.round(performance.now() - begin)} ms`)

  page.on('worker', (worker) => {
    workerUrl = worker.url()
  })
  await page.getByRole('link', { name: /New faucet/ }).click()
  await page.getByTestId('option-1').waitFor()
  console.log(
    `\nSolvers in the browser's worker, ${RUNS} runs each, ms (aim: one line under 20, four ends under 100 at p95)`,
  )
  // the TypeScript runner names inner functions by a helper that the page does not have
  await page.evaluate('globalThis.__name = (named) => named')
  const results = await page.evaluate(
    async ({ url, cases, runs }) => {
      const worker = new Worker(url)
      const ask = (operation: string, request: unknown) =>
        new Promise<{ ms: number; faults?: unknown }>((resolve) => {
          worker.onmessage = ({ data }) => resolve(data)
          worker.postMessage({ id: 1, operation, request })
        })
      const rows: { name: string; first: number; times: number[]; faults: unknown }[] = []
      for (const [name, operation, request] of cases) {
        const varied = Array.isArray(request) ? request : [request]
        const first = await ask(operation, varied[0])
        const times: number[] = []
        for (let run = 0; run < Math.max(runs, varied.length); run++)
          times.push((await ask(operation, varied[run % varied.length])).ms)
        rows.push({ name, first: first.ms, times: times.sort((a, b) => a - b), faults: first.faults })
      }
      worker.terminate()
      return rows
    },
    {
      url: workerUrl,
      cases: [
        ...CASES,
        ['mate, one line, new each time', 'mate', VARIED],
        ['mate, four ends, new each time', 'mate', VARIED_FOUR],
        // aim while a number is typed: under 5
        ...typed(dice, 5 * RUNS),
      ] as [string, string, unknown][],
      runs: RUNS,
    },
  )
  const reference = results.find(({ name }) => name === 'mate, one line')?.times[Math.floor(RUNS / 2)] ?? 1
  console.log(
    `  ${'case'.padEnd(32)} ${'first'.padStart(7)} ${'median'.padStart(7)} ${'p95'.padStart(7)}  against one line`,
  )
  for (const { name, first, times, faults } of results) {
    const median = times[Math.floor(times.length / 2)] ?? 0
    const p95 = times[Math.floor(times.length * 0.95)] ?? 0
    console.log(
      `  ${name.padEnd(32)} ${first.toFixed(1).padStart(7)} ${median.toFixed(1).padStart(7)} ${p95.toFixed(1).padStart(7)}  × ${(median / reference).toFixed(2)}${faults ? `  FAULT ${JSON.stringify(faults)}` : ''}`,
    )
  }

  // a page of nobody's, so that the worker may come from a blob
  const { outputFiles } = await build({
    entryPoints: [path.join(ROOT, 'bench/find.worker.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    minify: true,
  })
  const blank = await browser.newPage()
  const parts = (await blank.evaluate(
    (code) =>
      new Promise((resolve) => {
        const worker = new Worker(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })))
        worker.onmessage = ({ data }) => resolve(data)
      }),
    outputFiles[0]?.text ?? '',
  )) as [string, { median: number; p95: number }][]
  console.log(
    '\nFind taken apart, in a worker of the same browser, ms (aim: an update under 2, a question under 15)',
  )
  const update = parts[0]?.[1].median ?? 1
  for (const [name, { median, p95 }] of parts)
    console.log(
      `  ${name.padEnd(32)} ${''.padStart(7)} ${median.toFixed(2).padStart(7)} ${p95.toFixed(2).padStart(7)}  × ${(median / update).toFixed(2)}`,
    )
} finally {
  await browser.close()
  await stack.stop()
}
