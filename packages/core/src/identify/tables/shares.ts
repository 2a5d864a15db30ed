import type { DimensionalSystem, NominalSize, PipeMaterial } from '../../reference/types'
import { isMetricSystem } from '../../reference/types'
import type { Service } from '../answers'

/**
 * What is usual. All figures here are common practice: rough shares meant to be corrected by a shop's own finds,
 * of 100 unless said otherwise, by the era in which the house was last piped:
 * before 1940 · 1940–1965 · 1965–1978 · 1978–1995 · 1995–2010 · since 2010.
 */
export type ByEra = readonly [number, number, number, number, number, number]
export type Carried = 'cold' | 'hot' | 'waste' | 'vent' | 'gas' | 'refrigerant' | 'sprinkler'
export type ActualRegion = 'north-america' | 'metric'

const same = (value: number): ByEra => [value, value, value, value, value, value]
type Shares = Readonly<Partial<Record<PipeMaterial, ByEra>>>

const SUPPLY_NA: Shares = {
  copper: [44, 54, 72, 66, 54, 29],
  'galvanised-steel': [32, 28, 10, 1.5, 0.5, 0.3],
  'black-steel': same(0.25),
  brass: [8, 4, 1, 0.7, 0.8, 0.6],
  lead: [5, 1, 0.2, 0.1, 0.05, 0.02],
  stainless: [0.05, 0.05, 0.1, 0.1, 0.2, 0.3],
  'chromed-supply': [3, 3, 3, 3, 3, 2.5],
  cpvc: [3, 3, 5, 9, 16, 10],
  'pex-a': [3, 2.5, 2, 2, 9, 23],
  'pex-b': [4, 3.5, 3, 3, 14, 31],
  'pex-c': [0.3, 0.3, 0.3, 0.4, 1.5, 3],
  'pex-aluminium': [0.2, 0.2, 0.2, 0.3, 1, 0.8],
  polybutylene: [1, 1, 2, 15, 0.5, 0.1],
  polyethylene: [0.5, 0.7, 1, 1, 1, 1],
  pvc: [0.3, 0.4, 0.8, 1, 1, 0.8],
}
const SUPPLY_METRIC: Shares = {
  copper: [60, 72, 80, 74, 60, 48],
  'galvanised-steel': [12, 10, 6, 3, 1, 0.5],
  'black-steel': same(0.3),
  brass: same(0.2),
  lead: [14, 5, 1, 0.4, 0.2, 0.1],
  stainless: [0.5, 0.5, 1, 1.5, 3, 5],
  'chromed-supply': same(1),
  cpvc: same(0.3),
  'pex-a': [2, 2, 2, 3, 8, 12],
  'pex-b': [3, 3, 3, 5, 10, 12],
  'pex-aluminium': [1, 1, 1, 2, 8, 14],
  polybutylene: [2, 2, 2, 5, 8, 9],
  polyethylene: [2, 3, 3, 4, 5, 5],
  pvc: same(0.4),
}
const WASTE_NA: Shares = {
  'cast-iron': [52, 50, 24, 8, 6, 5],
  'lead-waste': [10, 3, 0.5, 0.1, 0.05, 0.02],
  'galvanised-steel': [18, 18, 8, 2, 1, 0.5],
  'copper-drain': [4, 10, 16, 3, 1, 0.3],
  brass: [1.5, 1, 0.5, 0.2, 0.1, 0.1],
  'abs-drain': [2, 2, 28, 28, 20, 18],
  'pvc-drain': [4, 5, 14, 46, 60, 66],
  pvc: same(0.5),
  'pvc-sewer': [0.3, 0.3, 1, 1.5, 1.5, 1.5],
  'tubular-brass': [4, 6, 5, 3, 2, 1.5],
  'tubular-plastic': [3, 4, 4, 5, 6, 6],
  clay: [1.5, 1.2, 0.4, 0.1, 0.05, 0.05],
  cement: [0.5, 1, 0.5, 0.1, 0.05, 0.05],
}
const WASTE_METRIC: Shares = {
  'cast-iron': [45, 38, 15, 6, 4, 3],
  'lead-waste': [22, 8, 2, 0.5, 0.2, 0.1],
  copper: [3, 6, 3, 0.5, 0.2, 0.1],
  'galvanised-steel': [4, 3, 1, 0.3, 0.2, 0.1],
  'waste-solvent': [10, 20, 40, 44, 40, 36],
  'waste-push-fit': [12, 20, 34, 46, 52, 58],
  clay: [5, 4, 2, 0.5, 0.3, 0.2],
  cement: [1, 2, 1, 0.3, 0.1, 0.1],
}
const VENT_NA: Shares = {
  'cast-iron': [50, 48, 22, 8, 5, 4],
  'galvanised-steel': [30, 25, 12, 3, 1.5, 1],
  'copper-drain': [4, 10, 14, 3, 1, 0.3],
  'lead-waste': [2, 1, 0.2, 0.1, 0.1, 0.1],
  'abs-drain': [2, 2, 27, 27, 20, 18],
  'pvc-drain': [5, 6, 18, 55, 70, 75],
  cement: [0.5, 1, 0.5, 0.1, 0.05, 0.05],
}
const VENT_METRIC: Shares = {
  'cast-iron': [60, 45, 15, 6, 4, 3],
  'lead-waste': [15, 6, 1, 0.3, 0.1, 0.1],
  'waste-solvent': [10, 22, 40, 42, 40, 40],
  'waste-push-fit': [10, 20, 35, 45, 50, 52],
  cement: [2, 4, 2, 0.5, 0.2, 0.1],
}
const GAS_NA: Shares = {
  'black-steel': [86, 88, 88, 82, 70, 62],
  'galvanised-steel': [4, 4, 3, 2, 1, 1],
  'corrugated-stainless': [0.2, 0.2, 0.5, 6, 20, 30],
  copper: [5, 4, 4, 4, 3, 2],
  'copper-refrigeration': same(1),
  brass: same(1),
  'polyethylene-gas': [1, 1, 2, 4, 5, 5],
}
const GAS_METRIC: Shares = {
  copper: [40, 45, 55, 60, 60, 55],
  'black-steel': [50, 45, 35, 25, 15, 12],
  'galvanised-steel': [2, 2, 2, 1, 1, 1],
  'polyethylene-gas': [2, 3, 5, 10, 15, 18],
  'corrugated-stainless': [0.1, 0.1, 0.1, 1, 5, 8],
  lead: [5, 3, 1, 0.1, 0.1, 0.1],
}
const REFRIGERANT: Shares = { 'copper-refrigeration': same(96), copper: same(4) }
const SPRINKLER: Shares = {
  'sprinkler-steel': [60, 60, 58, 50, 40, 35],
  'black-steel': [30, 30, 28, 20, 12, 10],
  'cpvc-sprinkler': [0.2, 0.2, 0.5, 20, 38, 45],
  copper: same(2),
  'pex-a': [0, 0, 0, 0, 0.5, 4],
}

