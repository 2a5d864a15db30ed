import fc from 'fast-check'
import { end } from '../../catalog/ends'
import { CoreFault } from '../../fault'
import { keptStopEnd } from '../oldJoints/keptStops'
import {
  BODY_KINDS,
  bodiesOf,
  bodyKind,
  endsInPart,
  fromStop,
  furtherLines,
  isDrainLine,
  isHeld,
  isWaste,
  lineEnds,
  mayBeIron,
  mayHoldHouseTrap,
  mouthOf,
  SINK_WASTES,
  secondSides,
  sinkWaste,
  usualBranch,
  usualLine,
  withBranchSize,
  withDishwasher,
  withOneSide,
  withStuff,
} from './index'

const at = (kind: string, portId: string, bodyId = 'main') =>
  expect.objectContaining({ kind, portId, bodyId })
const tub = ['valve.combo.1/2', 'spout.slip.1/2', 'arm.1/2']

describe('what a line runs between', () => {
  it.each([
    [['faucet.shank.1/2'], 'hot', false, { from: 'pipe', to: at('faucet.shank.1/2', 'hot') }],
    [['faucet.shank.1/2'], 'drain', false, null],
    [['faucet.shank.1/2'], 'shower', false, null],
    // what drains into a new branch begins at its side; where nothing does, that stays plugged
    [['waste.run.tee.2'], 'branch', false, null],
    [['waste.run.repair', 'waste.standpipe'], 'branch', false, null],
    // by a second side the next after that, where there is one; where water comes to the point too, no line is there for it
    [['waste.run.tee.2', 'waste.tail.1-1/2', 'waste.tail.1-1/4'], 'side', false, null],
    [['waste.run.tee.double.2', 'waste.tail.1-1/2'], 'side', false, null],
    [['washer.hose', 'waste.run.tee.double.2', 'waste.tail.1-1/2'], 'side', false, null],
    [
      ['waste.run.tee.left.3x2', 'waste.bowl', 'waste.tub.1-1/2'],
      'side',
      false,
      {
        from: { branchOf: null, second: true },
        to: expect.objectContaining({ kind: 'waste.tub.1-1/2', waste: true }),
      },
    ],
    [
      ['waste.run.wye.2', 'waste.standpipe'],
      'branch',
      false,
      { from: { branchOf: null }, to: expect.objectContaining({ kind: 'waste.standpipe', waste: true }) },
    ],
    [['toilet.fill.7/8'], 'hot', false, { from: 'pipe', to: at('toilet.fill.7/8', 'inlet') }],
    [tub, 'cold', false, { from: 'pipe', to: at('valve.combo.1/2', 'cold') }],
    [
      tub,
      'spout',
      false,
      { from: at('valve.combo.1/2', 'spout'), to: at('spout.slip.1/2', 'inlet', 'spout') },
    ],
    [tub, 'shower', false, { from: at('valve.combo.1/2', 'shower'), to: at('arm.1/2', 'inlet', 'shower') }],
    // an old riser that is kept is mated to the valve
    [tub, 'shower', true, { from: 'pipe', to: at('valve.combo.1/2', 'shower') }],
    // the outlet that nothing hangs on is closed, once it is known that something hangs on the other
    [
      ['valve.combo.1/2', 'arm.1/2'],
      'spout',
      false,
      { from: at('valve.combo.1/2', 'spout'), to: expect.objectContaining({ kind: 'closed', route: 'cap' }) },
    ],
    [['valve.combo.1/2', 'arm.1/2'], 'spout', true, { from: 'pipe', to: at('valve.combo.1/2', 'spout') }],
    [['valve.combo.1/2'], 'spout', false, null],
    // a third outlet: to a spray, closed where none goes in, and none on a valve of two
    [
      ['valve.three.1/2', 'arm.1/2', 'spray.1/2'],
      'spray',
      false,
      { from: at('valve.three.1/2', 'spray'), to: at('spray.1/2', 'inlet', 'spray') },
    ],
    [
      ['valve.three.1/2', 'arm.1/2'],
      'spray',
      false,
      { from: at('valve.three.1/2', 'spray'), to: expect.objectContaining({ kind: 'closed', route: 'cap' }) },
    ],
    [['valve.three.1/2', 'arm.1/2'], 'spray', true, { from: 'pipe', to: at('valve.three.1/2', 'spray') }],
    [['valve.combo.1/2', 'arm.1/2'], 'spray', false, null],
    [['spray.bsp.1/2'], 'spray', true, { from: 'pipe', to: at('spray.bsp.1/2', 'inlet') }],
    [['spout.slip.1/2'], 'spout', true, { from: 'pipe', to: at('spout.slip.1/2', 'inlet') }],
    [['spout.slip.1/2'], 'hot', true, null],
    [['arm.1/2'], 'spout', true, null],
    [['heater.nipple.3/4'], 'hot', true, { from: 'pipe', to: at('heater.nipple.3/4', 'hot') }],
    [['never heard of'], 'hot', true, null],
    // a dishwasher from the hot stop of a faucet, an ice maker from the cold, a toilet from the tee in a run
    [
      ['faucet.shank.1/2', 'appliance.comp.3/8'],
      'branch',
      false,
      { from: { branchOf: 'hot' }, to: at('appliance.comp.3/8', 'inlet', 'supply') },
    ],
    [
      ['waste.tail.1-1/4', 'faucet.hose.3/8', 'appliance.comp.1/4'],
      'branch',
      false,
      { from: { branchOf: 'cold' }, to: at('appliance.comp.1/4', 'inlet', 'supply') },
    ],
    [
      ['faucet.shank.1/2', 'appliance.comp.3/8'],
      'hot',
      false,
      { from: 'pipe', to: at('faucet.shank.1/2', 'hot') },
    ],
    [
      ['run.tee', 'toilet.fill.7/8'],
      'branch',
      false,
      { from: { branchOf: null }, to: at('toilet.fill.7/8', 'inlet', 'supply') },
    ],
    // nothing branches off what has no second outlet
    [['washer.hose', 'appliance.comp.3/8'], 'branch', false, null],
    [['run.repair', 'toilet.fill.7/8'], 'branch', false, null],
    [['appliance.comp.3/8'], 'branch', false, null],
  ])('%p, %s, old pipe %p', (kinds, service, hasPipe, ends) =>
    expect(lineEnds(bodiesOf(kinds), service, hasPipe)).toEqual(ends && { insert: null, ...ends }),
  )

  it('into a run, it is the run itself', () => {
    const tee = bodiesOf(['run.tee'])
    expect(lineEnds(tee, 'hot', true)).toMatchObject({
      from: 'pipe',
      to: at('run.tee', 'inlet'),
      insert: 'tee',
    })
    expect(lineEnds(tee, 'spout', true)).toBeNull()
  })

  it('is asked for further lines only where there are some', () => {
    const fed = ['faucet.shank.1/2', 'appliance.comp.3/8']
    const sets = [tub, ['arm.1/2'], ['faucet.shank.1/2'], fed, ['run.tee'], ['waste.run.tee.2']]
    expect(sets.map((kinds) => furtherLines(bodiesOf(kinds)))).toEqual([
      ['spout', 'shower'],
      ['shower'],
      [],
      ['branch'],
      // the side of a tee that feeds nothing is capped; that of a drain waits for its pipe under a plug
      ['branch'],
      [],
    ])
    expect(lineEnds(bodiesOf(['run.tee']), 'branch', false)?.to).toMatchObject({
      kind: 'closed',
      route: 'cap',
    })
    expect(usualLine(bodiesOf(['faucet.shank.1/2', 'appliance.comp.3/8']))).toBeNull()
    expect(
      [
        'toilet.fill.7/8',
        'hose.outlet',
        'appliance.comp.3/8',
        'appliance.comp.1/4',
        'run.tee',
        tub[0] as string,
      ].map((kind) => usualLine(bodiesOf([kind]))),
    ).toEqual(['cold', 'cold', 'hot', 'cold', 'cold', null])
  })
})

