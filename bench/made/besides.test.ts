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
} from '@diarmos/core'
import { WELL_EQUIPPED as SETTINGS } from '../../packages/core/src/mate/test/problems'
import { Dice } from '../mate/random'
import { allBefore } from './allBefore'
import { anyOrder } from './anyOrder'
import { carryOut } from './world'

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

it('what can be carried in whole is made up before it is joined to an old end that wants no flame', () => {
  const seen = new Set<string>()
  for (const [pipeId, kind, conditions] of [
    ['galvanised.40.1/2', 'faucet.shank.1/2', { ...PLAIN, oldJoint: 'threaded', thread: 'NPT' }],
    ['pex-b.sdr9.1/2', 'hose.outlet', { ...PLAIN, oldJoint: 'none' }],
    ['waste.push.50mm', 'waste.tail.g1-1/4', { ...PLAIN, service: 'waste', oldJoint: 'none' }],
  ] as const)
    for (const option of waysOf({ lineId: 'a', pipeId, to: mouthOf(kind), conditions })) {
      const { steps } = sequence({ lines: [{ lineId: 'a', option, conditions }], houseRules: HOUSE })
      const ahead = allBefore(steps)
      const [stub, next] = option.joints
      if (!stub?.atStub || !next?.beforeStop || next.to >= option.parts.length) continue
      if (/sweat|slip|trap/.test(`${stub.method} ${next.method}`)) continue
      seen.add(kind)
      expect([option.id, ahead('a/0/close').has('a/1/close')]).toEqual([option.id, true])
    }
  expect([...seen].sort()).toEqual(['faucet.shank.1/2', 'hose.outlet', 'waste.tail.g1-1/4'])
})

it('an open drain stays plugged while its end is made ready', () => {
  for (const [pipeId, kind, ready] of [
    ['pvc-dwv.40.2', 'waste.shower.2', ['dress', 'fit']],
    ['cast-iron.service.2', 'waste.shower.2', ['dress', 'sleeve']],
    ['waste.solvent.40mm', 'waste.tail.g1-1/2', ['dress', 'nut']],
  ] as const) {
    const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const }
    const option = firstOf({ lineId: 'a', pipeId, to: mouthOf(kind), conditions })
    const { steps } = sequence({ lines: [{ lineId: 'a', option, conditions }], houseRules: HOUSE })
    const ahead = allBefore(steps)('a/line/unplug')
    expect([pipeId, ready.map((key) => ahead.has(`a/0/${key}`))]).toEqual([pipeId, ready.map(() => true)])
    expect([pipeId, ahead.has('a/0/close')]).toEqual([pipeId, false])
  }
})

