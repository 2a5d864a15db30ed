import { BODY_KINDS, drawJointLine, identify, mate, mouthOf, STARTING_SETTINGS } from '@diarmos/core'
import fc from 'fast-check'
import type { z } from 'zod'
import {
  entities,
  InvalidRequestError,
  LATER_FIELDS,
  laterStamp,
  liftOperation,
  nextStamp,
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
  faults: [],
  waterSeen: true,
  nearHeater: false,
  pressurePsi: null,
  stopShape: 'angle',
  reachMm: null,
} as const
const mateRequest = {
  lines: [{ lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf('faucet.shank.1/2'), conditions }],
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

/** A request whose line ends as it is said here. */
const old = (end: object) => ({
  ...mateRequest,
  lines: [{ lineId: 'a', pipeId: 'copper.l.1/2', conditions, ...end }],
})

/** Lines that each begin at what another leaves open. */
const branching = (...names: readonly string[]) => {
  const [own = {}] = mateRequest.lines
  const { pipeId: _, ...rest } = own as Record<string, unknown>
  const [first = 'b', ...of] = names
  return {
    ...mateRequest,
    lines: [own, ...of.map((branchOf, at) => ({ ...rest, lineId: at === 0 ? first : 'c', branchOf }))],
  }
}

/** A run with a tee of two sides, and what comes into it. */
const twoSided = (second: object | null, ...sides: readonly object[]) => {
  const [own = {}] = mateRequest.lines
  const { pipeId: _, ...rest } = own as Record<string, unknown>
  const cutIn = { insert: 'tee', farMm: null, freeMm: [0, 0], sidewaysMm: 0, ...(second ? { second } : {}) }
  const run = {
    lineId: 'run',
    pipeId: 'pvc-dwv.40.3',
    conditions: { ...conditions, service: 'waste' },
    cutIn,
  }
  return {
    ...mateRequest,
    lines: [run, ...sides.map((side, at) => ({ ...rest, lineId: `${at}`, branchOf: 'run', ...side }))],
  }
}
const INLET = {
  at: 'left',
  ends: [{ form: 'drain-socket', system: 'IPS', nominal: '2', material: 'pvc-drain' }],
}

describe('operations', () => {
  it.each(BODY_KINDS.filter(({ insert }) => !insert).map(({ id }) => id))(
    'take a line to %s, whatever it is',
    (id) => {
      const line = { lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf(id), conditions }
      const read = operations.mate.request.safeParse({ ...mateRequest, lines: [line] })
      expect(read.error?.issues ?? []).toEqual([])
    },
  )

  it('keep a way whole through every door, and read back what was kept', () => {
    const option = mate(mateRequest).lines[0]?.options[0]
    if (!option) throw new Error('no way')
    const { options, versions } = runOperation('keep', { options: [option], airC: null })
    expect(options[0]?.parts.every(({ made }) => made)).toBe(true)
    // as it is stored: nothing of it is lost, whatever a list of today holds
    const stored = { ...options[0], parts: options[0]?.parts.map((part) => ({ ...part, fittingId: 'gone' })) }
    expect(entities.mating.shape.option.parse(stored)).toEqual(stored)
    expect(entities.mating.shape.versions.parse(versions)).toEqual(versions)
    const drawn = (way: unknown) =>
      runOperation('draw', { pipeId: 'copper.l.1/2', option: way as typeof option, unit: 'in' }).svg
    expect(drawn(stored)).toBe(drawn(option))
  })

  it('read cases that were copied when an end was named by a kind, or alone', () => {
    const shank = { form: 'parallel-male', system: 'NPS', nominal: '1/2', material: 'brass' }
    const of = (request: object) => runOperation('mate', request)
    expect(of(old({ fixtureId: 'faucet.shank.1/2' }))).toEqual(of(mateRequest))
    expect(of(old({ toPort: shank }))).toEqual(of(old({ to: { ends: [shank], route: 'any' } })))
    const fed = { pipeId: undefined, fixtureId: 'arm.1/2' }
    expect(of(old({ ...fed, fromFixtureId: 'valve.combo.1/2' }))).toEqual(
      of(old({ pipeId: undefined, from: mouthOf('valve.combo.1/2'), to: mouthOf('arm.1/2') })),
    )
  })
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
    [
      'identify',
      { observations: [{ id: '1', kind: 'gauge', mm: 15, fits: 'perhaps' }] },
      ['observations.0.fits'],
    ],
    ['identify', { observations: [], service: 'gas' }, ['service']],
    ['identify', { observations: [], factors: { copper: 0 } }, ['factors.copper']],
    ['identify', { observations: [], finds: { copper: -1 } }, ['finds.copper']],
    [
      'identify-thread',
      { observations: [{ id: '1', kind: 'thread-sign', sign: 'seat', answer: 'velvet' }] },
      ['observations.0.answer'],
    ],
    [
      'identify-thread',
      { observations: [{ id: '1', kind: 'thread-count', threads: 0, overMm: 25.4 }] },
      ['observations.0.threads'],
    ],
    [
      'identify-thread',
      { observations: [{ id: '1', kind: 'thread-leaf' }] },
      ['observations.0.pitchMm', 'observations.0.form', 'observations.0.fits'],
    ],
    ['identify', { observations: 'many' }, ['observations']],
    ['identify', null, ['(whole)']],
    ['mate', { ...mateRequest, lines: [] }, ['lines']],
    [
      'mate',
      { ...mateRequest, lines: [{ ...mateRequest.lines[0], pipeId: 'lead.1/2' }] },
      ['lines.0.pipeId'],
    ],
    [
      'mate',
      {
        ...mateRequest,
        lines: [{ ...mateRequest.lines[0], conditions: { ...conditions, stubMm: 'short' } }],
      },
      ['lines.0.conditions.stubMm'],
    ],
    ['mate', old({ fixtureId: 'faucet.gone' }), ['lines.0.fixtureId']],
    ['mate', old({}), ['lines.0.to']],
    ['mate', branching('b', 'gone'), ['lines.1.branchOf']],
    ['mate', branching('b', 'b'), ['lines.1.branchOf']],
    ['mate', branching('b', 'a', 'a'), ['lines.2.branchOf']],
    ['mate', branching('b', 'a', 'b'), []],
    // each side is taken once, and only where there is one
    ['mate', twoSided(INLET, {}, { second: true }), []],
    ['mate', twoSided(INLET, { second: true }, { second: true }), ['lines.2.branchOf']],
    ['mate', twoSided(null, { second: true }), ['lines.1.branchOf']],
    ['mate', twoSided({ ...INLET, at: 'above' }), ['lines.0.cutIn.second.at']],
    ['mate', twoSided({ ...INLET, ends: [] }), ['lines.0.cutIn.second.ends']],
    ['mate', { ...mateRequest, lines: [{ ...mateRequest.lines[0], second: true }] }, ['lines.0.second']],
    ['mate', old({ to: { ends: [], route: 'stop' } }), ['lines.0.to.ends']],
    ['draw', { pipeId: 'lead.1/2', unit: 'in' }, ['pipeId']],
    ['units', {}, ['text']],
  ] as const)('%s names the fault in %j', (name, request, paths) =>
    expect(faults(name, request)).toEqual(paths),
  )

  it('an older request without the newer fields still means what it meant', () => {
    const { faults: _, ...older } = conditions
    const request = { ...mateRequest, lines: [{ ...mateRequest.lines[0], conditions: older }] }
    expect(runOperation('mate', request)).toEqual(runOperation('mate', mateRequest))
  })

  it('two pipes that take the same parts need not be told apart, unless one brings a hazard', () => {
    const { pipeId: _, ...line } = mateRequest.lines[0] as (typeof mateRequest.lines)[number]
    const threaded = {
      ...line,
      conditions: { ...conditions, oldJoint: 'none', thread: 'NPT', stubMm: 60 } as const,
    }
    const looks = [
      { id: 'c', kind: 'outside', instrument: 'caliper', mm: 21.4, resolutionMm: 0.1 },
      { id: 'm', kind: 'sign', sign: 'magnet', answer: 'holds' },
      { id: 'w', kind: 'sign', sign: 'carries', answer: 'water' },
    ]
    const belief = runOperation('identify', {
      observations: looks,
      service: 'cold',
      decideFor: { line: threaded, settings: STARTING_SETTINGS },
    })
    const steel = belief.classes.filter(
      (entry) => entry.material.endsWith('steel') && entry.nominal === '1/2',
    )
    expect(steel.length).toBeGreaterThan(1)
    // galvanised and black take the same stop; that black may carry gas keeps them two
    expect(belief.classes[0]?.probability).toBeLessThan(0.99)
  })

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
  it('an edit touches only what it names, also where requests have a default', () => {
    const patch = entities.situation.partial().strict().parse({ flame: false })
    expect(patch).toEqual({ flame: false })
  })
  it('a document made by a device that does not know the newer fields is whole with them', () => {
    for (const [kind, later] of Object.entries(LATER_FIELDS)) {
      const { shape } = entities[kind as keyof typeof entities]
      for (const [field, value] of Object.entries(later ?? {}))
        expect([kind, field, (shape as Record<string, z.ZodType>)[field]?.safeParse(value).success]).toEqual([
          kind,
          field,
          true,
        ])
    }
  })
  it('are edited by operations of this schema, to which older ones are lifted', () => {
    const first = {
      opId: '6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a11',
      deviceId: 'd',
      kind: 'job',
      id: '6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a12',
      patch: {},
      base: 0,
      schema: 1,
      at: '2026-01-01T00:00:00.000Z',
    }
    const reads = (record: object) => operationRecord.safeParse(record).success
    const lifted = liftOperation(first)
    expect(reads(first)).toBe(false)
    expect(lifted).toMatchObject({ schema: SCHEMA_VERSION, generation: null, prior: null })
    expect(reads(lifted)).toBe(true)
    expect(liftOperation(lifted)).toEqual(lifted)
    expect(reads({ ...lifted, schema: 99 })).toBe(false)
    expect(reads({ ...lifted, kind: 'person' })).toBe(false)
  })
})

describe('the clock of a device', () => {
  it('never goes back, whatever wall clocks do, and takes over what it hears', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 4_102_444_800_000 }), fc.boolean()), { minLength: 2 }),
        (walls) => {
          let mine = ''
          let theirs = ''
          for (const [wall, hears] of walls) {
            theirs = nextStamp(theirs, wall, 'theirs')
            const next = nextStamp(hears ? laterStamp(mine, theirs) : mine, wall + 3_600_000, 'mine')
            expect(next > mine).toBe(true)
            if (hears) expect(next > theirs).toBe(true)
            mine = next
          }
        },
      ),
    )
  })

  it('counts within a millisecond, and goes on where the count is full', () => {
    const first = nextStamp('', 1000, 'device-1')
    expect(first).toBe('00000000rs-0000-device-1')
    expect(nextStamp(first, 1000, 'device-1')).toBe('00000000rs-0001-device-1')
    expect(nextStamp('00000000rs-zzzz-device-1', 900, 'device-1')).toBe('00000000rt-0000-device-1')
  })
})
