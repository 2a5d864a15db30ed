import { problem } from '@diarmos/contract'

const MEANS = {
  400: 'Not JSON',
  401: 'Not signed in',
  403: 'From another site',
  404: 'Nothing of that id in this shop',
  413: 'Too large',
  415: 'Not of a type that is read here',
  421: 'For another host',
  422: 'Faults, each with its place',
  429: 'Too many attempts; `Retry-After` says when to come again',
  503: 'Not now; `Retry-After` says when to come again',
} as const

export type Problem = keyof typeof MEANS

/** Descriptions of the errors that a route may answer with, all in one form (RFC 9457). */
export function problems<Status extends Problem>(...statuses: readonly Status[]) {
  return Object.fromEntries(
    statuses.map((status) => [
      status,
      {
        description: MEANS[status],
        content: { 'application/problem+json': { schema: problem } },
        ...(status === 429 || status === 503
          ? { headers: { 'Retry-After': { schema: { type: 'integer' as const } } } }
          : {}),
      },
    ]),
    // entries forget which status goes with which answer
  ) as unknown as Record<
    Status,
    { description: string; content: { 'application/problem+json': { schema: typeof problem } } }
  >
}
