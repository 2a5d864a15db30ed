import fc from 'fast-check'
import { bodiesOf, lineEnds, mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { methodById } from '../assembly/methods/table'
import { oldJointsOn } from '../assembly/oldJoints/table'
import { CATALOG, catalogueOf, fittingById, mediumOfPart } from '../catalog'
import { partShapes } from '../drawing/partShapes'
import { layOut } from '../fitup/layout'
import { trapAsk } from '../record'
import { mediumOf, PIPES, tubeEngagement } from '../reference'
import { sequence } from '../sequence'
import { mate } from './index'
import { bruteForce } from './test/bruteForce'
import { line, PLAIN, WELL_EQUIPPED } from './test/problems'
import type { LineRequest, MateOption, MateSettings } from './types'

const STUBS = ['1-1/4', '1-1/2', '2'].flatMap((size) => [`pvc-dwv.40.${size}`, `abs-dwv.40.${size}`])
const TAILS = ['waste.tail.1-1/4', 'waste.tail.1-1/2'] as const
const waste = (pipeId: string, tail: string, patch: Partial<Conditions> = {}): LineRequest => ({
  lineId: 'a',
  pipeId,
  to: mouthOf(tail),
  conditions: { ...PLAIN, service: 'waste', oldJoint: 'none', ...patch },
})
const ask = (request: LineRequest, settings: MateSettings = WELL_EQUIPPED) => {
  const [result] = mate({ lines: [request], settings }).lines
  if (!result) throw new Error('no line')
  return result
}
const familiesOf = (request: LineRequest) =>
  ask(request).options.map(({ parts }) => parts.map(({ family }) => family))
const usual = waste('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2')

describe('a basin’s waste to a stub of drain pipe', () => {
  it('goes by trap adapter and slip-joint trap, as every basin has it', () => {
    const [best] = ask(usual).options
    expect(best?.parts.map(({ family }) => family)).toEqual(['trap-adapter', 'tubular-trap'])
    expect(best?.methods).toEqual(['cement-drain-pvc', 'slip-joint'])
    // water is not shut for it
    expect(best?.waterOffSeconds).toBe(0)
  })

  it('keeps the nut of an old adapter, as most are found: no cement, no saw, one trap', () => {
    const kept = { oldJoint: 'slip' as const, stubMm: 40 }
    const [best] = ask(waste('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2', kept)).options
    expect(best).toMatchObject({ removalId: 'undo-nut', methods: ['slip-joint'], leavesStubMm: 40 })
    expect(best?.parts.map(({ family }) => family)).toEqual(['tubular-trap'])
    expect(best?.beginsAt).toMatchObject({ form: 'slip-joint', nominal: '1-1/2' })
    // a smaller trap goes into it with a reducing washer, a larger one into no smaller nut
    const [smaller] = ask(waste('pvc-dwv.40.1-1/2', 'waste.tail.1-1/4', kept)).options
    expect(smaller?.removalId).toBe('undo-nut-reduced')
    expect(ask(waste('pvc-dwv.40.1-1/4', 'waste.tail.1-1/2', kept)).options).toEqual([])
    // the trap lines up from the nut's mouth, and the pipe is shut while it stands open
    const measured = { outMm: 228.6, asideMm: 0, drainMm: 609.6, stubMm: 457.2 }
    expect(trapAsk(best as NonNullable<typeof best>, [], measured)).toMatchObject({
      stubOutMm: 40,
      size: '1-1/2',
    })
    const { steps } = sequence({
      houseRules: WELL_EQUIPPED.houseRules,
      lines: [
        { lineId: 'a', conditions: { ...PLAIN, service: 'waste' }, option: best as NonNullable<typeof best> },
      ],
    })
    const at = (id: string) => steps.findIndex((step) => step.id === id)
    const order = [
      'a/remove/remove.undo-nut',
      'a/line/plug',
      'a/line/unplug',
      'a/0/close',
      'a/line/fill',
    ].map(at)
    expect(Math.min(...order)).toBeGreaterThanOrEqual(0)
    expect(order).toEqual([...order].sort((a, b) => a - b))
  })

  it('hangs at the side of a tee on a riser, whatever of that is not measured yet', () => {
    // steel, so that a piece of plastic of unknown length stands between it and the tee
    const request = waste('galvanised.40.1-1/2', 'waste.tail.1-1/2', { rises: true })
    const [way] = ask(request).options
    expect(way?.parts.map(({ family }) => family)).toEqual([
      'shielded-coupling',
      'tube-piece',
      'vent-riser',
      'tubular-trap',
    ])
    const { stations } = layOut({ chain: way as MateOption, stubMm: null, dimensions: [] })
    const measured = { outMm: 228.6, asideMm: 50, drainMm: 533.4, stubMm: 355.6 }
    const tee = fittingById(way?.parts[2]?.fittingId ?? '')
    // from the riser's middle to the mouth of the nut
    expect(trapAsk(way as MateOption, stations, measured)).toMatchObject({
      outMm: 228.6,
      stubOutMm: -(tee?.ports[1]?.pose.origin[1] ?? Number.NaN),
    })
  })

  it.each(STUBS.flatMap((pipe) => TAILS.map((tail) => [pipe, tail] as const)))(
    '%s to %s: one trap on the way, of drain parts alone, cement of its own plastic, never smaller downstream',
    (pipe, tail) => {
      const { options, refusals } = ask(waste(pipe, tail))
      // a tail of 1-1/2 in does not go into a stub of 1-1/4: nothing is smaller downstream
      expect(options.length > 0).toBe(!(pipe.endsWith('.1-1/4') && tail.endsWith('.1-1/2')))
      const [own, other] = pipe.startsWith('pvc') ? ['pvc', 'abs'] : ['abs', 'pvc']
      for (const { parts, methods } of options) {
        expect(parts.filter(({ family }) => family === 'tubular-trap')).toHaveLength(1)
        for (const { fittingId } of parts)
          expect(mediumOfPart(fittingById(fittingId) ?? { ports: [] })).toBe('drain')
        // cemented, or held by a coupling where no cement goes
        expect(methods.some((id) => id === `cement-drain-${own}` || id === 'shielded-coupling')).toBe(true)
        expect(methods).not.toContain(`cement-drain-${other}`)
      }
      for (const { method } of refusals) expect(methodById(method).medium).toBe('drain')
    },
  )

  it('on threaded steel: the old adapter unscrewed, one of brass on its thread, and no plastic screwed over metal', () => {
    const steel = { oldJoint: 'threaded' as const, thread: 'NPT' as const }
    for (const pipe of ['galvanised.40.1-1/2', 'black.40.1-1/2']) {
      const { options } = ask(waste(pipe, 'waste.tail.1-1/2', steel))
      expect(options[0]).toMatchObject({
        removalId: 'unscrew',
        methods: ['slip-joint', 'threaded-drain'],
        parts: [{ fittingId: 'trap-adapter.brass.fnpt.1-1/2x1-1/2' }, { family: 'tubular-trap' }],
      })
      for (const { removalId, parts, joints } of options)
        for (const { to, method } of joints.filter(({ method: id }) => id === 'threaded-drain'))
          if (removalId !== 'draw-from-fitting')
            expect([method, fittingById(parts[to]?.fittingId ?? '')?.material]).toEqual([
              method,
              'tubular-brass',
            ])
      expect(options[0]?.warnings.map(({ ruleId }) => ruleId)).toContain('thread.old-steel')
      // a smaller trap by the reducing adapter; a larger one into no smaller thread
      expect(ask(waste(pipe, 'waste.tail.1-1/4', steel)).options[0]?.parts[0]?.fittingId).toBe(
        'trap-adapter.brass.fnpt.1-1/2x1-1/4',
      )
      // the nut of an old adapter stays where it is sound
      expect(ask(waste(pipe, 'waste.tail.1-1/2', { oldJoint: 'slip', stubMm: 40 })).options[0]).toMatchObject(
        {
          removalId: 'undo-nut',
          methods: ['slip-joint'],
        },
      )
    }
    expect(ask(waste('galvanised.40.1-1/4', 'waste.tail.1-1/2', steel)).options).toEqual([])
    // the same pipe as a water line has no slip nut on it, and no drain part
    expect(oldJointsOn('galvanised-steel', false)).not.toContain('slip')
    expect(oldJointsOn('galvanised-steel', true)).toContain('slip')
    const { steps, waterOff } = sequence({
      houseRules: WELL_EQUIPPED.houseRules,
      lines: [
        {
          lineId: 'a',
          material: 'galvanised-steel',
          conditions: { ...PLAIN, ...steel, service: 'waste' },
          option: ask(waste('galvanised.40.1-1/2', 'waste.tail.1-1/2', steel)).options[0] as MateOption,
        },
      ],
    })
    expect(waterOff.seconds).toBe(0)
    expect(steps.map(({ id }) => id)).toEqual(expect.arrayContaining(['a/line/plug', 'a/line/fill']))
    expect(steps.some(({ words }) => /^(safe\.shut|safe\.bond|open\.)/.test(words))).toBe(false)
  })

  // trade: old steel rots at its thread; what is left is turned out of the fitting behind, which takes a male adapter
  it('where steel is rotten at its thread, out of the fitting behind: a male adapter into that, never a thread cemented on', () => {
    const short = { stubMm: 12, oldJoint: 'slip' as const, faults: ['thinned'] as const }
    for (const pipe of ['galvanised.40.1-1/2', 'black.40.2', 'brass.regular.1-1/2']) {
      const { options } = ask(waste(pipe, 'waste.tail.1-1/2', { ...short, faults: [...short.faults] }))
      const drawn = options.filter(({ removalId }) => removalId === 'draw-from-fitting')
      expect(drawn.length).toBeGreaterThan(1)
      for (const { beginsAt, parts, joints, warnings, methods } of drawn) {
        expect(beginsAt).toMatchObject({ form: 'taper-female', system: 'NPT' })
        const families = parts.map(({ family }) => family)
        expect([families[0], families.filter((family) => family === 'male-adapter').length]).toEqual([
          'male-adapter',
          1,
        ])
        expect(families).toEqual(expect.arrayContaining(['tube-piece', 'trap-adapter']))
        expect(joints[0]?.method).toBe('threaded-drain')
        expect(methods.filter((id) => id.startsWith('cement-drain-'))).toHaveLength(1)
        expect(warnings.map(({ ruleId }) => ruleId)).toContain('drain.from-fitting')
      }
    }
    for (const pipe of ['copper.dwv.1-1/2', 'pvc-dwv.40.1-1/2', 'cast-iron.hubless.2'])
      for (const { removalId, parts } of ask(waste(pipe, 'waste.tail.1-1/2', { stubMm: 60 })).options) {
        expect(removalId).not.toBe('draw-from-fitting')
        expect(parts.map(({ family }) => family)).not.toContain('male-adapter')
      }
  })

  it.each([
    ['copper.dwv.1-1/2', 1.625],
    ['galvanised.40.1-1/2', 1.9],
    ['cast-iron.hubless.1-1/2', 1.9],
    ['cast-iron.hubless.2', 2.35],
  ])(
    'sawn square, %s goes on in one plastic behind a shielded coupling made for %s in outside',
    (pipe, inches) => {
      const { options } = ask(waste(pipe, 'waste.tail.1-1/2', { stubMm: 60 }))
      const sawn = options.filter(({ removalId }) => removalId !== 'draw-from-fitting')
      expect(sawn.length).toBeGreaterThan(1)
      for (const { parts, methods, joints } of sawn) {
        expect(parts[0]?.family).toBe('shielded-coupling')
        expect(methods.filter((id) => id.startsWith('cement-drain-'))).toHaveLength(1)
        const [taken, given] = fittingById(parts[0]?.fittingId ?? '')?.ports ?? []
        // ASTM B306, B36.10, CISPI 301: the diameters that a marked coupling is made for
        const ends = [taken, given].map((port) => (port?.diameterMm ?? 0) / 25.4)
        // onward in its own size, or in the basin's where the coupling reduces
        const [old, onward] = ends.map((end) => Number(end.toFixed(3)))
        expect(old).toBe(inches)
        expect(pipe.endsWith('.2') ? [2.375, 1.9] : [1.9]).toContain(onward)
        expect(joints[0]?.method).toBe('shielded-coupling')
      }
      // in the ground other couplings are listed, for iron and plastic
      const buried = ask(waste(pipe, 'waste.tail.1-1/2', { access: 'buried', stubMm: 80 })).options
      const size = pipe.split('.').at(-1)
      const flexible = pipe.startsWith('cast-iron') ? [`coupling.flexible.hublessxplastic.${size}`] : []
      const onPipe = buried.filter(({ removalId }) => removalId !== 'draw-from-fitting')
      expect([...new Set(onPipe.map(({ parts }) => parts[0]?.fittingId))]).toEqual(flexible)
    },
  )

  it('where it trickles no cement comes to the stub: a coupling, and dry pipe behind it, of the same plastic', () => {
    const wet = { line: 'trickle' as const, stubMm: 60 }
    for (const [pipe, own] of [
      ['pvc-dwv.40.1-1/2', 'tube.pvc-drain.1-1/2'],
      ['abs-dwv.40.1-1/2', 'tube.abs-drain.1-1/2'],
    ] as const) {
      const { options, refusals } = ask(waste(pipe, 'waste.tail.1-1/2', wet))
      expect(refusals.map(({ reason }) => reason.ruleId)).toContain('cement.not-dry')
      for (const { joints, parts } of options) {
        expect(joints[0]?.method).toBe('shielded-coupling')
        expect(
          parts.filter(({ family }) => family === 'tube-piece').map(({ fittingId }) => fittingId),
        ).toContain(own)
        expect(
          new Set(parts.filter(({ family }) => family === 'tube-piece').map(({ fittingId }) => fittingId))
            .size,
        ).toBe(1)
      }
    }
  })

  it('as exhaustive search finds it, whatever the place', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(
          ...STUBS,
          'galvanised.40.1-1/2',
          'black.40.1-1/4',
          'copper.dwv.1-1/2',
          'cast-iron.hubless.2',
        ),
        fc.constantFrom(...TAILS),
        fc.record({
          stubMm: fc.option(fc.integer({ min: 5, max: 80 })),
          line: fc.constantFrom('dry' as const, 'trickle' as const),
          access: fc.constantFrom('reachable' as const, 'closed-wall' as const, 'buried' as const),
          oldJoint: fc.constantFrom('none' as const, 'cement' as const, 'slip' as const, 'threaded' as const),
          thread: fc.constantFrom('none' as const, 'NPT' as const),
          outOfRound: fc.boolean(),
          plateMm: fc.constantFrom(0, 3),
        }),
        (pipe, tail, patch) => {
          const request = waste(pipe, tail, patch)
          const all = bruteForce(request, WELL_EQUIPPED, { catalogue: catalogueOf('drain'), mostParts: 6 })
          const found = ask(request).options.map(({ costs }) => costs.totalCents)
          expect(found[0] ?? null).toBe(all.length === 0 ? null : Math.min(...all.map(({ total }) => total)))
        },
      ),
      { numRuns: 60, seed: 12 },
    ))

  it.each([
    [{ stubMm: 20 }, 'stub.too-short', { stubMm: 40 }],
    [{ outOfRound: true, stubMm: 40 }, 'drain.out-of-round', { stubMm: 70 }],
    [{ faults: ['pinhole' as const] }, 'end.pinhole', {}],
  ])('%j is refused, %s', (patch, ruleId, better) => {
    const { options, refusals } = ask(waste('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2', patch))
    expect(options).toEqual([])
    expect(refusals.map(({ reason }) => reason.ruleId)).toContain(ruleId)
    expect(familiesOf({ ...usual, conditions: { ...usual.conditions, ...better } }).length).toBeGreaterThan(0)
  })

  it('is told once that the vent was not looked into, and nothing of drinking water', () => {
    const rules = ask(usual).options[0]?.warnings.map(({ ruleId }) => ruleId)
    expect(rules).toContain('drain.vent')
    expect(rules).not.toContain('drinking.lead-free')
  })

  it('has no part in a line of water, nor water in it', () => {
    const water = ask(line('copper.l.1/2')).options.flatMap(({ parts }) => parts)
    for (const { fittingId } of water)
      expect(mediumOfPart(fittingById(fittingId) ?? { ports: [] })).toBe('supply')
    expect(familiesOf(waste('copper.l.1/2', 'waste.tail.1-1/2'))).toEqual([])
    expect(familiesOf({ ...line('pvc-dwv.40.1-1/2'), conditions: { ...PLAIN, oldJoint: 'none' } })).toEqual(
      [],
    )
    for (const { ports } of CATALOG) expect(new Set(ports.map(({ medium }) => medium)).size).toBe(1)
    for (const { material } of PIPES) expect(['supply', 'drain']).toContain(mediumOf(material))
  })

  it('is its own line: a waste body takes no water, a faucet no waste', () => {
    const both = bodiesOf(['faucet.shank.1/2', 'waste.tail.1-1/2'])
    expect(lineEnds(both, 'drain', true)?.to.kind).toBe('waste.tail.1-1/2')
    expect(lineEnds(both, 'hot', true)?.to.kind).toBe('faucet.shank.1/2')
    const alone = bodiesOf(['waste.tail.1-1/2'])
    expect([lineEnds(alone, 'hot', true), lineEnds(bodiesOf(['faucet.shank.1/2']), 'drain', true)]).toEqual([
      null,
      null,
    ])
    // who says afterwards what else goes in keeps it under the same name
    expect(alone[0]?.id).toBe(both[1]?.id)
  })
})

