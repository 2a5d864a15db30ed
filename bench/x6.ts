import { writeFileSync } from 'node:fs'
import {
  type Conditions,
  drawJointLine,
  mate,
  mouthOf,
  PLAIN_CONDITIONS,
  STARTING_SETTINGS,
  TOOL_IDS,
  toSvg,
} from '@diarmos/core'

const settings = { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS }
const draw = (
  name: string,
  pipeId: string,
  kind: string,
  patch: Partial<Conditions>,
  pick = 0,
  stage: any = 'mate',
  dims: any = [],
) => {
  const conditions = { ...PLAIN_CONDITIONS, service: 'waste', waterSeen: true, ...patch } as Conditions
  const [r] = mate({ lines: [{ lineId: 'a', pipeId, to: mouthOf(kind), conditions }], settings, k: 8 }).lines
  const option = r!.options[pick]!
  console.log(
    name,
    option.removalId,
    option.parts.map((p: any) => p.fittingId),
  )
  const scene = drawJointLine({
    pipeId,
    option,
    to: mouthOf(kind),
    stubMm: conditions.stubMm ?? null,
    unit: 'in',
    stage,
    dimensions: dims,
  } as any)
  writeFileSync(`/tmp/d-${name}.svg`, toSvg(scene))
}
draw('bowl', 'pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -25, stubMm: 100, spanMm: 190 }, 2)
draw('kept', 'pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -25 }, 0)
draw('shower', 'cast-iron.service.2', 'waste.shower.2', { oldJoint: 'hub-lead' }, 0)
draw('hub', 'cast-iron.service.2', 'waste.standpipe', { oldJoint: 'hub-lead' }, 2)
draw('tub', 'pvc-dwv.40.1-1/2', 'waste.tub.1-1/2', { oldJoint: 'cement' }, 0)
draw('iron4', 'cast-iron.service.4', 'waste.bowl', { oldJoint: 'hub-lead' }, 0)
