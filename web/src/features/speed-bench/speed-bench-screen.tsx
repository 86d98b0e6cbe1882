import { plannedOf, speaking, type MachinePage } from '@motor-round/contract'
import {
  missesOf,
  pastChanges,
  todayOf,
  usuallyTold,
  type BenchToday,
  type Option,
  type PastChange,
} from '@motor-round/core/bench'
import { Button } from 'antd'
import { useMemo, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useJudging } from '../../app/judging.ts'
import { lengthUnitOf, showLength, type LengthUnit } from '../../app/lengths.ts'
import { useClock, useNow } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { useMay } from '../../app/shell/index.ts'
import { BeltDrawing, type Pair } from '../../parts/belt-drawing/index.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { pairOf } from '../drive-train/index.ts'
import { answerOf, missingWords } from './bench-answer.ts'
import { draftOf, typedBench } from './draft.ts'
import { FreeForm } from './free-form.tsx'
import { freeExample, todayOfFree } from './free.ts'
import { Options } from './options.tsx'
import { HouseRecord, OwnRecord } from './record.tsx'
import { TodayForm } from './today-form.tsx'
import { Told } from './told.tsx'
import { changeWords } from './words.ts'
import './speed-bench.css'

function Drawing({ today, option, unit }: { today: BenchToday; option: Option | null; unit: LengthUnit }) {
  const { drive } = today
  if (!drive) return null
  const was: Pair = pairOf(drive)
  const p = option?.prediction
  const pair: Pair =
    p && p.driver !== null && p.driven !== null
      ? { driver: p.driver, driven: p.driven, centre: p.base?.centre ?? was.centre }
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
        belt: p?.base ? `centers ${showLength(p.base.centre, unit)}` : undefined,
        driver: `${showLength(pair.driver, unit)}${turns === undefined ? '' : `, ${turns} turns open`}`,
        driven: showLength(pair.driven, unit),
      }}
    />
  )
}

function MakePlan({ page, today, option }: { page: MachinePage; today: BenchToday; option: Option }) {
  const [id, setId] = useState(() => uuid())
  const [make, attempt] = api.useMakePlanMutation()
  const { save, trouble } = useSaveOrKeep()
  const failure = attempt.error as Failure | undefined
  const navigate = useNavigate()
  const clock = useClock()
  const plan = async () => {
    const body = {
      id,
      machineId: page.machine.id,
      madeAt: new Date(clock()).toISOString(),
      change: option.change,
      predicted: plannedOf(today, option.prediction),
      note: '',
    }
    if (!(await save({ kind: 'plan', body }, () => make({ body }).unwrap()))) return
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
        onClick={() => void plan()}
      >
        Make it work to do
      </Button>
      {option.no.length > 0 ? <p className="quiet">What it may not do stands above; it is not planned so.</p> : null}
      <FailureNote failure={failure?.noSignal ? undefined : failure} kept="Nothing is lost; try again." />
      <TroubleNote words={trouble} />
    </div>
  )
}

