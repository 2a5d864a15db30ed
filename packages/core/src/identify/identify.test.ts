import fc from 'fast-check'
import { PIPES } from '../reference'
import { evenly } from '../test/evenly'
import { reasonText } from '../words'
import { JOINT_KINDS, SIGN_ANSWERS, type SignKind } from './answers'
import {
  classIdOf,
  INSTRUMENTS,
  identify,
  lookalikesOf,
  type MeasuringInstrument,
  type Observation,
  type PriorContext,
  posterior,
  type Service,
} from './index'
import { SURFACE_IDS } from './instruments'
import { normalCdf } from './normal'
import { editDistance } from './print'
import { type Reading, ReadingGroup } from './reading'
import { answerProbability, carriesAnswer, JOINT_ON_LOOK, jointAnswer, signTable } from './seen'
import { LOOKS } from './space'
import { spotSigns } from './spot'

const plain: PriorContext = { era: 'unknown', region: 'north-america', known: [] }
const inch = 25.4
let count = 0
const outside = (instrument: MeasuringInstrument, mm: number, resolutionMm = 0.0254): Observation => ({
  id: `o${count++}`,
  kind: 'outside',
  instrument,
  mm,
  resolutionMm,
})
const sign = (kind: SignKind, answer: string): Observation => ({
  id: `o${count++}`,
  kind: 'sign',
  sign: kind,
  answer,
})
const print = (text: string): Observation => ({ id: `o${count++}`, kind: 'print', text })
const believe = (observations: Observation[], context: Partial<PriorContext> = {}) =>
  identify({ ...plain, ...context, observations })
const chance = (belief: ReturnType<typeof identify>, classId: string) =>
  belief.classes.find((entry) => entry.classId === classId)?.probability ?? 0

