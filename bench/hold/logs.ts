// Logs of every cause, drawn by a seed.
import type { HoldAsked } from '@diarmos/core'
import { type Length, pipework } from '@diarmos/core'
import { run, type Truth } from './line'

export const DRAWN = ['still', 'warmth', 'creep', 'air', 'seep', 'leak', 'small leak'] as const
export type Drawn = (typeof DRAWN)[number]

export interface Log {
  readonly drawn: Drawn
  readonly truth: Truth
  readonly asked: HoldAsked
}

const PSI = 6.894757
interface Kind {
  readonly material: Length['material']
  readonly outsideMm: number
  readonly wallMm: number
  /** What the world says of it; not what the tables of the core say. */
  readonly modulusMPa: number
  readonly expansion: number
  readonly plastic: boolean
}
const KINDS: readonly Kind[] = [
  {
    material: 'copper',
    outsideMm: 15.88,
    wallMm: 1.02,
    modulusMPa: 115_000,
    expansion: 17e-6,
    plastic: false,
  },
  {
    material: 'copper',
    outsideMm: 22.22,
    wallMm: 1.14,
    modulusMPa: 115_000,
    expansion: 17e-6,
    plastic: false,
  },
  {
    material: 'galvanised-steel',
    outsideMm: 26.7,
    wallMm: 2.87,
    modulusMPa: 205_000,
    expansion: 12e-6,
    plastic: false,
  },
  { material: 'pex-b', outsideMm: 15.88, wallMm: 1.78, modulusMPa: 700, expansion: 140e-6, plastic: true },
  { material: 'pex-a', outsideMm: 22.22, wallMm: 2.47, modulusMPa: 550, expansion: 160e-6, plastic: true },
  { material: 'cpvc', outsideMm: 22.22, wallMm: 2.03, modulusMPa: 2700, expansion: 63e-6, plastic: true },
]

/** A log of that cause: everything else is drawn too, only less of it. */
export function drawLog(drawn: Drawn, random: () => number): Log {
  const between = (from: number, to: number) => from + (to - from) * random()
  const spread = (from: number, to: number) => from * (to / from) ** random()
  const sign = () => (random() < 0.5 ? -1 : 1)
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T
  const kind = pick(drawn === 'creep' ? KINDS.filter(({ plastic }) => plastic) : KINDS)
  const volumeMl = spread(200, 10_000)
  const testKpa = pick([60, 80, 100, 120, 150]) * PSI
  const minutes = pick([15, 60])
  const stepKpa = pick([1, 0.1]) * PSI
  const waterC = between(8, 25)
  const seeps = drawn === 'seep'
  const streetKpa = between(40, 75) * PSI
  const truth: Truth = {
    volumeMl,
    outsideMm: kind.outsideMm,
    wallMm: kind.wallMm,
    modulusMPa: kind.modulusMPa * between(0.8, 1.25),
    creep: kind.plastic
      ? { share: drawn === 'creep' ? between(0.25, 0.6) : between(0.1, 0.35), power: between(0.08, 0.3) }
      : { share: 0, power: 0.2 },
    expansion: kind.expansion,
    airMl: volumeMl * (drawn === 'air' ? spread(0.03, 0.15) : spread(0.0008, 0.03)),
    airWarmK: drawn === 'air' ? between(10, 45) : between(0, 15),
    airCoolsS: spread(25, 150),
    dissolves: between(0, 0.4),
    waterC,
    warmsK: drawn === 'warmth' ? sign() * between(2, 8) : sign() * between(0, drawn === 'still' ? 0.3 : 1.5),
    lagsS: [spread(300, 3000), spread(30, 300)],
    driftsK: between(-0.4, 0.4),
    leak: drawn === 'leak' ? spread(2, 300) : drawn === 'small leak' ? spread(0.1, 2) : 0,
    seep: seeps ? spread(1, 80) : 0,
    slit: random() < 0.5,
    streetKpa,
    testKpa,
  }
  const every = stepKpa < 1 ? 60 : pick([60, 120])
  const times = Array.from({ length: Math.floor((minutes * 60) / every) }, (_, index) =>
    Math.round((index + 1) * every + between(-4, 4)),
  )
  const off = between(-0.15, 0.15) * stepKpa
  const shown = [testKpa, ...run(truth, times)].map((kpa) =>
    Math.max(0, Math.round((kpa + off + between(-0.1, 0.1) * stepKpa) / stepKpa) * stepKpa),
  )
  // the length is paced out, not measured
  const bore = kind.outsideMm - 2 * kind.wallMm
  const lengthMm = ((volumeMl * 1000) / ((Math.PI / 4) * bore * bore)) * spread(0.8, 1.25)
  return {
    drawn,
    truth,
    asked: {
      line: pipework([{ material: kind.material, outsideMm: kind.outsideMm, wallMm: kind.wallMm, lengthMm }]),
      waterC: waterC + between(-4, 4),
      stepKpa,
      streetKpa: random() < 0.7 ? streetKpa * between(0.95, 1.05) : null,
      stopProved: !seeps && random() < 0.7,
      readings: [0, ...times].map((seconds, index) => ({ seconds, kpa: shown[index] as number })),
    },
  }
}
