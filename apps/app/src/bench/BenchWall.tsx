import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import Svg, { Path, Rect } from 'react-native-svg'
import { usePreferences } from '../data/preferences'
import { Length } from '../ui/Length'
import { Note } from '../ui/Note'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { MeasureRows } from './MeasureRows'
import { useLengths } from './useLengths'

const ROWS = [
  ['Blocking to the stud’s face', 'From the face of the blocking to the face of the studs.'],
  ['Board', 'Backer board or wallboard; 1/2 in is usual.'],
  ['Mortar', 'Under the tile; an eighth is usual.'],
  ['Tile', 'With every layer of it.'],
  ['Valve, back to middle', 'From what lies on the blocking to the middle of the ports: on its sheet.'],
  ['Window, least', 'Finished face to the middle: on its sheet.'],
  ['Window, most', 'Finished face to the middle: on its sheet.'],
] as const

interface PictureProps {
  layers: readonly number[]
  depthMm: number
  window: readonly [number, number]
}

/** The wall cut through, the finished face to the right, to scale; the window hatched, the valve's middle a cross. */
function WallPicture({ layers, depthMm, window }: PictureProps) {
  const { ink, patina, raised, rule } = usePalette()
  const total = layers.reduce((sum, mm) => sum + mm, 0)
  const scale = 250 / Math.max(total, window[1], 40)
  const face = 320
  let at = face - total * scale
  const middle = face - depthMm * scale
  return (
    <Svg
      width="100%"
      height={150}
      viewBox="0 0 360 150"
      role="img"
      aria-label="The wall cut through, with the valve and its window"
    >
      <Rect
        x={10}
        y={18}
        width={Math.max(0, at - 10)}
        height={114}
        fill={rule}
        stroke={ink}
        strokeWidth={1.4}
      />
      {layers.map((mm, index) => {
        const x = at
        at += mm * scale
        return (
          <Rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a layer is known by its place
            key={index}
            x={x}
            y={index === 0 ? 40 : 18}
            width={mm * scale}
            height={index === 0 ? 70 : 114}
            fill={index === 0 ? 'none' : raised}
            stroke={ink}
            strokeWidth={1.4}
            strokeDasharray={index === 0 ? '5 4' : undefined}
          />
        )
      })}
      <Rect
        x={face - window[1] * scale}
        y={50}
        width={(window[1] - window[0]) * scale}
        height={50}
        fill={patina}
        opacity={0.28}
      />
      <Path d={`M${face} 6v138`} stroke={ink} strokeWidth={3} />
      <Path d={`M${middle} 44v62M${middle - 14} 75h28`} stroke={patina} strokeWidth={2.4} />
    </Svg>
  )
}

const VERDICT = {
  fits: '✓ In the window, at worst too',
  perhaps: '△ Perhaps: what was measured may be off by as much',
  out: '✕ Out of the window',
} as const

/** The depth of a valve from the build-up of its wall. */
export function BenchWall() {
  const unit = usePreferences((state) => state.unit)
  const { lengths, fault, set } = useLengths(ROWS.length)
  const [stud, board, mortar, tile, middle, least, most] = lengths.map((mm) => mm ?? null)
  const layers = [stud, board, mortar, tile].map((mm) => mm ?? 0)
  const ready = stud != null && least != null && most != null
  const request = ready
    ? {
        layers: layers.map((mm, index) => ({ name: ROWS[index]?.[0] ?? '', mm })),
        middleMm: middle ?? 0,
        windowMm: [least, most] as [number, number],
      }
    : null
  const { answer, error } = useSolved('valve-depth', request)
  return (
    <BenchFrame
      title="Valve in its wall"
      fault={fault}
      error={error}
      operation="valve-depth"
      request={request}
    >
      {answer?.ok && ready ? (
        <>
          <WallPicture layers={layers} depthMm={answer.depthMm} window={[least, most]} />
          <View className="flex-row items-end justify-between border-b-2 border-ink pb-2">
            <View>
              <Txt size="s" tone="soft">
                middle behind the finished face
              </Txt>
              <Length mm={answer.depthMm} quantity="depth-window" size="xxl" />
            </View>
            <Txt
              bold
              tone={answer.verdict === 'fits' ? 'patina' : answer.verdict === 'out' ? 'oxide' : 'amber'}
              className="max-w-[55%] text-right"
            >
              {VERDICT[answer.verdict]}
            </Txt>
          </View>
          {answer.verdict === 'fits' ? null : answer.leastShimMm === null ? (
            <Note kind="caution" title="No shim is sure">
              {`The wall may be off by ${answer.stack.worstMm.toFixed(1)} mm: measure again ${answer.stack.largest ?? ''}.`}
            </Note>
          ) : (
            <View className="min-h-[60px] flex-row items-center justify-between border-b border-rule">
              <Txt className="flex-1">
                {answer.leastShimMm > 0
                  ? 'Put behind the valve, at least'
                  : 'Take off the blocking, at least'}
              </Txt>
              <Length mm={Math.abs(answer.leastShimMm)} quantity="missing-length" size="xl" />
            </View>
          )}
        </>
      ) : answer && !answer.ok ? (
        <Note kind="stop" title="This cannot be">
          {say(REASONS[answer.reason.ruleId] ?? '', answer.reason.parameters, unit)}
        </Note>
      ) : (
        <Txt tone="soft" className="py-6">
          Measure the wall from the blocking outward, and take the window from the valve’s sheet.
        </Txt>
      )}
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3">
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
