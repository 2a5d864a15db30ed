import { useSyncExternalStore } from 'react'

/** The address of a page under test: what `expo-router` would keep in it. */
let params: Readonly<Record<string, string>> = {}
const listeners = new Set<() => void>()

export const address = {
  get params() {
    return params
  },
  /** Another address altogether. */
  go(next: Readonly<Record<string, string>>) {
    params = next
    for (const listener of listeners) listener()
  },
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => void listeners.delete(listener)
}

/** Stands for `expo-router` where a page keeps its question in the address. */
export const router = {
  router: {
    canGoBack: () => false,
    navigate: jest.fn(),
    push: jest.fn(),
    replace: jest.fn(),
    back: jest.fn(),
    /** What is undefined is taken out of the address. */
    setParams: (patch: Record<string, string | undefined>) =>
      address.go(
        Object.fromEntries(
          Object.entries({ ...params, ...patch }).filter(
            (entry): entry is [string, string] => entry[1] !== undefined,
          ),
        ),
      ),
  },
  useFocusEffect: jest.requireActual<typeof import('react')>('react').useEffect,
  useLocalSearchParams: () => useSyncExternalStore(subscribe, () => params),
}
