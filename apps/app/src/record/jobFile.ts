import type { JobFile } from '@diarmos/contract'
import { rowsOf, rowsOfJobs } from '../data/rows'
import type { JobView } from '../data/select'
import type { Doc } from '../data/types'

const rowOf = (doc: Doc): Record<string, unknown> => rowsOf([doc])[0] ?? {}

/** A whole job as it lies on this phone, own unsent edits with it, as the server writes one; but for who was there when. */
export async function jobFileOf({ job, property, points, lines }: JobView): Promise<JobFile> {
  const [point = {}, ...more] = points.map((each) => rowOf(each.point))
  return {
    format: 'diarmos-job/2',
    job: rowOf(job),
    property: rowOf(property),
    point,
    ...(more.length > 0 ? { more } : {}),
    lines: lines.map(({ line }) => rowOf(line)),
    documents: await rowsOfJobs([job]),
  }
}
