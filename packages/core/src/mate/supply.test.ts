import { anyMouth, METHODS, type Method, type MethodId, methodById, mouthOf } from '../assembly'
import { ROUTE_IDS } from '../assembly/bodies/types'
import type { Conditions } from '../assembly/conditions'
import type { EndRef } from '../assembly/end'
import { actsOf, type JointPlace } from '../assembly/methods/acts'
import { pairs } from '../assembly/methods/pairs'
import { CATALOG, end, type Fitting, fittingById, type PortEnd } from '../catalog'
import { Effort } from '../effort'
import { CoreFault } from '../fault'
import { pipeById } from '../reference'
import { sequence } from '../sequence'
import { stepText } from '../words/steps'
import { cheapestWay, keep, mate, RULES } from './index'
import { endToEndMm } from './model/book'
import { roleOf, routeById } from './model/routes'
import { ruleIn } from './rules/rules'
import { line, PLAIN, WELL_EQUIPPED } from './test/problems'
import type { CutIn, LineRequest, LineResult, MateOption, MateSettings } from './types'

const ask = (request: LineRequest, settings: MateSettings = WELL_EQUIPPED, more = {}): LineResult =>
  mate({ lines: [request], settings, k: 12, ...more }).lines[0] as LineResult
const to = (fixtureId: string, pipeId: string, patch: Partial<Conditions> = {}) =>
  ask(line(pipeId, patch, fixtureId))
const families = (result: LineResult) =>
  result.options.map((option) => option.parts.map((part) => part.family))

describe('fixtures and what stands before them', () => {
  it.each([
    ['toilet.fill.7/8', 'copper.l.1/2', ['angle-stop', 'supply-connector']],
    ['appliance.comp.1/4', 'copper.l.1/2', ['angle-stop', 'supply-connector']],
    ['washer.hose', 'pex-b.sdr9.1/2', ['washing-valve']],
    ['valve.barb.1/2', 'pex-b.sdr9.1/2', []],
    ['valve.compression.15', 'copper.regular.15mm', []],
  ])('%s on %s', (fixtureId, pipeId, expected) => {
    const best = to(fixtureId, pipeId).options[0]
    expect(best?.parts.map((part) => part.family)).toEqual(expected)
  })

  it('a hose bib has a vacuum breaker, built in or screwed on', () => {
    for (const parts of families(to('hose.outlet', 'copper.l.3/4'))) {
      const bib = parts.findIndex((family) => /bib/.test(family))
      expect(bib).toBeGreaterThanOrEqual(0)
      if (parts.at(-1) !== 'vacuum-breaker') expect(parts.at(-1)).toMatch(/bib/)
    }
    for (const { parts } of to('hose.outlet', 'copper.l.3/4').options)
      expect(parts.some((part) => fittingById(part.fittingId)?.protects)).toBe(true)
  })

  it('where it freezes the bib is frost-free and reaches past the wall', () => {
    const { options } = to('hose.outlet', 'copper.l.1/2', { freezing: true, wallMm: 190 })
    expect(options.length).toBeGreaterThan(0)
    for (const { parts } of options) {
      const bib = parts
        .map((part) => fittingById(part.fittingId))
        .find((part) => part?.family === 'frost-free-bib')
      expect(bib?.lengthMm?.max).toBeGreaterThanOrEqual(190)
    }
  })

  it.each([
    // a faucet's, a toilet's, a heater's, an appliance's that is drawn out, and their metric like
    ['faucet.shank.1/2', 'copper.l.1/2', 508],
    ['toilet.fill.7/8', 'copper.l.1/2', 305],
    ['heater.nipple.3/4', 'copper.l.3/4', 457],
    ['appliance.comp.3/8', 'copper.l.1/2', 1524],
    ['appliance.comp.1/4', 'copper.l.1/2', 1524],
    ['tap.tail.1/2', 'copper.regular.15mm', 300],
    ['hose.outlet', 'copper.l.1/2', 203],
  ])('how far %s hangs is not measured: on %s no hose and no stem is under %s mm', (kind, pipeId, mm) => {
    const long = (patch: Partial<Conditions>) =>
      to(kind, pipeId, { freezing: kind === 'hose.outlet', ...patch }).options.flatMap(({ parts }) =>
        parts
          .filter(({ family }) => /^(supply-connector|frost-free-bib)$/.test(family))
          .map(({ fittingId }) => Math.round(fittingById(fittingId)?.lengthMm?.max ?? 0)),
      )
    expect(Math.min(...long({}))).toBe(mm)
    // measured, the shortest that reaches
    if (kind !== 'tap.tail.1/2') expect(Math.min(...long({ reachMm: 190, wallMm: 40 }))).toBeLessThan(mm)
  })

  it('two outlets are asked for, and given', () => {
    const { options } = to('faucet.shank.1/2', 'copper.l.1/2', { outlets: 2 })
    expect(options.length).toBeGreaterThan(0)
    for (const parts of options.map((option) => option.parts.map((part) => part.family)))
      expect(parts).toContain('dual-stop')
  })

  it('a shower arm stands in a drop-ear elbow, a spout on metal', () => {
    const from = (fixtureId: string, end: string) =>
      ask({ lineId: 'a', from: mouthOf(end), to: mouthOf(fixtureId), conditions: PLAIN })
    for (const parts of families(from('arm.1/2', 'valve.barb.1/2'))) expect(parts).toContain('drop-ear-elbow')
    // a spray from the wall is screwed into one as well, in its own thread
    for (const [spray, valve] of [
      ['spray.1/2', 'valve.three.1/2'],
      ['spray.bsp.1/2', 'valve.three.bsp.1/2'],
    ] as const) {
      const sprays = families(from(spray, valve))
      expect(sprays.length).toBeGreaterThan(0)
      for (const parts of sprays) expect(parts).toContain('drop-ear-elbow')
    }
    const spouts = from('spout.slip.1/2', 'valve.combo.1/2').options
    expect(spouts.length).toBeGreaterThan(0)
    for (const option of spouts)
      for (const part of option.parts) expect(part.fittingId).not.toMatch(/^tube\.(pex|cpvc|pvc)/)
  })

  it('closes a line off with a cap or a plug', () => {
    const { options } = to('closed', 'copper.l.1/2')
    expect(options[0]?.parts.at(-1)?.family).toBe('cap')
    expect(options[0]?.joints).toHaveLength(options[0]?.parts.length ?? 0)
  })

  /** What goes into a run that is cut open. */
  const OF_RUNS: ReadonlySet<string> = new Set(['slip', 'union', 'tee', 'cleanout', 'sanitary-tee', 'wye'])

  it('every role of the catalogue has a place in some line', () => {
    const placed = new Set(
      ROUTE_IDS.flatMap((id) =>
        [{}, { unvented: true }].flatMap((conditions) =>
          routeById(id, conditions).stages.flatMap((stage) => Object.keys(stage)),
        ),
      ),
    )
    // a bend that offsets are measured for turns no line
    for (const part of CATALOG)
      if (!OF_RUNS.has(roleOf(part)) && !['dual-stop', 'hose-adapter', 'bend'].includes(roleOf(part)))
        expect(placed).toContain(roleOf(part))
    // what makes a garden hose of a pipe is part of no line
    expect(placed).not.toContain('hose-adapter')
  })
})

