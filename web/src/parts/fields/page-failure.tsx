import { Button } from 'antd'
import { useDispatch } from 'react-redux'
import { api, tags } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote } from './failure-note.tsx'

/** In the place of a page that cannot be shown. @param kept what that means here, when there is no signal */
export function PageFailure({ failure, kept }: { failure: Failure; kept: string }) {
  const dispatch = useDispatch()
  return (
    <div className="page stack">
      <FailureNote failure={failure} kept={kept} />
      <div className="row">
        <Button size="large" onClick={() => dispatch(api.util.invalidateTags([...tags]))}>
          Retry
        </Button>
      </div>
    </div>
  )
}
