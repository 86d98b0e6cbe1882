import { useEffect, useState } from 'react'

const narrowScreen = '(max-width: 900px)'

/** Is this a screen as held in a hand? */
export function useNarrow(): boolean {
  const [narrow, setNarrow] = useState(() => window.matchMedia(narrowScreen).matches)
  useEffect(() => {
    const query = window.matchMedia(narrowScreen)
    const on = () => setNarrow(query.matches)
    query.addEventListener('change', on)
    return () => query.removeEventListener('change', on)
  }, [])
  return narrow
}
