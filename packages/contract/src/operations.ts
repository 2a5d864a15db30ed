import {
  ACCESSORIES,
  type Belief,
  BODY_KINDS,
  bulksOf,
  CATALOG,
  type CloseUp,
  CoreFault,
  cheapestWay,
  classIdOf,
  closeUp,
  deckFit,
  drawJointLine,
  drawWallSheet,
  Effort,
  FAUCET_PATTERNS,
  type FaultCode,
  faultText,
  fitup,
  formatLength,
  HOLE_PATTERNS,
  type HolePattern,
  hazardClassOf,
  identify,
  identifyThread,
  keep,
  MATE_STEPS,
  type MateRequest,
  type MateResult,
  MIXERS,
  mate,
  outsideDiameters,
  parseLength,
  pipeById,
  platesFor,
  RULES,
  SHELF_IDS,
  sequence,
  shortOf,
  type ThreadBelief,
  tableVersions,
  toSvg,
  type WayTimes,
  wayTimes,
  withShelves,
} from '@diarmos/core'
import { z } from 'zod'
import {
  drawRequest,
  fixedEndsRequest,
  identifyRequest,
  identifyThreadRequest,
  layoutRequest,
  mateOption,
  mateRequest,
  mateSettings,
  openLine,
  planRequest,
  staggerRequest,
  unitsRequest,
  wallRequest,
} from './core'

import {
  bendPairsRequest,
  bibRequest,
  cutLengthRequest,
  cuttingPlanRequest,
  depthOf,
  drainLoadRequest,
  heights,
  holeRequest,
  offsetRequest,
  offsets,
  openingRequest,
  pairsOf,
  pieceBetween,
  pitchOf,
  pitchRequest,
  planOf,
  roughInRequest,
  slabOf,
  slabRequest,
  toiletPlace,
  toiletRequest,
  trapOf,
  trapRequest,
  tubWasteOf,
  tubWasteRequest,
  turnedBends,
  turnedRequest,
  valveDepthRequest,
  whereToCutRequest,
} from './fitup'
import { holdOf, holdRequest } from './hold'

/** What a fixture and its conditions ask, so that Find may stop where it no longer matters. */
const decisionContext = z.object({ line: openLine, settings: mateSettings })

export const identifyOperation = identifyRequest.extend({ decideFor: decisionContext.optional() })

/** Steps of the question at hand: all its decisions share them. */
let spent = new Effort(MATE_STEPS)
const effort = () => spent

const decisions = new Map<string, (pipeId: string) => string>()

/** The decision that Mate would take for each pipe, remembered for one set of conditions at a time. */
function decisionFor(context: z.output<typeof decisionContext>): (pipeId: string) => string {
  spent = new Effort(MATE_STEPS)
  const key = JSON.stringify(context)
  const known = decisions.get(key)
  if (known) return known
  const made = new Map<string, string>()
  const decide = (pipeId: string): string => {
    const held = made.get(pipeId)
    if (held) return held
    const pipe = pipeById(pipeId)
    const { option, truncated } = cheapestWay({ ...context.line, pipeId }, context.settings, effort())
    // cut short is no decision: the pipe stands for itself, and nothing is remembered of it
    if (truncated) return pipeId
    // what is bought and done, and what it may carry or bring: pipes that agree in all of it need not be told
    // apart; where nothing fits, only the part-and-hazard class says enough
    const decision = option
      ? [
          option.id,
          ...option.parts.map((part) => part.fittingId),
          pipe ? hazardClassOf(pipe.material) : '',
        ].join('|')
      : pipe
        ? classIdOf(pipe)
        : pipeId
    made.set(pipeId, decision)
    return decision
  }
  decisions.clear()
  decisions.set(key, decide)
  return decide
}

interface Operation<Request extends z.ZodType, Response> {
  readonly summary: string
  readonly request: Request
  readonly run: (request: z.output<Request>) => Response
}

function operation<Request extends z.ZodType, Response>(
  definition: Operation<Request, Response>,
): Operation<Request, Response> {
  return definition
}

