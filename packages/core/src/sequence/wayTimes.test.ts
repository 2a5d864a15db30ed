import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import { wayTimes } from './index'

const { houseRules } = WELL_EQUIPPED

describe('the minutes of a way, by its plan', () => {
  it.each(['copper.l.1/2', 'copper.l.3/4', 'pex-b.sdr9.1/2', 'galvanised.40.1/2'])(
    '%s: the hands that were priced, never less water off than the least that was said',
    (pipeId) => {
      const request = line(pipeId, pipeId.startsWith('galv') ? { oldJoint: 'threaded', thread: 'NPT' } : {})
      const { options } = mate({ lines: [request], settings: WELL_EQUIPPED, k: 12 }).lines[0] ?? {
        options: [],
      }
      const times = wayTimes({ lineId: 'a', conditions: request.conditions }, options, { houseRules })
      expect(times.map(({ optionId }) => optionId)).toEqual(options.map(({ id }) => id))
      for (const [index, { handsSeconds, waterOffSeconds, boundSeconds }] of times.entries()) {
        const option = options[index]
        if (!option) throw new Error('no way')
        expect([option.id, handsSeconds]).toEqual([option.id, option.criteria.seconds])
        expect(waterOffSeconds).toBeGreaterThanOrEqual(option.waterOffSeconds)
        expect(boundSeconds).toBeLessThanOrEqual(waterOffSeconds)
      }
    },
  )

  it('every cent of a way is accounted for: where a call-back costs ten dollars, its risk is its chance in cents', () => {
    const settings = { ...WELL_EQUIPPED, callBackCents: 1000 }
    const options = ['copper.l.3/4', 'copper.l.1', 'copper.l.3/8', 'galvanised.40.1/2'].flatMap(
      (pipeId) =>
        mate({
          lines: [line(pipeId, pipeId.startsWith('galv') ? { oldJoint: 'threaded', thread: 'NPT' } : {})],
          settings,
          k: 30,
        }).lines[0]?.options ?? [],
    )
    const twice = options.filter(({ joints }) =>
      joints.some(({ method }, seam) => method === 'sweat' && joints[seam + 1]?.method === 'sweat'),
    )
    expect(twice.length).toBeGreaterThan(0)
    for (const { id, costs, criteria } of options)
      expect([id, costs.riskCents]).toEqual([id, criteria.riskPerMille])
  })
})
