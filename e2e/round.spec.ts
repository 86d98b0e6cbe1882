import { appendFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import jsQR from 'jsqr'
import { PNG } from 'pngjs'
import { expect, type BrowserContext, type Page } from '@playwright/test'
import { desktop, fixedNow, machineId, ownServer, phone, signIn, test, typeStop } from './world.ts'

interface Head {
  id: string
  name: string
  state: string
  done: number
}
const rounds = async (page: Page) => (await (await page.request.get('/api/v1/rounds')).json()) as Head[]
const today = async (page: Page) => {
  const found = (await rounds(page)).find((r) => r.name === 'Freight shed and crew house')
  if (!found) throw new Error('no round of today')
  return found.id
}
const amps = ['478', '479', '477', '6.1', '6.2', '6.3']

/** A picture of a roof, as large as a small photograph. */
function aRoof(): Buffer {
  const png = new PNG({ width: 240, height: 160 })
  for (let i = 0; i < png.data.length; i += 4) png.data.set([120, 130, (i / 40) % 255, 255], i)
  return PNG.sync.write(png)
}

/** Tags of the three-phase machines of a person's walk, in its order. */
async function threePhase(page: Page, roundId: string, name: string): Promise<string[]> {
  const round = (await (await page.request.get(`/api/v1/rounds/${roundId}`)).json()) as {
    head: { people: { id: string; name: string }[] }
    route: { order: { walker: string; steps: string[] }[] }
    visits: { machineId: string; unitTag: string; tag: string }[]
  }
  const walker = round.head.people.find((p) => p.name === name)?.id
  const out: string[] = []
  for (const id of round.route.order.find((o) => o.walker === walker)?.steps ?? []) {
    // What goes before or after a pause is no stop of its own.
    if (id.includes(':')) continue
    const { machine } = (await (await page.request.get(`/api/v1/machines/${id}`)).json()) as {
      machine: { phases: number }
    }
    const visit = round.visits.find((s) => s.machineId === id)
    if (machine.phases === 3 && visit) out.push(`${visit.unitTag} / ${visit.tag}`)
  }
  return out
}
const goTo = (page: Page, tag: string | undefined) =>
  page
    .getByRole('list', { name: 'Visits of this round' })
    .getByRole('button', { name: new RegExp(`, ${tag ?? ''},`) })
    .first()
    .click()

/** Take the visit that is asked for as a quick one: volts and amps. */
async function quickVisit(page: Page, values: readonly string[]) {
  await page.getByRole('button', { name: /^(Take readings|Continue visit)/ }).click()
  await page.waitForURL(/\/visit\?round=/)
  await page.getByRole('navigation', { name: 'Phases' }).waitFor()
  const plan = page.getByRole('button', { name: 'Running amps' })
  if (await plan.isVisible()) await plan.click()
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Live tests/ })
    .click()
  await page.locator('.cell-here input').focus()
  await typeStop(page, values)
}
const save = async (page: Page) => {
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Results/ })
    .click()
  await page.getByRole('button', { name: 'Save visit' }).click()
  await page.waitForURL(/\/walk$/)
}
const held = (page: Page) => page.locator('.signal-line').first()

async function newPage(context: BrowserContext): Promise<Page> {
  const page = await context.newPage()
  page.setDefaultTimeout(15_000)
  await page.clock.setFixedTime(fixedNow)
  return page
}

