import { limitInForce, limitRegister, type Limit, type LimitId, type Policies } from '@motor-round/core/limits'
import { Input } from 'antd'
import { memo, useMemo, useState } from 'react'
import { byText, DataTable } from '../../parts/data-table/index.ts'
import { limitWords, shownLimit, typedLimit } from '../../parts/limit-text/index.ts'

const ids = Object.keys(limitRegister) as LimitId[]

interface Row {
  readonly id: LimitId
  readonly limit: Limit
  /** In force with what is chosen on the page. */
  readonly value: number
  readonly own: number | undefined
}

/** How well a source is known, where its name does not say so itself. */
function sureWords({ basis }: Limit): string {
  const words = basis.sure === 'certain' ? basis.kind : basis.sure
  return words === basis.text ? '' : words
}

/** The organization's own value of a limit, where it may have one. */
function OwnValue({ row: { limit, own }, edit }: { row: Row; edit: ((value: number | null) => void) | null }) {
  const [text, setText] = useState(own === undefined ? '' : shownLimit(limit, own))
  const value = text.trim() === '' ? null : typedLimit(limit, text)
  const wrong =
    text.trim() === '' || limit.house === null
      ? null
      : value === null
        ? 'not a number'
        : value < limit.house.min || value > limit.house.max
          ? `between ${limitWords(limit, limit.house.min)} and ${limitWords(limit, limit.house.max)}`
          : null
  return (
    <>
      {limit.house === null ? (
        <span className="quiet">fixed</span>
      ) : edit === null ? (
        <span className="quiet">{own === undefined ? '–' : shownLimit(limit, own)}</span>
      ) : (
        <>
          <Input
            aria-label={`Own value: ${limit.title}`}
            value={text}
            status={wrong ? 'error' : ''}
            placeholder={shownLimit(limit, limit.value)}
            onChange={(e) => {
              setText(e.target.value)
              const v = e.target.value.trim() === '' ? null : typedLimit(limit, e.target.value)
              if (e.target.value.trim() === '' || v !== null) edit(v)
            }}
          />
          {wrong ? (
            <span role="alert" className="field-error">
              {wrong}
            </span>
          ) : null}
        </>
      )}
    </>
  )
}

const changed = (a: Row, b: Row) => a.value !== b.value || a.own !== b.own
const never = () => false

/** Every limit with its source: found by a word, sorted by its heads, with the organization's own value beside it. */
export const LimitsTable = memo(function LimitsTable({
  policies,
  setLimit,
}: {
  policies: Policies
  /** Null: for those who only read. */
  setLimit: ((id: LimitId, value: number | null) => void) | null
}) {
  const [sought, setSought] = useState('')
  const rows = useMemo(
    () =>
      ids.map((id): Row => ({
        id,
        limit: limitRegister[id],
        value: limitInForce(id, policies).value,
        own: policies.limits[id],
      })),
    [policies],
  )
  const words = sought.trim().toLowerCase()
  return (
    <>
      <Input.Search
        style={{ maxWidth: 360, marginBottom: 8 }}
        allowClear
        aria-label="Find a limit"
        placeholder="Find a limit or a source"
        value={sought}
        onChange={(e) => setSought(e.target.value)}
      />
      <DataTable<Row>
        label="Limits"
        className="limits-table"
        rowKey="id"
        dataSource={rows.filter(({ limit }) =>
          `${limit.title} ${limit.means} ${limit.basis.text}`.toLowerCase().includes(words),
        )}
        onRow={({ id }) => ({ id })}
        columns={[
          {
            title: 'Limit',
            key: 'limit',
            sorter: byText((r) => r.limit.title),
            shouldCellUpdate: never,
            render: (_, { limit }) => (
              <>
                <b>{limit.title}</b>
                <br />
                <span className="quiet">{limit.means}</span>
              </>
            ),
          },
          {
            title: 'In force',
            key: 'value',
            align: 'right',
            className: 'num',
            shouldCellUpdate: changed,
            render: (_, { limit, value }) => limitWords(limit, value),
          },
          {
            title: 'Source',
            key: 'source',
            sorter: byText((r) => r.limit.basis.text),
            shouldCellUpdate: never,
            render: (_, { limit }) => (
              <>
                {limit.basis.text}
                <br />
                <span className="quiet">{sureWords(limit)}</span>
              </>
            ),
          },
          {
            title: 'Our value',
            key: 'own',
            shouldCellUpdate: changed,
            render: (_, row) => <OwnValue row={row} edit={setLimit && ((v) => setLimit(row.id, v))} />,
          },
        ]}
      />
    </>
  )
})