export const MATERIAL_SHARES: Readonly<Record<ActualRegion, Readonly<Record<Carried, Shares>>>> = {
  'north-america': {
    cold: SUPPLY_NA,
    // what does not stand heat is not in hot lines
    hot: { ...SUPPLY_NA, polyethylene: same(0.05), pvc: same(0.05) },
    waste: WASTE_NA,
    vent: VENT_NA,
    gas: GAS_NA,
    refrigerant: REFRIGERANT,
    sprinkler: SPRINKLER,
  },
  metric: {
    cold: SUPPLY_METRIC,
    hot: { ...SUPPLY_METRIC, polyethylene: same(0.1), pvc: same(0.05) },
    waste: WASTE_METRIC,
    vent: VENT_METRIC,
    gas: GAS_METRIC,
    refrigerant: REFRIGERANT,
    sprinkler: SPRINKLER,
  },
}

/** What each kind is made for, where that is no water: nothing for water is joined to it. */
const NO_WATER: Readonly<Partial<Record<PipeMaterial, Carried>>> = {
  'black-steel': 'gas',
  'corrugated-stainless': 'gas',
  'polyethylene-gas': 'gas',
  'copper-refrigeration': 'refrigerant',
  'sprinkler-steel': 'sprinkler',
  'cpvc-sprinkler': 'sprinkler',
}

/**
 * What a kind is made for, where it cannot serve a line: fuel gas, refrigerant, sprinklers; on a line that brings
 * water, drains too. Null where it may serve. Common practice: a supply kind is one that some age piped with.
 */
