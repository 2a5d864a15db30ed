import { DRAIN_CURES } from './cures'
import { cutAndDress, THREADED } from './parts'
import type { MethodRow, Pairing } from './types'

const CEMENTED = {
  medium: 'drain',
  needsFlame: false,
  needsDry: true,
  concealable: 'yes',
  setUpSeconds: 60,
  cures: DRAIN_CURES,
  tools: ['pipe-saw', 'deburrer'],
  consumables: [],
  riskPerMille: 5,
  stubExtraMm: { fixed: 4, perOd: 0 },
  reversible: 'cut-off',
  lifeYears: 50,
  toolRoomMm: 25,
  buried: 'yes',
} as const

/** Pipe in a socket, or the spigot of a closet flange in pipe: of one plastic. */
const cementedIn = (plastic: 'pvc-drain' | 'abs-drain'): readonly Pairing[] => [
  { tip: 'tube', body: 'drain-socket', materials: [plastic], bodies: [plastic] },
  { tip: 'pipe-inside', body: 'tube', materials: [plastic], bodies: [plastic] },
  { tip: 'spigot', body: 'drain-socket', materials: [plastic], bodies: [plastic] },
]

/** What rubber sleeves, hubs and gaskets of drains are put on. */
const DRAIN_PIPE = [
  'pvc-drain',
  'abs-drain',
  'copper-drain',
  'galvanised-steel',
  'black-steel',
  'brass',
  'cast-iron',
  'lead-waste',
] as const

/** Rubber on pipe, drawn tight by bands. */
const BANDED = {
  medium: 'drain',
  folds: true,
  needsFlame: false,
  needsDry: false,
  concealable: 'yes',
  setUpSeconds: 30,
  consumables: [],
  riskPerMille: 6,
  stubExtraMm: { fixed: 4, perOd: 0 },
  reversible: 'by-hand',
  lifeYears: 50,
  toolRoomMm: 40,
} as const

/** Metric waste pipe that a rubber ring seals on. */
const WASTE_PIPE = ['waste-solvent', 'waste-push-fit'] as const
/** By rubber alone, and by hand. */
const GRIPPED = {
  medium: 'drain',
  needsFlame: false,
  needsDry: false,
  setUpSeconds: 20,
  tools: ['pipe-saw', 'deburrer'],
  consumables: [],
  stubExtraMm: { fixed: 8, perOd: 0 },
  reversible: 'by-hand',
} as const

/** One nut takes pipe of a name, whichever of the three it is, and plain ends made to it: its ring makes up what they differ by. */
const grips = (body: 'waste-compression' | 'trap-outlet') =>
  [
    { tip: 'tube', body, materials: [...WASTE_PIPE, 'tubular-plastic'] },
    { tip: 'tube', body, systems: ['metric', 'metric-waste'], materials: ['waste-push-fit'] },
  ] as const satisfies readonly Pairing[]
const NUT_AND_RING = {
  ...GRIPPED,
  riskPerMille: 6,
  seal: 'waste-ring',
  lifeYears: 25,
  toolRoomMm: 50,
  buried: 'no',
  source: { title: 'Compression waste fittings, typical', certainty: "maker's sheet" },
  steps: [
    ...cutAndDress('pipe-saw'),
    {
      key: 'nut',
      kind: 'captive',
      words: 'waste.nut',
      seconds: 30,
      after: ['dress'],
      captive: 'nut and rubber ring',
    },
    { key: 'close', kind: 'close', words: 'waste.tighten', seconds: 30, after: ['nut'], heatSensitive: true },
  ],
} as const

