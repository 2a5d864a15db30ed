// A small world in which an order of work is carried out: water, pressure, heat, what waits on the pipe, what can be reached.
// It knows what each sentence of the plan does and nothing of how the plan was made; what floods, melts, burns, traps or
// stays bare is named. From the trade's rules; imports types and part families alone.
import type { PlannedStep, PlanRequest } from '@diarmos/core'
import { opensRun } from '../../packages/core/src/assembly/oldJoints/removals'
import { faultsOfClosing, MAKES } from './closing'
import { faultsOfFloors, overSlab, seenAnyway } from './floors'
import { faultsOfHeaters } from './heaters'

type Line = PlanRequest['lines'][number]
type Bodies = NonNullable<PlanRequest['bodies']>
type Step = Pick<
  PlannedStep,
  'id' | 'lineId' | 'seam' | 'words' | 'startSeconds' | 'endSeconds' | 'passive' | 'hands'
>

/** Old piping is parted by these; the rest of a removal looks, wipes or holds. */
const PARTS =
  /^remove\.(cut|cut-valve|cut-fitting|cut-shorter|cut-marks|cut-open|cut-ring|saw|saw-shorter|sweat|sweat-valve|sweat-fitting|unscrew|unscrew-fitting|unscrew-thread|pull-ring|release|release-fitting|open-body|open-body-fitting|undo-connector|undo-riser|old-connector|old-connector-fitting|repack|scrape-wax|flange-saw|flange-cut-inside|saw-open|chain-open|flange-lead|flange-copper|pick-lead|draw-pipe|draw-spigot|draw-ring|draw-connector|waste-nut|bands-off|bore-hub|chain-cut|chain-clay|saw-lead|saw-thread|undo-nut)$/
/** What frees the tail of the old fixture. */
const FREES = /^remove\.(undo-connector|undo-riser|old-connector|old-connector-fitting)$/
const PULLS = /^remove\.pull-(bowl|pan)$/
/** What lets water through a drain to see that it holds. */
const RUNS = /^prove\.(fill|fill-both|fill-floor|fill-tray|let-go|flush|standpipe|run)$/
/** A bowl comes to stand. */
const STANDS = /^(closet\.set|pan\.back)$/
const FLAME = /^(sweat\.heat(-wrapped|-all|-same)?|remove\.sweat(-valve)?)$/
const SETS = /^(sweat\.cool|cement\.cure(-range)?|expansion\.grip)$/
/** Goes on before the joint is made, or never. */
const WAITS_ON_PIPE =
  /^(compression\.(nut|ring|insert)|pex\.(ring|clamp)|expansion\.ring|sleeve\.sleeve|clips\.on|flare\.nut|gasket\.nut|slip\.nut|slide\.on|(shield|flexible)\.sleeve(-folded)?|hub\.gasket|waste\.nut|closet\.(bolts|seal))$/
/** Rubber, tape, paste or plastic that a later flame on the same part would spoil. */
const SPOILT_BY_HEAT =
  /^(thread\.seal|push\.push|press\.press|cement\.join|crimp\.press|cinch\.press|expansion\.expand|swivel\.snug|gasket\.tighten)/
/** Closes what lies open for good. */
const COVERS = /^cover\.((wall|ground|floor)(-drain)?|slab)$/
const SHUTS = /stop$|valve$|bib$/

interface LineState {
  /** Its own old stop is closed and seen to hold. */
  stopShut: boolean
  parted: boolean
  tailFree: boolean
  made: Set<number>
  set: Set<number>
  waiting: Set<number>
  plate: boolean
  plugged: boolean
  capped: boolean
  /** The side of a tee that no line begins at is shut. */
  sidesOpen: number
  /** Unions under pressure whose nut is not drawn. */
  undrawn: number
  clear: boolean
  looked: boolean
  everPlugged: boolean
  bowlOff: boolean
}

const isDrain = (line: Line) => line.conditions.service === 'waste'
const keepsStop = (line: Line) => line.option.removalId === 'keep-stop'
const capsOff = ({ option }: Line) => ['cap', 'plug'].includes(option.parts.at(-1)?.family ?? '')
const lastOf = ({ option }: Line) => option.joints.length - 1

const isUnion = ({ option: { parts, joints } }: Line, seam: number) =>
  parts[joints[seam]?.to ?? -1]?.family.endsWith('union') ?? false

