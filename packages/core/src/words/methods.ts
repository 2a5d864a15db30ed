export const SEALS: Readonly<Record<string, string>> = {
  'lead-free-solder': 'lead-free solder',
  'ring-bites-tube': 'the ring on the tube; no tape, nothing on the ring',
  'rubber-ring': 'a rubber ring inside; nothing added',
  'thread-seal': 'thread seal by your house rule',
  'ring-on-barb': 'the tube, squeezed on the barb',
  'tube-shrinks-on-barb': 'the tube, shrunk on the barb',
  'cpvc-cement': 'CPVC cement, not PVC cement',
  'rubber-washer': 'the washer in the nut; no tape',
}

export const REMOVAL_WORDS: Readonly<Record<string, string>> = {
  bare: 'end is bare already',
  'cut-behind': 'cut the old stop off',
  'sweat-off': 'sweat the old stop off',
  'unscrew-pull-ring': 'unscrew, draw the ring',
  'unscrew-cut-behind-ring': 'unscrew, cut behind the ring',
  release: 'release the old push-fit',
  unscrew: 'unscrew the old stop',
}

export const TOOL_WORDS: Readonly<Record<string, string>> = {
  torch: 'torch',
  'tube-cutter': 'tube cutter',
  deburrer: 'reamer',
  'two-wrenches': 'two wrenches',
  'pipe-wrenches': 'two pipe wrenches',
  'crimp-tool': 'crimp tool',
  'cinch-tool': 'cinch tool',
  expander: 'expander',
  'plastic-cutter': 'plastic-tube cutter',
  'ring-puller': 'ring puller',
  'release-tool': 'release tool',
}

export const CONSUMABLE_WORDS: Readonly<Record<string, string>> = {
  'lead-free-solder': 'lead-free solder',
  flux: 'flux',
  'abrasive-pad': 'abrasive pad',
  'ptfe-tape': 'PTFE tape',
  'thread-paste': 'thread paste',
  'crimp-ring': 'crimp ring',
  'cinch-clamp': 'cinch clamp',
  'expansion-ring': 'expansion ring',
  'cpvc-cement': 'CPVC cement',
}
