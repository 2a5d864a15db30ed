import 'fake-indexeddb/auto'
import { STARTING_SETTINGS } from '@diarmos/core'
import { act } from '@testing-library/react'
import { turned } from '../data/state'
import { type Edit, edit, newId, now, open, shelf } from '../data/store'
import type { Doc, EntityFields, EntityKind } from '../data/types'
import { address } from './address'

// jsdom has none; documents are plain data
globalThis.structuredClone ??= ((value: unknown) =>
  JSON.parse(JSON.stringify(value))) as typeof structuredClone

/** A phone that lost the network once the shop was heard: what is edited stays in its own store. */
export async function openShop(mate: Partial<EntityFields<'settings'>['mate']> = {}): Promise<void> {
  globalThis.fetch = jest.fn(async () => {
    throw new TypeError('no network')
  }) as never
  address.go({})
  await act(async () => {
    await open({
      person: { id: newId(), name: 'Test Person', role: 'owner' },
      shop: { id: newId(), name: 'Test Shop' },
    })
    await edit([
      {
        kind: 'settings',
        id: newId(),
        patch: {
          name: 'Test Shop',
          zone: 'Europe/London',
          unit: 'in',
          region: 'north-america',
          mate: { ...STARTING_SETTINGS, ...mate },
          expected: {},
          currency: 'USD',
        },
      } as Edit,
    ])
    turned({ heard: true })
  })
}

export interface Opened {
  readonly jobId: string
  readonly propertyId: string
  readonly hot: string
  readonly cold: string
}

/** A house with one basin and an open job at it. */
export async function openJob(
  house: Partial<EntityFields<'property'>> = {},
  title = 'Stop will not turn',
): Promise<Opened> {
  const [propertyId, pointId, jobId, hot, cold] = [newId(), newId(), newId(), newId(), newId()]
  await act(() =>
    edit([
      {
        kind: 'property',
        id: propertyId,
        patch: {
          label: 'House',
          street: '',
          town: '',
          era: 'unknown',
          region: 'north-america',
          note: '',
          storeys: null,
          stopAt: '',
          ...house,
        },
      },
      { kind: 'point', id: pointId, patch: { propertyId, name: 'Basin', kind: 'other' } },
      { kind: 'line', id: hot, patch: { pointId, service: 'hot' } },
      { kind: 'line', id: cold, patch: { pointId, service: 'cold' } },
      {
        kind: 'job',
        id: jobId,
        patch: {
          propertyId,
          pointId,
          title,
          state: 'open',
          fixtures: [],
          openedAt: now(),
          closedAt: null,
          note: '',
        },
      },
    ] as Edit[]),
  )
  return { jobId, propertyId, hot, cold }
}

/** Documents of a kind that stand in the phone's store. */
export function held<Kind extends EntityKind>(kind: Kind): Doc<Kind>[] {
  return [...shelf.all(kind)]
}

/** Puts documents where the screens look, as if they had come from the shop. */
export function putOnShelf(...docs: Doc[]): void {
  act(() => {
    shelf.put(docs)
    turned({ loaded: true })
  })
}
