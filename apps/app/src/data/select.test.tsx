import { bodiesOf } from '@diarmos/core/bodies'
import 'fake-indexeddb/auto'
import { STARTING_SETTINGS } from '@diarmos/core'
import { findingBasis, matingBasis } from '@diarmos/core/record'
import { act, renderHook } from '@testing-library/react'
import { mateRequest } from '../job/requests'
import { putOnShelf } from '../test/shop'
import {
  alike,
  conditionsOf,
  inFront,
  type JobView,
  joinedAlike,
  kindsOf,
  pointName,
  pointNames,
  useJob,
  useKnown,
} from './select'
import { shelf } from './store'
import type { Doc, EntityKind } from './types'

let heard = 0
const doc = (kind: EntityKind, id: string, fields: Record<string, unknown>): Doc =>
  // fields of any kind under one name: each test says its own
  ({ kind, id, revision: ++heard, removed: false, clock: '', fields, conflicts: [] }) as unknown as Doc
const at = '2026-11-20T09:00:00.000Z'
const look = {
  jobId: 'job',
  lineId: 'hot',
  kind: 'outside',
  instrument: 'caliper',
  sign: null,
  answer: null,
  entered: '.625',
  mm: 15.875,
  resolutionMm: 0.0254,
  unit: 'in',
  withdrawn: false,
  takenAt: at,
}
const pipe = { material: 'copper', system: 'CTS', nominal: '1/2' }
const finding = (jobId: string, lineId: string, basis: string) =>
  doc('finding', `finding ${jobId} ${lineId}`, {
    jobId,
    lineId,
    pipeId: 'copper.l.1/2',
    name: '1/2 in copper tube',
    probability: 0.99,
    basis,
    snapshot: { classes: [pipe] },
    foundAt: at,
  })

const HOUSE = [
  doc('property', 'house', { label: 'House', era: 'unknown', region: 'north-america' }),
  doc('point', 'basin', { propertyId: 'house', name: 'Basin', kind: 'basin' }),
  doc('point', 'sink', { propertyId: 'house', name: 'Sink', kind: 'sink' }),
  doc('line', 'hot', { pointId: 'basin', service: 'hot' }),
  doc('line', 'cold', { pointId: 'basin', service: 'cold' }),
  doc('line', 'elsewhere', { pointId: 'sink', service: 'cold' }),
  doc('job', 'job', {
    propertyId: 'house',
    pointId: 'basin',
    title: 'Job',
    state: 'open',
    fixtures: bodiesOf(['faucet.shank.1/2']),
  }),
  doc('observation', 'look', look),
]

function hold(...docs: Doc[]): void {
  act(() => shelf.clear())
  putOnShelf(...HOUSE, ...docs)
}
const job = () => renderHook(() => useJob('job')).result.current
const hot = () => job()?.lines.find((line) => line.line.id === 'hot')

