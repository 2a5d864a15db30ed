import type { RouteId } from '../assembly/bodies/types'
import { STANDPIPE_BORES, STANDPIPES } from '../reference/standpipe'

type Code = 'IPC' | 'UPC' | 'EN'
type Stations = readonly { readonly id: string; readonly fromLegMm: number | null }[]
interface Way {
  readonly parts: readonly { readonly family: string }[]
  readonly joints: readonly { readonly nominal: string }[]
}

/** How far a standpipe stands above its trap where the shop goes by that code, mm. */
export function standpipeMm(code: Code = 'IPC'): (typeof STANDPIPES)[Code] {
  return STANDPIPES[code]
}

/**
 * How a standpipe that is measured stands over the weir of its trap: the top from the middle of the pipe, and half the
 * bore down to where water runs out of the trap. One that ends in a box ends at its bottom.
 *
 * @param route of what the line ends at
 * @returns null where the way has none, or while it is not measured
 */
export function standpipeStands(
  { parts, joints }: Way,
  stations: Stations,
  code: Code = 'IPC',
  route?: RouteId,
): { readonly aboveMm: number; readonly verdict: 'low' | 'high' | 'fits' } | null {
  const bore = STANDPIPE_BORES[joints.at(-1)?.nominal ?? '']
  const top = stations.find(({ id }) => id === 'tail')?.fromLegMm
  const boxed = route === 'machine-box' && parts.some(({ family }) => family === 'p-trap')
  if (!(boxed || parts.at(-1)?.family === 'standpipe') || top == null || bore === undefined) return null
  const { leastMm, mostMm } = STANDPIPES[code]
  const aboveMm = top + bore / 2
  return { aboveMm, verdict: aboveMm < leastMm ? 'low' : aboveMm > mostMm ? 'high' : 'fits' }
}

/**
 * Where a fixture's own tail stands in the inlet of a trap: how far its tip lies over the middle of the pipe, mm. Null
 * where a piece of pipe is cut between the two, or nothing of the kind hangs there.
 */
export function tailOverMm({ parts }: Way, stations: Stations): number | null {
  if (parts.at(-1)?.family !== 'p-trap') return null
  return stations.find(({ id }) => id === 'tail')?.fromLegMm ?? null
}

/**
 * Where the first part that turns a drain stands right on the old pipe: how far its middle lies from the end of that
 * pipe, mm, so that one knows where to saw. Null where a piece of pipe is cut between the two, or nothing turns.
 */
export function turnsOffMm(
  { parts }: Way,
  stations: Stations,
): { readonly what: 'trap' | 'bend'; readonly mm: number } | null {
  const at = parts.findIndex(({ family }) => family === 'p-trap' || family.startsWith('elbow'))
  if (at < 0 || parts.slice(0, at).some(({ family }) => family === 'tube-piece')) return null
  const mm = stations.find(({ id }) => id === `part:${at}:centre`)?.fromLegMm
  return mm == null ? null : { what: parts[at]?.family === 'p-trap' ? 'trap' : 'bend', mm }
}

const HUBS: ReadonlySet<string> = new Set(['hub', 'drain-socket', 'taper-female'])

/** Whether a way begins in what stays of the old pipe: a hub, the socket or the thread of a fitting. */
export function beginsInHub({
  beginsAt,
}: {
  readonly beginsAt?: { readonly form: string } | undefined
}): boolean {
  return HUBS.has(beginsAt?.form ?? '')
}

/**
 * What the places along a line are called after: an old pipe, the mouth of something new, a run that is cut open; of an
 * old pipe also the floor that a bowl stands on, or a hub that stays.
 *
 * @param kind what the line ends at
 * @param option the way that is chosen, if there is one
 */
export function calledAfter(
  begins: 'pipe' | 'fresh' | 'run',
  kind: string | undefined,
  option: Parameters<typeof beginsInHub>[0] | undefined,
): 'pipe' | 'fresh' | 'run' | 'floor' | 'hub' {
  if (begins !== 'pipe') return begins
  if (kind === 'waste.bowl') return 'floor'
  return option && beginsInHub(option) ? 'hub' : 'pipe'
}
