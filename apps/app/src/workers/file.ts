import { askOnce } from './askOnce'
import type { FileAnswers, FileQuestion } from './file.worker'

/** Makes, reads and compares files of houses, off the interface's thread. */
export function askFile<Kind extends FileQuestion['kind']>(
  question: Extract<FileQuestion, { readonly kind: Kind }>,
): Promise<FileAnswers[Kind]> {
  return askOnce(new Worker(new URL('./file.worker.ts', import.meta.url)), question)
}
