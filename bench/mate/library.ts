// Where nothing is shared, a mating is a shortest path: a general graph library finds the same.
import { type Fitting, type LineRequest, type MateSettings, METHODS, mate, TOOL_IDS } from '@diarmos/core'
import Graph from 'graphology'
import { dijkstra } from 'graphology-shortest-path'
import { toolsBought } from '../../packages/core/src/mate/test/hands'
import { programmeOf } from './programme'
import { Dice, someLine, someParts, someShop } from './random'

/** Labour costs nothing and nothing is opened or fetched: then every cost belongs to a part or a joint. */
function withoutShared(settings: MateSettings): MateSettings {
  return {
    ...settings,
    labourCentsPerHour: 0,
    toolsAboard: TOOL_IDS,
    consumableCents: { ...settings.consumableCents, 'cpvc-cement': 0, 'pvc-cement': 0, 'pvc-primer': 0 },
  }
}

function shortest(line: LineRequest, settings: MateSettings, catalogue: readonly Fitting[]): number | null {
  const { edges } = programmeOf(line, settings, catalogue, 4)
  const graph = new Graph({ multi: true, type: 'directed' })
  for (const edge of edges) {
    graph.mergeNode(edge.from)
    graph.mergeNode(edge.to)
    graph.addEdge(edge.from, edge.to, { weight: edge.cents })
  }
  if (!graph.hasNode('source') || !graph.hasNode('sink')) return null
  const path = dijkstra.bidirectional(graph, 'source', 'sink', 'weight')
  if (!path) return null
  // of parallel edges the cheapest is meant
  return path
    .slice(1)
    .reduce(
      (sum, node, at) =>
        sum +
        Math.min(
          ...graph
            .edges(path[at] as string, node)
            .map((edge) => graph.getEdgeAttribute(edge, 'weight') as number),
        ),
      0,
    )
}

export const shortestByLibrary = {
  setUp(id: string, settings: MateSettings): number {
    const method = METHODS.find((entry) => entry.id === id)
    if (!method) throw new Error(id)
    return (
      Math.ceil((method.setUpSeconds * settings.labourCentsPerHour) / 3600) +
      (method.opens ?? []).reduce(
        (sum, { id: can, quantity }) => sum + (settings.consumableCents[can] ?? 0) * quantity,
        toolsBought(method, settings),
      )
    )
  },
  compare(problems: number, check: (what: string, got: unknown, expected: unknown) => void) {
    let ownMs = 0
    let libraryMs = 0
    for (let index = 0; index < problems; index++) {
      const dice = new Dice(300_000 + index)
      const catalogue = someParts(dice, 200, 'inch')
      const settings = withoutShared(someShop(dice, catalogue))
      const line = someLine(
        dice,
        'a',
        'inch',
        dice.pick(['faucet.shank.1/2', 'toilet.fill.7/8', 'washer.hose']),
      )
      let began = performance.now()
      const result = mate({ lines: [line], settings, k: 1 }, { catalogue, mostParts: 4 }).lines[0]
      ownMs += performance.now() - began
      began = performance.now()
      const expected = shortest(line, settings, catalogue)
      libraryMs += performance.now() - began
      check(`shortest path ${index}`, result?.options[0]?.costs.totalCents ?? null, expected)
    }
    return { problems, ownMs: ownMs / problems, libraryMs: libraryMs / problems }
  },
}
