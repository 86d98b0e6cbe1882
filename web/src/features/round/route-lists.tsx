import { type RoundPage, type RoundVisit } from '@motor-round/contract'
import { pausesOf, stepOf, stepState, type StepPart } from '@motor-round/core/round'
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
import { show } from '@motor-round/core/quantity'
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
import { costWords, gaveWay, leftOut, tagOf, stepName } from './words.ts'

const stateWords = { open: '', began: 'there now', done: 'done', skipped: 'skipped' } as const

const counted = (n: number) => show.count(n, 'visit')

/** What is done on a visit and why it stands by itself. */
function told(visit: RoundVisit, part: StepPart): string {
  const { rest, settle } = pausesOf(visit.tasks)
  if (part === 'lock') return `${capital(rest?.because ?? 'wait')}, ${rest?.minutes ?? 0} min`
  if (part === 'proof') return `${capital(settle?.because ?? 'settling')}, ${settle?.minutes ?? 0} min after`
  const tasks = visit.tasks.map((t) => t.title).join(', ') || 'added during the round'
  return `${tasks} · ${Math.round(visit.minutes)} min${visit.learnt > 0 ? `, from ${visit.learnt}` : ''}`
}

function Visit({
  page,
  visit,
  id,
  walker,
  movable,
}: {
  page: RoundPage
  visit: RoundVisit
  id: string
  walker: string
  movable: boolean
}) {
  const step = page.route.steps.find((v) => v.step === id)
  const { part } = stepOf(id)
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: `${walker} ${id}`,
    disabled: !movable,
  })
  const state = stepState(page.events, id)
  const name = stepName([visit], id)
  return (
    <li
      ref={setNodeRef}
      className={`route-visit-row state-${state}${isDragging ? ' dragging' : ''}`}
      style={{ transform: CSS.Transform.toString(transform), transition: transition ?? undefined }}
    >
      <span className="route-time">{step ? clockOf(step.start) : '–'}</span>
      <span className="route-what">
        <Link to={`/machines/${visit.machineId}`}>
          <b>{name}</b>
        </Link>{' '}
        {part === 'work' ? <LevelMark level={visit.level ?? 'not judged'} /> : null}
        <small>
          {told(visit, part)}
          {step && step.walkers.length > 1 ? ' · two people' : ''}
          {step && step.travel >= 0.5 ? ` · ${Math.round(step.travel)} min to it` : ''}
          {step && step.waiting >= 1 ? ` · waits ${Math.round(step.waiting)} min` : ''}
        </small>
      </span>
      <span className="condensed">{stateWords[state]}</span>
      {movable ? (
        <button type="button" className="route-grip" aria-label={`Move ${name}`} {...attributes} {...listeners}>
          Move
        </button>
      ) : null}
    </li>
  )
}

/** The plan as lists, one a person, to be dragged; the plan mends itself and says what that costs. */
export function RouteLists({ page }: { page: RoundPage }) {
  const mayPlan = useMay('lead')
  const [move, attempt] = api.useMoveStepMutation()
  const [told, setTold] = useState('')
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const movable = mayPlan && page.head.state === 'planned'
  const visitOf = (step: string) => page.visits.find((s) => s.machineId === stepOf(step).machineId)
  const left = leftOut(page)
  const send = (step: string, walker: string, position: number) => {
    setTold('')
    void move({ params: { id: page.head.id }, body: { version: page.head.version, step, walker, position } })
      .unwrap()
      .then(
        (r) => setTold(`${costWords(r.by)} ${gaveWay(page, r.page)}`.trim()),
        () => undefined,
      )
  }
  const end = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const step = String(active.id).split(' ')[1] ?? ''
    const [walker = '', before = ''] = String(over.id).split(' ')
    const list = page.route.order.find((o) => o.walker === walker)?.steps ?? []
    send(step, walker, Math.max(0, list.indexOf(before)))
  }
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={end}>
      {told === '' ? null : (
        <p className="note route-told" role="status">
          {told}
        </p>
      )}
      <FailureNote failure={attempt.error as Failure | undefined} kept="The map was not changed." />
      {page.route.order.map((o) => {
        const person = page.head.people.find((p) => p.id === o.walker)
        const last = page.route.steps.filter((v) => v.walkers.includes(o.walker)).at(-1)
        return (
          <section key={o.walker} className="sheet">
            <header>
              <h2>{person?.name ?? 'Someone'}</h2>
              <span className="quiet">
                {counted(o.steps.filter((v) => stepOf(v).part === 'work').length)}
                {last ? `, done about ${clockOf(last.end)}` : ''}
              </span>
            </header>
            <SortableContext items={o.steps.map((v) => `${o.walker} ${v}`)} strategy={verticalListSortingStrategy}>
              <ol className="route-list">
                {o.steps.map((v) => {
                  const visit = visitOf(v)
                  return visit ? (
                    <Visit key={v} page={page} visit={visit} id={v} walker={o.walker} movable={movable} />
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
          <ul>
            {left.map((l) => {
              const visit = visitOf(l.step)
              return visit ? (
                <li key={l.step} className="route-visit-row">
                  <span className="route-time">–</span>
                  <span className="route-what">
                    <Link to={`/machines/${visit.machineId}`}>
                      <b>{tagOf(visit)}</b>
                    </Link>{' '}
                    <LevelMark level={visit.level ?? 'not judged'} />
                    <small>
                      {stepOf(l.step).part === 'work' ? '' : 'to re-read: '}
                      {l.why}
                    </small>
                  </span>
                  {movable ? (
                    <Button size="small" onClick={() => send(l.step, page.head.people[0]?.id ?? '', 0)}>
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