export function madeForOther(material: PipeMaterial, service: Service): Carried | null {
  const other = NO_WATER[material]
  if (other) return other
  const supply = material in SUPPLY_NA || material in SUPPLY_METRIC
  return (service === 'cold' || service === 'hot') && !supply ? 'waste' : null
}

/** Every kind may turn up anywhere: the share of those that no table names, of 100. */
export const STRAY_SHARE = 0.01

type SizeShares = Readonly<Record<NominalSize, number>>
const SUPPLY_CTS: SizeShares = {
  '1/4': 0.008,
  '3/8': 0.05,
  '1/2': 0.66,
  '5/8': 0.01,
  '3/4': 0.2,
  '1': 0.05,
  '1-1/4': 0.012,
  '1-1/2': 0.008,
  '2': 0.005,
}
const SUPPLY_IPS: SizeShares = {
  '1/8': 0.002,
  '1/4': 0.004,
  '3/8': 0.04,
  '1/2': 0.62,
  '3/4': 0.23,
  '1': 0.07,
  '1-1/4': 0.015,
  '1-1/2': 0.008,
  '2': 0.006,
  '2-1/2': 0.004,
  '3': 0.003,
  '4': 0.002,
}
const SUPPLY_METRIC_SIZES: SizeShares = {
  '6': 0.004,
  '8': 0.01,
  '10': 0.06,
  '12': 0.03,
  '15': 0.62,
  '16': 0.6,
  '18': 0.02,
  '20': 0.25,
  '22': 0.2,
  '25': 0.2,
  '26': 0.08,
  '28': 0.04,
  '32': 0.1,
  '35': 0.008,
  '40': 0.01,
  '42': 0.004,
  '50': 0.005,
  '54': 0.002,
  '63': 0.005,
}
const DRAIN: SizeShares = {
  '1-1/4': 0.1,
  '1-1/2': 0.33,
  '2': 0.27,
  '3': 0.18,
  '4': 0.11,
  '5': 0.002,
  '6': 0.008,
}
const DRAIN_METRIC: SizeShares = {
  '32': 0.3,
  '40': 0.33,
  '50': 0.12,
  '54': 0.02,
  '70': 0.04,
  '75': 0.04,
  '82': 0.02,
  '90': 0.02,
  '100': 0.15,
  '110': 0.15,
  '1-1/4': 0.1,
  '1-1/2': 0.3,
  '2': 0.2,
}
const GAS: SizeShares = {
  '1/4': 0.01,
  '3/8': 0.05,
  '1/2': 0.4,
  '3/4': 0.33,
  '1': 0.15,
  '1-1/4': 0.04,
  '15': 0.45,
  '20': 0.2,
  '22': 0.35,
  '25': 0.3,
  '28': 0.12,
  '32': 0.15,
}
const REFRIGERANT_SIZES: SizeShares = {
  '1/4': 0.24,
  '3/8': 0.3,
  '1/2': 0.14,
  '5/8': 0.14,
  '3/4': 0.08,
  '7/8': 0.06,
  '1-1/8': 0.02,
}
const SPRINKLER_SIZES: SizeShares = {
  '3/4': 0.1,
  '1': 0.5,
  '1-1/4': 0.15,
  '1-1/2': 0.1,
  '2': 0.08,
  '2-1/2': 0.03,
}
/** Sizes that no list names. */
const RARE_SIZE = 0.002

/** How common a size is among pipes of its system that carry a medium; not normalised. */
export function sizeShare(medium: Carried, system: DimensionalSystem, nominal: NominalSize): number {
  const list =
    medium === 'waste' || medium === 'vent'
      ? isMetricSystem(system) || system === 'metric-steel'
        ? DRAIN_METRIC
        : DRAIN
      : medium === 'gas'
        ? GAS
        : medium === 'refrigerant'
          ? REFRIGERANT_SIZES
          : medium === 'sprinkler'
            ? SPRINKLER_SIZES
            : isMetricSystem(system)
              ? SUPPLY_METRIC_SIZES
              : system === 'IPS' || system === 'metric-steel'
                ? SUPPLY_IPS
                : SUPPLY_CTS
  return list[nominal] ?? RARE_SIZE
}

/** Shares of grades and systems within a kind, by era where it matters; what is not named is 1. Not normalised. */
export const VARIANT_SHARES: Readonly<
  Partial<Record<PipeMaterial, Readonly<Record<string, number | ByEra>>>>
