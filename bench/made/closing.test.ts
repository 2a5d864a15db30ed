import { type Conditions, mate, sequence } from '@diarmos/core'
import { line as asked, WELL_EQUIPPED } from '../../packages/core/src/mate/test/problems'
import { faultsOfClosing } from './closing'

const { houseRules } = WELL_EQUIPPED
const IRON = { oldJoint: 'threaded', thread: 'NPT' } as const

function planned(pipeId: string, kind: string, place: Partial<Conditions>) {
  const request = asked(pipeId, place, kind)
  const { conditions } = request
  const { options } = mate({ lines: [request], settings: WELL_EQUIPPED, k: 12 }).lines[0] ?? { options: [] }
  return options.map((option) => {
    const { steps } = sequence({ lines: [{ lineId: 'a', option, conditions }], houseRules })
    return { line: { lineId: 'a', option, conditions }, steps, ids: steps.map(({ words }) => words) }
  })
}
type Plans = ReturnType<typeof planned>
const lateBy = ({ steps }: Plans[number], words: RegExp, seam?: number) =>
  steps.map((step) =>
    words.test(step.words) && (seam === undefined || step.seam === seam)
      ? { ...step, startSeconds: step.startSeconds + 1e6, endSeconds: step.endSeconds + 1e6 }
      : step,
  )

describe('a line closed to a body that is held', () => {
  const brass = planned('brass.regular.1/2', 'valve.combo.1/2', { ...IRON, line: 'trickle' })
  const steel = planned('galvanised.40.1/2', 'valve.female.1/2', IRON)
  const copper = planned('copper.l.1/2', 'valve.female.1/2', { stubMm: 120 })
  const wet = planned('copper.l.1/2', 'valve.combo.1/2', { stubMm: 120, line: 'trickle' })
  const all = [...brass, ...steel, ...copper, ...wet]

  it('has nothing left to turn when both its sides are held, nothing soldered in water, nothing undrawn', () => {
    expect(all.length).toBeGreaterThan(30)
    expect(all.flatMap(({ line, steps }) => faultsOfClosing(line, steps, { held: true }))).toEqual([])
  })

  it('screwed home last, it is found out', () => {
    const screwed = steel.filter(({ line }) => line.option.closes?.by === 'joint')
    expect(screwed.length).toBeGreaterThan(2)
    for (const plan of screwed)
      expect(faultsOfClosing(plan.line, lateBy(plan, /^thread\.turn/), { held: true })).toContainEqual(
        expect.stringMatching(/^nothing turns/),
      )
  })

  it('to what is free to turn, it may be', () => {
    for (const plan of steel)
      expect(faultsOfClosing(plan.line, lateBy(plan, /^thread\.turn/, 0), { held: false })).toEqual([])
  })

  it('a union is drawn, and one that is not is found out', () => {
    const unions = all.filter(({ line }) => line.option.parts.some(({ family }) => /union$/.test(family)))
    expect(unions.length).toBeGreaterThan(2)
    for (const { line, steps, ids } of unions) {
      expect(ids).toContain('union.draw')
      const undrawn = steps.filter(({ words }) => words !== 'union.draw')
      expect(faultsOfClosing(line, undrawn, { held: true })).toContain('a is never drawn together')
    }
  })

  it('in a line that trickles, what is soldered after the old end is joined steams', () => {
    const soldered = [...wet, ...brass].filter(({ line }) =>
      line.option.joints.some(({ method, beforeStop }) => method === 'sweat' && beforeStop),
    )
    expect(soldered.length).toBeGreaterThan(1)
    for (const plan of soldered)
      expect(faultsOfClosing(plan.line, lateBy(plan, /^sweat\./), { held: true })).toContainEqual(
        expect.stringMatching(/^steams/),
      )
  })
})
