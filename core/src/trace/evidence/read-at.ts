import { checkDefinitions, type CheckDefinition, type MachineFacts } from '../../judge/index.ts'

const checks: Readonly<Record<string, readonly string[]>> = {
  ohms3: ['winding'],
  'gnd-ohms': ['winding'],
  ohms1: ['psc'],
  megs: ['insulation', 'insulation-single'],
  'cap-uf': ['capacitor'],
  'fuse-ohms': ['contacts'],
  poles: ['contacts'],
  dial: ['protection'],
  'line-volts': ['line-side'],
  'tx-ratio': ['power-transformer'],
  'ctl-volts': ['control-power'],
  'load-volts': ['running'],
  rpm: ['running'],
  amps: ['running'],
  load: ['running'],
  'pole-drop': ['contact-drop'],
  'off-amps': ['ground-current'],
  'gnd-amps': ['ground-current'],
  temps: ['temperatures'],
  static: ['pressure'],
  'prove-dead': ['prove-dead'],
}

/** The check of the visit page whose figures answer a test at a machine; null where a word answers it. */
export const readAt = (test: string, machine: MachineFacts): CheckDefinition | null =>
  checkDefinitions.find((c) => checks[test]?.includes(c.id) && c.for(machine)) ?? null
