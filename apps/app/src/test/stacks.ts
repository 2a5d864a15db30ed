import * as React from 'react'

/**
 * React notes at every element where it was made, by an error whose stack the test runner maps to its source: a
 * quarter of the time of a page. It stops by itself after ten thousand a second; here it is told there were as many.
 */
const { __CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE: inside } = React as never as Record<
  string,
  { recentlyCreatedOwnerStacks: number } | undefined
>
if (inside)
  Object.defineProperty(inside, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => undefined })
