import type { LineService } from '../../assembly/bodies/types'
import type { WorkedOnId } from '../../assembly/workedOn'
import { ROUGH_IN } from '../../fitup/walls'
import type { Point } from '../types'

/** Lines as they are told apart on the wall. */
export type WallService = LineService

/** Where a line begins on the wall, and which way the old pipe comes to it. */
export interface Beginning {
  readonly at: Point
  readonly from: 'wall' | 'below' | 'above' | 'left'
  /** It is the end of rigid parts that point on from there. */
  readonly behind?: true
  /** Pipe comes to it level: a side of what goes into a pipe that stands. */
  readonly level?: true
}

/**
 * Where things usually stand, seen by who faces the wall: the middle of the fixture at 0, the floor at 0, mm. Common
 * practice, for a picture: nothing here is a measure, and none of it is ever printed.
 */
export interface WallPlace {
  readonly begins: Readonly<Partial<Record<WallService, Beginning>>>
  /** Ends of what goes in. */
  readonly ends: Readonly<Partial<Record<WallService, Point>>>
  /** What goes in, and what stands round it. */
  readonly outlines: readonly (readonly Point[])[]
}

const IN = 25.4
/** The middle of a usual height that the bench checks by too. */
function usual(id: string): number {
  const row = ROUGH_IN.find((window) => window.id === id)
  return row ? (row.mm[0] + row.mm[1]) / 2 : 0
}
const box = (left: number, right: number, low: number, high: number): Point[] => [
  [left, low],
  [left, high],
  [right, high],
  [right, low],
  [left, low],
]
const arc = (x: number, y: number, rx: number, ry: number, from: number, to: number): Point[] =>
  Array.from({ length: 13 }, (_, step) => {
    const angle = ((from + ((to - from) * step) / 12) * Math.PI) / 180
    return [x + rx * Math.cos(angle), y + ry * Math.sin(angle)]
  })
const ring = (x: number, y: number, r: number) => arc(x, y, r, r, 0, 360)

/** A faucet on its deck, over a bowl. */
const faucet = (deck: number, half: number, deep: number): Point[][] => [
  [
    [-half - 60, deck],
    [half + 60, deck],
  ],
  [...arc(0, deck, half, deep, 180, 360)],
  [
    [-70, deck],
    [-70, deck + 30],
    [70, deck + 30],
    [70, deck],
  ],
  [[0, deck + 30], ...arc(0, deck + 110, 45, 45, 180, 60)],
]
const under = (deck: number, deep: number, stub: number, drain: number): WallPlace => ({
  begins: {
    hot: { at: [-102, stub], from: 'wall' },
    cold: { at: [102, stub], from: 'wall' },
    drain: { at: [150, drain], from: 'wall' },
  },
  ends: { hot: [-51, deck - 20], cold: [51, deck - 20], drain: [0, deck - deep], branch: [330, stub - 260] },
  outlines: [],
})

/** A run of drain that stands, with what comes into it on either side; all else is where the place has it. */
export const withStack = (place: WallPlace): WallPlace => ({
  ...place,
  begins: { ...place.begins, drain: { at: [0, 950], from: 'above' } },
  ends: { ...place.ends, drain: [0, 420], branch: [300, 1060], side: [-300, 1060] },
})

/** A washing machine where its valves and its drain are in a box in the wall. */
export const BOXED: WallPlace = {
  begins: {
    hot: { at: [-76, usual('washer-supply') - 330], from: 'below' },
    cold: { at: [76, usual('washer-supply') - 330], from: 'below' },
    drain: { at: [280, 300], from: 'wall' },
  },
  ends: {
    hot: [-76, usual('washer-supply') - 110],
    cold: [76, usual('washer-supply') - 110],
    drain: [200, usual('washer-supply') - 110],
  },
  outlines: [
    box(-340, 340, 0, 900),
    box(-150, 270, usual('washer-supply') - 110, usual('washer-supply') + 130),
    ...[-76, 76].map((x) => box(x - 22, x + 22, usual('washer-supply') - 70, usual('washer-supply') + 10)),
    box(165, 235, usual('washer-supply') - 90, usual('washer-supply') - 40),
  ],
}

