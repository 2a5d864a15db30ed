import { type ComponentType, lazy, Suspense } from 'react'

/** A screen whose code is fetched when it is first shown; nothing stands there until then. */
export function later<Props extends object>(load: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  // `lazy` knows components of any properties only; what was loaded has these
  const Screen = lazy(async () => ({ default: await load() })) as unknown as ComponentType<Props>
  return function Later(props: Props) {
    return (
      <Suspense fallback={null}>
        <Screen {...props} />
      </Suspense>
    )
  }
}
