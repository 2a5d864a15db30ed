import { core as contract } from '@diarmos/contract'
import {
  bodyKind,
  type CutIn,
  catalogueOf,
  fittingById,
  type MateOption,
  mate,
  mouthOf,
  pipeById,
  sequence,
} from '@diarmos/core'
import { STEPS } from '../../packages/core/src/words/steps'
import { anyOrder } from '../made/anyOrder'
import { carryOut } from '../made/world'
import { highs } from '../mate/highs'
import { programmeOf, toLp } from '../mate/programme'
import { Dice } from '../mate/random'
import {
  type AskedRun,
  brokenRunLaws,
  type InDrain,
  METRIC_RUNS,
  plainRun,
  RUN_LAWS,
  someMetricRun,
  someRun,
} from './runs'

/** A fixed-seed twentieth of what `npm run bench:drains` asks whole. */
const QUESTIONS = 150
const PROGRAMMES = 12
/** As the server takes a way: made once, since it is compiled when it is first asked. */
const STORABLE = contract.mateOption.strict()

/** Between two fixed ends no more is ever put in. */
const MOST_PARTS = 5

const waysOf = ({ line, settings }: AskedRun) =>
  mate({ lines: [line], settings, k: 8 }).lines[0]?.options ?? []
const orderOf = ({ line, settings }: AskedRun, option: MateOption) => {
  const material = pipeById(line.pipeId ?? '')?.material
  const request = {
    lines: [{ lineId: 'a', option, conditions: line.conditions, ...(material ? { material } : {}) }],
    houseRules: settings.houseRules,
    people: 1 as const,
  }
  return { request, steps: sequence(request).steps }
}
const said = ({ parts }: Pick<MateOption, 'parts'>) => parts.map(({ fittingId }) => fittingId)

/** What is put in first, by the old pipe, what goes in, and of a branch its size. */
const FIRST: readonly (readonly [
  pipeId: string,
  insert: InDrain,
  parts: readonly string[],
  side?: '2' | '3',
])[] = [
  // like goes into like where it can, by cement; a sleeve marked for its pair else
  ['pvc-dwv.40.2', 'repair', ['coupling.drain.pvc.2', 'tube.pvc-drain.2', 'coupling.repair.drain.pvc.2']],
  ['abs-dwv.40.3', 'cleanout', ['cleanout.drain.abs.3', 'tube.abs-drain.3', 'coupling.repair.drain.abs.3']],
  [
    'cast-iron.service.4',
    'repair',
    ['coupling.shielded.servicexplastic.4', 'tube.pvc-drain.4', 'coupling.shielded.servicexplastic.4'],
  ],
  [
    'cast-iron.hubless.3',
    'repair',
    ['coupling.hubless.iron.3', 'tube.cast-iron.3', 'coupling.hubless.iron.3'],
  ],
  [
    'lead-waste.light.1-1/2',
    'repair',
    ['coupling.shielded.leadxplastic.1-1/2', 'tube.pvc-drain.1-1/2', 'coupling.shielded.leadxplastic.1-1/2'],
  ],
  // the tee cemented onto what comes down from above, the rest slid under it
  ['pvc-dwv.40.3', 'tee', ['tee.sanitary.pvc.3x2', 'tube.pvc-drain.3', 'coupling.repair.drain.pvc.3'], '2'],
  [
    'cast-iron.service.4',
    'wye',
    [
      'coupling.shielded.servicexplastic.4',
      // it wants no primer, so it is less work
      'tube.abs-drain.4',
      'wye.abs.4x3',
      'tube.abs-drain.4',
      'coupling.shielded.servicexplastic.4',
    ],
    '3',
  ],
]

