import { QUESTIONS } from '@diarmos/core/words/find'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { Txt } from '../ui/Txt'
import { signFor } from './signFor'

/** Everything one can look at or measure, by what it takes. */
const GROUPS = [
  {
    key: 'eye',
    label: 'Look',
    questions: ['sign:colour', 'sign:shaving-colour', 'print', 'sign:print-colour', 'sign:carries'],
  },
  { key: 'hand', label: 'Touch', questions: ['sign:scratch', 'sign:magnet', 'sign:flex', 'sign:tap'] },
  {
    key: 'joint',
    label: 'Joint',
    questions: ['sign:joint', 'sign:joint-nut', 'sign:joint-band', 'sign:joint-seam', 'sign:joint-turns'],
  },
  {
    key: 'measure',
    label: 'Measure',
    questions: [
      'outside:caliper',
      'outside:string',
      'outside:tape',
      'outside:screen-gauge',
      'outside:paper-strip',
      'gauge',
      'bore:caliper',
      'wall:caliper',
    ],
  },
] as const

/** The group that a question belongs to. */
function groupOf(question: string | undefined): string {
  return (
    GROUPS.find(({ questions }) => (questions as readonly string[]).includes(question ?? ''))?.key ?? 'eye'
  )
}

interface Props {
  readonly best: string | undefined
  readonly done: ReadonlySet<string>
  readonly onAsk: (question: string) => void
}

/**
 * The looks as pictures, four kinds of them, so that all of one kind stand on one screen. The kind stays until somebody
 * picks another: an answer that arrives must not move the pictures under a finger. Where the best look is, is marked.
 */
export function LookGrid({ best, done, onAsk }: Props) {
  const [shown, setShown] = useState(() => groupOf(best))
  return (
    <View className="mt-4">
      <View role="tablist" aria-label="Ways to look" className="flex-row border-b border-rule">
        {GROUPS.map(({ key, label }) => {
          const here = key === shown
          return (
            <Pressable
              key={key}
              role="tab"
              aria-selected={here}
              tabIndex={here ? 0 : -1}
              aria-label={label}
              onPress={() => setShown(key)}
              className={`min-h-[48px] flex-1 items-center justify-center border-b-[4px] ${here ? 'border-patina' : 'border-transparent'}`}
            >
              <Txt bold={here} tone={here ? 'patina' : 'ink'}>
                {label}
              </Txt>
              {best !== undefined && groupOf(best) === key ? (
                <View aria-hidden className="absolute right-2 top-2 h-2 w-2 rounded-full bg-patina" />
              ) : null}
            </Pressable>
          )
        })}
      </View>
      <View className="-mx-1 flex-row flex-wrap pt-1">
        {GROUPS.find(({ key }) => key === shown)?.questions.map((question) => (
          <View key={question} className="w-1/2 p-1">
            <Pressable
              role="button"
              aria-label={QUESTIONS[question] ?? question}
              onPress={() => onAsk(question)}
              className={`min-h-[92px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] bg-raised p-2 active:bg-patina-wash ${question === best ? 'border-patina' : 'border-rule'}`}
            >
              <View aria-hidden>{signFor(question)}</View>
              <Txt size="s" className="mt-1 text-center" bold={question === best}>
                {done.has(question) ? '✓ ' : ''}
                {QUESTIONS[question]}
              </Txt>
            </Pressable>
          </View>
        ))}
      </View>
    </View>
  )
}
