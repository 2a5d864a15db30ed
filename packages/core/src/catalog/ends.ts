import { CoreFault } from '../fault'
import { type TubeEnd, threadEngagement, tubeEngagement } from '../reference/engagement'
import { type Medium, mediumOf } from '../reference/materials'
import { PIPES } from '../reference/pipes'
import { BSP, COMPRESSION_THREADS, NPT } from '../reference/threads'
import {
  type DimensionalSystem,
  type NominalSize,
  nominalNumber,
  type Pipe,
  type PipeMaterial,
} from '../reference/types'
import type { Port, PortForm, PortMaterial, PortSystem } from './types'

const IN = 25.4

/** The outlet of a bowl, outside, mm. EN 33 and EN 997: recalled, verify. */
const PAN_SPIGOT_MM = 102

/**
 * Outside diameter of the tube of that system and size, mm; undefined where none exists. The material matters where
 * a system names bores: lead and polyethylene of one bore differ outside.
 */
export function tubeDiameterMm(
  system: DimensionalSystem,
  nominal: NominalSize,
  material?: PortMaterial,
): number | undefined {
  const sized = SIZED.get(`${system} ${nominal}`)
  return (sized?.find((pipe) => pipe.material === material) ?? sized?.[0])?.odMm
}

/** Pipes by what their size is called. */
const SIZED = new Map<string, Pipe[]>()
for (const pipe of PIPES) {
  const key = `${pipe.system} ${pipe.nominal}`
  SIZED.set(key, [...(SIZED.get(key) ?? []), pipe])
}

/** Everything about a port but its pose. */
export type PortEnd = Omit<Port, 'id' | 'pose'>

/** Ends as they were built: many parts have the same. */
const BUILT = new Map<string, PortEnd>()

/**
 * Builds the end of a part; the same one for whatever has it.
 *
 * @throws CoreFault where that form is not made in that size: the catalogue must not name it
 */
export function end(
  form: PortForm,
  system: PortSystem,
  nominal: NominalSize,
  material: PortMaterial,
): PortEnd {
  const key = `${form} ${system} ${nominal} ${material}`
  const known = BUILT.get(key)
  if (known) return known
  const made = build(form, system, nominal, material)
  BUILT.set(key, made)
  return made
}

function build(form: PortForm, system: PortSystem, nominal: NominalSize, material: PortMaterial): PortEnd {
  const diameterMm = endDiameterMm(form, system, nominal, form === 'poly-barb' ? 'polyethylene' : material)
  if (diameterMm === undefined) throw new CoreFault('no-end', { form, system, nominal })
  const boreMm =
    form === 'tube' || form === 'taper-male'
      ? diameterMm * 0.8
      : form.endsWith('barb')
        ? diameterMm * 0.6
        : diameterMm * 0.85
  return { medium: mediumAt(form, material), form, system, nominal, diameterMm, boreMm, material }
}

/** Forms that only drains have; elsewhere what it is made of tells. */
const DRAIN_FORMS: ReadonlySet<PortForm> = new Set([
  'drain-socket',
  'slip-joint',
  'shielded',
  'hub',
  'flexible',
  'pipe-inside',
  'bore-gasket',
  'twist-in',
  'ring-gasket',
  'closet-flange',
  'old-flange',
  'broken-flange',
  'ring-under',
  'stack-under',
  'closet-outlet',
  'spigot',
  'waste-compression',
  'ring-socket',
  'trap-outlet',
  'pan-spigot',
  'pan-fins',
  'pipe-fins',
])
/** Mouths of floors: nothing goes into them, things are set down on them. */
const FLAT_FORMS: ReadonlySet<PortForm> = new Set([
  'closet-flange',
  'old-flange',
  'broken-flange',
  'ring-under',
  'stack-under',
  'closet-outlet',
])

