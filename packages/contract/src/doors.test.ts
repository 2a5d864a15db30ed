import { type MateOption, pipeById, STARTING_SETTINGS } from '@diarmos/core'
import { diarmos, tidy } from '../../../apps/cli/test/diarmos'
import { STUBS } from '../../core/src/mate/test/problems'
import { mateOption } from './core'
import { operations, runOperation } from './index'

afterAll(tidy)

const place = {
  service: 'hot',
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: 55,
  plateMm: 3,
  oldJoint: 'none',
  thread: 'NPT',
  scored: false,
  outOfRound: false,
  faults: [],
  waterSeen: true,
  nearHeater: false,
  pressurePsi: 60,
  stopShape: 'angle',
  reachMm: 250,
} as const
const request = (pipeId: string) => ({
  lines: [
    {
      lineId: 'a',
      pipeId,
      fixtureId: pipeId.endsWith('mm') ? 'tap.tail.1/2' : 'faucet.shank.1/2',
      conditions: place,
    },
  ],
  settings: STARTING_SETTINGS,
})
const first = (pipeId: string): MateOption | undefined =>
  runOperation('mate', request(pipeId)).lines[0]?.options[0]

/** Plain data, as it travels between worker, server and file. */
const travelled = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

describe('one answer through every door', () => {
  it.each(STUBS.map((pipe) => [pipe.id] as const))(
    '%s: a chosen way travels as JSON and is taken again',
    (pipeId) => {
      const option = first(pipeId)
      if (!option) throw new Error(`no way for ${pipeId}`)
      const back = travelled(option)
      expect(back).toEqual(option)
      expect(mateOption.strict().safeParse(back).error?.issues).toBeUndefined()
      const material = pipeById(pipeId)?.material
      const planRequest = {
        lines: [{ lineId: 'a', material, conditions: place, option: back }],
        houseRules: STARTING_SETTINGS.houseRules,
      }
      const plan = runOperation('sequence', planRequest)
      expect(travelled(plan)).toEqual(plan)
      expect(plan.steps.at(-1)?.kind).toMatch(/record|prove/)
      const drawn = runOperation('draw', { pipeId, option: back, unit: 'mm', stage: 'cut' })
      expect(drawn.scene.seams).toHaveLength(option.joints.length)
    },
  )

  it('the command line says what the worker says, to the letter', () => {
    for (const [name, asked] of [
      ['mate', request('copper.m.3/4')],
      ['identify', { era: '1978-1995', observations: [{ id: 'p', kind: 'print', text: 'PB2110' }] }],
      ['units', { text: '15 mm', print: { unit: 'in', denominator: 32 } }],
    ] as const) {
      const { stdout, status } = diarmos([name], JSON.stringify(asked))
      expect(status).toBe(0)
      expect(JSON.parse(stdout)).toEqual(travelled(runOperation(name, asked)))
    }
  })

  it('answers the same whether or not something else was asked in between', () => {
    const decideFor = {
      line: { lineId: 'a', fixtureId: 'faucet.shank.1/2', conditions: place },
      settings: STARTING_SETTINGS,
    }
    const asked = {
      observations: [{ id: 'c', kind: 'outside', instrument: 'caliper', mm: 15.9, resolutionMm: 0.1 }],
      decideFor,
    }
    const before = runOperation('identify', asked)
    runOperation('identify', {
      ...asked,
      decideFor: { ...decideFor, settings: { ...STARTING_SETTINGS, tripMinutes: 1 } },
    })
    runOperation('mate', request('pex-a.sdr9.1/2'))
    expect(runOperation('identify', asked)).toEqual(before)
  })

  it('says in one sentence what each operation is for', () => {
    for (const { summary } of Object.values(operations)) expect(summary).toMatch(/^[A-Z].{15,120}\.$/)
  })
})
