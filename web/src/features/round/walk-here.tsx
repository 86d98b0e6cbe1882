import { type RoundPage, type RoundVisit } from '@motor-round/contract'
import { pausesOf, stepOf, stepState } from '@motor-round/core/round'
import { clockOf, spansText } from '../../app/dates.ts'
import { Button } from 'antd'
import { Suspense, useState } from 'react'
import { useNavigate } from 'react-router'
import { capital } from '../../app/capital.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { partWords, scopeFor, tagOf } from './words.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

// Most walks skip nothing: what it takes to write a reason is loaded when it is asked for.
const WalkSkip = lazyPart('The form for skipping', async () => (await import('./walk-skip.tsx')).WalkSkip)

/** What is to be done on a visit. */
function Tasks({ visit, part }: { visit: RoundVisit; part: ReturnType<typeof stepOf>['part'] }) {
  const { rest, settle } = pausesOf(visit.tasks)
  if (part === 'lock')
    return (
      <ul className="rows">
        <li>
          <b>Shut off, lock out, and wait {rest?.minutes ?? 0} min</b>
          <small>
            {capital(rest?.because ?? '')}. Note the time in the visit; prove it de-energized when you are back.
          </small>
        </li>
      </ul>
    )
  if (part === 'proof')
    return (
      <ul className="rows">
        <li>
          <b>Amps and volts again, {settle?.minutes ?? 0} min after the work</b>
          <small>{capital(settle?.because ?? '')}.</small>
        </li>
      </ul>
    )
  return (
    <ul className="rows">
      {visit.tasks.map((t) => (
        <li key={t.task}>
          <b>{t.title}</b>
          {t.locksOut ? ' · lock out first' : ''}
          <small>{t.why}</small>
        </li>
      ))}
      {visit.tasks.length === 0 ? <li>Added during the round: amps and volts.</li> : null}
    </ul>
  )
}

const goWords = {
  lock: { open: 'Lock out', began: 'Lock out', done: 'Open visit', skipped: 'Lock out' },
  work: { open: 'Take readings', began: 'Continue visit', done: 'Take readings again', skipped: 'Take readings' },
  proof: { open: 'Re-read', began: 'Re-read', done: 'Re-read', skipped: 'Re-read' },
} as const

/** One visit, large: what it is, what is to be done, and the one button for the thumb. */
export function Here({
  page,
  visit,
  id,
  mayAct,
  tell,
  put,
}: {
  page: RoundPage
  visit: RoundVisit
  id: string
  mayAct: boolean
  tell: (kind: 'began' | 'skipped' | 'done', note?: string) => Promise<boolean>
  put: (by: number) => void
}) {
  const navigate = useNavigate()
  const [skipping, setSkipping] = useState(false)
  const { part } = stepOf(id)
  const state = stepState(page.events, id)
  const step = page.route.steps.find((v) => v.step === id)
  const minutes = part === 'work' ? visit.minutes : step ? step.end - step.start : 0
  const scope = part === 'proof' ? 'running' : scopeFor(visit.tasks)
  const go = () =>
    void tell('began').then((kept) => {
      if (kept) void navigate(`/machines/${visit.machineId}/visit?round=${page.head.id}&scope=${scope}`)
    })
  return (
    <section className="sheet walk-here" aria-label={tagOf(visit)}>
      <header>
        <h2>
          {tagOf(visit)}
          {part === 'work' ? '' : `, ${partWords[part]}`}
        </h2>
        <LevelMark level={visit.level ?? 'not judged'} filled />
      </header>
      <p className="quiet">
        {visit.purpose || visit.areaName} · {visit.areaName}
        {step ? ` · ${clockOf(step.start)}, ${Math.round(minutes)} min` : ''}
        {step && step.walkers.length > 1 ? ' · two people' : ''}
      </p>
      {visit.headline !== '' && visit.level !== 'ok' ? <p>{visit.headline}</p> : null}
      <Tasks visit={visit} part={part} />
      {page.findings
        .filter((f) => f.machineId === visit.machineId && f.state !== 'closed')
        .map((f) => (
          <p key={f.id}>Found: {f.text}</p>
        ))}
      {part !== 'proof' && visit.care.tell !== '' ? (
        <p className="note tone-watch">Notify {visit.care.tell} before shutdown.</p>
      ) : null}
      {part !== 'proof' && visit.care.watch !== '' ? (
        <p className="note tone-watch">{visit.care.watch} watches the space it serves.</p>
      ) : null}
      {visit.care.lift === '' ? null : <p className="note tone-watch">Lifting: {visit.care.lift}.</p>}
      {visit.care.hazards !== '' ? <p className="note tone-watch">{visit.care.hazards}</p> : null}
      {part !== 'proof' && visit.care.windows.length > 0 ? (
        <p className="note tone-watch">May be shut down {spansText(visit.care.windows)}.</p>
      ) : null}
      {!mayAct || page.head.state === 'closed' ? null : skipping ? (
        <Suspense fallback={<Loading />}>
          <WalkSkip
            tag={tagOf(visit)}
            skip={(why) => void tell('skipped', why).then((kept) => kept && setSkipping(false))}
            leave={() => setSkipping(false)}
          />
        </Suspense>
      ) : (
        <div className="row">
          <Button type="primary" size="large" className="walk-go" onClick={go}>
            {goWords[part][state]}
          </Button>
          {state === 'done' ? null : (
            <Button size="large" onClick={() => setSkipping(true)}>
              Skip
            </Button>
          )}
          {state === 'done' || part !== 'work' ? null : (
            <>
              <Button size="large" onClick={() => put(1)}>
                Later
              </Button>
              <Button size="large" onClick={() => put(-1)}>
                Sooner
              </Button>
            </>
          )}
        </div>
      )}
    </section>
  )
}
