import { type Family, type Fitting, type Port, type PortForm, secondSide } from '../../catalog/types'
import { HEAVY_HUBLESS } from '../../reference/bandTorque'

/**
 * What an end adds to its family's price, a half-inch one, in cents: what is drawn from tube is cheap, what holds a ring
 * or a collar is not. Typical of counters, no source; a shop writes its own price beside any part.
 */
const PER_END: Readonly<Partial<Record<PortForm, number>>> = {
  tube: -100,
  'solder-cup': -120,
  'filed-cup': -120,
  'expanded-cup': -120,
  'press-cup': 60,
  'push-fit': 250,
  compression: 60,
  'poly-compression': 60,
  'gasket-socket': 100,
  'flare-male': 60,
  'insert-barb': -70,
  'expansion-barb': -60,
  'sleeve-barb': -40,
  'cement-socket': -130,
  'pvc-socket': -150,
}

/** The same of each end of a piece of tube, by what it is made of; other stuffs add nothing. */
const PER_TUBE: Readonly<Record<string, number>> = {
  copper: 100,
  stainless: 300,
  'pex-a': -60,
  'pex-b': -80,
  'pex-c': -80,
  cpvc: -60,
  pvc: -100,
}
/** Threads of these. */
const PER_THREAD: Readonly<Record<string, number>> = { brass: 60, 'galvanised-steel': -40, pvc: -150 }

/** How many times a half-inch one a size costs, by its name: about as its metal. */
const BY_SIZE: Readonly<Record<string, number>> = {
  '1/8': 0.8,
  '1/4': 0.8,
  '3/8': 0.9,
  '5/8': 1.3,
  '3/4': 1.5,
  '1': 2.4,
  '1-1/4': 3.6,
  '1-1/2': 4.6,
  '2': 7,
  '8': 0.8,
  '10': 0.85,
  '12': 0.9,
  '18': 1.2,
  '20': 1.3,
  '22': 1.5,
  '25': 1.9,
  '26': 1.9,
  '28': 2.4,
  '32': 2.8,
  '35': 3.6,
  '40': 4.2,
  '42': 4.6,
  '50': 6.2,
  '54': 7,
  '63': 8.5,
}

/** A drain's parts are named by larger sizes and are light: how many times an inch and a half one each costs. */
const BY_DRAIN_SIZE: Readonly<Record<string, number>> = { '2': 1.3, '3': 2, '4': 2.8, '50': 1.3, '110': 2.8 }
/** What a drain's fitting of plastic costs of one that holds pressure in the same family, where both have it. */
const DRAIN_SHARE = 0.5
/** What a trap that can be opened, a tee with two sides, or a coupling of the heavier grade costs of a plain one. Common practice. */
const MORE_SHARE = 1.5
const OF_DRAINS: ReadonlySet<string> = new Set(['shielded-coupling', 'flexible-coupling', 'p-trap'])
/** One price for all sizes. */
const FLAT: ReadonlySet<string> = new Set([
  'trap-adapter',
  'tubular-trap',
  'compression-trap',
  'tail-extension',
  'centre-waste',
  'end-waste',
  'disposer-waste',
  'branch-tail',
  'vent-tee',
  'vent-riser',
  'standpipe',
  'closet-flange',
  'flange-riser',
  'flange-repair-ring',
  'pan-connector',
  'pan-bend',
])
/** Least price of anything, cents. */
const LEAST = 60

function perEnd({ form, material }: Port, family: Family): number {
  if (family === 'tube-piece') return PER_TUBE[material] ?? 0
  if (form.startsWith('taper')) return PER_THREAD[material] ?? 0
  return PER_END[form] ?? 0
}

/** What a part's ends come to in cents, and how many times a half-inch one it is: asked for every part of every shop. */
const OF_PART = new WeakMap<Fitting, { readonly ends: number; readonly size: number }>()

function weighed(part: Fitting): { readonly ends: number; readonly size: number } {
  const known = OF_PART.get(part)
  if (known) return known
  const { family, ports } = part
  const stop = family.endsWith('stop') || family.endsWith('bib') || family === 'supply-connector'
  if (ports[0]?.medium === 'drain') {
    const heavy = part.id.startsWith(HEAVY_HUBLESS)
    const more = part.opens || secondSide(part) || heavy ? MORE_SHARE : 1
    const share = (OF_DRAINS.has(family) ? 1 : DRAIN_SHARE) * more
    const size = share * Math.max(...ports.map(({ nominal }) => BY_DRAIN_SIZE[nominal] ?? 1))
    OF_PART.set(part, { ends: 0, size })
    return { ends: 0, size }
  }
  const made = {
    ends: ports.reduce((sum, port) => sum + perEnd(port, family), 0),
    size: Math.max(...(stop ? ports.slice(0, 1) : ports).map(({ nominal }) => BY_SIZE[nominal] ?? 1)),
  }
  OF_PART.set(part, made)
  return made
}

/**
 * What a part costs where the shop has written no price of its own beside it: its family's price, which is that of a
 * half-inch one, by its ends and its largest size. Whole cents.
 */
export function usualCents(part: Fitting, familyCents: number): number {
  if (FLAT.has(part.family) || part.ports.length === 0) return familyCents
  const { ends, size } = weighed(part)
  return Math.max(LEAST, Math.round((familyCents + ends) * size))
}