describe('what is never done', () => {
  const refused = (request: LineRequest, method: string, settings?: MateSettings) =>
    ask(request, settings).refusals.find((entry) => entry.method === method)?.reason.ruleId
  it.each([
    ['no flare on hard tube', 'copper.l.1/2', {}, 'flare', 'flare.hard-tube'],
    ['no press on a scored end', 'copper.l.1/2', { scored: true }, 'press', 'end.scored'],
    ['no press without room for the jaw', 'copper.l.1/2', { roomMm: 30 }, 'press', 'room.tool'],
    // the jaw wants 75 mm beside the pipe; in the middle of a hole 7 in across it has 81
    ['no press in a small hole', 'copper.l.1/2', { openingMm: 60 }, 'press', 'opening.tool'],
    ['press in a large one', 'copper.l.1/2', { openingMm: 89 }, 'press', undefined],
    [
      'no compression in the ground',
      'copper.l.1/2',
      { access: 'buried' },
      'compression',
      'ground.not-buried',
    ],
    ['no PEX in daylight', 'pex-b.sdr9.1/2', { sunlight: true }, 'crimp', 'sun.plastic'],
    ['no PVC on hot', 'pvc.40.1/2', { service: 'hot' }, 'cement-pvc', 'hot.plastic'],
    [
      'no gasketed coupling in a closed wall',
      'galvanised.40.1/2',
      { oldJoint: 'none', thread: 'none', access: 'closed-wall' },
      'gasket',
      'access.closed-wall',
    ],
  ] as const)('%s', (_name, pipeId, patch, method, ruleId) =>
    expect(refused(line(pipeId, patch), method)).toBe(ruleId),
  )

  it('no press joint where the tool is not aboard, and that is what would help', () => {
    const bare = {
      ...WELL_EQUIPPED,
      toolsAboard: WELL_EQUIPPED.toolsAboard.filter((tool) => tool !== 'press-tool'),
    }
    const request = line('copper.l.1/2', { flame: false, access: 'closed-wall' })
    expect(refused(request, 'press', bare)).toBe('tool.not-fetched')
    expect(ask(request, bare).remedies.map((remedy) => remedy.changes)).toContainEqual(['tool'])
  })

  it('no tape on compression or flare threads: only taper threads take any', () => {
    for (const { id, consumables } of METHODS)
      expect([id, consumables.some((entry) => /tape|paste/.test(entry.id))]).toEqual([
        id,
        id.startsWith('threaded'),
      ])
  })

  it('an insert in soft plastic that a ring would squeeze', () => {
    for (const id of ['compression', 'poly-compression'] as const)
      expect(methodById(id).steps.some((step) => step.words === 'compression.insert')).toBe(true)
  })

  it('hose thread and pipe thread of the same size are never screwed together', () => {
    const npt = end('taper-male', 'NPT', '3/4', 'brass')
    expect(pairs(npt, end('swivel-nut', 'NH', '3/4', 'rubber-seated'))).toEqual([])
    expect(
      pairs(end('parallel-male', 'NH', '3/4', 'brass'), end('taper-female', 'NPT', '3/4', 'brass')),
    ).toEqual([])
  })

  it('no plastic cement on the other plastic', () => {
    const cpvc = { ...end('tube', 'IPS', '1/2', 'pvc'), material: 'cpvc' } as PortEnd
    expect(pairs(cpvc, end('pvc-socket', 'IPS', '1/2', 'pvc')).map((pair) => pair.method.id)).toEqual([])
  })
})

