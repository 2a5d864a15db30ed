import { cleanup, render, screen } from '@testing-library/react'
import { prefer, usePreferences } from '../data/preferences'
import { AskSheet } from '../find/AskSheet'
import type { NewLook } from '../find/looks'
import { combPath } from '../gauge/ThreadCombs'
import { address } from '../test/address'
import { all, dialog, one, press, settled } from '../test/touch'
import { BenchGauge } from './BenchGauge'
import { BenchHeights } from './BenchHeights'
import { BenchHole } from './BenchHole'
import { BenchPair } from './BenchPair'
import { BenchPiece } from './BenchPiece'
import { BenchTrap } from './BenchTrap'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const IN = 25.4
const show = async (page: React.ReactElement, ...inches: (number | null)[]) => {
  address.go({
    ...address.params,
    mm: inches.map((inch) => (inch === null ? '' : String(inch * IN))).join('_'),
  })
  render(page)
  await settled()
}
const text = () => document.body.textContent ?? ''
beforeEach(() => {
  address.go({})
  prefer({ unit: 'in', denominator: 16, gauge: null })
})
afterEach(cleanup)

describe('a trap on the bench', () => {
  it('says which way it swings, what to cut, and what the tailpiece in hand has too much', async () => {
    // a 4 in swing 2.4 in aside: 3-4-5, so 36.87 degrees
    await show(<BenchTrap />, 8, 2.4, 22, 18, 1, 8)
    expect(text()).toContain('Swing the bend 37° aside, toward the wall.')
    expect(screen.getByText('Cut off the tailpiece in hand')).toBeTruthy()
    await press(one('button', 'Drain aside of the stub'))
    await press(one('button', '9', dialog()))
    await press(one('button', 'Enter', dialog()))
    expect(text()).toContain('further aside than the trap swings')
  })
})

describe('a hole on the bench', () => {
  it('a 1-3/8 in hole in the middle of a 2x4 wants plates on both faces; half an inch wants none', async () => {
    await show(<BenchHole />, 3.5, 1.375, null)
    expect(screen.getAllByText('✕ nail plate')).toHaveLength(2)
    expect(screen.getAllByLabelText('1 1/16 inches')).toHaveLength(2)
    cleanup()
    await show(<BenchHole />, 3.5, 0.5, null)
    expect(screen.queryByText('✕ nail plate')).toBeNull()
    cleanup()
    await show(<BenchHole />, 3.5, 2.5, null)
    expect(text()).toContain('IRC R602.6')
  })
})

describe('heights and walls on the bench', () => {
  it('holds a height against its window, and finds the bib for a wall', async () => {
    await show(<BenchHeights />, 30, 30, ...Array.from({ length: 9 }, () => null), 1, 0.5, 3.5, 0.5)
    expect(screen.getAllByText('✓ as usual')).toHaveLength(1)
    // a shower valve at 30 in is 8 in lower than 38
    expect(text()).toContain('△ 8" lower than usual')
    // 5-1/2 in of wall and an inch beyond it want 6-1/2 and more: eight
    expect(screen.getByLabelText('8 inches')).toBeTruthy()
  })
})

describe('a piece on the bench', () => {
  it('from middle to middle of two solder elbows, and from mouth to mouth', async () => {
    await show(<BenchPiece />, 20)
    const between = () => all('img', / inches$/, screen.getByTestId('piece'))[0]?.getAttribute('aria-label')
    const centres = between()
    await press(one('radio', 'The tape was held to: its mouth'))
    await press(one('radio', 'And there to: its mouth'))
    // ASME B16.22: half an inch goes into each cup of a 1/2 in elbow
    expect(between()).toBe('21 inches')
    expect(centres).not.toBe('21 inches')
    await press(one('radio', 'At the other end: nothing'))
    expect(between()).toBe('20 1/2 inches')
    await press(one('button', 'Measured'))
    await press(one('button', '1/2', dialog()))
    await press(one('button', 'Enter', dialog()))
    expect(screen.getByTestId('piece')).toBeTruthy()
    await press(one('radio', 'At the other end: elbow'))
    await press(one('radio', 'And there to: its middle'))
    await press(one('radio', 'The tape was held to: its middle'))
    expect(text()).toContain('There is no room for a piece')
  })
})

describe('two bends on the bench', () => {
  it('equal bends for parallel lines, others where the second points elsewhere', async () => {
    await show(<BenchPair />, 20, 5, null)
    const named = () => all('radio', /^Bends of/).map((row) => row.getAttribute('aria-label'))
    expect(named()).toContain('Bends of 45 and 45 degrees')
    for (const name of named()) expect(name).toMatch(/of (\d+\.?\d*) and \1 degrees/)
    await press(one('radio', /points another way by: 45°/))
    expect(named()).toContain('Bends of 22.5 and 22.5 degrees')
    expect(named().length).toBeGreaterThan(1)
    expect(one('img', /^Two lines joined by bends/)).toBeTruthy()
  })
})

describe('the screen gauge', () => {
  it('asks for a card first, keeps what it says, and forgets it when the page is zoomed', async () => {
    render(<BenchGauge />)
    expect(screen.getByTestId('calibration')).toBeTruthy()
    const before = Number(one('img', 'Outline of the card').getAttribute('width'))
    await press(one('button', /^\+ \+/))
    await press(one('button', /a hair narrower/))
    expect(Number(one('img', 'Outline of the card').getAttribute('width'))).toBeCloseTo(before + 3.5, 6)
    await press(one('button', 'It is as wide as the card'))
    // ISO/IEC 7810: a card is 53.98 mm wide
    expect((usePreferences.getState().gauge?.pxPerMm ?? 0) * 53.98).toBeCloseTo(before - 4 + 3.5, 6)
    expect(screen.getByTestId('jaw')).toBeTruthy()
    await press(one('button', /the next larger pipe/))
    expect(Number(address.params.mm)).toBeGreaterThan(22.2)
    Object.defineProperty(window, 'devicePixelRatio', { value: 1.5, configurable: true })
    cleanup()
    render(<BenchGauge />)
    expect(screen.getByTestId('calibration')).toBeTruthy()
    Object.defineProperty(window, 'devicePixelRatio', { value: 1, configurable: true })
  })

  it('is an instrument of Find: what it reads is kept with what a pixel can tell', async () => {
    prefer({ gauge: { pxPerMm: 5, ratio: 1 } })
    const looks: NewLook[] = []
    render(
      <AskSheet question="outside:screen-gauge" onLook={(look) => looks.push(look)} onClose={() => {}} />,
    )
    await press(one('button', /a tenth wider/))
    await press(one('button', 'Both edges meet the lines'))
    expect(looks).toMatchObject([
      { kind: 'outside', instrument: 'screen-gauge', mm: 22.3, entered: '22.3 mm', resolutionMm: 0.1 },
    ])
  })

  it.each([
    [14, 60],
    [11.5, 60],
    [19, 55],
  ] as const)('a comb of %p to the inch has its teeth that far apart', (tpi, form) => {
    const crests = [...combPath(tpi, form, 4, 40).matchAll(/L([\d.]+) ([\d.]+)h/g)].map((hit) =>
      Number(hit[1]),
    )
    expect(crests.length).toBe(Math.floor((40 * tpi) / 25.4))
    crests.slice(1).forEach((x, index) => {
      expect(x - (crests[index] as number)).toBeCloseTo((25.4 / tpi) * 4, 1)
    })
  })
})
