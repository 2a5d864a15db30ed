import { PIPES } from '../reference'
import { SERVICES } from './answers'
import { classIdOf, type Era, type HazardFlag, identify, type Observation, type PriorContext } from './index'
import { NONE_PRIOR, prior } from './prior'

const plain: PriorContext = { era: 'unknown', region: 'north-america', service: 'cold', known: [] }
const sign = (kind: string, answer: string): Observation => ({
  id: `${kind} ${answer}`,
  kind: 'sign',
  sign: kind as 'magnet',
  answer,
})
const across = (mm: number): Observation => ({
  id: `d${mm}`,
  kind: 'outside',
  instrument: 'caliper',
  mm,
  resolutionMm: 0.02,
})
const flags = (
  observations: Observation[],
  era: Era = 'unknown',
  context: Partial<PriorContext> = {},
): Record<string, HazardFlag['level']> =>
  Object.fromEntries(
    identify({ ...plain, era, ...context, observations }).hazards.map((flag) => [flag.hazardId, flag.level]),
  )

const STEEL = [across(21.3), sign('magnet', 'holds')]
const COPPER = [across(15.9), sign('scratch', 'copper')]

describe('hazards are raised by what they could cost, not by the leading guess', () => {
  it('gas stops the work at a few in a hundred', () => {
    const belief = identify({ ...plain, observations: STEEL })
    expect(belief.classes[0]?.material).toBe('galvanised-steel')
    expect(belief.hazards.find((flag) => flag.hazardId === 'gas')).toMatchObject({ level: 'stop' })
    expect(belief.hazards.find((flag) => flag.hazardId === 'gas')?.probability).toBeLessThan(0.2)
  })
  it('black steel is likelier gas than galvanised', () => {
    const p = (colour: string) =>
      identify({ ...plain, observations: [...STEEL, sign('colour', colour)] }).hazards.find(
        (flag) => flag.hazardId === 'gas',
      )?.probability ?? 0
    expect(p('black')).toBeGreaterThan(2 * p('grey-metal'))
  })
  it('water seen lowers it, gas signs raise it almost to certainty', () => {
    expect(flags([...STEEL, sign('carries', 'water')]).gas).not.toBe('stop')
    const signs = identify({ ...plain, observations: [...STEEL, sign('carries', 'gas-signs')] })
    expect(signs.hazards.find((flag) => flag.hazardId === 'gas')?.probability).toBeGreaterThan(0.9)
    expect(signs.enough).toBe(false)
  })
  it('metal may carry the bonding, plastic does not', () => {
    expect(flags(COPPER).bonding).toBe('caution')
    expect(flags([sign('colour', 'cream'), sign('joint', 'cement')]).bonding).toBeUndefined()
  })
  it('solder may hold lead in old houses only', () => {
    expect(flags(COPPER, '1940-1965')['lead-solder']).toBe('note')
    expect(flags(COPPER, 'since-2010')['lead-solder']).toBeUndefined()
  })
  it('polybutylene is named', () =>
    expect(flags([sign('colour', 'grey-plastic'), sign('joint', 'crimp')], '1978-1995').polybutylene).toBe(
      'caution',
    ))
  it('old paint is not to be sanded dry', () => {
    const painted = [across(16.2), sign('scratch', 'copper'), sign('colour', 'painted')]
    expect(flags(painted, '1940-1965')['old-coating']).toBe('caution')
    expect(flags(painted, 'since-2010')['old-coating']).toBeUndefined()
  })
  it('a copper line to an outdoor unit is not cut', () => {
    const looks = [across(9.5), sign('scratch', 'copper'), sign('carries', 'refrigerant-signs')]
    expect(flags(looks, 'unknown', { service: 'unknown' }).refrigerant).toBe('stop')
    expect(
      flags([across(15.9), sign('scratch', 'copper'), sign('joint', 'sweat')]).refrigerant,
    ).toBeUndefined()
  })
  it('orange plastic and red steel feed sprinklers', () => {
    const context = { service: 'unknown' as const }
    expect(flags([sign('colour', 'orange'), sign('flex', 'rigid')], 'since-2010', context).sprinkler).toBe(
      'stop',
    )
    expect(flags([sign('colour', 'red'), sign('magnet', 'holds')], 'unknown', context).sprinkler).toBe('stop')
  })
  it('lead is named as lead', () =>
    expect(flags([sign('scratch', 'silver-soft'), sign('joint', 'wiped')], 'before-1940').lead).toBe(
      'caution',
    ))
  it('what is lagged in an old house may be asbestos, cement pipe in any', () => {
    const lagged = [across(34), across(35), sign('colour', 'white'), sign('joint', 'sweat')]
    expect(flags(lagged, '1940-1965').asbestos).toBe('caution')
    const cement = [sign('colour', 'cement-grey'), sign('scratch', 'crumbles')]
    expect(flags(cement, 'since-2010', { service: 'drain' }).asbestos).toBe('caution')
  })
  it('a drain is foul, a supply is not', () => {
    expect(flags([across(48.3), sign('colour', 'black')], '1965-1978', { service: 'drain' }).sewage).toBe(
      'caution',
    )
    expect(flags(COPPER).sewage).toBeUndefined()
  })
  it('nothing is raised where nothing was seen, or everything is withdrawn', () => {
    expect(flags([])).toEqual({})
    expect(flags(STEEL.map((look) => ({ ...look, withdrawn: true })))).toEqual({})
  })
})