describe('codes and amendments', () => {
  const steelOnCopper = RULES.find((rule) => rule.id === 'metal.steel-on-copper')
  const waterSeen = RULES.find((rule) => rule.id === 'water.not-seen')
  if (!steelOnCopper || !waterSeen) throw new Error('rules')
  it('a rule weighs what the code says, then what the authority says', () => {
    expect(ruleIn(steelOnCopper, WELL_EQUIPPED).severity).toBe('forbid')
    expect(ruleIn(steelOnCopper, { ...WELL_EQUIPPED, codeProfile: 'EN' }).severity).toBe('warn')
    const amended: MateSettings = {
      ...WELL_EQUIPPED,
      codeProfile: 'EN',
      amendments: [{ ruleId: 'metal.steel-on-copper', severity: 'forbid', why: 'hard water here' }],
    }
    expect(ruleIn(steelOnCopper, amended)).toMatchObject({
      severity: 'forbid',
      source: { title: 'Local amendment: hard water here', certainty: 'common practice' },
    })
  })
  it('what guards life is not amended away', () =>
    expect(
      ruleIn(waterSeen, {
        ...WELL_EQUIPPED,
        amendments: [{ ruleId: 'water.not-seen', severity: 'off', why: 'no' }],
      }).severity,
    ).toBe('forbid'))
  it('an amendment changes what is offered, and is quoted', () => {
    const banned: MateSettings = {
      ...WELL_EQUIPPED,
      amendments: [{ ruleId: 'drinking.lead-free', severity: 'forbid', why: 'a test that forbids all' }],
    }
    const { options, refusals } = ask(line('copper.l.1/2'), banned)
    expect(options).toEqual([])
    expect(refusals.some(({ reason }) => reason.source.title.includes('a test that forbids all'))).toBe(true)
  })
})

describe('waits by temperature', () => {
  it('are longer where it is colder, and the water stays off as long', () => {
    const cement = methodById('cement')
    const waits = [null, 21, 10, 0].map((airC) =>
      actsOf(cement, { tubeMaterial: 'cpvc', atStub: true, airC }).filter(({ kind }) => kind === 'wait'),
    )
    expect(waits.flat().map(({ seconds }) => seconds)).toEqual([1800, 1800, 3600, 7200])
    const off = (airC: number) =>
      ask(line('cpvc.sdr11.1/2', { airC })).options.find((option) => option.joints[0]?.method === 'cement')
        ?.waterOffSeconds ?? 0
    expect(off(2) - off(20)).toBe(7200 - 1800)
  })
})

describe('a short stub of PEX', () => {
  // crimp and clamp want their ring back from the end and jaws round it; the expansion ring is flush with the end
  it.each([
    ['pex-a.sdr9.1/2', 20, ['expansion']],
    ['pex-a.sdr9.1/2', 16, []],
    ['pex-b.sdr9.1/2', 20, []],
    ['pex-a.sdr9.1/2', 26, ['compression', 'cinch', 'crimp', 'expansion']],
  ] as const)('%s, %d mm bare: %j', (pipeId, stubMm, methods) => {
    const { options, refusals } = ask(line(pipeId, { stubMm, oldJoint: 'none' }))
    const first = new Set(options.map(({ joints: [joint] }) => joint?.method))
    expect([...first].sort()).toEqual([...methods].sort())
    if (options.length === 0) expect(refusals.map(({ reason }) => reason.ruleId)).toContain('stub.too-short')
  })
})

