import { useJob } from '../data/select'
import { SceneView } from '../drawing/SceneView'
import { wallRequest } from '../job/wallRequest'
import { useSolved } from '../workers/solver'

const FRAME = { widthPx: 358, heightPx: 190 }

/** A point as its last job left it, with what earlier ones found: the wall as one faces it. */
export function PointWall({ jobId, pointId, name }: { jobId: string; pointId: string; name: string }) {
  const here = useJob(jobId)?.points.find(({ point }) => point.id === pointId)
  const wall = useSolved(
    'draw-wall',
    here && here.lines.length > 0
      ? {
          ...wallRequest(
            here,
            () => null,
            (line) => line.remembered?.fields.pipeId ?? null,
          ),
          ...FRAME,
        }
      : null,
  )
  return wall.answer ? (
    <SceneView
      scene={wall.answer.scene}
      height={FRAME.heightPx}
      label={`${name}: the wall, as you face it, with what is known of each line`}
    />
  ) : null
}
