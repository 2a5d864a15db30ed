import { type HoldJudged, judgeHold, pipeById, pipework } from '@diarmos/core'
import { z } from 'zod'

/** A line that is shut and held, and its gauge's log. */
export const holdRequest = z.object({
  /** What the line is made of; its volume and give follow. */
  lengths: z
    .array(
      z.object({
        pipeId: z
          .string()
          .max(120)
          .refine((id) => pipeById(id) !== undefined, 'is no pipe of the tables'),
        lengthMm: z.number().min(10).max(200_000),
      }),
    )
    .min(1)
    .max(20),
  waterC: z.number().min(0).max(60).default(15),
  /** What the gauge can be read to. */
  stepKpa: z.number().min(0.05).max(100),
  streetKpa: z.number().min(0).max(2000).nullable(),
  stopProved: z.boolean(),
  readings: z
    .array(z.object({ seconds: z.number().min(0).max(200_000), kpa: z.number().min(0).max(4000) }))
    .min(2)
    .max(400)
    .refine(
      (readings) =>
        readings.every(({ seconds }, index) =>
          index === 0 ? seconds === 0 : seconds > (readings[index - 1]?.seconds ?? 0),
        ),
      'must follow each other in time, the first at nought',
    ),
})

/** What the log of a pressure hold comes to. */
export function holdOf({ lengths, ...rest }: z.output<typeof holdRequest>): HoldJudged {
  const line = pipework(
    lengths.flatMap(({ pipeId, lengthMm }) => {
      const pipe = pipeById(pipeId)
      return pipe ? [{ material: pipe.material, outsideMm: pipe.odMm, wallMm: pipe.wallMm, lengthMm }] : []
    }),
  )
  return judgeHold({ ...rest, line })
}
