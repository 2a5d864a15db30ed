import { actsOf } from '../../assembly/methods/acts'
import type { Pair } from '../../assembly/methods/pairs'
import { pairEngagement, portClass } from '../../assembly/methods/pairs'
import { removalById, removalSeconds } from '../../assembly/oldJoints/removals'
import type { Reason } from '../../assembly/reason'
import { schoolOf } from '../../assembly/schools'
import { type ToolId, toolsOn } from '../../assembly/tools'
import { fittingById } from '../../catalog/families'
import { PARK_MM, slides, UNION_GAP_MM } from '../../fitup/fixedEnds'
import { faceMm } from '../../fitup/takeOut'
import { IN_PLACE } from '../../record/inPlace'
import { commonPractice } from '../../reference/source'
import { TRAP_ARMS } from '../../reference/trapArms'
import { consumablesOf, labourCents, methodsOf, missingTools, partCents, setUpCents } from '../costs/costs'
import { endToEndMm, PER_MM } from '../model/book'
import type { Problem } from '../model/problem'
import { hasUnionNut } from '../model/routes'
import { tokenOf } from '../model/token'
import { criteriaOf } from '../search/front'
import { type Label, needsTrip } from '../search/labels'
import type { ChosenJoint, ChosenPart, MateOption, MateSettings, RankedOption } from '../types'

/** Days after which somebody has to come back to what is meant for a time only. Common practice. */
const RETURN_DAYS = { temporary: 14, improvised: null } as const

