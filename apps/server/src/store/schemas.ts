import { ENTITY_KINDS, type EntityKind, entities } from '@diarmos/contract'
import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm'
import { z } from 'zod'
import type { Stamp } from './merge'

/** A stored document of any kind, as the store hands it out. */
export interface DocumentRow {
  shopId: string
  id: string
  revision: number
  removed: boolean
  clock: string
  removedBy: string | null
  fieldRevisions: Record<string, Stamp>
  conflicts: unknown[]
  [field: string]: unknown
}

export interface PersonRow {
  shopId: string
  id: string
  name: string
  email: string
  role: 'owner' | 'technician' | 'apprentice'
  passwordHash: string
}

export interface SessionRow {
  tokenHash: Buffer
  shopId: string
  personId: string
  createdAt: Date
  expiresAt: Date
}

export interface ShopRow {
  id: string
  name: string
  revision: number
  createdAt: Date
}

export interface OperationRow {
  shopId: string
  opId: string
  revision: number
  personId: string
  deviceId: string
  kind: string
  entityId: string
  patch: Record<string, unknown>
  removes: boolean
  base: number
  generation: string | null
  clock: string
  digest: string | null
  status: string
  deviceAt: Date
  serverAt: Date
}

/** `fieldName` as the database calls it: `field_name`. */
export function columnName(field: string): string {
  return field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)
}

// a bigint comes as text; revisions stay far below 2^53
const whole = {
  to: (value: unknown) => value,
  from: (value: string | null) => (value === null ? null : Number(value)),
}
const instant = {
  to: (value: unknown) => value,
  from: (value: Date | null) => (value instanceof Date ? value.toISOString() : value),
}

/** The column for a field of a document, from its declaration in the contract. */
export function columnOf(field: string, schema: z.ZodType): EntitySchemaColumnOptions {
  const nullable = schema.safeParse(null).success
  const inner = schema instanceof z.ZodNullable ? (schema.unwrap() as z.ZodType) : schema
  const base = { name: columnName(field), nullable }
  if (inner instanceof z.ZodBoolean) return { ...base, type: 'boolean' }
  if (inner instanceof z.ZodNumber) return { ...base, type: 'double precision' }
  if (inner instanceof z.ZodISODateTime) return { ...base, type: 'timestamptz', transformer: instant }
  if (inner instanceof z.ZodUUID) return { ...base, type: 'uuid' }
  if (inner instanceof z.ZodString || inner instanceof z.ZodEnum) return { ...base, type: 'text' }
  return { ...base, type: 'jsonb' }
}

function documentSchema(kind: EntityKind): EntitySchema<DocumentRow> {
  const fields = Object.entries(entities[kind].shape as Record<string, z.ZodType>)
  return new EntitySchema<DocumentRow>({
    name: kind,
    tableName: kind,
    columns: {
      shopId: { type: 'uuid', primary: true, name: 'shop_id' },
      id: { type: 'uuid', primary: true },
      revision: { type: 'bigint', transformer: whole },
      removed: { type: 'boolean', default: false },
      removedBy: { type: 'uuid', name: 'removed_by', nullable: true },
      clock: { type: 'text', default: '' },
      fieldRevisions: { type: 'jsonb', name: 'field_revisions', default: {} },
      conflicts: { type: 'jsonb', default: [] },
      ...Object.fromEntries(fields.map(([field, schema]) => [field, columnOf(field, schema)])),
    },
  })
}

/** The tables of documents, one for each kind of the contract. */
export const documents = Object.fromEntries(
  ENTITY_KINDS.map((kind) => [kind, documentSchema(kind)]),
) as Record<EntityKind, EntitySchema<DocumentRow>>

export const Shop = new EntitySchema<ShopRow>({
  name: 'shop',
  tableName: 'shop',
  columns: {
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    revision: { type: 'bigint', transformer: whole, default: 0 },
    createdAt: { type: 'timestamptz', name: 'created_at', createDate: true },
  },
})

export const Person = new EntitySchema<PersonRow>({
  name: 'person',
  tableName: 'person',
  columns: {
    shopId: { type: 'uuid', primary: true, name: 'shop_id' },
    id: { type: 'uuid', primary: true },
    name: { type: 'text' },
    email: { type: 'text', unique: true },
    role: { type: 'text' },
    passwordHash: { type: 'text', name: 'password_hash' },
  },
})

export const Session = new EntitySchema<SessionRow>({
  name: 'session',
  tableName: 'session',
  columns: {
    tokenHash: { type: 'bytea', primary: true, name: 'token_hash' },
    shopId: { type: 'uuid', name: 'shop_id' },
    personId: { type: 'uuid', name: 'person_id' },
    createdAt: { type: 'timestamptz', name: 'created_at', createDate: true },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
  },
})

export const Operation = new EntitySchema<OperationRow>({
  name: 'operation_log',
  tableName: 'operation_log',
  columns: {
    shopId: { type: 'uuid', primary: true, name: 'shop_id' },
    opId: { type: 'uuid', primary: true, name: 'op_id' },
    revision: { type: 'bigint', transformer: whole },
    personId: { type: 'uuid', name: 'person_id' },
    deviceId: { type: 'text', name: 'device_id' },
    kind: { type: 'text' },
    entityId: { type: 'uuid', name: 'entity_id' },
    patch: { type: 'jsonb' },
    removes: { type: 'boolean' },
    base: { type: 'bigint', transformer: whole },
    generation: { type: 'uuid', nullable: true },
    clock: { type: 'text' },
    digest: { type: 'text', nullable: true },
    status: { type: 'text' },
    deviceAt: { type: 'timestamptz', name: 'device_at' },
    serverAt: { type: 'timestamptz', name: 'server_at', createDate: true },
  },
})
