// The best that anyone could say of a case after the same answers: the posterior of the described world, worked out
// by plain numerical integration over the shared shift. Shares no code with the product's inference.
import { type Observation, PIPES, type Pipe } from '@diarmos/core'
import { JOINT_KINDS, SIGN_ANSWERS } from '@diarmos/core/answers'
import { SURFACE_IDS } from '../../packages/core/src/identify/instruments'
import { type ActualRegion, type Carried, isOfRegion } from '../../packages/core/src/identify/tables/shares'
import { isMetal } from '../../packages/core/src/reference/materials'
import { TOLD } from './tables'
import { type Case, ERAS } from './world'

const WIDTH = 4.5
const LEAST_NODES = 81

const gauss = (x: number, sd: number) => Math.exp(-0.5 * (x / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI))

function spreadOut(
  weights: Readonly<Record<string, number>>,
  answers: readonly string[],
  answer: string,
): number {
  const total = answers.reduce((sum, other) => sum + (weights[other] ?? 0), 0)
  const error = Math.max(1 - total, 0.004)
  return ((weights[answer] ?? 0) + error / answers.length) / (total + error)
}

interface Read {
  readonly mm: number
  readonly sd: number
  readonly wild: number
}

/** Density of readings of one quantity: mean, sd of what they share, scatter of what they do not. */
function density(reads: readonly Read[], mean: number, shared: number, scatter: number): number {
  const at = (sd: number, own: number) => {
    if (sd === 0) return product(0, own)
    // fine enough for the sharpest reading
    const sharpest = Math.min(...reads.map((read) => Math.hypot(read.sd, own)))
    const nodes = Math.max(LEAST_NODES, Math.ceil((2 * WIDTH * sd) / (sharpest / 3)))
    let sum = 0
    for (let node = 0; node < nodes; node++) {
      const z = -WIDTH + (2 * WIDTH * node) / (nodes - 1)
      sum += gauss(z, 1) * product(z * sd, own)
    }
    return (sum * 2 * WIDTH) / (nodes - 1)
  }
  const product = (shift: number, own: number) =>
    reads.reduce(
      (all, { mm, sd, wild }) =>
        all * ((1 - wild) * gauss(mm - mean - shift, Math.hypot(sd, own)) + wild / 120),
      1,
    )
  return scatter === 0 ? at(shared, 0) : (at(shared, scatter) + at(Math.hypot(shared, scatter), 0)) / 2
}

function readsOf(observations: readonly Observation[], kind: string, wild: number | null): Read[] {
  return observations.flatMap((o) => {
    if (o.kind !== kind || !('instrument' in o)) return []
    const model = TOLD.instruments[o.instrument]
    const scale = model.reads === 'circumference' && kind === 'outside' ? Math.PI : 1
    const sd = Math.sqrt(model.sdMm ** 2 + o.resolutionMm ** 2 / 12) / scale
    return [
      {
        mm: (o.mm - model.biasMm) / scale,
        sd: kind === 'bore' ? Math.hypot(sd, 0.15) : sd,
        wild: wild ?? model.wild,
      },
    ]
  })
}

function signOf(pipe: Pipe, surface: string, sign: string, answer: string): number {
  const answers = SIGN_ANSWERS[sign as 'magnet'] as readonly string[]
  const { material } = pipe
  switch (sign) {
    case 'magnet':
      return spreadOut(TOLD.magnet[material], answers, answer)
    case 'scratch':
      return spreadOut(TOLD.scratch[material], answers, answer)
    case 'tap':
      return spreadOut(TOLD.tap[material], answers, answer)
    case 'shaving-colour':
      return spreadOut(TOLD.shavingColour(material), answers, answer)
    case 'flex':
      return spreadOut(pipe.temper ? TOLD.flexSoft : TOLD.flex[material], answers, answer)
    case 'print-colour': {
      const shown =
        material.startsWith('copper') && pipe.system !== 'metric' ? TOLD.printColour[pipe.grade] : undefined
      const bare = surface === 'clean' || !isMetal(material)
      return spreadOut(bare ? (shown ?? TOLD.noPrintColour) : TOLD.noPrintColour, answers, answer)
    }
    default: {
      const plain = spreadOut(TOLD.colour[material], answers, answer)
      if (surface === 'wrapped') return 1 / answers.length
      if (surface === 'painted')
        return answer === 'painted'
          ? 0.8
          : (0.2 * plain) / (1 - spreadOut(TOLD.colour[material], answers, 'painted'))
      if (surface === 'corroded' && material.startsWith('copper'))
        return spreadOut(TOLD.greenColour, answers, answer)
      if (surface === 'rusted') return spreadOut(TOLD.rustColour, answers, answer)
      return plain
    }
  }
}

