// Find against a world of its own: how often right, how many questions, how well calibrated, how fast.
import { writeFileSync } from 'node:fs'
import path from 'node:path'
import {
  CONNECTIONS,
  classIdOf,
  identify,
  lookalikesOf,
  type Observation,
  PIPES,
  posterior,
} from '@diarmos/core'
import { ROOT } from '../scripts/lib/machine.mjs'
import { oracle } from './world/oracle'
import { Random } from './world/random'
import {
  AS_DESCRIBED,
  type Case,
  type Departure,
  drawCase,
  MANY_WILD,
  MISSPECIFIED,
  OWN_TABLES,
  observe,
} from './world/world'

const MOST_QUESTIONS = 12
const arg = (name: string, otherwise: number) =>
  Number(process.argv.find((a) => a.startsWith(`--${name}=`))?.split('=')[1] ?? otherwise)
const RUNS = arg('runs', 1000)
const CALIBRATION_RUNS = arg('calibration', 40_000)
const ORDERS = process.argv.includes('--own') ? (['own'] as const) : (['own', 'fixed'] as const)
const FIXED = [
  'sign:colour',
  'sign:magnet',
  'sign:scratch',
  'sign:joint',
  'outside:caliper',
  'sign:flex',
  'outside:string',
  'outside:tape',
  'sign:tap',
  'sign:print-colour',
]

const truthOf = ({ pipe }: Case) => (pipe ? classIdOf(pipe) : 'none')
const leaderOf = (belief: ReturnType<typeof identify>) =>
  belief.none > (belief.classes[0]?.probability ?? 0) ? 'none' : (belief.classes[0]?.classId ?? 'none')

interface Outcome {
  readonly right: boolean
  readonly enough: boolean
  /** The truth leads, or is among the candidates that are named with it. */
  readonly named: boolean
  readonly probability: number
  readonly questions: number
  readonly observations: readonly Observation[]
  readonly at: Case
}

function play(random: Random, departure: Departure, order: 'own' | 'fixed'): Outcome {
  const at = drawCase(random, departure)
  const context = { era: at.era, region: at.region, service: at.service, known: [] }
  const observations: Observation[] = []
  for (;;) {
    const belief = identify({ ...context, observations })
    const next = order === 'own' ? belief.next[0]?.question : FIXED[observations.length]
    if (belief.enough || !next || observations.length >= MOST_QUESTIONS) {
      const leader = leaderOf(belief)
      const truth = truthOf(at)
      return {
        right: leader === truth,
        enough: belief.enough,
        named:
          leader === truth ||
          belief.classes.slice(0, 4).some((entry) => entry.classId === truth && entry.probability > 0.01) ||
          lookalikesOf(truth).includes(leader),
        probability: leader === 'none' ? belief.none : (belief.classes[0]?.probability ?? 0),
        questions: observations.length,
        observations,
        at,
      }
    }
    observations.push(observe(random, at, next, String(observations.length), departure))
  }
}

const percent = (value: number) => `${(value * 100).toFixed(2)} %`.padStart(9)
const share = (list: readonly boolean[]) => list.filter(Boolean).length / list.length
function quantile(values: readonly number[], q: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? Number.NaN
}

