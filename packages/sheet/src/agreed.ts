import type { EntityFields, JobFile } from '@diarmos/contract'
import { type LengthUnit, type MateOption, reasonText } from '@diarmos/core'
import { METHOD_WORDS } from '@diarmos/core/words/fixtures'
import type { Block } from './block'
import { newest } from './newest'
import { adviceBlocks, followUps, signatureBlocks, warrantyBlocks } from './record'

const capital = (text: string) => text.replace(/^./, (letter) => letter.toUpperCase())

/**
 * What was agreed before the work, for the customer: what goes in, by which way, what stays, what was advised, what
 * it is warranted for. Without prices: what a shop asks is its own affair.
 */
export function agreedBlocks(file: JobFile, shopName: string, unit: LengthUnit = 'in'): Block[] {
  const { job, property } = file
  const points = [file.point, ...(file.more ?? [])]
  const blocks: Block[] = [
    { kind: 'title', text: `Agreed: ${job.title}` },
    { kind: 'text', text: `${property.label}, ${property.street}, ${property.town}` },
    { kind: 'text', text: `${points.map(({ name }) => name).join(', ')} · ${shopName}` },
  ]
  for (const line of file.lines) {
    const mating = newest(file.documents.mating, line.id)
    if (!mating) continue
    const option = mating.option as MateOption
    const at = points.length > 1 ? `${points.find(({ id }) => id === line.pointId)?.name}, ` : ''
    blocks.push({ kind: 'heading', text: capital(`${at}${line.service} line`) })
    if (option.removalId === 'keep-stop') blocks.push({ kind: 'text', text: 'The old stop stays.' })
    const parts = option.parts.map(({ name }) => name)
    const methods = [...new Set(option.joints.map(({ method }) => METHOD_WORDS[method]))]
    blocks.push({
      kind: 'text',
      text: parts.length > 0 ? `New: ${parts.join('; ')}.` : 'Joined end to end, no new part.',
    })
    blocks.push({ kind: 'text', text: `Joints: ${methods.join(', ')}.` })
    for (const warning of option.warnings)
      blocks.push({ kind: 'text', text: `Note: ${reasonText(warning, unit)}` })
  }
  for (const text of followUps(file)) blocks.push({ kind: 'text', text })
  const { note } = job as Partial<EntityFields<'job'>>
  return [
    ...blocks,
    ...adviceBlocks(job),
    ...(note
      ? ([
          { kind: 'heading', text: 'Note' },
          { kind: 'text', text: note },
        ] as const)
      : []),
    ...warrantyBlocks(job),
    {
      kind: 'small',
      text: 'The water is off while the work is done. What is found behind the wall may ask for another way: nothing else is done before that is agreed too. Local codes and the makers’ sheets come first.',
    },
    ...signatureBlocks(file),
  ]
}