/** Everything the core does, by name: the same on the command line, in the worker and on the server. */
export const operations = {
  identify: operation({
    summary: 'What the pipe is, how sure that is, and what to look at next.',
    request: identifyOperation,
    run: ({ decideFor, ...request }): Belief =>
      identify(request, decideFor ? decisionFor(decideFor) : undefined),
  }),
  'identify-thread': operation({
    summary: 'Which thread or connection face it is, and what to measure next.',
    request: identifyThreadRequest,
    run: (request): ThreadBelief => identifyThread(request),
  }),
  mate: operation({
    summary: 'Every sound way from the stub to the fixture, ranked, with reasons and refusals.',
    request: mateRequest,
    run: (request): MateResult => mate(request satisfies MateRequest),
  }),
  sequence: operation({
    summary: 'The order of work and the time for which the water is off.',
    request: planRequest,
    run: sequence,
  }),
  'way-times': operation({
    summary: 'Hands and minutes without water of each way of a line, by the order of work.',
    request: planRequest.omit({ lines: true }).extend({
      line: planRequest.shape.lines.element.omit({ option: true }),
      options: z.array(mateOption).max(40),
    }),
    run: ({ line, options, ...request }): readonly WayTimes[] => wayTimes(line, options, request),
  }),
  'close-up': operation({
    summary:
      'The fastest safe way back to water from where the work stands: what is open, and what closes it.',
    request: z.object({
      plan: planRequest,
      done: z.array(z.string().max(200)).max(2000),
      pipes: z.record(
        z.string().max(80),
        z.object({ pipeId: z.string().max(80), farMm: z.number().positive().max(30_000).nullish() }),
      ),
      settings: mateSettings,
    }),
    run: ({ pipes, ...request }): CloseUp =>
      closeUp({
        ...request,
        pipes: Object.fromEntries(
          Object.entries(pipes).map(([lineId, { pipeId, farMm }]) => [
            lineId,
            // undefined is no run; none measured is one
            farMm === undefined ? { pipeId } : { pipeId, farMm },
          ]),
        ),
      }),
  }),
  keep: operation({
    summary:
      'A way with all that its parts and joints are today, as it is kept when it is chosen; and which tables said so.',
    request: z.object({
      options: z.array(mateOption).min(1).max(12),
      airC: z.number().min(-40).max(60).nullish(),
      jointMinutes: mateSettings.shape.jointMinutes.optional(),
      cure: mateSettings.shape.houseRules.shape.cure,
    }),
    run: ({ options, airC, jointMinutes, cure }) => ({
      options: options.map((option) => keep(option, { airC, jointMinutes, cure })),
      versions: tableVersions(),
    }),
  }),
  draw: operation({
    summary: 'The joint line as a scene in millimetres and as SVG.',
    request: drawRequest,
    run: (request) => {
      const scene = drawJointLine(request)
      return { scene, svg: toSvg(scene) }
    },
  }),
  'draw-wall': operation({
    summary: 'The wall sheet: all lines of a job as who faces the wall sees them, as a scene and as SVG.',
    request: wallRequest,
    run: (request) => {
      const scene = drawWallSheet(request)
      return { scene, svg: toSvg(scene) }
    },
  }),
  catalogue: operation({
    summary: 'Every generic part: id, name, family and laying length in mm.',
    request: z.object({}),
    run: () => CATALOG.map(({ id, name, family, layingMm }) => ({ id, name, family, layingMm })),
  }),
  shelves: operation({
    summary:
      'What service vans carry, shelf by shelf: how much a van is short of it, and the van with it filled up.',
    request: z.object(mateSettings.shape).pick({ toolsAboard: true, partsAboard: true }),
    run: (van) => SHELF_IDS.map((id) => ({ id, short: shortOf(van, id), filled: withShelves(van, [id]) })),
  }),
  diameters: operation({
    summary: 'Outside diameters that pipes are made in, rising, each with the pipes that have it.',
    request: z.object({}),
    run: () => outsideDiameters(),
  }),
  plates: operation({
    summary: 'Wall plates for stubs of some outside diameters, mm: whole and split.',
    request: z.object({ diametersMm: z.array(z.number().positive().max(400)).max(40) }),
    run: ({ diametersMm }) =>
      diametersMm.map((diameterMm) =>
        platesFor({ diameterMm }).map(({ id, name, kind }) => ({ id, name, split: kind === 'plate-split' })),
      ),
  }),
  fixtures: operation({
    summary: 'What can go in: ends of fixtures, faucets by their holes, shower and tub valves.',
    request: z.object({}),
    run: () => ({
      ends: BODY_KINDS,
      faucets: FAUCET_PATTERNS,
      holes: HOLE_PATTERNS,
      mixers: MIXERS,
    }),
  }),
  accessories: operation({
    summary: 'Rings, nuts, stiffeners, wall plates and boxes by size: what goes with a joint and is no seam.',
    request: z.object({}),
    run: () => ACCESSORIES,
  }),
  'deck-fit': operation({
    summary: 'Which faucets sit on the holes that are there, and why the others do not.',
    request: z.object({ holes: z.enum(HOLE_PATTERNS.map(({ id }) => id) as [string, ...string[]]) }),
    run: ({ holes }) => {
      const deck = HOLE_PATTERNS.find(({ id }) => id === holes) as HolePattern
      return FAUCET_PATTERNS.map((faucet) => ({
        id: faucet.id,
        tails: faucet.tails,
        ...deckFit(faucet, deck),
      }))
    },
  }),
  rules: operation({
    summary: 'Every rule that a local amendment may weigh otherwise, and how it is weighed as written.',
    request: z.object({}),
    run: () => RULES.filter((rule) => !rule.fixed).map(({ id, severity }) => ({ id, severity })),
  }),
  offset: operation({
    summary: 'An offset of two bends, simple or rolling: travel, run, roll, and the piece between.',
    request: offsetRequest,
    run: offsets,
  }),
  layout: operation({
    summary: 'Every piece of pipe of a line from what was measured along it, and what to measure next.',
    request: layoutRequest,
    run: ({ option, cutter, ...request }) =>
      fitup.layOut({ ...request, chain: option, ...(cutter ? { cutter } : {}) }),
  }),
  'where-to-cut': operation({
    summary:
      'Where a run is cut, so that the bad pipe comes out and each new joint has its straight bare pipe.',
    request: whereToCutRequest,
    run: fitup.whereToCut,
  }),
  'fixed-ends': operation({
    summary: 'What goes into a run fixed at both ends: what comes out, what slides where, and the order.',
    request: fixedEndsRequest,
    run: ({ pipeId, option, placeMm = null, ...ask }) => {
      const pipe = pipeById(pipeId)
      if (!pipe) throw new CoreFault('no-pipe', { id: pipeId }, ['pipeId'])
      const { odMm, wallMm, material, temper } = pipe
      return fitup.fixedEnds({
        ...ask,
        placeMm,
        pipe: { odMm, wallMm, material, ...(temper === 'soft' ? { soft: true } : {}) },
        chain: option,
      })
    },
  }),
  opening: operation({
    summary: 'Whether a body goes through a hole in the wall, how, and which plate covers it afterwards.',
    request: openingRequest,
    run: fitup.opening,
  }),
  stagger: operation({
    summary:
      'Whether the bodies and wrenches of two lines side by side clear, and by how much to stagger them.',
    request: staggerRequest,
    run: ({ lines: [one, other], apartMm }) =>
      fitup.stagger(
        bulksOf(one.option, one.stubMm, one.dimensions),
        bulksOf(other.option, other.stubMm, other.dimensions),
        apartMm,
      ),
  }),
  'bend-pairs': operation({
    summary: 'The pairs of bends that join two lines as they are measured, the best first.',
    request: bendPairsRequest,
    run: pairsOf,
  }),
  'turned-bends': operation({
    summary: 'What two bends make when the second is turned out of the plane of the first.',
    request: turnedRequest,
    run: turnedBends,
  }),
  trap: operation({
    summary: 'Whether a tubular trap lines up between a drain and the stub in the wall, and what to cut.',
    request: trapRequest,
    run: trapOf,
  }),
  slab: operation({
    summary: 'A drain moved under a slab: trench, trap and riser, and what the disc leaves.',
    request: slabRequest,
    run: slabOf,
  }),
  'tub-waste': operation({
    summary: 'The tubes of a tub’s waste and overflow, from where its drain and its overflow are.',
    request: tubWasteRequest,
    run: tubWasteOf,
  }),
  hole: operation({
    summary:
      'A hole through a stud or plate: its edges, nail plates, and whether it takes too much of the wood.',
    request: holeRequest,
    run: ({ depthMm, centreMm, holeMm, plates }) => fitup.holeInStud(depthMm, centreMm, holeMm, plates),
  }),
  bib: operation({
    summary: 'The length of a frost-free hose bib from the layers of its wall.',
    request: bibRequest,
    run: ({ layers, beyondMm }) => fitup.frostFreeLength(layers, beyondMm),
  }),
  'rough-in': operation({
    summary: 'Usual heights and distances, and where what was measured stands against them.',
    request: roughInRequest,
    run: heights,
  }),
  'cut-length': operation({
    summary: 'The length of a piece of pipe from what was measured, with marks and tolerance.',
    request: cutLengthRequest,
    run: pieceBetween,
  }),
  'cutting-plan': operation({
    summary: 'Which pieces to cut out of which lengths of stock, with the least stock used up.',
    request: cuttingPlanRequest,
    run: planOf,
  }),
  'valve-depth': operation({
    summary:
      'Whether a valve stands deep enough in its wall for the window on its sheet, and what to put behind it.',
    request: valveDepthRequest,
    run: depthOf,
  }),
  toilet: operation({
    summary: 'Rough-in against bowl, flange against floor, slots against wall.',
    request: toiletRequest,
    run: toiletPlace,
  }),
  pitch: operation({
    summary: 'What a run falls, and what a vial reads or a shim is under a level.',
    request: pitchRequest,
    run: pitchOf,
  }),
  'drain-load': operation({
    summary: 'Whether a drain takes all that comes through it, by the units of the code.',
    request: drainLoadRequest,
    run: fitup.drainLoad,
  }),
  hold: operation({
    summary:
      'What moves the gauge of a shut line: a leak, a stop that lets by, warmth, creep or air, and how sure that is.',
    request: holdRequest,
    run: holdOf,
  }),
  units: operation({
    summary: 'Reads a length as people write it, and prints it as a tape reads.',
    request: unitsRequest,
    run: ({ text, unit, print }) => {
      const parsed = parseLength(text, { unit })
      return parsed.ok
        ? { ...parsed, printed: formatLength(parsed.mm, print ?? { unit: parsed.unit }) }
        : parsed
    },
  }),
} as const

