/** Lines that bring water: two from the house, two from a valve to what it feeds. */
export type WaterLine = 'hot' | 'cold' | 'spout' | 'shower'

/** What a line runs between. */
export interface LineEnds {
  /** The old pipe, or the end of the new fixture where the line begins. */
  readonly from: 'pipe' | { readonly fixtureId: string }
  /** The fixture's end where it stops. */
  readonly to: string
}

const OUTLETS: Readonly<Record<'spout' | 'shower', string>> = { spout: 'spout.', shower: 'arm.' }

/**
 * One id for what goes in: the end of the fixture, and behind plus signs the ends of what its valve feeds, as
 * `valve.combo.1/2+spout.slip.1/2+arm.1/2`.
 */
export function joinFixture(main: string, outlets: readonly (string | null)[]): string {
  return [main, ...outlets.filter((outlet) => outlet !== null)].join('+')
}

/** The fixture's own end and those of what it feeds. */
export function splitFixture(fixtureId: string): {
  readonly main: string
  readonly outlets: readonly string[]
} {
  const [main = '', ...outlets] = fixtureId.split('+')
  return { main, outlets }
}

/**
 * What a line of a job runs between; null where the fixture has no such line. A spout or a shower arm fed by a new
 * valve begins at that valve, unless an old pipe is kept there: then it is that pipe which is mated to the valve.
 */
export function lineEnds(fixtureId: string, service: string, hasPipe: boolean): LineEnds | null {
  const { main, outlets } = splitFixture(fixtureId)
  const alone = Object.values(OUTLETS).find((prefix) => main.startsWith(prefix))
  if (service === 'hot' || service === 'cold') return alone ? null : { from: 'pipe', to: main }
  const prefix = OUTLETS[service as keyof typeof OUTLETS]
  if (!prefix) return null
  if (alone) return alone === prefix ? { from: 'pipe', to: main } : null
  const outlet = outlets.find((id) => id.startsWith(prefix))
  if (!outlet) return null
  return hasPipe ? { from: 'pipe', to: main } : { from: { fixtureId: main }, to: outlet }
}

const RUN = /^run\.(repair|tee|valve)$/

/** What goes into a run that is cut open; null where something goes onto its end. */
export function cutInOf(to: string): 'repair' | 'tee' | 'valve' | null {
  return (RUN.exec(to)?.[1] as 'repair' | 'tee' | 'valve' | undefined) ?? null
}

/** Fixtures that one line of water is enough for, by the beginning of their id, and the line it usually is. */
const ONE_LINE: readonly (readonly [string, 'hot' | 'cold'])[] = [
  ['toilet.', 'cold'],
  ['hose.', 'cold'],
  ['appliance.', 'hot'],
  ['run.', 'cold'],
]

/** The line that a fixture with one usually takes; null for those that take all there are. */
export function usualLine(fixtureId: string): 'hot' | 'cold' | null {
  return ONE_LINE.find(([prefix]) => fixtureId.startsWith(prefix))?.[1] ?? null
}

/** Lines that a fixture wants besides hot and cold. */
export function furtherLines(fixtureId: string): ('spout' | 'shower')[] {
  return (['spout', 'shower'] as const).filter((service) => lineEnds(fixtureId, service, false) !== null)
}
