import {
  type LineRequest,
  mate,
  mouthOf,
  PLAIN_CONDITIONS,
  type PlanRequest,
  STARTING_SETTINGS,
  sequence,
  TOOL_IDS,
} from '@diarmos/core'
import { cutInOf } from '../../packages/core/src/mate/test/drains'
import { REASONS } from '../../packages/core/src/words/reasons'
import { STEPS } from '../../packages/core/src/words/steps'
import { Dice } from '../mate/random'
import { allBefore } from './allBefore'
import { anyOrder } from './anyOrder'
import { carryOut } from './world'

const WELL_EQUIPPED = { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS }
const PLAIN = { ...PLAIN_CONDITIONS, service: 'cold' as const, waterSeen: true }
const HOUSE = WELL_EQUIPPED.houseRules
const wastes = (kind: string, pipeId: string, access: 'reachable' | 'closed-wall' = 'reachable') => {
  const conditions = { ...PLAIN, service: 'waste' as const, access }
  const cutIn = cutInOf(kind)
  const line: LineRequest = { lineId: 'run', pipeId, cutIn, conditions }
  const [answer] = mate({ lines: [line], settings: WELL_EQUIPPED }).lines
  if (!answer) throw new Error('no line')
  return { answer, conditions }
}
const planOf = ({ answer, conditions }: ReturnType<typeof wastes>): PlanRequest => {
  const [option] = answer.options
  if (!option) throw new Error('no way')
  return { lines: [{ lineId: 'run', option, conditions }], houseRules: HOUSE }
}

/** What the plan allows besides the order that it proposes is as right. */
function inAnyOrder(request: PlanRequest, steps: ReturnType<typeof sequence>['steps']): void {
  for (let draw = 0; draw < 20; draw++)
    expect([draw, carryOut(request, anyOrder(steps, new Dice(draw)))]).toEqual([draw, []])
}

describe('a branch into a run of drain', () => {
  it.each([
    ['waste.run.tee.1-1/2', 'pvc-dwv.40.2', 'sanitary-tee', 'branch.upright'],
    ['waste.run.wye.2', 'abs-dwv.40.3', 'wye', 'branch.lying'],
    ['waste.run.tee.3', 'cast-iron.service.4', 'sanitary-tee', 'branch.upright'],
    ['waste.run.wye.4', 'clay.4', 'wye', 'branch.lying'],
    ['waste.run.tee.iron.2', 'cast-iron.hubless.3', 'sanitary-tee', 'branch.upright'],
    ['waste.run.wye.iron.3', 'cast-iron.hubless.4', 'wye', 'branch.lying'],
  ])(
    '%s into %s: one part of its kind, its size, and what comes before it is said',
    (kind, pipeId, family, note) => {
      const access = pipeId === 'clay.4' ? 'buried' : 'reachable'
      const { answer } = wastes(kind, pipeId, access as 'reachable')
      expect(answer.options.length).toBeGreaterThan(0)
      for (const { parts, warnings } of answer.options) {
        const branches = parts.filter((part) => /^(sanitary-tee|wye)/.test(part.family))
        expect(branches).toHaveLength(1)
        expect(branches[0]?.family.startsWith(family)).toBe(true)
        // the first end is upstream, on the side that is measured first
        expect(branches[0]?.inPort).toBe(0)
        expect(warnings.map(({ ruleId }) => ruleId)).toEqual(expect.arrayContaining([note, 'branch.vent']))
      }
    },
  )

  it('is never larger than its run, and the reason is that', () => {
    const { answer } = wastes('waste.run.wye.4', 'abs-dwv.40.3')
    expect(answer.options).toEqual([])
    const reasons = answer.refusals.map(({ reason }) => reason.ruleId)
    expect(reasons).toContain('branch.larger')
    expect(answer.lastResort?.ruleId).toBe('resort.larger-run')
    expect(REASONS['branch.larger']).toMatch(/smaller downstream/)
    expect(wastes('waste.run.wye.3', 'abs-dwv.40.3').answer.options.length).toBeGreaterThan(0)
  })

  it.each(['reachable', 'closed-wall'] as const)(
    'is turned before it is cemented and shut before anything runs: %s',
    (access) => {
      const request = planOf(wastes('waste.run.tee.2', 'pvc-dwv.40.2', access))
      const { steps } = sequence(request)
      expect(carryOut(request, steps)).toEqual([])
      inAnyOrder(request, steps)
      const at = (words: RegExp) => steps.findIndex((step) => words.test(step.words))
      expect(at(/^branch.way$/)).toBeLessThan(at(/^cement.join/))
      // a tee that stands lies level at its side, a wye that lies leans up the flow
      const way = (kind: string, pipeId = 'pvc-dwv.40.2') =>
        sequence(planOf(wastes(kind, pipeId, access))).steps.find(({ words }) => words === 'branch.way')
          ?.parameters
      expect([way('waste.run.tee.2'), way('waste.run.wye.2')]).toEqual([
        { of: 'tee', by: 'cement' },
        { of: 'wye', by: 'cement' },
      ])
      // rings wait for nobody
      expect(way('waste.run.tee.110', 'waste.pp.110mm')).toEqual({ of: 'tee', by: 'other' })
      expect(at(/^branch.plug$/)).toBeLessThan(at(/^(hold.fill|prove.run)$/))
      // it hangs by itself once it stands, before water stands in it
      const hung = (startSeconds: number) =>
        carryOut(
          request,
          steps.map((step) =>
            step.words === 'fix.hang' ? { ...step, startSeconds, endSeconds: startSeconds + 1 } : step,
          ),
        ).join()
      expect(hung(-2)).toMatch(/run is strapped before it stands/)
      expect(hung(1_000_000)).toMatch(/run is filled before it hangs/)
      for (const words of ['branch.way', 'branch.plug', 'branch.cap']) expect(STEPS[words]).toBeDefined()
      // left out it is missed
      const open = carryOut(
        request,
        steps.filter(({ words }) => words !== 'branch.plug'),
      )
      expect(open.join()).toMatch(/the side of run/)
    },
  )
})

