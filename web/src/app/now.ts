import { useCallback, useState } from 'react'
import { api } from './api.ts'

/** The server's clock as of the last look at the session; this device's until then. */
export function useNow(): number {
  const now = api.useSessionQuery({}).data?.now
  const [opened] = useState(() => Date.now())
  return now === undefined ? opened : Date.parse(now)
}

/** The server's clock at the moment it is asked: a page may stand open for hours before something is done on it. */
export function useClock(): () => number {
  const { data, fulfilledTimeStamp } = api.useSessionQuery({})
  const ahead = data === undefined || fulfilledTimeStamp === undefined ? 0 : Date.parse(data.now) - fulfilledTimeStamp
  return useCallback(() => Date.now() + ahead, [ahead])
}
