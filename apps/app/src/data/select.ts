import type { PipeMaterial } from '@diarmos/core'
import {
  cutInOf,
  dimensionsFor,
  findingBasis,
  type LineEnds,
  lineEnds,
  matingBasis,
  STAGES,
  type Stage,
  stageOf,
  usualLine,
} from '@diarmos/core/record'
import { useMemo } from 'react'
import { isSupply, type LineService } from '../ui/service'
import { useData } from './store'
import type { Doc, EntityKind } from './types'

/** Documents of a kind that are there, in a steady order. */
export function useDocs<Kind extends EntityKind>(kind: Kind): readonly Doc<Kind>[] {
  const held = useData((state) => state.docs[kind]) as Readonly<Record<string, Doc<Kind>>> | undefined
  return useMemo(
    () =>
      Object.values(held ?? {})
        .filter((doc) => !doc.removed)
        .sort((a, b) => (a.id < b.id ? -1 : 1)),
    [held],
  )
}

export function useDoc<Kind extends EntityKind>(kind: Kind, id: string | undefined): Doc<Kind> | null {
  const doc = useData((state) => (id ? state.docs[kind]?.[id] : undefined)) as Doc<Kind> | undefined
  return doc && !doc.removed ? doc : null
}

/** One line of a job, with everything known of it. */
export interface LineView {
  readonly line: Doc<'line'>
  readonly situation: Doc<'situation'> | null
  readonly observations: readonly Doc<'observation'>[]
  readonly finding: Doc<'finding'> | null
  /** The facts changed since the finding was taken. */
  readonly findingStale: boolean
  readonly mating: Doc<'mating'> | null
  readonly matingStale: boolean
  /** What an earlier job found here. */
  readonly remembered: Doc<'finding'> | null
  readonly ticked: readonly string[]
  /** What was measured along it and holds for the way that is chosen, each pair of places once, the newest. */
  readonly dimensions: readonly Doc<'dimension'>[]
  /** How many more were measured for a way that is no longer chosen. */
  readonly dimensionsElsewhere: number
  /** What it runs between; null while nothing goes in, or nothing that has such a line. */
  readonly ends: LineEnds | null
  /** Where it begins, by id: the pipe that was found, or the end of what goes in; null while neither is known. */
  readonly begins: string | null
}

export interface JobView {
  readonly job: Doc<'job'>
  readonly property: Doc<'property'>
  readonly point: Doc<'point'>
  readonly lines: readonly LineView[]
  /** Of them those that bring water and that this job turns on. */
  readonly supply: readonly LineView[]
  readonly checks: ReadonlyMap<string, Doc<'check'>>
  readonly stage: Stage
}

const SERVICE_ORDER: readonly LineService[] = ['hot', 'cold', 'spout', 'shower', 'drain', 'vent']

const newest = <Kind extends EntityKind>(docs: readonly Doc<Kind>[], by: string): Doc<Kind> | null =>
  docs.reduce<Doc<Kind> | null>((best, doc) => {
    const value = (doc.fields as Record<string, unknown>)[by] as string
    return !best || value > ((best.fields as Record<string, unknown>)[by] as string) ? doc : best
  }, null)

/** Conditions where nothing was said yet. */
export const PLAIN_SITUATION = {
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: null,
  plateMm: 0,
  oldJoint: 'none',
  thread: 'none',
  scored: false,
  outOfRound: false,
  faults: [],
  waterSeen: false,
  nearHeater: false,
  pressurePsi: null,
  stopShape: 'angle',
  reachMm: null,
  roomMm: null,
  sunlight: false,
  freezing: false,
  wallMm: null,
  turn: 0,
  outlets: 1,
  spanMm: null,
  airC: null,
  farMm: null,
  freeMm: null,
  sidewaysMm: null,
} as const

/** What is known of the place at a line, with what was not said yet filled in plainly. */
export function situationOf(view: LineView) {
  const {
    jobId: _job,
    lineId: _line,
    ...fields
  } = { jobId: '', lineId: '', ...PLAIN_SITUATION, ...view.situation?.fields }
  return { ...fields, faults: [...fields.faults] }
}

/** What a line begins at: an old pipe that ends, the mouth of something new, or a run that is cut open. */
export function beginsAt({ ends }: LineView): 'pipe' | 'fresh' | 'run' {
  if (ends === null) return 'pipe'
  return ends.from !== 'pipe' ? 'fresh' : cutInOf(ends.to) ? 'run' : 'pipe'
}

