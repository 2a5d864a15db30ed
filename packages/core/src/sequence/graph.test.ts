import { METHODS } from '../assembly/methods/table'
import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import type { MateOption } from '../mate/types'
import { Graph, MissingStepError } from './graph'
import { sequence } from './index'

const act = { key: 'close', kind: 'close', words: 'push.push', seconds: 20 } as const

describe('an arrow from one act to another', () => {
  it('is no obstacle where this work has no such act, and a fault where no work has', () => {
    const graph = new Graph()
    graph.add('a/0/close', act, 'a', 0)
    graph.precede('general/heater-on', 'a/0/close')
    graph.precede('a/0/close', 'general/cool-valve')
    expect([...(graph.nodes.get('a/0/close')?.after ?? [])]).toEqual([])
    for (const [before, after] of [
      ['general/heater-of', 'a/0/close'],
      ['a/0/close', 'a/line/plaite'],
      ['a/remove/undefined', 'a/0/close'],
    ] as const)
      expect(() => graph.precede(before, after)).toThrow(MissingStepError)
  })

  it('is a fault where the act is laid out after it was asked for', () => {
    const graph = new Graph()
    graph.add('a/0/close', act, 'a', 0)
    graph.precede('general/shut', 'a/0/close')
    graph.settle()
    graph.add('general/shut', { ...act, key: 'shut' }, null, null)
    expect(() => graph.settle()).toThrow('general/shut')
  })

  it('of acts that were kept with a way long ago holds among these', () => {
    const [option] =
      mate({ lines: [line('copper.l.1/2')], settings: WELL_EQUIPPED, k: 1 }).lines[0]?.options ?? []
    const method = METHODS.find(({ id }) => id === option?.joints[0]?.method)
    if (!option || !method) throw new Error('no way')
    const acts = method.steps.map((step) => ({ ...step, after: [...(step.after ?? []), 'long-gone'] }))
    const kept: MateOption = {
      ...option,
      removalActs: [{ key: 'cut', kind: 'remove', words: 'remove.cut', seconds: 60, after: ['also-gone'] }],
      joints: option.joints.map((joint, seam) => (seam === 0 ? { ...joint, acts } : joint)),
    }
    const { houseRules } = WELL_EQUIPPED
    const { steps } = sequence({
      lines: [{ lineId: 'a', conditions: line('copper.l.1/2').conditions, option: kept }],
      houseRules,
    })
    expect(steps.some(({ id }) => id === 'a/0/close')).toBe(true)
  })
})
