import fc from 'fast-check'
import { mouthOf } from '../../assembly'
import { stretch } from '../../fitup/stations'
import { mate } from '../../mate'
import { line, PLAIN, WELL_EQUIPPED } from '../../mate/test/problems'
import type { MateOption } from '../../mate/types'
import { evenly } from '../../test/evenly'
import type { Point } from '../types'
import { facesOf } from './faces'
import { measuredPlace } from './measured'
import { WALL_PLACES } from './places'
import { drawWallSheet, type WallLine } from './wallSheet'

const waysOf = (...args: Parameters<typeof line>): readonly MateOption[] =>
  mate({ lines: [line(...args)], settings: WELL_EQUIPPED, k: 20 }).lines[0]?.options ?? []
const STOPS = [...waysOf('copper.l.1/2'), ...waysOf('copper.l.3/4'), ...waysOf('galvanised.40.1/2')]
const isRigid = ({ parts }: MateOption) =>
  parts.every(({ family }) => !['supply-connector', 'tube-piece'].includes(family))
const VALVES = waysOf('copper.l.1/2', { access: 'reachable' }, 'valve.female.1/2').filter(isRigid)
const extent = (outlines: readonly (readonly Point[])[], axis: 0 | 1) => {
  const all = outlines.flat().map((point) => point[axis])
  return [Math.min(...all), Math.max(...all)] as const
}

describe('parts as they are seen on the wall', () => {
  it('along the wall they end where their lengths and joints put them, whichever way the line goes', () => {
    expect(VALVES.length).toBeGreaterThan(3)
    for (const option of VALVES) {
      // by the stations that a tape is held to: the last part's far mouth, all joints home
      const { stations } = stretch(option, null)
      const out = stations.find(({ id }) => id === `part:${option.parts.length - 1}:out`)
      const straight = stations.every(({ leg }) => leg === 0)
      if (!out || !straight) continue
      for (const [from, way] of [
        ['below', [0, 1]],
        ['above', [0, -1]],
        ['left', [1, 0]],
      ] as const) {
        const { end } = facesOf(option, { at: [100, 500], from }, [0, 400])
        expect(end.at[0]).toBeCloseTo(100 + way[0] * out.atMm, 6)
        expect(end.at[1]).toBeCloseTo(500 + way[1] * out.atMm, 6)
      }
    }
  })

  it('out of the wall they are round where they begin, and an angle stop goes on up or down from there', () => {
    let angles = 0
    for (const option of STOPS) {
      const at: Point = [-100, 500]
      const up = facesOf(option, { at, from: 'wall' }, [20, 300])
      const down = facesOf(option, { at, from: 'wall' }, [20, -300])
      // behind a piece of pipe, whose length the place gives, nothing is drawn as rigid
      const piece = option.parts.findIndex(({ family }) => family === 'tube-piece')
      const first = piece < 0 ? option.parts : option.parts.slice(0, piece)
      if (first.length === 0) continue
      const angle = first.some(({ family }) => family === 'angle-stop')
      if (angle) angles++
      expect(up.end.axis === null).toBe(!angle)
      if (angle) expect(up.end.at[1] - 500).toBeCloseTo(500 - down.end.at[1], 6)
      // as wide as it is: no stop of these sizes is thinner than its pipe or as wide as a hand
      const [low, high] = extent(up.outlines, 0)
      expect(low).toBeLessThan(at[0] - 7)
      expect(high - low).toBeLessThan(85)
      const [bottom, top] = extent(up.outlines, 1)
      expect([bottom < at[1], top > at[1]]).toEqual([true, true])
    }
    expect(angles).toBeGreaterThan(5)
  })
})

describe('places on the wall', () => {
  const basin = (patch: Partial<WallLine>, service: 'hot' | 'cold'): WallLine => ({
    lineId: service,
    service,
    label: service,
    pipeId: 'copper.l.1/2',
    fresh: false,
    option: STOPS[0] ?? null,
    route: 'stop',
    run: false,
    feeds: false,
    ...patch,
  })
  it('are as far apart, and as far from their ends, as they were measured', () =>
    fc.assert(
      fc.property(evenly(80, 400), evenly(250, 900), (apartMm, reachMm) => {
        const usual = WALL_PLACES.basin
        const lines = [basin({ reachMm }, 'hot'), basin({}, 'cold')]
        const { begins, ends } = measuredPlace(usual, { place: 'basin', lines, apartMm })
        const [hot, cold] = [begins.hot?.at ?? [0, 0], begins.cold?.at ?? [0, 0]]
        expect(cold[0] - hot[0]).toBeCloseTo(apartMm, 6)
        const end = ends.hot ?? [0, 0]
        expect(Math.hypot(hot[0] - end[0], hot[1] - end[1])).toBeCloseTo(reachMm, 6)
        expect(hot[1]).toBeLessThan(end[1])
        // what nobody measured stands as usual
        expect(cold[1]).toBe(usual.begins.cold?.at[1])
      }),
    ))

  it('a branch begins at the outlet that is left open for it, not at some other line', () => {
    const { to: _to, ...run } = line('copper.l.1/2')
    const cutIn = { insert: 'tee', farMm: 300, freeMm: [600, 600], sidewaysMm: 40 } as const
    const [tee] = mate({ lines: [{ ...run, cutIn }], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    const branch = mate({
      lines: [
        { lineId: 'b', from: mouthOf('valve.female.1/2'), to: mouthOf('arm.1/2'), conditions: { ...PLAIN } },
      ],
      settings: WELL_EQUIPPED,
    }).lines[0]?.options[0]
    const at = (service: 'hot' | 'cold', option: MateOption | undefined) =>
      basin({ run: true, option: option ?? null, route: 'direct' }, service)
    const lines = [
      at('hot', undefined),
      at('cold', tee),
      {
        ...basin({ fresh: true, option: branch ?? null, route: 'stop' }, 'hot'),
        lineId: 'b',
        service: 'branch' as const,
      },
    ]
    const { shapes } = drawWallSheet({ place: 'run', lines })
    const own = shapes.filter(({ id }) => id === 'line:b').flatMap(({ points }) => points)
    const usual = WALL_PLACES.run.begins
    const lowest = Math.min(...own.map(([, y]) => y))
    // above the cold run by no more than a tee is high, below the hot one
    expect(lowest).toBeGreaterThan(usual.cold?.at[1] ?? 0)
    expect(lowest).toBeLessThan((usual.cold?.at[1] ?? 0) + 60)
  })
})
