// Every pair of ends in the catalogue: mated, or refused and really out of reach in the raw tables.
import {
  anyMouth,
  CATALOG,
  METHODS,
  nominalNumber,
  type PortEnd,
  RULES,
  STARTING_SETTINGS,
} from '@diarmos/core'
import { Problem } from '../../packages/core/src/mate/model/problem'
import { search } from '../../packages/core/src/mate/search/search'
import { growth, shapeOf } from '../../packages/core/src/mate/test/bruteForce'
import { PLACE } from './place'

const MOST = 5
const BANDS = /^(shielded|flexible)$/
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
        if ((body.medium === 'drain') !== (method.medium === 'drain')) return false
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
              begins: false,
              beforeStop: true,
              route: 'any',
              run: null,
              own: new Set<string>(),
              needsStubMm: 0,
              conditions: PLACE,
              settings: STARTING_SETTINGS,
            }) !== null,
        )
      }),
    ),
  )
}

/** One way through a part. */
interface Pass {
  /** Trade: parts of a drain and those of water never stand in one line. */
  readonly medium: PortEnd['medium']
  /** A band round two pipes of one kind: on an old end, and nowhere behind it. */
  readonly firstOnly: boolean
  readonly out: number
  readonly grows: number
  /** What an adapter looks like on either side. */
  readonly near: string
  readonly far: string
}

interface Standing {
  readonly end: number
  readonly trend: number
  readonly undoes: string
}

export function reachability(check: (what: string, got: unknown, expected: unknown) => void): {
  readonly pairs: number
  readonly solved: number
  /** Of those, both of a drain. */
  readonly drains: { readonly pairs: number; readonly solved: number }
} {
  const ends = [
    ...new Map(CATALOG.flatMap(({ ports }) => ports.map((port) => [keyOf(port), port] as const))).values(),
  ]
  const at = new Map(ends.map((end, index) => [keyOf(end), index]))
  // what passes straight through a part, either way round; bends and branches change no class of end
  const passes: Map<string, Pass>[] = ends.map(() => new Map())
  for (const fitting of CATALOG) {
    const { ports, standing, family } = fitting
    const [a, b] = ports
    if (
      !a ||
      !b ||
      standing ||
      // what is joined has no valve in it, no hose, no trap, no branch and no vent, and does not turn; nor is it what stands over a trap, or a flange
      /elbow|bend|street|tee|wye|vent|slip-coupling|repair|stop|valve|bib|breaker|connector|hose|cap|plug|trap|tail|waste|flange|standpipe/.test(
        family,
      ) ||
      // trade: iron goes back into a run of iron alone
      (family === 'tube-piece' && a.material === 'cast-iron')
    )
      continue
    for (const [index, [near, far]] of [
      [a, b],
      [b, a],
    ].entries()) {
      const out = at.get(keyOf(far as PortEnd)) as number
      // trade: nothing of a drain is smaller downstream, which is where the line begins
      const drain = a.medium === 'drain'
      if (drain && nominalNumber((far as PortEnd).nominal) > nominalNumber((near as PortEnd).nominal))
        continue
      const pass: Pass = {
        medium: a.medium,
        firstOnly:
          drain && near?.form === far?.form && BANDS.test(near?.form ?? '') && near?.system === far?.system,
        out,
        grows: growth(fitting, index),
        near: shapeOf(fitting, index),
        far: shapeOf(fitting, 1 - index),
      }
      passes[at.get(keyOf(near as PortEnd)) as number]?.set(JSON.stringify(pass), pass)
    }
  }
  const joined = ends.map((a) => ends.flatMap((b, index) => (joins(a, b) ? [index] : [])))
  let pairs = 0
  let solved = 0
  const drains = { pairs: 0, solved: 0 }
  // breadth first over open ends: what can be joined after at most so many parts
  const reachedBy = (medium: PortEnd['medium']) =>
    ends.map((_, first) => {
      // an open end, whether the line has gone up a size or down one, and what the next adapter would undo
      const begin: Standing = { end: first, trend: 0, undoes: '' }
      const open = new Map([[JSON.stringify(begin), begin]])
      let layer = [begin]
      for (let parts = 1; parts <= MOST && layer.length > 0; parts++) {
        const next: Standing[] = []
        for (const { end, trend, undoes } of layer)
          for (const entry of joined[end] ?? [])
            for (const { out, grows, near, far, firstOnly, medium: of } of passes[entry]?.values() ?? []) {
              if (of !== medium || (firstOnly && parts > 1)) continue
              if ((grows !== 0 && grows === -trend) || (undoes !== '' && undoes === far)) continue
              const then: Standing = { end: out, trend: trend || grows, undoes: near }
              const key = JSON.stringify(then)
              if (open.has(key)) continue
              open.set(key, then)
              next.push(then)
            }
        layer = next
      }
      return new Set([...open.values()].flatMap(({ end }) => joined[end] ?? []))
    })
  const reached = { supply: reachedBy('supply'), drain: reachedBy('drain') }
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
      if (from.medium === 'drain' && to.medium === 'drain') {
        drains.pairs++
        if (found) drains.solved++
      }
      const within = reached[to.medium][first]?.has(second) ?? false
      if (found !== within) check(`${keyOf(from)} to ${keyOf(to)}`, found, within)
    }
  })
  return { pairs, solved, drains }
}
