import fc from 'fast-check'
import { CONNECTIONS } from '../../reference'
import { straightPipeMajorMm } from '../../reference/connections'
import { NPT, nptPitchDiameters } from '../../reference/threads'
import { evenly } from '../../test/evenly'
import {
  GAUGE_LEAVES,
  REASONS,
  reasonText,
  THREAD_ANSWER_WORDS,
  THREAD_FAMILY,
  THREAD_QUESTIONS,
} from '../../words'
import { THREAD_ANSWERS, type ThreadSign } from '../answers'
import { identifyThread, type ThreadObservation } from './index'
import { acrossDensity, leafFits, threadLikelihood } from './likelihood'

const IN = 25.4
let count = 0
const id = () => `t${count++}`
const across = (mm: number): ThreadObservation => ({
  id: id(),
  kind: 'thread-across',
  instrument: 'caliper',
  mm,
  resolutionMm: 0.05,
})
const counted = (threads: number, overMm = IN / 2): ThreadObservation => ({
  id: id(),
  kind: 'thread-count',
  threads,
  overMm,
})
const taper = (firstMm: number, secondMm: number, apartMm: number): ThreadObservation => ({
  id: id(),
  kind: 'thread-taper',
  firstMm,
  secondMm,
  apartMm,
})
const leaf = (pitchMm: number, form: 60 | 55, fits: 'fits' | 'rocks'): ThreadObservation => ({
  id: id(),
  kind: 'thread-leaf',
  pitchMm,
  form,
  fits,
})
const said = (sign: ThreadSign, answer: string): ThreadObservation => ({
  id: id(),
  kind: 'thread-sign',
  sign,
  answer,
})
const ask = (
  observations: ThreadObservation[],
  region: 'north-america' | 'metric' | 'unknown' = 'north-america',
) => identifyThread({ region, observations })

describe('threads that are confused at the counter', () => {
  it('1/2 NPT and 1/2 BSP count the same; a taper and a 60 degree leaf settle it', () => {
    const both = ask([counted(7), across(20.9), said('gender', 'male'), said('place', 'pipe-end')], 'unknown')
    const families = both.candidates.filter((entry) => entry.probability > 0.01).map((entry) => entry.family)
    expect(families).toEqual(expect.arrayContaining(['NPT', 'BSP taper']))
    const settled = ask(
      [
        counted(7),
        across(20.9),
        said('gender', 'male'),
        said('place', 'pipe-end'),
        leaf(IN / 14, 60, 'fits'),
        leaf(IN / 14, 55, 'rocks'),
      ],
      'unknown',
    )
    expect(settled.candidates[0]?.id).toBe('npt.male.1/2')
    expect(settled.candidates[0]?.probability ?? 0).toBeGreaterThan(both.candidates[0]?.probability ?? 1)
  })

  it('3/4 pipe thread is 14 an inch, 3/4 hose thread 11-1/2', () => {
    expect(ask([across(26.8), counted(7)]).candidates[0]?.family).toBe('NPT')
    expect(ask([across(26.8), counted(5.75)]).candidates[0]?.family).toBe('garden hose')
  })

  it('3/8 compression is 9/16-24: fine, and 14.3 across', () => {
    const belief = ask([across(14.2), counted(12)])
    expect(belief.candidates[0]?.id).toBe('compression.3/8.male')
    expect(belief.enough).toBe(true)
  })

  it('3/8 flare is 5/8-18, a nut much like a compression nut, and another thread', () => {
    expect(ask([across(15.8), said('seat', 'cone'), counted(9)]).candidates[0]?.id).toBe('flare.3/8.male')
  })

  it('a taper is decided from two diameters a known distance apart', () => {
    // one in sixteen: half a millimetre over eight
    expect(ask([across(20.9), taper(20.7, 21.2, 8)]).taper).toBeGreaterThan(0.9)
    expect(ask([across(20.9), taper(20.8, 20.8, 8)]).taper).toBeLessThan(0.1)
    // a female taper shrinks inward
    const inside = ask([across(18.3), said('gender', 'female'), taper(18.4, 17.9, 8)])
    expect(inside.candidates[0]).toMatchObject({ family: 'NPT', gender: 'female' })
  })

  it('an aerator, a fill valve and a slip nut are known by where they are and how wide', () => {
    expect(ask([said('place', 'faucet-tip'), across(23.7)]).candidates[0]?.id).toBe('aerator.15/16.male')
    expect(ask([said('place', 'faucet-tip'), across(23.9)], 'metric').candidates[0]?.id).toBe(
      'm24x1-aerator.male',
    )
    expect(ask([said('place', 'toilet-valve'), across(22.1)]).candidates[0]?.family).toBe('fill valve')
    expect(ask([said('place', 'drain-nut'), across(47.3)]).candidates[0]?.id).toBe('slip.1-1/2.male')
  })
})

