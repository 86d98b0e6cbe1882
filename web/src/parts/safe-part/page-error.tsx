import { Button } from 'antd'
import { useRouteError } from 'react-router'

/** A page that failed: what was typed is on this device, and the way back is one tap. */
export function PageError() {
  const error = useRouteError()
  return (
    <div className="page stack" role="alert">
      <h1>This page failed</h1>
      <p>What you typed is kept on this device and is there when you come back.</p>
      <p className="quiet">{error instanceof Error ? error.message : 'No more is known.'}</p>
      <div className="row">
        <Button type="primary" onClick={() => window.location.reload()}>
          Reload
        </Button>
        <Button href="/machines">Machines</Button>
      </div>
    </div>
  )
}