it.each([
  ['waste.run.tee.iron.2', 'waste.tail.1-1/2', 'cast-iron.hubless.3'],
  ['waste.run.wye.iron.3', 'waste.bowl', 'cast-iron.hubless.4'],
])('%s, fed by %s: iron between couplings, nothing of it sawn, whatever comes first', (kind, fed, pipeId) => {
  const conditions = { ...PLAIN, service: 'waste' as const }
  const lines: LineRequest[] = [
    { lineId: 'run', pipeId, cutIn: cutInOf(kind), conditions },
    { lineId: 'side', branchOf: 'run', to: mouthOf(fed), conditions },
  ]
  const { lines: alone, together } = mate({ lines, settings: WELL_EQUIPPED, k: 8 })
  const [run, side] = alone.map(({ options }, at) => options.find(({ id }) => id === together?.optionIds[at]))
  if (!run || !side) throw new Error('no way')
  expect(run.parts.every(({ fittingId }) => /hubless|tube\.cast-iron/.test(fittingId))).toBe(true)
  const request: PlanRequest = {
    lines: [
      { lineId: 'run', option: run, conditions },
      { lineId: 'side', branchOf: 'run', option: side, conditions, meets: { to: 'b' } },
    ],
    bodies: [{ id: 'b', contents: [], mount: fed === 'waste.bowl' ? 'floor' : 'deck', kind: fed }],
    houseRules: HOUSE,
  }
  const { steps } = sequence(request)
  expect(carryOut(request, steps)).toEqual([])
  inAnyOrder(request, steps)
  // both its own ends, and the end that the side begins at
  const wiped = steps.filter(({ words }) => words === 'joint.wipe-plug').map(({ id }) => id)
  expect(wiped).toContain('side/0/dress')
  expect(wiped.filter((id) => id.startsWith('run/'))).toHaveLength(2)
  // of each stuff what was asked for
  const stuffs = (asked: string, of: string) =>
    wastes(asked, of).answer.options.flatMap(({ parts }) =>
      parts
        .filter(({ family }) => /tee|wye/.test(family))
        .map(({ fittingId }) => fittingId.includes('hubless')),
    )
  expect(new Set(stuffs(kind, pipeId))).toEqual(new Set([true]))
  expect(new Set(stuffs(kind.replace('.iron', ''), pipeId))).toEqual(new Set([false]))
  expect(stuffs(kind, 'cast-iron.service.4')).toEqual([])
})

