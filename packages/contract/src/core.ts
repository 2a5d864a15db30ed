import type {
  Body,
  BodyPort,
  Conditions,
  CutIn,
  DrawRequest,
  EndRef,
  HouseRules,
  IdentifyRequest,
  IdentifyThreadRequest,
  KeptPart,
  LineRequest,
  MateOption,
  MateRequest,
  MateSettings,
  Mouth,
  Observation,
  PlanRequest,
  QuantityKind,
  StepTemplate,
  ThreadObservation,
  WallRequest,
} from '@diarmos/core'
import {
  bodyKind,
  CODE_PROFILES,
  CONTENTS,
  DIMENSIONAL_SYSTEMS,
  endsInPart,
  FAMILIES,
  fitup,
  INSERTS,
  LINE_SERVICES,
  METHOD_IDS,
  MOUNTS,
  mouthOf,
  OLD_JOINT_IDS,
  PIPE_MATERIALS,
  PORT_FORMS,
  PORT_SERVICES,
  ROUNDING,
  ROUTE_IDS,
  SECOND_SIDES,
  THREAD_SYSTEMS,
  TOOL_IDS,
  WORKED_ON_IDS,
} from '@diarmos/core'
import {
  END_FAULTS,
  MEASURING_INSTRUMENTS,
  SERVICES,
  SIGN_ANSWERS,
  THREAD_ANSWERS,
} from '@diarmos/core/answers'
import { OLD_TRAP_IDS } from '@diarmos/core/conditions'
import { z } from 'zod'

/** Longest text anyone may send in one field. */
const LONGEST_TEXT = 400
const text = z.string().max(LONGEST_TEXT)
const key = z.string().min(1).max(160)

/** Lengths that make sense at a stub: more than nothing, less than a bath. */
const lengthMm = z.number().positive().max(2000)
/** The disc of a saw for concrete. */
export const discMm = z.number().min(100).max(1000)
/** The same of what may begin where it is measured from: the rim of a hub. */
const fromRimMm = z.number().min(0).max(2000)
const cents = z.int().min(0).max(10_000_000)

export const unit = z.enum(['in', 'mm'])
export const era = z.enum([
  'before-1940',
  '1940-1965',
  '1965-1978',
  '1978-1995',
  '1995-2010',
  'since-2010',
  'unknown',
])
export const region = z.enum(['north-america', 'metric', 'unknown'])
export const instrument = z.enum(MEASURING_INSTRUMENTS)
export const signKind = z.enum(Object.keys(SIGN_ANSWERS) as (keyof typeof SIGN_ANSWERS)[])
export const threadSign = z.enum(Object.keys(THREAD_ANSWERS) as (keyof typeof THREAD_ANSWERS)[])
export const pipeMaterial = z.enum(PIPE_MATERIALS)
export const endFault = z.enum(END_FAULTS)

const withdrawn = z.boolean().optional()
export const observation = z
  .discriminatedUnion('kind', [
    z.object({
      id: key,
      kind: z.literal('outside'),
      instrument,
      mm: lengthMm,
      resolutionMm: z.number().min(0).max(100),
      withdrawn,
    }),
    z.object({
      id: key,
      kind: z.literal('wall'),
      instrument,
      mm: z.number().positive().max(60),
      resolutionMm: z.number().min(0).max(100),
      withdrawn,
    }),
    z.object({
      id: key,
      kind: z.literal('bore'),
      instrument,
      mm: lengthMm,
      resolutionMm: z.number().min(0).max(100),
      withdrawn,
    }),
    z.object({
      id: key,
      kind: z.literal('gauge'),
      mm: lengthMm,
      fits: z.enum(['goes', 'stops']),
      withdrawn,
    }),
    z.object({ id: key, kind: z.literal('sign'), sign: signKind, answer: key, withdrawn }),
    z.object({ id: key, kind: z.literal('print'), text: text.min(1), withdrawn }),
  ])
  .superRefine((value, context) => {
    if (value.kind === 'sign') {
      const answers: readonly string[] = SIGN_ANSWERS[value.sign]
      if (!answers.includes(value.answer))
        context.addIssue({
          code: 'custom',
          path: ['answer'],
          message: `no answer “${value.answer}” to “${value.sign}”; it is one of ${answers.join(', ')}`,
        })
    }
  }) satisfies z.ZodType<Observation>