function Bench({
  base,
  page,
  changes,
  unit,
  note,
}: {
  base: BenchToday
  page: MachinePage | null
  changes: readonly PastChange[]
  unit: LengthUnit
  note: string
}) {
  const [draft, setDraft] = useState(() => draftOf(base))
  const [picked, setPicked] = useState<string | null>(null)
  const mayAct = useMay('mechanic')
  const now = useNow()
  const typed = typedBench(base, draft)
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
      <div className="speed-columns">
        <div className="stack">
          <section className="sheet stack" aria-label="Today and the goal">
            <header>
              <h2>Today</h2>
              <span className="quiet">{note}</span>
            </header>
            <TodayForm draft={draft} set={(d) => setDraft({ ...draft, ...d })} wrong={typed.ok ? {} : typed.wrong} />
          </section>
          <section className="sheet">
            <h2>Ways to go</h2>
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
                  ? 'Mend what is marked.'
                  : typeof answer === 'string'
                    ? `No answer: ${answer}.`
                    : 'Nothing on this machine reaches that goal.'}
              </p>
            )}
          </section>
        </div>
        <section className="sheet stack" aria-label="What it does" aria-live="polite">
          {option && answer !== null && typeof answer !== 'string' && typed.ok ? (
            <>
              <h2>{changeWords(option.change, turns, unit)}</h2>
              <Drawing today={typed.value.today} option={option} unit={unit} />
              <Told option={option} now={answer.now} today={typed.value.today} unit={unit} />
              {[...option.no, ...option.mind].map((t) => (
                <p key={t} className="caution">
                  {t.charAt(0).toUpperCase()}
                  {t.slice(1)}.
                </p>
              ))}
              <p className="quiet">
                Belts tight and filters clean first: a fan that starves or slips is not judged by its speed. Then turn,
                tension by the base, line it up, read the amps.
              </p>
              {page && mayAct ? <MakePlan page={page} today={typed.value.today} option={option} /> : null}
            </>
          ) : (
            <Drawing today={base} option={null} unit={unit} />
          )}
        </section>
      </div>
      {page ? (
        <section className="sheet">
          <header>
            <h2>Earlier changes here</h2>
            <span className="quiet">what this bench says from the stop before, against the stop after</span>
          </header>
          <OwnRecord changes={changes} now={now} />
        </section>
      ) : null}
      <section className="sheet">
        <header>
          <h2>This bench’s own record</h2>
          <span className="quiet">said beforehand, measured afterwards</span>
        </header>
        <HouseRecord page={page} now={now} />
      </section>
    </>
  )
}

function OnMachine({ id }: { id: string }) {
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const judging = useJudging(page)
  const stop = page ? speaking(page) : null
  const found = useMemo(() => {
    if (!judging || !stop) return null
    const input = judging(stop)
    const changes = pastChanges(input)
    return { today: todayOf(input, usuallyTold, missesOf(changes)), changes }
    // The stop is derived from the page, as judging is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [judging])
  if (query.error && !page)
    return <FailureNote failure={query.error as Failure} kept="This machine cannot be shown now." />
  if (!page || !judging) return <p>Loading …</p>
  const name = `${page.unit.tag} / ${page.machine.tag}`
  const missing = found === null ? 'no amps' : typeof found.today === 'string' ? found.today : null
  return (
    <>
      <p>
        On <Link to={`/machines/${id}`}>{name}</Link>
        {page.machine.purpose ? `, ${page.machine.purpose}` : ''}. <Link to="/bench/speed">Free numbers instead</Link>
      </p>
      {missing !== null || !found || typeof found.today === 'string' ? (
        <section className="sheet">
          <h2>Nothing to start from</h2>
          <p>{missingWords[missing ?? 'no amps']}</p>
          <p>
            <Link to={`/machines/${id}/drive`}>Drive train</Link> · <Link to={`/machines/${id}/stop`}>Take a stop</Link>
          </p>
        </section>
      ) : (
        <Bench
          key={`${id} ${stop?.id ?? ''} ${page.machine.version}`}
          base={found.today}
          page={page}
          changes={found.changes}
          unit={lengthUnitOf(page.machine)}
          note={stop ? `read ${dayTime(new Date(stop.at).toISOString())}` : ''}
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
      <p className="quiet">On free numbers. Open it from a machine and it knows plate, sheaves, belt and past.</p>
      <section className="sheet">
        <h2>The machine</h2>
        <FreeForm draft={free} set={(d) => setFree({ ...free, ...d })} />
      </section>
      {base ? (
        <Bench key={JSON.stringify(free)} base={base} page={null} changes={[]} unit="in" note="type what was read" />
      ) : (
        <p className="quiet">Plate, both sheaves and the supply are needed.</p>
      )}
    </>
  )
}

/** The speed bench: what a change of a fan's speed will do, before the wrench is picked up. */
export function SpeedBenchScreen() {
  const [params] = useSearchParams()
  const machine = params.get('machine')
  return (
    <div className="page stack">
      <p className="quiet">
        <Link to={`/bench${machine === null ? '' : `?machine=${machine}`}`}>Bench</Link> · drive train
      </p>
      <h1>Speed bench</h1>
      {machine === null ? <OnFreeNumbers /> : <OnMachine id={machine} />}
    </div>
  )
}
