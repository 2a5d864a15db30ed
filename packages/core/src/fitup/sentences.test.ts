import fc from 'fast-check'
import { Effort } from '../effort'
import { mate } from '../mate'
import { line, PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { CutIn, MateOption } from '../mate/types'
import { pipeById } from '../reference'
import type { Pipe } from '../reference/types'
import { evenly } from '../test/evenly'
import { REASONS } from '../words/reasons'
import { say } from '../words/say'
import {
  bowlFits,
  cutLength,
  cuttingPlan,
  type Dimension,
  type Fit,
  type FitReason,
  fixedEnds,
  flangeHeight,
  frostFreeLength,
  holeInStud,
  layOut,
  leftUnder,
  offset,
  opening,
  pitchBetween,
  ROUGH_IN,
  riserMm,
  roughIn,
  SLAB_DISCS,
  SLAB_SIZES,
  type StationId,
  TUB_WASTES,
  TUBULAR_TRAPS,
  trapFit,
  travelPiece,
  tubWasteFit,
  turnFor,
  underSlab,
  valveDepth,
} from './index'

const waysOf = (request: object): readonly MateOption[] =>
  mate({ lines: [request as never], settings: WELL_EQUIPPED, k: 12 }).lines[0]?.options ?? []
const LINES = [
  ...waysOf(line('copper.l.1/2', { reachMm: 250 })),
  ...waysOf(line('copper.l.1/2', { turn: 90 }, 'washer.hose')),
  ...waysOf(line('copper.regular.15mm', { access: 'reachable' }, 'tap.tail.1/2')),
]
const RUNS = (['repair', 'corner', 'tee', 'valve'] as const).flatMap((insert) =>
  ['copper.l.1/2', 'galvanised.40.1/2'].flatMap((pipeId) =>
    [300, 2500, 6000].flatMap((free) => {
      const cutIn: CutIn = { insert, farMm: 120, freeMm: [free, free], sidewaysMm: 300 }
      return waysOf({ lineId: 'run', pipeId, conditions: { ...PLAIN, stubMm: 120 }, cutIn })
    }),
  ),
)
const DRAIN_RUNS = ['cast-iron.service.4', 'pvc-dwv.40.2'].flatMap((pipeId) =>
  waysOf({
    lineId: 'run',
    pipeId,
    conditions: { ...PLAIN, service: 'waste', stubMm: 200 },
    cutIn: { insert: 'repair', farMm: 200, freeMm: [0, 0], sidewaysMm: 0 },
  }),
)
/** As many that a union closes as that slide, or that are sprung: there are far fewer of those. */
const runs = fc.oneof(
  ...['slide', 'union', 'spring'].map((by) =>
    fc.constantFrom(...RUNS.filter(({ closes }) => closes?.by === by)),
  ),
  fc.constantFrom(...DRAIN_RUNS),
)
/** What is sprung, and what is bowed. */
const TUBES = ['copper.l.1/2', 'pex-b.sdr9.1/2'].map((id) => pipeById(id) as Pipe)
const mm = evenly

/** Too short, just so for a 12 in connector with an inch of slack, and too long. */
const READINGS = [150, 279.4, 320, 460]

/** Everything that a question about lengths says back: why it cannot be, and what wants care. */
const asked: fc.Arbitrary<readonly FitReason[]> = fc.oneof(
  fc
    .tuple(
      fc.constantFrom(...LINES),
      fc.array(fc.tuple(fc.nat(40), fc.nat(40), mm(10, 900)), { maxLength: 4 }),
      mm(20, 100),
    )
    .map(([chain, spans, stubMm]) => {
      const { stations, asks } = layOut({ chain, stubMm, dimensions: [] })
      const places: StationId[] = [...stations.map(({ id }) => id), 'tail', 'part:9:centre']
      const dimensions = [
        ...spans.map(
          ([from, to, length], index): Dimension => ({
            id: `d${index}`,
            from: places[from % places.length] as StationId,
            to: places[to % places.length] as StationId,
            mm: length,
          }),
        ),
        ...asks.map(
          (ask, index): Dimension => ({
            id: `a${index}`,
            from: ask.from,
            to: ask.to,
            mm: READINGS[(index + spans.length) % READINGS.length] as number,
          }),
        ),
      ]
      const found = layOut({ chain, stubMm, dimensions })
      return [
        ...found.unused.map(({ reason }) => reason),
        ...found.contradictions.map(({ reason }) => reason),
        ...found.pieces.flatMap(({ reason }) => reason ?? []),
        ...(found.reach?.reason ? [found.reach.reason] : []),
      ]
    }),
  fc
    .tuple(runs, fc.option(mm(0, 900)), mm(5, 200), mm(5, 200), fc.constantFrom(...TUBES))
    .map(([chain, takeOutMm, near, far, pipe]) => {
      const { reason, steps } = fixedEnds({
        pipe,
        chain,
        takeOutMm,
        bareMm: [near, far],
        freeMm: [400, 400],
        roomMm: 30,
      })
      return [...(reason ? [reason] : []), ...steps]
    }),
  fc
    .tuple(
      fc.constantFrom(...TUBULAR_TRAPS),
      mm(-140, 140),
      mm(40, 700),
      mm(0, 120),
      mm(-60, 160),
      mm(250, 700),
    )
    .map(([trap, asideMm, outMm, stubOutMm, overMm, stubMm]) =>
      reasonsOf(
        trapFit({
          trap,
          asideMm,
          outMm,
          stubOutMm,
          // near over the stub, or a long way
          drainMm: stubMm + overMm + (outMm > 500 ? 600 : 0),
          stubMm,
          pitch: 1 / 48,
          // too long, about right, and too short
          pipeMm: outMm * ([1.4, 0.8, 0.2][Math.floor(stubOutMm) % 3] ?? 1),
        }),
      ),
    ),
  fc
    .tuple(mm(0, 200), mm(0, 120), mm(0, 90), mm(0, 90))
    .map(([wall, middle, least, most]) => [
      ...reasonsOf(valveDepth([{ name: 'board', mm: wall }], middle, [least, most])),
      ...reasonsOf(holeInStud(89, 44.5, middle + 1)),
      ...reasonsOf(holeInStud(89, middle + 1, 30)),
      ...reasonsOf(holeInStud(139.7, 69.85, 30, 'always')),
      ...reasonsOf(frostFreeLength([{ name: 'wall', mm: wall * 3 }])),
      ...ROUGH_IN.flatMap(({ id }) => reasonsOf(roughIn(id, wall * 10 + 1))),
    ]),
  fc
    .tuple(mm(30, 250), mm(60, 300), mm(0, 200), mm(60, 300))
    .map(
      ([edge, body, behindMm, trimMm]) =>
        opening({ edgesMm: [edge, edge, edge, edge], bodyMm: [body, body / 2, 60], behindMm, trimMm })
          .reasons,
    ),
  fc
    .tuple(mm(200, 420), mm(-60, 60), mm(1, 400), mm(0, 400))
    .map(([rough, flange, below, socket]) => [
      ...reasonsOf(bowlFits(rough, 305)),
      ...reasonsOf(flangeHeight(flange, [10])),
      ...reasonsOf(riserMm(below, socket)),
    ]),
  fc
    .tuple(mm(0, 300), mm(0, 3000), mm(20, 200), mm(20, 400))
    .map(([headMm, lengthMm, outsideMm, roomMm]) => [
      ...reasonsOf(leftUnder({ headMm, lengthMm, outsideMm, roomMm, pitch: 1 / 48 })),
      ...reasonsOf(pitchBetween(headMm, outsideMm, lengthMm < 100 ? 0 : lengthMm, 1 / 48)),
    ]),
  fc
    .tuple(fc.constantFrom(0, 120), mm(-20, 120), mm(0, 180), mm(0, 400))
    .map(([rollMm, angleDegrees, wanted, travel]) => {
      const bend = { angleDegrees: 45, takeOutMm: [12, 12] as const }
      return [
        ...reasonsOf(offset({ rollMm, riseMm: 0, angleDegrees })),
        ...reasonsOf(travelPiece(travel, bend, bend, 25)),
        ...reasonsOf(turnFor(60, 22.5, wanted)),
      ]
    }),
  fc
    .tuple(
      fc.constantFrom(...SLAB_SIZES),
      fc.constantFrom(...SLAB_DISCS),
      mm(60, 220),
      mm(20, 600),
      mm(100, 2500),
      fc.option(mm(-200, 300)),
    )
    .map(([size, disc, slabMm, deepMm, outMm, aboveMm]) =>
      reasonsOf(
        underSlab({ size, slabMm, deepMm, outMm, pitch: 1 / 48, discMm: disc.mm, aboveMm: aboveMm ?? null }),
      ),
    ),
  fc
    .tuple(fc.constantFrom(...TUB_WASTES), mm(40, 400), mm(20, 600))
    .map(([waste, outMm, highMm]) => reasonsOf(tubWasteFit({ waste, outMm, highMm }))),
  fc.tuple(mm(1, 200), fc.boolean()).map(([measuredMm, dry]) => {
    const port = { form: 'cement-socket', system: 'CTS', nominal: '1/2' } as const
    const end = { reference: 'face', port, faceMm: 10, ...(dry ? { dry } : {}) } as const
    const middle = { ...end, reference: 'centre', faceMm: 60, faceTolMm: 2 } as const
    return [
      ...reasonsOf(cutLength({ measuredMm, ends: [end, end] })),
      ...reasonsOf(cutLength({ measuredMm, ends: [middle, middle] })),
    ]
  }),
  fc.tuple(mm(100, 4000), fc.constantFrom(0, 1, 3)).map(([length, count]) => {
    const pieces = Array.from({ length: 4 }, (_, index) => ({ name: `${index}`, mm: length }))
    return [undefined, new Effort(0)].flatMap((effort) =>
      reasonsOf(cuttingPlan({ pieces, stock: [{ mm: 3000, count }], kerfMm: 1 }, effort)),
    )
  }),
)

function reasonsOf(fit: Fit<object> & { readonly notes?: readonly FitReason[] }): readonly FitReason[] {
  return fit.ok ? (fit.notes ?? []) : [fit.reason]
}

/** Rooms of the reasons that speak of lengths. */
const OF_LENGTHS =
  /^(layout|fixed|trap|cut|plan|offset|pitch|wall|hole|rough|toilet|slab|tub)\.|^opening\.(?!tool)/

describe('what is said of lengths', () => {
  const seen = new Set<string>()
  it('is a whole sentence, with every number in it, in inches and in millimetres', () =>
    fc.assert(
      fc.property(asked, (reasons) => {
        for (const { ruleId, parameters } of reasons) {
          seen.add(ruleId)
          for (const unit of ['in', 'mm'] as const) {
            const text = say(REASONS[ruleId] ?? '', parameters, unit)
            expect([ruleId, text]).toEqual([ruleId, expect.stringMatching(/^.{12,}[.]$/)])
            expect(text).not.toMatch(/[{}]|undefined|NaN|Infinity/)
          }
          for (const value of Object.values(parameters))
            if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true)
        }
      }),
      { numRuns: 1500 },
    ))

  it('leaves no sentence that nothing ever says', () => {
    const never = Object.keys(REASONS).filter((id) => OF_LENGTHS.test(id) && !seen.has(id))
    expect(never).toEqual([])
  })
})
