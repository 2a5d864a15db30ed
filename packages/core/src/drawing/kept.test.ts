import { mouthOf } from '../assembly'
import { CoreFault } from '../fault'
import { layOut } from '../fitup/layout'
import { keep, mate, tableVersions } from '../mate'
import { line, PLAIN, STUBS, WELL_EQUIPPED } from '../mate/test/problems'
import type { LineRequest, MateOption } from '../mate/types'
import { sequence } from '../sequence'
import { bulksOf, drawJointLine, toSvg } from './index'

const more: readonly LineRequest[] = [
  { ...line('copper.l.1/2', { spanMm: 300 }), to: mouthOf('valve.combo.1/2') },
  { lineId: 'a', from: mouthOf('valve.combo.1/2'), to: mouthOf('arm.1/2'), conditions: PLAIN },
  {
    lineId: 'a',
    pipeId: 'copper.l.1/2',
    cutIn: { insert: 'tee', farMm: 300, freeMm: [600, 600], sidewaysMm: 40 },
    conditions: PLAIN,
  },
  {
    lineId: 'a',
    pipeId: 'pvc-dwv.40.1-1/2',
    to: mouthOf('waste.tail.1-1/2'),
    conditions: { ...PLAIN, service: 'waste', oldJoint: 'cement' },
  },
  {
    lineId: 'a',
    pipeId: 'abs-dwv.40.4',
    to: mouthOf('waste.bowl'),
    conditions: { ...PLAIN, service: 'waste', oldJoint: 'flange', flangeMm: 0, roughMm: 280, bowlMm: 305 },
  },
]
const cases = [...STUBS.map((pipe) => line(pipe.id)), ...more].flatMap((request) =>
  (mate({ lines: [request], settings: WELL_EQUIPPED, k: 2 }).lines[0]?.options ?? []).map(
    (option) => [request.pipeId ?? 'new', option.id, option, request] as const,
  ),
)

/** The same way, of parts that no table knows. */
const gone = (option: MateOption): MateOption => ({
  ...option,
  parts: option.parts.map((part, index) => ({ ...part, fittingId: `gone.${index}` })),
})
/** Everything that is derived from a way: its drawing, its lengths, its bulk, its plan. */
const derived = (option: MateOption, request: LineRequest) => ({
  svg: toSvg(
    drawJointLine({
      pipeId: request.pipeId ?? null,
      option,
      to: request.to ?? null,
      unit: 'mm',
      stage: 'cut',
    }),
  ),
  layout: layOut({ chain: option, stubMm: 60, dimensions: [] }),
  bulks: bulksOf(option, 60),
  plan: sequence({
    houseRules: WELL_EQUIPPED.houseRules,
    lines: [{ lineId: 'a', conditions: request.conditions, option }],
  }),
})

describe('a way that is kept whole', () => {
  it('is tried on ways of every kind', () => {
    expect(cases.length).toBeGreaterThan(30)
    expect(new Set(cases.map(([, , option]) => option.removalId)).size).toBeGreaterThan(3)
  })

  it.each(cases)(
    '%s by %s gives the same drawing, lengths, bulk and plan, whatever the tables know',
    (_p, _i, option, request) => {
      const kept = keep(option, { airC: request.conditions.airC })
      const now = derived(option, request)
      expect(derived(kept, request)).toEqual(now)
      expect(derived(gone(kept), request)).toEqual(now)
      // to keep again changes nothing, and goes through JSON as it is
      expect(keep(gone(kept), { airC: -10 })).toEqual(gone(kept))
      expect(JSON.parse(JSON.stringify(kept))).toEqual(kept)
    },
  )

  it('by what it says itself: a way that was not kept is lost with its parts, and kept acts count, not the table’s', () => {
    const [, , option, request] = cases[0] as (typeof cases)[number]
    expect(() => derived(gone(option), request)).toThrow(new CoreFault('no-part', { id: 'gone.0' }))
    const kept = keep(option, {})
    const slower = {
      ...kept,
      joints: kept.joints.map((joint) => ({
        ...joint,
        acts: (joint.acts ?? []).map((act) => ({ ...act, seconds: act.seconds + 60 })),
      })),
    }
    const last = (way: MateOption) => derived(way, request).plan.steps.at(-1)?.endSeconds ?? 0
    expect(last(slower) - last(kept)).toBeGreaterThanOrEqual(60)
    // a shop's own time for a joint is kept as it was when it was chosen
    const own = keep(option, { jointMinutes: { [option.joints[0]?.method ?? 'sweat']: 99 } })
    expect(last(own)).toBeGreaterThan(last(kept) + 3600)
  })

  it('says which tables it was made from', () => {
    expect(tableVersions()).toEqual(tableVersions())
    for (const version of Object.values(tableVersions())) expect(version).toMatch(/^[0-9a-f]{8}$/)
  })
})
