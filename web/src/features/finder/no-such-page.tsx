import { Link } from 'react-router'

/** An address that leads nowhere. */
export function NoSuchPage() {
  return (
    <div className="page stack">
      <h1>Nothing here</h1>
      <p>
        That address leads nowhere. <Link to="/roof">Back to the Roof</Link>
      </p>
    </div>
  )
}
