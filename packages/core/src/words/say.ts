import { formatLength } from '../units/formatLength'
import type { QuantityKind } from '../units/rounding'
import type { LengthUnit } from '../units/types'

export type Parameters = Readonly<Record<string, string | number>>

/** A sentence with `{name}` for a parameter and `{name:quantity}` for a length in millimetres to be printed. */
export type Sentence = string

/**
 * Fills a sentence. Lengths are printed in the reader's unit and rounded by their kind of quantity.
 *
 * @returns the sentence; a parameter that is not there stays visible as `{name}`, never as an invented value
 */
export function say(sentence: Sentence, parameters: Parameters, unit: LengthUnit): string {
  return sentence.replace(/\{(\w+)(?::([\w-]+))?\}/g, (hole, name: string, quantity?: string) => {
    const value = parameters[name]
    if (value === undefined) return hole
    if (quantity && typeof value === 'number')
      return formatLength(value, { unit, quantity: quantity as QuantityKind })
    return String(value)
  })
}
