import { fireEvent, render, screen } from '@testing-library/react'
import { BenchHold } from '../bench/BenchHold'
import { prefer } from '../data/preferences'
import { MADE_UP, type MadeUp, simulatedGauge } from '../devices/gauge'
import { readLine } from '../devices/stream'
import { dialog, one, press, settled, write } from '../test/touch'
import { heights } from './HoldChart'
import { clock, readPressure, shown } from './pressure'
import { MOST_READ } from './useHold'
import { holdRecord, holdWords } from './words'

jest.mock('expo-router', () => jest.requireActual('../test/address').router)
jest.mock('../workers/solver')

const PSI = 6.894757

beforeEach(() => {
  prefer({ unit: 'in' })
  sessionStorage.clear()
})
afterEach(() => jest.useRealTimers())

/** Only the clock on the wall is held: what waits goes on waiting. */
const atMinute = (minute: number) =>
  jest.useFakeTimers({
    now: Date.parse('2026-03-02T09:00:00Z') + minute * 60_000,
    doNotFake: [
      ...([
        'setTimeout',
        'clearTimeout',
        'setInterval',
        'clearInterval',
        'setImmediate',
        'clearImmediate',
      ] as const),
      ...([
        'queueMicrotask',
        'nextTick',
        'performance',
        'requestAnimationFrame',
        'cancelAnimationFrame',
      ] as const),
    ],
  })

async function length(...keys: string[]) {
  await press(one('button', /Length of the line/))
  for (const key of keys) fireEvent.click(one('button', key))
  await press(one('button', 'Enter'))
}
const gaugeField = /The gauge shows/
async function readAt(minute: number, psi: string) {
  atMinute(minute)
  await write(gaugeField, psi)
  await press(screen.getByTestId('read-gauge'))
}

describe('a pressure', () => {
  it.each([
    ['100', 'psi-1', 100 * PSI],
    ['6,85', 'bar-0.01', 685],
    ['0', 'psi-1', 0],
    ['', 'psi-1', null],
    ['-3', 'psi-1', null],
    ['a lot', 'psi-0.1', null],
    ['9999', 'psi-1', null],
  ] as const)('%s on a gauge of %s', (text, gauge, kpa) => {
    const read = readPressure(text, gauge)
    if (kpa === null) expect(read).toBeNull()
    else expect(read).toBeCloseTo(kpa, 6)
  })

  it('is shown as its gauge shows it, and time as a clock does', () => {
    expect([shown(689.5, 'psi-1'), shown(689.5, 'psi-0.1'), shown(685, 'bar-0.01')]).toEqual([
      '100',
      '100.0',
      '6.85',
    ])
    expect([clock(0), clock(754), clock(3900)]).toEqual(['0:00', '12:34', '1:05:00'])
  })
})

describe('the height of the chart', () => {
  it.each([
    [[100, 99], 1, 99, 103],
    [[100, 48], 1, 40, 120],
    [[6.85, 6.85], 0.01, 6.85, 6.89],
    [[0, 1034], 1, 0, 2000],
  ] as const)(
    'of %j by %d goes from %d to %d, and every line is a step that is spoken',
    (values, step, low, high) => {
      const [from, to] = heights(values, step)
      expect([from, to]).toEqual([expect.closeTo(low, 6), expect.closeTo(high, 6)])
    },
  )
})

describe('a gauge that speaks by itself', () => {
  it('is read line by line, and a line that is no reading stops nothing', () => {
    expect(readLine('{"at":"2026-03-02T09:00:00Z","kPa":612.3}')).toEqual({
      at: '2026-03-02T09:00:00Z',
      kPa: 612.3,
    })
    for (const bad of [
      '',
      '{',
      '{"at":"soon","kPa":1}',
      '{"at":"2026-03-02T09:00:00Z","kPa":"1"}',
      '{"at":"2026-03-02T09:00:00Z","kPa":-1}',
    ])
      expect(readLine(bad)).toBeNull()
  })

  it('the stand-in falls, climbs or stands as it was made to', () => {
    const after = (what: MadeUp) => {
      jest.useFakeTimers()
      const seen: number[] = []
      const stop = simulatedGauge(what, 100 * PSI, PSI).readings(({ kPa }) => seen.push(kPa / PSI))
      jest.advanceTimersByTime(15_000)
      stop()
      jest.advanceTimersByTime(15_000)
      jest.useRealTimers()
      return seen
    }
    const logs = Object.fromEntries((Object.keys(MADE_UP) as MadeUp[]).map((what) => [what, after(what)]))
    for (const log of Object.values(logs)) expect(log).toHaveLength(16)
    expect(logs.tight?.at(-1)).toBeGreaterThan(94)
    expect(logs.leaks?.at(-1)).toBeLessThan(65)
    expect(logs.passes?.at(-1)).toBeCloseTo(60, -1)
  })
})

