import type { MachinePage } from '@motor-round/contract'
import { useEffect, useMemo } from 'react'
import { shallowEqual, useDispatch, useSelector } from 'react-redux'
import { api } from '../../app/api.ts'
import type { RootState, store } from '../../app/store.ts'

/** The pages of several machines, as far as they are here, and whether some are still on their way. */
export function usePages(ids: readonly string[]): {
  readonly pages: ReadonlyMap<string, MachinePage>
  readonly waiting: boolean
} {
  const dispatch = useDispatch<typeof store.dispatch>()
  const key = ids.join(' ')
  useEffect(() => {
    const asked = key
      .split(' ')
      .filter(Boolean)
      .map((id) => dispatch(api.endpoints.machinePage.initiate({ params: { id } })))
    return () => asked.forEach((a) => a.unsubscribe())
  }, [key, dispatch])
  const selectors = useMemo(
    () =>
      key
        .split(' ')
        .filter(Boolean)
        .map((id) => [id, api.endpoints.machinePage.select({ params: { id } })] as const),
    [key],
  )
  const waiting = useSelector((s: RootState) =>
    selectors.some(([, select]) => {
      const { data, isError } = select(s)
      return data === undefined && !isError
    }),
  )
  const found = useSelector((s: RootState) => selectors.map(([, select]) => select(s).data), shallowEqual)
  const pages = useMemo(
    () => new Map(selectors.flatMap(([id], i) => (found[i] ? [[id, found[i]] as const] : []))),
    [selectors, found],
  )
  return { pages, waiting }
}
