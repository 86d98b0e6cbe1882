/** The latest loads as a small line under the plate: shares of the allowed current, oldest first. */
export function Spark({ values }: { values: readonly number[] }) {
  if (values.length < 2) return <span className="quiet">–</span>
  const low = Math.min(0.5, ...values)
  const high = Math.max(1.1, ...values)
  const y = (v: number) => 31 - ((v - low) / (high - low)) * 28
  const x = (i: number) => 2 + (i / (values.length - 1)) * 76
  const last = values[values.length - 1] ?? 0
  return (
    <svg
      className="spark"
      width="80"
      height="34"
      viewBox="0 0 80 34"
      role="img"
      aria-label={`last ${values.length} visits, now ${Math.round(last * 100)} % of nameplate`}
    >
      <line x1="0" x2="80" y1={y(1)} y2={y(1)} stroke="var(--ink)" fill="none" strokeWidth={1.6} />
      <polyline
        points={values.map((v, i) => `${x(i).toFixed(1)},${y(v).toFixed(1)}`).join(' ')}
        stroke="var(--ink-2)"
        fill="none"
        strokeWidth={1.6}
      />
      <rect
        x={x(values.length - 1) - 2.5}
        y={y(last) - 2.5}
        width="5"
        height="5"
        fill={last > 1 ? 'var(--fix)' : 'var(--ink)'}
      />
    </svg>
  )
}
