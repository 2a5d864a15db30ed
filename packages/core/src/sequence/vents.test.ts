import { mouthOf } from '../assembly/bodies'
import { type Conditions, drainOf, OLD_TRAP_IDS, oldTrapsAt } from '../assembly/conditions'
import type { Reason } from '../assembly/reason'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import { reasonText } from '../words/reasons'
import { sequence } from './index'

const ask = (kind: string, patch: Partial<Conditions> = {}, houseRules = {}, pipeId = 'pvc-dwv.40.1-1/2') => {
  const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', unvented: true, ...patch }
  const settings = { ...WELL_EQUIPPED, houseRules: { ...WELL_EQUIPPED.houseRules, ...houseRules } }
  const line = { lineId: 'waste', pipeId, to: mouthOf(kind), conditions }
  const [answer] = mate({ lines: [line], settings }).lines
  if (!answer) throw new Error('no line')
  return { answer, conditions, settings }
}
const tees = ({ answer }: ReturnType<typeof ask>) =>
  answer.options.map(({ parts }) => parts.filter(({ family }) => family === 'vent-tee').length)

describe('a trap without a vent', () => {
  it.each(['waste.tail.1-1/4', 'waste.tail.1-1/2', 'waste.sink.end', 'waste.disposer', 'waste.standpipe'])(
    '%s: gets one tee with a valve that admits air before its one trap, and none where it is vented',
    (kind) => {
      const airless = ask(kind)
      expect(tees(airless).length).toBeGreaterThan(0)
      expect(new Set(tees(airless))).toEqual(new Set([1]))
      for (const { parts } of airless.answer.options) {
        const at = (family: RegExp) => parts.findIndex((part) => family.test(part.family))
        expect(at(/^vent-tee$/)).toBeLessThan(at(/trap$/))
        expect(parts.filter(({ family }) => /trap$/.test(family))).toHaveLength(1)
      }
      expect(airless.answer.options[0]?.warnings.map(({ ruleId }) => ruleId)).toContain('drain.air-valve')
      expect(new Set(tees(ask(kind, { unvented: false })))).toEqual(new Set([0]))
      // what stays further down is vented there
      expect(new Set(tees(ask(kind, { trapped: true })))).toEqual(new Set([0]))
    },
  )

  it.each(['waste.tail.1-1/4', 'waste.tail.1-1/2', 'waste.sink.end', 'waste.disposer', 'waste.standpipe'])(
    '%s: over a drain that comes up out of the floor its trap stands at the side of a tee, whatever vents that drain',
    (kind) => {
      for (const unvented of [true, false]) {
        const { answer } = ask(kind, { rises: true, unvented })
        expect(answer.options.length).toBeGreaterThan(0)
        for (const { parts, warnings } of answer.options) {
          const families = parts.map(({ family }) => family)
          expect(families.filter((family) => /^vent-|trap$/.test(family))).toEqual([
            'vent-riser',
            expect.stringMatching(/trap$/),
          ])
          expect(warnings.map(({ ruleId }) => ruleId)).toEqual(
            expect.arrayContaining(['drain.s-trap', 'drain.air-valve']),
          )
        }
      }
      // a trap below the floor is the one trap: what leads down to it is pipe
      const below = ask(kind, { rises: true, unvented: false, trapped: true }).answer.options
      for (const { parts } of below)
        expect(parts.filter(({ family }) => /^vent-|trap$/.test(family))).toEqual([])
    },
  )

  it.each([
    ['bottle', 'its inner wall alone', 'its inner wall alone'],
    ['drum', 'drum trap that stays clogs', 'drum trap is cut out'],
    ['running', 'stays as this line’s one trap', 'is taken out'],
    ['two', 'lower stays as the only one', 'Both old traps go'],
    ['none', 'gas of the sewer', 'gas of the sewer'],
    ['p', null, null],
    ['s', null, null],
    ['standing', null, null],
  ] as const)(
    'of an old trap, %s, is said what becomes of it, where it stays and where it goes',
    (oldTrap, ...said) => {
      for (const [at, trapped] of [true, false].entries()) {
        const { answer } = ask('waste.tail.1-1/2', { oldTrap, trapped })
        const notes = (answer.options[0]?.warnings ?? []).filter(({ ruleId }) =>
          ruleId.startsWith('drain.old-'),
        )
        expect(notes.map(({ ruleId }) => ruleId)).toEqual(said[at] === null ? [] : [`drain.old-${oldTrap}`])
        for (const note of notes) expect(reasonText(note, 'in')).toContain(said[at])
        // what was there changes nothing of what is offered: what follows from it does
        const plain = ask('waste.tail.1-1/2', { trapped }).answer.options
        expect(answer.options.map(({ id }) => id)).toEqual(plain.map(({ id }) => id))
      }
    },
  )

  it('an old trap says whether one stays, and where it hung in the open, whether the pipe comes out of the floor', () => {
    expect(OLD_TRAP_IDS.map((trap) => [trap, drainOf(trap, true), drainOf(trap, false)])).toEqual([
      ['p', { trapped: false, rises: false }, { trapped: false }],
      ['s', { trapped: false, rises: true }, { trapped: false }],
      ['bottle', { trapped: false, rises: false }, { trapped: false }],
      ['drum', { trapped: true }, { trapped: true }],
      ['running', { trapped: true }, { trapped: true }],
      ['two', { trapped: true }, { trapped: true }],
      ['standing', { trapped: true }, { trapped: true }],
      ['none', { trapped: false }, { trapped: false }],
    ])
    // a tub’s lies under its floor: nothing of it shows an S or a bottle
    expect(OLD_TRAP_IDS.filter((trap) => !oldTrapsAt(false).includes(trap))).toEqual(['s', 'bottle'])
  })

  it('out of the floor, where no valve may stand, goes into the wall first, and nothing else is offered', () => {
    const { answer } = ask('waste.tail.1-1/2', { rises: true, unvented: false }, { badVent: 'wall' })
    expect(answer.options).toEqual([])
    const [why] = answer.refusals.flatMap(({ reason }) =>
      reason.ruleId === 'drain.unvented' ? [reason] : [],
    )
    expect(reasonText(why as Reason, 'in')).toMatch(/an S,.+brought into the wall first/)
    expect(answer.remedies.map(({ changes }) => changes)).toContainEqual(['vented'])
    const { answer: airless } = ask('waste.tail.1-1/2', {}, { badVent: 'wall' })
    const [other] = airless.refusals.flatMap(({ reason }) =>
      reason.ruleId === 'drain.unvented' ? [reason] : [],
    )
    expect(reasonText(other as Reason, 'in')).toMatch(/^No vent,.+through the wall/)
  })

  // said of a basin once, it holds no more when something else is worked on
  it.each(['waste.bowl', 'waste.shower.2', 'waste.tub.1-1/2'])('%s asks for no tee on a riser', (kind) => {
    const pipeId = kind === 'waste.bowl' ? 'pvc-dwv.40.3' : 'pvc-dwv.40.2'
    const [plain, risen] = [false, true].map((rises) =>
      ask(kind, { rises, unvented: false }, {}, pipeId).answer.options.map(({ id }) => id),
    )
    expect(plain?.length).toBeGreaterThan(0)
    expect(risen).toEqual(plain)
  })

  it('and a run that is mended is vented as it was, in a wall too', () => {
    const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', access: 'closed-wall' }
    const idsOf = (patch: Partial<Conditions>) =>
      mate({
        lines: [
          {
            lineId: 'waste',
            pipeId: 'pvc-dwv.40.2',
            cutIn: { insert: 'repair', farMm: 300, freeMm: [600, 600], sidewaysMm: 40, outMm: 300 },
            conditions: { ...conditions, stubMm: 300, ...patch },
          },
        ],
        settings: WELL_EQUIPPED,
      }).lines[0]?.options.map(({ id }) => id)
    expect(idsOf({})?.length).toBeGreaterThan(0)
    expect(idsOf({ unvented: true, rises: true })).toEqual(idsOf({}))
  })

  it.each([
    ['waste.tail.1-1/2', { access: 'closed-wall' }, {}],
    ['waste.tail.1-1/2', { access: 'buried' }, {}],
    ['waste.tail.1-1/2', {}, { badVent: 'wall' }],
    // no valve breathes under a floor
    ['waste.tub.glued.1-1/2', {}, {}],
  ] as const)('%s, %p, %p: is vented first, and nothing else is offered', (kind, patch, rules) => {
    const { answer } = ask(kind, patch, rules)
    expect(answer.options).toEqual([])
    expect(answer.refusals.map(({ reason }) => reason.ruleId)).toContain('drain.unvented')
    // and with a vent there is a way, but where nothing of tube may be shut in
    const vented = ask(kind, { ...patch, unvented: false }, rules).answer.options
    if (kind !== 'waste.tail.1-1/2' || !('access' in patch)) expect(vented.length).toBeGreaterThan(0)
  })

  it('keeps no nut beyond which a tee would have to stand', () => {
    const kept = (unvented: boolean) =>
      ask('waste.tail.1-1/2', { oldJoint: 'slip', unvented }).answer.options.map(({ removalId }) => removalId)
    expect(kept(false)).toContain('undo-nut')
    expect(kept(true).length).toBeGreaterThan(0)
    expect(kept(true)).not.toContain('undo-nut')
  })

  it('has its valve put on last, before the bowl is filled, and is heard to breathe after', () => {
    const { answer, conditions, settings } = ask('waste.tail.1-1/2')
    const option = answer.options[0]
    if (!option) throw new Error('no way')
    const { steps } = sequence({
      lines: [{ lineId: 'waste', option, conditions }],
      houseRules: settings.houseRules,
    })
    const at = (id: string) => steps.findIndex((step) => step.id === id)
    const closes = steps.flatMap(({ id }, index) => (id.endsWith('/close') ? [index] : []))
    expect(Math.max(...closes)).toBeLessThan(at('waste/line/vent-valve'))
    expect(at('waste/line/vent-riser')).toBeLessThan(at('waste/line/vent-valve'))
    expect(at('waste/line/vent-valve')).toBeLessThan(at('waste/line/fill'))
    expect(at('waste/line/fill')).toBeLessThan(at('waste/line/vent-air'))
    // the arm is hung on the tee once that is cemented, not the other way round
    expect(at('waste/0/close')).toBeLessThan(at('waste/1/close'))
  })
})