describe('a run of drain that is cut open', () => {
  it('breaks no law of the trade, and what is proposed can be stored', () => {
    let ways = 0
    for (let index = 0; index < QUESTIONS; index++) {
      const asked = someRun(index)
      for (const option of waysOf(asked)) {
        ways++
        expect([index, said(option), brokenRunLaws(option, asked)]).toEqual([index, said(option), []])
        expect([index, STORABLE.safeParse(option).error?.issues]).toEqual([index, undefined])
      }
    }
    expect(ways).toBeGreaterThan(QUESTIONS / 2)
  })

  it('is closed in an order that traps, floods and covers nothing too early', () => {
    for (let index = 0; index < QUESTIONS / 3; index++) {
      const asked = someRun(index)
      for (const option of waysOf(asked)) {
        const { steps, request } = orderOf(asked, option)
        expect([index, said(option), carryOut(request, steps)]).toEqual([index, said(option), []])
        const other = anyOrder(steps, new Dice(4_000_000 + index))
        expect([index, said(option), carryOut(request, other)]).toEqual([index, said(option), []])
        expect(steps.filter(({ words }) => STEPS[words] === undefined)).toEqual([])
      }
    }
  })

  it('of metric waste or soil breaks none either, is made in an order, and costs the least', async () => {
    const found = new Set<string>()
    for (let index = 0; index < QUESTIONS; index++) {
      const asked = someMetricRun(index)
      const options = waysOf(asked)
      for (const option of options) {
        expect([index, said(option), brokenRunLaws(option, asked)]).toEqual([index, said(option), []])
        expect([index, STORABLE.safeParse(option).error?.issues]).toEqual([index, undefined])
        found.add(`${asked.line.cutIn?.insert} ${asked.line.pipeId}`)
      }
      for (const option of options.slice(0, 2)) {
        const { steps, request } = orderOf(asked, option)
        expect([index, said(option), carryOut(request, steps)]).toEqual([index, said(option), []])
        const other = anyOrder(steps, new Dice(4_500_000 + index))
        expect([index, said(option), carryOut(request, other)]).toEqual([index, said(option), []])
      }
      if (index >= PROGRAMMES) continue
      const programme = programmeOf(asked.line, asked.settings, catalogueOf('drain'), MOST_PARTS)
      const best = programme.edges.length === 0 ? null : await highs(toLp([programme], { least: 'total' }))
      const own = options.map(({ costs }) => costs.totalCents)
      expect([index, own.length > 0 ? Math.min(...own) : null]).toEqual([index, best?.cents ?? null])
    }
    expect(found.size).toBeGreaterThan(METRIC_RUNS.length)
    // and in a plain place everything that is made goes in
    for (const { id, nominal } of METRIC_RUNS)
      for (const insert of ['repair', 'cleanout', 'tee', 'wye'] as const) {
        const { line, settings } = plainRun(id, insert)
        const branch = bodyKind(`waste.run.${insert}.${nominal}`)?.ports[1]?.ends
        const cutIn = { ...(line.cutIn as CutIn), ...(branch ? { branch } : {}) }
        const ways = waysOf({ settings, line: { ...line, cutIn } })
        expect([insert, id, ways.length > 0]).toEqual([insert, id, true])
        const side =
          branch && fittingById(ways[0]?.parts.find(({ family }) => /tee|wye/.test(family))?.fittingId ?? '')
        if (branch) expect([insert, id, side?.ports[2]?.nominal]).toEqual([insert, id, nominal])
      }
  })

  it('stands full of water before a wall is shut, and never where it stays in sight', () => {
    const pvc = plainRun('pvc-dwv.40.2', 'repair')
    for (const [access, covered] of [
      ['reachable', false],
      ['closed-wall', true],
    ] as const) {
      const asked = { ...pvc, line: { ...pvc.line, conditions: { ...pvc.line.conditions, access } } }
      const [way] = waysOf(asked)
      if (!way) throw new Error('no way')
      const { steps, request } = orderOf(asked, way)
      const words = steps.map((step) => step.words)
      expect(words.includes('prove.level')).toBe(covered)
      if (!covered) continue
      const at = (wanted: string) => words.indexOf(wanted)
      expect([at('hold.fill'), at('prove.level'), at('prove.run'), at('cover.wall-drain')]).toEqual(
        [at('hold.fill'), at('prove.level'), at('prove.run'), at('cover.wall-drain')].sort((a, b) => a - b),
      )
      // and an order that covers it first is found out
      const spoilt = steps.map((step) =>
        step.words === 'cover.wall-drain' ? { ...step, startSeconds: 0, endSeconds: 60 } : step,
      )
      expect(carryOut(request, spoilt).join()).toMatch(/covered before it was filled/)
    }
  })

  it('costs what the integer programme finds to be the least', async () => {
    for (let index = 20_000; index < 20_000 + PROGRAMMES; index++) {
      const asked = someRun(index)
      const programme = programmeOf(asked.line, asked.settings, catalogueOf('drain'), MOST_PARTS)
      const best = programme.edges.length === 0 ? null : await highs(toLp([programme], { least: 'total' }))
      const own = waysOf(asked).map(({ costs }) => costs.totalCents)
      expect([index, own.length > 0 ? Math.min(...own) : null]).toEqual([index, best?.cents ?? null])
    }
  })

  it.each(FIRST.map((row) => [row] as const))('%j', ([pipeId, insert, parts, side]) => {
    const [first] = waysOf(plainRun(pipeId, insert, false, side))
    expect(first && said(first)).toEqual(parts)
  })

  it('goes on where the pipe is rotten through, since that comes out; an end that stays does not', () => {
    const rotten = plainRun('cast-iron.service.4', 'repair')
    const faults = ['pinholes'] as const
    const asked = { ...rotten, line: { ...rotten.line, conditions: { ...rotten.line.conditions, faults } } }
    expect(waysOf(asked).length).toBeGreaterThan(0)
    // nobody has said how much is rotten: nothing says that the ends are sound
    const { cutIn } = asked.line
    if (!cutIn) throw new Error('no run')
    const unsaid = { ...asked.line, cutIn: { ...cutIn, outMm: null } }
    expect(waysOf({ ...asked, line: unsaid })).toEqual([])
    const { cutIn: _, ...line } = asked.line
    expect(waysOf({ ...asked, line: { ...line, to: mouthOf('waste.shower.2') } })).toEqual([])
  })

  it('says so where the other side is too short, and not that nothing is made', () => {
    const iron = plainRun('cast-iron.service.4', 'repair')
    const reasons = (farMm: number | null, pipeId = iron.line.pipeId) => {
      const line = {
        ...iron.line,
        pipeId,
        cutIn: { ...(iron.line.cutIn as object), farMm },
      } as AskedRun['line']
      return mate({ lines: [line], settings: iron.settings }).lines[0]?.refusals.map(
        ({ reason }) => reason.ruleId,
      )
    }
    expect(reasons(40)).toContain('run.far-short')
    expect(reasons(null)).not.toContain('run.far-short')
    // and of lead of three inches nothing is made at all
    expect(reasons(null, 'lead-waste.light.3')).not.toContain('run.far-short')
  })

  it('is one way where one of two alike is aboard: the other and the pipe are fetched', () => {
    const { line, settings } = plainRun('cast-iron.service.4', 'repair')
    const aboard = { ...settings, partsAboard: { 'coupling.shielded.servicexplastic.4': 1 } }
    const { lines, together } = mate({ lines: [line], settings: aboard })
    const ways = lines[0]?.options ?? []
    expect(ways.map(({ criteria }) => criteria.notAboard)).toEqual([2])
    expect(together?.optionIds).toEqual(ways.map(({ id }) => id))
  })

  it('is listed once, from whichever side it is read', () => {
    for (const pipeId of ['pvc-dwv.40.2', 'abs-dwv.40.1-1/2']) {
      const ways = waysOf(plainRun(pipeId, 'repair')).map((way) => [said(way), way.costs.totalCents].join())
      const mirrored = waysOf(plainRun(pipeId, 'repair')).map((way) =>
        [said(way).reverse(), way.costs.totalCents].join(),
      )
      for (const [at, way] of ways.entries())
        expect(mirrored.indexOf(way)).toBe(mirrored[at] === way ? at : -1)
    }
  })
})

