import {
  bodiesOf,
  type CodeProfile,
  type Conditions,
  mate,
  mouthOf,
  PLAIN_CONDITIONS,
  type PlanRequest,
  sequence,
} from '@diarmos/core'
import { wasteActs } from '../../packages/core/src/assembly/acts/wastes'
import { WELL_EQUIPPED as SETTINGS } from '../../packages/core/src/mate/test/problems'
import { PAN_TESTS } from '../../packages/core/src/reference/panTest'
import { STEPS, stepText } from '../../packages/core/src/words/steps'
import { Dice } from '../mate/random'
import { anyOrder } from './anyOrder'
import { faultsOfFloors } from './floors'
import { carryOut } from './world'

const IN = 25.4

/** The best way to a waste, and its order of work; besides what stands on the deck over it. */
function planned(
  kinds: readonly string[],
  patch: Partial<Conditions>,
  { pipeId = 'abs-dwv.40.2', codeProfile = 'IPC' as CodeProfile, permit = false } = {},
) {
  const bodies = bodiesOf(kinds)
  const lines = bodies.map((body, at) => {
    const water = body.ports[0]?.service !== 'waste'
    const conditions: Conditions = {
      ...PLAIN_CONDITIONS,
      service: water ? 'cold' : 'waste',
      waterSeen: true,
      oldJoint: water ? 'compression' : 'cement',
      stubMm: 300,
      ...(water ? {} : patch),
    }
    const to = mouthOf(kinds[at] ?? '')
    const request = { lineId: `line-${at}`, pipeId: water ? 'copper.l.1/2' : pipeId, to, conditions }
    const option = mate({ lines: [request], settings: SETTINGS }).lines[0]?.options[0]
    if (!option) throw new Error(`no way to ${kinds[at]}`)
    return { lineId: request.lineId, option, conditions, meets: { to: body.id } }
  })
  const request: PlanRequest = { lines, bodies, houseRules: SETTINGS.houseRules, codeProfile, permit }
  return { request, steps: sequence(request).steps }
}

/** In the order as planned, and in any other that its arrows allow. */
function isSound({ request, steps }: ReturnType<typeof planned>) {
  expect(carryOut(request, steps)).toEqual([])
  for (let seed = 0; seed < 6; seed++) expect(carryOut(request, anyOrder(steps, new Dice(seed)))).toEqual([])
}

const SHOWERS = ['waste.shower.2', 'waste.shower.clamped.2', 'waste.tub.glued.1-1/2'] as const
const pipeOf = (kind: string) => (kind.includes('tub') ? 'abs-dwv.40.1-1/2' : 'abs-dwv.40.2')