describe('the prior', () => {
  const eras: Era[] = [
    'before-1940',
    '1940-1965',
    '1965-1978',
    '1978-1995',
    '1995-2010',
    'since-2010',
    'unknown',
  ]
  const share = (context: Partial<PriorContext>, test: (pipe: (typeof PIPES)[number]) => boolean) => {
    const weights = prior({ ...plain, ...context }).pipes
    return PIPES.reduce((sum, pipe, index) => sum + (test(pipe) ? (weights[index] as number) : 0), 0)
  }

  it.each(eras)('%s: sums to one, with a place for what is in no table', (era) => {
    for (const service of SERVICES) {
      const { pipes, media } = prior({ ...plain, era, service })
      expect(pipes.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 12)
      expect(pipes.at(-1)).toBe(NONE_PRIOR)
      expect(pipes.every((weight) => weight > 0)).toBe(true)
      for (let index = 0; index < PIPES.length; index++)
        expect(media.slice(index * 7, index * 7 + 7).reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9)
    }
  })
  it('has steel in old houses, polybutylene in those of its years, PEX in new ones', () => {
    const by = (material: string) => eras.map((era) => share({ era }, (pipe) => pipe.material === material))
    const top = (material: string) => eras[by(material).indexOf(Math.max(...by(material)))]
    expect(top('galvanised-steel')).toBe('before-1940')
    expect(top('polybutylene')).toBe('1978-1995')
    expect(top('pex-a')).toBe('since-2010')
  })
  it('has metric tube where the region has it', () => {
    const metric = (region: PriorContext['region']) => share({ region }, (pipe) => pipe.system === 'metric')
    expect(metric('metric')).toBeGreaterThan(0.5)
    expect(metric('north-america')).toBeLessThan(0.02)
    expect(metric('unknown')).toBeGreaterThan(metric('north-america'))
  })
  it('is moved by the house, most by the same line', () => {
    const brass = (where: 'same-line' | 'same-point' | 'same-house') =>
      share(
        { known: [{ material: 'brass', system: 'IPS', nominal: '1/2', where }] },
        (pipe) => classIdOf(pipe) === 'brass.IPS.1/2',
      )
    expect(brass('same-line')).toBeGreaterThan(brass('same-point'))
    expect(brass('same-point')).toBeGreaterThan(brass('same-house'))
    expect(brass('same-house')).toBeGreaterThan(share({}, (pipe) => classIdOf(pipe) === 'brass.IPS.1/2'))
  })
})
