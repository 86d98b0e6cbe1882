import type { QuantityCode } from '../quantity/index.ts'

/** Something done to a machine. `breaks` names the quantities whose trend starts anew with it. */
export interface WorkKind {
  readonly id: string
  readonly words: string
  readonly breaks: readonly QuantityCode[]
}

/** Every kind of work that can be recorded. A new kind is one line here. */
export const workKinds = [
  { id: 'motor-replaced', words: 'motor replacement', breaks: ['amps', 'rpm', 'megohms', 'winding_ohms'] },
  { id: 'winding-dried', words: 'drying of the winding', breaks: ['megohms'] },
  { id: 'capacitor-renewed', words: 'new capacitor', breaks: ['amps', 'capacitance'] },
  { id: 'contactor-renewed', words: 'new contactor', breaks: [] },
  { id: 'terminals-tightened', words: 'tightening of the lugs', breaks: [] },
  { id: 'wiring-repaired', words: 'wiring repair', breaks: ['amps'] },
  { id: 'leads-swapped', words: 'swap of two motor leads', breaks: ['amps', 'rpm'] },
  { id: 'fuses-replaced', words: 'fuse replacement', breaks: [] },
  { id: 'overload-set', words: 'overload setting', breaks: [] },
  { id: 'controls-repaired', words: 'control repair', breaks: [] },
  { id: 'controls-restored', words: 'controls back in automatic', breaks: [] },
  { id: 'safety-restored', words: 'safety device or guard restored', breaks: [] },
  { id: 'drive-repaired', words: 'drive repair or replacement', breaks: ['amps', 'rpm', 'hz'] },
  { id: 'belts-renewed', words: 'new belt set', breaks: ['amps', 'rpm'] },
  { id: 'belts-tensioned', words: 'belt tensioning', breaks: ['amps', 'rpm'] },
  { id: 'sheave-turned', words: 'turn of the motor sheave', breaks: ['amps', 'rpm'] },
  { id: 'sheave-changed', words: 'sheave change', breaks: ['amps', 'rpm'] },
  { id: 'speed-set', words: 'speed setting', breaks: ['amps', 'rpm', 'hz'] },
  { id: 'wheel-cleaned', words: 'wheel cleaning', breaks: ['amps'] },
  { id: 'wheel-balanced', words: 'wheel balancing', breaks: [] },
  { id: 'hub-secured', words: 'securing of keys and set screws', breaks: [] },
  { id: 'wheel-replaced', words: 'wheel replacement', breaks: ['amps', 'rpm'] },
  { id: 'sheaves-aligned', words: 'alignment of the sheaves', breaks: [] },
  { id: 'shaft-renewed', words: 'new shaft', breaks: ['amps'] },
  { id: 'bearings-renewed', words: 'bearing replacement', breaks: ['amps'] },
  { id: 'filters-changed', words: 'filter change', breaks: [] },
  { id: 'air-path-changed', words: 'air path change', breaks: ['amps'] },
  { id: 'supply-mended', words: 'supply repair', breaks: ['amps', 'volts_ll', 'volts_ln', 'volts_lg'] },
  { id: 'greased', words: 'greasing', breaks: [] },
  { id: 'note', words: 'note', breaks: [] },
] as const satisfies readonly WorkKind[]

export type WorkKindId = (typeof workKinds)[number]['id']

const byId = new Map<string, WorkKind>(workKinds.map((k) => [k.id, k]))

/** Does that kind of work start a new baseline for that quantity? Unknown kinds break nothing. */
export function breaksTrend(kind: WorkKindId, quantity: QuantityCode): boolean {
  return byId.get(kind)?.breaks.includes(quantity) ?? false
}

/** Does that kind of work move the amps, whether or not their trend begins anew with it? Clean filters do, and are reckoned with. */
export const movesAmps = (kind: WorkKindId): boolean => breaksTrend(kind, 'amps') || kind === 'filters-changed'

/** The words of a kind of work. */
export const workWords = (kind: WorkKindId): string => byId.get(kind)?.words ?? kind
