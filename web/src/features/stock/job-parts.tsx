import { Button, InputNumber, Select } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { useStock } from './use-stock.ts'
import { pieces } from './words.ts'
import './stock.css'

/** Parts of the stock that a job holds, and taking them. */
export function JobParts({ jobId, mayAct }: { jobId: string; mayAct: boolean }) {
  const { stock, say, trouble } = useStock()
  const [itemId, setItem] = useState<string | null>(null)
  const [placeId, setPlace] = useState<string | null>(null)
  const [count, setCount] = useState<number | null>(1)
  if (!stock) return null
  const name = (id: string) => stock.places.find((p) => p.id === id)?.name ?? ''
  const held = stock.items.flatMap((item) =>
    item.levels.flatMap((l) =>
      l.held.filter((h) => h.jobId === jobId).map((h) => ({ item, placeId: l.placeId, ...h })),
    ),
  )
  const item = stock.items.find((i) => i.id === itemId)
  const there = item?.levels.filter((l) => l.free > 0) ?? []
  const at = there.find((l) => l.placeId === placeId) ?? there[0]
  const missing =
    item === undefined
      ? 'Choose a part'
      : at === undefined
        ? `None free: ${item.wantMax > 0 ? 'order it' : 'not kept'}`
        : count === null || count < 1
          ? 'Enter how many'
          : count > at.free
            ? `Only ${at.free} free at ${name(at.placeId)}`
            : null
  const move = { toPlaceId: null, jobId, tested: null, condition: 'new' as const, note: '' }
  return (
    <section className="sheet stack" aria-label="Parts of the stock">
      <header>
        <h2>Parts from stock</h2>
      </header>
      {held.length === 0 ? <p className="quiet">Nothing is held for this job.</p> : null}
      <ul className="rows">
        {held.map((h) => (
          <li key={`${h.item.id} ${h.placeId}`} className="between">
            <span>
              <Link to={`/stock/${h.item.id}`} className="stock-title">
                {h.count} × {h.item.title}
              </Link>
              , {name(h.placeId)}
            </span>
            {mayAct ? (
              <span className="row">
                <Button
                  size="large"
                  onClick={() =>
                    void say({ ...move, itemId: h.item.id, placeId: h.placeId, kind: 'taken', count: h.count })
                  }
                >
                  Take {pieces(h.count)}
                </Button>
                <Button
                  size="large"
                  onClick={() =>
                    void say({ ...move, itemId: h.item.id, placeId: h.placeId, kind: 'released', count: h.count })
                  }
                >
                  Release
                </Button>
              </span>
            ) : null}
          </li>
        ))}
      </ul>
      {mayAct ? (
        <>
          <FormField label="Hold a part for this job">
            <Select
              showSearch={{ optionFilterProp: 'label' }}
              allowClear
              size="large"
              placeholder="Choose a part"
              value={itemId}
              options={stock.items.map((i) => ({ value: i.id, label: i.title }))}
              onChange={(v: string | undefined) => setItem(v ?? null)}
            />
          </FormField>
          {item ? (
            <div className="row">
              <FormField label="From">
                <Select
                  size="large"
                  style={{ minWidth: 160 }}
                  value={at?.placeId ?? null}
                  options={there.map((l) => ({ value: l.placeId, label: `${name(l.placeId)}: ${l.free} free` }))}
                  onChange={setPlace}
                />
              </FormField>
              <FormField label="How many">
                <InputNumber controls={false} size="large" min={1} precision={0} value={count} onChange={setCount} />
              </FormField>
            </div>
          ) : null}
          <TroubleNote words={trouble} />
          <div className="row">
            <Button
              size="large"
              disabled={missing !== null}
              onClick={() => {
                if (!item || !at || count === null) return
                void say({ ...move, itemId: item.id, placeId: at.placeId, kind: 'reserved', count }).then((kept) => {
                  if (kept) setItem(null)
                })
              }}
            >
              {missing ?? `Hold ${pieces(count ?? 0)}`}
            </Button>
          </div>
        </>
      ) : null}
    </section>
  )
}
