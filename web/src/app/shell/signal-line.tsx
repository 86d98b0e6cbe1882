import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { outboxSummary } from '../../offline/core/outbox-counts.ts'
import { whenMarked } from '../../offline/core/mark.ts'
import { syncNow, useOnline, usePhone, type Phone } from '../../offline/react/use-phone.ts'
import { useLasting } from './use-lasting.ts'

/** What keeps this phone from syncing, in words; empty while nothing does. */
function hindrance(phone: Phone, online: boolean): string {
  if (!online || phone.last === 'no signal') return 'No signal'
  if (phone.counts.entries === 0) return ''
  if (phone.last === 'sign in') return 'Sign in again to sync. Nothing is lost'
  if (phone.last === 'other person') return 'Entered by another user. It syncs when they sign in'
  if (phone.last === 'server') return 'Server error. Retrying'
  return ''
}

/** How long a sync may take before it is told. Most are over at once: a line that came and went would move a button from under a thumb. */
const slowSync = 2000

/** A clock is told to be wrong past five minutes. */
const wrongClock = 300_000

function NewVersion() {
  const [here, setHere] = useState(false)
  useEffect(() => {
    let end: (() => void) | undefined
    const leave = whenMarked(() => {
      // Without a signal there is no newer version; it is looked for again on the next page.
      if (!navigator.onLine) return
      import('../../offline/core/worker.ts')
        .then(({ onNewVersion, startWorker }) => {
          end = onNewVersion(() => setHere(true))
          return startWorker()
        })
        // That a part is missing is told by the line for it.
        .catch(() => undefined)
    })
    return () => {
      leave()
      end?.()
    }
  }, [])
  return here ? (
    <p className="signal-line" role="status">
      A new version is ready. What you have typed is kept when you update.{' '}
      <Button type="link" onClick={() => void import('../../offline/core/worker.ts').then((w) => w.takeNewVersion())}>
        Update now
      </Button>
    </p>
  ) : null
}

/** Parts of the app that were asked for and could not be loaded: a browser does not ask for them again before the page is loaded anew. */
function PartsMissing({ online }: { online: boolean }) {
  const [missing, setMissing] = useState(false)
  useEffect(() => {
    const note = () => setMissing(true)
    window.addEventListener('vite:preloadError', note)
    return () => window.removeEventListener('vite:preloadError', note)
  }, [])
  return missing ? (
    <p className="signal-line" role="status">
      {online
        ? 'Part of the app could not be loaded. Reload the page to use all of it.'
        : 'Part of the app was not loaded before the signal was lost. It works again when the page is reloaded with signal.'}{' '}
      {online ? (
        <Button type="link" onClick={() => window.location.reload()}>
          Reload
        </Button>
      ) : null}
    </p>
  ) : null
}

/** The phone's own line: signal, what is on it, what was refused, what the server said. Nothing where there is nothing to say. */
export function SignalLine() {
  const phone = usePhone()
  const online = useOnline()
  const hindered = hindrance(phone, online)
  const sending = hindered === '' && phone.counts.entries > 0
  const slow = useLasting(sending, slowSync)
  const words =
    sending && !slow ? '' : [slow ? 'Syncing' : hindered, outboxSummary(phone.counts)].filter(Boolean).join(' · ')
  return (
    <>
      {words === '' ? null : (
        <p className={`signal-line ${online ? '' : 'tone-watch'}`} role="status">
          {words}
          {online && phone.counts.entries > 0 ? (
            <Button type="link" onClick={() => void syncNow()}>
              Sync now
            </Button>
          ) : null}
          {phone.counts.entries > 0 ? <Link to="/phone">View</Link> : null}
        </p>
      )}
      {phone.trouble === null ? null : (
        <p className="signal-line tone-fix" role="alert">
          {phone.trouble}
        </p>
      )}
      {phone.rejected.length > 0 ? (
        <p className="signal-line tone-fix" role="alert">
          {phone.rejected.length} {phone.rejected.length === 1 ? 'entry' : 'entries'} rejected by the server, still on
          this phone. <Link to="/phone">See why</Link>
        </p>
      ) : null}
      {phone.conflicts.length > 0 ? (
        <p className="signal-line tone-fix" role="alert">
          {phone.conflicts.length === 1
            ? '1 conflict between this phone and the server.'
            : `${phone.conflicts.length} conflicts between this phone and the server.`}{' '}
          <Link to="/phone">Resolve</Link>
        </p>
      ) : null}
      {Math.abs(phone.clockAhead) > wrongClock ? (
        <p className="signal-line" role="status">
          This phone’s clock is {Math.round(Math.abs(phone.clockAhead) / 60_000)} minutes{' '}
          {phone.clockAhead > 0 ? 'behind' : 'ahead of'} the server’s. Records use the server’s time.
        </p>
      ) : null}
      {phone.notices.length > 0 ? (
        <p className="signal-line" role="status">
          {phone.notices.length === 1 ? phone.notices[0]?.text : `${phone.notices.length} messages from the server.`}{' '}
          <Link to="/phone">View</Link>
        </p>
      ) : null}
      <PartsMissing online={online} />
      <NewVersion />
    </>
  )
}
