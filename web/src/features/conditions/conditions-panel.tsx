import { isClosable, type MachinePage } from '@motor-round/contract'
import { partsOf, type Condition } from '@motor-round/core/judge'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { useClock } from '../../app/now.ts'
import { enqueueClosing } from '../../offline/core/enqueue.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'

const day = (at: number, now: number) => shortDay(new Date(at).toISOString(), now)

/** Since when, by whom, and when it was last found so. */
function origin(k: Condition, now: number): string {
  const since = `${k.retest ? 'Due since' : 'Since'} ${day(k.since, now)}`
  const by = k.by === null ? '' : `, ${k.by}`
  const again = k.seenAt > k.since ? `, last read ${day(k.seenAt, now)}` : ''
  const put = k.until === null ? '' : k.putOff ? `, put off to ${day(k.until, now)}` : `, due ${day(k.until, now)}`
  return `${since}${by}${again}${put}`
}

/** Close what stands, or open it again, with the reason that stays in the record. */
function Close({
  machineId,
  conditionKey,
  kind,
  done,
}: {
  machineId: string
  conditionKey: string
  kind: 'closed' | 'reopened'
  done: () => void
}) {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const [id] = useState(() => uuid())
  const [reason, setReason] = useState('')
  const [saving, setSaving] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const save = async () => {
    if (saving || reason.trim() === '') return
    setSaving(true)
    const failed = await enqueueClosing(me, {
      id,
      machineId,
      key: conditionKey,
      at: new Date(clock()).toISOString(),
      kind,
      reason: reason.trim(),
    })
    setSaving(false)
    setTrouble(failed)
    if (failed !== null) return
    dispatch(api.util.invalidateTags(['machine', 'round']))
    done()
  }
  return (
    <Form
      className="row"
      aria-label={kind === 'closed' ? 'Close condition' : 'Reopen condition'}
      onFinish={() => {
        void save()
      }}
    >
      <FormField label={kind === 'closed' ? 'What was done, or why nothing is needed' : 'Why it is reopened'}>
        <Input autoFocus value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
      </FormField>
      <Button type="primary" htmlType="submit" loading={saving} disabled={reason.trim() === ''}>
        {kind === 'closed' ? 'Close condition' : 'Reopen condition'}
      </Button>
      <Button onClick={done}>Cancel</Button>
      <TroubleNote words={trouble} />
    </Form>
  )
}

function Row({
  condition: k,
  machineId,
  now,
  mayAct,
}: {
  condition: Condition
  machineId: string
  now: number
  mayAct: boolean
}) {
  const [closing, setClosing] = useState(false)
  return (
    <li className={`verdict-${k.level}`}>
      <LevelMark level={k.level} filled />
      <div>
        <p>{k.verdict.because}</p>
        <p className="strong">{k.verdict.next}</p>
        <p className="quiet">
          {origin(k, now)} · {k.verdict.about} · {k.verdict.basis.map((b) => b.text).join(' · ')}
          {k.verdict.confidence === 'low' ? ' · low confidence' : ''}
        </p>
        {closing ? (
          <Close machineId={machineId} conditionKey={k.key} kind="closed" done={() => setClosing(false)} />
        ) : mayAct && isClosable(k.key) ? (
          <Button onClick={() => setClosing(true)}>Close</Button>
        ) : null}
      </div>
    </li>
  )
}

/** Everything found at a machine and not yet answered, worst first; each can be closed with a reason. */
export function Conditions({
  list,
  machineId,
  now,
  mayAct,
}: {
  list: readonly Condition[]
  machineId: string
  now: number
  mayAct: boolean
}) {
  return (
    <ul className="rows verdicts conditions" aria-label="Open conditions">
      {list.map((k) => (
        <Row key={k.key} condition={k} machineId={machineId} now={now} mayAct={mayAct} />
      ))}
    </ul>
  )
}

/** What persons closed here, newest first; each can be opened again. */
export function ClosedConditions({ page, now, mayAct }: { page: MachinePage; now: number; mayAct: boolean }) {
  const [shown, setShown] = useState(false)
  const [opening, setOpening] = useState<string | null>(null)
  const newest = new Map(page.closings.map((c) => [c.key, c]))
  const closed = [...newest.values()].filter((c) => c.kind === 'closed').reverse()
  if (closed.length === 0) return null
  if (!shown)
    return (
      <Button type="link" onClick={() => setShown(true)}>
        {closed.length} closed by a person
      </Button>
    )
  return (
    <ul className="rows findings" aria-label="Closed conditions">
      {closed.map((c) => (
        <li key={c.id} className="finding">
          <p>
            <b>{partsOf(c.key).check.replaceAll('-', ' ')}</b>, closed {shortDay(c.at, now)}: {c.reason}
          </p>
          <p className="quiet">{c.by}</p>
          {opening === c.key ? (
            <Close machineId={page.machine.id} conditionKey={c.key} kind="reopened" done={() => setOpening(null)} />
          ) : mayAct ? (
            <Button onClick={() => setOpening(c.key)}>Reopen</Button>
          ) : null}
        </li>
      ))}
    </ul>
  )
}
