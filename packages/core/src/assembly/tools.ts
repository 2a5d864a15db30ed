import { isSoftTube } from '../reference/softTube'

/** Tools that joints and removals need, by id; their names are in `words`. */
export const TOOL_IDS = [
  'torch',
  'tube-cutter',
  'deburrer',
  'two-wrenches',
  'pipe-wrenches',
  'crimp-tool',
  'cinch-tool',
  'expander',
  'plastic-cutter',
  'ring-puller',
  'release-tool',
  'press-tool',
  'flaring-tool',
  'pipe-saw',
  'nut-driver',
  'multi-tool',
  'inside-cutter',
  'hub-borer',
  'chain-cutter',
  'hammer-and-chisel',
] as const
export type ToolId = (typeof TOOL_IDS)[number]

/** What some tools are on tube of a material: a wheel squeezes soft tube out of round, and a blade leaves no burr. */
export function toolsOn(tools: readonly ToolId[], tubeMaterial: string): readonly ToolId[] {
  if (!isSoftTube(tubeMaterial)) return tools
  const soft = tools
    .filter((tool) => tool !== 'deburrer')
    .map((tool) => (tool === 'tube-cutter' ? 'plastic-cutter' : tool))
  return [...new Set(soft)]
}
