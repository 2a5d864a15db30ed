// Every pair of ends in the catalogue: mated, or refused and really out of reach in the raw tables.
import { anyMouth, CATALOG, METHODS, type PortEnd, RULES, STARTING_SETTINGS } from '@diarmos/core'
import { Problem } from '../../packages/core/src/mate/model/problem'
import { search } from '../../packages/core/src/mate/search/search'
import { PLACE } from './place'

const MOST = 5
const keyOf = (port: PortEnd) => `${port.form}/${port.system}/${port.nominal}/${port.material}`

/** Whether two ends may be joined at all in a plain place, straight from pairings and rules. */
function joins(a: PortEnd, b: PortEnd): boolean {
  if (a.nominal !== b.nominal) return false
  return METHODS.some((method) =>
    method.pairings.some((pairing) =>
      (
        [
          [a, b],
          [b, a],
        ] as const
      ).some(([tip, body]) => {
        if (tip.form !== pairing.tip || body.form !== pairing.body) return false
        if (
          pairing.systems
            ? pairing.systems[0] !== tip.system || pairing.systems[1] !== body.system
            : tip.system !== body.system
        )
          return false
        if (pairing.materials && !pairing.materials.includes(tip.material)) return false
        if (pairing.bodies && !pairing.bodies.includes(body.material)) return false
        return !RULES.some(
          (rule) =>
            rule.severity === 'forbid' &&
            rule.bites({
              method,
              tip,
              body,
              start: null,
              beforeStop: true,
              route: 'any',
              needsStubMm: 0,
              conditions: PLACE,
              settings: STARTING_SETTINGS,
            }) !== null,
        )
      }),
    ),
  )
}

export function reachability(check: (what: string, got: unknown, expected: unknown) => void): {
  readonly pairs: number
  readonly solved: number
} {
  const ends = [
    ...new Map(CATALOG.flatMap(({ ports }) => ports.map((port) => [keyOf(port), port] as const))).values(),
  ]
  const at = new Map(ends.map((end, index) => [keyOf(end), index]))
  // what passes straight through a part, either way round; bends and branches change no class of end
  const passes: Set<number>[] = ends.map(() => new Set())
  for (const { ports, standing, family } of CATALOG) {
    const [a, b] = ports
    if (
      !a ||
      !b ||
      standing ||
      /elbow-(90|45)|street|tee|slip-coupling|repair/.test(family) ||
      family === 'dual-stop'
    )
      continue
    passes[at.get(keyOf(a)) as number]?.add(at.get(keyOf(b)) as number)
    passes[at.get(keyOf(b)) as number]?.add(at.get(keyOf(a)) as number)
  }
  const joined = ends.map((a) => ends.flatMap((b, index) => (joins(a, b) ? [index] : [])))
  let pairs = 0
  let solved = 0
  // breadth first over open ends: what can be joined after at most so many parts
  const reached = ends.map((_, first) => {
    const open = new Set([first])
    let layer = [first]
    for (let parts = 1; parts <= MOST && layer.length > 0; parts++) {
      const next: number[] = []
      for (const end of layer)
        for (const entry of joined[end] ?? [])
          for (const out of passes[entry] ?? [])
            if (!open.has(out)) {
              open.add(out)
              next.push(out)
            }
      layer = next
    }
    return new Set([...open].flatMap((end) => joined[end] ?? []))
  })
  const ref = ({ form, system, nominal, material }: PortEnd) => ({ form, system, nominal, material })
  // by the far end, since what is worked out for it serves all that lead to it
  ends.forEach((to, second) => {
    for (let first = 0; first <= second; first++) {
      const from = ends[first] as PortEnd
      pairs++
      const problem = new Problem(
        { lineId: 'pair', from: anyMouth(ref(from)), to: anyMouth(ref(to)), conditions: PLACE },
        { settings: STARTING_SETTINGS },
        1,
        { mostParts: MOST },
      )
      const found = search(problem, { kind: 'ways', k: 1 }).goals.length > 0
      if (found) solved++
      const within = reached[first]?.has(second) ?? false
      if (found !== within) check(`${keyOf(from)} to ${keyOf(to)}`, found, within)
    }
  })
  return { pairs, solved }
}
