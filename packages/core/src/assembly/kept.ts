import { fittingById } from '../catalog/families'
import type { Family, Fitting } from '../catalog/types'

/** A part as it was when it was chosen: its ends, poses and lengths, whatever a later table says. */
export type KeptPart = Pick<
  Fitting,
  | 'material'
  | 'heatSensitive'
  | 'ports'
  | 'layingMm'
  | 'lengthMm'
  | 'protects'
  | 'shiftMm'
  | 'opens'
  | 'source'
>

/** A part of a way; one that was kept brings its own measures along. */
export interface PartOfWay {
  readonly fittingId: string
  readonly family: Family
  readonly name?: string
  readonly made?: KeptPart
}

/** What of a part is kept with a way. */
export function keptPart({
  material,
  heatSensitive,
  ports,
  layingMm,
  lengthMm,
  protects,
  shiftMm,
  opens,
  source,
}: Fitting): KeptPart {
  return {
    material,
    heatSensitive,
    ports,
    layingMm,
    source,
    ...(lengthMm ? { lengthMm } : {}),
    ...(protects ? { protects } : {}),
    ...(shiftMm ? { shiftMm } : {}),
    ...(opens ? { opens } : {}),
  }
}

/** A part of a way as it was kept, else as the table has it today; undefined where neither knows it. */
export function partOf({ fittingId, family, name = fittingId, made }: PartOfWay): Fitting | undefined {
  return made ? { id: fittingId, family, name, ...made } : fittingById(fittingId)
}
