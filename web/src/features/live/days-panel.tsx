import type { LivePage } from '@motor-round/contract'
import { byNumber, byText, DataTable } from '../../parts/data-table/index.ts'
import { shortDay } from '../../app/dates.ts'
import { ranWords, wrongWords } from './words.ts'

const amps = (a: number | null) => (a === null ? '–' : `${a.toFixed(1)} A`)

/** What each day came to: hours, starts, the highest amps, and what was not as it should be. */
export function DaysPanel({ page, now }: { page: LivePage; now: number }) {
  if (page.days.length === 0) return null
  return (
    <section className="sheet">
      <header>
        <h2>Days</h2>
        <span className="quiet">run hours, starts, highest amps over ten minutes</span>
      </header>
      <DataTable
        label="Days"
        rowKey="day"
        stacked
        dataSource={[...page.days].reverse()}
        columns={[
          {
            title: 'Day',
            key: 'day',
            rowScope: 'row',
            render: (_, d) => shortDay(`${d.day}T12:00:00`, now),
            sorter: byText((d) => d.day),
          },
          {
            title: 'Ran, h',
            key: 'ran',
            align: 'right',
            className: 'num',
            render: (_, d) => ranWords(d, now),
            sorter: byNumber((d) => d.ran),
          },
          {
            title: 'Starts',
            key: 'starts',
            align: 'right',
            className: 'num',
            render: (_, d) => d.starts,
            sorter: byNumber((d) => d.starts),
          },
          {
            title: 'Most in an hour',
            key: 'most',
            align: 'right',
            className: 'num',
            render: (_, d) => d.mostStarts,
            sorter: byNumber((d) => d.mostStarts),
          },
          {
            title: 'Highest',
            key: 'amps',
            align: 'right',
            className: 'num',
            render: (_, d) => amps(d.mostAmps),
            sorter: byNumber((d) => d.mostAmps),
          },
          { title: 'Remarks', key: 'wrong', render: (_, d) => wrongWords(d) || '–' },
        ]}
      />
    </section>
  )
}
