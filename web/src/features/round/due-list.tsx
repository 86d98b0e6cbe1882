import type { DueMachine } from '@motor-round/contract'
import { Checkbox } from 'antd'
import { shortDay } from '../../app/dates.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { tagOf } from './words.ts'

/** Machines with what is due by a day: each task with its reason, to be taken or left. */
export function DueList({
  list,
  until,
  taken,
  toggle,
}: {
  list: readonly DueMachine[]
  until: number
  taken: ReadonlyMap<string, readonly string[]>
  toggle: (machineId: string, tasks: readonly string[]) => void
}) {
  return (
    <ul className="rows due-list">
      {list.map((m) => {
        const due = m.tasks.filter((t) => Date.parse(t.dueAt) <= until)
        const own = taken.get(m.machineId) ?? []
        return (
          <li key={m.machineId}>
            <Checkbox
              checked={own.length > 0}
              onChange={(e) =>
                toggle(
                  m.machineId,
                  e.target.checked ? (due.length > 0 ? due : m.tasks.slice(0, 1)).map((t) => t.task) : [],
                )
              }
            >
              <b>{tagOf(m)}</b> <LevelMark level={m.level ?? 'not judged'} />
              <span className="quiet"> {m.areaName}</span>
            </Checkbox>
            {own.length > 0 || due.length > 0 ? (
              <ul>
                {m.tasks
                  .filter((t) => due.includes(t) || own.includes(t.task))
                  .map((t) => (
                    <li key={t.task}>
                      <Checkbox
                        checked={own.includes(t.task)}
                        onChange={(e) =>
                          toggle(m.machineId, e.target.checked ? [...own, t.task] : own.filter((x) => x !== t.task))
                        }
                      >
                        {t.title}, {t.minutes} min{t.locksOut ? ', locked out' : ''}
                      </Checkbox>
                      <span className="quiet due-why">{t.why}</span>
                    </li>
                  ))}
              </ul>
            ) : (
              <p className="quiet due-later">
                None before {shortDay(m.tasks[0]?.dueAt ?? '', until)}: {m.tasks[0]?.title}
              </p>
            )}
          </li>
        )
      })}
    </ul>
  )
}
