/** Where a visit that is being taken is kept on this device. */
export const draftKey = (machineId: string, corrects: string | null): string =>
  `motor-round-visit ${machineId} ${corrects ?? ''}`

/** When the first wait of a visit that is being taken was started, by this device's clock; null: none was. */
export function waitBegan(machineId: string): number | null {
  const text = localStorage.getItem(draftKey(machineId, null))
  if (text === null) return null
  try {
    const { waits } = JSON.parse(text) as { waits?: unknown }
    const times = Object.values(typeof waits === 'object' && waits !== null ? waits : {}).filter(
      (t): t is number => typeof t === 'number',
    )
    return times.length === 0 ? null : Math.min(...times)
  } catch {
    return null // what cannot be read is no draft of ours
  }
}
