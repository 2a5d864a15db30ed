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
] as const
export type ToolId = (typeof TOOL_IDS)[number]
