import { KEPT_STOP_IDS, LINE_SERVICES, WORKED_ON_IDS } from '@diarmos/core'
import { OLD_TRAP_IDS } from '@diarmos/core/conditions'
import { z } from 'zod'
import {
  body,
  conditions,
  endFault,
  era,
  instrument,
  MOST_STOREYS,
  mateOption,
  mateSettings,
  measurer,
  pipeMaterial,
  region,
  signKind,
  stationText,
  threadSign,
  unit,
} from './core'
import { onRun } from './fitup'
import { SCHEMA_VERSION } from './sync'

const id = z.uuid()
const line = z.string().trim().min(1).max(160)
const optionalLine = z.string().trim().max(200)
const prose = z.string().max(4000)
const instant = z.iso.datetime()
/** A distance in a room, mm; null until it is measured. */
const away = z.number().min(0).max(3000).nullable()
/** A snapshot kept as it was made: bounded, otherwise free. */
const snapshot = z.record(z.string(), z.unknown())

/** What a customer says to what is advised. */
export const ADVICE_ANSWERS = ['taken', 'later', 'refused'] as const
/** What a picture is kept for. */
export const PICTURED = ['found', 'left', 'signature'] as const

/**
 * Every stored document: its fields, and which of them it cannot do without when it is made.
 * The order is that of dependence: what comes later may refer to what comes before.
 */
