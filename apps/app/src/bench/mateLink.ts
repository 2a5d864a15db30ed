import { END_KINDS, endOfKind } from '@diarmos/core/words/ends'

/** What goes into a run, or nothing: then the question is from one end to another. */
export const INTOS = ['repair', 'corner', 'tee', 'valve'] as const
export type Into = (typeof INTOS)[number]

/** What a line from one end on is for. */
export const DUTIES = ['join', 'feed', 'stop', 'close'] as const
export type Duty = (typeof DUTIES)[number]

/** A question of the bench: what is mated with what, and what does not hold at the place. */
export interface MateQuestion {
  readonly a: string
  readonly aSize: string
  readonly b: string
  readonly bSize: string
  readonly into: Into | null
  /** Where nothing goes into a run. */
  readonly duty: Duty
  readonly flame: boolean
  readonly dry: boolean
  readonly reach: boolean
  readonly improvised: boolean
  /** Straight bare pipe on each side of the cut, free length to the first clamp, room sideways; mm, null unmeasured. */
  readonly nearMm: number | null
  readonly farMm: number | null
  readonly freeMm: number | null
  readonly sidewaysMm: number | null
  /** How much comes out of the run, mm; null for the least. Of a corner: on this side of it. */
  readonly outMm: number | null
  /** Of a corner: on the other side. */
  readonly farOutMm: number | null
  /** Where what goes in stands, from the cut on this side, mm. */
  readonly placeMm: number | null
}

export const PLAIN_QUESTION: MateQuestion = {
  a: 'copper',
  aSize: '1/2',
  b: 'pex-b',
  bSize: '1/2',
  into: null,
  duty: 'join',
  flame: true,
  dry: true,
  reach: true,
  improvised: false,
  nearMm: null,
  farMm: null,
  freeMm: null,
  sidewaysMm: null,
  outMm: null,
  farOutMm: null,
  placeMm: null,
}

const LENGTHS = ['nearMm', 'farMm', 'freeMm', 'sidewaysMm', 'outMm', 'farOutMm', 'placeMm'] as const
const FLAGS = ['flame', 'dry', 'reach', 'improvised'] as const
const LONGEST_MM = {
  nearMm: 2000,
  farMm: 2000,
  freeMm: 20_000,
  sidewaysMm: 2000,
  outMm: 2000,
  farOutMm: 2000,
  placeMm: 2000,
} as const

export type MateParams = Readonly<Record<string, string>>

/** Whether there is a second end to say. */
export function hasSecond({ into, duty }: Pick<MateQuestion, 'into' | 'duty'>): boolean {
  return into === null && (duty === 'join' || duty === 'feed')
}

/** A question as the parameters of an address, readable by people. What is as usual is left out. */
export function encodeQuestion(question: MateQuestion): MateParams {
  const params: Record<string, string> = { a: `${question.a}~${question.aSize}` }
  if (question.into) params.into = question.into
  else if (question.duty !== 'join') params.for = question.duty
  if (hasSecond(question)) params.b = `${question.b}~${question.bSize}`
  const unusual = FLAGS.filter((flag) => question[flag] !== PLAIN_QUESTION[flag])
  if (unusual.length > 0) params.but = unusual.join('.')
  for (const length of LENGTHS) if (question[length] !== null) params[length] = String(question[length])
  return params
}

/**
 * Reads a question out of an address.
 *
 * @throws Error saying what in the link is of no known kind
 */
export function decodeQuestion(params: Partial<MateParams>): MateQuestion {
  const end = (text: string | undefined, name: string, otherwise: readonly [string, string]) => {
    if (text === undefined) return otherwise
    const [kind = '', size = ''] = text.split('~')
    if (!END_KINDS.some(({ id }) => id === kind))
      throw new Error(`The link names no end that we know: ${name}.`)
    if (!endOfKind(kind, size)) throw new Error(`The link names a size that is not made: ${name}.`)
    return [kind, size] as const
  }
  const [a, aSize] = end(params.a, 'the first', [PLAIN_QUESTION.a, PLAIN_QUESTION.aSize])
  const [b, bSize] = end(params.b, 'the second', [PLAIN_QUESTION.b, PLAIN_QUESTION.bSize])
  const { into } = params
  if (into !== undefined && !INTOS.includes(into as Into))
    throw new Error('The link names nothing that goes into a run.')
  const duty = params.for ?? 'join'
  if (!DUTIES.includes(duty as Duty)) throw new Error('The link does not say what it is for.')
  const unusual = (params.but ?? '').split('.').filter(Boolean)
  if (unusual.some((flag) => !FLAGS.includes(flag as 'flame')))
    throw new Error('The link names a condition that we do not know.')
  const lengths = Object.fromEntries(
    LENGTHS.map((name) => {
      const text = params[name]
      const value = text === undefined ? null : Number(text)
      if (value !== null && !(value > 0 && value <= LONGEST_MM[name]))
        throw new Error('The link holds a length that cannot be.')
      return [name, value]
    }),
  ) as Pick<MateQuestion, (typeof LENGTHS)[number]>
  return {
    ...PLAIN_QUESTION,
    a,
    aSize,
    b,
    bSize,
    into: (into as Into | undefined) ?? null,
    duty: duty as Duty,
    ...Object.fromEntries(unusual.map((flag) => [flag, !PLAIN_QUESTION[flag as (typeof FLAGS)[number]]])),
    ...lengths,
  }
}
