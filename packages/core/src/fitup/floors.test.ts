import fc from 'fast-check'
import { mouthOf } from '../assembly/bodies'
import { PLAIN_CONDITIONS } from '../assembly/conditions'
import { mate } from '../mate'
import { WELL_EQUIPPED } from '../mate/test/problems'
import { tubeEngagement } from '../reference/engagement'
import { discReachMm, SLAB_DISCS } from '../reference/slab'
import { evenly as mm } from '../test/evenly'
import { layOut } from './layout'
import { BAG_LITRES, SLAB_SIZES, type SlabAsk, type SlabFit, underSlab } from './slab'
import { TUB_WASTES, type TubFit, tubWasteFit } from './tubWaste'

const IN = 25.4
const ASK: SlabAsk = {
  size: '2',
  slabMm: 4 * IN,
  deepMm: 14 * IN,
  outMm: 48 * IN,
  pitch: 1 / 48,
  discMm: 350,
  aboveMm: null,
}
function fitOf(patch: Partial<SlabAsk> = {}): SlabFit {
  const fit = underSlab({ ...ASK, ...patch })
  if (!fit.ok) throw new Error(fit.reason.ruleId)
  return fit
}

describe('a drain moved under a slab', () => {
  // by hand: a 2 in trap is 7-1/2 in long and its mouth 1-1/4 in over the middle of its outlet (typical), its sockets hold
  // 3/4 in (ASTM D2665); a quarter inch to the foot of what is left of the way
  it('stands as much higher than the old pipe as its arm falls', () => {
    const fit = fitOf()
    expect(fit.trapMm / IN).toBeCloseTo(14 - 40.5 / 48, 9)
    expect(fit.inletMm / IN).toBeCloseTo(14 - 40.5 / 48 - 1.25, 9)
    expect(fit.longMm / IN).toBeCloseTo(14 - 40.5 / 48 - 1.25 + 0.75 + 6, 9)
    // 48 in and half a foot beyond at both ends, a foot wide, four inches thick: 20/12 · 4 ft · ... in cubic feet
    const feet = (60 / 12) * 1 * (4 / 12)
    expect(fit.litres / 28.316846592).toBeCloseTo(feet, 6)
    expect(fit.bags).toBe(Math.ceil(feet / 0.6))
    // the old pipe is 2.375 in outside (ASTM D2661), bedded on three inches
    expect(fit.digMm[0] / IN).toBeCloseTo(14 + 2.375 / 2 + 3, 9)
    expect(fitOf({ pitch: 0 }).trapMm).toBeCloseTo(ASK.deepMm, 9)
  })

  it('holds its seal of water where the trench is dug for it', () => {
    for (const size of SLAB_SIZES) {
      const fit = fitOf({ size })
      // down from the weir: the seal, a bore, a wall, the bed (IPC 1002.4: 2 in at least)
      const { boreIn, outIn } = {
        '1-1/2': { boreIn: 1.61, outIn: 1.9 },
        '2': { boreIn: 2.067, outIn: 2.375 },
      }[size]
      const wallIn = (outIn - boreIn) / 2
      expect((fit.digMm[1] - fit.weirMm) / IN).toBeCloseTo(2 + boreIn + wallIn + 3, 1)
      expect(fit.weirMm).toBeGreaterThan(fit.trapMm)
    }
  })

  it('a bag of dry concrete makes concrete of its usual weight', () => {
    // ACI 318: normal weight 135 to 160 lb to the cubic foot; 80 lb of mix take some six pints of water, a pound each
    const pounds = (80 + 6) / (BAG_LITRES / 28.316846592)
    expect(pounds).toBeGreaterThan(135)
    expect(pounds).toBeLessThan(160)
  })

  it('has the riser that its line is laid out with', () => {
    for (const [size, kind, pipeId] of [
      ['2', 'waste.shower.2', 'abs-dwv.40.2'],
      ['2', 'waste.shower.clamped.2', 'pvc-dwv.40.2'],
      ['1-1/2', 'waste.shower.1-1/2', 'abs-dwv.40.1-1/2'],
    ] as const)
      for (const aboveMm of [-40, 0, 55]) {
        const conditions = {
          ...PLAIN_CONDITIONS,
          service: 'waste' as const,
          waterSeen: true,
          access: 'buried' as const,
          slabMm: ASK.slabMm,
          stubMm: 200,
          spanMm: ASK.outMm,
        }
        const line = { lineId: 'a', pipeId, to: mouthOf(kind), conditions }
        const [answer] = mate({ lines: [line], settings: WELL_EQUIPPED, k: 8 }).lines
        const way = answer?.options.find(
          ({ parts, joints }) =>
            parts.at(-1)?.family === 'tube-piece' && joints.at(-1)?.method.startsWith('cement'),
        )
        const trap = way?.parts.findIndex(({ family }) => family === 'p-trap') ?? -1
        if (!way || trap < 0) throw new Error('no way')
        const fit = fitOf({ size, aboveMm })
        const laid = layOut({
          chain: way,
          stubMm: way.leavesStubMm,
          dimensions: [{ id: 'up', from: `part:${trap}:centre`, to: 'tail', mm: fit.trapMm + aboveMm }],
        })
        const riser = laid.pieces.find(({ part }) => part === way.parts.length - 1)
        expect([size, kind, riser?.cutMm]).toEqual([size, kind, expect.closeTo(fit.riserMm ?? 0, 1)])
      }
  })

  it('is refused by just so much as it lacks', () => {
    const near = underSlab({ ...ASK, outMm: 6 * IN })
    expect(near).toMatchObject({ ok: false, reason: { ruleId: 'slab.near' } })
    if (!near.ok)
      expect(underSlab({ ...ASK, outMm: 6 * IN + Number(near.reason.parameters.shortMm) }).ok).toBe(true)
    const high = underSlab({ ...ASK, deepMm: 3 * IN, aboveMm: -4 * IN })
    expect(high).toMatchObject({ ok: false, reason: { ruleId: 'slab.high' } })
    if (!high.ok) {
      const overMm = Number(high.reason.parameters.overMm)
      const lower = (by: number) => underSlab({ ...ASK, deepMm: 3 * IN + by, aboveMm: -4 * IN }).ok
      expect([lower(overMm + 1e-6), lower(overMm - 1e-3)]).toEqual([true, false])
    }
  })

  it('deeper, thicker and farther: each does to the trench what it does to a trench', () =>
    fc.assert(
      fc.property(mm(250, 500), mm(80, 200), mm(300, 2000), mm(1, 100), (deepMm, slabMm, outMm, more) => {
        const at = fitOf({ deepMm, slabMm, outMm })
        const deeper = fitOf({ deepMm: deepMm + more, slabMm, outMm })
        expect(deeper.longMm - at.longMm).toBeCloseTo(more, 6)
        const thicker = fitOf({ deepMm, slabMm: slabMm + more, outMm })
        expect([thicker.longMm, thicker.digMm]).toEqual([at.longMm, at.digMm])
        expect(thicker.litres).toBeGreaterThan(at.litres)
        const farther = fitOf({ deepMm, slabMm, outMm: outMm + more })
        expect(at.trapMm - farther.trapMm).toBeCloseTo(more / 48, 6)
        expect(at.restMm).toBe(Math.max(0, slabMm - 125))
      }),
      { numRuns: 60 },
    ))

  it('notes what the disc leaves, a drop of more than two feet, and a trap that stands out of the floor', () => {
    const noted = (patch: Partial<SlabAsk>) => fitOf(patch).notes.map(({ ruleId }) => ruleId)
    expect(noted({})).toEqual([])
    expect(noted({ slabMm: 126 })).toEqual(['slab.disc'])
    expect(noted({ deepMm: 23 * IN })).toEqual([])
    expect(noted({ deepMm: 25 * IN })).toEqual(['trap.drop'])
    expect(noted({ deepMm: 20 * IN, aboveMm: 6 * IN })).toEqual(['trap.drop'])
    expect(noted({ deepMm: 2 * IN, aboveMm: null })).toEqual(['slab.stands-out'])
    expect(
      SLAB_DISCS.every(({ mm: disc, reachMm }) => reachMm === discReachMm(disc) && reachMm < disc / 2),
    ).toBe(true)
  })
})

