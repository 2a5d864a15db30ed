import type { StepTemplate } from '../assembly/acts/types'
import { isUnion, UNION_STEP } from '../assembly/acts/union'
import { partOf } from '../assembly/kept'
import { jointHeat } from '../assembly/methods/heat'
import { methodById } from '../assembly/methods/table'
import { opensRun } from '../assembly/oldJoints/removals'
import type { Schools } from '../assembly/schools'
import { slides } from '../fitup/fixedEnds'
import type { MateOption } from '../mate/types'
import type { Graph } from './graph'
import { isCloset } from './lineWords'

/** The act that closes a joint. */
export interface Close {
  readonly seam: number
  readonly step: string
  readonly template: StepTemplate
}

/** A line's joints, as far as their order among each other goes. */
export interface Closing {
  readonly graph: Graph
  readonly lineId: string
  readonly option: MateOption
  readonly closes: readonly Close[]
  readonly stepsOf: ReadonlyMap<number, readonly string[]>
  /** Whether a joint is made before the water comes back. */
  readonly early: (seam: number) => boolean
  readonly solderAt: Schools['solderAt']
  /** Seams that can only be made when all the others are, and those in their heat. */
  readonly last: ReadonlySet<number>
  /** Joints that are made in one heat: by seam, the first of them. */
  readonly heats: ReadonlyMap<number, number>
  /** What the line ends at can be carried in with what is soldered to it: a valve that is still to be hung. */
  readonly carried: boolean
  /** What the line ends at is set down on it: the box over a standpipe. */
  readonly setDown: boolean
}

/**
 * Joints of a way between two fixed ends that can only close when all the others are made: both ends of what slides or is
 * rolled back, the one that is sprung, or the one that needs no turn; none where a union's nut does it, or where only one end is fixed.
 */
export function lastSeams({ closes }: Pick<MateOption, 'closes'>): ReadonlySet<number> {
  if (closes?.by === 'slide' || closes?.by === 'fold') return new Set([closes.seam, closes.seam + 1])
  return new Set(closes?.by === 'spring' || closes?.by === 'joint' ? [closes.seam] : [])
}

const templateOf = ({ graph }: Closing, step: string) => graph.nodes.get(step)?.template
const stepsAt = ({ stepsOf }: Closing, seam: number) => stepsOf.get(seam) ?? []
const partsAt = ({ option }: Closing, seam: number) =>
  [option.joints[seam]?.from, option.joints[seam]?.to].flatMap((at) => {
    const part = at === undefined ? undefined : option.parts[at]
    return part ? [part] : []
  })
const heatShy = (part: MateOption['parts'][number]) => partOf(part)?.heatSensitive ?? false

/** A joint that is closed and has set. */
const doneAt = (work: Closing, { seam, step }: Close) => [
  step,
  ...stepsAt(work, seam).filter((each) => templateOf(work, each)?.kind === 'wait'),
]

/**
 * Whether a joint that can only be soldered last stands on a body that bears tape, rubber or plastic already: no order
 * spares it the flame, so that it has to be kept cool.
 */
export function wantsWrapping(option: MateOption, seam: number, last: ReadonlySet<number>): boolean {
  const joint = option.joints[seam]
  if (!joint || !last.has(seam) || jointHeat(joint) !== 'heats') return false
  const bodies = [joint.from, joint.to].filter((at) => option.parts[at] !== undefined)
  return option.joints.some(
    (other, at) =>
      at !== seam &&
      jointHeat(other) === 'spoilt' &&
      (bodies.includes(other.from) || bodies.includes(other.to)),
  )
}

