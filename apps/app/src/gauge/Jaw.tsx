import { View } from 'react-native'
import Svg, { Path, Rect } from 'react-native-svg'
import { Button } from '../ui/Button'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'

export interface Made {
  readonly odMm: number
  readonly names: readonly string[]
}

interface Props {
  mm: number
  pxPerMm: number
  onChange: (mm: number) => void
  /** Diameters that are made, rising: the long steps stop at them. */
  made: readonly Made[]
}

const HEIGHT = 210
/** Two of them are no further apart than the eye tells, mm. */
const NEAR_MM = 0.35

/** What the keys below the jaw bring it to. */
const STEPS: readonly {
  readonly label: string
  readonly hint: string
  readonly to: (mm: number, made: readonly Made[]) => number | undefined
}[] = [
  {
    label: '◂◂',
    hint: 'the next smaller pipe',
    to: (mm, made) => [...made].reverse().find(({ odMm }) => odMm < mm - 0.05)?.odMm,
  },
  { label: '−', hint: 'a tenth narrower', to: (mm) => mm - 0.1 },
  { label: '+', hint: 'a tenth wider', to: (mm) => mm + 0.1 },
  {
    label: '▸▸',
    hint: 'the next larger pipe',
    to: (mm, made) => made.find(({ odMm }) => odMm > mm + 0.05)?.odMm,
  },
]

/** Two lines as far apart as a pipe is wide: held over it, both edges must meet them. */
export function Jaw({ mm, pxPerMm, onChange, made }: Props) {
  const { ink, patina, raised, rule } = usePalette()
  const gap = mm * pxPerMm
  const width = Math.max(gap + 60, 200)
  const left = (width - gap) / 2
  const near = made.filter(({ odMm }) => Math.abs(odMm - mm) <= NEAR_MM)
  const clamp = (value: number) => onChange(Math.min(120, Math.max(4, Math.round(value * 100) / 100)))
  return (
    <View testID="jaw">
      <View className="items-center overflow-hidden">
        <Svg
          width={width}
          height={HEIGHT}
          role="img"
          aria-label={`A gap of ${mm.toFixed(1)} millimetres in true size`}
        >
          <Rect x={0} y={0} width={left} height={HEIGHT} fill={rule} />
          <Rect x={left + gap} y={0} width={left} height={HEIGHT} fill={rule} />
          <Rect x={left} y={0} width={gap} height={HEIGHT} fill={raised} />
          <Path d={`M${left} 0v${HEIGHT}M${left + gap} 0v${HEIGHT}`} stroke={ink} strokeWidth={1.2} />
          <Path
            d={`M${left + 6} ${HEIGHT / 2}h${gap - 12}m-9 -6l9 6l-9 6M${left + 15} ${HEIGHT / 2 - 6}l-9 6l9 6`}
            stroke={patina}
            strokeWidth={1.2}
            fill="none"
          />
        </Svg>
      </View>
      <View className="mt-1 flex-row items-baseline justify-between border-b-2 border-ink">
        <Txt bold size="xxl" aria-live="polite">
          {mm.toFixed(1)}
          <Txt size="l"> mm</Txt>
        </Txt>
        <Txt bold size="l" tone="soft">
          {(mm / 25.4).toFixed(3)} in
        </Txt>
      </View>
      <Txt size="s" tone="soft" className="min-h-[42px] py-1">
        {near.length > 0
          ? near
              .flatMap(({ names }) => names)
              .slice(0, 3)
              .join(' · ')
          : 'no pipe of this width'}
      </Txt>
      <View className="flex-row gap-2">
        {STEPS.map(({ label, hint, to }) => {
          const next = to(mm, made)
          return (
            <View key={label} className="flex-1">
              <Button
                label={label}
                hint={hint}
                disabled={next === undefined}
                onPress={() => next !== undefined && clamp(next)}
              />
            </View>
          )
        })}
      </View>
    </View>
  )
}
