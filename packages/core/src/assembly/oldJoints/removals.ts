import { CoreFault } from '../../fault'
import type { Medium } from '../../reference/materials'
import type { Source } from '../../reference/source'
import { commonPractice } from '../../reference/source'
import type { PipeMaterial } from '../../reference/types'
import type { StepTemplate } from '../acts/types'
import { handsOnSeconds } from '../methods/acts'
import { type ToolId, toolsOn } from '../tools'
import { type OldJoint, oldJointRow } from './table'

/** Marks on the end of the stub: what a removal leaves, and what was there before. */
export type EndMark = 'solder' | 'ring' | 'teeth' | 'score' | 'oval' | 'bend'

/** One way to get the old stop off, and what it leaves. Lengths are counted from the visible bare stub. */
export interface Removal {
  readonly id: string
  /** Pipe that it is for; any where it is not said. */
  readonly medium?: Medium
  /** Tube that it is for; any where it is not said. */
  readonly on?: 'soft' | 'plastic' | 'iron' | 'metric-waste' | 'copper-drain' | 'threaded'
  /** Length gained beyond the visible stub: none, the old insertion, the nut's length less the ring, or an old flange's collar. */
  readonly gains: 'nothing' | 'insertion' | 'nut-less-ring' | 'nut-and-insertion' | 'collar'
  /** Taken off for the cut itself, mm. */
  readonly kerfMm: number
  /** Bare stub that the tool needs to get round or between, mm. */
  readonly roomMm: number
  readonly leaves: readonly EndMark[]
  /**
   * What stays and is taken again: the nut of a trap adapter, on tube of its size or a smaller; a stop that holds, of
   * which only the old connector is undone; a closet flange; the hub, the socket or the threaded fitting that the old
   * pipe stood in.
   */
  readonly keeps?: 'nut' | 'nut-reduced' | 'stop' | 'flange' | 'flange-broken' | 'hub' | 'socket' | 'thread'
  /** The pipe is not cut: it ends where its old flange did, or is ground flush with the floor. */
  readonly endsAt?: 'flange'
  /** The thread that the pipe ends in goes with it. */
  readonly offThread?: true
  /** The end is a male taper thread afterwards. */
  readonly threadedEnd: boolean
  readonly needsFlame: boolean
  readonly needsDry: boolean
  readonly tools: readonly ToolId[]
  readonly steps: readonly StepTemplate[]
  readonly source: Source
}

/** What goes with the thread of a drain pipe and the cut behind it, mm. Common practice. */
const THREAD_OFF_MM = 30

/** How far an old closet flange reaches down its pipe, mm. Common practice. */
export const OLD_FLANGE_HUB_MM = 50.8

const step = (words: string, seconds: number, extra: Partial<StepTemplate> = {}): StepTemplate => ({
  key: words,
  kind: 'remove',
  words,
  seconds,
  ...extra,
})

/** Where a line begins at something new: nothing comes off. */
export const NEW_END: Removal = {
  id: 'new-end',
  gains: 'nothing',
  kerfMm: 0,
  roomMm: 0,
  leaves: [],
  threadedEnd: false,
  needsFlame: false,
  needsDry: false,
  tools: [],
  steps: [],
  source: commonPractice,
}

const PULL_BOWL = [
  step('remove.pull-bowl', 420),
  step('remove.scrape-wax', 120, { after: ['remove.pull-bowl'] }),
] as const

/** Iron is parted by a chain, never by a saw for plastic. */
const CHAIN_CUT: Removal = {
  ...NEW_END,
  id: 'chain-cut',
  medium: 'drain',
  on: 'iron',
  kerfMm: 3,
  roomMm: 50,
  tools: ['chain-cutter'],
  steps: [step('remove.hold-iron', 60), step('remove.chain-cut', 300, { after: ['remove.hold-iron'] })],
}
const SAW_LEAD: Removal = {
  ...NEW_END,
  id: 'saw-lead',
  medium: 'drain',
  kerfMm: 3,
  roomMm: 12,
  tools: ['pipe-saw'],
  steps: [step('remove.saw-lead', 240)],
}

/** Where a toilet stood: its flange stays, or goes with what is beneath it. */
const OF_TOILETS: readonly Removal[] = [
  { ...NEW_END, id: 'keep-flange', medium: 'drain', keeps: 'flange', steps: [...PULL_BOWL] },
  { ...NEW_END, id: 'keep-broken-flange', medium: 'drain', keeps: 'flange-broken', steps: [...PULL_BOWL] },
  {
    ...NEW_END,
    id: 'flange-off',
    medium: 'drain',
    on: 'plastic',
    kerfMm: 3,
    roomMm: 25,
    tools: ['multi-tool'],
    steps: [...PULL_BOWL, step('remove.flange-saw', 420, { after: ['remove.scrape-wax'] })],
  },
  {
    // where the floor is closed all round, the pipe is cut from inside, beneath the flange's hub
    ...NEW_END,
    id: 'flange-cut-inside',
    medium: 'drain',
    on: 'plastic',
    kerfMm: 3,
    roomMm: 25,
    tools: ['inside-cutter'],
    steps: [...PULL_BOWL, step('remove.flange-cut-inside', 300, { after: ['remove.scrape-wax'] })],
  },
]

