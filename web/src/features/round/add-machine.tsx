import type { RoundPage } from '@motor-round/contract'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { FoundUnit } from './found-unit.tsx'

/** A machine that was not planned joins the walk: one on record, or a unit nobody had in it. */
export function AddMachine({ page, done }: { page: RoundPage; done: (machineId: string | null) => void }) {
  const [words, setWords] = useState('')
  const found = api.useFindMachinesQuery({ query: { q: words } }, { skip: words.trim().length < 2 })
  const [fresh, setFresh] = useState(false)
  const there = page.areas.flatMap((a) => page.visits.filter((s) => s.areaId === a.id).map((s) => s.machineId))
  return (
    <section className="sheet stack" aria-label="Add a machine">
      {fresh ? (
        <FoundUnit page={page} done={done} back={() => setFresh(false)} />
      ) : (
        <>
          <h2>Add a machine to this round</h2>
          <Input
            size="large"
            autoFocus
            aria-label="Tag or name"
            placeholder="Tag or name"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <ul className="stack">
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
              It is not in the list
            </Button>
            <Button size="large" onClick={() => done(null)}>
              Close
            </Button>
          </div>
        </>
      )}
    </section>
  )
}
