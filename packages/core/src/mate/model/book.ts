import { actsOf, closingSeconds, handsOnSeconds } from '../../assembly/methods/acts'
import { sparedByHeat } from '../../assembly/methods/heat'
import type { Pair } from '../../assembly/methods/pairs'
import type { Method, MethodId } from '../../assembly/methods/table'
import type { Reason } from '../../assembly/reason'
import type { ToolId } from '../../assembly/tools'
import type { Fitting } from '../../catalog/types'
import { faceMm } from '../../fitup/takeOut'
import {
  consumableCents,
  labourCents,
  methodBit,
  missingTools,
  openedCents,
  ownSeconds,
  partCents,
  setUpCents,
  setUpSeconds,
} from '../costs/costs'
import { BITS, bitOf, union } from '../costs/sets'
import type { MateSettings } from '../types'
import type { Group, Network } from './network'

/** Lengths are counted in hundredths of a millimetre, so that sums are exact. */
export const PER_MM = 100

/** What one part of a group would cost here, and what it adds to the line's length. */
export interface Choice {
  readonly part: Fitting
  readonly cents: number
  /** Pieces of it aboard. */
  readonly stock: number
  /** From one mouth or tip to the other, hundredths of a millimetre. */
  readonly lo: number
  readonly hi: number
  /** Of an elbow whose legs count, and of a trap: how much of that lies behind where both legs meet. */
  readonly behind: number
}

/** What one more joint costs, and what the rules say of it. */
export interface Weighed {
  readonly allowed: boolean
  readonly forbidden: readonly Reason[]
  readonly remarks: readonly Reason[]
  readonly cents: number
  readonly priceCents: number
  readonly seconds: number
  readonly riskPerMille: number
  readonly bit: number
  readonly tools: number
  readonly closeSeconds: number
  /** Of its hands, what is spared where the fitting is hot already from the joint before it, seconds and cents. */
  readonly spared: { readonly seconds: number; readonly cents: number }
  /** Bare stub the joint needs, hundredths of a millimetre; 0 away from the stub. */
  readonly need: number
  /** Insertion, hundredths of a millimetre. */
  readonly insLo: number
  readonly insHi: number
  /** One of its sides is turned to close it. */
  readonly turns: boolean
  /** It is made dry or not at all. */
  readonly needsDry: boolean
  /** How far two halves have to be apart for it to go together, hundredths of a millimetre; what is screwed never does so. */
  readonly apart: number
}

/** How long hands are busy with a joint, of that what one heat spares, and how long the water is off for it, seconds. */
export interface Hands {
  readonly seconds: number
  readonly spared: number
  readonly closeSeconds: number
}

/** What every joint of a method comes to, wherever it is made. */
export interface Standing {
  readonly priceCents: number
  readonly bit: number
}

export interface SetUp {
  readonly cents: number
  readonly openedCents: number
  readonly seconds: number
}

/**
 * What a shop's numbers make of a catalogue: prices, what is aboard, tools, set-up. The same for every line, so it is
 * kept from one question to the next.
 */
export class Book {
  readonly tripCents: number
  /** Joints away from the stub, by what else decides them. */
  private readonly joints = new Map<string, (Weighed | undefined)[]>()
  private readonly plain: (readonly Choice[] | undefined)[]
  private readonly measured: (readonly Choice[] | undefined)[]
  private readonly ofMethod = new Map<string, Standing>()
  private readonly handsOn = new Map<string, Hands>()
  private readonly setUps = new Map<number, SetUp>()
  private readonly toolBits = new Map<ToolId, number>()

  /** Shared by all books of the same prices and the same van: what was worked out from those alone is kept by it. */
  readonly kin: object

  constructor(
    readonly settings: MateSettings,
    private readonly improvised: boolean,
    /** A book of the same prices and the same van, whose choices of parts hold here too. */
    like?: Book,
  ) {
    this.plain = like?.plain ?? []
    this.measured = like?.measured ?? []
    this.placed = like?.placed ?? new Map()
    this.kin = like?.kin ?? {}
    this.tripCents = labourCents(settings.tripMinutes * 60, settings)
  }

