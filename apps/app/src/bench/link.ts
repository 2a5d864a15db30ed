import type { EntityFields } from '../data/types'
import { type Look, NOTHING_SEEN } from '../find/looks'

/** What the bench is told of the place. */
export interface BenchContext {
  readonly era: EntityFields<'property'>['era']
  readonly region: EntityFields<'property'>['region']
  readonly service: 'cold' | 'hot' | 'drain' | 'vent' | 'unknown'
}
export interface BenchCase {
  readonly context: BenchContext
  readonly looks: readonly Look[]
}

export const PLAIN_CONTEXT: BenchContext = { era: 'unknown', region: 'north-america', service: 'unknown' }
const FORMAT = 1
const LONGEST = 20_000

/** Fields of a look that are worth their place in an address. */
const SAID = [
  'kind',
  'instrument',
  'sign',
  'answer',
  'entered',
  'mm',
  'resolutionMm',
  'unit',
  'about',
  'withdrawn',
] as const

/** A case as text for an address: JSON without what is empty, in base64 that an address can hold. */
export function encodeCase({ context, looks }: BenchCase): string {
  const short = looks.map((look) =>
    Object.fromEntries(
      SAID.map((name) => [name, look[name]]).filter(([, value]) => value !== null && value !== false),
    ),
  )
  const bytes = new TextEncoder().encode(JSON.stringify([FORMAT, context, short]))
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
}

/**
 * Reads a case out of an address. What the looks say is checked by the worker, like any other request.
 *
 * @throws Error saying what is wrong with the link
 */
export function decodeCase(text: string): BenchCase {
  if (text.length > LONGEST) throw new Error('The link is too long to be one of ours.')
  let parsed: unknown
  try {
    const bytes = Uint8Array.from(atob(text.replaceAll('-', '+').replaceAll('_', '/')), (letter) =>
      letter.charCodeAt(0),
    )
    parsed = JSON.parse(new TextDecoder().decode(bytes))
  } catch {
    throw new Error('The link is damaged: part of it is missing.')
  }
  const [format, context, looks] = Array.isArray(parsed) ? parsed : []
  if (format !== FORMAT || typeof context !== 'object' || !Array.isArray(looks))
    throw new Error('The link is of another kind, or of a newer version.')
  return {
    context: { ...PLAIN_CONTEXT, ...(context as Partial<BenchContext>) },
    looks: looks.map((look, index) => ({ ...NOTHING_SEEN, ...(look as Look), id: `look-${index}` })),
  }
}