describe('what a plumber says first', () => {
  it('a string round it of 2 in and a copper scratch is 1/2 in copper tube, with the runners-up', () => {
    const belief = believe([outside('string', 2 * inch, inch / 16), sign('scratch', 'copper')])
    expect(belief.classes[0]?.classId).toBe('copper.CTS.1/2')
    expect(belief.classes[0]?.probability).toBeGreaterThan(0.95)
    // types K, L and M, hard and soft, are summed, and each is there
    expect(belief.classes[0]?.pipes.map((pipe) => pipe.id)).toEqual(
      expect.arrayContaining(['copper.k.1/2', 'copper.l.1/2', 'copper.m.1/2', 'copper.l.soft.1/2']),
    )
    expect(belief.classes.length).toBeGreaterThan(3)
    // refrigeration tube of 5/8 in outside is the same tube by every measure: it is among the runners-up
    expect(belief.classes.slice(1, 4).map((entry) => entry.classId)).toContain('copper-refrigeration.OD.5/8')
  })

  it('0.845 in and a magnet that holds is 1/2 in steel, with the gas caution', () => {
    for (const service of ['unknown', 'cold'] as const) {
      const looks = [outside('caliper', 0.845 * inch), sign('magnet', 'holds')]
      const belief = believe(looks, { service })
      expect(belief.classes[0]).toMatchObject({ material: 'galvanised-steel', nominal: '1/2' })
      const steel = belief.classes.filter(
        (entry) => entry.material.endsWith('steel') && entry.nominal === '1/2',
      )
      expect(steel.reduce((sum, entry) => sum + entry.probability, 0)).toBeGreaterThan(0.98)
      expect(belief.hazards).toContainEqual(expect.objectContaining({ hazardId: 'gas', level: 'stop' }))
      expect(belief.enough).toBe(false)
      expect(belief.next[0]?.question).toBe('sign:carries')
      const seen = believe([...looks, sign('carries', 'water')], { service })
      expect(seen.hazards.some((flag) => flag.hazardId === 'gas' && flag.level === 'stop')).toBe(false)
    }
  })

  it('raises no gas stop where there is no steel', () =>
    expect(
      believe([sign('scratch', 'copper'), outside('caliper', 15.9)]).hazards.filter(
        (flag) => flag.hazardId === 'gas' && flag.level === 'stop',
      ),
    ).toEqual([]))

  // trade lore, each a pair that is confused: what is seen, where, and what it must come to
  const LORE: readonly [string, Partial<PriorContext>, Observation[], string][] = [
    [
      'tubular 1-1/2 is 1.500 in, drain pipe of that name 1.900',
      { service: 'drain' },
      [outside('caliper', 1.5 * inch), sign('colour', 'chrome')],
      'tubular-brass.tubular.1-1/2',
    ],
    [
      'black plastic of 1.900 in under a sink is ABS',
      { service: 'drain', era: '1965-1978' },
      [outside('caliper', 1.9 * inch), sign('colour', 'black'), sign('tap', 'clicks')],
      'abs-drain.IPS.1-1/2',
    ],
    [
      'at 4 in, 4.30 is service weight',
      { service: 'drain', era: '1940-1965' },
      [outside('caliper', 4.3 * inch), sign('magnet', 'holds'), sign('scratch', 'grey-iron')],
      'cast-iron.service.4',
    ],
    [
      'at 4 in, 4.50 is extra heavy, where a magnet holds and lead fills the hub',
      { service: 'drain', era: 'before-1940' },
      [outside('caliper', 4.5 * inch), sign('scratch', 'grey-iron'), sign('joint', 'hub-lead')],
      'cast-iron.heavy.4',
    ],
    [
      'orange plastic pipe is a sprinkler’s',
      {},
      [sign('colour', 'orange'), outside('caliper', 1.315 * inch), sign('flex', 'rigid')],
      'cpvc-sprinkler.IPS.1',
    ],
    [
      'grey and flexible with copper bands is polybutylene',
      { service: 'cold', era: '1978-1995' },
      [sign('colour', 'grey-plastic'), sign('joint', 'crimp'), outside('caliper', 0.625 * inch)],
      'polybutylene.CTS.1/2',
    ],
    [
      'dull grey, a nail marks it, wiped bulbs: lead',
      { service: 'cold', era: 'before-1940' },
      [sign('scratch', 'silver-soft'), sign('joint', 'wiped'), outside('caliper', 22.3)],
      'lead.ID.1/2',
    ],
    [
      'yellow and threaded is brass',
      { service: 'cold' },
      [sign('scratch', 'yellow'), sign('joint', 'threaded'), outside('caliper', 0.84 * inch)],
      'brass.IPS.1/2',
    ],
    [
      '22 mm in a house of metric copper',
      { service: 'cold', region: 'metric' },
      [outside('caliper', 22), sign('scratch', 'copper')],
      'copper.metric.22',
    ],
    [
      'an insulated copper line to an outdoor unit is refrigeration tube',
      {},
      [outside('caliper', 0.375 * inch), sign('scratch', 'copper'), sign('carries', 'refrigerant-signs')],
      'copper-refrigeration.OD.3/8',
    ],
    [
      'brick red and brittle is clay',
      { service: 'drain' },
      [sign('colour', 'terracotta'), sign('scratch', 'crumbles'), outside('tape', 130, 1.6)],
      'clay.barrel.4',
    ],
    [
      'a yellow coat over a ribbed tube is gas tubing',
      { era: 'since-2010' },
      [
        sign('colour', 'yellow-plastic'),
        sign('flex', 'by-hand'),
        sign('carries', 'gas-signs'),
        outside('caliper', 19.3),
      ],
      'corrugated-stainless.OD.1/2',
    ],
  ]
  it.each(LORE)('%s', (_name, context, looks, classId) =>
    expect(believe(looks, context).classes[0]?.classId).toBe(classId),
  )
})

const USUAL_SERVICE: Readonly<Record<string, Service>> = {
  'cast-iron': 'drain',
  'lead-waste': 'drain',
  'copper-drain': 'drain',
  'pvc-drain': 'drain',
  'pvc-sewer': 'drain',
  'abs-drain': 'drain',
  'tubular-brass': 'drain',
  'tubular-plastic': 'drain',
  'waste-solvent': 'drain',
  'waste-push-fit': 'drain',
  clay: 'drain',
  cement: 'drain',
}

/** The likeliest answer of a look to a sign. */
function usual(kind: SignKind, look: number): string {
  const answers: readonly string[] = SIGN_ANSWERS[kind]
  const p = (answer: string, place: number) =>
    kind === 'joint'
      ? (JOINT_ON_LOOK[look]?.[place] ?? 0)
      : (signTable(kind)[look * SURFACE_IDS.length * answers.length + answers.indexOf(answer)] ?? 0)
  return answers.reduce((best, answer, place) =>
    p(answer, place) > p(best, answers.indexOf(best)) ? answer : best,
  )
}

