/** What goes in, as it is asked. Ids are the catalogue's fixture connections. */
export const FIXTURE_WORDS: Readonly<Record<string, string>> = {
  'faucet.shank.1/2': 'Faucet, 1/2 in threaded shanks',
  'faucet.hose.3/8': 'Faucet with own hoses, 3/8 in compression',
  'tap.tail.1/2': 'Tap, 1/2 in parallel tails',
  'tap.hose.1/2': 'Tap with own hoses, 1/2 in parallel nuts',
}

export const METHOD_WORDS: Readonly<Record<string, string>> = {
  sweat: 'sweat',
  compression: 'compression',
  'push-fit': 'push-fit',
  threaded: 'thread',
  crimp: 'crimp',
  cinch: 'cinch clamp',
  expansion: 'expansion',
  cement: 'solvent cement',
  swivel: 'swivel nut',
}

export const FAMILY_WORDS: Readonly<Record<string, string>> = {
  'angle-stop': 'angle stop',
  'straight-stop': 'straight stop',
  coupling: 'coupling',
  'reducing-coupling': 'reducer',
  'male-adapter': 'male adapter',
  'female-adapter': 'female adapter',
  'threaded-coupling': 'threaded coupling',
  bushing: 'bushing',
  nipple: 'nipple',
  'dielectric-union': 'dielectric union',
  'transition-coupling': 'transition',
  'supply-connector': 'supply connector',
  'tube-piece': 'tube, cut to length',
}
