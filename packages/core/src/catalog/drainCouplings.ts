import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting, PortSystem } from './types'

const IN = 25.4

const C1460: Source = {
  title: 'ASTM C1460 shielded transition couplings, above ground',
  table: 'pairs of pipes',
  certainty: 'recalled',
}
const C1173: Source = {
  title: 'ASTM C1173 flexible transition couplings, below ground',
  table: 'pairs of pipes',
  certainty: 'recalled',
}
const C425: Source = {
  title: 'ASTM C425 joints for clay pipe, C1173 couplings to other pipe, below ground',
  table: 'pairs of pipes',
  certainty: 'recalled',
}
const D3311: Source = {
  title: 'ASTM D3311 drain, waste and vent fitting patterns',
  table: 'coupling, laying length',
  certainty: 'recalled',
}

type Size = '1-1/4' | '1-1/2' | '2' | '3' | '4'
type From = readonly [
  key: string,
  word: string,
  system: Extract<PortSystem, 'IPS' | 'CTS' | 'ID' | 'hubless' | 'service' | 'heavy' | 'barrel'>,
  material: PipeMaterial,
  sizes: readonly Size[],
]

/** What a coupling goes from, to plastic drain pipe: by real diameters, each marked for its pair. */
const IRON: readonly From[] = [
  ['hubless', 'hubless iron', 'hubless', 'cast-iron', ['1-1/2', '2', '3', '4']],
  ['service', 'service-weight iron', 'service', 'cast-iron', ['2', '3', '4']],
  ['heavy', 'extra-heavy iron', 'heavy', 'cast-iron', ['2', '3', '4']],
]
const SHIELDED: readonly From[] = [
  ['plastic', 'plastic or steel', 'IPS', 'pvc-drain', ['1-1/4', '1-1/2', '2', '3', '4']],
  ['copper', 'copper drain tube', 'CTS', 'copper-drain', ['1-1/4', '1-1/2', '2', '3', '4']],
  ['lead', 'lead waste pipe', 'ID', 'lead-waste', ['1-1/4', '1-1/2', '2']],
  ...IRON,
]
const FLEXIBLE: readonly From[] = [
  ['plastic', 'plastic', 'IPS', 'pvc-drain', ['2', '3', '4']],
  ...IRON,
  ['copper', 'copper drain tube', 'CTS', 'copper-drain', ['2', '3', '4']],
  ['clay', 'clay', 'barrel', 'clay', ['3', '4']],
]

function shielded([key, word, system, material, sizes]: From): Fitting[] {
  return sizes.map((size) =>
    inline({
      id: `coupling.shielded.${key}xplastic.${size}`,
      family: 'shielded-coupling',
      name: `shielded coupling, ${size} in ${word} × plastic or steel`,
      material: 'stainless',
      heatSensitive: true,
      // the stop in the sleeve
      layingMm: (size === '4' ? 0.25 : 0.125) * IN,
      a: end('shielded', system, size, material),
      b: end('shielded', 'IPS', size, 'pvc-drain'),
      source: C1460,
    }),
  )
}

/** Reducing ones: the old pipe's size, the new one's. */
const REDUCING: readonly (readonly [Size, Size])[] = [
  ['2', '1-1/2'],
  ['3', '2'],
  ['4', '3'],
]

function shieldedReducing([key, word, system, material, sizes]: From): Fitting[] {
  return REDUCING.filter(([large]) => sizes.includes(large)).map(([large, small]) =>
    inline({
      id: `coupling.shielded.${key}xplastic.${large}x${small}`,
      family: 'shielded-coupling',
      name: `shielded reducing coupling, ${large} in ${word} × ${small} in plastic`,
      material: 'stainless',
      heatSensitive: true,
      layingMm: (large === '4' ? 0.25 : 0.125) * IN,
      a: end('shielded', system, large, material),
      b: end('shielded', 'IPS', small, 'pvc-drain'),
      source: C1460,
    }),
  )
}

function flexible([key, word, system, material, sizes]: From): Fitting[] {
  return sizes.map((size) =>
    inline({
      id: `coupling.flexible.${key}xplastic.${size}`,
      family: 'flexible-coupling',
      name: `unshielded flexible coupling, ${size} in ${word} × plastic`,
      material: 'stainless',
      heatSensitive: true,
      layingMm: 0,
      a: end('flexible', system, size, material),
      b: end('flexible', 'IPS', size, 'pvc-drain'),
      source: material === 'clay' ? C425 : C1173,
    }),
  )
}

/** Sizes of solvent couplings with the stop between the two pipes, inches. */
const STOPS: readonly (readonly [Size, number])[] = [
  ['1-1/4', 0.125],
  ['1-1/2', 0.125],
  ['2', 0.125],
  ['3', 0.1875],
  ['4', 0.1875],
]

function solvent(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    STOPS.map(([size, stopIn]) =>
      inline({
        id: `coupling.drain.${key}.${size}`,
        family: 'coupling',
        name: `${word} drain coupling, ${size} in`,
        material,
        heatSensitive: true,
        layingMm: stopIn * IN,
        a: end('drain-socket', 'IPS', size, material),
        b: end('drain-socket', 'IPS', size, material),
        source: D3311,
      }),
    ),
  )
}

/** Couplings of drains: cemented, shielded, and bare rubber for the ground. */
export function drainCouplings(): Fitting[] {
  return [
    ...solvent(),
    ...SHIELDED.flatMap(shielded),
    ...SHIELDED.flatMap(shieldedReducing),
    ...FLEXIBLE.flatMap(flexible),
  ]
}
