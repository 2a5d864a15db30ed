import { InvalidRequestError, isOperation, type JobFile, runOperation } from '@diarmos/contract'
import type { LengthUnit } from '@diarmos/core'
import { print, sheetBlocks } from '@diarmos/sheet'
import { fonts } from './fonts'

export type Task =
  | { readonly kind: 'run'; readonly operation: string; readonly body: string }
  | { readonly kind: 'sheet'; readonly file: JobFile; readonly shopName: string; readonly unit: LengthUnit }

export type Done =
  | { readonly kind: 'answer'; readonly json: string }
  | { readonly kind: 'sheet'; readonly pdf: Uint8Array }
  | {
      readonly kind: 'faults'
      readonly status: 400 | 422
      readonly faults: readonly { path: string; message: string }[]
    }

/** Does one task. Requests are read here too, so that no large one is parsed where others wait. */
export async function perform(task: Task): Promise<Done> {
  if (task.kind === 'sheet')
    return {
      kind: 'sheet',
      pdf: await print(
        String(task.file.job.title),
        sheetBlocks(task.file, task.shopName, task.unit),
        fonts(),
      ),
    }
  let request: unknown
  try {
    request = JSON.parse(task.body)
  } catch {
    return { kind: 'faults', status: 400, faults: [{ path: '(whole)', message: 'not JSON' }] }
  }
  try {
    if (!isOperation(task.operation))
      throw new InvalidRequestError([{ path: 'operation', message: `no ${task.operation}` }])
    return { kind: 'answer', json: JSON.stringify(runOperation(task.operation, request)) }
  } catch (error) {
    if (!(error instanceof InvalidRequestError)) throw error
    return { kind: 'faults', status: 422, faults: [...error.faults] }
  }
}
