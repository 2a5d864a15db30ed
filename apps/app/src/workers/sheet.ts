import { LETTERS } from '../ui/useFonts'
import type { SheetAnswer, SheetQuestion } from './sheet.worker'

/**
 * Prints a sheet on the phone, off the interface's thread; works without the server.
 *
 * @returns the bytes of a PDF
 * @throws Error whose message says what could not be printed
 */
export function printSheet(question: Omit<SheetQuestion, 'letters'>): Promise<Uint8Array> {
  const worker = new Worker(new URL('./sheet.worker.ts', import.meta.url))
  return new Promise<Uint8Array>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<SheetAnswer>) =>
      'pdf' in data ? resolve(data.pdf) : reject(new Error(data.fault))
    worker.onerror = ({ message }) => reject(new Error(message || 'the printer stopped'))
    worker.postMessage({ ...question, letters: LETTERS } satisfies SheetQuestion)
  }).finally(() => worker.terminate())
}