function mediumAt(form: PortForm, material: PortMaterial): Medium {
  if (DRAIN_FORMS.has(form)) return 'drain'
  return material === 'rubber-seated' ? 'supply' : mediumOf(material as PipeMaterial)
}

/** Straight threads that have a size of their own: fill valve and hose; inches. */
const OWN_THREADS: Readonly<Record<string, number>> = {
  'FV:7/8': 0.875,
  'FV:15/16': 0.9375,
  'NH:3/4': 1.0625,
}

function endDiameterMm(
  form: PortForm,
  system: PortSystem,
  nominal: NominalSize,
  material: PortMaterial,
): number | undefined {
  if (form === 'pan-spigot' || form === 'pan-fins') return nominal === '110' ? PAN_SPIGOT_MM : undefined
  switch (system) {
    case 'NPT':
    case 'NPS':
      return NPT.find((row) => row.nominal === nominal)?.majorMm
    case 'BSP':
    case 'BSPP':
      return BSP.find((row) => row.nominal === nominal)?.majorMm
    case 'NH':
    case 'FV': {
      const major = OWN_THREADS[`${system}:${nominal}`]
      return major === undefined ? undefined : major * IN
    }
    case 'UNF':
      // compression outlets are called by the tube they grip
      return COMPRESSION_THREADS.find((row) => Math.abs(row.tubeOdMm - nominalNumber(nominal) * IN) < 0.01)
        ?.majorMm
    default: {
      const needsTable = form !== 'tube' && form !== 'pb-barb'
      if (needsTable && !tubeEngagement(form as TubeEnd, system, nominal)) return undefined
      return tubeDiameterMm(system, nominal, material)
    }
  }
}

/** How deep the other side goes into (or over, or onto) an end when fully home, mm. */
export function fullDepthMm(end: Pick<Port, 'form' | 'system' | 'nominal'>): number {
  const size = end.nominal
  if (FLAT_FORMS.has(end.form)) return 0
  switch (end.form) {
    case 'tube':
    case 'taper-male':
      return 0
    case 'taper-female':
      return threadEngagement(end.system as 'NPT' | 'BSP', size)?.maxMm ?? 0
    case 'compression-outlet':
    case 'parallel-male':
    case 'pan-spigot':
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
export function maleLengthMm(
  end: Pick<Port, 'form' | 'system' | 'nominal' | 'diameterMm'> & Partial<Pick<Port, 'medium'>>,
): number {
  switch (end.form) {
    case 'taper-male':
      return (threadEngagement(end.system as 'NPT' | 'BSP', end.nominal)?.maxMm ?? 12) + 3
    case 'compression-outlet':
    case 'parallel-male':
      return 10
    case 'insert-barb':
    case 'pb-barb':
    case 'expansion-barb':
    case 'sleeve-barb':
    case 'poly-barb':
      return fullDepthMm(end)
    case 'flare-male':
      return fullDepthMm(end) + 12
    case 'pipe-inside':
    case 'bore-gasket':
    case 'twist-in':
    case 'spigot':
    case 'pipe-fins':
      return fullDepthMm(end)
    case 'pan-spigot':
      return fullDepthMm({ ...end, form: 'pan-fins' })
    case 'tube':
      return spigotMm(end)
    default:
      return 0
  }
}

/** A plain end of a fitting goes a socket's depth into another: that of its own kind where there is one. */
function spigotMm(
  end: Pick<Port, 'system' | 'nominal' | 'diameterMm'> & Partial<Pick<Port, 'medium'>>,
): number {
  const drain =
    end.medium === 'drain' && tubeEngagement('drain-socket', end.system as DimensionalSystem, end.nominal)
  if (drain) return drain.maxMm
  for (const socket of ['slip-joint', 'solder-cup', 'cement-socket', 'pvc-socket', 'compression'] as const) {
    const depth = tubeEngagement(socket, end.system as DimensionalSystem, end.nominal)?.maxMm
    if (depth !== undefined) return depth
  }
  return end.diameterMm
}
