import '../test/browser'
import { cleanup, render, screen } from '@testing-library/react'
import { router } from 'expo-router'
import fc from 'fast-check'
import { prefer } from '../data/preferences'
import { type Look, NOTHING_SEEN } from '../find/looks'
import { address } from '../test/address'
import { all, dialog, one, press } from '../test/touch'
import { BenchList } from './BenchList'
import { BenchPipe } from './BenchPipe'
import { BenchThread } from './BenchThread'
import { decodeCase, encodeCase, PLAIN_CONTEXT } from './link'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const tap = async (...keys: string[]) => {
  for (const key of [...keys, 'Enter']) await press(one('button', key, dialog()))
}

beforeEach(() => {
  address.go({})
  prefer({ unit: 'in' })
})
afterEach(() => {
  cleanup()
  jest.clearAllMocks()
})

describe('which pipe, without a job', () => {
  it('asks, answers, and keeps what was entered in the address alone', async () => {
    render(<BenchPipe />)
    expect(screen.getByText('What is this pipe?')).toBeTruthy()
    await press(one('tab', 'Measure'))
    await press(one('button', 'Across, with a caliper'))
    await tap('1', 'Point', '9')
    await press(one('tab', 'Look'))
    await press(one('button', 'What colour is it?'))
    await press(one('radio', /: black$/, dialog()))
    expect(screen.getByTestId('belief').textContent).toMatch(/^1-1\/2 in/)
    // told that it is a drain of the seventies, it is surer
    await press(one('button', /the place/))
    await press(one('radio', 'The line: drain'))
    await press(one('radio', 'Last piped: 1965 to 1978'))
    expect(screen.getByTestId('belief').textContent).toMatch(/^1-1\/2 in ABS drain pipe/)
    // opened again from the address, all of it is there
    const before = address.params.c
    cleanup()
    render(<BenchPipe />)
    expect(address.params.c).toBe(before)
    expect(screen.getByText('Across, with a caliper: 1.9 in')).toBeTruthy()
    expect(screen.getByTestId('belief').textContent).toMatch(/^1-1\/2 in ABS drain pipe/)
  })

  it('takes a slot gauge, a bore and a print that cannot be read', async () => {
    render(<BenchPipe />)
    await press(one('tab', 'Measure'))
    await press(one('button', 'Slot gauge: does it go over?'))
    await tap('Point', '6', '5')
    await press(one('radio', /goes over$/, dialog()))
    await press(one('button', 'Bore at a cut end, with a caliper'))
    await tap('Point', '5', '4', '5')
    await press(one('tab', 'Look'))
    await press(one('button', 'Read the print'))
    await press(one('button', 'Nothing legible', dialog()))
    const entered = decodeCase(address.params.c ?? '').looks.map((look) => [
      look.kind,
      look.answer ?? look.entered,
    ])
    expect(entered).toEqual([
      ['gauge', 'goes'],
      ['bore', '.545'],
      ['print', '-'],
    ])
    expect(screen.getByText('Read the print: nothing legible')).toBeTruthy()
  })

  it('withdraws a look and counts it again', async () => {
    render(<BenchPipe />)
    await press(one('tab', 'Touch'))
    await press(one('button', 'Does a magnet hold?'))
    await press(one('radio', /: holds$/, dialog()))
    await press(one('button', 'Withdraw'))
    expect(screen.getByText('What is this pipe?')).toBeTruthy()
    await press(one('button', 'Count it'))
    expect(screen.queryByText('What is this pipe?')).toBeNull()
    await press(one('button', 'Clear the bench'))
    expect(all('button', 'Withdraw')).toEqual([])
  })

  it('corrects a reading in its own place', async () => {
    render(<BenchPipe />)
    await press(one('tab', 'Measure'))
    await press(one('button', 'Across, with a caliper'))
    await tap('6', '2', '5')
    expect(screen.getByText(/This reading disagrees|Across, with a caliper: 625/)).toBeTruthy()
    await press(one('button', /^Across, with a caliper: 625.*Correct it$/))
    await tap('Point', '6', '2', '5')
    expect(decodeCase(address.params.c ?? '').looks.map((look) => look.entered)).toEqual(['.625'])
  })

  it('shows what is usual there, with nothing to correct', async () => {
    render(<BenchPipe />)
    await press(one('button', 'What is usual here?'))
    expect(dialog().textContent).toContain('copper tube')
    expect(all('button', /is commoner here/)).toEqual([])
  })

  it.each([
    ['a damaged link', '@@@@', 'part of it is missing'],
    ['a link of another kind', btoa('{"x":1}'), 'of another kind'],
    ['an endless link', 'A'.repeat(30_000), 'too long'],
  ])('says what is wrong with %s, and works on', async (_name, c, words) => {
    address.go({ c })
    render(<BenchPipe />)
    expect(screen.getByText(new RegExp(words))).toBeTruthy()
    await press(one('tab', 'Touch'))
    await press(one('button', 'Does a magnet hold?'))
    await press(one('radio', /: holds$/, dialog()))
    expect(screen.queryByText(new RegExp(words))).toBeNull()
  })

  it('names the place of a fault in a link that says what nobody can say', () => {
    const nonsense = {
      ...NOTHING_SEEN,
      id: 'x',
      kind: 'sign',
      sign: 'magnet',
      answer: 'perhaps',
      entered: '',
    } as never
    address.go({ c: encodeCase({ context: PLAIN_CONTEXT, looks: [nonsense] }) })
    render(<BenchPipe />)
    expect(screen.getByText(/observations\.0\.answer/)).toBeTruthy()
  })
})