/** The joints that stand under pressure as soon as the line's water comes back. */
function underPressure(line: Line): number[] {
  const { parts, joints } = line.option
  const all = joints.map((_, seam) => seam)
  if (line.meets?.from !== undefined && line.branchOf === undefined) return []
  const later = (seam: number) => line.leftLong !== undefined && (joints[seam]?.from ?? 0) >= line.leftLong
  if (keepsStop(line)) return all
  const shut = parts.findIndex(({ family }) => SHUTS.test(family))
  return all.filter((seam) => !later(seam) && (shut < 0 || (joints[seam]?.to ?? 0) <= shut))
}

/**
 * Carries a plan out and tells everything that goes wrong, in the order in which it does.
 *
 * @param steps as planned; their times count, not their place in the list
 */
export function carryOut(
  { lines, bodies = [], houseRules, permit }: PlanRequest,
  steps: readonly Step[],
): string[] {
  const wrong: string[] = []
  const of = new Map(lines.map((line) => [line.lineId, line]))
  const states = new Map<string, LineState>(
    lines.map((line) => [
      line.lineId,
      {
        stopShut: false,
        parted: false,
        tailFree: !hasOldConnector(line, bodies),
        made: new Set(),
        set: new Set(),
        waiting: new Set(),
        plate: line.conditions.plateMm === 0,
        plugged: false,
        everPlugged: false,
        bowlOff: false,
        capped: line.leftLong === undefined,
        sidesOpen: openSides(line, lines),
        undrawn: underPressure(line).filter((seam) => isUnion(line, seam)).length,
        clear: false,
        looked: false,
      },
    ]),
  )
  const house = { on: true, drained: false, proved: false, stopsShut: false }
  const bonding = { bridge: 'none' }
  const fixed = new Set<string>()
  const done = new Set<string>()
  const cover = {
    held: false,
    full: false,
    level: false,
    inspected: false,
    done: false,
    again: new Set<string>(),
  }
  const shutIn = lines.filter((line) => !isDrain(line) && line.conditions.access !== 'reachable')
  const shutDrains = lines.filter(
    (line) =>
      isDrain(line) &&
      line.conditions.access !== 'reachable' &&
      line.option.joints.some(
        ({ beforeStop }, seam) => beforeStop && !seenAnyway(line, bodies).includes(seam),
      ),
  )
  // what comes into a run drains through it: one stands full with the other
  const drainOf = ({ lineId, branchOf }: Line) => branchOf ?? lineId
  const standing = lines.filter(
    (line) => isDrain(line) && shutDrains.some((other) => drainOf(other) === drainOf(line)),
  )
  const heater = { on: true, filled: true }
  const water = lines.filter((line) => !isDrain(line))
  const hot = water.filter(({ conditions }) => conditions.service === 'hot')
  // a heater runs empty by its cold line too
  const heated = water.filter(
    (line) =>
      hot.includes(line) ||
      bodies.some(({ id, contents }) => id === line.meets?.to && contents.includes('element')),
  )
  const bodyState = new Map(
    bodies.map((body) => [
      body.id,
      { out: false, set: false, hung: body.stays ?? false, stripped: false, heatedAt: -1, run: false },
    ]),
  )
  const partsWithRubber = new Set<string>()
  const partsAt = (line: Line, seam: number) => {
    const joint = line.option.joints[seam]
    return [joint?.from, joint?.to].filter(
      (at): at is number => at !== undefined && line.option.parts[at] !== undefined,
    )
  }
  const dry = (line: Line) =>
    // behind a stop that is shut it is dry, whatever the house is
    isDrain(line) || stateOf(line).stopShut || (!house.on && house.drained && house.proved)
  const stateOf = (line: Line) => states.get(line.lineId) as LineState
  const bodyOf = (id: string) => bodyState.get(id.replace(/^general\/[a-z]+-/, ''))
  const ofWall = (to: string | undefined) =>
    bodies.some(({ id, mount, stays }) => id === to && mount === 'in-wall' && !stays)
  const metBy = (stepId: string) =>
    water.filter(({ meets }) => meets?.to !== undefined && stepId.endsWith(`-${meets.to}`))

  const comesBack = (affected: readonly Line[]) => {
    for (const line of affected) {
      const { made, waiting, capped, undrawn, sidesOpen } = stateOf(line)
      for (const seam of underPressure(line)) {
        if (!made.has(seam)) wrong.push(`floods: ${line.lineId} stands open at seam ${seam}`)
        else if (waiting.has(seam)) wrong.push(`bursts: ${line.lineId} has not set at seam ${seam}`)
      }
      if (undrawn > 0) wrong.push(`floods: ${line.lineId} stands undrawn`)
      if (!capped) wrong.push(`floods: ${line.lineId} stands long and open`)
      if (sidesOpen > 0) wrong.push(`floods: the side of ${line.lineId} stands open`)
    }
  }

  const begins = (step: Step) => {
    const { words, id, seam } = step
    const line = step.lineId === null ? undefined : of.get(step.lineId)
    if (words === 'safe.drain' && heater.on && heated.length > 0)
      wrong.push('burns dry: the heater is on while it drains')
    if (words === 'safe.drain' && house.on) wrong.push('drains against open water')
    if (words === 'safe.proved' && !house.drained) wrong.push('proved before it was drained')
    if (words === 'prove.scald' && !heater.on) wrong.push('measured cold')
    if (words === 'prove.breaker' && line && !stateOf(line).clear) wrong.push('the breaker is looked at dry')
    if (words === 'open.heater-on' && bodies.some(({ contents }) => contents.includes('element')))
      if (!fixed.has('prove.relief') && steps.some((each) => each.words === 'prove.relief'))
        wrong.push('heated before its relief was looked at')
    if ((words === 'fix.strap' || words === 'fix.ears') && line) {
      const body = bodies.find(({ id: at, mount }) => at === line.meets?.from && mount === 'in-wall')
      if (body && !bodyState.get(body.id)?.hung) wrong.push(`${line.lineId} is fixed before its valve hangs`)
    }
    if ((words === 'fix.strap' || words === 'fix.hang') && line)
      // what is reached later comes later: a bowl over its flange
      for (const [at, { from, beforeStop }] of line.option.joints.entries())
        if (words === 'fix.hang' && !beforeStop) continue
        else if (!stateOf(line).made.has(at) && !(line.leftLong !== undefined && from >= line.leftLong))
          wrong.push(`${line.lineId} is strapped before it stands`)
        else if (stateOf(line).waiting.has(at)) wrong.push(`${line.lineId} is strapped while it sets`)
    if (/^general\/drain-full$|\/line\/fill$/.test(id))
      for (const { lineId, words: hung } of steps)
        if (hung === 'fix.hang' && (!line || line.lineId === lineId) && !fixed.has(`fix.hang ${lineId}`))
          wrong.push(`${lineId} is filled before it hangs`)
    if (words === 'open.flush-bib' && line && !fixed.has(`fix.bib ${line.lineId}`))
      wrong.push(`the bib of ${line.lineId} is opened with nothing to hold it`)
    if (line && words === 'sweat.flux' && seam !== null) {
      const body = bodies.find(({ id: at, mount }) => at === line.meets?.to && mount === 'in-wall')
      const [joint] = line.option.joints
      // one joint alone, between the pipe in the wall and what hangs there
      if (body && joint?.atStub && line.option.parts.length === 0 && !bodyState.get(body.id)?.hung)
        wrong.push(`${line.lineId} is pushed home into what does not hang`)
    }
    if (line && MAKES.test(words) && seam !== null) {
      const box = bodies.find((body) => body.id === line.meets?.to && body.mount === 'in-wall')
      if (box && isDrain(line) && seam === line.option.joints.length - 1)
        if ([...bodyState.values()].some(({ hung }) => hung))
          wrong.push(`no pipe goes in between what stands of ${line.lineId} and a box that hangs`)
      if (box && isDrain(line) && seam < line.option.joints.length - 1)
        if (stateOf(line).made.has(line.option.joints.length - 1))
          wrong.push(`${line.lineId} is made to its box before it stands`)
      const from = line.option.parts[line.option.joints[seam]?.from ?? -1]
      if (from?.family === 'drop-ear-elbow' && !fixed.has(`fix.ears ${line.lineId}`))
        wrong.push(`${line.lineId} is turned into an elbow that hangs free`)
      if (
        seam === 0 &&
        line.conditions.faults.includes('loose') &&
        line.option.joints[0]?.atStub &&
        !isDrain(line)
      )
        if (!fixed.has(`fix.stub ${line.lineId}`)) wrong.push(`${line.lineId} is joined to a stub that moves`)
    }
    if (words === 'prove.hold' || words === 'hold.set') {
      if (!house.on) wrong.push('held without water')
      for (const each of shutIn)
        for (const at of underPressure(each))
          if (!stateOf(each).made.has(at)) wrong.push(`held with ${each.lineId} open at seam ${at}`)
    }
    if (/^(hold\.fill|prove\.level)$/.test(words))
      for (const each of standing) {
        if (stateOf(each).sidesOpen > 0) wrong.push(`filled with the side of ${each.lineId} open`)
        for (const [seam, { beforeStop }] of each.option.joints.entries()) {
          const { made, waiting } = stateOf(each)
          if (overSlab(each, bodies).includes(seam)) {
            if (made.has(seam)) wrong.push(`what ${each.lineId} is set on is still a trench`)
            continue
          }
          if (beforeStop && (!made.has(seam) || waiting.has(seam)))
            wrong.push(`filled with ${each.lineId} open at seam ${seam}`)
          if (!beforeStop && made.has(seam))
            wrong.push(`ten feet of water over seam ${seam} of ${each.lineId}`)
        }
      }
    if (COVERS.test(words)) {
      if (!house.on) wrong.push('covered without pressure')
      if (shutIn.length > 0 && !cover.held) wrong.push('covered before it was held')
      if (shutDrains.length > 0 && !cover.level) wrong.push('drain covered before it was filled')
      if (permit && !cover.inspected) wrong.push('covered before it was inspected')
      const looks = { both: 2, 'two-hours': 1, 'next-morning': 1 }[houseRules.recheck]
      if (cover.again.size < looks) wrong.push('covered before it was looked at again')
      for (const each of [...shutIn, ...shutDrains]) {
        if (!stateOf(each).looked && overSlab(each, bodies).length === 0)
          wrong.push(`covered with ${each.lineId} not looked at`)
        if (!stateOf(each).capped) wrong.push(`covered with ${each.lineId} long and open`)
        const later = overSlab(each, bodies).length
        if (each.leftLong === undefined && stateOf(each).made.size < each.option.joints.length - later)
          wrong.push(`covered with ${each.lineId} unfinished`)
      }
    }
    if (words === 'long.cut' && shutIn.length > 0 && !cover.done) wrong.push('cut before the wall is shut')
    if (/^open\.restore/.test(words)) {
      if (!house.stopsShut) wrong.push('floods: the new stops are not shut')
      comesBack(water.filter((each) => (words === 'open.restore' ? !keepsStop(each) : keepsStop(each))))
      for (const body of bodies)
        if (bodyState.get(body.id)?.stripped) wrong.push(`floods: what came out of ${body.id} is not back`)
    }
    if (words === 'open.stop-open' && line) comesBack([line])
    if (words === 'open.heater-on') {
      if (!house.on) wrong.push('burns dry: the heater is on without water')
      for (const each of heated) if (!stateOf(each).clear) wrong.push(`burns dry: air in ${each.lineId}`)
    }
    if (words === 'fixture.out')
      for (const each of metBy(id))
        if (!keepsStop(each) && house.on && !stateOf(each).looked)
          wrong.push(`${each.lineId} drips while nobody looks`)
    if (words === 'fixture.out')
      for (const each of metBy(id))
        if (!stateOf(each).tailFree) wrong.push(`the old connector of ${each.lineId} still holds it`)
    if (words === 'fixture.set' && !bodyOf(id)?.out) wrong.push('set where the old one stands')
    if (/^fixture\.hang/.test(words))
      // what it stands on, of a box its drain too; another valve has a place of its own
      for (const each of lines.filter(
        ({ meets }) => id.endsWith(`-${meets?.to}`) || (words === 'fixture.hang-box' && ofWall(meets?.to)),
      ))
        if (steps.some((act) => act.id.startsWith(`${each.lineId}/remove/`) && !done.has(act.id)))
          wrong.push(`hung where the old one of ${each.lineId} is`)
    if (/^fixture\.hang/.test(words))
      for (const each of lines)
        if (
          !heatedWhereItHangs(lines, each.meets?.from, houseRules.solderAt) &&
          each.meets?.from !== undefined &&
          id.endsWith(`-${each.meets.from}`) &&
          capsOff(each) &&
          !stateOf(each).made.has(0)
        )
          wrong.push(`bares: ${each.lineId} is capped where nobody reaches it`)
    if (/^fixture\.(run|fill)$/.test(words))
      for (const each of metBy(id))
        if (stateOf(each).made.size < each.option.joints.length) wrong.push(`runs out of ${each.lineId}`)
    if (words === 'hold.fill') cover.full = true
    if (!line) return
    const state = stateOf(line)
    if (words === 'closet.seal' && standing.includes(line) && !cover.level)
      wrong.push(`the plug of ${line.lineId} is out before its drain stood full`)
    if (
      cover.full &&
      standing.includes(line) &&
      (RUNS.test(words) || MAKES.test(words) || STANDS.test(words))
    )
      wrong.push(`${words} on ${line.lineId} while its drain stands full`)
    if (PARTS.test(words) && !dry(line)) wrong.push(`floods: ${words} on ${line.lineId} under pressure`)
    if (PARTS.test(words) && !FREES.test(words) && !keepsStop(line) && !state.tailFree)
      wrong.push(`${words} on ${line.lineId} with its connector still on`)
    if (FLAME.test(words)) flame(line, step, words.startsWith('remove.sweat'))
    if (/^open\.flush/.test(words)) {
      if (!house.on) wrong.push(`${line.lineId} is run without water`)
      for (const each of underPressure(line))
        if (!state.made.has(each)) wrong.push(`runs out of ${line.lineId}`)
    }
    if (/^prove\.(tissue|old-stop)/.test(words)) {
      if (!house.on && !keepsStop(line)) wrong.push(`${line.lineId} is looked at without pressure`)
      const seen = /inlet|joints|old-stop|cap$|to-valve/.test(words)
        ? underPressure(line)
        : line.option.joints.map((_, at) => at)
      for (const each of seen)
        if (!state.made.has(each) && !(words === 'prove.tissue-cap' && line.leftLong !== undefined))
          wrong.push(`seam ${each} of ${line.lineId} is looked at before it is made`)
    }
    if (words === 'closet.bolts')
      for (const seam of line.option.joints.keys())
        if (seam < lastOf(line) && !state.made.has(seam))
          wrong.push(`bolts of ${line.lineId} in a flange that seam ${seam} does not hold yet`)
    if (STANDS.test(words)) {
      if (state.waiting.size > 0) wrong.push(`the bowl of ${line.lineId} stands on soft cement`)
      const cemented = line.option.parts.some(({ family }) => family === 'closet-flange')
      if (cemented && !fixed.has(`screwed ${line.lineId}`))
        wrong.push(`the bowl of ${line.lineId} stands on a loose flange`)
      if (!state.bowlOff && steps.some((each) => each.lineId === line.lineId && PULLS.test(each.words)))
        wrong.push(`set on the old bowl of ${line.lineId}`)
      for (const seam of line.option.joints.keys())
        if (seam < lastOf(line) && !state.made.has(seam))
          wrong.push(`the bowl of ${line.lineId} is set before seam ${seam} is made`)
    }
    if (RUNS.test(words) && state.sidesOpen > 0)
      wrong.push(`the side of ${line.lineId} stands open while it runs`)
    if (RUNS.test(words))
      for (const [at] of line.option.joints.entries())
        if (!state.made.has(at) || state.waiting.has(at))
          wrong.push(`${line.lineId} is filled and open at seam ${at}`)
    if (seam === null) return
    const joint = line.option.joints[seam]
    if (!joint) return
    if (WAITS_ON_PIPE.test(words) && joint.atStub && !state.plate && words !== 'slide.on')
      wrong.push(`trapped: the plate of ${line.lineId} behind ${words}`)
    if (WAITS_ON_PIPE.test(words) && state.made.has(seam) && words !== 'slide.on')
      wrong.push(`trapped: ${words} after seam ${seam} of ${line.lineId} was made`)
    // what is done to the old end waits for it
    const onOld = joint.atStub && !/^made\.|^swivel\.look/.test(words)
    if (onOld && needsOldEnd(line) && !state.parted && !/^sweat\.shield/.test(words))
      wrong.push(`${words} on the old end of ${line.lineId} before that is free`)
    if (!MAKES.test(words)) return
    if (/^flange\.(ring|stack)$/.test(words) && seam > 0 && !state.made.has(seam - 1))
      wrong.push(`${words} of ${line.lineId} before what lies beneath it`)
    if (words === 'slip.tighten')
      for (const [at, other] of line.option.joints.entries())
        if (other.atStub && !state.made.has(at))
          wrong.push(`a nut of ${line.lineId} is drawn before seam ${at} stands`)
    if (joint.atStub && !state.plate) wrong.push(`trapped: the plate of ${line.lineId} is not on`)
    if (joint.atStub && state.plugged) wrong.push(`the plug of ${line.lineId} is shut in`)
    const body = bodies.find(({ id: each }) => each === line.meets?.to)
    const at = body && bodyState.get(body.id)
    const tail = seam === lastOf(line) && !capsOff(line)
    const stands = body?.mount === 'floor' || body?.mount === 'stands'
    if (tail && stands && !state.tailFree)
      wrong.push(`the old connector of ${line.lineId} is still on the tail`)
    // a tailpiece came with the basin, or hangs there still: nothing of it is set
    if (tail && body?.mount === 'deck' && !isDrain(line)) {
      const connector = line.option.parts[joint.from]?.family === 'supply-connector'
      if (body.stays && !state.tailFree)
        wrong.push(`the old connector of ${line.lineId} is still on the tail`)
      if (!body.stays && connector && at?.set) wrong.push(`no hand goes to the tail of ${line.lineId}`)
      if (!body.stays && !connector && !at?.set) wrong.push(`${line.lineId} is joined to what is not set`)
    }
  }

  const flame = (line: Line, step: Step, onOld: boolean) => {
    const joint = step.seam === null ? undefined : line.option.joints[step.seam]
    if ((onOld || joint?.atStub) && !dry(line)) wrong.push(`steams: flame on ${line.lineId} with water in it`)
    // what can only be closed last, and is wrapped, spares what stands on its body
    const wrapped = steps.some(
      ({ lineId, words, endSeconds }) =>
        lineId === step.lineId && words === 'sweat.heat-wrapped' && endSeconds === step.startSeconds,
    )
    if (step.seam === null || step.words === 'sweat.heat-wrapped') return
    if (step.words === 'sweat.heat-same' && wrapped) return
    for (const part of partsAt(line, step.seam))
      if (partsWithRubber.has(`${line.lineId} ${part}`))
        wrong.push(`melts: flame on part ${part} of ${line.lineId}`)
    const touches =
      step.seam === lastOf(line)
        ? line.meets?.to
        : step.seam === 0 && line.branchOf === undefined
          ? line.meets?.from
          : undefined
    const body = bodies.find(({ id }) => id === touches)
    if (
      body?.contents.some((what) => ['cartridge', 'seat', 'seal'].includes(what)) &&
      !bodyState.get(body.id)?.stripped
    )
      wrong.push(`melts: what is in ${body.id}`)
  }

  const ends = (step: Step) => {
    const { words, id, seam } = step
    const line = step.lineId === null ? undefined : of.get(step.lineId)
    const body = bodyOf(id)
    if (words === 'safe.shut') house.on = false
    if (words === 'safe.shut-kept' || words === 'safe.drain-kept')
      for (const each of water) if (keepsStop(each)) stateOf(each).stopShut = words === 'safe.drain-kept'
    done.add(step.id)
    if (words === 'safe.drain') house.drained = true
    if (words === 'prove.hold') cover.held = true
    if (words === 'prove.level') Object.assign(cover, { level: true, full: false })
    if (words === 'safe.bond') bonding.bridge = 'across'
    if (words === 'safe.unbond') bonding.bridge = 'off'
    if (words === 'safe.bond-stays') bonding.bridge = 'stays'
    if (words === 'prove.relief') fixed.add(words)
    if (line && words.startsWith('fix.')) fixed.add(`${words} ${line.lineId}`)
    if (words === 'cover.inspected') cover.inspected = true
    if (/^prove\.(two-hours|morning)$/.test(words)) cover.again.add(words)
    if (COVERS.test(words)) cover.done = true
    if (words === 'safe.proved') house.proved = true
    if (words === 'safe.heater-off') heater.on = false
    if (words === 'open.heater-on') heater.on = true
    if (/^open\.valves/.test(words)) house.stopsShut = true
    if (words === 'open.restore') house.on = true
    if (words === 'open.restore-kept')
      for (const each of water) if (keepsStop(each)) stateOf(each).stopShut = false
    if (body && words === 'fixture.out') body.out = true
    if (body && words === 'fixture.set') body.set = true
    if (body && /^fixture\.hang/.test(words)) body.hung = true
    if (body && words === 'body.strip') body.stripped = true
    if (body && words === 'body.refit') body.stripped = false
    if (!line) return
    const state = stateOf(line)
    if (words === 'safe.stop-shut') state.stopShut = true
    if (words === 'open.stop-open') state.stopShut = false
    if (PARTS.test(words) && !FREES.test(words)) state.parted = true
    if (keepsStop(line) && FREES.test(words)) state.parted = true
    if (FREES.test(words)) state.tailFree = true
    if (PULLS.test(words)) state.bowlOff = true
    if (words === 'flange.screw') fixed.add(`screwed ${line.lineId}`)
    if (words === 'captive.plate') state.plate = true
    if (/^drain\.plug(-both)?$/.test(words)) state.plugged = state.everPlugged = true
    if (/^drain\.unplug(-both)?$/.test(words)) state.plugged = false
    if (words === 'long.cap') state.capped = true
    if (words === 'branch.plug' || words === 'branch.cap') state.sidesOpen--
    if (/^open\.flush/.test(words)) state.clear = true
    if (/^prove\./.test(words)) state.looked = true
    if (seam === null) return
    if (MAKES.test(words)) {
      state.made.add(seam)
      if (SPOILT_BY_HEAT.test(words))
        for (const part of partsAt(line, seam)) partsWithRubber.add(`${line.lineId} ${part}`)
      if (steps.some((each) => each.lineId === step.lineId && each.seam === seam && SETS.test(each.words)))
        state.waiting.add(seam)
    }
    // what is taped cannot be heated any more, screwed home or not
    if (words === 'union.draw' && underPressure(line).includes(seam)) state.undrawn--
    if (words === 'thread.seal')
      for (const part of partsAt(line, seam)) partsWithRubber.add(`${line.lineId} ${part}`)
    if (SETS.test(words)) state.waiting.delete(seam)
  }

  // an end counts before what begins at the same moment
  const events = steps
    .flatMap((step) => [
      { at: step.startSeconds, first: 1, run: () => begins(step) },
      { at: step.endSeconds, first: step.endSeconds === step.startSeconds ? 2 : 0, run: () => ends(step) },
    ])
    .map((event, index) => ({ ...event, index }))
    .sort((a, b) => a.at - b.at || a.first - b.first || a.index - b.index)
  for (const { run } of events) run()
  const acts = steps.filter((step) => !step.passive && step.endSeconds > step.startSeconds)
  const placeOf = (step: Step) => {
    const meets = step.lineId === null ? undefined : of.get(step.lineId)?.meets
    return meets?.to ?? meets?.from ?? step.lineId
  }
  for (const [index, a] of acts.entries())
    for (const b of acts.slice(index + 1)) {
      if (a.endSeconds <= b.startSeconds || b.endSeconds <= a.startSeconds) continue
      if (a.hands === b.hands) wrong.push(`${a.id} and ${b.id} by one pair of hands`)
      else if (placeOf(a) !== null && placeOf(a) === placeOf(b))
        wrong.push(`${a.id} and ${b.id} with two heads in one cabinet`)
    }

  // a run of metal that goes on behind plastic; behind an end only the fixture comes
  const parted = water.some(
    ({ material = '', option: { joints, parts, removalId } }) =>
      opensRun(removalId) &&
      /copper|steel|brass|stainless/.test(material) &&
      joints.some(
        ({ tubeMaterial, to }) =>
          /^(pex|cpvc|pvc|poly)/.test(tubeMaterial) || parts[to]?.family === 'dielectric-union',
      ),
  )
  if (bonding.bridge === 'stays' && !parted) wrong.push('a bridge stays where nothing is parted')
  if (bonding.bridge === 'across') wrong.push('the bridge is forgotten')
  if (bonding.bridge === 'off' && parted) wrong.push('bares: the bonding is parted by plastic')
  if (shutIn.length + shutDrains.length > 0 && !cover.done) wrong.push('what lies open is never covered')
  wrong.push(...faultsOfFloors({ lines, bodies, houseRules }, steps))
  wrong.push(...faultsOfHeaters({ lines, bodies, houseRules }, steps))
  for (const line of lines) wrong.push(...remelted(line, lines, steps))
  for (const line of lines) {
    const body = bodies.find(({ id }) => id === line.meets?.to)
    const hangs = steps.find(
      ({ words, id }) => /^(fixture\.hang|heater\.set)/.test(words) && id.endsWith(`-${body?.id}`),
    )
    // a box is set down on its drain, and hangs when that stands
    const above = body?.mount === 'in-wall' && isDrain(line)
    const held = (body?.mount === 'in-wall' && !above) || (body?.contents.includes('element') ?? false)
    if (line.leftLong === undefined)
      wrong.push(...faultsOfClosing(line, steps, { held, above, hungAt: hangs?.endSeconds ?? 0 }))
    const { made, plugged, looked } = stateOf(line)
    for (const seam of line.option.joints.keys())
      if (!made.has(seam)) wrong.push(`${line.lineId} is never made at seam ${seam}`)
    if (plugged) wrong.push(`the plug of ${line.lineId} stays in`)
    if (!looked) wrong.push(`nobody looks at ${line.lineId}`)
  }
  if (heated.some((line) => !keepsStop(line)) && !heater.on) wrong.push('the heater stays off')
  for (const [id, { stripped }] of bodyState) if (stripped) wrong.push(`what came out of ${id} stays out`)
  return wrong
}

