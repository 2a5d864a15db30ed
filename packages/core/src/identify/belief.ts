import { materialName, PIPES, pipeName, sizeName } from '../reference/pipes'
import type { Pipe } from '../reference/types'
import { hazards } from './hazards'
import type { SurfaceId } from './instruments'
import {
  type GroupLikelihood,
  outsideModel,
  SURFACE_ENTRIES,
  toReading,
  unevenLikelihood,
  wallModel,
} from './likelihood'
import { logPrintLikelihood } from './print'
import { prior } from './prior'
import { nextQuestions } from './question'
import { answerProbability, isMetal } from './signs'
import type {
  Belief,
  ClassBelief,
  Decide,
  IdentifyRequest,
  MeasuredObservation,
  Observation,
  ObservationEffect,
} from './types'

/** One pipe under one surface, with its share of the posterior. */
export interface Cell {
  readonly pipe: Pipe | null
  readonly surface: SurfaceId
  readonly weight: number
  readonly outside: GroupLikelihood | null
}

/** The right decision must be at least this likely before asking stops. */
export const ENOUGH = 0.97
const DISAGREES = 0.6
/** Pipes less likely than this are not asked what they would decide. */
const DECIDES = 1e-3

/** The part-and-hazard class of a pipe: grades that take the same parts are one. */
export function classIdOf(pipe: Pick<Pipe, 'material' | 'system' | 'nominal'>): string {
  return `${pipe.material}.${pipe.system}.${pipe.nominal}`
}

interface Inference {
  readonly cells: readonly Cell[]
  readonly logEvidence: number
}

/**
 * Exact posterior over pipe × surface. Cost: pipes × surfaces × 2^readings, all small and bounded.
 */
function infer(request: IdentifyRequest, observations: readonly Observation[]): Inference {
  const priors = prior(request)
  const measured = (kind: 'outside' | 'wall') =>
    observations.filter((o): o is MeasuredObservation => o.kind === kind).map(toReading)
  const outside = measured('outside')
  const wall = measured('wall')
  const raw: { pipe: Pipe | null; surface: SurfaceId; log: number; outside: GroupLikelihood | null }[] = []
  for (let index = 0; index <= PIPES.length; index++) {
    const pipe = PIPES[index] ?? null
    const print = observations.reduce(
      (sum, o) => sum + (o.kind === 'print' ? logPrintLikelihood(o.text, pipe) : 0),
      0,
    )
    for (const [surfaceId, surface] of SURFACE_ENTRIES) {
      const share = !pipe
        ? surfaceId === 'clean'
          ? 1
          : 0
        : isMetal(pipe.material)
          ? surface.onMetal
          : surface.onPlastic
      if (share === 0) continue
      let log = Math.log(priors[index] as number) + Math.log(share) + print
      for (const o of observations)
        if (o.kind === 'sign') log += Math.log(answerProbability(o.sign, o.answer, pipe, surfaceId))
      let group: GroupLikelihood | null = null
      if (outside.length > 0) {
        // "None of these" may have any diameter: one broad shift.
        const model = pipe ? outsideModel(pipe, surface) : { mean: 40, shift: 30 ** 2, scatter: 0.04 }
        group = unevenLikelihood(outside, model)
        log += group.log
      }
      if (wall.length > 0) {
        const model = pipe ? wallModel(pipe, surface) : { mean: 3, shift: 4, scatter: 0.01 }
        log += unevenLikelihood(wall, model).log
      }
      raw.push({ pipe, surface: surfaceId, log, outside: group })
    }
  }
  const top = Math.max(...raw.map((cell) => cell.log))
  const total = raw.reduce((sum, cell) => sum + Math.exp(cell.log - top), 0)
  return {
    cells: raw.map(({ pipe, surface, log, outside: group }) => ({
      pipe,
      surface,
      weight: Math.exp(log - top) / total,
      outside: group,
    })),
    logEvidence: top + Math.log(total),
  }
}

function classBeliefs(cells: readonly Cell[], priors: readonly number[]): ClassBelief[] {
  const byPipe = new Map<string, number>()
  for (const cell of cells)
    if (cell.pipe) byPipe.set(cell.pipe.id, (byPipe.get(cell.pipe.id) ?? 0) + cell.weight)
  const groups = new Map<string, { pipes: Pipe[]; prior: number }>()
  PIPES.forEach((pipe, index) => {
    const id = classIdOf(pipe)
    const group = groups.get(id) ?? { pipes: [], prior: 0 }
    group.pipes.push(pipe)
    group.prior += priors[index] as number
    groups.set(id, group)
  })
  return [...groups.entries()]
    .map(([classId, group]) => {
      const first = group.pipes[0] as Pipe
      const pipes = group.pipes
        .map((pipe) => ({ id: pipe.id, name: pipeName(pipe), probability: byPipe.get(pipe.id) ?? 0 }))
        .sort((a, b) => b.probability - a.probability)
      return {
        classId,
        name: `${sizeName(first)} ${materialName(first.material)}`,
        material: first.material,
        system: first.system,
        nominal: first.nominal,
        odMm: first.odMm,
        probability: pipes.reduce((sum, pipe) => sum + pipe.probability, 0),
        prior: group.prior,
        pipes,
      }
    })
    .sort((a, b) => b.probability - a.probability || (a.classId < b.classId ? -1 : 1))
}