/** What a bowl is set down on: by hand, and drawn down by its two bolts. */
const SET_DOWN = {
  medium: 'drain',
  needsFlame: false,
  needsDry: false,
  // the bowl stands on it, and is lifted off it
  concealable: 'yes',
  setUpSeconds: 60,
  tools: ['two-wrenches'],
  stubExtraMm: { fixed: 0, perOd: 0 },
  reversible: 'by-hand',
  lifeYears: 25,
  toolRoomMm: 50,
  buried: 'no',
  riskPerMille: 8,
  pairings: [
    { tip: 'closet-outlet', body: 'closet-flange' },
    { tip: 'closet-outlet', body: 'old-flange' },
  ],
  steps: [
    { key: 'bolts', kind: 'prepare', words: 'closet.bolts', seconds: 90 },
    { key: 'seal', kind: 'prepare', words: 'closet.seal', seconds: 60, after: ['bolts'] },
    { key: 'close', kind: 'close', words: 'closet.set', seconds: 240, after: ['seal'], heatSensitive: true },
    { key: 'shim', kind: 'finish', words: 'closet.shim', seconds: 180, after: ['close'] },
  ],
} as const
const IN = 25.4

/** What is screwed down onto a flange, through it into the floor. */
const SCREWED = {
  medium: 'drain',
  standing: true,
  needsFlame: false,
  needsDry: false,
  concealable: 'yes',
  setUpSeconds: 30,
  tools: ['nut-driver'],
  consumables: [{ id: 'flange-screws', quantity: 1 }],
  opens: [{ id: 'silicone', quantity: 1 }],
  stubExtraMm: { fixed: 0, perOd: 0 },
  seal: 'silicone-bead',
  reversible: 'with-wrenches',
  lifeYears: 30,
  toolRoomMm: 50,
  buried: 'no',
} as const

/** The same acts for each: the floor is looked at, then it is screwed down. */
const onFloor = (words: 'flange.ring' | 'flange.stack', seconds: number) =>
  [
    { key: 'floor', kind: 'prepare', words: 'flange.floor', seconds: 60 },
    { key: 'close', kind: 'close', words, seconds, after: ['floor'] },
  ] as const

/** A flange that seals by rubber on the inside of the pipe. */
const IN_BORE = {
  medium: 'drain',
  needsFlame: false,
  needsDry: false,
  concealable: 'yes',
  consumables: [],
  stubExtraMm: { fixed: 0, perOd: 0 },
  seal: 'bore-gasket',
  toolRoomMm: 25,
  buried: 'no',
} as const
const inBore = (cleanSeconds: number, words: 'flange.tighten-bore' | 'flange.twist', seconds: number) =>
  [
    { key: 'clean', kind: 'prepare', words: 'flange.clean-bore', seconds: cleanSeconds },
    { key: 'close', kind: 'close', words, seconds, after: ['clean'] },
    { key: 'screw', kind: 'finish', words: 'flange.screw', seconds: 240, after: ['close'] },
  ] as const

