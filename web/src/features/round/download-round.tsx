import type { RoundPage } from '@motor-round/contract'
import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { csrfToken } from '../../app/api.ts'
import { useMay } from '../../app/shell/index.ts'
import { usePhone } from '../../offline/react/use-phone.ts'

const size = (bytes: number) =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`

/** Take the round along into this phone, with its size; then it goes without a signal. */
export function DownloadRound({ page }: { page: RoundPage }) {
  const phone = usePhone()
  const mayAct = useMay('mechanic')
  const [part, setPart] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [appHere, setAppHere] = useState<boolean | null>(null)
  const snapshots = phone.snapshots.find((t) => t.roundId === page.head.id)
  useEffect(() => {
    if (!snapshots) return
    void import('../../offline/core/snapshot.ts').then((t) => t.appIsHere()).then(setAppHere)
  }, [snapshots])
  if (!mayAct) return null
  const take = async () => {
    setProblem(null)
    setPart('Beginning …')
    try {
      const { downloadRound } = await import('../../offline/core/snapshot.ts')
      const { appHere: here } = await downloadRound(page.head.id, csrfToken(), setPart)
      setAppHere(here)
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'The download failed.')
    }
    setPart(null)
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
            <b>Downloaded for offline</b>, {size(snapshots.bytes)}: {page.visits.length} machines with nameplates,
            limits and history. It works without a signal, also after a restart.
          </p>
          {appHere === false ? (
            <p className="note tone-fix problem">
              The app itself is not downloaded yet. Stay on this page with signal for a moment, then download again.
            </p>
          ) : null}
          <div className="row">
            <Button loading={part !== null} onClick={() => void take()}>
              {part === null ? 'Update download' : part}
            </Button>
            {phone.counts.entries === 0 && phone.counts.rejected === 0 ? (
              <Button onClick={() => void drop()}>Remove download</Button>
            ) : null}
          </div>
        </>
      ) : (
        <div className="row">
          <Button type="primary" size="large" loading={part !== null} onClick={() => void take()}>
            {part === null ? 'Download for offline' : part}
          </Button>
          <span className="quiet">
            Saves the data of these {page.visits.length} machines on this phone, to work without a signal.
          </span>
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
