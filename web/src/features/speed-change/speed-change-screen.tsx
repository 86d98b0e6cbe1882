import { predictionOf, speaking, type MachinePage } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import {
  missesOf,
  pastChanges,
  todayOf,
  usuallyTold,
  type DriveToday,
  type Option,
  type PastChange,
} from '@motor-round/core/speed-change'
import { Button } from 'antd'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useJudgedPage, useJudging } from '../../app/judging.ts'
import { lengthUnitOf, showLength, type LengthUnit } from '../../app/lengths.ts'
import { useClock, useNow } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { useMay } from '../../app/shell/index.ts'
import { BeltDrawing, type Pair } from '../../parts/belt-drawing/index.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { pairOf } from '../drive-train/index.ts'
import { answerOf, missingWords } from './speed-answer.ts'
import { draftOf, typedSpeedChange } from './draft.ts'
import { FreeForm } from './free-form.tsx'
import { freeExample, todayOfFree, wrongInFree } from './free.ts'
import { Options } from './options.tsx'
import { HouseRecord, OwnRecord } from './record.tsx'
import { TodayForm } from './today-form.tsx'
import { Told } from './told.tsx'
import { changeWords } from './words.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import './speed-change.css'

function Drawing({ today, option, unit }: { today: DriveToday; option: Option | null; unit: LengthUnit }) {
  const { drive } = today
  if (!drive) return null
  const was: Pair = pairOf(drive)
  const p = option?.prediction
  const pair: Pair =
    p && p.driver !== null && p.driven !== null
      ? { driver: p.driver, driven: p.driven, center: p.base?.center ?? was.center }
      : was
  const turns = option?.change.kind === 'turns' ? option.change.turns : drive.adjustable?.turns
  return (
    <BeltDrawing
      pair={pair}
      was={p ? was : null}
      words={{
        speed: p
          ? `${Math.round(p.motorRpm).toLocaleString('en')} → ${Math.round(p.fanRpm).toLocaleString('en')} rpm`
          : undefined,
        belt: p?.base ? `centers ${showLength(p.base.center, unit)}` : undefined,
        driver: `${showLength(pair.driver, unit)}${turns === undefined ? '' : `, ${show.count(turns, 'turn')} open`}`,
        driven: showLength(pair.driven, unit),
      }}
    />
  )
}

function AddSpeedChange({ page, today, option }: { page: MachinePage; today: DriveToday; option: Option }) {
  const [id, setId] = useState(() => uuid())
  const [make, attempt] = api.useAddSpeedChangeMutation()
  const { save, trouble } = useSaveOrKeep()
  const failure = attempt.error as Failure | undefined
  const navigate = useNavigate()
  const clock = useClock()
  const add = async () => {
    const body = {
      id,
      machineId: page.machine.id,
      madeAt: new Date(clock()).toISOString(),
      change: option.change,
      predicted: predictionOf(today, option.prediction),
      note: '',
    }
    if (!(await save({ kind: 'speed-change', body }, () => make({ body }).unwrap()))) return
    setId(uuid())
    void navigate(`/machines/${page.machine.id}`)
  }
  return (
    <div className="stack">
      <Button
        type="primary"
        size="large"
        loading={attempt.isLoading}
        disabled={option.no.length > 0}
        onClick={() => void add()}
      >
        Plan this work
      </Button>
      {option.no.length > 0 ? <p className="quiet">This option is not allowed; see the reason above.</p> : null}
      <FailureNote failure={failure?.noSignal ? undefined : failure} kept="Nothing is lost. Retry." />
      <TroubleNote words={trouble} />
    </div>
  )
}

