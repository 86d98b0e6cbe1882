import { Link } from 'react-router'

/** An address that leads nowhere. */
export function NoSuchPage() {
  return (
    <div className="page stack">
      <h1>Page not found</h1>
      <p>
        There is no page at this address. <Link to="/machines">Back to Machines</Link>
      </p>
    </div>
  )
}
