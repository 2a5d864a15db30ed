import { type MateOption, METHODS } from '@diarmos/core'

/** The one that the shop heard of last, whatever the clocks of its phones say. */
export function newest(
  rows: readonly Record<string, unknown>[] | undefined,
  lineId: unknown,
): Record<string, unknown> | undefined {
  return (rows ?? [])
    .filter((row) => row.lineId === lineId)
    .sort((a, b) => Number(b.revision) - Number(a.revision))[0]
}

/** What a method is called on a sheet: water's by their ids, as sheets have always been printed. */
export function methodText(id: MateOption['joints'][number]['method']): string {
  const method = METHODS.find((row) => row.id === id)
  return method?.medium === 'drain' ? method.name : id
}
