import { core as contract } from '@diarmos/contract'
import {
  bodiesOf,
  catalogueOf,
  fittingById,
  type LineRequest,
  type MateOption,
  mate,
  pipeById,
  sequence,
} from '@diarmos/core'
import { bruteForce } from '../../packages/core/src/mate/test/bruteForce'
import { anyOrder } from '../made/anyOrder'
import { carryOut } from '../made/world'
import { highs } from '../mate/highs'
import { programmeOf, toLp } from '../mate/programme'
import { Dice } from '../mate/random'
import { DRAIN_VERDICTS, drainChain, judgedDrain } from './golden'
import { brokenLaws, DRAIN_LAWS } from './laws'
import {
  DRAIN_KINDS,
  METRIC_STUBS,
  plainDrain,
  SINK_KINDS,
  someBox,
  someClosed,
  someDrain,
  someMetricDrain,
  somePan,
  someSink,
} from './questions'

/** As the server takes a way: made once, since it is compiled when it is first asked. */
const STORABLE = contract.mateOption.strict()

/** A fixed-seed twentieth of what `npm run bench:drains` asks whole. */
const QUESTIONS = 500
const EXHAUSTIVE = 40
const PROGRAMMES = 48

const waysOf = (index: number, ask = someDrain) => {
  const asked = ask(index)
  const [answer] = mate({ lines: [asked.line], settings: asked.settings, k: 8 }).lines
  return { ...asked, options: answer?.options ?? [] }
}

/** Its cheapest way costs what exhaustive search over the raw tables finds to be the least. */
const leastOf = (costs: readonly number[]) => (costs.length === 0 ? null : Math.min(...costs))
const leastWay = (options: readonly MateOption[]) => leastOf(options.map(({ costs }) => costs.totalCents))
function isCheapest(index: number, { line, settings, options }: ReturnType<typeof waysOf>): void {
  const all = bruteForce(line, settings, { catalogue: catalogueOf('drain'), mostParts: 6 })
  expect([index, leastWay(options)]).toEqual([index, leastOf(all.map(({ total }) => total))])
}
/** The same by the integer programme. */
async function isOptimum(
  index: number,
  { line, settings, options }: ReturnType<typeof waysOf>,
): Promise<void> {
  const programme = programmeOf(line, settings, catalogueOf('drain'), 6)
  const best = programme.edges.length === 0 ? null : await highs(toLp([programme], { least: 'total' }))
  expect([index, leastWay(options)]).toEqual([index, best?.cents ?? null])
}

/** The order of the first way; of none, no work. */
function orderOf(
  { line, settings }: Pick<ReturnType<typeof someDrain>, 'line' | 'settings'>,
  option?: MateOption,
) {
  const [body] = bodiesOf([line.to?.kind ?? ''])
  if (!option || !body)
    return { request: { lines: [], houseRules: settings.houseRules, people: 1 as const }, steps: [] }
  const material = pipeById(line.pipeId ?? '')?.material
  const { id, contents, mount, kind } = body
  const request = {
    lines: [
      {
        lineId: 'a',
        option,
        conditions: line.conditions,
        ...(material ? { material } : {}),
        meets: { to: id },
      },
    ],
    bodies: [{ id, contents, mount, kind }],
    houseRules: settings.houseRules,
    people: 1 as const,
  }
  return { request, steps: sequence(request).steps }
}