describe('what a job page derives from its documents', () => {
  it('hot before cold, and the stage at which something is still missing', () => {
    hold()
    expect(job()?.lines.map((line) => line.line.id)).toEqual(['hot', 'cold'])
    expect(job()?.stage).toBe('find')
    hold(finding('job', 'hot', findingBasis([look])), finding('job', 'cold', '[]'))
    expect(job()?.stage).toBe('mate')
  })

  it('a finding is stale as soon as its looks are others, and fresh again when they are back', () => {
    const taken = finding('job', 'hot', findingBasis([look]))
    hold(taken)
    expect(hot()?.findingStale).toBe(false)
    hold(taken, doc('observation', 'look', { ...look, withdrawn: true }))
    expect(hot()?.findingStale).toBe(true)
    hold(taken)
    expect(hot()?.findingStale).toBe(false)
  })

  it('what was measured and ticked stays with its part when another way is chosen', () => {
    const part = (fittingId: string) => ({ fittingId, family: 'coupling', inPort: 0, outPort: 1 })
    const joint = (seam: number) => ({ method: 'push-fit', from: seam - 1, to: seam })
    const way = (id: string, ...names: string[]) =>
      doc('mating', `mating ${id}`, {
        jobId: 'job',
        lineId: 'hot',
        optionId: id,
        option: {
          id,
          removalId: 'cut-behind',
          leavesStubMm: 60,
          parts: names.map(part),
          joints: names.map((_, seam) => joint(seam)),
        },
        basis: '',
        chosenAt: at,
      })
    const measured = doc('dimension', 'd', {
      jobId: 'job',
      lineId: 'hot',
      optionId: 'first',
      from: 'wall',
      to: 'part:1:centre',
      mm: 300,
      withdrawn: false,
    })
    const ticked = (stepId: string, optionId: string | null, result = 'done') =>
      doc('check', `${stepId} ${optionId}`, { jobId: 'job', lineId: 'hot', stepId, optionId, result, at })
    const steps = () => [...(job()?.checks.keys() ?? [])].sort()
    const first = way('first', 'coupling', 'elbow', 'stop')
    const ticks = [
      ticked('hot/0/close', 'first'),
      ticked('hot/1/close', 'first'),
      ticked('hot/cut/1', 'first'),
      ticked('hot/line/dry-inlet', 'first', 'dry'),
      ticked('general/drain', null),
    ]
    hold(first, measured, ...ticks)
    expect(hot()?.dimensions.map(({ fields }) => fields.to)).toEqual(['part:1:centre'])
    expect(steps()).toHaveLength(5)
    // the elbow stands first now, on the old pipe itself: its place holds, its joint was another
    hold(first, way('second', 'elbow', 'stop'), measured, ...ticks)
    expect(hot()?.dimensions.map(({ fields }) => fields.to)).toEqual(['part:0:centre'])
    expect(hot()?.dimensionsElsewhere).toBe(0)
    expect(steps()).toEqual(['general/drain', 'hot/cut/0'])
    // with another stop the first two joints are the same, and the line is dried anew
    hold(first, way('third', 'coupling', 'elbow', 'other stop'), measured, ...ticks)
    expect(steps()).toEqual(['general/drain', 'hot/0/close', 'hot/1/close', 'hot/cut/1'])
    // and ticked anew it is the new one's
    hold(
      first,
      way('third', 'coupling', 'elbow', 'other stop'),
      ...ticks,
      ticked('hot/0/close', 'third', 'undone'),
    )
    expect(job()?.checks.get('hot/0/close')?.fields.result).toBe('undone')
    hold(first, way('fourth', 'tee'), measured, ...ticks)
    expect([hot()?.dimensions, hot()?.dimensionsElsewhere]).toEqual([[], 1])
  })

  it('a mating is stale as soon as a condition, the fixture or the finding changes', () => {
    const taken = finding('job', 'hot', findingBasis([look]))
    hold(taken)
    const line = hot()
    if (!line) throw new Error('no line')
    if (!line.ends) throw new Error('no fixture')
    const basis = matingBasis('copper.l.1/2', line.ends, conditionsOf(line) ?? {})
    const option = { joints: [], parts: [] }
    const mating = doc('mating', 'mating', {
      jobId: 'job',
      lineId: 'hot',
      optionId: 'x',
      option,
      basis,
      chosenAt: at,
    })
    hold(taken, mating)
    expect(hot()?.matingStale).toBe(false)
    hold(taken, mating, doc('situation', 's', { jobId: 'job', lineId: 'hot', flame: false }))
    expect(hot()?.matingStale).toBe(true)
    hold(taken, mating, doc('job', 'job', { ...HOUSE[6]?.fields, fixtures: bodiesOf(['faucet.hose.3/8']) }))
    expect(hot()?.matingStale).toBe(true)
    // more of a run is bad than what was chosen can fill
    const filling = doc('mating', 'mating', {
      ...mating.fields,
      option: { ...option, removeMm: { min: 0, max: 60 } },
    })
    const bad = (badMm: number) =>
      doc('situation', 's', { jobId: 'job', lineId: 'hot', onRun: { badMm, things: [] } })
    hold(taken, filling, bad(60))
    expect(hot()?.matingStale).toBe(false)
    hold(taken, filling, bad(80))
    expect(hot()?.matingStale).toBe(true)
    hold(mating, finding('job', 'hot', 'something else'))
    expect(hot()?.matingStale).toBe(true)
  })

  it('water seen while looking counts as a condition', () => {
    hold(doc('observation', 'w', { ...look, kind: 'sign', sign: 'carries', answer: 'water', mm: null }))
    expect(conditionsOf(hot() as never)?.waterSeen).toBe(true)
    hold(
      doc('observation', 'w', {
        ...look,
        kind: 'sign',
        sign: 'carries',
        answer: 'water',
        mm: null,
        withdrawn: true,
      }),
    )
    expect(conditionsOf(hot() as never)?.waterSeen).toBe(false)
  })

  it('the house remembers, the nearer the stronger, and never this job itself', () => {
    hold(
      finding('job', 'hot', '[]'),
      finding('earlier', 'hot', '[]'),
      finding('earlier', 'cold', '[]'),
      finding('earlier', 'elsewhere', '[]'),
    )
    const view = job()
    expect(hot()?.remembered?.fields.jobId).toBe('earlier')
    const known = renderHook(() => useKnown(view, 'hot')).result.current
    expect(known.map((entry) => entry.where).sort()).toEqual(['same-house', 'same-line', 'same-point'])
  })

  it('the tick of a step that was heard of last holds, whatever clock it carries', () => {
    const check = (id: string, result: string, when: string) =>
      doc('check', id, { jobId: 'job', lineId: 'hot', stepId: 'hot/0/close', result, at: when, note: '' })
    hold(check('a', 'done', '2026-11-20T10:00:00.000Z'), check('b', 'undone', '2026-11-20T09:00:00.000Z'))
    expect(hot()?.ticked).toEqual([])
    hold(check('b', 'undone', '2026-11-20T12:00:00.000Z'), check('a', 'done', '2026-11-20T11:00:00.000Z'))
    expect(hot()?.ticked).toEqual(['hot/0/close'])
  })

  it('a finding taken anew holds at once, also with a clock an hour slow', () => {
    const later = { ...finding('job', 'hot', findingBasis([look])), id: 'anew', revision: 0, clock: 'b' }
    const waiting = { ...later, id: 'first', clock: 'a' }
    const slow = { ...later, fields: { ...later.fields, name: 'anew', foundAt: '2026-11-20T08:00:00.000Z' } }
    hold(finding('job', 'hot', '[]'), waiting, slow as Doc)
    expect(hot()?.finding?.fields.name).toBe('anew')
    expect(hot()?.findingStale).toBe(false)
  })

  it('what was seen of an old end holds for the same pipe beside it that nobody looked at, and no other', () => {
    const pex = finding('job', 'cold', '[]')
    const other = { ...pex, fields: { ...pex.fields, pipeId: 'pex-b.sdr9.1/2' } } as Doc
    const same = (...docs: Doc[]) => {
      hold(finding('job', 'hot', findingBasis([look])), ...docs)
      return joinedAlike(job() as never, hot() as never).map(({ line }) => line.id)
    }
    expect(same(pex)).toEqual(['hot', 'cold'])
    expect(same(other)).toEqual(['hot'])
    expect(same(pex, doc('situation', 's', { jobId: 'job', lineId: 'cold', oldJoint: 'crimp' }))).toEqual([
      'hot',
    ])
    expect(same(pex, doc('situation', 's', { jobId: 'job', lineId: 'cold', oldJointSeen: true }))).toEqual([
      'hot',
    ])
  })

  it('a branch begins at what the stop that feeds it leaves open, as soon as a way is chosen there', () => {
    const fed = doc('job', 'job', {
      ...HOUSE[6]?.fields,
      fixtures: bodiesOf(['faucet.shank.1/2', 'appliance.comp.3/8']),
    })
    const branch = doc('line', 'branch', { pointId: 'basin', service: 'branch' })
    const found = finding('job', 'hot', findingBasis([look]))
    const view = (...docs: Doc[]) => {
      hold(fed, branch, found, ...docs)
      return job()?.lines.find(({ line }) => line.id === 'branch')
    }
    expect(view()).toMatchObject({ trunk: { id: 'hot', service: 'hot' }, begins: null })
    expect(hot()?.feeds).toBe(true)
    expect(conditionsOf(hot() as never)?.outlets).toBe(2)
    // the appliance has a stop of two outlets before it, and is no such stop itself
    expect(conditionsOf(view() as never)).toMatchObject({ outlets: 1, service: 'hot' })
    expect(job()?.works.map(({ line }) => line.id)).toContain('branch')
    const end = { form: 'compression-outlet', system: 'OD', nominal: '3/8', material: 'brass' }
    const stop = { parts: [{ made: { ports: [{}, {}, end] } }], joints: [] }
    const ways = (option: object) =>
      doc('mating', 'm', { jobId: 'job', lineId: 'hot', optionId: 'x', option, basis: '', chosenAt: at })
    expect(view(ways(stop))?.begins).toBe('open compression-outlet OD 3/8 brass')
    // a stop with one outlet leaves nothing to begin at
    expect(view(ways({ parts: [{ made: { ports: [{}, {}] } }], joints: [] }))?.begins).toBeNull()
  })

  it('a job of several points has what goes in at each, and is where the last of them is', () => {
    const bib = doc('point', 'bib', { propertyId: 'house', name: 'Bib', kind: 'bib' })
    const bibLine = doc('line', 'bib cold', { pointId: 'bib', service: 'cold' })
    const more = [
      { pointId: 'sink', fixtures: bodiesOf(['faucet.hose.3/8'], 'sink') },
      { pointId: 'bib', fixtures: bodiesOf(['hose.outlet'], 'bib') },
    ]
    const several = doc('job', 'job', { ...HOUSE[6]?.fields, more })
    const found = [finding('job', 'hot', findingBasis([look])), finding('job', 'cold', '[]')]
    hold(several, bib, bibLine, ...found)
    const view = job() as JobView
    expect(pointNames(view)).toBe('Basin + Sink + Bib')
    expect(view.lines.map(({ line }) => line.id)).toEqual(['hot', 'cold', 'elsewhere', 'bib cold'])
    // lines of one name are two, and each ends at its own fixture
    const ends = view.lines.map(({ ends }) => ends?.to.bodyId)
    expect(ends).toEqual(['main', 'main', 'sink main', 'bib main'])
    expect(view.stage).toBe('find')
    const [, , sink] = view.lines
    expect(inFront(view, sink).here.point.id).toBe('sink')
    expect(kindsOf(inFront(view, sink)).water).toEqual(['faucet.hose.3/8'])
    expect(alike(view, sink as never)).toEqual(inFront(view, sink).here.supply)
    expect(pointName(view, sink)).toBe('Sink')
    // one question, one plan: all points share what is opened, and what is aboard
    const settings = STARTING_SETTINGS as never
    const asked = mateRequest(view, settings)
    expect(asked?.lines.map(({ lineId }) => lineId)).toEqual(['hot', 'cold'])
    hold(several, bib, bibLine, ...found, finding('job', 'elsewhere', '[]'), finding('job', 'bib cold', '[]'))
    const whole = mateRequest(job() as JobView, settings)
    expect(whole?.lines.map(({ lineId, to }) => [lineId, to?.bodyId])).toEqual([
      ['hot', 'main'],
      ['cold', 'main'],
      ['elsewhere', 'sink main'],
      ['bib cold', 'bib main'],
    ])
    expect(job()?.stage).toBe('mate')
    // one that is not there, or not any more, keeps nobody from the others
    hold(doc('job', 'job', { ...HOUSE[6]?.fields, more: [{ pointId: 'gone', fixtures: [] }] }), ...found)
    expect(pointNames(job() as JobView)).toBe('Basin')
    expect(job()?.stage).toBe('mate')
  })

  it('there is no job without its house', () => {
    act(() => shelf.clear())
    putOnShelf(HOUSE[6] as Doc)
    expect(job()).toBeNull()
  })
})
