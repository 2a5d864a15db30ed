import { BODY_KINDS, METHODS, REMOVALS, removalById } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { CATALOG, end } from '../catalog'
import { CoreFault, within } from '../fault'
import { END_FAULTS, HAZARD_IDS, JOINTS, SIGN_ANSWERS, SURFACE_IDS } from '../identify'
import { mate, RULES } from '../mate'
import { line, STUBS, WELL_EQUIPPED } from '../mate/test/problems'
import { calledAfter } from '../record/trapped'
import { MATERIAL_NAMES, PIPE_MATERIALS, pipeById } from '../reference'
import { SCREENS, screenText } from './counts'
import { FAULTS } from './faults'
import {
  ANSWERS,
  CHANGES,
  CONSUMABLE_WORDS,
  END_KINDS,
  FAMILY_WORDS,
  FAULT_WORDS,
  FIXTURE_WORDS,
  faultText,
  HAZARDS,
  METHOD_WORDS,
  odds,
  partWord,
  QUESTIONS,
  REASONS,
  REMOVAL_WORDS,
  REUSE_WORDS,
  reasonText,
  SEALS,
  STEPS,
  SURFACE_WORDS,
  say,
  TOOL_WORDS,
  UNDONE_WORDS,
  wrongText,
} from './index'
import { stationText } from './stations'
import { testPressureText } from './testPressure'

describe('everything that can be said has words', () => {
  it('rules', () => {
    for (const rule of RULES) expect([rule.id, REASONS[rule.id]]).toEqual([rule.id, expect.any(String)])
    for (const rule of RULES) if (rule.change) expect(CHANGES[rule.change]).toBeDefined()
  })
  it('methods, their seals, tools, consumables and steps', () => {
    for (const method of METHODS) {
      expect(METHOD_WORDS[method.id]).toBeDefined()
      expect(SEALS[method.seal]).toBeDefined()
      for (const tool of method.tools) expect(TOOL_WORDS[tool]).toBeDefined()
      for (const { id } of [...method.consumables, ...(method.opens ?? [])])
        expect(CONSUMABLE_WORDS[id]).toBeDefined()
      for (const step of method.steps)
        expect([step.words, STEPS[step.words]]).toEqual([step.words, expect.any(String)])
    }
  })
  it('removals', () => {
    for (const removal of [...REMOVALS, ...['new-end', 'cut-open', 'keep-stop'].map(removalById)]) {
      expect(REMOVAL_WORDS[removal.id]).toBeDefined()
      for (const step of removal.steps) expect(STEPS[step.words]).toBeDefined()
      for (const tool of removal.tools) expect(TOOL_WORDS[tool]).toBeDefined()
    }
  })
  it('questions and answers', () => {
    for (const [sign, answers] of Object.entries(SIGN_ANSWERS)) {
      expect(QUESTIONS[`sign:${sign}`]).toBeDefined()
      for (const answer of answers) expect([answer, ANSWERS[answer]]).toEqual([answer, expect.any(String)])
    }
  })
  it('joints, surfaces, faults and kinds of pipe', () => {
    for (const { undone, reuse } of Object.values(JOINTS)) {
      expect(UNDONE_WORDS[undone]).toBeDefined()
      expect(REUSE_WORDS[reuse]).toBeDefined()
    }
    for (const id of SURFACE_IDS) expect(SURFACE_WORDS[id]).toBeDefined()
    for (const fault of END_FAULTS) expect(FAULT_WORDS[fault]).toBeDefined()
    // of a drain by what is found there, of lead by where it comes apart
    expect([wrongText('pinholes'), wrongText('pinholes', true)]).toEqual([
      'several pinholes',
      'rotten through',
    ])
    expect([wrongText('loose', true, 'lead-waste'), wrongText('loose', true, 'cast-iron')]).toEqual([
      'pulled off its lead',
      'loose in the wall',
    ])
    expect([wrongText('loose', false, 'lead'), wrongText('of a later release', true)]).toEqual([
      'loose in the wall',
      'of a later release',
    ])
    for (const material of PIPE_MATERIALS) expect(MATERIAL_NAMES[material].length).toBeGreaterThan(3)
  })
  it('families, fixtures and hazards', () => {
    for (const { family } of CATALOG) expect(FAMILY_WORDS[family]).toBeDefined()
    // one pattern, two trades' words
    const tees = ['tee.swept.waste.pp.110x110', 'tee.sanitary.abs.3x2'].map((fittingId) =>
      partWord({ family: 'sanitary-tee', fittingId }),
    )
    expect(tees).toEqual(['swept tee', 'sanitary tee'])
    for (const { id } of BODY_KINDS) expect(FIXTURE_WORDS[id]).toBeDefined()
    for (const hazard of HAZARD_IDS)
      expect(HAZARDS[hazard]).toMatchObject({ todo: expect.any(String), decides: expect.any(String) })
  })
})

