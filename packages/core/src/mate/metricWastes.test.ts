import { mouthOf } from '../assembly/bodies'
import type { Conditions } from '../assembly/conditions'
import { oldJointsOn } from '../assembly/oldJoints/table'
import { fittingById } from '../catalog'
import { layOut } from '../fitup/layout'
import { goesInside, panTailMm, trapAsk, trapIn } from '../record'
import { pipeById } from '../reference'
import { sequence } from '../sequence'
import { mate } from './index'
import { cutInOf, drainOf } from './test/drains'
import { PLAIN, WELL_EQUIPPED } from './test/problems'
import type { MateOption } from './types'

const chains = (...asked: Parameters<typeof drainOf>) =>
  drainOf(...asked).options.map(({ parts }) => parts.map(({ fittingId }) => fittingId).join(' > '))

describe('metric waste', () => {
  it.each(['waste.solvent.32mm', 'waste.push.32mm', 'waste.pp.32mm'])(
    'a basin on %s: the trap’s own nut grips the pipe, whichever of the three it is',
    (pipeId) => {
      const [best] = drainOf(pipeId, 'waste.tail.g1-1/4').options
      expect(best?.parts.map(({ fittingId }) => fittingId)).toEqual(['trap.waste.32'])
      expect(best?.methods).toEqual(['trap-outlet', 'waste-nut'])
      // it has no tube of its own: where the pipe is too short one piece goes on it, and no second
      const pieces = chains(pipeId, 'waste.tail.g1-1/4').map((way) => way.split('tube.').length - 1)
      expect([...new Set(pieces)].sort()).toEqual([0, 1])
    },
  )

  // EN 274-1: a shower waste has its trap in it; trade: never two on one way, nothing held by a nut shut in
  it('a shower waste brings its own trap: pipe up to its nut, a panel left, and no old trap below', () => {
    for (const pipeId of ['waste.solvent.40mm', 'waste.push.50mm', 'waste.pp.40mm'])
      for (const turn of [0, 90] as const) {
        const { options } = drainOf(pipeId, 'waste.shower.40', { turn })
        expect([pipeId, turn, options.length > 0]).toEqual([pipeId, turn, true])
        for (const { parts, methods } of options) {
          expect(methods).toContain('trap-outlet')
          const families = parts.map(({ family }) => family)
          expect(families.filter((family) => family.includes('trap'))).toEqual([])
          expect(families.some((family) => family.startsWith('elbow'))).toBe(turn > 0)
        }
      }
    // from its own pipe nothing stands between
    expect(drainOf('waste.solvent.40mm', 'waste.shower.40').options[0]?.parts).toEqual([])
    const why = (patch: Partial<Conditions>) =>
      drainOf('waste.solvent.40mm', 'waste.shower.40', patch).refusals.map(({ reason }) => reason.ruleId)
    expect(why({ access: 'closed-wall' })).toContain('drain.tray-shut-in')
    expect(why({ trapped: true })).toContain('drain.own-trap')
    // nothing is smaller downstream
    expect(drainOf('waste.solvent.32mm', 'waste.shower.40').options).toEqual([])
    expect(drainOf('waste.solvent.40mm', 'waste.shower.50').options).toEqual([])
  })

  // makers' sheets, typical: connectors straight, 20 and 40 mm aside; fins give 5 mm; cut ones reach 400 mm
  it.each([
    [{ roughMm: 180, bowlMm: 185, reachMm: 60 }, 'pan.straight.110'],
    [{ roughMm: 180, bowlMm: 186, reachMm: 60 }, 'pan.offset-20.110'],
    [{ roughMm: 205, bowlMm: 180, reachMm: 10 }, 'pan.offset-20.110'],
    [{ roughMm: 206, bowlMm: 180, reachMm: 10 }, 'pan.offset-40.110'],
    [{ roughMm: 225, bowlMm: 180, reachMm: null }, 'pan.offset-40.110'],
    [{ roughMm: 180, bowlMm: 180, reachMm: 61 }, 'pan.long.110'],
    [{ roughMm: 180, bowlMm: 180, reachMm: 400 }, 'pan.long.110'],
    // out of the floor heights say nothing
    [{ roughMm: 300, bowlMm: 180, reachMm: 900, rises: true }, 'pan.bend.110'],
  ] as const)('a bowl with a spigot, %o: %s', (place, first) => {
    const { options } = drainOf('waste.solvent.110mm', 'waste.pan', place)
    expect(options.map(({ parts }) => parts.map(({ fittingId }) => fittingId))).toEqual([[first]])
    expect(options[0]?.methods).toEqual(['pipe-fins', 'pan-fins'])
    expect(options[0]?.warnings.map(({ ruleId }) => ruleId)).not.toContain('pan.not-measured')
  })

  it.each([
    [{ roughMm: 226, bowlMm: 180, reachMm: 10 }, 'pan.aside', 'waste.solvent.110mm'],
    // nothing of 110 mm is led out of iron of four inches
    [{ roughMm: 180, bowlMm: 180, reachMm: 401 }, 'pan.far', 'cast-iron.service.4'],
    [{ roughMm: 200, bowlMm: 180, reachMm: 61 }, 'pan.far', 'cast-iron.service.4'],
    [{ trapped: true }, 'drain.own-trap', 'waste.solvent.110mm'],
  ] as const)('and where none is made for it, %o: %s', (place, rule, pipeId) => {
    const { options, refusals } = drainOf(pipeId, 'waste.pan', { ...place })
    expect(options).toEqual([])
    expect(refusals.map(({ reason }) => reason.ruleId)).toContain(rule)
  })

  it.each([
    [{ roughMm: 180, bowlMm: 180, reachMm: 401 }, 'pan.straight.110'],
    [{ roughMm: 200, bowlMm: 180, reachMm: 61 }, 'pan.offset-20.110'],
  ] as const)('too far off, %o: pipe is led nearer, and then %s', (place, last) => {
    for (const pipeId of ['waste.solvent.110mm', 'waste.pp.110mm'])
      for (const { parts } of drainOf(pipeId, 'waste.pan', { ...place, stubMm: 200 }).options)
        expect(parts.map(({ fittingId, family }) => (family.startsWith('pan') ? fittingId : family))).toEqual(
          [expect.stringMatching(/coupling/), 'tube-piece', last],
        )
  })

  it('pipe that is led nearer is as long as the way between, less what coupling and connector bridge', () => {
    const place = { roughMm: 180, bowlMm: 180, reachMm: 500, stubMm: 200 }
    const [way] = drainOf('waste.solvent.110mm', 'waste.pan', place).options
    if (!way) throw new Error('no way')
    const dimensions = [{ id: 'reach', from: 'stub', to: 'tail', mm: 500 } as const]
    const { pieces } = layOut({ chain: way, stubMm: way.leavesStubMm, dimensions })
    const coupling = fittingById(way.parts[0]?.fittingId ?? '')
    // 15 mm from the pipe's mouth to the spigot's tip, typical of their sheets; fins go inside: nothing is marked there
    expect(pieces[0]?.cutMm).toBeCloseTo(500 - (coupling?.layingMm ?? Number.NaN) - 15, 6)
    expect(pieces[0]?.marksMm).toEqual([way.joints[1]?.maxMm, 0])
  })

  it('one that is cut keeps the way between, and what goes into the pipe', () => {
    const [long] = drainOf('waste.solvent.110mm', 'waste.pan', {
      roughMm: 180,
      bowlMm: 180,
      reachMm: 200,
    }).options
    const [short] = drainOf('waste.solvent.110mm', 'waste.pan').options
    if (!long || !short) throw new Error('no way')
    // fins of 50 mm, typical
    expect([panTailMm(long, 200), panTailMm(long, null), panTailMm(short, 40)]).toEqual([250, null, null])
    expect([
      goesInside(long),
      goesInside(drainOf('waste.solvent.40mm', 'waste.shower.40').options[0] ?? long),
    ]).toEqual([true, false])
    // nothing has to stand out of the wall for it
    expect(drainOf('waste.solvent.110mm', 'waste.pan', { stubMm: 0 }).options).toHaveLength(1)
  })

  it('a bowl with a spigot: its heights are asked for, and the old one is off before its pipe is touched', () => {
    for (const pipeId of ['waste.solvent.110mm', 'waste.pp.110mm', 'cast-iron.service.4']) {
      const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none' }
      const [way] = drainOf(pipeId, 'waste.pan').options
      expect(way?.warnings.map(({ ruleId }) => ruleId)).toContain('pan.not-measured')
      const { steps } = sequence({
        lines: [{ lineId: 'a', conditions, option: way as MateOption }],
        houseRules: WELL_EQUIPPED.houseRules,
      })
      const words = steps.map((step) => step.words)
      const order = [
        'remove.pull-pan',
        'remove.draw-connector',
        'pan.into-pipe',
        'pan.back',
        'pan.screw',
        'prove.flush',
      ]
      expect(words.filter((each) => order.includes(each))).toEqual(order)
    }
    // it stands behind the bowl: no wall is shut over it, and it is not filled ten feet high
    for (const access of ['closed-wall', 'buried'] as const) {
      const [way] = drainOf('waste.solvent.110mm', 'waste.pan', { access }).options
      expect(way?.joints.map(({ beforeStop }) => beforeStop)).toEqual([false, false])
    }
    // no valve goes in with a bowl: without a vent it is told off, and a new one is vented first
    const airs = (unvented: boolean) =>
      drainOf('waste.solvent.110mm', 'waste.pan', { unvented }).options.map(({ warnings }) =>
        warnings.flatMap(({ ruleId }) => (/air-valve|unvented|drain\.vent/.test(ruleId) ? [ruleId] : [])),
      )
    expect([airs(true), airs(false)]).toEqual([[['drain.bowl-unvented']], [['drain.vent']]])
    for (const [kind, size] of [
      ['waste.pan', '110'],
      ['waste.bowl', '3'],
    ]) {
      const anew = (unvented: boolean) => {
        const from = { ends: cutInOf(`waste.run.tee.${size}`).branch ?? [] }
        const line = {
          lineId: 'a',
          from,
          to: mouthOf(kind ?? ''),
          conditions: { ...PLAIN, service: 'waste' as const, unvented },
        }
        return mate({ lines: [line], settings: WELL_EQUIPPED }).lines[0]
      }
      expect([kind, anew(false)?.options.length]).not.toEqual([kind, 0])
      expect([kind, anew(true)?.options]).toEqual([kind, []])
      expect(anew(true)?.refusals.map(({ reason }) => reason.ruleId)).toContain('drain.unvented')
    }
    // inch pipe has no connector of millimetres
    expect(drainOf('pvc-dwv.40.4', 'waste.pan').options).toEqual([])
    expect(chains('waste.solvent.50mm', 'waste.pan')).toEqual([])
  })

  it('pipe goes on in its own make and diameter, polypropylene never by cement', () => {
    for (const [pipeId, own, cement] of [
      ['waste.solvent.40mm', /^(solvent|comp)/, true],
      ['waste.push.40mm', /^(push|comp)/, false],
      ['waste.pp.40mm', /^(pp|comp)/, false],
    ] as const) {
      const { system, material } = pipeById(pipeId) ?? {}
      // closed in: where it cannot be reached nothing is held by a nut
      const shut = drainOf(pipeId, 'waste.tail.g1-1/4', { access: 'closed-wall' }).options
      expect([pipeId, shut.length > 0]).toEqual([pipeId, cement || material === 'waste-push-fit'])
      for (const { parts, methods } of [...shut, ...drainOf(pipeId, 'waste.tail.g1-1/4').options]) {
        if (!cement) expect(methods).not.toContain('cement-waste')
        for (const { fittingId } of parts) {
          const range = /waste\.(?!named)(\w+)/.exec(fittingId)?.[1] ?? ''
          if (/^(coupling|reducer|bend)/.test(fittingId)) expect(range).toMatch(own)
          if (fittingId.startsWith('tube.'))
            expect(fittingId.includes('named')).toBe(system === 'metric-waste')
        }
      }
      for (const { joints } of shut)
        for (const { method, beforeStop, to } of joints)
          if (beforeStop && to === 0) expect(method).not.toBe('waste-compression')
    }
  })

  it('is reduced on the way up and never down, and says so in its own sizes', () => {
    expect(chains('waste.push.50mm', 'waste.tail.g1-1/2')[0]).toMatch(/^reducer\.waste\.\w+\.50x40 > /)
    const none = drainOf('waste.solvent.32mm', 'waste.tail.g1-1/2')
    expect(none.options).toEqual([])
    expect(none.refusals.find(({ method }) => method === 'waste-compression')?.reason).toMatchObject({
      ruleId: 'drain.smaller-downstream',
      parameters: { has: '32', wants: '40', unit: 'mm' },
    })
    // nobody is told of cement for inch pipe there, nor of these on that
    const named = (of: ReturnType<typeof drainOf>) => of.refusals.map(({ method }) => method)
    expect(named(none)).not.toContain('cement-drain-abs')
    expect(named(drainOf('pvc-dwv.40.1-1/4', 'waste.tail.1-1/2'))).not.toContain('ring-seal')
  })

  it('has one trap: none besides one that stays, and air before it where no vent is', () => {
    const first = (...asked: Parameters<typeof drainOf>) => chains(...asked)[0]
    expect(first('waste.solvent.40mm', 'waste.tail.g1-1/2', { trapped: true })).toBe('waste-connector.40')
    expect(first('waste.solvent.40mm', 'waste.tail.g1-1/2', { unvented: true })).toBe(
      'vent-tee.waste.40 > trap.waste.40',
    )
    expect(first('waste.push.40mm', 'waste.tail.g1-1/2', { rises: true })).toBe(
      'vent-riser.waste.40 > trap.waste.40',
    )
    for (const asked of [{ trapped: true }, { unvented: true }, {}])
      for (const { parts } of drainOf('waste.solvent.40mm', 'waste.tail.g1-1/2', asked).options)
        expect(parts.filter(({ family }) => family.endsWith('trap'))).toHaveLength('trapped' in asked ? 0 : 1)
    expect(first('waste.pp.40mm', 'waste.standpipe')).toBe('p-trap.waste.40 > standpipe.waste.pp.40')
  })

  it('comes apart as it was made: a nut with its ring, a pipe out of its ring, cement by the saw alone', () => {
    const removals = (pipeId: string, oldJoint: Conditions['oldJoint']) =>
      [
        ...new Set(
          drainOf(pipeId, 'waste.tail.g1-1/2', { oldJoint }).options.map(({ removalId }) => removalId),
        ),
      ].sort()
    expect(removals('waste.push.40mm', 'hub-rubber')).toEqual(['draw-from-ring', 'saw-behind-ring'])
    expect(removals('waste.solvent.40mm', 'slip')).toEqual(['nut-and-ring-off', 'saw-behind'])
    expect(removals('waste.solvent.40mm', 'cement')).toEqual(['saw-behind'])
    // and never as one of water is, by a collar that is pressed
    for (const pipeId of ['waste.push.40mm', 'waste.pp.50mm']) {
      const pipe = pipeById(pipeId)
      const met = oldJointsOn(pipe?.material, true, pipe)
      expect(met).toEqual(['slip', 'hub-rubber', 'none'])
    }
  })

  it('has its pipe cut for the trap, measured from the wall', () => {
    const measured = { outMm: 250, asideMm: 0, drainMm: 560, stubMm: 500 }
    const way = (pipeId: string, patch: Partial<Conditions> = {}) =>
      drainOf(pipeId, 'waste.tail.g1-1/2', patch).options[0] as MateOption
    // on the stub itself, and on a piece beyond a reducer
    for (const each of [way('waste.solvent.40mm'), way('waste.push.50mm')]) {
      const { stations } = layOut({ chain: each, stubMm: 60, dimensions: [] })
      expect(trapAsk(each, stations, measured)).toMatchObject({ size: '40', outMm: 250, stubOutMm: 0 })
    }
    // at the side of a tee it is held where that stands
    const vented = way('waste.solvent.40mm', { unvented: true })
    expect(trapIn(vented)).toBe(-1)
    expect(trapAsk(vented, [], measured)).toBeNull()
  })
})
