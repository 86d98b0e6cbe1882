import { toHouseRules } from '@motor-round/contract'
import {
  limitInForce,
  limitRegister,
  overAmpSchools,
  type HouseRules,
  type Limit,
  type LimitId,
} from '@motor-round/core/limits'
import { Button, Input, Radio } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote, Field } from '../../parts/fields/index.ts'
import { shownLimit, typedLimit } from './limit-text.ts'
import { People } from './people.tsx'
import './house-rules.css'

const ids = Object.keys(limitRegister) as LimitId[]

function LimitRow({
  id,
  rules,
  edit,
}: {
  id: LimitId
  rules: HouseRules
  edit: ((value: number | null) => void) | null
}) {
  const limit: Limit = limitRegister[id]
  const own = rules.limits[id]
  const [text, setText] = useState(own === undefined ? '' : shownLimit(limit, own))
  const value = text.trim() === '' ? null : typedLimit(limit, text)
  const wrong =
    text.trim() === '' || limit.house === null
      ? null
      : value === null
        ? 'not a figure'
        : value < limit.house.min || value > limit.house.max
          ? `between ${shownLimit(limit, limit.house.min)} and ${shownLimit(limit, limit.house.max)}`
          : null
  const inForce = limitInForce(id, rules)
  return (
    <tr>
      <td>
        <b>{limit.title}</b>
        <br />
        <span className="quiet">{limit.means}</span>
      </td>
      <td className="num">{shownLimit(limit, inForce.value)}</td>
      <td>
        {limit.basis.text}
        <br />
        <span className="quiet">{limit.basis.sure === 'certain' ? limit.basis.kind : limit.basis.sure}</span>
      </td>
      <td>
        {limit.house === null ? (
          <span className="quiet">fixed</span>
        ) : edit === null ? (
          <span className="quiet">{own === undefined ? '–' : shownLimit(limit, own)}</span>
        ) : (
          <>
            <Input
              aria-label={`Own value: ${limit.title}`}
              value={text}
              status={wrong ? 'error' : ''}
              placeholder={shownLimit(limit, limit.value)}
              onChange={(e) => {
                setText(e.target.value)
                const v = e.target.value.trim() === '' ? null : typedLimit(limit, e.target.value)
                if (e.target.value.trim() === '' || v !== null) edit(v)
              }}
            />
            {wrong ? (
              <span role="alert" className="field-error">
                {wrong}
              </span>
            ) : null}
          </>
        )}
      </td>
    </tr>
  )
}

function RulesForm({ rules, version, changed }: { rules: HouseRules; version: number; changed: string }) {
  const [draft, setDraft] = useState(rules)
  const [why, setWhy] = useState('')
  const [save, attempt] = api.useEditRulesMutation()
  const lead = useMay('lead')
  const dirty = JSON.stringify(draft) !== JSON.stringify(rules)
  const setLimit = (id: LimitId, value: number | null) => {
    const { [id]: _old, ...rest } = draft.limits
    setDraft({ ...draft, limits: value === null ? rest : { ...rest, [id]: value } })
  }
  return (
    <>
      <section className="sheet stack">
        <header>
          <h2>How much current is too much</h2>
          <span className="quiet">{changed}</span>
        </header>
        <Radio.Group
          className="stack"
          value={draft.overAmp}
          disabled={!lead}
          onChange={(e) => setDraft({ ...draft, overAmp: e.target.value as HouseRules['overAmp'] })}
        >
          {overAmpSchools.map((s) => (
            <Radio key={s.id} value={s.id}>
              <b className="condensed school">{s.id}</b> {s.holds}
            </Radio>
          ))}
        </Radio.Group>
        {draft.overAmp === 'trim below plate' ? (
          <Field label="How far below the plate, per cent">
            <Input
              className="narrow"
              type="number"
              min={0}
              max={20}
              step={0.5}
              disabled={!lead}
              value={Math.round(draft.trim * 1000) / 10}
              onChange={(e) => setDraft({ ...draft, trim: Math.min(0.2, Math.max(0, Number(e.target.value) / 100)) })}
            />
          </Field>
        ) : null}
        <p className="quiet">
          Nobody raises a limit quietly: the column of the connection counts as printed, and of motor plate and unit
          plate the lower. Every verdict names the rule it was made under.
        </p>
      </section>
      <section className="sheet">
        <h2>Limits and where they come from</h2>
        <div className="scroll-x" tabIndex={0} role="region" aria-label="Limits">
          <table className="table limits-table">
            <thead>
              <tr>
                <th>Limit</th>
                <th className="num">In force</th>
                <th>Source</th>
                <th>Our own value</th>
              </tr>
            </thead>
            <tbody>
              {ids.map((id) => (
                <LimitRow key={id} id={id} rules={draft} edit={lead ? (v) => setLimit(id, v) : null} />
              ))}
            </tbody>
          </table>
        </div>
      </section>
      {dirty ? (
        <section className="sheet stack rules-save">
          <Field label="Why">
            <Input value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
          </Field>
          <FailureNote failure={attempt.error as Failure | undefined} kept="What you chose stays here." />
          <div className="row">
            <Button
              type="primary"
              loading={attempt.isLoading}
              disabled={why.trim() === ''}
              onClick={() => void save({ body: { rules: draft, version, why } })}
            >
              Save, and judge every machine again
            </Button>
            <Button onClick={() => setDraft(rules)}>Discard</Button>
          </div>
        </section>
      ) : null}
    </>
  )
}

function Changes() {
  const entries = api.useAuditQuery({ query: { entity: 'rules' } }).data ?? []
  if (entries.length === 0) return null
  return (
    <section className="sheet">
      <h2>Changed so far</h2>
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

/** House rules: where the trade disagrees, what this house holds; every limit with its source; who may sign in. */
export function HouseRulesScreen() {
  const rules = api.useRulesQuery({}).data
  const lead = useMay('lead')
  if (!rules) return <p className="page">Loading …</p>
  return (
    <div className="page stack">
      <h1>House rules</h1>
      <RulesForm
        key={rules.version}
        rules={toHouseRules(rules.rules)}
        version={rules.version}
        changed={
          rules.changedBy && rules.changedAt
            ? `changed by ${rules.changedBy}, ${dayTime(rules.changedAt)}`
            : 'as delivered'
        }
      />
      <Changes />
      {lead ? <People /> : null}
    </div>
  )
}
