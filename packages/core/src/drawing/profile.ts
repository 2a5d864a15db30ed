import { nutLengthMm } from '../assembly/oldJoints/start'
import { fullDepthMm, maleLengthMm } from '../catalog/ends'
import type { Port, PortForm } from '../catalog/types'
import type { Point } from './types'

/** Radius outside and inside at a distance from the mouth, going into the part. Millimetres. */
export interface Station {
  readonly u: number
  readonly outer: number
  readonly inner: number
}

/** The look of one end: its profile from the mouth inward, captive rings, and lines on its face. */
export interface EndLook {
  readonly stations: readonly Station[]
  readonly length: number
  /** Closed outlines above the axis that move on their own: nuts and rings. */
  readonly captives: readonly { readonly name: string; readonly points: readonly Point[] }[]
  /** Soft seals, above the axis. */
  readonly seals: readonly (readonly Point[])[]
  /** Lines seen on the outside, below the axis: hex edges, ribs. */
  readonly lines: readonly (readonly Point[])[]
}

const zigzag = (from: number, to: number, pitch: number, crest: number, root: number): Station[] => {
  const stations: Station[] = []
  const teeth = Math.max(3, Math.round((to - from) / pitch))
  const step = (to - from) / teeth
  for (let tooth = 0; tooth < teeth; tooth++) {
    stations.push({ u: from + tooth * step, outer: root, inner: 0 })
    stations.push({ u: from + (tooth + 0.5) * step, outer: crest, inner: 0 })
  }
  stations.push({ u: to, outer: root, inner: 0 })
  return stations
}

const circle = (u: number, r: number, radius: number): Point[] =>
  Array.from({ length: 12 }, (_, index): Point => {
    const angle = (index / 12) * 2 * Math.PI
    return [u + radius * Math.cos(angle), r + radius * Math.sin(angle)]
  })

const hexLines = (from: number, to: number, radius: number): Point[][] =>
  [-0.5].map((share): Point[] => [
    [from, share * radius],
    [to, share * radius],
  ])

/** A closet flange is seven inches across, its plate a quarter thick; a bowl's way through is some two inches and a half. */
const FLANGE_RADIUS_MM = 88.9
const FLANGE_PLATE_MM = 6.35
const RING_PLATE_MM = 2
const BOWL_BORE_MM = 34

/** Where the ribs of a barb stand, as shares of its length; three where nothing is said. */
const RIBS: Partial<Record<PortForm, readonly number[]>> = {
  'expansion-barb': [0.28],
  'sleeve-barb': [0.2, 0.55],
  'poly-barb': [0.06, 0.25, 0.44, 0.63],
}

/**
 * The half-section look of an end, generated from its diameter and depth, so that every size draws itself.
 * Wall thicknesses and collars are typical of the kind; diameters and depths are the catalogue's.
 */