/** What slides is put on first, whole, and drawn back last. Common practice. */
const SLIDE_STEPS = {
  on: { key: 'slide-on', kind: 'captive', words: 'slide.on', seconds: 0, captive: 'slip coupling' },
  back: { key: 'slide-back', kind: 'prepare', words: 'slide.back', seconds: 0 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** What is cemented is drawn back while the cement is wet, and its joints say so. */
const isWetSlide = ({ joints }: Pick<MateOption, 'joints'>, seam: number) =>
  (joints[seam]?.seal ?? '').includes('cement')
/** The act that draws back what slides. */
const slideBack = (lineId: string, option: Pick<MateOption, 'joints'>, seam: number) =>
  `${lineId}/${seam}/${isWetSlide(option, seam) ? 'close' : SLIDE_STEPS.back.key}`

/**
 * Puts what slides on over ends that are ready, before the piece stands, and draws it back once everything else does.
 *
 * @param removed the acts that open the run
 * @param open the act that brings the water back
 */
export function addSlide(work: Closing, removed: readonly string[], open: string): void {
  const { graph, lineId, option, closes } = work
  if (option.closes?.by !== 'slide') return
  const { seam, needsMm } = option.closes
  const last = lastSeams(option)
  const on = `${lineId}/${seam}/${SLIDE_STEPS.on.key}`
  const wet = isWetSlide(option, seam)
  const back = slideBack(lineId, option, seam)
  const said = { part: option.parts[seam]?.name ?? 'the coupling', needsMm }
  graph.add(on, SLIDE_STEPS.on, lineId, seam, said)
  if (!wet) graph.add(back, SLIDE_STEPS.back, lineId, seam, said)
  for (const step of removed) graph.precede(step, on)
  // burrs off, bright, nuts on: nothing can be done to an end that the part is slid over
  for (const at of last)
    for (const step of stepsAt(work, at))
      if (['prepare', 'captive'].includes(templateOf(work, step)?.kind ?? '')) graph.precede(step, on)
  for (const close of closes) {
    // what is in its heat stands in its place meanwhile, and is made with it
    if (work.last.has(close.seam)) {
      graph.precede(back, close.step)
    } else for (const done of doneAt(work, close)) graph.precede(done, back)
    if (option.joints[close.seam]?.atStub) graph.precede(on, close.step)
  }
  graph.precede(on, back)
  graph.precede(back, open)
}

/** The old pipe is lifted off what stands, for what goes in last. Common practice. */
const LIFT = { key: 'lift', kind: 'prepare', words: 'close.lift', seconds: 0 } as const

/** Lifts the old pipe for the joint that closes a line to what stands: all else is made by then, and this one ready. */
export function addLift(work: Closing): void {
  const { graph, lineId, option, closes, stepsOf, early, last } = work
  if (option.closes?.by !== 'joint' || option.closes.needsMm === 0) return
  const { seam, needsMm } = option.closes
  const close = closes.find((each) => each.seam === seam)
  if (!close) return
  const lift = `${lineId}/${seam}/${LIFT.key}`
  graph.add(lift, LIFT, lineId, seam, { needsMm })
  const { kind } = close.template
  for (const step of stepsOf.get(seam) ?? [])
    if (step !== close.step && ['prepare', 'captive'].includes(graph.nodes.get(step)?.template.kind ?? kind))
      graph.precede(step, lift)
  // what is made in its heat stands in its place meanwhile, and is made with it
  for (const other of closes)
    if (!last.has(other.seam) && (early(other.seam) || !early(seam)))
      for (const done of doneAt(work, other)) graph.precede(done, lift)
  graph.precede(lift, close.step)
}

/** The act that closes a line to a body that is held; null where its end is free. Nothing slides there: only a run has two cut ends. */
export function closingAct(lineId: string, { closes }: Pick<MateOption, 'closes'>): string | null {
  if (!closes) return null
  return `${lineId}/${closes.seam}/${closes.by === 'union' ? UNION_STEP.key : 'close'}`
}

/**
 * A union's nut is drawn when both its halves stand, and all that is screwed beyond them; before what closes the line,
 * where that is something else.
 *
 * @param open the act that brings the water back
 * @param dried the act that looks at what stands behind the stop
 */
export function drawUnions(work: Closing, open: string, dried: string): void {
  const { graph, lineId, option, closes, early } = work
  const { last } = work
  const back = option.closes?.by === 'slide' ? slideBack(lineId, option, option.closes.seam) : null
  for (const [seam, { to }] of option.joints.entries()) {
    const part = option.parts[to]
    if (!part || !isUnion(part.family)) continue
    const step = `${lineId}/${seam}/${UNION_STEP.key}`
    graph.add(step, UNION_STEP, lineId, seam, { part: part.name })
    // past the stop it waits for what is screwed on beyond it, be it after the water is back
    const inTime = option.joints[seam]?.beforeStop
      ? early(seam + 1)
      : option.joints.every((_, each) => early(each))
    for (const close of closes)
      if (last.has(close.seam)) graph.precede(step, back ?? close.step)
      else if (!inTime || early(close.seam)) for (const done of doneAt(work, close)) graph.precede(done, step)
    graph.precede(step, inTime ? open : dried)
  }
}

/** Nothing else of a line stands open when its run is closed. */
export function closeLast(work: Closing): void {
  const { last } = work
  for (const { seam, step } of work.closes)
    if (last.has(seam))
      for (const other of work.closes)
        if (!last.has(other.seam) && (work.early(other.seam) || !work.early(seam)))
          for (const done of doneAt(work, other)) work.graph.precede(done, step)
}

/**
 * What is made before the water comes back: at the bench all that can be carried in; where the old end is soldered, the
 * rest outward from the wall, since nothing that heat would spoil may hang on it.
 */
export function makeUp(work: Closing): void {
  const { graph, option, closes, early } = work
  const { last } = work
  const stubNeedsFlame = methodById(option.joints[0]?.method ?? 'compression').needsFlame
  const inPlace = (seam: number) =>
    onStandingSleeve(option, seam) || oneHeatWith(work, seam).some((each) => option.joints[each]?.atStub)
  // what is made in one heat has its place by the first of it
  const led = closes.filter(({ seam }) => !last.has(seam) && (work.heats.get(seam) ?? seam) === seam)
  const stubs = led.filter(({ seam }) => inPlace(seam))
  for (const close of led) {
    const { seam, step, template } = close
    if (!early(seam) || inPlace(seam)) continue
    if (methodById(option.joints[seam]?.method ?? 'compression').standing) {
      for (const stub of stubs) graph.precede(stub.step, step)
      // from the old end outward
      const before = led.find((other) => other.seam === seam - 1)
      if (before) graph.precede(before.step, step)
      continue
    }
    // a bowl, or a box, is set down on what stands already
    if ((isCloset(option) || work.setDown) && seam === option.joints.length - 1) continue
    if (!stubNeedsFlame) {
      // but that a flame at an old end comes before what it would spoil
      for (const stub of stubs) if (!stub.template.flame || template.flame) graph.precede(step, stub.step)
      continue
    }
    if (template.flame && oneHeatWith(work, seam).every((each) => forTheBench(work, each))) {
      for (const stub of stubs) for (const done of doneAt(work, close)) graph.precede(done, stub.step)
      continue
    }
    // the other old end of a run is no nearer to where the work begins
    for (const stub of stubs)
      if (stub.seam < seam) for (const done of doneAt(work, stub)) graph.precede(done, step)
    // a flame farther out comes before what heat would spoil nearer in
    const before = closes.find((other) => other.seam === seam - 1 && !last.has(other.seam))
    if (before && (before.template.flame || !template.flame))
      for (const done of doneAt(work, before)) graph.precede(done, step)
  }
}

/** Rubber with a pipe in either end. */
export const isSleeve = (part: MateOption['parts'][number] | undefined) =>
  part?.family === 'shielded-coupling' || part?.family === 'flexible-coupling'

/** Whether a piece comes into a sleeve that stands on the first old end of a run already. */
export function onStandingSleeve(
  { joints, parts, removalId }: Pick<MateOption, 'joints' | 'parts' | 'removalId'>,
  seam: number,
): boolean {
  return opensRun(removalId) && seam === 1 && isSleeve(parts[0]) && joints[0]?.atStub === true
}

/** The seams that are made in the heat of one, itself among them. */
function oneHeatWith({ heats }: Closing, seam: number): number[] {
  const first = heats.get(seam)
  return first === undefined ? [seam] : [...heats.keys()].filter((each) => heats.get(each) === first)
}

/** Whether a joint can be soldered apart from the place: nothing of it spoils, and nothing waits on the old pipe. */
function forTheBench(work: Closing, seam: number): boolean {
  const { option, solderAt, carried } = work
  const toFixture = (option.joints[seam]?.to ?? 0) >= option.parts.length
  return (
    solderAt === 'bench' &&
    (carried || !toFixture) &&
    !partsAt(work, seam).some((part) => heatShy(part) || slides(part))
  )
}

/**
 * On the bench too, flame comes before whatever heat would spoil, and what is put on another end of a body that is
 * heated waits until that is cold. What closes the run is made last, though it be soldered: the rest is kept cool.
 */
export function keepFromHeat(work: Closing): void {
  const { graph, closes, last } = work
  for (const hot of closes.filter(({ template }) => template.flame))
    for (const other of closes) {
      if (other.template.flame || (last.has(hot.seam) && !last.has(other.seam))) continue
      const parts = partsAt(work, other.seam)
      const spoilt = other.template.heatSensitive === true || parts.some(heatShy)
      if (spoilt) graph.precede(hot.step, other.step)
      if (!parts.some((part) => partsAt(work, hot.seam).includes(part))) continue
      for (const step of stepsAt(work, other.seam))
        if (templateOf(work, step)?.heatSensitive || (spoilt && step === other.step))
          for (const done of doneAt(work, hot)) graph.precede(done, step)
    }
}
