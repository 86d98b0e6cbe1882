import { Button } from 'antd'
import { useLocation, useNavigate, useRouteError } from 'react-router'

/** A page that failed: what was typed is on this device, and the way back is one tap. */
export function PageError() {
  const error = useRouteError()
  const navigate = useNavigate()
  const here = useLocation()
  return (
    <div className="page stack" role="alert">
      <h1>This page failed</h1>
      <p>What you typed is kept on this device and is there when you come back.</p>
      <p className="quiet">{error instanceof Error ? error.message : 'No more is known.'}</p>
      <div className="row">
        <Button type="primary" onClick={() => void navigate(here, { replace: true })}>
          Retry
        </Button>
        {/* Without a signal a browser that has not kept the app would lose it. */}
        {navigator.onLine ? <Button onClick={() => window.location.reload()}>Reload</Button> : null}
        <Button onClick={() => void navigate('/machines')}>Machines</Button>
      </div>
    </div>
  )
}
