import { JOINT_KINDS } from '../assembly/oldJoints/table'

export { END_FAULTS, type EndFault } from '../assembly/conditions'
export { JOINT_KINDS, type JointKind } from '../assembly/oldJoints/table'

/** What a person can answer by looking, and the answers there are. */
export const SIGN_ANSWERS = {
  magnet: ['holds', 'falls'],
  scratch: ['copper', 'yellow', 'silver', 'silver-soft', 'grey-iron', 'shaving', 'crumbles'],
  colour: [
    'copper-brown',
    'green',
    'grey-metal',
    'dull-grey',
    'black',
    'yellow-metal',
    'chrome',
    'cream',
    'white',
    'red',
    'blue',
    'clear',
    'orange',
    'grey-plastic',
    'green-plastic',
    'yellow-plastic',
    'terracotta',
    'cement-grey',
    'painted',
  ],
  'shaving-colour': [
    'metal',
    'white',
    'black',
    'cream',
    'grey',
    'blue',
    'red',
    'orange',
    'green',
    'yellow',
    'stone',
  ],
  flex: ['rigid', 'by-hand', 'flexible'],
  tap: ['rings', 'dull', 'clicks'],
  joint: JOINT_KINDS,
  'joint-nut': ['no-nut', 'hex-nut', 'round-nut'],
  'joint-band': ['no-band', 'copper-ring', 'steel-clamp', 'plastic-collar', 'press-marks', 'rubber-sleeve'],
  'joint-seam': ['no-seam', 'solder-line', 'cement-bead', 'lead-ring', 'rubber-lip', 'bulb', 'threads-show'],
  'joint-turns': ['turns', 'fixed'],
  'print-colour': ['green', 'blue', 'red', 'yellow', 'none-seen'],
  carries: ['water', 'waste', 'gas-signs', 'refrigerant-signs', 'sprinkler-signs'],
} as const

export type SignKind = keyof typeof SIGN_ANSWERS

/** Signs of the nearest joint, all shaped by how it was made. */
export const JOINT_SIGNS = ['joint', 'joint-nut', 'joint-band', 'joint-seam', 'joint-turns'] as const

/** Ways to measure across or round a pipe. */
export const MEASURING_INSTRUMENTS = ['caliper', 'tape', 'screen-gauge', 'string', 'paper-strip'] as const
export type MeasuringInstrument = (typeof MEASURING_INSTRUMENTS)[number]

/** What the line is there for, as far as it is known. */
export const SERVICES = ['cold', 'hot', 'drain', 'vent', 'unknown'] as const
export type Service = (typeof SERVICES)[number]

/** What a thread or a connection face looks like, and the answers there are. */
export const THREAD_ANSWERS = {
  gender: ['male', 'female'],
  seat: ['none', 'flat-washer', 'cone', 'o-ring'],
  place: [
    'pipe-end',
    'faucet-tail',
    'hose',
    'tube-nut',
    'drain-nut',
    'faucet-tip',
    'shower-arm',
    'tub-spout',
    'union',
    'toilet-valve',
    'stop-outlet',
    'tub-drain',
    'not-said',
  ],
} as const
export type ThreadSign = keyof typeof THREAD_ANSWERS
