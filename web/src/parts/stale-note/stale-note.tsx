import { Button } from 'antd'
import type { ReactNode } from 'react'
import { DataTable } from '../data-table/index.ts'

/** One thing that differs between what was typed and what is on record now. */
export interface Difference {
  readonly what: string
  readonly mine: string
  readonly theirs: string
}

/** Someone else saved first: both versions side by side, nothing typed is lost. */
export function StaleNote({
  told,
  differences,
  mineWords = 'Keep mine',
  keepMine,
  takeTheirs,
  children,
}: {
  /** Who was first, and with what. */
  told: string
  differences: readonly Difference[]
  mineWords?: string
  keepMine: () => void
  takeTheirs: () => void
  /** Further ways out, as buttons. */
  children?: ReactNode
}) {
  return (
    <div className="note tone-fix problem" role="alert">
      <h3>{told}</h3>
      {differences.length === 0 ? (
        <p>Both are the same.</p>
      ) : (
        <DataTable<Difference>
          label="Differences"
          rowKey="what"
          dataSource={[...differences]}
          columns={[
            { title: 'Field', dataIndex: 'what' },
            { title: 'Yours', dataIndex: 'mine' },
            { title: 'On the server', dataIndex: 'theirs' },
          ]}
        />
      )}
      <div className="row">
        <Button onClick={keepMine}>{mineWords}</Button>
        {children}
        <Button onClick={takeTheirs}>Keep theirs</Button>
      </div>
    </div>
  )
}
