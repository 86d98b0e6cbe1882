import type { MachinePage, PartRecord } from '@motor-round/contract'
import { lifeOf, livesOf, type DriveStands, type PartSlot, type RemovedFor } from '@motor-round/core/installed'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { lengthUnitOf, showLength } from '../../app/lengths.ts'
import { useClock, useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { BeltDrawing } from '../../parts/belt-drawing/index.ts'
import { CameOut } from '../../parts/came-out/index.ts'
import { FailureNote, PageFailure } from '../../parts/fields/index.ts'
import { CollarArrow } from './collar-arrow.tsx'
import { beltWords, driveOf, inPlace, pairOf, slotsOf } from './drive-facts.ts'
import { greaseWords } from './grease-words.ts'
import { LayoutForm } from './layout-form.tsx'
import { lifeWords, spreadWords } from './life-words.ts'
import { PartForm } from './part-form.tsx'
import { partWords } from './part-words.ts'
import { slotWords } from './slots.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'

type Open = { readonly slot: PartSlot; readonly what: 'fit' | 'correct' | 'remove' } | null

function TakeOut({ part, done }: { part: PartRecord; done: () => void }) {
  const clock = useClock()
  const [removedFor, setRemovedFor] = useState<RemovedFor | null>(null)
  const [why, setWhy] = useState('')
  const [remove, attempt] = api.useRemovePartMutation()
  return (
    <Form
      className="note tone-act stack"
      aria-label={`${slotWords[part.part.slot]}: remove`}
      onFinish={() => {
        void remove({
          params: { id: part.id },
          body: { version: part.version, removedAt: new Date(clock()).toISOString(), removedFor, removedWhy: why },
        })
          .unwrap()
          .then(done, () => undefined)
      }}
    >
      <CameOut label="Removed because" value={removedFor} onChange={setRemovedFor} />
      <label>
        Why, and what is in its place now
        <Input value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
      </label>
      <FailureNote failure={attempt.error as Failure | undefined} kept="Nothing was saved." />
      <div className="row">
        <Button danger htmlType="submit" loading={attempt.isLoading} disabled={why.trim() === ''}>
          Remove
        </Button>
        <Button onClick={done}>Cancel</Button>
      </div>
    </Form>
  )
}

function SlotRow({
  page,
  slot,
  now,
  mayEdit,
  open,
  setOpen,
  house,
  drive,
}: {
  page: MachinePage
  slot: PartSlot
  now: number
  mayEdit: boolean
  open: Open
  setOpen: (o: Open) => void
  house: string | null
  drive: DriveStands | null
}) {
  const unit = lengthUnitOf(page.site)
  const current = inPlace(page, slot)
  const past = page.parts.filter((p) => p.part.slot === slot && p.removedAt !== null).reverse()
  const mine = open?.slot === slot ? open.what : null
  const close = () => setOpen(null)
  const grease = current ? greaseWords(page, current.part, drive) : null
  const own = livesOf(
    page.parts
      .filter((p) => p.part.slot === slot)
      .map(({ installedAt, removedAt, removedFor }) =>
        lifeOf(
          {
            installedAt: Date.parse(installedAt),
            removedAt: removedAt === null ? null : Date.parse(removedAt),
            removedFor,
          },
          now,
        ),
      ),
  )
  return (
    <section className="slot" aria-label={slotWords[slot]}>
      <Columns of={['170px', 1, 'auto']}>
        <h3>{slotWords[slot]}</h3>
        <div>
          {current ? (
            <>
              <p>
                <b>{partWords(current.part, unit)}</b>
                {current.substitute ? ' · temporary substitute' : ''}
              </p>
              <p className="quiet">
                since {shortDay(current.installedAt, now)}
                {current.why ? `, ${current.why}` : ''}
                {own.median === null ? '' : ` · ${lifeWords(own.median)} on this machine`}
                {house === null ? '' : ` · all machines: ${house}`}
              </p>
              {grease === null ? null : <p className="quiet">{grease}</p>}
            </>
          ) : (
            <p className="quiet">Not entered.</p>
          )}
        </div>
        {mayEdit && mine === null ? (
          <div className="row slot-buttons">
            <Button onClick={() => setOpen({ slot, what: 'fit' })}>{current ? 'Replace' : 'Enter'}</Button>
            {current ? (
              <>
                <Button type="text" onClick={() => setOpen({ slot, what: 'correct' })}>
                  Correct
                </Button>
                <Button type="text" onClick={() => setOpen({ slot, what: 'remove' })}>
                  Remove
                </Button>
              </>
            ) : null}
          </div>
        ) : null}
      </Columns>
      {mine === 'remove' && current ? <TakeOut part={current} done={close} /> : null}
      {mine === 'fit' || mine === 'correct' ? (
        <PartForm
          machineId={page.machine.id}
          slot={slot}
          unit={unit}
          inPlace={current}
          correct={mine === 'correct'}
          done={close}
        />
      ) : null}
      {past.map((p) => (
        <p key={p.id} className="quiet">
          {shortDay(p.installedAt, now)} to {shortDay(p.removedAt ?? p.installedAt, now)}: {partWords(p.part, unit)}
          {p.removedWhy ? `; ${p.removedWhy}` : ''}
        </p>
      ))}
    </section>
  )
}

/** What is installed in a machine, with its past, and how the drive stands. */
export function DriveTrainScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useMachinePageQuery({ params: { id } })
  const lives = api.usePartLivesQuery({}).data
  const page = query.currentData
  const now = useNow()
  const mayEdit = useMay('mechanic')
  const [open, setOpen] = useState<Open>(null)
  const [laying, setLaying] = useState(false)
  if (query.error && !page)
    return <PageFailure failure={query.error as Failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  const { machine, unit: of } = page
  const unit = lengthUnitOf(page.site)
  const drive = machine.drive === 'belt' ? driveOf(page, now) : null
  const { layout } = machine
  const houseLife = (slot: PartSlot) => {
    const told = lives?.find((l) => l.slot === slot)
    return told?.median == null ? null : `${lifeWords(told.median)}${spreadWords(told.early, told.late)}`
  }
  return (
    <div className="page stack">
      <p className="quiet">
        <Link to={`/machines/${id}`}>
          {of.tag} / {machine.tag}
        </Link>{' '}
        · drive train
      </p>
      <h1>Installed parts</h1>
      <Columns of={['400px', 1]}>
        <div className="stack">
          <section className="sheet">
            <header>
              <h2>Drive layout</h2>
              <span className="quiet">
                {layout.rotation ? `${layout.rotation}, seen from the ${layout.seenFrom ?? 'drive end'}` : ''}
              </span>
            </header>
            {drive ? (
              <BeltDrawing pair={pairOf(drive)} rotation={layout.rotation} words={beltWords(page, drive)} />
            ) : (
              <p className="quiet">
                {machine.drive === 'belt'
                  ? 'Enter both sheaves to see the drive drawn to scale.'
                  : 'The fan sits on the motor’s own shaft.'}
              </p>
            )}
            {layout.takeUp ? (
              <p className="quiet">
                base from {showLength(layout.takeUp.least, unit)} to {showLength(layout.takeUp.most, unit)}
              </p>
            ) : null}
            {laying ? (
              <LayoutForm key={machine.version} machine={machine} unit={unit} done={() => setLaying(false)} />
            ) : mayEdit ? (
              <Button className="drive-layout" onClick={() => setLaying(true)}>
                Center distance, base, rotation
              </Button>
            ) : null}
          </section>
          {machine.drive === 'belt' ? <CollarArrow page={page} /> : null}
          {drive ? (
            <Link to={`/speed-change?machine=${id}`}>
              <Button block type="primary" size="large">
                Speed change: what would another setting do?
              </Button>
            </Link>
          ) : null}
        </div>
        <div className="sheet rows">
          {slotsOf(page).map((slot) => (
            <SlotRow
              key={slot}
              page={page}
              slot={slot}
              now={now}
              mayEdit={mayEdit}
              open={open}
              setOpen={setOpen}
              house={houseLife(slot)}
              drive={drive}
            />
          ))}
        </div>
      </Columns>
    </div>
  )
}
