import type { Scene, Shape } from '@diarmos/core'
import { hatchOf } from '@diarmos/core/hatch'
import { useMemo, useState } from 'react'
import { Pressable, View } from 'react-native'
import Svg, { Circle, Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg'
import { type Palette, usePalette } from '../ui/palette'

const ORDER = ['wall', 'ghost', 'pipe', 'part', 'seal', 'captive', 'mark', 'dimension', 'label']

const path = (shape: Shape) =>
  shape.points
    .map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(2)} ${(-y).toFixed(2)}`)
    .join('') + (shape.closed ? 'Z' : '')

function inkOf(shape: Pick<Shape, 'layer' | 'service'>, palette: Palette): string {
  if (shape.service) return palette[shape.service]
  return ['mark', 'dimension', 'label'].includes(shape.layer) ? palette.patina : palette.ink
}

function ShapePath({ shape, palette, scale }: { shape: Shape; palette: Palette; scale: number }) {
  const ink = inkOf(shape, palette)
  // hairlines keep their weight on the screen whatever the scale
  const px = (value: number) => value / scale
  const dash = shape.dashed ? { strokeDasharray: `${px(6)} ${px(4)}` } : {}
  const common = { d: path(shape), opacity: shape.opacity ?? 1, strokeLinejoin: 'round' as const }
  switch (shape.role) {
    case 'outline':
      return <Path {...common} {...dash} fill={palette.sheet} stroke={ink} strokeWidth={px(1.6)} />
    case 'section':
      return <Path {...common} fill={`url(#${hatchOf(shape.material)})`} stroke={ink} strokeWidth={px(1.6)} />
    case 'fill':
      return <Path {...common} fill={shape.layer === 'ghost' ? palette.patina : palette.ink} stroke="none" />
    case 'line':
      return <Path {...common} {...dash} fill="none" stroke={ink} strokeWidth={px(1.6)} />
    case 'detail':
      return <Path {...common} {...dash} fill="none" stroke={ink} strokeWidth={px(0.8)} />
  }
}

interface Props {
  scene: Scene
  height: number
  label: string
  /** The seam that is being made: ringed. */
  inHand?: number | null
  onSeam?: (seam: number) => void
  /** A line of the wall sheet was touched, to bring it forward. */
  onLine?: (lineId: string) => void
  /** A dimension was touched, to type it. */
  onDimension?: (span: Span) => void
  /** What a dimension is called, for who cannot see it. */
  nameOf?: (span: Span) => string
}

interface Span {
  readonly from: string
  readonly to: string
}

/** The scene on the screen: to scale within its frame, seams under the finger. */
export function SceneView({
  scene,
  height,
  label,
  inHand = null,
  onSeam,
  onLine,
  onDimension,
  nameOf,
}: Props) {
  const palette = usePalette()
  const [width, setWidth] = useState(0)
  const { minX, minY, maxX, maxY } = scene.bounds
  const scale = width === 0 ? 1 : Math.min(width / (maxX - minX), height / (maxY - minY))
  const left = (width - (maxX - minX) * scale) / 2
  const top = (height - (maxY - minY) * scale) / 2
  const shapes = useMemo(
    () => [...scene.shapes].sort((a, b) => ORDER.indexOf(a.layer) - ORDER.indexOf(b.layer)),
    [scene],
  )
  return (
    <View
      style={{ height }}
      className="w-full"
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      testID="joint-line"
    >
      <View role="img" aria-label={label} style={{ height }}>
        {width > 0 ? (
          <Svg width={width} height={height} viewBox={`${minX} ${-maxY} ${maxX - minX} ${maxY - minY}`}>
            <Defs>
              {(
                [
                  ['cut-metal', 45],
                  ['cut-plastic', -45],
                ] as const
              ).map(([id, angle]) => (
                <Pattern
                  key={id}
                  id={id}
                  width={5 / scale}
                  height={5 / scale}
                  patternUnits="userSpaceOnUse"
                  patternTransform={`rotate(${angle})`}
                >
                  <Rect width={5 / scale} height={5 / scale} fill={palette.sheet} />
                  <Line x1={0} y1={0} x2={0} y2={5 / scale} stroke={palette.ink} strokeWidth={1.2 / scale} />
                </Pattern>
              ))}
            </Defs>
            <G>
              {shapes.map((shape, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the scene is redrawn whole, shapes have no life of their own
                <ShapePath key={index} shape={shape} palette={palette} scale={scale} />
              ))}
            </G>
            {scene.seams
              .filter(({ seam }) => seam === inHand)
              .map(({ id, at }) => (
                <Circle
                  key={id}
                  cx={at[0]}
                  cy={-at[1]}
                  r={22 / scale}
                  fill="none"
                  stroke={palette.patina}
                  strokeWidth={3.5 / scale}
                />
              ))}
            {scene.texts.map((text) => (
              <SvgText
                key={text.id}
                x={text.at[0]}
                y={-text.at[1] + 5 / scale}
                fontSize={Math.max(text.sizeMm, 14 / scale)}
                fontFamily="HyperlegibleBold"
                textAnchor={text.anchor}
                fill={inkOf(text, palette)}
                stroke={palette.sheet}
                strokeWidth={3 / scale}
                // the sheet behind the letters keeps them off the lines
                {...({ paintOrder: 'stroke' } as object)}
              >
                {text.text}
              </SvgText>
            ))}
          </Svg>
        ) : null}
      </View>
      {onSeam && width > 0
        ? scene.seams.map((seam) => (
            <Pressable
              key={seam.id}
              role="button"
              aria-label={`Seam ${seam.seam + 1}`}
              onPress={() => onSeam(seam.seam)}
              className="absolute h-12 w-12 rounded-full active:bg-patina-wash"
              style={{
                left: left + (seam.label[0] - minX) * scale - 24,
                top: top + (maxY - seam.label[1]) * scale - 24,
              }}
            />
          ))
        : null}
      {onLine && width > 0
        ? scene.lines?.map((mark) => (
            <Pressable
              key={mark.id}
              role="button"
              aria-label={`Show ${mark.label}`}
              onPress={() => onLine(mark.id)}
              className="absolute h-12 w-16 rounded-[4px] active:bg-patina-wash"
              style={{
                left: left + (mark.at[0] - minX) * scale - 32,
                top: top + (maxY - mark.at[1]) * scale - 24,
              }}
            />
          ))
        : null}
      {onDimension && width > 0
        ? scene.dimensions.map((mark) => (
            <Pressable
              key={mark.id}
              role="button"
              aria-label={`Dimension ${nameOf?.(mark) ?? ''}`}
              onPress={() => onDimension({ from: mark.from, to: mark.to })}
              className="absolute h-12 w-16 rounded-[4px] active:bg-patina-wash"
              style={{
                left: left + (mark.at[0] - minX) * scale - 32,
                top: top + (maxY - mark.at[1]) * scale - 24,
              }}
            />
          ))
        : null}
    </View>
  )
}
