import { useSearchParams } from 'react-router'

/** Where one came from, when the address says so (`?back=/…`): only places of this app. */
export function useWayBack(otherwise: string): string {
  const back = useSearchParams()[0].get('back')
  return back !== null && /^\/(?!\/)/.test(back) ? back : otherwise
}

/** The query that leads back to the page one is on. */
export const comingFrom = (at: { readonly pathname: string; readonly search: string }): string =>
  `?back=${encodeURIComponent(at.pathname + at.search)}`
