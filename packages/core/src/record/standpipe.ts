import { STANDPIPES } from '../reference/standpipe'

/** How far a standpipe stands above its trap where the shop goes by that code, mm. */
export function standpipeMm(code: 'IPC' | 'UPC' | 'EN' = 'IPC'): {
  readonly leastMm: number
  readonly mostMm: number
} {
  const { leastMm, mostMm } = STANDPIPES[code]
  return { leastMm, mostMm }
}
