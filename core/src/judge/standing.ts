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
  'vibration',
  'filter_drop',
  'belt_press',
  'belt_force',
  'belt_note',
  'sheave_gap',
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
    'vibration',
  ],
  'winding-dried': ['megohms', 'megohms_at', 'test_volts', 'ground_amps'],
  'capacitor-renewed': ['capacitance', 'capacitor_amps', 'capacitor_volts'],
  'contactor-renewed': ['pole_ohms', 'contact_drop', 'off_amps'],
  'terminals-tightened': ['contact_drop'],
  'belts-renewed': ['vibration', 'belt_press', 'belt_force', 'belt_note'],
  'belts-tensioned': ['vibration', 'belt_press', 'belt_force', 'belt_note', 'sheave_gap'],
  'sheave-turned': ['belt_press', 'belt_force', 'belt_note', 'sheave_gap'],
  'sheave-changed': ['vibration', 'belt_press', 'belt_force', 'belt_note', 'sheave_gap'],
  'sheaves-aligned': ['vibration', 'sheave_gap'],
  'shaft-renewed': ['vibration'],
  'wheel-cleaned': ['vibration', 'filter_drop'],
  'wheel-replaced': ['vibration'],
  'bearings-renewed': ['vibration'],
  'filters-changed': ['filter_drop'],
  'air-path-changed': ['filter_drop'],
  'supply-mended': ['line_ll', 'line_lg', 'transformer_in', 'transformer_out', 'control_volts', 'fuse_ohms'],
}

/**
 * What was seen of a part holds until it is looked at again, or by the work that changes the part: a cracked blade does
 * not heal with the next amps. By question, the work that ends it.
 */
const seen: Readonly<Record<string, readonly WorkKindId[]>> = {
  'belt.wear': ['belts-renewed'],
  'belt.tension': ['belts-renewed', 'belts-tensioned'],
  'belt.set': ['belts-renewed'],
  'belt.grooves': ['sheave-changed'],
  'belt.line': ['sheave-changed', 'sheaves-aligned'],
  'bearing.de': ['bearings-renewed'],
  'bearing.ode': ['bearings-renewed'],
  'bearing.lock': ['bearings-renewed'],
  'bearing.shaft': ['bearings-renewed', 'shaft-renewed'],
  'bearing.grease': ['bearings-renewed', 'greased'],
  'key.length': ['wheel-replaced', 'sheave-changed', 'shaft-renewed'],
  'key.flat': ['wheel-replaced', 'sheave-changed', 'shaft-renewed'],
  'key.torque': ['wheel-replaced', 'sheave-changed', 'shaft-renewed'],
  'hub.side': ['sheave-changed'],
  'hub.stand': ['wheel-replaced', 'sheave-changed', 'sheaves-aligned'],
  'wheel.blades': ['wheel-replaced'],
  'wheel.screws': ['wheel-replaced'],
  'wheel.hand': ['wheel-replaced'],
  'wheel.dirt': ['wheel-replaced', 'wheel-cleaned'],
  'wheel.gap': ['wheel-replaced', 'bearings-renewed'],
  'vibration.mount': [],
}
/** Does the answer to that question outlast the visit? */
export const outlasts = (question: string): boolean => question in seen

/** Of each question about a part its newest answer, unless work has changed the part since. */
function seenOf(stops: readonly Stop[], work: readonly WorkDone[]): Record<string, string> {
  const found: Record<string, string> = {}
  const asked = new Set<string>()
  for (const s of [...stops].sort((a, b) => b.at - a.at || (a.id < b.id ? 1 : -1)))
    for (const [question, answer] of Object.entries(s.answers ?? {})) {
      if (!outlasts(question) || asked.has(question)) continue
      asked.add(question)
      if (!work.some((w) => w.at > s.at && seen[question]?.includes(w.kind))) found[question] = answer
    }
  return found
}

const ran = (s: Stop) => s.readings.some((r) => r.quantity === 'amps')

/**
 * The stop that speaks for a machine now: the newest that found it running, with what later stops read besides, and of
 * earlier ones what lasts (insulation, capacitor, overload dial, ground current, vibration, filters, what was seen of belts,
 * bearings and wheel). Each carried reading keeps its instant.
 * @param stops those that hold, in any order
 * @returns null when nothing was ever read
 */
export function standingStop(stops: readonly Stop[], work: readonly WorkDone[]): Stop | null {
  const read = stops.filter((s) => s.readings.length > 0).sort((a, b) => b.at - a.at || (a.id < b.id ? 1 : -1))
  const parts = seenOf(stops, work)
  // Where nothing was ever measured, what was seen of a part speaks all the same.
  const newest =
    read[0] ?? stops.filter((s) => Object.keys(s.answers ?? {}).some(outlasts)).sort((a, b) => b.at - a.at)[0]
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
  const own = Object.entries(spoken.answers ?? {}).filter(([question]) => !outlasts(question))
  const answers = {
    ...(place === undefined ? {} : { 'insulation.place': place }),
    ...Object.fromEntries(own),
    ...parts,
  }
  return { ...base, readings, answers, passes: spoken.passes }
}
