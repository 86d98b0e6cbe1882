import type { Connection, Lead } from '@motor-round/core/electrical'

const row = 64
const box = 46
const gap = 10
const top = 24

/** Leads side by side, joined by a bar. */
function Joined({ leads, x, y, bar }: { leads: readonly Lead[]; x: number; y: number; bar: boolean }) {
  return (
    <g>
      {bar && leads.length > 1 ? (
        <line
          x1={x + box / 2}
          x2={x + (leads.length - 1) * (box + gap) + box / 2}
          y1={y}
          y2={y}
          stroke="currentColor"
          strokeWidth={4}
        />
      ) : null}
      {leads.map((lead, i) => (
        <g key={lead} transform={`translate(${x + i * (box + gap)}, ${y - 17})`}>
          <rect width={box} height={34} fill="var(--sheet)" stroke="currentColor" strokeWidth={2} />
          <text x={box / 2} y={23} textAnchor="middle" fontSize={19} fontWeight={600} fill="currentColor">
            {lead}
          </text>
        </g>
      ))}
    </g>
  )
}

/** The connection drawn: lines with their leads, what is joined among itself, what stays apart. */
export function ConnectionDrawing({ connection }: { connection: Connection }) {
  const { lines, joints, apart } = connection
  const rows = [
    ...lines.map((leads, i) => ({ name: `L${i + 1}`, leads, bar: true, line: true })),
    ...joints.map((leads) => ({ name: 'Joined', leads, bar: true, line: false })),
    ...apart.map((lead) => ({ name: 'Capped', leads: [lead], bar: false, line: false })),
  ]
  const words = rows.map((r) => `${r.name}: ${r.leads.join(', ')}`).join('; ')
  return (
    <svg
      role="img"
      aria-label={`${connection.title}. ${words}`}
      viewBox={`0 0 360 ${rows.length * row + 10}`}
      className="wiring-drawing"
    >
      {rows.map((r, i) => {
        const y = top + i * row + 10
        return (
          <g key={`${r.name} ${r.leads.join()}`}>
            <text x={0} y={y + 7} fontSize={19} fontWeight={700} fill="currentColor">
              {r.name}
            </text>
            {r.line ? <line x1={30} x2={104} y1={y} y2={y} stroke="currentColor" strokeWidth={4} /> : null}
            <Joined leads={r.leads} x={100} y={y} bar={r.bar} />
          </g>
        )
      })}
    </svg>
  )
}
