import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Doc, OperationRecord, Refused } from './types'

interface Shape extends DBSchema {
  docs: { key: [string, string]; value: Doc }
  queue: { key: number; value: OperationRecord }
  refused: { key: string; value: Refused }
  meta: { key: string; value: number | string }
}

export type LocalDatabase = IDBPDatabase<Shape>

/** The phone's own store, one for each person: what is queued outlives signing out. */
export function openLocal(personId: string): Promise<LocalDatabase> {
  return openDB<Shape>(`diarmos-${personId}`, 1, {
    upgrade(database) {
      database.createObjectStore('docs', { keyPath: ['kind', 'id'] })
      database.createObjectStore('queue', { autoIncrement: true })
      database.createObjectStore('refused', { keyPath: 'operation.opId' })
      database.createObjectStore('meta')
    },
  })
}