/** Posterior of each pipe of the tables, in their order, then of none. Prints are left out: ask without them. */
export function oracle(at: Case, observations: readonly Observation[], wild: number | null): number[] {
  const era = ERAS.indexOf(at.era)
  const value = (shares: number | readonly number[] | undefined, missing: number) =>
    shares === undefined ? missing : typeof shares === 'number' ? shares : (shares[era] as number)
  const outside = readsOf(observations, 'outside', wild)
  const walls = readsOf(observations, 'wall', wild)
  const bores = readsOf(observations, 'bore', wild)
  const signs = observations.filter((o) => o.kind === 'sign')
  const weights = PIPES.map(() => 0)
  const byDiameter = new Map<string, number>()

  const variant = (pipe: Pipe) => {
    const shares = TOLD.variantShares[pipe.material]
    if (!shares) return 1
    const metric = pipe.material === 'copper' && pipe.system === 'metric'
    const thick = pipe.id.includes('.thin.') ? 'thin hard' : 'thick hard'
    const name = metric ? (pipe.temper ? 'thick soft' : thick) : pipe.grade
    return value(shares[name] ?? shares[`${pipe.grade} ${pipe.temper ?? 'hard'}`], 1)
  }
  // one eye in fifty is on another thing: any kind alike, and on that kind any look alike
  const ofTheSpot = signs.filter((o) => !o.sign.startsWith('joint') && o.sign !== 'carries')
  const things = new Map<string, Map<string, number>>()
  for (const pipe of PIPES) {
    const printed = pipe.material.startsWith('copper') && pipe.system !== 'metric' ? pipe.grade : ''
    const seen = ofTheSpot.reduce((p, o) => p * signOf(pipe, 'clean', o.sign, o.answer), 1)
    const looks = things.get(pipe.material) ?? new Map<string, number>()
    things.set(pipe.material, looks.set(`${pipe.temper} ${printed}`, seen))
  }
  const meanOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  const elsewhere = meanOf([...things.values()].map((looks) => meanOf([...looks.values()])))
  const like = PIPES.map((pipe) => {
    let sum = 0
    SURFACE_IDS.forEach((id, place) => {
      const share = TOLD.surfaceShares(pipe.material)[place] as number
      if (share === 0) return
      const s = TOLD.surfaces[id]
      let own = 1
      for (const o of ofTheSpot) own *= signOf(pipe, id, o.sign, o.answer)
      let p = share * ((1 - TOLD.misled) * own + TOLD.misled * elsewhere)
      if (outside.length > 0) {
        const key = `${pipe.odMm} ${pipe.odToleranceMm} ${id}`
        const known =
          byDiameter.get(key) ??
          density(outside, pipe.odMm + s.biasMm, Math.hypot(pipe.odToleranceMm / 2, s.sdMm), s.scatterMm)
        byDiameter.set(key, known)
        p *= known
      }
      if (walls.length > 0)
        p *= density(
          walls,
          pipe.wallMm + s.wallBiasMm,
          Math.hypot(pipe.wallToleranceMm / 2, s.wallSdMm, 0.05),
          0,
        )
      if (bores.length > 0) {
        const tolerance = Math.hypot(pipe.odToleranceMm, 2 * pipe.wallToleranceMm)
        p *= density(bores, pipe.odMm - 2 * pipe.wallMm, Math.hypot(tolerance / 2, 2 * s.wallSdMm), 0)
      }
      sum += p
    })
    const joints = signs.filter((o) => o.sign.startsWith('joint'))
    if (joints.length > 0)
      sum *= JOINT_KINDS.reduce((all, joint) => {
        let p = spreadOut(TOLD.jointShare[pipe.material], JOINT_KINDS, joint)
        for (const { sign, answer } of joints) {
          const answers = SIGN_ANSWERS[sign] as readonly string[]
          const { nut, band, seam, turns } = TOLD.joints[joint]
          p *=
            sign === 'joint'
              ? answer === joint
                ? TOLD.namedRightly
                : (1 - TOLD.namedRightly) / (answers.length - 1)
              : spreadOut(
                  { 'joint-nut': nut, 'joint-band': band, 'joint-seam': seam, 'joint-turns': turns }[
                    sign as 'joint-nut'
                  ],
                  answers,
                  answer,
                )
        }
        return all + p
      }, 0)
    return sum
  })
  const said = signs.filter((o) => o.sign === 'carries')
  for (const region of ['north-america', 'metric'] as const satisfies readonly ActualRegion[])
    for (const [medium, share] of Object.entries(TOLD.mediumOfService[at.service]) as [Carried, number][]) {
      const here = PIPES.map((pipe, index) => ({ pipe, index })).filter(({ pipe }) =>
        isOfRegion(pipe.system, pipe.material, region),
      )
      const kinds = new Map<string, number>()
      const within = here.map(({ pipe }) => {
        const weight = TOLD.sizeShare(medium, pipe.system, pipe.nominal) * variant(pipe)
        kinds.set(pipe.material, (kinds.get(pipe.material) ?? 0) + weight)
        return weight
      })
      const shares = here.map(
        ({ pipe }, place) =>
          (Math.max(value(TOLD.materialShares[region][medium][pipe.material], 0), TOLD.strayShare) *
            (within[place] as number)) /
          (kinds.get(pipe.material) as number),
      )
      const total = shares.reduce((sum, entry) => sum + entry, 0)
      const heard = said.reduce(
        (p, { answer }) => p * spreadOut(TOLD.carries[medium], SIGN_ANSWERS.carries, answer),
        1,
      )
      here.forEach(({ index }, place) => {
        weights[index] =
          (weights[index] as number) +
          (0.98 *
            TOLD.regionOf[at.region][region] *
            share *
            heard *
            (shares[place] as number) *
            (like[index] as number)) /
            total
      })
    }
  let none = 0.02
  for (const o of signs) none /= SIGN_ANSWERS[o.sign].length
  if (outside.length > 0) none *= density(outside, 40, 30, 0.2)
  if (walls.length > 0) none *= density(walls, 3, 2, 0.1)
  if (bores.length > 0) none *= density(bores, 40, 30, 0.2)
  const all = weights.reduce((sum, weight) => sum + weight, none)
  return [...weights.map((weight) => weight / all), none / all]
}
