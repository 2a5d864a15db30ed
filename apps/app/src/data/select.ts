import type { DimensionalSystem, PipeMaterial } from '@diarmos/core'
import { calledAfter, STAGES, type Stage } from '@diarmos/core/record'
import { useMemo } from 'react'
import { beginsAt, type JobView, jobViewOf, type LineView, newest } from './jobView'
import { shelf, useData } from './state'
import type { Doc, EntityKind } from './types'

export {
  alike,
  asksOldJoint,
  beginsAt,
  conditionsOf,
  inFront,
  isDrain,
  isSecond,
  type JobView,
  joinedAlike,
  keepsStop,
  kindsOf,
  type LineView,
  newest,
  type PointView,
  pointName,
  pointNames,
  pointOf,
  situationOf,
  staysBehind,
} from './jobView'

/** Documents of a kind that are there, in a steady order. */
export function useDocs<Kind extends EntityKind>(kind: Kind): readonly Doc<Kind>[] {
  return useData(() => shelf.all(kind))
}

/** Those of a kind that belong to something. */
export function useDocsOf<Kind extends EntityKind>(
  kind: Kind,
  field: Parameters<typeof shelf.of>[1],
  id: string | undefined,
): readonly Doc<Kind>[] {
  return useData(() => shelf.of(kind, field, id))
}

export function useDoc<Kind extends EntityKind>(kind: Kind, id: string | undefined): Doc<Kind> | null {
  return useData(() => shelf.get(kind, id))
}

/** Everything a job page shows, derived from the documents; null where there is no such job. */
export function useJob(jobId: string | undefined): JobView | null {
  return useData(() => jobViewOf(shelf, jobId))
}

type Found = { readonly material: PipeMaterial; readonly system: string; readonly nominal: string }

/** What a finding says the pipe most likely is. */
function leader(finding: Doc<'finding'> | null): Found | undefined {
  return (finding?.fields.snapshot as { classes?: Found[] } | undefined)?.classes?.[0]
}

/** What the pipe that a line begins at is made of; undefined while it is not found. */
export function foundMaterial({
  finding,
}: Pick<JobView['lines'][number], 'finding'>): PipeMaterial | undefined {
  return leader(finding)?.material
}

/** Its system and size, where the pipe is found. */
export function foundSize({
  finding,
}: Pick<JobView['lines'][number], 'finding'>): { system: DimensionalSystem; nominal: string } | undefined {
  const found = leader(finding)
  return found && { system: found.system as DimensionalSystem, nominal: found.nominal }
}

/** What a line ends at, by its kind; undefined while nothing was chosen. */
export function endKind({ ends }: Pick<LineView, 'ends'>): string | undefined {
  return ends?.to.kind
}

/** Whether its way begins in a hub of the old pipe that stays: nobody has measured where its rim lies from the wall. */
export function atHub(line: LineView): boolean {
  return placesOf(line) === 'hub'
}

/** What the places along a line are called after. */
export function placesOf(line: LineView): ReturnType<typeof calledAfter> {
  return calledAfter(beginsAt(line), endKind(line), line.mating?.fields.option)
}

/** Findings elsewhere in the same house, as the prior takes them. */
export function useKnown(jobView: JobView | null, lineId: string | undefined) {
  const findings = useDocs('finding')
  const [jobId, pointId, propertyId] = [jobView?.job.id, jobView?.here.point.id, jobView?.property.id]
  return useMemo(
    () =>
      findings.flatMap((finding) => {
        const line = shelf.get('line', finding.fields.lineId)
        const point = shelf.get('point', line?.fields.pointId)
        const found = leader(finding)
        if (!line || !found || finding.fields.jobId === jobId || point?.fields.propertyId !== propertyId)
          return []
        return [
          {
            material: found.material as 'copper',
            system: found.system,
            nominal: found.nominal,
            where:
              line.id === lineId
                ? ('same-line' as const)
                : point?.id === pointId
                  ? ('same-point' as const)
                  : ('same-house' as const),
          },
        ]
      }),
    [findings, jobId, pointId, propertyId, lineId],
  )
}

/** What this shop found in other houses of the same age: how many lines of each kind. */
export function useFinds(jobView: JobView | null) {
  const findings = useDocs('finding')
  const { id, era } = { id: jobView?.property.id, era: jobView?.property.fields.era ?? 'unknown' }
  return useMemo(() => {
    const counts: Partial<Record<PipeMaterial, number>> = {}
    if (era === 'unknown') return counts
    for (const lineId of new Set(findings.map((finding) => finding.fields.lineId))) {
      const point = shelf.get('point', shelf.get('line', lineId)?.fields.pointId)
      const house = shelf.get('property', point?.fields.propertyId)
      if (!house || house.id === id || house.fields.era !== era) continue
      const material = leader(newest(shelf.of('finding', 'lineId', lineId)))?.material
      if (material) counts[material] = (counts[material] ?? 0) + 1
    }
    return counts
  }, [findings, id, era])
}

/** The shop's settings; null until they have come. */
export function useSettings(): Doc<'settings'> | null {
  return useDocs('settings')[0] ?? null
}

export { STAGES, type Stage }
