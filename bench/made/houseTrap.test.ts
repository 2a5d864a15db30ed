import {
  type Conditions,
  type Insert,
  mate,
  PLAIN_CONDITIONS,
  STARTING_SETTINGS,
  sequence,
  TOOL_IDS,
} from '@diarmos/core'
import { Dice } from '../mate/random'
import { allBefore } from './allBefore'
import { anyOrder } from './anyOrder'
import { carryOut } from './world'

const SETTINGS = { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS }
const ask = (insert: Insert, patch: Partial<Conditions>, pipeId = 'pvc-dwv.40.4') => {
  const conditions: Conditions = {
    ...PLAIN_CONDITIONS,
    service: 'waste',
    waterSeen: true,
    stubMm: 900,
    ...patch,
  }
  const cutIn = { insert, farMm: 900, freeMm: [900, 900] as const, sidewaysMm: 40, outMm: 700 }
  const answer = mate({ lines: [{ lineId: 'run', pipeId, cutIn, conditions }], settings: SETTINGS }).lines[0]
  return { answer, option: answer?.options[0], conditions }
}
const planned = ({ option, conditions }: ReturnType<typeof ask>) => {
  if (!option) throw new Error('no way')
  const request = { lines: [{ lineId: 'run', conditions, option }], houseRules: SETTINGS.houseRules }
  return { request, steps: sequence(request).steps }
}
const OF_TRAP = ['remove.empty-trap', 'drain.fresh-air', 'prove.traps-full']

// trade: an old building trap may be replaced by straight pipe with a cleanout where the authority agrees
describe('a trap of the whole house', () => {
  it.each([
    ['pvc-dwv.40.4', 'reachable'],
    ['pvc-dwv.40.4', 'closed-wall'],
    ['cast-iron.service.4', 'reachable'],
    ['cast-iron.hubless.4', 'closed-wall'],
  ] as const)(
    'in %s, %s, goes for a cleanout: in any order emptied before it is cut, and its inlet seen to before water stands in it',
    (pipeId, access) => {
      const asked = ask('cleanout', { oldTrap: 'running', access }, pipeId)
      expect(asked.option?.warnings.map(({ ruleId }) => ruleId)).toContain('run.house-trap')
      expect(asked.option?.parts.map(({ family }) => family)).toContain('cleanout-tee')
      const { request, steps } = planned(asked)
      expect(steps.map(({ words }) => words)).toEqual(expect.arrayContaining(OF_TRAP))
      for (const word of OF_TRAP) expect(steps.filter(({ words }) => words === word)).toHaveLength(1)
      const prior = allBefore(steps)
      const named = (word: RegExp) => steps.find(({ words }) => word.test(words))?.id ?? ''
      const [empty, inlet, full] = OF_TRAP.map((word) => named(new RegExp(`^${word}$`))) as [
        string,
        string,
        string,
      ]
      expect([...prior(empty)]).toContain(named(/^remove\.hold-run$/))
      expect([...prior(named(/^remove\.(saw|chain)-open$/))]).toContain(empty)
      for (const { id, words } of steps)
        if (/^(hold\.fill|prove\.(fill|run))/.test(words)) expect([...prior(id)]).toContain(inlet)
      expect([...prior(full)]).toContain(inlet)
      expect([...prior('general/record')]).toContain(full)
      for (let seed = 0; seed < 5; seed++)
        expect(carryOut(request, anyOrder(steps, new Dice(seed)))).toEqual([])
      // what it holds is counted in what the way takes
      const plain = ask('cleanout', { access }, pipeId).option
      expect((asked.option?.criteria.seconds ?? 0) - (plain?.criteria.seconds ?? 0)).toBe(600)
    },
  )

  it.each(['repair', 'tee', 'wye'] as const)(
    'makes no room for a %s, and says what goes in there',
    (insert) => {
      const { answer } = ask(insert, { oldTrap: 'running' })
      expect(answer?.options).toEqual([])
      expect(answer?.refusals.map(({ reason }) => reason.ruleId)).toContain('run.house-trap-plain')
      expect(ask(insert, {}).answer?.options.length).toBeGreaterThan(0)
    },
  )

  it('is nowhere spoken of where none is, or where the trap is another’s', () => {
    for (const oldTrap of [null, 'drum', 'p'] as const) {
      const asked = ask('cleanout', { oldTrap })
      expect(asked.option?.warnings.map(({ ruleId }) => ruleId)).not.toContain('run.house-trap')
      expect(planned(asked).steps.filter(({ words }) => OF_TRAP.includes(words))).toEqual([])
    }
  })
})
