import { demoServer } from '../scripts/lib/demo-server.mjs'
import { openBrowser } from '../scripts/lib/browser.mjs'
import { run } from '../scripts/lib/run.mjs'
import { lead, openPage, quantile } from './client.mjs'

const machines = 5000

/** Time of a page of the Roof over many different askings, in ms. */
async function measure(call, cookie, base, areas) {
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

/** The Roof with 5,000 machines, at half a million and at five million readings. */
export async function bench(say) {
  const { base, url, end } = await demoServer({ durable: true })
  try {
    const psql = async (sql) => {
      const done = await run('psql', ['-X', '-q', '-At', '-v', 'ON_ERROR_STOP=1', url, '-c', sql], { cwd: '/' })
      if (done.code !== 0) throw new Error(done.out)
      return done.out.trim()
    }
    // Machines of the demo over and over, with its judgements: what the Roof shows is as varied as in life.
    await psql(`
      create temp table n as select g as i, gen_random_uuid() as unit_id, gen_random_uuid() as machine_id from generate_series(1, ${machines - 64}) g;
      create temp table src as select m.*, u.area_id, u.kind, row_number() over () - 1 as k from machines m join units u on u.id = m.unit_id;
      insert into units (id, site_id, area_id, tag, kind, model_line) select n.unit_id, s.site_id, s.area_id, 'RTU-' || (100 + n.i), s.kind, '' from n join src s on s.k = n.i % 64;
      insert into machines (id, site_id, unit_id, tag, purpose, phases, service_volts, drive, has_vfd, has_twin, unit_plate)
        select n.machine_id, s.site_id, n.unit_id, s.tag, s.purpose, s.phases, s.service_volts, s.drive, s.has_vfd, s.has_twin, s.unit_plate from n join src s on s.k = n.i % 64;
      insert into machine_states (machine_id, site_id, area_id, sort_key, words, need, level, headline, confidence, rail, mean_volts, load, spark, seen_at, due_at)
        select n.machine_id, x.site_id, x.area_id, 'rtu-' || lpad(n.i::text, 8, '0'), 'rtu-' || (100 + n.i) || ' ' || x.words, x.need, x.level, x.headline, x.confidence, x.rail, x.mean_volts, x.load, x.spark, x.seen_at, x.due_at
        from n join src s on s.k = n.i % 64 join machine_states x on x.machine_id = s.id;
      analyze`)
    const { call, cookie } = await lead(base)
    const { areas } = await call('GET', '/places')
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
      return Number(await psql('select count(*) from readings'))
    }
    const results = []
    for (const [from, to] of [
      [0, 17],
      [17, 167],
    ]) {
      const n = await fill(from, to)
      await measure(call, cookie, base, areas)
      const times = await measure(call, cookie, base, areas)
      results.push(quantile(times, 0.95))
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
  } finally {
    await end()
  }
}
