import { Skeleton } from 'antd'

/** What stands in the place of what is not here yet. @param page it is all of a page */
export function Loading({ page = false }: { page?: boolean }) {
  return (
    <div className={page ? 'page' : undefined} role="status" aria-label="Loading">
      <Skeleton paragraph={{ rows: page ? 6 : 2 }} />
    </div>
  )
}
