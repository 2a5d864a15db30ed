import fc from 'fast-check'
import { fullDepthMm } from '../catalog/ends'
import { fittingById } from '../catalog/families'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { CutIn, MateOption } from '../mate/types'
import { pipeById } from '../reference'
import type { Pipe } from '../reference/types'
import { evenly } from '../test/evenly'
import { type FixedEndsAsk, fixedEnds, leastFreeMm } from './fixedEnds'
import { sidewaysSpring } from './spring'
import { usualElbowMm } from './usualElbow'

const pipe = pipeById('copper.l.1/2') as Pipe
function options(insert: CutIn['insert'], freeMm = 300, pipeId = pipe.id): readonly MateOption[] {
  const cutIn: CutIn = { insert, farMm: 120, freeMm: [freeMm, freeMm], sidewaysMm: 50 }
  const service = pipeId.startsWith('pvc-dwv') ? ('waste' as const) : PLAIN.service
  const line = { lineId: 'run', pipeId, conditions: { ...PLAIN, service, stubMm: 120 }, cutIn }
  return mate({ lines: [line], settings: WELL_EQUIPPED, k: 12 }).lines[0]?.options ?? []
}
const ALL = [...options('repair'), ...options('tee'), ...options('valve')]
const ask = (chain: MateOption, patch: Partial<FixedEndsAsk> = {}): FixedEndsAsk => ({
  pipe,
  chain,
  takeOutMm: null,
  bareMm: [null, null],
  freeMm: [300, 300],
  roomMm: 50,
  ...patch,
})

describe('what goes into a run between fixed ends', () => {
  it('fills exactly what comes out: laying lengths and pieces add up to it', () =>
    fc.assert(
      fc.property(fc.constantFrom(...ALL), evenly(0, 1), (chain, share) => {
        const { min, max } = chain.removeMm as { min: number; max: number }
        const takeOutMm = min + share * (Math.min(max, min + 400) - min)
        const found = fixedEnds(ask(chain, { takeOutMm }))
        // the laying length is the catalogue's own distance between two pipe ends inside a part
        const laying = chain.parts.reduce((sum, { fittingId, family }) => {
          const part = fittingById(fittingId)
          return sum + (family === 'tube-piece' ? 0 : (part?.layingMm ?? 0))
        }, 0)
        if (found.pieces.length !== 1 || found.pieces[0]?.cutMm == null) return
        expect(found.pieces[0].cutMm + laying).toBeCloseTo(takeOutMm, 6)
      }),
    ))

  it('of a branch it says where the cut lies from its middle: both cuts together leave its laying length', () => {
    const said = new Map<string, Partial<Record<string, number>>>()
    for (const insert of ['tee', 'wye'] as const)
      for (const chain of options(insert, 0, 'pvc-dwv.40.2')) {
        const [first] = fixedEnds(ask(chain)).steps
        const branch = chain.parts.find(({ family }) => /^(sanitary-tee|wye)/.test(family))
        const alone = chain.parts.at(0) === branch || chain.parts.at(-1) === branch
        expect([chain.id, first?.ruleId === 'fixed.branch']).toEqual([chain.id, alone])
        const { cut, atMm } = (first?.parameters ?? {}) as { cut: string; atMm: number }
        if (alone && branch) {
          // by its ports: from the end of the pipe on that side to the middle of what comes in, along the run
          const nearest = chain.parts.at(0) === branch
          const { ports = [] } = fittingById(branch.fittingId) ?? {}
          const [run, side] = [ports[nearest ? branch.inPort : branch.outPort], ports[2]]
          if (!run || !side) throw new Error(branch.fittingId)
          const across = Math.abs(side.pose.axis[0]) < 1e-9
          const middle = across ? side.pose.origin[0] : 0
          const depth = fullDepthMm(run)
          expect([branch.fittingId, cut, atMm]).toEqual([
            branch.fittingId,
            { 'sanitary-tee': ['above', 'below'] }[branch.family as string]?.[nearest ? 0 : 1] ??
              (nearest ? 'upstream' : 'downstream'),
            expect.closeTo(Math.abs(run.pose.origin[0] - middle) - depth, 6),
          ])
        }
        if (alone && branch)
          said.set(branch.fittingId, {
            ...said.get(branch.fittingId),
            [/^up/.test(cut) ? 'up' : 'down']: atMm,
          })
      }
    const both = [...said].filter(([, { up, down }]) => up !== undefined && down !== undefined)
    expect(both.length).toBeGreaterThan(1)
    for (const [id, { up = 0, down = 0 }] of both)
      expect([id, up + down]).toEqual([id, expect.closeTo(fittingById(id)?.layingMm ?? 0, 6)])
  })

  it('a sliding part has pipe to wait on for its whole length, on the run or on the piece', () => {
    const slid = ALL.filter(({ closes }) => closes?.by === 'slide')
    expect(slid.length).toBeGreaterThan(10)
    for (const chain of slid) {
      const { sliding, leastBareMm } = fixedEnds(ask(chain))
      const part = fittingById(chain.parts[sliding?.part ?? -1]?.fittingId ?? '')
      expect(['slip-coupling', 'repair-coupling', 'slip-tee']).toContain(part?.family)
      // from one mouth to the other, and three millimetres to be clear
      const [a, b] = part?.ports ?? []
      const long = Math.abs((a?.pose.origin[0] ?? 0) - (b?.pose.origin[0] ?? 0))
      expect(sliding?.needsMm).toBeCloseTo(long + 3, 6)
      if (sliding?.on === 'near') expect(leastBareMm[0]).toBeGreaterThanOrEqual(long)
      if (sliding?.on === 'far') expect(leastBareMm[1]).toBeGreaterThanOrEqual(long)
      // both marks are inside what slides, and meet in it
      expect((sliding?.marksMm[0] ?? 0) + (sliding?.marksMm[1] ?? 0)).toBeLessThanOrEqual(long + 1e-9)
    }
  })

  it('says which number makes it impossible, and by how much', () => {
    const slip = ALL.find(({ parts, closes }) => parts.length === 1 && closes?.by === 'slide') as MateOption
    const { max } = slip.removeMm as { max: number }
    expect(fixedEnds(ask(slip, { takeOutMm: max + 5 })).reason).toMatchObject({
      ruleId: 'fixed.too-much',
      parameters: { overMm: expect.closeTo(5, 6) },
    })
    const needs = fixedEnds(ask(slip)).leastBareMm
    expect(fixedEnds(ask(slip, { bareMm: [needs[0] - 7, 10] })).reason?.ruleId).toBe('fixed.no-room')
    const pieced = ALL.find(({ parts }) => parts.length === 3) as MateOption
    expect(fixedEnds(ask(pieced, { takeOutMm: 10 })).reason?.ruleId).toBe('fixed.too-little')
  })

  it('slides before it puts in, and draws back last', () => {
    for (const chain of ALL) {
      const order = fixedEnds(ask(chain)).steps.map(({ ruleId }) => ruleId)
      const at = (rule: string) => order.findIndex((id) => id.startsWith(rule))
      if (at('fixed.slide') < 0) continue
      if (at('fixed.put-in') >= 0) expect(at('fixed.slide')).toBeLessThan(at('fixed.put-in'))
      expect(order.at(-1)).toBe('fixed.draw-back')
    }
  })
})

