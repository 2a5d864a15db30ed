import { SCHOOLS, type Schools } from '../assembly'
import { CATALOG, type Fitting } from '../catalog'
import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import type { HouseRules, LineRequest } from '../mate/types'
import { reasonText } from '../words/reasons'
import { stepText } from '../words/steps'
import { sequence } from './index'

const run = (faults: LineRequest['conditions']['faults']): LineRequest => ({
  ...line('copper.l.1/2', { faults, oldJoint: 'none' }),
  to: undefined as never,
  cutIn: { insert: 'repair', farMm: 200, freeMm: [900, 900], outMm: 40, sidewaysMm: 20 },
})

/** All that is said to a line under a shop's rules: what is offered, remarked upon and done, in words. */
function told(
  request: LineRequest,
  rules: Partial<Schools>,
  method?: string,
  catalogue: readonly Fitting[] = CATALOG,
): string {
  const houseRules: HouseRules = { ...WELL_EQUIPPED.houseRules, pushFitConcealed: 'allow', ...rules }
  const { to, ...rest } = request
  const asked = { ...rest, ...(to ? { to } : {}) }
  const settings = { ...WELL_EQUIPPED, houseRules }
  const [answer] = mate({ lines: [asked], settings, k: 30 }, { catalogue }).lines
  const option = answer?.options.find(({ joints }) => !method || joints[0]?.method === method)
  const said = (option?.warnings ?? []).map((each) => reasonText(each, 'in'))
  const steps = option
    ? sequence({ lines: [{ lineId: 'a', option, conditions: request.conditions }], houseRules }).steps
    : []
  return [
    ...(answer?.lastResort ? [reasonText(answer.lastResort, 'in')] : []),
    ...(option ? [] : (answer?.refusals ?? []).map(({ reason }) => reasonText(reason, 'in'))),
    ...said,
    ...steps.map((step) => stepText(step, 'in')),
  ].join('\n')
}

const pushed = line('copper.l.1/2', { oldJoint: 'push-fit', faults: [] })
const wall = line('copper.l.1/2', { access: 'closed-wall' }, 'valve.combo.1/2')

const drain = (pipeId: string, kind: string): LineRequest => ({
  ...line(pipeId, { service: 'waste', oldJoint: 'none' }, kind),
})

const basin = drain('pvc-dwv.40.1-1/2', 'waste.tail.1-1/2')
const airless = { ...basin, conditions: { ...basin.conditions, unvented: true } }

/** For each question about a line one that it speaks of, and a word that each school has and no other; plates are of studs. */
const ASKED: {
  readonly [K in Exclude<keyof Schools, 'plates'>]: readonly [
    LineRequest,
    string | undefined,
    Readonly<Record<Schools[K], RegExp>>,
    (readonly Fitting[])?,
  ]
} = {
  pushFitClean: [pushed, 'push-fit', { wipe: /wipe it, no abrasive/, abrasive: /clean it as for solder/ }],
  stiffener: [pushed, 'push-fit', { leave: /no abrasive\.$/m, pull: /Pull the stiffener/ }],
  pushFitReuse: [
    line('copper.l.1/2', { oldJoint: 'push-fit', stubMm: 14 }),
    'sweat',
    { temporary: /serves again for a time only/, few: /a few times more/, never: /is not used again/ },
  ],
  tapeTurns: [
    line('galvanised.40.1/2'),
    'threaded',
    { three: /three turns of tape/, five: /five turns of tape/, seven: /seven turns of tape/ },
  ],
  cooling: [line('copper.l.1/2'), 'sweat', { hand: /bare hand holds it/, 'ten-minutes': /cool ten minutes/ }],
  wallYears: [
    wall,
    'push-fit',
    { '25': /^(?![\s\S]*shut in is meant for)/, '45': /meant for 45/, '70': /meant for 70/ },
  ],
  copperType: [run([]), undefined, { L: /copper of type L/, M: /copper of type M/ }],
  oneHole: [
    run(['pinhole']),
    undefined,
    { repair: /hole comes out with the piece/, replace: /the next one opens/ },
  ],
  // a corner made anew: elbow and tubes are one piece before the water is off, or are not
  solderAt: [
    { ...run([]), cutIn: { insert: 'corner', farMm: 200, freeMm: [900, 900], sidewaysMm: 2 } },
    'sweat',
    {
      bench: /Heat the fitting[\s\S]*Close the nearest stop/,
      place: /^(?![\s\S]*Heat the fitting[\s\S]*Close the nearest stop)/,
    },
    CATALOG.filter(
      ({ family, ports }) =>
        !family.startsWith('street') && ports.every(({ form }) => form === 'solder-cup' || form === 'tube'),
    ),
  ],
  twistIn: [
    drain('pvc-dwv.40.4', 'waste.bowl'),
    undefined,
    { refuse: /^(?![\s\S]*down with a twist)/, accept: /down with a twist/ },
    CATALOG.filter(({ id }) => id.startsWith('flange.twist')),
  ],
  flexibleAbove: [
    drain('cast-iron.service.2', 'waste.shower.2'),
    undefined,
    { shielded: /^(?![\s\S]*to the middle of the sleeve)/, accept: /to the middle of the sleeve/ },
    CATALOG.filter(
      ({ family, material }) =>
        /flexible-coupling|p-trap|tube-piece/.test(family) && material !== 'abs-drain',
    ),
  ],
  badVent: [
    airless,
    undefined,
    { valve: /heard to breathe/, wall: /It is vented first, through the wall/ },
    CATALOG.filter(({ id }) => /^(vent-tee\.pvc|trap\.plastic|tail-extension)/.test(id)),
  ],
  cure: [line('cpvc.sdr11.1/2'), 'cement', { long: /alone for 30 minutes/, short: /alone for 15 minutes/ }],
}

describe('where schools differ', () => {
  it.each(Object.keys(ASKED) as (keyof typeof ASKED)[])(
    '%s: each is followed and said, the usual one unasked',
    (key) => {
      const [request, method, words, catalogue] = ASKED[key] as readonly [
        LineRequest,
        string | undefined,
        Readonly<Record<string, RegExp>>,
        (readonly Fitting[])?,
      ]
      for (const [school, own] of Object.entries(words)) {
        const text = told(request, { [key]: school }, method, catalogue)
        for (const [other, word] of Object.entries(words))
          expect([key, school, other, word.test(text)]).toEqual([key, school, other, word === own])
      }
      expect(told(request, {}, method, catalogue)).toBe(
        told(request, { [key]: SCHOOLS[key] }, method, catalogue),
      )
    },
  )

  it('paste has no turns', () => {
    const rules = { ...WELL_EQUIPPED.houseRules, threadSeal: 'paste' as const }
    expect(told(line('galvanised.40.1/2'), rules, 'threaded')).not.toMatch(/turns of tape/)
  })
})
