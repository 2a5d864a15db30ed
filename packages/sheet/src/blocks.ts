import type { EntityFields, JobFile } from '@diarmos/contract'
import {
  CoreFault,
  drawJointLine,
  faultText,
  fitup,
  formatLength,
  keptStopEnd,
  type MateOption,
  pieceLetter,
  reasonText,
  SEALS,
  stationText,
  stepText,
  toSvg,
} from '@diarmos/core'
import { type Body, fromStop, lineEnds } from '@diarmos/core/bodies'
import { dimensionsFor, stepOf } from '@diarmos/core/record'
import type { Block } from './block'
import { methodText, newest } from './newest'
import { adviceBlocks, followUps, pictureBlocks, signatureBlocks, warrantyBlocks } from './record'
import { trapCuts } from './trap'
import { wallDepth, wallOpening } from './valveWall'

type Fields = Record<string, unknown>

/** The job sheet: what was found, what was fitted with what seal, drawn to scale, and the checks. */
export function sheetBlocks(file: JobFile, shopName: string): Block[] {
  const blocks: Block[] = []
  const heading = (text: string) => blocks.push({ kind: 'heading', text })
  const say = (text: string) => blocks.push({ kind: 'text', text })

  blocks.push({ kind: 'title', text: String(file.job.title) })
  say(`${file.property.label}, ${file.property.street}, ${file.property.town}`)
  const points = [file.point, ...(file.more ?? [])]
  say(
    `${points.map(({ name }) => name).join(', ')} · ${shopName} · opened ${String(file.job.openedAt).slice(0, 10)}`,
  )

  for (const line of file.lines) {
    const finding = newest(file.documents.finding, line.id)
    const mating = newest(file.documents.mating, line.id)
    if (!finding && !mating) continue
    const at = points.length > 1 ? `${points.find(({ id }) => id === line.pointId)?.name}: ` : ''
    heading(
      `${at}${at ? line.service : String(line.service).replace(/^./, (letter) => letter.toUpperCase())} line`,
    )
    if (finding) say(`Found: ${finding.name} (${Math.round(Number(finding.probability) * 100)} in 100)`)
    if (!mating) continue
    const option = mating.option as MateOption
    const place = newest(file.documents.situation, line.id) as Partial<EntityFields<'situation'>> | undefined
    const ends = fromStop(
      lineEnds(goesIn(file.job, line.pointId), String(line.service), finding !== undefined),
      keptStopEnd(place?.stopOutlet ?? ''),
    )
    if (option.removalId === 'keep-stop') say('The old stop stays.')
    for (const text of wallDepth(place?.valveWall)) say(text)
    // one hole for all lines of a point, said once
    for (const text of wallOpening(place?.opening))
      if (!blocks.some((block) => block.kind !== 'drawing' && block.text === text)) say(text)
    option.joints.forEach((joint, index) => {
      const part = option.parts[joint.to]?.name ?? 'the fixture'
      say(`${index + 1}. ${methodText(joint.method)} into ${part}. Seal: ${SEALS[joint.seal] ?? joint.seal}.`)
    })
    for (const warning of option.warnings) say(`Note: ${reasonText(warning, 'in')}`)
    const dimensions = measuredOf(file, line.id, option)
    const into = ends?.insert ?? null
    const begins = into ? 'run' : ends && ends.from !== 'pipe' ? 'fresh' : 'pipe'
    try {
      for (const text of cutList(option, dimensions, begins)) say(text)
      const stubMm = option.leavesStubMm ?? place?.stubMm ?? null
      for (const text of trapCuts(option, stubMm, place?.trap)) say(text)
      const scene = drawJointLine({
        pipeId: (finding?.pipeId as string | undefined) ?? null,
        option,
        to: into ? null : (ends?.to ?? null),
        unit: 'in',
        stage: 'cut',
        dimensions,
      })
      blocks.push({ kind: 'drawing', svg: toSvg(scene) })
    } catch (error) {
      if (!(error instanceof CoreFault)) throw error
      // what was written down stays readable, whatever the tables hold today
      say(`Not drawn and not measured out: ${faultText(error)}.`)
    }
  }
  const checks = (file.documents.check ?? []).filter((check) => check.result !== 'undone')
  if (checks.length > 0) {
    heading('Checks')
    for (const check of checks)
      say(
        `${String(check.at).slice(0, 16).replace('T', ' ')}  ${checkText(check)}: ${check.result}${stillHolds(file, check) ? '' : ', before another way was chosen'}`,
      )
  }
  const due = followUps(file)
  if (due.length > 0) heading('To follow')
  for (const text of due) say(text)
  blocks.push(...adviceBlocks(file.job))
  if (file.job.note) {
    heading('Note')
    say(String(file.job.note))
  }
  blocks.push(...warrantyBlocks(file.job), ...pictureBlocks(file))
  blocks.push({
    kind: 'small',
    text: 'Local codes, the maker’s sheets and a licensed plumber’s judgement come first.',
  })
  blocks.push(...signatureBlocks(file))
  return blocks
}

