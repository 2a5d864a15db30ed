import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { elevations, fallMm, leftUnder, PITCHES, pitchBetween, shimMm, vialPercent } from './pitch'
import { bowlFits, flangeHeight, outOfSquareDegrees, riserMm } from './toilet'
import { frostFreeLength, holeInStud, ROUGH_IN, roughIn, STUD_MM, valveDepth } from './walls'

const IN = 25.4
const pitch = (id: string) => PITCHES.find((entry) => entry.id === id)?.pitch as number
const sure = <T extends { ok: boolean }>(fit: T) => {
  if (!fit.ok) throw new Error(JSON.stringify(fit))
  return fit as Extract<T, { ok: true }>
}

describe('pitch', () => {
  // a quarter inch in the foot is what it says; 1/2 in under a two-foot level is the rule of the trade
  it.each([
    ['1/4', 12, 0.25],
    ['1/4', 48, 1],
    ['1/4', 120, 2.5],
    ['1/4', 30, 0.625],
    ['1/8', 12, 0.125],
    ['1/8', 96, 1],
    ['1/16', 192, 1],
  ])('%s in a foot over %p in falls %p in', (id, length, fall) =>
    expect(fallMm(length * IN, pitch(id)) / IN).toBeCloseTo(fall, 9),
  )
  it.each([
    ['1/4', 24, 0.5],
    ['1/8', 24, 0.25],
    ['1/4', 48, 1],
    ['1/4', 9, 0.1875],
  ])('%s under a level of %p in wants a shim of %p in', (id, level, shim) =>
    expect(shimMm(level * IN, pitch(id)) / IN).toBeCloseTo(shim, 9),
  )
  it.each([
    ['1/4', 2.0833],
    ['1/8', 1.0417],
    ['2 %', 2],
  ])('%s reads %p in a hundred', (id, percent) => expect(vialPercent(pitch(id))).toBeCloseTo(percent, 3))

  it('is kept through an offset: the travel falls by its own length', () => {
    const travel = 10 * Math.SQRT2
    const points = elevations(100, 0.02, [
      { name: 'first bend', alongMm: 50 },
      { name: 'second bend', alongMm: 50 + travel },
      { name: 'end', alongMm: 100 + travel },
    ])
    expect(points.map(({ elevationMm }) => elevationMm)).toEqual([
      expect.closeTo(99, 9),
      expect.closeTo(99 - 0.02 * travel, 9),
      expect.closeTo(98 - 0.02 * travel, 9),
    ])
  })

  it('says what is left under a joist, or by how much it comes out', () => {
    const ask = { headMm: 60, lengthMm: 2400, pitch: pitch('1/4'), outsideMm: 48.3, roomMm: 184 }
    expect(sure(leftUnder(ask)).leftMm).toBeCloseTo(184 - 60 - 50 - 24.15, 6)
    expect(leftUnder({ ...ask, lengthMm: 6000 })).toMatchObject({
      reason: { ruleId: 'pitch.too-low', parameters: { overMm: expect.closeTo(60 + 125 + 24.15 - 184, 6) } },
    })
    expect(leftUnder({ ...ask, headMm: 10 })).toMatchObject({ reason: { ruleId: 'pitch.no-head' } })
  })

  it('between two ends that are given is enough, or lacks so much', () => {
    expect(sure(pitchBetween(50, 0, 2400, pitch('1/4'))).pitch).toBeCloseTo(1 / 48, 9)
    expect(pitchBetween(40, 0, 2400, pitch('1/4'))).toMatchObject({
      reason: { ruleId: 'pitch.too-flat', parameters: { shortMm: expect.closeTo(10, 6) } },
    })
  })
})

