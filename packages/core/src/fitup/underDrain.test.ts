import { mouthOf } from '../assembly/bodies'
import { PLAIN_CONDITIONS } from '../assembly/conditions'
import { mate } from '../mate'
import { WELL_EQUIPPED } from '../mate/test/problems'
import { beginsInHub, standpipeStands, tailOverMm, turnsOffMm } from '../record'
import { PIPES } from '../reference/pipes'
import { STANDPIPE_BORES } from '../reference/standpipe'
import { TRAP_ARMS } from '../reference/trapArms'
import { layOut } from './layout'

const IN = 25.4

/** The first way from a bare stub of 2 in ABS to a waste whose drain stands so far out, inches. */
function wayOf(kind: string, spanIn: number, stubIn: number | null, pipeId = 'abs-dwv.40.2') {
  const conditions = {
    ...PLAIN_CONDITIONS,
    service: 'waste' as const,
    waterSeen: true,
    oldJoint: 'none' as const,
    stubMm: stubIn === null ? null : stubIn * IN,
    spanMm: spanIn * IN,
  }
  const line = { lineId: 'a', pipeId, to: mouthOf(kind), conditions }
  const [answer] = mate({ lines: [line], settings: WELL_EQUIPPED }).lines
  const way = answer?.options[0]
  if (!answer || !way) return { answer, way: null, layout: null, cuts: [] }
  const trap = way.parts.findIndex(({ family }) => family === 'p-trap')
  const laid = (topIn?: number) =>
    layOut({
      chain: way,
      stubMm: way.leavesStubMm,
      dimensions: [
        { id: 'out', from: 'wall', to: `part:${trap}:centre`, mm: spanIn * IN },
        ...(topIn === undefined
          ? []
          : [{ id: 'up', from: `part:${trap}:centre` as const, to: 'tail' as const, mm: topIn * IN }]),
      ],
    })
  return { answer, way, layout: laid, cuts: laid().pieces.map(({ cutMm }) => cutMm && cutMm / IN) }
}

