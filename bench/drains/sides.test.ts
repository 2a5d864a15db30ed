import { bodiesOf, catalogueOf, mate, pipeById, sequence } from '@diarmos/core'
import { anyOrder } from '../made/anyOrder'
import { carryOut } from '../made/world'
import { highs } from '../mate/highs'
import { programmeOf, toLp } from '../mate/programme'
import { Dice } from '../mate/random'
import { brokenLaws } from './laws'
import { brokenRunLaws } from './runs'
import { someSide } from './sides'

const QUESTIONS = 120
const PROGRAMMES = 16
const MOST_PARTS = 6

it('a new branch and what drains into it are mated together: no law broken, no cheaper pair, and in any order', async () => {
  const found = new Set<string>()
  for (let index = 0; index < QUESTIONS; index++) {
    const { lines, settings } = someSide(index)
    const [run, side] = lines
    const { lines: answers, together } = mate({ lines, settings, k: 8 })
    if (index < PROGRAMMES) {
      const programmes = [
        programmeOf(run, settings, catalogueOf('drain'), 5),
        programmeOf(side, settings, catalogueOf('drain'), MOST_PARTS),
      ]
      const none = programmes.some(({ edges }) => edges.length === 0)
      const best = none ? null : await highs(toLp(programmes, { least: 'total' }))
      expect([index, together?.totalCents ?? null]).toEqual([index, best?.cents ?? null])
    }
    const chosen = together?.optionIds.map((id, at) => answers[at]?.options.find((way) => way.id === id))
    const [trunk, way] = chosen ?? []
    if (!trunk || !way) continue
    found.add(side.to?.kind ?? '')
    expect([index, brokenRunLaws(trunk, { line: run, settings })]).toEqual([index, []])
    expect([index, brokenLaws(way, { line: side, settings })]).toEqual([index, []])
    const bodies = bodiesOf([
      `waste.run.${run.cutIn?.insert}.${run.cutIn?.branch?.[0]?.nominal}`,
      side.to?.kind ?? '',
    ])
    const material = pipeById(run.pipeId ?? '')?.material
    const request = {
      lines: [
        { lineId: run.lineId, option: trunk, conditions: run.conditions, ...(material ? { material } : {}) },
        {
          lineId: side.lineId,
          option: way,
          conditions: side.conditions,
          branchOf: run.lineId,
          ...(bodies[1] ? { meets: { to: bodies[1].id } } : {}),
        },
      ],
      bodies: bodies.map(({ id, contents, mount, kind }) => ({ id, contents, mount, kind })),
      houseRules: settings.houseRules,
      people: 1 as const,
    }
    const { steps } = sequence(request)
    for (const order of [steps, anyOrder(steps, new Dice(6_000_000 + index))]) {
      expect([index, carryOut(request, order)]).toEqual([index, []])
      const at = (key: string) => order.findIndex(({ id }) => id === key)
      const run = order.flatMap(({ id }, place) => (/^a\/\d+\/(close|cure)$/.test(id) ? [place] : []))
      const sides = order.flatMap(({ id }, place) => (/^side\/\d+\/close$/.test(id) ? [place] : []))
      // the run stands and has set, and its side is plugged meanwhile
      expect([index, Math.max(...run) < at('a/line/branch-unplug')]).toEqual([index, true])
      expect([index, at('a/line/branch-unplug') < Math.min(...sides)]).toEqual([index, true])
      expect([index, at('a/line/branch-plug') > 0, at('side/line/plug')]).toEqual([index, true, -1])
    }
  }
  for (const kind of [
    'waste.tail.1-1/2',
    'waste.standpipe',
    'waste.box.2',
    'waste.shower.2',
    'waste.bowl',
    'waste.pan',
    'waste.tail.g1-1/4',
  ])
    expect([kind, found.has(kind)]).toEqual([kind, true])
})
