import type { Role } from '@motor-round/contract'

/** Invented people of the demo. */
export const demoPeople: readonly {
  readonly id: string
  readonly login: string
  readonly name: string
  readonly role: Role
}[] = [
  { id: '0183c0de-0000-7000-8000-000000000001', login: 'vale', name: 'Tamsin Vale', role: 'lead' },
  { id: '0183c0de-0000-7000-8000-000000000002', login: 'okonjo', name: 'Mosi Okonjo', role: 'mechanic' },
  { id: '0183c0de-0000-7000-8000-000000000003', login: 'arden', name: 'Ines Arden', role: 'viewer' },
]

/** Demo sign-ins are public knowledge; they exist only where the demo was loaded. */
export const demoPassword = (login: string): string => `${login}-on-the-roof`
