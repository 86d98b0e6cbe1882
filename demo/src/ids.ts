import type { Random } from '@motor-round/core/machine'

/** A version-7 UUID from an instant and a seeded generator: the same seed makes the same ids. */
export function seededId(random: Random, ms: number): string {
  const hex = (n: number, width: number) => n.toString(16).padStart(width, '0')
  const some = (width: number) => hex(Math.floor(random.next() * 16 ** width), width)
  const time = hex(Math.max(0, Math.floor(ms)), 12)
  return `${time.slice(0, 8)}-${time.slice(8)}-7${some(3)}-8${some(3)}-${some(6)}${some(6)}`
}
