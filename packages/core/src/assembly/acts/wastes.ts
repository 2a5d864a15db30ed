import { basinWaste, type WasteCloser } from '../bodies/basins'
import { PAN_DRAIN } from '../bodies/kinds'
import type { BesidesId } from './besides'
import type { StepTemplate } from './types'

/** What a waste is set by besides the joint to its pipe, each in order. Times are common practice. */
export interface WasteActs {
  /** Only where an old one hung there. */
  readonly out?: StepTemplate
  /** Before the pipe is joined to it. */
  readonly before: readonly StepTemplate[]
  /** Once it is. */
  readonly after: readonly StepTemplate[]
  /** Once it was run. */
  readonly proves: readonly StepTemplate[]
  /** What it uses up, and what it is set with, besides its joint. */
  readonly uses: readonly BesidesId[]
}

const OUT: StepTemplate = { key: 'waste-out', kind: 'remove', words: 'waste.out', seconds: 300 }
const TUB_OUT: StepTemplate = { key: 'waste-out', kind: 'remove', words: 'tub.out', seconds: 600 }
const HOLDS: StepTemplate = { key: 'waste-holds', kind: 'prove', words: 'prove.waste-holds', seconds: 360 }

const basin = (closes: WasteCloser): WasteActs => ({
  out: OUT,
  before: [{ key: 'waste-set', kind: 'prepare', words: 'waste.set', seconds: 420, parameters: { closes } }],
  after: closes === 'rod' ? [{ key: 'waste-rod', kind: 'finish', words: 'waste.rod', seconds: 300 }] : [],
  proves: closes === 'open' ? [] : [HOLDS],
  uses: ['putty-or-silicone', 'basin-wrench'],
})

const tub = (by: 'nuts' | 'cement' | 'leg'): WasteActs => ({
  out: TUB_OUT,
  before: [{ key: 'waste-set', kind: 'prepare', words: 'tub.set', seconds: 1200, parameters: { by } }],
  after: [],
  proves: [{ ...HOLDS, words: 'prove.tub-holds', seconds: 600 }],
  uses: ['tub-putty', 'drain-key'],
})

const BASE: WasteActs = {
  before: [{ key: 'waste-set', kind: 'prepare', words: 'base.set', seconds: 600 }],
  after: [],
  proves: [],
  uses: ['base-silicone'],
}

const BY_KIND: Readonly<Record<string, WasteActs>> = {
  'waste.tub.1-1/2': tub('nuts'),
  'waste.tub.glued.1-1/2': tub('cement'),
  'waste.tub.leg.1-1/2': tub('leg'),
  'waste.shower.2': BASE,
  'waste.shower.1-1/2': BASE,
  [PAN_DRAIN]: {
    before: [{ key: 'waste-set', kind: 'prepare', words: 'pan.base', seconds: 900 }],
    after: [
      { key: 'pan-liner', kind: 'finish', words: 'pan.liner', seconds: 2400 },
      { key: 'pan-full', kind: 'prepare', words: 'pan.full', seconds: 300 },
      { key: 'pan-stand', kind: 'wait', words: 'pan.stand', seconds: 0, passive: true },
      { key: 'pan-level', kind: 'prove', words: 'prove.pan', seconds: 180 },
      { key: 'pan-weep', kind: 'finish', words: 'pan.weep', seconds: 300 },
    ],
    proves: [],
    uses: ['pan-liner', 'pan-sealant', 'pan-gravel', 'pan-plug'],
  },
}

/** What a waste asks for besides its joint, by its kind; nothing of one that stays, or that is no fixture's. */
export function wasteActs(kind: string | undefined): WasteActs | undefined {
  const row = basinWaste(kind)
  return row ? basin(row.closes) : kind === undefined ? undefined : BY_KIND[kind]
}