const threadMm = z.number().positive().max(200)
export const threadObservation = z
  .discriminatedUnion('kind', [
    z.object({
      id: key,
      kind: z.literal('thread-count'),
      threads: z.number().positive().max(200),
      overMm: threadMm,
      withdrawn,
    }),
    z.object({
      id: key,
      kind: z.literal('thread-leaf'),
      pitchMm: z.number().positive().max(10),
      form: z.union([z.literal(60), z.literal(55)]),
      fits: z.enum(['fits', 'rocks']),
      withdrawn,
    }),
    z.object({
      id: key,
      kind: z.literal('thread-across'),
      instrument: z.enum(['caliper', 'tape']),
      mm: threadMm,
      resolutionMm: z.number().min(0).max(100),
      withdrawn,
    }),
    z.object({
      id: key,
      kind: z.literal('thread-taper'),
      firstMm: threadMm,
      secondMm: threadMm,
      apartMm: threadMm,
      withdrawn,
    }),
    z.object({ id: key, kind: z.literal('thread-sign'), sign: threadSign, answer: key, withdrawn }),
  ])
  .superRefine((value, context) => {
    if (value.kind !== 'thread-sign') return
    const answers: readonly string[] = THREAD_ANSWERS[value.sign]
    if (!answers.includes(value.answer))
      context.addIssue({
        code: 'custom',
        path: ['answer'],
        message: `no answer “${value.answer}” to “${value.sign}”; it is one of ${answers.join(', ')}`,
      })
  }) satisfies z.ZodType<ThreadObservation>

export const identifyThreadRequest = z.object({
  region: region.default('north-america'),
  observations: z.array(threadObservation).max(40),
}) satisfies z.ZodType<IdentifyThreadRequest>

const portForm = z.enum(PORT_FORMS)
const family = z.enum(FAMILIES)
const standing = z.enum(['improvised', 'temporary'])

/** An end named by what decides who can be joined to it. */
export const endRef = z.object({
  form: portForm,
  system: z.enum([...DIMENSIONAL_SYSTEMS, ...THREAD_SYSTEMS]),
  nominal: key,
  material: z.enum([...PIPE_MATERIALS, 'rubber-seated']),
}) satisfies z.ZodType<EndRef>

const ends = z.array(endRef).max(20)
const route = z.enum(ROUTE_IDS)
export const bodyPort = z.object({
  id: key,
  service: z.enum(PORT_SERVICES),
  usual: z.enum(['hot', 'cold']).optional(),
  flow: z.enum(['in', 'out']),
  ends,
  route,
}) satisfies z.ZodType<BodyPort>

/** What goes in, as it is stored with a job: whole, so that no later table changes it. */
export const body = z.object({
  id: key,
  kind: key,
  mount: z.enum(MOUNTS),
  contents: z.array(z.enum(CONTENTS)).max(20),
  ports: z.array(bodyPort).max(20),
  insert: z.enum(INSERTS).optional(),
  stays: z.boolean().optional(),
}) satisfies z.ZodType<Body>

/** Where a line ends: what it is, the ends that will do, what has to stand before them. */
const mouth = z
  .object({ kind: key.optional(), bodyId: key.optional(), held: z.literal(true).optional(), ends, route })
  .refine((value) => value.ends.length > 0 || endsInPart(value.route), {
    path: ['ends'],
    message: 'names no end: only a bib, a cap, a stop or a standpipe is itself the end of its line',
  }) satisfies z.ZodType<Mouth>

/** Requests as they were copied before ends carried their ports: an end was named by a kind, or alone. */
function named(value: unknown, context: z.RefinementCtx): unknown {
  if (typeof value !== 'object' || value === null) return value
  const { fixtureId, fromFixtureId, fromPort, toPort, ...rest } = value as Record<string, unknown>
  const line: Record<string, unknown> = rest
  for (const [field, id] of [
    ['fixtureId', fixtureId],
    ['fromFixtureId', fromFixtureId],
  ] as const) {
    if (id === undefined || id === null) continue
    if (typeof id === 'string' && bodyKind(id)) line[field === 'fixtureId' ? 'to' : 'from'] = mouthOf(id)
    else context.addIssue({ code: 'custom', path: [field], message: 'no kind of fixture is called that' })
  }
  if (toPort !== undefined) line.to = { ends: [toPort], route: 'any' }
  if (fromPort !== undefined) line.from = { ends: [fromPort] }
  return line
}

