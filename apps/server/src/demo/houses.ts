import type { EntityFields } from '@diarmos/contract'
import { PLAIN_CONDITIONS } from '@diarmos/core/conditions'

type Situation = Omit<EntityFields<'situation'>, 'jobId' | 'lineId'>

/** What holds at a stub where nothing special is known. */
export const PLAIN: Situation = {
  ...PLAIN_CONDITIONS,
  faults: [],
  plateMm: 3,
  oldJoint: 'sweat',
  waterSeen: true,
  pressurePsi: 62,
  reachMm: 330,
  oldJointSeen: true,
  trap: null,
}

type Look =
  | { kind: 'outside'; instrument: 'caliper' | 'string' | 'tape'; entered: string; mm: number; step: number }
  | { kind: 'sign'; sign: string; answer: string }
  | { kind: 'print'; entered: string }

export interface DemoJob {
  readonly key: string
  readonly point: string
  readonly title: string
  readonly daysAgo: number
  /** Kinds of what goes in, the main one first. */
  readonly fixtures: readonly string[]
  /** How far it has come; everything up to there is made up from the looks by the core itself. */
  /** The way must have at least so many pieces of pipe; the best is taken otherwise. */
  readonly pieces?: number
  /** What was measured along its lines, in the order in which it is asked for; what is not said is still to measure. */
  readonly measured?: Readonly<Partial<Record<'hot' | 'cold', readonly { entered: string; mm: number }[]>>>
  readonly upTo: 'nothing' | 'looks' | 'finding' | 'mating' | 'make' | 'closed'
  readonly looks: readonly Look[]
  readonly situation: Situation
}

export interface DemoHouse {
  readonly shop: string
  readonly key: string
  readonly property: EntityFields<'property'>
  readonly contact: string
  readonly points: readonly { key: string; name: string; kind: EntityFields<'point'>['kind'] }[]
  readonly jobs: readonly DemoJob[]
}

const inch = (value: number) => value * 25.4

export const HOUSES: readonly DemoHouse[] = [
  {
    shop: 'tidewall',
    key: 'bungalow',
    property: {
      label: 'Bungalow of 1956',
      street: '14 Netmender Lane',
      town: 'Gullhaven',
      era: '1940-1965',
      region: 'north-america',
      note: 'Galvanised throughout, kitchen redone in copper. Main stop behind the wash tub.',
    },
    contact: 'Mx. Teasel Quay',
    points: [
      { key: 'bathroom', name: 'Bathroom basin', kind: 'basin' },
      { key: 'kitchen', name: 'Kitchen sink', kind: 'sink' },
      { key: 'back', name: 'Back room basin', kind: 'basin' },
      { key: 'tub', name: 'Tub and shower', kind: 'tub-shower' },
      { key: 'wash', name: 'Washing machine', kind: 'washer' },
    ],
    jobs: [
      {
        key: 'bathroom-stop',
        point: 'bathroom',
        title: 'Seized stop at the basin',
        daysAgo: 0,
        fixtures: [],
        upTo: 'looks',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '.845', mm: inch(0.845), step: inch(0.001) },
          { kind: 'sign', sign: 'magnet', answer: 'holds' },
        ],
        situation: { ...PLAIN, oldJoint: 'threaded', thread: 'NPT', stubMm: inch(1.25), waterSeen: false },
      },
      {
        key: 'kitchen-faucet',
        point: 'kitchen',
        title: 'New faucet, both stops drip',
        daysAgo: 1,
        fixtures: ['faucet.shank.1/2'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'string', entered: '2', mm: inch(2), step: inch(1 / 16) },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
          { kind: 'sign', sign: 'joint', answer: 'sweat' },
        ],
        situation: { ...PLAIN, stubMm: inch(1.75) },
      },
      {
        key: 'tub-valve',
        point: 'tub',
        title: 'Tub valve worn out',
        daysAgo: 3,
        fixtures: ['valve.combo.1/2', 'spout.slip.1/2', 'arm.1/2'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '.625', mm: inch(0.625), step: inch(0.001) },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
          { kind: 'sign', sign: 'joint', answer: 'sweat' },
        ],
        situation: { ...PLAIN, access: 'closed-wall', plateMm: 0, reachMm: null, stubMm: inch(3.5) },
      },
      {
        key: 'wash-move',
        point: 'wash',
        title: 'Washing machine moves round the corner',
        daysAgo: 2,
        fixtures: ['washer.hose'],
        upTo: 'mating',
        pieces: 1,
        measured: { hot: [{ entered: '31 5/16', mm: inch(31.3125) }] },
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '.625', mm: inch(0.625), step: inch(0.001) },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
          { kind: 'sign', sign: 'joint', answer: 'sweat' },
        ],
        situation: { ...PLAIN, plateMm: 0, reachMm: null, stubMm: inch(3), turn: 90 },
      },
      {
        key: 'back-basin',
        point: 'back',
        title: 'Look at the back room basin',
        daysAgo: 0,
        fixtures: [],
        upTo: 'nothing',
        looks: [],
        situation: PLAIN,
      },
    ],
  },
  {
    shop: 'tidewall',
    key: 'houseboat',
    property: {
      label: 'Houseboat “Second Tide”',
      street: 'Mooring 3, Inner Basin',
      town: 'Gullhaven',
      era: '1995-2010',
      region: 'metric',
      note: 'Fitted out abroad: metric copper, parallel-thread taps.',
    },
    contact: 'Captain Ilse Brandywater',
    points: [
      { key: 'galley', name: 'Galley sink', kind: 'sink' },
      { key: 'head', name: 'Basin in the head', kind: 'basin' },
      { key: 'laundry', name: 'Laundry tap', kind: 'washer' },
    ],
    jobs: [
      {
        key: 'galley-tap',
        point: 'galley',
        title: 'Galley tap will not shut',
        daysAgo: 0,
        fixtures: ['tap.tail.1/2'],
        upTo: 'make',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '15.02 mm', mm: 15.02, step: 0.01 },
          { kind: 'sign', sign: 'colour', answer: 'copper-brown' },
          { kind: 'sign', sign: 'joint', answer: 'compression' },
        ],
        situation: { ...PLAIN, oldJoint: 'compression', stubMm: 42, plateMm: 0, flame: false, reachMm: 260 },
      },
      {
        key: 'head-basin',
        point: 'head',
        title: 'New mixer in the head',
        daysAgo: 12,
        fixtures: ['tap.hose.1/2'],
        upTo: 'closed',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '15.0 mm', mm: 15, step: 0.1 },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
        ],
        situation: { ...PLAIN, oldJoint: 'compression', stubMm: 38, plateMm: 0, reachMm: null },
      },
    ],
  },
  {
    shop: 'coldharbour',
    key: 'row',
    property: {
      label: 'Row house of 1987',
      street: '5 Kelp Row',
      town: 'Coldharbour Sands',
      era: '1978-1995',
      region: 'north-america',
      note: 'Grey polybutylene.',
    },
    contact: 'Ms. Sedge Harrowmere',
    points: [{ key: 'basin', name: 'Upstairs basin', kind: 'basin' }],
    jobs: [
      {
        key: 'row-basin',
        point: 'basin',
        title: 'Drip at the upstairs stop',
        daysAgo: 2,
        fixtures: ['faucet.shank.1/2'],
        upTo: 'looks',
        looks: [
          { kind: 'sign', sign: 'colour', answer: 'grey-plastic' },
          { kind: 'print', entered: 'PB21 1/2' },
        ],
        situation: { ...PLAIN, oldJoint: 'crimp', stubMm: inch(2) },
      },
    ],
  },
]
