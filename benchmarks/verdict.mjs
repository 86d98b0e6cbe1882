import { demoServer, fixedNow } from '../scripts/lib/demo-server.mjs'
import { openBrowser } from '../scripts/lib/browser.mjs'
import { lead, openPage, quantile } from './client.mjs'

/** Median time of one judgement in Node, with a long history. */
async function inNode(visits) {
  const { judge } = await import('../core/src/judge/index.ts')
  const { plainFan } = await import('./truth/trends.ts')
  const { defaultPolicies } = await import('../core/src/limits/index.ts')
  const state = { settled: true, mode: 'normal', filters: null, panels: 'on', twin: null, turning: 'right way' }
  const visitAt = (i) => ({
    id: String(i),
    at: Date.UTC(2022, 0, 1) + i * 7 * 86_400_000,
    state,
    readings: [
      ...['L1-L2', 'L2-L3', 'L3-L1'].map((position, k) => ({
        quantity: 'volts_ll',
        position,
        value: 477 + ((i + k) % 4),
      })),
      ...['L1', 'L2', 'L3'].map((position, k) => ({ quantity: 'amps', position, value: 11 + ((i * 7 + k) % 9) / 20 })),
    ],
  })
  const history = Array.from({ length: visits }, (_, i) => visitAt(i))
  const input = {
    machine: plainFan.machine,
    motor: {
      plate: { volts: '208-230/460', amps: '27.0-25.6/12.8', sf: 1.15, power: 10, phases: 3, rpm: 1755, hz: '60' },
      connectionVolts: null,
      installedAt: 0,
    },
    visit: visitAt(visits),
    history,
    work: [],
    policies: defaultPolicies,
  }
  const times = []
  for (let i = 0; i < 300; i++) {
    const began = performance.now()
    judge(input)
    times.push(performance.now() - began)
  }
  return quantile(times.slice(50), 0.5)
}

/** Time from a key to the verdict on the visit page, in a browser four times slowed. */
async function inBrowser() {
  const { base, end } = await demoServer()
  const browser = await openBrowser()
  try {
    const { call, cookie } = await lead(base)
    const machine = (await call('GET', '/find?q=mau-1'))[0]
    const page = await openPage(browser, base, cookie, { width: 390, height: 844 })
    await page.clock.setFixedTime(new Date(fixedNow))
    await page.goto(`${base}/machines/${machine.id}/visit`)
    await page.locator('.cell-here input').waitFor()
    await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: 4 })
    const times = []
    for (const text of ['479', '478', '480', '9.25', '9.15', '9.35'])
      for (let n = 1; n <= text.length; n++) {
        times.push(
          await page.evaluate(
            async (typed) => {
              const cell = document.querySelector('.cell-here input')
              const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set
              const began = performance.timeOrigin + performance.now()
              set.call(cell, typed)
              cell.dispatchEvent(new InputEvent('input', { bubbles: true }))
              await new Promise((r) => queueMicrotask(() => queueMicrotask(r)))
              document.body.getBoundingClientRect() // layout counts as well
              return performance.timeOrigin + performance.now() - began
            },
            text.slice(0, n),
          ),
        )
        if (n === text.length) await page.keyboard.press('Enter')
      }
    if (process.env.BENCH_ALL) console.log(times.map((t) => t.toFixed(0)).join(' '))
    return { p50: quantile(times, 0.5), p95: quantile(times, 0.95), worst: Math.max(...times) }
  } finally {
    await browser.close()
    await end()
  }
}

/** How long a verdict takes. */
export async function bench(say) {
  const short = await inNode(24)
  const long = await inNode(400)
  say('judge() in Node with 24 and with 400 earlier visits', `${short.toFixed(2)}, ${long.toFixed(2)} ms`)
  const { p50, p95, worst } = await inBrowser()
  say(
    'from key to verdict, CPU slowed four times: median, p95, worst',
    [p50, p95, worst].map((v) => `${v.toFixed(0)}`).join(', ') + ' ms',
  )
  say('p95 against the promised 50 ms', (p95 / 50).toFixed(2))
}
