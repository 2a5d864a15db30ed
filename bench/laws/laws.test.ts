import { core as contract } from '@diarmos/contract'
import { bodyKind, type Conditions, mate, PLAIN_CONDITIONS, pipeById } from '@diarmos/core'
import { finished } from './finished'
import { LAWS, longerForATrip } from './laws'
import { faultAtItsLength } from './madeEnds'
import { faultOfPlan } from './planned'
import { someQuestion } from './questions'

/** A way written by hand: `method part` for each joint, the last one without a part where the fixture has an end. */
function way(
  kind: string,
  pipeId: string,
  joints: readonly string[],
  place: Partial<Conditions> = {},
  removalId = 'bare',
) {
  const run = kind.startsWith('run.')
  const conditions: Conditions = { ...PLAIN_CONDITIONS, service: 'cold', ...place }
  const split = joints.map((joint) => joint.split(' '))
  const parts = split.flatMap(([, id]) => (id ? [id.split('~')] : []))
  return finished(
    {
      lineId: 'a',
      pipeId,
      conditions,
      ...(run
        ? {
            cutIn: {
              insert: kind.slice('run.'.length) as 'repair',
              farMm: null,
              freeMm: [0, 0],
              sidewaysMm: 0,
            },
          }
        : { to: { kind, ends: bodyKind(kind)?.ports[0]?.ends ?? [], route: 'any' } }),
    },
    {
      removalId,
      parts: parts.map(([fittingId, turned]) => ({
        fittingId,
        inPort: turned === undefined ? 0 : 1,
        outPort: turned === undefined ? 1 : 0,
      })),
      joints: split.map(([method]) => ({ method, beforeStop: method !== 'swivel' })),
    } as never,
  )
}

/** As the server takes a way: made once, since it is compiled when it is first asked. */
const STORABLE = contract.mateOption.strict()

const L = 'copper.l.1/2'
const STEEL = 'galvanised.40.1/2'
const BRASS = 'brass.regular.1/2'
const TRICKLES = { line: 'trickle' } as const
/** From thread to thread by a piece that is soldered at both its ends. */
const SOLDERED = [
  'threaded adapter.cxfnpt.1/2x1/2',
  'sweat tube.copper.1/2',
  'sweat adapter.cxfnpt.1/2x1/2~',
  'threaded',
]
const letIn = (material: string) => [
  'gasket coupling.gasketxgasket.1/2',
  `gasket tube.${material}.1/2`,
  'gasket coupling.repair.gasketxgasket.1/2',
  'gasket',
]
const STOP: readonly [string, string, string] = [
  'push-fit stop.angle.pushxcomp.1/2x3/8',
  'swivel connector.comp3/8xfaucet1/2.12in',
  'swivel',
]
const FAUCET = 'faucet.shank.1/2'
const VALVE = 'valve.combo.1/2'
const HEATER = 'heater.nipple.3/4'
const HOSE = ['swivel connector.pipe3/4xpipe3/4.12in', 'swivel']
const RUN_VALVE = [
  'sweat valve.isolating.cxc.1/2',
  'sweat tube.copper.1/2',
  'sweat coupling.slip.cxc.1/2',
  'sweat',
]
type Way = Parameters<typeof way>

