import { KEPT_STOP_IDS, KEPT_STOPS, keptStopEnd, mouthOf } from '../assembly'
import { CATALOG } from '../catalog'
import { COMPRESSION_THREADS } from '../reference/threads'
import { sequence } from '../sequence'
import { KEPT_STOP_WORDS } from '../words/fixtures'
import { mate } from './index'
import { bruteForce } from './test/bruteForce'
import { line, PLAIN, WELL_EQUIPPED } from './test/problems'
import type { LineRequest } from './types'

const HUNG = [
  'faucet.shank.1/2',
  'faucet.hose.3/8',
  'tap.tail.1/2',
  'toilet.fill.7/8',
  'appliance.comp.3/8',
  'appliance.comp.1/4',
]
const kept = (outlet: string, fixture: string, patch: Partial<typeof PLAIN> = {}): LineRequest => {
  const end = keptStopEnd(outlet)
  if (!end) throw new Error(outlet)
  return {
    lineId: 'a',
    from: { ends: [end] },
    kept: 'stop',
    to: mouthOf(fixture),
    conditions: { ...PLAIN, reachMm: 250, ...patch },
  }
}
const ask = (request: LineRequest) => mate({ lines: [request], settings: WELL_EQUIPPED }).lines[0]

describe('an old stop that stays', () => {
  it.each(KEPT_STOP_IDS.flatMap((outlet) => HUNG.map((fixture) => [outlet, fixture] as const)))(
    '%s to %s: as plain enumeration has it, and no second stop',
    (outlet, fixture) => {
      const request = kept(outlet, fixture)
      const options = ask(request)?.options ?? []
      const all = bruteForce(request, WELL_EQUIPPED, { mostParts: 3 })
      expect(options[0]?.costs.totalCents ?? null).toBe(
        all.length === 0 ? null : Math.min(...all.map((chain) => chain.total)),
      )
      for (const { parts, removalId, joints } of options) {
        expect(parts.filter(({ family }) => /stop|valve/.test(family))).toEqual([])
        expect(removalId).toBe('keep-stop')
        expect(joints.every(({ beforeStop, atStub }) => !beforeStop && !atStub)).toBe(true)
      }
    },
  )

  it('takes nothing but the connector for the commonest of all: 3/8 compression to a faucet or a toilet', () => {
    for (const fixture of ['faucet.shank.1/2', 'toilet.fill.7/8'])
      expect(ask(kept('comp-3/8', fixture))?.options[0]?.parts.map(({ family }) => family)).toEqual([
        'supply-connector',
      ])
    // a faucet that brings its own hose needs no part at all
    expect(ask(kept('comp-3/8', 'faucet.hose.3/8'))?.options[0]?.parts).toEqual([])
    // no thread of another size or system is taken for it
    expect(ask(kept('comp-1/4', 'faucet.hose.3/8'))?.options).toEqual([])
    expect(ask(kept('bsp-1/2', 'faucet.shank.1/2'))?.options).toEqual([])
  })

  it('has outlets that new stops have too, named by the thread that a rule is held to', () => {
    const outlets = new Set(
      CATALOG.filter(({ family }) => /-stop$/.test(family)).flatMap(({ ports }) =>
        ports.slice(1).map(({ form, system, nominal }) => `${form} ${system} ${nominal}`),
      ),
    )
    const known = KEPT_STOPS.map(({ end: { form, system, nominal } }) => `${form} ${system} ${nominal}`)
    for (const outlet of outlets) expect(known).toContain(outlet)
    // thread over flats, by the table of nut threads of compression fittings
    for (const { id, end } of KEPT_STOPS.filter(({ end: { form } }) => form === 'compression-outlet')) {
      const [over, under = 1] = (/thread (\d+)\/(\d+)/.exec(KEPT_STOP_WORDS[id]) ?? []).slice(1).map(Number)
      const [n = 0, d = 1] = end.nominal.split('/').map(Number)
      const row = COMPRESSION_THREADS.find(({ tubeOdMm }) => Math.abs(tubeOdMm - (25.4 * n) / d) < 1e-6)
      expect((over ?? 0) / under).toBeCloseTo((row?.majorMm ?? 0) / 25.4, 4)
    }
  })

  const plan = (...requests: LineRequest[]) => {
    const { lines } = mate({ lines: requests, settings: WELL_EQUIPPED })
    return sequence({
      houseRules: WELL_EQUIPPED.houseRules,
      lines: requests.map(({ lineId, conditions }, at) => {
        const option = lines[at]?.options[0]
        if (!option) throw new Error(lineId)
        return { lineId, conditions, option }
      }),
    })
  }

  it('is proved to hold before it is opened, and joined while it is shut; the house keeps its water and its heat', () => {
    const { steps, waterOff } = plan(kept('comp-3/8', 'faucet.shank.1/2', { service: 'hot' }))
    const at = (id: string) => steps.findIndex((step) => step.id === id)
    const order = [
      'general/shut',
      'general/drain',
      'a/remove/remove.undo-connector',
      'a/remove/remove.look-outlet',
      'a/0/close',
      'general/restore',
      'a/line/dry-inlet',
      'a/line/dry-outlet',
    ].map(at)
    expect(Math.min(...order)).toBeGreaterThanOrEqual(0)
    expect(order).toEqual([...order].sort((x, y) => x - y))
    expect(steps.map(({ words }) => words)).toEqual(
      expect.arrayContaining(['safe.shut-kept', 'safe.drain-kept', 'prove.old-stop']),
    )
    expect(steps.filter(({ words }) => /heater|safe\.shut$|safe\.drain$/.test(words))).toEqual([])
    // minutes, where a new stop on the same pipe takes the house's water
    expect(waterOff.seconds).toBeLessThan(plan({ ...line('copper.l.1/2'), lineId: 'a' }).waterOff.seconds)
  })

  it('beside a line whose stop goes, it waits for nothing of the house’s: no longer off than without it', () => {
    const beside = { ...line('copper.l.1/2'), lineId: 'b' }
    const { steps, waterOff } = plan(kept('comp-3/8', 'faucet.shank.1/2'), beside)
    expect(waterOff.seconds).toBe(plan(beside).waterOff.seconds)
    expect(steps.map(({ words }) => words)).toEqual(
      expect.arrayContaining(['safe.shut', 'safe.drain', 'open.restore', 'safe.stop-shut', 'open.stop-open']),
    )
    expect(steps.filter(({ lineId, phase }) => lineId === 'a' && phase === 'water-off')).toEqual([])
    const at = (id: string) => steps.findIndex((step) => step.id === id)
    const order = [
      'general/protect',
      'a/line/stop-shut',
      'a/remove/remove.undo-connector',
      'a/0/close',
      'a/line/stop-open',
      'a/line/dry-inlet',
      'a/line/flush',
      'a/line/dry-outlet',
    ].map(at)
    expect(Math.min(...order)).toBeGreaterThanOrEqual(0)
    expect(order).toEqual([...order].sort((x, y) => x - y))
  })
})
