import { Button } from 'antd'
import type { ReactNode } from 'react'

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
    <div className="problem" role="alert">
      <h3>{told}</h3>
      {differences.length === 0 ? (
        <p>Both are the same.</p>
      ) : (
        <table className="table">
          <thead>
            <tr>
              <th>Field</th>
              <th>Yours</th>
              <th>On the server</th>
            </tr>
          </thead>
          <tbody>
            {differences.map((d) => (
              <tr key={d.what}>
                <td>{d.what}</td>
                <td>{d.mine}</td>
                <td>{d.theirs}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <div className="row">
        <Button onClick={keepMine}>{mineWords}</Button>
        {children}
        <Button onClick={takeTheirs}>Keep theirs</Button>
      </div>
    </div>
  )
}