describe('laws of the belief', () => {
  const anySign = fc
    .constantFrom(...(Object.keys(SIGN_ANSWERS) as SignKind[]))
    .chain((kind) => fc.constantFrom(...SIGN_ANSWERS[kind]).map((answer) => sign(kind, answer)))
  const anyLook = fc.oneof(
    evenly(4, 160).map((mm) => outside('tape', mm)),
    evenly(4, 160).map((mm) => outside('caliper', mm)),
    evenly(3, 150).map(
      (mm): Observation => ({
        id: `o${count++}`,
        kind: 'bore',
        instrument: 'caliper',
        mm,
        resolutionMm: 0.1,
      }),
    ),
    fc
      .record({
        mm: fc.constantFrom(15, 15.9, 22, 28),
        fits: fc.constantFrom('goes' as const, 'stops' as const),
      })
      .map((gauge): Observation => ({ id: `o${count++}`, kind: 'gauge', ...gauge })),
    anySign,
    fc.constantFrom('PB2110', 'TYPE L', 'xx', '1/2 CPVC 4120', '-').map(print),
  )
  const anyContext = fc.record({
    era: fc.constantFrom(
      'before-1940' as const,
      '1965-1978' as const,
      'since-2010' as const,
      'unknown' as const,
    ),
    region: fc.constantFrom('north-america' as const, 'metric' as const, 'unknown' as const),
    service: fc.constantFrom(
      'cold' as const,
      'hot' as const,
      'drain' as const,
      'vent' as const,
      'unknown' as const,
    ),
  })

  it('sums to one, whatever is seen, and so do media and surfaces with the share of pipes', () =>
    fc.assert(
      fc.property(fc.array(anyLook, { maxLength: 6 }), anyContext, (observations, context) => {
        const { weights, none } = posterior({ ...context, known: [] }, observations)
        expect(weights.reduce((total, weight) => total + weight, none)).toBeCloseTo(1, 9)
        const belief = believe(observations, context)
        const carried = Object.values(belief.carries).reduce((total, p) => total + p, 0)
        expect(carried).toBeCloseTo(1 - belief.none, 6)
        const lying = Object.values(belief.surface).reduce((total, p) => total + p, 0)
        expect(lying).toBeCloseTo(1 - belief.none, 6)
        for (const flag of belief.hazards) expect(flag.probability).toBeLessThanOrEqual(1 + 1e-9)
      }),
      { numRuns: 40 },
    ))

  it('puts a pipe’s own class first on its own nominal readings and usual signs, or a lookalike listed for it', () => {
    let own = 0
    PIPES.forEach((pipe, index) => {
      const look = LOOKS.of[index] ?? 0
      const metric = pipe.system.startsWith('metric')
      // what would be asked next takes most of an answer, and does not count here
      const { weights } = posterior(
        {
          ...plain,
          region: metric ? 'metric' : 'north-america',
          service: USUAL_SERVICE[pipe.material] ?? 'unknown',
        },
        [
          // twice, so that a rare size is not taken for a slip
          outside('caliper', pipe.odMm + 0.02),
          outside('caliper', pipe.odMm + 0.03),
          {
            id: `o${count++}`,
            kind: 'wall',
            instrument: 'caliper',
            mm: pipe.wallMm + 0.02,
            resolutionMm: 0.02,
          },
          ...(['scratch', 'magnet', 'colour', 'joint', 'flex', 'tap'] as const).map((kind) =>
            sign(kind, usual(kind, look)),
          ),
        ],
      )
      const id = classIdOf(pipe)
      const sums = new Map<string, number>()
      PIPES.forEach((other, at) => {
        const of = classIdOf(other)
        sums.set(of, (sums.get(of) ?? 0) + (weights[at] as number))
      })
      const top = [...sums].reduce((best, entry) => (entry[1] > best[1] ? entry : best))[0]
      if (top === id) own++
      expect([pipe.id, top, top === id || lookalikesOf(id).includes(top)]).toEqual([pipe.id, top, true])
    })
    expect(own / PIPES.length).toBeGreaterThan(0.88)
  })

  it('names lookalikes that a tape does not tell apart, both ways', () => {
    expect(lookalikesOf('copper.metric.22')).toContain('copper.CTS.3/4')
    expect(lookalikesOf('copper.CTS.3/4')).toContain('copper.metric.22')
    expect(lookalikesOf('copper.CTS.2')).toContain('copper.metric.54')
    expect(lookalikesOf('cast-iron.hubless.4')).toEqual(
      expect.arrayContaining(['cast-iron.service.4', 'cast-iron.heavy.4']),
    )
    expect(lookalikesOf('copper.CTS.1/2')).not.toContain('galvanised-steel.IPS.1/2')
    expect(lookalikesOf('no such class')).toEqual([])
  })

  it('does not care for the order in which things are seen', () =>
    fc.assert(
      fc.property(fc.array(anyLook, { minLength: 2, maxLength: 5 }), anyContext, (looks, context) => {
        const forward = posterior({ ...context, known: [] }, looks)
        const backward = posterior({ ...context, known: [] }, [...looks].reverse())
        forward.weights.forEach((weight, index) => {
          expect(backward.weights[index]).toBeCloseTo(weight, 9)
        })
      }),
      { numRuns: 20 },
    ))

  it('does not grow certain from ten readings over the same paint', () => {
    // 15 mm and 1/2 in differ by 0.875 mm; paint makes the one look like the other
    const context = { region: 'unknown' as const, service: 'cold' as const }
    const times = (n: number) =>
      believe(
        [...Array.from({ length: n }, () => outside('caliper', 15.45)), sign('scratch', 'copper')],
        context,
      )
    const [twice, tenTimes] = [times(2), times(10)]
    const top = (belief: typeof twice) => belief.classes[0]?.probability ?? 0
    expect(top(tenTimes)).toBeLessThan(0.95)
    expect(Math.abs(top(tenTimes) - top(twice))).toBeLessThan(0.1)
    expect(tenTimes.surface.clean ?? 1).toBeLessThan(0.05)
  })

  it('points at the reading that disagrees, at a lone absurd one, and at a sign that fits nothing else', () => {
    const wild = outside('caliper', 0.9 * inch)
    const belief = believe([
      outside('caliper', 0.625 * inch),
      wild,
      outside('caliper', 0.626 * inch),
      sign('colour', 'copper-brown'),
    ])
    expect(belief.effects.filter((effect) => effect.disagrees).map((effect) => effect.id)).toEqual([wild.id])
    expect(belief.classes[0]?.classId).toBe('copper.CTS.1/2')
    expect(believe([outside('caliper', 95)], { service: 'cold' }).effects[0]?.disagrees).toBe(true)
    const magnet = sign('magnet', 'holds')
    const plastic = believe([
      magnet,
      sign('colour', 'cream'),
      sign('tap', 'clicks'),
      outside('caliper', 15.9),
    ])
    expect(plastic.effects.filter((effect) => effect.disagrees).map((effect) => effect.id)).toEqual([
      magnet.id,
    ])
  })

  it.each([
    ['colour', 'orange', 'cold'],
    ['colour', 'green-plastic', 'drain'],
    ['colour', 'terracotta', 'drain'],
    ['scratch', 'silver-soft', 'cold'],
    ['flex', 'flexible', 'cold'],
    ['shaving-colour', 'stone', 'drain'],
  ] as const)('a rare look alone is no error: %s %s on a line called %s', (kind, answer, service) => {
    const belief = believe([sign(kind, answer)], { service })
    expect(belief.effects.map(({ disagrees }) => disagrees)).toEqual([false])
    expect(belief.reason.ruleId).not.toBe('find.misread')
  })

  it('a look that no pipe of the line has is doubted, alone or not', () => {
    for (const more of [[], [sign('scratch', 'copper'), outside('caliper', 15.9)]])
      expect(
        believe([sign('colour', 'terracotta'), ...more], { service: 'cold' }).effects[0]?.disagrees,
      ).toBe(true)
  })

  it('says “none of these” for what is in no table, and what to look at', () => {
    const belief = believe([outside('caliper', 55.3), outside('caliper', 55.4), sign('magnet', 'falls')], {
      service: 'cold',
    })
    expect(belief.none).toBeGreaterThan(0.5)
    expect(belief.enough).toBe(false)
    expect(belief.reason.ruleId).toBe('find.unknown')
  })

  it.each([
    ['galvanised-steel.IPS.1/2', 0.84],
    ['galvanised-steel.IPS.3/4', 1.05],
    ['galvanised-steel.IPS.1', 1.315],
  ] as const)('honest readings over rust do not outvote the true size: %s', (classId, inches) => {
    // scale stands up to a millimetre and a half; blisters differ by half a millimetre
    const blisters = [0, 0.3, -0.25, 0.1, 0.4, -0.1, 0.2]
    for (const scaleMm of [0.2, 0.6, 1, 1.4])
      for (const taken of [1, 3, 5, 7]) {
        const belief = believe(
          [
            sign('magnet', 'holds'),
            sign('colour', 'copper-brown'),
            ...blisters.slice(0, taken).map((mm) => outside('caliper', inches * inch + scaleMm + mm)),
          ],
          { service: 'cold' },
        )
        expect([scaleMm, taken, belief.classes[0]?.classId]).toEqual([scaleMm, taken, classId])
      }
  })

  it('signs of one spot are one witness: however many agree, they never outweigh what the eye may have met', () => {
    const alike = [
      sign('colour', 'copper-brown'),
      sign('scratch', 'copper'),
      sign('tap', 'rings'),
      sign('flex', 'rigid'),
      sign('shaving-colour', 'metal'),
      sign('magnet', 'falls'),
    ]
    const { logs, misled, other } = spotSigns(alike as never)
    expect(other.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9)
    for (const p of misled) expect(p >= 0 && p <= 1).toBe(true)
    // one eye in fifty is on another thing, of thirty kinds: no look is worse off than that
    const kinds = new Set(LOOKS.values.map(({ material }) => material)).size
    expect(Math.max(...logs) - Math.min(...logs)).toBeLessThan(Math.log((3 * kinds) / 0.01))
    // so two good readings and a print still win against all of them
    const belief = believe(
      [...alike, outside('caliper', 21.34), outside('caliper', 21.35), print('CPVC 4120 SCH80 1/2')],
      { service: 'cold' },
    )
    expect(belief.classes[0]?.material).not.toBe('copper')
    expect(believe([], { service: 'cold' }).classes[0]?.probability).toBeCloseTo(
      believe([], { service: 'cold' }).classes[0]?.prior ?? 0,
      9,
    )
  })

  it('a legible print is strong, and no proof: it may stand on another thing', () => {
    const alone = believe([print('PB2110 SDR11 1/2 CTS ASTM')], { service: 'cold' })
    expect(alone.classes[0]?.classId).toBe('polybutylene.CTS.1/2')
    expect(alone.classes[0]?.probability).toBeGreaterThan(0.9)
    const said = print('PB2110 SDR11 1/2 CTS ASTM D3309')
    const copper = believe(
      [
        said,
        sign('scratch', 'copper'),
        sign('tap', 'rings'),
        sign('joint', 'sweat'),
        outside('caliper', 22.2),
        outside('caliper', 22.25),
      ],
      { service: 'cold' },
    )
    expect(copper.classes[0]?.classId).toBe('copper.CTS.3/4')
    expect(copper.effects.filter(({ disagrees }) => disagrees).map(({ id }) => id)).toEqual([said.id])
  })

  it.each([
    [
      'corrugated gas tubing',
      [
        sign('colour', 'yellow-plastic'),
        sign('flex', 'by-hand'),
        sign('carries', 'gas-signs'),
        outside('caliper', 19.3),
      ],
      'unknown',
      'gas',
    ],
    [
      'sprinkler pipe',
      [sign('colour', 'orange'), sign('flex', 'rigid'), sign('scratch', 'shaving'), outside('caliper', 33.4)],
      'cold',
      'sprinkler',
    ],
    [
      'a drain on a line that is called cold',
      [
        sign('colour', 'black'),
        sign('tap', 'clicks'),
        sign('scratch', 'shaving'),
        outside('caliper', 48.26),
        outside('caliper', 48.3),
        sign('carries', 'waste'),
      ],
      'cold',
      'waste',
    ],
  ] as const)('what can carry no water says so first: %s', (_name, looks, service, medium) => {
    const { reason, classes } = believe([...looks], { service })
    expect(reason).toMatchObject({ ruleId: 'find.not-water', parameters: { name: classes[0]?.name, medium } })
    // the same drain on a drain is at home
    if (medium === 'waste')
      expect(believe([...looks], { service: 'drain' }).reason.ruleId).not.toBe('find.not-water')
  })

  it('“what tells most now” always names a look; where none is left that is said', () =>
    fc.assert(
      fc.property(fc.array(anyLook, { maxLength: 8 }), anyContext, (looks, context) => {
        const belief = identify({ ...context, known: [], observations: looks, instruments: ['tape'] })
        const { ruleId, parameters } = belief.reason
        if (ruleId === 'find.ask') expect(parameters.look).toBe(belief.next[0]?.question)
        if (ruleId === 'find.spent') expect(belief.next).toEqual([])
        expect(reasonText(belief.reason, 'in')).not.toMatch(/\{|undefined|sign:|outside:/)
      }),
      { numRuns: 60 },
    ))

  it('says so where the looks fit no pipe together', () => {
    const belief = believe([
      sign('magnet', 'holds'),
      sign('scratch', 'crumbles'),
      sign('colour', 'clear'),
      sign('shaving-colour', 'orange'),
      sign('flex', 'flexible'),
      sign('tap', 'rings'),
      outside('caliper', 71),
      outside('caliper', 71.1),
    ])
    expect(belief.none).toBeGreaterThan(0.5)
    expect(['find.contradiction', 'find.unknown']).toContain(belief.reason.ruleId)
    expect(belief.enough).toBe(false)
  })

  it.each([
    ['outside', { kind: 'outside', instrument: 'caliper', mm: 700, resolutionMm: 0.1 }],
    ['outside, round it', { kind: 'outside', instrument: 'string', mm: 2400, resolutionMm: 1.6 }],
    ['bore', { kind: 'bore', instrument: 'caliper', mm: 500, resolutionMm: 0.1 }],
    ['wall', { kind: 'wall', instrument: 'caliper', mm: 55, resolutionMm: 0.1 }],
    ['a slot wider than any pipe that stops', { kind: 'gauge', mm: 600, fits: 'stops' }],
    ['a slot narrower than any that goes', { kind: 'gauge', mm: 1, fits: 'goes' }],
  ] as const)('an impossible reading names no pipe and asks to measure again: %s', (_what, reading) => {
    const belief = believe([{ id: 'odd', ...reading } as Observation])
    expect(belief.effects).toMatchObject([{ id: 'odd', disagrees: true }])
    expect(belief.reason.ruleId).toBe('find.misread')
    expect(belief.enough).toBe(false)
    // beside readings that agree it is pointed at, and moves nothing
    const sound = [outside('caliper', 15.88), sign('scratch', 'copper'), sign('colour', 'copper-brown')]
    const beside = believe([...sound, { id: 'odd', ...reading } as Observation])
    expect(beside.effects.filter(({ disagrees }) => disagrees).map(({ id }) => id)).toEqual(['odd'])
    expect(beside.classes[0]?.classId).toBe(believe(sound).classes[0]?.classId)
  })

  it('forgets what is withdrawn', () => {
    const looks = [outside('caliper', 15.9), sign('scratch', 'yellow')]
    const withdrawn = believe([looks[0] as Observation, { ...(looks[1] as Observation), withdrawn: true }])
    const never = believe([looks[0] as Observation])
    expect(withdrawn.classes[0]?.probability).toBe(never.classes[0]?.probability)
  })

  it('remembers the house, and what the shop has found in houses of that age', () => {
    const at = (context: Partial<PriorContext>) => chance(believe([], context), 'polybutylene.CTS.1/2')
    const known = [
      { material: 'polybutylene' as const, system: 'CTS', nominal: '1/2', where: 'same-line' as const },
    ]
    expect(at({ known })).toBeGreaterThan(5 * at({}))
    expect(at({ finds: { polybutylene: 20 } })).toBeGreaterThan(3 * at({}))
    // thirty finds of other things make it rarer
    expect(at({ finds: { copper: 30 } })).toBeLessThan(at({}))
    expect(at({ factors: { polybutylene: 10 } })).toBeGreaterThan(4 * at({}))
  })

  it('stops as soon as what is left leads to the same decision', () => {
    const looks = [outside('string', 50.2, 1)]
    const apart = believe(looks, { service: 'cold' })
    const alike = identify({ ...plain, service: 'cold', observations: looks }, () => 'the same parts')
    expect(apart.enough).toBe(false)
    expect(alike.enough).toBe(true)
    expect(alike.reason.ruleId).toBe('find.enough-same-parts')
  })

  it('asks first for what tells most, and not for what is known', () => {
    const belief = believe([outside('caliper', 15.9)], { service: 'cold' })
    const gain = (question: string) =>
      belief.next.find((entry) => entry.question === question)?.gainPerMille ?? 0
    expect(gain('sign:colour')).toBeGreaterThan(100)
    expect(gain('outside:tape')).toBeLessThan(gain('sign:colour') / 10)
  })

  it('promises no more than there is to gain', () =>
    fc.assert(
      fc.property(fc.array(anyLook, { maxLength: 3 }), anyContext, (looks, context) => {
        const belief = believe(looks, context)
        const top = Math.max(belief.none, ...belief.classes.map((entry) => entry.probability))
        // what a line carries is asked for safety, not for parts
        for (const { gainPerMille } of belief.next.filter((entry) => entry.question !== 'sign:carries'))
          expect(gainPerMille).toBeLessThanOrEqual(1001.001 - top * 1000)
      }),
      { numRuns: 20 },
    ))

  it('keeps its promise: asked many times over, the best look gains what it was said to gain', () => {
    // by enumeration: each answer of the colour with its probability, and the best class after it
    const looks = [outside('caliper', 15.9)]
    const before = believe(looks, { service: 'cold' })
    const promised = before.next.find((entry) => entry.question === 'sign:colour')?.gainPerMille ?? 0
    const evidence = (observations: Observation[]) => {
      const { weights, none } = posterior({ ...plain, service: 'cold' }, observations)
      return { weights, none }
    }
    // P(answer) from the pipes' own tables under the present posterior, surfaces taken from the belief
    let expected = 0
    let total = 0
    for (const answer of SIGN_ANSWERS.colour) {
      const after = believe([...looks, sign('colour', answer)], { service: 'cold' })
      const p = predictive(evidence(looks), answer, before.surface)
      total += p
      expected += p * Math.max(after.none, after.classes[0]?.probability ?? 0)
    }
    expect(total).toBeCloseTo(1, 1)
    const gained = (expected / total - (before.classes[0]?.probability ?? 0)) * 1000
    expect(Math.abs(gained - promised)).toBeLessThan(30)
  })

  it.each([
    ['PB21I0 1/2 AST', 'polybutylene.CTS.1/2'],
    ['B88 TYPE L 3/4', 'copper.CTS.3/4'],
    ['CPVC 4I20 SDR11', 'cpvc.CTS.1/2'],
    ['F18O7 PEX', 'pex.CTS.1/2'],
  ])('hears half a print line with misread letters: %s', (text, classId) =>
    expect(believe([print(text)], { service: 'cold' }).classes[0]?.classId).toBe(classId),
  )

  it('hears nothing in a print that cannot be read', () => {
    const looks = [outside('caliper', 15.9)]
    const silent = believe([...looks, print('-')], { service: 'cold' })
    expect(silent.classes[0]?.probability).toBeCloseTo(
      believe(looks, { service: 'cold' }).classes[0]?.probability ?? 0,
      6,
    )
    expect(silent.next.map((entry) => entry.question)).not.toContain('print')
  })
})

/** P(answer to the colour) under a posterior, each surface weighed as the belief has it. */
function predictive(
  { weights, none }: { weights: Float64Array; none: number },
  answer: string,
  surface: Readonly<Record<string, number>>,
): number {
  const lying = Object.values(surface).reduce((sum, p) => sum + p, 0)
  let sum = none / SIGN_ANSWERS.colour.length
  weights.forEach((weight, index) => {
    if (weight < 1e-9) return
    const look = LOOKS.values[LOOKS.of[index] ?? 0]
    if (!look) return
    for (const id of SURFACE_IDS)
      sum += (weight * (surface[id] ?? 0) * answerProbability('colour', answer, look, id)) / lying
  })
  return sum
}

describe('joints, and what they say', () => {
  const joint = (looks: Observation[]) => believe(looks, { service: 'cold' }).joints[0]

  // what the trade looks for at a joint, by its features alone
  it.each([
    [{ 'joint-band': 'copper-ring', 'joint-nut': 'no-nut' }, 'crimp', 'cut', 'never'],
    [{ 'joint-band': 'steel-clamp', 'joint-nut': 'no-nut' }, 'cinch', 'cut', 'never'],
    [{ 'joint-seam': 'solder-line', 'joint-nut': 'no-nut' }, 'sweat', 'with-flame', 'as-it-is'],
    [{ 'joint-nut': 'hex-nut', 'joint-seam': 'no-seam' }, 'compression', 'with-wrenches', 'new-seal'],
    [{ 'joint-turns': 'turns', 'joint-band': 'plastic-collar' }, 'push-fit', 'with-release-tool', 'new-seal'],
    [{ 'joint-seam': 'bulb', 'joint-nut': 'no-nut' }, 'wiped', 'cut', 'never'],
  ] as const)('%j is %s', (features, name, undone, reuse) => {
    const looks = Object.entries(features).map(([kind, answer]) => sign(kind as SignKind, answer))
    expect(joint(looks)).toMatchObject({ joint: name, undone, reuse })
  })

  it('say what the pipe is, too', () => {
    const before = believe([outside('caliper', 15.9)], { service: 'cold' })
    const after = believe([outside('caliper', 15.9), sign('joint-band', 'copper-ring')], { service: 'cold' })
    expect(chance(after, 'pex.CTS.1/2')).toBeGreaterThan(3 * chance(before, 'pex.CTS.1/2'))
    expect(before.joints).toEqual([])
  })

  it('a feature tells nothing more once the joint is named', () => {
    const { next } = believe([outside('caliper', 15.9), sign('joint', 'crimp')], { service: 'cold' })
    expect(next.filter((entry) => entry.question.startsWith('sign:joint'))).toEqual([])
  })
})

describe('what cannot be told apart is said', () => {
  it('names the two and the look that would decide, where nothing at hand will', () => {
    // 22 mm against 3/4 in with a string and nothing else
    const looks = [
      outside('string', 69.7, 1.6),
      outside('string', 69.7, 1.6),
      outside('string', 70, 1.6),
      sign('scratch', 'copper'),
      sign('colour', 'copper-brown'),
      sign('magnet', 'falls'),
      sign('flex', 'rigid'),
      sign('tap', 'rings'),
      sign('joint', 'sweat'),
      sign('shaving-colour', 'metal'),
      sign('print-colour', 'none-seen'),
      print('-'),
    ]
    const belief = identify({
      ...plain,
      region: 'unknown',
      service: 'cold',
      observations: looks,
      instruments: ['string'],
    })
    expect(belief.enough).toBe(false)
    expect(belief.undecided?.classIds.toSorted()).toEqual(['copper.CTS.3/4', 'copper.metric.22'])
    expect(belief.undecided?.question).toBe('outside:caliper')
    expect(belief.reason.ruleId).toBe('find.undecided')
  })
})

describe('the mathematics under it', () => {
  it('integrates the shared shift as plain quadrature does', () => {
    const readings: Reading[] = [
      { mm: 16.1, variance: 0.04, wild: 0.05 },
      { mm: 16.4, variance: 0.09, wild: 0.02 },
      { mm: 18, variance: 0.01, wild: 0.1 },
    ]
    const [mean, shift] = [15.9, 0.09]
    const density = (x: number, mu: number, variance: number) =>
      Math.exp(-((x - mu) ** 2) / (2 * variance)) / Math.sqrt(2 * Math.PI * variance)
    let sum = 0
    const step = 0.0005
    for (let s = -3; s <= 3; s += step) {
      let product = density(s, 0, shift)
      for (const r of readings) product *= (1 - r.wild) * density(r.mm, mean + s, r.variance) + r.wild / 120
      sum += product * step
    }
    expect(new ReadingGroup(readings).detail({ mean, shift, scatter: 0 }).log).toBeCloseTo(Math.log(sum), 5)
  })

  it('knows the normal distribution (Abramowitz and Stegun, table 26.1)', () => {
    for (const [z, p] of [
      [0, 0.5],
      [1, 0.8413447461],
      [1.96, 0.9750021049],
      [-2.5, 0.0062096653],
    ] as const)
      expect(normalCdf(z)).toBeCloseTo(p, 6)
  })

  it('holds an uneven surface met at one spot or round about possible alike', () => {
    const readings: Reading[] = [
      { mm: 16.3, variance: 0.01, wild: 0.02 },
      { mm: 16.2, variance: 0.01, wild: 0.02 },
    ]
    const group = new ReadingGroup(readings)
    const spread = Math.exp(group.log({ mean: 15.9, shift: 0.04, scatter: 0.09 }))
    const flat = (shift: number, extra: number) =>
      Math.exp(
        new ReadingGroup(readings.map((r) => ({ ...r, variance: r.variance + extra }))).log({
          mean: 15.9,
          shift,
          scatter: 0,
        }),
      )
    expect(spread).toBeCloseTo((flat(0.04, 0.09) + flat(0.13, 0)) / 2, 8)
  })

  it('gives each question’s answers a probability of one together', () => {
    for (const look of LOOKS.values)
      for (const kind of Object.keys(SIGN_ANSWERS) as SignKind[])
        for (const surface of SURFACE_IDS) {
          const sum = SIGN_ANSWERS[kind].reduce(
            (total, answer) => total + answerProbability(kind, answer, look, surface),
            0,
          )
          expect([look.material, kind, surface, Math.abs(sum - 1) < 1e-9]).toEqual([
            look.material,
            kind,
            surface,
            true,
          ])
        }
    for (const row of JOINT_ON_LOOK) expect(row.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9)
    for (const joint of JOINT_KINDS)
      for (const kind of ['joint', 'joint-nut', 'joint-band', 'joint-seam', 'joint-turns'] as const)
        expect(
          SIGN_ANSWERS[kind].reduce((sum: number, answer) => sum + jointAnswer(kind, answer, joint), 0),
        ).toBeCloseTo(1, 9)
    for (const medium of ['cold', 'gas', 'sprinkler'] as const)
      expect(
        SIGN_ANSWERS.carries.reduce((sum, answer) => sum + carriesAnswer(answer, medium), 0),
      ).toBeCloseTo(1, 9)
  })

  it('counts edits', () => {
    expect(editDistance('PB2110', 'PB21I0')).toBe(1)
    expect(editDistance('', 'ABC')).toBe(3)
    expect(Object.values(INSTRUMENTS).every((model) => model.sdMm > 0)).toBe(true)
  })
})
