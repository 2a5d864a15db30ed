import type { Medium } from '../../reference/materials'
import type { StepTemplate } from './types'

/** When a general step applies. */
export interface GeneralStep extends StepTemplate {
  readonly when:
    | 'always'
    | 'water'
    | 'waste'
    | 'hot'
    | 'steel'
    | 'metal-cut'
    | 'plate'
    | 'morning'
    | 'two-hours'
    | 'solder-old'
  /** Where it stands against the window in which the water is off. */
  readonly place: 'before' | 'shut' | 'inside' | 'restore' | 'after'
}

/** Steps every job brings along, whatever the joints: make safe, open, prove, record. Common practice. */
export const GENERAL_STEPS: readonly GeneralStep[] = [
  { key: 'parts', kind: 'safe', words: 'safe.parts', seconds: 60, when: 'always', place: 'before' },
  { key: 'water-seen', kind: 'safe', words: 'safe.water-seen', seconds: 30, when: 'steel', place: 'before' },
  { key: 'protect', kind: 'safe', words: 'safe.protect', seconds: 45, when: 'always', place: 'before' },
  { key: 'no-use', kind: 'safe', words: 'drain.no-use', seconds: 20, when: 'waste', place: 'before' },
  { key: 'lead', kind: 'safe', words: 'safe.lead-solder', seconds: 15, when: 'solder-old', place: 'before' },
  { key: 'heater-off', kind: 'safe', words: 'safe.heater-off', seconds: 60, when: 'hot', place: 'before' },
  { key: 'shut', kind: 'safe', words: 'safe.shut', seconds: 90, when: 'water', place: 'shut' },
  {
    key: 'drain',
    kind: 'safe',
    words: 'safe.drain',
    seconds: 150,
    when: 'water',
    place: 'inside',
    after: ['shut'],
  },
  {
    key: 'proved',
    kind: 'safe',
    words: 'safe.proved',
    seconds: 60,
    when: 'water',
    place: 'inside',
    after: ['drain'],
  },
  {
    key: 'bond',
    kind: 'safe',
    words: 'safe.bond',
    seconds: 30,
    when: 'metal-cut',
    // a jumper is put across while the water still runs
    place: 'before',
  },
  {
    key: 'valves',
    kind: 'open',
    words: 'open.valves',
    seconds: 20,
    when: 'water',
    place: 'inside',
    after: ['drain', 'proved'],
  },
  {
    key: 'restore',
    kind: 'open',
    words: 'open.restore',
    seconds: 60,
    when: 'water',
    place: 'restore',
    after: ['valves'],
  },
  {
    key: 'heater-on',
    kind: 'open',
    words: 'open.heater-on',
    seconds: 60,
    when: 'hot',
    place: 'after',
    after: ['restore'],
  },
  {
    key: 'two-hours',
    kind: 'prove',
    words: 'prove.two-hours',
    seconds: 120,
    when: 'two-hours',
    place: 'after',
    after: ['restore'],
  },
  {
    key: 'morning',
    kind: 'prove',
    words: 'prove.morning',
    seconds: 120,
    when: 'morning',
    place: 'after',
    after: ['restore'],
  },
  {
    key: 'record',
    kind: 'record',
    words: 'record.write',
    seconds: 60,
    when: 'always',
    place: 'after',
    after: ['restore'],
  },
]

/** A step of a line: where it stands, and what the line carries; any where it is not said. */
type LineStep = StepTemplate & { readonly place: 'inside' | 'after' | 'plate'; readonly medium?: Medium }

/** Steps that each line brings along, whatever its joints. */
export const LINE_STEPS: readonly LineStep[] = [
  {
    key: 'plate',
    kind: 'captive',
    words: 'captive.plate',
    seconds: 10,
    captive: 'wall plate',
    place: 'plate',
  },
  {
    key: 'dry-inlet',
    kind: 'prove',
    words: 'prove.tissue-inlet',
    seconds: 45,
    place: 'after',
    medium: 'supply',
  },
  {
    key: 'flush',
    kind: 'open',
    words: 'open.flush',
    seconds: 45,
    place: 'after',
    after: ['dry-inlet'],
    medium: 'supply',
  },
  {
    key: 'dry-outlet',
    kind: 'prove',
    words: 'prove.tissue-outlet',
    seconds: 45,
    place: 'after',
    medium: 'supply',
  },
  { key: 'plug', kind: 'safe', words: 'drain.plug', seconds: 20, place: 'inside', medium: 'drain' },
  {
    key: 'unplug',
    kind: 'prepare',
    words: 'drain.unplug',
    seconds: 10,
    place: 'inside',
    after: ['plug'],
    medium: 'drain',
  },
  {
    key: 'fill',
    kind: 'prove',
    words: 'prove.fill',
    seconds: 180,
    place: 'after',
    after: ['unplug'],
    medium: 'drain',
  },
]
