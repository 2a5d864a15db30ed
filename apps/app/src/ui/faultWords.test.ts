import { runOperation } from '@diarmos/contract'
import { faultWords } from './faultWords'

function faultOf(operation: string, request: unknown): Error {
  try {
    runOperation(operation as never, request)
  } catch (error) {
    return error as Error
  }
  throw new Error('no fault')
}

describe('faults', () => {
  it.each([
    ['a length beyond what is taken', 'pitch', { lengthMm: 1e9, pitch: 0.02 }, /^At most .*"/],
    ['none at all', 'cut-length', { measuredMm: 0, ends: [] }, /more than 0/],
    [
      'a kind that is none',
      'cutting-plan',
      { pieces: [], stock: [{ mm: 1000 }], cutter: 'teeth' },
      /not taken/,
    ],
    ['text that is no length', 'units', {}, /not taken/],
  ])('are said in words, never in a validator’s: %s', (_name, operation, request, words) => {
    const text = faultWords(faultOf(operation, request), 'in')
    expect(text).toMatch(words)
    expect(text).not.toMatch(/expected|Invalid|Too (big|small)|undefined|Mm\b/)
  })

  it('of the core stay as they were said, and each once', () => {
    const twice = Object.assign(new Error('x'), {
      faults: [
        { path: 'a', message: 'no pipe of that kind' },
        { path: 'b', message: 'no pipe of that kind' },
      ],
    })
    expect(faultWords(twice, 'mm')).toBe('No pipe of that kind.')
    expect(faultWords(new Error('the solver stopped'), 'mm')).toBe('The solver stopped.')
  })
})
