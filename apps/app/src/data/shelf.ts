import type { Doc, EntityFields, EntityKind, Held } from './types'

/** Fields by which documents are asked for together. */
const INDEXED = ['jobId', 'lineId', 'pointId', 'propertyId'] as const
type Indexed = (typeof INDEXED)[number]

const NONE: readonly never[] = []
const byId = (a: { readonly id: string }, b: { readonly id: string }) =>
  a.id < b.id ? -1 : a.id > b.id ? 1 : 0

interface Bucket {
  readonly ids: Map<string, Doc>
  /** In a steady order; made when it is asked for, the same until something in it changes. */
  list: readonly Doc[] | null
}

/** The documents on the screen, by kind and by what they belong to. An edit touches what it changes, and no more. */
export class Shelf {
  private readonly kinds = new Map<string, Bucket>()
  private readonly groups = new Map<string, Bucket>()
  private readonly turns = new Map<string, number>()

  get<Kind extends EntityKind>(kind: Kind, id: string | undefined): Doc<Kind> | null {
    if (id === undefined) return null
    return (this.kinds.get(kind)?.ids.get(id) as Doc<Kind> | undefined) ?? null
  }

  all<Kind extends EntityKind>(kind: Kind): readonly Doc<Kind>[] {
    return listOf(this.kinds.get(kind)) as readonly Doc<Kind>[]
  }

  /** Documents of a kind whose field names something: the looks of a job, the points of a house. */
  of<Kind extends EntityKind>(kind: Kind, field: Indexed, id: string | undefined): readonly Doc<Kind>[] {
    return listOf(this.groups.get(`${kind} ${field} ${id}`)) as readonly Doc<Kind>[]
  }

  /** Puts documents in place of what was there; removed ones leave. */
  put(docs: readonly Doc[]): void {
    for (const doc of docs) {
      this.turns.set(`${doc.kind} ${doc.id}`, (doc as Partial<Held>).turn ?? 0)
      this.putOne(doc.kind, doc.id, doc.removed ? null : doc)
    }
  }

  /** Puts what is not older than what is there: from another tab, or read while edits went on. */
  putLater(docs: readonly Held[]): void {
    for (const doc of docs) {
      const held = this.turns.get(`${doc.kind} ${doc.id}`)
      if (held === undefined || held < doc.turn) this.put([doc])
    }
  }

  drop(kind: EntityKind, id: string): void {
    this.turns.delete(`${kind} ${id}`)
    this.putOne(kind, id, null)
  }

  clear(): void {
    this.kinds.clear()
    this.groups.clear()
    this.turns.clear()
  }

  private putOne(kind: EntityKind, id: string, doc: Doc | null): void {
    const before = this.kinds.get(kind)?.ids.get(id)
    set(this.kinds, kind, id, doc)
    for (const field of INDEXED) {
      const from = before?.fields[field as keyof EntityFields<EntityKind>] as string | undefined
      const to = doc?.fields[field as keyof EntityFields<EntityKind>] as string | undefined
      if (from && from !== to) set(this.groups, `${kind} ${field} ${from}`, id, null)
      if (to) set(this.groups, `${kind} ${field} ${to}`, id, doc)
    }
  }
}

function listOf(bucket: Bucket | undefined): readonly Doc[] {
  if (!bucket) return NONE
  bucket.list ??= [...bucket.ids.values()].sort(byId)
  return bucket.list
}

function set(buckets: Map<string, Bucket>, key: string, id: string, doc: Doc | null): void {
  let bucket = buckets.get(key)
  if (!bucket) {
    if (!doc) return
    bucket = { ids: new Map(), list: null }
    buckets.set(key, bucket)
  }
  if (doc) bucket.ids.set(id, doc)
  else bucket.ids.delete(id)
  bucket.list = null
}