/** Reads what was copied from older versions too; its type is that of today's. */
const fromOld = <Shape extends z.ZodType>(shape: Shape) =>
  z.preprocess(named as (value: z.input<Shape>, context: z.RefinementCtx) => z.input<Shape>, shape)

export const cutIn = z.object({
  insert: z.enum(INSERTS),
  branch: z.array(endRef).max(20).optional(),
  second: z.object({ at: z.enum(SECOND_SIDES), ends: z.array(endRef).min(1).max(20) }).optional(),
  farMm: lengthMm.nullable(),
  freeMm: z.tuple([z.number().min(0).max(20_000), z.number().min(0).max(20_000)]),
  outMm: z.number().min(0).max(5000).nullable().optional(),
  legsMm: z
    .tuple([z.number().min(0).max(5000), z.number().min(0).max(5000)])
    .nullable()
    .optional(),
  sidewaysMm: z.number().min(0).max(2000),
}) satisfies z.ZodType<CutIn>

export const conditions = z.object({
  service: z.enum(['hot', 'cold', 'waste']),
  flame: z.boolean(),
  line: z.enum(['dry', 'trickle']),
  access: z.enum(['reachable', 'closed-wall', 'buried']),
  stubMm: lengthMm.nullable(),
  plateMm: z.number().min(0).max(80),
  oldJoint: z.enum(OLD_JOINT_IDS),
  thread: z.enum(['NPT', 'BSP', 'none']),
  scored: z.boolean(),
  outOfRound: z.boolean(),
  faults: z.array(endFault).max(END_FAULTS.length).default([]),
  waterSeen: z.boolean(),
  nearHeater: z.boolean(),
  pressurePsi: z.number().min(0).max(600).nullable(),
  stopShape: z.enum(['angle', 'straight', 'either']),
  reachMm: lengthMm.nullable(),
  roomMm: lengthMm.nullable().optional(),
  openingMm: lengthMm.nullable().optional(),
  sunlight: z.boolean().optional(),
  freezing: z.boolean().optional(),
  oldPlate: z.boolean().optional(),
  hardRiser: z.boolean().optional(),
  stopWeeps: z.boolean().optional(),
  wallMm: lengthMm.nullable().optional(),
  turn: z.union([z.literal(0), z.literal(45), z.literal(90)]).optional(),
  outlets: z.union([z.literal(1), z.literal(2)]).optional(),
  spanMm: z.number().positive().max(3000).nullable().optional(),
  airC: z.number().min(-40).max(60).nullable().optional(),
  trapped: z.boolean().optional(),
  slow: z.boolean().optional(),
  unvented: z.boolean().optional(),
  flangeMm: z.number().min(-500).max(500).nullable().optional(),
  rises: z.boolean().optional(),
  roughMm: lengthMm.nullable().optional(),
  bowlMm: lengthMm.nullable().optional(),
  oldTrap: z.enum(OLD_TRAP_IDS).nullable().optional(),
  slabMm: lengthMm.nullable().optional(),
  givesMm: lengthMm.nullable().optional(),
}) satisfies z.ZodType<Conditions>

