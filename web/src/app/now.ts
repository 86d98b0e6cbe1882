import { useState } from 'react'
import { api } from './api.ts'

/** The server's clock as of the last look at the session; this device's until then. */
export function useNow(): number {
  const now = api.useSessionQuery({}).data?.now
  const [opened] = useState(() => Date.now())
  return now === undefined ? opened : Date.parse(now)
}