  /** The parts that a place leaves of a group, by what else decides them. */
  private readonly placed: Map<string, Map<number, readonly Choice[]>>

  placedUnder(key: string): Map<number, readonly Choice[]> {
    let known = this.placed.get(key)
    if (!known) {
      known = new Map()
      if (this.placed.size >= MOST_PLACES) this.placed.clear()
      this.placed.set(key, known)
    }
    return known
  }

  jointsUnder(key: string): (Weighed | undefined)[] {
    let known = this.joints.get(key)
    if (!known) {
      known = []
      this.joints.set(key, known)
    }
    return known
  }

  standing(method: Method): Standing {
    const known = this.ofMethod.get(method.id)
    if (known) return known
    const made = {
      priceCents: consumableCents(method, this.settings),
      bit: methodBit(method.id),
    }
    this.ofMethod.set(method.id, made)
    return made
  }

  /**
   * The time that a joint takes, from its acts.
   *
   * @param atStub made on the old pipe
   * @param airC air at the place, degrees Celsius
   */
  hands({ method, tip, body }: Pair, atStub: boolean, airC: number | null | undefined): Hands {
    const key = `${method.id} ${tip.material} ${body.form} ${body.nominal} ${atStub} ${airC}`
    const known = this.handsOn.get(key)
    if (known) return known
    const acts = actsOf(method, {
      tubeMaterial: tip.material,
      atStub,
      body: body.form,
      nominal: body.nominal,
      airC,
      cure: this.settings.houseRules.cure,
      ownSeconds: ownSeconds(method.id, this.settings),
    })
    const made = {
      seconds: handsOnSeconds(acts),
      spared: sparedByHeat(acts),
      closeSeconds: closingSeconds(acts),
    }
    this.handsOn.set(key, made)
    return made
  }

  /** Methods as bits. */
  maskOf(methods: readonly MethodId[]): number {
    return methods.reduce((mask, id) => union(mask, methodBit(id)), 0)
  }

  /** What a set of methods comes to, once: cents in all, of that what is bought, and seconds. */
  setUp(mask: number): SetUp {
    let known = this.setUps.get(mask)
    if (known === undefined) {
      known = {
        cents: setUpCents(mask, this.settings),
        openedCents: openedCents(mask, this.settings),
        seconds: setUpSeconds(mask),
      }
      this.setUps.set(mask, known)
    }
    return known
  }

  /** Tools that are not aboard, as bits, so that sets of them can be compared at once. */
  toolMask(tools: readonly ToolId[]): number {
    let mask = 0
    for (const tool of missingTools(tools, this.settings)) {
      let bit = this.toolBits.get(tool)
      if (bit === undefined) {
        bit = bitOf(this.toolBits.size, `the tool ${tool}`, BITS)
        this.toolBits.set(tool, bit)
      }
      mask |= bit
    }
    return mask
  }

  /** Pieces of a part aboard. */
  stockOf(part: Fitting): number {
    return this.settings.partsAboard[part.id] ?? 0
  }

  /**
   * The parts of a group that could be the right one, whatever the place. Lengths only where they count.
   */
  choices(group: Group, withLengths: boolean): readonly Choice[] {
    const store = withLengths ? this.measured : this.plain
    const known = store[group.id]
    if (known) return known
    const made = this.choose(group, withLengths)
    store[group.id] = made
    return made
  }