/** How much each observation did: the odds of the leading class with it against without it, in bits. */
function effectsOf(
  request: IdentifyRequest,
  observations: readonly Observation[],
  full: Inference,
  leadingClass: string,
): ObservationEffect[] {
  const odds = (cells: readonly Cell[]) => {
    const p = cells.reduce(
      (sum, cell) => sum + (cell.pipe && classIdOf(cell.pipe) === leadingClass ? cell.weight : 0),
      0,
    )
    return Math.log2(Math.max(p, 1e-12) / Math.max(1 - p, 1e-12))
  }
  const withAll = odds(full.cells)
  const readings = observations.filter((o) => o.kind === 'outside')
  return observations.map((observation) => {
    const without = infer(
      request,
      observations.filter((other) => other !== observation),
    )
    const place = readings.indexOf(observation as MeasuredObservation)
    const wild =
      place < 0
        ? 0
        : full.cells.reduce((sum, cell) => sum + cell.weight * (cell.outside?.wild[place] ?? 0), 0)
    return {
      id: observation.id,
      bits: Math.round((withAll - odds(without.cells)) * 100) / 100,
      disagrees: readings.length > 1 && wild > DISAGREES,
    }
  })
}

/**
 * What the pipe is, how sure that is, what to look at next, and which hazards come with it.
 *
 * @param request observations as taken, the era, region and what is known of the house
 * @param decide two pipes with the same decision need not be told apart; default: part-and-hazard class
 * @returns probabilities summing to 1 over classes and "none of these"
 */
export function identify(request: IdentifyRequest, decide?: Decide): Belief {
  const observations = request.observations.filter((observation) => !observation.withdrawn)
  const priors = prior(request)
  const full = infer(request, observations)
  const classes = classBeliefs(full.cells, priors)
  const none = full.cells.reduce((sum, cell) => sum + (cell.pipe ? 0 : cell.weight), 0)
  const weightOf = new Map<string, number>()
  for (const cell of full.cells)
    if (cell.pipe) weightOf.set(cell.pipe.id, (weightOf.get(cell.pipe.id) ?? 0) + cell.weight)
  // a pipe that is all but ruled out cannot tip the balance, and a decision is dear
  const decisionOf = (pipe: Pipe | null): string =>
    pipe === null
      ? 'none'
      : decide && (weightOf.get(pipe.id) ?? 0) > DECIDES
        ? decide(pipe.id)
        : classIdOf(pipe)

  const byDecision = new Map<string, number>()
  for (const cell of full.cells) {
    const key = decisionOf(cell.pipe)
    byDecision.set(key, (byDecision.get(key) ?? 0) + cell.weight)
  }
  const [bestDecision, certainty] = [...byDecision.entries()].reduce((best, entry) =>
    entry[1] > best[1] ? entry : best,
  )
  const leader = classes[0] as ClassBelief
  const raised = hazards(full.cells, request, observations)
  const gasOpen = raised.some((flag) => flag.hazardId === 'gas' && flag.level === 'stop')
  const enough = observations.length > 0 && certainty >= ENOUGH && bestDecision !== 'none' && !gasOpen
  const next = nextQuestions(full.cells, decisionOf, observations, request.instruments, gasOpen)

  const outline = new Map<number, number>()
  for (const entry of classes)
    if (entry.probability > 0.002) outline.set(entry.odMm, (outline.get(entry.odMm) ?? 0) + entry.probability)
  const surface: Record<string, number> = {}
  for (const cell of full.cells) surface[cell.surface] = (surface[cell.surface] ?? 0) + cell.weight

  const second = leader.pipes.filter((pipe) => pipe.probability > 0.02)
  return {
    classes,
    none,
    outline: [...outline.entries()]
      .map(([odMm, weight]) => ({ odMm, weight }))
      .sort((a, b) => b.weight - a.weight),
    surface,
    effects: effectsOf(request, observations, full, leader.classId),
    hazards: raised,
    next,
    enough,
    reason:
      observations.length === 0
        ? { ruleId: 'find.no-observation', parameters: {} }
        : none > leader.probability
          ? { ruleId: 'find.unknown', parameters: { percent: Math.round(none * 100) } }
          : !enough
            ? {
                ruleId: 'find.ask',
                parameters: { name: leader.name, percent: Math.round(leader.probability * 100) },
              }
            : second.length > 1
              ? {
                  ruleId: 'find.enough-same-parts',
                  parameters: {
                    name: leader.name,
                    grades: second.map((p) => p.name.split(', ').at(-1)).join(' or '),
                  },
                }
              : { ruleId: 'find.enough', parameters: { name: leader.name } },
  }
}