describe('the strainer of a tub', () => {
  const inTub = (...more: ThreadObservation[]) => ask([said('place', 'tub-drain'), ...more])

  it('of one size is fine or coarse, and nothing but its count tells which', () => {
    const both = inTub(across(37.8))
    expect(both.candidates.slice(0, 2).map(({ id }) => id)).toEqual([
      'tub-waste.1-1/2.11.5.male',
      'tub-waste.1-1/2.16.male',
    ])
    expect(both.enough).toBe(false)
    // a count or a leaf is what is asked next, not one more diameter
    expect(both.next[0]?.question).toMatch(/^thread-(count|leaf)$/)
    expect(inTub(across(37.8), counted(16, IN)).candidates[0]).toMatchObject({
      id: 'tub-waste.1-1/2.16.male',
      name: '1-1/2 tub strainer, fine, male',
    })
    expect(inTub(across(37.8), counted(11.5, IN)).candidates[0]?.id).toBe('tub-waste.1-1/2.11.5.male')
  })

  it('of 1-7/8 has the thread of 1-1/2 straight pipe: E1 by ASME B1.20.1 within a hundredth of an inch', () => {
    const pipe = NPT.find(({ nominal }) => nominal === '1-1/2') as (typeof NPT)[number]
    const { e1In } = nptPitchDiameters(pipe.majorMm / IN, pipe.threadsPerInch, pipe.handTightMm / IN)
    const [, most] = CONNECTIONS.find(({ id }) => id === 'tub-waste.1-7/8.11.5.male')?.acrossMm ?? [0, 0]
    expect(Math.abs(most - straightPipeMajorMm(e1In, pipe.threadsPerInch))).toBeLessThan(0.01 * IN)
    // and under a basin the same thread is a slip joint
    expect(ask([said('place', 'drain-nut'), across(47.4)]).candidates[0]?.family).toBe('slip joint')
    expect(inTub(across(47.4)).candidates[0]?.family).toBe('tub waste')
  })
})

