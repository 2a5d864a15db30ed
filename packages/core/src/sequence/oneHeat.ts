import { partOf } from '../assembly/kept'
import { hotThrough, inSameHeat } from '../assembly/methods/heat'
import { methodById } from '../assembly/methods/table'
import type { MateOption } from '../mate/types'
import type { Graph } from './graph'
import type { PlanLine } from './types'

/** Whether a part of a way is hot all through; what was kept with it goes before today's table. */
function isHotThrough(part: MateOption['parts'][number] | undefined): boolean {
  return (
    part !== undefined &&
    hotThrough({ family: part.family, heatSensitive: partOf(part)?.heatSensitive ?? false })
  )
}

/**
 * Joints of a line that are made in one heat, since they are of one fitting: by seam, the first of them. What is left for
 * later begins at the end of a tube, which is heated end by end.
 */
export function heatsOf({
  joints,
  parts,
}: Pick<MateOption, 'joints' | 'parts'>): ReadonlyMap<number, number> {
  const heats = new Map<number, number>()
  const flame = (seam: number) => {
    const joint = joints[seam]
    return joint !== undefined && methodById(joint.method).needsFlame
  }
  for (const seam of joints.keys()) {
    if (!flame(seam)) continue
    const before = seam - 1
    const together = flame(before) && isHotThrough(parts[joints[before]?.to ?? -1])
    heats.set(seam, together ? (heats.get(before) ?? before) : seam)
  }
  return heats
}

/** A joint of a job, by its line and its seam there. */
interface Seam {
  readonly lineId: string
  readonly seam: number
}

/** Joints that are made in one heat, the first of them first. */
interface Heat {
  readonly seams: readonly Seam[]
  /** The fitting is hot from the joints of a line that is not laid out here. */
  readonly fedAlone: boolean
}

/** The heats of a job: those of each line, and of a tee with what branches off it. */
function heatsOfJob(
  lines: readonly PlanLine[],
  ofLines: ReadonlyMap<string, ReadonlyMap<number, number>>,
): Heat[] {
  const found = new Map<string, { seams: Seam[]; fedAlone: boolean }>()
  const keyOf = (lineId: string, seam: number) => `${lineId}/${ofLines.get(lineId)?.get(seam)}`
  for (const [lineId, heats] of ofLines)
    for (const seam of heats.keys()) {
      const key = keyOf(lineId, seam)
      const known = found.get(key) ?? { seams: [], fedAlone: false }
      known.seams.push({ lineId, seam })
      found.set(key, known)
    }
  for (const { lineId, branchOf, option } of lines) {
    const own = found.get(keyOf(lineId, 0))
    // what is soldered into a cup that a tee leaves open: the others of that tee are cups as well
    if (branchOf === undefined || !own || option.beginsAt?.form !== 'solder-cup') continue
    const trunk = lines.find((line) => line.lineId === branchOf)
    if (!trunk) {
      own.fedAlone = true
      continue
    }
    const { parts, joints } = trunk.option
    const tee = parts.findIndex(({ family }) => family === 'tee' || family === 'slip-tee')
    const at = joints.findIndex(({ to }) => to === tee)
    const theirs = found.get(keyOf(branchOf, at))
    if (!theirs || theirs === own || !isHotThrough(parts[tee])) continue
    theirs.seams.push(...own.seams)
    found.delete(keyOf(lineId, 0))
  }
  return [...found.values()]
}

/**
 * Makes one heat of the joints that belong to one: all that any of them waits for comes before it, the others follow at
 * once, and nothing cools between.
 *
 * @param ofLines by line, by seam, the first seam of its heat
 */
export function makeInOneHeat(
  graph: Graph,
  lines: readonly PlanLine[],
  ofLines: ReadonlyMap<string, ReadonlyMap<number, number>>,
): void {
  for (const heat of heatsOfJob(lines, ofLines)) join(graph, heat)
}

const closeOf = ({ lineId, seam }: Seam) => `${lineId}/${seam}/close`

function join(graph: Graph, { seams, fedAlone }: Heat): void {
  const [first, ...others] = seams
  const lead = first && graph.nodes.get(closeOf(first))
  if (!lead || (others.length === 0 && !fedAlone)) return
  const within = (id: string) => {
    const node = graph.nodes.get(id)
    return seams.some(({ lineId, seam }) => node?.lineId === lineId && node.seam === seam)
  }
  const wrapped = seams.some(
    (seam) => graph.nodes.get(closeOf(seam))?.template.words === 'sweat.heat-wrapped',
  )
  let feeding = 0
  for (const seam of others) {
    const node = graph.nodes.get(closeOf(seam))
    if (!node) continue
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
  const alone = words === 'sweat.heat' ? 'sweat.heat-all' : words
  graph.nodes.set(lead.id, {
    ...lead,
    template: {
      ...lead.template,
      words: fedAlone ? 'sweat.heat-same' : wrapped ? 'sweat.heat-wrapped' : alone,
      seconds: (fedAlone ? inSameHeat(lead.template) : seconds) + feeding,
    },
  })
}
