import fc from 'fast-check'
import { bodiesOf, lineEnds } from '../../assembly'
import { WORKED_ON, type WorkedOnId } from '../../assembly/workedOn'
import { fittingById } from '../../catalog'
import { mate } from '../../mate'
import { cutInOf } from '../../mate/test/drains'
import { line, PLAIN, WELL_EQUIPPED } from '../../mate/test/problems'
import { BOXED, WALL_PLACES, type WallService } from './places'
import { drawWallSheet, type WallLine } from './wallSheet'

/** What usually goes in at each kind of work. */
const KINDS: Readonly<Record<WorkedOnId, readonly string[]>> = {
  basin: ['faucet.shank.1/2', 'waste.tail.1-1/4'],
  sink: ['faucet.shank.1/2', 'appliance.comp.3/8', 'waste.tail.1-1/2'],
  toilet: ['toilet.fill.7/8'],
  tub: ['valve.combo.1/2', 'spout.slip.1/2'],
  shower: ['valve.combo.1/2', 'arm.1/2'],
  'tub-shower': ['valve.combo.1/2', 'spout.slip.1/2', 'arm.1/2'],
  washer: ['washer.hose'],
  dishwasher: ['appliance.comp.3/8'],
  bib: ['hose.outlet'],
  heater: ['heater.nipple.3/4'],
  run: ['run.tee', 'toilet.fill.7/8'],
  drain: ['waste.run.repair'],
  other: ['faucet.shank.1/2'],
}
const SERVICES: readonly WallService[] = ['hot', 'cold', 'spout', 'shower', 'spray', 'branch', 'drain']

const option = mate({ lines: [line('copper.l.1/2')], settings: WELL_EQUIPPED }).lines[0]?.options[0] ?? null

/** Every line that such a job has. */
function linesOf(place: WorkedOnId, known: boolean): WallLine[] {
  const bodies = bodiesOf(KINDS[place])
  const house: readonly string[] = WORKED_ON.find(({ id }) => id === place)?.lines ?? []
  return SERVICES.flatMap((service): WallLine[] => {
    const ends = lineEnds(bodies, service, false)
    if (!ends || ((service === 'hot' || service === 'cold') && !house.includes(service))) return []
    return [
      {
        lineId: service,
        service,
        label: `▲ ${service}`,
        pipeId: known && ends.from === 'pipe' && service !== 'drain' ? 'copper.l.1/2' : null,
        fresh: ends.from !== 'pipe',
        option: known ? option : null,
        route: ends.to.route,
        run: ends.insert !== null,
        feeds: service === 'hot' && place === 'sink',
      },
    ]
  })
}
const places = WORKED_ON.map(({ id }) => id)
const frames = fc.record({
  widthPx: fc.integer({ min: 300, max: 900 }),
  heightPx: fc.integer({ min: 170, max: 700 }),
})

