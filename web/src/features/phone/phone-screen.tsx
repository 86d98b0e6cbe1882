import { Button } from 'antd'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { FileButton } from '../../parts/fields/index.ts'
import { heldWords } from '../../offline/held-words.ts'
import { tryHome, usePhone } from '../../offline/use-phone.ts'
import { TwoVersions } from './two-versions.tsx'

const kindWords: Readonly<Record<string, string>> = {
  stop: 'A stop',
  work: 'Work',
  picture: 'A picture',
  event: 'Something of a round',
  found: 'A new unit',
  finding: 'A finding',
  'finding-step': 'What became of a finding',
  motor: 'A motor',
  plate: 'A plate',
  part: 'A part',
  'area-plan': 'A plan of a roof',
  plan: 'A change from the bench',
  'plan-done': 'A change that was done',
}
const entriesOf = (n: number) => `${n} ${n === 1 ? 'entry' : 'entries'}`
const megabytes = (b: number | undefined) => `${((b ?? 0) / 1e6).toFixed(1)} MB`

/** What is on this phone: what waits, what was refused and why, what the server said, and a way out as a file. */
export function PhoneScreen() {
  const phone = usePhone()
  const person = api.useSessionQuery({}).data?.person
  const [room, setRoom] = useState<StorageEstimate | null>(null)
  const [told, setTold] = useState('')
  useEffect(() => {
    void navigator.storage?.estimate().then(setRoom)
  }, [phone.held])
  const toFile = async () => {
    const { emptyToFile } = await import('../../offline/phone-file.ts')
    const { name, text, entries } = await emptyToFile(person?.name ?? '')
    const link = document.createElement('a')
    link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
    link.download = name
    link.click()
    URL.revokeObjectURL(link.href)
    setTold(`${entriesOf(entries)} written to ${name}. It all stays here too: reading a file in twice keeps one.`)
  }
  const fromFile = async (file: File) => {
    const { readFile } = await import('../../offline/phone-file.ts')
    try {
      const n = await readFile(await file.text(), { id: person?.id ?? '', name: person?.name ?? '' })
      setTold(`${entriesOf(n)} read in, on the way home now.`)
      await tryHome()
    } catch (e) {
      setTold(e instanceof Error ? e.message : 'That file cannot be read.')
    }
  }
  const again = async () => {
    const { tryRefusedAgain } = await import('../../offline/decide.ts')
    await tryRefusedAgain()
    await tryHome()
  }
  const forget = async (n: number) => {
    const { store } = await import('../../offline/store.ts')
    await store.line.delete(n)
  }
  const read = async () => {
    const { store } = await import('../../offline/store.ts')
    await store.words.clear()
  }
  return (
    <div className="page stack">
      <h1>On this phone</h1>
      <section className="sheet stack">
        <p>
          {phone.held.entries > 0
            ? `${heldWords(phone.held)}, not home yet.`
            : phone.held.refused > 0
              ? 'Everything is home but what is told below.'
              : 'Everything is home.'}
          {phone.trouble === null ? '' : ` ${phone.trouble}`}
        </p>
        {room ? (
          <p className="quiet">
            {megabytes(room.usage)} used of {megabytes(room.quota)} this browser may use.
          </p>
        ) : null}
        <div className="row">
          <Button type="primary" size="large" onClick={() => void tryHome()}>
            Bring it home now
          </Button>
          <Button size="large" onClick={() => void toFile()}>
            Write it to a file
          </Button>
          <FileButton
            words="Read such a file in"
            accept="application/json,.json"
            onFile={(file) => void fromFile(file)}
          />
        </div>
        {told === '' ? null : <p role="status">{told}</p>}
      </section>
      <TwoVersions conflicts={phone.conflicts} me={person?.id ?? ''} />
      {phone.refused.length > 0 ? (
        <section className="sheet">
          <header>
            <h2>Refused, and why</h2>
            <Button onClick={() => void again()}>Try all of them again</Button>
          </header>
          <ul className="happened">
            {phone.refused.map((r) => (
              <li key={r.n} className="row">
                <b>{kindWords[r.kind] ?? r.kind}</b>
                <span>{r.why}</span>
                <Button onClick={() => void forget(r.n)}>Drop it</Button>
              </li>
            ))}
          </ul>
          <p className="quiet">Write them to a file before you drop them, where a reading hangs on it.</p>
        </section>
      ) : null}
      {phone.words.length > 0 ? (
        <section className="sheet">
          <header>
            <h2>What home said</h2>
            <Button onClick={() => void read()}>Read</Button>
          </header>
          <ul className="happened">
            {phone.words.map((w) => (
              <li key={w.n}>
                {w.text} {w.machineId === null ? null : <Link to={`/machines/${w.machineId}`}>The machine</Link>}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <section className="sheet">
        <h2>Rounds on it</h2>
        {phone.taken.length === 0 ? <p>None. Take one along from its page, where there is signal.</p> : null}
        <ul className="happened">
          {phone.taken.map((t) => (
            <li key={t.roundId}>
              <Link to={`/round/${t.roundId}`}>{t.name}</Link>, {megabytes(t.bytes)}
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}
