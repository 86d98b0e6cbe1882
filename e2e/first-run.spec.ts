import { expect, test as base } from '@playwright/test'
import { builtServer, emptyBeside } from '../scripts/lib/demo-server.mjs'
import { desktop, expectUpright, fixedNow, phone } from './world.ts'

/** A server over an empty database, as `npm start -- --empty` runs it. */
const test = base.extend<object, { newcomer: { base: string; firstLead: string } }>({
  newcomer: [
    // eslint-disable-next-line no-empty-pattern -- a fixture names what it needs, and this one needs nothing
    async ({}, use) => {
      const url = await emptyBeside(process.env['E2E_DATABASE'] ?? '')
      const server = await builtServer({ url, env: { DEMO: 'no', CHECK_ANSWERS: 'yes' } })
      await use({ base: server.base, firstLead: server.firstLead ?? '' })
      await server.end()
    },
    { scope: 'worker' },
  ],
})

test('from an empty database to a judged machine: account, site, machine, nameplate, first visit on a phone', async ({
  browser,
  newcomer,
}) => {
  test.slow()
  const context = await browser.newContext({ viewport: desktop, baseURL: newcomer.base })
  const page = await context.newPage()
  await page.clock.setFixedTime(fixedNow)
  await page.goto(newcomer.firstLead)
  await page.getByLabel('Organization name').fill('Harbor Maintenance')
  await page.getByLabel('Your name').fill('Ada Brandt')
  await page.getByLabel('Sign-in name').fill('brandt')
  await page.getByLabel(/^Password/).fill('gravel teapot ninety fork')
  await page.getByRole('button', { name: 'Set password and sign in' }).click()

  // Its zone is that of the browser, and nothing has to be known of Olson's names.
  await expect(page.getByRole('heading', { name: 'Set up' })).toBeVisible()
  await expect(page.getByLabel('Site name')).toBeFocused()
  await page.keyboard.type('Harbor plant')
  await expect(page.locator('.first-run')).toContainText('America/Halifax')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Users' })).toBeVisible()
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Add a machine' }).click()

  // The one site is there; what is missing is said.
  await expect(page.getByText('Still needed: unit tag, area.')).toBeVisible()
  await page.getByLabel('Unit tag').fill('RTU-1')
  await page.getByLabel('Area').fill('Main roof')
  await page.getByLabel('Machine tag').fill('SF')
  await page.getByLabel('Serves').fill('Loading hall supply')
  await page.getByRole('button', { name: 'Add machine' }).click()

  // The nameplate as it is printed, by keys alone; closed in the middle of a field and opened again.
  await expect(page.getByLabel('Rated power, hp or kW')).toBeFocused()
  for (const text of ['10', '1755', '3', '60']) {
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
  }
  await page.keyboard.type('208-230/460')
  await page.reload()
  await expect(page.getByText('Continued from what was typed on this device and not saved.')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Volts as printed.*208-230\/460/ })).toBeVisible()
  await expect(page.getByLabel(/^Full-load amps as printed/)).toBeFocused()
  await page.keyboard.type('27.0-25.6/12.8')
  await page.keyboard.press('Enter')
  await page.keyboard.type('1.15')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Save nameplate' }).click()
  await page.waitForURL(/\/machines\/[0-9a-f-]{36}$/)
  await expect(page.getByText('Not judged').first()).toBeVisible()
  const machine = new URL(page.url()).pathname
  await expectUpright(page)

  // Up on the roof: three volts, three amps, turning seen.
  const up = await browser.newContext({
    viewport: phone,
    hasTouch: true,
    baseURL: newcomer.base,
    storageState: await context.storageState(),
  })
  const roof = await up.newPage()
  await roof.clock.setFixedTime(fixedNow)
  await roof.goto(machine)
  await roof.getByRole('link', { name: 'Take readings' }).first().click()
  await roof.locator('.cell-here input').and(roof.locator(':focus')).waitFor()
  for (const value of ['479', '478', '480', '11.9', '11.8', '12.0']) {
    await roof.keyboard.type(value)
    await roof.keyboard.press('Enter')
  }
  await roof.getByRole('group', { name: 'Turning' }).getByRole('button', { name: 'Right way' }).click()
  await roof.getByRole('button', { name: 'Save visit' }).click()
  await roof.waitForURL(`**${machine}`)
  await expect(
    roof.getByText('93 % of the nameplate, balanced, first reading. Insulation never read.').first(),
  ).toBeVisible()
  await expectUpright(roof)
  await page.goto('/machines')
  await expect(page.getByRole('row', { name: /RTU-1/ })).toContainText('OK')
  await up.close()
  await context.close()
})