describe('what is seen to besides the joints', () => {
  it('the bridge over a cut stays where plastic or a dielectric union parts the run now, and else comes off', () => {
    const cutIn = { insert: 'repair' as const, farMm: 400, freeMm: [6000, 6000] as const, sidewaysMm: 300 }
    const conditions = { ...PLAIN, stubMm: 400 }
    const plain = firstOf(
      { lineId: 'a', pipeId: 'copper.l.1/2', cutIn, conditions },
      ({ parts }) => parts.length > 2,
    )
    const said = (option: MateOption) =>
      sequence({
        lines: [{ lineId: 'a', option, conditions, material: 'copper' }],
        houseRules: HOUSE,
      }).steps.find(({ id }) => id === 'general/unbond')?.words
    expect(said(plain)).toBe('safe.unbond')
    // mate offers neither to a copper run; a shop's own amendment may
    const piece = plain.joints.map((joint, at) =>
      at === 1 ? { ...joint, tubeMaterial: 'pex-b' as const } : joint,
    )
    const union = plain.parts.map((part, at) =>
      at === 1 ? { ...part, family: 'dielectric-union' as const } : part,
    )
    expect(said({ ...plain, joints: piece })).toBe('safe.bond-stays')
    expect(said({ ...plain, parts: union })).toBe('safe.bond-stays')
  })

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

it('a bowl is set before its own water is joined, and waits for nobody else’s', () => {
  const waste: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'flange', flangeMm: 0 }
  const supply: Conditions = { ...PLAIN, oldJoint: 'compression', stubMm: 90 }
  const line = (lineId: string, pipeId: string, kind: string, conditions: Conditions, to: string) => ({
    lineId,
    option: firstOf({ lineId, pipeId, to: mouthOf(kind), conditions }),
    conditions,
    meets: { to },
  })
  const filled = ['fill-valve'] as const
  const lines = ['p1', 'p2'].flatMap((point) => [
    line(`${point}-drain`, 'abs-dwv.40.4', 'waste.bowl', waste, `${point} waste`),
    line(`${point}-cold`, 'copper.l.1/2', 'toilet.fill.7/8', supply, `${point} main`),
    // what stands beside it on the floor without a tank, and what fills itself and hangs on the wall
    line(`${point}-tub`, 'copper.l.1/2', 'faucet.shank.1/2', supply, `${point} tub`),
    line(`${point}-hung`, 'copper.l.1/2', 'faucet.shank.1/2', supply, `${point} hung`),
  ])
  const bodies = ['p1', 'p2'].flatMap((point) => [
    { id: `${point} main`, contents: filled, mount: 'floor' as const },
    { id: `${point} waste`, contents: [], mount: 'floor' as const, kind: 'waste.bowl' },
    { id: `${point} tub`, contents: [], mount: 'floor' as const },
    { id: `${point} hung`, contents: filled, mount: 'wall' as const },
  ])
  const { steps } = sequence({ lines, bodies, houseRules: HOUSE })
  const ahead = allBefore(steps)
  const last = (lineId: string) => {
    const option = lines.find((each) => each.lineId === lineId)?.option
    return `${lineId}/${(option?.joints.length ?? 0) - 1}/close`
  }
  const waits = (of: string, point: string) => ahead(last(of)).has(last(`${point}-drain`))
  for (const [point, other] of [
    ['p1', 'p2'],
    ['p2', 'p1'],
  ] as const)
    expect([
      waits(`${point}-cold`, point),
      waits(`${point}-cold`, other),
      waits(`${point}-tub`, point),
      waits(`${point}-hung`, point),
    ]).toEqual([true, false, false, false])
})

describe('a bowl on its flange', () => {
  const bowl = (patch: Partial<Conditions>) => {
    const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'flange', flangeMm: 0, ...patch }
    const option = firstOf({ lineId: 'a', pipeId: 'pvc-dwv.40.3', to: mouthOf('waste.bowl'), conditions })
    const bodies = [{ id: 'main', contents: [], mount: 'floor' as const, kind: 'waste.bowl' }]
    const lines = [{ lineId: 'a', option, conditions, meets: { to: 'main' } }]
    return { option, steps: sequence({ lines, bodies, houseRules: HOUSE }).steps }
  }

  it('that stays is not screwed down again, and points where it did', () => {
    const { option, steps } = bowl({})
    expect(option.removalId).toBe('keep-flange')
    expect(steps.filter(({ words }) => /^flange\.(screw|aside)$/.test(words))).toEqual([])
  })

  it('that is offset is turned to where it moves the bowl before its cement, and screwed down after', () => {
    const { option, steps } = bowl({ roughMm: 280, bowlMm: 304.8 })
    const at = option.parts.findIndex(({ fittingId }) => fittingId.includes('offset'))
    const seam = option.joints.findIndex(({ to }) => to === at)
    // a tick is kept by the name of its step: that never changes
    const step = (id: string) => steps.find((each) => each.id === `a/${seam}/${id}`)
    expect(step('aside')).toMatchObject({
      words: 'flange.aside',
      kind: 'prepare',
      parameters: { shiftMm: expect.closeTo(38.1, 6) },
    })
    expect(step('aside')?.endSeconds).toBeLessThanOrEqual(step('close')?.startSeconds ?? -1)
    expect(step('close')?.endSeconds).toBeLessThanOrEqual(step('screw')?.startSeconds ?? -1)
  })
})