describe('under a slab', () => {
  it.each(SHOWERS)('%s is set on what was proved, filled in and cast', (kind) => {
    for (const permit of [false, true])
      isSound(
        planned([kind], { access: 'buried', slabMm: 100, spanMm: 900 }, { pipeId: pipeOf(kind), permit }),
      )
    // one that stays further down, and a way that turns
    isSound(planned([kind], { access: 'buried', slabMm: 100, trapped: true }, { pipeId: pipeOf(kind) }))
  })

  it.each([
    ['alone', ['waste.bowl']],
    ['with its water', ['toilet.fill.7/8', 'waste.bowl']],
  ] as const)(
    'a bowl (%s): its flange lies on what was cast, and nothing is cut where it is only that',
    (_what, kinds) => {
      const under = { access: 'buried', slabMm: 120 } as const
      const moved = planned(
        kinds,
        { ...under, oldJoint: 'none', spanMm: 300, stubMm: 100 },
        { pipeId: 'pvc-dwv.40.3' },
      )
      isSound(moved)
      const words = moved.steps.map((step) => step.words)
      expect(words.indexOf('slab.set')).toBeLessThan(words.indexOf('flange.screw'))
      expect(words).toContain('riser.plug')
      for (const oldJoint of ['flange', 'none'] as const) {
        const plain = planned(kinds, { ...under, oldJoint }, { pipeId: 'pvc-dwv.40.3' })
        isSound(plain)
        expect(plain.steps.filter((step) => /^(slab|cover|riser|hold)/.test(step.words))).toEqual([])
      }
    },
  )

  it('whatever drains there, in whatever it lies, alone or with its water: no order waits for itself', () => {
    const pipes = { 1.5: 'abs-dwv.40.1-1/2', 2: 'cast-iron.hubless.2', 3: 'pvc-dwv.40.3' } as const
    for (const [kinds, size] of [
      [['waste.shower.1-1/2'], 1.5],
      [['waste.tub.glued.1-1/2'], 1.5],
      [['valve.combo.1/2', 'waste.shower.clamped.2'], 2],
      [['waste.standpipe'], 2],
      [['toilet.fill.7/8', 'waste.bowl'], 3],
    ] as const)
      for (const access of ['reachable', 'closed-wall', 'buried'] as const)
        for (const slabMm of [null, 100])
          for (const place of [{}, { spanMm: 800 }, { trapped: true }] as const) {
            const span = size === 3 && 'spanMm' in place ? { spanMm: 300, stubMm: 100 } : place
            isSound(
              planned(
                kinds,
                { access, slabMm, oldJoint: 'none', ...span },
                { pipeId: pipes[size], permit: slabMm !== null },
              ),
            )
          }
  })

  it('says what the disc leaves, and of bare ground nothing', () => {
    const cut = (slabMm: number) => {
      const { steps } = planned(['waste.shower.2'], { access: 'buried', slabMm, spanMm: 900 })
      const step = steps.find(({ words }) => words === 'slab.cut')
      return step ? stepText(step, 'mm') : ''
    }
    // a disc of 350 mm under clamps of 100 mm: half of what is left of it
    expect(cut(100)).toMatch(/100 mm of concrete, no deeper than that/)
    expect(cut(125)).toMatch(/no deeper than that/)
    expect(cut(150)).toMatch(/reaches 125 mm of it and the last 25 mm is broken/)
    for (const slabMm of [null, 0]) {
      const { steps } = planned(['waste.shower.2'], { access: 'buried', slabMm, spanMm: 900 })
      expect(steps.filter(({ words }) => /slab|riser/.test(words))).toEqual([])
    }
    expect(planned(['waste.shower.2'], { access: 'closed-wall', slabMm: 100 }).steps).not.toContainEqual(
      expect.objectContaining({ words: 'slab.cut' }),
    )
  })

  it('goes by the disc in hand, of several by the one that goes least deep', () => {
    const { request } = planned(['waste.shower.2'], { access: 'buried', slabMm: 140, spanMm: 900 })
    const cut = (...discs: readonly number[]) => {
      const lines = discs.flatMap((discMm, at) =>
        request.lines.map((line) => ({ ...line, lineId: `${line.lineId}-${at}`, discMm })),
      )
      const step = sequence({ ...request, lines }).steps.find(({ words }) => words === 'slab.cut')
      return step ? stepText(step, 'mm') : ''
    }
    // half of the disc less two inches of clamp
    expect(cut(400)).toMatch(/no deeper than that/)
    expect(cut(300)).toMatch(/reaches 100 mm of it and the last 40 mm/)
    expect(cut(400, 300)).toMatch(/reaches 100 mm/)
  })

  it('may take a gasket that is tightened from above: it is in the drain, not in the ground', () => {
    const conditions = {
      ...PLAIN_CONDITIONS,
      service: 'waste' as const,
      waterSeen: true,
      access: 'buried' as const,
      slabMm: 100,
      spanMm: 900,
      stubMm: 300,
    }
    const line = { lineId: 'a', pipeId: 'abs-dwv.40.2', to: mouthOf('waste.shower.2'), conditions }
    const option = mate({ lines: [line], settings: SETTINGS, k: 8 }).lines[0]?.options.find(
      ({ joints }) => joints.at(-1)?.method === 'drain-gasket',
    )
    const bodies = bodiesOf(['waste.shower.2'])
    if (!option || !bodies[0]) throw new Error('no gasket')
    const request: PlanRequest = {
      lines: [{ lineId: 'a', option, conditions, meets: { to: bodies[0].id } }],
      bodies,
      houseRules: SETTINGS.houseRules,
    }
    isSound({ request, steps: sequence(request).steps })
  })

  it('is acknowledged before it is cut, and warned of where the way is chosen', () => {
    const { request, steps } = planned(['waste.shower.2'], { access: 'buried', slabMm: 100, spanMm: 900 })
    expect(
      sequence(request)
        .cards.filter(({ acknowledge }) => acknowledge)
        .map(({ id }) => id),
    ).toContain('general/slab-scan')
    const warned = ({ lines }: PlanRequest) => lines[0]?.option.warnings.map(({ ruleId }) => ruleId)
    expect(warned(request)).toContain('ground.slab')
    expect(warned(planned(['waste.shower.2'], { access: 'buried', spanMm: 900 }).request)).not.toContain(
      'ground.slab',
    )
    // the acts that the laws speak of are there
    for (const words of ['slab.scan', 'riser.plug', 'slab.fill', 'cover.slab', 'slab.set', 'riser.cut'])
      expect([words, steps.filter((step) => step.words === words).length]).toEqual([words, 1])
  })

  // each law sees an order that breaks it
  it.each([
    ['slab-cut', 'slab-scan', /cut blind/],
    ['remove.saw', 'slab-dig', /through concrete/],
    ['slab-fill', 'drain-level', /filled in before/],
    ['riser-cut', 'waste-set', /by guess/],
    ['4/close', 'slab-set', /knelt at on soft concrete/],
    ['4/close', 'riser-cut', /stands long/],
    ['4/close', 'waste-set', /not set/],
    ['cover', 'riser-plug', /concrete runs into/],
    ['cover', 'slab-fill', /over a hole/],
    ['drain-full', 'riser-plug', /open above/],
    ['pan-liner', '4/close', /over an open pipe/],
    ['pan-full', 'pan-liner', /out of order/],
    ['pan-level', 'pan-stand', /read before/],
    ['pan-weep', 'pan-level', /gravel/],
    ['line/fill', 'pan-weep', /not made/],
  ])('%s before %s is seen', (moved, before, seen) => {
    const { request, steps } = planned(['waste.shower.clamped.2'], {
      access: 'buried',
      slabMm: 100,
      spanMm: 900,
    })
    const then = steps.find(({ id }) => id.endsWith(before))?.startSeconds ?? 0
    const wrong = steps.map((step) =>
      step.id.endsWith(moved) ? { ...step, startSeconds: then - 2, endSeconds: then - 1 } : step,
    )
    expect(faultsOfFloors(request, steps)).toEqual([])
    expect(faultsOfFloors(request, wrong).join('\n')).toMatch(seen)
  })
})