/** Joints of drains: by their own fall, without pressure. */
export const DRAIN_METHODS = [
  {
    ...CEMENTED,
    id: 'cement-drain-pvc',
    name: 'PVC drain cement',
    pairings: cementedIn('pvc-drain'),
    opens: [
      { id: 'pvc-primer', quantity: 1 },
      { id: 'pvc-cement', quantity: 1 },
    ],
    seal: 'pvc-cement',
    source: { title: 'ASTM D2564 cement, F656 primer, D2855 practice', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      { key: 'fit', kind: 'prepare', words: 'cement.fit', seconds: 20, after: ['dress'] },
      {
        key: 'close',
        kind: 'close',
        words: 'cement.join-pvc',
        seconds: 60,
        after: ['fit'],
        heatSensitive: true,
      },
      { key: 'cure', kind: 'wait', words: 'cement.cure', seconds: 900, after: ['close'], passive: true },
    ],
  },
  {
    ...CEMENTED,
    id: 'cement-drain-abs',
    name: 'ABS drain cement',
    pairings: cementedIn('abs-drain'),
    opens: [{ id: 'abs-cement', quantity: 1 }],
    seal: 'abs-cement',
    source: { title: 'ASTM D2235 cement for ABS', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      { key: 'fit', kind: 'prepare', words: 'cement.fit', seconds: 20, after: ['dress'] },
      {
        key: 'close',
        kind: 'close',
        words: 'cement.join-abs',
        seconds: 60,
        after: ['fit'],
        heatSensitive: true,
      },
      { key: 'cure', kind: 'wait', words: 'cement.cure', seconds: 900, after: ['close'], passive: true },
    ],
  },
  {
    id: 'slip-joint',
    name: 'slip joint',
    medium: 'drain',
    standing: true,
    pairings: [{ tip: 'tube', body: 'slip-joint', materials: ['tubular-plastic', 'tubular-brass'] }],
    needsFlame: false,
    needsDry: false,
    concealable: 'no',
    setUpSeconds: 20,
    tools: ['pipe-saw'],
    consumables: [],
    riskPerMille: 6,
    stubExtraMm: { fixed: 10, perOd: 0 },
    seal: 'slip-washer',
    reversible: 'by-hand',
    lifeYears: 20,
    toolRoomMm: 50,
    buried: 'no',
    source: { title: 'ASME A112.18.2 and ASTM F409 tubular drain goods', certainty: 'recalled' },
    steps: [
      { key: 'cut', kind: 'prepare', words: 'slip.cut', seconds: 40 },
      {
        key: 'nut',
        kind: 'captive',
        words: 'slip.nut',
        seconds: 15,
        after: ['cut'],
        captive: 'slip nut and washer',
      },
      {
        key: 'close',
        kind: 'close',
        words: 'slip.tighten',
        seconds: 30,
        after: ['nut'],
        heatSensitive: true,
      },
    ],
  },
  { ...THREADED, id: 'threaded-drain', name: 'threaded drain', medium: 'drain' },
  {
    ...CEMENTED,
    id: 'cement-waste',
    name: 'waste cement',
    pairings: [
      { tip: 'tube', body: 'drain-socket', materials: ['waste-solvent'], bodies: ['waste-solvent'] },
    ],
    opens: [{ id: 'waste-cement', quantity: 1 }],
    seal: 'waste-cement',
    source: { title: 'EN 14680 adhesives for pipes without pressure', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      { key: 'fit', kind: 'prepare', words: 'waste.look', seconds: 30, after: ['dress'] },
      {
        key: 'close',
        kind: 'close',
        words: 'waste.join',
        seconds: 60,
        after: ['fit'],
        heatSensitive: true,
      },
      { key: 'cure', kind: 'wait', words: 'cement.cure', seconds: 900, after: ['close'], passive: true },
    ],
  },
  {
    ...NUT_AND_RING,
    id: 'waste-compression',
    name: 'waste compression',
    pairings: grips('waste-compression'),
    concealable: 'no',
  },
  {
    ...NUT_AND_RING,
    id: 'trap-outlet',
    name: 'trap outlet',
    standing: true,
    pairings: grips('trap-outlet'),
    // the trap hangs where it is reached: the pipe comes out to it
    concealable: 'yes',
  },
  {
    ...GRIPPED,
    id: 'ring-seal',
    name: 'ring socket',
    pairings: [{ tip: 'tube', body: 'ring-socket', materials: ['waste-push-fit'] }],
    concealable: 'yes',
    consumables: [],
    opens: [{ id: 'ring-lubricant', quantity: 1 }],
    riskPerMille: 6,
    seal: 'socket-ring',
    lifeYears: 40,
    toolRoomMm: 25,
    buried: 'no',
    source: { title: 'EN 1451-1 waste with ring seals; gap for expansion, typical', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      { key: 'ready', kind: 'prepare', words: 'ring.ready', seconds: 45, after: ['dress'] },
      {
        key: 'close',
        kind: 'close',
        words: 'ring.push',
        seconds: 40,
        after: ['ready'],
        heatSensitive: true,
      },
    ],
  },
  {
    ...GRIPPED,
    id: 'waste-nut',
    name: 'trap nut',
    standing: true,
    pairings: [{ tip: 'parallel-male', body: 'swivel-nut' }],
    concealable: 'no',
    tools: [],
    stubExtraMm: { fixed: 0, perOd: 0 },
    riskPerMille: 5,
    seal: 'trap-washer',
    lifeYears: 20,
    toolRoomMm: 50,
    buried: 'no',
    source: { title: 'EN 274-1 traps and wastes, threads of ISO 228-1', certainty: 'recalled' },
    steps: [
      { key: 'look', kind: 'prepare', words: 'waste.washer', seconds: 20 },
      {
        key: 'close',
        kind: 'close',
        words: 'waste.nut-tighten',
        seconds: 40,
        after: ['look'],
        heatSensitive: true,
      },
    ],
  },
  {
    ...BANDED,
    id: 'shielded-coupling',
    name: 'shielded coupling',
    pairings: [{ tip: 'tube', body: 'shielded', materials: DRAIN_PIPE }],
    tools: ['pipe-saw', 'deburrer'],
    seal: 'shield-sleeve',
    // in the ground other couplings are listed
    buried: 'no',
    source: { title: 'ASTM C1460 shielded transition couplings, CISPI 310', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      {
        key: 'sleeve',
        kind: 'captive',
        words: 'shield.sleeve',
        seconds: 40,
        after: ['dress'],
        captive: 'shielded coupling',
      },
      {
        key: 'close',
        kind: 'close',
        words: 'shield.tighten',
        seconds: 60,
        after: ['sleeve'],
        heatSensitive: true,
      },
    ],
  },
  {
    ...BANDED,
    id: 'flexible-coupling',
    name: 'unshielded flexible coupling',
    pairings: [
      {
        tip: 'tube',
        body: 'flexible',
        materials: ['pvc-drain', 'abs-drain', 'cast-iron', 'clay'],
      },
    ],
    tools: ['pipe-saw', 'deburrer'],
    riskPerMille: 9,
    seal: 'flexible-sleeve',
    lifeYears: 40,
    buried: 'yes',
    source: { title: 'ASTM C1173 flexible couplings, below ground', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      {
        key: 'sleeve',
        kind: 'captive',
        words: 'flexible.sleeve',
        seconds: 40,
        after: ['dress'],
        captive: 'flexible coupling',
      },
      {
        key: 'close',
        kind: 'close',
        words: 'flexible.tighten',
        seconds: 60,
        after: ['sleeve'],
        heatSensitive: true,
      },
    ],
  },
  {
    id: 'hub-gasket',
    name: 'gasket in the hub',
    medium: 'drain',
    pairings: (['service', 'heavy'] as const).map((system) => ({
      tip: 'tube' as const,
      body: 'hub' as const,
      systems: ['IPS', system] as const,
      materials: ['pvc-drain', 'abs-drain'] as const,
    })),
    needsFlame: false,
    needsDry: false,
    concealable: 'yes',
    setUpSeconds: 30,
    tools: ['pipe-saw', 'deburrer'],
    consumables: [{ id: 'hub-gasket', quantity: 1 }],
    riskPerMille: 6,
    stubExtraMm: { fixed: 4, perOd: 0 },
    seal: 'hub-gasket',
    reversible: 'by-hand',
    lifeYears: 50,
    toolRoomMm: 40,
    buried: 'yes',
    source: { title: 'ASTM C564 gaskets; the one marked for hub and plastic pipe', certainty: 'recalled' },
    steps: [
      ...cutAndDress('pipe-saw'),
      { key: 'gasket', kind: 'prepare', words: 'hub.gasket', seconds: 120, after: ['dress'] },
      {
        key: 'close',
        kind: 'close',
        words: 'hub.push',
        seconds: 120,
        after: ['gasket'],
        heatSensitive: true,
      },
    ],
  },
  {
    ...IN_BORE,
    id: 'bore-gasket',
    name: 'flange tightened in the pipe',
    pairings: [{ tip: 'bore-gasket', body: 'tube', bodies: ['cast-iron'] }],
    setUpSeconds: 30,
    tools: ['nut-driver'],
    riskPerMille: 9,
    reversible: 'with-wrenches',
    lifeYears: 40,
    source: { title: 'Closet flange with a gasket inside iron pipe, typical', certainty: "maker's sheet" },
    steps: inBore(180, 'flange.tighten-bore', 240),
  },
  {
    ...IN_BORE,
    id: 'twist-in',
    name: 'flange twisted into the pipe',
    pairings: [{ tip: 'twist-in', body: 'tube', bodies: ['cast-iron', 'pvc-drain', 'abs-drain'] }],
    setUpSeconds: 20,
    tools: [],
    riskPerMille: 30,
    reversible: 'by-hand',
    lifeYears: 15,
    source: { title: 'Closet flange that is twisted in, typical', certainty: "maker's sheet" },
    steps: inBore(120, 'flange.twist', 90),
  },
  {
    id: 'drain-gasket',
    name: 'gasket of a floor drain',
    medium: 'drain',
    pairings: [
      { tip: 'tube', body: 'ring-gasket', materials: ['pvc-drain', 'abs-drain', 'galvanised-steel'] },
    ],
    needsFlame: false,
    needsDry: false,
    concealable: 'yes',
    setUpSeconds: 30,
    tools: [],
    consumables: [],
    riskPerMille: 7,
    stubExtraMm: { fixed: 0, perOd: 0 },
    seal: 'ring-gasket',
    reversible: 'by-hand',
    lifeYears: 40,
    toolRoomMm: 25,
    buried: 'no',
    source: { title: 'Floor drain with a tightened gasket, typical', certainty: "maker's sheet" },
    steps: [
      { key: 'height', kind: 'prepare', words: 'gasket.height', seconds: 90 },
      {
        key: 'close',
        kind: 'close',
        words: 'gasket.tighten-drain',
        seconds: 120,
        after: ['height'],
        heatSensitive: true,
      },
    ],
  },
  {
    ...SCREWED,
    id: 'ring-screwed',
    name: 'repair ring',
    pairings: [{ tip: 'ring-under', body: 'broken-flange' }],
    riskPerMille: 12,
    source: { title: 'Repair ring over a broken flange, typical', certainty: "maker's sheet" },
    steps: onFloor('flange.ring', 300),
  },
  {
    ...SCREWED,
    id: 'riser-screwed',
    name: 'riser ring',
    pairings: [{ tip: 'stack-under', body: 'old-flange' }],
    reachMm: { 'old-flange': [0, 0] },
    riskPerMille: 10,
    source: { title: 'Rings that bring a flange up, typical', certainty: "maker's sheet" },
    steps: onFloor('flange.stack', 240),
  },
  {
    ...SET_DOWN,
    id: 'wax-seal',
    name: 'wax seal',
    // one ring, a thick one at most: never two on one another
    reachMm: { 'closet-flange': [0.25 * IN, 0.25 * IN], 'old-flange': [-0.25 * IN, 0.5 * IN] },
    consumables: [
      { id: 'wax-ring', quantity: 1 },
      { id: 'closet-bolts', quantity: 1 },
    ],
    seal: 'wax',
    source: {
      title: 'ASME A112.4.3 seals; by the height of the flange, typical',
      certainty: "maker's sheet",
    },
  },
  {
    ...SET_DOWN,
    id: 'rubber-seal',
    name: 'rubber seal',
    reachMm: { 'closet-flange': [0.25 * IN, 0.25 * IN], 'old-flange': [-0.5 * IN, 0.5 * IN] },
    consumables: [
      { id: 'rubber-seal', quantity: 1 },
      { id: 'closet-bolts', quantity: 1 },
    ],
    seal: 'rubber-seal',
    source: { title: 'Seals without wax; by the height of the flange, typical', certainty: "maker's sheet" },
  },
] as const satisfies readonly MethodRow[]
