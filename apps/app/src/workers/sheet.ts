import { LETTERS } from '../ui/useFonts'
import { askOnce } from './askOnce'
import type { SheetAnswer, SheetQuestion } from './sheet.worker'

// each kind by itself: of a union only what all have in common would be left
type Unlettered<Question> = Question extends unknown ? Omit<Question, 'letters'> : never

/**
 * Prints a sheet on the phone, or writes a table, off the interface's thread; works without the server.
 *
 * @returns the bytes of a PDF, or of a table
 * @throws Error whose message says what could not be printed
 */
export async function printSheet(question: Unlettered<SheetQuestion>): Promise<Uint8Array> {
  const worker = new Worker(new URL('./sheet.worker.ts', import.meta.url))
  const answer = await askOnce<SheetAnswer>(worker, { ...question, letters: LETTERS })
  if ('bytes' in answer) return answer.bytes
  throw new Error(answer.fault)
}
