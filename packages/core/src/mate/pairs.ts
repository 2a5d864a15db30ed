import type { PortEnd } from '../catalog/ends'
import { CATALOG } from '../catalog/families'
import type { Fitting } from '../catalog/types'
import { type Engagement, type TubeEnd, threadEngagement, tubeEngagement } from '../reference/engagement'
import type { DimensionalSystem, NominalSize } from '../reference/types'
import { METHODS, type Method } from './methods'

/** Two ends and a method that joins them. */
export interface Pair {
  readonly method: Method
  readonly tip: PortEnd
  readonly body: PortEnd
}

/** What makes two ends interchangeable for joining: form, system, size and material. */
export function portClass(port: PortEnd): string {
  return `${port.form}|${port.system}|${port.nominal}|${port.material}`
}

/** All the ways to join two ends; systems and sizes must agree, threads of two systems never do. */
export function pairs(a: PortEnd, b: PortEnd): Pair[] {
  if (a.system !== b.system || a.nominal !== b.nominal) return []
  const found: Pair[] = []
  for (const method of METHODS)
    for (const pairing of method.pairings)
      for (const [tip, body] of [
        [a, b],
        [b, a],
      ] as const)
        if (
          tip.form === pairing.tip &&
          body.form === pairing.body &&
          (!pairing.materials || pairing.materials.includes(tip.material))
        )
          found.push({ method, tip, body })
  return found
}

/** How far the tip goes into the body, mm. */
export function pairEngagement(pair: Pair): Engagement {
  const { body } = pair
  const size = body.nominal as NominalSize
  switch (body.form) {
    case 'taper-female':
      return threadEngagement(body.system as 'NPT' | 'BSP', size) as Engagement
    case 'swivel-nut':
      return { minMm: 6, maxMm: 8, source: pair.method.source }
    case 'pb-barb':
      return tubeEngagement('insert-barb', body.system as DimensionalSystem, size) as Engagement
    default:
      return tubeEngagement(body.form as TubeEnd, body.system as DimensionalSystem, size) as Engagement
  }
}

/** A part that can follow an open end, which way round, and by which method. */
export interface Step {
  readonly fitting: Fitting
  readonly inPort: number
  readonly outPort: number
  readonly pair: Pair
}

const FOLLOWING = new Map<string, readonly Step[]>()

/** Every part of the catalogue that can be joined to an open end; remembered per class of end. */
export function following(open: PortEnd): readonly Step[] {
  const key = portClass(open)
  const known = FOLLOWING.get(key)
  if (known) return known
  const steps: Step[] = []
  const seen = new Set<string>()
  for (const fitting of CATALOG)
    fitting.ports.forEach((port, inPort) => {
      const outPort = inPort === 0 ? 1 : 0
      // a connector or a stop has a way it must face
      if ((fitting.family === 'supply-connector' || fitting.family.endsWith('stop')) && inPort !== 0) return
      for (const pair of pairs(open, port)) {
        const twin = `${fitting.id}|${pair.method.id}|${portClass(port)}|${portClass(fitting.ports[outPort] as PortEnd)}`
        if (seen.has(twin)) continue
        seen.add(twin)
        steps.push({ fitting, inPort, outPort, pair })
      }
    })
  FOLLOWING.set(key, steps)
  return steps
}
