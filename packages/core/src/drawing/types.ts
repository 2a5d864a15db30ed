export type Point = readonly [number, number]

/** Layers from back to front. */
export const LAYERS = [
  'wall',
  'ghost',
  'pipe',
  'part',
  'seal',
  'captive',
  'mark',
  'dimension',
  'label',
] as const
export type Layer = (typeof LAYERS)[number]

/** How a shape is meant; the back-ends choose ink. `section` is cut material, `outline` what is seen of it. */
export type ShapeRole = 'outline' | 'section' | 'detail' | 'line' | 'fill'

/** One polyline in millimetres, y upward. */
export interface Shape {
  /** Semantic id: `pipe:stub`, `part:0`, `joint:0`, `dimension:insertion:0`. Several shapes may share one. */
  readonly id: string
  readonly layer: Layer
  readonly role: ShapeRole
  readonly points: readonly Point[]
  readonly closed: boolean
  readonly opacity?: number
  readonly dashed?: boolean
  /** Stuff that is cut, for the hatch. */
  readonly material?: string
  /** Which water it carries: red and blue are for that alone. */
  readonly service?: 'hot' | 'cold'
}

export interface SceneText {
  readonly id: string
  readonly layer: Layer
  readonly at: Point
  readonly text: string
  readonly sizeMm: number
  readonly anchor: 'start' | 'middle' | 'end'
  readonly service?: 'hot' | 'cold'
}

/** A seam: where a finger may touch, and where its number stands. */
export interface SeamMark {
  readonly id: string
  readonly seam: number
  readonly at: Point
  readonly label: Point
}

/** A dimension that a finger may touch, to type it. */
export interface DimensionMark {
  readonly id: string
  readonly from: string
  readonly to: string
  /** Where its number stands. */
  readonly at: Point
  readonly state: 'given' | 'measured' | 'asked'
}

/** A line on the wall sheet, to bring it forward. */
export interface LineMark {
  readonly id: string
  readonly label: string
  readonly at: Point
}

export interface Bounds {
  readonly minX: number
  readonly minY: number
  readonly maxX: number
  readonly maxY: number
}

/** A drawing without a medium: millimetres, layers, semantic ids. */
export interface Scene {
  readonly bounds: Bounds
  readonly shapes: readonly Shape[]
  readonly texts: readonly SceneText[]
  readonly seams: readonly SeamMark[]
  readonly dimensions: readonly DimensionMark[]
  /** On the wall sheet: the lines, where a finger may touch each. */
  readonly lines?: readonly LineMark[]
  readonly title: string
}

/** Puts a shape of a part down, in the part's own frame. */
export type Draw = (
  role: ShapeRole,
  points: readonly Point[],
  closed: boolean,
  layer?: Layer,
  suffix?: string,
  more?: Pick<Shape, 'dashed'>,
) => void