describe('the depth of a valve in its wall', () => {
  const window = [63, 76] as const
  const layers = [
    { name: 'stud before the blocking', mm: 50.8 },
    { name: 'board', mm: 12.7 },
    { name: 'mortar', mm: 3.2, tolMm: 1.6 },
    { name: 'tile', mm: 8 },
  ]
  it('adds the wall up, and says what to put behind', () => {
    const found = sure(valveDepth(layers, 5, window))
    expect(found.depthMm).toBeCloseTo(69.7, 9)
    expect(found.stack.worstMm).toBeCloseTo(4, 9)
    expect([found.verdict, found.leastShimMm]).toEqual(['fits', 0])
    expect(found.shimMm).toBeCloseTo(0.2, 9)
  })
  it.each([
    // a second layer of tile uses the window up
    [6, 'perhaps', 3.7],
    [30, 'out', 27.7],
  ])('with %p mm more in front it wants a shim', (more, verdict, shim) => {
    const found = sure(valveDepth([...layers, { name: 'second tile', mm: more, tolMm: 0 }], 5, window))
    expect(found.verdict).toBe(verdict)
    expect(found.leastShimMm).toBeCloseTo(shim, 9)
    // with that shim it surely fits
    const shimmed = sure(
      valveDepth(
        [...layers, { name: 'second tile', mm: more, tolMm: 0 }],
        5 + (found.leastShimMm ?? 0),
        window,
      ),
    )
    expect(shimmed.verdict).toBe('fits')
  })
  it('a wall that is too thin is planed, not shimmed', () =>
    expect(sure(valveDepth([{ name: 'board', mm: 50 }], 0, window)).leastShimMm).toBeLessThan(0))
  it('says so where no shim is sure, and where the valve stands out of the wall', () => {
    expect(sure(valveDepth([{ name: 'rubble', mm: 70, tolMm: 8 }], 0, window)).leastShimMm).toBeNull()
    expect(valveDepth([{ name: 'board', mm: 12 }], 40, window)).toMatchObject({
      ok: false,
      reason: { ruleId: 'wall.in-front', parameters: { overMm: 28 } },
    })
    expect(valveDepth(layers, 5, [80, 60])).toMatchObject({ ok: false })
  })
})

describe('holes in studs', () => {
  it('a 1-3/8 hole in the middle of a 2x4 leaves 1-1/16 each side: both want plates', () => {
    const depth = STUD_MM['2x4']?.[1] ?? 0
    const found = sure(holeInStud(depth, depth / 2, 1.375 * IN))
    expect(found.edgesMm.map((edge) => edge / IN)).toEqual([
      expect.closeTo(1.0625, 9),
      expect.closeTo(1.0625, 9),
    ])
    expect(found.plates).toEqual([true, true])
    expect(found.notes).toEqual([])
  })
  it.each([
    [139.7, 69.85, 35, [false, false], []],
    [88.9, 44.45, 38, [true, true], ['hole.bearing']],
    [88.9, 44.45, 60, [true, true], ['hole.too-large']],
  ])('%p deep, middle at %p, hole %p', (depth, centre, hole, plates, notes) => {
    const found = sure(holeInStud(depth, centre, hole))
    expect(found.plates).toEqual(plates)
    expect(found.notes.map(({ ruleId }) => ruleId)).toEqual(notes)
  })
  it.each(['2x4', '2x6'])(
    '%s: an edge of 1-1/4 in to the last bit wants no plate, a hair less does',
    (stud) => {
      const depth = STUD_MM[stud]?.[1] ?? 0
      for (let sixteenths = 4; sixteenths <= 32; sixteenths++) {
        const hole = (sixteenths / 16) * IN
        const centre = 1.25 * IN + hole / 2
        const far = sure(holeInStud(depth, depth - centre, hole))
        expect([sixteenths, sure(holeInStud(depth, centre, hole)).plates[0], far.plates[1]]).toEqual([
          sixteenths,
          false,
          false,
        ])
        expect(sure(holeInStud(depth, centre - 0.1, hole)).plates[0]).toBe(true)
      }
    },
  )
  it('a shop may plate centred holes too: both faces, and it says that the rule is its own', () => {
    const always = sure(holeInStud(139.7, 69.85, 35, 'always'))
    expect([always.plates, always.notes.map(({ ruleId }) => ruleId)]).toEqual([
      [true, true],
      ['hole.plate-by-rule'],
    ])
    // where the code wants both, nobody's rule is needed
    expect(sure(holeInStud(88.9, 44.45, 35, 'always')).notes).toEqual([])
    expect(sure(holeInStud(139.7, 69.85, 35, 'near'))).toEqual(sure(holeInStud(139.7, 69.85, 35)))
  })
  it('that comes out of the face is none', () =>
    expect(holeInStud(88.9, 10, 35)).toMatchObject({ reason: { parameters: { overMm: 7.5 } } }))
})

