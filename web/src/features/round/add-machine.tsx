import type { RoundPage } from '@motor-round/contract'
import { Button, Input, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { keep } from '../../offline/keep.ts'
import { Choice, Field } from '../../parts/fields/index.ts'

/** A machine that was not planned joins the walk: one of the book, or a unit nobody had in it. */
export function AddMachine({ page, done }: { page: RoundPage; done: (machineId: string | null) => void }) {
  const [words, setWords] = useState('')
  const found = api.useFindMachinesQuery({ query: { q: words } }, { skip: words.trim().length < 2 })
  const person = api.useSessionQuery({}).data?.person
  const [fresh, setFresh] = useState(false)
  const [tag, setTag] = useState('')
  const [areaId, setArea] = useState(page.areas[0]?.id ?? '')
  const [volts, setVolts] = useState('480')
  const [phases, setPhases] = useState<'1' | '3' | null>('3')
  const [problem, setProblem] = useState<string | null>(null)
  const there = page.areas.flatMap((a) => page.stops.filter((s) => s.areaId === a.id).map((s) => s.machineId))
  const add = async () => {
    const machineId = uuid()
    const failed = await keep(person?.id ?? '', [
      {
        kind: 'found',
        body: {
          unit: { id: uuid(), areaId, tag: tag.trim(), kind: 'other', modelLine: '' },
          machine: {
            id: machineId,
            tag: 'SF',
            purpose: 'found on the roof',
            phases: phases === '1' ? 1 : 3,
            serviceVolts: Number(volts) || 480,
            drive: 'belt',
          },
        },
      },
    ])
    setProblem(failed)
    if (failed === null) done(machineId)
  }
  return (
    <section className="sheet stack" aria-label="Add a machine">
      {fresh ? (
        <>
          <h2>A unit that is not in the book</h2>
          <Field label="Its tag">
            <Input
              size="large"
              aria-label="Its tag"
              value={tag}
              maxLength={24}
              onChange={(e) => setTag(e.target.value)}
            />
          </Field>
          <Field label="Stands on">
            <Select
              size="large"
              aria-label="Stands on"
              value={areaId}
              options={page.areas.map((a) => ({ value: a.id, label: a.name }))}
              onChange={setArea}
            />
          </Field>
          <Field label="Supply, V">
            <Input
              size="large"
              aria-label="Supply, V"
              inputMode="numeric"
              value={volts}
              onChange={(e) => setVolts(e.target.value)}
            />
          </Field>
          <Choice
            label="Phases"
            options={[
              { value: '3', label: 'Three' },
              { value: '1', label: 'Single' },
            ]}
            value={phases}
            onChange={setPhases}
          />
          <div className="row">
            <Button type="primary" size="large" disabled={tag.trim() === ''} onClick={() => void add()}>
              Put it in the book
            </Button>
            <Button size="large" onClick={() => setFresh(false)}>
              Back
            </Button>
          </div>
        </>
      ) : (
        <>
          <h2>Add a machine to this walk</h2>
          <Input
            size="large"
            autoFocus
            aria-label="Tag or words"
            placeholder="Tag or words"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <ul className="walk-found">
            {(found.currentData ?? [])
              .filter((m) => !there.includes(m.id))
              .slice(0, 6)
              .map((m) => (
                <li key={m.id}>
                  <Button size="large" block onClick={() => done(m.id)}>
                    {m.unitTag} / {m.tag} {m.purpose}
                  </Button>
                </li>
              ))}
          </ul>
          <div className="row">
            <Button size="large" onClick={() => setFresh(true)}>
              It is not in the book
            </Button>
            <Button size="large" onClick={() => done(null)}>
              Close
            </Button>
          </div>
        </>
      )}
      {problem === null ? null : (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
    </section>
  )
}