/** The conditions of a supply line as Mate asks for them; null for a line that brings no water. */
export function conditionsOf(view: LineView) {
  const { service } = view.line.fields
  if (!isSupply(service)) return null
  const fields = situationOf(view)
  // water that was seen to run while looking counts here too
  const seen = view.observations.some(
    (doc) => doc.fields.sign === 'carries' && doc.fields.answer === 'water' && !doc.fields.withdrawn,
  )
  // what a mixing valve feeds may run as hot as the hot line
  const water: 'hot' | 'cold' = service === 'cold' ? 'cold' : 'hot'
  // no water has to be seen from a line that begins at the new valve
  const fresh = view.ends !== null && view.ends.from !== 'pipe'
  return { ...fields, waterSeen: fields.waterSeen || seen || fresh, service: water }
}

/** Lines of water that a job turns on: all, or where one is enough for the fixture those that were looked at. */
function supplyOf(lines: readonly LineView[], fixtureId: string | null): readonly LineView[] {
  const water = lines.filter(({ line }) => isSupply(line.fields.service))
  const one = usualLine(fixtureId ?? '')
  if (!one) return water
  const found = water.filter(({ finding }) => finding)
  const seen = water.filter(({ observations }) => observations.length > 0)
  const usual = water.filter(({ line }) => line.fields.service === one)
  return [found, seen, usual].find((some) => some.length > 0) ?? water
}

function pick<T extends { fields: { jobId?: unknown; lineId?: unknown } }>(
  docs: readonly T[],
  lineId: string,
  jobId: string,
): T[] {
  return docs.filter((doc) => doc.fields.lineId === lineId && doc.fields.jobId === jobId)
}

/** Of the distances measured along a line those that hold for the way that is chosen. */
function holding(docs: readonly Doc<'dimension'>[], optionId: string | null): readonly Doc<'dimension'>[] {
  return dimensionsFor(
    docs.map((doc) => ({ ...doc.fields, doc })),
    optionId,
  ).map(({ doc }) => doc)
}

/** Everything a job page shows, derived from the documents; null where there is no such job. */
export function useJob(jobId: string | undefined): JobView | null {
  const job = useDoc('job', jobId)
  const property = useDoc('property', job?.fields.propertyId)
  const point = useDoc('point', job?.fields.pointId)
  const lines = useDocs('line')
  const situations = useDocs('situation')
  const observations = useDocs('observation')
  const findings = useDocs('finding')
  const matings = useDocs('mating')
  const checks = useDocs('check')
  const dimensions = useDocs('dimension')
  return useMemo(() => {
    if (!job || !property || !point) return null
    const ofJob = checks.filter((check) => check.fields.jobId === job.id)
    const latest = new Map<string, Doc<'check'>>()
    for (const check of ofJob) {
      const held = latest.get(check.fields.stepId)
      if (!held || held.fields.at <= check.fields.at) latest.set(check.fields.stepId, check)
    }
    const ticked = [...latest.values()]
      .filter((check) => check.fields.result !== 'undone')
      .map((check) => check.fields.stepId)
    const views = lines
      .filter((line) => line.fields.pointId === point.id)
      .sort((a, b) => SERVICE_ORDER.indexOf(a.fields.service) - SERVICE_ORDER.indexOf(b.fields.service))
      .map((line): LineView => {
        const seen = pick(observations, line.id, job.id).sort((a, b) =>
          a.fields.takenAt < b.fields.takenAt ? -1 : 1,
        )
        const finding = newest(pick(findings, line.id, job.id), 'foundAt')
        const mating = newest(pick(matings, line.id, job.id), 'chosenAt')
        const measured = pick(dimensions, line.id, job.id)
        const ends = job.fields.fixtureId
          ? lineEnds(job.fields.fixtureId, line.fields.service, finding !== null)
          : null
        const view: LineView = {
          line,
          situation: pick(situations, line.id, job.id)[0] ?? null,
          observations: seen,
          finding,
          findingStale:
            finding !== null && finding.fields.basis !== findingBasis(seen.map((doc) => doc.fields)),
          mating,
          matingStale: false,
          remembered: newest(
            findings.filter((doc) => doc.fields.lineId === line.id && doc.fields.jobId !== job.id),
            'foundAt',
          ),
          ticked: ticked.filter((step) => step.startsWith(line.id)),
          dimensions: holding(measured, mating?.fields.optionId ?? null),
          dimensionsElsewhere: measured.filter(
            ({ fields: { optionId, withdrawn } }) =>
              !withdrawn && optionId !== null && optionId !== mating?.fields.optionId,
          ).length,
          ends,
          begins: ends && ends.from !== 'pipe' ? ends.from.fixtureId : (finding?.fields.pipeId ?? null),
        }
        const stale =
          mating !== null &&
          (view.findingStale ||
            view.begins === null ||
            ends === null ||
            mating.fields.basis !== matingBasis(view.begins, ends.to, conditionsOf(view) ?? {}))
        return { ...view, matingStale: stale }
      })
      // a spout or a shower arm is a line of its own only where one goes in
      .filter(
        ({ line, ends }) =>
          ends !== null ||
          !isSupply(line.fields.service) ||
          (job.fields.fixtureId === null && ['hot', 'cold'].includes(line.fields.service)),
      )
    const supply = supplyOf(views, job.fields.fixtureId)
    return {
      job,
      property,
      point,
      lines: views,
      supply,
      checks: latest,
      stage: stageOf({
        closed: job.fields.state === 'closed',
        fixture: job.fields.fixtureId !== null,
        // pipe that is cut is not yet made up
        started: ticked.some((step) => !step.includes('/cut/')),
        // a drain that was looked at beside keeps no job from its end
        lines: supply.map((view) => ({
          lineId: view.line.id,
          finding: view.begins !== null,
          mating: view.mating !== null,
          ticked: view.ticked,
          seams: view.mating?.fields.option.joints.length ?? 0,
        })),
      }),
    }
  }, [job, property, point, lines, situations, observations, findings, matings, checks, dimensions])
}

