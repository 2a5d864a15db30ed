// Requests as they follow each other while a number is typed: the same question, another length each time.
import { type MateOption, mate, mouthOf, STARTING_SETTINGS } from '@diarmos/core'
import { PLAIN } from '../packages/core/src/mate/test/problems'
import type { Dice } from './mate/random'

const place = { ...PLAIN, stubMm: 76, stopShape: 'either' } as const

function way(more: object, wanted: (option: MateOption) => boolean): MateOption {
  const line = { lineId: 'a', pipeId: 'copper.l.1/2', conditions: place, ...more }
  const found = mate({ lines: [line as never], settings: STARTING_SETTINGS, k: 20 }).lines[0]?.options.find(
    wanted,
  )
  if (!found) throw new Error('no way to type at')
  return found
}

const pieces = ({ parts }: MateOption) => parts.filter(({ family }) => family === 'tube-piece').length

/** Everything that is worked out while a number is being typed, by name and operation; a request for each keystroke. */
export function typed(dice: Dice, count: number): [string, string, unknown[]][] {
  const corner = way({ to: mouthOf('washer.hose'), conditions: { ...place, turn: 90 } }, (o) => pieces(o) > 0)
  const run = way(
    { cutIn: { insert: 'valve', farMm: 200, freeMm: [600, 600], sidewaysMm: 30 } },
    (o) => pieces(o) > 0,
  )
  const span = corner.parts.findIndex(({ family }) => family === 'tube-piece')
  const dimensions = () => [
    { id: 'd', from: `part:${span}:in`, to: `part:${span}:out`, mm: dice.whole(100, 2000) },
  ]
  const mm = (least = 20, most = 900) => dice.whole(least, most)
  const bend = { form: 'solder-cup', system: 'CTS', nominal: '1/2', material: 'copper' }
  const cases: [string, string, () => unknown][] = [
    ['lay out a line', 'layout', () => ({ option: corner, stubMm: mm(30, 120), dimensions: dimensions() })],
    [
      'draw it with its dimensions',
      'draw',
      () => ({
        pipeId: 'copper.l.1/2',
        option: corner,
        stubMm: mm(30, 120),
        unit: 'in',
        stage: 'cut',
        dimensions: dimensions(),
      }),
    ],
    [
      'between fixed ends',
      'fixed-ends',
      () => ({
        pipeId: 'copper.l.1/2',
        option: run,
        takeOutMm: mm(80, 600),
        bareMm: [mm(), mm()],
        freeMm: [mm(), mm()],
        roomMm: mm(5, 60),
      }),
    ],
    [
      'lines side by side',
      'stagger',
      () => ({
        lines: [
          { option: corner, stubMm: mm(30, 90) },
          { option: corner, stubMm: mm(30, 90) },
        ],
        apartMm: mm(20, 200),
      }),
    ],
    ['offset', 'offset', () => ({ rollMm: mm(), riseMm: mm(), bend })],
    [
      'two bends between two lines',
      'bend-pairs',
      () => ({
        alongMm: mm(),
        asideMm: mm(),
        upMm: mm(),
        turnedDegrees: dice.whole(0, 90),
        tiltedDegrees: dice.whole(0, 45),
        bend,
      }),
    ],
    [
      'a piece between two parts',
      'cut-length',
      () => ({
        measuredMm: mm(60),
        ends: [
          { reference: 'face', port: bend },
          { reference: 'face', port: bend },
        ],
      }),
    ],
    ['pitch', 'pitch', () => ({ lengthMm: mm(), pitch: 1 / 48, levelMm: 609.6 })],
    [
      'valve in its wall',
      'valve-depth',
      () => ({ layers: [{ name: 'board', mm: mm(5, 80) }], middleMm: mm(5, 30), windowMm: [50, 76] }),
    ],
    ['hole in a stud', 'hole', () => ({ depthMm: 89, centreMm: mm(20, 70), holeMm: mm(10, 40) })],
    ['usual heights', 'rough-in', () => ({ measured: [{ id: 'tub-valve', mm: mm(500, 1000) }] })],
    ['bib for a wall', 'bib', () => ({ layers: [{ name: 'wall', mm: mm(50, 300) }] })],
    [
      'toilet',
      'toilet',
      () => ({ roughInMm: mm(200, 400), bowlMm: 305, flangeMm: mm(1, 40), floorMm: [mm(1, 30)] }),
    ],
    [
      'trap',
      'trap',
      () => ({
        size: '1-1/2',
        asideMm: mm(0, 110),
        outMm: mm(60, 300),
        stubOutMm: 20,
        drainMm: mm(500, 700),
        stubMm: mm(400, 520),
      }),
    ],
  ]
  return cases.map(([name, operation, request]) => [
    name,
    operation,
    Array.from({ length: count }, () => request()),
  ])
}
