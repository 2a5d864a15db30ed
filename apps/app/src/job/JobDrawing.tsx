import type { Scene } from '@diarmos/core'
import { View } from 'react-native'
import { type Span, spanText } from '../cut/span'
import type { LineView, Stage } from '../data/select'
import { SceneView } from '../drawing/SceneView'

interface Props {
  line: LineView
  stage: Stage
  scene: Scene | null
  together: boolean
  height: number
  /** On a low screen the drawing is folded away until it is asked for. */
  folded: boolean
  onSeam: ((seam: number) => void) | null
  onDimension: (span: Span) => void
}

/** The one drawing of the job page. */
export function JobDrawing({ line, stage, scene, together, height, folded, onSeam, onDimension }: Props) {
  const label = together
    ? 'Joint lines of the whole fixture'
    : `Joint line, ${line.line.fields.service}: ${line.finding?.fields.name ?? 'pipe not known'}`
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
    </View>
  )
}
