import type { EntityFields } from './types'

/** An end that a chosen way leaves open for another line. */
export interface LeftOpen {
  readonly end: { form: string; system: string; nominal: string; material: string }
  /** It is the outlet of a stop. */
  readonly pastStop: boolean
}

/** What a chosen way leaves open: the branch of its tee, the second outlet of its stop; null where nothing. */
export function leftOpen(option: EntityFields<'mating'>['option']): LeftOpen | null {
  for (const part of option.parts) {
    // the run is a part's first two ends
    const port = part.made?.ports[2]
    if (!port) continue
    const { form, system, nominal, material } = port
    return { end: { form, system, nominal, material }, pastStop: part.family === 'dual-stop' }
  }
  return null
}

/** The same in one line, for what rests on it. */
export function openId({ end }: LeftOpen): string {
  return `open ${Object.values(end).join(' ')}`
}