describe('the hold', () => {
  it('asks for the length first, takes readings by their time, and says what they come to', async () => {
    render(<BenchHold />)
    await write(gaugeField, '100')
    expect(screen.getByTestId('read-gauge').getAttribute('aria-disabled')).toBe('true')
    await length('4', '8', '0')
    await readAt(0, '100')
    for (const minute of [3, 6, 9, 12, 15]) await readAt(minute, '100')
    await settled()
    // as long as nobody says that the stop is shut off for good, it may be fed past it
    expect(document.body.textContent).toContain(
      'a line that is fed past its stop stands still though it leaks',
    )
    await press(one('switch', /The stop is proved/))
    expect(document.body.textContent).toContain('It holds')
    expect(document.body.textContent).toContain('6 readings in 15:00')
    // what stands there is read by the steps of the gauge, and a second touch within a breath mends it
    atMinute(18)
    fireEvent.click(one('button', '−5'))
    await press(screen.getByTestId('read-gauge'))
    expect(document.body.textContent).toContain('7 readings in 18:00')
    fireEvent.click(one('button', '−5'))
    await press(screen.getByTestId('read-gauge'))
    expect(document.body.textContent).toContain('7 readings in 18:00')
    await press(one('button', 'One back'))
    expect(document.body.textContent).toContain('6 readings in 15:00')
    // a touch that throws all of it away can be taken back
    await press(one('button', 'Begin anew'))
    expect(document.body.textContent).not.toContain('6 readings')
    await press(one('button', 'Bring the readings back'))
    expect(document.body.textContent).toContain('6 readings in 15:00')
    // what it is made of is asked for as everywhere on the bench, and decides the answer
    await press(one('button', 'It is made of'))
    await press(one('radio', /PEX type A$/, dialog()))
    expect(one('button', 'It is made of').textContent).toContain('PEX type A')
  })

  it('that empties leaks, and what cannot be read is said', async () => {
    render(<BenchHold />)
    await length('4', '8', '0')
    await write(gaugeField, 'much')
    expect(document.body.textContent).toContain('A pressure, such as 100')
    for (const [minute, psi] of [
      [0, '100'],
      [1, '12'],
      [2, '0'],
      [3, '0'],
    ] as const)
      await readAt(minute, psi)
    await settled()
    expect(document.body.textContent).toContain('It leaks')
  })
})

describe('the words of a hold', () => {
  const judged = {
    verdict: 'undecided',
    leak: 0.93,
    leakOfNote: 0.1,
    leakMl: [0.2, 0.7],
    atMostMl: 1.2,
    seep: 0.1,
    cause: 'leak',
    causeSure: 0.93,
    readOnS: 780,
    fittedKpa: [],
  } as const

  it('never say that it holds where a leak is likely, and how long to read on', () => {
    const { title, text } = holdWords(judged)
    expect(title).toBe('Not decided yet')
    expect(text).toContain('93 in 100, by less than 1.2 ml a minute')
    expect(text).toContain('13 minutes more')
    expect(holdWords({ ...judged, readOnS: null }).text).toContain('prove the stop')
  })

  it('say at least so much where the gauge fell too fast to tell', () => {
    expect(holdWords({ ...judged, verdict: 'leaks', leakMl: [14.4, 500] }).text).toContain('at least 14 ml')
    expect(holdWords({ ...judged, verdict: 'leaks', leakMl: [0.2, 0.7] }).text).toContain('0.2 ml to 0.7 ml')
    expect(holdWords({ ...judged, verdict: 'passes', seep: 0.97 }).title).toBe('The stop lets by')
  })

  it('in the record hold every reading, and fit into it', () => {
    const readings = Array.from({ length: MOST_READ }, (_, index) => ({
      seconds: 3600 + index * 720,
      kpa: 4000,
    }))
    const [a, b] = [0, 60].map((seconds) => ({ seconds, kpa: 600 }))
    expect(holdRecord(judged, [a, b] as never, 'psi-1')).toBe(
      'Not decided yet. Gauge to 1 psi: 0:00 87, 1:00 87',
    )
    const whole = holdRecord(judged, readings, 'bar-0.01')
    expect(whole.length).toBeLessThanOrEqual(4000)
    expect(whole.match(/\d+:\d\d:00 40\.00/g)).toHaveLength(MOST_READ)
  })
})
