import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import { wayTimes } from './index'

const { houseRules } = WELL_EQUIPPED

describe('the minutes of a way, by its plan', () => {
  it.each(['copper.l.1/2', 'copper.l.3/4', 'pex-b.sdr9.1/2', 'galvanised.40.1/2'])(
    '%s: never more hands than the sum of its acts, never less water off than the least that was said',
    (pipeId) => {
      const request = line(pipeId, pipeId.startsWith('galv') ? { oldJoint: 'threaded', thread: 'NPT' } : {})
      const { options } = mate({ lines: [request], settings: WELL_EQUIPPED, k: 12 }).lines[0] ?? {
        options: [],
      }
      const times = wayTimes({ lineId: 'a', conditions: request.conditions }, options, { houseRules })
      expect(times.map(({ optionId }) => optionId)).toEqual(options.map(({ id }) => id))
      let saved = 0
      for (const [index, { handsSeconds, waterOffSeconds, boundSeconds }] of times.entries()) {
        const option = options[index]
        if (!option) throw new Error('no way')
        // nuts of a union are drawn, which no joint counts
        const unions = option.parts.filter(({ family }) => family.endsWith('union')).length
        expect(handsSeconds).toBeLessThanOrEqual(option.criteria.seconds + 60 * unions)
        if (handsSeconds < option.criteria.seconds) saved++
        expect(waterOffSeconds).toBeGreaterThanOrEqual(option.waterOffSeconds)
        expect(boundSeconds).toBeLessThanOrEqual(waterOffSeconds)
      }
      // two ends of one fitting are one heat
      const oneHeat = options.some(({ joints, parts }) =>
        joints.some(
          ({ method, to }, seam) =>
            method === 'sweat' &&
            joints[seam + 1]?.method === 'sweat' &&
            /coupling|elbow|adapter|reducer/.test(parts[to]?.family ?? ''),
        ),
      )
      expect(saved > 0).toBe(oneHeat)
    },
  )
})