describe('kinds of what goes in', () => {
  it.each(BODY_KINDS)(
    '$id: ends that are made, ports called once each, a way for its water',
    ({ id, ports }) => {
      expect(new Set(ports.map((port) => port.id)).size).toBe(ports.length)
      for (const { id: at, ends, route } of ports) {
        for (const { form, system, nominal, material } of ends)
          expect(end(form, system, nominal, material).diameterMm).toBeGreaterThan(0)
        // only what is itself the end of a line has none; the sides of a branch take a pipe each
        expect(ends.length > 0).toBe(
          at === 'branch' || at === 'side' || !(route === 'any' || endsInPart(route)),
        )
      }
      expect(mouthOf(id)).toMatchObject({ kind: id, route: ports[0]?.route })
    },
  )

  it('stand in a job under names of their own, each as its row has it', () =>
    fc.assert(
      fc.property(fc.subarray(BODY_KINDS.map((row) => row.id)), (kinds) => {
        const bodies = bodiesOf(kinds)
        expect(bodies.map((body) => body.kind)).toEqual(kinds)
        const [first] = bodies
        expect(first?.id ?? 'main').toBe(first && isWaste(first) ? 'waste' : 'main')
        for (const body of bodies) expect(body.ports).toEqual(bodyKind(body.kind)?.ports)
        const wastes = bodies.filter(isWaste).map(({ id }) => id)
        expect(new Set(wastes).size).toBe(wastes.length)
      }),
      { seed: 12 },
    ))

  it('one that no row has keeps its name, and takes no line', () => {
    expect(bodiesOf(['gone.1/2'])).toMatchObject([{ id: 'main', kind: 'gone.1/2', ports: [], contents: [] }])
    expect(() => mouthOf('gone.1/2')).toThrow(new CoreFault('no-kind', { id: 'gone.1/2' }))
  })
})