describe('the tubes of a tub’s waste and overflow', () => {
  const tubOf = (by: string, outMm: number, highMm: number): TubFit => {
    const waste = TUB_WASTES.find(({ id }) => id === by)
    const fit = waste && tubWasteFit({ waste, outMm, highMm })
    if (!fit?.ok) throw new Error('no fit')
    return fit
  }

  it('add up, with the fittings between them, to where the drain and the overflow are', () =>
    fc.assert(
      fc.property(fc.constantFrom(...TUB_WASTES), mm(110, 500), mm(110, 600), (waste, outMm, highMm) => {
        const fit = tubOf(waste.id, outMm, highMm)
        const [form, system] =
          waste.id === 'nuts' ? (['slip-joint', 'tubular'] as const) : (['drain-socket', 'IPS'] as const)
        const joint = tubeEngagement(form, system, '1-1/2')
        // both ends home: from the drain along the shoe, a tube less what is in the mouths, and the tee
        const home = 2 * (joint?.maxMm ?? 0)
        expect(waste.shoeOutMm + fit.shoeMm[1] - home + waste.teeMm).toBeCloseTo(outMm, 6)
        expect(waste.teeMm + fit.overflowMm[1] - home + waste.elbowDownMm - waste.shoeDownMm).toBeCloseTo(
          highMm,
          6,
        )
        // the shortest still stands in both nuts
        const least = waste.id === 'nuts' ? (joint?.minMm ?? 0) : (joint?.maxMm ?? 0)
        expect(fit.shoeMm[1] - fit.shoeMm[0]).toBeCloseTo(2 * ((joint?.maxMm ?? 0) - least), 6)
        expect(fit.mouthDownMm).toBeGreaterThan(waste.shoeDownMm)
      }),
      { numRuns: 60 },
    ))

  it('says which of a set is too short, and refuses mouths that meet', () => {
    expect(tubOf('nuts', 10 * IN, 14 * IN).notes).toEqual([])
    expect(tubOf('nuts', 10 * IN, 20 * IN).notes.map(({ parameters }) => parameters.which)).toEqual([
      'overflow',
    ])
    expect(tubOf('nuts', 14 * IN, 14 * IN).notes.map(({ parameters }) => parameters.which)).toEqual(['shoe'])
    // pipe comes by the length
    expect(tubOf('cement', 20 * IN, 30 * IN).notes).toEqual([])
    for (const [outMm, highMm, which] of [
      [3 * IN, 14 * IN, 'shoe'],
      [10 * IN, 1 * IN, 'overflow'],
    ] as const)
      for (const waste of TUB_WASTES) {
        const fit = tubWasteFit({ waste, outMm, highMm })
        expect(fit).toMatchObject({ ok: false, reason: { ruleId: 'tub.near', parameters: { which } } })
        if (fit.ok) continue
        const by = Number(fit.reason.parameters.shortMm) + 1e-9
        const moved = which === 'shoe' ? { outMm: outMm + by, highMm } : { outMm, highMm: highMm + by }
        expect(tubWasteFit({ waste, ...moved }).ok).toBe(true)
      }
  })
})