describe('drains that nobody prepared', () => {
  it('break no law of the trade, and every kind of waste finds its ways', () => {
    const found = new Map<string, number>()
    for (let index = 0; index < QUESTIONS; index++) {
      const { options, ...asked } = waysOf(index)
      for (const option of options) {
        expect([index, option.parts.map(({ fittingId }) => fittingId), brokenLaws(option, asked)]).toEqual([
          index,
          option.parts.map(({ fittingId }) => fittingId),
          [],
        ])
        // chosen, it is sent to the server and back to the planner: neither may refuse what was proposed
        expect([index, STORABLE.safeParse(option).error?.issues]).toEqual([index, undefined])
      }
      const kind = asked.line.to?.kind ?? ''
      if (options.length > 0) found.set(kind, (found.get(kind) ?? 0) + 1)
    }
    for (const [kind] of DRAIN_KINDS) expect([kind, (found.get(kind) ?? 0) > 5]).toEqual([kind, true])
  })

  it('are made in an order that can be carried out, walls that close and floors among them', () => {
    const seen = new Set<string>()
    for (let index = 0; index < QUESTIONS / 2; index++) {
      const { options, ...asked } = waysOf(index, index % 2 ? someSink : someDrain)
      const { request, steps } = orderOf(asked, options[0])
      for (const { words } of steps) seen.add(words)
      expect([index, carryOut(request, steps)]).toEqual([index, []])
      // and so is any other order that the plan allows
      const other = anyOrder(steps, new Dice(3_000_000 + index))
      expect([index, carryOut(request, other)]).toEqual([index, []])
    }
    for (const words of [
      'prove.level',
      'flange.stack',
      'captive.plate',
      'cover.wall-drain',
      'cover.floor-drain',
      'sink.second',
    ])
      expect([words, seen.has(words)]).toEqual([words, true])
  })

  it('under kitchen sinks break none either, and are the cheapest that exhaustive search finds', () => {
    const found = new Set<string>()
    for (let index = 0; index < QUESTIONS / 5; index++) {
      const { options, ...asked } = waysOf(index, someSink)
      for (const option of options) expect([index, brokenLaws(option, asked)]).toEqual([index, []])
      if (options.length > 0) found.add(asked.line.to?.kind ?? '')
      if (index < EXHAUSTIVE / 2) isCheapest(index, { ...asked, options })
    }
    expect([...found].sort()).toEqual([...SINK_KINDS].sort())
  })

  it('of metric waste break none, are made in an order, and are the cheapest that exhaustive search finds', () => {
    const found = new Set<string>()
    const words = new Set<string>()
    for (let index = 0; index < QUESTIONS / 5; index++) {
      const { options, ...asked } = waysOf(index, someMetricDrain)
      for (const option of options) expect([index, brokenLaws(option, asked)]).toEqual([index, []])
      if (options.length > 0) found.add(`${asked.line.to?.kind} on ${asked.line.pipeId}`)
      const { request, steps } = orderOf(asked, options[0])
      for (const step of steps) words.add(step.words)
      expect([index, carryOut(request, steps)]).toEqual([index, []])
      if (index < EXHAUSTIVE / 2) isCheapest(index, { ...asked, options })
    }
    for (const pipe of METRIC_STUBS)
      expect([pipe.id, [...found].some((each) => each.endsWith(pipe.id))]).toEqual([pipe.id, true])
    for (const step of ['waste.tighten', 'waste.join', 'ring.push', 'remove.waste-nut', 'remove.draw-ring'])
      expect([step, words.has(step)]).toEqual([step, true])
  })

  it('of bowls with a spigot break none, are made in an order, and are the cheapest that exhaustive search finds', async () => {
    const found = new Set<string>()
    const why = new Set<string>()
    for (let index = 0; index < QUESTIONS / 2; index++) {
      const { options, line, settings } = waysOf(index, somePan)
      const asked = { line, settings }
      for (const option of options) expect([index, brokenLaws(option, asked)]).toEqual([index, []])
      for (const { parts } of options.slice(0, 1)) found.add(parts[0]?.fittingId ?? '')
      const { request, steps } = orderOf(asked, options[0])
      expect([index, carryOut(request, steps)]).toEqual([index, []])
      expect([index, carryOut(request, anyOrder(steps, new Dice(4_000_000 + index)))]).toEqual([index, []])
      isCheapest(index, { ...asked, options })
      if (options.length === 0)
        for (const { reason } of mate({ lines: [line], settings }).lines[0]?.refusals ?? [])
          why.add(reason.ruleId)
      if (index < PROGRAMMES / 2) await isOptimum(index, { ...asked, options })
    }
    for (const some of [
      '.straight.',
      '.offset-20.',
      '.offset-40.',
      '.long.',
      '.bend.',
      '.110',
      '.pp110',
      '.iron',
    ])
      expect([some, [...found].some((id) => id.includes(some))]).toEqual([some, true])
    for (const rule of ['pan.aside', 'pan.far', 'drain.own-trap'])
      expect([rule, why.has(rule)]).toEqual([rule, true])
  })

  it('of boxes in a wall break none, are made in an order, and are the cheapest that exhaustive search finds', async () => {
    const found = new Set<string>()
    const words = new Set<string>()
    for (let index = 0; index < QUESTIONS / 10; index++) {
      const { options, line, settings } = waysOf(index, someBox)
      const asked = { line, settings }
      for (const option of options) expect([index, brokenLaws(option, asked)]).toEqual([index, []])
      for (const { parts } of options.slice(0, 1)) found.add(parts.map(({ family }) => family).join(' '))
      const { request, steps } = orderOf(asked, options[0])
      for (const step of steps) words.add(step.words)
      for (const order of [steps, anyOrder(steps, new Dice(6_000_000 + index))])
        expect([index, carryOut(request, order)]).toEqual([index, []])
      isCheapest(index, { ...asked, options })
      if (index < PROGRAMMES / 2) await isOptimum(index, { ...asked, options })
    }
    // on the old pipe itself, by a piece, and on a trap of its own
    expect(found).toContain('')
    for (const way of ['coupling tube-piece', 'p-trap tube-piece'])
      expect([way, [...found].some((each) => each.endsWith(way))]).toEqual([way, true])
    for (const step of ['fixture.hang-box', 'prove.standpipe', 'prove.level'])
      expect([step, words.has(step)]).toEqual([step, true])
  })

  it('that are closed break none, are made in an order, and are the cheapest that exhaustive search finds', async () => {
    const found = new Set<string>()
    const words = new Set<string>()
    for (let index = 0; index < QUESTIONS / 2; index++) {
      const { options, line, settings } = waysOf(index, someClosed)
      const asked = { line, settings }
      for (const option of options) expect([index, brokenLaws(option, asked)]).toEqual([index, []])
      for (const { parts } of options.slice(0, 1)) found.add(parts.at(-1)?.fittingId ?? '')
      const { request, steps } = orderOf(asked, options[0])
      for (const step of steps) words.add(step.words)
      for (const order of [steps, anyOrder(steps, new Dice(5_000_000 + index))]) {
        expect([index, carryOut(request, order)]).toEqual([index, []])
        // it is listened to with the plug in, and before anything of it is closed
        const at = (key: RegExp) => order.findIndex(({ id }) => key.test(id))
        if (order.length > 0)
          expect([index, at(/plug$/), at(/listen$/), at(/close$/)]).toEqual([
            index,
            ...[at(/plug$/), at(/listen$/), at(/close$/)].sort((a, b) => a - b),
          ])
      }
      isCheapest(index, { ...asked, options })
      if (index < PROGRAMMES / 2) await isOptimum(index, { ...asked, options })
    }
    for (const some of ['cap.drain.pvc', 'cap.drain.brass', 'plug.drain.brass', 'plug.hubless', 'cap.waste'])
      expect([some, [...found].some((id) => id.startsWith(some))]).toEqual([some, true])
    expect([words.has('prove.fill-past'), words.has('prove.fill')]).toEqual([true, false])
  })

  it('are answered as exhaustive search over the raw tables answers them', () => {
    for (let index = 10_000; index < 10_000 + EXHAUSTIVE; index++) {
      isCheapest(index, waysOf(index))
    }
  })
})