> = {
  copper: {
    'K hard': 0.04,
    'L hard': 0.5,
    'M hard': 0.36,
    'K soft': 0.03,
    'L soft': 0.07,
    'thin hard': 0.55,
    'thick hard': 0.35,
    'thick soft': 0.1,
  },
  'black-steel': { 'schedule 40': 0.94, 'schedule 80': 0.06 },
  'sprinkler-steel': { 'schedule 40': 0.45, 'schedule 10': 0.55 },
  brass: { regular: 0.92, 'extra strong': 0.08 },
  cpvc: { 'SDR 11': 0.97, 'schedule 80': 0.03 },
  pvc: { 'schedule 40': 0.85, 'schedule 80': 0.05, 'SDR 21': 0.1 },
  polyethylene: {
    'SIDR 7': 0.3,
    'SIDR 9': 0.16,
    'SIDR 11.5': 0.16,
    'SIDR 15': 0.16,
    'SDR 9': 0.14,
    'DR 11': 0.08,
  },
  'cast-iron': {
    hubless: [0.03, 0.08, 0.45, 0.8, 0.9, 0.95],
    'service weight': [0.45, 0.62, 0.45, 0.16, 0.08, 0.04],
    'extra heavy': [0.55, 0.3, 0.1, 0.04, 0.02, 0.01],
  },
  'copper-refrigeration': { 'ACR soft': 0.75, 'ACR hard': 0.25 },
}

/** What a line that is called cold, hot, drain, vent or nothing really carries. */
export const MEDIUM_OF_SERVICE: Readonly<
  Record<'cold' | 'hot' | 'drain' | 'vent' | 'unknown', Readonly<Record<Carried, number>>>
> = {
  cold: {
    cold: 0.974,
    hot: 0.012,
    waste: 0.002,
    vent: 0.001,
    gas: 0.007,
    refrigerant: 0.001,
    sprinkler: 0.003,
  },
  hot: {
    cold: 0.012,
    hot: 0.974,
    waste: 0.002,
    vent: 0.001,
    gas: 0.007,
    refrigerant: 0.001,
    sprinkler: 0.003,
  },
  drain: {
    cold: 0.004,
    hot: 0.003,
    waste: 0.955,
    vent: 0.033,
    gas: 0.002,
    refrigerant: 0.001,
    sprinkler: 0.002,
  },
  vent: {
    cold: 0.003,
    hot: 0.002,
    waste: 0.06,
    vent: 0.928,
    gas: 0.003,
    refrigerant: 0.001,
    sprinkler: 0.003,
  },
  unknown: { cold: 0.38, hot: 0.3, waste: 0.19, vent: 0.04, gas: 0.06, refrigerant: 0.015, sprinkler: 0.015 },
}

/** What people who look for it say a line carries, given what it does. */
export const CARRIES: Readonly<Record<Carried, Readonly<Record<string, number>>>> = {
  cold: { water: 0.994, waste: 0.002 },
  hot: { water: 0.994, waste: 0.002 },
  waste: { waste: 0.97, water: 0.02 },
  vent: { waste: 0.9, water: 0.02 },
  gas: { 'gas-signs': 0.96, water: 0.003 },
  refrigerant: { 'refrigerant-signs': 0.95, water: 0.004 },
  sprinkler: { 'sprinkler-signs': 0.93, water: 0.05 },
}

/** Era shares for a house of which nobody knows the age. */
export const ERA_SHARE: ByEra = [0.15, 0.2, 0.15, 0.2, 0.18, 0.12]

/** How often the region that was said is the wrong one, or the pipe was brought from the other. */
export const REGION_OF: Readonly<
  Record<'north-america' | 'metric' | 'unknown', Readonly<Record<ActualRegion, number>>>
> = {
  'north-america': { 'north-america': 0.985, metric: 0.015 },
  metric: { 'north-america': 0.04, metric: 0.96 },
  unknown: { 'north-america': 0.75, metric: 0.25 },
}

/** Which region a system belongs to; lead and stoneware are everywhere, and so is refrigeration tube. */
export function isOfRegion(system: DimensionalSystem, material: PipeMaterial, region: ActualRegion): boolean {
  if (system === 'barrel' || material.startsWith('lead') || material === 'copper-refrigeration') return true
  if (material === 'corrugated-stainless') return true
  const metric = isMetricSystem(system) || system === 'metric-steel'
  return metric === (region === 'metric')
}
