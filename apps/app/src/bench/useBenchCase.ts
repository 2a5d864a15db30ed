import { router, useLocalSearchParams } from 'expo-router'
import { useCallback, useMemo } from 'react'
import type { NewLook } from '../find/looks'
import { NOTHING_SEEN } from '../find/looks'
import { type BenchCase, type BenchContext, decodeCase, encodeCase, PLAIN_CONTEXT } from './link'

interface Bench extends BenchCase {
  /** What is wrong with the link that was opened; null where it could be read. */
  readonly fault: string | null
  /** Adds a look, in the place of one that was wrong where that is named. */
  readonly addLook: (look: NewLook, replaces?: string | null) => void
  readonly withdraw: (id: string, withdrawn: boolean) => void
  readonly setContext: (patch: Partial<BenchContext>) => void
  readonly clear: () => void
}

/** The case on the bench, kept in the address alone. */
export function useBenchCase(): Bench {
  const { c } = useLocalSearchParams<{ c?: string }>()
  const read = useMemo((): BenchCase & { fault: string | null } => {
    if (!c) return { context: PLAIN_CONTEXT, looks: [], fault: null }
    try {
      return { ...decodeCase(c), fault: null }
    } catch (error) {
      return { context: PLAIN_CONTEXT, looks: [], fault: (error as Error).message }
    }
  }, [c])
  const show = useCallback((next: BenchCase) => router.setParams({ c: encodeCase(next) }), [])
  const { context, looks } = read
  return {
    ...read,
    addLook: (look, replaces = null) => {
      // a second answer to the same question takes the first one's place
      const once = look.kind === 'sign' || look.kind === 'thread-sign' || look.kind === 'print'
      const others = looks.filter(
        (other) =>
          other.id !== replaces && !(once && other.kind === look.kind && other.sign === (look.sign ?? null)),
      )
      show({ context, looks: [...others, { ...NOTHING_SEEN, ...look, id: `look-${others.length}` }] })
    },
    withdraw: (id, withdrawn) =>
      show({ context, looks: looks.map((look) => (look.id === id ? { ...look, withdrawn } : look)) }),
    setContext: (patch) => show({ context: { ...context, ...patch }, looks }),
    clear: () => show({ context, looks: [] }),
  }
}