it('what drains into a new branch goes in once the run is whole and has set, its side plugged until then', () => {
  const conditions = { ...PLAIN, service: 'waste' as const }
  const cutIn = cutInOf('waste.run.tee.2')
  const lines: LineRequest[] = [
    { lineId: 'run', pipeId: 'pvc-dwv.40.2', cutIn, conditions },
    { lineId: 'side', branchOf: 'run', to: mouthOf('waste.tail.1-1/2'), conditions },
  ]
  const [run, side] = mate({ lines, settings: WELL_EQUIPPED }).lines.map(({ options }) => options[0])
  if (!run || !side) throw new Error('no way')
  const request: PlanRequest = {
    lines: [
      { lineId: 'run', option: run, conditions },
      { lineId: 'side', branchOf: 'run', option: side, conditions },
    ],
    houseRules: HOUSE,
  }
  const { steps } = sequence(request)
  expect(carryOut(request, steps)).toEqual([])
  const before = allBefore(steps)
  const whole = steps.flatMap(({ id }) => (/^run\/\d+\/(close|cure)$/.test(id) ? [id] : []))
  expect(whole.some((id) => id.endsWith('cure'))).toBe(true)
  expect([...before('run/line/branch-unplug')]).toEqual(
    expect.arrayContaining(['run/line/branch-plug', ...whole]),
  )
  const pushed = steps.flatMap(({ id }) => (/^side\/\d+\/close$/.test(id) ? [id] : []))
  expect(pushed.length).toBeGreaterThan(1)
  for (const id of pushed) expect([id, before(id).has('run/line/branch-unplug')]).toEqual([id, true])
  // nothing old is open there
  expect(steps.filter(({ id }) => /^side\/line\/(un)?plug$/.test(id))).toEqual([])
})

describe('a tee with two sides', () => {
  const conditions = { ...PLAIN, service: 'waste' as const }
  const ask = (kind: string, pipeId: string, ...sides: readonly string[]) => {
    const lines: LineRequest[] = [
      { lineId: 'run', pipeId, cutIn: cutInOf(kind), conditions },
      ...sides.map((side, at) => ({
        lineId: side,
        branchOf: 'run',
        ...(at > 0 ? { second: true as const } : {}),
        to: mouthOf(side),
        conditions,
      })),
    ]
    return mate({ lines, settings: WELL_EQUIPPED })
  }
  const DOUBLE = 'waste.run.tee.double.2'
  const BESIDE = 'waste.run.tee.right.3x2'

  it.each([
    [DOUBLE, 'pvc-dwv.40.3', /^tee\.double\.pvc\.3x2x2$/, 'branch.opposite', 'branch.beside'],
    [BESIDE, 'abs-dwv.40.3', /^tee\.right\.abs\.3x3x2$/, 'branch.beside', 'branch.opposite'],
    ['waste.run.tee.2', 'pvc-dwv.40.3', /^tee\.sanitary\.pvc\.3x2$/, 'branch.upright', 'branch.beside'],
  ])(
    '%s: one part with those sides and no other, and what it is for is said',
    (kind, pipeId, part, said, unsaid) => {
      const [run] = ask(kind, pipeId).lines
      expect(run?.options.length).toBeGreaterThan(0)
      for (const { parts, warnings } of run?.options ?? []) {
        expect(
          parts.filter(({ family }) => family === 'sanitary-tee').map(({ fittingId }) => fittingId),
        ).toEqual([expect.stringMatching(part)])
        const ids = warnings.map(({ ruleId }) => ruleId)
        expect([ids.includes(said), ids.includes(unsaid)]).toEqual([true, false])
      }
      expect(REASONS[said]).toBeDefined()
    },
  )

  it('two that run in slowly face each other; what a pump or a bowl sends in does not, and the reason is that', () => {
    const two = ask(DOUBLE, 'pvc-dwv.40.3', 'waste.tail.1-1/2', 'waste.tub.1-1/2')
    expect(two.together?.optionIds.every((id) => id !== undefined)).toBe(true)
    const pumped = ask(DOUBLE, 'pvc-dwv.40.3', 'waste.tail.1-1/2', 'waste.standpipe')
    expect(pumped.lines[2]?.options).toEqual([])
    expect(pumped.lines[2]?.refusals.map(({ reason }) => reason.ruleId)).toContain('branch.head-on')
    // nor into the first of the two
    const first = ask(DOUBLE, 'pvc-dwv.40.3', 'waste.standpipe').lines[1]
    expect(first?.options).toEqual([])
    // beside a bowl's branch the pump has nothing opposite
    const beside = ask(BESIDE, 'pvc-dwv.40.3', 'waste.bowl', 'waste.standpipe')
    expect(beside.lines.map(({ options }) => options.length > 0)).toEqual([true, true, true])
  })

  it('each side is plugged by itself until its own pipe comes in, and one that nothing comes into stays so', () => {
    const answer = ask(BESIDE, 'pvc-dwv.40.3', 'waste.bowl', 'waste.tub.1-1/2')
    const [run, bowl, tub] = answer.lines.map(({ options }) => options[0])
    if (!run || !bowl || !tub) throw new Error('no way')
    const plan = (...lines: PlanRequest['lines']) => {
      const request: PlanRequest = {
        lines: [{ lineId: 'run', option: run, conditions }, ...lines],
        houseRules: HOUSE,
      }
      const { steps } = sequence(request)
      expect(carryOut(request, steps)).toEqual([])
      inAnyOrder(request, steps)
      return { steps, before: allBefore(steps) }
    }
    const first = { lineId: 'bowl', branchOf: 'run', option: bowl, conditions }
    const second = { lineId: 'tub', branchOf: 'run', second: true as const, option: tub, conditions }
    const both = plan(first, second)
    for (const [name, lineId] of [
      ['branch', 'bowl'],
      ['second', 'tub'],
    ] as const) {
      expect(both.before(`run/line/${name}-unplug`)).toContain(`run/line/${name}-plug`)
      const joins = both.steps.flatMap(({ id }) =>
        new RegExp(`^${lineId}/\\d+/close$`).test(id) ? [id] : [],
      )
      for (const id of joins) expect([id, both.before(id).has(`run/line/${name}-unplug`)]).toEqual([id, true])
    }
    // the tub's pipe does not wait for the bowl's plug
    const tubs = both.steps.flatMap(({ id }) => (/^tub\/0\/close$/.test(id) ? [...both.before(id)] : []))
    expect(tubs).not.toContain('run/line/branch-unplug')
    const one = plan(first)
    const said = one.steps
      .filter(({ words }) => words.startsWith('branch.plug'))
      .map(({ words, parameters }) => [words, parameters?.at])
    expect(said).toEqual(
      expect.arrayContaining([
        ['branch.plug-now', 'first'],
        ['branch.plug', 'second'],
      ]),
    )
    // left open it is missed
    const open = { lines: [{ lineId: 'run', option: run, conditions }, first], houseRules: HOUSE }
    expect(
      carryOut(
        open,
        one.steps.filter(({ id }) => id !== 'run/line/second-plug'),
      ).join(),
    ).toMatch(/side of run/)
  })
})