const BASIN_DECK = 32 * IN
const SINK_DECK = 36 * IN
const VALVE = usual('tub-valve')
const SHOWER_VALVE = usual('shower-valve')
const ARM = usual('shower-arm')
const RIM = 16 * IN
const valve = (height: number, spout: number | null, arm: number | null): WallPlace => ({
  begins: {
    hot: { at: [-100, height - 330], from: 'below' },
    cold: { at: [100, height - 330], from: 'below' },
    spout: { at: [0, height - 45], from: 'above' },
    shower: { at: [0, height + 45], from: 'below' },
    spray: { at: [75, height + 55], from: 'below' },
  },
  ends: {
    hot: [-45, height],
    cold: [45, height],
    spout: [0, spout ?? height - 130],
    shower: [0, arm ?? height + 130],
    spray: [300, height + 240],
  },
  outlines: [ring(0, height, 45), ring(0, height, 14)],
})
const tub: Point[][] = [
  [
    [-430, RIM],
    [430, RIM],
  ],
  [
    [-400, RIM],
    [-370, 0],
    [370, 0],
    [400, RIM],
  ],
]

/** A row for each kind of work. */
export const WALL_PLACES: Readonly<Record<WorkedOnId, WallPlace>> = {
  basin: {
    ...under(BASIN_DECK, 150, usual('basin-supply'), 18 * IN),
    outlines: faucet(BASIN_DECK, 210, 150),
  },
  sink: {
    ...under(SINK_DECK, 200, usual('basin-supply'), 16 * IN),
    outlines: [...faucet(SINK_DECK, 330, 200), box(250, 650, 0, 16 * IN)],
  },
  toilet: {
    begins: { cold: { at: [-153, usual('toilet-supply')], from: 'wall' } },
    ends: { cold: [-160, 375] },
    outlines: [
      box(-230, 230, 390, 760),
      arc(0, 390, 180, 190, 180, 360),
      [
        [-110, 190],
        [-130, 0],
        [130, 0],
        [110, 190],
      ],
    ],
  },
  tub: { ...valve(VALVE, RIM + 5.5 * IN, null), outlines: [...tub, ...valve(VALVE, null, null).outlines] },
  shower: valve(SHOWER_VALVE, null, ARM),
  'tub-shower': {
    ...valve(VALVE, RIM + 5.5 * IN, ARM),
    outlines: [...tub, ...valve(VALVE, null, null).outlines],
  },
  washer: {
    begins: {
      hot: { at: [-76, usual('washer-supply')], from: 'below' },
      cold: { at: [76, usual('washer-supply')], from: 'below' },
      drain: { at: [280, 300], from: 'wall' },
    },
    ends: { hot: [-200, 800], cold: [-120, 800], drain: [200, 960] },
    outlines: [box(-340, 340, 0, 900)],
  },
  dishwasher: {
    begins: { hot: { at: [-300, usual('basin-supply')], from: 'wall' } },
    ends: { hot: [-60, 110] },
    outlines: [box(-120, 480, 0, 32 * IN)],
  },
  bib: {
    begins: { cold: { at: [-260, 18 * IN], from: 'left' } },
    ends: { cold: [0, 18 * IN] },
    outlines: [
      [
        [-40, 0],
        [-40, 700],
      ],
      [
        [-110, 0],
        [-110, 700],
      ],
    ],
  },
  heater: {
    begins: {
      hot: { at: [-102, 1820], from: 'above' },
      cold: { at: [102, 1820], from: 'above' },
    },
    ends: { hot: [-102, 1440], cold: [102, 1440] },
    outlines: [[[-240, 60], [-240, 1350], ...arc(0, 1350, 240, 70, 180, 0), [240, 60], [-240, 60]]],
  },
  run: {
    begins: { hot: { at: [-260, 1250], from: 'left' }, cold: { at: [-260, 1000], from: 'left' } },
    ends: { hot: [260, 1250], cold: [260, 1000], branch: [90, 1480] },
    outlines: [],
  },
  drain: {
    begins: { drain: { at: [-260, 500], from: 'left' } },
    ends: { drain: [260, 490], branch: [240, 880] },
    outlines: [],
  },
  other: {
    ...under(SINK_DECK, 200, usual('basin-supply'), 16 * IN),
    outlines: [
      [
        [-300, SINK_DECK],
        [300, SINK_DECK],
      ],
    ],
  },
}
