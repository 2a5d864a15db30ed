import { createHash } from 'node:crypto'
import { FAMILY_WORDS, FIXTURE_WORDS } from '../words'
import { CATALOG, FIXTURE_CONNECTIONS, fullDepthMm, isSocket } from './index'

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
  222,
  "6e8651eb622fa12d",
]
`)
  })

  it('makes each part from ends that face away from each other or at a right angle', () => {
    for (const { ports, family } of CATALOG) {
      const [a, b] = ports.map((port) => port.pose.axis)
      const dot = (a?.[0] ?? 0) * (b?.[0] ?? 0) + (a?.[1] ?? 0) * (b?.[1] ?? 0)
      expect(dot + 0).toBe(family === 'angle-stop' ? 0 : -1)
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
    expect(Object.keys(FIXTURE_WORDS)).toEqual(FIXTURE_CONNECTIONS.map((fixture) => fixture.id))
  })
})
