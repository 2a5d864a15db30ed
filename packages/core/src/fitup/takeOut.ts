import { fullDepthMm, isCementSocket, isSocket } from '../catalog'
import type { Fitting, Port } from '../catalog/types'
import { CoreFault } from '../fault'
import { threadEngagement, tubeEngagement } from '../reference/engagement'
import type { DimensionalSystem } from '../reference/types'

/** How far pipe goes into an end, least and most, mm: its insertion or thread engagement. */
export function insertionMm(port: Pick<Port, 'form' | 'system' | 'nominal'>): readonly [number, number] {
  if (port.form === 'taper-female' || port.form === 'taper-male') {
    const made = threadEngagement(port.system as 'NPT' | 'BSP', port.nominal)
    return made ? [made.minMm, made.maxMm] : [0, 0]
  }
  if (!isSocket(port) && !port.form.endsWith('barb')) return [0, 0]
  const form = port.form === 'pb-barb' ? 'insert-barb' : port.form
  const made = tubeEngagement(form as 'push-fit', port.system as DimensionalSystem, port.nominal)
  return made ? [made.minMm, made.maxMm] : [0, fullDepthMm(port)]
}

/** From the middle of a part to the mouth or tip of one of its ends, along that end, mm. */
export function faceMm(fitting: Pick<Fitting, 'ports'>, portIndex: number): number {
  const port = fitting.ports[portIndex]
  if (!port) throw new CoreFault('no-port', { ends: fitting.ports.length, port: portIndex })
  const { origin, axis } = port.pose
  return origin.reduce((sum, mm, index) => sum + mm * (axis[index] as number), 0)
}

/**
 * Take-out: from the middle of a part to the end of the pipe that is home in it, least and most, mm. Over a male end
 * the next part's mouth stands where the thread's engagement leaves it.
 */
export function takeOutMm(fitting: Pick<Fitting, 'ports'>, portIndex: number): readonly [number, number] {
  const [least, most] = insertionMm(fitting.ports[portIndex] as Port)
  const face = faceMm(fitting, portIndex)
  return [face - most, face - least]
}

/**
 * How much shorter a socket lies when it is cemented than when it was tried dry, least and most, mm. The taper of a
 * solvent socket, of water or of a drain, holds the pipe a third to two thirds in (ASTM D2855, dry fit: recalled, verify).
 */
export function dryShorteningMm(port: Pick<Port, 'form' | 'system' | 'nominal'>): readonly [number, number] {
  if (!isCementSocket(port.form)) return [0, 0]
  const depth = fullDepthMm(port)
  return [depth / 3, (depth * 2) / 3]
}
