import type { LineResult, Reason } from '@diarmos/core'
import { FAMILY_WORDS, METHOD_WORDS } from '@diarmos/core/words/fixtures'
import { REMOVAL_WORDS } from '@diarmos/core/words/methods'
import { CHANGES, reasonText } from '@diarmos/core/words/reasons'
import { useState } from 'react'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { Length } from '../ui/Length'
import { money } from '../ui/money'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

function source(reason: Reason): string {
  return `${reason.source.title}${reason.source.title === 'Common practice' ? '' : ` (${reason.source.certainty})`}`
}

/** What is not offered, and the first hard reason: methods, and parts that the place leaves out. */
export function Refusals({ result }: { result: LineResult }) {
  const unit = usePreferences((state) => state.unit)
  const [open, setOpen] = useState(false)
  const count = result.refusals.length + result.leftOut.length
  if (count === 0) return null
  // what is never made on such a pipe is said in one breath, after what a change would help
  const isNever = ({ reason }: LineResult['refusals'][number]) => reason.ruleId === 'method.not-on-this-pipe'
  const never = result.refusals.filter(isNever)
  const others = result.refusals.filter((refusal) => !isNever(refusal))
  return (
    <View className="mt-2">
      <Button
        kind="quiet"
        label={open ? 'Hide what is not offered' : `Not offered, and why (${count})`}
        onPress={() => setOpen(!open)}
        testID="refusals"
      />
      {open
        ? others.map(({ method, reason }) => (
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
      {open
        ? result.leftOut.map(({ family, reason }) => (
            <View key={family} className="border-b border-rule py-2">
              <Txt bold>{FAMILY_WORDS[family]}</Txt>
              <Txt size="s">{reasonText(reason, unit)}</Txt>
              <Txt size="s" tone="soft">
                {source(reason)}
              </Txt>
            </View>
          ))
        : null}
      {open && never.length > 0 ? (
        <View className="border-b border-rule py-2">
          <Txt bold>{never.map(({ method }) => METHOD_WORDS[method]).join(', ')}</Txt>
          <Txt size="s">Not made on {String(never[0]?.reason.parameters.material)} of this size.</Txt>
        </View>
      ) : null}
    </View>
  )
}

/** What stands against it now, that these changes would lift: each sentence once. */
function liftedBy(
  { changes }: LineResult['remedies'][number],
  { refusals }: LineResult,
  unit: 'in' | 'mm',
): string[] {
  const lifted = refusals.filter(({ reason: { change } }) => change && changes.includes(change))
  return [
    ...new Set(
      lifted.map(({ method, reason }) =>
        reasonText(
          { ...reason, parameters: { ...reason.parameters, method: METHOD_WORDS[method] ?? method } },
          unit,
        ),
      ),
    ),
  ].slice(0, 1)
}

/** What would make something fit, where nothing does. */
export function Nothing({ result }: { result: LineResult }) {
  const unit = usePreferences((state) => state.unit)
  return (
    <View testID="nothing-fits">
      <Note kind="stop" title="Nothing fits under these conditions">
        {result.remedies.length > 0
          ? 'One of these changes would make it possible:'
          : 'No change of three conditions or fewer would make it possible.'}
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
            gives:{' '}
            {[
              REMOVAL_WORDS[remedy.gives.removalId],
              // what stays is not joined anew
              ...(remedy.gives.methods.length > 0
                ? [remedy.gives.methods.map((method) => METHOD_WORDS[method]).join(' → ')]
                : []),
              `${money(remedy.gives.totalCents)} all told`,
            ].join(', ')}
          </Txt>
          {liftedBy(remedy, result, unit).map((text) => (
            <Txt key={text} size="s">
              {text}
            </Txt>
          ))}
        </View>
      ))}
      {result.lastResort ? (
        <View className="py-2">
          <Txt bold>{result.remedies.length > 0 ? 'Or' : 'What then'}</Txt>
          <Txt size="s">{reasonText(result.lastResort, unit)}</Txt>
        </View>
      ) : null}
    </View>
  )
}