describe('what is held while a line to it is closed', () => {
  it.each([
    ['valve.combo.1/2', true],
    ['faucet.shank.1/2', true],
    ['waste.bowl', true],
    ['waste.shower.2', true],
    // spun onto the end of its line
    ['spout.slip.1/2', false],
    ['closed', false],
    ['run.repair', false],
    // the water of a box hangs with it, its drain is set down
    ['box.combo.1/2', true],
    ['waste.box.2', false],
  ])('%s: %s', (kind, held) => {
    const [body] = bodiesOf([kind])
    expect(body && isHeld(body)).toBe(held)
  })
})

it('waste runs in a drain, and in what comes into one: water that branches off is water', () => {
  const of = (service: string, ...kinds: string[]) =>
    isDrainLine(service, lineEnds(bodiesOf(kinds), service, false))
  expect(of('drain')).toBe(true)
  expect(of('branch', 'waste.run.tee.2', 'waste.standpipe')).toBe(true)
  expect(of('side', 'waste.run.tee.double.2', 'waste.tail.1-1/2', 'waste.tail.1-1/4')).toBe(true)
  expect(of('branch', 'run.tee', 'toilet.fill.7/8')).toBe(false)
  expect(of('branch')).toBe(false)
  expect(of('cold', 'faucet.shank.1/2')).toBe(false)
})

