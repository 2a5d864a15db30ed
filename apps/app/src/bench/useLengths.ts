import { router, useLocalSearchParams } from 'expo-router'
import { decodeLengths, encodeLengths } from './lengths'

/** Lengths that stand in the address alone, and what is wrong with the link where they cannot be read. */
export function useLengths(count: number) {
  const { mm } = useLocalSearchParams<{ mm?: string }>()
  let lengths: (number | null)[] = Array.from({ length: count }, () => null)
  let fault: string | null = null
  try {
    lengths = decodeLengths(mm, count)
  } catch (error) {
    fault = (error as Error).message
  }
  const set = (index: number, value: number | null) =>
    router.setParams({ mm: encodeLengths(lengths.map((held, at) => (at === index ? value : held))) })
  return { lengths, fault, set }
}