describe('a bib through a wall, and usual heights', () => {
  it.each([
    [[19, 11, 89, 12.7], 8],
    [[19, 11, 140, 12.7], 10],
    [[3], 4],
  ])('%j mm of wall take %p in', (layers, inches) =>
    expect(sure(frostFreeLength(layers.map((mm, i) => ({ name: `${i}`, mm })))).lengthMm / IN).toBeCloseTo(
      inches,
      9,
    ),
  )
  it('a wall no bib is made for says by how much', () =>
    expect(frostFreeLength([{ name: 'stone', mm: 400 }])).toMatchObject({ ok: false }))
  it('every usual height has its window and its source', () => {
    for (const { id, mm, source } of ROUGH_IN) {
      expect(mm[0]).toBeLessThan(mm[1])
      expect(source.title.length).toBeGreaterThan(3)
      expect(sure(roughIn(id, (mm[0] + mm[1]) / 2)).window.id).toBe(id)
      expect(roughIn(id, mm[0] - 10)).toMatchObject({
        reason: { parameters: { shortMm: expect.closeTo(10, 9) } },
      })
      expect(roughIn(id, mm[1] + 10)).toMatchObject({
        reason: { parameters: { overMm: expect.closeTo(10, 9) } },
      })
    }
  })
})

describe('toilets', () => {
  it.each([
    [12, 12, 0, 0],
    [12.5, 12, 0.5, 0],
    [14, 12, 2, 0],
    [11, 12, 0, 1],
  ])('rough-in %p in and a bowl for %p in: gap %p, offset %p', (rough, bowl, gap, off) =>
    expect(sure(bowlFits(rough * IN, bowl * IN))).toMatchObject({
      gapMm: expect.closeTo(gap * IN, 6),
      offsetMm: expect.closeTo(off * IN, 6),
    }),
  )
  it('ten inches take no bowl for twelve, even with an offset flange', () =>
    expect(bowlFits(10 * IN, 12 * IN)).toMatchObject({
      ok: false,
      reason: { parameters: { shortMm: expect.closeTo(0.5 * IN, 6) } },
    }))
  it.each([
    [25, [12, 8], 'wax'],
    [20, [12, 8], 'wax'],
    [15, [12, 8], 'wax-thick'],
    [9, [12, 8], 'foam'],
    [0, [12, 8], 'extender'],
  ])('a flange %p over the bare floor and %j on it: %s', (flange, floor, seal) =>
    expect(sure(flangeHeight(flange, floor)).seal).toBe(seal),
  )
  it.each([
    [15, 5],
    [9, 11],
    [0, 20],
  ])('a flange %p over the bare floor under 20 mm of it: %p mm are short', (flange, short) => {
    const { notes } = sure(flangeHeight(flange, [12, 8]))
    expect(notes.map(({ parameters }) => parameters.shortMm)).toEqual([short])
  })
  it('a flange that stands too high rocks the bowl', () =>
    expect(flangeHeight(50, [12])).toMatchObject({ reason: { ruleId: 'toilet.flange-high' } }))
  it('a riser is what is between the two stops', () => {
    expect(sure(riserMm(300, 45)).cutMm).toBe(255)
    expect(riserMm(30, 45)).toMatchObject({ ok: false, reason: { parameters: { shortMm: 15 } } })
  })
  it('is square where both slots are as far from the wall', () =>
    fc.assert(
      fc.property(evenly(-20, 20), (turned) => {
        const slots = 152
        const half = (slots / 2) * Math.sin((turned * Math.PI) / 180)
        expect(outOfSquareDegrees(300 + half, 300 - half, slots)).toBeCloseTo(turned, 6)
      }),
    ))
})
