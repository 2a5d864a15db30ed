import type { JobFile } from '@diarmos/contract'
import {
  CoreFault,
  drawJointLine,
  faultText,
  type fitup,
  formatLength,
  hangsOnStub,
  type LengthUnit,
  type MateOption,
  pieceLetter,
  reasonText,
  SEALS,
  stationText,
  stepText,
  toSvg,
} from '@diarmos/core'
import { calledAfter, stepOf } from '@diarmos/core/record'
import type { Block } from './block'
import { endsOf, measuredOf, piecesOf, waysOf } from './lengths'
import { methodText, newest } from './newest'
import { adviceBlocks, followUps, pictureBlocks, signatureBlocks, warrantyBlocks } from './record'
import { trapCuts } from './trap'
import { wallDepth, wallOpening } from './valveWall'

type Fields = Record<string, unknown>

/** The job sheet: what was found, what was fitted with what seal, drawn to scale, and the checks. */
export function sheetBlocks(file: JobFile, shopName: string, unit: LengthUnit = 'in'): Block[] {
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
    const { finding, place, ends, into, begins } = endsOf(file, line)
    const mating = newest(file.documents.mating, line.id)
    if (!finding && !mating) continue
    const at = points.length > 1 ? `${points.find(({ id }) => id === line.pointId)?.name}: ` : ''
    heading(
      `${at}${at ? line.service : String(line.service).replace(/^./, (letter) => letter.toUpperCase())} line`,
    )
    if (finding) say(`Found: ${finding.name} (${Math.round(Number(finding.probability) * 100)} in 100)`)
    if (!mating) continue
    const option = mating.option as MateOption
    if (option.removalId === 'keep-stop') say('The old stop stays.')
    for (const text of wallDepth(place?.valveWall, unit)) say(text)
    // one hole for all lines of a point, said once
    for (const text of wallOpening(place?.opening, unit))
      if (!blocks.some((block) => block.kind !== 'drawing' && block.text === text)) say(text)
    option.joints.forEach((joint, index) => {
      const part = option.parts[joint.to]?.name ?? 'the fixture'
      say(`${index + 1}. ${methodText(joint.method)} into ${part}. Seal: ${SEALS[joint.seal] ?? joint.seal}.`)
    })
    for (const warning of option.warnings) say(`Note: ${reasonText(warning, unit)}`)
    const dimensions = measuredOf(file, line.id, option)
    const places = calledAfter(begins, ends?.to.kind, option)
    try {
      for (const text of cutList(option, dimensions, piecesOf(file, line, option), places, unit)) say(text)
      const stubMm = option.leavesStubMm ?? place?.stubMm ?? null
      for (const text of trapCuts(option, stubMm, place?.trap, unit)) say(text)
      const scene = drawJointLine({
        pipeId: (finding?.pipeId as string | undefined) ?? null,
        option,
        to: into ? null : (ends?.to ?? null),
        rises: place?.rises === true && hangsOnStub(ends?.to?.route ?? 'any'),
        unit,
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
    // an act that was done is no proof of anything: they are counted
    const told = checks.filter((check) => check.result !== 'done' || checkText(check, unit) !== null)
    for (const check of told)
      say(
        `${minuteOf(check)}  ${lineOf(file, check)}${checkText(check, unit) ?? String(check.stepId)}: ${resultText(check)}${stillHolds(file, check) ? '' : ', before another way was chosen'}`,
      )
    const acts = checks.filter((check) => !told.includes(check)).map((check) => minuteOf(check))
    const [first, last] = [acts[0], acts.at(-1)]
    if (first && last) say(`Acts of the work ticked as done: ${acts.length}, from ${first} to ${last}.`)
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

/** Whether what was ticked is a step of the ways that are chosen now. */
function stillHolds(file: JobFile, check: Fields): boolean {
  const { lineId } = check
  const chosen = newest(file.documents.mating, lineId)?.option as MateOption | undefined
  const tick = { stepId: String(check.stepId), optionId: (check.optionId ?? null) as string | null }
  return stepOf(tick, chosen ?? null, waysOf(file, lineId)) !== null
}

/** What was measured along a line and what was cut for it, in words. */
function cutList(
  option: MateOption,
  dimensions: readonly fitup.Dimension[],
  pieces: ReturnType<typeof piecesOf>,
  begins: ReturnType<typeof calledAfter>,
  unit: LengthUnit,
): string[] {
  const families = option.parts.map(({ family }) => family)
  const length = (mm: number, quantity?: 'pipe-to-cut' | 'insertion-mark') =>
    formatLength(mm, { unit, ...(quantity ? { quantity } : {}) })
  return [
    ...dimensions.map(
      ({ from, to, mm }) =>
        `Measured from ${stationText(from, families, begins)} to ${stationText(to, families, begins)}: ${length(mm)}.`,
    ),
    ...pieces.flatMap(({ part, sawMm, marksMm }, index) =>
      sawMm === null
        ? []
        : [
            `Piece ${pieceLetter(index)}, ${option.parts[part]?.name}: ${length(sawMm, 'pipe-to-cut')}${marksText(marksMm.filter((mm) => mm > 0).map((mm) => length(mm, 'insertion-mark')))}.`,
          ],
    ),
  ]
}

const marksText = (marks: readonly string[]) =>
  marks.length === 0
    ? ''
    : `; ${marks.length > 1 ? 'marks' : 'mark'} ${marks.join(' and ')} from ${marks.length > 1 ? 'its ends' : 'its end'}`

const minuteOf = ({ at }: Fields) => String(at).slice(0, 16).replace('T', ' ')

/** Which line a check is of, where the job has several of them. */
function lineOf(file: JobFile, { lineId }: Fields): string {
  const line = file.lines.find(({ id }) => id === lineId)
  return line ? `${line.service} line, ` : ''
}

/** What a look is called, by the last part of its step's name; an act that proves nothing has none. */
const LOOKS: Readonly<Record<string, string>> = {
  'dry-inlet': 'prove.tissue-inlet',
  'dry-outlet': 'prove.tissue-outlet',
  'dry-cap': 'prove.tissue-cap',
  fill: 'prove.fill',
  'two-hours': 'prove.two-hours',
  morning: 'prove.morning',
  inspected: 'cover.inspected',
  cover: 'cover.wall',
  breaker: 'prove.breaker',
}

/** What came of a look: of what is no seam, whether it was right. */
function resultText({ stepId, result }: Fields): string {
  const right = /\/(scald|relief)-|\/breaker$/.test(String(stepId))
  return (right ? { dry: 'right', wet: 'not right' }[String(result)] : undefined) ?? String(result)
}

function checkText(check: Fields, unit: LengthUnit): string | null {
  const key = String(check.stepId).split('/').at(-1) ?? ''
  // the note says what it came to, and every reading
  if (check.stepId === 'general/hold')
    return check.note ? `pressure hold (${String(check.note)})` : 'pressure hold'
  if (String(check.stepId).includes('/long/')) return 'a piece left long and capped, to be cut later'
  if (String(check.stepId).includes('/cut/')) {
    const mm = Number(check.note)
    const what = key === 'old' ? 'old pipe cut' : 'piece cut'
    return mm > 0 ? `${what} at ${formatLength(mm, { unit })}` : what
  }
  const words = /^(scald|relief)-/.test(key) ? `prove.${key.split('-')[0]}` : LOOKS[key]
  return words ? stepText({ words, parameters: {} }, unit) : null
}