describe('what slides', () => {
  it('says of itself what it is and how much bare pipe it has to wait on', () => {
    let slid = 0
    for (const insert of ['repair', 'tee'] as const)
      for (const option of waysOf({
        lineId: 'a',
        pipeId: 'copper.l.1/2',
        cutIn: { insert, farMm: 400, freeMm: [600, 600], sidewaysMm: 40 },
        conditions: { ...PLAIN, stubMm: 400 },
      })) {
        const { closes } = option
        if (closes?.by !== 'slide') continue
        const { steps } = sequence({
          lines: [{ lineId: 'a', option, conditions: PLAIN, material: 'copper' }],
          houseRules: HOUSE,
        })
        const acts = steps.filter(({ words }) => words.startsWith('slide.'))
        expect(acts.length).toBeGreaterThan(0)
        for (const { parameters } of acts)
          expect(parameters).toMatchObject({ part: option.parts[closes.seam]?.name, needsMm: closes.needsMm })
        // it is on before anything is made at the ends, and drawn back before either of its own joints is
        const ahead = allBefore(steps)
        const own = [closes.seam, closes.seam + 1]
        const back = `a/${closes.seam}/slide-back`
        expect(ahead(back).has(`a/${closes.seam}/slide-on`)).toBe(true)
        for (const seam of option.joints.keys()) {
          const close = `a/${seam}/close`
          if (!steps.some(({ id }) => id === close)) continue
          expect([option.id, seam, ahead(close).has(back)]).toEqual([option.id, seam, own.includes(seam)])
          expect([option.id, seam, ahead(back).has(close)]).toEqual([option.id, seam, !own.includes(seam)])
        }
        slid += acts.length
      }
    expect(slid).toBeGreaterThan(3)
  })

  it('is drawn back over what a union has drawn together before, cemented or not', () => {
    const methods = new Set<string>()
    for (const pipeId of ['cpvc.sdr11.3/4', 'copper.l.1/2'])
      for (const option of waysOf(
        {
          lineId: 'a',
          pipeId,
          cutIn: { insert: 'repair', farMm: 23, freeMm: [210, 2399], sidewaysMm: 60 },
          conditions: { ...PLAIN, stubMm: 57 },
        },
        60,
      )) {
        if (option.closes?.by !== 'slide' || !option.parts.some(({ family }) => family === 'union')) continue
        const { steps } = sequence({ lines: [{ lineId: 'a', option, conditions: PLAIN }], houseRules: HOUSE })
        const drawn = steps.find(({ words }) => words === 'union.draw')
        const back = steps.filter(({ words }) => /^slide\.back$|^cement\.join.*-slid$/.test(words))
        expect([option.id, back.length > 0]).toEqual([option.id, true])
        for (const { startSeconds } of back)
          expect([option.id, startSeconds >= (drawn?.endSeconds ?? Number.NaN)]).toEqual([option.id, true])
        methods.add(option.joints[0]?.method ?? '')
      }
    expect(methods.has('cement')).toBe(true)
  })

  it('and is made on the job is made once, and at its other end only that is left', () => {
    const conditions = { ...PLAIN, stubMm: 400 }
    const cutIn = { insert: 'repair' as const, farMm: 400, freeMm: [600, 600] as const, sidewaysMm: 40 }
    const request = { lineId: 'a', pipeId: 'copper.l.1/2', cutIn, conditions }
    const { options } = mate({ lines: [request], settings: SETTINGS, improvised: true, k: 40 }).lines[0] ?? {
      options: [],
    }
    const homemade = options.filter(({ parts }) => parts.some(({ standing }) => standing === 'improvised'))
    expect(homemade.length).toBeGreaterThan(0)
    for (const option of homemade) {
      const { steps } = sequence({
        lines: [{ lineId: 'a', option, conditions, material: 'copper' }],
        houseRules: HOUSE,
      })
      for (const [at, { standing, family }] of option.parts.entries()) {
        if (!standing) continue
        const seams = option.joints.flatMap(({ from, to }, seam) => (from === at || to === at ? [seam] : []))
        const made = steps.filter(
          ({ seam, words }) => seam !== null && seams.includes(seam) && /^made\.(filed|expanded)/.test(words),
        )
        expect([family, made.map(({ words }) => words.endsWith('-other')).sort()]).toEqual([
          family,
          [false, true],
        ])
      }
    }
  })
})

describe('what is held', () => {
  const planned = (kind: string, patch: Partial<Conditions>, pipeId = 'copper.l.1/2') => {
    const conditions: Conditions = { ...PLAIN, stubMm: 120, ...patch }
    const lineOf = (lineId: string) => ({ lineId, pipeId, to: mouthOf(kind), conditions })
    return waysOf(lineOf('a'), 12).map((option) => {
      const other = firstOf({ ...lineOf('b'), conditions: { ...conditions, faults: [] } })
      const lines = [
        { lineId: 'a', option, conditions, material: 'copper' as const },
        {
          lineId: 'b',
          option: other,
          conditions: { ...conditions, faults: [] },
          material: 'copper' as const,
        },
      ]
      const { steps } = sequence({ lines, houseRules: HOUSE })
      return { option, other, steps, ahead: allBefore(steps) }
    })
  }

  it('a stub that moves is held before its first joint is closed, and nobody else’s waits for that', () => {
    for (const { option, steps, ahead } of planned('faucet.shank.1/2', { faults: ['loose'] })) {
      const held = steps.find(({ words, lineId }) => words === 'fix.stub' && lineId === 'a')?.id ?? ''
      expect([option.id, held]).not.toEqual([option.id, ''])
      // first acts of all kinds but the close may be done before
      const waits = steps.filter((step) => step.id !== held && ahead(step.id).has(held))
      expect(waits.some(({ id }) => id === 'a/0/close')).toBe(true)
      expect(waits.filter(({ id }) => id === 'b/0/close')).toEqual([])
      const first = steps.filter(
        ({ lineId, seam, kind }) => lineId === 'a' && seam === 0 && kind === 'prepare',
      )
      for (const { id } of first) expect([id, ahead(id).has(held)]).toEqual([id, false])
    }
    for (const { steps } of planned('faucet.shank.1/2', {}))
      expect(steps.filter(({ words }) => words === 'fix.stub')).toEqual([])
  })

  it('a bib is screwed to its wall when all that leads to it is closed, and what hangs on its outlet comes after', () => {
    let beyond = 0
    for (const { option, steps, ahead } of planned('hose.outlet', { oldJoint: 'none' })) {
      const screwed = steps.find(({ words, lineId }) => words === 'fix.bib' && lineId === 'a')?.id
      if (screwed === undefined) continue
      const bib = option.parts.findIndex(({ family }) => /bib/.test(family))
      option.joints.forEach(({ to }, seam) => {
        const close = `a/${seam}/close`
        expect([option.id, seam, ahead(screwed).has(close)]).toEqual([option.id, seam, to <= bib])
        if (to > bib) beyond++
      })
    }
    expect(beyond).toBeGreaterThan(0)
  })
})
