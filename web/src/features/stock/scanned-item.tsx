import { Link, Navigate, useParams } from 'react-router'
import type { Failure } from '../../app/failure.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { useStock } from './use-stock.ts'

/** The address of a label, `/s/BE-001`: goes straight to its item. */
export function ScannedItem() {
  const code = useParams()['code'] ?? ''
  const { query, stock } = useStock()
  if (query.error && !stock) return <PageFailure failure={query.error as Failure} kept="The stock cannot be loaded." />
  if (!stock) return <Loading page />
  const item = stock.items.find((i) => i.code.toLowerCase() === code.toLowerCase())
  if (item) return <Navigate to={`/stock/${item.id}`} replace />
  return (
    <div className="page stack">
      <h1>No item has the label {code}</h1>
      <p>
        <Link to="/stock">See all stock</Link>
      </p>
    </div>
  )
}
