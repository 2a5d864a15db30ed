import { CoreFault } from '../../fault'
import { mate } from '../../mate'
import { line, PLAIN, WELL_EQUIPPED } from '../../mate/test/problems'
import { type Pipe, type PipeMaterial, pipeById, tubeEngagement } from '../../reference'
import type { Conditions } from '../conditions'
import { METHODS } from '../methods/table'
import { CUT_BACK, cutsOldPipe, openingOf, REMOVALS, removalById, SAW_BACK, shorterBy } from './removals'
import { marksOn, nutLengthMm, starts } from './start'
import { OLD_JOINT_IDS, oldJointsOn } from './table'

const half = pipeById('copper.l.1/2') as Pipe
const steel = pipeById('galvanised.40.1/2') as Pipe
const at = (pipe: Pipe, patch: Partial<Conditions>) =>
  Object.fromEntries(starts(pipe, { ...PLAIN, ...patch }).map((start) => [start.removal.id, start]))

describe('what a removal leaves of the stub', () => {
  // the visible stub is measured from the wall to the back of the old stop or its nut
  const visible = 40
  const cup = tubeEngagement('solder-cup', 'CTS', '1/2')?.maxMm ?? 0
  const push = tubeEngagement('push-fit', 'CTS', '1/2')?.maxMm ?? 0
  const body = tubeEngagement('compression', 'CTS', '1/2')?.maxMm ?? 0

  it('a sweated stop: the cup is won by sweating off, with solder on it', () => {
    const found = at(half, { oldJoint: 'sweat', stubMm: visible })
    expect(found['sweat-off']?.usableMm).toBeCloseTo(visible + cup, 6)
    expect([...(found['sweat-off']?.marks ?? [])]).toEqual(['solder'])
    expect(found['cut-behind']?.usableMm).toBeCloseTo(visible - 1, 6)
    expect([...(found['cut-behind']?.marks ?? [])]).toEqual([])
  })
  it('a compression stop: nut and insertion are won, but a ring has bitten', () => {
    const found = at(half, { oldJoint: 'compression', stubMm: visible })
    expect(found['unscrew-pull-ring']?.usableMm).toBeCloseTo(visible + nutLengthMm(half.odMm) + body, 6)
    expect([...(found['unscrew-pull-ring']?.marks ?? [])]).toEqual(['ring'])
    const cut = found['unscrew-cut-behind-ring']?.usableMm ?? 0
    expect(cut).toBeGreaterThan(visible - 1)
    expect(cut).toBeLessThan(visible + nutLengthMm(half.odMm))
  })
  it('a push-fit stop: released, the teeth have marked the tube', () => {
    const found = at(half, { oldJoint: 'push-fit', stubMm: visible })
    expect(found.release?.usableMm).toBeCloseTo(visible + push, 6)
    expect([...(found.release?.marks ?? [])]).toEqual(['teeth'])
  })
  it('a push-fit stop on soft tube: opened round its seal it leaves no marks, so that it can be expanded', () => {
    const soft = pipeById('pex-a.sdr9.1/2') as Pipe
    const found = at(soft, { oldJoint: 'push-fit', stubMm: visible })
    expect([...(found['open-body']?.marks ?? [])]).toEqual([])
    expect(found['open-body']?.usableMm).toBeCloseTo(found.release?.usableMm ?? 0, 6)
    expect(found['open-body']?.removal.tools).toEqual(['tube-cutter'])
    expect(at(half, { oldJoint: 'push-fit' })['open-body']).toBeUndefined()
    // a stub too short to cut back: the one way to an expansion joint
    const { options } =
      mate({
        lines: [line('pex-a.sdr9.1/2', { oldJoint: 'push-fit', stubMm: 3 })],
        settings: WELL_EQUIPPED,
        k: 20,
      }).lines[0] ?? {}
    const expanded = options?.filter(({ joints }) => joints[0]?.method === 'expansion') ?? []
    expect(expanded.length).toBeGreaterThan(0)
    for (const { removalId } of expanded) expect(removalId).toBe('open-body')
  })
  it('a threaded stop: the thread comes free, in the system it has', () => {
    expect(at(steel, { oldJoint: 'threaded', thread: 'NPT' }).unscrew?.port).toMatchObject({
      form: 'taper-male',
      system: 'NPT',
    })
    expect(at(steel, { oldJoint: 'threaded', thread: 'BSP' }).unscrew?.port.system).toBe('BSP')
    expect(at(steel, { oldJoint: 'threaded', thread: 'none' }).unscrew).toBeUndefined()
  })
  it('needs a flame and a dry line to sweat off, and room to cut', () => {
    const found = at(half, { oldJoint: 'sweat', stubMm: 5, flame: false, line: 'trickle' })
    expect(found['sweat-off']?.forbidden.map((reason) => reason.ruleId)).toEqual([
      'removal.flame',
      'removal.dry',
    ])
    expect(found['cut-behind']?.forbidden[0]).toMatchObject({
      ruleId: 'removal.room',
      parameters: { missingMm: 7 },
    })
  })
  it('says nothing of length where nothing was measured', () => {
    for (const start of starts(half, { ...PLAIN, stubMm: null })) expect(start.usableMm).toBeNull()
    const { options } =
      mate({ lines: [line('copper.l.1/2', { stubMm: null })], settings: WELL_EQUIPPED }).lines[0] ?? {}
    expect(options?.[0]?.warnings.map((warning) => warning.ruleId)).toContain('stub.not-measured')
  })
})

