import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end, fullDepthMm, type PortEnd } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

const IN = 25.4
const SHEET: Source = {
  title: 'Sanitary tees, D3311, with a valve of ASSE 1051 on a riser, typical of the kind',
  certainty: "maker's sheet",
}

/**
 * Its side: the nut of a trap's tube, or a socket for a trap that is cemented. Inches between the two pipes, and from the
 * middle to the end of the bend beneath it.
 */
const SIDES = [
  ['1-1/2', 'slip-joint', '1-1/2', 2.5, 2.75],
  ['1-1/2', 'slip-joint', '1-1/4', 2.5, 2.75],
  ['1-1/2', 'drain-socket', '1-1/2', 2, 2.75],
  ['2', 'drain-socket', '2', 2.5, 3.25],
] as const

/** From the middle of the bend up to the middle of the tee's side, in radii of the bend: both hubs and a short pipe. */
const RISE = 2

/** The stub's side lies lower than the trap's, by what bend and tee take between them. */
function turnedUp(part: Fitting, sweepMm: number): Fitting {
  const [a, b] = part.ports
  if (!a || !b) return part
  const origin = [a.pose.origin[0] - sweepMm / 2, -RISE * sweepMm, 0] as const
  // as of any bend: each pipe's end to the middle, straight
  const toStub = Math.hypot(...origin) - fullDepthMm(a)
  const layingMm = toStub + b.pose.origin[0] - fullDepthMm(b)
  return { ...part, layingMm, ports: [{ ...a, pose: { ...a.pose, origin } }, b] }
}

/** A part turned so that its side looks to the right of the flow: up, where what follows it is a trap on its arm. */
function sideways(part: Fitting): Fitting {
  const [a, b] = part.ports
  if (!a || !b) return part
  const [x = 0, y = 0] = b.pose.origin
  return { ...part, ports: [a, { ...b, pose: { ...b.pose, origin: [x, -y, 0], axis: [0, -1, 0] } }] }
}

type Where = 'wall' | 'floor'
/** What a set is made of, mm. */
interface VentSet {
  readonly key: string
  /** @param what it is besides a vent set */
  readonly name: (what: string) => string
  readonly a: PortEnd
  readonly b: PortEnd
  readonly material: PipeMaterial
  /** Between the two pipes. */
  readonly betweenMm: number
  /** From the middle to the end of the bend beneath it. */
  readonly sweepMm: number
  readonly source: Source
}

/**
 * What is made up where no vent is: a sanitary tee upright, the trap at its side, and a riser with a valve that admits
 * air over it. Where the stub comes out of a wall a long-sweep bend turns up to it; where it comes up out of the floor
 * the tee stands on it. Bought as one set, named so.
 */
export function ventSet(where: Where, { key, name, betweenMm, sweepMm, ...ends }: VentSet): Fitting {
  const wall = where === 'wall'
  const part = inline({
    ...ends,
    id: `${wall ? 'vent-tee' : 'vent-riser'}.${key}`,
    family: wall ? 'vent-tee' : 'vent-riser',
    name: `${name(wall ? '' : ' from the floor')}${wall ? ', long-sweep bend under it' : ''}`,
    heatSensitive: true,
    layingMm: betweenMm,
    turn: wall ? 180 : 90,
  })
  return wall ? turnedUp(part, sweepMm) : sideways(part)
}

const setOf = (
  where: Where,
  [size, side, at, betweenIn, sweepIn]: (typeof SIDES)[number],
  [material, key, word]: (typeof DRAIN_PLASTICS)[number],
): Fitting => {
  const slip = side === 'slip-joint'
  return ventSet(where, {
    key: `${key}.${size}x${slip ? `slip.${at}` : at}`,
    name: (what) =>
      `${word} vent set${what}, ${size} in: sanitary tee, riser, air admittance valve, ${slip ? `${at} in slip nut` : 'socket'} at its side`,
    a: end('drain-socket', 'IPS', size, material),
    b: slip ? end('slip-joint', 'tubular', at, material) : end('drain-socket', 'IPS', at, material),
    material,
    betweenMm: betweenIn * IN,
    sweepMm: sweepIn * IN,
    source: SHEET,
  })
}

/** Every set, those out of a wall first. */
export function ventTees(): Fitting[] {
  return (['wall', 'floor'] as const).flatMap((where) =>
    DRAIN_PLASTICS.flatMap((plastic) => SIDES.map((side) => setOf(where, side, plastic))),
  )
}