/** Turns a finished chain into the option that is shown, with every cent accounted for. */
export function toOption(problem: Problem, goal: Label): RankedOption {
  const { settings } = problem
  const chain: Label[] = []
  for (let at: Label | null = goal; at; at = at.back) chain.unshift(at)
  const [first, ...links] = chain as [Label, ...Label[]]
  const { removal } = first.start
  const parts: ChosenPart[] = []
  const joints: ChosenJoint[] = []
  const tools = new Set<ToolId>(removal.tools)
  const begins = problem.isStub(first.start) ? null : first.start.port
  // from which of the ends that another line may leave open is part of the way
  const branches = begins && problem.line.branchOf !== undefined
  const tokens: string[] = [branches ? `${removal.id}@${portClass(begins)}` : removal.id]
  let stage = problem.beginStage(first.start)

  for (const link of links) {
    const pair = (link.group?.pair ?? link.final) as Pair
    const engagement = pairEngagement(pair)
    // the first joint stands on the old pipe; between fixed ends the last does too
    const atStub = parts.length === 0 ? problem.isStub(first.start) : problem.far !== null && !link.group
    joints.push({
      method: pair.method.id,
      from: parts.length - 1,
      to: parts.length,
      system: pair.body.system,
      nominal: pair.body.nominal,
      diameterMm: pair.tip.diameterMm,
      bodyForm: pair.body.form,
      tubeMaterial: pair.tip.material,
      minMm: engagement.minMm,
      maxMm: engagement.maxMm,
      makeUpSource: engagement.source,
      atStub,
      beforeStop: stage < problem.route.opensAt,
      seal: pair.method.seal,
      tools: toolsOn(pair.method.tools, pair.tip.material),
      consumables: consumablesOf(pair.method, settings),
      steps: actsOf(pair.method, { tubeMaterial: pair.tip.material, atStub, body: pair.body.form }).map(
        (act) => act.words,
      ),
      reasons: link.joint?.remarks ?? [],
    })
    for (const tool of toolsOn(pair.method.tools, pair.tip.material)) tools.add(tool)
    if (link.group && link.choice) {
      const { part } = link.choice
      parts.push({
        fittingId: part.id,
        name: part.name,
        family: part.family,
        inPort: link.group.inPort,
        outPort: Math.max(0, link.group.outPort),
        priceCents: partCents(part, settings),
        aboard: problem.stockOf(part) > parts.filter(({ fittingId }) => fittingId === part.id).length,
        ...(part.standing ? { standing: part.standing } : {}),
      })
      tokens.push(tokenOf(pair.method.id, part))
    } else tokens.push(pair.method.id)
    stage = link.stage
  }
  const partsTotal = parts.reduce((sum, part) => sum + part.priceCents, 0)
  const consumables = goal.priceCents - partsTotal
  const setUp = setUpCents(goal.mask, settings)
  const trip = needsTrip(goal) ? labourCents(settings.tripMinutes * 60, settings) : 0
  // labour is rounded per joint and part in the search; what remains of the additive cost is risk
  const hands = links.flatMap((link) => {
    const spared = link.back?.hot && pairOf(link)?.method.needsFlame ? (link.joint?.spared.seconds ?? 0) : 0
    return [(link.joint?.seconds ?? 0) - spared, link.group?.ownSeconds ?? 0]
  })
  const labour = [removalSeconds(removal), ...hands].reduce(
    (sum, seconds) => sum + labourCents(seconds, settings),
    0,
  )
  const standing = parts.find((part) => part.standing)?.standing
  const firstLink = links[0] as Label
  return {
    id: tokens.join(';'),
    removalId: removal.id,
    // what the place adds to the table's own acts goes with the way
    ...(removal.steps === removalById(removal.id).steps ? {} : { removalActs: removal.steps }),
    ...(begins
      ? {
          beginsAt: {
            form: begins.form,
            system: begins.system,
            nominal: begins.nominal,
            material: begins.material,
          },
        }
      : {}),
    parts,
    joints,
    methods: methodsOf(goal.mask).map((method) => method.id),
    costs: {
      partsCents: partsTotal,
      consumablesCents: consumables,
      labourSeconds: goal.seconds,
      labourCents: labour,
      setUpCents: setUp,
      tripCents: trip,
      riskCents: goal.additive - partsTotal - consumables - labour,
      totalCents: goal.additive + setUp + trip,
    },
    // chosen where a trip is made anyway, pieces were not counted
    criteria: { ...criteriaOf(goal, problem), notAboard: parts.filter(({ aboard }) => !aboard).length },
    onFront: false,
    leads: [],
    waterOffSeconds: goal.waterOffSeconds,
    missingParts: parts.filter((part) => !part.aboard).map((part) => part.fittingId),
    missingTools: missingTools([...tools], settings),
    needsStubMm: (firstLink.joint?.need ?? 0) / PER_MM,
    leavesStubMm: stubLeft(problem, links),
    ...(problem.line.cutIn ? openedAndClosed(problem, links) : closedToHeld(problem, links)),
    ...(standing ? { followUp: { standing, returnDays: RETURN_DAYS[standing] } } : {}),
    // what two seams have in common is said once
    warnings: [
      ...new Map(
        joints.flatMap(({ reasons }) =>
          reasons.map((reason) => [`${reason.ruleId}${JSON.stringify(reason.parameters)}`, reason] as const),
        ),
      ).values(),
      ...ofNewCopper(parts, settings),
      ...ofLongArm(problem, parts),
      ...ofPlace(problem, links),
    ],
  }
}

/**
 * A trap that stands farther out than its arm may be long, whatever lies behind the wall: the arm is never shorter than
 * what was measured of it.
 */
function ofLongArm({ route, span, settings }: Problem, parts: readonly ChosenPart[]): Reason[] {
  if (route.trapAt === undefined || span === null || route.vents) return []
  const trap = parts.find(({ family }) => family === 'p-trap')
  const size = trap && fittingById(trap.fittingId)?.ports[trap.inPort]?.nominal
  const { mostMm, source } = TRAP_ARMS[settings.codeProfile ?? 'IPC']
  const most = mostMm[size ?? '']
  const outMm = span / PER_MM
  if (most === undefined || outMm <= most) return []
  return [{ ruleId: 'drain.long-arm', severity: 'warn', parameters: { outMm, mostMm: most }, source }]
}

/** Whether a part has no length of its own, be lengths counted or not: a piece that is cut, a hose. */
const takesUp = ({ choice, group }: Pick<Label, 'choice' | 'group'>) =>
  choice?.part.family === 'tube-piece' || group?.role === 'connector'

