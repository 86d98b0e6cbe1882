import { mayAct, type Person, type Role } from '@motor-round/contract'
import { api } from '../api.ts'

/** Who is signed in; null while nobody is. */
export function usePerson(): Person | null {
  return api.useSessionQuery({}).data?.person ?? null
}

/** May the one who is signed in do what takes that role? The server asks again. */
export function useMay(role: Role): boolean {
  const person = usePerson()
  return person !== null && mayAct(person.role, role)
}
