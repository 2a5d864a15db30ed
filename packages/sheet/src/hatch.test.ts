import { DOMParser } from '@xmldom/xmldom'
import fc from 'fast-check'
import { hatchLines, withoutPatterns } from './hatch'

const length = (lines: ReturnType<typeof hatchLines>) =>
  lines.reduce((sum, [[x0, y0], [x1, y1]]) => sum + Math.hypot(x1 - x0, y1 - y0), 0)

describe('hatching line by line', () => {
  it('covers as much as there is: length times distance is the area, for any angle and any triangle', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: -200, max: 200 })), {
          minLength: 3,
          maxLength: 3,
        }),
        fc.constantFrom(45, -45, 0, 30),
        (points, degrees) => {
          const [[ax, ay], [bx, by], [cx, cy]] = points as [
            [number, number],
            [number, number],
            [number, number],
          ]
          // the shoelace formula
          const area = Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2
          const rim =
            Math.hypot(bx - ax, by - ay) + Math.hypot(cx - bx, cy - by) + Math.hypot(ax - cx, ay - cy)
          // what a raster misses lies along the rim
          expect(Math.abs(length(hatchLines(points, degrees)) * 1.6 - area)).toBeLessThan(1.6 * rim + 3)
        },
      ),
      { numRuns: 200 },
    ))

  it('leaves a hollow free', () => {
    // a frame 40 wide with a hole of 20, drawn as one outline
    const frame = [
      [0, 0],
      [40, 0],
      [40, 40],
      [0, 40],
      [0, 0],
      [10, 10],
      [10, 30],
      [30, 30],
      [30, 10],
      [10, 10],
    ] as const
    const inside = hatchLines(frame, 45).filter(([[x0, y0], [x1, y1]]) => {
      const [x, y] = [(x0 + x1) / 2, (y0 + y1) / 2]
      return x > 11 && x < 29 && y > 11 && y < 29
    })
    expect(inside).toEqual([])
    expect(length(hatchLines(frame, 45)) * 1.6).toBeCloseTo(1200, -2)
  })

  it('leaves no pattern in a drawing, and every outline of it', () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg"><defs><pattern id="cut-metal"><rect fill="#eee"/><line stroke="#123"/></pattern></defs>' +
      '<path data-id="a" d="M0 0L10 0L10 10L0 10Z" fill="url(#cut-metal)" stroke="#123"/><path d="M1 1L2 2" fill="none"/></svg>'
    const plain = withoutPatterns(svg)
    expect(plain).not.toMatch(/pattern|url\(/)
    const paths = [...new DOMParser().parseFromString(plain, 'image/svg+xml').getElementsByTagName('path')]
    // paper, hatch, outline, and what was there besides
    expect(paths.map((path) => path.getAttribute('fill'))).toEqual(['#eee', 'none', 'none', 'none'])
    expect(paths[1]?.getAttribute('stroke')).toBe('#123')
  })
})
