import type { QuantityCode, Reading } from '../quantity/index.ts'
import type { Stop, WorkDone, WorkKindId } from '../trend/index.ts'

/** What stays true after the visit, until it is read again or the part is changed. */
const lasting = [
  'megohms',
  'megohms_at',
  'test_volts',
  'capacitance',
  'overload_dial',
  'ground_amps',
] as const satisfies readonly QuantityCode[]
/** Proofs of a moment: they never speak for a machine later. */
const momentary: readonly string[] = ['proof_volts', 'dead_ll', 'dead_lg', 'stored_volts']

const ends: Partial<Record<WorkKindId, readonly string[]>> = {
  'motor-replaced': [
    'megohms',
    'megohms_at',
    'test_volts',
    'winding_ohms',
    'ground_ohms',
    'ground_amps',
    'off_amps',
    'temperature',
  ],
  'winding-dried': ['megohms', 'megohms_at', 'test_volts', 'ground_amps'],
  'capacitor-renewed': ['capacitance', 'capacitor_amps', 'capacitor_volts'],
  'contactor-renewed': ['pole_ohms', 'contact_drop', 'off_amps'],
  'terminals-tightened': ['contact_drop'],
  'supply-mended': ['line_ll', 'line_lg', 'transformer_in', 'transformer_out', 'control_volts', 'fuse_ohms'],
}

const ran = (s: Stop) => s.readings.some((r) => r.quantity === 'amps')

/**
 * The stop that speaks for a machine now: the newest that found it running, with what later stops read besides, and of
 * earlier ones what lasts (insulation, capacitor, overload dial, ground current). Each carried reading keeps its instant.
 * @param stops those that hold, in any order
 * @returns null when nothing was ever read
 */
export function standingStop(stops: readonly Stop[], work: readonly WorkDone[]): Stop | null {
  const read = stops.filter((s) => s.readings.length > 0).sort((a, b) => b.at - a.at || (a.id < b.id ? 1 : -1))
  const newest = read[0]
  const base = read.find(ran) ?? newest
  if (!newest || !base) return null
  const readings: Reading[] = [...base.readings]
  let place: string | undefined
  const taken = new Set<string>(base.readings.map((r) => r.quantity))
  const mended = (at: number, quantity: string) =>
    work.some((w) => w.at > at && (ends[w.kind] ?? []).includes(quantity))
  for (const s of read) {
    if (s === base) continue
    const later = s.at > base.at
    const wanted = (q: string) =>
      !taken.has(q) &&
      !momentary.includes(q) &&
      (later || (lasting as readonly string[]).includes(q)) &&
      !mended(s.at, q)
    const own = s.readings.filter((r) => wanted(r.quantity))
    // The temperature belongs to the insulation it was taken with.
    const insulated = own.some((r) => r.quantity === 'megohms' || r.quantity === 'megohms_at')
    const warm =
      insulated && !taken.has('temperature') && !later
        ? s.readings.filter((r) => r.quantity === 'temperature' && r.position === 'winding')
        : []
    for (const r of [...own, ...warm]) readings.push({ ...r, at: s.at })
    for (const r of own) taken.add(r.quantity)
    if (insulated) place ??= s.answers?.['insulation.place']
  }
  const spoken = newest === base ? base : { answers: newest.answers, passes: newest.passes }
  const answers = place === undefined ? spoken.answers : { 'insulation.place': place, ...spoken.answers }
  return { ...base, readings, answers, passes: spoken.passes }
}
