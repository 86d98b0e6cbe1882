import { expect } from '@playwright/test'
import { machineId, phone, test, typeStop } from './world.ts'

test('a visit at phone width with keys only: find, type, see the verdict and the trend', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto('/machines')
  await expect(page.getByText('EF-7 / EF')).toBeVisible()
  await page.locator('#find-machine').waitFor()
  await page.keyboard.press('/')
  await page.keyboard.type('mau-1')
  await expect(page.getByText('Galley make-up air').last()).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'MAU-1 / SF' })).toBeVisible()
  await page.locator('body').click({ position: { x: 5, y: 400 } })
  await page.keyboard.press('s')
  await expect(page.getByLabel('Volts, line to line, L1-L2, V')).toBeFocused()

  await typeStop(page, ['479', '478', '480', '9.6', '9.5'])
  await expect(page.getByLabel('Amps, L3, A')).toBeFocused()
  await page.keyboard.type('9.7')
  // Judged before Enter, after the last key.
  await expect(page.locator('.visit-told')).toContainText(
    '103 % of the 460 V nameplate on all three legs: 9.7 of 9.4 A.',
  )
  await expect(page.getByRole('img', { name: /L1 9.6, L2 9.5, L3 9.7 ampere, 103 % of nameplate/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Save visit' })).toBeFocused()
  await page.keyboard.press('Enter')

  await expect(page).toHaveURL(/\/machines\/[0-9a-f-]+$/)
  await expect(page.locator('.machine-amps')).toHaveText('9.6  9.5  9.7 A')
  await expect(page.getByText('103 % of the 460 V nameplate')).toBeVisible()
  await expect(page.getByText(/Rising \+0\.\d+ A a year/)).toBeVisible()
  await expect(page.locator('.amps-chart canvas')).toBeVisible()
  // Tall enough that the row is drawn wherever the day's order puts it.
  await page.setViewportSize({ width: 390, height: 3000 })
  await page.goto('/machines?level=fix')
  await expect(page.getByText('MAU-1 / SF')).toBeVisible()
})

test('nothing scrolls and nothing is cut off while digits are entered on a phone', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'AHU-3/SF')}/visit`)
  await typeStop(page, ['597', '598', '596', '15', '15', '15.1', '60'])
  await page.getByRole('button', { name: 'Live tests' }).click()
  const scrolls = await page.evaluate(() => [
    document.documentElement.scrollHeight,
    window.innerHeight,
    document.documentElement.scrollWidth,
    window.innerWidth,
  ])
  expect(scrolls[0]).toBeLessThanOrEqual(scrolls[1] ?? 0)
  expect(scrolls[2]).toBeLessThanOrEqual(scrolls[3] ?? 0)
  const part = await page.locator('.part-readings').evaluate((el) => [el.scrollHeight, el.clientHeight])
  expect(part[0]).toBeLessThanOrEqual(part[1] ?? 0)
  for (const key of await page.locator('.keypad button').all()) {
    const box = await key.boundingBox()
    expect(box?.height).toBeGreaterThanOrEqual(48)
    expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(844)
  }
})

test('the keypad carries a visit with the thumb, and a slip of the finger is asked about', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto(`/m/EF-1/EF`)
  await expect(page.getByRole('heading', { name: 'EF-1 / EF' })).toBeVisible()
  const tap = async (keys: string) => {
    for (const k of keys) await page.getByRole('button', { name: k === '.' ? 'Decimal point' : k, exact: true }).tap()
  }
  const next = () => page.getByRole('button', { name: 'Next field' }).tap()
  for (const v of ['478', '479', '477']) {
    await tap(v)
    await next()
  }
  await tap('33.5')
  await next()
  await expect(page.getByRole('alert')).toContainText('ten times what is usual here')
  await page.getByRole('button', { name: 'Re-enter' }).tap()
  await tap('3.35')
  await next()
  await expect(page.getByLabel('Amps, L2, A')).toBeFocused()
  await tap('3.35')
  await page.getByRole('button', { name: 'Delete last digit' }).tap()
  await tap('8')
  await next()
  await tap('3.4')
  await next()
  await expect(page.getByRole('button', { name: 'Save visit' })).toBeVisible()
  // Back in the state: what is said there is kept with the visit.
  await page.getByRole('button', { name: /^Inspect/ }).tap()
  await page.getByRole('group', { name: 'Settled' }).getByRole('button', { name: 'Yes' }).tap()
  await page.getByRole('group', { name: 'Turning' }).getByRole('button', { name: 'Right way' }).tap()
  await page.getByRole('button', { name: 'Results' }).tap()
  await page.getByRole('button', { name: 'Save visit' }).tap()
  await expect(page).toHaveURL(/\/machines\/[0-9a-f-]+$/)
  await expect(page.getByRole('region', { name: 'Visits' }).getByRole('row').first()).toContainText(
    '3.35  3.38  3.40 A',
  )
})

test('offline nothing is lost: kept on the phone, over a reload, and sent once by itself', async ({ open }) => {
  const page = await open('okonjo', phone)
  const id = await machineId(page, 'EF-2/EF')
  await page.goto(`/machines/${id}/visit`)
  await typeStop(page, ['478', '479', '477', '1.4', '1.39', '1.41'])
  // What keeping it takes is loaded while there is signal, a moment after the page.
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(1500)
  await page.context().setOffline(true)
  await page.getByRole('button', { name: 'Save visit' }).click()
  await expect(page.locator('.kept-here')).toContainText('saved on this phone, 6 readings')
  await expect(page.locator('.signal-line')).toContainText('No signal · 6 readings on this phone')
  await page.context().setOffline(false)
  await page.reload()
  await expect(async () => {
    const { visits } = (await (await page.context().request.get(`/api/v1/machines/${id}`)).json()) as {
      visits: { takenAt: string }[]
    }
    expect(visits.filter((s) => s.takenAt.startsWith('2026-11-25'))).toHaveLength(1)
  }).toPass({ timeout: 20_000 })
  await expect(page.locator('.signal-line').filter({ hasText: 'on this phone' })).toHaveCount(0)
})

test('a lost leg is level Stop with what to do', async ({ open }) => {
  const page = await open('okonjo')
  await page.goto(`/machines/${await machineId(page, 'EF-5/EF')}/visit`)
  await typeStop(page, ['478', '479', '477', '9.8', '0.2', '9.6'])
  await expect(page.locator('.part-judge')).toContainText('One leg is lost.')
  await expect(page.locator('.part-judge')).toContainText('Switch off at the source.')
})

test('a reading is corrected: the old one stays, struck out, with the reason', async ({ open }) => {
  const page = await open('okonjo')
  const id = await machineId(page, 'RTU-21/SF')
  await page.goto(`/machines/${id}`)
  await page.getByRole('region', { name: 'Visits' }).getByRole('link', { name: 'Correct' }).first().click()
  await expect(page.getByText('Correcting the visit of')).toBeVisible()
  await page.getByLabel('Amps, L2, A').fill('3.61')
  await page.getByRole('button', { name: 'Save correction' }).isDisabled()
  await page.getByLabel('Why it is corrected').fill('clamp not closed')
  await page.getByRole('button', { name: 'Save correction' }).click()
  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  const table = page.getByRole('region', { name: 'Visits' })
  await expect(table.getByText('Corrects an earlier visit: clamp not closed')).toBeVisible()
  await expect(table.locator('tr.visit-replaced')).toContainText('Corrected, no longer counts.')
  await expect(table.getByRole('row').filter({ hasText: 'clamp not closed' })).toContainText('3.61')
})

test('a viewer can look and not write', async ({ open }) => {
  const page = await open('arden')
  const id = await machineId(page, 'RTU-12/SF')
  await page.goto(`/machines/${id}`)
  await expect(page.getByRole('heading', { name: 'RTU-12 / SF' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take readings' })).toHaveCount(0)
  await page.goto(`/machines/${id}/visit`)
  await expect(page.getByText('You are signed in as a viewer.')).toBeVisible()
})

test('nothing is green before something is read, whatever the visit is for', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'AHU-2/SF')}/visit`)
  const phase = (name: RegExp) => page.getByRole('navigation', { name: 'Phases' }).getByRole('button', { name })
  await phase(/^Inspect/).click()
  await page.getByRole('button', { name: 'All live tests' }).click()
  await phase(/^Live/).click()
  await expect(page.getByText('Volts first, then amps. Enter goes to the next field.')).toBeVisible()
  await expect(page.locator('.visit-told.tone-ok')).toHaveCount(0)
  await phase(/^Results/).click()
  await expect(page.getByText('Nothing read yet.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Save visit' })).toBeDisabled()
})

