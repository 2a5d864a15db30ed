// A line that is shut and full of water, made anew from what is known of water, air, holes and plastic, to draw logs
// from. It shares nothing with the room that reads them: masses instead of volumes' rates, water by Tait's equation, a
// thin wall, Findley's power of time, air that is warm from the pump, is cooled by the wall and goes into solution, warmth
// in two lags, a hole by its area, a quarter of a second a step.

/** What is drawn for one log. Pressures in kPa, volumes in ml, times in s, temperatures in °C. */
export interface Truth {
  readonly volumeMl: number
  readonly outsideMm: number
  readonly wallMm: number
  readonly modulusMPa: number
  /** Share of the elastic stretch that is added in the first hour, and the power of time by which it comes. */
  readonly creep: { readonly share: number; readonly power: number }
  /** 1/K, of a length. */
  readonly expansion: number
  readonly airMl: number
  /** How much warmer the air is than the water when the pump stops, K, and in what time the wall takes that, s. */
  readonly airWarmK: number
  readonly airCoolsS: number
  /** Share of the air that a whole day would dissolve. */
  readonly dissolves: number
  readonly waterC: number
  readonly warmsK: number
  readonly lagsS: readonly [number, number]
  /** What the room itself warms by in an hour, K. */
  readonly driftsK: number
  /** ml/min at the test's pressure. */
  readonly leak: number
  readonly seep: number
  /** The seat is a slit: its flow goes by the pressure, not by its root. */
  readonly slit: boolean
  readonly streetKpa: number
  readonly testKpa: number
}

const AIR = 101.325
const STEP = 0.25

/** Density of water, kg/m³, by Tait over a parabola about 4 °C that is good to 2 in 10 000 below 40 °C. */
function density(kpa: number, t: number): number {
  const still = 1000 * (1 - ((t - 3.98) ** 2 * (t + 283)) / (503_570 * (t + 67.26)))
  return still / (1 - 0.315 * Math.log10(1 + kpa / 299_000 / (1 + (t - 20) / 2000)) * 0.999)
}

/** Gauge pressures at the times asked for, kPa. */
export function run(truth: Truth, times: readonly number[]): number[] {
  const t0 = truth.waterC
  const bore = truth.outsideMm - 2 * truth.wallMm
  // a closed thin tube: five quarters less the ratio, by the bore over the wall
  const stretch = ((bore + truth.wallMm) / truth.wallMm / (truth.modulusMPa * 1000)) * (1.25 - 0.4)
  const kelvin = 273.15
  const airAmount = (truth.airMl * AIR) / (t0 + kelvin)
  let p = truth.testKpa
  let crept = 0
  let airK = truth.airWarmK
  let lagged = 0
  let warmed = 0
  const room = (kpa: number) =>
    truth.volumeMl * (1 + stretch * (kpa - truth.testKpa) + 3 * truth.expansion * warmed) + crept
  const airAt = (kpa: number, share: number) =>
    (airAmount * share * (t0 + warmed + airK + kelvin)) / (Math.max(kpa, -90) + AIR)
  let share = 1
  let mass = ((truth.volumeMl - airAt(p, 1)) * density(p, t0)) / 1000
  const shown: number[] = []
  let time = 0
  for (const until of times) {
    for (; time < until - STEP / 2; time += STEP) {
      airK *= 1 - STEP / truth.airCoolsS
      lagged += ((truth.warmsK + (truth.driftsK * time) / 3600 - lagged) * STEP) / truth.lagsS[0]
      warmed += ((lagged - warmed) * STEP) / truth.lagsS[1]
      share = 1 - truth.dissolves * (1 - Math.exp(-time / 40_000))
      const age = (time + 45) / 3600
      crept +=
        truth.volumeMl *
        stretch *
        Math.max(0, p) *
        truth.creep.share *
        truth.creep.power *
        age ** (truth.creep.power - 1) *
        (STEP / 3600)
      const over = truth.streetKpa - p
      const comes = truth.slit
        ? over / truth.testKpa
        : Math.sign(over) * Math.sqrt(Math.abs(over) / truth.testKpa)
      const goes = p > 0 ? Math.sqrt(p / truth.testKpa) : 0
      mass += ((truth.seep * comes - truth.leak * goes) / 60) * STEP * (density(0, t0) / 1000)
      // the pressure at which water, air and pipe are of one size again: held between two, halved till it is found
      const small = (kpa: number) =>
        (mass * 1000) / density(kpa, t0 + warmed) + airAt(kpa, share) <= room(kpa)
      let wide = 0.5
      while (p - wide > -90 && !(small(p + wide) && !small(p - wide)) && wide < 4000) wide *= 4
      let [low, high] = [Math.max(-90, p - wide), Math.min(6000, p + wide)]
      while (high - low > 1e-3) {
        const middle = (low + high) / 2
        if (small(middle)) high = middle
        else low = middle
      }
      p = (low + high) / 2
      if (p < 0 && truth.leak > 0) {
        // a hole lets air in before it lets a vacuum be
        p = 0
        mass = ((room(0) - airAt(0, share)) * density(0, t0 + warmed)) / 1000
      }
    }
    shown.push(p)
  }
  return shown
}
