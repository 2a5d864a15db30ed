import { mouthOf } from '../assembly'
import { mate } from '../mate'
import { cutInOf, drainOf } from '../mate/test/drains'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import { isOfDrain, plugsOf } from './plugs'

const run = (kind: string, pipeId: string) => {
  const cutIn = cutInOf(kind)
  const side = { lineId: 'side', branchOf: 'run', to: mouthOf('waste.tail.1-1/2') }
  const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const, stubMm: null }
  const lines = [
    { lineId: 'run', pipeId, cutIn, conditions },
    ...(cutIn.branch?.length ? [{ ...side, conditions }] : []),
  ]
  return mate({ lines, settings: WELL_EQUIPPED }).lines.map(({ options }) => options[0])
}

it.each([
  // both sides of the cut, and the side of what goes in
  ['waste.run.repair', 'cast-iron.service.4', ['2 × 4 in']],
  ['waste.run.tee.2', 'pvc-dwv.40.3', ['2 × 3 in', '1 × 2 in']],
  ['waste.run.wye.3', 'abs-dwv.40.3', ['2 × 3 in', '1 × 3 in']],
  ['waste.run.tee.50', 'waste.solvent.110mm', ['2 × 110 mm', '1 × 50 mm']],
] as const)('a run is plugged on both sides, and at its branch: %s into %s', (kind, pipeId, plugs) => {
  const [trunk, side] = run(kind, pipeId)
  expect(
    trunk && plugsOf(trunk, pipeId).map(({ count, nominal, unit }) => `${count} × ${nominal} ${unit}`),
  ).toEqual(plugs)
  // nothing old is opened for what comes into it
  if (side) expect(plugsOf(side)).toEqual([])
})

it('an end is plugged by the size of its pipe, whatever nut or flange it wears', () => {
  const plug = (pipeId: string, kind: string, oldJoint: 'slip' | 'flange' | 'none') => {
    const [way] = drainOf(pipeId, kind, { oldJoint, flangeMm: oldJoint === 'flange' ? 0 : null }).options
    return way && plugsOf(way, pipeId)
  }
  expect(plug('pvc-dwv.40.2', 'waste.tail.1-1/2', 'slip')).toEqual([{ nominal: '2', unit: 'in', count: 1 }])
  expect(plug('pvc-dwv.40.3', 'waste.bowl', 'flange')).toEqual([{ nominal: '3', unit: 'in', count: 1 }])
  expect(plug('waste.solvent.40mm', 'waste.tail.g1-1/4', 'none')).toEqual([
    { nominal: '40', unit: 'mm', count: 1 },
  ])
})

it('a line of water is shut by its stop', () => {
  const conditions = { ...PLAIN, oldJoint: 'none' as const }
  const [way] =
    mate({
      lines: [{ lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf('faucet.shank.1/2'), conditions }],
      settings: WELL_EQUIPPED,
    }).lines[0]?.options ?? []
  expect(way && [isOfDrain(way), plugsOf(way, 'copper.l.1/2')]).toEqual([false, []])
})
