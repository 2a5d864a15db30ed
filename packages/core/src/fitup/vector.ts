import { CoreFault } from '../fault'
/** A place or a direction in space, mm or without unit. */
export type Vec3 = readonly [number, number, number]

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const scale = (a: Vec3, by: number): Vec3 => [a[0] * by, a[1] * by, a[2] * by]
export const minus = (a: Vec3, b: Vec3): Vec3 => add(a, scale(b, -1))
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
export const length = (a: Vec3): number => Math.sqrt(dot(a, a))

export const radians = (degrees: number): number => (degrees * Math.PI) / 180
export const degrees = (radians: number): number => (radians * 180) / Math.PI

/** A vector of length one. @throws CoreFault for one without length */
export function unit(a: Vec3): Vec3 {
  const long = length(a)
  if (long === 0) throw new CoreFault('no-direction', {})
  return scale(a, 1 / long)
}

/** A vector turned round an axis of length one by some radians, right-handed (Rodrigues). */
export function rotate(a: Vec3, axis: Vec3, angle: number): Vec3 {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return add(add(scale(a, cos), scale(cross(axis, a), sin)), scale(axis, dot(axis, a) * (1 - cos)))
}
