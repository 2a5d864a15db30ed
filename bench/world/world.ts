// Houses with pipes in them, and people who look at them, drawn from the product's published data or from another
// world's (tables.ts, own.ts) by code of its own; no likelihood is imported.
import { type Era, type Observation, PIPES, type Pipe, type PipeMaterial, type Region } from '@diarmos/core'
import { JOINT_KINDS, type JointKind, SIGN_ANSWERS } from '@diarmos/core/answers'
import { SURFACE_IDS } from '../../packages/core/src/identify/instruments'
import { printWords } from '../../packages/core/src/identify/tables/prints'
import {
  type ActualRegion,
  type Carried,
  isOfRegion,
  type MEDIUM_OF_SERVICE,
} from '../../packages/core/src/identify/tables/shares'
import { isFerrous, isMetal } from '../../packages/core/src/reference/materials'
import { OWN } from './own'
import type { Random } from './random'
import { type Tables, TOLD } from './tables'

export const ERAS: readonly Era[] = [
  'before-1940',
  '1940-1965',
  '1965-1978',
  '1978-1995',
  '1995-2010',
  'since-2010',
]
type Declared = keyof typeof MEDIUM_OF_SERVICE

/** How the world departs from what the product was told. */
export interface Departure {
  /** What it is made of. */
  readonly tables: Tables
  /** Chance of a wild reading; null: as each instrument's data say. */
  readonly wild: number | null
  /** Errors of instruments and answers, as a factor. */
  readonly errors: number
  /** Chance that the declared region is simply wrong; null: as the data say. */
  readonly wrongRegion: number | null
  /** Paint thicker and shared, as a factor on its bias. */
  readonly paint: number
  /** Share of pipes that are in no table. */
  readonly none: number
}
export const AS_DESCRIBED: Departure = {
  tables: TOLD,
  wild: null,
  errors: 1,
  wrongRegion: null,
  paint: 1,
  none: 0.02,
}
export const MANY_WILD: Departure = { ...AS_DESCRIBED, wild: 0.1 }
export const MISSPECIFIED: Departure = {
  tables: TOLD,
  wild: 0.1,
  errors: 1.5,
  wrongRegion: 0.05,
  paint: 1.8,
  none: 0.02,
}

/** What was never the product's: its looks, its people, its shares. */
export const OWN_TABLES: Departure = { ...AS_DESCRIBED, tables: OWN }

export interface Case {
  readonly era: Era
  readonly region: Exclude<Region, 'unknown'>
  readonly service: Declared
  /** Null: a pipe of no table. */
  readonly pipe: Pipe | null
  readonly medium: Carried
  readonly joint: JointKind
  readonly surface: (typeof SURFACE_IDS)[number]
  readonly diameterMm: number
  /** Unevenness is met at one spot, or round about. */
  readonly oneSpot: boolean
  readonly spotMm: number
  /** Whoever looks at it has the eye on another thing. */
  readonly lookedAt: Pipe | null
}

const eraPlace = (era: Era) => ERAS.indexOf(era)
const inEra = (value: number | readonly number[] | undefined, era: Era, missing: number): number =>
  value === undefined ? missing : typeof value === 'number' ? value : (value[eraPlace(era)] as number)

function variant({ variantShares }: Tables, pipe: Pipe, era: Era): number {
  const shares = variantShares[pipe.material]
  if (!shares) return 1
  const names =
    pipe.material === 'copper' && pipe.system === 'metric'
      ? [pipe.temper ? 'thick soft' : pipe.id.includes('.thin.') ? 'thin hard' : 'thick hard']
      : [pipe.grade, `${pipe.grade} ${pipe.temper ?? 'hard'}`]
  const name = names.find((entry) => shares[entry] !== undefined)
  return name ? inEra(shares[name], era, 1) : 1
}

const POPULATIONS = new Map<string, (readonly [Pipe, number])[]>()

/** Pipes of one medium, region and era with how common they are. */
function population(
  tables: Tables,
  medium: Carried,
  region: ActualRegion,
  era: Era,
): (readonly [Pipe, number])[] {
  const key = `${tables.name} ${medium} ${region} ${era}`
  const known = POPULATIONS.get(key)
  if (known) return known
  const here = PIPES.filter((pipe) => isOfRegion(pipe.system, pipe.material, region))
  const weight = (pipe: Pipe) =>
    tables.sizeShare(medium, pipe.system, pipe.nominal) * variant(tables, pipe, era)
  const made = here.map((pipe): readonly [Pipe, number] => {
    const kind = here
      .filter((other) => other.material === pipe.material)
      .reduce((sum, other) => sum + weight(other), 0)
    const share = Math.max(
      inEra(tables.materialShares[region][medium][pipe.material], era, 0),
      tables.strayShare,
    )
    return [pipe, (share * weight(pipe)) / kind]
  })
  POPULATIONS.set(key, made)
  return made
}

