import { router, useLocalSearchParams } from 'expo-router'
import { useMemo } from 'react'
import { RUN_MEASURES } from '../fixture/runMeasures'
import { decodeQuestion, encodeQuestion, type MateQuestion, PLAIN_QUESTION } from './mateLink'

/** What is measured of a run between fixed ends. */
export const LENGTHS = [
  ['nearMm', ...RUN_MEASURES.stubMm],
  ['farMm', ...RUN_MEASURES.farMm],
  ['freeMm', ...RUN_MEASURES.freeMm],
  ['sidewaysMm', ...RUN_MEASURES.sidewaysMm],
] as const

/** The question on the bench, kept in the address alone. */
export function useMateQuestion() {
  const params = useLocalSearchParams<Record<string, string>>()
  const key = JSON.stringify(params)
  const read = useMemo((): { question: MateQuestion; fault: string | null } => {
    try {
      return { question: decodeQuestion(JSON.parse(key) as Record<string, string>), fault: null }
    } catch (error) {
      return { question: PLAIN_QUESTION, fault: (error as Error).message }
    }
  }, [key])
  const set = (patch: Partial<MateQuestion>) => {
    const cleared = Object.fromEntries(
      ['a', 'b', 'into', 'for', 'but', 'outMm', 'placeMm', ...LENGTHS.map(([name]) => name)].map((name) => [
        name,
        undefined,
      ]),
    )
    router.setParams({ ...cleared, ...encodeQuestion({ ...read.question, ...patch }) } as never)
  }
  return { ...read, set }
}
