import type { ParsedLength } from '@diarmos/core/units'
import { act, fireEvent, render, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { Keypad } from './Keypad'
import { Length } from './Length'

function pad() {
  const entered: ParsedLength[] = []
  const onClose = jest.fn()
  render(<Keypad title="Stub" onClose={onClose} onEnter={(length) => entered.push(length)} />)
  const tap = (...keys: string[]) => {
    for (const key of keys) fireEvent.click(screen.getByRole('button', { name: key }))
  }
  return { entered, onClose, tap }
}

beforeEach(() => prefer({ unit: 'in' }))

describe('the measuring keypad', () => {
  it.each<[string, string[], string, number]>([
    ['whole inches and a fraction', ['2', '11/16'], '2 11/16', 68.2625],
    ['a fraction alone', ['7/8'], '7/8', 22.225],
    ['a fraction changed for another', ['1', '1/8', '3/8'], '1 3/8', 34.925],
    ['a fraction taken off by a second tap', ['3', '1/2', '1/2'], '3', 76.2],
    ['a decimal off a caliper', ['Point', '8', '4', '5'], '.845', 21.463],
    ['a slip taken back', ['4', '5', 'Delete', '1/4'], '4 1/4', 107.95],
  ])('%s', (_name, keys, text, mm) => {
    const { entered, tap } = pad()
    tap(...keys, 'Enter')
    expect(entered).toHaveLength(1)
    expect(entered[0]).toMatchObject({ text, unit: 'in' })
    expect(entered[0]?.mm).toBeCloseTo(mm, 6)
  })

  it('takes millimetres, as they were entered', () => {
    const { entered, tap } = pad()
    fireEvent.click(screen.getByRole('radio', { name: 'millimetres' }))
    expect(screen.queryByRole('button', { name: '11/16' })).toBeNull()
    tap('2', '2', 'Enter')
    expect(entered[0]).toMatchObject({ text: '22 mm', unit: 'mm', mm: 22, resolutionMm: 1 })
  })

  it('hands over nothing that is no length, and says why', () => {
    const { entered, tap } = pad()
    tap('Enter')
    tap('0')
    expect(screen.getByRole('alert').textContent).toContain('0 says nothing')
    tap('Enter')
    expect(entered).toEqual([])
  })

  it('does not mix a decimal with a fraction', () => {
    const { entered, tap } = pad()
    tap('1', 'Point', '5', '1/8', 'Enter')
    expect(entered[0]).toMatchObject({ text: '1.5' })
  })

  it.each([
    ['1 3/4', 44.45, 'in'],
    ['1-3/4"', 44.45, 'in'],
    ['1,75', 44.45, 'in'],
    ['44 mm', 44, 'mm'],
    ['12<.5', 1.5 * 25.4, 'in'],
  ])('reads what is typed on a keyboard as units do: %s', (typed, mm, unit) => {
    const { entered } = pad()
    for (const key of typed) fireEvent.keyDown(document.body, { key: key === '<' ? 'Backspace' : key })
    fireEvent.keyDown(document.body, { key: 'Enter' })
    expect(entered[0]?.mm).toBeCloseTo(mm, 6)
    expect(entered[0]?.unit).toBe(unit)
  })

  it('says what it cannot read, and keeps it to be mended', () => {
    const { entered } = pad()
    for (const key of '1 3/5x') fireEvent.keyDown(document.body, { key })
    fireEvent.keyDown(document.body, { key: 'Enter' })
    expect(entered).toEqual([])
    expect(screen.getByRole('alert').textContent).toBeTruthy()
    fireEvent.keyDown(document.body, { key: 'Backspace' })
    fireEvent.keyDown(document.body, { key: 'Backspace' })
    fireEvent.keyDown(document.body, { key: '4' })
    fireEvent.keyDown(document.body, { key: 'Enter' })
    expect(entered[0]?.mm).toBeCloseTo(44.45, 6)
  })

  it.each([
    ['in', '0.875"', 22.225],
    ['mm', '22.22 mm', 22.22],
  ] as const)(
    'takes what a caliper stands at, as it shows it, and nothing while its jaws move: %s',
    (unit, text, mm) => {
      jest.useFakeTimers()
      prefer({ unit })
      const { entered, tap } = pad()
      tap('From a caliper')
      const take = () => screen.getByRole('button', { name: 'Take it' })
      expect(take().getAttribute('aria-disabled')).toBe('true')
      fireEvent.click(screen.getByRole('radio', { name: /7\/8 in$/ }))
      act(() => jest.advanceTimersByTime(400))
      expect(screen.getByTestId('caliper').textContent).not.toBe(text)
      expect(take().getAttribute('aria-disabled')).toBe('true')
      fireEvent.click(take())
      act(() => jest.advanceTimersByTime(1000))
      expect(screen.getByTestId('caliper').textContent).toBe(text)
      fireEvent.click(take())
      // on the keys again, what was taken stands there until it is entered
      expect(entered).toEqual([])
      tap('Enter')
      expect([entered[0]?.text, entered[0]?.unit]).toEqual([text, unit])
      expect(entered[0]?.mm).toBeCloseTo(mm, 6)
      jest.useRealTimers()
    },
  )

  it('closes without a word', () => {
    const { onClose, entered, tap } = pad()
    tap('5', 'Close')
    expect(onClose).toHaveBeenCalled()
    expect(entered).toEqual([])
  })
})

describe('a length on the screen', () => {
  const read = (mm: number) => {
    const { container } = render(<Length mm={mm} quantity="insertion-mark" />)
    return container
  }
  it('is read out as a tape reads, and set as a fraction', () => {
    const shown = read(68.2625)
    expect(shown.querySelector('[role="img"]')?.getAttribute('aria-label')).toBe('2 11/16 inches')
    expect(shown.textContent).toBe('21116in')
  })
  it('follows the unit at a touch', () => {
    prefer({ unit: 'mm' })
    expect(read(24.8).textContent).toBe('24 mm')
  })
})