/** For each law what breaks it, and what looks like it and is right. */
const ROWS: Readonly<Record<string, { readonly breaks: readonly Way[]; readonly keeps: readonly Way[] }>> = {
  'two-stops': {
    breaks: [
      [FAUCET, L, ['push-fit valve.isolating.pushxpush.1/2', 'push-fit tube.copper.1/2', ...STOP]],
      [
        HEATER,
        'copper.l.3/4',
        ['sweat adapter.cxmnpt.3/4x3/4', 'threaded valve.isolating.fxf.brass.npt.3/4', 'threaded'],
        { service: 'hot' },
      ],
      [VALVE, L, ['sweat valve.isolating.cxc.1/2', 'sweat tube.copper.1/2', 'sweat']],
    ],
    keeps: [
      [FAUCET, L, STOP],
      [
        HEATER,
        'copper.l.3/4',
        ['sweat adapter.cxmnpt.3/4x3/4', 'threaded valve.isolating.fxf.brass.npt.3/4', 'threaded'],
        { givesMm: 40 },
      ],
    ],
  },
  'stop-not-last': {
    breaks: [
      [
        FAUCET,
        L,
        [
          'push-fit valve.isolating.pushxpush.1/2',
          'push-fit tube.copper.1/2',
          'push-fit coupling.pushxpush.1/2',
          'push-fit tube.copper.1/2',
          'swivel',
        ],
      ],
    ],
    keeps: [[FAUCET, L, STOP]],
  },
  'connector-as-pipe': {
    breaks: [
      [FAUCET, L, ['swivel connector.comp3/8xfaucet1/2.12in', 'swivel']],
      [FAUCET, L, [...STOP.slice(0, 2), 'swivel connector.comp3/8xfaucet1/2.12in', 'swivel']],
      [
        HEATER,
        'copper.l.3/4',
        ['sweat adapter.cxmnpt.3/4x3/4', ...HOSE],
        { service: 'hot', access: 'closed-wall' },
      ],
    ],
    keeps: [
      [FAUCET, L, STOP],
      [HEATER, 'copper.l.3/4', ['sweat adapter.cxmnpt.3/4x3/4', ...HOSE], { service: 'hot' }],
    ],
  },
  'hose-adapter': {
    breaks: [
      [
        HEATER,
        'brass.regular.3/4',
        ['threaded hose-adapter.fnptxhose.3/4', 'swivel hose-adapter.mnptxswivel.3/4~', 'threaded'],
      ],
    ],
    keeps: [[HEATER, 'brass.regular.3/4', ['threaded union.fxf.brass.npt.3/4', 'threaded']]],
  },
  cancel: {
    breaks: [
      [
        VALVE,
        L,
        [
          'sweat adapter.cxmnpt.1/2x1/2',
          'threaded adapter.cxfnpt.1/2x1/2~',
          'sweat tube.copper.1/2',
          'sweat adapter.cxmnpt.1/2x1/2',
          'threaded adapter.cxfnpt.1/2x1/2~',
          'sweat',
        ],
      ],
    ],
    keeps: [[VALVE, L, ['sweat adapter.cxfnpt.1/2x1/2', 'threaded']]],
  },
  'up-and-down': {
    breaks: [
      [
        VALVE,
        STEEL,
        [
          'threaded adapter.barbxfnpt.3/8x1/2~',
          'crimp tube.pex-a.3/8',
          'crimp adapter.barbxfnpt.3/8x1/2',
          'threaded',
        ],
      ],
      [
        VALVE,
        L,
        ['sweat reducer.cxc.3/4x1/2~', 'sweat tube.copper.3/4', 'sweat reducer.cxc.3/4x1/2', 'sweat'],
      ],
    ],
    keeps: [
      [VALVE, 'copper.l.3/4', ['sweat reducer.cxc.3/4x1/2', 'sweat tube.copper.1/2', 'sweat']],
      // 15 mm goes with a half inch
      [
        'tap.tail.1/2',
        'copper.thin.15mm',
        [
          'push-fit valve.isolating.pushxpush.15mm',
          'push-fit tube.copper.15mm',
          'push-fit tap-connector.push.15mmx1/2',
          'swivel',
        ],
      ],
    ],
  },
  'least-size': {
    breaks: [[VALVE, L, ['sweat reducer.cxc.1/2x3/8', 'sweat tube.copper.3/8', 'sweat']]],
    keeps: [[FAUCET, L, ['push-fit stop.angle.pushxcomp.1/2x3/8', ...STOP.slice(1)]]],
  },
  'nut-in-wall': {
    breaks: [
      [VALVE, STEEL, ['threaded union.fxf.brass.npt.1/2', 'threaded'], { access: 'closed-wall' }],
      [VALVE, L, ['compression adapter.compxfnpt.1/2x1/2', 'threaded'], { access: 'closed-wall' }],
      ['run.valve', L, RUN_VALVE, { access: 'closed-wall' }],
    ],
    keeps: [
      [VALVE, STEEL, ['threaded union.fxf.brass.npt.1/2', 'threaded']],
      ['run.valve', L, RUN_VALVE],
    ],
  },
  'no-turn': {
    breaks: [
      [
        'valve.female.1/2',
        STEEL,
        ['threaded coupling.fxf.brass.npt.1/2', 'threaded nipple.mxm.brass.npt.1/2xclose', 'threaded'],
      ],
    ],
    keeps: [
      [
        'valve.female.1/2',
        STEEL,
        ['threaded union.fxf.brass.npt.1/2', 'threaded nipple.mxm.brass.npt.1/2xclose', 'threaded'],
      ],
      ['spout.thread.1/2', STEEL, ['threaded']],
    ],
  },
  stands: {
    breaks: [
      [HEATER, 'copper.l.3/4', ['push-fit adapter.pushxfnpt.3/4x3/4', 'threaded'], { service: 'hot' }],
      [
        HEATER,
        'copper.l.3/4',
        ['push-fit adapter.pushxfnpt.3/4x3/4', 'threaded'],
        { service: 'hot', givesMm: 6 },
      ],
    ],
    keeps: [
      [
        HEATER,
        'copper.l.3/4',
        ['push-fit adapter.pushxfnpt.3/4x3/4', 'threaded'],
        { service: 'hot', givesMm: 40 },
      ],
      [HEATER, 'copper.l.3/4', ['push-fit adapter.pushxmnpt.3/4x3/4', ...HOSE], { service: 'hot' }],
      [HEATER, 'galvanised.40.3/4', ['threaded union.fxf.galv.npt.3/4', 'threaded'], { service: 'hot' }],
      // a valve is moved while it hangs loose
      [VALVE, L, ['push-fit adapter.pushxfnpt.1/2x1/2', 'threaded']],
    ],
  },
  'made-wet': {
    breaks: [
      [VALVE, BRASS, ['threaded adapter.cxfnpt.1/2x1/2', 'sweat tube.copper.1/2', 'sweat'], TRICKLES],
      [VALVE, BRASS, SOLDERED, TRICKLES],
      [VALVE, L, ['sweat tube.copper.1/2', 'sweat'], TRICKLES],
      ['run.repair', L, ['push-fit coupling.pushxpush.1/2', 'push-fit tube.copper.1/2', 'sweat'], TRICKLES],
    ],
    keeps: [
      [VALVE, BRASS, ['threaded adapter.cxfnpt.1/2x1/2', 'sweat tube.copper.1/2', 'sweat']],
      [
        VALVE,
        BRASS,
        [
          'threaded union.fxf.brass.npt.1/2',
          'threaded adapter.cxmnpt.1/2x1/2~',
          'sweat tube.copper.1/2',
          'sweat',
        ],
        TRICKLES,
      ],
      [VALVE, L, ['push-fit coupling.pushxpush.1/2', 'push-fit tube.copper.1/2', 'sweat'], TRICKLES],
      // a spout is spun on with all that is soldered to it
      ['spout.thread.1/2', BRASS, SOLDERED, TRICKLES],
    ],
  },
  'heater-plastic': {
    breaks: [
      [
        HEATER,
        'copper.l.3/4',
        [
          'push-fit coupling.pushxpush.3/4',
          'push-fit tube.pex-a.3/4',
          'push-fit adapter.pushxfnpt.3/4x3/4',
          'threaded',
        ],
        { service: 'hot' },
      ],
      [
        VALVE,
        L,
        ['push-fit coupling.pushxpush.1/2', 'push-fit tube.pex-a.1/2', 'push-fit'],
        { nearHeater: true },
      ],
    ],
    keeps: [[VALVE, L, ['push-fit coupling.pushxpush.1/2', 'push-fit tube.pex-a.1/2', 'push-fit']]],
  },
  'heater-distance': {
    breaks: [
      [HEATER, 'pex-b.sdr9.3/4', ['crimp adapter.barbxfnpt.3/4x3/4', 'threaded'], { service: 'hot' }],
      [HEATER, 'pex-b.sdr9.3/4', ['crimp adapter.barbxmnpt.3/4x3/4', ...HOSE], { service: 'hot' }],
    ],
    keeps: [
      [
        HEATER,
        'pex-b.sdr9.3/4',
        ['crimp adapter.barbxmnpt.3/4x3/4', 'swivel connector.pipe3/4xpipe3/4.18in', 'swivel'],
        { service: 'hot' },
      ],
      [HEATER, 'copper.l.3/4', ['sweat adapter.cxfnpt.3/4x3/4', 'threaded'], { service: 'hot', givesMm: 40 }],
    ],
  },
  'heater-gap': {
    breaks: [
      [
        HEATER,
        'galvanised.40.3/4',
        ['threaded union.fxf.galv.npt.3/4', 'threaded'],
        { service: 'hot', reachMm: 300 },
      ],
    ],
    keeps: [
      [HEATER, 'galvanised.40.3/4', ['threaded union.fxf.galv.npt.3/4', 'threaded'], { service: 'hot' }],
      [HEATER, 'galvanised.40.3/4', HOSE, { service: 'hot', reachMm: 300 }],
    ],
  },
  'bib-on-plastic': {
    breaks: [
      [
        'hose.outlet',
        'pex-b.sdr9.1/2',
        ['crimp adapter.barbxfnpt.1/2x1/2', 'threaded bib.protected.mnpt.1/2'],
      ],
      [
        'hose.outlet',
        L,
        [
          'sweat transition.cxbarb.1/2',
          'crimp tube.pex-b.1/2',
          'crimp adapter.barbxfnpt.1/2x1/2',
          'threaded bib.protected.mnpt.1/2',
        ],
      ],
    ],
    keeps: [
      [
        'hose.outlet',
        'pex-b.sdr9.1/2',
        ['crimp elbow.drop.barbxfnpt.1/2x1/2', 'threaded bib.protected.mnpt.1/2'],
      ],
      ['hose.outlet', 'pex-b.sdr9.1/2', ['crimp bib.frost-free.barb.1/2x8']],
      ['hose.outlet', L, ['sweat bib.protected.c.1/2']],
    ],
  },
  'steel-in-run': {
    breaks: [['run.repair', BRASS, letIn('galvanised-steel')]],
    keeps: [
      ['run.repair', BRASS, letIn('brass')],
      ['run.repair', STEEL, letIn('galvanised-steel')],
      ['run.repair', STEEL, letIn('brass')],
    ],
  },
  'flame-in-plastic': {
    breaks: [
      [
        'run.repair',
        'pex-b.sdr9.1/2',
        ['crimp transition.cxbarb.1/2', 'sweat tube.copper.1/2', 'sweat transition.cxbarb.1/2~', 'crimp'],
      ],
    ],
    keeps: [
      ['run.repair', 'pex-b.sdr9.1/2', ['crimp coupling.barbxbarb.1/2', 'crimp']],
      ['run.repair', L, ['sweat coupling.cxc.1/2', 'sweat']],
    ],
  },
  'steel-on-copper': {
    breaks: [
      [VALVE, 'copper.l.1/2', ['sweat adapter.cxmnpt.1/2x1/2', 'threaded nipple.mxm.galv.npt.1/2xclose']],
    ],
    keeps: [[VALVE, STEEL, ['threaded union.fxf.brass.npt.1/2', 'threaded']]],
  },
  'plastic-on-metal': {
    breaks: [[VALVE, STEEL, ['threaded adapter.pvcxfnpt.1/2x1/2~', 'cement-pvc']]],
    keeps: [[VALVE, STEEL, ['threaded union.fxf.brass.npt.1/2', 'threaded']]],
  },
  'plastic-between': {
    breaks: [
      [
        'run.repair',
        L,
        [
          'push-fit coupling.pushxpush.1/2',
          'push-fit tube.pex-a.1/2',
          'push-fit coupling.slip.pushxpush.1/2',
          'push-fit',
        ],
      ],
    ],
    keeps: [
      [
        'run.repair',
        L,
        [
          'push-fit coupling.pushxpush.1/2',
          'push-fit tube.copper.1/2',
          'push-fit coupling.slip.pushxpush.1/2',
          'push-fit',
        ],
      ],
      [
        'run.repair',
        'pex-b.sdr9.1/2',
        [
          'push-fit coupling.pushxpush.1/2',
          'push-fit tube.pex-a.1/2',
          'push-fit coupling.slip.pushxpush.1/2',
          'push-fit',
        ],
      ],
    ],
  },
  'no-breaker': {
    breaks: [['hose.outlet', L, ['sweat bib.c.1/2']]],
    keeps: [
      ['hose.outlet', L, ['sweat bib.c.1/2', 'swivel breaker.hose.3/4']],
      ['hose.outlet', L, ['sweat bib.protected.c.1/2']],
    ],
  },
  'short-bib': {
    breaks: [
      ['hose.outlet', L, ['sweat bib.c.1/2', 'swivel breaker.hose.3/4'], { freezing: true }],
      ['hose.outlet', L, ['sweat bib.frost-free.c.1/2x4'], { freezing: true, wallMm: 150 }],
    ],
    keeps: [['hose.outlet', L, ['sweat bib.frost-free.c.1/2x8'], { freezing: true, wallMm: 150 }]],
  },
  'unseen-reach': {
    breaks: [
      ['toilet.fill.7/8', L, [STOP[0], 'swivel connector.comp3/8xfill7/8.6in', 'swivel']],
      ['appliance.comp.3/8', L, [STOP[0], 'swivel connector.comp3/8xcomp3/8.12in', 'swivel']],
      ['hose.outlet', L, ['sweat bib.frost-free.c.1/2x4'], { freezing: true }],
    ],
    keeps: [
      ['toilet.fill.7/8', L, [STOP[0], 'swivel connector.comp3/8xfill7/8.6in', 'swivel'], { reachMm: 120 }],
      ['appliance.comp.3/8', L, [STOP[0], 'swivel connector.comp3/8xcomp3/8.60in', 'swivel']],
      ['hose.outlet', L, ['sweat bib.frost-free.c.1/2x8'], { freezing: true }],
    ],
  },
  'marked-seal': {
    breaks: [[FAUCET, L, STOP, { scored: true }]],
    keeps: [
      [FAUCET, L, STOP],
      [VALVE, L, ['sweat'], { scored: true }],
      [FAUCET, L, STOP, { scored: true }, 'cut-behind-marks'],
    ],
  },
}