export const houseRules = z.object({
  pushFitConcealed: z.enum(['allow', 'reachable-only', 'emergency-only']),
  oldStop: z.enum(['cut-behind', 'take-off']),
  threadSeal: z.enum(['tape-then-paste', 'tape', 'paste']),
  fluxOn: z.enum(['both', 'tube-only']),
  compressionNut: z.enum(['dry', 'silicone-trace']),
  recheck: z.enum(['both', 'two-hours', 'next-morning']),
  pushFitClean: z.enum(['wipe', 'abrasive']).optional(),
  stiffener: z.enum(['leave', 'pull']).optional(),
  pushFitReuse: z.enum(['temporary', 'few', 'never']).optional(),
  tapeTurns: z.enum(['three', 'five', 'seven']).optional(),
  cooling: z.enum(['hand', 'ten-minutes']).optional(),
  wallYears: z.enum(['25', '45', '70']).optional(),
  copperType: z.enum(['L', 'M']).optional(),
  oneHole: z.enum(['repair', 'replace']).optional(),
  solderAt: z.enum(['bench', 'place']).optional(),
  twistIn: z.enum(['refuse', 'accept']).optional(),
  flexibleAbove: z.enum(['shielded', 'accept']).optional(),
  badVent: z.enum(['valve', 'wall']).optional(),
  plates: z.enum(['near', 'always']).optional(),
  cure: z.enum(['long', 'short']).optional(),
}) satisfies z.ZodType<HouseRules>

export const methodId = z.enum(METHOD_IDS)
export const toolId = z.enum(TOOL_IDS)

export const mateSettings = z.object({
  labourCentsPerHour: cents,
  tripMinutes: z.number().min(0).max(1000),
  callBackCents: cents,
  familyPriceCents: z.record(key, cents),
  toolCents: z.partialRecord(toolId, cents).optional(),
  priceCents: z.record(key, cents),
  consumableCents: z.record(key, cents),
  jointMinutes: z.partialRecord(methodId, z.number().min(0).max(600)),
  toolsAboard: z.array(toolId),
  partsAboard: z.record(key, z.int().min(0).max(10_000)),
  houseRules,
  codeProfile: z.enum(CODE_PROFILES).optional(),
  amendments: z
    .array(z.object({ ruleId: key, severity: z.enum(['forbid', 'warn', 'note', 'off']), why: text.min(1) }))
    .max(60)
    .optional(),
  layingMm: z.record(key, z.number().min(0).max(500)).optional(),
}) satisfies z.ZodType<MateSettings>

export const identifyRequest = z.object({
  era: era.default('unknown'),
  region: region.default('north-america'),
  service: z.enum(SERVICES).default('unknown'),
  known: z
    .array(
      z.object({
        material: pipeMaterial,
        system: key,
        nominal: key,
        where: z.enum(['same-line', 'same-point', 'same-house']),
      }),
    )
    .max(100)
    .default([]),
  finds: z.partialRecord(pipeMaterial, z.int().min(0).max(100_000)).optional(),
  factors: z.partialRecord(pipeMaterial, z.number().min(0.01).max(100)).optional(),
  observations: z.array(observation).max(60),
  instruments: z.array(instrument).max(10).optional(),
}) satisfies z.ZodType<IdentifyRequest>

const lineShape = z.object({
  lineId: key,
  pipeId: key.optional(),
  from: z
    .object({
      kind: key.optional(),
      bodyId: key.optional(),
      ends: ends.min(1),
    })
    .optional(),
  kept: z.literal('stop').optional(),
  branchOf: key.optional(),
  second: z.literal(true).optional(),
  opens: endRef.optional(),
  to: mouth.optional(),
  cutIn: cutIn.optional(),
  conditions,
})
/** A line whose pipe is still asked for. */
export const openLine = fromOld(
  lineShape.omit({
    pipeId: true,
    from: true,
    kept: true,
    branchOf: true,
    second: true,
    opens: true,
    cutIn: true,
  }),
)

const wholeLine = lineShape.superRefine((line, context) => {
  const one = (names: readonly (keyof typeof line)[], what: string) => {
    const given = names.filter((name) => line[name] !== undefined)
    if (given.length !== 1)
      context.addIssue({
        code: 'custom',
        path: [names[0] as string],
        message: `${what} is named by exactly one of ${names.join(', ')}; here ${given.length === 0 ? 'none is' : given.join(' and ')} given`,
      })
  }
  one(['pipeId', 'from', 'branchOf'], 'the beginning of a line')
  one(['to', 'cutIn'], 'the end of a line')
  if (line.kept && line.from === undefined)
    context.addIssue({
      code: 'custom',
      path: ['kept'],
      message: 'a stop that stays is named by its outlet (from)',
    })
  for (const name of ['opens', 'second'] as const)
    if (line[name] && line.branchOf === undefined)
      context.addIssue({
        code: 'custom',
        path: [name],
        message: 'says which end another line leaves open, and names no such line (branchOf)',
      })
  if (line.cutIn && line.pipeId === undefined)
    context.addIssue({
      code: 'custom',
      path: ['cutIn'],
      message: 'a cut-in needs the pipe of the run (pipeId)',
    })
}) satisfies z.ZodType<LineRequest>
export const lineRequest = fromOld(wholeLine)