describe('which thread, without a job', () => {
  it('from place, diameter, count and taper', async () => {
    render(<BenchThread />)
    expect(screen.getByText(/Nothing seen yet/)).toBeTruthy()
    await press(one('button', 'Where is it?'))
    await press(one('radio', /pipe or fitting$/, dialog()))
    await press(one('button', 'Count the threads'))
    await press(one('button', '+½. half a thread more', dialog()))
    await press(one('button', '−½. half a thread fewer', dialog()))
    await press(one('button', 'Enter 7 over 1/2 in', dialog()))
    await press(one('button', 'Across the crests, with a caliper'))
    await tap('Point', '8', '2')
    await press(one('button', 'Two diameters: does it taper?'))
    await tap('Point', '8', '1', '5')
    await tap('Point', '8', '3', '5')
    await tap('5/16')
    expect(screen.getByTestId('thread-belief').textContent).toMatch(/^1\/2 NPT male/)
    expect(screen.getByText(/Only NPT goes on/)).toBeTruthy()
    expect(screen.getByText('Two diameters: does it taper? .815, .835, 5/16 apart')).toBeTruthy()
  })

  it('says of a tub spout what a thread does not say', async () => {
    render(<BenchThread />)
    await press(one('button', 'Where is it?'))
    await press(one('radio', /tub spout$/, dialog()))
    expect(screen.getByText(/slips onto bare 1\/2 in copper/)).toBeTruthy()
  })

  it('lays a leaf in, which fits or rocks', async () => {
    render(<BenchThread />)
    await press(one('button', /^Lay a gauge leaf in/))
    await press(one('radio', 'Gauge leaf: 24 · 60°', dialog()))
    await press(one('radio', /: fits$/, dialog()))
    expect(screen.getByText('Gauge leaf 24 · 60°: fits')).toBeTruthy()
    expect(screen.getByTestId('thread-belief').textContent).toMatch(/compression|flare/)
  })
})

describe('the bench', () => {
  it('leads to its tools', async () => {
    render(<BenchList />)
    await press(one('link', 'Which thread is it?'))
    expect(router.navigate).toHaveBeenCalledWith('/bench/thread')
  })

  it('carries any case through an address and back', () => {
    const looks = fc.array(
      fc.record({
        kind: fc.constantFrom('sign', 'outside', 'print', 'thread-count'),
        entered: fc.string({ maxLength: 30, unit: 'grapheme' }),
        answer: fc.option(fc.string({ maxLength: 10 }), { nil: null }),
        mm: fc.option(fc.double({ min: 1, max: 200, noNaN: true }), { nil: null }),
        withdrawn: fc.boolean(),
      }),
      { maxLength: 8 },
    )
    fc.assert(
      fc.property(looks, (entered) => {
        const cased = entered.map(
          (look, index) => ({ ...NOTHING_SEEN, ...look, id: `look-${index}` }) as Look,
        )
        const text = encodeCase({ context: PLAIN_CONTEXT, looks: cased })
        expect(text).toMatch(/^[\w-]*$/)
        expect(decodeCase(text)).toEqual({ context: PLAIN_CONTEXT, looks: cased })
      }),
      { numRuns: 60 },
    )
  })
})