describe('what is said of a run', () => {
  it('every piece that is cut, the union where one closes it, and how far what is sprung has to come', () => {
    const seen = { piece: 0, union: 0, spring: 0, no: 0 }
    const steel = 'galvanised.40.1/2'
    for (const chain of [...ALL, ...options('repair', 300, steel), ...options('valve', 300, steel)]) {
      const found = fixedEnds(ask(chain, { takeOutMm: chain.removeMm?.max ?? null }))
      const said = (rule: string) => found.steps.filter(({ ruleId }) => ruleId === rule).length
      const cut = found.pieces.filter(({ cutMm }) => cutMm !== null).length
      expect([chain.id, said('fixed.piece')]).toEqual([chain.id, cut])
      expect([chain.id, said('fixed.union')]).toEqual([chain.id, chain.closes?.by === 'union' ? 1 : 0])
      seen.piece += cut
      seen.no += found.pieces.length - cut
      seen.union += said('fixed.union')
      if (chain.closes?.by !== 'spring' || !found.spring) continue
      seen.spring++
      // one joint is sprung in: the shallowest of those that are pushed in
      const depths = chain.joints.map(({ minMm }) => minMm)
      expect(depths).toContain(found.spring.needsMm)
      expect(found.spring.needsMm).toBeLessThanOrEqual(Math.min(...chain.joints.map(({ maxMm }) => maxMm)))
    }
    expect(seen.piece).toBeGreaterThan(0)
  })
})

