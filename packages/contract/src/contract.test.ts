import { drawJointLine, identify, mate, STARTING_SETTINGS } from '@diarmos/core'
import {
  entities,
  InvalidRequestError,
  type OperationName,
  operationRecord,
  operationSchema,
  operations,
  runOperation,
  SCHEMA_VERSION,
} from './index'

const conditions = {
  service: 'cold',
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: 40,
  plateMm: 0,
  oldJoint: 'sweat',
  thread: 'none',
  scored: false,
  outOfRound: false,
  waterSeen: true,
  nearHeater: false,
  pressurePsi: null,
  stopShape: 'angle',
  reachMm: null,
} as const
const mateRequest = {
  lines: [{ lineId: 'a', pipeId: 'copper.l.1/2', fixtureId: 'faucet.shank.1/2', conditions }],
  settings: STARTING_SETTINGS,
}

const faults = (name: OperationName, request: unknown) => {
  try {
    runOperation(name, request)
    return []
  } catch (error) {
    if (error instanceof InvalidRequestError) return error.faults.map((fault) => fault.path)
    throw error
  }
}

describe('operations', () => {
  it('give what the core gives', () => {
    expect(runOperation('mate', mateRequest)).toEqual(mate(mateRequest))
    expect(runOperation('identify', { observations: [] })).toEqual(
      identify({ era: 'unknown', region: 'north-america', known: [], observations: [] }),
    )
    const option = mate(mateRequest).lines[0]?.options[0]
    const draw = { pipeId: 'copper.l.1/2', option, unit: 'in' as const }
    expect(runOperation('draw', JSON.parse(JSON.stringify(draw))).scene).toEqual(drawJointLine(draw))
  })

  it('stop asking where every pipe that is left takes the same parts', () => {
    const look = { id: 'o', kind: 'outside', instrument: 'caliper', mm: 15.9, resolutionMm: 0.1 }
    const seen = { id: 's', kind: 'sign', sign: 'scratch', answer: 'copper' }
    const { pipeId: _, ...line } = mateRequest.lines[0] as (typeof mateRequest.lines)[number]
    const belief = runOperation('identify', {
      observations: [look, seen],
      decideFor: { line, settings: STARTING_SETTINGS },
    })
    expect(belief.enough).toBe(true)
  })

  it.each([
    [
      'identify',
      { observations: [{ id: '1', kind: 'sign', sign: 'magnet', answer: 'perhaps' }] },
      ['observations.0.answer'],
    ],
    [
      'identify',
      { observations: [{ id: '1', kind: 'outside', instrument: 'caliper', mm: -4, resolutionMm: 1 }] },
      ['observations.0.mm'],
    ],
    [
      'identify',
      { observations: [{ id: '1', kind: 'outside', instrument: 'caliper', mm: 1e9, resolutionMm: 1 }] },
      ['observations.0.mm'],
    ],
    ['identify', { observations: 'many' }, ['observations']],
    ['identify', null, ['(whole)']],
    ['mate', { ...mateRequest, lines: [] }, ['lines']],
    ['mate', { ...mateRequest, lines: [{ ...mateRequest.lines[0], pipeId: 'lead.1/2' }] }, ['lines']],
    [
      'mate',
      {
        ...mateRequest,
        lines: [{ ...mateRequest.lines[0], conditions: { ...conditions, stubMm: 'short' } }],
      },
      ['lines.0.conditions.stubMm'],
    ],
    ['draw', { pipeId: 'lead.1/2', unit: 'in' }, ['(whole)']],
    ['units', {}, ['text']],
  ] as const)('%s names the fault in %j', (name, request, paths) =>
    expect(faults(name, request)).toEqual(paths),
  )

  it('have a JSON Schema each', () => {
    for (const name of Object.keys(operations) as OperationName[])
      expect(operationSchema(name)).toMatchObject({ type: 'object' })
  })
})

describe('stored documents', () => {
  it('refuse absurd sizes and unknown fields', () => {
    expect(entities.situation.partial().strict().safeParse({ stubMm: -1 }).success).toBe(false)
    expect(entities.property.partial().strict().safeParse({ labell: 'x' }).success).toBe(false)
    expect(
      entities.property
        .partial()
        .strict()
        .safeParse({ label: 'x'.repeat(500) }).success,
    ).toBe(false)
  })
  it('are edited by operations of this schema only', () => {
    const record = {
      opId: '6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a11',
      deviceId: 'd',
      kind: 'job',
      id: '6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a12',
      patch: {},
      base: 0,
      at: '2026-01-01T00:00:00.000Z',
    }
    expect(operationRecord.safeParse({ ...record, schema: SCHEMA_VERSION }).success).toBe(true)
    expect(operationRecord.safeParse({ ...record, schema: 99 }).success).toBe(false)
    expect(operationRecord.safeParse({ ...record, schema: SCHEMA_VERSION, kind: 'person' }).success).toBe(
      false,
    )
  })
})
