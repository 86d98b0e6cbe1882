/**
 * Slopes of a portfolio against a general-purpose library, and the re-judging of one: 2,000 machines of five years'
 * monthly visits, in one thread.
 */
export async function bench(say) {
  const { TheilSenRegression } = await import('ml-regression-theil-sen')
  const ss = await import('simple-statistics')
  const { theilSen } = await import('../core/src/trend/index.ts')
  const { judge } = await import('../core/src/judge/index.ts')
  const { defaultPolicies } = await import('../core/src/limits/index.ts')
  const { unknownControls } = await import('../core/src/judge/index.ts')
  const { seeded } = await import('../core/src/machine/index.ts')
  const random = seeded(9)
  const months = 60
  // An odd number of pairs: the library takes the lower of two middles, we their mean.
  const points = 62
  const series = Array.from({ length: 400 }, (_, k) =>
    Array.from({ length: points }, (__, i) => 10 + 0.004 * (k % 7) * i + 0.1 * random.normal()),
  )
  const x = Array.from({ length: points }, (_, i) => i * 30.4)
  // The same slopes, or the comparison means nothing.
  for (const y of series.slice(0, 20)) {
    const ours = theilSen(x, y).slope
    const theirs = new TheilSenRegression(x, y).slope
    if (Math.abs(ours - theirs) > 1e-9 * Math.max(1, Math.abs(ours))) throw new Error('the slopes differ')
  }
  const timed = (job) => {
    for (const y of series.slice(0, 100)) job(y)
    const began = performance.now()
    for (const y of series) job(y)
    return (performance.now() - began) / series.length
  }
  /** The same fit as a general-purpose library gives it: slopes, their median and Sen's limits, intercept, Mann-Kendall. */
  const general = (y) => {
    const slopes = []
    let sum = 0
    for (let i = 0; i < points; i++)
      for (let j = i + 1; j < points; j++) {
        slopes.push((y[j] - y[i]) / (x[j] - x[i]))
        sum += ss.sign(y[j] - y[i])
      }
    const sorted = ss.numericSort(slopes)
    const reach = (1.96 * Math.sqrt((points * (points - 1) * (2 * points + 5)) / 18)) / (2 * slopes.length)
    const slope = ss.medianSorted(sorted)
    return {
      slope,
      low: ss.quantileSorted(sorted, 0.5 - reach),
      high: ss.quantileSorted(sorted, 0.5 + reach),
      intercept: ss.median(y.map((v, i) => v - slope * x[i])),
      p:
        2 *
        (1 -
          ss.cumulativeStdNormalProbability(
            Math.abs(sum) / Math.sqrt((points * (points - 1) * (2 * points + 5)) / 18),
          )),
    }
  }
  const ours = timed((y) => theilSen(x, y))
  const told = (what, ms) => say(what, `${(ms * 1000).toFixed(0)} µs: ${(ms / ours).toFixed(1)} times ours`)
  say('Theil-Sen of 62 points: ours, with interval and Mann-Kendall', `${(ours * 1000).toFixed(0)} µs`)
  told('the same fit from a general-purpose library (goal 10)', timed(general))
  told(
    'a regression library, slope alone',
    timed((y) => new TheilSenRegression(x, y)),
  )

  const at = (i) => Date.UTC(2021, 0, 5) + i * 30.4 * 86_400_000
  const state = { settled: true, mode: 'normal', filters: null, panels: 'on', twin: null, turning: 'right way' }
  const lines = ['L1-L2', 'L2-L3', 'L3-L1']
  const legs = ['L1', 'L2', 'L3']
  const visitOf = (machine, i) => ({
    id: `${machine} ${i}`,
    at: at(i),
    state,
    readings: [
      ...lines.map((position) => ({ quantity: 'volts_ll', position, value: 476 + Math.round(3 * random.next()) })),
      ...legs.map((position) => ({
        quantity: 'amps',
        position,
        value: 10 + 0.003 * (machine % 5) * i + 0.1 * random.normal(),
      })),
    ],
  })
  const machine = {
    phases: 3,
    serviceVolts: 480,
    hasVfd: false,
    hasTwin: false,
    drive: 'belt',
    controls: unknownControls,
    unitPlate: null,
  }
  const motor = {
    plate: { volts: '460', amps: '12.8', phases: 3, power: 10, rpm: 1755, hz: '60', sf: 1.15, efficiency: 0.902 },
    connectionVolts: null,
    installedAt: 0,
  }
  const many = 2000
  const inputs = Array.from({ length: many }, (_, k) => {
    const visits = Array.from({ length: months }, (__, i) => visitOf(k, i))
    return {
      machine,
      motor,
      visit: visits[months - 1],
      history: visits.slice(0, -1),
      work: [],
      policies: defaultPolicies,
    }
  })
  const began = performance.now()
  let watched = 0
  for (const i of inputs) if (judge(i).level !== 'ok') watched += 1
  const seconds = (performance.now() - began) / 1000
  say(
    `${many} machines of ${months} visits judged again, one thread`,
    `${seconds.toFixed(1)} s, ${((1000 * seconds) / many).toFixed(2)} ms each; ${watched} not OK`,
  )
}