/** A flange that was soldered onto copper goes with the pipe in its hub: no flame between joists. */
const OFF_COPPER: Removal = {
  ...NEW_END,
  id: 'flange-off-copper',
  medium: 'drain',
  on: 'copper-drain',
  kerfMm: 2,
  roomMm: 25,
  tools: ['multi-tool'],
  steps: [...PULL_BOWL, step('remove.flange-copper', 480, { after: ['remove.scrape-wax'] })],
}

/** A flange that was caulked onto iron: its lead is picked, and it lifts off. */
const OFF_IRON: Removal = {
  ...NEW_END,
  id: 'flange-off-iron',
  medium: 'drain',
  on: 'iron',
  gains: 'collar',
  endsAt: 'flange',
  tools: ['hammer-and-chisel'],
  steps: [...PULL_BOWL, step('remove.flange-lead', 900, { after: ['remove.scrape-wax'] })],
}

/** The same flange with the end of its pipe: parted beneath it, where new pipe has to come up to the floor. */
const CUT_IRON: Removal = {
  ...CHAIN_CUT,
  id: 'flange-cut-iron',
  steps: [
    ...PULL_BOWL,
    step('remove.hold-iron', 60, { after: ['remove.scrape-wax'] }),
    step('remove.chain-cut', 300, { after: ['remove.hold-iron'] }),
  ],
}

/** Old drain joints that come apart, or of which one half is used again. */
const OF_DRAINS: readonly Removal[] = [
  {
    ...NEW_END,
    id: 'pick-hub',
    medium: 'drain',
    keeps: 'hub',
    tools: ['hammer-and-chisel'],
    steps: [step('remove.hold-iron', 60), step('remove.pick-lead', 900, { after: ['remove.hold-iron'] })],
  },
  {
    ...NEW_END,
    id: 'draw-from-hub',
    medium: 'drain',
    keeps: 'hub',
    tools: ['hammer-and-chisel'],
    steps: [step('remove.hold-iron', 60), step('remove.draw-spigot', 300, { after: ['remove.hold-iron'] })],
  },
  {
    ...NEW_END,
    id: 'bands-off',
    medium: 'drain',
    gains: 'insertion',
    tools: ['nut-driver'],
    steps: [step('remove.hold-iron', 60), step('remove.bands-off', 150, { after: ['remove.hold-iron'] })],
  },
  {
    // the pipe is bored out of the hub that it was cemented into
    ...NEW_END,
    id: 'bore-hub',
    medium: 'drain',
    keeps: 'socket',
    needsDry: true,
    tools: ['hub-borer'],
    steps: [...PULL_BOWL, step('remove.bore-hub', 300, { after: ['remove.scrape-wax'] })],
  },
  {
    // the whole of a pipe that rotted at its thread, out of the fitting behind
    ...NEW_END,
    id: 'draw-from-fitting',
    medium: 'drain',
    on: 'threaded',
    keeps: 'thread',
    tools: ['pipe-wrenches'],
    steps: [
      step('remove.hold-fitting', 60),
      step('remove.draw-pipe', 420, { after: ['remove.hold-fitting'] }),
      step('remove.chase-thread', 120, { after: ['remove.draw-pipe'] }),
    ],
  },
  CHAIN_CUT,
  SAW_LEAD,
]

/** Drain pipe is sawn: no wheel of a tube cutter goes round it. */
const SAW_BEHIND: Removal = {
  ...NEW_END,
  id: 'saw-behind',
  medium: 'drain',
  kerfMm: 2,
  roomMm: 12,
  tools: ['pipe-saw'],
  steps: [step('remove.saw', 150)],
}

