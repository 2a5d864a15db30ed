import type { Source } from '../reference/source'

/** Both from one paper; to six figures between 0 and 100 °C. */
export const WATER_SOURCE: Source = {
  title: 'Kell, Journal of Chemical and Engineering Data 20 (1975)',
  table: 'density and isothermal compressibility of water at one atmosphere',
  certainty: 'recalled',
}

/** Powers of the temperature from the lowest up. */
const polynomial = (t: number, coefficients: readonly number[]) =>
  coefficients.reduceRight((sum, coefficient) => sum * t + coefficient, 0)

const DENSITY = [999.83952, 16.945176, -7.9870401e-3, -46.170461e-6, 105.56302e-9, -280.54253e-12]
const COMPRESSIBILITY = [50.88496, 0.6163813, 1.459187e-3, 20.08438e-6, -58.47727e-9, 410.411e-12]

/** Density of water without air at one atmosphere, kg/m³. @param t °C, 0 to 100 */
export function waterDensity(t: number): number {
  return polynomial(t, DENSITY) / (1 + 16.87985e-3 * t)
}

/** By what share water grows with each degree, 1/K. Negative below 4 °C. @param t °C, 0 to 100 */
export function waterExpansion(t: number): number {
  const step = 0.01
  return (waterDensity(t - step) - waterDensity(t + step)) / (2 * step * waterDensity(t))
}

/** By what share water shrinks under each kilopascal, 1/kPa. @param t °C, 0 to 100 */
export function waterCompressibility(t: number): number {
  // the paper counts in millionths of a bar
  return (polynomial(t, COMPRESSIBILITY) / (1 + 19.67348e-3 * t)) * 1e-8
}
