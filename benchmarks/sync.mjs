import { gzipSync } from 'node:zlib'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { demoServer } from '../scripts/lib/demo-server.mjs'
import { openBrowser } from '../scripts/lib/browser.mjs'
import { root } from '../scripts/lib/paths.mjs'
import { lead, openPage } from './client.mjs'

const batch = 200
const visits = 834

/** Visits of six readings each, spread over the machines of the demo. */
async function visitsOf(call) {
  const { rows } = await call('GET', '/machines?limit=60')
  return Array.from({ length: visits }, (_, i) => ({
    id: randomUUID(),
    machineId: rows[i % rows.length].machineId,
    takenAt: new Date(Date.UTC(2026, 9, 1) + i * 60_000).toISOString(),
    state: { settled: true, mode: null, filters: null, panels: null, twin: null, turning: null },
    readings: [
      ...['L1-L2', 'L2-L3', 'L3-L1'].map((position) => ({ quantity: 'volts_ll', position, value: 478 })),
      ...['L1', 'L2', 'L3'].map((position, k) => ({ quantity: 'amps', position, value: 5 + k / 10 })),
    ],
  }))
}

async function sync(call, list) {
  const began = performance.now()
  for (let i = 0; i < list.length; i += batch) {
    const entries = list.slice(i, i + batch).map((body, n) => ({ n, kind: 'visit', body }))
    const { results } = await call(
      'POST',
      '/sync',
      JSON.stringify({ device: 'bench', mutations: entries }),
      'application/json',
    )
    if (results.some((r) => r.outcome === 'refused'))
      throw new Error(JSON.stringify(results.find((r) => r.outcome === 'refused')))
  }
  return performance.now() - began
}

/** What the walk loads before it can be used, gzip, and how long it takes to stand with and without a network. */
async function firstLoad(base, cookie, roundId) {
  const browser = await openBrowser()
  try {
    const page = await openPage(browser, base, cookie, { width: 390, height: 844 })
    const scripts = new Set()
    page.on('response', (r) => {
      const name = new URL(r.url()).pathname
      if (name.startsWith('/assets/') && /\.(js|css)$/.test(name)) scripts.add(name)
    })
    const open = async () => {
      const began = performance.now()
      await page.goto(`${base}/rounds/${roundId}/walk`)
      await page.locator('.walk-here').waitFor()
      return performance.now() - began
    }
    await open()
    const bytes = [...scripts].reduce((n, s) => n + gzipSync(readFileSync(join(root, 'web/dist', s))).length, 0)
    await page.goto(`${base}/rounds/${roundId}`)
    await page.getByRole('button', { name: 'Download for offline' }).click()
    await page.getByText('Downloaded for offline').waitFor({ timeout: 60_000 })
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
    const online = await open()
    await page.context().setOffline(true)
    const offline = await open()
    return { bytes, online, offline }
  } finally {
    await browser.close()
  }
}

/** A phone that syncs 5,000 readings; the same again when all are there; the first load of the walk. */
export async function bench(say) {
  const server = await demoServer()
  try {
    const { call, cookie } = await lead(server.base)
    const list = await visitsOf(call)
    const one = list.slice(0, 80)
    const began = performance.now()
    for (const body of one)
      await call('POST', '/visits', JSON.stringify({ ...body, id: randomUUID() }), 'application/json')
    const single = ((performance.now() - began) / one.length) * list.length
    const fresh = await sync(call, list)
    const again = await sync(call, list)
    say(
      `${visits * 6} readings in ${visits} visits synced`,
      `${(fresh / 1000).toFixed(1)} s, ${(fresh / single).toFixed(2)} of one call a visit`,
    )
    say(
      'the same brought again: all are there',
      `${(again / 1000).toFixed(1)} s, ${(again / fresh).toFixed(2)} of the first time`,
    )
    const rounds = await call('GET', '/rounds')
    const { bytes, online, offline } = await firstLoad(
      server.base,
      cookie,
      rounds.find((r) => r.state === 'planned').id,
    )
    const all = readdirSync(join(root, 'web/dist/assets')).filter((f) => /\.(js|css)$/.test(f))
    const whole = all.reduce((n, f) => n + gzipSync(readFileSync(join(root, 'web/dist/assets', f))).length, 0)
    say(
      'first load of the walk, scripts and styles, gzip',
      `${(bytes / 1000).toFixed(0)} kB of 350 kB promised, ${(bytes / whole).toFixed(2)} of the whole app`,
    )
    say(
      'the walk stands without a network, against with one',
      `${offline.toFixed(0)} ms, ${(offline / online).toFixed(2)}`,
    )
  } finally {
    await server.end()
  }
}