test('what was not loaded before the signal was lost says so in its place, and comes with the signal', async ({
  open,
}) => {
  const page = await open('okonjo', phone)
  const missing = page.getByText(/There was no signal when it was asked for/)
  await page.goto('/calculators/voltage-unbalance')
  const cell = page.getByLabel('Line volts, L1-L2, V')
  await cell.fill('461')
  await page.context().setOffline(true)
  await page
    .getByRole('button', { name: /^How to/ })
    .first()
    .tap()
  await expect(missing).toBeVisible()
  await expect(cell).toHaveValue('461')
  await page.context().setOffline(false)
  await expect(page.getByRole('button', { name: 'Reload' }).first()).toBeVisible()
  await expect(cell).toHaveValue('461')
  await page.goto('/machines')
  await page.locator('.list-row').first().waitFor()
  await page.context().setOffline(true)
  await page.getByRole('link', { name: 'Stock' }).tap()
  await expect(missing).toBeVisible()
  await page.getByRole('link', { name: 'Machines' }).tap()
  await expect(page.locator('.list-row').first()).toBeVisible()
  await page.getByRole('link', { name: 'Stock' }).tap()
  await expect(missing).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.locator('.stock')).toBeVisible()
})

test('a visit that was opened with signal has all that it opens when the signal is gone', async ({ open }) => {
  const page = await open('okonjo', phone)
  const loaded = page.waitForResponse((r) => r.url().includes('how-to-lines'))
  await page.goto(`/machines/${await machineId(page, 'AHU-3/SF')}/visit`)
  const cell = page.locator('.cell-here input')
  await cell.fill('478')
  await loaded
  await page.context().setOffline(true)
  await page
    .getByRole('button', { name: /^How to/ })
    .first()
    .tap()
  await expect(page.getByText('Why this limit').first()).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(cell).toHaveValue('478')
})

