const pad = (n: number) => String(n).padStart(2, '0')

/** An instant as the date field of a browser takes it, local. */
export const localInput = (ms: number): string => {
  const d = new Date(ms)
  return `${d.getFullYear()}-${pad(d.getMonth() + 1)}-${pad(d.getDate())}T${pad(d.getHours())}:${pad(d.getMinutes())}`
}
