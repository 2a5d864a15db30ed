// What would make it possible, by trying every set of up to three changes with a plain flow over the raw tables.
import { type Conditions, type MateSettings, mate, pipeById } from '@diarmos/core'
import { programmeOf } from './programme'
import { Dice, someLine, someParts, someShop } from './random'

type Facts = { readonly conditions: Conditions; readonly settings: MateSettings }
type Change = readonly [id: string, applies: (facts: Facts) => boolean, change: (facts: Facts) => Facts]
const place = (patch: Partial<Conditions>) => (facts: Facts) => ({
  ...facts,
  conditions: { ...facts.conditions, ...patch },
})
const CHANGES: readonly Change[] = [
  [
    'push-fit-rule',
    ({ settings }) => settings.houseRules.pushFitConcealed !== 'allow',
    (facts) => ({
      ...facts,
      settings: {
        ...facts.settings,
        houseRules: { ...facts.settings.houseRules, pushFitConcealed: 'allow' },
      },
    }),
  ],
  ['water-seen', ({ conditions }) => !conditions.waterSeen, place({ waterSeen: true })],
  ['flame', ({ conditions }) => !conditions.flame, place({ flame: true })],
  ['dry', ({ conditions }) => conditions.line !== 'dry', place({ line: 'dry' })],
  ['access', ({ conditions }) => conditions.access !== 'reachable', place({ access: 'reachable' })],
  ['smooth', ({ conditions }) => conditions.scored, place({ scored: false })],
  ['round', ({ conditions }) => conditions.outOfRound, place({ outOfRound: false })],
  ['away-from-heater', ({ conditions }) => conditions.nearHeater, place({ nearHeater: false })],
  [
    'tool',
    ({ settings }) => !settings.toolsAboard.includes('press-tool'),
    (facts) => ({
      ...facts,
      settings: { ...facts.settings, toolsAboard: [...facts.settings.toolsAboard, 'press-tool'] },
    }),
  ],
  ['opening', ({ conditions }) => conditions.openingMm != null, place({ openingMm: null })],
  ['room', ({ conditions }) => conditions.roomMm != null, place({ roomMm: null })],
  ['shade', ({ conditions }) => conditions.sunlight === true, place({ sunlight: false })],
]

export function remediesByForce(
  cases: number,
  check: (what: string, got: unknown, expected: unknown) => void,
): { readonly cases: number; readonly sets: number } {
  let met = 0
  let sets = 0
  for (let seed = 0; met < cases && seed < cases * 60; seed++) {
    const dice = new Dice(900_000 + seed)
    const catalogue = someParts(dice, 120, 'inch')
    const settings = someShop(dice, catalogue)
    const base = someLine(
      dice,
      'a',
      'inch',
      dice.pick(['faucet.shank.1/2', 'toilet.fill.7/8', 'washer.hose', 'valve.combo.1/2']),
    )
    const line = {
      ...base,
      conditions: {
        ...base.conditions,
        spanMm: null,
        // length is a remedy of its own kind; here it is out of the way
        stubMm: null,
        flame: dice.chance(0.3),
        line: dice.chance(0.3) ? ('dry' as const) : ('trickle' as const),
        access: dice.chance(0.3) ? ('reachable' as const) : ('closed-wall' as const),
        scored: dice.chance(0.3),
        outOfRound: dice.chance(0.2),
        waterSeen: dice.chance(0.5),
        nearHeater: dice.chance(0.25),
        roomMm: dice.chance(0.3) ? dice.whole(5, 80) : null,
        openingMm: dice.chance(0.2) ? dice.whole(15, 100) : null,
        sunlight: dice.chance(0.2),
      },
    }
    const result = mate({ lines: [line], settings }, { catalogue, mostParts: 4 }).lines[0]
    if (!result || result.options.length > 0) continue
    met++
    const works = (facts: Facts) =>
      programmeOf({ ...line, conditions: facts.conditions }, facts.settings, catalogue, 4).edges.some(
        (edge) => edge.to === 'sink',
      )
    const minimal: string[][] = []
    const tryOut = (ids: readonly string[], facts: Facts) => {
      if (minimal.some((known) => known.every((id) => ids.includes(id)))) return
      if (works(facts)) minimal.push([...ids])
    }
    const now: Facts = { conditions: line.conditions, settings }
    const open = CHANGES.filter(([, applies]) => applies(now))
    for (const size of [1, 2, 3]) {
      const walk = (from: number, ids: readonly string[], facts: Facts): void => {
        if (ids.length === size) {
          tryOut(ids, facts)
          return
        }
        for (let index = from; index < open.length; index++) {
          const [id, , change] = open[index] as Change
          walk(index + 1, [...ids, id], change(facts))
        }
      }
      walk(0, [], now)
    }
    const told = (list: readonly (readonly string[])[]) =>
      list
        .map((ids) => [...ids].sort().join('+'))
        .sort()
        .join(', ')
    sets += minimal.length
    check(
      `remedies ${seed} (${pipeById(line.pipeId ?? '')?.id})`,
      told(result.remedies.map(({ changes }) => changes)),
      told(minimal),
    )
  }
  return { cases: met, sets }
}
