import type { MachinePage } from '@motor-round/contract'
import { fitMotor, settingsFor, type Fit, type Swap } from '@motor-round/core/fit'
import { show } from '@motor-round/core/quantity'
import { supplyHertz, type Plate } from '@motor-round/core/plate'
import { Button } from 'antd'
import { useState } from 'react'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { PlateCard } from '../../parts/plate/index.ts'
import { ampsNow } from './amps-now.ts'
import { WillItStart } from './will-it-start.tsx'
import { heads, tones } from './fit-words.ts'

function Points({ fit }: { fit: Fit }) {
  const shown = fit.points.filter((p) => p.grade !== 'drops in')
  const good = fit.points.length - shown.length
  return (
    <>
      <p className={`note tone-${tones[fit.grade]}`} role="status">
        <b>{heads[fit.grade]}</b>
        {good > 0 ? ` · ${good} of ${fit.points.length} points drop in` : ''}
      </p>
      <ul className="rows">
        {shown.map((p) => (
          <li key={p.point} className={`tone-${tones[p.grade]} job-point`}>
            <b>
              {p.point}: {heads[p.grade].toLowerCase().replace('.', '')}
            </b>
            <span>
              {p.old} → {p.now}
            </span>
            <span>{p.because}</span>
          </li>
        ))}
      </ul>
      {fit.kit.length > 0 ? (
        <p>
          <b>Bring:</b> {fit.kit.join(', ')}
        </p>
      ) : null}
    </>
  )
}

const A = (amps: number) => `${show.amps(amps)} A`

/** What is set and checked for the new nameplate, before it is closed on. */
function SetFor({ swap }: { swap: Swap }) {
  const { overload, circuit } = settingsFor(swap)
  if (!overload && !circuit) return null
  return (
    <p>
      <b>For the new nameplate:</b>{' '}
      {overload ? `overload at ${A(overload.set)}, ${A(overload.most)} at the most. ` : ''}
      {circuit
        ? `Wire for ${A(circuit.wire)} or more${circuit.fuse === null ? '' : `, time-delay fuse up to ${circuit.fuse} A`}${circuit.breaker === null ? '' : `, breaker up to ${circuit.breaker} A`}. `
        : ''}
      <small className="quiet">
        NEC 430.32, 430.22, 430.52. A listed unit goes by the maximum fuse on its own nameplate; local code decides.
      </small>
    </p>
  )
}

const plain = (kept: unknown): { plate: Plate } | null =>
  typeof kept === 'object' && kept !== null && 'plate' in kept ? (kept as { plate: Plate }) : null

/** The new motor’s nameplate against the one that is in: before it is bought, and before the old one is off. */
export function FitPanel({ page, jobId }: { page: MachinePage; jobId: string }) {
  const { draft, change } = useKeptDraft<{ plate: Plate }>(`motor-round-fit ${jobId}`, plain, () => ({ plate: {} }))
  const [open, setOpen] = useState(false)
  const old = page.motor?.plate
  if (!old) return null
  const some = Object.keys(draft.plate).length > 0
  const { machine } = page
  const swap: Swap = {
    old,
    now: draft.plate,
    machine,
    hz: supplyHertz(machine.serviceVolts, old.hz, page.site.hertz),
    amps: ampsNow(page),
  }
  const fit = some ? fitMotor(swap) : null
  return (
    <section className="sheet stack" aria-label="Will it fit">
      <header>
        <h2>Will the new motor fit?</h2>
      </header>
      {fit ? (
        <Points fit={fit} />
      ) : (
        <p className="quiet">Enter the nameplate of the new motor before it is ordered, and again from the box.</p>
      )}
      {open ? (
        <PlateCard
          plate={draft.plate}
          serviceVolts={machine.serviceVolts}
          connectionVolts={null}
          caption="New motor"
          blanks
          onChange={(plate) => change({ plate })}
        />
      ) : null}
      {some ? <SetFor swap={swap} /> : null}
      {some ? <WillItStart page={page} plate={draft.plate} /> : null}
      <div className="row">
        <Button size="large" onClick={() => setOpen(!open)}>
          {open ? 'Hide the nameplate' : some ? 'Change the new nameplate' : 'Enter the new nameplate'}
        </Button>
        {some ? <Button onClick={() => change({ plate: {} })}>Start over</Button> : null}
      </div>
    </section>
  )
}
