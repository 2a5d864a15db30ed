import { THREAD_ANSWERS, type ThreadSign as ThreadSignKind } from '@diarmos/core/answers'
import { formatLength, MM_PER_INCH, type ParsedLength } from '@diarmos/core/units'
import { GAUGE_LEAVES, leafWords, THREAD_ANSWER_WORDS, THREAD_QUESTIONS } from '@diarmos/core/words/threads'
import { useState } from 'react'
import { View } from 'react-native'
import type { NewLook } from '../find/looks'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Keypad } from '../ui/Keypad'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { ThreadLookSign } from './ThreadSign'

interface Props {
  readonly question: string
  readonly onLook: (look: NewLook, label: string) => void
  readonly onClose: () => void
}

const words = (question: string) => THREAD_QUESTIONS[question] ?? question

function SignSheet({ question, onLook, onClose }: Props) {
  const sign = question.split(':')[1] as ThreadSignKind
  const answers: readonly string[] = THREAD_ANSWERS[sign]
  return (
    <SheetModal title={words(question)} onClose={onClose}>
      <Choice
        label={words(question)}
        hideLabel
        value={null}
        columns={answers.length > 4 ? 3 : 2}
        options={answers.map((answer) => ({
          value: answer,
          label: THREAD_ANSWER_WORDS[answer] ?? answer,
          sign: <ThreadLookSign kind={answer} />,
        }))}
        onChange={(answer) =>
          onLook(
            { kind: 'thread-sign', sign: sign as never, answer, entered: answer },
            THREAD_ANSWER_WORDS[answer] ?? answer,
          )
        }
      />
    </SheetModal>
  )
}

/** Lengths over which threads are counted. */
const OVER = [
  { value: '1/2', label: '1/2 in', mm: MM_PER_INCH / 2 },
  { value: '1', label: '1 in', mm: MM_PER_INCH },
  { value: '10', label: '10 mm', mm: 10 },
  { value: '20', label: '20 mm', mm: 20 },
] as const
const MOST_THREADS = 60

function CountSheet({ onLook, onClose }: Omit<Props, 'question'>) {
  const [over, setOver] = useState<(typeof OVER)[number]['value']>('1/2')
  const [threads, setThreads] = useState(7)
  const length = OVER.find(({ value }) => value === over) ?? OVER[0]
  const step = (by: number) => setThreads((count) => Math.min(MOST_THREADS, Math.max(1, count + by)))
  const text = `${threads} over ${length.label}`
  return (
    <SheetModal title="Count the threads" onClose={onClose}>
      <Txt size="s" tone="soft" className="mb-2">
        Lay a rule along the crests. Count the gaps between them; a half is a half.
      </Txt>
      <Choice label="Over" columns={4} value={over} options={[...OVER]} onChange={setOver} />
      <View className="my-3 flex-row items-center justify-between">
        <Button label="−1" hint="one thread fewer" className="w-[60px] px-1" onPress={() => step(-1)} />
        <Button label="−½" hint="half a thread fewer" className="w-[60px] px-1" onPress={() => step(-0.5)} />
        <View aria-live="polite" className="w-[84px] items-center">
          <Txt bold size="xxl">
            {threads}
          </Txt>
        </View>
        <Button label="+½" hint="half a thread more" className="w-[60px] px-1" onPress={() => step(0.5)} />
        <Button label="+1" hint="one thread more" className="w-[60px] px-1" onPress={() => step(1)} />
      </View>
      <Button
        kind="primary"
        label={`Enter ${text}`}
        onPress={() =>
          onLook({ kind: 'thread-count', entered: text, about: { threads, overMm: length.mm } }, text)
        }
      />
    </SheetModal>
  )
}

const LEAVES = GAUGE_LEAVES.map((leaf) => ({ ...leaf, label: leafWords(leaf) }))

function LeafSheet({ onLook, onClose }: Omit<Props, 'question'>) {
  const [label, setLabel] = useState<string | null>(null)
  const leaf = LEAVES.find((entry) => entry.label === label)
  if (!leaf)
    return (
      <SheetModal title="Which leaf did you lay in?" onClose={onClose}>
        <Txt size="s" tone="soft" className="mb-2">
          Threads an inch and the angle as stamped, or the pitch in mm.
        </Txt>
        <Choice
          label="Gauge leaf"
          hideLabel
          columns={3}
          value={null}
          options={LEAVES.map((entry) => ({ value: entry.label, label: entry.label }))}
          onChange={setLabel}
        />
      </SheetModal>
    )
  return (
    <SheetModal title={`Leaf ${leaf.label}: how does it lie?`} onClose={onClose}>
      <Choice
        label={`Leaf ${leaf.label}`}
        hideLabel
        value={null}
        options={(['fits', 'rocks'] as const).map((fits) => ({
          value: fits,
          label: THREAD_ANSWER_WORDS[fits] ?? fits,
          sign: <ThreadLookSign kind={fits} />,
        }))}
        onChange={(fits) =>
          onLook(
            {
              kind: 'thread-leaf',
              entered: leaf.label,
              answer: fits,
              about: { pitchMm: leaf.pitchMm, form: leaf.form },
            },
            `leaf ${leaf.label}`,
          )
        }
      />
    </SheetModal>
  )
}

const TAPER_STEPS = [
  { key: 'firstMm', title: 'Across the crests, near the end', hint: 'On the first whole thread.' },
  {
    key: 'secondMm',
    title: 'Across the crests, further in',
    hint: 'As far from the first as the thread allows.',
  },
  { key: 'apartMm', title: 'How far apart?', hint: 'Along the thread, from the one place to the other.' },
] as const

function TaperSheet({ onLook, onClose }: Omit<Props, 'question'>) {
  const [lengths, setLengths] = useState<ParsedLength[]>([])
  const step = TAPER_STEPS[lengths.length]
  if (!step) return null
  return (
    <Keypad
      key={step.key}
      title={`${lengths.length + 1} of 3: ${step.title}`}
      hint={step.hint}
      onClose={onClose}
      onEnter={(length) => {
        const all = [...lengths, length]
        if (all.length < TAPER_STEPS.length) return setLengths(all)
        const [first, second, apart] = all as [ParsedLength, ParsedLength, ParsedLength]
        const entered = `${first.text}, ${second.text}, ${apart.text} apart`
        onLook(
          {
            kind: 'thread-taper',
            entered,
            unit: first.unit,
            about: { firstMm: first.mm, secondMm: second.mm, apartMm: apart.mm },
          },
          `taper ${formatLength(Math.abs(second.mm - first.mm), { unit: 'mm', decimals: 1 })}`,
        )
      }}
    />
  )
}

/** Asks one question about a thread, in the way it is best answered. */
export function ThreadAsk({ question, onLook, onClose }: Props) {
  const [kind = '', what = ''] = question.split(':')
  switch (kind) {
    case 'thread-sign':
      return <SignSheet question={question} onLook={onLook} onClose={onClose} />
    case 'thread-count':
      return <CountSheet onLook={onLook} onClose={onClose} />
    case 'thread-leaf':
      return <LeafSheet onLook={onLook} onClose={onClose} />
    case 'thread-taper':
      return <TaperSheet onLook={onLook} onClose={onClose} />
    default:
      return (
        <Keypad
          title={words(question)}
          hint="Outside of a male thread, inside of a nut: from crest to crest."
          onClose={onClose}
          onEnter={(length) =>
            onLook(
              {
                kind: 'thread-across',
                instrument: what as never,
                entered: length.text,
                mm: length.mm,
                resolutionMm: length.resolutionMm,
                unit: length.unit,
              },
              length.text,
            )
          }
        />
      )
  }
}
