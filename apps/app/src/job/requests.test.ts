import type { LineView } from '../data/select'
import { measuredOf } from './requests'

/** A line as far as its reach asks for it. */
const line = (route: string, families: readonly string[], spanMm: number | null = null) =>
  ({
    dimensions: [],
    ends: { from: 'pipe', to: { kind: '', route } },
    situation: { fields: { reachMm: 178, spanMm } },
    mating: { fields: { option: { parts: families.map((family) => ({ family })) } } },
    // the rest of a line decides nothing here
  }) as unknown as LineView

it.each([
  ['a hose behind its stop', line('stop', ['angle-stop', 'supply-connector']), 'part:0:out'],
  ['a hose to a heater', line('flexible', ['male-adapter', 'supply-connector']), 'stub'],
  ['pipe to a heater', line('flexible', ['coupling', 'tube-piece', 'union']), 'stub'],
])('the reach to the fixture of %s is counted from where it was measured', (_what, view, from) =>
  expect(measuredOf(view)).toEqual([{ id: 'reach', from, to: 'tail', mm: 178 }]),
)

it('to a heater it is so much farther from the old pipe’s end as that is cut back', () => {
  const view = line('flexible', ['female-adapter'])
  const cut = {
    ...view,
    situation: { fields: { ...view.situation?.fields, stubMm: 200 } },
    mating: { fields: { option: { ...view.mating?.fields.option, leavesStubMm: 120 } } },
  } as unknown as LineView
  expect(measuredOf(cut)).toEqual([{ id: 'reach', from: 'stub', to: 'tail', mm: 178 + 80 }])
})

it('a heater whose distance was measured from the wall has that and no reach', () =>
  expect(measuredOf(line('flexible', ['coupling', 'tube-piece'], 400))).toEqual([
    { id: 'span', from: 'wall', to: 'tail', mm: 400 },
  ]))
