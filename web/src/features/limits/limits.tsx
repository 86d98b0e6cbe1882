import { toPolicies } from '@motor-round/contract'
import { policyChoices, type LimitId, type Policies, type PolicyChoice } from '@motor-round/core/limits'
import { Button, Input, Radio } from 'antd'
import { useCallback, useEffect, useState } from 'react'
import { useLocation } from 'react-router'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote, PageFailure } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { LimitsTable } from './limits-table.tsx'
import { People } from './people.tsx'
import './limits.css'

/** One matter in which the trade disagrees: what each policy holds, the default first. */
function PolicySheet({
  policyChoice,
  draft,
  edit,
}: {
  policyChoice: PolicyChoice
  draft: Policies
  edit: ((policies: Policies) => void) | null
}) {
  return (
    <section className="sheet stack policy-sheet">
      <header>
        <h2>{policyChoice.title}</h2>
        <span className="quiet">
          {draft[policyChoice.key] === policyChoice.options[0]?.id ? 'the default' : 'our own'}
        </span>
      </header>
      <Radio.Group
        className="stack"
        name={policyChoice.key}
        aria-label={policyChoice.title}
        value={draft[policyChoice.key]}
        disabled={edit === null}
        onChange={(e) => edit?.({ ...draft, [policyChoice.key]: e.target.value as string })}
      >
        {policyChoice.options.map((o) => (
          <Radio key={o.id} value={o.id}>
            <b className="condensed">{o.words}:</b> {o.holds} <span className="quiet">{o.basis.text}</span>
          </Radio>
        ))}
      </Radio.Group>
      {policyChoice.key === 'overAmp' && draft.overAmp === 'trim below plate' ? (
        <FormField label="How far below the nameplate, %">
          <Input
            style={{ width: 140 }}
            type="number"
            min={0}
            max={20}
            step={0.5}
            disabled={edit === null}
            value={Math.round(draft.trim * 1000) / 10}
            onChange={(e) => edit?.({ ...draft, trim: Math.min(0.2, Math.max(0, Number(e.target.value) / 100)) })}
          />
        </FormField>
      ) : null}
      <p className="quiet">{policyChoice.fixed}</p>
    </section>
  )
}

/** What the change would do to the machines, before it is made. */
function Effect({ draft }: { draft: Policies }) {
  const [ask, answer] = api.usePoliciesEffectMutation()
  const key = JSON.stringify(draft)
  useEffect(() => {
    const wait = setTimeout(() => void ask({ body: { policies: draft } }), 300)
    return () => clearTimeout(wait)
    // The rules is compared with by what they say.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, ask])
  if (!answer.data) return <p className="quiet">Calculating the effect …</p>
  const { changed, machines } = answer.data
  if (changed.length === 0) return <p>No machine of {machines} changes level.</p>
  return (
    <div className="stack">
      <p>
        <b>
          {changed.length} of {machines} machines {changed.length === 1 ? 'changes' : 'change'} level.
        </b>
      </p>
      <ul className="rows effect">
        {changed.slice(0, 12).map((c) => (
          <li key={c.machineId}>
            <b className="condensed">
              {c.unitTag} / {c.tag}
            </b>{' '}
            <LevelMark level={c.from} /> → <LevelMark level={c.to} /> <span className="quiet">{c.because}</span>
          </li>
        ))}
      </ul>
      {changed.length > 12 ? <p className="quiet">and {changed.length - 12} more</p> : null}
    </div>
  )
}

/** Led here by the name of a limit: it comes into sight. */
function useLimitInSight() {
  const { hash } = useLocation()
  useEffect(() => {
    if (hash !== '') document.getElementById(hash.slice(1))?.scrollIntoView({ block: 'center' })
  }, [hash])
}

/** What a change does, why it is made, and Save. */
function SaveBar({ draft, version, discard }: { draft: Policies; version: number; discard: () => void }) {
  const [why, setWhy] = useState('')
  const [save, attempt] = api.useEditPoliciesMutation()
  return (
    <section className="sheet stack rules-save">
      <Effect draft={draft} />
      <FormField label="Why">
        <Input value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
      </FormField>
      <FailureNote failure={attempt.error as Failure | undefined} kept="Not saved yet; your choices are kept here." />
      <div className="row">
        <Button
          type="primary"
          loading={attempt.isLoading}
          disabled={why.trim() === ''}
          onClick={() => void save({ body: { policies: draft, version, why } })}
        >
          Save and update all results
        </Button>
        <Button onClick={discard}>Discard</Button>
      </div>
    </section>
  )
}

function PoliciesForm({ policies, version, changed }: { policies: Policies; version: number; changed: string }) {
  const [draft, setDraft] = useState(policies)
  const lead = useMay('lead')
  useLimitInSight()
  const dirty = JSON.stringify(draft) !== JSON.stringify(policies)
  const setLimit = useCallback(
    (id: LimitId, value: number | null) =>
      setDraft((old) => {
        const { [id]: _old, ...rest } = old.limits
        return { ...old, limits: value === null ? rest : { ...rest, [id]: value } }
      }),
    [],
  )
  return (
    <>
      <p className="quiet">{changed}</p>
      {policyChoices.map((policyChoice) => (
        <PolicySheet key={policyChoice.key} policyChoice={policyChoice} draft={draft} edit={lead ? setDraft : null} />
      ))}
      <section className="sheet">
        <h2>Limits and sources</h2>
        <LimitsTable policies={draft} setLimit={lead ? setLimit : null} />
      </section>
      {dirty ? <SaveBar draft={draft} version={version} discard={() => setDraft(policies)} /> : null}
    </>
  )
}

function Changes() {
  const entries = api.useAuditQuery({ query: { entity: 'policies' } }).data ?? []
  if (entries.length === 0) return null
  return (
    <section className="sheet">
      <h2>Change log</h2>
      {entries.map((e) => (
        <p key={e.id} className="trail">
          {dayTime(e.at)} · {e.by}: {e.why}
          <span className="quiet">
            {' '}
            {e.changes.map((c) => `${c.field} ${JSON.stringify(c.before)} → ${JSON.stringify(c.after)}`).join('; ')}
          </span>
        </p>
      ))}
    </section>
  )
}

/** Policies: where the trade disagrees, what this house holds; every limit with its source; who may sign in. */
export function LimitsScreen() {
  const query = api.usePoliciesQuery({})
  const policies = query.data
  const lead = useMay('lead')
  if (query.error && !policies)
    return <PageFailure failure={query.error as Failure} kept="The limits cannot be loaded." />
  if (!policies) return <Loading page />
  return (
    <div className="page stack">
      <h1>Limits</h1>
      <PoliciesForm
        key={policies.version}
        policies={toPolicies(policies.policies)}
        version={policies.version}
        changed={
          policies.changedBy && policies.changedAt
            ? `changed by ${policies.changedBy}, ${dayTime(policies.changedAt)}`
            : 'All limits and policies are at their defaults.'
        }
      />
      <Changes />
      {lead ? <People /> : null}
    </div>
  )
}
