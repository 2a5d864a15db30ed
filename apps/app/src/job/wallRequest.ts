import type { OperationRequest } from '@diarmos/contract'
import { beginsAt, isDrain, keepsStop, type LineView, type PointView, situationOf } from '../data/select'
import type { EntityFields } from '../data/types'
import { SERVICE_LOOK } from '../ui/service'

type StoredOption = EntityFields<'mating'>['option']

/** How far apart hot and cold come out, where a tape was held from the one to the other, mm. */
function apartOf({ lines }: PointView): number | null {
  const measured = lines.flatMap(({ dimensions }) =>
    dimensions.filter(({ fields }) => fields.to === 'beside'),
  )
  return measured.at(-1)?.fields.mm ?? null
}

/** A line as it stands on the wall sheet: with the way that is chosen, or looked at. */
function wallLine(
  line: LineView,
  weighed: StoredOption | null,
  remembered: (line: LineView) => string | null,
) {
  const { service } = line.line.fields
  const look = SERVICE_LOOK[service]
  return {
    lineId: line.line.id,
    service,
    label: `${look.mark} ${look.word}`,
    pipeId: keepsStop(line.ends) ? null : (line.finding?.fields.pipeId ?? remembered(line)),
    fresh: line.ends !== null && line.ends.from !== 'pipe' && !keepsStop(line.ends),
    kept: keepsStop(line.ends),
    option: weighed ?? line.mating?.fields.option ?? null,
    route: line.ends?.to.route ?? null,
    run: beginsAt(line) === 'run',
    stands: isDrain(line) && line.ends?.insert === 'tee',
    feeds: line.feeds,
    reachMm: situationOf(line).reachMm,
  }
}

/**
 * A point of a house as one stands before it.
 *
 * @param weighed a way that is looked at in place of the chosen one
 * @param remembered what is taken for a pipe that this job has not found
 */
export function wallRequest(
  here: PointView,
  weighed: (line: LineView) => StoredOption | null = () => null,
  remembered: (line: LineView) => string | null = () => null,
): OperationRequest<'draw-wall'> {
  return {
    place: here.point.fields.kind,
    lines: here.lines.map((line) => wallLine(line, weighed(line), remembered)),
    apartMm: apartOf(here),
  }
}