describe('a pan that is made on the spot', () => {
  it.each(['IPC', 'UPC', 'EN'] as const)('is flooded by %s before its mortar hides it', (codeProfile) => {
    const asked = planned(['waste.shower.clamped.2'], { access: 'closed-wall', spanMm: 900 }, { codeProfile })
    isSound(asked)
    // from below, where nothing is closed, the pipe stands and hangs first too
    isSound(planned(['waste.shower.clamped.2'], { access: 'reachable', spanMm: 900 }, { codeProfile }))
    const said = (words: string) => {
      const step = asked.steps.find((each) => each.words === words)
      return step ? stepText(step, codeProfile === 'EN' ? 'mm' : 'in') : ''
    }
    const stand = asked.steps.find(({ words }) => words === 'pan.stand')
    const { minutes } = PAN_TESTS[codeProfile]
    expect((stand?.endSeconds ?? 0) - (stand?.startSeconds ?? 0)).toBe(minutes * 60)
    // IPC 312.9: two inches of water, fifteen minutes; UPC 408.7.5: to the rough threshold
    expect(said('pan.full')).toMatch(
      { IPC: /filled 2" over the floor/, UPC: /rough threshold/, EN: /filled 50 mm over/ }[codeProfile],
    )
    expect(said('pan.stand')).toMatch(codeProfile === 'IPC' ? /15 minutes/ : /a day/)
    expect(said('pan.liner')).toMatch({ IPC: /2" up/, UPC: /3" up/, EN: /50 mm up/ }[codeProfile])
  })

  it('has the liner at least as high as the water stands', () => {
    for (const { upMm, deepMm, source } of Object.values(PAN_TESTS)) {
      expect(deepMm === null || upMm >= deepMm).toBe(true)
      expect(source.title.length).toBeGreaterThan(10)
    }
    expect(PAN_TESTS.UPC.upMm - PAN_TESTS.IPC.upMm).toBeCloseTo(IN, 6)
  })
})

describe('a waste that is new with its pipe', () => {
  const BASINS = ['push', 'rod', 'open'] as const
  it.each(BASINS)('a basin’s, %s: out, set, joined, and seen to hold where it closes', (closes) => {
    const kind = `waste.basin.${closes}.1-1/4`
    const drain = { oldJoint: 'slip' as const, stubMm: 80 }
    for (const kinds of [[kind], ['faucet.hose.3/8', kind]]) {
      const asked = planned(kinds, drain, { pipeId: 'pvc-dwv.40.1-1/2' })
      isSound(asked)
      const words = asked.steps.map((step) => step.words)
      expect(words.includes('waste.rod')).toBe(closes === 'rod')
      expect(words.includes('prove.waste-holds')).toBe(closes !== 'open')
      expect(words).toEqual(expect.arrayContaining(['waste.out', 'waste.set']))
    }
    // where nothing hung before, nothing comes out
    const fresh = planned([kind], { oldJoint: 'none', stubMm: 80 }, { pipeId: 'pvc-dwv.40.1-1/2' })
    expect(fresh.steps.map(({ words }) => words)).not.toContain('waste.out')
    isSound(fresh)
  })

  it('of the same tail as the one that stays, which has no such acts', () => {
    const old = planned(
      ['waste.tail.1-1/4'],
      { oldJoint: 'slip', stubMm: 80 },
      { pipeId: 'pvc-dwv.40.1-1/2' },
    )
    expect(old.steps.filter(({ words }) => /^(waste\.(out|set)|prove\.waste)/.test(words))).toEqual([])
    const fresh = planned(
      ['waste.basin.push.1-1/4'],
      { oldJoint: 'slip', stubMm: 80 },
      { pipeId: 'pvc-dwv.40.1-1/2' },
    )
    const parts = ({ request }: typeof old) =>
      request.lines[0]?.option.parts.map(({ fittingId }) => fittingId)
    expect(parts(fresh)).toEqual(parts(old))
  })

  it('a drain that its gasket sets brings its own act, and no second', () => {
    const { option } =
      planned(['waste.shower.2'], { access: 'closed-wall', spanMm: 900 }).request.lines[0] ?? {}
    expect(option?.joints.at(-1)?.method).toMatch(/^cement/)
    const gasket = mate({
      lines: [
        {
          lineId: 'a',
          pipeId: 'cast-iron.hubless.2',
          to: mouthOf('waste.shower.2'),
          conditions: {
            ...PLAIN_CONDITIONS,
            service: 'waste',
            waterSeen: true,
            access: 'closed-wall',
            trapped: true,
            stubMm: 300,
          },
        },
      ],
      settings: SETTINGS,
      k: 8,
    }).lines[0]?.options.find(({ joints }) => joints.at(-1)?.method === 'drain-gasket')
    const [body] = bodiesOf(['waste.shower.2'])
    if (!gasket || !body) throw new Error('no gasket')
    const { steps } = sequence({
      lines: [
        {
          lineId: 'a',
          option: gasket,
          conditions: { ...PLAIN_CONDITIONS, service: 'waste', access: 'closed-wall', trapped: true },
          meets: { to: body.id },
        },
      ],
      bodies: [body],
      houseRules: SETTINGS.houseRules,
    })
    const words = steps.map((step) => step.words)
    expect(words).toContain('gasket.height')
    expect(words).not.toContain('base.set')
  })

  it('every act has its words', () => {
    for (const kind of [...SHOWERS, ...BASINS.map((closes) => `waste.basin.${closes}.g1-1/4`)]) {
      const { out, before, after, proves } = wasteActs(kind) ?? { before: [], after: [], proves: [] }
      const all = [...(out ? [out] : []), ...before, ...after, ...proves]
      expect(all.length).toBeGreaterThan(0)
      for (const { words } of all) expect([words, STEPS[words] !== undefined]).toEqual([words, true])
    }
    for (const kind of ['waste.tail.1-1/4', 'waste.bowl', undefined]) expect(wasteActs(kind)).toBeUndefined()
  })
})
