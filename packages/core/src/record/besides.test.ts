import { BESIDES, wasteActs } from '../assembly/acts/wastes'
import { BODY_KINDS } from '../assembly/bodies'
import { BESIDES_WORDS } from '../words/besides'
import { STEPS } from '../words/steps'
import { besidesFor } from './besides'

const PLACE = { access: 'reachable', slabMm: null } as const
const at = (
  kind: string,
  conditions: { access: 'reachable' | 'closed-wall' | 'buried'; slabMm: number | null } = PLACE,
) => ({
  kind,
  conditions,
})

describe('what is laid out besides the parts of a way', () => {
  it('is told of every waste that is set, once, and of no other', () => {
    expect(besidesFor([at('waste.tail.1-1/4'), at('waste.bowl'), at('faucet.hose.3/8')])).toEqual([])
    const basins = [at('waste.basin.push.1-1/4'), at('waste.basin.rod.1-1/4')]
    expect(besidesFor(basins)).toEqual(['putty-or-silicone', 'basin-wrench'])
    expect(besidesFor([at('waste.shower.clamped.2')])).toContain('pan-liner')
    for (const { id } of BODY_KINDS)
      expect([id, besidesFor([at(id)]).length > 0]).toEqual([id, wasteActs(id) !== undefined])
  })

  it('is for concrete only where concrete is cut', () => {
    const under = { access: 'buried', slabMm: 100 } as const
    const slab = besidesFor([at('waste.bowl', under)])
    expect(slab).toContain('slab-saw')
    expect(
      besidesFor([at('waste.bowl', under), at('waste.shower.2', under)]).filter((id) => id === 'slab-saw'),
    ).toHaveLength(1)
    for (const conditions of [
      { access: 'buried', slabMm: null },
      { access: 'buried', slabMm: 0 },
      { access: 'closed-wall', slabMm: 100 },
    ] as const)
      expect(besidesFor([at('waste.bowl', conditions)])).toEqual([])
  })

  it('names what its own acts speak of', () => {
    const spoken = (kind: string) => {
      const { before, after } = wasteActs(kind) ?? { before: [], after: [] }
      return [...before, ...after]
        .map(({ words }) => STEPS[words] ?? '')
        .join(' ')
        .toLowerCase()
    }
    for (const [kind, id, word] of [
      ['waste.basin.rod.1-1/4', 'putty-or-silicone', 'putty'],
      ['waste.tub.1-1/2', 'drain-key', 'key'],
      ['waste.shower.2', 'base-silicone', 'silicone'],
      ['waste.shower.clamped.2', 'pan-sealant', 'sealant'],
      ['waste.shower.clamped.2', 'pan-gravel', 'gravel'],
      ['waste.shower.clamped.2', 'pan-plug', 'test plug'],
    ] as const)
      expect([kind, besidesFor([at(kind)]).includes(id), spoken(kind).includes(word)]).toEqual([
        kind,
        true,
        true,
      ])
    expect(Object.keys(BESIDES_WORDS).sort()).toEqual([...BESIDES].sort())
  })
})
