/** A minute of the day as a clock shows it. */
export const clockOf = (minute: number): string =>
  `${String(Math.floor(Math.round(minute) / 60)).padStart(2, '0')}:${String(Math.round(minute) % 60).padStart(2, '0')}`

/** `7:30` or `07:30` as a minute of the day; null where it is no time. */
export function minuteOf(text: string): number | null {
  const m = /^(\d{1,2})[:.](\d{2})$/.exec(text.trim())
  if (!m) return null
  const v = Number(m[1]) * 60 + Number(m[2])
  return v <= 1440 && Number(m[2]) < 60 ? v : null
}

/** `7:00–9:30` as a span of the day; null where it is none or ends before it begins. */
export function spanOf(text: string): { from: number; to: number } | null {
  const [from, to] = text.split(/[–-]/).map((t) => minuteOf(t))
  return from != null && to != null && to > from ? { from, to } : null
}

/** Spans as one writes them: `7:00–9:30, 14:00–15:00`. */
export const spansText = (spans: readonly { readonly from: number; readonly to: number }[]): string =>
  spans.map((s) => `${clockOf(s.from)}–${clockOf(s.to)}`).join(', ')
