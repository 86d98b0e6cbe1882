// Pictures of the main views from the demo data, into docs/screenshots (or a folder given as argument).
import { mkdirSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { demoServer, fixedNow, standInDrive } from './lib/demo-server.mjs'
import { openBrowser } from './lib/browser.mjs'
import { needBuild, needChromium } from './lib/packages.mjs'
import { root } from './lib/paths.mjs'
import { main } from './lib/say.mjs'

const out = resolve(process.argv[2] ?? join(root, 'docs/screenshots'))
const only = process.argv.slice(3)

const desktop = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }

async function readDrive(page) {
  await page.getByRole('button', { name: 'Read the drive' }).click()
  await page.getByText('Heatsink').waitFor()
}

/** Each picture: name, size, and how to get there. */
const pictures = [
  ['machines', desktop, '/machines', async (page) => page.getByText('EF-7 / EF').waitFor()],
  ['machines-phone', phone, '/machines', async (page) => page.getByText('EF-7 / EF').waitFor()],
  ['machine', desktop, ['AHU-2', 'SF'], async (page) => page.locator('canvas').first().waitFor()],
  ['machine-phone', phone, ['AHU-2', 'SF'], async (page) => page.locator('canvas').first().waitFor()],
  ['trace', { width: 1280, height: 1000 }, ['EF-7', 'EF', 'trace'], openTrace],
  ['job', { width: 1280, height: 1000 }, ['RTU-12', 'SF'], openJob],
  ['drive', { width: 1280, height: 900 }, ['AHU-3', 'RF', 'vfd'], readDrive],
  [
    'live',
    { width: 1280, height: 900 },
    ['EF-16', 'EF', 'live'],
    async (page) => page.locator('canvas').first().waitFor(),
  ],
  [
    'visit-phone',
    phone,
    ['AHU-2', 'SF', 'visit'],
    async (page) => {
      await type(page, ['479', '478', '480', '13.2', '13.0', '13.1'], false)
    },
  ],
  [
    'visit',
    desktop,
    ['AHU-2', 'SF', 'visit'],
    async (page) => {
      await type(page, ['479', '478', '480', '13.2', '13.0', '13.1'], true)
    },
  ],
  [
    'import-export',
    desktop,
    '/import-export',
    async (page) => {
      const lines = [
        'site,unit,machine,taken_at,quantity,position,value,unit_of_measure',
        'Slipway Workshop,AHU-7,SF,2026-11-20T10:00:00Z,amps,L1,9.8,A',
        'Slipway Workshop,AHU-7,SF,2026-11-20T10:00:00Z,amps,L2,9.7,furlong',
        'Slipway Workshop,AHU-9,SF,2026-11-31T10:00:00Z,amps,L3,9.9,A',
      ]
      await page
        .locator('input[type=file]')
        .setInputFiles({ name: 'slipway-november.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) })
      await page.getByRole('alert').waitFor()
    },
  ],
  [
    'round',
    { width: 1280, height: 1000 },
    '/rounds/{today}',
    async (page) => page.locator('.route-list').first().waitFor(),
  ],
  [
    'round-prepare',
    desktop,
    '/rounds/{today}/prepare',
    async (page) => {
      await page.locator('.prepare-table').waitFor()
      await page.getByText('still loading').waitFor({ state: 'detached' })
    },
  ],
  ['walk-phone', phone, '/rounds/{today}/walk', async (page) => page.locator('.walk-here').waitFor()],
  [
    'speed-change',
    { width: 1280, height: 1000 },
    '/speed-change?machine={AHU-2/SF}',
    async (page) => page.locator('.speed-told').waitFor(),
  ],
  ['drive-train', desktop, ['AHU-1', 'SF', 'drive'], async (page) => page.locator('.slot').first().waitFor()],
  [
    'reports',
    desktop,
    '/reports',
    async (page) => {
      await page.getByRole('img', { name: 'Levels over time' }).waitFor()
      // Earlier months come in beside the answers.
      await page.getByText('Earlier months are being worked out').waitFor({ state: 'hidden', timeout: 180_000 })
    },
  ],
  ['stock', desktop, '/stock', async (page) => page.getByRole('link', { name: /Belt/ }).first().waitFor()],
  ['limits', desktop, '/limits', async (page) => page.getByText('Limits and sources').waitFor()],
]

/** Open the job of a machine, and what it asks for now. */
async function openJob(page) {
  await page.locator('.job-line').first().click()
  await page.locator('.job-steps').first().waitFor()
}

/** Open the trace that was begun at a machine. */
async function openTrace(page) {
  await page.locator('.trace-earlier').first().click()
  await page.locator('.trace-suspects').waitFor()
}

async function type(page, values, last) {
  for (const [i, v] of values.entries()) {
    await page.keyboard.type(v)
    if (last || i < values.length - 1) await page.keyboard.press('Enter')
  }
}

main(async () => {
  mkdirSync(out, { recursive: true })
  await needBuild()
  await needChromium()
  const { base, end } = await demoServer()
  const drive = await standInDrive('AHU-3/RF', { pace: 30 })
  const browser = await openBrowser()
  try {
    const signedIn = await browser.newContext({ locale: 'en-US', timezoneId: 'America/Halifax' })
    const entry = await signedIn.newPage()
    await entry.goto(`${base}/sign-in`)
    await entry.getByLabel('Sign-in name').fill('vale')
    await entry.getByLabel('Password', { exact: true }).fill('vale-on-the-roof')
    await entry.getByRole('button', { name: 'Sign in' }).click()
    await entry.waitForURL('**/machines')
    const state = await signedIn.storageState()
    for (const [name, viewport, where, act] of pictures) {
      if (only.length > 0 && !only.includes(name)) continue
      const context = await browser.newContext({
        viewport,
        locale: 'en-US',
        timezoneId: 'America/Halifax',
        ...(where ? { storageState: state } : {}),
      })
      const page = await context.newPage()
      await page.clock.setFixedTime(new Date(fixedNow))
      const idOf = async (unit, tag) => {
        const found = await context.request.get(`${base}/api/v1/find?q=${encodeURIComponent(unit)}`)
        return (await found.json()).find((m) => m.unitTag === unit && m.tag === tag).id
      }
      let path = where ?? '/sign-in'
      if (Array.isArray(where)) path = `/machines/${await idOf(where[0], where[1])}${where[2] ? `/${where[2]}` : ''}`
      // A machine named in an address: {AHU-2/SF}.
      const named = /\{(.+)\/(.+)\}/.exec(path)
      if (named) path = path.replace(named[0], await idOf(named[1], named[2]))
      if (path.includes('{today}')) {
        const rounds = await (await context.request.get(`${base}/api/v1/rounds`)).json()
        path = path.replace('{today}', rounds.find((r) => r.state === 'planned').id)
      }
      await page.goto(base + path)
      // A round is watched live: its page never falls idle.
      if (!path.startsWith('/rounds/')) await page.waitForLoadState('networkidle')
      await act(page)
      await page.waitForTimeout(250)
      await page.screenshot({ path: join(out, `${name}.png`) })
      process.stdout.write(`${name}.png\n`)
      await context.close()
    }
  } finally {
    await browser.close()
    await drive.end()
    await end()
  }
})
