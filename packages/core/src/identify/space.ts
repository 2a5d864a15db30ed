import { materialName } from '../reference/materialNames'
import { PIPES, pipeName, sizeName } from '../reference/pipes'
import type { Pipe, PipeMaterial } from '../reference/types'

/**
 * The hypotheses, arranged once for computing: pipes that look alike share a look, pipes of one diameter share a
 * model, and pipes that take the same parts and bring the same hazards are one class.
 */

/** What all signs depend on: the kind, its temper, and for copper the type that is printed on it. */
export interface Look {
  readonly material: PipeMaterial
  readonly soft: boolean
  readonly print: string
}
export interface Extent {
  readonly mm: number
  readonly toleranceMm: number
}
export interface PipeClass {
  readonly id: string
  readonly name: string
  readonly material: PipeMaterial
  readonly system: string
  readonly nominal: string
  readonly odMm: number
}

/** Crosslinked polyethylene of any type takes the same rings and clamps; only type A can also be expanded. */
const PARTS_KIND: Partial<Record<PipeMaterial, string>> = { 'pex-a': 'pex', 'pex-b': 'pex', 'pex-c': 'pex' }
const CLASS_NAME: Readonly<Record<string, string>> = { pex: 'PEX' }

/** The part-and-hazard class of a pipe: grades that take the same parts and bring the same hazards are one. */
export function classIdOf(pipe: Pick<Pipe, 'material' | 'system' | 'nominal'>): string {
  return `${PARTS_KIND[pipe.material] ?? pipe.material}.${pipe.system}.${pipe.nominal}`
}

interface Interned<Value> {
  readonly values: readonly Value[]
  readonly of: Int16Array
}

function intern<Value>(keyOf: (pipe: Pipe) => string, make: (pipe: Pipe) => Value): Interned<Value> {
  const places = new Map<string, number>()
  const values: Value[] = []
  const of = new Int16Array(PIPES.length)
  PIPES.forEach((pipe, index) => {
    const key = keyOf(pipe)
    const known = places.get(key)
    const place = known ?? values.length
    if (known === undefined) {
      places.set(key, place)
      values.push(make(pipe))
    }
    of[index] = place
  })
  return { values, of }
}

const printOf = (pipe: Pipe) =>
  pipe.material.startsWith('copper') && pipe.system !== 'metric' ? pipe.grade : ''

export const LOOKS: Interned<Look> = intern(
  (pipe) => `${pipe.material}|${pipe.temper ?? ''}|${printOf(pipe)}`,
  (pipe) => ({ material: pipe.material, soft: pipe.temper === 'soft', print: printOf(pipe) }),
)
export const OUTSIDES: Interned<Extent> = intern(
  (pipe) => `${pipe.odMm}|${pipe.odToleranceMm}`,
  (pipe) => ({ mm: pipe.odMm, toleranceMm: pipe.odToleranceMm }),
)
export const WALLS: Interned<Extent> = intern(
  (pipe) => `${pipe.wallMm}|${pipe.wallToleranceMm}`,
  (pipe) => ({ mm: pipe.wallMm, toleranceMm: pipe.wallToleranceMm }),
)
export const BORES: Interned<Extent> = intern(
  (pipe) => `${pipe.odMm - 2 * pipe.wallMm}|${pipe.odToleranceMm}|${pipe.wallToleranceMm}`,
  (pipe) => ({
    mm: pipe.odMm - 2 * pipe.wallMm,
    toleranceMm: Math.hypot(pipe.odToleranceMm, 2 * pipe.wallToleranceMm),
  }),
)
export const CLASSES: Interned<PipeClass> = intern(classIdOf, (pipe) => {
  const kind = PARTS_KIND[pipe.material]
  return {
    id: classIdOf(pipe),
    name: `${sizeName(pipe)} ${kind ? (CLASS_NAME[kind] ?? kind) : materialName(pipe.material)}`,
    material: pipe.material,
    system: pipe.system,
    nominal: pipe.nominal,
    odMm: pipe.odMm,
  }
})
export const NAMES: readonly string[] = PIPES.map(pipeName)
