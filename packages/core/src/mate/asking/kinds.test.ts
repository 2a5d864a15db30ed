import fc from 'fast-check'
import { fittingById } from '../../catalog'
import { mate } from '../index'
import { line, STUBS, WELL_EQUIPPED } from '../test/problems'
import type { LineResult, RankedOption } from '../types'

/** Written anew: two ways are of one kind when all that a plumber would name of them agrees. */
function alike(a: RankedOption, b: RankedOption): boolean {
  const upTo = (way: RankedOption) => {
    const count = way.joints.filter(({ beforeStop }) => beforeStop).length || way.joints.length
    const parts = way.parts.slice(0, count).flatMap(({ fittingId }) => fittingById(fittingId) ?? [])
    return {
      methods: new Set(way.joints.slice(0, count).map(({ method }) => method)),
      elbow: parts.some(({ family }) => family.includes('elbow-')),
      soft: parts.some(
        ({ family, ports }) => family === 'tube-piece' && /pex|poly/.test(ports[0]?.material ?? ''),
      ),
      nut: parts.some(({ family }) => family.endsWith('union')),
    }
  }
  const [x, y] = [upTo(a), upTo(b)]
  return (
    a.removalId === b.removalId &&
    x.methods.size === y.methods.size &&
    [...x.methods].every((method) => y.methods.has(method)) &&
    x.elbow === y.elbow &&
    x.soft === y.soft &&
    x.nut === y.nut
  )
}

it('of each kind of way the first is shown, six at most, in the order of the list', () => {
  let folded = 0
  let more = 0
  fc.assert(
    fc.property(
      fc.constantFrom(...STUBS.map(({ id }) => id)),
      fc.constantFrom('faucet.shank.1/2', 'toilet.fill.7/8', 'valve.combo.1/2', 'heater.nipple.3/4'),
      fc.constantFrom(0 as const, 90 as const),
      (pipeId, fixture, turn) => {
        const { options, kinds } = mate({ lines: [line(pipeId, { turn }, fixture)], settings: WELL_EQUIPPED })
          .lines[0] as LineResult
        const leaders = options.filter(
          (option, index) => !options.slice(0, index).some((other) => alike(option, other)),
        )
        expect(kinds).toEqual(leaders.slice(0, 6).map(({ id }) => id))
        if (leaders.length < options.length) folded++
        if (leaders.length > 6) more++
      },
    ),
    { numRuns: 25, seed: 5 },
  )
  expect([folded > 0, more > 0]).toEqual([true, true])
})