describe('the wall sheet', () => {
  it.each(places)('%s: shows every line of the job, and each can be touched by a finger', (place) =>
    fc.assert(
      fc.property(frames, fc.boolean(), (frame, known) => {
        const lines = linesOf(place, known)
        const scene = drawWallSheet({ place, lines, ...frame })
        expect(lines.length).toBeGreaterThan(0)
        expect(scene.lines?.map(({ id }) => id)).toEqual(lines.map(({ lineId }) => lineId))
        const { minX, maxX, minY, maxY } = scene.bounds
        const scale = Math.min(frame.widthPx / (maxX - minX), frame.heightPx / (maxY - minY))
        // a name has its place inside the frame, and no other within a finger’s breadth
        for (const { at } of scene.lines ?? []) {
          expect(at[0]).toBeGreaterThanOrEqual(minX)
          expect(at[0]).toBeLessThanOrEqual(maxX)
          expect(at[1]).toBeGreaterThanOrEqual(minY)
          expect(at[1]).toBeLessThanOrEqual(maxY)
        }
        const marks = scene.lines ?? []
        marks.forEach(({ at: [x, y] }, index) => {
          for (const { at } of marks.slice(index + 1))
            expect(Math.max(Math.abs(at[0] - x), Math.abs(at[1] - y)) * scale).toBeGreaterThan(47)
        })
        for (const { points } of scene.shapes)
          for (const [x, y] of points) {
            expect(x).toBeGreaterThanOrEqual(minX - 1e-6)
            expect(x).toBeLessThanOrEqual(maxX + 1e-6)
            expect(y).toBeGreaterThanOrEqual(minY - 1e-6)
            expect(y).toBeLessThanOrEqual(maxY + 1e-6)
          }
      }),
      { numRuns: 12, seed: 4 },
    ),
  )

  it('draws a pipe as thick as it is, and dashed what is not known or not chosen', () => {
    const thick = (known: boolean) => {
      const { shapes } = drawWallSheet({ place: 'tub', lines: linesOf('tub', known) })
      const [old, way] = ['pipe', 'part'].map((layer) =>
        shapes.find((shape) => shape.id === 'line:hot' && shape.layer === layer),
      )
      const xs = (old?.points ?? []).map(([x]) => x)
      return { mm: Math.max(...xs) - Math.min(...xs), old: old?.dashed, way: way?.dashed }
    }
    // copper tube of 1/2 in, ASTM B88: 0.625 in outside
    expect(thick(true)).toEqual({ mm: expect.closeTo(15.875, 6), old: false, way: false })
    expect(thick(false)).toMatchObject({ old: true, way: true })
  })

  it('a box stands on what stays of its standpipe, straight under it; a trap of its own hangs between', () => {
    const widthOf = (parts: readonly { family: string }[]) => {
      // of a way only its parts are drawn here
      const way = { parts, joints: [] } as unknown as WallLine['option']
      const drain: WallLine = {
        lineId: 'drain',
        service: 'drain',
        label: '◆ drain',
        pipeId: 'pvc-dwv.40.2',
        fresh: false,
        option: way,
        route: 'machine-box',
        run: false,
        feeds: false,
      }
      const { shapes } = drawWallSheet({ place: 'washer', lines: [drain] })
      const of = (layer: string) =>
        shapes
          .filter((shape) => shape.id === 'line:drain' && shape.layer === layer)
          .flatMap(({ points }) => points)
      const xs = [...of('part'), ...of('pipe')].map(([x]) => x)
      return { mm: Math.max(...xs) - Math.min(...xs), top: Math.max(...of('part').map(([, y]) => y)) }
    }
    // 2 in pipe, ASTM D2665: 2.375 in outside
    const straight = widthOf([])
    expect(straight.mm).toBeCloseTo(2.375 * 25.4, 6)
    expect(straight.top).toBeCloseTo(BOXED.ends.drain?.[1] ?? 0, 6)
    expect(widthOf([{ family: 'p-trap' }]).mm).toBeGreaterThan(80)
  })

  it('a stack stands, and what comes into its tee comes in level, from its own side', () => {
    const tee = (kind: string, pipeId = 'pvc-dwv.40.3', chosen = true) => {
      const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const, stubMm: null }
      const asked = { lineId: 'drain', pipeId, cutIn: cutInOf(kind), conditions }
      const [option] = mate({ lines: [asked], settings: WELL_EQUIPPED, k: 1 }).lines[0]?.options ?? []
      const at = fittingById(option?.parts.find(({ family }) => family === 'sanitary-tee')?.fittingId ?? '')
      if (!option || !at) throw new Error('no way')
      const line = {
        label: '',
        pipeId: null,
        fresh: true,
        run: false,
        feeds: false,
        option: null,
        route: 'trap' as const,
      }
      const run: WallLine = {
        ...line,
        lineId: 'drain',
        service: 'drain',
        pipeId,
        fresh: false,
        run: true,
        stands: true,
        option: chosen ? option : null,
        route: 'any',
      }
      // of a way only its parts are drawn here
      const trap = { parts: [{ family: 'p-trap' }], joints: [] } as unknown as WallLine['option']
      const sides: WallLine[] = (['branch', 'side'] as const).map((service) => ({
        ...line,
        lineId: service,
        service,
        option: trap,
      }))
      const { shapes, lines } = drawWallSheet({ place: 'drain', lines: [run, ...sides] })
      expect(lines?.map(({ id }) => id)).toEqual(['drain', 'branch', 'side'])
      const of = (id: string) =>
        shapes.filter((shape) => shape.id === `line:${id}`).flatMap(({ points }) => points)
      return { at, run: of('drain'), branch: of('branch'), side: of('side') }
    }
    const double = tee('waste.run.tee.double.2')
    const xs = (points: readonly (readonly number[])[]) => points.map(([x = 0]) => x)
    // the run is higher than it is wide; its branch looks to the right, the second side to the left, each from its mouth on
    const high = double.run.map(([, y]) => y)
    expect(Math.max(...high) - Math.min(...high)).toBeGreaterThan(
      3 * (Math.max(...xs(double.run)) - Math.min(...xs(double.run))),
    )
    const mouth = Math.abs(double.at.ports[2]?.pose.origin[1] ?? 0)
    expect(Math.min(...xs(double.branch))).toBeCloseTo(mouth, 6)
    expect(Math.max(...xs(double.side))).toBeCloseTo(-mouth, 6)
    // level: pipe of one width, at one height, is what comes to the mouth
    for (const points of [double.branch, double.side]) {
      const near = points.filter(([x]) => Math.abs(Math.abs(x) - mouth) < 1)
      const levels = near.map(([, y]) => y)
      expect(Math.max(...levels) - Math.min(...levels)).toBeLessThan(50)
    }
    // beside the branch the second side is in the middle of the stack
    expect(Math.max(...xs(tee('waste.run.tee.left.3x2').side))).toBeCloseTo(0, 6)
    // iron: a piece of pipe comes before the tee, and all that goes in hangs half over its middle, half under it
    const iron = tee('waste.run.tee.double.2', 'cast-iron.service.4')
    const side = Math.abs(iron.at.ports[2]?.pose.origin[1] ?? 0)
    expect([Math.min(...xs(iron.branch)), Math.max(...xs(iron.side))]).toEqual([
      expect.closeTo(side, 6),
      expect.closeTo(-side, 6),
    ])
    // not chosen yet it stands all the same, and what comes in comes in at its middle
    const asked = tee('waste.run.tee.double.2', 'pvc-dwv.40.3', false)
    expect([Math.min(...xs(asked.branch)), Math.max(...xs(asked.side))]).toEqual([
      expect.closeTo(0, 6),
      expect.closeTo(0, 6),
    ])
  })

  it('every line ends where it begins for the one behind it, and at its own end', () => {
    for (const [place, { begins, ends }] of [
      ...places.map((place) => [place, WALL_PLACES[place]] as const),
      ['a box', BOXED] as const,
    ])
      for (const service of ['hot', 'cold', 'spout', 'shower', 'spray', 'drain'] as const)
        if (begins[service])
          expect([place, service, ends[service] !== undefined]).toEqual([place, service, true])
  })
})
