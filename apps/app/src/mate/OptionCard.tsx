import type { MateOption, RankedOption, WayTimes } from '@diarmos/core'
import { screenText } from '@diarmos/core/words/counts'
import { CRITERION_WORDS, METHOD_WORDS, partWord } from '@diarmos/core/words/fixtures'
import { REMOVAL_WORDS, TOOL_WORDS } from '@diarmos/core/words/methods'
import { reasonText } from '@diarmos/core/words/reasons'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { minutes, money } from '../ui/money'
import { Txt } from '../ui/Txt'

/** The joints that tell ways apart: up to the stop, or all where the line begins behind one. */
function told({ joints }: MateOption): MateOption['joints'] {
  const before = joints.filter((joint) => joint.beforeStop)
  return before.length > 0 ? before : joints
}

/** A way in a few words: what joins the stub, and what follows. */
export function optionTitle(option: MateOption, last = 'on the fixture'): string {
  return told(option)
    .map((joint) => {
      const part = option.parts[joint.to]
      const name = part && (part.family === 'tube-piece' ? 'tube' : partWord(part))
      const end = option.removalId.startsWith('cut-open') ? 'on the run' : last
      const method = METHOD_WORDS[joint.method] ?? joint.method
      // a ring that is screwed down, a coupling that is banded: said once
      if (part && name?.endsWith(method)) return name
      return `${method} ${part ? name : end}`
    })
    .join(' → ')
}

/** The methods of a way, in the order in which they come. */
export function methodTitle(option: MateOption): string {
  return [...new Set(told(option).map((joint) => METHOD_WORDS[joint.method] ?? joint.method))].join(' + ')
}

/** What tells a way from others of the same methods: how the old end comes off, else what stands on it first. */
export function tellsApart(option: MateOption, others: readonly MateOption[]): string {
  const alike = others.filter((other) => other !== option && methodTitle(other) === methodTitle(option))
  if (alike.length === 0) return ''
  if (alike.some(({ removalId }) => removalId !== option.removalId))
    return REMOVAL_WORDS[option.removalId] ?? ''
  const [first] = option.parts
  return (first && partWord(first)) ?? ''
}

/** Why a way is listed at all, in one line. */
export function whyHere(option: RankedOption, only = false): string {
  if (only) return 'The only way found'
  const leads = option.leads.map((criterion) => CRITERION_WORDS[criterion]).join(', ')
  if (leads) return leads.charAt(0).toUpperCase() + leads.slice(1)
  return option.onFront
    ? 'No other way is as good in every respect'
    : `The cheapest of its kind; another is better in every respect`
}

function Figure({ label, value }: { label: string; value: string }) {
  // as wide as its number: a price that breaks in two is another price
  return (
    <View className="shrink-0 pr-2">
      <Txt bold size="l" numberOfLines={1}>
        {value}
      </Txt>
      <Txt size="s" tone="soft">
        {label}
      </Txt>
    </View>
  )
}

interface Props {
  option: RankedOption
  rank: number
  chosen: boolean
  together: boolean
  /** There is no other. */
  only?: boolean
  /** What the last joint stands on, where it is no fixture. */
  last?: string
  /** Its minutes are those of its order of work; else sums of its acts, which are the least for the water. */
  planned?: boolean
}

/** Ways with the minutes that their order of work has, where those are known. */
export function withTimes(
  options: readonly RankedOption[],
  times: readonly WayTimes[] | null,
): readonly RankedOption[] {
  const of = new Map(times?.map((each) => [each.optionId, each]))
  const timed = options.map((option) => {
    const own = of.get(option.id)
    if (!own) return option
    const { handsSeconds: seconds, waterOffSeconds } = own
    return { ...option, waterOffSeconds, criteria: { ...option.criteria, seconds, waterOffSeconds } }
  })
  if (!options.every(({ id }) => of.has(id))) return timed
  // which keeps the water off for least is known by the plans alone
  const least = Math.min(...timed.map(({ waterOffSeconds }) => waterOffSeconds))
  return timed.map((option) => {
    const others = option.leads.filter((criterion) => criterion !== 'waterOffSeconds')
    return { ...option, leads: option.waterOffSeconds === least ? [...others, 'waterOffSeconds'] : others }
  })
}

/** One way: what it is, what it costs, and why it is here. */
export function OptionCard({ option, rank, chosen, together, only = false, last, planned = false }: Props) {
  const unit = usePreferences((state) => state.unit)
  const { costs, missingParts, missingTools, warnings } = option
  // what warns is said whole; what is only noted, as far as there is room
  const warns = warnings.filter(({ severity }) => severity === 'warn')
  const notes = warnings.filter(({ severity }) => severity !== 'warn')
  const said = [...warns, ...notes.slice(0, Math.max(0, 3 - warns.length))]
  const missing = [
    missingParts.length > 0 ? screenText('parts.fetch', { parts: missingParts.length }) : '',
    ...missingTools.map((tool) => TOOL_WORDS[tool] ?? tool),
  ].filter(Boolean)
  return (
    <View
      testID={`option-${rank}`}
      className={`mb-2 rounded-[4px] border-[1.5px] p-3 ${chosen ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
    >
      <Txt bold heading={2}>
        {rank}. {optionTitle(option, last)}
      </Txt>
      <Txt size="s" tone="soft">
        {REMOVAL_WORDS[option.removalId]}
        {together ? ' · best for all lines together' : ''}
      </Txt>
      <View className="my-1 flex-row flex-wrap justify-between">
        <Figure label="all told" value={money(costs.totalCents)} />
        <Figure label="parts" value={money(costs.partsCents + costs.consumablesCents)} />
        <Figure label="hands" value={minutes(option.criteria.seconds)} />
        <Figure label={planned ? 'water off' : 'water off ≥'} value={minutes(option.waterOffSeconds)} />
      </View>
      <Txt size="s" bold={option.onFront} tone={option.onFront ? 'patina' : 'soft'}>
        {whyHere(option, only)}
      </Txt>
      {option.worthTrip ? <Txt size="s">{screenText('way.worth-trip', {})}</Txt> : null}
      {option.followUp ? (
        <Txt size="s" bold tone="amber">
          △{' '}
          {option.followUp.standing === 'temporary'
            ? 'For a time only'
            : 'Improvised: a fall-back where the right part is not to be had'}
          {option.followUp.returnDays === null
            ? ''
            : screenText('way.return', { days: option.followUp.returnDays })}
        </Txt>
      ) : null}
      {missing.length > 0 ? (
        <Txt size="s" tone="amber" bold>
          △ Not aboard: {missing.join(', ')}
        </Txt>
      ) : (
        <Txt size="s" tone="patina" bold>
          All aboard
        </Txt>
      )}
      {said.map((warning) => (
        <Txt key={warning.ruleId} size="s">
          {warning.severity === 'warn' ? '△ ' : '· '}
          {reasonText(warning, unit)}
        </Txt>
      ))}
    </View>
  )
}