describe('drain fittings', () => {
  // ASTM D2665, sockets: 11/16 in at 1-1/4 and 1-1/2, 3/4 at 2; ASTM D2466 pressure sockets are deeper at each
  it.each([
    ['1-1/4', 11 / 16],
    ['1-1/2', 11 / 16],
    ['2', 3 / 4],
  ])('have shallow sockets: %s in', (size, inches) => {
    const drain = tubeEngagement('drain-socket', 'IPS', size)
    expect(drain?.maxMm).toBeCloseTo(inches * 25.4, 6)
    expect(tubeEngagement('pvc-socket', 'IPS', size)?.maxMm ?? 0).toBeGreaterThan(drain?.maxMm ?? 0)
  })

  it('a trap’s mouths lie on one upright and one level, and it holds two to four inches of seal as it is drawn', () => {
    for (const part of CATALOG.filter(({ family }) => family === 'tubular-trap')) {
      const [arm, inlet] = part.ports
      expect([arm?.pose.axis, inlet?.pose.axis]).toEqual([
        [-1, 0, 0],
        [0, 1, 0],
      ])
      expect([arm?.pose.origin[1], inlet?.pose.origin[0]]).toEqual([0, 0])
      // IPC 1002.4, UPC 1005.0: a seal of 2 to 4 in, from the weir down to the dip of the bend, inside the tube
      const [upper, lower] = partShapes('trap', part).filter(
        ({ role, closed }) => role === 'detail' && !closed,
      )
      const weir = lower?.points[0]?.[1] ?? 0
      const dip = Math.min(...(upper?.points ?? []).map(([, y]) => y))
      expect((weir - dip) / 25.4).toBeGreaterThanOrEqual(2)
      expect((weir - dip) / 25.4).toBeLessThanOrEqual(4)
    }
  })
})

