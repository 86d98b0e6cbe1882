/** A value that is worked out when it is first asked for. */
export function lazy<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: make() }).value
}
