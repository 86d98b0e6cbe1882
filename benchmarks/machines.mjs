import { demoServer } from '../scripts/lib/demo-server.mjs'
import { openBrowser } from '../scripts/lib/browser.mjs'
import { lead, openPage, quantile } from './client.mjs'
import { fillMachines, psqlAt } from './many-machines.mjs'

const machines = 5000
/** So many more at the end; MACHINES and READINGS choose how many: 50,000 of each machine's thousand readings take a quarter of an hour. */
const most = Number(process.env.MACHINES ?? 50_000)
const mostReadings = Number(process.env.READINGS ?? 5_000_000)

/** Time of a page of the Roof over many different askings, in ms. */
async function measure(cookie, base, areas) {
  const times = []
  for (let i = 0; i < 240; i++) {
    const query = [
      'limit=200',
      `offset=${(i * 200) % machines}`,
      `level=stop,fix&limit=200`,
      `area=${areas[i % areas.length].id}&limit=200`,
      `q=rtu-${i}&limit=200`,
      'sort=tag&limit=200',
    ][i % 6]
    const began = performance.now()
    const r = await fetch(`${base}/api/v1/machines?${query}`, { headers: { cookie } })
    await r.arrayBuffer()
    if (!r.ok) throw new Error(query)
    times.push(performance.now() - began)
  }
  return times
}

/** Time of the list as it opens, median, ms. */
async function opened(cookie, base) {
  const times = []
  for (let i = 0; i < 120; i++) {
    const began = performance.now()
    const r = await fetch(`${base}/api/v1/machines?limit=200`, { headers: { cookie } })
    await r.arrayBuffer()
    times.push(performance.now() - began)
  }
  return quantile(times.slice(40), 0.5)
}

/** From the address to the first rows, and the worst step of a scroll, in a browser. */
async function inBrowser(base, cookie) {
  const browser = await openBrowser()
  try {
    const page = await openPage(browser, base, cookie, { width: 1280, height: 800 })
    await page.goto(`${base}/machines`)
    await page.locator('.list-row').first().waitFor()
    const began = performance.now()
    await page.goto(`${base}/machines?sort=tag`)
    await page.locator('.list-row').first().waitFor()
    const rows = performance.now() - began
    const frames = await page.evaluate(async () => {
      let worst = 0
      for (let y = 0; y < 58_000; y += 1200) {
        const from = performance.now()
        window.scrollTo(0, y)
        await new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)))
        worst = Math.max(worst, performance.now() - from)
      }
      return worst
    })
    return { rows, frames }
  } finally {
    await browser.close()
  }
}

/** The machines list with 5,000 machines at half a million and at five million readings, and with ten times the machines. */
export async function bench(say) {
  const { base, url, end } = await demoServer({ durable: true })
  try {
    const psql = psqlAt(url)
    await fillMachines(psql, machines)
    const { call, cookie } = await lead(base)
    const { areas } = await call('GET', '/places')
    const count = async () => Number(await psql('select count(*) from readings'))
    const fill = async (from, to) => {
      // Six readings a visit, as a three-phase visit has them.
      await psql(`
        insert into visits (id, site_id, machine_id, taken_at, by, state, note, reason, source)
          select gen_random_uuid(), m.site_id, m.id, timestamptz '2019-01-01' + make_interval(days => d, secs => 7), 'bench', '{"settled": true, "mode": null, "filters": null, "panels": null, "twin": null, "turning": null}', '', '', 'import'
          from machines m, generate_series(${from}, ${to - 1}) d;
        insert into readings (site_id, machine_id, taken_at, visit_id, quantity, position, value)
          select s.site_id, s.machine_id, s.taken_at, s.id, q.quantity, q.position, q.value
          from visits s, (values ('volts_ll', 'L1-L2', 478), ('volts_ll', 'L2-L3', 479), ('volts_ll', 'L3-L1', 477), ('amps', 'L1', 10.5), ('amps', 'L2', 10.6), ('amps', 'L3', 10.4)) q(quantity, position, value)
          where s.by = 'bench' and s.taken_at >= timestamptz '2019-01-01' + make_interval(days => ${from}) and s.taken_at < timestamptz '2019-01-01' + make_interval(days => ${to});
        analyze visits; analyze readings`)
      return count()
    }
    const results = []
    const opens = []
    for (const [from, to] of [
      [0, 17],
      [17, 167],
    ]) {
      const n = await fill(from, to)
      await measure(cookie, base, areas)
      const times = await measure(cookie, base, areas)
      results.push(quantile(times, 0.95))
      opens.push(await opened(cookie, base))
      say(
        `${machines.toLocaleString('en')} machines, ${n.toLocaleString('en')} readings: median, p95`,
        `${quantile(times, 0.5).toFixed(0)}, ${quantile(times, 0.95).toFixed(0)} ms`,
      )
    }
    const first = await inBrowser(base, cookie)
    say(
      'first rows on the screen, from the address; a scroll of 1,000 rows',
      `${first.rows.toFixed(0)} ms; ${first.frames.toFixed(0)} ms a step, worst`,
    )
    say('p95 at ten times the readings (goal: at most 1.3)', (results[1] / results[0]).toFixed(2))
    await fillMachines(psql, most)
    // A visit a day, as many days as there are readings for.
    const days = Math.round((mostReadings - (await count())) / 6 / most)
    const n = days > 0 ? await fill(1000, 1000 + days) : await count()
    await measure(cookie, base, areas)
    const times = await measure(cookie, base, areas)
    say(
      `${most.toLocaleString('en')} machines, ${n.toLocaleString('en')} readings: median, p95`,
      `${quantile(times, 0.5).toFixed(0)}, ${quantile(times, 0.95).toFixed(0)} ms`,
    )
    opens.push(await opened(cookie, base))
    say('the list as it opens: at each of the three, median', opens.map((t) => `${t.toFixed(1)} ms`).join(', '))
    say('  the last against the first (goal: at most 1.5)', (opens[2] / opens[0]).toFixed(2))
  } finally {
    await end()
  }
}