test('a lead plans a round from what is due, moves a visit, and sees what it costs', async ({ open }) => {
  const page = await open('vale', desktop)
  await page.goto('/rounds/new')
  await expect(page.getByText(/every 92 days/).first()).toBeVisible()
  await page.getByLabel('Sites').click()
  await page.locator('.ant-select-item-option').getByText('Slipway Workshop').click()
  await page.keyboard.press('Escape')
  await page.getByLabel('Person 1', { exact: true }).fill('Mosi Okonjo')
  await page.getByLabel('Name').fill('Slipway and reach')
  await page.getByRole('button', { name: /^Plan \d+ visits/ }).click()
  await expect(page.getByRole('heading', { name: 'Slipway and reach' })).toBeVisible({ timeout: 20_000 })
  const list = page.locator('.route-list').first()
  const order = () => list.locator('li b').allTextContents()
  const before = await order()
  const last = list.locator('li').last()
  const tag = (await last.locator('b').textContent()) ?? ''
  const grip = last.getByRole('button', { name: `Move ${tag}` })
  await grip.scrollIntoViewIfNeeded()
  await grip.focus()
  for (const key of ['Space', 'ArrowUp', 'ArrowUp', 'Space']) {
    await page.keyboard.press(key)
    await page.waitForTimeout(300)
  }
  await expect(page.locator('.route-told')).toContainText(/^(It costs|No extra time)/)
  // The cost is shown first, the list follows.
  await expect.poll(async () => (await order()).indexOf(tag)).toBeLessThan(before.indexOf(tag))
  // A full day gives way where it must, and by name: what is gone from the list, and what is new in it.
  const after = await order()
  const told = (await page.locator('.route-told').textContent()) ?? ''
  for (const name of [...before.filter((b) => !after.includes(b)), ...after.filter((a) => !before.includes(a))])
    expect(told).toContain(name)
  const machine = (name: string) => name.split(',')[0] ?? ''
  const left = await page.locator('section', { hasText: 'Left out of this round' }).locator('li b').allTextContents()
  for (const name of before) expect([...after.map(machine), ...left]).toContain(machine(name))
  await page.getByRole('link', { name: 'Prepare' }).click()
  await expect(page.getByRole('heading', { name: /^Prepare: Slipway and reach/ })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Parts by size' })).toBeVisible()
})

test('a round offline: downloaded, a cold start, three machines, a photo, a tab killed in mid-entry, sent over lost answers and a server killed in mid-sync', async ({
  browser,
}) => {
  test.slow()
  let server = await ownServer()
  const { again } = server
  const context = await browser.newContext({ viewport: phone, baseURL: server.base })
  try {
    let page = await newPage(context)
    await signIn(page, 'okonjo')
    const id = await today(page)
    const tags = await threePhase(page, id, 'Mosi Okonjo')
    await page.goto(`/rounds/${id}`)
    await page.getByRole('button', { name: 'Download for offline' }).click()
    await expect(page.getByText('Downloaded for offline')).toBeVisible({ timeout: 60_000 })
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))

    // The phone is off and on again, and there is no network.
    await page.close()
    await context.setOffline(true)
    page = await newPage(context)
    await page.goto(`/rounds/${id}/walk`)
    await expect(held(page)).toContainText('No signal')
    await goTo(page, tags[0])
    await quickVisit(page, amps)
    await page.getByLabel(/^Photo for/).setInputFiles({
      name: 'plate.png',
      mimeType: 'image/png',
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
    })
    await expect(page.getByRole('button', { name: 'Photo 1' })).toBeVisible()
    await save(page)
    await expect(held(page)).toContainText('6 readings, 1 photo on this phone')
    await goTo(page, tags[0])
    await page.getByRole('button', { name: 'Add finding' }).click()
    await page.getByRole('textbox', { name: 'Finding' }).fill('Guard screw missing')
    await page.getByRole('group', { name: 'Level' }).getByRole('button', { name: 'Watch' }).click()
    await page.getByRole('button', { name: 'Save finding' }).click()
    await expect(page.getByText('Found: Guard screw missing')).toBeVisible()
    await page.reload()
    await expect(page.locator('.walk-here h2')).not.toHaveText(tags[0] ?? '')

    // The tab dies between two digits; what was typed is there again.
    await goTo(page, tags[1])
    await quickVisit(page, amps.slice(0, 4))
    await page.close()
    page = await newPage(context)
    await page.goto(`/rounds/${id}/walk`)
    await goTo(page, tags[1])
    await page.getByRole('button', { name: 'Continue visit' }).click()
    await page
      .getByRole('navigation', { name: 'Phases' })
      .getByRole('button', { name: /^Live tests/ })
      .click()
    await expect(page.getByLabel('Amps, L1, A')).toHaveValue('6.1')
    await page.getByLabel('Amps, L2, A').fill('6.2')
    await page.getByLabel('Amps, L3, A').fill('6.3')
    await save(page)
    await goTo(page, tags[2])
    await quickVisit(page, amps)
    await save(page)
    await page.getByRole('button', { name: 'Skip', exact: true }).click()
    await page.getByLabel(/^Why .* is skipped/).fill('locked by others')
    await page.getByRole('button', { name: 'Skip' }).click()
    await expect(held(page)).toContainText('No signal · 18 readings, 1 photo on this phone')
    await expect(page.locator('.walk-count')).toContainText('4 of')

    // Home: the first answer never arrives though the server has kept what it speaks of; the second time the server is
    // killed while it keeps, and stays dead for a while.
    let asked = 0
    await page.route('**/api/v1/sync', async (route) => {
      asked += 1
      if (asked > 2) return route.continue()
      const answer = route.fetch().catch(() => null)
      if (asked === 1) await answer
      else await Promise.all([server.kill(), answer])
      await route.abort('connectionreset')
    })
    await context.setOffline(false)
    await page.evaluate(() => window.dispatchEvent(new Event('online')))
    await expect(async () => {
      await page.evaluate(() => window.dispatchEvent(new Event('online')))
      expect(asked).toBe(2)
    }).toPass({ timeout: 30_000 })
    await expect(held(page)).toContainText('on this phone')
    server = { ...server, ...(await again()) }
    await expect(async () => {
      await page.evaluate(() => window.dispatchEvent(new Event('online')))
      const head = (await rounds(page)).find((r) => r.id === id)
      expect(head?.done).toBe(3)
      await expect(page.locator('.signal-line').filter({ hasText: 'on this phone' })).toHaveCount(0)
    }).toPass({ timeout: 60_000 })
    expect(asked).toBeGreaterThan(2)
    const record = (await (await page.request.get(`/api/v1/rounds/${id}`)).json()) as {
      events: { kind: string; visitId: string | null; machineId: string }[]
      findings: { roundId: string | null; text: string }[]
    }
    expect(record.findings.filter((f) => f.roundId === id).map((f) => f.text)).toEqual(['Guard screw missing'])
    const done = record.events.filter((e) => e.kind === 'done')
    expect(new Set(done.map((e) => e.machineId)).size).toBe(3)
    for (const e of done) {
      const machine = (await (await page.request.get(`/api/v1/machines/${e.machineId}`)).json()) as {
        visits: { id: string; readings: unknown[] }[]
      }
      expect(machine.visits.filter((s) => s.id === e.visitId).map((s) => s.readings.length)).toEqual([6])
    }
    // All happened at one instant of the standing clock: their order says nothing.
    const pictures: unknown[] = []
    for (const e of done)
      pictures.push(
        ...((await (await page.request.get(`/api/v1/machines/${e.machineId}/pictures`)).json()) as unknown[]),
      )
    expect(pictures).toHaveLength(1)
  } finally {
    await context.close()
    await server.end()
  }
})

