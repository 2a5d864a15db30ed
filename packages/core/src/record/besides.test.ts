import { BESIDES } from '../assembly/acts/besides'
import { wasteActs } from '../assembly/acts/wastes'
import { BODY_KINDS } from '../assembly/bodies'
import { BESIDES_WORDS } from '../words/besides'
import { STEPS } from '../words/steps'
import { besidesFor } from './besides'
import { opensSlab } from './slab'

const at = (kind: string, opens = false) => ({ kind, opens })

describe('what is laid out besides the parts of a way', () => {
  it('is told of every waste that is set, once, and of no other', () => {
    expect(besidesFor([at('waste.tail.1-1/4'), at('waste.bowl'), at('faucet.hose.3/8')])).toEqual([])
    const basins = [at('waste.basin.push.1-1/4'), at('waste.basin.rod.1-1/4')]
    expect(besidesFor(basins)).toEqual(['putty-or-silicone', 'basin-wrench'])
    expect(besidesFor([at('waste.shower.clamped.2')])).toContain('pan-liner')
    for (const { id } of BODY_KINDS)
      expect([id, besidesFor([at(id)]).length > 0]).toEqual([
        id,
        wasteActs(id) !== undefined || id.startsWith('heater.'),
      ])
  })

  it('is for a heater once, though it has two lines, and not where the old one stays', () => {
    const lines = [at('heater.nipple.3/4'), at('heater.nipple.3/4')]
    expect(besidesFor(lines)).toEqual(['heater-hose', 'heater-cart', 'heater-pan'])
    expect(besidesFor(lines.map((line) => ({ ...line, stays: true })))).toEqual([])
    // as its acts speak of them
    const spoken = ['empty', 'out', 'set'].map((act) => STEPS[`heater.${act}`] ?? '')
    for (const [index, word] of ['hose', 'cart', 'pan'].entries()) expect(spoken[index]).toContain(word)
  })

  it('is for concrete only where concrete is cut', () => {
    const slab = besidesFor([at('waste.bowl', true), at('waste.shower.2', true)])
    expect(slab.filter((id) => id === 'slab-saw')).toHaveLength(1)
    expect(besidesFor([at('waste.bowl')])).toEqual([])
    const joints = [
      { to: 0, beforeStop: true },
      { to: 1, beforeStop: true },
    ]
    const opens = (
      access: 'buried' | 'closed-wall',
      slabMm: number | null,
      family: string,
      mount?: 'floor',
    ) =>
      opensSlab(
        { conditions: { access, slabMm, service: 'waste' }, option: { parts: [{ family }], joints } },
        mount,
      )
    // a coupling beneath, and what comes up through the floor
    expect(opens('buried', 100, 'coupling', 'floor')).toBe(true)
    // a flange is all that is new
    expect(opens('buried', 100, 'closet-flange', 'floor')).toBe(false)
    expect([opens('buried', null, 'coupling', 'floor'), opens('buried', 0, 'coupling', 'floor')]).toEqual([
      false,
      false,
    ])
    expect(opens('closed-wall', 100, 'coupling', 'floor')).toBe(false)
    // a run has nothing on the floor
    expect(opens('buried', 100, 'closet-flange')).toBe(true)
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
