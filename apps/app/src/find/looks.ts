import type { OperationRequest } from '@diarmos/contract'
import type { ParsedLength } from '@diarmos/core/units'
import { ANSWERS, QUESTIONS } from '@diarmos/core/words/find'
import { THREAD_ANSWER_WORDS, THREAD_QUESTIONS } from '@diarmos/core/words/threads'
import type { EntityFields } from '../data/types'

/** A look as it is kept: what was asked, with what, and what was entered. */
export type Look = Pick<
  EntityFields<'observation'>,
  | 'kind'
  | 'instrument'
  | 'sign'
  | 'answer'
  | 'entered'
  | 'mm'
  | 'resolutionMm'
  | 'unit'
  | 'about'
  | 'withdrawn'
> & { readonly id: string }
/** A look before it is kept. */
export type NewLook = Pick<Look, 'kind' | 'entered'> & Partial<Look>

type Observation = OperationRequest<'identify'>['observations'][number]
type ThreadObservation = OperationRequest<'identify-thread'>['observations'][number]

export const NOTHING_SEEN = {
  instrument: null,
  sign: null,
  answer: null,
  mm: null,
  resolutionMm: null,
  unit: null,
  about: null,
  withdrawn: false,
} as const

/** A print that was looked for and could not be read: it is not asked for again. */
export const NO_PRINT = '-'

/** A sign that was seen. */
export function signSeen(sign: string, answer: string): NewLook {
  return { kind: 'sign', sign: sign as never, answer, entered: answer }
}

/** How finely each instrument is read, mm: a whole inch tapped on the keypad is 2 and no sixteenths, not about 2. */
const READ_TO_MM: Readonly<Record<string, number>> = {
  caliper: 0.1,
  'screen-gauge': 0.1,
  tape: 25.4 / 16,
  string: 25.4 / 16,
  'paper-strip': 1,
}

/** A length that was measured, as it was entered. */
export function measured(
  kind: 'outside' | 'wall' | 'bore',
  instrument: string,
  length: ParsedLength,
): NewLook {
  return {
    kind,
    instrument: instrument as never,
    entered: length.text,
    mm: length.mm,
    resolutionMm: Math.min(length.resolutionMm, READ_TO_MM[instrument] ?? length.resolutionMm),
    unit: length.unit,
  }
}

/** A slot gauge of that opening, tried over the pipe. */
export function gaugeTried(length: ParsedLength, fits: 'goes' | 'stops'): NewLook {
  return { kind: 'gauge', entered: length.text, mm: length.mm, unit: length.unit, answer: fits }
}

export function isThreadLook(look: Pick<Look, 'kind'>): boolean {
  return look.kind.startsWith('thread')
}

/** A look at a pipe as the core reads it. */
export function toObservation({
  id,
  kind,
  sign,
  answer,
  entered,
  instrument,
  mm,
  resolutionMm,
}: Look): Observation {
  switch (kind) {
    case 'sign':
      return { id, kind, sign: sign as 'magnet', answer: answer ?? '' }
    case 'print':
      return { id, kind, text: entered }
    case 'gauge':
      return { id, kind, mm: mm ?? 0, fits: answer as 'goes' }
    default:
      return {
        id,
        kind: kind as 'outside',
        instrument: instrument as 'caliper',
        mm: mm ?? 0,
        resolutionMm: resolutionMm ?? 0,
      }
  }
}

/** Looks at a pipe that count, as the core reads them. */
export function toObservations(looks: readonly Look[]): Observation[] {
  return looks.filter((look) => !look.withdrawn && !isThreadLook(look)).map(toObservation)
}

/** A look at a thread as the core reads it. */
export function toThreadObservation({
  id,
  kind,
  sign,
  answer,
  instrument,
  mm,
  resolutionMm,
  about,
}: Look): ThreadObservation {
  const number = (name: string) => Number(about?.[name] ?? 0)
  switch (kind) {
    case 'thread-count':
      return { id, kind, threads: number('threads'), overMm: number('overMm') }
    case 'thread-leaf':
      return { id, kind, pitchMm: number('pitchMm'), form: number('form') as 60, fits: answer as 'fits' }
    case 'thread-taper':
      return {
        id,
        kind,
        firstMm: number('firstMm'),
        secondMm: number('secondMm'),
        apartMm: number('apartMm'),
      }
    case 'thread-across':
      return { id, kind, instrument: instrument as 'caliper', mm: mm ?? 0, resolutionMm: resolutionMm ?? 0 }
    default:
      return { id, kind: 'thread-sign', sign: sign as 'gender', answer: answer ?? '' }
  }
}

export function toThreadObservations(looks: readonly Look[]): ThreadObservation[] {
  return looks.filter((look) => !look.withdrawn && isThreadLook(look)).map(toThreadObservation)
}

/** The question behind a look, as `QUESTIONS` has it. */
export function questionOf({ kind, sign, instrument }: Pick<Look, 'kind' | 'sign' | 'instrument'>): string {
  switch (kind) {
    case 'sign':
      return `sign:${sign}`
    case 'thread-sign':
      return `thread-sign:${sign}`
    case 'outside':
    case 'wall':
    case 'bore':
    case 'thread-across':
      return `${kind}:${instrument}`
    default:
      return kind
  }
}

/** A look in words: what was asked and what came of it. */
export function lookText(look: Look): string {
  const key = questionOf(look)
  const question = QUESTIONS[key] ?? THREAD_QUESTIONS[key] ?? look.kind
  const asked = question.endsWith('?') ? question : `${question}:`
  const inches = look.mm !== null && look.unit === 'in' && !look.entered.includes('"') ? ' in' : ''
  const entered = `${look.entered}${inches}`
  switch (look.kind) {
    case 'sign':
      return `${asked} ${ANSWERS[look.answer ?? ''] ?? look.answer}`
    case 'thread-sign':
      return `${asked} ${THREAD_ANSWER_WORDS[look.answer ?? ''] ?? look.answer}`
    case 'print':
      return look.entered === NO_PRINT ? `${asked} nothing legible` : `${asked} ${entered}`
    case 'gauge':
      return `Slot of ${entered}: ${ANSWERS[look.answer ?? ''] ?? look.answer}`
    case 'thread-leaf':
      return `Gauge leaf ${look.entered}: ${THREAD_ANSWER_WORDS[look.answer ?? ''] ?? look.answer}`
    default:
      return `${asked} ${entered}`
  }
}