/** One place in one house. */
export function drawCase(
  random: Random,
  departure: Departure,
  declared?: { service: Declared; region: Case['region'] },
): Case {
  const { tables } = departure
  const era = random.pick(ERAS)
  const region = declared?.region ?? (random.chance(0.8) ? 'north-america' : 'metric')
  const service =
    declared?.service ??
    random.weighted<Declared>([
      ['cold', 0.36],
      ['hot', 0.32],
      ['drain', 0.24],
      ['vent', 0.04],
      ['unknown', 0.04],
    ])
  const regions = tables.regionOf[region]
  const wrong = departure.wrongRegion
  const other = region === 'metric' ? 'north-america' : 'metric'
  const actual: ActualRegion = random.chance(wrong ?? regions[other]) ? other : region
  const medium = random.weighted(Object.entries(tables.mediumOfService[service]) as [Carried, number][])
  const real = random.weighted(population(tables, medium, actual, era))
  const none = random.chance(departure.none)
  const pipe = none ? null : real
  const surface = none
    ? 'clean'
    : random.weighted(
        SURFACE_IDS.map((id, place) => [id, tables.surfaceShares(real.material)[place] as number] as const),
      )
  const { biasMm, sdMm, scatterMm } = tables.surfaces[surface]
  const paint = surface === 'painted' ? departure.paint : 1
  const shift = biasMm * paint + sdMm * random.normal()
  // a tolerance is two standard deviations
  const own = none
    ? 40 + 30 * random.normal()
    : real.odMm + (real.odToleranceMm / 2) * random.normal() + shift
  const joint = drawJoint(random, real.material, departure)
  const misled = !none && random.chance(tables.misled)
  return {
    era,
    region,
    service,
    pipe,
    medium,
    joint,
    surface,
    diameterMm: Math.max(2, own),
    oneSpot: random.chance(0.5),
    spotMm: scatterMm * random.normal(),
    lookedAt: misled ? anotherThing(random) : null,
  }
}

/** Any kind alike, and any pipe of it. */
function anotherThing(random: Random): Pipe {
  const material = random.pick([...new Set(PIPES.map((pipe) => pipe.material))])
  return random.pick(PIPES.filter((pipe) => pipe.material === material))
}

/** An answer by weights, what is left over spread evenly over all; errors grow by a factor. */
function answerBy(
  random: Random,
  weights: Readonly<Record<string, number>>,
  answers: readonly string[],
  factor: number,
) {
  const total = answers.reduce((sum, answer) => sum + (weights[answer] ?? 0), 0)
  const error = Math.max(1 - total, 0.004) * factor
  return random.weighted(
    answers.map((answer) => [answer, (weights[answer] ?? 0) + error / answers.length] as const),
  )
}

function drawJoint(random: Random, material: PipeMaterial, departure: Departure): JointKind {
  return answerBy(random, departure.tables.jointShare[material], JOINT_KINDS, departure.errors) as JointKind
}

function pipeSign(random: Random, at: Case, sign: string, { errors, tables }: Departure): string {
  const pipe = at.lookedAt ?? at.pipe
  const surface = at.lookedAt ? 'clean' : at.surface
  const answers = SIGN_ANSWERS[sign as 'magnet'] as readonly string[]
  // what is in no table may look like anything
  if (!pipe) return random.pick(answers)
  const { material } = pipe
  const by = (weights: Readonly<Record<string, number>>) => answerBy(random, weights, answers, errors)
  switch (sign) {
    case 'magnet':
      return by(tables.magnet[material])
    case 'scratch':
      return by(tables.scratch[material])
    case 'tap':
      return by(tables.tap[material])
    case 'shaving-colour':
      return by(tables.shavingColour(material))
    case 'flex':
      return by(pipe.temper ? tables.flexSoft : tables.flex[material])
    case 'print-colour': {
      const shown =
        material.startsWith('copper') && pipe.system !== 'metric' ? tables.printColour[pipe.grade] : undefined
      const bare = surface === 'clean' || !isMetal(material)
      return by(bare ? (shown ?? tables.noPrintColour) : tables.noPrintColour)
    }
    default: {
      if (surface === 'wrapped') return random.pick(answers)
      if (surface === 'painted') {
        if (random.chance(0.8)) return 'painted'
        let seen = by(tables.colour[material])
        while (seen === 'painted') seen = by(tables.colour[material])
        return seen
      }
      if (surface === 'corroded' && material.startsWith('copper')) return by(tables.greenColour)
      if (surface === 'rusted' && isFerrous(material)) return by(tables.rustColour)
      return by(tables.colour[material])
    }
  }
}