describe('ends that are asked for', () => {
  it('are made in every size that is offered, and their pipes are in the tables', () => {
    for (const { id, form, system, material, sizes, pipe } of END_KINDS)
      for (const size of sizes) {
        expect(() => end(form as 'tube', system as 'CTS', size, material as 'copper')).not.toThrow()
        if (pipe) expect([id, size, pipeById(pipe.replace('#', size))?.nominal]).toEqual([id, size, size])
      }
  })
})

describe('sentences', () => {
  it('leave no hole under any condition', () => {
    const places: Partial<Conditions>[] = [
      { flame: false },
      { line: 'trickle' },
      { access: 'closed-wall' },
      { stubMm: 4 },
      { stubMm: null },
      { scored: true, outOfRound: true },
      { waterSeen: false },
      { nearHeater: true },
      { pressurePsi: 95 },
      { oldJoint: 'none', thread: 'none' },
      { faults: ['pitted', 'thinned', 'loose'] },
      { faults: ['pinhole'] },
      { faults: ['pinholes', 'choked'] },
      { faults: ['bent', 'ring-mark', 'dirty-bore'] },
      { faults: ['tooth-marks', 'solder-on'] },
    ]
    for (const pipe of STUBS.filter((entry) => ['1/2', '15'].includes(entry.nominal)))
      for (const patch of places) {
        const result = mate({ lines: [line(pipe.id, patch)], settings: WELL_EQUIPPED }).lines[0]
        const reasons = [
          ...(result?.refusals.map((entry) => entry.reason) ?? []),
          ...(result?.options.flatMap((option) => option.warnings) ?? []),
        ]
        for (const reason of reasons)
          for (const unit of ['in', 'mm'] as const) {
            const text = reasonText(reason, unit)
            expect(text).not.toMatch(/[{}]|undefined|NaN/)
            expect(text).toMatch(/[.…]$/)
          }
      }
  })

  it('print lengths in the reader’s unit, rounded by their kind', () => {
    expect(say('{a, number, missing-length}', { a: 10.1 }, 'mm')).toBe('11 mm')
    expect(say('{a, number, largest-opening}', { a: 10.9 }, 'mm')).toBe('10 mm')
    expect(say('{a, number, least-stub}', { a: 25.5 }, 'in')).toBe('1 1/16"')
  })
  it('show what is missing rather than invent it', () => {
    expect(say('{a} and {b}', { a: 1 }, 'in')).toBe('1 and {b}')
    expect(say('{a, number, least-stub}', {}, 'in')).toBe('{a}')
  })
  it('are ICU messages: numbers, plurals and choices; what looks like a tag is only text', () => {
    const ways = '{n, plural, one {# way} other {# ways}}{kind, select, hot {, hot} other {}} <{n}>'
    expect(say(ways, { n: 1, kind: 'hot' }, 'mm')).toBe('1 way, hot <1>')
    expect(say(ways, { n: 3, kind: 'cold' }, 'mm')).toBe('3 ways <3>')
    expect(screenText('ways.kinds', { ways: 1, kinds: 1 })).toBe('1 way')
    expect(screenText('ways.kinds', { ways: 8, kinds: 2 })).toBe('8 ways, 2 shown')
  })
  it('uses no skeleton of numbers or dates: the application leaves out what would read them', () => {
    for (const table of [STEPS, REASONS, FAULTS, SCREENS])
      for (const [id, message] of Object.entries(table))
        expect([id, /::|,\s*(date|time)\b/.test(message)]).toEqual([id, false])
  })

  it('every message of the catalogue can be read', () => {
    // a message that cannot be read throws
    for (const message of [...Object.values(STEPS), ...Object.values(REASONS), ...Object.values(FAULTS)])
      expect(say(message, {}, 'in').length).toBeGreaterThan(0)
  })
  it('show an unknown rule by its name', () =>
    expect(reasonText({ ruleId: 'new.rule', parameters: {} }, 'in')).toBe('new.rule'))

  it.each([
    [0.999, 'certain'],
    [0.93, '93 in 100'],
    [0.5, '5 in 10'],
    [0.104, '1 in 10'],
    [0.096, '1 in 10'],
    [0.094, '9 in 100'],
    [0.04, '4 in 100'],
    [0.004, '4 in 1000'],
    [0.0001, 'hardly'],
  ])('say %d as a bet: %s', (probability, words) => expect(odds(probability)).toBe(words))

  it.each<[CoreFault, string]>([
    [new CoreFault('no-pipe', { id: 'lead.1/2' }), 'no pipe lead.1/2 in the tables'],
    [new CoreFault('no-end', { form: 'tube', system: 'CTS', nominal: '7' }), 'no tube end in CTS 7'],
    [new CoreFault('no-port', { ends: 2, port: 3 }), 'a part with 2 ends has no end 3'],
  ])('say what is wrong with a question: %s', (fault, words) => {
    expect(faultText(fault)).toBe(words)
    // where it lies is told apart from what it is, however deep
    const inner = () =>
      within(['lines', 1], () =>
        within(['from'], () => {
          throw fault
        }),
      )
    expect(() => within(['request'], inner)).toThrow(
      expect.objectContaining({ code: fault.code, path: ['request', 'lines', 1, 'from', ...fault.path] }),
    )
  })
})

