import { commonPractice, type Source } from '../../reference/source'
import type { PipeMaterial } from '../../reference/types'
import type { JointKind } from '../answers'
import type { AnswerWeights } from './signs'

type JointShare = Readonly<Partial<Record<JointKind, number>>>

const PEX: JointShare = { crimp: 0.42, cinch: 0.27, 'push-fit': 0.16, compression: 0.08, press: 0.05 }
const CEMENTED: JointShare = { cement: 0.9, threaded: 0.03, 'flexible-coupling': 0.05 }
/** Drains end under basins and under toilets too. */
const DRAIN_CEMENTED: JointShare = {
  cement: 0.84,
  slip: 0.04,
  flange: 0.04,
  'flexible-coupling': 0.03,
  threaded: 0.02,
  hubless: 0.01,
}

/** How often the nearest joint on each kind of pipe is of each kind. Common practice: estimates. */
export const JOINT_SHARE: Readonly<Record<PipeMaterial, JointShare>> = {
  copper: { sweat: 0.55, compression: 0.25, 'push-fit': 0.08, threaded: 0.02, press: 0.06, flare: 0.03 },
  'copper-drain': { sweat: 0.9, slip: 0.05, 'flexible-coupling': 0.03, hubless: 0.01 },
  'copper-refrigeration': { sweat: 0.55, flare: 0.42 },
  'chromed-supply': { compression: 0.94, flare: 0.03 },
  'galvanised-steel': { threaded: 0.94, flange: 0.01, 'flexible-coupling': 0.02, hubless: 0.01 },
  'black-steel': { threaded: 0.94, flange: 0.02, press: 0.01 },
  'sprinkler-steel': { threaded: 0.62, hubless: 0.28, flange: 0.05 },
  brass: { threaded: 0.9, sweat: 0.05, compression: 0.02 },
  stainless: { press: 0.7, threaded: 0.12, compression: 0.12, 'push-fit': 0.03 },
  'corrugated-stainless': { compression: 0.72, flare: 0.2 },
  lead: { wiped: 0.86, compression: 0.08 },
  'lead-waste': { wiped: 0.82, slip: 0.08, 'hub-lead': 0.04, flange: 0.03 },
  cpvc: { cement: 0.82, 'push-fit': 0.07, compression: 0.07, threaded: 0.02 },
  'cpvc-sprinkler': { cement: 0.95, threaded: 0.03 },
  'pex-a': { expansion: 0.62, crimp: 0.12, cinch: 0.07, 'push-fit': 0.1, compression: 0.05, press: 0.02 },
  'pex-b': PEX,
  'pex-c': PEX,
  'pex-aluminium': { press: 0.48, compression: 0.36, crimp: 0.08, 'push-fit': 0.06 },
  polybutylene: { crimp: 0.72, compression: 0.12, 'push-fit': 0.12 },
  polyethylene: { cinch: 0.34, compression: 0.34, 'flexible-coupling': 0.2, 'push-fit': 0.08 },
  'polyethylene-gas': { compression: 0.5, cement: 0.2, flange: 0.02 },
  pvc: CEMENTED,
  'pvc-drain': DRAIN_CEMENTED,
  'pvc-sewer': { 'hub-rubber': 0.55, cement: 0.36, 'flexible-coupling': 0.06 },
  'abs-drain': DRAIN_CEMENTED,
  'tubular-brass': { slip: 0.94, threaded: 0.02, sweat: 0.01 },
  'tubular-plastic': { slip: 0.96 },
  'waste-solvent': { cement: 0.86, slip: 0.1 },
  'waste-push-fit': { 'hub-rubber': 0.86, slip: 0.1 },
  'cast-iron': {
    'hub-lead': 0.5,
    hubless: 0.3,
    'hub-rubber': 0.12,
    'flexible-coupling': 0.04,
    flange: 0.02,
    threaded: 0.01,
  },
  clay: { 'hub-rubber': 0.6, 'hub-lead': 0.06, 'flexible-coupling': 0.2 },
  cement: { 'hub-rubber': 0.55, 'flexible-coupling': 0.25, hubless: 0.05 },
}

export type Undoing = 'by-hand' | 'with-wrenches' | 'with-release-tool' | 'with-flame' | 'cut'
export type Reuse = 'as-it-is' | 'new-seal' | 'never'

/** What is known of a kind of joint: how it looks, how it comes apart, and what may be used again. */
export interface JointKnowledge {
  readonly nut: AnswerWeights
  readonly band: AnswerWeights
  readonly seam: AnswerWeights
  readonly turns: AnswerWeights
  readonly undone: Undoing
  readonly reuse: Reuse
  readonly source: Source
}

const NO_NUT = { 'no-nut': 0.96 }
const HEX = { 'hex-nut': 0.94 }
const NO_BAND = { 'no-band': 0.96 }
const NO_SEAM = { 'no-seam': 0.9, 'threads-show': 0.02 }
const FIXED = { fixed: 0.97 }

