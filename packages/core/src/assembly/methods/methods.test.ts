import { end } from '../../catalog/ends'
import { toolsOn } from '../tools'
import { actsOf, handsOnSeconds } from './acts'
import { heatAt, jointHeat } from './heat'
import { type Pair, pairs } from './pairs'
import { METHODS, methodById } from './table'

const words = (method: Parameters<typeof methodById>[0], tubeMaterial: string, atStub: boolean) =>
  actsOf(methodById(method), { tubeMaterial, atStub }).map((act) => act.words)

describe('the acts of a joint', () => {
  it('soft tube gets an insert and hard tube none', () => {
    expect(words('compression', 'pex-b', true)).toContain('compression.insert')
    expect(words('compression', 'copper', true)).not.toContain('compression.insert')
  })

  it('the place is guarded and the line emptied where the old pipe is, not on the bench', () => {
    expect(words('sweat', 'copper', true)).toEqual(expect.arrayContaining(['sweat.shield', 'sweat.empty']))
    expect(words('sweat', 'copper', false).filter((each) => /shield|empty/.test(each))).toEqual([])
    expect(words('sweat', 'copper', false)).toContain('sweat.heat')
  })

  it.each(METHODS.map(({ id }) => [id] as const))(
    '%s: a shop’s own time is shared out as the table’s is, to the second',
    (id) => {
      const method = methodById(id)
      const place = { tubeMaterial: 'copper', atStub: true }
      const table = actsOf(method, place)
      const own = actsOf(method, { ...place, ownSeconds: 1000 })
      expect(handsOnSeconds(own)).toBe(1000)
      own.forEach((act, at) => {
        const before = table[at]?.seconds ?? 0
        // a wait is no hands' time, and each share is rounded once
        if (act.passive) expect(act.seconds).toBe(before)
        else expect(Math.abs(act.seconds - (1000 * before) / handsOnSeconds(table))).toBeLessThanOrEqual(1)
      })
    },
  )
})

describe('where it is cold', () => {
  it.each(METHODS.filter(({ coldWaits }) => coldWaits).map(({ id }) => [id]))(
    '%s waits longer below each temperature of its maker, and at none longer than where it is colder',
    (id) => {
      const method = methodById(id)
      const waits = (airC: number | null) =>
        actsOf(method, { tubeMaterial: 'pex-a', atStub: true, airC })
          .filter(({ kind }) => kind === 'wait')
          .reduce((sum, { seconds }) => sum + seconds, 0)
      const usual = waits(null)
      expect(waits(21)).toBe(usual)
      let colder = Number.POSITIVE_INFINITY
      for (const { belowC } of method.coldWaits ?? []) {
        expect(waits(belowC - 0.5)).toBeGreaterThan(waits(belowC))
        expect(waits(belowC - 0.5)).toBeLessThan(colder)
        colder = waits(belowC - 0.5)
      }
      expect(colder).toBeGreaterThan(usual)
    },
  )
})

describe('tools', () => {
  it('of soft tube a blade does what a wheel and a reamer do on metal; all else stays what it is', () => {
    const all = ['tube-cutter', 'deburrer', 'two-wrenches', 'expander'] as const
    expect(toolsOn(all, 'pex-a')).toEqual(['plastic-cutter', 'two-wrenches', 'expander'])
    expect(toolsOn(['plastic-cutter', 'tube-cutter'], 'pex-b')).toEqual(['plastic-cutter'])
    expect(toolsOn(all, 'copper')).toEqual(all)
  })
})

describe('heat and a joint', () => {
  const joint = (method: Parameters<typeof methodById>[0], material: string): Pair =>
    ({ method: methodById(method), tip: { material }, body: { material: 'brass' } }) as Pair
  it.each([
    ['sweat', 'copper', 'heats'],
    // tape and paste burn, though all is metal
    ['threaded', 'galvanised-steel', 'spoilt'],
    ['push-fit', 'copper', 'spoilt'],
    ['compression', 'copper', null],
    ['compression', 'pex-b', 'spoilt'],
    ['flare', 'copper', null],
  ] as const)('%s on %s: %s', (method, material, heat) => {
    expect(heatAt(joint(method, material))).toBe(heat)
    expect(jointHeat({ method, tubeMaterial: material })).toBe(heat)
  })
})

describe('ends that are joined', () => {
  const methods = (...ends: Parameters<typeof pairs>) => pairs(...ends).map(({ method }) => method.id)
  it('are of one system', () => {
    const cup = end('solder-cup', 'CTS', '1/2', 'copper')
    expect(methods(end('tube', 'CTS', '1/2', 'copper'), cup)).toContain('sweat')
    expect(methods(end('tube', 'metric', '15', 'copper'), cup)).toEqual([])
    expect(methods(end('tube', 'IPS', '1/2', 'brass'), cup)).toEqual([])
    expect(methods(end('tube', 'CTS', '3/4', 'copper'), cup)).toEqual([])
  })
  it('are of stuff that the method is for, on either side', () => {
    expect(methods(end('tube', 'CTS', '1/2', 'pex-b'), end('solder-cup', 'CTS', '1/2', 'copper'))).toEqual([])
    const pipe = (material: 'pvc-drain' | 'abs-drain') => end('tube', 'IPS', '1-1/2', material)
    const socket = (material: 'pvc-drain' | 'abs-drain') => end('drain-socket', 'IPS', '1-1/2', material)
    expect(methods(pipe('pvc-drain'), socket('pvc-drain'))).toEqual(['cement-drain-pvc'])
    expect(methods(pipe('abs-drain'), socket('abs-drain'))).toEqual(['cement-drain-abs'])
    // no cement across the two
    expect(methods(pipe('pvc-drain'), socket('abs-drain'))).toEqual([])
    expect(methods(pipe('abs-drain'), socket('pvc-drain'))).toEqual([])
  })
})
