import { formatLength, parseLength, ROUNDING, toTape } from './index'

const read = (text: string, unit: 'in' | 'mm' = 'in') => {
  const parsed = parseLength(text, { unit })
  if (!parsed.ok) throw new Error(parsed.message)
  return parsed
}
const IN = 25.4

describe('a length as it is written by hand, in print and in other countries', () => {
  it.each([
    ['2½', 2 + 1 / 2],
    ['2¼', 2 + 1 / 4],
    ['2¾', 2 + 3 / 4],
    ['1⅛', 1 + 1 / 8],
    ['1⅜', 1 + 3 / 8],
    ['1⅝', 1 + 5 / 8],
    ['1⅞', 1 + 7 / 8],
    ['1⅓', 1 + 1 / 3],
    ['1⅔', 1 + 2 / 3],
    ['7⁄8', 7 / 8],
    ['7∕8', 7 / 8],
    ['2 11/16”', 2 + 11 / 16],
    ['2 11/16″', 2 + 11 / 16],
    ['2 11/16“', 2 + 11 / 16],
    ["2 11/16''", 2 + 11 / 16],
    ['1’ 3″', 15],
    ['1′ 3″', 15],
    ['12 ft 1/2', 144.5],
    ["10'3", 123],
    ["1' - 3 1/2", 15.5],
    ['2–11/16', 2 + 11 / 16],
    ['2  -  11/16', 2 + 11 / 16],
    ['3 in.', 3],
    ['3.', 3],
    [',875', 0.875],
  ])('%s', (text, inches) => {
    expect(read(text).mm).toBeCloseTo(inches * IN, 5)
    expect(read(text).unit).toBe('in')
  })

  it.each([
    ['1.5 cm', 15],
    ['0.25 m', 250],
    ['22', 22],
    ['22.5', 22.5],
  ])('%s in millimetres', (text, mm) => expect(read(text, 'mm')).toMatchObject({ mm, unit: 'mm' }))

  it.each([
    // as fine as it was written, and no finer
    ['2 11/16', IN / 16],
    ['7/8', IN / 8],
    ['3', IN],
    ['3.25', IN / 100],
    ['.5', IN / 10],
    ['3.', IN],
    ['22 mm', 1],
    ['22.5 mm', 0.1],
    ['2.25 cm', 0.1],
  ])('%s has a resolution of its own', (text, mm) => expect(read(text).resolutionMm).toBeCloseTo(mm, 9))

  it.each([
    ['', 'empty', 0],
    ['-3', 'negative', 0],
    ['  –3', 'negative', 2],
    ['3 #', 'not-a-length', 2],
    ['abc', 'not-a-length', 0],
    ['in', 'not-a-length', 0],
    ["1' 30 mm", 'not-a-length', 1],
    ['2 11', 'not-a-length', 2],
    ['3/0', 'zero-denominator', 2],
    ['2 5/4', 'improper-mixed-fraction', 3],
    ['2 4/4', 'improper-mixed-fraction', 3],
    ['51 m', 'too-large', 0],
  ])('%p is refused, with its fault and its place', (text, fault, at) => {
    expect(parseLength(text)).toMatchObject({ ok: false, fault, at, text })
  })

  it('is at most fifty metres, and says so', () => {
    expect(parseLength('50 m').ok).toBe(true)
    expect(parseLength('50.001 m')).toMatchObject({ message: expect.stringContaining('50 m') })
    expect(parseLength('5/4')).toMatchObject({ ok: true, mm: 1.25 * IN })
  })
})

describe('a length as a tape reads it', () => {
  it.each([
    [3 * IN, 16, { whole: 3, numerator: 0, denominator: 1, text: '3"' }],
    [3.5 * IN, 16, { whole: 3, numerator: 1, denominator: 2, text: '3 1/2"' }],
    [0.75 * IN, 16, { whole: 0, numerator: 3, denominator: 4, text: '3/4"' }],
    [0, 16, { whole: 0, numerator: 0, denominator: 1, text: '0"' }],
    [(2 + 3 / 32) * IN, 32, { whole: 2, numerator: 3, denominator: 32, text: '2 3/32"' }],
    [(2 + 6 / 32) * IN, 32, { whole: 2, numerator: 3, denominator: 16, text: '2 3/16"' }],
  ] as const)('%p mm to 1/%p', (mm, denominator, reading) =>
    expect(toTape(mm, { unit: 'in', denominator })).toEqual({ unit: 'in', ...reading }),
  )

  it('in millimetres, whole or to a tenth', () => {
    expect(toTape(24.26, { unit: 'mm' })).toEqual({
      unit: 'mm',
      whole: 24,
      numerator: 0,
      denominator: 1,
      text: '24 mm',
    })
    expect(toTape(24.26, { unit: 'mm', decimals: 1 })).toMatchObject({ whole: 24.3, text: '24.3 mm' })
  })

  // what goes wrong the other way decides: a stub, what is missing must not come out short; what is taken off, a mark
  // that is to vanish, and an opening, not long
  it.each([
    ['insertion-mark', '2"', '52 mm'],
    ['least-stub', '2 1/16"', '53 mm'],
    ['missing-length', '2 1/16"', '53 mm'],
    ['piece-to-remove', '2"', '52 mm'],
    ['largest-opening', '2"', '52 mm'],
    ['pipe-to-cut', '2"', '52 mm'],
  ] as const)('of kind %s it is rounded to the safe side', (quantity, inches, mm) => {
    // a tenth of a sixteenth, or of a millimetre, past the graduation
    expect(formatLength((2 + 1 / 160) * IN, { unit: 'in', quantity })).toBe(inches)
    expect(formatLength(52.1, { unit: 'mm', quantity })).toBe(mm)
  })

  it.each(['depth-window', 'outside-diameter', 'reading'] as const)(
    'of kind %s it is the nearest',
    (quantity) => {
      expect(formatLength((2 + 1 / 160) * IN, { unit: 'in', quantity })).toBe('2"')
      expect(formatLength((2 + 9 / 160) * IN, { unit: 'in', quantity })).toBe('2 1/16"')
    },
  )

  it('does not step on for a hair of floating point', () => {
    expect(formatLength(3 * IN + 1e-9, { unit: 'in', quantity: 'least-stub' })).toBe('3"')
    expect(formatLength(3 * IN - 1e-9, { unit: 'in', quantity: 'piece-to-remove' })).toBe('3"')
  })

  it('says of every kind why it is rounded as it is', () => {
    for (const [kind, { why }] of Object.entries(ROUNDING))
      expect([kind, why.split(' ').length > 4]).toEqual([kind, true])
  })
})
