import { pausesOf, visitOf, visitState, type RoundPage, type RoundStop, type VisitPart } from '@motor-round/contract'
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { clockOf } from '../../app/dates.ts'
import { capital } from '../../app/capital.ts'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { costWords, gaveWay, leftOut, tagOf, visitName } from './words.ts'

const stateWords = { open: '', began: 'there now', done: 'done', skipped: 'skipped' } as const

const counted = (n: number) => `${n} ${n === 1 ? 'visit' : 'visits'}`

/** What is done on a visit and why it stands by itself. */
function told(stop: RoundStop, part: VisitPart): string {
  const { rest, settle } = pausesOf(stop.tasks)
  if (part === 'lock') return `${capital(rest?.because ?? 'wait')}, ${rest?.minutes ?? 0} min`
  if (part === 'proof') return `${capital(settle?.because ?? 'settling')}, ${settle?.minutes ?? 0} min after`
  const tasks = stop.tasks.map((t) => t.title).join(', ') || 'added during the round'
  return `${tasks} · ${Math.round(stop.minutes)} min${stop.learnt > 0 ? `, from ${stop.learnt}` : ''}`
}

function Stop({
  page,
  stop,
  id,
  walker,
  movable,
}: {
  page: RoundPage
  stop: RoundStop
  id: string
  walker: string
  movable: boolean
}) {
  const visit = page.plan.visits.find((v) => v.visit === id)
  const { part } = visitOf(id)
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: `${walker} ${id}`,
    disabled: !movable,
  })
  const state = visitState(page.events, id)
  const name = visitName([stop], id)
  return (
    <li
      ref={setNodeRef}
      className={`plan-stop-row state-${state}${isDragging ? ' dragging' : ''}`}
      style={{ transform: CSS.Transform.toString(transform), transition: transition ?? undefined }}
    >
      <span className="plan-time">{visit ? clockOf(visit.start) : '–'}</span>
      <span className="plan-what">
        <Link to={`/machines/${stop.machineId}`}>
          <b>{name}</b>
        </Link>{' '}
        {part === 'work' ? <LevelMark level={stop.level ?? 'not judged'} /> : null}
        <small>
          {told(stop, part)}
          {visit && visit.walkers.length > 1 ? ' · two people' : ''}
          {visit && visit.travel >= 0.5 ? ` · ${Math.round(visit.travel)} min to it` : ''}
          {visit && visit.waiting >= 1 ? ` · waits ${Math.round(visit.waiting)} min` : ''}
        </small>
      </span>
      <span className="plan-state">{stateWords[state]}</span>
      {movable ? (
        <button type="button" className="plan-grip" aria-label={`Move ${name}`} {...attributes} {...listeners}>
          Move
        </button>
      ) : null}
    </li>
  )
}

/** The plan as lists, one a person, to be dragged; the plan mends itself and says what that costs. */
export function PlanLists({ page }: { page: RoundPage }) {
  const mayPlan = useMay('lead')
  const [move, attempt] = api.useMoveVisitMutation()
  const [told, setTold] = useState('')
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const movable = mayPlan && page.head.state === 'planned'
  const stopOf = (visit: string) => page.stops.find((s) => s.machineId === visitOf(visit).machineId)
  const left = leftOut(page)
  const send = (visit: string, walker: string, position: number) => {
    setTold('')
    void move({ params: { id: page.head.id }, body: { version: page.head.version, visit, walker, position } })
      .unwrap()
      .then(
        (r) => setTold(`${costWords(r.by)} ${gaveWay(page, r.page)}`.trim()),
        () => undefined,
      )
  }
  const end = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const visit = String(active.id).split(' ')[1] ?? ''
    const [walker = '', before = ''] = String(over.id).split(' ')
    const list = page.plan.order.find((o) => o.walker === walker)?.visits ?? []
    send(visit, walker, Math.max(0, list.indexOf(before)))
  }
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={end}>
      {told === '' ? null : (
        <p className="sheet plan-told" role="status">
          {told}
        </p>
      )}
      <FailureNote failure={attempt.error as Failure | undefined} kept="The map was not changed." />
      {page.plan.order.map((o) => {
        const person = page.head.people.find((p) => p.id === o.walker)
        const last = page.plan.visits.filter((v) => v.walkers.includes(o.walker)).at(-1)
        return (
          <section key={o.walker} className="sheet">
            <header>
              <h2>{person?.name ?? 'Someone'}</h2>
              <span className="quiet">
                {counted(o.visits.filter((v) => visitOf(v).part === 'work').length)}
                {last ? `, done about ${clockOf(last.end)}` : ''}
              </span>
            </header>
            <SortableContext items={o.visits.map((v) => `${o.walker} ${v}`)} strategy={verticalListSortingStrategy}>
              <ol className="plan-list">
                {o.visits.map((v) => {
                  const stop = stopOf(v)
                  return stop ? (
                    <Stop key={v} page={page} stop={stop} id={v} walker={o.walker} movable={movable} />
                  ) : null
                })}
              </ol>
            </SortableContext>
          </section>
        )
      })}
      {left.length > 0 ? (
        <section className="sheet">
          <h2>Left out of this round</h2>
          <ul className="plan-list">
            {left.map((l) => {
              const stop = stopOf(l.visit)
              return stop ? (
                <li key={l.visit} className="plan-stop-row">
                  <span className="plan-time">–</span>
                  <span className="plan-what">
                    <Link to={`/machines/${stop.machineId}`}>
                      <b>{tagOf(stop)}</b>
                    </Link>{' '}
                    <LevelMark level={stop.level ?? 'not judged'} />
                    <small>
                      {visitOf(l.visit).part === 'work' ? '' : 'to re-read: '}
                      {l.why}
                    </small>
                  </span>
                  {movable ? (
                    <Button size="small" onClick={() => send(l.visit, page.head.people[0]?.id ?? '', 0)}>
                      Move to top
                    </Button>
                  ) : null}
                </li>
              ) : null
            })}
          </ul>
        </section>
      ) : null}
    </DndContext>
  )
}
