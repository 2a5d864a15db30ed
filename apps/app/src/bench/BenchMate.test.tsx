import '../test/browser'
import { runOperation } from '@diarmos/contract'
import { STARTING_SETTINGS } from '@diarmos/core'
import { END_KINDS } from '@diarmos/core/words/ends'
import { cleanup, render, screen } from '@testing-library/react'
import fc from 'fast-check'
import { address } from '../test/address'
import { openShop } from '../test/shop'
import { all, dialog, one, press, settled } from '../test/touch'
import { BenchMate } from './BenchMate'
import { decodeQuestion, encodeQuestion, type MateQuestion, PLAIN_QUESTION } from './mateLink'
import { benchMateRequest } from './mateRequest'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)

const SETTINGS = STARTING_SETTINGS as Parameters<typeof benchMateRequest>[1]
const ends = fc.constantFrom(
  ...END_KINDS.flatMap(({ id, sizes }) => sizes.map((size) => [id, size] as const)),
)
const length = fc.option(fc.double({ min: 1, max: 1999, noNaN: true }), { nil: null })
const questions = fc
  .record({
    from: ends,
    to: ends,
    into: fc.constantFrom(null, 'repair' as const, 'corner' as const, 'tee' as const, 'valve' as const),
    duty: fc.constantFrom('join' as const, 'feed' as const, 'stop' as const, 'close' as const),
    flame: fc.boolean(),
    dry: fc.boolean(),
    reach: fc.boolean(),
    improvised: fc.boolean(),
    nearMm: length,
    farMm: length,
    freeMm: length,
    sidewaysMm: length,
    outMm: length,
    farOutMm: length,
    placeMm: length,
  })
  .map(
    ({ from, to, into, duty, ...rest }): MateQuestion => ({
      ...rest,
      into,
      duty: into ? 'join' : duty,
      a: from[0],
      aSize: from[1],
      // what goes into a run, a stop and a cap have no second end to say
      b: into || duty === 'stop' || duty === 'close' ? PLAIN_QUESTION.b : to[0],
      bSize: into || duty === 'stop' || duty === 'close' ? PLAIN_QUESTION.bSize : to[1],
    }),
  )

describe('the address of a question', () => {
  it('carries it there and back', () =>
    fc.assert(
      fc.property(questions, (question) =>
        expect(decodeQuestion(encodeQuestion(question))).toEqual(question),
      ),
    ))

  it.each([
    [{ a: 'gold~1/2' }, 'names no end'],
    [{ a: 'copper~7' }, 'a size that is not made'],
    [{ into: 'a hole' }, 'nothing that goes into a run'],
    [{ for: 'fun' }, 'does not say what it is for'],
    [{ but: 'magic' }, 'a condition that we do not know'],
    [{ into: 'tee', nearMm: '-4' }, 'a length that cannot be'],
    [{ into: 'tee', farMm: 'long' }, 'a length that cannot be'],
  ])('%j is refused, and says why', (params, message) =>
    expect(() => decodeQuestion(params as Record<string, string>)).toThrow(message),
  )

  it('asks what every door understands', () =>
    fc.assert(
      fc.property(questions, (question) => {
        const run = () => runOperation('mate', benchMateRequest(question, SETTINGS))
        expect(run).not.toThrow()
      }),
      { numRuns: 25 },
    ))
})

describe('mating on the bench', () => {
  afterEach(cleanup)
  it('answers as the question is changed, and keeps it in the address', async () => {
    await openShop()
    render(<BenchMate />)
    await settled()
    const first = screen.getByTestId('option-1')
    expect(first.textContent).toContain('coupling')
    await press(one('button', 'To'))
    await press(one('radio', 'What it is: faucet shank'))
    await press(one('button', 'Close', dialog()))
    expect(address.params.b).toBe('shank~1/2')
    // nothing joins a pipe to a fixture but a stop and what is flexible
    expect(screen.queryByTestId('option-1')).toBeNull()
    expect(screen.getByText(/say that it feeds a fixture/)).toBeTruthy()
    await press(one('radio', 'What is it for?: feed a fixture'))
    expect(address.params.for).toBe('feed')
    expect(screen.getByTestId('option-1').textContent).toMatch(/stop.*2 parts from the counter/)
    await press(one('radio', 'What is it for?: end in a stop'))
    expect(all('button', 'To')).toEqual([])
    expect(screen.getByTestId('option-1').textContent).toMatch(/stop.*1 part from the counter/)
    await press(one('radio', 'What is it for?: close it off'))
    expect(screen.getByTestId('option-1').textContent).toMatch(/cap|plug/)
    await press(one('radio', 'What is it for?: run: tee'))
    expect(address.params.into).toBe('tee')
    expect(screen.getByTestId('option-1').textContent).toContain('tee')
    expect(screen.getByTestId('fixed-ends').textContent).toContain('It cannot be sprung')
    expect(all('tab', /^Way/).length).toBeGreaterThan(1)
    // a foot comes out for a valve: a piece fills what the valve does not,
    await press(one('radio', 'What is it for?: run: valve'))
    // and what slides waits before it is drawn back
    await press(one('button', 'Take out of the run'))
    for (const key of ['1', '2']) await press(one('button', key, dialog()))
    await press(one('button', 'Enter', dialog()))
    expect(address.params.outMm).toBe('304.8')
    expect(screen.getByText(/^Cut piece A: \d+/)).toBeTruthy()
    expect(all('listitem', /Draw it back until it stands at both marks/)).toHaveLength(1)
    await press(one('button', 'Take out of the run'))
    await press(one('button', '1/4', dialog()))
    await press(one('button', 'Enter', dialog()))
    expect(screen.getByText(/more has to come out of the run/)).toBeTruthy()
  })
})
