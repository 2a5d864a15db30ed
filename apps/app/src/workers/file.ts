import type { FileAnswers, FileQuestion } from './file.worker'

/** Makes, reads and compares files of houses, off the interface's thread. */
export function askFile<Kind extends FileQuestion['kind']>(
  question: Extract<FileQuestion, { readonly kind: Kind }>,
): Promise<FileAnswers[Kind]> {
  const worker = new Worker(new URL('./file.worker.ts', import.meta.url))
  return new Promise<FileAnswers[Kind]>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<FileAnswers[Kind]>) => resolve(data)
    worker.onerror = ({ message }) => reject(new Error(message || 'the file could not be read'))
    worker.postMessage(question)
  }).finally(() => worker.terminate())
}