test('a roof map is drawn: a unit is moved, a hatch put on; who is late sees both maps', async ({ open }) => {
  const lead = await open('vale', desktop)
  await lead.goto('/machines')
  const id = await machineId(lead, 'AHU-3/SF')
  const machine = (await (await lead.request.get(`/api/v1/machines/${id}`)).json()) as { area: { id: string } }
  const late = await open('okonjo', desktop)
  for (const page of [lead, late]) {
    await page.goto(`/areas/${machine.area.id}/map`)
    await page.getByRole('button', { name: 'Edit map' }).click()
    await page.getByRole('button', { name: /^AHU-3,/ }).focus()
    await page.keyboard.press('Enter')
    await page.keyboard.press('ArrowRight')
  }
  await late.keyboard.press('ArrowRight')
  await lead.getByRole('button', { name: 'Access point' }).click()
  await lead.locator('.roof-map').click({ position: { x: 200, y: 200 } })
  await lead.getByRole('button', { name: 'Save map' }).click()
  await expect(lead.getByRole('button', { name: 'Edit map' })).toBeVisible()
  await late.getByRole('button', { name: 'Save map' }).click()
  await expect(late.getByRole('alert')).toContainText('Tamsin Vale changed this map in the meantime')
  await expect(late.getByRole('row', { name: /^AHU-3/ })).toBeVisible()
  await late.getByRole('button', { name: 'Keep theirs' }).click()
  await expect(late.getByLabel('Access point 2, name')).toBeVisible()
})