/**
 * A fitting that was soldered is hot all through when it is heated again: what was made runs out. A tube and a valve are
 * long enough to be heated at one end, and a union comes apart.
 */
function remelted(line: Line, lines: readonly Line[], steps: readonly Step[]): string[] {
  const { parts, joints } = line.option
  const heats = steps.filter((step) => step.lineId === line.lineId && /^sweat\.heat/.test(step.words))
  return parts.flatMap((part, at) => {
    if (part.family === 'tube-piece' || part.family.endsWith('union') || SHUTS.test(part.family)) return []
    // a tee is hot at its branch too
    const branches = /tee$/.test(part.family)
      ? lines.filter(({ branchOf }) => branchOf === line.lineId).map(({ lineId }) => lineId)
      : []
    const on = heats
      .filter(({ seam }) => seam !== null && [joints[seam]?.from, joints[seam]?.to].includes(at))
      .concat(
        steps.filter(
          ({ lineId, seam, words }) =>
            seam === 0 && branches.includes(lineId ?? '') && /^sweat\.heat/.test(words),
        ),
      )
      .sort((a, b) => a.startSeconds - b.startSeconds)
    const again = on
      .slice(1)
      .find(({ startSeconds }, index) => startSeconds > (on[index]?.endSeconds ?? 0) + 1)
    return again ? [`remelts: part ${at} of ${line.lineId} is heated again at seam ${again.seam}`] : []
  })
}