describe('waits by school', () => {
  const cure = (id: MethodId, place: Pick<JointPlace, 'airC' | 'nominal' | 'cure'>) =>
    actsOf(methodById(id), { tubeMaterial: 'pvc', atStub: true, ...place }).find(({ key }) => key === 'cure')

  // ASTM D2855, joint cure schedules up to 160 psi: minutes by size at 60 F and above, 40 to 60 F, below (recalled)
  it.each([
    ['1', [15, 20, 30]],
    ['2', [30, 45, 60]],
    ['3', [90, 240, 72 * 60]],
  ] as const)(
    '%s in: the shortest is the schedule’s, warm, cool, cold; never more than the longest',
    (nominal, minutes) => {
      for (const id of ['cement', 'cement-pvc'] as const)
        expect(
          [20, 8, 0].map((airC) => (cure(id, { nominal, airC, cure: 'short' })?.seconds ?? 0) / 60),
        ).toEqual(minutes)
      for (const { cures } of METHODS as readonly Method[])
        for (const {
          seconds: [least, most],
        } of cures?.rows ?? [])
          expect(least).toBeLessThanOrEqual(most)
    },
  )

  it('colder or larger is never shorter, on either side of a line', () => {
    for (const id of ['cement', 'cement-pvc', 'cement-drain-pvc', 'cement-drain-abs'] as const)
      for (const school of ['long', 'short'] as const) {
        const grid = [21, 15.6, 15.5, 4.4, 4.3, -5].map((airC) =>
          ['1/2', '1-1/4', '1-1/2', '2', '2-1/2', '4'].map(
            (nominal) => cure(id, { nominal, airC, cure: school })?.seconds ?? 0,
          ),
        )
        for (const [air, row] of grid.entries())
          for (const [size, seconds] of row.entries()) {
            expect(seconds).toBeGreaterThanOrEqual(grid[air - 1]?.[size] ?? 0)
            expect(seconds).toBeGreaterThanOrEqual(row[size - 1] ?? 0)
          }
      }
  })

  it('the range is said with it, in hours where it is long', () => {
    const told = (airC: number) => {
      const act = cure('cement-pvc', { nominal: '1-1/2', airC, cure: 'short' })
      return stepText({ words: act?.words ?? '', parameters: act?.parameters ?? {} } as never, 'in')
    }
    expect(told(20)).toMatch(/for 30 minutes: .* ask for 30 to 120/)
    expect(told(8)).toMatch(/for 45 minutes: .* ask for 45 to 240/)
    const large = cure('cement', { nominal: '3', airC: 8, cure: 'long' })
    expect(
      stepText({ words: large?.words ?? '', parameters: large?.parameters ?? {} } as never, 'in'),
    ).toMatch(/for 8 hours: .* ask for 4 to 8/)
  })

  it('a shop that holds to the shortest has its water back sooner, on the card, in what is kept and in the plan', () => {
    const settings = { ...WELL_EQUIPPED, houseRules: { ...WELL_EQUIPPED.houseRules, cure: 'short' as const } }
    const request = line('cpvc.sdr11.1/2', { airC: 20 })
    const way = (by: MateSettings) =>
      ask(request, by).options.find((option) => option.joints[0]?.method === 'cement') as MateOption
    expect(way(WELL_EQUIPPED).waterOffSeconds - way(settings).waterOffSeconds).toBe(900)
    const plan = (option: MateOption) => {
      const { steps } = sequence({
        lines: [{ lineId: 'a', option, conditions: request.conditions }],
        houseRules: settings.houseRules,
      })
      const step = steps.find(({ words }) => words === 'cement.cure-range')
      return step && step.endSeconds - step.startSeconds
    }
    expect(plan(way(settings))).toBe(900)
    expect(plan(keep(way(settings), { airC: 20, cure: 'short' }))).toBe(900)
    // what was kept under another rule stays as it was
    expect(plan(keep(way(settings), { airC: 20, cure: 'long' }))).toBe(1800)
  })
})

describe('waits by size', () => {
  it.each([
    ['cement', '1-1/4', 1800],
    ['cement', '1-1/2', 3600],
    ['cement', '2', 3600],
    ['cement-pvc', '1', 3600],
    ['cement-pvc', '2', 7200],
    ['cement-pvc', '2-1/2', 10_800],
    ['cement-drain-pvc', '3', 900],
    // nothing cures in them
    ['push-fit', '2', 0],
  ] as const)('%s at %s in: %d s', (id, nominal, seconds) => {
    const acts = actsOf(methodById(id), { tubeMaterial: 'cpvc', atStub: true, nominal })
    const waited = acts.reduce((sum, act) => sum + (act.kind === 'wait' ? act.seconds : 0), 0)
    expect(waited).toBe(seconds)
  })

  it('keep the water off as long: the card, and what is kept of a way', () => {
    const cemented = (size: string) =>
      ask(line(`cpvc.sdr11.${size}`, { airC: 2, oldJoint: 'none' }, 'closed')).options.find(
        (option) => option.joints[0]?.method === 'cement',
      )
    const [small, way] = [cemented('1-1/4'), cemented('1-1/2')]
    expect((way?.waterOffSeconds ?? 0) - (small?.waterOffSeconds ?? 0)).toBe(7200)
    const kept = way && keep(way, { airC: 2 }).joints[0]?.acts?.find(({ kind }) => kind === 'wait')
    expect(kept?.seconds).toBe(14_400)
  })
})

