/** The font of every figure in a chart. */
export const chartFont = { family: 'Barlow', size: 13, weight: 500 as const }

/** Time along a chart of years: months and years, never a day too many. */
export const timeAxis = (ink: string, maxTicksLimit: number) => ({
  type: 'time' as const,
  time: { displayFormats: { month: 'MMM YY', year: 'YYYY', quarter: 'MMM YY', day: 'D MMM' } },
  grid: { display: false },
  ticks: { color: ink, font: chartFont, maxTicksLimit, maxRotation: 0 },
})
