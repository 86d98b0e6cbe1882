import type { MachinePage } from '@motor-round/contract'
import { pscConnection, speedTaps, type PscConnection, type TapCount } from '@motor-round/core/electrical'
import { Button } from 'antd'
import { useState } from 'react'
import { Columns } from '../../parts/columns/index.ts'
import { Choice } from '../../parts/fields/index.ts'

const row = 60
const width = 380

/** The connection drawn: what goes to each line and to the capacitor, and what is capped. */
function Drawing({ connection }: { connection: PscConnection }) {
  const { rows, title, capacitor } = connection
  const words = rows.map((r) => `${r.to}: ${r.leads.join(', ')}`).join('; ')
  return (
    <svg
      role="img"
      aria-label={`${title}. ${words}. Capacitor ${capacitor}`}
      viewBox={`0 0 ${width} ${rows.length * row + 8}`}
      className="wiring-drawing"
    >
      {rows.map((r, i) => {
        const y = 30 + i * row
        return (
          <g key={`${r.to} ${r.leads.join()}`}>
            <text x={0} y={y + 6} fontSize={18} fontWeight={700} fill="currentColor">
              {r.to}
            </text>
            {r.to === 'Capped' ? null : <line x1={88} x2={108} y1={y} y2={y} stroke="currentColor" strokeWidth={4} />}
            <rect
              x={108}
              y={y - 20}
              width={width - 110}
              height={40}
              fill="var(--sheet)"
              stroke="currentColor"
              strokeWidth={2}
            />
            <text x={120} y={y + 6} fontSize={17} fontWeight={600} fill="currentColor">
              {r.leads.join(r.to === 'Capacitor' ? '  |  ' : ', ')}
            </text>
          </g>
        )
      })}
    </svg>
  )
}

/** How a single-phase motor with a run capacitor is connected, by its leads; refused where the nameplate does not give the capacitor. */
export function PscPanel({ page }: { page: MachinePage }) {
  const [taps, setTaps] = useState<TapCount | null>(null)
  const [tap, setTap] = useState<number | null>(null)
  const [leads, setLeads] = useState<1 | 2 | null>(null)
  const plate = page.motor?.plate
  const speeds: readonly string[] = taps === null ? [] : speedTaps[taps]
  const used = taps === 1 ? 0 : tap
  const found =
    taps === null
      ? 'Choose how many speeds the motor has.'
      : used === null
        ? 'Choose the speed to use.'
        : leads === null
          ? 'Count the leads that go to the capacitor.'
          : pscConnection(
              {
                taps,
                capacitorLeads: leads,
                microfarads: plate?.capacitorUf ?? null,
                capacitorVolts: plate?.capacitorVolts ?? null,
              },
              used,
            )
  return (
    <Columns of={['400px', 1]}>
      <section className="sheet stack wiring-choice" aria-label="What the motor has">
        <h2>What the motor has</h2>
        <Choice
          label="Speeds"
          options={(['1', '2', '3', '4'] as const).map((value) => ({ value, label: value }))}
          value={taps === null ? null : `${taps}`}
          onChange={(v) => {
            setTaps(v === null ? null : (Number(v) as TapCount))
            setTap(null)
          }}
        />
        {taps !== null && taps > 1 ? (
          <Choice
            label="Speed to use"
            options={speeds.map((label) => ({ value: label, label }))}
            value={tap === null ? null : (speeds[tap] ?? null)}
            onChange={(v) => setTap(v === null ? null : speeds.indexOf(v))}
          />
        ) : null}
        <Choice
          label="Leads to the capacitor"
          options={[
            { value: '2', label: 'Two, often both brown' },
            { value: '1', label: 'The start lead alone' },
          ]}
          value={leads === null ? null : `${leads}`}
          onChange={(v) => setLeads(v === '2' ? 2 : v === '1' ? 1 : null)}
        />
      </section>
      <section className="sheet stack" aria-label="Connection">
        <h2>{typeof found === 'string' ? 'Connection' : found.title}</h2>
        {typeof found === 'string' ? (
          <p role="status">{found}</p>
        ) : (
          <>
            <Drawing connection={found} />
            <p>
              Capacitor {found.capacitor}: the one of this motor’s nameplate, whatever hung there before. Ground to the
              frame first, and it stays.{' '}
              {found.rows.some((r) => r.to === 'Capped')
                ? 'Cap each unused speed by itself: it carries volts while the motor runs. '
                : 'By ohms: run to start is the highest pair, common is the lead left over. '}
              Turns the wrong way: change the rotation pair by its diagram; swapping the lines does nothing.
            </p>
            <p className="quiet">Common practice for fan motors; colors differ, and the motor’s own diagram governs.</p>
            <div className="row no-print">
              <Button size="large" onClick={() => window.print()}>
                Print
              </Button>
            </div>
          </>
        )}
      </section>
    </Columns>
  )
}