describe('how a line is held before it is covered', () => {
  // EN 806-4, 6.1: 1.1 times the 10 bar that EN 806-2 designs for; the model codes name the working pressure
  it.each([
    ['EN', /EN 806-4.*so 11 bar, for 30 minutes \(recalled: verify\)/],
    ['IPC', /IPC 312\.5.*working pressure, for 15 minutes/],
    ['UPC', /UPC 609\.4.*working pressure, for 15 minutes/],
  ] as const)('%s says how high, how long, and where that stands', (profile, said) => {
    expect(testPressureText(profile)).toMatch(said)
    expect(testPressureText(profile)).not.toMatch(/[{}]/)
  })
})

describe('what turns', () => {
  it('is a bend in a drain and an elbow in water, and the second of two is called so', () => {
    const bowl = ['shielded-coupling', 'elbow-90', 'tube-piece', 'elbow-90', 'closet-flange'] as const
    expect(stationText('part:1:centre', bowl, 'floor')).toBe('the middle of the first bend')
    expect(stationText('part:3:centre', bowl, 'floor')).toBe('the middle of the second bend')
    expect(stationText('tail', bowl, 'floor')).toBe('the finished floor')
    const water = ['coupling', 'elbow-90', 'tube-piece', 'angle-stop'] as const
    expect(stationText('part:1:centre', water)).toBe('the middle of the elbow')
  })
})

it('a place along a line is called after what the line begins at, on the screen and on paper alike', () => {
  const hub = { beginsAt: { form: 'hub' } }
  const trap = ['tube-piece', 'p-trap', 'tube-piece'] as const
  const from = (begins: 'pipe' | 'fresh' | 'run', kind: string, option?: typeof hub) =>
    stationText('stub', trap, calledAfter(begins, kind, option))
  expect(from('pipe', 'waste.shower.2')).toBe('the end of the old pipe')
  expect(from('pipe', 'waste.shower.2', hub)).toBe('the mouth of the old fitting')
  // the side of a new branch is a socket too, and nothing old
  expect(from('fresh', 'waste.shower.2', hub)).toBe('the mouth that it drains into')
  expect(stationText('stub', ['elbow-90'], calledAfter('fresh', 'arm.1/2', undefined))).toBe(
    'the mouth it begins at',
  )
  expect(stationText('wall', ['closet-flange'], calledAfter('pipe', 'waste.bowl', hub))).toBe(
    'the rim of the fitting below',
  )
  expect(stationText('tail', ['tube-piece', 'closet-flange'], calledAfter('fresh', 'waste.bowl', hub))).toBe(
    'the finished floor',
  )
  expect(from('run', 'waste.run.tee.2')).toBe('the cut on this side')
})