export const entities = {
  property: z.object({
    label: line,
    street: optionalLine,
    town: optionalLine,
    era,
    region,
    note: prose,
    /** Storeys that its water runs empty from; null while nobody has said it. */
    storeys: z.int().min(1).max(MOST_STOREYS).nullable(),
    /** Where its own stop is. */
    stopAt: optionalLine,
  }),
  contact: z.object({ propertyId: id, name: line, phone: optionalLine, email: optionalLine }),
  point: z.object({
    propertyId: id,
    name: line,
    /** What is worked on there. */
    kind: z.enum(WORKED_ON_IDS),
  }),
  line: z.object({
    pointId: id,
    service: z.enum(LINE_SERVICES),
  }),
  job: z.object({
    propertyId: id,
    pointId: id,
    title: line,
    state: z.enum(['open', 'closed']),
    /** What goes in; none while nobody has said it. */
    fixtures: z.array(body).max(20),
    /** Further points of the house that are worked on in the same job, and what goes in there. */
    more: z.array(z.object({ pointId: id, fixtures: z.array(body).max(20) })).max(11),
    openedAt: instant,
    closedAt: instant.nullable(),
    /** Who closed it; the server sees to it that nobody writes in another person's name. */
    closedBy: id.nullable(),
    note: prose,
    /** A permit is open: what will be covered is inspected first. */
    permit: z.boolean(),
    /** What was advised, and what the customer said to it. */
    advice: z
      .array(
        z.object({
          id,
          text: z.string().trim().min(1).max(400),
          answer: z.enum(ADVICE_ANSWERS),
          at: instant,
        }),
      )
      .max(40),
    /** How long the shop stands by the work, from the day it was closed; null while nobody has said it. */
    warranty: z.object({ months: z.int().min(0).max(120), note: z.string().trim().max(160) }).nullable(),
  }),
  visit: z.object({ jobId: id, personId: id, startedAt: instant, endedAt: instant.nullable() }),
  situation: conditions
    // how near the edge of a hole is follows from the hole
    .omit({ service: true, openingMm: true })
    // without the default that requests have: an edit of something else must not touch it
    .extend({
      jobId: id,
      lineId: id,
      faults: z.array(endFault).max(20),
      roomMm: z.number().positive().max(2000).nullable(),
      sunlight: z.boolean(),
      freezing: z.boolean(),
      oldPlate: z.boolean(),
      hardRiser: z.boolean(),
      stopWeeps: z.boolean(),
      wallMm: z.number().positive().max(2000).nullable(),
      turn: z.union([z.literal(0), z.literal(45), z.literal(90)]),
      outlets: z.union([z.literal(1), z.literal(2)]),
      spanMm: z.number().positive().max(3000).nullable(),
      airC: z.number().min(-40).max(60).nullable(),
      trapped: z.boolean(),
      slow: z.boolean(),
      unvented: z.boolean(),
      flangeMm: z.number().min(-500).max(500).nullable(),
      rises: z.boolean(),
      roughMm: z.number().positive().max(2000).nullable(),
      bowlMm: z.number().positive().max(2000).nullable(),
      oldTrap: z.enum(OLD_TRAP_IDS).nullable(),
      slabMm: z.number().positive().max(2000).nullable(),
      givesMm: z.number().positive().max(2000).nullable(),
      /** For a run that is cut open: bare pipe on its far side, free pipe to a clamp, room beside it. */
      farMm: z.number().positive().max(5000).nullable(),
      freeMm: z.number().positive().max(30_000).nullable(),
      sidewaysMm: z.number().positive().max(5000).nullable(),
      /** What was measured round a trap, mm. */
      trap: z.object({ outMm: away, asideMm: away, drainMm: away, stubMm: away }).nullable(),
      /** Of a trench in a slab, mm: down to the middle of the old pipe, the saw's disc, up to the mouth of the drain. */
      slab: z
        .object({ deepMm: away, discMm: away, aboveMm: z.number().min(-1000).max(1000).nullable() })
        .nullable(),
      /** Of a tub, mm: its drain to the middle of the overflow, along and up; of a shower how wide its pan is. */
      tub: z.object({ outMm: away, highMm: away, widthMm: away }).nullable(),
      /** That somebody has looked how the old stop is joined: bare is not the same as not said. */
      oldJointSeen: z.boolean(),
      /** The old stop stays: which outlet it has; null where it goes. */
      stopOutlet: z.enum(KEPT_STOP_IDS).nullable(),
      /** What hangs on a run near the place where it is cut, and how much of it is bad, mm. */
      onRun: z.object({ badMm: away, things: z.array(onRun).max(12) }).nullable(),
      /** The hole in the wall that is worked through, what goes into it and what covers it, mm. */
      opening: z
        .object({
          leftMm: away,
          rightMm: away,
          upMm: away,
          downMm: away,
          brokenMm: away,
          behindMm: away,
          acrossMm: away,
          tallMm: away,
          deepMm: away,
          trimMm: away,
        })
        .nullable(),
      /** The wall that a valve stands in, mm. */
      valveWall: z
        .object({
          studMm: away,
          boardMm: away,
          mortarMm: away,
          tileMm: away,
          middleMm: away,
          leastMm: away,
          mostMm: away,
          betweenMm: away,
          widthMm: away,
          drainMm: away,
        })
        .nullable(),
    }),
  observation: z.object({
    jobId: id,
    lineId: id,
    kind: z.enum([
      'outside',
      'wall',
      'bore',
      'gauge',
      'sign',
      'print',
      'thread-count',
      'thread-leaf',
      'thread-across',
      'thread-taper',
      'thread-sign',
    ]),
    instrument: instrument.nullable(),
    sign: z.enum([...signKind.options, ...threadSign.options]).nullable(),
    answer: z.string().max(160).nullable(),
    /** As it was entered. */
    entered: z.string().max(400),
    mm: z.number().positive().max(2000).nullable(),
    resolutionMm: z.number().min(0).max(100).nullable(),
    unit: unit.nullable(),
    /** What a kind of look needs besides: threads and length of a count, leaf of a gauge, two diameters of a taper. */
    about: z.record(z.string().max(40), z.union([z.number(), z.string().max(80)])).nullable(),
    withdrawn: z.boolean(),
    takenAt: instant,
  }),
  finding: z.object({
    jobId: id,
    lineId: id,
    pipeId: line,
    name: line,
    probability: z.number().min(0).max(1),
    /** What it was derived from: when that changes, the finding is stale. */
    basis: z.string().max(4000),
    snapshot,
    foundAt: instant,
    confirmedBy: id.nullable(),
  }),
  mating: z.object({
    jobId: id,
    lineId: id,
    optionId: z.string().max(1000),
    option: mateOption,
    settings: mateSettings.nullable(),
    basis: z.string().max(4000),
    versions: z.record(z.string(), z.string()),
    chosenAt: instant,
    confirmedBy: id.nullable(),
  }),
  /** A distance measured along a line, from one place of it to another. */
  dimension: z.object({
    jobId: id,
    lineId: id,
    /** The way whose parts it was held to; none where it was held to what stays whichever way is chosen. */
    optionId: z.string().max(1000).nullable(),
    from: stationText,
    to: stationText,
    /** As it was entered. */
    entered: z.string().max(400),
    mm: z.number().positive().max(30_000),
    resolutionMm: z.number().min(0).max(100),
    unit,
    measurer,
    dry: z.boolean(),
    withdrawn: z.boolean(),
    takenAt: instant,
  }),
  check: z.object({
    jobId: id,
    lineId: id.nullable(),
    stepId: line,
    /** The way whose step it is; none for what is no line's. */
    optionId: z.string().min(1).max(1000).nullable(),
    result: z.enum(['done', 'dry', 'wet', 'undone']),
    at: instant,
    note: prose,
    /** What a gauge showed while a line was held: seconds from the first, kPa. */
    readings: z
      .array(z.object({ seconds: z.number().min(0).max(1e6), kPa: z.number().min(0).max(5000) }))
      .max(200),
  }),
  attachment: z.object({
    jobId: id,
    lineId: id.nullable(),
    name: line,
    /** What it shows: as it was found, as it was left, or who signed for what was agreed. */
    about: z.enum(PICTURED),
    mediaType: z.enum(['image/jpeg', 'image/png', 'text/plain']),
    /** Base64; pictures are made small before they are kept. Empty in the stream: each has its own address. */
    content: z.string().max(400_000),
    takenAt: instant,
  }),
  settings: z.object({
    name: line,
    zone: line,
    unit,
    region,
    mate: mateSettings,
    /** What the shop's prices are in, as ISO 4217 has it. */
    currency: z.string().regex(/^[A-Z]{3}$/),
    /** The shop's corrections of what is usual, by era: kinds so many times commoner than the tables say. */
    expected: z.partialRecord(era, z.partialRecord(pipeMaterial, z.number().min(0.01).max(100))),
  }),
  /** An apprentice's edit that waits for an owner's or a technician's word. The server writes it; others decide it. */
  proposal: z.object({
    jobId: id.nullable(),
    kind: line,
    entityId: id,
    patch: snapshot,
    removes: z.boolean(),
    byId: id,
    state: z.enum(['open', 'taken', 'declined']),
    decidedBy: id.nullable(),
    proposedAt: instant,
  }),
} as const

