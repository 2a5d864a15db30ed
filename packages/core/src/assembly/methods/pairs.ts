import type { PortEnd } from '../../catalog/ends'
import { PORT_FORMS, type PortForm } from '../../catalog/types'
import { type Engagement, type TubeEnd, threadEngagement, tubeEngagement } from '../../reference/engagement'
import { isMetal, mediumOf } from '../../reference/materials'
import type { DimensionalSystem, PipeMaterial } from '../../reference/types'
import { METHODS, type Method } from './table'

/** Two ends and a method that joins them. */
export interface Pair {
  readonly method: Method
  readonly tip: PortEnd
  readonly body: PortEnd
}

interface Entry {
  readonly method: Method
  readonly pairing: Method['pairings'][number]
}

/** Pairings by the forms they join, tip first, so that two ends are looked up at once. */
const BY_FORMS = new Map<string, Entry[]>()
for (const method of METHODS)
  for (const pairing of method.pairings) {
    const key = `${pairing.tip}>${pairing.body}`
    BY_FORMS.set(key, [...(BY_FORMS.get(key) ?? []), { method, pairing }])
  }

/** Forms of which some method, as the tip or as the body, wants certain materials. */
const CHOSEN_BY_MATERIAL = new Set(
  METHODS.flatMap((method) =>
    method.pairings.flatMap(({ tip, body, materials, bodies }) => [
      ...(materials ? [tip] : []),
      ...(bodies ? [body] : []),
    ]),
  ),
)
/** Forms that can be joined to steel, where it matters whether the other end is copper. */
const MEETS_STEEL = new Set(
  METHODS.flatMap((method) =>
    method.pairings
      .filter(({ materials }) => !materials || materials.some((material) => material.endsWith('steel')))
      .flatMap(({ tip, body }) => [tip, body]),
  ),
)

/** A material as far as pairings and rules ask at an end of that form: brass and stainless mouths are alike. */
function materialClass(form: PortForm, material: PortEnd['material']): string {
  // a thread of a drain is joined by a method of its own
  if (form.startsWith('taper') && mediumOf(material as PipeMaterial) === 'drain') return material
  if (CHOSEN_BY_MATERIAL.has(form) || material.endsWith('steel') || !isMetal(material as PipeMaterial))
    return material
  return material === 'copper' && MEETS_STEEL.has(form) ? material : 'metal'
}

/**
 * What makes two ends interchangeable for joining: form, system, size, and of the material what any pairing or rule
 * looks at. Ends of one class are joined, refused and remarked upon alike, whatever the place.
 */
export function portClass(port: Pick<PortEnd, 'form' | 'system' | 'nominal' | 'material'>): string {
  return `${port.form}|${port.system}|${port.nominal}|${materialClass(port.form, port.material)}`
}

/** Forms that some method joins to a form, either as tip or as body. */
export function joinable(form: PortForm): readonly PortForm[] {
  return PORT_FORMS.filter((other) => BY_FORMS.has(`${form}>${other}`) || BY_FORMS.has(`${other}>${form}`))
}

function collect(tip: PortEnd, body: PortEnd, found: Pair[]): void {
  for (const { method, pairing } of BY_FORMS.get(`${tip.form}>${body.form}`) ?? []) {
    const agree = pairing.systems
      ? tip.system === pairing.systems[0] && body.system === pairing.systems[1]
      : tip.system === body.system
    const { materials, bodies } = pairing
    if (
      agree &&
      // what carries waste is joined by methods of its own, whatever its thread
      (method.medium ?? 'supply') === body.medium &&
      (!materials || materials.includes(tip.material)) &&
      (!bodies || bodies.includes(body.material))
    )
      found.push({ method, tip, body })
  }
}

/** All the ways to join two ends; sizes must agree, and systems too but where a method says which goes with which. */
export function pairs(a: PortEnd, b: PortEnd): Pair[] {
  if (a.nominal !== b.nominal) return []
  const found: Pair[] = []
  collect(a, b, found)
  // one end is the tip, the other the body: never both ways round, since no form is both in one method
  collect(b, a, found)
  return found
}

/** Ends that go into pipe: how far is theirs to say. */
const isPushedIn = (form: PortForm): form is 'pipe-inside' | 'bore-gasket' | 'twist-in' | 'pipe-fins' =>
  ['pipe-inside', 'bore-gasket', 'twist-in', 'pipe-fins'].includes(form)

/** Asked of the same pairs in every place and for every shop. */
const ENGAGEMENTS = new WeakMap<Pair, Engagement>()

/** How far the tip goes into the body, mm. */
export function pairEngagement(pair: Pair): Engagement {
  const known = ENGAGEMENTS.get(pair)
  if (known) return known
  const made = engagementOf(pair)
  ENGAGEMENTS.set(pair, made)
  return made
}

function engagementOf(pair: Pair): Engagement {
  const { tip, body } = pair
  const size = body.nominal
  const reach = pair.method.reachMm?.[body.form]
  if (reach) return { minMm: reach[0], maxMm: reach[1], source: pair.method.source }
  if (isPushedIn(tip.form))
    return tubeEngagement(tip.form, tip.system as DimensionalSystem, tip.nominal) as Engagement
  switch (body.form) {
    case 'taper-female':
      return threadEngagement(body.system as 'NPT' | 'BSP', size) as Engagement
    case 'swivel-nut':
      return { minMm: 6, maxMm: 8, source: pair.method.source }
    case 'compression-outlet':
      return tubeEngagement('compression', tip.system as DimensionalSystem, size) as Engagement
    case 'pb-barb':
      return tubeEngagement('insert-barb', body.system as DimensionalSystem, size) as Engagement
    default:
      return tubeEngagement(body.form as TubeEnd, body.system as DimensionalSystem, size) as Engagement
  }
}
