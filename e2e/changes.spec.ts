import { randomUUID } from 'node:crypto'
import { expect, type Page } from '@playwright/test'
import { desktop, fixedNow, machineId, phone, test, typeStop, type Found } from './world.ts'
import { typePlate } from './plate.ts'

interface Round {
  readonly id: string
  readonly name: string
}
/** Take a round along, the demo's of today if no other is named, so that the app and its machines are on this phone. */
async function takeAlong(page: Page, name = 'Freight shed and crew house'): Promise<string> {
  const rounds = (await (await page.request.get('/api/v1/rounds')).json()) as Round[]
  const id = rounds.find((r) => r.name === name)?.id ?? ''
  await page.goto(`/rounds/${id}`)
  await page.getByRole('button', { name: 'Download for offline' }).click()
  await expect(page.getByText('Downloaded for offline')).toBeVisible({ timeout: 60_000 })
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  return id
}
const backOnline = async (page: Page) => {
  await page.context().setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
}
/** A three-phase machine of a round. */
async function ofRound(page: Page, roundId: string, nth: number): Promise<{ id: string; area: string }> {
  const round = (await (await page.request.get(`/api/v1/rounds/${roundId}`)).json()) as {
    visits: { machineId: string; areaId: string }[]
  }
  const visit = round.visits[nth]
  if (!visit) throw new Error('no such visit')
  return { id: visit.machineId, area: visit.areaId }
}

test('a nameplate corrected on the roof and in the office: both side by side, and a person decides', async ({
  open,
}) => {
  test.slow()
  const roof = await open('okonjo', phone)
  const office = await open('vale', desktop)
  const { id } = await ofRound(roof, await takeAlong(roof), 0)
  await roof.context().setOffline(true)
  await roof.goto(`/machines/${id}`)
  await typePlate(roof, { Frame: '80M' })
  await roof.getByRole('button', { name: /^Save nameplate/ }).click()
  await expect(roof.getByRole('button', { name: /^Save nameplate/ })).toHaveCount(0)
  await expect(roof.locator('.signal-line').first()).toContainText('No signal · 1 entry on this phone')
  await roof.reload()
  await expect(roof.getByRole('button', { name: /^Frame: 80M/ })).toBeVisible()

  await office.goto(`/machines/${id}`)
  await typePlate(office, { Frame: '80L' })
  await office.getByRole('button', { name: /^Save nameplate/ }).click()
  await expect(office.getByRole('button', { name: /^Save nameplate/ })).toHaveCount(0)

  await backOnline(roof)
  await expect(roof.getByText('1 conflict between this phone and the server.')).toBeVisible({ timeout: 30_000 })
  await roof.getByRole('link', { name: 'Resolve' }).click()
  const two = roof.locator('.two-versions')
  await expect(two.getByRole('link', { name: /, its nameplate$/ })).toBeVisible()
  await expect(two).toContainText('Tamsin Vale changed this motor in the meantime.')
  await expect(two.getByRole('row', { name: /Frame/ })).toContainText('80M')
  await expect(two.getByRole('row', { name: /Frame/ })).toContainText('80L')
  await two.getByRole('button', { name: 'Keep mine' }).click()
  await expect(roof.getByText('Everything is synced.')).toBeVisible({ timeout: 30_000 })
  await expect(two).toHaveCount(0)
  await office.reload()
  await expect(office.getByRole('button', { name: /^Frame: 80M/ })).toBeVisible()
})

test('a unit found offline gets its nameplate there, is judged by it, and both are sent', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', phone)
  const round = await takeAlong(page)
  await page.context().setOffline(true)
  await page.goto(`/rounds/${round}/walk`)
  await page.getByRole('button', { name: 'Add a machine' }).click()
  await page.getByRole('button', { name: 'It is not in the list' }).click()
  await page.getByLabel('Unit tag').fill('EF-88')
  await page.getByLabel('Fan tag').fill('EF')
  await page.getByLabel('Supply').fill('460')
  // On a round of several areas nobody else could say where it stands.
  await page.getByRole('combobox', { name: 'Area' }).click()
  await page.locator('.ant-select-item-option').first().click()
  await page.getByRole('button', { name: 'Add unit' }).click()
  await expect(page.locator('.walk-here h2')).toHaveText('EF-88 / EF')
  await page.getByRole('button', { name: 'Take readings' }).click()
  await page.getByRole('link', { name: 'No nameplate: enter it' }).click()
  await typePlate(page, { 'Volts as printed': '460', 'Full-load amps': '3.1' })
  await page.getByRole('button', { name: 'Save nameplate' }).click()
  // Back at the visit it was asked for at, with a limit.
  await expect(page.getByText('Nameplate 3.1 A at 460 V')).toBeVisible()
  const plan = page.getByRole('button', { name: 'Running amps' })
  if (await plan.isVisible()) await plan.click()
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Live tests/ })
    .click()
  await page.locator('.cell-here input').focus()
  await typeStop(page, ['461', '460', '462', '2.4', '2.5', '2.45'])
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Results/ })
    .click()
  await page.getByText(/checks? OK$/).click()
  await expect(page.getByText('81 % of the 460 V nameplate').first()).toBeVisible()
  await page.getByRole('button', { name: 'Save visit' }).click()
  await page.waitForURL(/\/walk$/)
  await backOnline(page)
  await expect(async () => {
    const found = (await (await page.request.get('/api/v1/find?q=EF-88')).json()) as Found[]
    const own = (await (await page.request.get(`/api/v1/machines/${found[0]?.id ?? ''}`)).json()) as {
      motor: { plate: { amps: string } } | null
      visits: { readings: unknown[] }[]
    }
    expect(own.motor?.plate.amps).toBe('3.1')
    expect(own.visits.map((s) => s.readings.length)).toEqual([6])
  }).toPass({ timeout: 30_000 })
})

