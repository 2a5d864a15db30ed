import { PIPES } from '../reference'
import { boreEighths } from './bores'

// what a size is called is an old name of its bore: the name must lie near the bore that the pipe tables come to
const SUPPLY = /^(copper\.(l|m|thin|regular)\.|galvanised\.40|brass\.regular|pex-[ab]\.|multilayer)/
// below three eighths iron pipe is far wider than its name: no house is piped with it
const SMALL = new Set(['1/8', '1/4'])
const pipes = PIPES.filter(
  ({ id, temper, odMm, nominal }) =>
    SUPPLY.test(id) && !temper && !SMALL.has(nominal) && odMm >= 8 && odMm <= 63,
)

describe('the size of a way through', () => {
  it('lies near the bore of the pipe that is called so, inch and metric alike', () => {
    expect(pipes.length).toBeGreaterThan(60)
    expect(pipes.filter(({ system }) => system === 'metric').length).toBeGreaterThan(15)
    for (const { id, system, nominal, odMm, wallMm } of pipes) {
      const named = ((boreEighths({ system, nominal }) ?? Number.NaN) * 25.4) / 8
      const ratio = (odMm - 2 * wallMm) / named
      // thin-walled tube runs wider than its name and dimension-ratio tube narrower
      expect([id, ratio > 0.68 && ratio < 1.4]).toEqual([id, true])
    }
  })

  it('grows with the bore within a system', () => {
    const metric = pipes
      .filter(({ id }) => id.startsWith('copper.thin.'))
      .sort((a, b) => a.odMm - b.odMm)
      .map(({ system, nominal }) => boreEighths({ system, nominal }) ?? Number.NaN)
    expect(metric).toEqual([...metric].sort((a, b) => a - b))
  })

  it('is told by the outside where tube is named so, and by nothing where a thread is a hose’s', () => {
    expect(boreEighths({ system: 'OD', nominal: '1/2' })).toBe(boreEighths({ system: 'CTS', nominal: '3/8' }))
    expect(boreEighths({ system: 'NPT', nominal: '1-1/4' })).toBe(10)
    expect(boreEighths({ system: 'NH', nominal: '3/4' })).toBeNull()
  })
})
