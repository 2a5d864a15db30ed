import { InvalidRequestError, type OperationName, runOperation } from './index'

const IN = 25.4
const faults = (name: OperationName, request: unknown) => {
  try {
    runOperation(name, request)
    return []
  } catch (error) {
    if (error instanceof InvalidRequestError) return error.faults.map((fault) => fault.path)
    throw error
  }
}
const cup = { form: 'solder-cup', system: 'CTS', nominal: '1/2', material: 'copper' } as const

describe('lengths through the contract', () => {
  it('an offset: every bend that is made, and a piece where the catalogue has the bend', () => {
    const rows = runOperation('offset', { rollMm: 300, riseMm: 400, bend: cup })
    expect(rows.map(({ angleDegrees }) => angleDegrees)).toEqual([11.25, 22.5, 45, 60, 90])
    for (const { angleDegrees, offset, piece } of rows) {
      if (!offset.ok) throw new Error(`${angleDegrees}`)
      // a right triangle of set, run and travel
      expect(Math.hypot(offset.setMm, offset.runMm)).toBeCloseTo(offset.travelMm, 6)
      expect(piece !== undefined).toBe(angleDegrees === 45 || angleDegrees === 90)
      // both bends take something out, and pipe goes into both
      if (piece?.ok) expect(piece.cutMm).toBeLessThan(offset.travelMm)
    }
    expect(runOperation('offset', { rollMm: 300, riseMm: 0 }).every(({ piece }) => piece === undefined)).toBe(
      true,
    )
  })

  // CISPI 301: of 2 in a sixth bend measures 3-1/4 and an eighth 2-3/4 to its plain end; CISPI 310: a stop of 1/8 between
  it.each([
    [60, 'hubless', 'cast-iron', 'tube', 3.25 + 0.125],
    [45, 'hubless', 'cast-iron', 'tube', 2.75 + 0.125],
    // ASTM D3311: an eighth of 2 in 1-1/2 and a long sweep 3-1/4 to the pipe's end, home in its socket
    [45, 'IPS', 'abs-drain', 'drain-socket', 1.5],
    [90, 'IPS', 'abs-drain', 'drain-socket', 3.25],
  ] as const)('an offset of drains by bends of %s° in %s', (angle, system, material, form, takes) => {
    const bend = { form, system, nominal: '2', material } as const
    const rows = runOperation('offset', { rollMm: 12 * IN, riseMm: 16 * IN, bend })
    expect(rows.filter(({ piece }) => piece).map(({ angleDegrees }) => angleDegrees)).toEqual([
      22.5, 45, 60, 90,
    ])
    const { piece, part } = rows.find((row) => row.angleDegrees === angle) ?? {}
    // 3, 4, 5: set 20 in
    const travelIn = 20 / Math.sin((angle * Math.PI) / 180)
    expect(piece?.ok && piece.cutMm / IN).toBeCloseTo(travelIn - 2 * takes, 6)
    expect(part).toContain(material === 'cast-iron' ? 'hubless iron' : 'ABS')
    // both ends in their joints: an inch to the stop of a sleeve, 3/4 in a socket
    const short = runOperation('offset', { rollMm: 0, riseMm: 2 * IN, bend })
    expect(short.find((row) => row.angleDegrees === angle)?.piece?.ok).toBe(false)
  })

  it('a piece between two cups is the gap and both depths', () => {
    const ends = [
      { reference: 'face', port: cup },
      { reference: 'face', port: cup },
    ] as const
    const made = runOperation('cut-length', { measuredMm: 10 * IN, ends: [...ends] as never })
    // ASME B16.22: a 1/2 in cup is half an inch deep
    expect(made.ok && made.cutMm / IN).toBeCloseTo(11, 1)
    expect(made.ok && made.marksMm[0] / IN).toBeCloseTo(0.5, 1)
  })

  it('a cutting plan takes the kerf of the tool, or the one that is given', () => {
    const ask = { pieces: [1524, 1524].map((mm) => ({ name: 'a', mm })), stock: [{ mm: 3048 }] }
    const stock = (more: object) => {
      const plan = runOperation('cutting-plan', { ...ask, ...more } as never)
      return plan.ok ? plan.stockMm : null
    }
    // a wheel takes nothing: both come out of ten feet
    expect(stock({})).toBeCloseTo(3048, 1)
    expect(stock({ cutter: 'power-saw' })).toBeCloseTo(6096, 1)
    expect(stock({ cutter: 'power-saw', kerfMm: 0 })).toBeCloseTo(3048, 1)
  })

  it('pitch, wall and toilet say what they were asked, no more', () => {
    const pitch = runOperation('pitch', { lengthMm: 4800, pitch: 1 / 48 })
    expect(pitch.fallMm).toBeCloseTo(100, 9)
    expect(pitch).not.toHaveProperty('shimMm')
    for (const { source } of pitch.usual) expect(source.title.length).toBeGreaterThan(5)
    expect(runOperation('toilet', {})).toEqual({})
    expect(Object.keys(runOperation('toilet', { flangeMm: 12, floorMm: [12] }))).toEqual(['flange'])
    expect(
      runOperation('valve-depth', { layers: [{ name: 'board', mm: 70 }], middleMm: 0, windowMm: [60, 80] }),
    ).toMatchObject({ ok: true, verdict: 'fits', leastShimMm: 0, blockingMm: null, centreMm: null })
    const wall = { layers: [{ name: 'board', mm: 70 }], middleMm: 0, windowMm: [40, 60], betweenMm: 368 }
    // over the drain where that was measured, in the middle of the tub where not
    expect(runOperation('valve-depth', { ...wall, widthMm: 760 })).toMatchObject({
      blockingMm: 368,
      centreMm: 380,
    })
    expect(runOperation('valve-depth', { ...wall, widthMm: 760, drainMm: 395 })).toMatchObject({
      centreMm: 395,
    })
  })

  it('plates for each stub, faucets for each deck, and what can go in', () => {
    const plates = runOperation('plates', { diametersMm: [0.625 * IN, 15] })
    expect(plates.map((some) => some.map(({ split }) => split))).toEqual([
      [false, true],
      [false, true],
    ])
    const fits = runOperation('deck-fit', { holes: 'three-4' }).filter((faucet) => faucet.fits)
    expect(fits.map(({ id }) => id)).toEqual(['single', 'centre-4', 'pair'])
    const { ends, mixers } = runOperation('fixtures', {})
    for (const { connection } of mixers) expect(ends.some(({ id }) => id === connection)).toBe(true)
    expect(runOperation('rules', {}).map(({ id }) => id)).not.toContain('water.not-seen')
    expect(runOperation('accessories', {}).length).toBeGreaterThan(60)
  })

  it('pitch down to each fitting and under what is above, and kept through an offset', () => {
    const { points, under } = runOperation('pitch', {
      lengthMm: 120 * IN,
      pitch: 1 / 48,
      points: [{ name: 'wye', alongMm: 48 * IN }],
      under: { headMm: 4 * IN, outsideMm: 3.5 * IN, roomMm: 9 * IN },
    })
    // four feet at a quarter in the foot are an inch
    expect((points?.[0]?.elevationMm ?? 0) / IN).toBeCloseTo(-1, 9)
    // 9 − 4 − 2.5 of fall − half the pipe
    expect(under?.ok && under.leftMm / IN).toBeCloseTo(9 - 4 - 2.5 - 1.75, 9)
    const [, , row] = runOperation('offset', { rollMm: 300, riseMm: 400, pitch: 0.02 })
    expect(row?.fallMm).toBeCloseTo((500 / Math.sin(Math.PI / 4)) * 0.02, 9)
  })

  it('two bends turned: 45 and 45 make 90 in one plane, nothing when turned back, 60 square to each other', () => {
    const make = (turnedDegrees: number) =>
      runOperation('turned-bends', { first: 45, second: 45, turnedDegrees }).angleDegrees
    expect(make(0)).toBeCloseTo(90, 9)
    expect(make(180)).toBeCloseTo(0, 6)
    // spherical law of cosines: cos 45 · cos 45 = 1/2
    expect(make(90)).toBeCloseTo(60, 9)
  })

  it('equal bends join parallel lines, and what the tape may be off is carried to the travel', () => {
    const pairs = runOperation('bend-pairs', { alongMm: 500, asideMm: 150, upMm: 0, bend: cup })
    expect(pairs.every(({ first, second }) => first === second)).toBe(true)
    const eighth = pairs.find(({ first }) => first === 45)
    expect(eighth?.travelMm).toBeCloseTo(150 * Math.SQRT2, 6)
    // only the sideways distance decides it: 0.5 + 0.8 mm of tape times √2
    expect(eighth?.off).toMatchObject({ largest: 'asideMm', offMm: expect.closeTo(1.3 * Math.SQRT2, 6) })
    expect(eighth?.piece?.ok && eighth.piece.cutMm).toBeLessThan(150 * Math.SQRT2)
  })

  it('a trap stands as high as a sink does', () => {
    // 44 in over the floor, as at a raised sink: over a metre
    const ask = { size: '1-1/2', asideMm: 0, outMm: 230, stubOutMm: 0, drainMm: 1118, stubMm: 1000 } as const
    expect(runOperation('trap', ask).fit.ok).toBe(true)
  })

  it('a trap takes the swing of the one in hand', () => {
    const ask = { size: '1-1/2', asideMm: 110, outMm: 200, stubOutMm: 0, drainMm: 560, stubMm: 450 } as const
    expect(runOperation('trap', ask).fit).toMatchObject({ ok: false, reason: { ruleId: 'trap.aside' } })
    const other = runOperation('trap', { ...ask, swingMm: 120 })
    expect(other.fit.ok).toBe(true)
    expect(other.armOff.offMm).toBeGreaterThan(0)
    expect(other.tailOff.offMm).toBeCloseTo(2.6, 6)
  })

  it('holes, bibs, heights and risers', () => {
    expect(runOperation('hole', { depthMm: 89, centreMm: 44.5, holeMm: 20 })).toMatchObject({ ok: true })
    expect(runOperation('bib', { layers: [{ name: 'wall', mm: 150 }] })).toMatchObject({ lengthMm: 8 * IN })
    const rows = runOperation('rough-in', { measured: [{ id: 'tub-valve', mm: 20 * IN }] })
    expect(rows.find(({ id }) => id === 'tub-valve')?.fit).toMatchObject({
      ok: false,
      reason: { ruleId: 'rough.low', parameters: { shortMm: expect.closeTo(8 * IN, 6) } },
    })
    expect(rows.filter(({ fit }) => fit !== null)).toHaveLength(1)
    expect(runOperation('toilet', { riser: { belowMm: 300, flangeSocketMm: 60 } }).riser).toMatchObject({
      cutMm: 240,
    })
  })

  it('widths that pipes are made in rise, and a half-inch copper tube is among them', () => {
    const made = runOperation('diameters', {})
    made.slice(1).forEach(({ odMm }, index) => {
      expect(odMm).toBeGreaterThan(made[index]?.odMm ?? 0)
    })
    // ASTM B88: nominal size and an eighth
    expect(made.find(({ odMm }) => Math.abs(odMm - 0.625 * IN) < 0.05)?.names.join()).toMatch(
      /1\/2 in copper/,
    )
  })

  it.each<[OperationName, unknown, readonly string[]]>([
    ['offset', { rollMm: 'far', riseMm: 0 }, ['rollMm']],
    ['offset', { rollMm: 1 }, ['riseMm']],
    ['offset', { rollMm: 1e9, riseMm: 0 }, ['rollMm']],
    ['offset', { rollMm: 1, riseMm: 1, bend: { ...cup, form: 'glue' } }, ['bend.form']],
    ['cut-length', { measuredMm: -4, ends: [{ reference: 'end' }, { reference: 'end' }] }, ['measuredMm']],
    ['cut-length', { measuredMm: 4, ends: [{ reference: 'end' }] }, ['ends']],
    [
      'cut-length',
      { measuredMm: 4, ends: [{ reference: 'end' }, { reference: 'tail' }] },
      ['ends.1.reference'],
    ],
    ['cutting-plan', { pieces: [{ name: 'a', mm: 0 }], stock: [{ mm: 900 }] }, ['pieces.0.mm']],
    ['cutting-plan', { pieces: [], stock: [] }, ['stock']],
    ['cutting-plan', { pieces: [], stock: [{ mm: 900, count: 1.5 }] }, ['stock.0.count']],
    ['cutting-plan', { pieces: [], stock: [{ mm: 900 }], cutter: 'teeth' }, ['cutter']],
    [
      'cutting-plan',
      { pieces: Array.from({ length: 41 }, () => ({ name: 'a', mm: 9 })), stock: [{ mm: 900 }] },
      ['pieces'],
    ],
    ['pitch', { lengthMm: 100, pitch: 0 }, ['pitch']],
    [
      'drain-load',
      { code: 'IPC', pipe: 'stack', fall: '1/4', size: '2', fixtures: { tub: 1.5 } },
      ['fixtures.tub'],
    ],
    [
      'drain-load',
      { code: 'IPC', pipe: 'stack', fall: '1/4', size: '2', fixtures: { palace: 1 } },
      ['fixtures'],
    ],
    ['valve-depth', { layers: [{ name: 'x', mm: -1 }], middleMm: 0, windowMm: [1, 2] }, ['layers.0.mm']],
    ['valve-depth', { layers: [], middleMm: 0, windowMm: [1] }, ['windowMm']],
    ['toilet', { slots: { leftMm: 1, rightMm: 2 } }, ['slots.apartMm']],
    ['plates', { diametersMm: [0] }, ['diametersMm.0']],
    ['trap', { size: '2', asideMm: 0, outMm: 1, stubOutMm: 0, drainMm: 1, stubMm: 1 }, ['size']],
    ['hole', { depthMm: 89, centreMm: 40 }, ['holeMm']],
    ['rough-in', { measured: [{ id: 'roof', mm: 4 }] }, ['measured.0.id']],
    ['bend-pairs', { alongMm: 1, asideMm: 1, upMm: 1, turnedDegrees: 400 }, ['turnedDegrees']],
    ['turned-bends', { first: 0, second: 45, turnedDegrees: 0 }, ['first']],
    [
      'draw',
      { pipeId: null, unit: 'in', dimensions: [{ id: 'a', from: 'roof', to: 'tail', mm: 4 }] },
      ['dimensions.0.from'],
    ],
    ['stagger', { lines: [], apartMm: 100 }, ['lines']],
    ['deck-fit', { holes: 'many' }, ['holes']],
  ])('%s of %j names its fault', (name, request, paths) => expect(faults(name, request)).toEqual(paths))

  it('an end that is not made in that size is a fault, not a crash', () =>
    expect(() => runOperation('offset', { rollMm: 9, riseMm: 0, bend: { ...cup, nominal: '9' } })).toThrow(
      InvalidRequestError,
    ))
})
