import { createHash } from 'node:crypto'
import { BODY_KINDS } from '@diarmos/core'
import fc from 'fast-check'
import { entities } from '..'
import {
  fixturesOf,
  LATER_FIELDS,
  laterStamp,
  liftConflict,
  liftOperation,
  nextStamp,
  SCHEMA_VERSION,
  stampOf,
} from '.'

const ms = fc.integer({ min: 0, max: 36 ** 9 })
const device = fc.uuid()
const stamp = fc.record({ ms, device }).map(({ ms: at, device: of }) => nextStamp('', at, of))

describe('the logical clock', () => {
  it('gives stamps that grow whatever the wall clock does, through a count that is full', () => {
    fc.assert(
      fc.property(fc.array(ms, { minLength: 2, maxLength: 20 }), device, (times, of) => {
        let last = ''
        for (const time of times) {
          const next = nextStamp(last, time, of)
          expect(next > last).toBe(true)
          // never behind the wall clock either
          expect(next >= nextStamp('', time, '')).toBe(true)
          last = next
        }
      }),
    )
    // 36^4 edits within one millisecond: the time moves on by one, so that the order stands
    const full = '00000000rs-zzzz-device'
    expect(nextStamp(full, 0, 'device')).toBe('00000000rt-0000-device')
    expect(nextStamp('00000000rs-zzzy-device', 0, 'device')).toBe(full)
  })

  it('keeps a clock that runs ahead, and counts while it stands', () => {
    expect(nextStamp('00000000rs-0003-aaaaaaaa', 999, 'b')).toBe('00000000rs-0004-b')
    expect(nextStamp('00000000rs-0003-aaaaaaaa', 1000, 'b')).toBe('00000000rs-0004-b')
    expect(nextStamp('00000000rs-0003-aaaaaaaa', 1001, 'b')).toBe('00000000rt-0000-b')
  })

  it('reads a stamp that is none as the beginning', () => {
    for (const none of ['', '-', 'nothing-at-all', '!-!'])
      expect(nextStamp(none, 1000, 'device').slice(0, 10) >= '00000000rs').toBe(true)
    expect(nextStamp('!-!', 0, 'd')).toBe('0000000000-0001-d')
  })

  it('takes the later of two over, in either order', () => {
    fc.assert(
      fc.property(stamp, stamp, (a, b) => {
        const later = laterStamp(a, b)
        expect(later).toBe(laterStamp(b, a))
        expect([a, b]).toContain(later)
        expect(later >= a && later >= b).toBe(true)
      }),
    )
  })

  it('stamps an edit from before there were stamps by its own time', () => {
    expect(stampOf('1970-01-01T00:00:01.000Z', '0123456789')).toBe('00000000rs-0000-01234567')
    expect(stampOf('long ago', 'd')).toBe('0000000000-0000-d')
    expect(stampOf('1950-01-01T00:00:00Z', 'd')).toBe('0000000000-0000-d')
  })
})

/** Of the whole translation, as it was made on 27 November 2026. */
const FROZEN = '7074ea3b0db9c3e28e7db19955faf7ee9f51120ffe78e1d7ea84afe7f7e8fe32'

describe('versions', () => {
  const first = { schema: 1, deviceId: 'phone', at: '1970-01-01T00:00:01.000Z', opId: 'one' }

  it('lifts an operation of the first release and leaves every other as it is', () => {
    expect(liftOperation(first)).toEqual({
      ...first,
      schema: SCHEMA_VERSION,
      generation: null,
      prior: null,
      clock: '00000000rs-0000-phone',
    })
    for (const schema of [SCHEMA_VERSION, SCHEMA_VERSION + 1]) {
      const operation = { ...first, schema, clock: 'mine' }
      expect(liftOperation(operation)).toBe(operation)
    }
  })

  it('has for each later field a value that its entity takes, and one that says nothing', () => {
    for (const [kind, fields] of Object.entries(LATER_FIELDS))
      for (const [field, value] of Object.entries(fields)) {
        const shape = entities[kind as keyof typeof entities].shape as Record<
          string,
          { safeParse(value: unknown): { success: boolean } }
        >
        expect([kind, field, shape[field]?.safeParse(value).success]).toEqual([kind, field, true])
        // unknown, none, not so, as drawn, one outlet, nothing written, as it was left: an old phone can have meant
        // nothing else
        if (kind !== 'settings')
          expect([null, false, 0, 1, '', '[]', 'left']).toContain(Array.isArray(value) ? '[]' : value)
      }
  })

  it('makes bodies of what went in by name: every kind alone, and a valve with all it may feed', () => {
    // the kinds that there were in version 2
    const kinds = BODY_KINDS.slice(0, 29).map(({ id }) => id)
    const outlets = kinds.filter((id) => id.startsWith('spout.') || id.startsWith('arm.'))
    const texts = [
      ...kinds,
      ...kinds
        .filter((id) => id.startsWith('valve.'))
        .flatMap((valve) =>
          outlets.flatMap((a) => [`${valve}+${a}`, ...outlets.map((b) => `${valve}+${a}+${b}`)]),
        ),
    ]
    // what was stored stands on these: a row that is changed needs another version, and this list kept as it is
    const whole = texts.map((text) => [text, fixturesOf(text)])
    expect(createHash('sha256').update(JSON.stringify(whole)).digest('hex')).toBe(FROZEN)
    expect(texts).toHaveLength(29 + 6 * 5 * 6)
  })

  it('lifts only what it understands', () => {
    const edit = { ...first, schema: 2, kind: 'job', clock: 'c' }
    const lifted = (patch: unknown) => liftOperation({ ...edit, patch }).patch
    expect(lifted({ fixtureId: null })).toEqual({ fixtures: [] })
    expect(lifted({ fixtureId: 5 })).toEqual({ fixtureId: 5 })
    expect(lifted({ fixtureId: 'closed', fixtures: [] })).toEqual({ fixtures: [] })
    expect(lifted('nothing')).toBe('nothing')
    expect(liftOperation({ ...edit, kind: 'point', patch: { fixtureId: 'closed' } }).patch).toEqual({
      fixtureId: 'closed',
    })
    const other = { field: 'note', theirs: 'a', mine: 'b' }
    expect(liftConflict('job', other)).toBe(other)
  })
})