function accuracy(): void {
  console.log(`\nRight at the end, ${RUNS} places each (half a point is about one standard error)`)
  console.log(
    `  ${'world'.padEnd(26)} ${'order'.padEnd(6)} ${'first'.padStart(9)} ${'own prob.'.padStart(9)} ${'oracle'.padStart(9)} ${'named'.padStart(9)} ${'enough'.padStart(9)} ${'and right'.padStart(9)}  questions: median, 90th, mean`,
  )
  for (const [name, departure] of [
    ['as described', AS_DESCRIBED],
    ['10 % wild readings', MANY_WILD],
    ['misspecified', MISSPECIFIED],
    ['of its own tables', OWN_TABLES],
  ] as const)
    for (const order of ORDERS) {
      // every place has a seed of its own, so that orders are compared at the same places
      const outcomes = Array.from({ length: RUNS }, (_, run) =>
        play(new Random(7 + run * 7919), departure, order),
      )
      // the oracle knows how this world is made; it reads the same answers
      const bound =
        departure === MISSPECIFIED || departure === OWN_TABLES
          ? Number.NaN
          : share(
              outcomes.map(({ at, observations }) => {
                const plain = observations.filter((o) => o.kind !== 'print')
                const posterior = oracle(at, plain, departure.wild)
                const sums = new Map<string, number>([['none', posterior[PIPES.length] as number]])
                PIPES.forEach((pipe, index) => {
                  const id = classIdOf(pipe)
                  sums.set(id, (sums.get(id) ?? 0) + (posterior[index] as number))
                })
                const [best] = [...sums].sort((a, b) => b[1] - a[1])[0] ?? ['none']
                return best === truthOf(at)
              }),
            )
      const questions = outcomes.map((outcome) => outcome.questions)
      console.log(
        `  ${name.padEnd(26)} ${order.padEnd(6)} ${percent(share(outcomes.map((o) => o.right)))} ${percent(outcomes.reduce((sum, o) => sum + o.probability, 0) / RUNS)} ${Number.isNaN(bound) ? '        –' : percent(bound)} ${percent(share(outcomes.map((o) => o.named)))} ${percent(share(outcomes.map((o) => o.enough)))} ${percent(share(outcomes.filter((o) => o.enough).map((o) => o.right)))}  ${quantile(questions, 0.5)}, ${quantile(questions, 0.9)}, ${(questions.reduce((a, b) => a + b, 0) / RUNS).toFixed(2)}`,
      )
      if (order === 'own' && process.argv.includes('--misses')) {
        const misses = new Map<string, number>()
        for (const { at, right, observations } of outcomes)
          if (!right) {
            const belief = identify({
              era: at.era,
              region: at.region,
              service: at.service,
              known: [],
              observations,
            })
            const key = `${truthOf(at)} (${at.service}, ${at.region}) taken for ${leaderOf(belief)}`
            misses.set(key, (misses.get(key) ?? 0) + 1)
          }
        for (const [key, count] of [...misses].sort((a, b) => b[1] - a[1]).slice(0, 25))
          console.log(`      ${count} × ${key}`)
      }
    }
}

const EDGES = [0.5, 0.55, 0.6, 0.65, 0.7, 0.75, 0.8, 0.85, 0.9, 0.95, 0.99, 1.0001]
interface Bin {
  count: number
  said: number
  right: number
}

/** After every observation of a random order of looks: what was said, and whether it was so. */
function calibrate(departure: Departure, seed: number): Bin[] {
  const random = new Random(seed)
  const bins = EDGES.slice(1).map((): Bin => ({ count: 0, said: 0, right: 0 }))
  const questions = [
    ...FIXED,
    'outside:paper-strip',
    'sign:joint-band',
    'sign:joint-nut',
    'sign:joint-seam',
    'sign:carries',
  ]
  for (let run = 0; run < CALIBRATION_RUNS; run++) {
    const at = drawCase(random, departure)
    const observations: Observation[] = []
    const left = [...questions]
    for (let step = 0; step < 4; step++) {
      const [question = ''] = left.splice(Math.floor(random.next() * left.length), 1)
      // a named joint and its features say the same thing twice only if both are asked
      observations.push(observe(random, at, question, String(step), departure))
      const belief = identifyQuick(at, observations)
      const place = EDGES.findIndex((edge, index) => belief.p >= edge && belief.p < (EDGES[index + 1] ?? 2))
      const bin = bins[place]
      if (!bin) continue
      bin.count++
      bin.said += belief.p
      if (belief.leader === truthOf(at)) bin.right++
    }
  }
  return bins
}

/** The posterior alone: questions and effects are most of the time, and nobody asks for them here. */
function identifyQuick(at: Case, observations: readonly Observation[]) {
  const context = { era: at.era, region: at.region, service: at.service, known: [] }
  const { weights, none } = posterior(context, observations)
  const sums = new Map<string, number>([['none', none]])
  PIPES.forEach((pipe, index) => {
    const id = classIdOf(pipe)
    sums.set(id, (sums.get(id) ?? 0) + (weights[index] as number))
  })
  let leader = 'none'
  for (const [id, p] of sums) if (p > (sums.get(leader) ?? 0)) leader = id
  return { leader, p: sums.get(leader) ?? 0 }
}