describe('into a run fixed at both ends', () => {
  const tight: CutIn = { insert: 'repair', farMm: 200, freeMm: [300, 300], sidewaysMm: 10 }
  const run = (cutIn: Partial<CutIn>, patch: Partial<Conditions> = {}, more = {}) =>
    ask(
      {
        lineId: 'run',
        pipeId: 'copper.l.1/2',
        cutIn: { ...tight, ...cutIn },
        conditions: { ...PLAIN, stubMm: 200, ...patch },
      },
      WELL_EQUIPPED,
      more,
    )

  it('needs a part that slides where nothing gives', () => {
    const { options } = run({})
    expect(options.length).toBeGreaterThan(0)
    for (const { parts, closes } of options) {
      const sliding = parts.filter((part) => ['slip-coupling', 'repair-coupling'].includes(part.family))
      expect(sliding.length).toBeGreaterThan(0)
      expect(closes?.by).toBe('slide')
      // while it waits, the whole of what slides lies on bare pipe, and a hair besides
      const waits = sliding.map((part) => endToEndMm(fittingById(part.fittingId) as Fitting))
      expect(waits.some((mm) => (closes?.needsMm ?? 0) > mm && (closes?.needsMm ?? 0) < mm + 6)).toBe(true)
    }
  })

  it.each([12, 60, 400])(
    'fills the %p mm of bad pipe that have to come out, and no shorter way is dearer than it was',
    (outMm) => {
      const all = run({}, {}, { k: 20 }).options
      const filled = run({ outMm }, {}, { k: 20 }).options
      expect(filled.length).toBeGreaterThan(0)
      for (const { removeMm } of filled) expect(removeMm?.max ?? 0).toBeGreaterThanOrEqual(outMm - 0.02)
      // a coupling alone bridges no bad pipe; what does was a way before, and costs the same
      expect(all.some(({ removeMm }) => (removeMm?.max ?? 0) < outMm)).toBe(true)
      const before = all
        .filter(({ removeMm }) => (removeMm?.max ?? 0) >= outMm)
        .map(({ costs }) => costs.totalCents)
      expect(filled[0]?.costs.totalCents).toBeLessThanOrEqual(Math.min(...before))
    },
  )

  it('a union will do where the ends give two millimetres', () => {
    const sprung = run({ freeMm: [2000, 2000], sidewaysMm: 60 }).options
    expect(sprung.some(({ parts }) => parts.some((part) => part.family === 'union'))).toBe(true)
  })

  it('what slides needs its whole length of straight pipe to wait on', () => {
    const short = run({ farMm: 26 }, { stubMm: 26 }).options
    for (const { parts } of short)
      if (parts.length === 1) expect(['slip-coupling', 'repair-coupling']).not.toContain(parts[0]?.family)
  })

  it('a tee goes in with something that slides beside it, or slides itself; a valve too', () => {
    for (const insert of ['tee', 'valve'] as const) {
      const { options } = run({ insert })
      expect(options.length).toBeGreaterThan(0)
      for (const { parts } of options) {
        const names = parts.map((part) => part.family)
        expect(names.some((family) => (insert === 'tee' ? /tee$/ : /isolating/).test(family))).toBe(true)
        expect(names.some((family) => /slip|repair|union/.test(family))).toBe(true)
      }
    }
  })

  it('says how much to take out: what goes in, less what goes into it', () => {
    const option = run({}).options.find(({ parts }) => parts.length === 1)
    const part = fittingById(option?.parts[0]?.fittingId ?? '')
    const length = (part?.ports ?? []).reduce((sum, port) => sum + Math.abs(port.pose.origin[0]), 0)
    const into = option?.joints ?? []
    expect(option?.removeMm?.min).toBeCloseTo(
      Math.max(0, length - into.reduce((sum, joint) => sum + joint.maxMm, 0)),
      1,
    )
    expect(option?.removeMm?.max).toBeCloseTo(
      Math.max(0, length - into.reduce((sum, joint) => sum + joint.minMm, 0)),
      1,
    )
  })

  it('improvised couplings only where they are asked for, marked as such', () => {
    const improvised = (more: object) =>
      run({}, { flame: true }, more).options.filter((option) => option.parts.some((part) => part.standing))
    expect(improvised({})).toEqual([])
  })

  it.each([
    ['copper.l.1/2', 'coupling.slip.cxc.1/2', 0.5 * 25.4],
    ['copper.regular.15mm', 'coupling.slip.cxc.15mm', 10.6],
    ['copper.regular.22mm', 'coupling.slip.cxc.22mm', 15.4],
  ])(
    'home-made couplings on %s: shallower where expanded, made at the bench while the water still runs',
    (pipeId, bought, cupMm) => {
      const conditions: Conditions = { ...PLAIN, stubMm: 200, access: 'closed-wall' }
      // a closed wall and no press tool: what is left is sweated
      const settings = {
        ...WELL_EQUIPPED,
        toolsAboard: WELL_EQUIPPED.toolsAboard.filter((tool) => tool !== 'press-tool'),
      }
      const ways = mate({
        lines: [{ lineId: 'run', pipeId, cutIn: tight, conditions }],
        settings,
        improvised: true,
        k: 40,
      }).lines[0]?.options.filter(({ parts }) => parts.length === 1) as readonly MateOption[]
      const by = (id: RegExp) =>
        ways.find(({ parts: [part] }) => id.test(part?.fittingId ?? '')) as MateOption
      const slip = ways.find(({ parts: [part] }) => part?.fittingId === bought) as MateOption
      for (const [id, seconds, words, share] of [
        [/filed/, 240, [/File the coupling’s stop out/, /other side until the tube slides through/], 1],
        [/sleeve/, 480, [/dull red all over, or it splits/, /Expand the sleeve’s other end/], 0.75],
      ] as const) {
        const made = by(id)
        expect(made.followUp).toEqual({ standing: 'improvised', returnDays: null })
        expect(made.joints.map(({ maxMm }) => maxMm)).toEqual(
          [share * cupMm, share * cupMm].map((mm) => expect.closeTo(mm, 1)),
        )
        // the making is in the hands, and keeps no water off
        expect(made.costs.labourSeconds).toBe(slip.costs.labourSeconds + seconds)
        expect(made.waterOffSeconds).toBe(slip.waterOffSeconds)
        const { steps } = sequence({
          lines: [{ lineId: 'run', option: made, conditions }],
          houseRules: settings.houseRules,
        })
        const making = steps.filter(({ words: key }) => key.startsWith('made.'))
        expect(making.map(({ phase }) => phase)).toEqual(['before', 'before'])
        making.forEach((step, end) => {
          expect(stepText(step, 'mm')).toMatch(words[end] as RegExp)
        })
        // two sockets and what is trimmed
        if (share < 1)
          expect(stepText(making[0] as never, 'mm')).toContain(`${Math.ceil(2 * share * cupMm + 6)} mm long`)
      }
      // a bought one asks for nothing of the kind
      expect(slip.joints.flatMap(({ steps }) => steps).filter((words) => words.startsWith('made.'))).toEqual(
        [],
      )
    },
  )
})

