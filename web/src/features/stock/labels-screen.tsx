import { Button } from 'antd'
import type { Failure } from '../../app/failure.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { QrCode } from '../../parts/qr-code/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { useStock } from './use-stock.ts'

/** One label an item, to be printed and stuck on its shelf: scanned, it opens the item to take one or count. */
export function LabelsScreen() {
  const { query, stock } = useStock()
  if (query.error && !stock) return <PageFailure failure={query.error as Failure} kept="The stock cannot be loaded." />
  if (!stock) return <Loading page />
  return (
    <div className="page stack">
      <div className="row no-print">
        <h1>Labels</h1>
        <Button type="primary" size="large" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <p className="quiet no-print">
        Stick each on its shelf or bin. A phone’s camera opens the item, also without a signal.
      </p>
      <ul className="tag-sheet tag-Letter" aria-label="Labels">
        {stock.items.map((i) => (
          <li key={i.id}>
            <QrCode text={`${window.location.origin}/s/${encodeURIComponent(i.code)}`} />
            <div>
              <b>{i.code}</b>
              <span>{i.title}</span>
            </div>
          </li>
        ))}
      </ul>
    </div>
  )
}