it('a branch keeps its sides in another size where a tee is made so, and has one where none is', () => {
  expect(withBranchSize('waste.run.tee.double.2', '1-1/2')).toBe('waste.run.tee.double.1-1/2')
  expect(withBranchSize('waste.run.tee.double.2', '4')).toBe('waste.run.tee.4')
  expect(withBranchSize('waste.run.tee.left.3x2', '4')).toBe('waste.run.tee.left.4x2')
  expect(withBranchSize('waste.run.wye.2', '3')).toBe('waste.run.wye.3')
  expect(withBranchSize('waste.run.wye.2', '5')).toBe('waste.run.wye.2')
  expect(withBranchSize('waste.bowl', '3')).toBe('waste.bowl')
  expect(withOneSide('waste.run.tee.right.3x1-1/2')).toBe('waste.run.tee.3')
  expect(withOneSide('waste.bowl')).toBe('waste.bowl')
  // iron has one side, and stays iron whatever its size
  expect(withStuff('waste.run.tee.right.3x2', 'iron')).toBe('waste.run.tee.iron.3')
  expect(withStuff('waste.run.wye.iron.2', 'plastic')).toBe('waste.run.wye.2')
  expect([withStuff('waste.run.wye.2', 'plastic'), withStuff('waste.run.tee.40', 'iron')]).toEqual([
    'waste.run.wye.2',
    'waste.run.tee.40',
  ])
  expect(withBranchSize('waste.run.tee.iron.2', '4')).toBe('waste.run.tee.iron.4')
  expect(withOneSide('waste.run.tee.iron.2')).toBe('waste.run.tee.iron.2')
  expect([mayBeIron('cast-iron.hubless.3'), mayBeIron('cast-iron.service.3'), mayBeIron(undefined)]).toEqual([
    true,
    false,
    false,
  ])
  const sides = (kind: string) => secondSides(kind).map(({ second }) => second?.at ?? 'one')
  expect(sides('waste.run.tee.2')).toEqual(['one', 'opposite'])
  expect(sides('waste.run.tee.left.3x2')).toEqual(['one', 'left', 'right', 'left', 'right'])
  // in pipe that lies a second wye stands beside the first
  expect(sides('waste.run.wye.2')).toEqual(['one'])
  expect(usualBranch('waste.run.tee.3', 'pvc-dwv.40.3')).toBe('waste.run.tee.2')
})

it('a heater takes cold and gives hot', () => {
  const ports = bodyKind('heater.nipple.3/4')?.ports ?? []
  expect(ports.map(({ id, flow }) => [id, flow])).toEqual([
    ['hot', 'out'],
    ['cold', 'in'],
  ])
})

it('a trap of the whole house sits in pipe that drains one: three inches and more', () => {
  const may = ['pvc-dwv.40.2', 'pvc-dwv.40.3', 'cast-iron.service.4', 'waste.pp.110mm', undefined, 'gone']
  expect(may.map(mayHoldHouseTrap)).toEqual([false, true, true, true, false, false])
})

it('a sink with a dishwasher is the same sink with one drain more, there and back', () => {
  for (const { id, withDishwasher: other, dishwasher, ...sink } of SINK_WASTES) {
    if (!other) continue
    const { bowls, disposer, dishwasher: drains } = sinkWaste(other) ?? {}
    expect([id, dishwasher ?? false, drains]).toEqual([id, false, true])
    expect([id, bowls, disposer]).toEqual([id, sink.bowls, sink.disposer])
    expect([withDishwasher(id, true), withDishwasher(other, false)]).toEqual([other, id])
  }
})

describe('an old stop that stays', () => {
  const stop = keptStopEnd('comp-3/8')
  const faucet = lineEnds(bodiesOf(['faucet.shank.1/2']), 'hot', true)
  const valve = lineEnds(bodiesOf(['valve.combo.1/2']), 'hot', true)
  const spout = lineEnds(bodiesOf(['valve.combo.1/2', 'spout.slip.1/2']), 'spout', false)

  it('is where the line of what hangs on a stop begins, in place of the pipe, and nothing else of it changes', () =>
    expect(fromStop(faucet, stop)).toEqual({ ...faucet, from: { stop } }))

  it('is none for what hangs on no stop, for what begins at something new, and where none stays', () => {
    expect(valve?.to.route).not.toBe('stop')
    expect(fromStop(valve, stop)).toBe(valve)
    expect(spout?.from).not.toBe('pipe')
    expect(fromStop(spout, stop)).toBe(spout)
    const begun = faucet && { ...faucet, from: { stop: stop as NonNullable<typeof stop> } }
    expect(fromStop(begun, stop)).toBe(begun)
    expect(fromStop(faucet, undefined)).toBe(faucet)
    expect(fromStop(null, stop)).toBeNull()
  })
})