/** Findings elsewhere in the same house, as the prior takes them. */
export function useKnown(jobView: JobView | null, lineId: string | undefined) {
  const findings = useDocs('finding')
  const lines = useDocs('line')
  const points = useDocs('point')
  return useMemo(() => {
    if (!jobView) return []
    return findings.flatMap((finding) => {
      if (finding.fields.jobId === jobView.job.id) return []
      const line = lines.find((doc) => doc.id === finding.fields.lineId)
      const point = points.find((doc) => doc.id === line?.fields.pointId)
      if (!line || point?.fields.propertyId !== jobView.property.id) return []
      const snapshot = finding.fields.snapshot as {
        classes?: { material: string; system: string; nominal: string }[]
      }
      const found = snapshot.classes?.[0]
      if (!found) return []
      return [
        {
          material: found.material as 'copper',
          system: found.system,
          nominal: found.nominal,
          where:
            line.id === lineId
              ? ('same-line' as const)
              : point.id === jobView.point.id
                ? ('same-point' as const)
                : ('same-house' as const),
        },
      ]
    })
  }, [findings, lines, points, jobView, lineId])
}

/** What this shop found in other houses of the same age: how many lines of each kind. */
export function useFinds(jobView: JobView | null) {
  const findings = useDocs('finding')
  const lines = useDocs('line')
  const points = useDocs('point')
  const properties = useDocs('property')
  return useMemo(() => {
    const counts: Partial<Record<PipeMaterial, number>> = {}
    if (!jobView || jobView.property.fields.era === 'unknown') return counts
    const alike = new Set(
      properties
        .filter((doc) => doc.fields.era === jobView.property.fields.era && doc.id !== jobView.property.id)
        .map((doc) => doc.id),
    )
    const pointsAlike = new Set(points.filter((doc) => alike.has(doc.fields.propertyId)).map((doc) => doc.id))
    for (const line of lines.filter((doc) => pointsAlike.has(doc.fields.pointId))) {
      const found = newest(
        findings.filter((doc) => doc.fields.lineId === line.id),
        'foundAt',
      )
      const snapshot = found?.fields.snapshot as { classes?: { material: PipeMaterial }[] } | undefined
      const material = snapshot?.classes?.[0]?.material
      if (material) counts[material] = (counts[material] ?? 0) + 1
    }
    return counts
  }, [findings, lines, points, properties, jobView])
}

/** The shop's settings; null until they have come. */
export function useSettings(): Doc<'settings'> | null {
  return useDocs('settings')[0] ?? null
}

export { STAGES, type Stage }