/** Lines that are solved together: all of a job, at up to twelve points. */
const MOST_LINES = 48
export const mateRequest = z
  .object({
    lines: z.array(lineRequest).min(1).max(MOST_LINES),
    settings: mateSettings,
    k: z.int().min(1).max(20).optional(),
    improvised: z.boolean().optional(),
  })
  .superRefine(({ lines }, context) => {
    lines.forEach((line, at) => {
      const fault = branchFault(lines, at)
      if (line.branchOf !== undefined && fault)
        context.addIssue({ code: 'custom', path: ['lines', at, 'branchOf'], message: fault })
    })
  }) satisfies z.ZodType<MateRequest>

/** What is wrong with where a line branches off; null where nothing is. */
function branchFault(lines: readonly LineRequest[], at: number): string | null {
  const { branchOf: wanted, second } = lines[at] as LineRequest
  if (!lines.some(({ lineId }) => lineId === wanted)) return `no line of the request is called ${wanted}`
  if (lines.some((line, other) => other < at && line.branchOf === wanted && line.second === second))
    return `what ${wanted} leaves open is taken by another line already`
  if (second && !lines.some(({ lineId, cutIn: cut }) => lineId === wanted && cut?.second))
    return `${wanted} has no second side`
  const seen = new Set<string | undefined>()
  for (let name = wanted; name !== undefined; ) {
    if (seen.has(name)) return 'the lines branch off each other in a circle'
    seen.add(name)
    const next: string = name
    name = lines.find(({ lineId }) => lineId === next)?.branchOf
  }
  return null
}

const reason = z.object({
  ruleId: key,
  severity: z.enum(['forbid', 'warn', 'note']),
  parameters: z.record(z.string(), z.union([z.string(), z.number()])),
  source: z.object({
    title: text,
    table: text.optional(),
    certainty: z.enum(['formula', 'recalled', 'common practice', "maker's sheet"]),
  }),
  change: z
    .enum([
      'flame',
      'dry',
      'access',
      'push-fit-rule',
      'water-seen',
      'stub',
      'smooth',
      'round',
      'sound',
      'straight',
      'thread',
      'away-from-heater',
      'room',
      'opening',
      'shade',
      'plate',
      'tool',
    ])
    .optional(),
})

const vector = z.tuple([z.number(), z.number(), z.number()])
/** What was kept is read as it was written: no list of today shuts out what a table of then called otherwise. */
const kept = z.object({
  material: key,
  heatSensitive: z.boolean(),
  layingMm: z.number(),
  lengthMm: z.object({ min: z.number(), max: z.number(), usual: z.number().optional() }).optional(),
  protects: z.literal(true).optional(),
  shiftMm: z.number().optional(),
  opens: key.optional(),
  source: reason.shape.source,
  ports: z
    .array(
      z.object({
        id: key,
        medium: key,
        form: key,
        system: key,
        nominal: key,
        diameterMm: z.number(),
        boreMm: z.number(),
        material: key,
        pose: z.object({ origin: vector, axis: vector, rollDegrees: z.number() }),
      }),
    )
    .max(6),
  // names that a later release has, and this one does not know, are kept as they are
}) as unknown as z.ZodType<KeptPart>
const acts = z
  .array(
    z.object({
      key,
      kind: key,
      words: key,
      parameters: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
      seconds: z.number().min(0),
      after: z.array(key).optional(),
      passive: z.boolean().optional(),
      flame: z.boolean().optional(),
      heatSensitive: z.boolean().optional(),
      captive: text.optional(),
      onlySoft: z.boolean().optional(),
      needsPlace: z.boolean().optional(),
      afterRemoval: z.boolean().optional(),
      onBench: z.boolean().optional(),
    }),
  )
  // likewise of acts that a later release names
  .max(30) as unknown as z.ZodType<StepTemplate[]>