describe('from any end to any other', () => {
  const ref = (
    form: EndRef['form'],
    system: EndRef['system'],
    nominal: string,
    material: EndRef['material'],
  ): EndRef => ({
    form,
    system,
    nominal,
    material,
  })
  const between = (from: EndRef, to: EndRef) =>
    cheapestWay({ lineId: 'a', from: anyMouth(from), to: anyMouth(to), conditions: PLAIN }, WELL_EQUIPPED)
      .option

  it('copper to PEX, steel to copper, inch to metric: what a counter hand would give', () => {
    expect(
      between(ref('tube', 'CTS', '1/2', 'copper'), ref('tube', 'CTS', '1/2', 'pex-b'))?.parts[0]?.family,
    ).toBe('coupling')
    expect(
      between(ref('tube', 'CTS', '1/2', 'copper'), ref('tube', 'metric', '15', 'copper'))?.parts.map(
        (part) => part.family,
      ),
    ).toEqual(['transition-coupling'])
    expect(
      between(ref('taper-male', 'NPT', '1/2', 'brass'), ref('taper-male', 'BSP', '1/2', 'brass'))?.parts
        .length,
    ).toBeGreaterThan(0)
  })
  it('a drain of plastic into a female thread: its male adapter, cemented, since neither end is a trap’s', () => {
    const pipe = ref('tube', 'IPS', '1-1/2', 'pvc-drain')
    const thread = ref('taper-female', 'NPT', '1-1/2', 'tubular-brass')
    expect(between(pipe, thread)?.parts.map(({ family }) => family)).toEqual(['male-adapter'])
  })
  it('joins and reduces, with no valve and no hose that nobody asked for', () => {
    const copper = (nominal: string) => ref('tube', 'CTS', nominal, 'copper')
    for (const [a, b] of [
      [copper('1/2'), ref('tube', 'CTS', '1/2', 'pex-b')],
      [copper('3/4'), copper('1/2')],
      [ref('taper-male', 'NPT', '3/4', 'galvanised-steel'), copper('1/2')],
    ] as const) {
      const { options } = ask({ lineId: 'a', from: anyMouth(a), to: anyMouth(b), conditions: PLAIN })
      expect(options.length).toBeGreaterThan(3)
      const odd = options.flatMap(({ parts }) =>
        parts.filter(({ family }) => /stop|valve|bib|breaker|connector|hose/.test(family)),
      )
      expect(odd).toEqual([])
    }
    // a fixture's own end is fed, never joined
    expect(between(copper('1/2'), ref('parallel-male', 'NPS', '1/2', 'brass'))).toBeNull()
  })

  it('ends at a stop, of either shape, where only that is asked for', () => {
    const { options } = ask({
      ...line('copper.l.1/2', { stopShape: 'either' }),
      to: { ends: [], route: 'stop-only' },
    })
    expect(options.length).toBeGreaterThan(3)
    for (const { parts } of options) {
      expect(parts.filter(({ family }) => /stop$/.test(family))).toHaveLength(1)
      expect(parts.at(-1)?.family).toMatch(/^(angle|straight)-stop$/)
    }
  })

  it('names what is not an end, and what is not made', () => {
    expect(() =>
      between(ref('solder-cup', 'CTS', '7', 'copper'), ref('tube', 'CTS', '1/2', 'copper')),
    ).toThrow(new CoreFault('no-end', { form: 'solder-cup', system: 'CTS', nominal: '7' }))
    expect(() => ask({ lineId: 'a', conditions: PLAIN } as LineRequest)).toThrow('line-without-end')
  })
})

