import { v4 as uuid } from 'uuid'
import { create } from 'zustand'
import type { LocalDatabase } from './database'
import { Shelf } from './shelf'
import type { Edit, Refused, SessionResponse } from './types'

const DEVICE = 'diarmos.device'

/** A step that can be taken back, with what it had set: what somebody else changed since stays theirs. */
export interface Undo {
  readonly label: string
  readonly at: number
  readonly edits: readonly (Edit & { readonly expects: Readonly<Record<string, unknown>> })[]
}

export interface DataState {
  readonly status: 'starting' | 'signed-out' | 'ready'
  readonly session: SessionResponse | null
  /** Everything that the phone holds is on the shelf; before that, only what is asked for first. */
  readonly loaded: boolean
  /** The shop has been heard to its end once: what the phone lacks, the shop lacks too. */
  readonly heard: boolean
  /** Counts up with every change of the shelf, so that who looks at it looks again. */
  readonly turn: number
  readonly pending: number
  /** Edits that are being written to the phone: until then no answer counts them. */
  readonly writing: number
  readonly online: boolean
  readonly expired: boolean
  readonly refused: readonly Refused[]
  /** Steps that can be taken back, the last one last. */
  readonly undos: readonly Undo[]
  /** What the server said, or what the phone's own store could not do. */
  readonly fault: string | null
  readonly storeFault: string | null
}

export const shelf = new Shelf()

export const useData = create<DataState>(() => ({
  status: 'starting',
  session: null,
  loaded: false,
  heard: false,
  turn: 0,
  pending: 0,
  writing: 0,
  online: true,
  expired: false,
  refused: [],
  undos: [],
  fault: null,
  storeFault: null,
}))

/** The phone's open store; null while nobody is signed in. */
export const local: { database: LocalDatabase | null; personId: string } = { database: null, personId: '' }

/** Says that the shelf has changed, with what else changed at the same moment. */
export function turned(patch: Partial<DataState> = {}): void {
  useData.setState((state) => ({ ...patch, turn: state.turn + 1 }))
}

/** A new id. */
export const newId = (): string => uuid()

/** Now, as it is stored. */
export const now = (): string => new Date().toISOString()

export function deviceId(): string {
  const known = localStorage.getItem(DEVICE)
  if (known) return known
  const made = uuid()
  localStorage.setItem(DEVICE, made)
  return made
}