/** Whether an old stop goes with something still hanging on it: not a bib, nor what is piped into a wall. */
function hasOldConnector({ option, conditions, meets }: Line, bodies: Bodies): boolean {
  if (conditions.service === 'waste' || conditions.oldJoint === 'none') return false
  const mount = bodies.find(({ id }) => id === meets?.to)?.mount ?? ''
  if (['wall', 'in-wall'].includes(mount) || option.parts.some(({ family }) => /bib$/.test(family)))
    return false
  return !['bare', 'new-end'].includes(option.removalId) && !opensRun(option.removalId)
}

/**
 * A valve whose own cup takes the old pipe or closes its line, or that is soldered in place by choice: where a flame gets
 * at it a hand does, and it is capped when it is cold again.
 */
function heatedWhereItHangs(
  lines: readonly Line[],
  body: string | undefined,
  at: string | undefined,
): boolean {
  return lines.some(
    ({ option, meets }) =>
      body !== undefined &&
      meets?.to === body &&
      option.joints.at(-1)?.method === 'sweat' &&
      (at === 'place' || option.joints.length === 1 || option.closes?.seam === option.joints.length - 1),
  )
}

/** Sides of a tee or a wye and second outlets in the line that nothing of the job comes into. */
function openSides({ option, lineId }: Line, lines: readonly Line[]): number {
  const sides = option.parts.reduce((sum, { family, fittingId }) => {
    const open = /(^|-)tee$|^wye|^dual-stop$/.test(family) && !/^(vent|cleanout)-/.test(family)
    return sum + (open ? (/^tee\.(double|left|right)\./.test(fittingId) ? 2 : 1) : 0)
  }, 0)
  return sides - lines.filter(({ branchOf }) => branchOf === lineId).length
}

/** Whether something has to be parted before the old end is bare. */
const needsOldEnd = ({ option }: Line) => !['bare', 'new-end'].includes(option.removalId)
