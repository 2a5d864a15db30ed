import type { Dice } from '../mate/random'

type Schema = {
  readonly type?: string
  readonly const?: unknown
  readonly enum?: readonly unknown[]
  readonly anyOf?: readonly Schema[]
  readonly oneOf?: readonly Schema[]
  readonly allOf?: readonly Schema[]
  readonly $ref?: string
  readonly $defs?: Readonly<Record<string, Schema>>
  readonly properties?: Readonly<Record<string, Schema>>
  readonly required?: readonly string[]
  readonly additionalProperties?: Schema | boolean
  readonly propertyNames?: Schema
  readonly items?: Schema | boolean
  readonly prefixItems?: readonly Schema[]
  readonly minItems?: number
  readonly maxItems?: number
  readonly minimum?: number
  readonly maximum?: number
  readonly exclusiveMinimum?: number
  readonly exclusiveMaximum?: number
  readonly maxLength?: number
  readonly minLength?: number
  readonly format?: string
}

/** What nobody means to send. */
const ODD: readonly unknown[] = [
  null,
  '',
  '\u0000',
  '\ud83d',
  'x'.repeat(5000),
  -1,
  0,
  1e308,
  -1e-9,
  Number.MAX_SAFE_INTEGER,
  true,
  [],
  {},
  [[[[[]]]]],
  { __proto__: null, constructor: 1 },
]

/** Words that mean something, by the field that they stand in. */
export type Vocabulary = Readonly<Record<string, readonly unknown[]>>

const keyOf = (drawn: unknown, count: number) => (typeof drawn === 'string' ? drawn : `k${count}`)

/**
 * A value that a JSON Schema describes, drawn at random, its limits preferred; with `odd`, now and then something else
 * altogether.
 */
export function fromSchema(
  schema: Schema,
  dice: Dice,
  { odd, words }: { readonly odd: number; readonly words: Vocabulary },
  name = '',
  root: Schema = schema,
): unknown {
  const again = (inner: Schema, as = name) => fromSchema(inner, dice, { odd, words }, as, root)
  if (dice.chance(odd)) return dice.pick(ODD)
  if (schema.$ref) {
    const key = schema.$ref.split('/').at(-1) ?? ''
    const target = schema.$ref === '#' ? root : root.$defs?.[key]
    return target ? again(target) : null
  }
  if (schema.const !== undefined) return schema.const
  if (schema.enum) return dice.pick(schema.enum)
  const one = schema.anyOf ?? schema.oneOf
  if (one) return again(dice.pick(one))
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((inner) => again(inner)))
  switch (schema.type) {
    case 'object': {
      const made: Record<string, unknown> = {}
      for (const [key, inner] of Object.entries(schema.properties ?? {}))
        if (schema.required?.includes(key) || dice.chance(0.5)) made[key] = again(inner, key)
      if (typeof schema.additionalProperties === 'object' && !schema.properties)
        for (let count = dice.whole(0, 3); count > 0; count--)
          made[keyOf(schema.propertyNames && again(schema.propertyNames), count)] = again(
            schema.additionalProperties,
          )
      return made
    }
    case 'array': {
      if (schema.prefixItems) return schema.prefixItems.map((inner) => again(inner))
      const least = schema.minItems ?? 0
      const most = Math.min(schema.maxItems ?? 6, dice.chance(0.05) ? 400 : least + 6)
      const inner = typeof schema.items === 'object' ? schema.items : {}
      return Array.from({ length: dice.whole(least, Math.max(least, most)) }, () => again(inner))
    }
    case 'number':
    case 'integer': {
      const low = schema.minimum ?? schema.exclusiveMinimum ?? -1000
      const high = schema.maximum ?? schema.exclusiveMaximum ?? 5000
      const spread = dice.chance(0.7) ? Math.min(high, low + 600) : high
      const value = dice.chance(0.1)
        ? dice.pick([low, high])
        : low + (dice.whole(0, 1_000_000) / 1_000_000) * (spread - low)
      return schema.type === 'integer' ? Math.round(value) : value
    }
    case 'boolean':
      return dice.chance(0.5)
    case 'null':
      return null
    case 'string': {
      const known = words[name]
      if (known && dice.chance(0.9)) return dice.pick(known)
      if (schema.format === 'uuid') return '6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a11'
      if (schema.format === 'date-time') return '2026-11-20T09:00:00.000Z'
      return dice.pick([
        '1/2',
        'a',
        'wall',
        'x y',
        '12 mm',
        '½',
        'ü'.repeat(Math.min(40, schema.maxLength ?? 40)),
      ])
    }
    default:
      return dice.pick(ODD)
  }
}