describe('old drain', () => {
  const drain = (id: string, patch: Partial<Conditions>) =>
    at(pipeById(id) as Pipe, { service: 'waste', ...patch })

  it.each([
    // a trap adapter of two inches takes the nut of 1-1/2 tube, and a reducing washer for 1-1/4
    ['pvc-dwv.40.2', '1-1/2', '1-1/4'],
    ['pvc-dwv.40.1-1/2', '1-1/2', '1-1/4'],
    ['pvc-dwv.40.3', undefined, undefined],
  ] as const)('the nut on %s stays for the tube that it takes', (id, own, reduced) => {
    const found = Object.values(drain(id, { oldJoint: 'slip' }))
    const kept = (keeps: string) => found.find(({ removal }) => removal.keeps === keeps)?.port.nominal
    expect([kept('nut'), kept('nut-reduced')]).toEqual([own, reduced])
  })

  it('a thread is sawn off only where there is one', () => {
    const ids = (id: string, patch: Partial<Conditions>) => Object.keys(drain(id, patch))
    const screwed = { oldJoint: 'threaded', thread: 'NPT' } as const
    expect(ids('galvanised.40.1-1/2', screwed)).toContain('saw-thread')
    expect(ids('galvanised.40.1-1/2', { ...screwed, thread: 'none' })).not.toContain('saw-thread')
    expect(ids('copper.dwv.1-1/2', screwed)).not.toContain('saw-thread')
  })

  it('a hub that is split keeps nothing, and that is why; a whole one stays, and so does what needs no hub', () => {
    const rules = (faults: Conditions['faults']) =>
      Object.values(drain('cast-iron.service.4', { oldJoint: 'hub-lead', faults })).map(
        ({ removal, forbidden }) => [
          removal.keeps === 'hub',
          forbidden.some(({ ruleId }) => ruleId === 'removal.hub-split'),
        ],
      )
    const split = rules(['hub-split'])
    expect(split).toContainEqual([true, true])
    expect(split).toContainEqual([false, false])
    expect(split).not.toContainEqual([true, false])
    expect(split).not.toContainEqual([false, true])
    expect(rules([]).flatMap(([, why]) => why)).not.toContain(true)
  })

  it.each([
    [100, 10, 110],
    [100, -120, 0],
    [null, 10, null],
    [100, null, null],
  ])('a flange stands where floor and pipe were measured: %s and %s', (spanMm, flangeMm, usable) => {
    const { usableMm, atMm } =
      Object.values(drain('pvc-dwv.40.4', { oldJoint: 'flange', spanMm, flangeMm })).find(
        ({ removal }) => removal.keeps === 'flange',
      ) ?? {}
    expect([usableMm, atMm]).toEqual([usable, flangeMm])
  })

  // a saw for plastic and soft metal; what is brittle is parted by a chain, and held first
  it.each([
    ['pvc-drain', 'cut-open-drain', 'pipe-saw', 'saw-shorter', 'bands-off-saw'],
    ['cast-iron', 'cut-open-iron', 'chain-cutter', 'chain-cut', null],
    ['clay', 'cut-open-iron', 'chain-cutter', 'chain-clay', null],
    ['lead-waste', 'cut-open-drain', 'pipe-saw', 'saw-lead', null],
  ] as const)('%s is opened and made shorter by what parts it', (material, opens, tool, shorter, banded) => {
    const opening = openingOf(material, 'drain')
    expect([opening.id, opening.tools]).toEqual([opens, [tool]])
    const [, held, cut] = [opening, ...opening.steps]
    expect([opening.steps.length, held?.words, cut?.after]).toEqual([2, 'remove.hold-run', [held?.key]])
    const by = (id: string) => shorterBy(removalById(id), material, 'drain')?.id ?? null
    expect(shorterBy(removalById('bare'), material, 'drain')?.tools).toEqual([tool])
    expect([by('bare'), by('bands-off'), by('unscrew')]).toEqual([shorter, banded, null])
    expect(cutsOldPipe(shorter)).toBe(true)
  })

  it('what takes the bands off takes a saw as well', () =>
    expect(removalById('bands-off-saw').tools).toEqual(['nut-driver', 'pipe-saw']))

  it('what cuts nothing leaves the pipe as long as it is', () =>
    expect(['bare', 'unscrew', 'sweat-off', 'gone'].map(cutsOldPipe)).toEqual([false, false, false, false]))

  it('a ring that is whole is kept as it is, one that is broken gets a new one on it', () => {
    const kept = (faults: Conditions['faults'], stubMm: number | null = null) =>
      Object.values(drain('pvc-dwv.40.4', { oldJoint: 'flange', faults, stubMm })).flatMap(
        ({ removal: { keeps } }) => keeps ?? [],
      )
    expect(new Set(kept([]))).toEqual(new Set(['flange']))
    expect(new Set(kept(['ring-broken']))).toEqual(new Set(['flange-broken']))
    // a socket beneath it is there for who has measured down to it
    expect(new Set(kept([], 60))).toEqual(new Set(['flange', 'socket']))
  })

  // what is drawn out of a ring is plastic's, what is picked is iron's, what is soldered is copper's
  it.each([
    ['saw-behind-ring', 'hub-rubber', ['waste.pp.40mm']],
    ['flange-off-copper', 'flange', ['copper.dwv.3']],
    ['flange-off-iron', 'flange', ['cast-iron.service.4']],
    // either plastic
    ['flange-cut-inside', 'flange', ['waste.pp.40mm', 'pvc-dwv.40.4']],
  ] as const)('%s is for its own pipe alone', (id, oldJoint, own) => {
    const pipes = ['waste.pp.40mm', 'copper.dwv.3', 'cast-iron.service.4', 'pvc-dwv.40.4']
    expect(pipes.filter((pipe) => id in drain(pipe, { oldJoint }))).toEqual(own)
  })

  it('a run of water is cut at both marks, whatever it is of', () => {
    expect(openingOf('copper', 'supply').id).toBe('cut-open')
    expect(shorterBy(removalById('bare'), 'copper', 'supply')?.id).toBe('cut-shorter')
  })
})