export const JOINTS: Readonly<Record<JointKind, JointKnowledge>> = {
  sweat: {
    nut: NO_NUT,
    band: NO_BAND,
    seam: { 'solder-line': 0.86, 'no-seam': 0.1 },
    turns: FIXED,
    undone: 'with-flame',
    reuse: 'as-it-is',
    source: commonPractice,
  },
  compression: {
    nut: HEX,
    band: NO_BAND,
    seam: { 'no-seam': 0.82, 'threads-show': 0.12 },
    turns: { fixed: 0.9, turns: 0.08 },
    undone: 'with-wrenches',
    reuse: 'new-seal',
    source: commonPractice,
  },
  'push-fit': {
    nut: { 'no-nut': 0.88, 'round-nut': 0.09 },
    band: { 'plastic-collar': 0.55, 'no-band': 0.42 },
    seam: NO_SEAM,
    turns: { turns: 0.88, fixed: 0.1 },
    undone: 'with-release-tool',
    reuse: 'new-seal',
    source: commonPractice,
  },
  threaded: {
    nut: { 'no-nut': 0.72, 'hex-nut': 0.25 },
    band: NO_BAND,
    seam: { 'threads-show': 0.86, 'no-seam': 0.1 },
    turns: FIXED,
    undone: 'with-wrenches',
    reuse: 'new-seal',
    source: commonPractice,
  },
  crimp: {
    nut: NO_NUT,
    band: { 'copper-ring': 0.92, 'steel-clamp': 0.04 },
    seam: NO_SEAM,
    turns: { fixed: 0.8, turns: 0.18 },
    undone: 'cut',
    reuse: 'never',
    source: commonPractice,
  },
  cinch: {
    nut: NO_NUT,
    band: { 'steel-clamp': 0.92, 'copper-ring': 0.03 },
    seam: NO_SEAM,
    turns: { fixed: 0.8, turns: 0.18 },
    undone: 'cut',
    reuse: 'never',
    source: commonPractice,
  },
  expansion: {
    nut: NO_NUT,
    band: { 'plastic-collar': 0.92, 'no-band': 0.05 },
    seam: NO_SEAM,
    turns: { fixed: 0.86, turns: 0.12 },
    undone: 'cut',
    reuse: 'never',
    source: commonPractice,
  },
  press: {
    nut: NO_NUT,
    band: { 'press-marks': 0.9, 'no-band': 0.06 },
    seam: NO_SEAM,
    turns: { fixed: 0.9, turns: 0.08 },
    undone: 'cut',
    reuse: 'never',
    source: commonPractice,
  },
  cement: {
    nut: NO_NUT,
    band: NO_BAND,
    seam: { 'cement-bead': 0.78, 'no-seam': 0.18 },
    turns: FIXED,
    undone: 'cut',
    reuse: 'never',
    source: commonPractice,
  },
  flare: {
    nut: HEX,
    band: NO_BAND,
    seam: { 'no-seam': 0.78, 'threads-show': 0.16 },
    turns: { fixed: 0.92, turns: 0.06 },
    undone: 'with-wrenches',
    reuse: 'as-it-is',
    source: commonPractice,
  },
  slip: {
    nut: { 'round-nut': 0.86, 'hex-nut': 0.11 },
    band: NO_BAND,
    seam: { 'no-seam': 0.62, 'threads-show': 0.32 },
    turns: { fixed: 0.62, turns: 0.36 },
    undone: 'by-hand',
    reuse: 'new-seal',
    source: commonPractice,
  },
  'hub-lead': {
    nut: NO_NUT,
    band: NO_BAND,
    seam: { 'lead-ring': 0.88, 'no-seam': 0.07 },
    turns: FIXED,
    undone: 'cut',
    reuse: 'as-it-is',
    source: commonPractice,
  },
  'hub-rubber': {
    nut: NO_NUT,
    band: NO_BAND,
    seam: { 'rubber-lip': 0.8, 'no-seam': 0.15 },
    turns: { fixed: 0.6, turns: 0.38 },
    undone: 'by-hand',
    reuse: 'new-seal',
    source: commonPractice,
  },
  hubless: {
    nut: NO_NUT,
    band: { 'rubber-sleeve': 0.6, 'steel-clamp': 0.32 },
    seam: { 'no-seam': 0.6, 'rubber-lip': 0.36 },
    turns: { fixed: 0.92, turns: 0.06 },
    undone: 'with-wrenches',
    reuse: 'new-seal',
    source: commonPractice,
  },
  'flexible-coupling': {
    nut: NO_NUT,
    band: { 'rubber-sleeve': 0.88, 'steel-clamp': 0.09 },
    seam: { 'no-seam': 0.5, 'rubber-lip': 0.46 },
    turns: { fixed: 0.86, turns: 0.12 },
    undone: 'with-wrenches',
    reuse: 'new-seal',
    source: commonPractice,
  },
  wiped: {
    nut: NO_NUT,
    band: NO_BAND,
    seam: { bulb: 0.9, 'solder-line': 0.06 },
    turns: FIXED,
    undone: 'cut',
    reuse: 'never',
    source: commonPractice,
  },
  flange: {
    nut: { 'hex-nut': 0.7, 'no-nut': 0.22 },
    band: { 'no-band': 0.86, 'rubber-sleeve': 0.04 },
    seam: { 'no-seam': 0.7, 'rubber-lip': 0.22 },
    turns: FIXED,
    undone: 'with-wrenches',
    reuse: 'new-seal',
    source: commonPractice,
  },
}

/** A joint named from its picture is named rightly this often; else any other, all alike. */
export const NAMED_RIGHTLY = 0.93
