/** A minute of the day as a clock shows it. */
export const clockOf = (minute: number): string =>
  `${String(Math.floor(Math.round(minute) / 60)).padStart(2, '0')}:${String(Math.round(minute) % 60).padStart(2, '0')}`

/** `7:30`, `07:30`, `19:30` or `7:30 PM` as a minute of the day; null where it is no time. */
export function minuteOf(text: string): number | null {
  const m = /^(\d{1,2})[:.](\d{2})(?:\s?([ap])\.?m?\.?)?$/i.exec(text.trim())
  if (!m) return null
  const half = m[3]?.toLowerCase()
  const hour = Number(m[1])
  if (half !== undefined && (hour < 1 || hour > 12)) return null
  const v = (half === undefined ? hour : (hour % 12) + (half === 'p' ? 12 : 0)) * 60 + Number(m[2])
  return v <= 1440 && Number(m[2]) < 60 ? v : null
}

/** `7:00–9:30` as a span of the day; null where it is none or ends before it begins. */
export function spanOf(text: string): { from: number; to: number } | null {
  const [from, to] = text.split(/[–-]/).map((t) => minuteOf(t))
  return from != null && to != null && to > from ? { from, to } : null
}
