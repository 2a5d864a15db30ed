import { bodiesOf, mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { METHODS } from '../assembly/methods/table'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { MateOption } from '../mate/types'
import { stepText } from '../words/steps'
import { sequence } from './index'
import { isKnownStep } from './keys'
import { waitsFor } from './test/waitsFor'

const { houseRules } = WELL_EQUIPPED
const planOf = (option: MateOption, conditions = PLAIN) =>
  sequence({ lines: [{ lineId: 'a', option, conditions }], houseRules }).steps

it.each([
  ['copper.l.1/2', 'metal'],
  ['cpvc.sdr11.1/2', 'stiff'],
  ['pex-b.sdr9.1/2', 'soft'],
] as const)('new pipe of %s hangs as what it is of does: %s', (pipeId, of) => {
  const conditions = { ...PLAIN, oldJoint: 'none' as const }
  const cutIn = {
    insert: 'repair' as const,
    outMm: 300,
    farMm: 300,
    freeMm: [600, 600] as const,
    sidewaysMm: 40,
  }
  const ways =
    mate({ lines: [{ lineId: 'a', pipeId, cutIn, conditions }], settings: WELL_EQUIPPED, k: 20 }).lines[0]
      ?.options ?? []
  // of its own stuff, whatever else might go on
  const own = ways.find(({ joints, parts }) =>
    joints.some(
      ({ from, tubeMaterial }) => parts[from]?.family === 'tube-piece' && pipeId.startsWith(tubeMaterial),
    ),
  )
  if (!own) throw new Error('no pipe of its own stuff')
  expect(planOf(own, conditions).find(({ id }) => id === 'a/line/strap')?.parameters).toEqual({ of })
})

it('what is screwed together on the bench waits for no old joint, what goes onto the old pipe for all of it', () => {
  const conditions = { ...PLAIN, oldJoint: 'sweat' as const }
  const to = mouthOf('arm.1/2')
  const ways =
    mate({ lines: [{ lineId: 'a', pipeId: 'copper.l.1/2', to, conditions }], settings: WELL_EQUIPPED, k: 60 })
      .lines[0]?.options ?? []
  const carried = ways.filter(
    ({ joints }) => joints[0]?.method === 'push-fit' && joints[1]?.method === 'threaded',
  )
  expect(carried.length).toBeGreaterThan(0)
  for (const way of carried) {
    const steps = planOf(way, conditions)
    const removal = steps.filter(({ id }) => id.startsWith('a/remove/')).map(({ id }) => id)
    expect(removal.length).toBeGreaterThan(0)
    for (const id of removal)
      expect([way.id, id, ...[0, 1].map((seam) => waitsFor(steps, `a/${seam}/close`, id))]).toEqual([
        way.id,
        id,
        true,
        false,
      ])
  }
})

it('knows every act of every method by its name, those by which an end is made on the job too', () => {
  const made = METHODS.flatMap(({ pairings }) =>
    pairings.flatMap((pairing) => ('made' in pairing && pairing.made ? [pairing.made.key] : [])),
  )
  expect(made.length).toBeGreaterThan(1)
  for (const key of [...made, ...METHODS.flatMap(({ steps }) => steps.map((step) => step.key))])
    expect([key, isKnownStep(`a/0/${key}`)]).toEqual([key, true])
  expect(isKnownStep('a/0/undefined')).toBe(false)
})

describe('what the house asks for', () => {
  const to = mouthOf('faucet.shank.1/2')
  const stub = (oldJoint: 'sweat' | 'compression') => {
    const conditions = { ...PLAIN, oldJoint, line: 'dry' as const }
    const line = { lineId: 'a', pipeId: 'copper.l.1/2', to, conditions }
    const [option] = mate({ lines: [line], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    return { lineId: 'a', option, conditions, material: 'copper' as const }
  }

  it('each method is set out with the tools of its own joints', () => {
    for (const line of [stub('sweat'), stub('compression')]) {
      const { joints } = line.option
      const { steps } = sequence({ lines: [line], houseRules })
      for (const method of new Set(joints.map((joint) => joint.method))) {
        const tools = new Set(joints.flatMap((joint) => (joint.method === method ? joint.tools : [])))
        const set = steps.find(({ id }) => id === `general/set-up-${method}`)
        if (set) expect([method, set.parameters?.tools]).toEqual([method, [...tools].join(' ')])
      }
      expect(steps.some(({ id }) => id.startsWith('general/set-up-'))).toBe(true)
    }
  })

  it('old solder may hold lead: said where there is some, and only where it is as old as that', () => {
    const says = (oldSolder: boolean, oldJoint: 'sweat' | 'compression') =>
      sequence({ lines: [stub(oldJoint)], houseRules, oldSolder }).steps.some(
        ({ id }) => id === 'general/lead',
      )
    const asked = [true, false].flatMap((old) =>
      (['sweat', 'compression'] as const).map((joint) => says(old, joint)),
    )
    expect(asked).toEqual([true, false, false, false])
  })

  it('metal pipe is bridged before anything of it comes off', () => {
    const { steps } = sequence({ lines: [stub('sweat')], houseRules })
    const [first] = steps.filter(({ id }) => id.startsWith('a/remove/'))
    expect(steps.some(({ id }) => id === 'general/bond')).toBe(true)
    expect(waitsFor(steps, first?.id ?? '', 'general/bond')).toBe(true)
  })
})

describe('what hangs in a wall', () => {
  const conditions = { ...PLAIN, oldJoint: 'sweat' as const, line: 'dry' as const }
  const at = (kind: string) => {
    const [body] = bodiesOf([kind])
    if (!body) throw new Error(kind)
    const line = { lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf(kind), conditions }
    const options = mate({ lines: [line], settings: WELL_EQUIPPED, k: 60 }).lines[0]?.options ?? []
    const plan = (option: MateOption) =>
      sequence({
        lines: [{ lineId: 'a', option, conditions, meets: { to: body.id } }],
        bodies: [body],
        houseRules,
      }).steps
    return { body, options, plan }
  }

  it('has no connector under it that would be taken off a stop', () => {
    const takesOff = (kind: string) => {
      const { options, plan } = at(kind)
      const [way] = options
      if (!way) throw new Error(`no way to ${kind}`)
      return plan(way).some(({ id }) => id === 'a/line/undo-old')
    }
    expect(['faucet.shank.1/2', 'spout.thread.1/2', 'valve.female.1/2'].map(takesOff)).toEqual([
      true,
      false,
      false,
    ])
  })

  it('hangs before what closes its line is made, wherever along the line that is', () => {
    const { body, options, plan } = at('valve.female.1/2')
    const further = options.filter(
      ({ closes, joints }) => closes && (closes.by === 'union' || !joints[closes.seam]?.atStub),
    )
    expect(further.length).toBeGreaterThan(0)
    for (const way of further) {
      const last = `a/${way.closes?.seam}/${way.closes?.by === 'union' ? 'union' : 'close'}`
      expect([way.id, waitsFor(plan(way), last, `general/hang-${body.id}`)]).toEqual([way.id, true])
    }
  })
})

it('a plate goes over the bare end: before the nut and the insert, and no joint further on waits for it', () => {
  const conditions = { ...PLAIN, plateMm: 3, oldJoint: 'none' as const }
  const to = mouthOf('faucet.shank.1/2')
  const ways =
    mate({
      lines: [{ lineId: 'a', pipeId: 'pex-b.sdr9.1/2', to, conditions }],
      settings: WELL_EQUIPPED,
      k: 60,
    }).lines[0]?.options ?? []
  const nuts = ways.filter(({ joints }) => joints[0]?.method === 'compression' && joints.length > 1)
  expect(nuts.length).toBeGreaterThan(0)
  for (const way of nuts) {
    const steps = planOf(way, conditions)
    const waits = steps.flatMap(({ id, after }) => (after.includes('a/line/plate') ? [id] : []))
    const before = steps.filter(
      ({ seam, kind, words }) => seam === 0 && (kind === 'captive' || words === 'compression.insert'),
    )
    expect(before.length).toBeGreaterThan(2)
    for (const { id } of before) expect(waits).toContain(id)
    expect(waits.filter((id) => !id.startsWith('a/0/'))).toEqual([])
    // the end is cut, and cleaned, with nothing on the pipe
    expect(waits).not.toContain('a/0/cut')
  }
})

it.each([
  ['copper.l.1', 'press', 90],
  ['copper.l.3/4', 'sweat', 90],
  ['cpvc.sdr11.1/2', 'cement', 90],
] as const)(
  '%s by %s: tube is cut at each of its ends, a fitting’s own plain end never',
  (pipeId, method, turn) => {
    const conditions = { ...PLAIN, oldJoint: 'none' as const, turn }
    const to = mouthOf('hose.outlet')
    const ways =
      mate({ lines: [{ lineId: 'a', pipeId, to, conditions }], settings: WELL_EQUIPPED, k: 60 }).lines[0]
        ?.options ?? []
    const cups = ways.filter(
      ({ joints, parts }) =>
        joints.every((joint) => joint.method === method || joint.method === 'threaded') &&
        parts.some(({ family }) => family.startsWith('street-elbow')),
    )
    expect(cups.length).toBeGreaterThan(0)
    for (const way of cups) {
      const words = planOf(way, conditions).map((step) => step.words)
      const count = (wanted: RegExp) => words.filter((word) => wanted.test(word)).length
      const own = way.parts.filter(({ fittingId }) =>
        /street\.\d+\.(press|c|s|pvc)\.|reducer\.fitting/.test(fittingId),
      )
      const pieces = way.parts.filter(({ family }) => family === 'tube-piece')
      expect([way.id, count(/^joint\.spigot$/)]).toEqual([way.id, own.length])
      expect([way.id, count(/^joint\.dress/)]).toEqual([way.id, 1 + 2 * pieces.length])
    }
  },
)

it('an end that an old stop was sweated off is not shortened before anybody has looked at it', () => {
  const conditions = { ...PLAIN, oldJoint: 'sweat' as const }
  const to = mouthOf('hose.outlet')
  const ways =
    mate({ lines: [{ lineId: 'a', pipeId: 'copper.l.1/2', to, conditions }], settings: WELL_EQUIPPED, k: 30 })
      .lines[0]?.options ?? []
  const atStub = (removalId: string) => {
    const way = ways.find((one) => one.removalId === removalId && one.joints[0]?.method === 'sweat')
    return way && planOf(way, conditions).find(({ id }) => id === 'a/0/dress')?.words
  }
  expect([atStub('sweat-off'), atStub('cut-behind')]).toEqual(['joint.dress-cut', 'joint.dress-cut'])
})

describe('what comes off a pipe', () => {
  const opens = (kind: string, oldJoint: Conditions['oldJoint']) => {
    const [body] = bodiesOf([kind])
    const conditions = { ...PLAIN, oldJoint }
    const lines = [{ lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf(kind), conditions }]
    const [option] = mate({ lines, settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!body || !option) throw new Error(`no way to ${kind}`)
    return sequence({
      lines: [{ lineId: 'a', option, conditions, meets: { to: body.id } }],
      bodies: [body],
      houseRules,
    })
      .steps.filter(({ words }) => words.startsWith('remove.'))
      .map((step) => stepText(step, 'in'))
      .join(' ')
  }

  it.each([
    ['faucet.shank.1/2', 'sweat', true],
    ['faucet.shank.1/2', 'push-fit', true],
    ['hose.outlet', 'sweat', false],
    ['heater.nipple.3/4', 'sweat', false],
    ['heater.nipple.3/4', 'compression', false],
    ['heater.nipple.3/4', 'push-fit', false],
    ['valve.combo.1/2', 'compression', false],
  ] as const)(
    'under %s, %s: called a stop where there is one, and a fitting elsewhere',
    (kind, joint, isStop) => {
      expect(opens(kind, joint)).toMatch(isStop ? /stop/ : /fitting|valve/)
      if (!isStop) expect(opens(kind, joint)).not.toMatch(/stop\b/)
    },
  )
})

it.each([
  ['heater.nipple.3/4', 'cold', true],
  ['heater.nipple.3/4', 'hot', true],
  ['faucet.shank.1/2', 'cold', false],
  ['faucet.shank.1/2', 'hot', true],
] as const)('the heater is off before water is let out of it: %s, %s', (kind, service, off) => {
  const [body] = bodiesOf([kind])
  const conditions = { ...PLAIN, service }
  const lines = [{ lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf(kind), conditions }]
  const [option] = mate({ lines, settings: WELL_EQUIPPED }).lines[0]?.options ?? []
  if (!body || !option) throw new Error(`no way to ${kind}`)
  const words = sequence({
    lines: [{ lineId: 'a', option, conditions, meets: { to: body.id } }],
    bodies: [body],
    houseRules,
  }).steps.map((step) => step.words)
  const at = (step: string) => words.indexOf(step)
  expect(at('safe.heater-off') >= 0).toBe(off)
  expect(at('open.heater-on') >= 0).toBe(off)
  if (off) {
    expect(at('safe.heater-off')).toBeLessThan(at('safe.drain'))
    expect(at('open.heater-on')).toBeGreaterThan(at('open.restore'))
  }
})
