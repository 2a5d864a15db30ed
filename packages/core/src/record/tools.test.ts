import { mate } from '../mate'
import { cutInOf } from '../mate/test/drains'
import { line, PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import { toolsFor } from './tools'

const CONDITIONS = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const, stubMm: null }
const run = (pipeId: string, kind: string) => ({
  lineId: 'a',
  pipeId,
  cutIn: cutInOf(kind),
  conditions: CONDITIONS,
})

// a shop without any tool lacks just what the work takes
it.each([
  line('copper.l.1/2'),
  line('pex-a.sdr9.1/2'),
  line('galvanised.40.1/2', { oldJoint: 'threaded', thread: 'NPT' }),
  run('cast-iron.service.4', 'waste.run.tee.2'),
  run('pvc-dwv.40.3', 'waste.run.tee.double.2'),
  run('pvc-dwv.40.2', 'waste.run.repair'),
])('what is laid out for $pipeId is what a shop would have to fetch that has nothing', (request) => {
  const { options = [] } =
    mate({ lines: [request], settings: { ...WELL_EQUIPPED, toolsAboard: [] }, k: 8 }).lines[0] ?? {}
  expect(options.length).toBeGreaterThan(0)
  for (const option of options)
    expect([...toolsFor([option], [request.pipeId ?? null])].sort()).toEqual([...option.missingTools].sort())
})

it('iron is parted by a chain, its bands are drawn by a driver; nothing is asked for twice, nor of what nobody knows', () => {
  const [option] =
    mate({ lines: [run('cast-iron.service.4', 'waste.run.tee.2')], settings: WELL_EQUIPPED }).lines[0]
      ?.options ?? []
  if (!option) throw new Error('no way')
  const once = toolsFor([option], ['cast-iron.service.4'])
  expect(once).toEqual(expect.arrayContaining(['chain-cutter', 'nut-driver']))
  expect(toolsFor([option, option], ['cast-iron.service.4', null])).toEqual(once)
  expect(toolsFor([{ removalId: 'of a later release', joints: [] }])).toEqual([])
})
