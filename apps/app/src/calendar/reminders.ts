import { saveFile } from '../ui/saveFile'

/** Something that is looked after at a time. */
export interface Reminder {
  /** The same one asked for again replaces itself in the calendar. */
  readonly uid: string
  readonly at: Date
  readonly title: string
  readonly note?: string
}

/** So long a calendar shows it. */
const MINUTES = 15
/** An alarm of no minutes is written as nothing at all, which no calendar reads. */
const BEFORE = 1

/**
 * Reminders as one calendar file, each with an alarm at its time.
 *
 * @throws Error where the library finds one that is none
 */
export async function calendarText(reminders: readonly Reminder[]): Promise<string> {
  const { createEvents } = await import('ics')
  const { error, value } = createEvents(
    reminders.map(({ uid, at, title, note }) => ({
      uid: `${uid}@diarmos`,
      productId: 'diarmos',
      title,
      ...(note ? { description: note } : {}),
      start: at.getTime(),
      startInputType: 'utc' as const,
      startOutputType: 'utc' as const,
      duration: { minutes: MINUTES },
      busyStatus: 'FREE' as const,
      alarms: [
        { action: 'display' as const, description: title, trigger: { minutes: BEFORE, before: true } },
      ],
    })),
  )
  if (error || !value) throw error ?? new Error('no calendar was made')
  return value
}

/** Hands reminders to the person as a file that the phone's calendar opens. */
export async function saveReminders(reminders: readonly Reminder[], name: string): Promise<void> {
  await saveFile(`${name}.ics`, 'text/calendar', await calendarText(reminders))
}