/** Rigid from the old pipe to what stands, over a way that nobody measured: it is held there and marked. */
function ofPlace(problem: Problem, links: readonly Label[]): Reason[] {
  const gives = links.some(takesUp)
  const cut = !(links[0] as Label).start.removal.threadedEnd
  if (!cut || !problem.fitsInPlace(gives)) return []
  return [{ ruleId: IN_PLACE, severity: 'warn', parameters: {}, source: commonPractice }]
}

/** How long the old pipe is left by a way, up to where its length was measured. */
function stubLeft(problem: Problem, links: readonly Label[]): number | null {
  const { start } = links[0] as Label
  let rest = 0
  /** A hose, or a piece that is cut, takes what is left. */
  let gives = false
  for (const { joint, choice, group, back } of links) {
    rest -= joint?.insHi ?? 0
    if (!choice || !group) continue
    gives ||= choice.hi > choice.lo || takesUp({ choice, group })
    rest += choice.lo
    if (back && problem.endsSpan(back.stage, group)) {
      rest -= choice.behind
      break
    }
  }
  return problem.leavesMm(start, rest, gives)
}

const pairOf = ({ group, final }: Label) => group?.pair ?? final

/** New copper tube is of the type that the shop takes. */
function ofNewCopper(parts: readonly ChosenPart[], { houseRules }: MateSettings): Reason[] {
  const isCopper = ({ family, fittingId }: ChosenPart) =>
    family === 'tube-piece' && fittingById(fittingId)?.ports[0]?.material === 'copper'
  if (!parts.some(isCopper)) return []
  return [
    {
      ruleId: 'copper.type',
      severity: 'note',
      parameters: { type: schoolOf(houseRules, 'copperType') },
      source: { title: "The shop's own rule on copper for drinking water", certainty: 'common practice' },
    },
  ]
}

/** What comes out of a run for what goes in, and what is closed last. */
function openedAndClosed(
  problem: Problem,
  links: readonly Label[],
): Pick<MateOption, 'removeMm' | 'removeLegsMm' | 'closes'> {
  const last = closing(problem, links)
  return { ...takenOut(links, longerPiece(problem, links, last.closes)), ...last }
}

/**
 * The piece that what slides has to wait on, where neither end of the run is bare for so long, and how long it is for
 * that: the sliding part clear of its mouth, and its other end home. Mm; null where nothing waits on a piece.
 */
function longerPiece(
  problem: Problem,
  links: readonly Label[],
  closes: MateOption['closes'],
): { readonly at: number; readonly mm: number } | null {
  if (closes?.by !== 'slide') return null
  const parts = links.filter(({ choice }) => choice !== null)
  const { seam, needsMm } = closes
  const room = (mm: number | null | undefined) => mm == null || mm >= needsMm
  if (seam === 0 && room(links[0]?.start.usableMm)) return null
  if (seam === parts.length - 1 && room(problem.far?.usableMm)) return null
  // of two, the one that Cut takes: the nearer to this end
  const beside = [seam - 1, seam + 1].flatMap((at) => {
    if (parts[at]?.choice?.part.family !== 'tube-piece') return []
    const other = links[at > seam ? at + 1 : at]?.joint?.insHi ?? 0
    return [{ at, mm: needsMm + other / PER_MM }]
  })
  return beside[0] ?? null
}

/** Between the two cut ends of the run: all that goes in, less what enters it, mm; leg by leg round a corner. */
function takenOut(
  links: readonly Label[],
  longer: { readonly at: number; readonly mm: number } | null,
): Pick<MateOption, 'removeMm' | 'removeLegsMm'> {
  const legs = [{ min: 0, max: 0 }]
  for (const [index, { group, choice, joint }] of links.entries()) {
    const leg = legs.at(-1) as { min: number; max: number }
    if (joint) {
      leg.min -= joint.insHi / PER_MM
      leg.max -= joint.insLo / PER_MM
    }
    if (!group || !choice) continue
    const { part } = choice
    const fixed = endToEndMm(part, [group.inPort, group.outPort])
    const behind = group.turn > 0 ? faceMm(part, group.outPort) : 0
    const least = Math.max(part.lengthMm?.min ?? fixed, longer?.at === index ? longer.mm : 0)
    leg.min += part.family === 'tube-piece' ? least : fixed - behind
    leg.max += part.family === 'tube-piece' ? (part.lengthMm?.max ?? fixed) : fixed - behind
    if (group.turn > 0) legs.push({ min: behind, max: behind })
  }
  const [whole, far] = legs.map(({ min, max }) => ({ min: Math.max(0, min), max: Math.max(0, max) }))
  if (!whole) return {}
  return far ? { removeLegsMm: [whole, far] } : { removeMm: whole }
}

