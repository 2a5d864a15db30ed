import { bodiesOf, lineEnds, mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { layOut } from '../fitup/layout'
import { sequence } from '../sequence'
import { mate } from './index'
import { PLAIN, WELL_EQUIPPED } from './test/problems'
import type { LineRequest, MateOption, MateSettings } from './types'

const IN = 25.4
const line = (pipeId: string, kind: string, patch: Partial<Conditions> = {}): LineRequest => ({
  lineId: 'waste',
  pipeId,
  to: mouthOf(kind),
  conditions: { ...PLAIN, service: 'waste', oldJoint: 'flange', stubMm: null, ...patch },
})
const ask = (request: LineRequest, settings: MateSettings = WELL_EQUIPPED) => {
  const [answer] = mate({ lines: [request], settings, k: 12 }).lines
  if (!answer) throw new Error('no line')
  return answer
}
const said = ({ removalId, parts, methods }: MateOption) =>
  [removalId, ...parts.map(({ fittingId }) => fittingId), methods.at(-1)].join(' ')
const bowl = (patch: Partial<Conditions>, pipe = 'pvc-dwv.40.3') => ask(line(pipe, 'waste.bowl', patch))

describe('a bowl on its flange', () => {
  it.each([
    // what one seal makes up for, typical of their sheets: a quarter inch under the floor for wax, a half for rubber
    [0, 'keep-flange wax-seal'],
    [-6, 'keep-flange wax-seal'],
    [-12, 'keep-flange rubber-seal'],
    // three quarters under it: a ring that brings it within reach of one seal, and no second wax
    [-19, 'keep-flange flange.riser.1/2 wax-seal'],
    [-38, 'keep-flange flange.riser.1 rubber-seal'],
  ])('whole, %s mm over the floor: %s', (flangeMm, first) => {
    const [best] = bowl({ flangeMm }).options
    expect(best && said(best)).toBe(first)
    expect(best?.waterOffSeconds).toBe(0)
  })

  it('is brought up by a ring where it lies deeper than a thick wax makes up, and nowhere else', () => {
    const raised = (flangeMm: number) =>
      bowl({ flangeMm }).options.some(({ parts }) => parts.some(({ family }) => family === 'flange-riser'))
    expect([0, -6, -7, -9].map(raised)).toEqual([false, false, true, true])
  })

  it('broken gets a ring over it, or goes; whole it gets none', () => {
    const broken = bowl({ flangeMm: 0, faults: ['ring-broken'] }).options
    expect(broken[0] && said(broken[0])).toBe('keep-broken-flange flange.repair-ring wax-seal')
    expect(broken.map(({ removalId }) => removalId)).toContain('flange-cut-inside')
    for (const { parts } of bowl({ flangeMm: 0 }).options)
      expect(parts.map(({ family }) => family)).not.toContain('flange-repair-ring')
  })

  it('on lead stays as it is: a wiped joint is made anew by who is licensed for it, and nothing else is offered', () => {
    const { options } = bowl({ flangeMm: 2 }, 'lead-waste.light.4')
    for (const { removalId } of options) expect(removalId).toBe('keep-flange')
    // nobody is left with "not made": the bend goes back to the iron
    for (const pipe of ['lead-waste.light.3', 'lead-waste.light.4'])
      for (const oldJoint of ['wiped', 'none'] as const) {
        const bend = bowl({ flangeMm: 2, oldJoint, stubMm: 150 }, pipe)
        expect(bend.options).toEqual([])
        const why = bend.refusals.filter(({ reason }) => reason.ruleId === 'lead.back-to-iron')
        expect(why.map(({ method }) => method)).toContain('shielded-coupling')
      }
    const small = ask(line('lead-waste.light.2', 'waste.shower.2', { oldJoint: 'wiped', stubMm: 150 }))
    expect(small.options.length).toBeGreaterThan(0)
    expect(small.refusals.map(({ reason }) => reason.ruleId)).not.toContain('lead.back-to-iron')
  })

  // trade: by real diameters, a shielded coupling marked for the pair; a soldered flange is cut off with its pipe
  it('soldered onto copper is cut off below its hub where new pipe comes up, and stays where it is whole', () => {
    const { options } = bowl({ flangeMm: 0, stubMm: 100, faults: ['ring-broken'] }, 'copper.dwv.3')
    const cut = options.filter(({ removalId }) => removalId === 'flange-off-copper')
    expect(cut[0]?.parts.map(({ fittingId }) => fittingId)[0]).toBe('coupling.shielded.copperxplastic.3')
    expect(cut[0]?.parts.at(-1)?.family).toBe('closet-flange')
    expect(cut[0]?.leavesStubMm ?? 98).toBeLessThanOrEqual(98)
    const shallow = bowl({ flangeMm: 0, stubMm: 20, faults: ['ring-broken'] }, 'copper.dwv.3')
    expect(shallow.options.map(({ removalId }) => removalId)).not.toContain('flange-off-copper')
    const plastic = bowl({ flangeMm: 0, stubMm: 100, faults: ['ring-broken'] }).options
    expect(plastic.map(({ removalId }) => removalId)).not.toContain('flange-off-copper')
  })

  it('in a slab that is closed all round, what goes into the pipe alone', () => {
    const closed = { oldJoint: 'none' as const, roomMm: 0 }
    const families = (pipe: string) => bowl(closed, pipe).options.map(({ parts }) => parts[0]?.fittingId)
    expect(new Set(families('pvc-dwv.40.4'))).toEqual(new Set(['flange.pvc.inside.4']))
    // nothing narrows three inches
    expect(families('pvc-dwv.40.3')).toEqual([])
  })

  it('says that its height was not measured, and that twisted flanges are refused where the shop has it so', () => {
    expect(bowl({}).options[0]?.warnings.map(({ ruleId }) => ruleId)).toContain('flange.not-measured')
    expect(bowl({ flangeMm: 0 }).options[0]?.warnings.map(({ ruleId }) => ruleId)).not.toContain(
      'flange.not-measured',
    )
    const houseRules = { ...WELL_EQUIPPED.houseRules, twistIn: 'accept' as const }
    const twisted = ({ methods }: MateOption) => methods.includes('twist-in')
    const bare = line('pvc-dwv.40.4', 'waste.bowl', { oldJoint: 'none' })
    expect(ask(bare).options.some(twisted)).toBe(false)
    expect(ask(bare, { ...WELL_EQUIPPED, houseRules }).options.some(twisted)).toBe(true)
  })

  // by hand: the rim of the fitting below lies eight inches under the floor; the flange lies on the floor, its hub and
  // the sockets hold the pipe an inch and a half (ASTM D2665, 3 in), a coupling’s stop keeps 3/16 in apart (ASTM D3311)
  it.each([
    ['bore-hub', 0, 8 + 1.5],
    // four inches of bare pipe, of which the cut takes 3 mm
    ['flange-cut-inside', 4 - 3 / IN, 8 - (4 - 3 / IN) - 3 / 16],
  ])('%s: the riser comes out as a plumber reckons it', (removalId, stubIn, riserIn) => {
    const { options } = bowl({ flangeMm: -60, stubMm: 4 * IN, spanMm: 8 * IN, faults: ['ring-broken'] })
    const way = options.find(
      ({ removalId: id, parts }) =>
        id === removalId && !parts.some(({ family }) => family === 'shielded-coupling'),
    )
    if (!way) throw new Error(`no way by ${removalId}`)
    expect(way.leavesStubMm).toBeCloseTo(stubIn * IN, 6)
    const { pieces } = layOut({
      chain: way,
      stubMm: way.leavesStubMm,
      dimensions: [{ id: 'floor', from: 'wall', to: 'tail', mm: 8 * IN }],
    })
    expect(pieces.map(({ cutMm }) => (cutMm ?? 0) / IN)).toEqual([expect.closeTo(riserIn, 6)])
  })
})

describe('a bowl and its wall', () => {
  const inch = (rough: number, made: number) => ({ roughMm: rough * IN, bowlMm: made * IN })
  const near = (rough: number, made: number, patch: Partial<Conditions> = {}) =>
    bowl({ flangeMm: 0, ...inch(rough, made), ...patch })
  const isOffset = ({ parts }: MateOption) => parts.some(({ fittingId }) => fittingId.includes('offset'))

  // bowls are made for 10, 12 and 14 in (ASME A112.19.2); an offset flange moves the middle about an inch and a half
  it.each([
    [12, 12, 'stays'],
    [11.8, 12, 'stays'],
    [11.7, 12, 'offset'],
    [10.5, 12, 'offset'],
    [10.4, 12, 'none'],
    [10.4, 10, 'stays'],
    [14, 12, 'stays'],
  ])('%s in to the wall, a bowl made for %s: %s', (rough, made, what) => {
    const { options, refusals, remedies } = near(rough, made)
    if (what === 'stays') {
      expect(options[0] && said(options[0])).toBe('keep-flange wax-seal')
      expect(options.some(isOffset)).toBe(false)
      return
    }
    expect(options.every(isOffset)).toBe(true)
    expect(options.length > 0).toBe(what === 'offset')
    const why = refusals.find(({ method }) => method === 'wax-seal')?.reason
    expect(why).toMatchObject(
      what === 'offset'
        ? { ruleId: 'flange.kept-near', parameters: { shortMm: expect.closeTo((made - rough) * IN, 6) } }
        : {
            ruleId: 'toilet.too-near',
            parameters: { shortMm: expect.closeTo((made - rough - 1.5) * IN, 6) },
          },
    )
    if (what === 'offset') return
    expect(remedies.map(({ changes }) => changes)).toContainEqual(['bowl'])
    // no offset flange is promised that would not do, and nothing is said to lead nowhere
    const broken = near(rough, made, { faults: ['ring-broken'] })
    const reasons = [...refusals, ...broken.refusals].map(({ reason: { ruleId } }) => ruleId)
    for (const other of ['flange.kept-near', 'method.no-chain']) expect(reasons).not.toContain(other)
  })

  it('is as it was where one of the two was not measured', () => {
    for (const patch of [
      inch(10, 12),
      { roughMm: 10 * IN, bowlMm: null },
      { roughMm: null, bowlMm: 12 * IN },
    ])
      expect(
        bowl({ flangeMm: 0, ...patch }).options.some(({ removalId }) => removalId === 'keep-flange'),
      ).toBe(patch.roughMm === null || patch.bowlMm === null)
  })

  it('says how far a tank will stand from its wall, where that is more than anybody would overlook', () => {
    const noted = (rough: number) =>
      near(rough, 12).options[0]?.warnings.find(({ ruleId }) => ruleId === 'flange.gap')?.parameters
    expect(noted(13)).toBeUndefined()
    expect(noted(14)).toEqual({ gapMm: expect.closeTo(2 * IN, 6) })
    const moved = near(11, 12).options[0]?.warnings.find(({ ruleId }) => ruleId === 'flange.offset')
    expect(moved?.parameters).toEqual({ shortMm: expect.closeTo(IN, 6), asideMm: 1.5 * IN })
  })

  it('its riser ends where the throat begins, and its throat is turned before it is cemented', () => {
    const conditions = { ...inch(11, 12), flangeMm: -60, spanMm: 8 * IN, stubMm: 4 * IN }
    const request = line('pvc-dwv.40.3', 'waste.bowl', { ...conditions, faults: ['ring-broken'] })
    const way = ask(request).options.find(({ removalId }) => removalId === 'bore-hub')
    if (!way) throw new Error('no way by the hub below')
    const dimensions = [{ id: 'floor', from: 'wall', to: 'tail', mm: 8 * IN } as const]
    const { pieces } = layOut({ chain: way, stubMm: way.leavesStubMm, dimensions })
    // by hand: eight inches and a half-inch-and-one socket (ASTM D2665), less the two inches of throat of which the
    // flange’s own quarter lies over the floor
    expect((pieces[0]?.cutMm ?? 0) / IN).toBeCloseTo(8 + 1.5 - (2 - 0.25), 6)
    const { steps } = sequence({
      houseRules: WELL_EQUIPPED.houseRules,
      lines: [{ lineId: 'waste', conditions: request.conditions, option: way }],
    })
    const at = (words: string) => steps.findIndex((step) => step.words === words)
    const seam = way.joints.findIndex(({ to }) => way.parts[to]?.fittingId.includes('offset'))
    expect(at('flange.aside')).toBeGreaterThanOrEqual(0)
    expect(at('flange.aside')).toBeLessThan(steps.findIndex(({ id }) => id === `waste/${seam}/close`))
    expect(steps[at('flange.aside')]?.parameters).toMatchObject({ shiftMm: 1.5 * IN })
  })
})

describe('a flange that was caulked onto iron', () => {
  const iron = (flangeMm: number, patch: Partial<Conditions> = {}) =>
    ask(
      line('cast-iron.service.4', 'waste.bowl', {
        oldJoint: 'flange',
        faults: ['ring-broken'],
        flangeMm,
        stubMm: null,
        ...patch,
      }),
    ).options.filter(({ removalId }) => removalId !== 'keep-broken-flange')
  const ways = (flangeMm: number) =>
    new Set(iron(flangeMm).map(({ removalId, methods }) => `${removalId} ${methods[0]}`))

  // its lead is picked and its pipe stays as it was: what is tightened inside that stands on the floor, no more
  it.each([
    [
      0,
      ['flange-off-iron bore-gasket', 'flange-cut-iron cement-drain-pvc', 'flange-cut-iron cement-drain-abs'],
    ],
    [
      6,
      ['flange-off-iron bore-gasket', 'flange-cut-iron cement-drain-pvc', 'flange-cut-iron cement-drain-abs'],
    ],
    [-12, ['flange-cut-iron cement-drain-pvc', 'flange-cut-iron cement-drain-abs']],
  ])('%d mm over the floor', (flangeMm, expected) => {
    expect(ways(flangeMm)).toEqual(new Set(expected))
  })

  it('bares the pipe that its collar was round: two inches more than what showed beneath it', () => {
    const bore = (patch: Partial<Conditions>) =>
      iron(0, patch).some(({ methods }) => methods.includes('bore-gasket'))
    // what is tightened inside wants nearly two inches of straight bore, and a bare end of 16 mm has none
    expect([bore({ stubMm: 0 }), bore({ stubMm: 16, oldJoint: 'none' })]).toEqual([true, false])
  })

  it('is lifted off without a cut, and where new pipe comes up, the iron is held before it is parted', () => {
    const steps = (id: string) => {
      const way = iron(0).find(({ removalId }) => removalId === id)
      if (!way) throw new Error(`no way by ${id}`)
      const { steps: all } = sequence({
        houseRules: WELL_EQUIPPED.houseRules,
        lines: [{ lineId: 'a', conditions: { ...PLAIN, service: 'waste' }, option: way }],
      })
      return all.map(({ words }) => words).filter((words) => words.startsWith('remove.'))
    }
    expect(steps('flange-off-iron')).toEqual(['remove.pull-bowl', 'remove.scrape-wax', 'remove.flange-lead'])
    expect(steps('flange-cut-iron')).toEqual([
      'remove.pull-bowl',
      'remove.scrape-wax',
      'remove.hold-iron',
      'remove.chain-cut',
    ])
  })
})

describe('pipe that lies under the floor', () => {
  const lying = (pipeId: string, patch: Partial<Conditions> = {}) =>
    ask(line(pipeId, 'waste.bowl', { oldJoint: 'none', stubMm: 150, turn: 90, ...patch })).options
  const chain = (way?: MateOption) => way?.parts.map(({ fittingId }) => fittingId).join(' > ')

  it('is widened by a closet bend, which nothing but a bowl stands over', () => {
    const widened = (kind: string, pipeId: string, patch: Partial<Conditions> = {}) =>
      ask(line(pipeId, kind, { oldJoint: 'none', stubMm: 150, turn: 90, ...patch }), {
        ...WELL_EQUIPPED,
        priceCents: { 'bend.closet.pvc.4x3': 1, 'bend.sweep.pvc.3': 90_000, 'bend.sweep.pvc.4': 90_000 },
      }).options.map(chain)
    expect(widened('waste.bowl', 'pvc-dwv.40.3')[0]).toMatch(
      /^bend\.closet\.pvc\.4x3 > tube\.pvc-drain\.4 > flange\.\S+\.4$/,
    )
    // the other way round a bowl's drain would get smaller on its way up
    for (const [kind, pipeId] of [
      ['waste.bowl', 'pvc-dwv.40.4'],
      ['waste.shower.2', 'pvc-dwv.40.3'],
      ['waste.standpipe', 'pvc-dwv.40.3'],
    ] as const) {
      const ways = widened(kind, pipeId)
      expect(ways.length).toBeGreaterThan(0)
      expect(ways.join()).not.toMatch(/closet\.pvc/)
    }
  })

  it.each([
    // on plastic a long sweep, a riser and a flange over it; out of a hub, a piece before the bend
    ['pvc-dwv.40.3', {}, 'bend.sweep.pvc.3 > tube.pvc-drain.3 > flange.pvc.over.3'],
    ['abs-dwv.40.4', {}, 'bend.sweep.abs.4 > tube.abs-drain.4 > flange.abs.over.4'],
    [
      'cast-iron.service.4',
      { oldJoint: 'hub-lead' },
      'coupling.shielded.servicexplastic.4 > tube.abs-drain.4 > bend.sweep.abs.4 > tube.abs-drain.4 > flange.abs.over.4',
    ],
  ] as const)('%s turns up to its bowl', (pipeId, patch, expected) => {
    const ways = lying(pipeId, patch)
    expect(chain(ways[0])).toBe(expected)
    // a short bend lies in none of them: one long sweep, or two eighths
    for (const way of ways) {
      const bends = way.parts
        .flatMap(({ fittingId }) => (fittingId.startsWith('bend.') ? [fittingId.split('.')[1]] : []))
        .join()
      expect(['sweep', 'closet', 'eighth,eighth']).toContain(bends)
    }
  })

  it('is measured up from the middle of its bend, and the riser cut to that: by hand', () => {
    const way = lying('pvc-dwv.40.3')[0] as MateOption
    const dimensions = [{ id: 'up', from: 'part:0:centre', to: 'tail', mm: 12 * IN } as const]
    const { pieces } = layOut({ chain: way, stubMm: way.leavesStubMm, dimensions })
    // D3311’s long sweep of 3 in: its pipe ends 4-1/16 in from its middle; the riser comes up to the floor
    expect((pieces[0]?.cutMm ?? 0) / IN).toBeCloseTo(12 - 4.0625, 6)
  })

  it('under an old flange nothing turns: it stands upright already', () => {
    const flange = (turn: 0 | 90) =>
      ask(line('pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -60, turn })).options.map(chain)
    expect(flange(90)).toEqual(flange(0))
    expect(flange(90).join()).not.toContain('bend.')
  })
})

describe('the plan of a toilet', () => {
  const bodies = bodiesOf(['toilet.fill.7/8', 'waste.bowl'])
  const water: Conditions = { ...PLAIN, oldJoint: 'compression' }
  const waste = line('pvc-dwv.40.3', 'waste.bowl', {
    flangeMm: -60,
    stubMm: 4 * IN,
    spanMm: 7 * IN,
    faults: ['ring-broken'],
  })
  const supply = lineEnds(bodies, 'cold', true)
  const cold = supply && {
    lineId: 'cold',
    pipeId: 'copper.l.1/2',
    to: supply.to,
    conditions: water,
  }
  const plan = sequence({
    houseRules: WELL_EQUIPPED.houseRules,
    bodies,
    lines: [cold as LineRequest, waste].map((request) => ({
      lineId: request.lineId,
      conditions: request.conditions,
      option: ask(request).options[0] as MateOption,
      meets: { to: request.lineId === 'cold' ? 'main' : 'waste' },
    })),
  })
  const at = (id: string) => plan.steps.findIndex((step) => step.id === id)
  const inOrder = (...ids: string[]) => {
    expect(ids.filter((id) => at(id) < 0)).toEqual([])
    expect(ids.map(at)).toEqual([...ids.map(at)].sort((a, b) => a - b))
  }

  it('lifts the old bowl off before the water is shut, and sets the new one before its supply is joined', () => {
    inOrder('waste/remove/remove.pull-bowl', 'general/shut', 'cold/remove/remove.cut')
    inOrder('waste/2/close', 'waste/2/shim', 'cold/2/close', 'general/fill-main', 'waste/line/fill')
    expect(plan.steps[at('waste/line/fill')]?.words).toBe('prove.flush')
  })

  it('joins flange and riser while they can be turned, screws the flange down, and puts no weight on soft cement', () => {
    inOrder('waste/1/close', 'waste/0/close', 'waste/1/screw', 'waste/2/bolts', 'waste/2/close')
    const ends = ['waste/0/cure', 'waste/1/cure'].map((id) => plan.steps[at(id)]?.endSeconds ?? Number.NaN)
    expect(plan.steps[at('waste/2/close')]?.startSeconds).toBeGreaterThanOrEqual(Math.max(...ends))
  })
})

describe('wastes in floors and walls', () => {
  const of = (pipe: string, kind: string, patch: Partial<Conditions> = {}) =>
    ask(line(pipe, kind, { oldJoint: 'none', ...patch }))
  const refused = ({ refusals }: ReturnType<typeof ask>) => refusals.map(({ reason }) => reason.ruleId)

  it('a shower: two inches of trap and arm, none besides one that stays, and nothing on an inch and a half', () => {
    const [best] = of('pvc-dwv.40.2', 'waste.shower.2').options
    expect(best?.parts.map(({ fittingId }) => fittingId)).toEqual(['p-trap.pvc.2', 'tube.pvc-drain.2'])
    const kept = of('pvc-dwv.40.2', 'waste.shower.2', { trapped: true }).options
    for (const { parts } of kept) expect(parts.map(({ family }) => family)).not.toContain('p-trap')
    expect(kept.length).toBeGreaterThan(0)
    expect(of('pvc-dwv.40.1-1/2', 'waste.shower.2').options).toEqual([])
  })

  it('a tub: a slip nut where it can be reached, cement where it is closed in', () => {
    expect(of('abs-dwv.40.1-1/2', 'waste.tub.1-1/2').options[0]?.methods).toContain('slip-joint')
    expect(of('abs-dwv.40.1-1/2', 'waste.tub.1-1/2', { access: 'closed-wall' }).options).toEqual([])
    expect(
      of('abs-dwv.40.1-1/2', 'waste.tub.glued.1-1/2', { access: 'closed-wall' }).options[0]?.methods,
    ).toEqual(['cement-drain-abs'])
  })

  it('says why nothing leads on: by size, by reach, by the height of a flange', () => {
    const why = (answer: ReturnType<typeof ask>, method: string) =>
      answer.refusals.find((refusal) => refusal.method === method)?.reason
    // riser, trap and arm of a shower are of two inches (trade; model codes)
    expect(why(of('pvc-dwv.40.1-1/2', 'waste.shower.2'), 'cement-drain-pvc')).toMatchObject({
      ruleId: 'drain.smaller-downstream',
      parameters: { has: '1-1/2', wants: '2' },
    })
    const shut = of('abs-dwv.40.1-1/2', 'waste.tub.1-1/2', { access: 'closed-wall' })
    expect(why(shut, 'cement-drain-abs')?.ruleId).toBe('drain.slip-shut-in')
    expect(shut.remedies.map(({ changes }) => changes)).toContainEqual(['access'])
    // a glued waste has nothing to reach: where it is wet it is the cement, not the wall
    expect(
      why(
        of('abs-dwv.40.1-1/2', 'waste.tub.glued.1-1/2', { access: 'closed-wall', line: 'trickle' }),
        'cement-drain-abs',
      )?.ruleId,
    ).toBe('cement.not-dry')
    const seal = (flangeMm: number) => why(bowl({ flangeMm }, 'lead-waste.light.4'), 'wax-seal')?.ruleId
    expect([seal(20), seal(-90), seal(0)]).toEqual(['flange.too-high', 'flange.too-low', undefined])
    // and nothing of flanges is said where there is none
    expect(of('pvc-dwv.40.2', 'waste.shower.2').refusals.map(({ method }) => method)).not.toContain(
      'wax-seal',
    )
  })

  it('a machine: its own trap and standpipe; none on a waste that is slow or small', () => {
    const good = of('abs-dwv.40.2', 'waste.standpipe')
    expect(good.options[0]?.parts.map(({ family }) => family)).toEqual(['p-trap', 'standpipe'])
    expect(good.options[0]?.warnings.map(({ ruleId }) => ruleId)).not.toContain('drain.standpipe-2')
    expect(
      of('abs-dwv.40.1-1/2', 'waste.standpipe').options[0]?.warnings.map(({ ruleId }) => ruleId),
    ).toContain('drain.standpipe-2')
    const slow = of('abs-dwv.40.2', 'waste.standpipe', { slow: true })
    expect([slow.options.length, refused(slow).includes('drain.slow-machine')]).toEqual([0, true])
    const small = of('copper.dwv.1-1/4', 'waste.standpipe')
    expect([small.options.length, refused(small).includes('drain.small-machine')]).toEqual([0, true])
    // elsewhere a slow drain is told, not refused
    const told = of('abs-dwv.40.2', 'waste.shower.2', { slow: true }).options[0]
    expect(told?.warnings.map(({ ruleId }) => ruleId)).toContain('drain.slow')
  })

  it('old iron: parted by a chain and banded, or its hub picked out for a gasket; not out of a hub that is split', () => {
    const hub = of('cast-iron.service.2', 'waste.shower.2', { oldJoint: 'hub-lead' })
    const ways = new Set(hub.options.map(({ removalId }) => removalId))
    expect(ways).toEqual(new Set(['chain-cut', 'pick-hub']))
    const split = of('cast-iron.service.2', 'waste.shower.2', { oldJoint: 'hub-lead', faults: ['hub-split'] })
    expect(new Set(split.options.map(({ removalId }) => removalId))).toEqual(new Set(['chain-cut']))
    // ASTM A74: service and extra heavy of one name are of two diameters, and so are what goes on them
    expect(of('cast-iron.heavy.4', 'waste.bowl').options[0]?.parts[0]?.fittingId).toContain('heavy')
    // lead is banded with care, and only so
    const lead = of('lead-waste.light.1-1/2', 'waste.tail.1-1/2', { oldJoint: 'wiped' }).options[0]
    expect(lead?.warnings.map(({ ruleId }) => ruleId)).toContain('drain.lead')
  })
})

describe('a shower on an old drain of 1-1/2 in', () => {
  const shower = (codeProfile: 'IPC' | 'UPC', kind: string) =>
    ask(line('pvc-dwv.40.1-1/2', kind, { oldJoint: 'none' }), { ...WELL_EQUIPPED, codeProfile })

  it('of two inches has no way: nothing is smaller downstream', () =>
    expect(shower('IPC', 'waste.shower.2').options).toEqual([]))

  it('of 1-1/2 in is offered with a warning where the code takes it, and refused by that where it does not', () => {
    const [first] = shower('IPC', 'waste.shower.1-1/2').options
    expect(first?.warnings.map(({ ruleId }) => ruleId)).toContain('drain.shower-2')
    expect(first?.parts.filter(({ family }) => family === 'p-trap')).toHaveLength(1)
    const refused = shower('UPC', 'waste.shower.1-1/2')
    expect(refused.options).toEqual([])
    expect(refused.refusals.map(({ reason }) => reason.ruleId)).toContain('drain.shower-2')
    expect(shower('UPC', 'waste.shower.2').refusals.map(({ reason }) => reason.ruleId)).not.toContain(
      'drain.shower-2',
    )
  })
})
