import { liftFixtures } from './sync/fixtures'

/** A whole job as it is written out and read back: its documents as they are stored, by kind, without contact data. */
export interface JobFile {
  readonly format: 'diarmos-job/2'
  readonly job: Record<string, unknown>
  readonly property: Record<string, unknown>
  readonly point: Record<string, unknown>
  /** Further points that are worked on; none in files from before a job could have any. */
  readonly more?: readonly Record<string, unknown>[]
  readonly lines: readonly Record<string, unknown>[]
  readonly documents: Readonly<Record<string, readonly Record<string, unknown>[]>>
}

/** A file of any released format as it reads today: until the first it said what goes in by one text. */
export function liftJobFile(file: Omit<JobFile, 'format'> & { readonly format: string }): JobFile {
  return { ...file, format: 'diarmos-job/2', job: liftFixtures('job', file.job) }
}