// a twentieth of what `npm run bench:drains` asks whole
it('cost what the integer programme finds to be the least, also where they turn or stand aside', async () => {
  const seen = { turned: 0, aside: 0 }
  for (let index = 20_000; index < 20_000 + PROGRAMMES; index++) {
    const asked = waysOf(index)
    await isOptimum(index, asked)
    const families = asked.options[0]?.parts ?? []
    if (families.some(({ family }) => family.startsWith('elbow'))) seen.turned++
    if (families.some(({ fittingId }) => fittingId.includes('offset'))) seen.aside++
  }
  expect([seen.turned > 0, seen.aside > 0]).toEqual([true, true])
})

// each law bites where it is broken on purpose, and lets right work pass
describe('the laws of drains', () => {
  const ask = (pipeId: string, kind: string, patch: Partial<LineRequest['conditions']> = {}) => {
    const base = someDrain(0)
    const { line: plain } = plainDrain(pipeId, kind, 'none')
    const line: LineRequest = { ...plain, conditions: { ...plain.conditions, ...patch } }
    const [answer] = mate({ lines: [line], settings: base.settings, k: 8 }).lines
    const way = answer?.options[0]
    if (!way) throw new Error(`no way for ${pipeId} to ${kind}`)
    return { asked: { line, settings: base.settings }, way }
  }
  const part = (id: string): MateOption['parts'][number] => {
    const fitting = fittingById(id)
    if (!fitting) throw new Error(`no part ${id}`)
    return {
      fittingId: id,
      name: fitting.name,
      family: fitting.family,
      inPort: 0,
      outPort: 1,
    } as MateOption['parts'][number]
  }
  const basin = ask('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2')
  const iron = ask('cast-iron.service.2', 'waste.shower.2')
  const bowl = ask('pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -2 })
  const low = ask('pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -30 })
  const machine = ask('abs-dwv.40.2', 'waste.standpipe')
  const under = ask('pvc-dwv.40.2', 'waste.shower.2', { stubMm: 200, spanMm: 600 })
  const tray = ask('waste.solvent.40mm', 'waste.shower.40')
  const closed = ask('pvc-dwv.40.2', 'waste.closed')
  type Case = ReturnType<typeof ask>
  const spoil = (
    from: Case,
    way: Partial<MateOption>,
    patch: Partial<LineRequest['conditions']> = {},
  ): Case => ({
    asked: {
      ...from.asked,
      line: { ...from.asked.line, conditions: { ...from.asked.line.conditions, ...patch } },
    },
    way: { ...from.way, ...way },
  })
  const joints = (method: string, from: Case) =>
    from.way.joints.map((joint, index) =>
      index === 0 ? { ...joint, method } : joint,
    ) as MateOption['joints']
  const SPOILT: Readonly<Record<string, Case>> = {
    'six-parts': spoil(basin, { parts: Array.from({ length: 7 }, () => part('coupling.drain.pvc.1-1/2')) }),
    'turns-as-asked': spoil(
      machine,
      { parts: [part('bend.eighth.abs.2'), ...machine.way.parts] },
      { turn: 90 },
    ),
    'of-drains': spoil(basin, { parts: [part('coupling.cxc.1/2')] }),
    'one-trap': spoil(basin, {}, { trapped: true }),
    'tray-in-reach': spoil(tray, {}, { access: 'closed-wall' }),
    'not-smaller-downstream': spoil(basin, {
      parts: [{ ...part('reducer.drain.pvc.2x1-1/2'), inPort: 1, outPort: 0 }, ...basin.way.parts],
    }),
    'one-plastic': spoil(basin, { methods: ['cement-drain-abs', 'slip-joint'] }),
    'closed-by-one': spoil(closed, { parts: [part('coupling.drain.pvc.2'), ...closed.way.parts] }),
    'by-diameter': spoil(iron, {
      parts: [part('coupling.shielded.heavyxplastic.2'), ...iron.way.parts.slice(1)],
    }),
    'slip-in-reach': {
      ...spoil(ask('pvc-dwv.40.1-1/2', 'waste.tub.1-1/2'), {}, { access: 'closed-wall' }),
    },
    'opens-in-reach': spoil(
      under,
      {
        parts: under.way.parts.map((each) => (each.family === 'p-trap' ? part('p-trap.pvc.union.2') : each)),
      },
      { access: 'closed-wall' },
    ),
    'shield-above-ground': (() => {
      const spoilt = spoil(iron, { methods: ['flexible-coupling'] })
      const { settings } = spoilt.asked
      const houseRules = { ...settings.houseRules, flexibleAbove: 'shielded' as const }
      return { ...spoilt, asked: { ...spoilt.asked, settings: { ...settings, houseRules } } }
    })(),
    'no-shield-in-ground': spoil(
      iron,
      { joints: joints('shielded-coupling', iron), methods: ['shielded-coupling'] },
      { access: 'buried' },
    ),
    'one-seal': spoil(bowl, { joints: [...bowl.way.joints, ...bowl.way.joints] }),
    'ring-on-broken': spoil(bowl, {}, { faults: ['ring-broken'] }),
    'flange-at-floor': spoil(bowl, {}, { flangeMm: -30 }),
    'rings-where-low': spoil(low, {}, { flangeMm: 5 }),
    'no-s-trap': spoil(basin, {}, { rises: true }),
    'under-the-drain': spoil(under, {}, { spanMm: 210 }),
    'sawn-for-nothing': spoil(under, { removalId: 'saw-shorter', leavesStubMm: 198 }),
    'offset-where-near': spoil(bowl, {}, { roughMm: 280, bowlMm: 304.8 }),
    machine: spoil(machine, {}, { slow: true }),
    'standpipe-2': spoil(machine, { parts: [part('standpipe.abs.1-1/2')] }),
    'twist-accepted': (() => {
      const spoilt = spoil(bowl, { methods: ['twist-in'] })
      const { settings } = spoilt.asked
      const houseRules = { ...settings.houseRules, twistIn: 'refuse' as const }
      return { ...spoilt, asked: { ...spoilt.asked, settings: { ...settings, houseRules } } }
    })(),
    'dry-for-cement': spoil(basin, {}, { line: 'trickle' }),
    'split-hub': spoil(iron, { removalId: 'pick-hub' }, { faults: ['hub-split'] }),
    'bushing-in-socket': spoil(iron, {
      parts: [part('coupling.shielded.servicexplastic.2'), part('bushing.drain.pvc.2x1-1/2')],
    }),
    'bands-at-old-end': spoil(basin, {
      parts: [...basin.way.parts, part('coupling.shielded.plasticxplastic.1-1/2')],
    }),
  }

  it.each(DRAIN_LAWS.map(([id]) => id))('%s: broken on purpose it is named, kept it is not', (id) => {
    const { way, asked } = SPOILT[id] as Case
    expect(brokenLaws(way, asked)).toContain(id)
    for (const kept of [basin, iron, bowl, low, machine, under, tray, closed])
      expect(brokenLaws(kept.way, kept.asked)).toEqual([])
  })
})

// the law of one plastic holds of metric pipe by its make and its diameter
it('one-plastic, of metric waste: cement on polypropylene and pipe of another outside are named', () => {
  const { line, settings } = plainDrain('waste.pp.40mm', 'waste.tail.g1-1/4', 'none')
  const [way] = mate({ lines: [line], settings, k: 8 }).lines[0]?.options ?? []
  if (!way) throw new Error('no way')
  expect(brokenLaws(way, { line, settings })).toEqual([])
  expect(brokenLaws({ ...way, methods: ['cement-waste'] }, { line, settings })).toContain('one-plastic')
  const solvent = { ...line, pipeId: 'waste.solvent.40mm' }
  expect(brokenLaws(way, { line: solvent, settings })).toContain('one-plastic')
})

describe('drains as a master plumber judged them', () => {
  it.each(DRAIN_VERDICTS.filter(({ must }) => must !== null))('$says', ({ questions, must, never }) => {
    for (const index of questions) {
      const { line, settings } = judgedDrain(index)
      const [first] = mate({ lines: [line], settings, k: 8 }).lines[0]?.options ?? []
      const chain = first ? drainChain(first) : 'none'
      expect([index, chain]).toEqual([index, expect.stringMatching(must as RegExp)])
      if (never) expect([index, chain]).toEqual([index, expect.not.stringMatching(never)])
    }
  })

  it.each(DRAIN_VERDICTS.filter(({ must }) => must === null))('none: $says', ({ questions, because }) => {
    for (const index of questions) {
      const { line, settings } = judgedDrain(index)
      const answer = mate({ lines: [line], settings, k: 8 }).lines[0]
      expect([index, answer?.options.map(drainChain)]).toEqual([index, []])
      const reasons = answer?.refusals.map(({ reason }) => reason.ruleId)
      if (because) expect([index, reasons]).toEqual([index, expect.arrayContaining([because])])
      // and what would help, or who has to come
      expect([index, (answer?.remedies.length ?? 0) + (answer?.lastResort ? 1 : 0) > 0]).toEqual([
        index,
        true,
      ])
    }
  })
})