test('a roof map is drawn over a photo that is scaled by two spots', async ({ open }) => {
  const page = await open('okonjo', desktop)
  const id = await machineId(page, 'AHU-2/SF')
  const machine = (await (await page.request.get(`/api/v1/machines/${id}`)).json()) as { area: { id: string } }
  await page.goto(`/areas/${machine.area.id}/map`)
  await page.getByRole('button', { name: 'Edit map' }).click()
  await page.getByLabel('Background photo').setInputFiles({ name: 'roof.png', mimeType: 'image/png', buffer: aRoof() })
  const image = page.locator('.roof-map image')
  await expect(image).toBeAttached()
  const wide = async () => Number(await image.getAttribute('width'))
  const before = await wide()
  await page.getByRole('button', { name: 'Set the scale' }).click()
  const board = page.locator('.roof-map')
  await board.click({ position: { x: 200, y: 150 } })
  await board.click({ position: { x: 500, y: 150 } })
  const [a, b] = await page.locator('.map-mark circle').evaluateAll((l) => l.map((c) => Number(c.getAttribute('cx'))))
  await page.getByLabel('Distance between the points, ft').fill('98.4252')
  await page.getByRole('button', { name: 'Set scale' }).click()
  expect(await wide()).toBeCloseTo((before * 30) / ((b ?? 0) - (a ?? 0)), 1)
  await page.getByRole('button', { name: 'Save map' }).click()
  await expect(page.getByRole('button', { name: 'Edit map' })).toBeVisible()
  await page.reload()
  await expect(image).toBeAttached()
  expect(
    await page.request.get((await image.getAttribute('href')) ?? '').then((r) => r.headers()['content-type']),
  ).toBe('image/jpeg')
})

test('a tag of every machine opens its visit', async ({ open }) => {
  const page = await open('okonjo', desktop)
  const id = await today(page)
  await page.goto(`/tags?round=${id}`)
  const tags = page.getByRole('list', { name: 'Tags' }).getByRole('listitem')
  const { visits } = (await (await page.request.get(`/api/v1/rounds/${id}`)).json()) as {
    visits: { machineId: string }[]
  }
  await expect(tags).toHaveCount(visits.length)
  // Read as a phone's camera would: from what is drawn on the page.
  for (const i of [0, visits.length - 1]) {
    const image = tags.nth(i).locator('img')
    await expect(image).toHaveAttribute('src', /^data:image\/svg\+xml,%3Csvg/)
    const shot = PNG.sync.read(await image.screenshot())
    const read = jsQR(new Uint8ClampedArray(shot.data), shot.width, shot.height)
    expect(read?.data).toBe(new URL(`/machines/${visits[i]?.machineId ?? ''}/visit`, page.url()).href)
  }
})

test('a second tab with the same visit says so, and one that keeps nothing says it plainly', async ({ open }) => {
  const page = await open('okonjo', phone)
  const visit = `/machines/${await machineId(page, 'AHU-1/SF')}/visit`
  await page.goto(visit)
  await page.getByRole('navigation', { name: 'Phases' }).waitFor()
  const second = await newPage(page.context())
  await second.goto(visit)
  await expect(second.getByText(/another tab/)).toBeVisible()
  await expect(page.getByText(/another tab/)).toHaveCount(0)

  const denied = await newPage(page.context())
  await denied.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      get: () => ({
        open: () => {
          throw new DOMException('denied', 'SecurityError')
        },
      }),
    })
  })
  await denied.goto(`/rounds/${await today(page)}`)
  await denied.getByRole('button', { name: 'Download for offline' }).click()
  await expect(denied.getByText(/cannot store data/).first()).toBeVisible()
})

test('a newer version of the app waits until it is wanted', async ({ browser }) => {
  const web = mkdtempSync(join(tmpdir(), 'motor-round-web-'))
  cpSync('web/dist', web, { recursive: true })
  const server = await ownServer({ WEB_DIR: web })
  const context = await browser.newContext({ viewport: phone, baseURL: server.base })
  try {
    const page = await newPage(context)
    await signIn(page, 'okonjo')
    await page.goto(`/rounds/${await today(page)}`)
    await page.getByRole('button', { name: 'Download for offline' }).click()
    await expect(page.getByText('Downloaded for offline')).toBeVisible({ timeout: 60_000 })
    await page.reload()
    const note = page.getByText(/A new version is ready/)
    await expect(page.getByRole('heading', { name: 'Freight shed and crew house' })).toBeVisible()
    await expect(note).toHaveCount(0)
    appendFileSync(join(web, 'sw.js'), '\n// newer\n')
    await page.reload()
    await expect(note).toBeVisible({ timeout: 15_000 })
    const loaded = page.waitForEvent('load')
    await page.getByRole('button', { name: 'Update now' }).click()
    await loaded
    await expect(page.getByRole('heading', { name: 'Freight shed and crew house' })).toBeVisible()
    await expect(note).toHaveCount(0)
  } finally {
    await context.close()
    await server.end()
    rmSync(web, { recursive: true })
  }
})