describe('a law', () => {
  it.each(LAWS.map((law) => [law.says, law] as const))(
    'is broken by what breaks it alone: %s',
    (_says, law) => {
      const rows = ROWS[law.id]
      expect([rows?.breaks.length === 0, rows?.keeps.length === 0]).toEqual([false, false])
      for (const row of rows?.breaks ?? []) expect([row, law.breaks(way(...row))]).toEqual([row, true])
      for (const row of rows?.keeps ?? [])
        expect([row, LAWS.filter((each) => each.breaks(way(...row))).map(({ id }) => id)]).toEqual([row, []])
    },
  )

  it('is told of an answer that goes the longer way round to spare a trip', () => {
    const long = {
      methods: ['threaded', 'crimp'],
      joints: [1, 2, 3, 4],
      missing: false,
      cents: 5000,
      tripCents: 0,
    }
    const short = { methods: ['threaded'], joints: [1, 2], missing: true, cents: 12_000, tripCents: 9000 }
    expect(longerForATrip([long, short])).toBe(1)
    expect(longerForATrip([short, long])).toBe(-1)
    // dearer also without the trip: then it is a choice
    expect(longerForATrip([long, { ...short, cents: 15_000 }])).toBe(-1)
    expect(longerForATrip([long, { ...short, methods: ['sweat'] }])).toBe(-1)
  })

  it('is broken by no way that is offered, whatever is asked', () => {
    let ways = 0
    for (let index = 0; index < 400; index++) {
      const question = someQuestion(index)
      const [line] = question.lines
      expect(pipeById(line.pipeId ?? '')).toBeDefined()
      const options = mate({ ...question, k: 4 }).lines[0]?.options ?? []
      const spares = longerForATrip(
        options.map(({ methods, joints, costs }) => ({
          methods,
          joints,
          missing: costs.tripCents > 0,
          cents: costs.totalCents,
          tripCents: costs.tripCents,
        })),
      )
      expect([index, spares]).toEqual([index, -1])
      for (const option of options) {
        ways++
        // chosen, it is sent to the server: nothing of it is refused there
        expect([index, STORABLE.safeParse(option).error?.issues]).toEqual([index, undefined])
        const whole = finished(line, option)
        // cut at the length that it names, it goes in
        expect([index, option.id, faultAtItsLength(line, option)]).toEqual([index, option.id, null])
        // and there is an order in which it can be made
        expect([index, option.id, faultOfPlan(line, option, question.settings.jointMinutes)]).toEqual([
          index,
          option.id,
          null,
        ])
        expect([index, option.id, LAWS.filter((law) => law.breaks(whole)).map(({ id }) => id)]).toEqual([
          index,
          option.id,
          [],
        ])
      }
    }
    expect(ways).toBeGreaterThan(1500)
  })
})