export type OperationName = keyof typeof operations
export type OperationRequest<Name extends OperationName> = z.input<(typeof operations)[Name]['request']>
export type OperationResponse<Name extends OperationName> = ReturnType<(typeof operations)[Name]['run']>

/** One fault in a request: where it lies and what is wrong. */
export interface Fault {
  readonly path: string
  readonly message: string
  /** Of a fault that the core found: what it is, for words of the reader's own. */
  readonly code?: FaultCode
  readonly parameters?: Readonly<Record<string, string | number>>
}

/** Thrown for a request that is not what the operation takes, or names what is in no table. */
export class InvalidRequestError extends Error {
  constructor(readonly faults: readonly Fault[]) {
    super(faults.map((fault) => `${fault.path}: ${fault.message}`).join('; '))
    this.name = 'InvalidRequestError'
  }
}

/** Zod's issues as faults with dotted paths. */
export function faultsOf(error: z.ZodError): Fault[] {
  return error.issues.map((issue) => ({
    path: issue.path.length > 0 ? issue.path.join('.') : '(whole)',
    message: issue.message,
  }))
}

export function isOperation(name: string): name is OperationName {
  return Object.hasOwn(operations, name)
}

/**
 * Checks a request and runs it.
 *
 * @throws InvalidRequestError naming every fault and its place
 */
export function runOperation<Name extends OperationName>(
  name: Name,
  request: unknown,
): OperationResponse<Name> {
  // the name chooses request and answer together, which the compiler does not follow
  const { request: schema, run } = operations[name] as unknown as Operation<
    z.ZodType,
    OperationResponse<Name>
  >
  const parsed = schema.safeParse(request)
  if (!parsed.success) throw new InvalidRequestError(faultsOf(parsed.error))
  try {
    return run(parsed.data)
  } catch (error) {
    if (error instanceof CoreFault)
      throw new InvalidRequestError([
        {
          path: error.path.join('.') || '(whole)',
          message: faultText(error),
          code: error.code,
          parameters: error.parameters,
        },
      ])
    throw error
  }
}

/** The JSON Schema of an operation's request. */
export function operationSchema(name: OperationName): unknown {
  return z.toJSONSchema(operations[name].request, { io: 'input', unrepresentable: 'any' })
}
