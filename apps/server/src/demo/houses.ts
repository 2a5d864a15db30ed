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
  slab: null,
  tub: null,
  stopOutlet: null,
  valveWall: null,
  opening: null,
  onRun: null,
}

type Look =
  | { kind: 'outside'; instrument: 'caliper' | 'string' | 'tape'; entered: string; mm: number; step: number }
  | { kind: 'sign'; sign: string; answer: string }
  | { kind: 'print'; entered: string }

interface DemoPoint {
  readonly key: string
  readonly name: string
  readonly kind: EntityFields<'point'>['kind']
  /** Where it is not hot and cold. */
  readonly lines?: readonly ('hot' | 'cold' | 'drain')[]
}

/** One point of a job: what goes in there, and what was seen. */
export interface DemoWork {
  readonly point: string
  /** Kinds of what goes in, the main one first. */
  readonly fixtures: readonly string[]
  readonly looks: readonly Look[]
  readonly situation: Situation
}

export interface DemoJob extends DemoWork {
  readonly key: string
  readonly title: string
  readonly daysAgo: number
  /** Further points of the house that the job works at. */
  readonly more?: readonly DemoWork[]
  /** How far it has come; everything up to there is made up from the looks by the core itself. */
  /** The way must have at least so many pieces of pipe; the best is taken otherwise. */
  readonly pieces?: number
  /** What was measured along its lines, in the order in which it is asked for; what is not said is still to measure. */
  readonly measured?: Readonly<Partial<Record<'hot' | 'cold', readonly { entered: string; mm: number }[]>>>
  readonly upTo: 'nothing' | 'looks' | 'finding' | 'mating' | 'make' | 'closed'
}

