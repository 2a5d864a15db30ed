/** One reading as a device sends it: a line of JSON, by what it measures. docs/devices.md. */
export type Reading = { readonly at: string } & ({ readonly kPa: number } | { readonly mm: number })

/** Whatever measures: a wireless gauge or caliper, a logger's file, the stand-ins beside this. */
export interface Device<One extends Reading = Reading> {
  /** Calls for every reading until the function that it returns is called. */
  readings(onReading: (reading: One) => void): () => void
}

/** More than any gauge or caliper of this trade shows. */
const MOST = { kPa: 4000, mm: 1000 } as const

const within = (value: unknown, most: number): value is number =>
  typeof value === 'number' && value >= 0 && value <= most

/** One line of a stream. @returns null where the line is no reading: a device that stutters stops nothing */
export function readLine(line: string): Reading | null {
  try {
    const { at, kPa, mm } = JSON.parse(line) as { at?: unknown; kPa?: unknown; mm?: unknown }
    if (typeof at !== 'string' || Number.isNaN(Date.parse(at))) return null
    if (within(kPa, MOST.kPa)) return { at, kPa }
    return within(mm, MOST.mm) ? { at, mm } : null
  } catch {
    return null
  }
}
