import { z } from 'zod'
import { ENTITY_KINDS, type EntityKind, entities } from './entities'
import { type JobFile, liftJobFile } from './jobFile'
import { faultsOf } from './operations'
import { LATER_FIELDS } from './sync/versions'

/** Kinds that a file of a house holds: nobody's address, nobody's visits, nothing of the shop itself. */
export const FILED = ENTITY_KINDS.filter(
  (kind) => !['contact', 'visit', 'settings', 'proposal'].includes(kind),
) as readonly EntityKind[]

/** Who answered for something, in the shop that wrote the file: in another it is nobody. */
const PERSONS = ['confirmedBy', 'closedBy'] as const

const idOf = { id: z.uuid() }
/** Every document of a house with its points, jobs and all that belongs to them, by kind. */
export const houseFile = z.object({
  format: z.literal('diarmos-house/1'),
  documents: z.object(
    Object.fromEntries(
      FILED.map((kind) => [kind, z.array(entities[kind].extend(idOf).strict()).max(20_000).default([])]),
      // entries forget which name goes with which list
    ) as unknown as Record<EntityKind, z.ZodArray<z.ZodObject>>,
  ),
})
export interface HouseFile {
  readonly format: 'diarmos-house/1'
  readonly documents: Readonly<Partial<Record<EntityKind, readonly FiledDocument[]>>>
}
/** A document of a file: its fields, and its id. */
export type FiledDocument = Readonly<Record<string, unknown>> & { readonly id: string }

/** Of a stored document what a file keeps: its fields as the schema has them, and its id. */
export function filed(kind: EntityKind, row: Readonly<Record<string, unknown>>): FiledDocument {
  const fields = Object.keys(entities[kind].shape).map((field) => [field, row[field] ?? null])
  return { ...Object.fromEntries(fields), id: String(row.id) }
}

/** A file of one job as a file of its house: the same documents, under their kinds. */
function houseOfJob(file: JobFile): unknown {
  const { job, property, point, more = [], lines, documents } = liftJobFile(file)
  const rows: Partial<Record<EntityKind, readonly Record<string, unknown>[]>> = {
    ...(documents as Partial<Record<EntityKind, Record<string, unknown>[]>>),
    property: [property],
    point: [point, ...more],
    line: lines,
    job: [job],
  }
  return {
    format: 'diarmos-house/1',
    documents: Object.fromEntries(
      FILED.map((kind) => [kind, (rows[kind] ?? []).map((row) => filedLater(kind, row))]),
    ),
  }
}

/** A document from before some field was there, with what that means. */
function filedLater(kind: EntityKind, row: Readonly<Record<string, unknown>>): FiledDocument {
  return filed(kind, { ...LATER_FIELDS[kind], ...row })
}

export type Read =
  | { readonly file: HouseFile; readonly faults?: undefined }
  | {
      readonly file?: undefined
      readonly faults: readonly { readonly path: string; readonly message: string }[]
    }

/**
 * Reads a file of a house or of a job, of any released format. Nothing of it is trusted: every document is checked by
 * its schema, every reference has to lead to a document of the file, and no two have one id.
 *
 * @param text JSON
 * @returns the file, or each fault with its place
 */
export function readHouseFile(text: string): Read {
  let given: unknown
  try {
    given = JSON.parse(text)
  } catch {
    return { faults: [{ path: '(whole)', message: 'is not JSON' }] }
  }
  const format = (given as { format?: unknown } | null)?.format
  const known = typeof format === 'string' ? format : ''
  if (!/^diarmos-(job\/[12]|house\/1)$/.test(known))
    return { faults: [{ path: 'format', message: 'is no file of a job or a house that this program wrote' }] }
  let house: unknown
  try {
    house = known.startsWith('diarmos-job') ? houseOfJob(given as JobFile) : given
  } catch {
    return {
      faults: [{ path: '(whole)', message: 'is a job without its house, its point or its documents' }],
    }
  }
  const read = houseFile.safeParse(house)
  if (!read.success) return { faults: faultsOf(read.error).map(said) }
  // the schema has just judged it; what it types by kind is read here by name
  const file = read.data as unknown as HouseFile
  const faults = astray(file)
  return faults.length > 0 ? { faults } : { file: unsigned(file) }
}

/** A fault as somebody reads it who did not write the file. */
function said({ path, message }: { readonly path: string; readonly message: string }) {
  return {
    path,
    message: /received undefined/.test(message)
      ? 'is missing'
      : /^Unrecognized/.test(message)
        ? 'has something that belongs to nothing'
        : 'is not what belongs there',
  }
}

/** References that lead nowhere, and ids that are there twice. */
function astray({ documents }: HouseFile): { path: string; message: string }[] {
  const ids = new Map<string, EntityKind>()
  const faults: { path: string; message: string }[] = []
  for (const kind of FILED)
    for (const [at, { id }] of (documents[kind] ?? []).entries()) {
      if (ids.has(id)) faults.push({ path: `documents.${kind}.${at}.id`, message: 'is there twice' })
      ids.set(id, kind)
    }
  const kinds = { propertyId: 'property', pointId: 'point', jobId: 'job', lineId: 'line' } as const
  for (const kind of FILED)
    for (const [at, row] of (documents[kind] ?? []).entries())
      for (const [field, wanted] of Object.entries(kinds)) {
        const to = row[field]
        if (typeof to === 'string' && ids.get(to) !== wanted)
          faults.push({
            path: `documents.${kind}.${at}.${field}`,
            message: `leads to no ${wanted} of the file`,
          })
      }
  return faults
}

/** Nobody signs in another shop's name: who takes it in answers for it. */
function unsigned({ format, documents }: HouseFile): HouseFile {
  const plain = (row: FiledDocument): FiledDocument => ({
    ...row,
    ...Object.fromEntries(PERSONS.flatMap((field) => (field in row ? [[field, null]] : []))),
  })
  return {
    format,
    documents: Object.fromEntries(
      Object.entries(documents).map(([kind, rows]) => [kind, (rows ?? []).map(plain)]),
    ),
  }
}

/** What taking a file in would do to what is there. */
export interface Change {
  readonly kind: EntityKind
  readonly id: string
  /** Fields that would change; all of them where there is no such document yet. */
  readonly patch: Readonly<Record<string, unknown>>
  readonly isNew: boolean
}

/**
 * Compares a file with what a shop has, in the order in which documents depend on each other.
 *
 * @param has the fields of a document that is there; null where there is none
 */
export function changesOf(
  { documents }: HouseFile,
  has: (kind: EntityKind, id: string) => Readonly<Record<string, unknown>> | null,
): { readonly changes: readonly Change[]; readonly same: number } {
  const changes: Change[] = []
  let same = 0
  for (const kind of FILED)
    for (const { id, ...fields } of documents[kind] ?? []) {
      const there = has(kind, id)
      const patch = Object.fromEntries(
        Object.entries(fields).filter(([name, value]) => {
          if (!there) return true
          // who answers for it stays, and a picture that the phone has not read is no other picture
          if ((PERSONS as readonly string[]).includes(name) || (kind === 'attachment' && name === 'content'))
            return false
          return ordered(there[name] ?? null) !== ordered(value ?? null)
        }),
      )
      if (there && Object.keys(patch).length === 0) same++
      else changes.push({ kind, id, patch, isNew: there === null })
    }
  return { changes, same }
}

/** A value as text, whatever the order of its names. */
function ordered(value: unknown): string {
  return JSON.stringify(value, (_name, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  )
}
