import type { Belief, ClassBelief, HazardFlag } from '@diarmos/core'
import {
  ANSWERS,
  HAZARDS,
  MEDIUM_WORDS,
  odds,
  QUESTIONS,
  REUSE_WORDS,
  SURFACE_WORDS,
  UNDONE_WORDS,
} from '@diarmos/core/words/find'
import { reasonText } from '@diarmos/core/words/reasons'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Note } from '../ui/Note'
import { PipeSign } from '../ui/PipeSign'
import { Txt } from '../ui/Txt'

/** How many candidates are worth a line. */
const NAMED = 4

type Row = Pick<ClassBelief, 'classId' | 'name' | 'probability' | 'prior'> & {
  readonly material: ClassBelief['material'] | null
}

/** A candidate: its picture, its odds after the looks, and a tick where it stood before anyone looked. */
function Candidate({ row }: { row: Row }) {
  return (
    <View className="mt-1 flex-row items-center gap-3">
      <View aria-hidden>
        <PipeSign material={row.material} small />
      </View>
      <View className="flex-1">
        <View className="flex-row justify-between">
          <Txt size="s" className="shrink">
            {row.name}
          </Txt>
          <Txt size="s" bold className="shrink-0">
            {odds(row.probability)}
          </Txt>
        </View>
        <View
          className="mt-0.5 h-[8px] bg-rule"
          role="img"
          aria-label={`${odds(row.probability)} after the looks, ${odds(row.prior)} before`}
        >
          <View className="h-[8px] bg-patina" style={{ width: `${Math.max(1, row.probability * 100)}%` }} />
          <View
            className="absolute -bottom-[3px] -top-[3px] w-[3px] bg-ink"
            style={{ left: `${Math.min(99, row.prior * 100)}%` }}
          />
        </View>
      </View>
    </View>
  )
}

/** Whether the looks or what is usual here did most of the work, in words. */
function weightOfPrior(leader: ClassBelief | undefined): string | null {
  if (!leader) return null
  const bits = (p: number) => Math.log2(Math.max(p, 1e-9) / Math.max(1 - p, 1e-9))
  const gained = bits(leader.probability) - bits(leader.prior)
  return gained < 2 && leader.prior > 0.2
    ? 'Mostly because it is usual here: the looks so far add little.'
    : null
}

/** What is said first: that it is no water pipe goes before its name. */
function headOf({ reason, none, classes: [leader] }: Belief): string | undefined {
  if (reason.ruleId === 'find.no-observation') return 'What is this pipe?'
  if (none > (leader?.probability ?? 0)) return 'None of these'
  return reason.ruleId === 'find.not-water' ? 'No water pipe' : leader?.name
}

/** What the pipe is, how sure that is, and what else it may be. */
export function BeliefView({ belief }: { belief: Belief }) {
  const unit = usePreferences((state) => state.unit)
  const asked = belief.reason.ruleId !== 'find.no-observation'
  const leader = belief.classes[0]
  const rows: Row[] = [
    ...belief.classes.filter((entry) => entry.probability >= 0.01).slice(0, NAMED),
    ...(belief.none >= 0.01
      ? [{ classId: 'none', name: 'none of these', material: null, probability: belief.none, prior: 0.02 }]
      : []),
  ].sort((a, b) => b.probability - a.probability)
  const lying = Object.entries(belief.surface)
    .filter(([id, p]) => id !== 'clean' && p > 0.5)
    .map(([id]) => SURFACE_WORDS[id] ?? id)
  const usual = asked ? weightOfPrior(leader) : null
  return (
    <View aria-live="polite" testID="belief">
      <Txt bold size="l" heading={2}>
        {headOf(belief)}
      </Txt>
      <Txt tone="soft">{reasonText(belief.reason, unit)}</Txt>
      {belief.undecided ? (
        <Note kind="note" title="This look would decide">
          {QUESTIONS[belief.undecided.question] ?? belief.undecided.question}
        </Note>
      ) : null}
      {asked ? rows.map((row) => <Candidate key={row.classId} row={row} />) : null}
      {asked ? (
        <Txt size="s" tone="soft" className="mt-1">
          The tick on each bar: how usual it is here, before any look.
          {usual ? ` ${usual}` : ''}
          {lying.length > 0 ? ` The place is likely ${lying.join(', ')}: one spot proves little.` : ''}
        </Txt>
      ) : null}
      <JointLine belief={belief} />
    </View>
  )
}

/** How the nearest joint was made, and what it asks of who wants it apart. */
function JointLine({ belief }: { belief: Belief }) {
  const [first, second] = belief.joints
  if (!first || first.probability < 0.4) return null
  return (
    <View className="mt-2 border-t border-rule pt-2" testID="joint-belief">
      <Txt bold>
        Joint: {ANSWERS[first.joint] ?? first.joint} ({odds(first.probability)})
      </Txt>
      <Txt size="s" tone="soft">
        It {UNDONE_WORDS[first.undone]}; {REUSE_WORDS[first.reuse]}.
        {second && second.probability > 0.1 ? ` Or ${ANSWERS[second.joint] ?? second.joint}.` : ''}
      </Txt>
    </View>
  )
}

/** A hazard that is no stop: one line, which opens to what to do and who decides. */
function Warning({ flag, text }: { flag: HazardFlag; text: string }) {
  const [open, setOpen] = useState(false)
  const title = HAZARDS[flag.hazardId]?.title ?? flag.hazardId
  const caution = flag.level === 'caution'
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`${caution ? 'Caution' : 'Note'}: ${title}${open ? `. ${text}` : ''}`}
      onPress={() => setOpen(!open)}
      className={`my-0.5 min-h-[48px] justify-center rounded-[4px] border-l-[5px] px-3 py-1 ${caution ? 'border-amber bg-amber-wash' : 'border-rule bg-raised'}`}
    >
      <View className="flex-row items-center justify-between">
        <Txt bold tone={caution ? 'amber' : 'ink'} className="shrink">
          {caution ? '△ Caution' : '□ Note'}: {title}
        </Txt>
        <Txt bold>{open ? '−' : '+'}</Txt>
      </View>
      {open ? <Txt size="s">{text}</Txt> : null}
    </Pressable>
  )
}

/** What must be known before anyone goes on, hardest first: a stop in full, the rest a line each. */
export function Hazards({ belief }: { belief: Belief }) {
  const order = ['stop', 'caution', 'note']
  const carried = Object.entries(belief.carries).sort((a, b) => b[1] - a[1])[0]
  return (
    <View testID="hazards">
      {[...belief.hazards]
        .sort((a, b) => order.indexOf(a.level) - order.indexOf(b.level))
        .map((flag) => {
          const words = HAZARDS[flag.hazardId]
          if (!words) return null
          const text = `${words.todo} Decides: ${words.decides}.`
          if (flag.level !== 'stop') return <Warning key={flag.hazardId} flag={flag} text={text} />
          return (
            <Note key={flag.hazardId} kind="stop" title={words.title}>
              {carried
                ? `${text} It most likely carries ${MEDIUM_WORDS[carried[0]]}; that is not enough.`
                : text}
            </Note>
          )
        })}
    </View>
  )
}
