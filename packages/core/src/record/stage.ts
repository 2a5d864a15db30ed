/** The spine of a job. */
export const STAGES = ['find', 'fixture', 'mate', 'cut', 'make', 'prove'] as const
export type Stage = (typeof STAGES)[number]

export interface StageFacts {
  readonly closed: boolean
  readonly fixture: boolean
  /** Any step of the job, also a general one, has been ticked. */
  readonly started: boolean
  readonly lines: readonly {
    readonly lineId: string
    readonly finding: boolean
    readonly mating: boolean
    /** Steps of this line that have been ticked. */
    readonly ticked: readonly string[]
    /** Seams of the chosen mating. */
    readonly seams: number
  }[]
}

const isClose = (step: string) => step.endsWith('/close')

/**
 * The stage a job stands at, derived from its facts and never stored: the first stage in which any line still
 * lacks something. A closed job stands at its end.
 */
export function stageOf(facts: StageFacts): Stage {
  if (facts.closed) return 'prove'
  if (facts.lines.length === 0 || facts.lines.some((line) => !line.finding)) return 'find'
  if (!facts.fixture) return 'fixture'
  if (facts.lines.some((line) => !line.mating)) return 'mate'
  if (!facts.started) return 'cut'
  const closed = facts.lines.every((line) => line.ticked.filter(isClose).length >= line.seams)
  return closed ? 'prove' : 'make'
}
