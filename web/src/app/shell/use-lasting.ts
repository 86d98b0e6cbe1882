import { useEffect, useState } from 'react'

/** Whether something has been so for a while: what is over sooner is never told, and moves nothing on the page. @param ms how long */
export function useLasting(on: boolean, ms: number): boolean {
  const [lasted, setLasted] = useState(false)
  useEffect(() => {
    if (!on) return undefined
    const wait = setTimeout(() => setLasted(true), ms)
    return () => {
      clearTimeout(wait)
      setLasted(false)
    }
  }, [on, ms])
  return on && lasted
}