function SpeedOptions({
  base,
  page,
  changes,
  unit,
  note,
}: {
  base: DriveToday
  page: MachinePage | null
  changes: readonly PastChange[]
  unit: LengthUnit
  note: string
}) {
  const [draft, setDraft] = useState(() => draftOf(base))
  const [picked, setPicked] = useState<string | null>(null)
  const mayAct = useMay('mechanic')
  const now = useNow()
  const typed = typedSpeedChange(base, draft)
  const answer = typed.ok ? answerOf(typed.value.today, typed.value.goal) : null
  const options = answer !== null && typeof answer !== 'string' ? answer.options : []
  const at = Math.max(
    0,
    options.findIndex((o) => JSON.stringify(o.change) === picked),
  )
  const option = options[at] ?? null
  const turns = base.drive?.adjustable?.turns ?? null
  return (
    <>
      <Columns of={[5, 6]}>
        <div className="stack">
          <section className="sheet stack" aria-label="Present state and goal">
            <header>
              <h2>Today</h2>
              <span className="quiet">{note}</span>
            </header>
            <TodayForm
              system={base.units ?? 'us'}
              draft={draft}
              set={(d) => setDraft({ ...draft, ...d })}
              wrong={typed.ok ? {} : typed.wrong}
            />
          </section>
          <section className="sheet">
            <h2>Options</h2>
            {options.length > 0 ? (
              <Options
                options={options}
                chosen={at}
                choose={(i) => setPicked(JSON.stringify(options[i]?.change))}
                turns={turns}
                unit={unit}
              />
            ) : (
              <p className="quiet">
                {!typed.ok
                  ? 'Correct the marked fields.'
                  : typeof answer === 'string'
                    ? `No answer: ${answer}.`
                    : 'No option on this machine reaches that goal.'}
              </p>
            )}
          </section>
        </div>
        <section className="sheet stack" aria-label="Effect" aria-live="polite">
          {option && answer !== null && typeof answer !== 'string' && typed.ok ? (
            <>
              <h2>{changeWords(option.change, turns, unit)}</h2>
              <Drawing today={typed.value.today} option={option} unit={unit} />
              <Told option={option} now={answer.now} today={typed.value.today} unit={unit} />
              {[...option.no, ...option.mind].map((t) => (
                <p key={t} className="note tone-watch caution">
                  {t.charAt(0).toUpperCase()}
                  {t.slice(1)}.
                </p>
              ))}
              <p className="quiet">
                Tighten belts and clean filters first: low airflow or belt slip hides the effect of speed. Then set the
                sheave, tension on the base, align, and read the amps.
              </p>
              {page && mayAct ? <AddSpeedChange page={page} today={typed.value.today} option={option} /> : null}
            </>
          ) : (
            <Drawing today={base} option={null} unit={unit} />
          )}
        </section>
      </Columns>
      {page ? (
        <section className="sheet">
          <header>
            <h2>Earlier changes here</h2>
            <span className="quiet">predicted from the visit before, measured at the visit after</span>
          </header>
          <OwnRecord changes={changes} now={now} />
        </section>
      ) : null}
      <section className="sheet">
        <header>
          <h2>Accuracy of predictions</h2>
          <span className="quiet">predicted and measured</span>
        </header>
        <HouseRecord page={page} now={now} />
      </section>
    </>
  )
}

function OnMachine({ id }: { id: string }) {
  const { page, failure } = useJudgedPage(id)
  const judging = useJudging(page)
  const visit = page ? speaking(page) : null
  const found = useMemo(() => {
    if (!judging || !visit) return null
    const input = judging(visit)
    const changes = pastChanges(input)
    return { today: todayOf(input, usuallyTold, missesOf(changes)), changes }
    // The visit is derived from the page, as judging is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [judging])
  if (failure && !page) return <FailureNote failure={failure} kept="This machine cannot be loaded." />
  if (!page || !judging) return <Loading />
  const name = `${page.unit.tag} / ${page.machine.tag}`
  const missing = found === null ? 'no amps' : typeof found.today === 'string' ? found.today : null
  return (
    <>
      <p>
        On <Link to={`/machines/${id}`}>{name}</Link>
        {page.machine.purpose ? `, ${page.machine.purpose}` : ''}. <Link to="/speed-change">Use your own numbers</Link>
      </p>
      {missing !== null || !found || typeof found.today === 'string' ? (
        <section className="sheet">
          <h2>Not enough readings</h2>
          <p>{missingWords[missing ?? 'no amps']}</p>
          <p>
            <Link to={`/machines/${id}/drive`}>Drive train</Link> ·{' '}
            <Link to={`/machines/${id}/visit`}>Take readings</Link>
          </p>
        </section>
      ) : (
        <SpeedOptions
          key={`${id} ${visit?.id ?? ''} ${page.machine.version}`}
          base={found.today}
          page={page}
          changes={found.changes}
          unit={lengthUnitOf(page.site)}
          note={visit ? `read ${dayTime(new Date(visit.at).toISOString())}` : ''}
        />
      )}
    </>
  )
}

function OnFreeNumbers() {
  const [free, setFree] = useState(freeExample)
  const base = todayOfFree(free, 'in')
  return (
    <>
      <p className="quiet">
        Enter your own numbers, or open it from a machine to fill in nameplate, sheaves, belt and history.
      </p>
      <section className="sheet">
        <h2>The machine</h2>
        <FreeForm draft={free} set={(d) => setFree({ ...free, ...d })} />
      </section>
      {base ? (
        <SpeedOptions
          key={JSON.stringify(free)}
          base={base}
          page={null}
          changes={[]}
          unit="in"
          note="enter the readings"
        />
      ) : (
        <p className="quiet">
          {Object.keys(wrongInFree(free)).length > 0
            ? 'Correct the marked fields.'
            : 'Nameplate, both sheaves and the supply are required.'}
        </p>
      )}
    </>
  )
}

/** Speed change: what a change of a fan's speed will do, before the wrench is picked up. */
export function SpeedChangeScreen() {
  const [params] = useSearchParams()
  const machine = params.get('machine')
  return (
    <div className="page stack">
      <p className="quiet">
        <Link to={`/calculators${machine === null ? '' : `?machine=${machine}`}`}>Calculators</Link> · drive train
      </p>
      <h1>Speed change</h1>
      {machine === null ? <OnFreeNumbers /> : <OnMachine id={machine} />}
    </div>
  )
}
