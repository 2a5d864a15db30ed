import { bodiesOf, catalogueOf, mate, pipeById, sequence } from '@diarmos/core'
import { TWO_SIDED_BRANCHES } from '@diarmos/core/bodies'
import { anyOrder } from '../made/anyOrder'
import { carryOut } from '../made/world'
import { highs } from '../mate/highs'
import { programmeOf, toLp } from '../mate/programme'
import { Dice } from '../mate/random'
import { brokenLaws } from './laws'
import { brokenRunLaws } from './runs'
import { type AskedSide, someSide, someTwoSided } from './sides'

const QUESTIONS = 120
const TWO_SIDED = 60
const PROGRAMMES = 16
const MOST_PARTS = 6

/** The kinds of each question that was answered, all checked on the way; and how often a bowl or a pump was to come in opposite. */
async function looked(count: number, asked: (index: number) => AskedSide) {
  const found: (readonly string[])[] = []
  let shot = 0
  for (let index = 0; index < count; index++) {
    const { lines, settings, kinds } = asked(index)
    const [run, ...sides] = lines
    const facing = run.cutIn?.second?.at === 'opposite'
    const { lines: answers, together } = mate({ lines, settings, k: 8 })
    // trade: a bowl or a pump shoots across into a side right opposite
    for (const [at, kind] of kinds.entries())
      if (facing && /^waste\.(bowl|standpipe|box)/.test(kind)) {
        shot++
        expect([index, answers[at]?.options]).toEqual([index, []])
      }
    if (index < PROGRAMMES) {
      const programmes = [
        programmeOf(run, settings, catalogueOf('drain'), 5),
        ...sides.map((side) => {
          const { branch = [], second } = run.cutIn ?? {}
          const opens = side.second ? (second?.ends ?? []) : branch
          return programmeOf(side, settings, catalogueOf('drain'), MOST_PARTS, { headOn: facing, opens })
        }),
      ]
      const none = programmes.some(({ edges }) => edges.length === 0)
      const best = none ? null : await highs(toLp(programmes, { least: 'total' }))
      expect([index, together?.totalCents ?? null]).toEqual([index, best?.cents ?? null])
    }
    const chosen = together?.optionIds.map((id, at) => answers[at]?.options.find((way) => way.id === id))
    const [trunk, ...ways] = chosen ?? []
    if (!trunk || ways.some((way) => !way)) continue
    found.push(kinds)
    expect([index, brokenRunLaws(trunk, { line: run, settings })]).toEqual([index, []])
    const bodies = bodiesOf(kinds)
    const material = pipeById(run.pipeId ?? '')?.material
    const request = {
      lines: [
        { lineId: run.lineId, option: trunk, conditions: run.conditions, ...(material ? { material } : {}) },
        ...sides.flatMap((side, at) => {
          const option = ways[at]
          if (!option) return []
          expect([index, brokenLaws(option, { line: side, settings })]).toEqual([index, []])
          const { lineId, conditions, second } = side
          const to = bodies[at + 1]?.id
          return [
            {
              lineId,
              option,
              conditions,
              branchOf: run.lineId,
              ...(second ? { second } : {}),
              meets: to ? { to } : {},
            },
          ]
        }),
      ],
      bodies: bodies.map(({ id, contents, mount, kind }) => ({ id, contents, mount, kind })),
      houseRules: settings.houseRules,
      people: 1 as const,
    }
    const { steps } = sequence(request)
    // each is what it is, not what the run is that it comes into
    for (const [at, { lineId }] of sides.entries())
      if (kinds[at + 1] === 'waste.box.2') {
        const proof = steps.find(({ words, lineId: of }) => of === lineId && words.startsWith('prove.'))
        expect([index, proof?.words]).toEqual([index, 'prove.standpipe'])
      }
    for (const order of [steps, anyOrder(steps, new Dice(6_000_000 + index))]) {
      expect([index, carryOut(request, order)]).toEqual([index, []])
      const at = (key: string) => order.findIndex(({ id }) => id === key)
      const run = order.flatMap(({ id }, place) => (/^a\/\d+\/(close|cure)$/.test(id) ? [place] : []))
      for (const { lineId, second } of sides) {
        const closes = new RegExp(`^${lineId}/\\d+/close$`)
        const own = order.flatMap(({ id }, place) => (closes.test(id) ? [place] : []))
        const name = second ? 'second' : 'branch'
        // the run stands and has set, and its side is plugged meanwhile
        expect([index, Math.max(...run) < at(`a/line/${name}-unplug`)]).toEqual([index, true])
        expect([index, at(`a/line/${name}-unplug`) < Math.min(...own)]).toEqual([index, true])
        expect([index, at(`a/line/${name}-plug`) > 0, at(`${lineId}/line/plug`)]).toEqual([index, true, -1])
      }
      // what nothing comes into yet is shut before anything runs, and stays so
      if (
        run.length > 0 &&
        trunk.parts.some(({ fittingId }) => /^tee\.(double|left|right)/.test(fittingId)) &&
        sides.length < 2
      ) {
        expect([index, at('a/line/second-plug') < at('a/line/fill')]).toEqual([index, true])
        expect([index, at('a/line/second-unplug')]).toEqual([index, -1])
      }
    }
  }
  return { found, shot }
}

it('a new branch and what drains into it are mated together: no law broken, no cheaper pair, and in any order', async () => {
  const found = new Set((await looked(QUESTIONS, someSide)).found.map(([, side]) => side))
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

it('so are both sides of a tee that has two: each pipe at its own side, whatever size that is', async () => {
  const { found, shot } = await looked(TWO_SIDED, someTwoSided)
  expect(shot).toBeGreaterThan(0)
  for (const { id } of TWO_SIDED_BRANCHES)
    expect([id, found.some(([into, , beside]) => into === id && beside !== undefined)]).toEqual([id, true])
  expect(found.some(([, , beside]) => beside === undefined)).toBe(true)
})