/** What goes in at a point of a job. */
function goesIn({ pointId, fixtures, more }: Fields, at: unknown): Body[] {
  const further = (more ?? []) as readonly { readonly pointId: string; readonly fixtures: Body[] }[]
  return at === pointId
    ? (fixtures as Body[])
    : (further.find((entry) => entry.pointId === at)?.fixtures ?? [])
}

/** Every way that was ever chosen for a line. */
function waysOf(file: JobFile, lineId: unknown): MateOption[] {
  return (file.documents.mating ?? []).flatMap((row) =>
    row.lineId === lineId ? [row.option as MateOption] : [],
  )
}

/** Whether what was ticked is a step of the ways that are chosen now. */
function stillHolds(file: JobFile, check: Fields): boolean {
  const { lineId } = check
  const chosen = newest(file.documents.mating, lineId)?.option as MateOption | undefined
  const tick = { stepId: String(check.stepId), optionId: (check.optionId ?? null) as string | null }
  return stepOf(tick, chosen ?? null, waysOf(file, lineId)) !== null
}

/** Distances measured along a line that hold for its way, as the core takes them. */
function measuredOf(file: JobFile, lineId: unknown, option: MateOption): fitup.Dimension[] {
  const rows = (file.documents.dimension ?? []) as readonly (Fields & EntityFields<'dimension'>)[]
  return dimensionsFor(
    rows.filter((row) => row.lineId === lineId),
    option,
    waysOf(file, lineId),
  ).map(({ id, from, to, mm, measurer, dry }) => ({
    id: String(id),
    // checked against the places there are when it was kept
    from: from as fitup.StationId,
    to: to as fitup.StationId,
    mm,
    measurer,
    dry,
  }))
}

/** What was measured along a line and what was cut for it, in words. */
function cutList(
  option: MateOption,
  dimensions: readonly fitup.Dimension[],
  begins: 'pipe' | 'fresh' | 'run',
): string[] {
  const families = option.parts.map(({ family }) => family)
  const { pieces } = fitup.layOut({
    chain: option,
    stubMm: begins === 'pipe' ? option.leavesStubMm : null,
    dimensions,
  })
  const inches = (mm: number, quantity?: 'pipe-to-cut' | 'insertion-mark') =>
    formatLength(mm, { unit: 'in', ...(quantity ? { quantity } : {}) })
  return [
    ...dimensions.map(
      ({ from, to, mm }) =>
        `Measured from ${stationText(from, families, begins)} to ${stationText(to, families, begins)}: ${inches(mm)}.`,
    ),
    ...pieces.flatMap(({ part, sawMm, marksMm }, index) =>
      sawMm === null
        ? []
        : [
            `Piece ${pieceLetter(index)}, ${option.parts[part]?.name}: ${inches(sawMm, 'pipe-to-cut')}; marks ${marksMm.map((mm) => inches(mm, 'insertion-mark')).join(' and ')} from its ends.`,
          ],
    ),
  ]
}

function checkText(check: Fields): string {
  const key = String(check.stepId).split('/').at(-1) ?? ''
  // the note says what it came to, and every reading
  if (check.stepId === 'general/hold') return `pressure hold (${String(check.note)})`
  if (String(check.stepId).includes('/long/')) return 'a piece left long and capped, to be cut later'
  if (String(check.stepId).includes('/cut/')) {
    const mm = Number(check.note)
    const what = key === 'old' ? 'old pipe cut' : 'piece cut'
    return mm > 0 ? `${what} at ${formatLength(mm, { unit: 'in' })}` : what
  }
  const words = {
    'dry-inlet': 'prove.tissue-inlet',
    'dry-outlet': 'prove.tissue-outlet',
    'two-hours': 'prove.two-hours',
    morning: 'prove.morning',
  }[key]
  return words ? stepText({ words, parameters: {} }, 'in') : key
}
