import fc from 'fast-check'
import { evenly } from '../test/evenly'
import { formatLength, parseLength, type QuantityKind, ROUNDING } from './index'

const mm = (text: string, unit?: 'in' | 'mm') => {
  const parsed = parseLength(text, unit ? { unit } : {})
  if (!parsed.ok) throw new Error(`${text}: ${parsed.fault}`)
  return parsed.mm
}

describe('lengths as people write them', () => {
  // The inch is 25.4 mm exactly (international yard and pound agreement, 1959).
  it.each([
    ['2 11/16', 68.2625],
    ['2-11/16"', 68.2625],
    ['2 - 11/16 in', 68.2625],
    ['.875', 22.225],
    ['0,875', 22.225],
    ['7/8', 22.225],
    ['⅞', 22.225],
    ['2⅞"', 73.025],
    ['22 mm', 22],
    ['22mm', 22],
    ['2.2 cm', 22],
    [`1' 3 1/2"`, 393.7],
    ['1 ft 3', 381],
    ['3”', 76.2],
  ])('%s', (text, expected) => expect(mm(text)).toBeCloseTo(expected, 9))

  it('takes the unit it is told where none is written', () => {
    expect(mm('22', 'mm')).toBe(22)
    expect(mm('1', 'in')).toBe(25.4)
  })

  it.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['abc', 'not-a-length'],
    ['2 11', 'not-a-length'],
    ['1/2/3', 'not-a-length'],
    ['-3', 'negative'],
    ['3/0', 'zero-denominator'],
    ['2 17/16', 'improper-mixed-fraction'],
    ['0', 'zero'],
    ['9999999', 'too-large'],
    ['1e9', 'not-a-length'],
  ])('refuses %p as %s, in words', (text, fault) => {
    const parsed = parseLength(text)
    expect(parsed).toMatchObject({ ok: false, fault })
    if (!parsed.ok) expect(parsed.message.length).toBeGreaterThan(10)
  })

  it('points at the fault', () => expect(parseLength('3/0')).toMatchObject({ at: 2 }))
  it('never throws', () =>
    fc.assert(fc.property(fc.string(), (text) => void parseLength(text, { allowZero: true }))))
})

describe('lengths as a tape reads', () => {
  const quantities = Object.keys(ROUNDING) as QuantityKind[]
  const formats = fc.record({
    unit: fc.constantFrom('in' as const, 'mm' as const),
    denominator: fc.constantFrom(16 as const, 32 as const, 64 as const),
    quantity: fc.constantFrom(...quantities),
  })

  it('prints nothing that does not read back, and stays put when printed again', () =>
    fc.assert(
      fc.property(evenly(1.6, 3000), formats, (length, format) => {
        const text = formatLength(length, format)
        const back = mm(text)
        const step = format.unit === 'mm' ? 1 : 25.4 / format.denominator
        expect(Math.abs(back - length)).toBeLessThanOrEqual(step + 1e-6)
        expect(formatLength(back, format)).toBe(text)
      }),
    ))

  it('errs to the side that can be mended', () =>
    fc.assert(
      fc.property(evenly(1.6, 3000), formats, (length, format) => {
        const back = mm(formatLength(length, format))
        const { direction } = ROUNDING[format.quantity]
        if (direction === 'down') expect(back).toBeLessThanOrEqual(length + 1e-5)
        if (direction === 'up') expect(back).toBeGreaterThanOrEqual(length - 1e-5)
      }),
    ))

  it('reduces fractions', () => expect(formatLength(25.4 * 2.5, { unit: 'in' })).toBe('2 1/2"'))
})
