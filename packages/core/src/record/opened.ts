import { type MethodId, methodById } from '../assembly/methods/table'

/** What the joints of some ways are made with out of a can or a tube that is opened once, however many they are, by id. */
export function openedFor(
  ways: readonly { readonly joints: readonly { readonly method: MethodId }[] }[],
): readonly string[] {
  const ids = ways.flatMap(({ joints }) =>
    joints.flatMap(({ method }) => (methodById(method).opens ?? []).map(({ id }) => id)),
  )
  return [...new Set(ids)]
}
