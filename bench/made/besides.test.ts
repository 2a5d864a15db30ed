import {
  bodyKind,
  type Conditions,
  type LineRequest,
  type MateOption,
  mate,
  mouthOf,
  PLAIN_CONDITIONS,
  type PlanRequest,
  pipeById,
  STARTING_SETTINGS,
  sequence,
  TOOL_IDS,
} from '@diarmos/core'
import { Dice } from '../mate/random'
import { anyOrder } from './anyOrder'
import { carryOut } from './world'

const SETTINGS = { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS }
const HOUSE = STARTING_SETTINGS.houseRules
const PLAIN: Conditions = { ...PLAIN_CONDITIONS, service: 'cold', waterSeen: true }
const waysOf = (line: LineRequest, k = 12): readonly MateOption[] =>
  mate({ lines: [line], settings: SETTINGS, k }).lines[0]?.options ?? []
const firstOf = (line: LineRequest, wanted: (way: MateOption) => boolean = () => true): MateOption => {
  const way = waysOf(line).find(wanted)
  if (!way) throw new Error('no way')
  return way
}

describe('what goes into a run', () => {
  const runs = (['copper.l.1/2', 'pex-b.sdr9.1/2', 'galvanised.40.1/2', 'cpvc.sdr11.1/2'] as const).flatMap(
    (pipeId) =>
      (['repair', 'valve', 'corner', 'tee'] as const).flatMap((insert) =>
        ([[600, 40] as const, [6000, 300] as const] as const).flatMap(([free, sidewaysMm]) =>
          waysOf({
            lineId: 'a',
            pipeId,
            cutIn: { insert, farMm: 400, freeMm: [free, free], sidewaysMm },
            conditions: { ...PLAIN, stubMm: 400, turn: insert === 'corner' ? 90 : 0 },
          }).map((option) => ({ pipeId, option })),
        ),
      ),
  )

  it('is closed last by what closes it, whichever way, and in any order that is allowed', () => {
    const by = new Set<string>()
    for (const [at, { pipeId, option }] of runs.entries()) {
      by.add(option.closes?.by ?? '')
      const material = pipeById(pipeId)?.material
      const request: PlanRequest = {
        lines: [{ lineId: 'a', option, conditions: PLAIN, ...(material ? { material } : {}) }],
        houseRules: HOUSE,
      }
      const { steps } = sequence(request)
      for (const again of [0, 1, 2]) {
        const order = again === 0 ? steps : anyOrder(steps, new Dice(8_000_000 + 10 * at + again))
        expect([at, option.id, again, carryOut(request, order)]).toEqual([at, option.id, again, []])
      }
    }
    expect([...by].sort()).toEqual(expect.arrayContaining(['slide', 'spring', 'union']))
  })
})

describe('what is seen to besides the joints', () => {
  it('a bib stands in an elbow with ears and shows its plate, or is screwed to the wall itself', () => {
    const said = (pipeId: string, eared: boolean) => {
      const option = firstOf(
        { lineId: 'a', pipeId, to: mouthOf('hose.outlet'), conditions: PLAIN },
        ({ parts }) => parts.some(({ family }) => family === 'drop-ear-elbow') === eared,
      )
      const { steps } = sequence({ lines: [{ lineId: 'a', option, conditions: PLAIN }], houseRules: HOUSE })
      return steps.find(({ words }) => words === 'fix.bib')?.parameters.plain
    }
    expect(said('pex-b.sdr9.1/2', true)).toBe('yes')
    expect(said('copper.l.1/2', false)).toBe('no')
  })

  it('heat of a shower is measured once, where hot water comes to a new valve and nowhere else', () => {
    const kind = 'valve.combo.1/2'
    const row = bodyKind(kind)
    const scalds = (services: readonly ('hot' | 'cold')[], stays: boolean) => {
      const lines = services.map((service) => {
        const conditions: Conditions = { ...PLAIN, service, stubMm: 200 }
        const line: LineRequest = { lineId: service, pipeId: 'copper.l.1/2', to: mouthOf(kind), conditions }
        return { lineId: service, option: firstOf(line), conditions, meets: { to: 'main' } }
      })
      const body = { id: 'main', contents: row?.contents ?? [], mount: 'in-wall' as const, stays }
      const { steps } = sequence({ lines, bodies: [body], houseRules: HOUSE })
      const at = (words: string) => steps.findIndex((step) => step.words === words)
      const found = steps.filter(({ words }) => words === 'prove.scald')
      if (found.length > 0) {
        expect(at('open.heater-on')).toBeLessThan(at('prove.scald'))
        expect(at('prove.scald')).toBeLessThan(at('record.write'))
        expect(found.map(({ id }) => id)).toEqual(['general/scald-main'])
      }
      return found.length
    }
    expect(scalds(['hot', 'cold'], false)).toBe(1)
    expect(scalds(['cold', 'hot'], false)).toBe(1)
    expect(scalds(['cold'], false)).toBe(0)
    expect(scalds(['hot', 'cold'], true)).toBe(0)
  })

  it('a toilet’s old bowl is off before its water is shut, and its tank is full before it is flushed', () => {
    const waste: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'flange', flangeMm: 0 }
    const supply: Conditions = { ...PLAIN, oldJoint: 'compression', stubMm: 90 }
    const lines = [
      {
        lineId: 'drain',
        option: firstOf({
          lineId: 'drain',
          pipeId: 'abs-dwv.40.4',
          to: mouthOf('waste.bowl'),
          conditions: waste,
        }),
        conditions: waste,
        meets: { to: 'waste' },
      },
      {
        lineId: 'cold',
        option: firstOf({
          lineId: 'cold',
          pipeId: 'copper.l.1/2',
          to: mouthOf('toilet.fill.7/8'),
          conditions: supply,
        }),
        conditions: supply,
        meets: { to: 'main' },
      },
    ]
    const bodies = [
      { id: 'main', contents: bodyKind('toilet.fill.7/8')?.contents ?? [], mount: 'floor' as const },
      { id: 'waste', contents: [], mount: 'floor' as const, kind: 'waste.bowl' },
    ]
    const request: PlanRequest = { lines, bodies, houseRules: HOUSE }
    const { steps } = sequence(request)
    for (const again of [0, 1, 2, 3]) {
      const order = again === 0 ? steps : anyOrder(steps, new Dice(9_000_000 + again))
      expect(carryOut(request, order)).toEqual([])
      const at = (words: string) => order.findIndex((step) => step.words === words)
      expect(at('remove.scrape-wax')).toBeGreaterThan(-1)
      expect(at('remove.scrape-wax')).toBeLessThan(at('safe.shut'))
      expect(at('fixture.fill')).toBeGreaterThan(-1)
      expect(at('fixture.fill')).toBeLessThan(at('prove.flush'))
    }
  })
})
