import { dueText, looksAgain } from './rechecks'

const view = (checks: Record<string, { result: string; at: string }>, state = 'open') =>
  ({
    job: { fields: { state } },
    checks: new Map(
      Object.entries(checks).map(([stepId, fields]) => [stepId, { fields: { stepId, ...fields } }]),
    ),
    // of a whole view only what is asked for: a job’s state and its checks
  }) as unknown as Parameters<typeof looksAgain>[0]
const at = (hours: number, minutes = 0) => new Date(2026, 10, 10, hours, minutes)
const restored = (extra: Record<string, { result: string; at: string }> = {}) =>
  view({ 'general/restore': { result: 'done', at: at(13, 40).toISOString() }, ...extra })

it('waits two hours from when the water came back, and for the next morning, as the house rule has it', () => {
  expect(looksAgain(restored(), 'both')).toEqual([
    { stepId: 'general/two-hours', due: at(15, 40) },
    { stepId: 'general/morning', due: new Date(2026, 10, 11, 8) },
  ])
  expect(looksAgain(restored(), 'two-hours').map(({ stepId }) => stepId)).toEqual(['general/two-hours'])
  expect(looksAgain(restored(), 'next-morning').map(({ stepId }) => stepId)).toEqual(['general/morning'])
})

it('waits for nothing before water stands in it, after it was looked at, or in a job that is closed', () => {
  expect(looksAgain(view({ 'general/shut': { result: 'done', at: at(9).toISOString() } }), 'both')).toEqual(
    [],
  )
  const undone = { result: 'undone', at: at(13).toISOString() }
  expect(looksAgain(view({ 'general/restore': undone }), 'both')).toEqual([])
  const seen = restored({ 'general/two-hours': { result: 'dry', at: at(15, 50).toISOString() } })
  expect(looksAgain(seen, 'both').map(({ stepId }) => stepId)).toEqual(['general/morning'])
  const { checks } = restored()
  expect(looksAgain({ ...view({}, 'closed'), checks }, 'both')).toEqual([])
})

it('counts from the last line that came back, a stop of its own or a bowl that was let go', () => {
  const later = restored({
    'a/line/stop-open': { result: 'done', at: at(14).toISOString() },
    'b/line/fill': { result: 'dry', at: at(14, 30).toISOString() },
  })
  expect(looksAgain(later, 'two-hours')[0]?.due).toEqual(at(16, 30))
})

it.each([
  [at(15, 40), at(14), 'at 15:40'],
  [at(15, 40), at(16), 'since 15:40'],
  [new Date(2026, 10, 11, 8), at(14), 'tomorrow at 08:00'],
  [new Date(2026, 10, 10, 8), new Date(2026, 10, 12, 9), 'since Tuesday, 08:00'],
])('%s seen at %s: %s', (due, now, text) => expect(dueText(due, now)).toBe(text))
