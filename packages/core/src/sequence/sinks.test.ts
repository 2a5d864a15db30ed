import { bodiesOf, SINK_WASTES, sinkWaste, withDishwasher } from '../assembly'
import { mouthOf } from '../assembly/bodies'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import { say } from '../words/say'
import { STEPS } from '../words/steps'
import { sequence } from './index'
import type { PlanRequest } from './types'

/** The order of work under a kitchen sink, by its words. */
function ordered(kind: string, codeProfile: PlanRequest['codeProfile'] = 'IPC') {
  const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'slip' as const }
  const [answer] = mate({
    lines: [{ lineId: 'waste', pipeId: 'pvc-dwv.40.1-1/2', to: mouthOf(kind), conditions }],
    settings: WELL_EQUIPPED,
  }).lines
  const option = answer?.options[0]
  const [body] = bodiesOf([kind])
  if (!option || !body) throw new Error(`no way for ${kind}`)
  const { steps } = sequence({
    lines: [{ lineId: 'waste', option, conditions, meets: { to: body.id } }],
    bodies: [{ id: body.id, contents: body.contents, mount: body.mount, kind }],
    houseRules: WELL_EQUIPPED.houseRules,
    codeProfile,
  })
  return { words: steps.map((step) => step.words), steps, option }
}

describe('a kitchen sink', () => {
  // trade: what has to have happened before what, wherever both are there
  const BEFORE: readonly (readonly [RegExp, RegExp])[] = [
    // nobody's hand in a disposer that can start
    [/^sink\.off$/, /^remove\./],
    [/^sink\.off$/, /^sink\.knock-out$/],
    // a dishwasher pumps against the plug that was left in
    [/^sink\.knock-out$/, /^sink\.hose$/],
    [/^sink\.elbow$/, /^prove\.fill/],
    [/^sink\.second$/, /^prove\.fill/],
    [/^sink\.hose$/, /^prove\.fill/],
    [/^prove\.fill/, /^prove\.disposer$/],
    [/^prove\.fill/, /^prove\.dishwasher$/],
    [/^prove\.(disposer|dishwasher)$/, /^record\.write$/],
  ]
  it.each(SINK_WASTES.map(({ id }) => id))('%s: each act in its place, and said', (kind) => {
    const { words } = ordered(kind)
    for (const [first, then] of BEFORE) {
      const [before, after] = [
        words.findLastIndex((each) => first.test(each)),
        words.findIndex((each) => then.test(each)),
      ]
      if (before >= 0 && after >= 0)
        expect([kind, words[before], before < after]).toEqual([kind, words[before], true])
    }
    for (const each of words) expect([each, STEPS[each] !== undefined]).toEqual([each, true])
  })

  it.each([
    ['waste.sink.centre', ['sink.second'], 'centre-waste'],
    ['waste.sink.end.dish', ['sink.off', 'sink.second', 'sink.hose', 'prove.dishwasher'], 'branch-tail'],
    ['waste.disposer', ['sink.off', 'sink.elbow', 'prove.disposer'], 'tubular-trap'],
    [
      'waste.disposer.two.dish',
      [
        'sink.off',
        'sink.elbow',
        'sink.second',
        'sink.knock-out',
        'sink.hose',
        'prove.disposer',
        'prove.dishwasher',
      ],
      'disposer-waste',
    ],
  ])('%s has %p of its own, and a %s', (kind, own, family) => {
    const { words, option } = ordered(kind)
    expect(words.filter((each) => /^sink\.|^prove\.(disposer|dishwasher)$/.test(each)).sort()).toEqual(
      [...own].sort(),
    )
    expect(option.parts.map((part) => part.family)).toContain(family)
    expect(option.parts.filter((part) => /trap$/.test(part.family))).toHaveLength(1)
    // both bowls at once, where there are two
    expect(words.includes('prove.fill-both')).toBe(sinkWaste(kind)?.bowls === 2)
  })

  it('a dishwasher drains over a loop, through an air gap where the code has it', () => {
    const hose = (code: PlanRequest['codeProfile']) => {
      const step = ordered('waste.sink.dish', code).steps.find(({ words }) => words === 'sink.hose')
      return say(STEPS['sink.hose'] ?? '', step?.parameters ?? {}, 'in')
    }
    expect(hose('IPC')).toMatch(/looped up and fastened/)
    expect(hose('UPC')).toMatch(/through an air gap fitting over the rim/)
    expect(hose('UPC')).not.toMatch(/looped/)
  })

  it('is the same one with a dishwasher and without', () => {
    for (const { id, withDishwasher: other } of SINK_WASTES) {
      if (!other) continue
      expect([withDishwasher(id, true), withDishwasher(other, false), withDishwasher(id, false)]).toEqual([
        other,
        id,
        id,
      ])
      expect(sinkWaste(other)).toMatchObject({ dishwasher: true, bowls: sinkWaste(id)?.bowls })
    }
    expect(withDishwasher('waste.tail.1-1/2', true)).toBe('waste.sink.dish')
    expect(withDishwasher('waste.sink.dish', false)).toBe('waste.tail.1-1/2')
    expect(withDishwasher('waste.bowl', true)).toBeNull()
  })
})