describe('the plan of a drain', () => {
  const option = ask(usual).options[0]
  const plan = (lines: readonly ('water' | 'waste')[]) =>
    sequence({
      houseRules: WELL_EQUIPPED.houseRules,
      lines: lines.map((kind) => {
        const request = kind === 'waste' ? usual : line('copper.l.1/2')
        const chosen = kind === 'waste' ? option : ask(request).options[0]
        if (!chosen) throw new Error('no way')
        return { lineId: kind, conditions: request.conditions, option: chosen }
      }),
    })
  const keys = (steps: ReturnType<typeof plan>['steps']) => steps.map(({ id }) => id)

  it('shuts no water, plugs the open pipe, and lets a full bowl go when all is cemented and cured', () => {
    const { steps, waterOff } = plan(['waste'])
    const at = (id: string) => keys(steps).indexOf(id)
    expect(waterOff.seconds).toBe(0)
    for (const id of ['general/shut', 'general/restore', 'waste/line/dry-inlet', 'general/bond'])
      expect(at(id)).toBe(-1)
    const order = [
      'general/parts',
      'general/no-use',
      'waste/line/plug',
      'waste/line/unplug',
      'waste/0/close',
      'waste/line/fill',
    ]
    expect(order.map(at)).toEqual([...order.map(at)].sort((a, b) => a - b))
    expect(order.map(at)).not.toContain(-1)
    const cure = steps.find(({ id }) => id === 'waste/0/cure')
    const fill = steps.find(({ id }) => id === 'waste/line/fill')
    expect(fill?.startSeconds ?? 0).toBeGreaterThanOrEqual(cure?.endSeconds ?? Number.POSITIVE_INFINITY)
    expect(fill?.phase).toBe('after')
  })

  it('beside a line of water keeps the water off no longer, and fills the bowl when it is back', () => {
    const [together, alone] = [plan(['water', 'waste']), plan(['water'])]
    expect(together.waterOff.seconds).toBe(alone.waterOff.seconds)
    const ids = keys(together.steps)
    expect(ids.indexOf('waste/line/fill')).toBeGreaterThan(ids.indexOf('general/restore'))
    expect(ids).toContain('water/line/dry-inlet')
  })
})

