import ICAL from 'ical.js'
import { calendarText } from './reminders'

const at = (text: string) => new Date(text)

it('a calendar file is read by another library as it was meant: times in UTC, text with its commas, an alarm at the time', async () => {
  const asked = [
    {
      uid: 'job-1 general/two-hours',
      at: at('2026-03-29T00:45:00Z'),
      title: 'Look again: basin, hot; "upstairs"',
      note: 'Two lines,\nwith a tissue; both\\sides.',
    },
    { uid: 'job-1 general/morning', at: at('2026-12-31T23:50:00Z'), title: 'Überprüfen ½ in — 水' },
  ]
  const calendar = new ICAL.Component(ICAL.parse(await calendarText(asked)))
  const events = calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event))
  expect(events.map(({ uid }) => uid)).toEqual(asked.map(({ uid }) => `${uid}@diarmos`))
  expect(events.map(({ summary }) => summary)).toEqual(asked.map(({ title }) => title))
  expect(events[0]?.description).toBe(asked[0]?.note)
  for (const [index, event] of events.entries()) {
    expect(event.startDate.toJSDate()).toEqual(asked[index]?.at)
    expect(event.duration.toSeconds()).toBe(15 * 60)
    const alarm = event.component.getFirstSubcomponent('valarm')
    expect(alarm?.getFirstPropertyValue('action')).toBe('DISPLAY')
    // a minute before: RFC 5545, 3.3.6
    expect(String(alarm?.getFirstPropertyValue('trigger'))).toBe('-PT1M')
  }
})

it('what is no time makes no file', async () => {
  await expect(calendarText([{ uid: 'x', at: at('never'), title: 'x' }])).rejects.toThrow()
})