describe('every removal', () => {
  const made = ['pvc-drain', 'cast-iron', 'clay', 'lead-waste'] as const
  const all = [
    ...REMOVALS,
    CUT_BACK,
    SAW_BACK,
    ...made.flatMap((material) => [
      openingOf(material, 'drain'),
      ...['bare', 'bands-off'].flatMap((id) => shorterBy(removalById(id), material, 'drain') ?? []),
    ]),
  ]
  it('is found by its name, and waits for steps of its own alone', () => {
    for (const removal of all) {
      expect(removalById(removal.id).id).toBe(removal.id)
      const own = removal.steps.map(({ words }) => words)
      for (const { words, after = [] } of removal.steps)
        for (const before of after)
          expect([removal.id, words, own.slice(0, own.indexOf(words)).includes(before)]).toEqual([
            removal.id,
            words,
            true,
          ])
    }
    // one name, one removal
    expect(new Set(REMOVALS.map(({ id }) => id)).size).toBe(REMOVALS.length)
    expect(() => removalById('gone')).toThrow(new CoreFault('no-removal', { id: 'gone' }))
  })
})

describe('what is asked of an old end', () => {
  it('is every joint that is made on such pipe today, and none that cannot be there', () => {
    // by the table of methods: what joins a bare end of the pipe to something
    const made = METHODS.flatMap(({ id, pairings }) =>
      pairings.flatMap(({ tip, materials }) =>
        tip === 'tube'
          ? (materials ?? []).map((material) => [id.replace(/-.*(pvc|abs)$/, ''), material] as const)
          : [],
      ),
    ).filter(([id]) => (OLD_JOINT_IDS as readonly string[]).includes(id))
    expect(made.length).toBeGreaterThan(20)
    const unasked = made.filter(
      ([id, material]) => !(oldJointsOn(material as PipeMaterial) as readonly string[]).includes(id),
    )
    expect(unasked).toEqual([])
    expect(oldJointsOn('pex-b')).not.toContain('sweat')
    expect(oldJointsOn('galvanised-steel', false)).toEqual(['threaded', 'press', 'none'])
    const bands = ['hubless', 'flexible-coupling']
    expect(oldJointsOn('galvanised-steel', true)).toEqual(['threaded', 'slip', ...bands, 'none'])
    expect(oldJointsOn('pvc-drain')).toEqual(['cement', 'slip', ...bands, 'flange', 'none'])
    // a flange is of three inches and more; hubs are of the classes that have them
    const sized = (system: 'IPS' | 'hubless' | 'service', nominal: string) => ({ system, nominal })
    expect(oldJointsOn('pvc-drain', true, sized('IPS', '1-1/2'))).not.toContain('flange')
    expect(oldJointsOn('cast-iron', true, sized('service', '4'))).toEqual(
      expect.arrayContaining(['hub-lead', 'hub-rubber', 'flange']),
    )
    expect(oldJointsOn('cast-iron', true, sized('hubless', '2'))).toEqual([...bands, 'none'])
    expect(oldJointsOn(undefined)).toHaveLength(OLD_JOINT_IDS.length)
  })
  it('comes off soft tube with a blade, off copper with a wheel', () => {
    const soft = pipeById('pex-b.sdr9.1/2') as Pipe
    expect(at(soft, { oldJoint: 'crimp' })['cut-behind']?.removal.tools).toEqual(['plastic-cutter'])
    expect(at(half, { oldJoint: 'sweat' })['cut-behind']?.removal.tools).toEqual(['tube-cutter'])
  })
})