function diagram(described: readonly Bin[], departed: readonly Bin[]): string {
  const at = (value: number) => 50 + (value - 0.5) * 700
  const up = (value: number) => 400 - (value - 0.5) * 700
  const dots = (bins: readonly Bin[], fill: string) =>
    bins
      .filter((bin) => bin.count > 0)
      .map(
        (bin) =>
          `<circle cx="${at(bin.said / bin.count).toFixed(1)}" cy="${up(bin.right / bin.count).toFixed(1)}" r="5" fill="${fill}" stroke="#17242b"/>`,
      )
      .join('')
  const ticks = [0.5, 0.6, 0.7, 0.8, 0.9, 1]
    .map(
      (value) =>
        `<path d="M${at(value)} 400v6M50 ${up(value)}h-6" stroke="#17242b"/><text x="${at(value)}" y="422" text-anchor="middle">${value}</text><text x="38" y="${up(value) + 5}" text-anchor="end">${value}</text>`,
    )
    .join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 460 470" font-family="sans-serif" font-size="14" fill="#17242b"><title>Reliability of Find</title><rect width="460" height="470" fill="#fbfaf5"/><path d="M50 400H400M50 400V50" stroke="#17242b" fill="none"/><path d="M50 400L400 50" stroke="#0f6658" stroke-dasharray="4 4" fill="none"/>${ticks}${dots(described, '#0f6658')}${dots(departed, '#ffffff')}<text x="225" y="446" text-anchor="middle">probability that was said</text><text x="60" y="44">share that was right</text><circle cx="190" cy="378" r="5" fill="#0f6658" stroke="#17242b"/><text x="202" y="383">world as described</text><circle cx="190" cy="356" r="5" fill="#ffffff" stroke="#17242b"/><text x="202" y="361">misspecified</text></svg>\n`
}

function calibration(): void {
  console.log(`\nCalibration, ${CALIBRATION_RUNS} places, scored after each of four looks in random order`)
  const described = calibrate(AS_DESCRIBED, arg('seed', 21))
  const departed = calibrate(MISSPECIFIED, 12)
  const own = calibrate(OWN_TABLES, 33)
  console.log(
    `  ${'said'.padEnd(14)} ${'as described'.padStart(34)} ${'misspecified'.padStart(34)} ${'of its own tables'.padStart(34)}`,
  )
  EDGES.slice(0, -1).forEach((edge, index) => {
    const cell = (bin: Bin | undefined) =>
      bin && bin.count > 0
        ? `${percent(bin.said / bin.count)} → ${percent(bin.right / bin.count)} (${bin.count})`
        : '–'
    console.log(
      `  from ${edge.toFixed(2).padEnd(9)} ${cell(described[index]).padStart(34)} ${cell(departed[index]).padStart(34)} ${cell(own[index]).padStart(34)}`,
    )
  })
  const worst = (bins: readonly Bin[]) =>
    Math.max(
      ...bins.slice(0, -1).map((bin) => (bin.count > 0 ? Math.abs(bin.said - bin.right) / bin.count : 0)),
    )
  console.log(
    `  worst bin from 0.5 to 0.99: ${percent(worst(described))} as described, ${percent(worst(departed))} misspecified, ${percent(worst(own))} of its own tables`,
  )
  writeFileSync(path.join(ROOT, 'docs/reliability.svg'), diagram(described, departed))
}

const certainties = new Map<string, number>()
for (const { source } of [...PIPES, ...CONNECTIONS])
  certainties.set(source.certainty, (certainties.get(source.certainty) ?? 0) + 1)
console.log(
  `rows by certainty: ${[...certainties].map(([name, count]) => `${name} ${count}`).join(', ')} (ties: docs/sources.md)`,
)
console.log(`identities: ${PIPES.length}, classes: ${new Set(PIPES.map(classIdOf)).size}`)
if (!process.argv.includes('--no-accuracy')) accuracy()
if (!process.argv.includes('--no-calibration')) calibration()