/**
 * The seam that closes a line to a body that is held, where something on the way is screwed: that is turned home while
 * one of its sides is free, so that something else is made last. The nearer nut of what is flexible; a union; else what needs no flame, behind the stop before the old end; else what is soldered away from
 * any thread's tape.
 */
function closedToHeld(problem: Problem, links: readonly Label[]): Pick<MateOption, 'closes'> {
  if (problem.line.to?.held !== true || !links.some(({ joint }) => joint?.turns)) return {}
  const beforeStop = ({ back }: Label) => (back?.stage ?? 0) < problem.route.opensAt
  const hose = links.findIndex(({ group }) => group && /connector$/.test(group.role))
  if (hose >= 0) return { closes: { seam: hose, by: 'joint', needsMm: 0 } }
  const union = links.findIndex(({ group }) => group && hasUnionNut(group.family))
  if (union >= 0) return { closes: { seam: union, by: 'union', needsMm: UNION_GAP_MM } }
  const able = links.flatMap((link, seam) =>
    link.joint && problem.shutsOn(link.joint, beforeStop(link), link.back?.turned ?? 0)
      ? [{ seam, flame: pairOf(link)?.method.needsFlame ?? false, behind: !beforeStop(link) }]
      : [],
  )
  const screwed = (seam: number) => links[seam]?.joint?.turns ?? false
  const chosen =
    able.find(({ flame, behind }) => !flame && behind) ??
    able.find(({ flame }) => !flame) ??
    able.find(({ seam }) => !screwed(seam - 1) && !screwed(seam + 1)) ??
    able[0]
  const joint = chosen && links[chosen.seam]?.joint
  return joint ? { closes: { seam: chosen.seam, by: 'joint', needsMm: problem.givesFor(joint) } } : {}
}

/**
 * The seam between fixed ends that is closed last, and what makes that possible: the first one by which the chain was
 * found to close.
 */
function closing(problem: Problem, links: readonly Label[]): Pick<MateOption, 'closes'> {
  const sprung = (link: Label | undefined) =>
    link?.joint !== undefined &&
    link.joint !== null &&
    problem.dryAt(link.joint, true) &&
    link.joint.apart <= problem.springAt(link.back?.turned ?? 0)
  const spring = (seam: number): Pick<MateOption, 'closes'> => ({
    closes: { seam, by: 'spring', needsMm: (links[seam]?.joint?.insLo ?? 0) / PER_MM },
  })
  // what is rolled back over an end gives way by itself: the farthest is rolled over last, both its ends with it
  const folds = links.findLastIndex((link) => pairOf(link)?.method.folds) - 1
  if (folds >= 0) return { closes: { seam: folds, by: 'fold', needsMm: 0 } }
  const slide = (seam: number): Pick<MateOption, 'closes'> => {
    const part = links[seam]?.choice?.part
    return { closes: { seam, by: 'slide', needsMm: (part ? endToEndMm(part) : 0) + PARK_MM } }
  }
  const at = links.findIndex((link) => link.closing === 'yes')
  const link = links[at]
  // nothing before the last joint does: it is sprung, or what waits before it slides onto the far pipe
  if (!link) return sprung(links.at(-1)) ? spring(links.length - 1) : slide(links.length - 2)
  // of the joints that give enough, one without a flame: nothing is soldered last that need not be
  if (sprung(link)) {
    const cold = links.findIndex((each) => sprung(each) && !pairOf(each)?.method.needsFlame)
    return spring(cold >= 0 ? cold : at)
  }
  if (link.group?.role === 'union') return { closes: { seam: at, by: 'union', needsMm: UNION_GAP_MM } }
  // a piece lets what slides beside it wait on it
  return slide(link.group && slides(link.group) ? at : at - 1)
}
