import {
  type Change,
  changesOf,
  type EntityKind,
  FILED,
  filed,
  type HouseFile,
  type Read,
  readHouseFile,
} from '@diarmos/contract'

type Rows = Readonly<Partial<Record<EntityKind, readonly Record<string, unknown>[]>>>

/** A house to be made a file of; the text of one to be read; a file to be held against what is there. */
export type FileQuestion =
  | { readonly kind: 'make'; readonly rows: Rows }
  | { readonly kind: 'read'; readonly text: string }
  | {
      readonly kind: 'compare'
      readonly file: HouseFile
      readonly has: Readonly<Record<string, Record<string, unknown>>>
    }

export interface FileAnswers {
  readonly make: HouseFile
  readonly read: Read
  readonly compare: { readonly changes: readonly Change[]; readonly same: number }
}

// the types of a page are loaded, and this runs in a worker
const scope = self as unknown as {
  onmessage: ((event: MessageEvent<FileQuestion>) => void) | null
  postMessage(message: unknown): void
}

function answer(question: FileQuestion): FileAnswers[FileQuestion['kind']] {
  if (question.kind === 'read') return readHouseFile(question.text)
  if (question.kind === 'compare')
    return changesOf(question.file, (kind, id) => question.has[`${kind} ${id}`] ?? null)
  return {
    format: 'diarmos-house/1',
    documents: Object.fromEntries(
      FILED.map((kind) => [kind, (question.rows[kind] ?? []).map((row) => filed(kind, row))]),
    ),
  }
}

scope.onmessage = ({ data }) => scope.postMessage(answer(data))
