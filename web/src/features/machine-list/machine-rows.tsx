import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { Empty } from 'antd'
import { useEffect, useLayoutEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { api, type MachineFilter } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { useNarrow } from '../../app/use-narrow.ts'
import { RetryNote } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { MachineRow } from './machine-row.tsx'

/** The rows, only those in sight; further pages are fetched as the eye comes near. */
export function Balance({ filter, now }: { filter: MachineFilter; now: number }) {
  const roof = api.useMachineListInfiniteQuery(filter)
  const rows = roof.data?.pages.flatMap((p) => p.rows) ?? []
  const body = useRef<HTMLDivElement>(null)
  const [top, setTop] = useState(0)
  useLayoutEffect(() => setTop(body.current?.offsetTop ?? 0), [roof.isSuccess])
  const phone = useNarrow()
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => (phone ? 128 : 58),
    overscan: 8,
    scrollMargin: top,
    getItemKey: (i) => rows[i]?.machineId ?? i,
  })
  const items = virtual.getVirtualItems()
  const last = items[items.length - 1]?.index ?? 0
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = roof
  useEffect(() => {
    if (last >= rows.length - 40 && hasNextPage && !isFetchingNextPage) void fetchNextPage()
  }, [last, rows.length, hasNextPage, isFetchingNextPage, fetchNextPage])

  const filtered = Boolean(filter.level ?? filter.area ?? filter.site)
  if (roof.error) return <RetryNote failure={roof.error as Failure} kept="The list cannot be loaded." />
  if (roof.isLoading) return <Loading />
  if (rows.length === 0)
    return (
      <section className="sheet">
        <Empty
          image={null}
          description={
            <>
              <h2>No machines</h2>
              {filtered ? 'No machine matches the filters.' : 'There are no machines yet.'}{' '}
              <Link to="/machines/new">Add a machine</Link>, or import a machine list under{' '}
              <Link to="/import-export">Import & export</Link>.
              {filtered ? null : (
                <>
                  {' '}
                  New here? <Link to="/start">Set up</Link> asks for site, users and machines.
                </>
              )}
            </>
          }
        />
      </section>
    )
  return (
    <div
      className="list-balance"
      role="table"
      aria-label="Machines"
      aria-rowcount={roof.data?.pages[0]?.total ?? rows.length}
    >
      <div role="row" className="list-head">
        {[
          'Level',
          'Machine',
          'Load, 0 to 125 % of nameplate',
          'Amps, L1 L2 L3',
          'Result',
          'Trend',
          'Last visit',
          'Due',
        ].map((h) => (
          <span key={h} role="columnheader">
            {h}
          </span>
        ))}
      </div>
      <div ref={body} role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {items.map((item) => {
          const row = rows[item.index]
          return row ? (
            <div
              key={item.key}
              role="presentation"
              ref={virtual.measureElement}
              data-index={item.index}
              className="list-place-row"
              style={{ transform: `translateY(${item.start - top}px)` }}
            >
              <MachineRow row={row} now={now} />
            </div>
          ) : null
        })}
      </div>
    </div>
  )
}

/** Arrow keys walk the rows. */
export function walk(e: KeyboardEvent) {
  if (e.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(e.target.tagName)) return
  if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return
  const rows = [...document.querySelectorAll<HTMLElement>('.list-row')]
  const at = rows.findIndex((r) => r === document.activeElement)
  const next = rows[at < 0 ? 0 : at + (e.key === 'ArrowDown' ? 1 : -1)]
  if (!next) return
  e.preventDefault()
  next.focus()
}
