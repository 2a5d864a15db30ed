export const SEALS: Readonly<Record<string, string>> = {
  'lead-free-solder': 'lead-free solder',
  'ring-bites-tube': 'the ring on the tube; no tape, nothing on the ring',
  'rubber-ring': 'a rubber ring inside; nothing added',
  'thread-seal': 'thread seal by your house rule',
  'ring-on-barb': 'the tube, squeezed on the barb',
  'tube-shrinks-on-barb': 'the tube, shrunk on the barb',
  'cpvc-cement': 'CPVC cement, not PVC cement',
  'rubber-washer': 'the washer in the nut; no tape',
  'metal-cone': 'metal on metal at the cone; no tape',
  'rubber-gasket': 'a rubber gasket under the nut; nothing added',
  'clips-on-barb': 'the tube, clipped on the barb',
  'pvc-cement': 'primer and PVC cement, not CPVC cement',
  'abs-cement': 'ABS cement, no primer',
  'shield-sleeve': 'the rubber sleeve in its shield; no tape, nothing to make up a diameter',
  'slip-washer': 'the taper washer under the nut; no tape, no paste',
}

export const REMOVAL_WORDS: Readonly<Record<string, string>> = {
  bare: 'end is bare already',
  'cut-behind': 'cut the old stop off',
  'saw-behind': 'saw the old fitting off',
  'cut-behind-marks': 'cut back past the marks',
  'saw-behind-marks': 'saw back past the marks',
  'keep-stop': 'the old stop stays',
  'undo-nut': 'undo the nut, keep the adapter',
  'undo-nut-reduced': 'undo the nut, a reducing washer into it',
  'sweat-off': 'sweat the old stop off',
  'unscrew-pull-ring': 'unscrew, draw the ring',
  'unscrew-cut-behind-ring': 'unscrew, cut behind the ring',
  release: 'release the old push-fit',
  'open-body': 'open the old push-fit round its seal',
  unscrew: 'unscrew the old stop',
  'new-end': 'nothing to take off',
  'cut-open': 'cut the run open',
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
  'press-tool': 'press tool',
  'flaring-tool': 'flaring tool',
  'pipe-saw': 'pipe saw',
  'nut-driver': 'nut driver',
}

/** Shelves of a van, by what they are for. */
export const SHELF_WORDS: Readonly<Record<string, string>> = {
  stops: 'Stops and bibs',
  copper: 'Copper',
  steel: 'Steel and brass',
  crimped: 'Crimped tube',
  expanded: 'Expanded tube',
  cpvc: 'CPVC',
  pressed: 'Pressed copper',
  metric: 'Metric copper',
  drains: 'Traps and tails',
}

/** What holds for a time only. */
export const TEMPORARY_WORDS: Readonly<Record<string, string>> = {
  'close-off': 'Close the line off',
  'rubber-clips': 'Rubber and two clips over the hole',
  'bolted-clamp': 'Bolted clamp over the hole',
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
  'pvc-cement': 'PVC cement',
  'abs-cement': 'ABS cement',
  'pvc-primer': 'PVC primer',
  'press-sleeve': 'press sleeve',
  'worm-clip': 'worm-drive clip',
  'pipe-insert': 'pipe insert',
  'rubber-sheet': 'piece of rubber sheet',
  'repair-clamp': 'bolted clamp with rubber',
}