  /**
   * What is left out has others that are as cheap and as adaptable, and of those enough are aboard; what is not aboard
   * itself has one. Where no length counts that leaves at most two.
   *
   * @param most pieces of the group's parts that may be asked for, where they are counted
   */
  choose(
    group: Group,
    withLengths: boolean,
    fits: (part: Fitting) => boolean = () => true,
    most = 1,
  ): readonly Choice[] {
    const all: Choice[] = []
    for (const part of group.parts) {
      if ((part.standing && !this.improvised) || !fits(part)) continue
      const [lo, hi] = withLengths ? this.lengthOf(part, group) : NO_LENGTH
      const behind =
        withLengths && (group.turn > 0 || group.role === 'p-trap') ? this.behindOf(part, group, hi) : 0
      all.push({ part, cents: partCents(part, this.settings), stock: this.stockOf(part), lo, hi, behind })
    }
    // most groups are of one part
    if (all.length < 2) return all
    // the cheapest first, so that what may beat another is there before it
    all.sort((a, b) => a.cents - b.cents)
    const kept: Choice[] = []
    for (const choice of all) {
      const better = kept.filter(
        ({ lo, hi, behind }) => lo <= choice.lo && hi >= choice.hi && behind === choice.behind,
      )
      const pieces = better.reduce((sum, { stock }) => sum + stock, 0)
      if (better.length === 0 || (choice.stock > 0 && pieces < most)) kept.push(choice)
    }
    return kept
  }

  /** Of an elbow or a trap, what lies behind the place where both legs meet, hundredths of a millimetre. */
  private behindOf(part: Fitting, group: Group, length: number): number {
    const typical = endToEndMm(part, [group.inPort, group.outPort])
    return Math.round(length * (typical > 0 ? faceMm(part, group.outPort) / typical : 0))
  }

  /** Between the mouths or tips of a part's two ends, least and most, hundredths of a millimetre. */
  private lengthOf(part: Fitting, group: Group): readonly [number, number] {
    if (part.lengthMm && (group.role === 'connector' || part.family === 'tube-piece'))
      return [Math.round(part.lengthMm.min * PER_MM), Math.round(part.lengthMm.max * PER_MM)]
    if (group.outPort < 0) return NO_LENGTH
    const own = this.settings.layingMm?.[part.id]
    const typical = endToEndMm(part, [group.inPort, group.outPort])
    const length = Math.round((typical + (own === undefined ? 0 : own - part.layingMm)) * PER_MM)
    return [length, length]
  }
}

const NO_LENGTH: readonly [number, number] = [0, 0]

/** From one end of a part to another, through its middle, mm; by its first two ends where none are named. */
export function endToEndMm(part: Fitting, ports: readonly number[] = [0, 1]): number {
  return ports.reduce((sum, port) => sum + faceMm(part, port), 0)
}

/** Places kept: each length that is typed in is one. */
const MOST_PLACES = 60

/** Books kept: the shop's own, and what it becomes when a rule or a tool is tried out. */
const MOST_BOOKS = 6
const byText = new WeakMap<Network, Map<string, Book>>()
const byObject = new WeakMap<Network, WeakMap<MateSettings, Map<string, Book>>>()

const ORIGINS = new WeakMap<MateSettings, MateSettings>()

/** Says of numbers that they differ from others in rules and tools only, so that much need not be worked out again. */
export function deriveSettings(
  from: MateSettings,
  patch: Pick<MateSettings, 'houseRules'> | Pick<MateSettings, 'toolsAboard'>,
): MateSettings {
  const made = { ...from, ...patch }
  ORIGINS.set(made, ORIGINS.get(from) ?? from)
  return made
}

/** The book of a shop's numbers over a network; the same numbers give the same book. */
export function bookOf(network: Network, settings: MateSettings, improvised: boolean): Book {
  const how = String(improvised)
  let objects = byObject.get(network)
  if (!objects) {
    objects = new WeakMap()
    byObject.set(network, objects)
  }
  const same = objects.get(settings)?.get(how)
  if (same) return same
  const origin = ORIGINS.get(settings)
  if (origin) {
    const like = bookOf(network, origin, improvised)
    const made = new Book(settings, improvised, like)
    objects.set(settings, (objects.get(settings) ?? new Map()).set(how, made))
    return made
  }
  let texts = byText.get(network)
  if (!texts) {
    texts = new Map()
    byText.set(network, texts)
  }
  const key = how + JSON.stringify(settings)
  const known = texts.get(key) ?? new Book(settings, improvised)
  texts.delete(key)
  texts.set(key, known)
  if (texts.size > MOST_BOOKS) texts.delete(texts.keys().next().value as string)
  objects.set(settings, (objects.get(settings) ?? new Map()).set(how, known))
  return known
}