export const REMOVALS: readonly Removal[] = [
  { ...NEW_END, id: 'bare', steps: [step('remove.look', 20)] },
  {
    ...NEW_END,
    id: 'cut-behind',
    medium: 'supply',
    kerfMm: 1,
    roomMm: 12,
    tools: ['tube-cutter'],
    steps: [step('remove.cut', 150)],
  },
  SAW_BEHIND,
  // plastic out of a ring socket; iron out of a hub is parted by its chain
  { ...SAW_BEHIND, id: 'saw-behind-ring', on: 'metric-waste' },
  {
    // past its thread a pipe is as plain as any
    ...NEW_END,
    id: 'saw-thread',
    medium: 'drain',
    offThread: true,
    kerfMm: THREAD_OFF_MM,
    roomMm: 12,
    tools: ['pipe-saw'],
    steps: [step('remove.saw-thread', 240)],
  },
  {
    ...NEW_END,
    id: 'sweat-off',
    medium: 'supply',
    gains: 'insertion',
    leaves: ['solder'],
    needsFlame: true,
    needsDry: true,
    tools: ['torch'],
    steps: [
      step('remove.sweat', 240, { flame: true }),
      step('remove.wipe-solder', 180, { after: ['remove.sweat'] }),
    ],
  },
  {
    ...NEW_END,
    id: 'unscrew-pull-ring',
    gains: 'nut-and-insertion',
    leaves: ['ring'],
    tools: ['two-wrenches', 'ring-puller'],
    steps: [step('remove.unscrew', 120), step('remove.pull-ring', 120, { after: ['remove.unscrew'] })],
  },
  {
    ...NEW_END,
    id: 'unscrew-cut-behind-ring',
    gains: 'nut-less-ring',
    kerfMm: 1,
    tools: ['two-wrenches', 'tube-cutter'],
    steps: [step('remove.unscrew', 120), step('remove.cut-ring', 120, { after: ['remove.unscrew'] })],
  },
  ...(['nut', 'nut-reduced'] as const).map(
    (keeps): Removal => ({
      ...NEW_END,
      id: keeps === 'nut' ? 'undo-nut' : 'undo-nut-reduced',
      medium: 'drain',
      keeps,
      steps: [
        step('remove.undo-nut', 60),
        step(`remove.${keeps}-washer`, 30, { after: ['remove.undo-nut'] }),
      ],
    }),
  ),
  {
    // a metric nut that grips the pipe goes, with what it gripped by; some of what it covered is gained and not counted
    ...NEW_END,
    id: 'nut-and-ring-off',
    medium: 'drain',
    on: 'metric-waste',
    steps: [step('remove.waste-nut', 90)],
  },
  {
    ...NEW_END,
    id: 'draw-from-ring',
    medium: 'drain',
    on: 'metric-waste',
    gains: 'insertion',
    steps: [step('remove.draw-ring', 90)],
  },
  {
    ...NEW_END,
    id: 'release',
    gains: 'insertion',
    leaves: ['teeth'],
    tools: ['release-tool'],
    steps: [step('remove.release', 60)],
  },
  {
    // twisted or drawn off, the teeth would cut soft tube; what is opened by a wheel is the body alone
    ...NEW_END,
    id: 'open-body',
    on: 'soft',
    gains: 'insertion',
    tools: ['tube-cutter'],
    steps: [step('remove.open-body', 180)],
  },
  {
    ...NEW_END,
    id: 'unscrew',
    gains: 'insertion',
    threadedEnd: true,
    tools: ['pipe-wrenches'],
    steps: [
      step('remove.hold-back', 30),
      step('remove.unscrew-thread', 210, { after: ['remove.hold-back'] }),
    ],
  },
  ...OF_TOILETS,
  OFF_IRON,
  ...OF_DRAINS,
  CUT_IRON,
  OFF_COPPER,
]

/** Taken off with the marked end: an inch reaches past what rings, teeth, cutters and blows leave. Common practice. */
export const MARKED_MM = 25

/** The end cut off past every mark on it, the old stop with it: one cut cures them all. */
export const CUT_BACK: Removal = {
  ...NEW_END,
  id: 'cut-behind-marks',
  kerfMm: MARKED_MM + 1,
  roomMm: 12,
  tools: ['tube-cutter'],
  steps: [step('remove.cut-marks', 170)],
}
/** The same on drain pipe, which is sawn. */
export const SAW_BACK: Removal = {
  ...CUT_BACK,
  id: 'saw-behind-marks',
  kerfMm: MARKED_MM + 2,
  tools: ['pipe-saw'],
}

/** An end of drain pipe that is free, sawn off where what goes on it has to stand. */
const SAW_SHORTER: Removal = {
  ...NEW_END,
  id: 'saw-shorter',
  medium: 'drain',
  kerfMm: 2,
  roomMm: 12,
  tools: ['pipe-saw'],
  steps: [step('remove.saw-shorter', 150)],
}
/** The same under old bands. */
const BANDS_OFF_SAW: Removal = {
  ...SAW_SHORTER,
  id: 'bands-off-saw',
  gains: 'insertion',
  tools: ['nut-driver', 'pipe-saw'],
  steps: [
    step('remove.hold-iron', 60),
    step('remove.bands-off', 150, { after: ['remove.hold-iron'] }),
    step('remove.saw-shorter', 150, { after: ['remove.bands-off'] }),
  ],
}
/** The same of tube that brings water. */
const CUT_SHORTER: Removal = {
  ...SAW_SHORTER,
  id: 'cut-shorter',
  medium: 'supply',
  kerfMm: 1,
  tools: ['tube-cutter'],
  steps: [step('remove.cut-shorter', 150)],
}
/** Clay has no give: scored all round by a chain it parts there, and nowhere else. */
const CLAY_SHORTER: Removal = {
  ...SAW_SHORTER,
  id: 'chain-clay',
  kerfMm: 3,
  roomMm: 50,
  tools: ['chain-cutter'],
  steps: [step('remove.chain-clay', 420)],
}
const SHORTER = [CUT_SHORTER, SAW_SHORTER, BANDS_OFF_SAW, CLAY_SHORTER]