describe('a new corner', () => {
  const TURNED = options('corner', 900)
  it('fills each leg by itself: half the elbow, and what lies on that side of it', () => {
    expect(TURNED.length).toBeGreaterThan(3)
    fc.assert(
      fc.property(fc.constantFrom(...TURNED), evenly(0, 1), evenly(0, 1), (chain, one, other) => {
        const windows = chain.removeLegsMm as NonNullable<MateOption['removeLegsMm']>
        const share = [one, other] as const
        const legsMm = windows.map(
          ({ min, max }, leg) => min + (share[leg] as number) * (Math.min(max, min + 400) - min),
        ) as [number, number]
        const found = fixedEnds(ask(chain, { legsMm }))
        // a piece may be asked for that is shorter than both its joints
        if (found.pieces.some(({ cutMm }) => cutMm === null)) return
        expect(found.reason).toBeNull()
        const corner = chain.parts.findIndex(({ family }) => family.includes('elbow'))
        expect(found.corner?.part).toBe(corner)
        for (const piece of found.pieces) {
          // from the old pipe, or from the elbow's middle, part by part, each joint fully home
          const [from, to] = piece.part < corner ? [0, corner] : [corner, chain.parts.length - 1]
          let sum = 0
          for (let at = from; at <= to; at++) {
            const { fittingId, inPort, outPort } = chain.parts[at] as (typeof chain.parts)[number]
            const reach = (port: number) =>
              Math.hypot(...(fittingById(fittingId)?.ports[port]?.pose.origin ?? [0]))
            if (at !== corner) sum += at === piece.part ? (piece.cutMm ?? 0) : reach(inPort) + reach(outPort)
            else sum += reach(piece.part < corner ? inPort : outPort)
          }
          for (const joint of chain.joints)
            if (piece.part < corner ? joint.to <= corner : joint.from >= corner) sum -= joint.maxMm
          expect(sum).toBeCloseTo(legsMm[piece.part < corner ? 0 : 1], 6)
        }
      }),
    )
  })

  it('is never cut inside the old elbow: unmeasured, the usual one of such pipe comes out whole', () => {
    // ASME B16.22: a 1/2 in wrot solder elbow is some 7/8 in from its middle to its mouth
    const usual = usualElbowMm(pipe) as number
    expect(usual).toBeGreaterThan(17)
    expect(usual).toBeLessThan(27)
    for (const chain of TURNED) {
      for (const { max } of chain.removeLegsMm ?? []) expect(max).toBeGreaterThanOrEqual(usual - 0.02)
      for (const { takeOutMm } of fixedEnds(ask(chain)).corner?.legs ?? [])
        expect(takeOutMm).toBeGreaterThanOrEqual(usual - 0.02)
    }
    expect(usualElbowMm({ material: 'cast-iron', odMm: 100 })).toBeNull()
  })

  it('is sprung by pushing the other leg sideways, far more than any run gives along itself', () => {
    const chain = TURNED.find(({ closes }) => closes?.by === 'spring') as MateOption
    // push-fit, press and the like want more than 8 mm; the ends of a straight run of 900 mm give less than 2
    const round = fixedEnds(ask(chain, { freeMm: [900, 0], roomMm: 50 })).spring
    expect(round.can).toBe(true)
    expect(round.haveMm).toBeCloseTo(sidewaysSpring(pipe, 900, 50).sidewaysMm, 9)
    const along = fixedEnds(ask(ALL[0] as MateOption, { freeMm: [900, 900], roomMm: 50 })).spring
    expect(round.haveMm).toBeGreaterThan(5 * along.haveMm)
    // nothing is sprung sideways by less pipe than it says, nor in less room
    const least = round.leastFreeMm as number
    expect(sidewaysSpring(pipe, least * 0.99, 50).sidewaysMm).toBeLessThan(round.needsMm)
    expect(sidewaysSpring(pipe, least * 1.01, 50).sidewaysMm).toBeGreaterThanOrEqual(round.needsMm)
    expect(fixedEnds(ask(chain, { roomMm: round.needsMm - 1 })).spring.leastFreeMm).toBeNull()
  })

  it('is never closed by a thread: what is sprung and let back in does not turn', () => {
    let screwed = 0
    // room enough for a thread's 10 to 11 mm, too little for what is pressed or pushed on
    for (const pipeId of ['copper.l.1/2', 'copper.regular.22mm', 'galvanised.40.1/2'])
      for (const sidewaysMm of [12, 50]) {
        const cutIn: CutIn = { insert: 'corner', farMm: 120, freeMm: [2500, 2500], sidewaysMm }
        const conditions = { ...PLAIN, stubMm: 120 }
        const line = { lineId: 'run', pipeId, conditions, cutIn }
        for (const chain of mate({ lines: [line], settings: WELL_EQUIPPED, k: 30 }).lines[0]?.options ?? []) {
          if (chain.methods.includes('threaded')) screwed++
          if (chain.closes?.by === 'spring')
            expect(chain.joints[chain.closes.seam]?.method).not.toBe('threaded')
        }
      }
    expect(screwed).toBeGreaterThan(5)
  })

  it('an eighth bend is not sprung: pushed sideways its legs do not come apart along themselves', () => {
    const cutIn: CutIn = { insert: 'corner', farMm: 120, freeMm: [2000, 2000], sidewaysMm: 200 }
    const conditions = { ...PLAIN, stubMm: 120, turn: 45 as const }
    const { options } = mate({
      lines: [{ lineId: 'run', pipeId: pipe.id, conditions, cutIn }],
      settings: WELL_EQUIPPED,
      k: 12,
    }).lines[0] as { options: readonly MateOption[] }
    expect(options.length).toBeGreaterThan(0)
    for (const option of options) {
      expect(option.closes?.by).toBe('slide')
      const { spring } = fixedEnds(ask(option, { freeMm: [2000, 2000], roomMm: 200 }))
      expect([spring.can, spring.haveMm, spring.leastFreeMm]).toEqual([false, 0, null])
    }
    expect(TURNED.some(({ closes }) => closes?.by === 'spring')).toBe(true)
  })

  it('says which leg has too little out of it, and by how much', () => {
    const chain = TURNED[0] as MateOption
    const [near, far] = chain.removeLegsMm as NonNullable<MateOption['removeLegsMm']>
    expect(fixedEnds(ask(chain, { legsMm: [near.min, far.min - 4] })).reason).toMatchObject({
      ruleId: 'fixed.too-little',
      parameters: { shortMm: expect.closeTo(4, 6) },
    })
  })
})

