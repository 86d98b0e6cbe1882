import { Button } from 'antd'
import type { Failure } from '../../app/failure.ts'

/** One thing that differs between what was typed and what is in the book now. */
export interface Difference {
  readonly what: string
  readonly mine: string
  readonly theirs: string
}

/** Someone else saved first: both versions side by side, nothing typed is lost. */
export function StaleNote({
  failure,
  differences,
  keepMine,
  takeTheirs,
}: {
  failure: Failure
  differences: readonly Difference[]
  keepMine: () => void
  takeTheirs: () => void
}) {
  return (
    <div className="problem" role="alert">
      <h3>{failure.problem.detail}</h3>
      <table className="table">
        <thead>
          <tr>
            <th>What</th>
            <th>Yours</th>
            <th>In the book now</th>
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
      <div className="row">
        <Button onClick={keepMine}>Save mine over it</Button>
        <Button onClick={takeTheirs}>Take what is in the book</Button>
      </div>
    </div>
  )
}
