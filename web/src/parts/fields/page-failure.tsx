import { Button } from 'antd'
import { useEffect } from 'react'
import { useDispatch } from 'react-redux'
import { api, tags } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote } from './failure-note.tsx'

/** In the place of what cannot be shown. It comes by itself when the signal is back. @param kept what that means here, when there is no signal */
export function RetryNote({ failure, kept }: { failure: Failure; kept: string }) {
  const dispatch = useDispatch()
  const { noSignal } = failure
  useEffect(() => {
    if (!noSignal) return undefined
    const back = () => dispatch(api.util.invalidateTags([...tags]))
    window.addEventListener('online', back)
    return () => window.removeEventListener('online', back)
  }, [dispatch, noSignal])
  return (
    <div className="stack">
      <FailureNote failure={failure} kept={kept} />
      <div className="row">
        <Button size="large" onClick={() => dispatch(api.util.invalidateTags([...tags]))}>
          Retry
        </Button>
      </div>
    </div>
  )
}

/** In the place of a page that cannot be shown. @param kept what that means here, when there is no signal */
export const PageFailure = (of: { failure: Failure; kept: string }) => (
  <div className="page">
    <RetryNote {...of} />
  </div>
)
