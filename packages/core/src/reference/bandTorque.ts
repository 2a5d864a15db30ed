import type { Source } from './source'

/** How tight each screw of a coupling with bands is drawn, inch-pounds. */
interface BandTorque {
  readonly inLb: number
  readonly source: Source
}

export const BAND_TORQUES = {
  standard: { inLb: 60, source: { title: 'CISPI 310, ASTM C1460, C1173: 60 in-lb', certainty: 'recalled' } },
  heavy: { inLb: 80, source: { title: 'ASTM C1540 heavy-duty couplings: 80 in-lb', certainty: 'recalled' } },
} as const satisfies Readonly<Record<string, BandTorque>>

/** Parts of the heavier grade, by how their ids begin. */
export const HEAVY_HUBLESS = 'coupling.hubless.heavy.'

/** The torque of a joint's bands, by the ids of the parts that meet there: a part of another release keeps its grade by its name. */
export const bandTorque = (fittingIds: readonly (string | undefined)[]): BandTorque =>
  BAND_TORQUES[fittingIds.some((id) => id?.startsWith(HEAVY_HUBLESS)) ? 'heavy' : 'standard']