const removed = z.object({ min: z.number().min(0), max: z.number().min(0) })

export const mateOption = z.object({
  id: z.string().min(1).max(1000),
  removalId: key,
  beginsAt: endRef.optional(),
  removalActs: acts.optional(),
  parts: z
    .array(
      z.object({
        fittingId: key,
        name: text,
        family,
        inPort: z.int().min(0).max(5),
        outPort: z.int().min(0).max(5),
        priceCents: cents,
        aboard: z.boolean(),
        standing: standing.optional(),
        made: kept.optional(),
      }),
    )
    .max(12),
  joints: z
    .array(
      z.object({
        method: methodId,
        from: z.int().min(-1).max(12),
        to: z.int().min(0).max(12),
        system: key,
        nominal: key,
        diameterMm: lengthMm,
        bodyForm: portForm,
        tubeMaterial: key,
        // less than nothing: what a seal makes up for beneath the floor
        minMm: z.number().min(-200).max(200),
        maxMm: z.number().min(0).max(200),
        makeUpSource: reason.shape.source,
        atStub: z.boolean(),
        beforeStop: z.boolean(),
        seal: key,
        tools: z.array(toolId),
        consumables: z.array(z.object({ id: key, quantity: z.number().min(0) })),
        steps: z.array(key),
        reasons: z.array(reason),
        acts: acts.optional(),
      }),
    )
    .min(1)
    .max(12),
  methods: z.array(methodId),
  costs: z.object({
    partsCents: cents,
    consumablesCents: cents,
    labourSeconds: z.number().min(0),
    labourCents: cents,
    setUpCents: cents,
    tripCents: cents,
    riskCents: cents,
    totalCents: cents,
  }),
  // how it was weighed among the others; what was stored long ago may lack this
  criteria: z
    .object({
      priceCents: cents,
      seconds: z.number().min(0),
      waterOffSeconds: z.number().min(0),
      joints: z.int().min(0),
      riskPerMille: z.number().min(0),
      notAboard: z.int().min(0),
    })
    .optional(),
  onFront: z.boolean().optional(),
  worthTrip: z.literal(true).optional(),
  leads: z
    .array(z.enum(['priceCents', 'seconds', 'waterOffSeconds', 'joints', 'riskPerMille', 'notAboard']))
    .optional(),
  waterOffSeconds: z.number().min(0),
  missingParts: z.array(key),
  missingTools: z.array(toolId),
  needsStubMm: z.number().min(0),
  leavesStubMm: z.number().min(0).nullable(),
  removeMm: removed.optional(),
  removeLegsMm: z.tuple([removed, removed]).optional(),
  closes: z
    .object({
      seam: z.int().min(0).max(12),
      by: z.enum(['slide', 'union', 'spring', 'joint', 'fold']),
      needsMm: z.number().min(0),
    })
    .optional(),
  followUp: z.object({ standing, returnDays: z.int().min(0).nullable() }).optional(),
  warnings: z.array(reason),
}) satisfies z.ZodType<MateOption>

/** Storeys of a house, as far as its water goes. */
export const MOST_STOREYS = 12

export const planRequest = z.object({
  jointMinutes: z.partialRecord(methodId, z.number().min(0).max(600)).optional(),
  lines: z
    .array(
      z.object({
        lineId: key,
        material: pipeMaterial.optional(),
        conditions,
        option: mateOption,
        leftLong: z.number().int().min(0).max(30).optional(),
        discMm: discMm.optional(),
        meets: z.object({ from: key.optional(), to: key.optional() }).optional(),
        branchOf: key.optional(),
        second: z.literal(true).optional(),
      }),
    )
    .min(1)
    .max(MOST_LINES),
  bodies: z
    .array(
      z.object({
        id: key,
        contents: z.array(z.enum(CONTENTS)).max(20),
        mount: z.enum(MOUNTS).optional(),
        kind: key.optional(),
        stays: z.boolean().optional(),
      }),
    )
    .max(20)
    .optional(),
  houseRules,
  oldSolder: z.boolean().optional(),
  permit: z.boolean().optional(),
  codeProfile: z.enum(CODE_PROFILES).optional(),
  storeys: z.int().min(1).max(MOST_STOREYS).optional(),
  stopAt: z.string().max(200).optional(),
  people: z.union([z.literal(1), z.literal(2)]).optional(),
}) satisfies z.ZodType<PlanRequest>

