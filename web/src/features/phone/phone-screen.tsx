import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { FileButton } from '../../parts/fields/index.ts'
import { outboxSummary } from '../../offline/core/outbox-counts.ts'
import { syncNow, usePhone } from '../../offline/react/use-phone.ts'
import { usePreload } from '../../offline/react/use-preload.ts'
import { offerUndo } from '../../parts/undo/index.ts'
import { TwoVersions } from './two-versions.tsx'

const kindWords: Readonly<Record<string, string>> = {
  visit: 'A visit',
  work: 'Work',
  picture: 'A photo',
  event: 'A round event',
  found: 'A new unit',
  finding: 'A finding',
  'finding-step': 'A finding update',
  motor: 'A motor',
  plate: 'A nameplate',
  part: 'A part',
  'roof-map': 'A roof map',
  'speed-change': 'A planned speed change',
  'speed-change-done': 'A completed speed change',
}
const entriesOf = (n: number) => `${n} ${n === 1 ? 'entry' : 'entries'}`
const megabytes = (b: number | undefined) => `${((b ?? 0) / 1e6).toFixed(1)} MB`

/** Its way out as a file is for when there is no signal. */
const partsOfPhone = () => [import('../../offline/core/phone-file.ts')]

/** What is on this phone: what waits, what was refused and why, what the server said, and a way out as a file. */
export function PhoneScreen() {
  const phone = usePhone()
  const person = api.useSessionQuery({}).data?.person
  const [room, setRoom] = useState<StorageEstimate | null>(null)
  const [told, setTold] = useState('')
  usePreload(partsOfPhone)
  useEffect(() => {
    void navigator.storage?.estimate().then(setRoom)
  }, [phone.counts])
  const toFile = async () => {
    const { exportOutbox } = await import('../../offline/core/phone-file.ts')
    const { name, text, entries } = await exportOutbox(person?.name ?? '')
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
    link.download = name
    link.click()
    URL.revokeObjectURL(link.href)
    setTold(
      `${entriesOf(entries)} saved to ${name}. Everything also stays on this phone; importing a file twice adds nothing.`,
    )
  }
  const fromFile = async (file: File) => {
    const { importOutbox } = await import('../../offline/core/phone-file.ts')
    try {
      const n = await importOutbox(await file.text(), { id: person?.id ?? '', name: person?.name ?? '' })
      setTold(`${entriesOf(n)} imported, syncing now.`)
      await syncNow()
    } catch (e) {
      setTold(e instanceof Error ? e.message : 'This file cannot be read.')
    }
  }
  const again = async () => {
    const { retryRejected } = await import('../../offline/core/conflicts.ts')
    await retryRejected()
    await syncNow()
  }
  const forget = async (n: number) => {
    const { store } = await import('../../offline/core/store.ts')
    const entry = await store.outbox.get(n)
    await store.outbox.delete(n)
    // It comes back at its place: what depends on it finds it there.
    if (entry) offerUndo('Entry deleted', () => store.outbox.put(entry))
  }
  const read = async () => {
    const { store } = await import('../../offline/core/store.ts')
    const all = await store.notices.toArray()
    await store.notices.clear()
    offerUndo('Messages cleared', () => store.notices.bulkPut(all))
  }
  return (
    <div className="page stack">
      <h1>On this phone</h1>
      <section className="sheet stack">
        <p>
          {phone.counts.entries > 0
            ? `${outboxSummary(phone.counts)}, waiting to sync.`
            : phone.counts.rejected > 0
              ? 'Everything else is synced. Rejected entries are below.'
              : 'Everything is synced.'}
          {phone.trouble === null ? '' : ` ${phone.trouble}`}
        </p>
        {room ? (
          <p className="quiet">
            {megabytes(room.usage)} used of {megabytes(room.quota)} available to this browser.
          </p>
        ) : null}
        <div className="row">
          <Button type="primary" size="large" onClick={() => void syncNow()}>
            Sync now
          </Button>
          <Button size="large" onClick={() => void toFile()}>
            Export to a file
          </Button>
          <FileButton words="Import a file" accept="application/json,.json" onFile={(file) => void fromFile(file)} />
        </div>
        {told === '' ? null : <p role="status">{told}</p>}
      </section>
      <TwoVersions conflicts={phone.conflicts} me={person?.id ?? ''} />
      {phone.rejected.length > 0 ? (
        <section className="sheet">
          <header>
            <h2>Rejected by the server</h2>
            <Button onClick={() => void again()}>Retry all</Button>
          </header>
          <ul className="rows">
            {phone.rejected.map((r) => (
              <li key={r.n} className="row">
                <b>{kindWords[r.kind] ?? r.kind}</b>
                <span>{r.why}</span>
                <Button onClick={() => void forget(r.n)}>Delete</Button>
              </li>
            ))}
          </ul>
          <p className="quiet">Export entries with readings to a file before you delete them.</p>
        </section>
      ) : null}
      {phone.notices.length > 0 ? (
        <section className="sheet">
          <header>
            <h2>Messages from the server</h2>
            <Button onClick={() => void read()}>Clear messages</Button>
          </header>
          <ul className="rows">
            {phone.notices.map((w) => (
              <li key={w.n}>
                {w.text} {w.machineId === null ? null : <Link to={`/machines/${w.machineId}`}>Open machine</Link>}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section className="sheet">
        <h2>Downloaded rounds</h2>
        {phone.snapshots.length === 0 ? (
          <p>None. Open a round while you have signal and download it for offline.</p>
        ) : null}
        <ul className="rows">
          {phone.snapshots.map((t) => (
            <li key={t.roundId}>
              <Link to={`/rounds/${t.roundId}`}>{t.name}</Link>, {megabytes(t.bytes)}
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}