describe('springing a run apart', () => {
  // Cantilever by hand for 1/2 in type L hard copper (OD 15.875, E 117 GPa, 2/3 of 205 MPa): a load at the tip bends it
  // by y(x) = Y(3(x/L)^2 - (x/L)^3)/2; its arc is longer than its chord by the integral of y'^2/2, here taken in slices.
  const bySlices = (length: number, room: number) => {
    const most = ((205 / 1.5) * length ** 2) / (3 * 117_000 * (15.875 / 2))
    const tip = Math.min(most, room, length / 10)
    let sum = 0
    const slices = 20_000
    for (let index = 0; index < slices; index++) {
      const x = (index + 0.5) / slices
      const slope = (tip / length) * 0.5 * (6 * x - 3 * x * x)
      sum += (slope * slope * length) / 2 / slices
    }
    return sum
  }
  it.each([300, 600, 1200, 2400])('yields at %p mm what slices of its arc add up to', (length) => {
    const sides = fixedEnds(ask(ALL[0] as MateOption, { freeMm: [length, length] })).spring
    expect(sides.haveMm).toBeCloseTo(2 * bySlices(length, 50), 4)
  })
  it('the least free length is the one from which it can, and no shorter', () => {
    for (const wanted of [0.05, 0.3, 1, 2]) {
      const least = leastFreeMm(pipe, wanted, 1000)
      expect(least).not.toBeNull()
      expect(sidewaysSpring(pipe, (least as number) * 0.99, 1000).retractionMm).toBeLessThan(wanted)
      expect(sidewaysSpring(pipe, (least as number) * 1.01, 1000).retractionMm).toBeGreaterThan(wanted)
    }
  })
  it('no length does where the room is too small, and none for what is not sprung', () => {
    expect(leastFreeMm(pipe, 10, 20)).toBeNull()
    expect(leastFreeMm({ odMm: 60, wallMm: 4, material: 'cast-iron' as never }, 1, 1000)).toBeNull()
  })
})

it('a corner that is known is as long as its own elbow reaches, and no longer', () => {
  for (const [pipeId, elbow] of [
    ['copper.l.1/2', 'elbow.90.cxc.1/2'],
    ['galvanised.40.1/2', 'elbow.90.fxf.galv.npt.1/2'],
  ] as const) {
    const [port] = fittingById(elbow)?.ports ?? []
    const reaches = Math.hypot(...(port?.pose.origin ?? []))
    expect([pipeId, usualElbowMm(pipeById(pipeId) as Pipe)]).toEqual([pipeId, expect.closeTo(reaches, 6)])
  }
})