/**
 * What an end is made shorter by, where it is free without a cut and too long for what goes on it; null where its own
 * removals part it already.
 */
export function shorterBy({ id }: Removal, material: PipeMaterial, medium: Medium): Removal | null {
  if (medium === 'supply') return id === 'bare' ? CUT_SHORTER : null
  if (id !== 'bare' && id !== 'bands-off') return null
  if (material === 'clay') return id === 'bare' ? CLAY_SHORTER : null
  if (material === 'cast-iron') return id === 'bare' ? CHAIN_CUT : null
  if (material === 'lead-waste') return id === 'bare' ? SAW_LEAD : null
  return id === 'bare' ? SAW_SHORTER : BANDS_OFF_SAW
}

/** Where a run is cut open: square, at both marks. */
export const CUT_OPEN: Removal = {
  ...NEW_END,
  id: 'cut-open',
  roomMm: 12,
  tools: ['tube-cutter'],
  steps: [step('remove.cut-open', 240)],
}

/** The same of drain: both sides are held before anything is cut, iron is parted by a chain. */
const OPEN_DRAINS: readonly Removal[] = [
  {
    ...CUT_OPEN,
    id: 'cut-open-drain',
    medium: 'drain',
    tools: ['pipe-saw'],
    steps: [step('remove.hold-run', 180), step('remove.saw-open', 300, { after: ['remove.hold-run'] })],
  },
  {
    ...CUT_OPEN,
    id: 'cut-open-iron',
    medium: 'drain',
    on: 'iron',
    roomMm: 50,
    tools: ['chain-cutter'],
    steps: [step('remove.hold-run', 180), step('remove.chain-open', 600, { after: ['remove.hold-run'] })],
  },
]

/** How a run of pipe is cut open. */
export function openingOf(material: PipeMaterial, medium: Medium): Removal {
  // clay too is parted by a chain
  const brittle = material === 'cast-iron' || material === 'clay'
  const removal = OPEN_DRAINS.find(({ on }) => brittle === (on === 'iron'))
  return (medium === 'drain' && removal) || CUT_OPEN
}

/** Whether a run was cut open by it. */
export function opensRun(removalId: string): boolean {
  return [CUT_OPEN, ...OPEN_DRAINS].some(({ id }) => id === removalId)
}

/** Where the old stop stays: proved first, then opened at its outlet. */
export const KEEP_STOP: Removal = {
  ...NEW_END,
  id: 'keep-stop',
  keeps: 'stop',
  tools: ['two-wrenches'],
  steps: [
    step('remove.undo-connector', 60),
    step('remove.look-outlet', 30, { after: ['remove.undo-connector'] }),
  ],
}

/** Ways to get an old joint off, in one fixed order. */
export function removalsOf(oldJoint: OldJoint): Removal[] {
  const { removals } = oldJointRow(oldJoint)
  return REMOVALS.filter(({ id }) => removals.includes(id))
}

const EVERY: readonly Removal[] = [
  ...REMOVALS,
  NEW_END,
  CUT_BACK,
  SAW_BACK,
  ...SHORTER,
  CUT_OPEN,
  ...OPEN_DRAINS,
  KEEP_STOP,
]

/** Whether the old pipe is cut by it, so that its length can be chosen; a removal that is not known cuts nothing. */
export function cutsOldPipe(removalId: string): boolean {
  return EVERY.some(({ id, kerfMm }) => id === removalId && kerfMm > 0)
}

/** What a removal is done with on pipe of a material, where that is known; of one that is not known nothing is. */
export function removalTools(removalId: string, material?: PipeMaterial): readonly ToolId[] {
  const removal = EVERY.find(({ id }) => id === removalId)
  if (!removal) return []
  return removal.on || !material ? removal.tools : toolsOn(removal.tools, material)
}

/** What a removal takes, s: the sum of its acts. */
export function removalSeconds({ steps }: Removal): number {
  return handsOnSeconds(steps)
}

/** The removal of that id. @throws CoreFault for an id that is none */
export function removalById(id: string): Removal {
  const removal = EVERY.find((row) => row.id === id)
  if (!removal) throw new CoreFault('no-removal', { id })
  return removal
}
