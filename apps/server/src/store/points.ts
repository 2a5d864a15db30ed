import { Raw } from 'typeorm'

/** The points that a job, as its row has it, works at: the one it was opened for first. */
export function pointsOf({ pointId, more }: Readonly<Record<string, unknown>>): string[] {
  const further = (more ?? []) as readonly { readonly pointId: string }[]
  return [pointId as string, ...further.map((entry) => entry.pointId)]
}

/** A condition on a job: that it also works at a point. */
export function alsoAt(pointId: string) {
  return { more: Raw((column) => `${column} @> :further`, { further: JSON.stringify([{ pointId }]) }) }
}
