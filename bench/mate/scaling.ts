// Time against size: a counter with up to 100 000 parts that differ in price, stock, length and material.
import { CATALOG, type Fitting, type MateSettings, mate, STARTING_SETTINGS } from '@diarmos/core'
import { networkOf } from '../../packages/core/src/mate/model/network'
import { Dice, someLine } from './random'

const SIZES = [1_000, 3_000, 10_000, 30_000, 100_000] as const
const METALS = ['brass', 'copper', 'stainless'] as const
const QUESTIONS = 60
/** Mouths whose own stuff does not decide what goes into them. */
const MOUTHS = new Set([
  'solder-cup',
  'push-fit',
  'compression',
  'press-cup',
  'insert-barb',
  'expansion-barb',
  'taper-female',
  'sleeve-barb',
])

export function counter(size: number): Fitting[] {
  const dice = new Dice(size)
  return Array.from({ length: size }, (_, index): Fitting => {
    const part = CATALOG[index < CATALOG.length ? index : Math.floor(dice.next() * CATALOG.length)] as Fitting
    if (index < CATALOG.length) return part
    const longer = dice.whole(0, 30)
    return {
      ...part,
      id: `${part.id}#${index}`,
      layingMm: part.layingMm + longer,
      ports: part.ports.map((port) => ({
        ...port,
        material: MOUTHS.has(port.form) && port.material === 'brass' ? dice.pick(METALS) : port.material,
        pose: {
          ...port.pose,
          origin: [
            port.pose.origin[0] + (port.pose.axis[0] * longer) / 2,
            port.pose.origin[1] + (port.pose.axis[1] * longer) / 2,
            0,
          ],
        },
      })),
    }
  })
}

interface Row {
  readonly parts: number
  readonly signatures: number
  readonly p50: number
  readonly p95: number
}

export function scaling(percentile: (values: readonly number[], share: number) => number): {
  readonly rows: readonly Row[]
  readonly svg: string
} {
  const rows = SIZES.map((size): Row => {
    const catalogue = counter(size)
    const dice = new Dice(size + 1)
    const settings: MateSettings = {
      ...STARTING_SETTINGS,
      priceCents: Object.fromEntries(catalogue.map(({ id }) => [id, dice.whole(100, 4000)])),
      partsAboard: Object.fromEntries(catalogue.filter(() => dice.chance(0.2)).map(({ id }) => [id, 4])),
    }
    networkOf(catalogue)
    const signatures = new Set(
      catalogue.map(
        ({ family, ports }) =>
          `${family}:${ports.map((port) => `${port.form}/${port.system}/${port.nominal}/${port.material}`).join('>')}`,
      ),
    ).size
    const times: number[] = []
    for (let question = -8; question < QUESTIONS; question++) {
      const line = someLine(dice, 'a', 'inch')
      const request = { lines: [{ ...line, conditions: { ...line.conditions, spanMm: null } }], settings }
      const began = performance.now()
      mate(request, { catalogue })
      // the first few fill what is kept from one question to the next
      if (question >= 0) times.push(performance.now() - began)
    }
    return { parts: size, signatures, p50: percentile(times, 0.5), p95: percentile(times, 0.95) }
  })
  return { rows, svg: plot(rows) }
}

/** Both axes logarithmic. */
function plot(rows: readonly Row[]): string {
  const x = (parts: number) => 60 + ((Math.log10(parts) - 3) / 2) * 340
  const y = (ms: number) => 320 - ((Math.log10(Math.max(0.5, ms)) + 0.31) / 2.7) * 280
  const line = (key: 'p50' | 'p95') =>
    rows
      .map((row, at) => `${at === 0 ? 'M' : 'L'}${x(row.parts).toFixed(1)} ${y(row[key]).toFixed(1)}`)
      .join('')
  const ticks = [1, 10, 100]
    .map(
      (ms) =>
        `<path d="M60 ${y(ms).toFixed(1)}H400" stroke="#cfd5d2"/><text x="52" y="${(y(ms) + 4).toFixed(1)}" text-anchor="end">${ms} ms</text>`,
    )
    .join('')
  const sizes = rows
    .map(
      (row) =>
        `<text x="${x(row.parts).toFixed(1)}" y="342" text-anchor="middle">${row.parts.toLocaleString('en').replace(',', ' ')}</text>`,
    )
    .join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 460 370" font-family="sans-serif" font-size="13" fill="#17242b"><title>Time of one question against the size of the catalogue</title><rect width="460" height="370" fill="#fbfaf5"/>${ticks}${sizes}<path d="${line('p95')}" stroke="#0f6658" stroke-width="2" fill="none"/><path d="${line('p50')}" stroke="#0f6658" stroke-width="2" stroke-dasharray="5 4" fill="none"/><text x="230" y="362" text-anchor="middle">parts; full line 95th percentile, dashed median</text></svg>\n`
}
