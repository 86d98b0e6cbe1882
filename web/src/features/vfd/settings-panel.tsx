import type { MachinePage, VfdPage, VfdRead } from '@motor-round/contract'
import { defaultPolicies, type Policies } from '@motor-round/core/limits'
import { parseFigure } from '@motor-round/core/quantity'
import {
  answeredFor,
  checkSettings,
  differences,
  differenceWords,
  parameters,
  plateForDrive,
  shownParameter,
  twinDifferences,
  type ParameterId,
  type ParameterSet,
  type SettingLine,
} from '@motor-round/core/vfd'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { vfdApi } from '../../app/vfd-api.ts'
import type { Failure } from '../../app/failure.ts'
import { useClock } from '../../app/now.ts'
import { DataTable } from '../../parts/data-table/index.ts'
import { Field, FailureNote } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'

type Typed = Readonly<Partial<Record<ParameterId, string>>>

/** What was read off the wire, with what was typed over it. */
function setOf(read: ParameterSet, typed: Typed): ParameterSet {
  const entered = parameters.flatMap(({ id }): (readonly [ParameterId, number])[] => {
    const value = parseFigure(typed[id] ?? '')
    return value === null ? [] : [[id, value]]
  })
  return { ...read, ...Object.fromEntries(entered) }
}

const order: readonly SettingLine['level'][] = ['fix', 'watch', 'ok', 'not judged']

/** Settings line by line: as the drive has them, as they should be, and what the difference does. */
export function SettingsPanel({
  machine,
  motor,
  page,
  read,
  saved,
  mayAct,
}: {
  machine: MachinePage['machine']
  motor: MachinePage['motor']
  page: VfdPage
  /** What was read and is not saved yet. */
  read: VfdRead | null
  saved: () => void
  mayAct: boolean
}) {
  const policies: Policies = api.usePoliciesQuery({}).data?.policies ?? defaultPolicies
  const [typed, setTyped] = useState<Typed>({})
  const [typing, setTyping] = useState(false)
  const [why, setWhy] = useState('')
  const [ids, setIds] = useState(() => ({ id: uuid(), visitId: uuid() }))
  const [keep, keeping] = vfdApi.useKeepVfdSettingsMutation()
  const clock = useClock()
  const last = page.settings[0] ?? null
  const fresh = read?.settings?.set ?? null
  const set = setOf(fresh ?? {}, typed)
  const shown = Object.keys(set).length > 0 ? set : (last?.set ?? {})
  const plate = plateForDrive(motor?.plate ?? null, machine.serviceVolts, motor?.connectionVolts ?? null)
  const found = checkSettings(shown, plate, policies)
  // What needs somebody stands first; while figures are entered every line stays where it is.
  const lines = typing ? found : [...found].sort((x, y) => order.indexOf(x.level) - order.indexOf(y.level))
  const known = answeredFor([...page.settings].reverse())
  const changed = known ? differences(known, shown).filter((d) => d.was !== null && d.is !== null) : []
  const uneven = page.twins.flatMap((t) =>
    t.settings ? twinDifferences(shown, t.settings.set).map((d) => `${differenceWords(d)} (${t.tag} → here)`) : [],
  )
  const count = (level: SettingLine['level']) => lines.filter((l) => l.level === level).length
  const wrong = count('fix')
  const entered = Object.keys(typed).length > 0
  const unsaved = Object.keys(set).length > 0
  const save = () =>
    void keep({
      params: { id: machine.id },
      body: {
        ...ids,
        takenAt: read && fresh ? read.at : new Date(clock()).toISOString(),
        how: fresh && !entered ? 'read' : 'typed',
        set,
        why: why.trim(),
      },
    })
      .unwrap()
      .then(
        () => {
          saved()
          setIds({ id: uuid(), visitId: uuid() })
          setTyped({})
          setWhy('')
          setTyping(false)
        },
        // What went wrong is shown below; what was typed stays.
        () => undefined,
      )
  return (
    <section className="sheet stack" aria-label="Settings against the nameplate">
      <header>
        <h2>Settings against the nameplate</h2>
        <span className="quiet">
          {unsaved ? 'read now, not saved' : last ? 'as saved last' : 'not read yet'}
          {plate.amps === null ? '' : ` · motor ${plate.amps} A, ${plate.volts ?? '?'} V`}
        </span>
      </header>
      {Object.keys(shown).length > 0 ? (
        <p className="row strong">
          {order
            .filter((level) => count(level) > 0)
            .map((level) => (
              <span key={level}>
                {count(level)} <LevelMark level={level} />
              </span>
            ))}
        </p>
      ) : null}
      {Object.keys(shown).length > 0 || typing ? (
        <DataTable<SettingLine>
          label="Settings"
          stacked
          rowKey="id"
          dataSource={[...lines]}
          columns={[
            { title: 'Setting', key: 'title', rowScope: 'row', render: (_, l) => l.title },
            {
              title: 'Drive setting',
              key: 'set',
              className: 'num',
              render: (_, l) =>
                typing ? (
                  <Input
                    aria-label={l.title}
                    className="vfd-entry"
                    inputMode="decimal"
                    value={typed[l.id] ?? (fresh?.[l.id] === undefined ? '' : String(fresh[l.id]))}
                    onChange={(e) => setTyped({ ...typed, [l.id]: e.target.value })}
                  />
                ) : l.set === null ? (
                  'not read'
                ) : (
                  shownParameter(l.id, l.set)
                ),
            },
            { title: 'Should be', key: 'wants', render: (_, l) => l.wants },
            {
              title: 'Result',
              key: 'level',
              render: (_, l) => (
                <>
                  <LevelMark level={l.level} />
                  {l.level === 'ok' || l.level === 'not judged' ? null : (
                    <>
                      {' '}
                      {l.because} <b>{l.next}</b>
                    </>
                  )}
                </>
              ),
            },
          ]}
        />
      ) : (
        <p>Read the drive, or enter its settings off the display.</p>
      )}
      {(read?.settings?.doubts ?? []).map((d) => (
        <p key={d} className="note tone-watch">
          {d}
        </p>
      ))}
      {changed.length > 0 ? (
        <p className="note tone-watch">
          <b>Changed since somebody last explained them:</b> {changed.map(differenceWords).join(', ')}.
        </p>
      ) : null}
      {uneven.length > 0 ? (
        <p className="note tone-fix">
          <b>Twin fans have to be set alike:</b> {uneven.join(', ')}.
        </p>
      ) : null}
      <FailureNote failure={keeping.error as Failure | undefined} kept="What you entered stays." />
      {mayAct && unsaved ? (
        <>
          {changed.length > 0 ? (
            <Field label="Why they were changed (leave empty if nobody knows)">
              <Input.TextArea value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
            </Field>
          ) : null}
          <div className="row">
            <Button type="primary" size="large" loading={keeping.isLoading} onClick={save}>
              {wrong > 0 ? `Save with ${wrong} to fix` : 'Save these settings'}
            </Button>
          </div>
        </>
      ) : null}
      {mayAct && !typing ? (
        <div className="row">
          <Button size="large" onClick={() => setTyping(true)}>
            Enter by hand
          </Button>
        </div>
      ) : null}
    </section>
  )
}
