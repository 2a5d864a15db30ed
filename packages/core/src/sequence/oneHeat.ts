import { partOf } from '../assembly/kept'
import { hotThrough, inSameHeat } from '../assembly/methods/heat'
import { methodById } from '../assembly/methods/table'
import type { MateOption } from '../mate/types'
import type { Graph } from './graph'

/** Whether a part of a way is hot all through; what was kept with it goes before today's table. */
function isHotThrough(part: MateOption['parts'][number] | undefined): boolean {
  return (
    part !== undefined &&
    hotThrough({ family: part.family, heatSensitive: partOf(part)?.heatSensitive ?? false })
  )
}

/**
 * Joints of a line that are made in one heat, since they are of one fitting: by seam, the first of them.
 *
 * @param apart whether two neighbouring seams are made at different visits
 */
export function heatsOf(
  { joints, parts }: Pick<MateOption, 'joints' | 'parts'>,
  apart: (a: number, b: number) => boolean,
): ReadonlyMap<number, number> {
  const heats = new Map<number, number>()
  const flame = (seam: number) => {
    const joint = joints[seam]
    return joint !== undefined && methodById(joint.method).needsFlame
  }
  for (const seam of joints.keys()) {
    if (!flame(seam)) continue
    const before = seam - 1
    const together = flame(before) && isHotThrough(parts[joints[before]?.to ?? -1]) && !apart(before, seam)
    heats.set(seam, together ? (heats.get(before) ?? before) : seam)
  }
  return heats
}

/**
 * Makes one heat of the joints that belong to one: all that any of them waits for comes before it, the others follow at
 * once, and nothing cools between.
 *
 * @param heats by seam, the first seam of its heat
 */
export function makeInOneHeat(graph: Graph, lineId: string, heats: ReadonlyMap<number, number>): void {
  const closeOf = (seam: number) => `${lineId}/${seam}/close`
  const members = new Map<number, number[]>()
  for (const [seam, first] of heats) members.set(first, [...(members.get(first) ?? []), seam])
  for (const [first, seams] of members) {
    if (seams.length < 2) continue
    const lead = graph.nodes.get(closeOf(first))
    if (!lead) continue
    const within = (id: string) => {
      const node = graph.nodes.get(id)
      return node?.lineId === lineId && node.seam !== null && seams.includes(node.seam)
    }
    const wraps = new Set(
      seams.map(closeOf).filter((id) => graph.nodes.get(id)?.template.words === 'sweat.heat-wrapped'),
    )
    let feeding = 0
    for (const seam of seams) {
      const node = graph.nodes.get(closeOf(seam))
      if (seam === first || !node) continue
      feeding += inSameHeat(node.template)
      for (const before of [...node.after]) {
        const kind = graph.nodes.get(before)?.template.kind
        if (within(before) && (kind === 'wait' || kind === 'close')) node.after.delete(before)
        else graph.precede(before, lead.id)
      }
      graph.nodes.set(node.id, {
        ...node,
        template: { ...node.template, words: 'sweat.heat-same', seconds: 0 },
      })
      graph.precede(lead.id, node.id)
    }
    const { words, seconds } = lead.template
    graph.nodes.set(lead.id, {
      ...lead,
      template: {
        ...lead.template,
        words: wraps.size > 0 ? 'sweat.heat-wrapped' : words === 'sweat.heat' ? 'sweat.heat-all' : words,
        seconds: seconds + feeding,
      },
    })
  }
}
