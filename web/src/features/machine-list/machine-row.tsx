import type { MachineRow as Row } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { memo } from 'react'
import { Link } from 'react-router'
import { dueWords, shortDay } from '../../app/dates.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { LoadRail } from '../../parts/load-rail/index.ts'
import { worstOf } from '../../parts/roof-map/index.ts'
import { Spark } from '../../parts/spark/index.ts'

/** One machine on the Roof: how bad, which, how loaded and how even, why, when seen, when due. */
export const MachineRow = memo(function MachineRow({ row, now }: { row: Row; now: number }) {
  const { rail, found } = row
  const level = worstOf([row.level, found?.open ? found.level : null]) ?? 'not judged'
  const more = row.conditions.filter((k) => k.because !== row.headline && !k.key.startsWith('finding@')).length
  const due = level === 'stop' ? { words: 'now', late: true } : dueWords(row.dueAt, now)
  // A finding that is the worst of all is the headline already.
  const finding =
    found && found.text !== row.headline ? (
      <b>
        Found{found.open || found.until === null ? '' : `, put off to ${shortDay(`${found.until}T12:00:00Z`, now)}`}:{' '}
        {found.text}
        {found.more > 0 ? `, and ${found.more} more` : ''}.
      </b>
    ) : null
  // The worse of what was judged and what was found is told first: a narrow row cuts off the rest.
  const foundFirst = level !== (row.level ?? 'not judged')
  return (
    <Link to={`/machines/${row.machineId}`} className={`list-row list-${level}`} role="row">
      <span role="cell" className="list-level">
        <LevelMark level={level} filled />
      </span>
      <span role="cell" className="list-tag">
        <b>
          {row.unitTag} / {row.tag}
        </b>
        <span>{row.purpose || row.areaName}</span>
      </span>
      <span role="cell" className="list-rail">
        {rail ? <LoadRail rail={rail} /> : null}
      </span>
      <span role="cell" className="list-amps">
        {rail && rail.legs.length > 0 ? (
          <>
            <b>{show.ampsRow(rail.legs.map((l) => l.amps)).join('  ')}</b>
            <span>
              {rail.allowed === null ? 'no nameplate limit' : `of ${show.amps(rail.allowed)} A`}
              {row.meanVolts === null ? '' : ` at ${show.volts(row.meanVolts)} V`}
            </span>
          </>
        ) : (
          <span>no amps yet</span>
        )}
      </span>
      <span role="cell" className="list-says">
        {foundFirst ? <>{finding} </> : null}
        {row.headline === '' ? 'No visit yet. Take the first readings.' : row.headline}
        {more > 0 ? <b> {more} more open.</b> : null}
        {foundFirst ? null : <> {finding}</>}
      </span>
      <span role="cell" className="list-spark">
        <Spark values={row.spark} />
      </span>
      <span role="cell" className="list-seen">
        {row.seenAt === null ? 'never' : shortDay(row.seenAt, now)}
      </span>
      <span role="cell" className={due.late ? 'list-due list-late' : 'list-due'}>
        {due.words}
      </span>
    </Link>
  )
})
