// Figures of drains, each beside one that comes from elsewhere: the metric edition of its standard, a printed weight, a rule that
// the standard states, the bore by which it is named. Ours are looked up, theirs are reckoned here.
import { CATALOG, NPT, PIPES, pipeById } from '@diarmos/core'
import { HUBLESS_BENDS } from '../../packages/core/src/catalog/drainBends'
import { BENDS } from '../../packages/core/src/catalog/solventFittings'
import { PITCHES } from '../../packages/core/src/fitup/pitch'
import { MOST_DROP_MM } from '../../packages/core/src/fitup/trap'
import { tubeEngagement } from '../../packages/core/src/reference'
import { DRAIN_TESTS } from '../../packages/core/src/reference/drainTest'
import { STANDPIPES } from '../../packages/core/src/reference/standpipe'

const IN = 25.4
type Tie = readonly [what: string, ours: number, theirs: number, within: number]

const pipe = (id: string) => {
  const found = pipeById(id)
  if (!found) throw new Error(`no pipe ${id}`)
  return found
}
const inches = (nominal: string) =>
  nominal.split('-').reduce((sum, part) => {
    const [top = 0, bottom = 1] = part.split('/').map(Number)
    return sum + top / bottom
  }, 0)
const SIZES = ['1-1/4', '1-1/2', '2', '2-1/2', '3', '4', '6'] as const

/** ISO 4200 and the metric edition of ASME B36.10M: outside diameters, and walls of schedule 40, mm. */
const METRIC: Readonly<Record<(typeof SIZES)[number], readonly [od: number, wall: number]>> = {
  '1-1/4': [42.2, 3.56],
  '1-1/2': [48.3, 3.68],
  '2': [60.3, 3.91],
  '2-1/2': [73, 5.16],
  '3': [88.9, 5.49],
  '4': [114.3, 6.02],
  '6': [168.3, 7.11],
}
const plastics = ['pvc-dwv', 'abs-dwv'].flatMap((stuff) =>
  SIZES.flatMap((size): Tie[] => {
    const { odMm, wallMm } = pipe(`${stuff}.40.${size}`)
    const [od, wall] = METRIC[size]
    return [
      [`${stuff} ${size} outside`, odMm, od, 0.1],
      // D1785: that wall is the least; it may be thicker by an eighth or by 0.020 in: the middle of the two
      [`${stuff} ${size} wall`, wallMm, wall + Math.max(0.12 * wall, 0.02 * IN) / 2, 0.02],
    ]
  }),
)

/** ASTM B306, printed weights, lb/ft; copper weighs 0.323 lb/in3. */
const COPPER = { '1-1/4': 0.65, '1-1/2': 0.809, '2': 1.07, '3': 1.69, '4': 2.87, '5': 4.43, '6': 6.1 }
const copper = Object.entries(COPPER).flatMap(([size, pounds]): Tie[] => {
  const { odMm, wallMm } = pipe(`copper.dwv.${size}`)
  // tube size: an eighth of an inch over its name
  const od = inches(size) + 1 / 8
  // π (D − t) t = w: the smaller root
  const area = pounds / 12 / 0.323
  const wall = (od - Math.sqrt(od * od - (4 * area) / Math.PI)) / 2
  return [
    [`copper ${size} outside`, odMm, od * IN, 0.02],
    [`copper ${size} wall`, wallMm, wall * IN, 0.02],
  ]
})

/** Brown and Sharpe: 0.005 · 92^((36 − n)/39) in; tubular is named by its outside. */
const tubular = [17, 20, 22].flatMap((gauge) =>
  ['1-1/4', '1-1/2', '2'].flatMap((size): Tie[] => {
    const { odMm, wallMm } = pipe(`tubular-brass.${gauge}-gauge.${size}`)
    return [
      [`tubular ${gauge} ${size} outside`, odMm, inches(size) * IN, 1e-6],
      [`tubular ${gauge} ${size} wall`, wallMm, 0.005 * 92 ** ((36 - gauge) / 39) * IN, 1e-6],
    ]
  }),
)

/** Iron is named by its bore, in every class: to a twelfth of an inch, and of metric sizes to 3 mm. */
const iron = PIPES.filter(({ material }) => material === 'cast-iron').map(
  ({ id, odMm, wallMm, nominal }): Tie => [
    `${id} bore`,
    odMm - 2 * wallMm,
    /mm$/.test(id) ? Number(nominal) : inches(nominal) * IN,
    /mm$/.test(id) ? 3 : IN / 12,
  ],
)

/** Light lead waste: 11.34 g/cm3, its bore by name, and an eighth of an inch thick as it is known. */
const lead = PIPES.filter(({ id }) => id.startsWith('lead-waste')).map(
  ({ id, wallMm }): Tie => [`${id} wall`, wallMm, IN / 8, 0.4],
)

/** EN 1451: from the name to 0.3 or 0.4 mm more, so the middle. */
const push = PIPES.filter(({ id }) => id.startsWith('waste.pp.')).map(
  ({ id, odMm, nominal }): Tie => [`${id} outside`, odMm, Number(nominal) + 0.175, 0.03],
)

/** B1.20.1: E0 = D − (0.05 D + 1.1)/n, and a sixteenth taper over L1 to E1; the pipe is that of iron sizes. */
const threads = NPT.filter(({ nominal }) => ['1-1/4', '1-1/2', '2'].includes(nominal)).flatMap(
  ({ nominal, majorMm }): Tie[] => [[`NPT ${nominal} outside`, majorMm, METRIC[nominal as '2'][0], 0.1]],
)

