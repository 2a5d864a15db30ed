import { CLASSES } from './space'

/** A width that pipes are made in, and their kinds. */
export interface MadeDiameter {
  readonly odMm: number
  readonly names: readonly string[]
}

/** Kinds no further apart than this are one width to any gauge held against them, mm. */
const SAME_MM = 0.05

/** Outside diameters that pipes are made in, rising, each with the kinds that have it. */
export function outsideDiameters(): readonly MadeDiameter[] {
  const made: { odMm: number; names: string[] }[] = []
  for (const { odMm, name } of [...CLASSES.values].sort((a, b) => a.odMm - b.odMm)) {
    const last = made.at(-1)
    if (last && odMm - last.odMm <= SAME_MM) last.names.push(name)
    else made.push({ odMm, names: [name] })
  }
  return made
}
