import fc from 'fast-check'
import { mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { type Dimension, layOut } from '../fitup'
import { mate } from '../mate'
import { line, PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { MateOption } from '../mate/types'
import { parseLength } from '../units'
import { bulksOf, drawJointLine, PIECE_DRAWN_MM, toSvg } from './index'
import type { Point, Scene } from './types'

const optionsOf = (...args: Parameters<typeof line>): readonly MateOption[] =>
  mate({ lines: [line(...args)], settings: WELL_EQUIPPED, k: 20 }).lines[0]?.options ?? []
const WAYS = [
  ...optionsOf('copper.l.1/2', { turn: 90 }),
  ...optionsOf('copper.l.1/2', { turn: 90 }, 'washer.hose'),
  ...optionsOf('copper.l.3/4', { access: 'reachable' }, 'washer.hose'),
]
const PIECED = WAYS.filter(({ parts }) => parts.some(({ family }) => family === 'tube-piece'))
const LEAVES_MM = 55

const draw = (option: MateOption, dimensions: readonly Dimension[], more: object = {}): Scene =>
  drawJointLine({
    pipeId: 'copper.l.1/2',
    option,
    stubMm: LEAVES_MM,
    unit: 'in',
    stage: 'cut',
    dimensions,
    ...more,
  })
const apart = ([a, b]: Point, [c, d]: Point) => Math.hypot(a - c, b - d)
/** The line of a dimension that carries its number: the one with ticks at both ends. */
const carrier = (scene: Scene, id: string) =>
  scene.shapes.find(
    (shape) =>
      shape.id === id &&
      shape.role === 'line' &&
      shape.points.length === 2 &&
      apart(shape.points[0] as Point, shape.points[1] as Point) > 4,
  )

describe('a dimensioned line', () => {
  it('has ways with pieces to draw', () => expect(PIECED.length).toBeGreaterThan(10))

  it('shows everything that was measured with its number, and asks for the rest', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...PIECED),
        fc.integer({ min: 1600, max: 16_000 }),
        fc.constantFrom('in' as const, 'mm' as const),
        (option, steps, unit) => {
          const asked = layOut({ chain: option, stubMm: LEAVES_MM, dimensions: [] }).asks
          const [first] = asked
          if (!first) throw new Error('nothing to measure')
          const mm = (steps * 25.4) / 160
          const scene = draw(option, [{ id: 'd', from: first.from, to: first.to, mm }], { unit })
          const left = layOut({
            chain: option,
            stubMm: LEAVES_MM,
            dimensions: [{ id: 'd', from: first.from, to: first.to, mm }],
          }).asks
          const states = scene.dimensions.filter(({ state }) => state !== 'given')
          expect(states.map(({ state }) => state).sort()).toEqual(
            [...left.map(() => 'asked'), 'measured'].sort(),
          )
          const text = scene.texts.find(({ id }) => id === `dimension:${first.from}>${first.to}`)?.text ?? ''
          const read = parseLength(text, { unit })
          // as a tape reads: to a sixteenth or a millimetre
          expect(read.ok && Math.abs(read.mm - mm)).toBeLessThanOrEqual(
            unit === 'in' ? 25.4 / 32 + 1e-6 : 0.5,
          )
          expect(scene.texts.filter(({ text: other }) => other === '?')).toHaveLength(left.length)
        },
      ),
      { numRuns: 60 },
    ))

  it('draws short pieces as long as they are, and longer ones with a break', () =>
    fc.assert(
      fc.property(fc.constantFrom(...PIECED), fc.integer({ min: 60, max: 900 }), (option, mm) => {
        const part = option.parts.findIndex(({ family }) => family === 'tube-piece')
        const span = { from: `part:${part}:in`, to: `part:${part}:out` } as const
        const scene = draw(option, [{ id: 'd', ...span, mm }])
        const found = carrier(scene, `dimension:${span.from}>${span.to}`)
        const inside = option.joints
          .filter(({ from, to }) => from === part || to === part)
          .reduce((sum, joint) => sum + joint.maxMm, 0)
        if (!found) throw new Error('not drawn')
        const drawn = apart(found.points[0] as Point, found.points[1] as Point)
        if (mm < inside) return
        expect(drawn).toBeCloseTo(Math.min(mm, PIECE_DRAWN_MM), 4)
        expect(scene.shapes.some(({ id }) => id === `break:${part}`)).toBe(mm > PIECE_DRAWN_MM)
        // its letter stands on it, its marks one insertion from each end
        expect(scene.texts.some(({ id, text }) => id === `piece:${part}` && /^[A-Z]$/.test(text))).toBe(true)
        expect(scene.shapes.filter(({ id }) => id === `mark:piece:${part}`)).toHaveLength(2)
      }),
      { numRuns: 60 },
    ))

  it('keeps whole letters on the sheet, however large what is drawn: a bowl whose pipe lies', () => {
    const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', stubMm: 150, turn: 90 }
    const to = mouthOf('waste.bowl')
    const asked = { lineId: 'a', pipeId: 'pvc-dwv.40.3', to, conditions }
    const [option] = mate({ lines: [asked], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    const scene = draw(option, [], { pipeId: asked.pipeId, to, widthPx: 370, heightPx: 290 })
    expect(scene.texts.length).toBeGreaterThan(3)
    for (const { at, sizeMm, id } of scene.texts) {
      expect([id, at[1] - sizeMm / 2 >= scene.bounds.minY - 1e-9]).toEqual([id, true])
      expect([id, at[1] + sizeMm / 2 <= scene.bounds.maxY + 1e-9]).toEqual([id, true])
    }
  })

  it('keeps its numbers apart, and all of them on the sheet', () => {
    for (const option of PIECED) {
      // several along one stretch, one within the other
      const { stations, legs } = layOut({ chain: option, stubMm: LEAVES_MM, dimensions: [] })
      const nested = legs.flatMap((leg, index) => {
        const places = stations.filter((station) => station.leg === index && station.id !== leg.begins)
        return places.slice(-3).map(
          ({ id }, at): Dimension => ({
            id: `${index}-${at}`,
            from: leg.begins,
            to: id,
            mm: 100 + 40 * at,
          }),
        )
      })
      const scene = draw(option, nested, { widthPx: 370, heightPx: 290 })
      expect(scene.dimensions.filter(({ state }) => state === 'measured').length).toBe(nested.length)
      const { minX, maxX, minY, maxY } = scene.bounds
      const numbers = scene.dimensions.map(({ at }) => at)
      for (const [index, at] of numbers.entries()) {
        expect(at[0]).toBeGreaterThan(minX)
        expect(at[0]).toBeLessThan(maxX)
        expect(at[1]).toBeGreaterThan(minY)
        expect(at[1]).toBeLessThan(maxY)
        const size = scene.texts.find(({ layer }) => layer === 'dimension')?.sizeMm ?? 0
        for (const other of numbers.slice(index + 1))
          expect(Math.max(Math.abs(at[0] - other[0]) / 2, Math.abs(at[1] - other[1]))).toBeGreaterThan(
            size * 0.9,
          )
      }
    }
  })

  it('carries its dimensions into the SVG by their places', () => {
    const option = PIECED[0] as MateOption
    const svg = toSvg(draw(option, []))
    for (const { from, to } of layOut({ chain: option, stubMm: LEAVES_MM, dimensions: [] }).asks)
      expect(svg).toContain(`data-id="dimension:${from}&gt;${to}"`)
  })
})

describe('what of a line is in the way of one beside it', () => {
  it('stands where the line is as long as it was measured, and not where no one measured', () => {
    const straight = optionsOf('copper.regular.15mm', { access: 'reachable' }, 'tap.tail.1/2').filter(
      ({ parts }) =>
        parts[0]?.family === 'isolating-valve' && parts[1]?.family === 'tube-piece' && parts.length === 3,
    )
    expect(straight.length).toBeGreaterThan(0)
    for (const option of straight) {
      const inside = option.joints.slice(1).reduce((sum, { maxMm }) => sum + maxMm, 0)
      const far = (mm: number) => {
        const piece = { id: 'd', from: 'part:1:in', to: 'part:1:out', mm: mm + inside } as const
        return Math.max(...bulksOf(option, LEAVES_MM, [piece]).map(({ toMm }) => toMm))
      }
      expect(far(700) - far(200)).toBeCloseTo(500, 6)
      // with the piece still unknown, only what stands before it is known
      const known = bulksOf(option, LEAVES_MM)
      expect(Math.max(...known.map(({ toMm }) => toMm))).toBeLessThan(far(1))
      for (const bulk of known) expect(bulk.fromMm).toBeGreaterThanOrEqual(LEAVES_MM - inside - 60)
    }
  })
})

describe('what stands at a drain', () => {
  const ways = (kind: string, more: Partial<Conditions>) => {
    const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', stubMm: null, ...more }
    const request = { lineId: 'a', pipeId: 'pvc-dwv.40.1-1/2', to: mouthOf(kind), conditions }
    return mate({ lines: [request], settings: WELL_EQUIPPED, k: 4 }).lines[0]?.options ?? []
  }
  const numbersOf = (option: MateOption) =>
    drawJointLine({ pipeId: 'pvc-dwv.40.1-1/2', option, unit: 'in', stage: 'cut', dimensions: [] }).texts

  it('has no length of a stub that nobody measured', () => {
    for (const [stubMm, told] of [
      [null, '?'],
      [127, '5"'],
    ] as const)
      for (const option of ways('waste.tail.1-1/2', { stubMm }))
        expect(numbersOf(option).find(({ id }) => id === 'dimension:stub')?.text).toBe(told)
  })

  it('stands on its floor where it comes out of one, and in its wall where it does not', () => {
    const [below] = ways('waste.tail.1-1/2', { rises: true, trapped: true })
    const [wall] = ways('waste.tail.1-1/2', {})
    const upOf = (option: MateOption | undefined, rises: boolean) => {
      const { shapes } = drawJointLine({
        pipeId: 'pvc-dwv.40.1-1/2',
        option: option ?? null,
        to: mouthOf('waste.tail.1-1/2'),
        rises,
        unit: 'in',
      })
      const pipe = shapes.filter(({ id }) => id.startsWith('pipe')).flatMap(({ points }) => points)
      const reach = (at: 0 | 1) =>
        Math.max(...pipe.map((point) => point[at])) - Math.min(...pipe.map((point) => point[at]))
      return reach(1) > reach(0)
    }
    expect([upOf(below, true), upOf(undefined, true), upOf(wall, false), upOf(undefined, false)]).toEqual([
      ...[true, true],
      ...[false, false],
    ])
    // a trap that was chosen before anybody said so hangs from the wall that it was chosen for
    expect(upOf(wall, true)).toBe(false)
  })

  it('of pipe that lies under a floor lies, and its bowl stands level over it; what leans is unfolded under its bowl', () => {
    const ways = (turn: 0 | 45 | 90) => {
      const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const, stubMm: 150, turn }
      const to = mouthOf('waste.bowl')
      const asked = { lineId: 'a', pipeId: 'pvc-dwv.40.3', to, conditions }
      return mate({ lines: [asked], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    }
    const drawn = (option: MateOption | undefined) =>
      drawJointLine({
        pipeId: 'pvc-dwv.40.3',
        option: option ?? null,
        to: mouthOf('waste.bowl'),
        stubMm: 150,
        unit: 'in',
        stage: 'cut',
      })
    const box = (shapes: ReturnType<typeof drawn>['shapes'], id: RegExp) => {
      const points = shapes.filter((shape) => id.test(shape.id)).flatMap((shape) => shape.points)
      const [x, y] = [points.map((point) => point[0]), points.map((point) => point[1])]
      return {
        wide: Math.max(...x) - Math.min(...x),
        high: Math.max(...y) - Math.min(...y),
        low: Math.min(...y),
      }
    }
    for (const turn of [0, 45, 90] as const) {
      const options = ways(turn)
      expect(options.length).toBeGreaterThan(0)
      for (const option of options) {
        const { shapes, texts } = drawn(option)
        const pipe = box(shapes, /^pipe/)
        // the floor lies, and the bowl’s foot on it; the pipe lies where it turns up by a quarter, else it stands
        expect([turn, box(shapes, /^wall/).wide > 200, pipe.wide > pipe.high]).toEqual([
          turn,
          true,
          turn === 90,
        ])
        expect(box(shapes, /^fixture/).low).toBeGreaterThan(pipe.low)
        expect(texts.some(({ text }) => text === '45°')).toBe(turn === 45)
      }
    }
  })

  // a seam's 2 beside 11/16 would be read as two and eleven sixteenths
  it('has no number of a seam beside a length, where it rises out of the floor', () => {
    const options = ['waste.tail.1-1/4', 'waste.tail.1-1/2', 'waste.sink.end'].flatMap((kind) =>
      ways(kind, { rises: true, stubMm: 200 }),
    )
    expect(options.length).toBeGreaterThan(3)
    for (const option of options) {
      const texts = numbersOf(option)
      const lengths = texts.filter(({ layer, text }) => layer === 'dimension' && text !== '?')
      for (const seam of texts.filter(({ id }) => id.startsWith('seam:')))
        for (const { at, text, sizeMm } of lengths) {
          const [left, right] = [at[0] - sizeMm, at[0] + (text.length * 0.6 + 0.6) * sizeMm]
          const beside = seam.at[0] > left && seam.at[0] < right && Math.abs(seam.at[1] - at[1]) < sizeMm
          expect([option.id, seam.text, text, beside]).toEqual([option.id, seam.text, text, false])
        }
    }
  })
})

describe('a corner that goes into a run', () => {
  it('leaves as the other leg stands: across the first, with the pipe in the middle of the last mouth', () => {
    const { to: _to, ...run } = line('copper.l.1/2')
    const cutIn = { insert: 'corner', farMm: 200, freeMm: [600, 600], sidewaysMm: 60 } as const
    const { options } = mate({ lines: [{ ...run, cutIn }], settings: WELL_EQUIPPED, k: 12 }).lines[0] as {
      options: readonly MateOption[]
    }
    expect(options.length).toBeGreaterThan(5)
    for (const option of options) {
      const { shapes } = draw(option, [], { run: true })
      const outline = shapes.find(({ id, role }) => id === 'pipe:far' && role === 'outline')?.points ?? []
      const [a, b, , d] = outline as [Point, Point, Point, Point]
      // its length up, its width along the first leg
      expect([b[0] - a[0], Math.abs(b[1] - a[1])]).toEqual([expect.closeTo(0, 6), expect.closeTo(60, 6)])
      expect(apart(a, d)).toBeCloseTo(15.875, 6)
      // no part stands further off than half of itself: the pipe goes on from the chain
      const parts = shapes.filter(({ id }) => id.startsWith('part:')).flatMap(({ points }) => points)
      expect(parts.some((point) => apart(point, [(a[0] + d[0]) / 2, a[1]]) < 30)).toBe(true)
    }
  })
})
