import { View } from 'react-native'
import Svg, { Path } from 'react-native-svg'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'

/** Combs by threads to the inch: American pipe thread, British pipe thread, and what hoses and nuts carry. */
const COMBS: readonly { readonly tpi: number; readonly form: 55 | 60; readonly on: string }[] = [
  { tpi: 27, form: 60, on: 'NPT 1/8' },
  { tpi: 18, form: 60, on: 'NPT 1/4, 3/8' },
  { tpi: 14, form: 60, on: 'NPT 1/2, 3/4' },
  { tpi: 11.5, form: 60, on: 'NPT 1 to 2, hose 3/4' },
  { tpi: 28, form: 55, on: 'BSP 1/8' },
  { tpi: 19, form: 55, on: 'BSP 1/4, 3/8' },
  { tpi: 14, form: 55, on: 'BSP 1/2, 3/4' },
  { tpi: 11, form: 55, on: 'BSP 1 and larger' },
  { tpi: 24, form: 60, on: 'compression nuts 3/8' },
  { tpi: 20, form: 60, on: 'compression nuts 1/4' },
]

const LONG_MM = 36

/** The outline of a comb, teeth downward, in pixels: a sharp V truncated by an eighth at crest and root. */
export function combPath(tpi: number, form: 55 | 60, pxPerMm: number, longMm = LONG_MM): string {
  const pitch = (25.4 / tpi) * pxPerMm
  const deep = (pitch / 2 / Math.tan((form * Math.PI) / 360)) * 0.75
  const teeth = Math.floor((longMm * pxPerMm) / pitch)
  const [top, root] = [4, 12]
  let d = `M1 ${top}V${root}`
  for (let tooth = 0; tooth < teeth; tooth++) {
    const x = 1 + tooth * pitch
    d += `L${(x + pitch * 0.4375).toFixed(2)} ${(root + deep).toFixed(2)}h${(pitch * 0.125).toFixed(2)}L${(x + pitch).toFixed(2)} ${root}`
  }
  return `${d}V${top}Z`
}

/** Thread pitches in true size: laid against a thread, the one whose teeth all fall into it is its own. */
export function ThreadCombs({ pxPerMm }: { pxPerMm: number }) {
  const { ink, raised } = usePalette()
  return (
    <View testID="combs">
      <Txt size="s" tone="soft" className="pb-1">
        Hold the thread against the teeth: over the whole length they must fall into it.
      </Txt>
      {COMBS.map(({ tpi, form, on }) => (
        <View
          key={`${tpi}-${form}`}
          className="min-h-[52px] flex-row items-center gap-3 border-b border-rule"
        >
          <Svg
            width={LONG_MM * pxPerMm + 4}
            height={34}
            role="img"
            aria-label={`Comb of ${tpi} threads to the inch`}
          >
            <Path d={combPath(tpi, form, pxPerMm)} fill={raised} stroke={ink} strokeWidth={1.2} />
          </Svg>
          <View className="flex-1">
            <Txt bold>{tpi} /in</Txt>
            <Txt size="s" tone="soft">
              {form}° · {on}
            </Txt>
          </View>
        </View>
      ))}
    </View>
  )
}
