import { CATALOG } from '../catalog'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { MateSettings } from '../mate/types'
import { BAND_TORQUES, HEAVY_HUBLESS } from '../reference/bandTorque'
import { stepText } from '../words/steps'
import { sequence } from './index'

const IRON = /^(coupling\.hubless\.|tube\.cast-iron\.|cleanout)/

/** A length of hubless iron let in anew: its couplings, and what is said at each band. */
function letIn(catalogue = CATALOG, settings: MateSettings = WELL_EQUIPPED) {
  const conditions = { ...PLAIN, service: 'waste' as const, stubMm: 900 }
  const cutIn = {
    insert: 'repair' as const,
    farMm: 900,
    freeMm: [900, 900] as const,
    sidewaysMm: 40,
    outMm: 700,
  }
  const line = { lineId: 'run', pipeId: 'cast-iron.hubless.3', cutIn, conditions }
  const option = mate({ lines: [line], settings }, { catalogue }).lines[0]?.options[0]
  if (!option) throw new Error('no way')
  const { steps } = sequence({
    lines: [{ lineId: 'run', option, conditions }],
    houseRules: settings.houseRules,
  })
  const torques = steps.flatMap((step) =>
    [...stepText(step, 'in').matchAll(/to (\d+) in-lb/g)].map(([, inLb]) => Number(inLb)),
  )
  return { ids: option.parts.map(({ fittingId }) => fittingId), torques, cents: option.criteria.priceCents }
}

describe('couplings of hubless iron', () => {
  const iron = CATALOG.filter(({ id }) => IRON.test(id))
  const heavy = iron.filter(({ id }) => id.startsWith(HEAVY_HUBLESS))
  const standard = iron.filter(({ id }) => !id.startsWith(HEAVY_HUBLESS))

  // trade: 60 in-lb on standard hubless couplings, 80 on the heavy-duty kind
  it.each([
    ['standard', standard, BAND_TORQUES.standard.inLb, 60],
    ['heavy', iron.filter((part) => !standard.includes(part) || !part.id.startsWith('coupling')), 80, 80],
  ] as const)('of the %s grade are drawn to their torque, at every band', (grade, catalogue, inLb, trade) => {
    const { ids, torques } = letIn(catalogue)
    expect(ids.filter((id) => id.startsWith('coupling.hubless'))).toHaveLength(2)
    expect(ids.filter((id) => id.startsWith(HEAVY_HUBLESS))).toHaveLength(grade === 'heavy' ? 2 : 0)
    // each coupling has two halves
    expect(torques).toEqual([inLb, inLb, inLb, inLb])
    expect(inLb).toBe(trade)
    expect(BAND_TORQUES[grade].inLb).toBe(trade)
  })

  it('are the cheaper ones where both are to be had, and those aboard where a trip would go for the others', () => {
    const bare = { ...WELL_EQUIPPED, partsAboard: {} }
    expect(letIn(iron, bare).ids.some((id) => id.startsWith(HEAVY_HUBLESS))).toBe(false)
    const aboard = Object.fromEntries(
      iron.filter((part) => heavy.includes(part) || part.family === 'tube-piece').map(({ id }) => [id, 4]),
    )
    const { ids, torques } = letIn(iron, { ...bare, partsAboard: aboard })
    expect(ids.filter((id) => id.startsWith(HEAVY_HUBLESS))).toHaveLength(2)
    expect(torques).toEqual([80, 80, 80, 80])
  })

  it('of either grade take the same pipes at the same length', () => {
    expect(heavy).toHaveLength(4)
    for (const part of heavy) {
      const plain = standard.find(({ id }) => id === part.id.replace('.heavy', ''))
      expect([part.id, part.layingMm, part.ports]).toEqual([part.id, plain?.layingMm, plain?.ports])
    }
  })
})