/** A place along a line that a tape can be held to. */
export const stationText = z
  .string()
  .regex(/^(wall|stub|tail|beside|part:\d{1,2}:(in|centre|out))$/, 'no place along a line is called this')
const station = stationText.transform((id) => id as fitup.StationId)

export const measurer = z.enum(fitup.MEASURERS)

export const dimension = z.object({
  id: key,
  from: station,
  to: station,
  mm: z.number().positive().max(30_000),
  measurer: measurer.optional(),
  dry: z.boolean().optional(),
}) satisfies z.ZodType<fitup.Dimension>
const dimensions = z.array(dimension).max(40)

const drawShape = z.object({
  pipeId: key.nullable(),
  outline: z
    .array(z.object({ odMm: lengthMm, weight: z.number().min(0).max(1) }))
    .max(80)
    .optional(),
  option: mateOption.nullish(),
  to: z.object({ kind: key.optional(), ends }).nullish(),
  stubMm: fromRimMm.nullish(),
  rises: z.boolean().optional(),
  plateMm: z.number().min(0).max(80).optional(),
  run: z.boolean().optional(),
  unit,
  widthPx: z.number().min(80).max(8000).optional(),
  heightPx: z.number().min(80).max(8000).optional(),
  stage: z.enum(['find', 'fixture', 'mate', 'cut', 'make', 'prove']).optional(),
  dimensions: dimensions.optional(),
  denominator: z.union([z.literal(16), z.literal(32)]).optional(),
}) satisfies z.ZodType<DrawRequest>
export const drawRequest = fromOld(drawShape)

export const layoutRequest = z.object({
  option: mateOption,
  stubMm: fromRimMm.nullable(),
  dimensions,
  cutter: z.enum(fitup.CUTTERS).optional(),
})

const lineBeside = z.object({ option: mateOption, stubMm: fromRimMm, dimensions: dimensions.default([]) })
export const staggerRequest = z.object({
  lines: z.tuple([lineBeside, lineBeside]),
  apartMm: z.number().positive().max(5000),
})

const bare = z.number().min(0).max(30_000)
export const fixedEndsRequest = z.object({
  pipeId: key,
  option: mateOption,
  takeOutMm: bare.nullable(),
  legsMm: z.tuple([bare.nullable(), bare.nullable()]).optional(),
  placeMm: bare.positive().nullable().optional(),
  bareMm: z.tuple([bare.nullable(), bare.nullable()]),
  freeMm: z.tuple([bare, bare]),
  roomMm: bare,
})

export const wallRequest = z.object({
  place: z.enum(WORKED_ON_IDS),
  lines: z
    .array(
      z.object({
        lineId: key,
        service: z.enum(LINE_SERVICES),
        label: text,
        pipeId: key.nullable(),
        fresh: z.boolean(),
        option: mateOption.nullable(),
        route: route.nullable(),
        run: z.boolean(),
        stands: z.boolean().optional(),
        feeds: z.boolean(),
        kept: z.boolean().optional(),
        reachMm: lengthMm.nullable().optional(),
      }),
    )
    .min(1)
    .max(MOST_LINES + 2),
  apartMm: lengthMm.nullable().optional(),
  widthPx: z.number().min(80).max(8000).optional(),
  heightPx: z.number().min(80).max(8000).optional(),
}) satisfies z.ZodType<WallRequest>

export const unitsRequest = z.object({
  text,
  unit: unit.default('in'),
  print: z
    .object({
      unit,
      denominator: z.union([z.literal(16), z.literal(32), z.literal(64)]).optional(),
      quantity: z.enum(Object.keys(ROUNDING) as [QuantityKind, ...QuantityKind[]]).optional(),
    })
    .optional(),
})
