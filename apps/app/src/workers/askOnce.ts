/**
 * Asks a worker of its own one question and lets it go.
 *
 * @throws Error with the worker's own words where it died
 */
export function askOnce<Answer>(worker: Worker, question: unknown): Promise<Answer> {
  return new Promise<Answer>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<Answer>) => resolve(data)
    worker.onerror = ({ message }) => reject(new Error(message || 'this could not be worked out here'))
    worker.postMessage(question)
  }).finally(() => worker.terminate())
}
