import { fittingById, type MateOption } from '@diarmos/core'

/** The parts of a way as the catalogue has them, with the ends that it goes in and out by. */
export const partsOf = ({ parts }: Pick<MateOption, 'parts'>) =>
  parts.map((part) => {
    const fitting = fittingById(part.fittingId)
    if (!fitting) throw new Error(`no part ${part.fittingId}`)
    return { ...fitting, near: fitting.ports[part.inPort], far: fitting.ports[part.outPort] }
  })