describe('the smallest sets of changes', () => {
  type Switch = readonly [string, Partial<Conditions>]
  const switches: readonly Switch[] = [
    ['flame', { flame: true }],
    ['dry', { line: 'dry' }],
    ['access', { access: 'reachable' }],
    ['smooth', { scored: false }],
    ['round', { outOfRound: false }],
    ['away-from-heater', { nearHeater: false }],
  ]
  const bad: Conditions = {
    ...PLAIN,
    flame: false,
    line: 'trickle',
    access: 'closed-wall',
    scored: true,
    outOfRound: true,
    nearHeater: true,
  }
  const allowed = {
    ...WELL_EQUIPPED,
    houseRules: { ...WELL_EQUIPPED.houseRules, pushFitConcealed: 'allow' as const },
  }

  it.each(['copper.l.1/2', 'cpvc.sdr11.1/2', 'pex-a.sdr9.1/2', 'copper.thin.15mm'])(
    '%s: equal to trying all',
    (pipeId) => {
      const works = (set: readonly Switch[]) => {
        const patch = Object.assign({}, bad, ...set.map(([, change]) => change)) as Conditions
        const { oldJoint, thread } = line(pipeId).conditions
        const request = line(pipeId, { ...patch, oldJoint, thread })
        return (mate({ lines: [request], settings: allowed, k: 1 }).lines[0]?.options.length ?? 0) > 0
      }
      const subsets = (size: number, from = 0): Switch[][] =>
        size === 0
          ? [[]]
          : switches
              .slice(from)
              .flatMap((entry, index) => subsets(size - 1, from + index + 1).map((rest) => [entry, ...rest]))
      const minimal: string[][] = []
      for (const size of [1, 2, 3])
        for (const set of subsets(size)) {
          const names = set.map(([name]) => name)
          if (minimal.some((known) => known.every((name) => names.includes(name)))) continue
          if (works(set)) minimal.push(names)
        }
      const { oldJoint, thread } = line(pipeId).conditions
      const result = mate({ lines: [line(pipeId, { ...bad, oldJoint, thread })], settings: allowed }).lines[0]
      const found =
        (result?.options.length ?? 0) > 0
          ? []
          : (result?.remedies ?? []).map((remedy) => [...remedy.changes].sort().join())
      const expected =
        (result?.options.length ?? 0) > 0 ? [] : minimal.map((names) => [...names].sort().join())
      expect(found.filter((set) => !set.includes('stub')).sort()).toEqual(expected.sort())
    },
  )
})

