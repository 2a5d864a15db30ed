import { sectionsOf } from '../record'
import { mate } from './index'
import { line, WELL_EQUIPPED } from './test/problems'

describe('what can be held by itself', () => {
  it.each(['copper.l.1/2', 'pex-b.sdr9.1/2', 'cpvc.sdr11.1/2', 'galvanised.40.1/2'])(
    '%s: every joint is in one section, and no stop stands within one',
    (pipeId) => {
      for (const kind of ['faucet.shank.1/2', 'valve.combo.1/2', 'washer.hose'] as const)
        for (const option of mate({ lines: [line(pipeId, {}, kind)], settings: WELL_EQUIPPED, k: 6 }).lines[0]
          ?.options ?? []) {
          const sections = sectionsOf([{ lineId: 'a', option }])
          expect(sections.flatMap(({ seams }) => seams)).toEqual([...option.joints.keys()])
          const stops = option.parts.filter(({ family }) => /stop$|valve$/.test(family)).length
          // one more section than stops, but that nothing follows the last one
          const last = option.joints.at(-1)
          const ends = (last?.to ?? 0) < option.parts.length
          expect(sections).toHaveLength(stops + (ends && stops > 0 ? 0 : 1))
          for (const { seams } of sections)
            for (const seam of seams.slice(1))
              expect(option.parts[option.joints[seam]?.from ?? 0]?.family).not.toMatch(/stop$|valve$/)
        }
    },
  )
})