describe('a gap to fill', () => {
  it('is filled within what stub, pieces and make-up allow, and refused where nothing reaches', () => {
    const ends = (spanMm: number) =>
      ask({ ...line('copper.l.1/2', { stubMm: 60, spanMm }), to: mouthOf('valve.combo.1/2') }).options
    expect(ends(55)[0]?.parts).toEqual([])
    expect(ends(400)[0]?.parts.some((part) => part.family === 'tube-piece')).toBe(true)
    expect(pipeById('copper.l.1/2')).toBeDefined()
  })
})

describe('for a time only', () => {
  const ask = (patch: Partial<Conditions>, improvised = true) =>
    mate({
      lines: [line('copper.l.1/2', { oldJoint: 'sweat', stubMm: 60, ...patch })],
      settings: WELL_EQUIPPED,
      improvised,
    }).lines[0]
  const of = (patch: Partial<Conditions>, id: string) => ask(patch)?.temporary.find((way) => way.id === id)

  it('nothing unless it is asked for', () =>
    expect(ask({ faults: ['pinhole'] }, false)?.temporary).toEqual([]))

  it('a line can be closed off with a cap, and someone has to come back', () => {
    const way = of({}, 'close-off')
    expect(way?.option?.parts.at(-1)?.family).toBe('cap')
    expect(way?.option?.followUp).toEqual({ standing: 'temporary', returnDays: way?.returnDays })
    expect(way?.returnDays).toBeGreaterThan(0)
  })

  it.each<[Partial<Conditions>, string | undefined]>([
    [{ faults: ['pinhole'], pressurePsi: 40 }, undefined],
    [{ faults: ['pinholes'], pressurePsi: 40 }, undefined],
    [{ faults: [] }, 'temporary.no-hole'],
    [{ faults: ['pinhole'], access: 'closed-wall' }, 'temporary.unseen'],
    [{ faults: ['pinhole'], waterSeen: false }, 'temporary.not-water'],
  ])('a hole is wrapped where it is one, in sight, and water: %j', (patch, ruleId) => {
    for (const id of ['rubber-clips', 'bolted-clamp']) expect(of(patch, id)?.refused?.ruleId).toBe(ruleId)
  })

  it.each<[number | null, string | undefined, string | undefined]>([
    [null, 'temporary.pressure-unread', undefined],
    [40, undefined, undefined],
    [46, 'temporary.pressure', undefined],
    [100, 'temporary.pressure', undefined],
    [101, 'temporary.pressure', 'temporary.pressure'],
  ])(
    'rubber and clips hold low pressure only, a bolted clamp what a house has: %p psi',
    (pressurePsi, clips, clamp) => {
      const refusedAt = (id: string) => of({ faults: ['pinhole'], pressurePsi }, id)?.refused?.ruleId
      expect([refusedAt('rubber-clips'), refusedAt('bolted-clamp')]).toEqual([clips, clamp])
    },
  )

  it('costs its time, its risk and what it uses up', () => {
    const way = of({ faults: ['pinhole'] }, 'rubber-clips')
    const { consumableCents, labourCentsPerHour, callBackCents } = WELL_EQUIPPED
    expect(way?.totalCents).toBe(
      (consumableCents['rubber-sheet'] ?? 0) +
        2 * (consumableCents['worm-clip'] ?? 0) +
        Math.ceil((8 / 60) * labourCentsPerHour) +
        Math.ceil(0.12 * callBackCents),
    )
  })
})

describe('a heater near old plastic', () => {
  const away = (reachMm: number) =>
    line('pex-a.sdr9.1/2', { oldJoint: 'push-fit', scored: true, stubMm: 49, reachMm }, 'heater.nipple.3/4')

  it('nearer than 18 in a hose alone goes to it, and no search tries all that ends without one', () => {
    // without knowing that it takes a hundred thousand steps
    const effort = new Effort(30_000)
    const [near] = mate({ lines: [away(178)], settings: WELL_EQUIPPED }, { effort }).lines
    const { options = [], truncated } = near ?? {}
    expect(truncated).toBe(false)
    expect(options.length).toBeGreaterThan(0)
    for (const { parts } of options) expect(parts.at(-1)?.family).toBe('supply-connector')
  })

  it('farther off metal pipe does too', () =>
    expect(ask(away(700)).options.some(({ parts }) => parts.at(-1)?.family !== 'supply-connector')).toBe(
      true,
    ))
})

