import { type Measurer, measuringErrorMm } from './tolerance'

/** What a result may be off because of what was measured. */
export interface Sensitivity {
  /** All errors at their worst and adding up, mm. */
  readonly offMm: number
  /** The measurement that contributes most: the one to take again; null where none does. */
  readonly largest: string | null
}

/**
 * How far measuring errors carry through to a result: each length in turn as much longer and shorter as it may be off,
 * the larger change counted, all added up. Exact for what is linear, and near it for errors that are small.
 *
 * @param lengths as they were measured, by name, mm
 * @param result of such lengths, mm; null where it cannot be worked out, which counts as no change
 */
export function sensitivity<Lengths extends Readonly<Record<string, number>>>(
  lengths: Lengths,
  result: (lengths: Lengths) => number | null,
  measurer: Measurer = 'tape',
): Sensitivity {
  const middle = result(lengths)
  let offMm = 0
  let largest: { readonly name: string; readonly mm: number } | null = null
  if (middle === null) return { offMm, largest: null }
  for (const [name, mm] of Object.entries(lengths)) {
    // what was not measured is nothing, and off by nothing
    if (mm === 0) continue
    const error = measuringErrorMm(measurer, Math.abs(mm))
    const change = Math.max(
      ...[error, -error].map((by) => Math.abs((result({ ...lengths, [name]: mm + by }) ?? middle) - middle)),
    )
    offMm += change
    if (change > (largest?.mm ?? 0)) largest = { name, mm: change }
  }
  return { offMm, largest: largest?.name ?? null }
}