describe('a trap that can be opened', () => {
  const van = (...ids: string[]): MateSettings => ({
    ...WELL_EQUIPPED,
    partsAboard: Object.fromEntries([...ids, 'tube.pvc-drain.2'].map((id) => [id, 4])),
  })
  const trapOf = (settings: MateSettings, patch: Partial<Conditions> = {}) =>
    ask(waste('pvc-dwv.40.2', 'waste.box.2', patch), settings).options[0]?.parts.find(
      ({ family }) => family === 'p-trap',
    )?.fittingId

  it('costs more, and goes in where it spares the trip', () => {
    expect(trapOf(van('p-trap.pvc.2', 'p-trap.pvc.union.2'))).toBe('p-trap.pvc.2')
    expect(trapOf(van('p-trap.pvc.union.2'))).toBe('p-trap.pvc.union.2')
    expect(trapOf(van('p-trap.pvc.cleanout.2'))).toBe('p-trap.pvc.cleanout.2')
  })

  it('is shut in nowhere: nobody would reach its nut or its plug', () => {
    for (const opens of ['union', 'cleanout'])
      expect([opens, trapOf(van(`p-trap.pvc.${opens}.2`), { access: 'closed-wall' })]).toEqual([
        opens,
        'p-trap.pvc.2',
      ])
  })

  it('of two halves is turned on itself dry, and its nut is drawn by hand', () => {
    const request = waste('pvc-dwv.40.2', 'waste.box.2')
    for (const [id, words] of [
      ['p-trap.pvc.union.2', 'bend.aim-union'],
      ['p-trap.pvc.cleanout.2', 'bend.aim'],
    ] as const) {
      const [option] = ask(request, van(id)).options
      if (!option) throw new Error('no way')
      const { steps } = sequence({
        lines: [{ lineId: 'a', option, conditions: request.conditions }],
        houseRules: WELL_EQUIPPED.houseRules,
      })
      expect(steps.filter((step) => step.words.startsWith('bend.aim')).map((step) => step.words)).toEqual([
        words,
      ])
    }
  })
})
