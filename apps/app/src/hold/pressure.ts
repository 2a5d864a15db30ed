/** How a gauge is marked: its unit, and what it can be read to, kPa. */
export const GAUGES = {
  'psi-1': { label: '1 psi', unit: 'psi', kpa: 6.894757, step: 1, places: 0 },
  'psi-0.1': { label: '0.1 psi', unit: 'psi', kpa: 6.894757, step: 0.1, places: 1 },
  'bar-0.1': { label: '0.1 bar', unit: 'bar', kpa: 100, step: 0.1, places: 1 },
  'bar-0.01': { label: '0.01 bar', unit: 'bar', kpa: 100, step: 0.01, places: 2 },
} as const
export type GaugeId = keyof typeof GAUGES

/** A pressure as that gauge shows it: `99`, `6.85`. @param kpa on the gauge */
export function shown(kpa: number, gauge: GaugeId): string {
  return (kpa / GAUGES[gauge].kpa).toFixed(GAUGES[gauge].places)
}

/** What somebody wrote of that gauge, kPa; null where it is no pressure. Takes a comma for a point. */
export function readPressure(text: string, gauge: GaugeId): number | null {
  const value = Number(text.trim().replace(',', '.'))
  return text.trim() === '' || !Number.isFinite(value) || value < 0 || value * GAUGES[gauge].kpa > 4000
    ? null
    : value * GAUGES[gauge].kpa
}

/** `0:00`, `12:30`, `1:05:00`. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds)
  const two = (value: number) => String(value).padStart(2, '0')
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`
}
