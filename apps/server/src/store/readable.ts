import {
  faultsOf,
  liftOperation,
  type OperationRecord,
  operationRecord,
  SCHEMA_VERSION,
} from '@diarmos/contract'

export interface Fault {
  readonly path: string
  readonly message: string
}
export type Read =
  | { readonly operation: OperationRecord; readonly faults?: undefined }
  | { readonly faults: readonly Fault[]; readonly newer?: boolean }

/** Deeper than anything that is stored, shallower than what any parser chokes on. */
const DEEPEST = 40
const LONE_SURROGATE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

function textFault(text: string): string | null {
  if (text.includes('\0')) return 'holds a NUL character'
  return LONE_SURROGATE.test(text) ? 'holds half a character' : null
}

/** The first thing in a value that a database cannot keep, with its place; null where all is well. Not recursive. */
export function unstorable(value: unknown, path: string): Fault | null {
  const open: (readonly [unknown, string, number])[] = [[value, path, 0]]
  for (let next = open.pop(); next; next = open.pop()) {
    const [held, at, depth] = next
    if (typeof held === 'string') {
      const message = textFault(held)
      if (message) return { path: at, message }
    } else if (held && typeof held === 'object') {
      // the beginning says where it lies
      if (depth >= DEEPEST)
        return {
          path: at.split('.').slice(0, 3).join('.'),
          message: `is nested deeper than ${DEEPEST} levels`,
        }
      for (const [key, inner] of Object.entries(held)) {
        const message = textFault(key)
        if (message) return { path: at, message: `has a name that ${message}` }
        open.push([inner, `${at}.${key}`, depth + 1])
      }
    }
  }
  return null
}

/** One operation as it came in: lifted to the present version and checked, by itself. */
export function readOperation(raw: unknown): Read {
  if (!raw || typeof raw !== 'object' || Array.isArray(raw))
    return { faults: [{ path: '(whole)', message: 'is no operation' }] }
  const bad = unstorable(raw, 'operation')
  if (bad) return { faults: [{ ...bad, path: bad.path.replace(/^operation\.?/, '') || '(whole)' }] }
  const { schema } = raw as { schema?: unknown }
  if (typeof schema === 'number' && schema > SCHEMA_VERSION)
    return { faults: [{ path: 'schema', message: 'is newer than this server' }], newer: true }
  const parsed = operationRecord.safeParse(liftOperation(raw as OperationRecord))
  return parsed.success ? { operation: parsed.data } : { faults: faultsOf(parsed.error) }
}
