import { IntlMessageFormat } from 'intl-messageformat'
import { formatLength } from '../units/formatLength'
import { type QuantityKind, ROUNDING } from '../units/rounding'
import type { LengthUnit } from '../units/types'

export type Parameters = Readonly<Record<string, string | number>>

/**
 * A message as ICU writes it: `{name}`, `{name, plural, one {…} other {…}}`, `{name, select, …}`. A length in
 * millimetres is `{name, number, quantity}`: printed in the reader's unit, rounded by its kind of quantity.
 */
export type Sentence = string

/** The language that the catalogue is in. */
const LOCALE = 'en'
const QUANTITIES = Object.fromEntries(Object.keys(ROUNDING).map((quantity) => [quantity, { quantity }]))

/** Messages that were read once, by unit: reading one takes longer than filling it. */
const read = new Map<string, IntlMessageFormat>()
/** More than the catalogue has, in both units. */
const MOST = 4000

function messageOf(sentence: Sentence, unit: LengthUnit): IntlMessageFormat {
  const key = `${unit} ${sentence}`
  const known = read.get(key)
  if (known) return known
  const getNumberFormat = (locales?: string | string[], options?: { quantity?: QuantityKind }) =>
    options?.quantity ? lengthFormat(unit, options.quantity) : new Intl.NumberFormat(locales)
  const made = new IntlMessageFormat(sentence, LOCALE, { number: QUANTITIES as never } as never, {
    ignoreTag: true,
    formatters: {
      getNumberFormat: getNumberFormat as never,
      getDateTimeFormat: (...given) => new Intl.DateTimeFormat(...given),
      getPluralRules: (...given) => new Intl.PluralRules(...given),
    },
  })
  if (read.size >= MOST) read.clear()
  read.set(key, made)
  return made
}

const lengthFormat = (unit: LengthUnit, quantity: QuantityKind) => ({
  format: (mm: number | string) =>
    typeof mm === 'number' ? formatLength(mm, { unit, quantity }) : String(mm),
})

/** What is not said stays visible as `{name}`, never as an invented value. */
const holes: ProxyHandler<Parameters> = {
  has: () => true,
  get: (given, name) => (name in given ? given[name as string] : `{${String(name)}}`),
}

/**
 * Fills a message.
 *
 * @returns the sentence; a parameter that is not there stays visible as `{name}`
 */
export function say(sentence: Sentence, parameters: Parameters, unit: LengthUnit): string {
  if (!sentence.includes('{')) return sentence
  return String(messageOf(sentence, unit).format(new Proxy(parameters, holes) as never))
}