it('of wyes both are shown: their sides look elsewhere', () => {
  const { answer } = wastes('waste.run.wye.2', 'abs-dwv.40.3')
  const shown = answer.options.filter(({ id }) => answer.kinds.includes(id))
  const families = shown.flatMap(({ parts }) => parts.map(({ family }) => family))
  expect(families).toEqual(expect.arrayContaining(['wye', 'wye-eighth']))
})

describe('what water leaves by that nothing hangs on', () => {
  const teed = () => {
    const cutIn = { insert: 'tee' as const, farMm: 300, freeMm: [600, 600] as const, sidewaysMm: 40 }
    const lines: LineRequest[] = [
      { lineId: 'run', pipeId: 'copper.l.1/2', cutIn, conditions: PLAIN },
      { lineId: 'branch', branchOf: 'run', to: mouthOf('closed'), conditions: PLAIN },
    ]
    const { lines: answers, together } = mate({ lines, settings: WELL_EQUIPPED })
    const [run, branch] = answers.map(({ options }, at) =>
      options.find(({ id }) => id === together?.optionIds[at]),
    )
    if (!run || !branch) throw new Error('no way')
    return { run, branch }
  }

  it('a tee alone is capped before the water comes back, and floods where it is not', () => {
    const { run } = teed()
    const request: PlanRequest = {
      lines: [{ lineId: 'run', option: run, conditions: PLAIN, material: 'copper' }],
      houseRules: HOUSE,
    }
    const { steps } = sequence(request)
    expect(carryOut(request, steps)).toEqual([])
    inAnyOrder(request, steps)
    expect([...allBefore(steps)('general/restore')]).toContain('run/line/branch-cap')
    expect(
      carryOut(
        request,
        steps.filter(({ words }) => words !== 'branch.cap'),
      ).join(),
    ).toMatch(/floods: the side of run/)
  })

  it('is a line of its own where the job has one: a cap of its kind, and no second one', () => {
    const { run, branch } = teed()
    expect(branch.parts.at(-1)?.family).toMatch(/^(cap|plug)$/)
    const request: PlanRequest = {
      lines: [
        { lineId: 'run', option: run, conditions: PLAIN, material: 'copper' },
        { lineId: 'branch', branchOf: 'run', option: branch, conditions: PLAIN },
      ],
      houseRules: HOUSE,
    }
    const { steps } = sequence(request)
    expect(carryOut(request, steps)).toEqual([])
    expect(steps.filter(({ words }) => words.startsWith('branch.'))).toEqual([])
  })
})