describe('the end as it is found', () => {
  it('a pipe that carries a thread is never taken to be bare; tube is, whatever was said of threads', () => {
    expect(at(steel, { oldJoint: 'none', thread: 'NPT' }).bare).toBeUndefined()
    expect(at(steel, { oldJoint: 'none', thread: 'NPT' }).unscrew).toBeDefined()
    expect(at(steel, { oldJoint: 'none', thread: 'none' }).bare).toBeDefined()
    expect(at(half, { oldJoint: 'none', thread: 'NPT' }).bare).toBeDefined()
    // cut back past its marks there would be no thread
    expect(at(steel, { oldJoint: 'none', thread: 'NPT', scored: true })['cut-behind-marks']).toBeUndefined()
    expect(at(steel, { oldJoint: 'none', thread: 'none', scored: true })['cut-behind-marks']).toBeDefined()
  })

  it('bears the marks that were seen, and no others', () => {
    const marks = (patch: Partial<Conditions>) => marksOn({ ...PLAIN, ...patch })
    expect(marks({ faults: ['ring-mark', 'pitted', 'bent'] })).toEqual(['ring', 'bend'])
    expect(marks({ faults: ['tooth-marks'], scored: true })).toEqual(['teeth', 'score'])
    expect(marks({ faults: ['solder-on'], outOfRound: true })).toEqual(['solder', 'oval'])
    expect(marks({ faults: ['loose', 'pinhole', 'choked'] })).toEqual([])
  })

  it('a nut of half-inch tube is about half an inch long, one of inch tube no longer than an inch', () => {
    expect(nutLengthMm(15.9)).toBeGreaterThan(10)
    expect(nutLengthMm(15.9)).toBeLessThan(15)
    expect(nutLengthMm(28.6)).toBeLessThan(25.4)
  })

  it('names the condition whose change would allow what is forbidden', () => {
    const [reason] = at(half, { oldJoint: 'sweat', flame: false })['sweat-off']?.forbidden ?? []
    expect([reason?.ruleId, reason?.change]).toEqual(['removal.flame', 'flame'])
  })
})
