import { createHash } from 'node:crypto'
import { BODY_KINDS } from '../assembly'
import { FAMILY_WORDS, FIXTURE_WORDS } from '../words'
import { CATALOG, fittingById, fullDepthMm, isSocket } from './index'

const ids = CATALOG.map((fitting) => fitting.id)

describe('the catalogue', () => {
  it('has ids that stay: stored jobs and prices refer to them', () => {
    // Golden: change it only together with a migration of what is stored.
    expect(ids.length).toBe(new Set(ids).size)
    const digest = createHash('sha256')
      .update([...ids].sort().join('\n'))
      .digest('hex')
      .slice(0, 16)
    expect([ids.length, digest]).toMatchInlineSnapshot(`
[
  2463,
  "c4fc345972fd723e",
]
`)
  })

  it('turns by what the family says, from the way in to the way out', () => {
    for (const { id, ports, family } of CATALOG) {
      const [a, b] = ports.map((port) => port.pose.axis)
      if (!a || !b) {
        expect([id, family]).toEqual([id, expect.stringMatching(/^(cap|plug|standpipe)$/)])
        continue
      }
      const degrees = Math.round((Math.acos(-(a[0] * b[0] + a[1] * b[1])) * 180) / Math.PI)
      const square =
        /^(angle-stop|dual-stop|washing-valve|drop-ear-elbow|vent-riser|pan-bend|(tubular|compression|p)-trap)$|90$/.test(
          family,
        )
      // bends of drains are called by how many of them go all round
      const named = { quarter: 90, sixth: 60, eighth: 45, sixteenth: 23 }[id.split('.')[1] ?? '']
      const turns = family === 'drain-bend' ? named : square ? 90 : family.endsWith('45') ? 45 : 0
      expect([id, degrees]).toEqual([id, turns])
    }
  })

  it('keeps every part that a stored job may name', () => {
    // ids of the first shops' stock and of snapshots; they are never taken away
    for (const id of [
      'stop.angle.compxcomp.1/2x3/8',
      'stop.angle.compxg.15mmx1/2',
      'connector.comp3/8xfaucet1/2.12in',
      'coupling.cxc.3/4',
      'adapter.sxmnpt.1/2x1/2',
      'transition.sxfnpt.1/2',
      'union.dielectric.fxc.1/2',
      'nipple.mxm.galv.npt.1/2x2',
      'tube.pex-a.1/2',
    ])
      expect([id, fittingById(id)?.id]).toEqual([id, id])
  })

  it('makes a nipple as long as it is called', () => {
    for (const { id, ports, family } of CATALOG) {
      const inches = Number(id.split('x').at(-1))
      if (family !== 'nipple' || Number.isNaN(inches)) continue
      const length = ports.reduce((sum, port) => sum + Math.abs(port.pose.origin[0]), 0)
      expect([id, length]).toEqual([id, expect.closeTo(inches * 25.4, 6)])
    }
  })

  it('leaves the laying length between two pipes pushed fully home', () => {
    for (const { id, ports, layingMm } of CATALOG) {
      const [a, b] = ports
      if (!a || !b || !isSocket(a) || !isSocket(b)) continue
      const between =
        Math.hypot(...(a.pose.origin as [number, number, number])) +
        Math.hypot(...(b.pose.origin as [number, number, number])) -
        fullDepthMm(a) -
        fullDepthMm(b)
      expect([id, between]).toEqual([id, expect.closeTo(layingMm, 6)])
    }
  })

  it('has words for every family and fixture', () => {
    for (const { family } of CATALOG) expect(FAMILY_WORDS[family]).toBeDefined()
    expect(Object.keys(FIXTURE_WORDS)).toEqual(BODY_KINDS.map((row) => row.id))
  })
})
