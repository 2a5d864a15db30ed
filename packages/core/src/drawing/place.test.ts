import fc from 'fast-check'
import { mouthOf } from '../assembly'
import { CATALOG, type Port } from '../catalog'
import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import { evenly } from '../test/evenly'
import { assemble, contactSheet, drawJointLine, pathData, pieceMm, toSvg } from './index'
import { placeOnto, placePoint, turn } from './place'
import { endLook } from './profile'

const angles = evenly(0, 2 * Math.PI)

describe('placing a part', () => {
  it('turns and shifts, and changes no length', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...CATALOG.filter(({ ports }) => ports.length > 1)),
        fc.nat(1),
        angles,
        evenly(0, 40),
        (fitting, index, angle, insertion) => {
          const [port, other] = [fitting.ports[index], fitting.ports[1 - index]] as [Port, Port]
          const axis = [Math.cos(angle), Math.sin(angle)] as const
          const place = placeOnto([3, 4], axis, port, insertion)
          const at = (p: Port) => placePoint(place, [p.pose.origin[0], p.pose.origin[1]])
          const [a, b] = [at(port), at(other)]
          // the tip goes in by the insertion, along the axis
          expect(a[0]).toBeCloseTo(3 - axis[0] * insertion, 6)
          expect(a[1]).toBeCloseTo(4 - axis[1] * insertion, 6)
          const own = Math.hypot(
            port.pose.origin[0] - other.pose.origin[0],
            port.pose.origin[1] - other.pose.origin[1],
          )
          expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeCloseTo(own, 6)
          // axes are opposed
          const out = turn(place, [port.pose.axis[0], port.pose.axis[1]])
          expect(out[0] * axis[0] + out[1] * axis[1]).toBeCloseTo(-1, 9)
        },
      ),
    ))

  it('puts every seam of a chain where its parts meet', () => {
    const { options } = mate({ lines: [line('copper.l.3/4')], settings: WELL_EQUIPPED }).lines[0] ?? {
      options: [],
    }
    for (const option of options) {
      const { parts, seams, end } = assemble(option, 50)
      expect(seams.length).toBe(option.joints.length)
      expect(parts.length).toBe(option.parts.length)
      // after an angle stop the chain goes up
      expect(end.axis[1]).toBeCloseTo(1, 9)
      option.parts.forEach((part, index) => {
        if (part.family === 'tube-piece') {
          const both = option.joints.filter((joint) => joint.from === index || joint.to === index)
          expect(pieceMm(option, index)).toBeGreaterThan(both.reduce((sum, joint) => sum + joint.maxMm, 0))
        }
      })
    }
  })
})

describe('the looks of ends', () => {
  it('never have a bore wider than the outside, nor anything that is no number', () => {
    const odd = CATALOG.filter(({ ports }) =>
      ports.some((port) =>
        endLook(port).stations.some(
          ({ u, outer, inner }) =>
            !(Number.isFinite(u + outer + inner) && inner <= outer + 1e-9 && inner >= 0),
        ),
      ),
    )
    expect(odd.map(({ id }) => id)).toEqual([])
  })

  it('go inward station by station, so that no outline crosses itself', () => {
    const crossed = CATALOG.filter(({ ports }) =>
      ports.some((port) => {
        const { stations, length } = endLook(port)
        const inward = stations.every(({ u }, at) => at === 0 || u >= (stations[at - 1]?.u ?? 0))
        return !inward || (stations.at(-1)?.u ?? 0) > length + 1e-9
      }),
    )
    expect(crossed.map(({ id }) => id)).toEqual([])
  })

  it('differ from family to family: no two silhouettes on the sheet are the same', () => {
    const sheet = contactSheet()
    const shapeOf = (index: number) => {
      const own = sheet.shapes.filter((shape) => shape.id.split('/')[0] === `sample:${index}`)
      const [x, y] = own[0]?.points[0] ?? [0, 0]
      return own
        .map((shape) => pathData({ ...shape, points: shape.points.map(([px, py]) => [px - x, py - y]) }))
        .join()
    }
    const seen = new Map<string, string>()
    sheet.names.forEach((name, index) => {
      const key = shapeOf(index)
      expect([name, seen.get(key)]).toEqual([name, undefined])
      seen.set(key, name)
    })
  })
})

describe('the drawing as SVG', () => {
  it('is in millimetres, escapes its words, and keeps everything inside its frame', () => {
    const { options } = mate({ lines: [line('pex-b.sdr9.1/2')], settings: WELL_EQUIPPED }).lines[0] ?? {
      options: [],
    }
    const scene = drawJointLine({
      pipeId: 'pex-b.sdr9.1/2',
      option: options[0] ?? null,
      to: mouthOf('faucet.shank.1/2'),
      unit: 'in',
      stage: 'cut',
    })
    const svg = toSvg({ ...scene, title: 'A < B & "C"' })
    expect(svg).toMatch(/^<svg [^>]*width="[\d.]+mm" height="[\d.]+mm"/)
    expect(svg).toContain('<title>A &lt; B &amp; &quot;C&quot;</title>')
    expect(svg).not.toMatch(/NaN|undefined|Infinity/)
    for (const shape of scene.shapes)
      for (const [x, y] of shape.points) {
        expect(x).toBeGreaterThanOrEqual(scene.bounds.minX)
        expect(x).toBeLessThanOrEqual(scene.bounds.maxX)
        expect(y).toBeGreaterThanOrEqual(scene.bounds.minY)
        expect(y).toBeLessThanOrEqual(scene.bounds.maxY)
      }
  })
  it('hatches metal and plastic differently', () => {
    const draw = (pipeId: string) => toSvg(drawJointLine({ pipeId, unit: 'mm' }))
    expect(draw('copper.l.1/2')).toContain('data-id="pipe:stub" data-layer="pipe" data-role="section"')
    expect(draw('copper.l.1/2').match(/pipe:stub[^>]*section[^>]*url\(#cut-(\w+)\)/)?.[1]).toBe('metal')
    expect(draw('cpvc.sdr11.1/2').match(/pipe:stub[^>]*section[^>]*url\(#cut-(\w+)\)/)?.[1]).toBe('plastic')
  })
})