// by hand: a 2 in trap is 4-1/2 in wide and its arm 3 in more to the mouth (typical), its socket holds 3/4 in (ASTM
// D2665), so that from the end of the pipe to the middle of the drain lie 6-3/4 in
describe('a trap under its drain', () => {
  it('goes right onto pipe that reaches: sawn where the trap comes to stand under the drain', () => {
    const { way } = wayOf('waste.standpipe', 12, 8)
    expect(way?.parts.map(({ family }) => family)).toEqual(['p-trap', 'standpipe'])
    expect(way?.removalId).toBe('saw-shorter')
    expect((way?.leavesStubMm ?? 0) / IN).toBeCloseTo(12 - 6.75, 6)
  })

  it('stands at the end of a piece of pipe where the old end lies farther back, and nothing is sawn', () => {
    const { way, cuts } = wayOf('waste.standpipe', 24, 8)
    expect(way?.parts.map(({ family }) => family)).toEqual(['coupling', 'tube-piece', 'p-trap', 'standpipe'])
    expect([way?.removalId, (way?.leavesStubMm ?? 0) / IN]).toEqual(['bare', 8])
    // a coupling’s stop keeps 1/8 in apart (ASTM D3311, 2 in); the standpipe is still to be measured
    expect(cuts).toEqual([expect.closeTo(24 - 8 - 1 / 8 - 6.75, 1), null])
  })

  it('says where to saw pipe that nobody measured, and by a piece how long that is, once it is', () => {
    expect(wayOf('waste.shower.2', 20, null).way).toMatchObject({
      removalId: 'saw-shorter',
      leavesStubMm: expect.closeTo((20 - 6.75) * IN, 6),
    })
  })

  it('has no way where the drain lies nearer than a trap is long, and says what then', () => {
    const { answer } = wayOf('waste.shower.2', 6, 8)
    expect(answer?.options).toEqual([])
    expect(answer?.lastResort?.ruleId).toBe('resort.farther-back')
    // out of reach of one length of pipe it is not near
    expect(wayOf('waste.shower.2', 190, 8).answer).toMatchObject({
      options: [],
      lastResort: { ruleId: 'resort.next-fitting' },
    })
    // where it is near and cannot be done anyway, the length is not what is wrong
    expect(wayOf('waste.standpipe', 6, 8, 'galvanised.40.1-1/4').answer?.lastResort?.ruleId).not.toBe(
      'resort.farther-back',
    )
  })

  it.each([
    [19, 'fits'],
    [16, 'low'],
    [44, 'high'],
  ])('a standpipe whose top is %s in over the middle of the pipe: %s', (topIn, verdict) => {
    const { way, layout } = wayOf('waste.standpipe', 12, 8)
    if (!way || !layout) throw new Error('no way')
    const laid = layout(topIn)
    // its foot stands in the inlet, whose mouth is 1-1/4 in over the middle and holds 3/4 in
    expect(laid.pieces.map(({ cutMm }) => cutMm && cutMm / IN)).toEqual([expect.closeTo(topIn - 0.5, 6)])
    // at its top nothing joins it: sawn as it was measured, whatever that may be off
    expect(laid.pieces[0]).toMatchObject({ sawMm: laid.pieces[0]?.cutMm, sure: true, reason: null })
    expect(laid.pieces[0]?.marksMm.map((mm) => mm / IN)).toEqual([expect.closeTo(0.75, 6), 0])
    const stands = standpipeStands(way, laid.stations, 'IPC')
    // 18 to 42 in over the weir, which lies half a bore under the middle (IPC 802.3.3)
    expect(stands).toEqual({ aboveMm: expect.closeTo(topIn * IN + 26.2, 0), verdict })
    expect(standpipeStands(way, layout().stations)).toBeNull()
  })

  it('is warned of where its arm is longer than the code has it up to a vent, by its size', () => {
    const warned = (kind: string, spanIn: number, pipeId?: string) =>
      wayOf(kind, spanIn, 8, pipeId).way?.warnings.find(({ ruleId }) => ruleId === 'drain.long-arm')
        ?.parameters
    expect(warned('waste.shower.2', 95)).toBeUndefined()
    expect(warned('waste.shower.2', 97)).toEqual({
      outMm: expect.closeTo(97 * IN, 6),
      mostMm: expect.closeTo(96 * IN, 6),
    })
    expect(warned('waste.tub.glued.1-1/2', 73, 'abs-dwv.40.1-1/2')).toMatchObject({
      mostMm: expect.closeTo(72 * IN, 6),
    })
    // the fall of an arm is at most its own diameter, a quarter inch to the foot (IPC 909.1 as the code reasons)
    for (const [size, most] of Object.entries(TRAP_ARMS.IPC.mostMm)) {
      const inches = size === '1-1/4' ? 1.25 : size === '1-1/2' ? 1.5 : Number(size)
      expect([size, most / 48]).toEqual([size, expect.closeTo(inches * IN, 6)])
    }
    for (const size of Object.keys(TRAP_ARMS.UPC.mostMm))
      expect((TRAP_ARMS.UPC.mostMm[size] ?? 0) < (TRAP_ARMS.IPC.mostMm[size] ?? 0)).toBe(true)
  })

  it('knows the bores of its pipe as the pipe tables have them', () => {
    for (const [nominal, bore] of Object.entries(STANDPIPE_BORES))
      for (const id of [`pvc-dwv.40.${nominal}`, `abs-dwv.40.${nominal}`]) {
        const pipe = PIPES.find((row) => row.id === id)
        // the tables have the middle of the wall’s tolerance, the bore is that of the least wall
        const off = bore - ((pipe?.odMm ?? 0) - 2 * (pipe?.wallMm ?? 0))
        expect([id, off >= 0 && off < 0.6]).toEqual([id, true])
      }
  })

  it('is measured anew from the rim of a hub that stays: where that lies from the wall nobody knows', () => {
    for (const spanIn of [12, 30]) {
      const conditions = {
        ...PLAIN_CONDITIONS,
        service: 'waste' as const,
        waterSeen: true,
        oldJoint: 'hub-lead' as const,
        stubMm: 7 * IN,
        spanMm: spanIn * IN,
      }
      const line = { lineId: 'a', pipeId: 'cast-iron.service.2', to: mouthOf('waste.standpipe'), conditions }
      const { options = [] } = mate({ lines: [line], settings: WELL_EQUIPPED, k: 12 }).lines[0] ?? {}
      const [kept] = options.filter(({ removalId }) => removalId === 'pick-hub')
      if (!kept) throw new Error('no way')
      expect(beginsInHub(kept)).toBe(true)
      // a piece takes whatever is measured from there, and the wall is no place of it
      const trap = kept.parts.findIndex(({ family }) => family === 'p-trap')
      const { asks, stations } = layOut({ chain: kept, stubMm: null, dimensions: [] })
      expect(asks[0]).toMatchObject({ from: 'stub', to: `part:${trap}:centre` })
      expect(stations.map(({ id }) => id)).not.toContain('wall')
      // what is cut behind it goes by the wall
      const cut = options.find(({ removalId }) => removalId === 'chain-cut')
      if (spanIn === 30) expect(cut?.leavesStubMm).toBeCloseTo(7 * IN - 3, 6)
    }
  })

  it('of clay is parted by a chain where its bare end reaches too far, and lies as it is where it does not', () => {
    const removals = (spanIn: number) => {
      const conditions = {
        ...PLAIN_CONDITIONS,
        service: 'waste' as const,
        waterSeen: true,
        access: 'buried' as const,
        oldJoint: 'none' as const,
        stubMm: 30 * IN,
        spanMm: spanIn * IN,
      }
      const line = { lineId: 'a', pipeId: 'clay.4', to: mouthOf('waste.shower.2'), conditions }
      const { options = [] } = mate({ lines: [line], settings: WELL_EQUIPPED, k: 12 }).lines[0] ?? {}
      return new Set(options.map(({ removalId }) => removalId))
    }
    expect(removals(30)).toEqual(new Set(['chain-clay']))
    expect([...removals(60)]).toContain('bare')
  })

  it('says how far its middle lies from the end of the pipe, where nothing is cut between the two', () => {
    const right = wayOf('waste.standpipe', 12, 8)
    const said = right.way && right.layout && turnsOffMm(right.way, right.layout().stations)
    expect(said).toEqual({ what: 'trap', mm: expect.closeTo(6.75 * IN, 6) })
    const far = wayOf('waste.standpipe', 24, 8)
    expect(far.way && far.layout && turnsOffMm(far.way, far.layout().stations)).toBeNull()
  })

  it('takes a tub’s own tail, whose end then stands half an inch over the middle less what it goes in', () => {
    const { way, layout } = wayOf('waste.tub.glued.1-1/2', 12, 8, 'abs-dwv.40.1-1/2')
    if (!way || !layout) throw new Error('no way')
    // 1-1/2 in: the inlet’s mouth an inch over the middle, its socket holds 11/16 in (ASTM D2661)
    expect((tailOverMm(way, layout().stations) ?? 0) / IN).toBeCloseTo(1 - 11 / 16, 6)
    const shower = wayOf('waste.shower.2', 12, 8)
    expect(shower.way && shower.layout && tailOverMm(shower.way, shower.layout().stations)).toBeNull()
  })
})
