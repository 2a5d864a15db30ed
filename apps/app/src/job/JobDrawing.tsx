import type { Scene } from '@diarmos/core'
import { Pressable, View } from 'react-native'
import { type Span, spanText } from '../cut/span'
import type { LineView, Stage } from '../data/select'
import { SceneView } from '../drawing/SceneView'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

interface Props {
  line: LineView
  stage: Stage
  scene: Scene | null
  /** Why it could not be drawn. */
  refused: Error | null
  /** The wall sheet in place of the joint line. */
  whole: boolean
  onWhole: (whole: boolean) => void
  onLine: (lineId: string) => void
  height: number
  /** On a low screen the drawing is folded away until it is asked for. */
  folded: boolean
  /** The seam that is being made. */
  inHand: number | null
  onSeam: ((seam: number) => void) | null
  onDimension: (span: Span) => void
}

/** The one drawing of the job page. */
export function JobDrawing({
  line,
  stage,
  scene,
  refused,
  whole,
  onWhole,
  onLine,
  height,
  folded,
  inHand,
  onSeam,
  onDimension,
}: Props) {
  const label = whole
    ? 'The wall, as you face it: every line of the job'
    : `Joint line, ${line.line.fields.service}: ${line.finding?.fields.name ?? 'pipe not known'}`
  return (
    <View>
      {folded ? null : refused ? (
        <View style={{ minHeight: height }} className="p-4">
          <Note kind="caution" title="This cannot be drawn">
            {refused.message}
          </Note>
        </View>
      ) : scene ? (
        <SceneView
          scene={scene}
          height={height}
          label={label}
          inHand={whole ? null : inHand}
          {...(whole ? { onLine } : onSeam ? { onSeam } : {})}
          {...(stage === 'cut' && line.mating && !whole
            ? { onDimension, nameOf: (span: Span) => spanText(line, span) }
            : {})}
        />
      ) : (
        <View style={{ height }} />
      )}
      {folded ? null : (
        <Pressable
          role="button"
          aria-label={whole ? 'This line alone' : 'The whole wall'}
          onPress={() => onWhole(!whole)}
          className="absolute bottom-0 right-0 rounded-[4px] bg-sheet min-h-[48px] min-w-[64px] items-center justify-center px-2 active:bg-patina-wash"
        >
          <Txt size="s" bold tone="patina">
            {whole ? 'this line' : 'all lines'}
          </Txt>
        </Pressable>
      )}
    </View>
  )
}
