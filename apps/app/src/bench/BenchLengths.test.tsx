import { pieceLetter } from '@diarmos/core/units'
import { cleanup, render, screen } from '@testing-library/react'
import fc from 'fast-check'
import { prefer } from '../data/preferences'
import { address } from '../test/address'
import { all, dialog, one, press, settled } from '../test/touch'
import { BenchCuts } from './BenchCuts'
import { BenchOffset } from './BenchOffset'
import { BenchPitch } from './BenchPitch'
import { BenchToilet } from './BenchToilet'
import { BenchWall } from './BenchWall'
import { decodeLengths, encodeLengths } from './lengths'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
async function type(keys: readonly string[]) {
  for (const key of [...keys, 'Enter']) await press(one('button', key, dialog()))
}
beforeEach(() => {
  address.go({})
  prefer({ unit: 'in' })
})
afterEach(cleanup)

describe('lengths in an address', () => {
  it('go there and back, a sixty-fourth of an inch among them', () =>
    fc.assert(
      fc.property(fc.array(fc.option(fc.integer({ min: 1, max: 60_000 })), { maxLength: 40 }), (steps) => {
        const lengths = steps.map((step) => (step === null ? null : (step * 25.4) / 64))
        const back = decodeLengths(encodeLengths(lengths), Math.max(1, lengths.length))
        lengths.forEach((mm, index) => {
          if (mm === null) expect(back[index]).toBeNull()
          else expect(back[index]).toBeCloseTo(mm, 4)
        })
      }),
    ))
  it.each(['x', '-3', '1e9', '3_4_5'])('%s is refused, and says why', (text) =>
    expect(() => decodeLengths(text, 2)).toThrow(/The link holds/),
  )
  it('names pieces by letters, the twenty-seventh by two', () =>
    expect([0, 25, 26, 39].map(pieceLetter)).toEqual(['A', 'Z', 'AA', 'AN']))
})

describe('an offset on the bench', () => {
  it('is worked out as it is measured, and kept in the address', async () => {
    render(<BenchOffset />)
    await press(one('button', 'Sideways'))
    await type(['1', '0'])
    expect(address.params.mm).toBe('254_')
    // ten inches at 45 degrees: travel 14 1/8 by the tape
    expect(one('img', /Offset with bends of 45 degrees/).getAttribute('aria-label')).toContain(
      'travel 14 1/8"',
    )
    await press(one('radio', 'Bend: 22.5 degrees'))
    expect(one('img', /^Offset/).getAttribute('aria-label')).toContain('travel 26 1/8"')
    await press(one('button', 'Up or down'))
    await type(['1', '0'])
    expect(screen.getByText('45.0°')).toBeTruthy()
  })
  it('says by how much two bends stand too close for a piece', async () => {
    address.go({ mm: '12' })
    render(<BenchOffset />)
    await settled()
    expect(screen.getByText(/No piece fits between/)).toBeTruthy()
  })
})

describe('a cut list on the bench', () => {
  it('plans, shows one number at a time, and ticks off', async () => {
    address.go({ mm: '1524_1524_1000', stock: '10 ft' })
    render(<BenchCuts />)
    await settled()
    expect(screen.getByText(/no plan uses less/)).toBeTruthy()
    expect(screen.getByTestId('next-cut').textContent).toContain('60')
    for (let cut = 0; cut < 3; cut++) await press(one('button', /is cut: next$/))
    expect(screen.getByText('✓ All cut')).toBeTruthy()
    expect(all('checkbox', /is cut/).map((box) => box.getAttribute('aria-checked'))).toEqual([
      'true',
      'true',
      'true',
    ])
    await press(one('button', 'Add a piece'))
    await type(['9', '1/2'])
    expect(address.params.mm?.split('_')[3]).toBe('241.3')
    // a new piece means a new plan: nothing counts as cut
    expect(address.params.done).toBe('')
  })
  it('says which piece no stock holds', async () => {
    address.go({ mm: '4000', stock: '10 ft' })
    render(<BenchCuts />)
    await settled()
    expect(screen.getByText(/No length of stock holds A/)).toBeTruthy()
  })
})

describe('pitch on the bench', () => {
  it('a quarter in the foot is half an inch under a two-foot level', async () => {
    address.go({ mm: '2438.4' })
    render(<BenchPitch />)
    await settled()
    const text = document.body.textContent ?? ''
    expect(text).toContain('2.08 in 100')
    expect(screen.getAllByLabelText('1/2 inches').length).toBe(1)
    // eight feet fall two inches
    expect(screen.getAllByLabelText('2 inches').length).toBe(1)
  })
})

describe('a valve in its wall, on the bench', () => {
  const wall = (mm: string) => {
    address.go({ mm })
    render(<BenchWall />)
    return settled()
  }
  it('asks until it has the wall and the window', async () => {
    await wall('')
    expect(screen.getByText(/Measure the wall from the blocking/)).toBeTruthy()
    await press(one('button', 'Board'))
    await type(['1/2'])
    expect(address.params.mm).toBe('_12.7________')
  })
  it.each([
    ['50.8_12.7_3.2_8_5_63_76', /In the window/],
    ['50.8_12.7_3.2_24_5_63_76', /Out of the window/],
  ])('%s: %s', async (mm, words) => {
    await wall(mm)
    expect(screen.getByText(words)).toBeTruthy()
  })
  it('says how much to put behind, and that a valve does not stand before its wall', async () => {
    await wall('50.8_12.7_3.2_24_5_63_76')
    expect(screen.getByText('Put behind the valve, at least')).toBeTruthy()
    cleanup()
    await wall('5____60_63_76')
    expect(screen.getByText(/in front of the finished wall/)).toBeTruthy()
  })
})

describe('a toilet on the bench', () => {
  it('says what of it was measured', async () => {
    address.go({ mm: '279.4_15_20_300_306' })
    render(<BenchToilet />)
    await settled()
    expect(screen.getByText(/An offset flange that moves it/)).toBeTruthy()
    expect(screen.getByText(/Beneath it by/)).toBeTruthy()
    expect(screen.getByText(/Seal: one thick wax/)).toBeTruthy()
    expect(screen.getByText(/Turned by 2\.3°: the right slot/)).toBeTruthy()
    await press(one('radio', 'The bowl is made for: 14 in'))
    expect(screen.getByText(/too near the wall/)).toBeTruthy()
  })
})
