import { mouthOf } from '../assembly'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { LineRequest, MateOption } from '../mate/types'
import { STEPS } from '../words'
import { type PlanLine, sequence } from './index'

const { houseRules } = WELL_EQUIPPED
const request: LineRequest = {
  lineId: 'spout',
  from: mouthOf('valve.female.1/2'),
  to: mouthOf('spout.thread.1/2'),
  conditions: { ...PLAIN, service: 'hot' },
}
const ways = mate({ lines: [request], settings: WELL_EQUIPPED, k: 30 }).lines[0]?.options ?? []
const pieceOf = ({ parts }: MateOption) => parts.findIndex(({ family }) => family === 'tube-piece')
const withPiece = ways.filter((way) => pieceOf(way) >= 0)
const hot: PlanLine = {
  lineId: 'hot',
  material: 'copper',
  conditions: PLAIN,
  option: mate({
    lines: [{ lineId: 'hot', pipeId: 'copper.l.1/2', to: mouthOf('valve.female.1/2'), conditions: PLAIN }],
    settings: WELL_EQUIPPED,
    k: 1,
  }).lines[0]?.options[0] as MateOption,
}

describe('a piece that is left long', () => {
  it('has ways with a piece to leave', () => expect(withPiece.length).toBeGreaterThan(5))

  it('is capped before the water comes back and proved with it; cut, joined and dried when the wall is shut', () => {
    for (const option of withPiece) {
      const line: PlanLine = { lineId: 'spout', conditions: request.conditions, option }
      const leftLong = pieceOf(option)
      const plain = sequence({ lines: [hot, line], houseRules })
      const plan = sequence({ lines: [hot, { ...line, leftLong }], houseRules })
      const at = (id: string) => {
        const step = plan.steps.find((entry) => entry.id === id)
        if (!step) throw new Error(id)
        return step
      }
      const order = (...ids: string[]) => {
        ids.reduce((before, id) => {
          expect([before, id, at(before).endSeconds <= at(id).startSeconds]).toEqual([before, id, true])
          return id
        })
      }
      order(
        'spout/line/cap-long',
        'general/valves',
        'general/restore',
        'spout/line/dry-cap',
        'general/two-hours',
      )
      order('general/two-hours', 'general/morning', 'spout/line/cut-long')
      option.joints.forEach((joint, seam) => {
        if (joint.from >= leftLong)
          order('spout/line/cut-long', `spout/${seam}/close`, 'spout/line/flush', 'spout/line/dry-outlet')
        else order(`spout/${seam}/close`, 'spout/line/cap-long')
      })
      order('spout/line/dry-outlet', 'general/record')
      // nothing is left out, and all that is new is the cap, its proof and the cut
      const added = plan.steps.map(({ id }) => id).filter((id) => !plain.steps.some((step) => step.id === id))
      expect(added.sort()).toEqual(['spout/line/cap-long', 'spout/line/cut-long', 'spout/line/dry-cap'])
      expect(plan.steps).toHaveLength(plain.steps.length + 3)
      expect(plan.steps.filter(({ words }) => STEPS[words] === undefined)).toEqual([])
    }
  })

  it('has to be a piece of pipe', () => {
    const option = withPiece[0] as MateOption
    for (const leftLong of [option.parts.findIndex(({ family }) => family !== 'tube-piece'), 20])
      if (leftLong >= 0)
        expect(() =>
          sequence({
            lines: [hot, { lineId: 'spout', conditions: request.conditions, option, leftLong }],
            houseRules,
          }),
        ).toThrow(/no-piece/)
  })
})