/** Take a round along, and type another width of its first roof where there is no signal. */
async function widenOffline(page: Page, feet: string): Promise<{ area: string; before: number }> {
  const { area } = await ofRound(page, await takeAlong(page), 0)
  const before = await versionOf(page, area)
  await page.context().setOffline(true)
  await page.goto(`/areas/${area}/map`)
  await page.getByRole('button', { name: 'Edit map' }).click()
  await page.getByLabel('Width, ft', { exact: true }).fill(feet)
  return { area, before }
}

test('a roof map edited offline is sent by itself', async ({ open }) => {
  test.slow()
  const page = await open('vale', phone)
  const { area, before } = await widenOffline(page, '201')
  await page.getByRole('button', { name: 'Save map' }).click()
  await expect(page.getByRole('button', { name: 'Edit map' })).toBeVisible()
  await expect(page.getByLabel(/201 by/).first()).toBeVisible()
  await backOnline(page)
  await expect(async () => expect(await versionOf(page, area)).toBe(before + 1)).toPass({ timeout: 30_000 })
})

test('an app that was started without a signal saves at once when the signal is back', async ({ open }) => {
  test.slow()
  const page = await open('vale', phone)
  const { area, before } = await widenOffline(page, '202')
  await backOnline(page)
  await page.getByRole('button', { name: 'Save map' }).click()
  await expect(page.getByRole('button', { name: 'Edit map' })).toBeVisible()
  await expect(async () => expect(await versionOf(page, area)).toBe(before + 1)).toPass({ timeout: 30_000 })
})
const versionOf = async (page: Page, area: string) =>
  ((await (await page.request.get(`/api/v1/areas/${area}/map`)).json()) as { version: number }).version

test('half a turn offline: the speed change is worked out, done, read again and proven there, and sent so', async ({
  open,
}) => {
  test.slow()
  const lead = await open('vale', desktop)
  const id = await machineId(lead, 'AHU-2/SF')
  const { site } = (await (await lead.request.get(`/api/v1/machines/${id}`)).json()) as { site: { id: string } }
  const { csrf } = (await (await lead.request.get('/api/v1/session')).json()) as { csrf: string }
  const round = randomUUID()
  const made = await lead.request.post('/api/v1/rounds', {
    headers: { 'x-csrf-token': csrf },
    data: {
      id: round,
      name: 'One fan',
      day: '2026-11-25',
      siteIds: [site.id],
      people: [{ id: randomUUID(), name: 'Mosi Okonjo', from: 420, to: 960 }],
      heat: null,
      storm: null,
      recurs: null,
      note: '',
      visits: [{ machineId: id, tasks: ['amps'] }],
      days: 1,
    },
  })
  expect(made.status()).toBe(200)
  const page = await open('okonjo', phone)
  await takeAlong(page, 'One fan')
  await page.context().setOffline(true)
  await page.goto(`/speed-change?machine=${id}`)
  await expect(page.getByRole('region', { name: 'Effect' }).getByRole('heading')).toHaveText(
    'Open the motor sheave ½ turn, to 3 open',
  )
  await page.getByRole('button', { name: 'Plan this work' }).click()
  const bench = page.locator('.sheet').filter({ has: page.getByRole('heading', { name: 'Planned speed changes' }) })
  await bench.getByRole('button', { name: 'Mark done' }).click()
  await expect(bench).toContainText('take readings')
  await page.clock.setFixedTime(new Date(fixedNow.getTime() + 40 * 60_000))
  await bench.getByRole('link', { name: 'Take readings to confirm it' }).click()
  await typeStop(page, ['479', '478', '480', '12.0', '12.1', '11.9'])
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Results/ })
    .click()
  await page.getByRole('button', { name: 'Save visit' }).click()
  await expect(bench).toContainText(/12 A as predicted|12\.0 A as predicted/)
  await expect(page.locator('.signal-line').first()).toContainText('No signal')
  await backOnline(page)
  await expect(async () => {
    const own = (await (await page.request.get(`/api/v1/machines/${id}`)).json()) as {
      speedChanges: { doneAt: string | null; measured: { amps: number } | null }[]
    }
    expect(own.speedChanges[0]?.measured?.amps).toBeCloseTo(12, 6)
  }).toPass({ timeout: 30_000 })
})
