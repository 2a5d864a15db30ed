import { byHeard, rebuild, withEdit } from './held'
import { Shelf } from './shelf'
import type { Doc, Held, OperationRecord, ServerCopy } from './types'

const doc = (id: string, fields: object, more: object = {}) =>
  ({
    kind: 'line',
    id,
    revision: 1,
    removed: false,
    clock: '',
    conflicts: [],
    turn: 0,
    fields,
    ...more,
    // fields of any kind under one name: each test says its own
  }) as unknown as Held
const ids = (list: readonly Doc[]) => list.map(({ id }) => id)

describe('the shelf', () => {
  it('gives what belongs together in a steady order, the same list until something in it changes', () => {
    const shelf = new Shelf()
    shelf.put([doc('b', { pointId: 'p' }), doc('a', { pointId: 'p' }), doc('c', { pointId: 'q' })])
    const before = shelf.of('line', 'pointId', 'p')
    expect(ids(before)).toEqual(['a', 'b'])
    expect(ids(shelf.all('line'))).toEqual(['a', 'b', 'c'])
    shelf.put([doc('d', { pointId: 'q' })])
    expect(shelf.of('line', 'pointId', 'p')).toBe(before)
    // one that moves leaves the one group and comes to the other
    shelf.put([doc('b', { pointId: 'q' })])
    expect(ids(shelf.of('line', 'pointId', 'p'))).toEqual(['a'])
    expect(ids(shelf.of('line', 'pointId', 'q'))).toEqual(['b', 'c', 'd'])
    expect(shelf.get('line', 'b')?.fields).toEqual({ pointId: 'q' })
    expect(shelf.get('line', undefined)).toBeNull()
    expect(shelf.of('job', 'pointId', 'q')).toEqual([])
  })

  it('lets go of what is removed or dropped', () => {
    const shelf = new Shelf()
    shelf.put([doc('a', { pointId: 'p' }), doc('b', { pointId: 'p' })])
    shelf.put([doc('a', { pointId: 'p' }, { removed: true })])
    shelf.drop('line', 'b')
    expect([shelf.all('line'), shelf.of('line', 'pointId', 'p'), shelf.get('line', 'a')]).toEqual([
      [],
      [],
      null,
    ])
    shelf.put([doc('a', { pointId: 'p' })])
    shelf.clear()
    expect(shelf.all('line')).toEqual([])
  })

  it('takes from another tab only what is later than what it has', () => {
    const shelf = new Shelf()
    shelf.put([doc('a', { n: 'mine' }, { turn: 3 })])
    shelf.putLater([doc('a', { n: 'older' }, { turn: 2 }), doc('b', { n: 'new' }, { turn: 0 })])
    expect(shelf.get('line', 'a')?.fields).toEqual({ n: 'mine' })
    expect(shelf.get('line', 'b')?.fields).toEqual({ n: 'new' })
    shelf.putLater([doc('a', { n: 'as old' }, { turn: 3 })])
    expect(shelf.get('line', 'a')?.fields).toEqual({ n: 'mine' })
    shelf.putLater([doc('a', { n: 'later' }, { turn: 4 })])
    expect(shelf.get('line', 'a')?.fields).toEqual({ n: 'later' })
    // what was removed later does not come back by an older message
    shelf.put([doc('a', {}, { turn: 5, removed: true })])
    shelf.putLater([doc('a', { n: 'late' }, { turn: 4 })])
    expect(shelf.get('line', 'a')).toBeNull()
  })
})

describe('a document with edits on top', () => {
  const edit = (opId: string, patch: object, remove = false) =>
    // fields of any kind, and of an edit only what counts here
    ({ opId, patch, remove, clock: opId }) as unknown as OperationRecord
  const open = (field: string) => ({ field, theirs: 1, mine: 2, opId: 'x', at: '', revision: 0 })
  const copy = {
    revision: 7,
    removed: false,
    clock: 'c',
    fields: { a: 1, b: 1 },
    conflicts: [open('a'), open('b'), open('(removed)')],
    // fields of any kind: a and b
  } as unknown as ServerCopy

  it('shows what is edited and settles what it sets, an edit of nothing keeps, one that takes away settles that', () => {
    const fields = (of: ServerCopy) => of.conflicts.map(({ field }) => field)
    expect(withEdit(copy, edit('1', { a: 2 }))).toMatchObject({
      fields: { a: 2, b: 1 },
      removed: false,
      revision: 7,
    })
    expect(fields(withEdit(copy, edit('1', { a: 2 })))).toEqual(['b', '(removed)'])
    expect(fields(withEdit(copy, edit('1', {})))).toEqual(['a', 'b'])
    expect(fields(withEdit(copy, edit('1', {}, true)))).toEqual(['a', 'b'])
    expect(withEdit(copy, edit('1', {}, true)).removed).toBe(true)
    expect(withEdit(null, edit('1', { a: 3 }))).toMatchObject({
      revision: 0,
      fields: { a: 3 },
      conflicts: [],
    })
  })

  it('is built anew from the shop’s copy, names its own edits, and is nothing where nothing is left', () => {
    const at = { epoch: 2, turn: 5 }
    const held = rebuild(
      { kind: 'line', id: 'l' },
      copy,
      [edit('1', { a: 2 }), edit('2', { a: 3, b: 4 })],
      at,
    )
    expect(held).toMatchObject({ revision: 7, turn: 5, epoch: 2, own: { a: '2', b: '2' }, server: copy })
    expect(held?.fields).toEqual({ a: 3, b: 4 })
    const plain = rebuild({ kind: 'line', id: 'l' }, copy, [], { ...at, known: { a: '9' } })
    expect(plain).toMatchObject({ own: { a: '9' }, fields: { a: 1, b: 1 } })
    expect(plain && 'server' in plain).toBe(false)
    expect(rebuild({ kind: 'line', id: 'l' }, null, [], at)).toBeNull()
    const fresh = rebuild({ kind: 'line', id: 'l' }, null, [edit('1', { a: 2 })], at)
    expect(fresh).toMatchObject({ revision: 0, server: null })
    expect(rebuild({ kind: 'line', id: 'l' }, copy, [edit('3', {}, true)], at)?.own).toEqual({
      '(removed)': '3',
    })
  })

  it('is newer by what the shop heard of it, then by the clock of edits it has not heard of', () => {
    const at = (revision: number, clock: string) => ({ revision, clock })
    expect(byHeard(at(3, 'z'), at(4, 'a'))).toBeLessThan(0)
    expect(byHeard(at(0, 'a'), at(900, 'z'))).toBeGreaterThan(0)
    expect(byHeard(at(0, 'a'), at(0, 'b'))).toBe(-1)
    expect(byHeard(at(0, 'b'), at(0, 'a'))).toBe(1)
    expect(byHeard(at(5, 'a'), at(5, 'a'))).toBe(0)
  })
})
