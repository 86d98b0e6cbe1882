import type { RoundPage } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { Button, Progress } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { csrfToken } from '../../app/api.ts'
import { useMay } from '../../app/shell/index.ts'
import type { DownloadProgress } from '../../offline/core/snapshot.ts'
import { usePhone } from '../../offline/react/use-phone.ts'

const size = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`

/** Take the round along into this phone, with its size; then it goes without a signal. */
export function DownloadRound({ page }: { page: RoundPage }) {
  const phone = usePhone()
  const mayAct = useMay('mechanic')
  const [progress, setProgress] = useState<DownloadProgress | null>(null)
  const cancel = useRef<AbortController | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [appHere, setAppHere] = useState<boolean | null>(null)
  const snapshots = phone.snapshots.find((t) => t.roundId === page.head.id)
  useEffect(() => {
    if (!snapshots) return
    void import('../../offline/core/snapshot.ts').then((t) => t.appIsHere()).then(setAppHere)
  }, [snapshots])
  if (!mayAct) return null
  const take = async () => {
    const control = new AbortController()
    cancel.current = control
    setProblem(null)
    setProgress({ done: 0, of: 1, app: false })
    try {
      const { downloadRound } = await import('../../offline/core/snapshot.ts')
      const done = await downloadRound(page.head.id, csrfToken(), setProgress, control.signal)
      if (done) setAppHere(done.appHere)
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'The download failed.')
    }
    setProgress(null)
  }
  const drop = async () => {
    const { removeDownload } = await import('../../offline/core/snapshot.ts')
    await removeDownload(page.head.id, csrfToken()).catch(() =>
      setProblem('The server could not be reached: no signal.'),
    )
  }
  return (
    <section className="sheet stack" aria-label="On this phone">
      {snapshots ? (
        <>
          <p>
            <b>Downloaded for offline</b>, {size(snapshots.bytes)}: {show.count(page.visits.length, 'machine')} with
            nameplates, limits and history. It works without a signal, also after a restart.
          </p>
          {appHere === false ? (
            <p className="note tone-fix problem">
              The app itself is not downloaded yet. Stay on this page with signal for a moment, then download again.
            </p>
          ) : null}
          <div className="row">
            <Button disabled={progress !== null} onClick={() => void take()}>
              Update download
            </Button>
            {phone.counts.entries === 0 && phone.counts.rejected === 0 ? (
              <Button onClick={() => void drop()}>Remove download</Button>
            ) : null}
          </div>
        </>
      ) : (
        <div className="row">
          <Button type="primary" size="large" disabled={progress !== null} onClick={() => void take()}>
            Download for offline
          </Button>
          <span className="quiet">
            Saves the data of {show.count(page.visits.length, 'machine')} on this phone, to work without a signal.
          </span>
        </div>
      )}
      {progress === null ? null : (
        <div className="between" role="status">
          <span>{progress.app ? 'Saving the app itself …' : `${progress.done} of ${progress.of} saved`}</span>
          <Progress
            style={{ flex: 1 }}
            percent={Math.round((100 * progress.done) / progress.of)}
            showInfo={false}
            strokeLinecap="butt"
            aria-label="Download"
          />
          <Button onClick={() => cancel.current?.abort()}>Cancel</Button>
        </div>
      )}
      {problem === null ? null : (
        <p className="note tone-fix problem" role="alert">
          {problem}
        </p>
      )}
    </section>
  )
}
