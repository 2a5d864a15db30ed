/** Ends as they are asked for where a mating is worked out without a job: what it is, and the sizes it is made in. */
export interface EndKind {
  readonly id: string
  readonly label: string
  readonly form: string
  readonly system: string
  readonly material: string
  readonly sizes: readonly string[]
  /** For pipe: its id in the tables, with `#` for the size. */
  readonly pipe?: string
}

const CTS = ['1/4', '3/8', '1/2', '5/8', '3/4', '1', '1-1/4', '1-1/2', '2']
const INCH = ['1/8', '1/4', '3/8', '1/2', '3/4', '1', '1-1/4', '1-1/2', '2']
const METRIC = ['8', '10', '12', '15', '18', '22', '28', '35', '42', '54']
const kind = (
  id: string,
  label: string,
  form: string,
  system: string,
  material: string,
  sizes: readonly string[],
  pipe?: string,
): EndKind => ({ id, label, form, system, material, sizes, ...(pipe ? { pipe } : {}) })

export const END_KINDS: readonly EndKind[] = [
  kind('copper', 'copper tube', 'tube', 'CTS', 'copper', CTS, 'copper.l.#'),
  kind('copper-mm', 'metric copper tube', 'tube', 'metric', 'copper', METRIC, 'copper.regular.#mm'),
  kind(
    'pex-a',
    'PEX type A',
    'tube',
    'CTS',
    'pex-a',
    ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4'],
    'pex-a.sdr9.#',
  ),
  kind(
    'pex-b',
    'PEX type B',
    'tube',
    'CTS',
    'pex-b',
    ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4'],
    'pex-b.sdr9.#',
  ),
  kind('pex-al', 'PEX-aluminium', 'tube', 'metric', 'pex-aluminium', ['16', '20', '26', '32']),
  kind('cpvc', 'CPVC', 'tube', 'CTS', 'cpvc', ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'], 'cpvc.sdr11.#'),
  kind(
    'pvc',
    'PVC pressure pipe',
    'tube',
    'IPS',
    'pvc',
    ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    'pvc.40.#',
  ),
  kind(
    'pb',
    'polybutylene',
    'tube',
    'CTS',
    'polybutylene',
    ['3/8', '1/2', '3/4', '1'],
    'polybutylene.sdr11.#',
  ),
  kind('pe', 'polyethylene by bore', 'tube', 'ID', 'polyethylene', [
    '1/2',
    '3/4',
    '1',
    '1-1/4',
    '1-1/2',
    '2',
  ]),
  kind('pe-mm', 'metric polyethylene', 'tube', 'metric', 'polyethylene', [
    '20',
    '25',
    '32',
    '40',
    '50',
    '63',
  ]),
  kind('riser', 'chromed riser', 'tube', 'OD', 'chromed-supply', ['1/4', '3/8', '1/2']),
  kind(
    'galv-cut',
    'cut steel pipe',
    'tube',
    'IPS',
    'galvanised-steel',
    ['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'],
    'galvanised.40.#',
  ),
  kind('npt-m-steel', 'NPT male, steel', 'taper-male', 'NPT', 'galvanised-steel', INCH),
  kind('npt-m', 'NPT male, brass', 'taper-male', 'NPT', 'brass', INCH),
  kind('npt-f', 'NPT female, brass', 'taper-female', 'NPT', 'brass', INCH),
  kind('npt-f-steel', 'NPT female, steel', 'taper-female', 'NPT', 'galvanised-steel', INCH),
  kind('bsp-m', '55° taper male', 'taper-male', 'BSP', 'brass', INCH),
  kind('bsp-f', '55° female', 'taper-female', 'BSP', 'brass', INCH),
  kind('g-m', '55° parallel male', 'parallel-male', 'BSPP', 'brass', ['3/8', '1/2', '3/4']),
  kind('g-nut', '55° parallel nut', 'swivel-nut', 'BSPP', 'rubber-seated', ['3/8', '1/2', '3/4']),
  kind('comp', 'compression outlet', 'compression-outlet', 'UNF', 'brass', ['1/4', '3/8', '1/2']),
  kind('comp-nut', 'compression nut', 'swivel-nut', 'UNF', 'rubber-seated', ['1/4', '3/8', '1/2']),
  kind('shank', 'faucet shank', 'parallel-male', 'NPS', 'brass', ['1/2', '3/4']),
  kind('fill', 'toilet fill valve', 'parallel-male', 'FV', 'brass', ['7/8', '15/16']),
  kind('hose', 'hose thread male', 'parallel-male', 'NH', 'brass', ['3/4']),
  kind('hose-nut', 'hose nut', 'swivel-nut', 'NH', 'rubber-seated', ['3/4']),
  kind('cup', 'solder cup', 'solder-cup', 'CTS', 'copper', CTS),
  kind('push', 'push-fit', 'push-fit', 'CTS', 'brass', CTS),
  kind('barb', 'PEX insert', 'insert-barb', 'CTS', 'brass', ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4']),
  kind('exp', 'PEX expansion', 'expansion-barb', 'CTS', 'brass', ['3/8', '1/2', '5/8', '3/4', '1', '1-1/4']),
  kind('flare', 'flare', 'flare-male', 'OD', 'brass', ['1/4', '3/8', '1/2']),
]

/** An end of a kind in a size, as a request names it; null for a size in which it is not made. */
export function endOfKind(id: string, size: string): (EndKind & { readonly nominal: string }) | null {
  const found = END_KINDS.find((entry) => entry.id === id)
  return found?.sizes.includes(size) ? { ...found, nominal: size } : null
}