test('a machine without the limits it is judged by says so, and nothing of how it stands', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.route('**/api/v1/policies', (route) => route.abort())
  await page.goto(`/machines/${await machineId(page, 'RTU-12/SF')}`)
  await expect(page.getByRole('heading', { name: 'No signal. This machine cannot be loaded.' })).toBeVisible()
  await expect(page.getByText('No visit yet')).toHaveCount(0)
  await page.unroute('**/api/v1/policies')
  await page.getByRole('button', { name: 'Retry' }).click()
  await expect(page.getByRole('heading', { name: 'RTU-12 / SF' })).toBeVisible()
  await expect(page.getByText('No visit yet')).toHaveCount(0)
})

test('a tag that is scanned without a signal is not said to be nobody’s', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto('/m/RTU-12/SF')
  await expect(page).toHaveURL(/\/machines\/.*\/visit$/)
  await page.route('**/api/v1/find?*', (route) => route.abort())
  await page.goto('/m/RTU-12/SF')
  await expect(page.getByRole('heading', { name: 'No signal. RTU-12/SF cannot be looked up.' })).toBeVisible()
  await expect(page.getByText('No machine')).toHaveCount(0)
  await page.unroute('**/api/v1/find?*')
  await page.getByRole('button', { name: 'Retry' }).click()
  await expect(page).toHaveURL(/\/machines\/.*\/visit$/)
})
