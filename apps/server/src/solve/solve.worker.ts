import type { MessagePort } from 'node:worker_threads'
import { type Done, perform, type Task } from './perform'

/** One task on a thread of its own; says when it begins, for the time limit counts from then. */
export default function solve({ task, begins }: { task: Task; begins: MessagePort }): Promise<Done> {
  begins.postMessage('begins')
  begins.close()
  return perform(task)
}