export type EntityKind = keyof typeof entities
export type EntityFields<Kind extends EntityKind> = z.output<(typeof entities)[Kind]>
export const ENTITY_KINDS = Object.keys(entities) as EntityKind[]
const entityKind = z.enum(ENTITY_KINDS as [EntityKind, ...EntityKind[]])

/** One edit, made once and applied once. Older versions are lifted before they are checked. */
export const operationRecord = z.object({
  opId: id,
  deviceId: z.string().min(1).max(80),
  kind: entityKind,
  id,
  /** Fields that change; empty for a deletion. */
  patch: z.record(z.string().max(80), z.unknown()),
  remove: z.boolean().default(false),
  /** Revision of the shop up to which the device had seen everything, or that of the document where it is later. */
  base: z.int().min(0),
  /** Generation of the database that `base` counts in; null where an old device did not know of any. */
  generation: id.nullable(),
  /** By field, the device's own last edit of it that the document on the screen held; null from an old device. */
  prior: z.record(z.string().max(80), id).nullable(),
  /** Hybrid logical clock of the device. */
  clock: z.string().regex(/^[0-9a-z]{10}-[0-9a-z]{4}-.{1,8}$/),
  schema: z.literal(SCHEMA_VERSION),
  at: instant,
})
export type OperationRecord = z.output<typeof operationRecord>

export const syncRequest = z.object({
  /** What the phone's cursor counts in; null on its first exchange, and from old phones. */
  generation: id.nullable().default(null),
  since: z.int().min(0),
  /** Each is checked by itself: one with a fault takes no other with it. */
  operations: z.array(z.unknown()).max(200),
})

/** A field that was changed twice, from the same beginning: both are kept, and someone is asked. */
export const fieldConflict = z.object({
  field: z.string(),
  theirs: z.unknown(),
  mine: z.unknown(),
  opId: id,
  at: instant,
  /** When it was noticed: who edits later has seen it. */
  revision: z.int().min(0).default(0),
})
export type FieldConflict = z.output<typeof fieldConflict>

export const syncResponse = z.object({
  /** The phone's own generation where all goes on; another one tells it to read everything anew and to send again. */
  generation: id,
  /** One for each operation, in their order. */
  results: z.array(
    z.object({
      opId: z.string(),
      /** `later`: not decided yet, the phone keeps it and sends it again. `proposed`: waits for somebody's word. */
      status: z.enum(['applied', 'repeated', 'conflict', 'proposed', 'rejected', 'later']),
      revision: z.int(),
      faults: z.array(z.object({ path: z.string(), message: z.string() })),
    }),
  ),
  changes: z.array(
    z.object({
      kind: entityKind,
      id,
      revision: z.int(),
      removed: z.boolean(),
      clock: z.string(),
      fields: z.record(z.string(), z.unknown()),
      conflicts: z.array(fieldConflict),
    }),
  ),
  cursor: z.int(),
  more: z.boolean(),
})
export type SyncResponse = z.output<typeof syncResponse>

export const signInRequest = z.object({
  email: z.email().max(200),
  password: z.string().min(1).max(200),
})
/** What the owner of a new shop says, with the one-time word of the link. */
export const setUpRequest = z.object({
  token: z.string().min(1).max(200),
  shop: line,
  name: line,
  email: z.email().max(200),
  password: z.string().min(10).max(200),
  zone: line,
  currency: z.string().regex(/^[A-Z]{3}$/),
})
export type SetUpRequest = z.output<typeof setUpRequest>

export const sessionResponse = z.object({
  person: z.object({ id, name: z.string(), role: z.enum(['owner', 'technician', 'apprentice']) }),
  shop: z.object({ id, name: z.string() }),
})
export type SessionResponse = z.output<typeof sessionResponse>

/** RFC 9457, with every fault named. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string().optional(),
  faults: z
    .array(
      z.object({
        path: z.string(),
        message: z.string(),
        code: z.string().optional(),
        parameters: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
      }),
    )
    .optional(),
})
export type Problem = z.output<typeof problem>
