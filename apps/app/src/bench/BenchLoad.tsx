import type { OperationRequest } from '@diarmos/contract'
import { LOAD_NAMES } from '@diarmos/core/words/drainLoad'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { useSettings } from '../data/select'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { CODE_CHOICES, CODES } from '../ui/codes'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { decodeCounts, encodeCounts, MOST_OF_EACH } from './counts'
import { LoadPicture } from './LoadPicture'

type Ask = OperationRequest<'drain-load'>

const PIPES = [
  { value: 'branch', label: 'a branch that lies' },
  { value: 'stack', label: 'a stack' },
  { value: 'main', label: 'the building drain' },
] as const
const TITLES = {
  'load.no-table': 'No table of this code',
  'load.no-size': 'No such size in its table',
  'load.nothing': 'Nothing counted yet',
  'load.takes': 'Within what it takes',
  'load.over': 'More than it takes',
  'load.closets': 'Too many toilets',
  'load.own-drain': 'Too small a pipe',
} as const
const FALLS = ['1/8', '1/4', '1/2'] as const
const one = <Value extends string>(list: readonly Value[], given: string | undefined, otherwise: Value) =>
  list.find((value) => value === given) ?? otherwise

function Counter({ label, count, onCount }: { label: string; count: number; onCount: (n: number) => void }) {
  return (
    <View className="min-h-[60px] flex-row items-center gap-2 border-b border-rule">
      <Txt className="flex-1" bold={count > 0}>
        {label}
      </Txt>
      <Button
        label="−"
        className="w-[56px]"
        hint={`one ${label} fewer`}
        disabled={count === 0}
        onPress={() => onCount(count - 1)}
      />
      <Txt bold size="l" className="w-[36px] text-center">
        {count}
      </Txt>
      <Button
        label="+"
        hint={`one ${label} more`}
        disabled={count >= MOST_OF_EACH}
        onPress={() => onCount(count + 1)}
      />
    </View>
  )
}

/** Whether a drain takes what comes through it: all that is there, and what is still to come. */
export function BenchLoad() {
  const unit = usePreferences((state) => state.unit)
  const profile = useSettings()?.fields.mate.codeProfile
  const given = useLocalSearchParams<Record<string, string>>()
  const code = one(CODES, given.code, profile ?? 'IPC')
  const pipe = one(['branch', 'stack', 'main'] as const, given.pipe, 'branch')
  const { counts, fault } = decodeCounts(given.has)
  const request: Ask = {
    code,
    pipe,
    fall: one(FALLS, given.fall, '1/4'),
    // not asked of a size, it says which will do
    size: given.size || null,
    fixtures: counts,
  }
  const { answer, error } = useSolved('drain-load', request)
  const sizes = answer?.sizes ?? []
  const of = code === 'EN' ? 'litres a second' : 'fixture units'
  return (
    <BenchFrame
      title="Drain load"
      fault={fault}
      error={error}
      operation="drain-load"
      request={request}
      actions={
        answer ? (
          <Txt bold size="l" tone={answer.takes ? 'ink' : 'amber'} className="min-h-[32px] flex-1">
            {`${answer.takes ? '✓' : '△'} ${answer.load} of ${answer.most ?? '–'} ${of}`}
          </Txt>
        ) : null
      }
    >
      {answer ? <LoadPicture load={answer.load} most={answer.most} takes={answer.takes} of={of} /> : null}
      {answer ? (
        <View role="status">
          <Note kind={answer.takes ? 'note' : 'caution'} title={TITLES[answer.reason.ruleId]}>
            {[
              say(REASONS[answer.reason.ruleId] ?? '', answer.reason.parameters, unit),
              ...(answer.takes === (request.size === null) && answer.least && answer.load > 0
                ? [`${answer.least} ${code === 'EN' ? 'mm' : 'in'} is the smallest that takes it all.`]
                : []),
            ].join(' ')}
          </Note>
        </View>
      ) : null}
      <View className="mt-3 gap-3">
        <Choice
          label="The pipe is"
          columns={3}
          value={pipe}
          options={PIPES.map((entry) => ({ ...entry }))}
          onChange={(value) => router.setParams({ pipe: value, size: '' })}
        />
        {sizes.length > 0 ? (
          <Choice
            label={code === 'EN' ? 'Its size, mm' : 'Its size, in'}
            columns={4}
            value={answer?.size ?? null}
            options={sizes.map((value) => ({ value, label: value }))}
            onChange={(value) => router.setParams({ size: value === request.size ? '' : value })}
          />
        ) : null}
        {pipe === 'main' && code !== 'EN' ? (
          <Choice
            label="It falls, inches in a foot"
            columns={3}
            value={request.fall}
            options={FALLS.map((value) => ({ value, label: value }))}
            onChange={(value) => router.setParams({ fall: value })}
          />
        ) : null}
      </View>
      <View className="mt-3">
        {Object.entries(LOAD_NAMES).map(([id, label]) => (
          <Counter
            key={id}
            label={label}
            count={counts[id as keyof typeof counts] ?? 0}
            onCount={(count) => router.setParams({ has: encodeCounts({ ...counts, [id]: count }) })}
          />
        ))}
      </View>
      <View className="mt-3">
        <Choice
          label="Counted by"
          columns={3}
          value={code}
          options={CODE_CHOICES}
          onChange={(value) => router.setParams({ code: value, size: '' })}
        />
      </View>
      <Txt size="s" tone="soft" className="mt-3">
        {answer ? `${answer.source.title} (${answer.source.certainty}). ` : ''}The local code comes first.
      </Txt>
    </BenchFrame>
  )
}