describe('the caution that plastic keeps 18 in from a heater', () => {
  it.each([
    ['not measured', {}, true],
    ['measured, and nearer than that', { reachMm: 178 }, false],
    ['measured, and farther off', { reachMm: 700 }, false],
    ['measured, but round a corner', { reachMm: 700, turn: 90 }, true],
  ] as const)('%s', (_, place, said) => {
    const asked = line('pex-a.sdr9.1/2', { oldJoint: 'push-fit', stubMm: 60, ...place }, 'heater.nipple.3/4')
    const options = mate({ lines: [asked], settings: WELL_EQUIPPED, k: 3 }).lines[0]?.options ?? []
    expect(options.length).toBeGreaterThan(0)
    for (const { parts, warnings } of options) {
      expect(warnings.some(({ ruleId }) => ruleId === 'heater.plastic-stub')).toBe(said)
      // so much lies between, as common practice has it, hose and fittings together
      const long = parts.map(({ fittingId }) => {
        const part = fittingById(fittingId)
        const faces = part?.ports.reduce((sum, { pose }) => sum + Math.hypot(...pose.origin), 0)
        return part?.lengthMm?.max ?? faces ?? 0
      })
      expect(long.reduce((sum, mm) => sum + mm, 0)).toBeGreaterThanOrEqual(18 * 25.4)
    }
  })
})

describe('what the place leaves out', () => {
  const out = (fixtureId: string, patch: Partial<Conditions>, pipeId = 'copper.l.1/2') =>
    mate({
      lines: [{ ...line(pipeId, { stubMm: 80, ...patch }), to: mouthOf(fixtureId) }],
      settings: WELL_EQUIPPED,
    }).lines[0]?.leftOut.map(({ family, reason }) => [family, reason.ruleId])

  it('a plain bib in frost, bibs too short for the wall, connectors that pull tight', () => {
    expect(out('hose.outlet', {})).toEqual([])
    expect(out('hose.outlet', { freezing: true, wallMm: 260 })).toEqual([
      ['hose-bib', 'bib.frost'],
      ['frost-free-bib', 'bib.too-short'],
    ])
    const unmeasured = ['supply-connector', 'connector.usual']
    expect(out('heater.nipple.3/4', {})).toEqual([
      ['tube-piece', 'heater.plastic-tube'],
      ['coupling', 'heater.not-lifted'],
      unmeasured,
    ])
    expect(out('heater.nipple.3/4', { givesMm: 30 })).toEqual([
      ['tube-piece', 'heater.plastic-tube'],
      unmeasured,
    ])
    expect(out('heater.nipple.3/4', { access: 'closed-wall' })).toContainEqual([
      'isolating-valve',
      'valve.shut-in',
    ])
    expect(out('faucet.hose.3/8', { reachMm: null })).toEqual([])
    expect(out('faucet.shank.1/2', { reachMm: null })).toEqual([['supply-connector', 'connector.usual']])
    expect(out('faucet.shank.1/2', { reachMm: 400 })).toEqual([['supply-connector', 'connector.too-short']])
  })

  it('a plain bib on plastic, and what closes by a spring that nobody has measured', () => {
    expect(out('hose.outlet', {}, 'pex-b.sdr9.1/2')).toEqual([['hose-bib', 'bib.on-plastic']])
    expect(out('hose.outlet', { freezing: true }, 'pex-b.sdr9.1/2')).toEqual([
      ['hose-bib', 'bib.frost'],
      ['frost-free-bib', 'bib.usual'],
    ])
    const run = (freeMm: number, sidewaysMm: number) =>
      mate({
        lines: [
          {
            lineId: 'a',
            pipeId: 'pex-b.sdr9.1/2',
            conditions: line('pex-b.sdr9.1/2', { oldJoint: 'none' }).conditions,
            cutIn: { insert: 'repair', farMm: null, freeMm: [freeMm, freeMm], outMm: 30, sidewaysMm },
          },
        ],
        settings: WELL_EQUIPPED,
      }).lines[0]
    expect(run(0, 0)?.leftOut.map(({ reason }) => reason.ruleId)).toEqual(['run.not-measured'])
    expect(run(600, 50)?.leftOut).toEqual([])
    // soft tube with room beside it is bowed: the same joint twice, and nothing that slides
    const bowed = run(600, 50)?.options.find(({ closes }) => closes?.by === 'spring')
    expect(bowed?.parts.every(({ family }) => !/slip|repair/.test(family))).toBe(true)
    expect(run(0, 0)?.options.some(({ closes }) => closes?.by === 'spring')).toBe(false)
  })
})
