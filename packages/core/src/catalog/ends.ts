import { threadEngagement, tubeEngagement } from '../reference/engagement'
import { PIPES } from '../reference/pipes'
import { BSP, COMPRESSION_THREADS, NPT } from '../reference/threads'
import type { DimensionalSystem, NominalSize } from '../reference/types'
import type { Port, PortForm, PortMaterial, PortSystem } from './types'

const IN = 25.4

/** Outside diameter of the tube of that system and size, mm; undefined where none exists. */
export function tubeDiameterMm(system: DimensionalSystem, nominal: NominalSize): number | undefined {
  return PIPES.find((pipe) => pipe.system === system && pipe.nominal === nominal)?.odMm
}

/** Everything about a port but its pose. */
export type PortEnd = Omit<Port, 'id' | 'pose'>

/**
 * Builds the end of a part.
 *
 * @throws RangeError where that form is not made in that size: the catalogue must not name it
 */
export function end(
  form: PortForm,
  system: PortSystem,
  nominal: NominalSize,
  material: PortMaterial,
): PortEnd {
  const diameterMm = endDiameterMm(form, system, nominal)
  if (diameterMm === undefined) throw new RangeError(`no ${form} end in ${system} ${nominal}`)
  const boreMm =
    form === 'tube' || form === 'taper-male'
      ? diameterMm * 0.8
      : form.endsWith('barb')
        ? diameterMm * 0.6
        : diameterMm * 0.85
  return { medium: 'supply', form, system, nominal, diameterMm, boreMm, material }
}

function endDiameterMm(form: PortForm, system: PortSystem, nominal: NominalSize): number | undefined {
  switch (system) {
    case 'NPT':
      return NPT.find((row) => row.nominal === nominal)?.majorMm
    case 'NPS':
      return nominal === '1/2' ? NPT.find((row) => row.nominal === '1/2')?.majorMm : undefined
    case 'BSP':
    case 'BSPP':
      return BSP.find((row) => row.nominal === nominal)?.majorMm
    case 'UNF':
      // compression outlets are called by the tube they grip
      return COMPRESSION_THREADS.find((row) => Math.abs(row.tubeOdMm - fraction(nominal) * IN) < 0.01)
        ?.majorMm
    default: {
      const needsTable = form !== 'tube' && form !== 'pb-barb'
      if (needsTable && !tubeEngagement(form as never, system, nominal)) return undefined
      return tubeDiameterMm(system, nominal)
    }
  }
}

function fraction(nominal: string): number {
  const [above = '0', below = '1'] = nominal.split('/')
  return Number(above) / Number(below)
}

/** How deep the other side goes into (or over, or onto) an end when fully home, mm. */
export function fullDepthMm(end: Pick<Port, 'form' | 'system' | 'nominal'>): number {
  const size = end.nominal as NominalSize
  switch (end.form) {
    case 'tube':
    case 'taper-male':
      return 0
    case 'taper-female':
      return threadEngagement(end.system as 'NPT' | 'BSP', size)?.maxMm ?? 0
    case 'compression-outlet':
    case 'parallel-male':
      return 0
    case 'swivel-nut':
      return 8
    case 'pb-barb':
      return tubeEngagement('insert-barb', end.system as DimensionalSystem, size)?.maxMm ?? 0
    default:
      return tubeEngagement(end.form, end.system as DimensionalSystem, size)?.maxMm ?? 0
  }
}

/** Length of the male thread or spigot that stands out of a body, mm. */
export function maleLengthMm(end: Pick<Port, 'form' | 'system' | 'nominal' | 'diameterMm'>): number {
  switch (end.form) {
    case 'taper-male':
      return (threadEngagement(end.system as 'NPT' | 'BSP', end.nominal as NominalSize)?.maxMm ?? 12) + 3
    case 'compression-outlet':
    case 'parallel-male':
      return 10
    case 'insert-barb':
    case 'pb-barb':
    case 'expansion-barb':
      return fullDepthMm(end)
    case 'tube':
      return (
        tubeEngagement('solder-cup', end.system as DimensionalSystem, end.nominal as NominalSize)?.maxMm ??
        end.diameterMm
      )
    default:
      return 0
  }
}
