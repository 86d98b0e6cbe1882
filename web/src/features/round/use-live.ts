import { roundNews, type RoundPage } from '@motor-round/contract'
import { useEffect } from 'react'
import { useDispatch } from 'react-redux'
import { api } from '../../app/api.ts'
import type { AppDispatch } from '../../app/store.ts'
import { withNews } from './with-news.ts'

/** News of a line that this app can read; null: it is of another version. */
function newsOf(data: string) {
  try {
    return roundNews.safeParse(JSON.parse(data)).data ?? null
  } catch {
    return null
  }
}

/**
 * Follow a round as it moves: what happened is put into the page that is shown. The page is asked for when the line stands,
 * at first and after a break: something may have happened before it did.
 */
export function useLive(id: string) {
  const dispatch = useDispatch<AppDispatch>()
  useEffect(() => {
    if (!('EventSource' in window)) return undefined
    const source = new EventSource(`/api/v1/rounds/${id}/live`)
    source.onmessage = (e: MessageEvent<string>) => {
      const news = newsOf(e.data)
      let changed = false
      if (news)
        dispatch(
          api.util.updateQueryData('round', { params: { id } }, (page: RoundPage) => {
            const next = withNews(page, news)
            changed = next !== null
            return next ?? page
          }),
        )
      if (!changed) dispatch(api.util.invalidateTags(['round']))
    }
    return () => source.close()
  }, [id, dispatch])
}
