import fc from 'fast-check'
import { mate } from '../../mate'
import { line, PLAIN, WELL_EQUIPPED } from '../../mate/test/problems'
import type { LineRequest } from '../../mate/types'
import { sequence } from '../../sequence'
import { mouthOf } from '../bodies/kinds'
import type { EndRef } from '../end'
import { keptStopEnd } from './keptStops'

/** Trade: a stiff riser out of the way first, then a stuck plate, then the stop; packing once its outlet is open. */
const PLACES = {
  hardRiser: ['remove.undo-riser', 120],
  oldPlate: ['remove.plate-off', 60],
  stopWeeps: ['remove.repack', 240],
} as const
const said = fc.record({ hardRiser: fc.boolean(), oldPlate: fc.boolean(), stopWeeps: fc.boolean() })

const kept: LineRequest = {
  lineId: 'a',
  from: { ends: [keptStopEnd('comp-3/8') as EndRef] },
  kept: 'stop',
  to: mouthOf('faucet.shank.1/2'),
  conditions: { ...PLAIN, service: 'cold' },
}
const asked = fc.constantFrom(
  line('copper.l.1/2'),
  line('copper.regular.15mm', {}, 'tap.tail.1/2'),
  line('pex-b.sdr9.1/2'),
  line('copper.l.1/2', { oldJoint: 'none' }),
  kept,
)

it('what stands in the way is dealt with first, once, and costs its time wherever time is counted', () =>
  fc.assert(
    fc.property(asked, said, (request, place) => {
      const ask = (patch: object) =>
        mate({
          lines: [{ ...request, conditions: { ...request.conditions, ...patch } }],
          settings: WELL_EQUIPPED,
          k: 6,
        }).lines[0]?.options ?? []
      const plain = ask({})
      const options = ask(place)
      expect(options.map(({ id }) => id).sort()).toEqual(plain.map(({ id }) => id).sort())
      for (const option of options) {
        const stays = option.removalId === 'keep-stop'
        const bare = option.removalId === 'bare'
        const added = (['hardRiser', 'oldPlate', 'stopWeeps'] as const).filter(
          (what) => place[what] && (what === 'stopWeeps' ? stays : what === 'oldPlate' ? !stays : !bare),
        )
        const undone = stays && place.hardRiser ? 60 : 0
        const before = plain.find(({ id }) => id === option.id)
        const more = added.reduce((sum, what) => sum + PLACES[what][1], 0) - undone
        expect(option.criteria.seconds - (before?.criteria.seconds ?? 0)).toBe(more)
        const { steps } = sequence({
          lines: [{ lineId: 'a', conditions: request.conditions, option }],
          houseRules: WELL_EQUIPPED.houseRules,
        })
        const off = steps.filter(({ id }) => id.startsWith('a/remove/')).map(({ words }) => words)
        for (const what of Object.keys(PLACES) as (keyof typeof PLACES)[])
          expect(off.filter((words) => words === PLACES[what][0])).toHaveLength(added.includes(what) ? 1 : 0)
        const at = (words: string) => off.indexOf(words)
        if (added.includes('hardRiser')) expect(at('remove.undo-riser')).toBe(0)
        if (added.includes('oldPlate'))
          expect(at('remove.plate-off')).toBe(added.includes('hardRiser') ? 1 : 0)
        if (added.includes('stopWeeps')) expect(at('remove.repack')).toBe(off.length - 1)
      }
    }),
    { numRuns: 60, seed: 3 },
  ))
