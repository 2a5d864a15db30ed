import type { LineResult, MateOption, MateResult, Reason } from '@diarmos/core'
import { METHOD_WORDS } from '@diarmos/core/words/fixtures'
import { CHANGES, reasonText } from '@diarmos/core/words/reasons'
import { useState } from 'react'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView, LineView, Stage } from '../data/select'
import type { EntityFields } from '../data/types'
import { chooseOptions } from '../job/actions'
import { CopyCase } from '../job/CopyCase'
import { mateRequest } from '../job/requests'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { Length } from '../ui/Length'
import { money } from '../ui/money'
import { Note } from '../ui/Note'
import { isSupply } from '../ui/service'
import { Txt } from '../ui/Txt'
import type { Solved } from '../workers/solver'
import { ConditionPanel } from './ConditionPanel'
import { OptionCard } from './OptionCard'

interface Props {
  view: JobView
  line: LineView
  mate: Solved<MateResult>
  settings: EntityFields<'settings'>['mate'] | undefined
  goTo: (stage: Stage) => void
}

function source(reason: Reason): string {
  return `${reason.source.title}${reason.source.title === 'Common practice' ? '' : ` (${reason.source.certainty})`}`
}

function Refusals({ result }: { result: LineResult }) {
  const unit = usePreferences((state) => state.unit)
  const [open, setOpen] = useState(false)
  if (result.refusals.length === 0) return null
  return (
    <View className="mt-2">
      <Button
        kind="quiet"
        label={open ? 'Hide what is not offered' : `Not offered, and why (${result.refusals.length})`}
        onPress={() => setOpen(!open)}
        testID="refusals"
      />
      {open
        ? result.refusals.map(({ method, reason }) => (
            <View key={method} className="border-b border-rule py-2">
              <Txt bold>{METHOD_WORDS[method]}</Txt>
              <Txt size="s">
                {reasonText(
                  { ...reason, parameters: { ...reason.parameters, method: METHOD_WORDS[method] ?? method } },
                  unit,
                )}
              </Txt>
              <Txt size="s" tone="soft">
                {source(reason)}
                {reason.change ? ` · would help: ${CHANGES[reason.change]}` : ''}
              </Txt>
            </View>
          ))
        : null}
    </View>
  )
}

function Nothing({ result }: { result: LineResult }) {
  return (
    <View testID="nothing-fits">
      <Note kind="stop" title="Nothing fits under these conditions">
        {result.remedies.length > 0
          ? 'One of these changes would make it possible:'
          : 'No change of three conditions or fewer would make it possible: cut back to another pipe.'}
      </Note>
      {result.remedies.slice(0, 6).map((remedy) => (
        <View key={remedy.changes.join()} className="border-b border-rule py-2">
          <View className="flex-row flex-wrap items-center">
            <Txt bold>{remedy.changes.map((change) => CHANGES[change]).join(' and ')}</Txt>
            {remedy.missingMm === undefined ? null : (
              <View className="ml-2 flex-row items-center">
                <Txt bold tone="oxide">
                  missing{' '}
                </Txt>
                <Length mm={remedy.missingMm} quantity="missing-length" tone="oxide" />
              </View>
            )}
          </View>
          <Txt size="s" tone="soft">
            gives: {remedy.gives.methods.map((method) => METHOD_WORDS[method]).join(' → ')},{' '}
            {money(remedy.gives.totalCents)} all told
          </Txt>
        </View>
      ))}
    </View>
  )
}

/** Every sound way, ranked, under the conditions that hold; and why the others are not there. */
export function MateStage({ view, line, mate, settings, goTo }: Props) {
  if (!line.finding || !view.job.fields.fixtureId)
    return (
      <StageFrame
        actions={
          <Button
            kind="primary"
            label={line.finding ? 'Say what goes in' : 'Find the pipe first'}
            onPress={() => goTo(line.finding ? 'fixture' : 'find')}
          />
        }
      >
        <Txt size="l">Not yet.</Txt>
        <Txt tone="soft">A mating needs both ends: what the pipe is, and what goes in.</Txt>
      </StageFrame>
    )
  const result = mate.answer?.lines.find((entry) => entry.lineId === line.line.id)
  const place = mate.answer?.lines.findIndex((entry) => entry.lineId === line.line.id) ?? -1
  const bestTogether = mate.answer?.together?.optionIds[place]
  const chosenId = line.mating?.fields.optionId
  const choose = (option: MateOption) => {
    if (!settings || !mate.answer) return
    // lines that stand alike get the same way, unless one was chosen there already
    const alike = view.lines.flatMap((other) => {
      if (other === line) return [{ line: other, option }]
      if (!isSupply(other.line.fields.service)) return []
      const there = mate.answer?.lines.find((entry) => entry.lineId === other.line.id)
      const same = there?.options.find((entry) => entry.id === option.id)
      return same && other.finding && (!other.mating || other.matingStale)
        ? [{ line: other, option: same }]
        : []
    })
    void chooseOptions(view, alike, settings)
  }
  const stillThere = result?.options.some((option) => option.id === chosenId)
  const ready = view.lines
    .filter((other) => isSupply(other.line.fields.service))
    .every((other) => other.mating && !other.matingStale)

  return (
    <StageFrame
      actions={ready ? <Button kind="primary" label="On to the cut" onPress={() => goTo('cut')} /> : null}
    >
      {line.matingStale ? (
        <Note kind="caution" title="Stale">
          {stillThere
            ? 'Facts changed since this way was chosen. It is still possible: choose it again to keep it.'
            : 'Facts changed since this way was chosen, and it is no longer offered. It is kept until you choose anew.'}
        </Note>
      ) : null}
      <ConditionPanel view={view} line={line} />
      <View className="mt-3" aria-live="polite" aria-busy={mate.busy}>
        {mate.error ? (
          <Note kind="caution" title="This could not be worked out">
            {mate.error.message}
          </Note>
        ) : null}
        {result ? (
          result.options.length === 0 ? (
            <Nothing result={result} />
          ) : (
            <>
              <Txt bold size="l" heading={2} className="mb-1">
                {result.options.length} ways, cheapest first
              </Txt>
              {mate.answer?.together && mate.answer.lines.length > 1 ? (
                <Txt size="s" tone="soft" className="mb-2">
                  Both lines together: {money(mate.answer.together.totalCents)}, sharing set-up and trip (each
                  alone: {money(mate.answer.together.apartCents)}).
                </Txt>
              ) : null}
              {result.options.map((option, index) => (
                <OptionCard
                  key={option.id}
                  option={option}
                  rank={index + 1}
                  chosen={option.id === chosenId && !line.matingStale}
                  together={option.id === bestTogether}
                  onChoose={() => choose(option)}
                />
              ))}
            </>
          )
        ) : (
          <Txt tone="soft">Working it out …</Txt>
        )}
        {result ? <Refusals result={result} /> : null}
      </View>
      <Txt size="s" tone="soft" className="mt-4">
        The local code, the makers’ sheets and a licensed plumber’s judgement come first.
      </Txt>
      <CopyCase operation="mate" request={mateRequest(view, settings)} />
    </StageFrame>
  )
}