export interface DemoHouse {
  readonly shop: string
  readonly key: string
  readonly property: EntityFields<'property'>
  readonly contact: string
  readonly points: readonly DemoPoint[]
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
      note: 'Galvanised throughout, kitchen redone in copper.',
      storeys: 1,
      stopAt: 'behind the wash tub',
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
      storeys: 1,
      stopAt: 'under the galley step',
    },
    contact: 'Captain Ilse Brandywater',
    points: [
      { key: 'galley', name: 'Galley sink', kind: 'sink' },
      { key: 'head', name: 'Basin in the head', kind: 'basin' },
      { key: 'laundry', name: 'Laundry tap', kind: 'washer' },
      { key: 'aft', name: 'Aft basin', kind: 'basin', lines: ['drain'] },
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
        key: 'aft-waste',
        point: 'aft',
        title: 'Aft trap weeps at its nut',
        daysAgo: 9,
        fixtures: ['waste.tail.g1-1/4'],
        upTo: 'mating',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '36.3 mm', mm: 36.3, step: 0.1 },
          { kind: 'sign', sign: 'colour', answer: 'white' },
        ],
        situation: { ...PLAIN, oldJoint: 'slip', stubMm: 90, plateMm: 0, reachMm: null, oldTrap: 'p' },
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
    shop: 'tidewall',
    key: 'terrace',
    property: {
      label: 'Terrace house of 1911',
      street: '3 Ropewalk Steps',
      town: 'Gullhaven',
      era: 'before-1940',
      region: 'north-america',
      note: 'Lead at the scullery, cast iron below. The run through the cellar was renewed in copper.',
      storeys: 3,
      stopAt: 'in the cellar, by the street wall',
    },
    contact: 'Mr. Samphire Lode',
    points: [
      { key: 'scullery', name: 'Scullery sink', kind: 'sink' },
      { key: 'cellar', name: 'Run in the cellar', kind: 'run', lines: ['cold'] },
      { key: 'closet', name: 'Toilet on the landing', kind: 'toilet', lines: ['cold', 'drain'] },
    ],
    jobs: [
      {
        key: 'scullery-pipe',
        point: 'scullery',
        title: 'What is the grey pipe?',
        daysAgo: 9,
        fixtures: [],
        upTo: 'looks',
        looks: [
          { kind: 'sign', sign: 'magnet', answer: 'falls' },
          { kind: 'sign', sign: 'scratch', answer: 'silver-soft' },
        ],
        situation: { ...PLAIN, oldJoint: 'none', oldJointSeen: false, waterSeen: false },
      },
      {
        key: 'closet-rocks',
        point: 'closet',
        title: 'Toilet rocks, wet at its foot',
        daysAgo: 2,
        fixtures: ['waste.bowl'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '4.3', mm: inch(4.3), step: inch(0.01) },
          { kind: 'sign', sign: 'magnet', answer: 'holds' },
          { kind: 'sign', sign: 'joint', answer: 'hub-lead' },
        ],
        situation: {
          ...PLAIN,
          oldJoint: 'flange',
          faults: ['ring-broken'],
          flangeMm: -inch(0.375),
          stubMm: null,
          plateMm: 0,
          reachMm: null,
        },
      },
      {
        key: 'cellar-pinhole',
        point: 'cellar',
        title: 'Pinhole in the cellar run',
        daysAgo: 5,
        fixtures: ['run.repair'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '.876', mm: inch(0.876), step: inch(0.001) },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
        ],
        situation: {
          ...PLAIN,
          oldJoint: 'none',
          plateMm: 0,
          reachMm: null,
          stubMm: inch(14),
          farMm: inch(9),
          freeMm: inch(30),
          sidewaysMm: inch(2),
        },
      },
    ],
  },
  {
    shop: 'tidewall',
    key: 'split',
    property: {
      label: 'Split-level of 1974',
      street: '27 Cormorant Rise',
      town: 'Gullhaven',
      era: '1965-1978',
      region: 'north-america',
      note: 'Copper, drains in black plastic.',
      storeys: 2,
      stopAt: 'in the lower level, by the heater',
    },
    contact: 'Mrs. Kittiwake Orrin',
    points: [
      { key: 'vanity', name: 'Hall vanity', kind: 'basin', lines: ['hot', 'cold', 'drain'] },
      { key: 'garden', name: 'Garden bib', kind: 'bib', lines: ['cold'] },
      { key: 'heater', name: 'Water heater', kind: 'heater' },
      { key: 'laundry', name: 'Washing machine below', kind: 'washer', lines: ['drain'] },
      { key: 'bath', name: 'Tub in the lower bath', kind: 'tub', lines: ['drain'] },
    ],
    jobs: [
      {
        key: 'laundry-standpipe',
        point: 'laundry',
        title: 'Machine overflows its pipe',
        daysAgo: 1,
        fixtures: ['waste.standpipe'],
        upTo: 'mating',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '2.375', mm: inch(2.375), step: inch(0.005) },
          { kind: 'sign', sign: 'colour', answer: 'black' },
          { kind: 'sign', sign: 'shaving-colour', answer: 'black' },
        ],
        situation: {
          ...PLAIN,
          oldJoint: 'none',
          plateMm: 0,
          reachMm: null,
          stubMm: inch(3),
          spanMm: inch(14),
        },
      },
      {
        key: 'bath-shower',
        point: 'bath',
        title: 'Tub becomes a shower',
        daysAgo: 0,
        fixtures: ['waste.shower.2'],
        upTo: 'looks',
        looks: [{ kind: 'sign', sign: 'colour', answer: 'black' }],
        situation: {
          ...PLAIN,
          oldJoint: 'none',
          oldJointSeen: false,
          plateMm: 0,
          reachMm: null,
          stubMm: null,
          trapped: true,
          oldTrap: 'standing',
        },
      },
      {
        key: 'vanity-trap',
        point: 'vanity',
        title: 'Trap drips at the vanity',
        daysAgo: 4,
        fixtures: ['waste.tail.1-1/4'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '1.9', mm: inch(1.9), step: inch(0.01) },
          { kind: 'sign', sign: 'colour', answer: 'black' },
          { kind: 'sign', sign: 'shaving-colour', answer: 'black' },
        ],
        situation: { ...PLAIN, oldJoint: 'slip', plateMm: 0, reachMm: null, stubMm: null, oldTrap: 'p' },
      },
      {
        key: 'garden-bib',
        point: 'garden',
        title: 'Bib split by the frost',
        daysAgo: 6,
        fixtures: ['hose.outlet'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '.625', mm: inch(0.625), step: inch(0.001) },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
        ],
        situation: {
          ...PLAIN,
          plateMm: 0,
          reachMm: null,
          freezing: true,
          wallMm: inch(7.5),
          stubMm: inch(4),
        },
      },
      {
        key: 'heater-change',
        point: 'heater',
        title: 'New water heater, same place',
        daysAgo: 8,
        fixtures: ['heater.nipple.3/4'],
        upTo: 'finding',
        looks: [
          { kind: 'outside', instrument: 'caliper', entered: '.875', mm: inch(0.875), step: inch(0.001) },
          { kind: 'sign', sign: 'scratch', answer: 'copper' },
          { kind: 'sign', sign: 'joint', answer: 'sweat' },
        ],
        situation: { ...PLAIN, plateMm: 0, nearHeater: true, reachMm: inch(16), stubMm: inch(6) },
      },
    ],
  },
  {
    shop: 'tidewall',
    key: 'loft',
    property: {
      label: 'Loft of 2006',
      street: '9 Sailmaker Yard, top floor',
      town: 'Gullhaven',
      era: '1995-2010',
      region: 'north-america',
      note: 'Plastic tube throughout, from one manifold by the door. One shut-off for all of it.',
      storeys: 1,
      stopAt: 'at the manifold by the door',
    },
    contact: 'Mx. Avocet Brine',
    points: [
      { key: 'toilet', name: 'Guest toilet', kind: 'toilet', lines: ['cold'] },
      { key: 'basin', name: 'Guest basin', kind: 'basin' },
      { key: 'kitchen', name: 'Kitchen sink', kind: 'sink' },
    ],
    jobs: [
      {
        key: 'guest-stops',
        point: 'toilet',
        title: 'Stops weep in the guest bathroom',
        daysAgo: 1,
        fixtures: ['toilet.fill.7/8'],
        upTo: 'mating',
        looks: [{ kind: 'print', entered: '1/2 PEX-B SDR9 ASTM F876' }],
        situation: { ...PLAIN, oldJoint: 'crimp', stubMm: inch(3), reachMm: 250 },
        more: [
          {
            point: 'basin',
            fixtures: ['faucet.hose.3/8'],
            looks: [{ kind: 'print', entered: '1/2 PEX-B SDR9 ASTM F876' }],
            situation: { ...PLAIN, oldJoint: 'crimp', stubMm: inch(2.5) },
          },
        ],
      },
      {
        key: 'kitchen-dishwasher',
        point: 'kitchen',
        title: 'Faucet, and a dishwasher beside it',
        daysAgo: 3,
        fixtures: ['faucet.hose.3/8', 'appliance.comp.3/8'],
        upTo: 'finding',
        looks: [{ kind: 'print', entered: '1/2 PEX-A SDR9 ASTM F876' }],
        situation: { ...PLAIN, oldJoint: 'expansion', stubMm: inch(3), outlets: 2 },
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
      storeys: 2,
      stopAt: '',
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