// each law bites where it is broken on purpose, and lets right work pass
describe('the laws of runs', () => {
  const ask = (...[pipeId, ...place]: Parameters<typeof plainRun>) => {
    const asked = plainRun(pipeId, ...place)
    const [way] = waysOf(asked)
    if (!way) throw new Error(`no way into ${pipeId}`)
    return { asked, way }
  }
  type Case = ReturnType<typeof ask>
  const part = (id: string) =>
    ({ fittingId: id, family: fittingById(id)?.family, inPort: 0, outPort: 1 }) as MateOption['parts'][number]
  const pvc = ask('pvc-dwv.40.2', 'repair')
  const abs = ask('abs-dwv.40.3', 'cleanout')
  const iron = ask('cast-iron.service.4', 'repair')
  const hubless = ask('cast-iron.hubless.3', 'repair')
  const clay = ask('clay.4', 'repair', true)
  const tee = ask('pvc-dwv.40.3', 'tee', false, '2')
  const wye = ask('abs-dwv.40.3', 'wye', false, '3')
  const waste = ask('waste.solvent.40mm', 'repair')
  const spoil = (
    { asked, way }: Case,
    patch: Partial<MateOption>,
    conditions: Partial<AskedRun['line']['conditions']> = {},
  ): Case => ({
    way: { ...way, ...patch },
    asked: { ...asked, line: { ...asked.line, conditions: { ...asked.line.conditions, ...conditions } } },
  })
  const SPOILT: Readonly<Record<string, Case>> = {
    'by-diameter': spoil(iron, {
      parts: iron.way.parts.map(({ fittingId }) => part(fittingId.replace('service', 'heavy'))),
    }),
    'full-size': spoil(pvc, { parts: [part('reducer.drain.pvc.2x1-1/2'), ...pvc.way.parts] }),
    'of-drains': spoil(pvc, { parts: [part('coupling.slip.cxc.2')] }),
    'one-plastic': spoil(pvc, { parts: [...pvc.way.parts, part('tube.abs-drain.2')] }),
    'no-splice': spoil(pvc, { parts: [...pvc.way.parts, part('tube.pvc-drain.2')] }),
    // a tee on its back
    'what-was-asked': spoil(wye, { parts: [part('tee.sanitary.abs.3x3')] }),
    'side-as-asked': spoil(tee, { parts: [part('tee.sanitary.pvc.3x3')] }),
    'second-as-asked': spoil(tee, { parts: [part('tee.double.pvc.3x2x2')] }),
    'side-no-larger': spoil(pvc, { parts: [part('tee.sanitary.pvc.3x3')] }),
    'with-the-flow': spoil(wye, {
      parts: wye.way.parts.map((each) => (each.family === 'wye' ? { ...each, inPort: 1, outPort: 0 } : each)),
    }),
    'own-make': spoil(waste, { parts: [part('tube.waste-push-fit.40mm')] }),
    'nut-in-reach': spoil(waste, {}, { access: 'closed-wall' }),
    'house-trap': spoil(pvc, {}, { oldTrap: 'running' }),
    'fills-what-comes-out': spoil(pvc, { removeMm: { min: 0, max: 200 } }),
    closes: spoil(pvc, { closes: { seam: 0, by: 'slide', needsMm: 0 } }),
    'bare-for-rubber': spoil(iron, {}, { stubMm: 30 }),
    'shield-above-ground': spoil(clay, {}, { access: 'reachable' }),
    'no-shield-in-ground': spoil(iron, {}, { access: 'buried' }),
    'dry-for-cement': spoil(pvc, {}, { line: 'trickle' }),
    'iron-to-iron': spoil(iron, { parts: hubless.way.parts }),
  }

  it.each(RUN_LAWS.map(([id]) => id))('%s: broken on purpose it is named, kept it is not', (id) => {
    const { way, asked } = SPOILT[id] as Case
    expect(brokenRunLaws(way, asked)).toContain(id)
    for (const kept of [pvc, abs, iron, hubless, clay, tee, wye, waste])
      expect(brokenRunLaws(kept.way, kept.asked)).toEqual([])
  })
})
