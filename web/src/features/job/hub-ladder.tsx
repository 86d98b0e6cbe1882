import { hubLimit, hubNext, rungs, type HubNext, type StepStands } from '@motor-round/core/job'
import { show } from '@motor-round/core/quantity'
import { Button, InputNumber } from 'antd'
import { useState } from 'react'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { NumberField } from './option-fields.tsx'
import type { Say } from './use-job.ts'

function Advice({ next }: { next: HubNext }) {
  if (next.say === 'free')
    return (
      <p className="note tone-ok" role="status">
        It is free.
      </p>
    )
  const { advice } = next
  const sum = advice
    ? `${advice.rung.title}: ${show.percent(advice.chance)} chance, worth ${show.dollars(advice.gain)} against ${show.dollars(advice.cost)}.`
    : 'Only the cut is left.'
  if (next.say === 'ask')
    return (
      <p className="note tone-fix" role="status">
        <b>Stop and decide with the lead.</b>{' '}
        {next.because === 'minutes' ? `${hubLimit} minutes of hands are used up.` : 'Two ways did not move it.'} {sum}
      </p>
    )
  return next.say === 'go' ? (
    <p className="note tone-watch" role="status">
      <b>Next:</b> {sum} Damage: {next.advice.rung.damage}. Over when: {next.advice.rung.over}
    </p>
  ) : (
    <p className="note tone-fix" role="status">
      <b>Cut it, once the new part is checked and in hand.</b> {sum} Without the part, leave it.
    </p>
  )
}

/** A hub that is stuck: ways from the gentlest on, what was tried, and whether the next one pays. */
export function HubLadder({
  step,
  rate,
  people,
  mayAct,
  say,
}: {
  step: StepStands
  /** Money of an hour of one person, where it is known. */
  rate: number | null
  people: number
  mayAct: boolean
  say: Say
}) {
  const [saved, setSaved] = useState<number | null>(null)
  const [hour, setHour] = useState<number | null>(rate)
  const [minutes, setMinutes] = useState<number | null>(null)
  const [freed, setFreed] = useState<boolean | null>(null)
  const { tried } = step
  const next =
    saved === null || hour === null
      ? null
      : hubNext(tried, { saved, rate: hour / 60, people, spoils: 0.1, spoiled: saved })
  const done = Math.max(0, ...tried.map((t) => 1 + rungs.findIndex((r) => r.id === t.rung)))
  const rung = tried.some((t) => t.freed) ? undefined : rungs[done]
  return (
    <details className="job-hub" open={tried.length > 0}>
      <summary>Stuck on its shaft</summary>
      <ol className="rows">
        {tried.map((t, i) => (
          <li key={i}>
            {rungs.find((r) => r.id === t.rung)?.title}: {t.minutes} min,{' '}
            {t.freed ? <b>it came free</b> : 'did not move'}
          </li>
        ))}
      </ol>
      <div className="job-numbers">
        <NumberField
          label="Saved if it comes free: part, its fitting, days down, $"
          value={saved}
          onChange={setSaved}
        />
        <NumberField label="Labor, $ an hour" value={hour} onChange={setHour} />
      </div>
      {next ? <Advice next={next} /> : null}
      {mayAct && rung ? (
        <div className="stack">
          <p>
            <b>{rung.title}</b>
            <br />
            <span className="quiet">
              {rung.minutes} min{rung.soak > 0 ? `, then ${rung.soak} min to soak` : ''} · damage: {rung.damage} · over
              when: {rung.over}
            </span>
          </p>
          <FormField label="Minutes it took">
            <InputNumber
              controls={false}
              size="large"
              min={0}
              max={600}
              value={minutes ?? rung.minutes}
              onChange={setMinutes}
            />
          </FormField>
          <Choice
            label="It"
            value={freed}
            options={[
              { value: true, label: 'came free' },
              { value: false, label: 'did not move' },
            ]}
            onChange={setFreed}
          />
          <div className="row">
            <Button
              size="large"
              disabled={freed === null}
              onClick={() => {
                if (freed === null) return
                void say({ kind: 'rung', step: step.id, rung: rung.id, minutes: minutes ?? rung.minutes, freed })
                setFreed(null)
                setMinutes(null)
              }}
            >
              {freed === null ? 'Say whether it moved' : 'Record this try'}
            </Button>
          </div>
        </div>
      ) : null}
    </details>
  )
}