function jointSign(
  random: Random,
  { joint, pipe }: Case,
  sign: string,
  { errors, tables }: Departure,
): string {
  const answers = SIGN_ANSWERS[sign as 'joint-nut'] as readonly string[]
  if (!pipe) return random.pick(answers)
  if (sign === 'joint') {
    if (random.chance(1 - (1 - tables.namedRightly) * errors)) return joint
    return random.pick(answers.filter((answer) => answer !== joint))
  }
  const looks = tables.joints[joint]
  const weights = {
    'joint-nut': looks.nut,
    'joint-band': looks.band,
    'joint-seam': looks.seam,
    'joint-turns': looks.turns,
  }
  return answerBy(random, weights[sign as 'joint-nut'], answers, errors)
}

const CHARACTERS = 'ABCDEFGHKLMNPRSTX0123456789'

/** What can be read of a print: some of the words, some letters wrong; nothing where it has gone. */
function readPrint(random: Random, at: Case, { errors, tables }: Departure): string {
  const pipe = random.chance(tables.printOfAnother) ? random.pick(PIPES) : at.pipe
  if (!pipe || !random.chance(tables.legible(pipe.material))) return '-'
  const read = printWords(pipe).filter(() => random.chance(0.6))
  if (read.length === 0) return '-'
  return read
    .map((word) =>
      [...word]
        .map((letter) => (random.chance(0.04 * errors) ? random.pick([...CHARACTERS]) : letter))
        .join(''),
    )
    .join(' ')
}

const RESOLUTION: Readonly<Record<string, number>> = {
  caliper: 0.0254,
  tape: 25.4 / 16,
  string: 25.4 / 16,
  'paper-strip': 1,
  'screen-gauge': 0.1,
}
const quantise = (mm: number, step: number) => Math.round(mm / step) * step

/** Asks a person at the place a question of the product, and gives what they enter. */
export function observe(
  random: Random,
  at: Case,
  question: string,
  id: string,
  departure: Departure,
): Observation {
  const [kind = '', what = ''] = question.split(':')
  const { errors, tables } = departure
  if (kind === 'print') return { id, kind: 'print', text: readPrint(random, at, departure) }
  if (kind === 'sign') {
    const answer =
      what === 'carries'
        ? at.pipe
          ? answerBy(random, tables.carries[at.medium], SIGN_ANSWERS.carries, errors)
          : random.pick(SIGN_ANSWERS.carries)
        : what.startsWith('joint')
          ? jointSign(random, at, what, departure)
          : pipeSign(random, at, what, departure)
    return { id, kind: 'sign', sign: what as 'magnet', answer }
  }
  const model = tables.instruments[what as 'caliper']
  const resolutionMm = RESOLUTION[what] ?? 0.1
  const round = model.reads === 'circumference' && kind === 'outside'
  const uneven = tables.surfaces[at.surface]
  let true_ = at.diameterMm + (at.oneSpot ? at.spotMm : uneven.scatterMm * random.normal())
  let extra = 0
  if (kind === 'wall') {
    const wall = at.pipe
      ? at.pipe.wallMm +
        uneven.wallBiasMm +
        Math.hypot(at.pipe.wallToleranceMm / 2, uneven.wallSdMm, 0.05) * random.normal()
      : 3 + 2 * random.normal()
    true_ = Math.max(0.2, wall)
  }
  if (kind === 'bore') {
    const spread = at.pipe
      ? Math.hypot(Math.hypot(at.pipe.odToleranceMm, 2 * at.pipe.wallToleranceMm) / 2, 2 * uneven.wallSdMm)
      : 30
    true_ = Math.max(1, (at.pipe ? at.pipe.odMm - 2 * at.pipe.wallMm : 40) + spread * random.normal())
    extra = 0.15
  }
  const wild = random.chance(departure.wild ?? model.wild)
  const noise = Math.hypot(model.sdMm, extra) * errors * random.normal()
  const diameter = wild ? random.next() * 120 : true_
  const reading = (round ? Math.PI * diameter : diameter) + (wild ? 0 : model.biasMm + noise)
  return {
    id,
    kind: kind as 'outside',
    instrument: what as 'caliper',
    mm: Math.max(resolutionMm, quantise(reading, resolutionMm)),
    resolutionMm,
  }
}