/** Sockets as the plumber has them in the head: eighths of an inch, and not those of pressure. */
const sockets = (
  [
    ['1-1/2', 11 / 16],
    ['2', 3 / 4],
    ['3', 1.5],
    ['4', 1.75],
  ] as const
).flatMap(([size, depth]): Tie[] => [
  [`socket ${size} deep`, tubeEngagement('drain-socket', 'IPS', size)?.maxMm ?? 0, depth * IN, 0.05],
])

/** ISO 727: a socket for cement is half its pipe's name and 6 mm deep; EN 1329 has them to a millimetre. */
const wasteSockets = ['32', '40', '50'].map(
  (size): Tie => [
    `waste socket ${size} deep`,
    tubeEngagement('drain-socket', 'metric-waste', size)?.maxMm ?? 0,
    Number(size) / 2 + 6,
    1.05,
  ],
)

/** Bends of one size share a radius r: from the eighth bend's r tan 22.5° and the quarter's r, about 0.72 of the size. */
const QUARTER = { '1-1/2': 1.75, '2': 2.3125, '3': 3.0625, '4': 3.875 } as const
const bends = BENDS.flatMap(([size, eighth, sweep]): Tie[] => {
  const radius = 0.72 * inches(size)
  return [
    [`eighth bend ${size}`, eighth, QUARTER[size] - radius * (1 - Math.tan(Math.PI / 8)), 0.2],
    [`long sweep ${size}`, sweep, QUARTER[size] + 1, 0.1],
  ]
})

/** Ends of parts that take plastic or steel pipe of iron size, against ISO 4200; those for copper against its rule. */
const seen = new Set<string>()
const ends = CATALOG.flatMap(({ id, family, ports }) =>
  !/shielded|flexible|sanitary|wye|reducing|cleanout|repair|bushing/.test(family)
    ? []
    : ports.flatMap(({ medium, form, system, nominal, diameterMm }): Tie[] => {
        const key = `${family} ${form} ${system} ${nominal}`
        if (medium !== 'drain' || seen.has(key)) return []
        const metric = METRIC[nominal as '2']?.[0]
        const theirs =
          system === 'IPS' ? metric : system === 'CTS' ? (inches(nominal) + 1 / 8) * IN : undefined
        if (theirs === undefined) return []
        seen.add(key)
        return [[`${id}: ${key}`, diameterMm, theirs, 0.1]]
      }),
)

/** Metric editions of the codes: what stands in brackets behind the inches. */
const codes: Tie[] = [
  ['standpipe, IPC, least', STANDPIPES.IPC.leastMm, 457, 0.5],
  ['standpipe, IPC, most', STANDPIPES.IPC.mostMm, 1067, 0.5],
  ['standpipe, UPC, least', STANDPIPES.UPC.leastMm, 457, 0.5],
  ['standpipe, UPC, most', STANDPIPES.UPC.mostMm, 762, 0.5],
  ['outlet to weir', MOST_DROP_MM, 610, 0.5],
  ['head, IPC', DRAIN_TESTS.IPC.headMm, 3048, 0.5],
  ['head, UPC', DRAIN_TESTS.UPC.headMm, 3048, 0.5],
  // 1 kPa is a column of 102 mm
  ['head, EN', DRAIN_TESTS.EN.headMm, 1020, 1],
  // IPC 704.1 in brackets: 2, 1 and 0.5 percent, rounded as codes do
  ['pitch 1/4', (PITCHES[0]?.pitch ?? 0) * 100, 2, 0.1],
  ['pitch 1/8', (PITCHES[1]?.pitch ?? 0) * 100, 1, 0.05],
  ['pitch 1/16', (PITCHES[2]?.pitch ?? 0) * 100, 0.5, 0.03],
]

/** CISPI 301: the radius that hubless bends of a size are made to, inches; an inch and a half of each leg is straight. */
const RADII = { '1-1/2': 2.75, '2': 3, '3': 3.5, '4': 4 } as const
const TURNS = { quarter: 90, sixth: 60, eighth: 45, sixteenth: 22.5 } as const
const hublessBends = HUBLESS_BENDS.flatMap(([size, legs]) =>
  (Object.keys(TURNS) as (keyof typeof TURNS)[]).map(
    (kind): Tie => [
      `hubless ${kind} bend ${size}`,
      legs[kind] * IN,
      (RADII[size] * Math.tan((TURNS[kind] * Math.PI) / 360) + 1.5) * IN,
      // made to the next sixteenth
      IN / 16,
    ],
  ),
)

const TIES: readonly Tie[] = [
  ...plastics,
  ...copper,
  ...tubular,
  ...iron,
  ...lead,
  ...push,
  ...threads,
  ...sockets,
  ...wasteSockets,
  ...bends,
  ...hublessBends,
  ...ends,
  ...codes,
]

describe('figures of drains that are tied to something else', () => {
  it('agree with it', () =>
    expect(
      TIES.filter(([, ours, theirs, within]) => !(Math.abs(ours - theirs) <= within)).map(
        ([what, ours, theirs]) => `${what}: ${ours}, by the other ${theirs}`,
      ),
    ).toEqual([]))

  it('are a hundred and fifty or more, none of them twice', () => {
    expect(new Set(TIES.map(([what]) => what)).size).toBe(TIES.length)
    expect(TIES.length).toBeGreaterThanOrEqual(150)
  })
})
