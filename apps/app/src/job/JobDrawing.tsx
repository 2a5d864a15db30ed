import type { Scene } from '@diarmos/core'
import ChevronDown from 'lucide-react-native/icons/chevron-down'
import ChevronUp from 'lucide-react-native/icons/chevron-up'
import { Pressable, View } from 'react-native'
import { type Span, spanText } from '../cut/span'
import type { LineView, Stage } from '../data/select'
import { SceneView } from '../drawing/SceneView'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'

interface Props {
  line: LineView
  stage: Stage
  scene: Scene | null
  together: boolean
  height: number
  /** On a low screen the drawing is a strip that opens by a tap. */
  folds: boolean
  folded: boolean
  onFold: (folded: boolean) => void
  onSeam: ((seam: number) => void) | null
  onDimension: (span: Span) => void
}

/** The one drawing of the job page. */
export function JobDrawing({
  line,
  stage,
  scene,
  together,
  height,
  folds,
  folded,
  onFold,
  onSeam,
  onDimension,
}: Props) {
  const palette = usePalette()
  const label = together
    ? 'Joint lines of the whole fixture'
    : `Joint line, ${line.line.fields.service}: ${line.finding?.fields.name ?? 'pipe not known'}`
  const Icon = folded ? ChevronDown : ChevronUp
  return (
    <View>
      {folded ? null : scene ? (
        <SceneView
          scene={scene}
          height={height}
          label={label}
          {...(onSeam && !together ? { onSeam } : {})}
          {...(stage === 'cut' && line.mating
            ? { onDimension, nameOf: (span: Span) => spanText(line, span) }
            : {})}
        />
      ) : (
        <View style={{ height }} />
      )}
      {folds ? (
        <Pressable
          role="button"
          aria-expanded={!folded}
          aria-label={folded ? 'Show the drawing' : 'Fold the drawing away'}
          onPress={() => onFold(!folded)}
          className="h-12 flex-row items-center justify-center gap-2"
        >
          <Icon size={20} color={palette.patina} />
          <Txt size="s" tone="patina" bold>
            {folded ? 'Drawing' : 'Fold away'}
          </Txt>
        </Pressable>
      ) : null}
    </View>
  )
}
