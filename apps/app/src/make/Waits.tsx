import { stepText } from '@diarmos/core/words/steps'
import { format } from 'date-fns/format'
import { View } from 'react-native'
import { saveReminders } from '../calendar/reminders'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { Txt } from '../ui/Txt'
import type { Wait } from './made'

/** Minutes and seconds that are left, or none. */
export function left(endsAt: number, now: number): string {
  const seconds = Math.max(0, Math.ceil((endsAt - now) / 1000))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** What is longer nobody stands by: it may go into the calendar, ms. */
const LONG_MS = 15 * 60_000

/** What cools, cures or shrinks meanwhile, each with what is left of it; what ended comes first. */
export function Waits({ waits, now }: { waits: readonly Wait[]; now: number }) {
  const unit = usePreferences((state) => state.unit)
  if (waits.length === 0) return null
  const running = waits.some(({ endsAt }) => endsAt > now)
  const long = waits.filter(({ endsAt }) => endsAt > now + LONG_MS)
  return (
    <View role="timer" aria-label="Waits" className="my-2 border-l-[5px] border-amber bg-amber-wash p-3">
      {[...waits]
        .sort((a, b) => a.endsAt - b.endsAt)
        .map(({ step, endsAt }) => (
          <View key={step.id} className="flex-row items-center gap-3" testID={`wait-${step.id}`}>
            <Txt bold size="xl" tone="amber" className="min-w-[88px]">
              {endsAt > now ? left(endsAt, now) : 'over'}
            </Txt>
            <Txt size="s" className="flex-1">
              {stepText(step, unit)} {endsAt > now ? `Until ${format(endsAt, 'HH:mm')}.` : ''}
            </Txt>
          </View>
        ))}
      {running ? (
        <Txt size="s" tone="soft">
          It rings while this page is looked at; a locked phone does not ring.
        </Txt>
      ) : null}
      {long.length > 0 ? (
        <Button
          kind="quiet"
          label="Into the calendar"
          onPress={() =>
            saveReminders(
              long.map(({ step, endsAt }) => ({
                uid: `${step.id} ${endsAt}`,
                at: new Date(endsAt),
                title: `Over: ${stepText(step, unit)}`,
              })),
              'waits',
            )
          }
        />
      ) : null}
    </View>
  )
}