describe('laws of the belief about threads', () => {
  it.each(Object.entries(THREAD_ANSWERS))(
    'what may be said of %s sums to one on every thread, and on none',
    (sign, answers) => {
      for (const connection of [...CONNECTIONS, null]) {
        const chances = answers.map((answer) =>
          threadLikelihood({ id: '', kind: 'thread-sign', sign: sign as ThreadSign, answer }, connection),
        )
        expect(Math.min(...chances)).toBeGreaterThan(0)
        expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9)
      }
    },
  )

  const looks = fc.oneof(
    evenly(7, 62).map(across),
    fc.integer({ min: 2, max: 30 }).map((n) => counted(n / 2)),
    fc.constantFrom('male', 'female').map((answer) => said('gender', answer)),
    fc.constantFrom(...THREAD_ANSWERS.seat).map((answer) => said('seat', answer)),
    fc.constantFrom(...THREAD_ANSWERS.place).map((answer) => said('place', answer)),
    fc.constantFrom('fits' as const, 'rocks' as const).map((fits) => leaf(IN / 14, 55, fits)),
  )

  it('sums to one, promises no more than there is to gain, and does not mind the order', () =>
    fc.assert(
      fc.property(fc.array(looks, { maxLength: 4 }), (observations) => {
        const belief = ask(observations, 'unknown')
        const listed = belief.candidates.reduce((sum, entry) => sum + entry.probability, belief.none)
        expect(listed).toBeLessThanOrEqual(1 + 1e-9)
        expect(listed).toBeGreaterThan(0.85)
        const top = Math.max(belief.none, belief.candidates[0]?.probability ?? 0)
        for (const { gainPerMille } of belief.next)
          expect(gainPerMille).toBeLessThanOrEqual(1001.001 - 1000 * top)
        const backward = ask([...observations].reverse(), 'unknown')
        expect(backward.candidates[0]?.probability).toBeCloseTo(belief.candidates[0]?.probability ?? 0, 9)
      }),
      { numRuns: 24 },
    ))

  it('puts each thread first on its own count, diameter, gender and place, or names it beside its twin', () => {
    let first = 0
    for (const thread of CONNECTIONS) {
      const [place] = Object.entries(thread.places).sort((a, b) => b[1] - a[1])[0] ?? ['not-said']
      const middle = (thread.acrossMm[0] + thread.acrossMm[1]) / 2
      const metric = thread.share.metric > thread.share.inch
      const observations = [
        across(middle),
        counted(Math.round((IN / thread.pitchMm) * 2) / 2, IN),
        said('gender', thread.gender),
        said('place', place),
        leaf(thread.pitchMm, thread.form, 'fits'),
        ...(thread.taper ? [taper(middle, middle + (thread.gender === 'male' ? 0.5 : -0.5), 8)] : []),
      ]
      const belief = ask(observations, metric ? 'metric' : 'north-america')
      const rank = belief.candidates.findIndex((entry) => entry.id === thread.id)
      if (rank === 0) first++
      expect([thread.id, rank >= 0 && rank < 4]).toEqual([thread.id, true])
    }
    expect(first / CONNECTIONS.length).toBeGreaterThan(0.8)
  })

  it('says “none of these” to a thread of nobody, and forgets what is withdrawn', () => {
    const odd = ask([across(30.7), counted(16, IN), leaf(IN / 16, 60, 'fits'), said('seat', 'o-ring')])
    expect(odd.reason.ruleId).toBe('thread.unknown')
    const one = across(14.2)
    const withdrawn = ask([one, { ...counted(3), withdrawn: true }])
    expect(withdrawn.candidates[0]?.probability).toBe(ask([one]).candidates[0]?.probability)
    expect(ask([]).reason.ruleId).toBe('thread.no-observation')
  })

  it('points at the count that fits nothing else', () => {
    const slip = counted(3)
    const belief = ask([across(14.2), slip, said('place', 'stop-outlet'), leaf(IN / 24, 60, 'fits')])
    expect(belief.effects.filter((effect) => effect.disagrees).map((effect) => effect.id)).toEqual([slip.id])
  })

  it('spreads a reading over the crests it may have met: the density integrates to one', () => {
    let sum = 0
    for (let mm = 15; mm < 25; mm += 0.002) sum += acrossDensity([20.7, 21.4], mm, 0.15) * 0.002
    expect(sum).toBeCloseTo(1, 3)
  })

  it('a leaf is promised to tell what it tells: both answers of the leaf that is named, weighed as they are when entered', () =>
    fc.assert(
      fc.property(fc.array(looks, { minLength: 1, maxLength: 3 }), (observations) => {
        const now = ask(observations, 'unknown')
        const next = now.next.find(({ question }) => question === 'thread-leaf')
        if (!next?.leaf) return
        const { pitchMm, form } = next.leaf
        const chances = (belief: typeof now) => [
          belief.none,
          ...belief.candidates.map((entry) => entry.probability),
        ]
        // P(fits) from the same tables, by enumeration of the threads that are listed and none
        const fits = now.candidates.reduce(
          (sum, entry) => sum + entry.probability * leafFits(entry, pitchMm, form),
          0.5 * now.none,
        )
        const after = (answer: 'fits' | 'rocks') =>
          Math.max(...chances(ask([...observations, leaf(pitchMm, form, answer)], 'unknown')))
        const gained = fits * after('fits') + (1 - fits) * after('rocks') - Math.max(...chances(now))
        expect(Math.abs(1000 * gained - next.gainPerMille)).toBeLessThan(12)
      }),
      { numRuns: 16 },
    ))

  it('a leaf that was laid in is not named again; where no look is left, that is said', () => {
    const all = [
      across(20.9),
      counted(7),
      said('gender', 'male'),
      said('seat', 'none'),
      said('place', 'pipe-end'),
    ]
    const belief = ask(all, 'unknown')
    expect(belief.reason.ruleId).toBe('thread.confused')
    expect(reasonText(belief.reason, 'in')).toMatch(/What tells most now: “.+”/)
    let now = belief
    const laid = [...all]
    for (let turn = 0; turn < 40 && now.next.length > 0 && !now.enough; turn++) {
      const [next] = now.next
      // nothing tells: the leaf neither, the calipers neither
      if (next?.leaf) {
        expect(laid).not.toContainEqual(expect.objectContaining({ kind: 'thread-leaf', ...next.leaf }))
        laid.push(leaf(next.leaf.pitchMm, next.leaf.form, 'fits'))
      } else if (next?.question === 'thread-taper') laid.push(taper(20.7, 20.95, 8))
      else laid.push({ id: id(), kind: 'thread-across', instrument: 'tape', mm: 20.9, resolutionMm: 1 })
      now = ask(laid, 'unknown')
    }
    expect(['thread.confused-spent', 'thread.spent', 'thread.enough']).toContain(now.reason.ruleId)
  })

  it('every leaf that may be asked for is in the gauge that can be entered', () => {
    for (const { id: name, pitchMm, form } of CONNECTIONS)
      expect([
        name,
        GAUGE_LEAVES.some((entry) => entry.form === form && Math.abs(entry.pitchMm / pitchMm - 1) < 0.006),
      ]).toEqual([name, true])
  })

  it('a leaf of the right pitch fits worse where its flanks are of the other angle', () => {
    expect(leafFits({ pitchMm: IN / 14, form: 60 }, IN / 14, 60)).toBeGreaterThan(
      leafFits({ pitchMm: IN / 14, form: 60 }, IN / 14, 55),
    )
  })
})

describe('everything that can be said of a thread has words', () => {
  it('questions, answers, families, reasons', () => {
    for (const [sign, answers] of Object.entries(THREAD_ANSWERS)) {
      expect(THREAD_QUESTIONS[`thread-sign:${sign}`]).toBeDefined()
      for (const answer of answers)
        expect([answer, THREAD_ANSWER_WORDS[answer]]).toEqual([answer, expect.any(String)])
    }
    for (const { family } of CONNECTIONS)
      expect([family, THREAD_FAMILY[family]]).toEqual([family, expect.any(String)])
    for (const rule of ['no-observation', 'enough', 'ask', 'unknown', 'confused'])
      expect(REASONS[`thread.${rule}`]).toBeDefined()
  })
})
