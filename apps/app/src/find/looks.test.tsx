import { END_FAULTS, SIGN_ANSWERS } from '@diarmos/core/answers'
import { parseLength } from '@diarmos/core/units'
import { ANSWERS, QUESTIONS } from '@diarmos/core/words/find'
import { render } from '@testing-library/react'
import type { ReactElement } from 'react'
import { FaultSign } from '../ui/FaultSign'
import { LookGrid } from './LookGrid'
import {
  gaugeTried,
  lookText,
  measured,
  type NewLook,
  NO_PRINT,
  NOTHING_SEEN,
  questionOf,
  signSeen,
  toObservation,
  toObservations,
  toThreadObservation,
} from './looks'
import { signFor } from './signFor'

const kept = (look: NewLook, id = 'a') => ({ ...NOTHING_SEEN, ...look, id })

function length(text: string) {
  const read = parseLength(text)
  if (!read.ok) throw new Error(text)
  return read
}

function drawn(picture: ReactElement): string {
  const { container, unmount } = render(picture)
  const html = container.innerHTML
  unmount()
  return html
}

describe('pictures to choose from', () => {
  it.each(Object.entries(SIGN_ANSWERS))(
    'no two answers to %s look the same, and none is blank',
    (sign, answers) => {
      const pictures = answers.map((answer) => drawn(signFor(`sign:${sign}`, answer)))
      for (const picture of pictures) expect(picture).toMatch(/<(path|circle|rect|line|ellipse|g)/)
      expect(new Set(pictures).size).toBe(answers.length)
    },
  )

  it('no two faults of an end look the same', () => {
    expect(new Set(END_FAULTS.map((fault) => drawn(<FaultSign kind={fault} />))).size).toBe(END_FAULTS.length)
  })

  it('each question and each answer has words of its own', () => {
    for (const [sign, answers] of Object.entries(SIGN_ANSWERS)) {
      expect(QUESTIONS[`sign:${sign}`]).toBeTruthy()
      const words = answers.map((answer) => ANSWERS[answer])
      expect(words).not.toContain(undefined)
      expect(new Set(words).size).toBe(answers.length)
    }
  })
})

it('an answer that arrives does not move the pictures under a finger', () => {
  const grid = (best: string | undefined) => (
    <LookGrid best={best} done={new Set<string>()} onAsk={() => undefined} />
  )
  const { getAllByRole, getByRole, rerender } = render(grid(undefined))
  const before = getAllByRole('button').map((tile) => tile.getAttribute('aria-label'))
  rerender(grid('outside:caliper'))
  expect(getAllByRole('button').map((tile) => tile.getAttribute('aria-label'))).toEqual(before)
  expect(getByRole('tab', { name: 'Look' }).getAttribute('aria-selected')).toBe('true')
})

describe('a look', () => {
  it('is read no finer than its instrument reads, however it was typed', () => {
    // 1 typed on the keypad is a whole inch read on a tape of sixteenths, not 1 plus or minus a half.
    expect(measured('outside', 'tape', length('1')).resolutionMm).toBeCloseTo(25.4 / 16, 6)
    expect(measured('outside', 'caliper', length('22 mm')).resolutionMm).toBe(0.1)
    // Finer than that it stays as fine as it was read.
    expect(measured('outside', 'caliper', length('0.875')).resolutionMm).toBeLessThanOrEqual(0.1)
  })

  it.each<[NewLook, object, string, string]>([
    [
      signSeen('magnet', 'holds'),
      { kind: 'sign', sign: 'magnet', answer: 'holds' },
      'sign:magnet',
      'Does a magnet hold? holds',
    ],
    [
      measured('outside', 'caliper', length('7/8')),
      { kind: 'outside', instrument: 'caliper', mm: 22.225 },
      'outside:caliper',
      `${QUESTIONS['outside:caliper']}: 7/8 in`,
    ],
    [
      measured('bore', 'caliper', length('22 mm')),
      { kind: 'bore', instrument: 'caliper', mm: 22 },
      'bore:caliper',
      `${QUESTIONS['bore:caliper']}: 22 mm`,
    ],
    [
      gaugeTried(length('5/8'), 'stops'),
      { kind: 'gauge', mm: 15.875, fits: 'stops' },
      'gauge',
      `Slot of 5/8 in: ${ANSWERS.stops}`,
    ],
    [
      { kind: 'print', entered: 'ASTM F876' },
      { kind: 'print', text: 'ASTM F876' },
      'print',
      `${QUESTIONS.print}: ASTM F876`,
    ],
    [
      { kind: 'print', entered: NO_PRINT },
      { kind: 'print', text: NO_PRINT },
      'print',
      `${QUESTIONS.print}: nothing legible`,
    ],
  ])('%#: goes to the core as it was seen, and reads back in words', (look, observation, question, text) => {
    expect(toObservation(kept(look))).toMatchObject({ id: 'a', ...observation })
    expect(questionOf(kept(look))).toBe(question)
    expect(lookText(kept(look))).toBe(text)
  })

  it('of a thread goes to the core with what it is about', () => {
    expect(
      toThreadObservation(
        kept({ kind: 'thread-count', entered: '7 over 1/2"', about: { threads: 7, overMm: 12.7 } }),
      ),
    ).toEqual({ id: 'a', kind: 'thread-count', threads: 7, overMm: 12.7 })
    expect(
      toThreadObservation(
        kept({ kind: 'thread-taper', entered: '', about: { firstMm: 21, secondMm: 20.2, apartMm: 12 } }),
      ),
    ).toEqual({ id: 'a', kind: 'thread-taper', firstMm: 21, secondMm: 20.2, apartMm: 12 })
    expect(
      toThreadObservation(
        kept({ kind: 'thread-leaf', entered: '14', answer: 'fits', about: { pitchMm: 25.4 / 14, form: 60 } }),
      ),
    ).toEqual({ id: 'a', kind: 'thread-leaf', pitchMm: 25.4 / 14, form: 60, fits: 'fits' })
  })

  it('withdrawn no longer counts, and one of a thread is not one of the pipe', () => {
    expect(
      toObservations([
        kept(signSeen('magnet', 'holds'), 'a'),
        { ...kept(signSeen('magnet', 'no-pull'), 'b'), withdrawn: true },
        kept({ kind: 'thread-sign', sign: 'gender', answer: 'male', entered: 'male' }, 'c'),
      ]).map(({ id }) => id),
    ).toEqual(['a'])
  })
})