export function endLook(port: Port): EndLook {
  const r = port.diameterMm / 2
  const depth = fullDepthMm(port)
  const male = maleLengthMm(port)
  const plain = { captives: [], seals: [], lines: [] }
  switch (port.form) {
    case 'solder-cup':
    case 'filed-cup':
    case 'expanded-cup':
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 2, inner: r },
          { u: 1.2, outer: r + 2, inner: r },
          { u: 1.3, outer: r + 1.3, inner: r },
          { u: depth, outer: r + 1.3, inner: r },
        ],
      }
    case 'press-cup':
      // a bead with the ring in it at the mouth
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 1.5, inner: r },
          { u: 1.5, outer: r + 3.6, inner: r },
          { u: 6, outer: r + 3.6, inner: r },
          { u: 7.5, outer: r + 1.5, inner: r },
          { u: depth, outer: r + 1.5, inner: r },
        ],
        seals: [circle(3.8, r + 1.2, 1.2)],
      }
    case 'gasket-socket':
    case 'poly-compression': {
      const outer = r * 1.25 + 7
      const nut = port.form === 'poly-compression' ? depth * 0.62 : depth * 0.45
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: outer - 2.5, inner: r },
          { u: 2.5, outer, inner: r },
          { u: nut, outer, inner: r },
          { u: nut + 0.1, outer: outer - 2.4, inner: r },
          { u: depth, outer: outer - 2.4, inner: r },
        ],
        seals: [circle(nut * 0.8, r + 1.6, 1.6)],
        // ribs for the hand on plastic, flats for the wrench on iron
        lines:
          port.form === 'poly-compression'
            ? [0.2, 0.45, 0.7].map((share): Point[] => [
                [2.5, -outer * share],
                [nut, -outer * share],
              ])
            : hexLines(2.5, nut, outer),
      }
    }
    case 'slip-spout':
      return {
        ...plain,
        length: depth + 14,
        stations: [
          { u: 0, outer: r + 11, inner: r },
          { u: depth, outer: r + 12, inner: r },
          { u: depth + 14, outer: r + 12, inner: r * 0.8 },
        ],
        seals: [circle(5, r + 1.4, 1.4), circle(11, r + 1.4, 1.4)],
      }
    case 'flare-male': {
      const cone = depth
      const root = r * 0.9
      return {
        ...plain,
        length: male,
        stations: [
          { u: 0, outer: r * 0.62, inner: r * 0.5 },
          { u: cone, outer: r * 1.02, inner: r * 0.5 },
          ...zigzag(cone + 0.5, male, 1.5, r * 1.18, root * 1.18).map((station) => ({
            ...station,
            inner: r * 0.5,
          })),
        ],
      }
    }
    case 'shielded': {
      // rubber over the pipe, the corrugated shield over it, a band with its screw
      const [from, to] = [depth * 0.3, depth * 0.3 + 8]
      const shield = r + 4
      const across = (u: number): [number, number][] => [
        [u, -shield],
        [u, 0],
      ]
      const ridges = Array.from({ length: Math.floor(depth / 2.5) }, (_, at) => 2.5 * (at + 0.5)).filter(
        (u) => u < from - 1 || u > to + 1,
      )
      const [near, far] = [-shield * 0.62, -shield * 0.38]
      const middle = (near + far) / 2
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 2.6, inner: r },
          { u: 2, outer: shield, inner: r },
          { u: from, outer: shield, inner: r },
          { u: from + 0.1, outer: shield + 2.6, inner: r },
          { u: to, outer: shield + 2.6, inner: r },
          { u: to + 0.1, outer: shield, inner: r },
          { u: depth, outer: shield, inner: r },
        ],
        lines: [
          ...ridges.map(across),
          across(from),
          across(to),
          // the screw of the band, with its slot
          [
            [from + 0.5, near],
            [to - 0.5, near],
            [to - 0.5, far],
            [from + 0.5, far],
            [from + 0.5, near],
          ],
          [
            [from + 2, middle],
            [to - 2, middle],
          ],
        ],
      }
    }
    case 'hub': {
      // the bell, its bead at the rim, and the gasket between
      const gap = 5
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + gap + 10, inner: r + gap },
          { u: 9, outer: r + gap + 10, inner: r + gap },
          { u: 9.1, outer: r + gap + 6, inner: r + gap },
          { u: depth - 8, outer: r + gap + 6, inner: r + gap },
          { u: depth, outer: r + 5, inner: r },
        ],
        seals: [
          [
            [-3, r],
            [-3, r + gap + 4],
            [0, r + gap],
            [depth - 10, r + gap],
            [depth - 10, r],
          ],
        ],
      }
    }
    case 'flexible': {
      const [from, to] = [depth * 0.2, depth * 0.2 + 11]
      const rubber = r + 5
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: rubber, inner: r },
          { u: from, outer: rubber, inner: r },
          { u: from + 0.1, outer: rubber + 2, inner: r },
          { u: to, outer: rubber + 2, inner: r },
          { u: to + 0.1, outer: rubber, inner: r },
          { u: depth, outer: rubber, inner: r },
        ],
        lines: [from, to].map((u): Point[] => [
          [u, -rubber - 2],
          [u, 0],
        ]),
      }
    }
    case 'pipe-inside': {
      // as wide as the bore of schedule 40 pipe
      const [outer, inner] = [r * 0.88, r * 0.78]
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer, inner },
          { u: depth, outer, inner },
        ],
      }
    }
    case 'pan-fins':
      // a wide mouth, fins of rubber leaning in from it
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 9, inner: r + 6 },
          { u: depth * 0.85, outer: r + 9, inner: r + 6 },
          { u: depth, outer: r + 4, inner: r - 4 },
        ],
        seals: [0.15, 0.45].map((share): Point[] => [
          [depth * share, r + 6],
          [depth * (share + 0.1), r + 6],
          [depth * (share + 0.22), r],
          [depth * (share + 0.16), r],
        ]),
      }
    case 'pan-spigot':
      // the spigot, and the back of the bowl that it stands out of
      return {
        ...plain,
        length: male + 34,
        stations: [
          { u: 0, outer: r, inner: r - 10 },
          { u: male, outer: r, inner: r - 10 },
          { u: male + 6, outer: r + 16, inner: r - 10 },
          { u: male + 34, outer: r + 40, inner: r - 10 },
        ],
      }
    case 'pipe-fins':
    case 'bore-gasket':
    case 'twist-in': {
      const [bore, inner] = [r * 0.92, r * 0.72]
      const ribs = port.form === 'bore-gasket' ? [0.15] : [0.15, 0.4, 0.65]
      const wide = port.form === 'bore-gasket' ? 0.55 : 0.12
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: bore * 0.86, inner },
          { u: depth, outer: bore * 0.86, inner },
        ],
        seals: ribs.map((share): Point[] => [
          [depth * share, bore * 0.86],
          [depth * share, bore],
          [depth * (share + wide), bore],
          [depth * (share + wide), bore * 0.86],
        ]),
      }
    }
    case 'ring-gasket':
      // the gasket and its ring, and the bowl of the drain above
      return {
        ...plain,
        length: depth + 14,
        stations: [
          { u: 0, outer: r + 9, inner: r + 5 },
          { u: depth * 0.7, outer: r + 9, inner: r + 5 },
          { u: depth, outer: r + 26, inner: r + 20 },
          { u: depth + 14, outer: r + 38, inner: r + 30 },
        ],
        seals: [
          [
            [2, r],
            [2, r + 5],
            [depth * 0.55, r + 5],
            [depth * 0.55, r],
          ],
        ],
      }
    case 'closet-flange':
    case 'old-flange':
    case 'broken-flange': {
      const plate = port.form === 'closet-flange' ? FLANGE_PLATE_MM : RING_PLATE_MM
      return {
        ...plain,
        length: plate,
        stations: [
          { u: 0, outer: FLANGE_RADIUS_MM, inner: BOWL_BORE_MM },
          { u: plate, outer: FLANGE_RADIUS_MM, inner: BOWL_BORE_MM },
        ],
        // the slots that the bolts stand in
        lines: [-0.82, 0.82].map((share): Point[] => [
          [0, share * FLANGE_RADIUS_MM],
          [plate, share * FLANGE_RADIUS_MM],
        ]),
      }
    }
    case 'ring-under':
    case 'stack-under':
      return {
        ...plain,
        length: 0.2,
        stations: [
          { u: 0, outer: FLANGE_RADIUS_MM, inner: BOWL_BORE_MM },
          { u: 0.2, outer: FLANGE_RADIUS_MM, inner: BOWL_BORE_MM },
        ],
      }
    case 'closet-outlet':
      // the horn, the seal round it, and the foot that stands on the floor
      return {
        ...plain,
        length: 46,
        stations: [
          { u: -8, outer: 37, inner: 28 },
          { u: 6, outer: 37, inner: 28 },
          { u: 6.1, outer: 118, inner: 28 },
          { u: 24, outer: 112, inner: 28 },
          { u: 46, outer: 80, inner: 28 },
        ],
        seals: [
          [
            [-3, 38],
            [-3, 66],
            [6, 60],
            [6, 38],
          ],
        ],
      }
    case 'drain-socket':
    case 'pvc-socket':
    case 'cement-socket':
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 3, inner: r },
          { u: depth, outer: r + 3.4, inner: r },
        ],
      }
    case 'push-fit':
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 2.6, inner: r },
          { u: 2.4, outer: r + 2.6, inner: r },
          { u: 2.5, outer: r + 4.4, inner: r },
          { u: 4, outer: r + 6, inner: r },
          { u: depth * 0.55, outer: r + 6, inner: r },
          { u: depth * 0.6, outer: r + 5, inner: r },
          { u: depth, outer: r + 4.2, inner: r },
        ],
        seals: [circle(depth * 0.5, r + 1.3, 1.3)],
        lines: [
          [
            [2.5, -(r + 2)],
            [2.5, 0],
          ],
          [
            [depth * 0.57, -(r + 4.6)],
            [depth * 0.57, 0],
          ],
        ],
      }
    case 'compression': {
      // the smallest nuts reach behind their ring too
      const back = Math.min(5 - nutLengthMm(port.diameterMm), -5.5)
      const outer = r * 1.32 + 3.2
      return {
        length: depth,
        stations: [
          { u: 0, outer: r + 2.2, inner: r },
          { u: depth * 0.55, outer: r + 2.2, inner: r },
          { u: depth * 0.56, outer: outer * 0.94, inner: r },
          { u: depth, outer: outer * 0.94, inner: r },
        ],
        captives: [
          {
            name: 'nut',
            points: [
              [back, r + 0.3],
              [back, outer - 1.6],
              [back + 1.6, outer],
              [2, outer],
              [3, outer - 1],
              [3, r + 2.4],
              [-1.5, r + 2.4],
              [-4.2, r + 0.3],
            ],
          },
          {
            name: 'ring',
            points: [
              [-4, r],
              [-2.2, r + 1.7],
              [-0.8, r + 1.7],
              [1, r],
            ],
          },
        ],
        seals: [],
        lines: [...hexLines(back, 3, outer), ...hexLines(depth * 0.56, depth, outer)],
      }
    }
    case 'insert-barb':
    case 'pb-barb':
    case 'sleeve-barb':
    case 'poly-barb':
    case 'expansion-barb': {
      const bore = r * (port.form === 'expansion-barb' ? 0.62 : 0.52)
      const root = r * (port.form === 'expansion-barb' ? 0.82 : 0.72)
      const crest = r * (port.form === 'expansion-barb' ? 0.92 : 0.82)
      const ribs = RIBS[port.form] ?? [0.12, 0.38, 0.64]
      const stations: Station[] = [{ u: 0, outer: root * 0.94, inner: bore }]
      for (const rib of ribs)
        stations.push(
          { u: depth * rib, outer: root, inner: bore },
          { u: depth * (rib + 0.16), outer: crest, inner: bore },
          { u: depth * (rib + 0.17), outer: root, inner: bore },
        )
      stations.push(
        { u: depth, outer: root, inner: bore },
        { u: depth + 0.1, outer: r + 2.2, inner: bore },
        { u: depth + 2, outer: r + 2.2, inner: bore },
      )
      // the shoulder that the tube meets is part of the end
      return { ...plain, length: depth + 2, stations }
    }
    case 'taper-female': {
      const outer = r + 4
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: outer + 1.4, inner: r },
          { u: 4, outer: outer + 1.4, inner: r * 0.985 },
          { u: 4.1, outer, inner: r * 0.985 },
          { u: depth, outer, inner: r * 0.95 },
        ],
        lines: [...hexLines(0, 4, outer), ...hexLines(4.1, depth, outer)],
      }
    }
    case 'taper-male': {
      const bore = r * 0.72
      const stations = zigzag(0, male, 25.4 / 14, r, r * 0.93).map((station) => ({
        ...station,
        // one in sixteen on the diameter
        outer: station.outer - (male - station.u) / 32,
        inner: bore,
      }))
      return { ...plain, length: male, stations }
    }
    case 'compression-outlet':
    case 'parallel-male': {
      const bore = port.form === 'parallel-male' ? r * 0.62 : r * 0.64
      return {
        ...plain,
        length: male,
        stations: zigzag(0, male, 1.3, r, r * 0.92).map((station) => ({
          ...station,
          inner:
            port.form === 'compression-outlet' && station.u < 2.5
              ? Math.min(bore + 2.5 - station.u, r * 0.88)
              : bore,
        })),
      }
    }
    case 'swivel-nut':
      return {
        ...plain,
        length: 18,
        stations: [
          { u: 0, outer: r + 2.8, inner: r },
          { u: 8, outer: r + 2.8, inner: r },
          { u: 9, outer: r + 1, inner: r * 0.5 },
          { u: 11, outer: r * 0.95, inner: r * 0.5 },
          { u: 18, outer: r * 0.95, inner: r * 0.5 },
        ],
        seals: [
          [
            [6, r * 0.5],
            [6, r * 0.95],
            [8, r * 0.95],
            [8, r * 0.5],
          ],
        ],
        lines: hexLines(0, 8, r + 2.8),
      }
    case 'ring-socket': {
      // the groove of the ring stands out of the socket near its mouth
      const at = depth * 0.28
      return {
        ...plain,
        length: depth,
        stations: [
          { u: 0, outer: r + 2.6, inner: r + 1 },
          { u: 3, outer: r + 2.6, inner: r },
          { u: at - 5, outer: r + 2.6, inner: r },
          { u: at - 3, outer: r + 6.4, inner: r },
          { u: at + 3, outer: r + 6.4, inner: r },
          { u: at + 5, outer: r + 2.6, inner: r },
          { u: depth, outer: r + 2.6, inner: r },
        ],
        seals: [circle(at, r + 2, 2.4)],
      }
    }
    case 'waste-compression':
    case 'trap-outlet': {
      // a deep nut over the body's thread, a rubber ring of a wedge under it
      const nut = Math.min(depth * 0.6, 20)
      return {
        length: depth,
        stations: [
          { u: 0, outer: r + 4, inner: r + 3 },
          { u: 8, outer: r + 4, inner: r + 1.2 },
          { u: nut, outer: r + 4, inner: r + 1.2 },
          { u: nut + 2, outer: r + 3, inner: r + 1.2 },
          { u: depth, outer: r + 3, inner: r + 1.2 },
        ],
        captives: [
          {
            name: 'nut',
            points: [
              [-7, r + 0.6],
              [-7, r + 6],
              [-5, r + 7.5],
              [nut, r + 7.5],
              [nut, r + 4.2],
              [-3, r + 4.2],
              [-3, r + 0.6],
            ],
          },
        ],
        seals: [
          [
            [-3, r],
            [-3, r + 3.8],
            [1, r + 3],
            [8, r],
          ],
        ],
        lines: [0.2, 0.45, 0.7, 0.92].map((share): Point[] => [
          [-5, -(r + 7.5) * share],
          [nut, -(r + 7.5) * share],
        ]),
      }
    }
    case 'slip-joint': {
      // a wide nut with a taper washer under it, wings to turn it by
      const nut = Math.min(depth * 0.5, 17)
      return {
        length: depth,
        stations: [
          { u: 0, outer: r + 2.2, inner: r },
          { u: depth, outer: r + 2.2, inner: r },
        ],
        captives: [
          {
            name: 'nut',
            points: [
              [-4, r + 0.4],
              [-4, r + 5],
              [-2, r + 7],
              [nut - 2, r + 7],
              [nut, r + 5],
              [nut, r + 2.3],
              [-1, r + 2.3],
              [-1, r + 0.4],
            ],
          },
        ],
        seals: [
          [
            [-1, r],
            [-1, r + 2.2],
            [5, r],
          ],
        ],
        lines: [0.25, 0.55, 0.85].map((share): Point[] => [
          [-2, -(r + 7) * share],
          [nut - 2, -(r + 7) * share],
        ]),
      }
    }
    case 'tube':
    case 'spigot':
      return {
        ...plain,
        length: male,
        stations: [
          { u: 0, outer: r, inner: port.boreMm / 2 },
          { u: male, outer: r, inner: port.boreMm / 2 },
        ],
      }
  }
}
