import { expect, type Page } from '@playwright/test'
import { connect, desktop, expectUpright, fixedNow, machineId, phone, saveRead, take, test } from './world.ts'

const section = (page: Page, name: string) =>
  page.locator('.sheet').filter({ has: page.getByRole('heading', { name, exact: true }) })

test('an over-amped fan: the speed change says half a turn, it is done, tensioned, measured and proven', async ({
  open,
}) => {
  test.slow()
  const page = await open('okonjo', desktop)
  const id = await machineId(page, 'AHU-2/SF')
  await page.goto(`/machines/${id}`)
  await expect(page.locator('.machine-says')).toContainText(/10\d % of the 460 V nameplate/)
  await expect(page.locator('.calc-line')).toContainText(/open the motor sheave ½ turn, to 3 open: 1[12]\.\d A/)
  await page.locator('.calc-line').getByRole('link', { name: 'Speed change' }).click()

  const does = page.getByRole('region', { name: 'Effect' })
  await expect(does.getByRole('heading')).toHaveText('Open the motor sheave ½ turn, to 3 open')
  await expect(does.getByRole('row', { name: /Motor base/ })).toContainText('away from the fan')
  await expect(section(page, 'Earlier changes here')).toContainText(/from 3½ turns to 2½ turns open/)
  await expect(section(page, 'Accuracy of predictions')).toContainText(/Of \d+ changes \d+ were inside/)
  // What may not be done is named, and is not planned so.
  const ways = page.getByRole('list', { name: 'Options' })
  await page.getByRole('button', { name: /^All \d+, with those not allowed/ }).click()
  await ways.getByRole('button', { name: /Close the motor sheave ½ turn/ }).click()
  await expect(does).toContainText('Over the nameplate: 13')
  await expect(page.getByRole('button', { name: 'Plan this work' })).toBeDisabled()
  await ways.getByRole('button', { name: /Open the motor sheave ½ turn/ }).click()
  await page.getByRole('button', { name: 'Plan this work' }).click()

  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  const bench = section(page, 'Planned speed changes')
  await expect(bench).toContainText('Motor sheave 3 turns open')
  await bench.getByRole('button', { name: 'Mark done' }).click()
  await expect(bench).toContainText('take readings')
  await expect(page.getByRole('img', { name: /^Belt drive/ })).toHaveAttribute('aria-label', /3 turns open/)

  // Tensioned a little later, then read.
  await page.clock.setFixedTime(new Date(fixedNow.getTime() + 20 * 60_000))
  await page.getByRole('button', { name: 'Record work' }).click()
  await page.getByRole('button', { name: 'Save work' }).click()
  await expect(page.locator('.work-entry').first()).toContainText('belt tensioning')
  await page.clock.setFixedTime(new Date(fixedNow.getTime() + 40 * 60_000))
  await bench.getByRole('link', { name: 'Take readings to confirm it' }).click()
  await connect(page, 'As recorded, with changes since')
  await take(page, 6)
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: /^Results/ })
    .click()
  await saveRead(page)

  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  await expect(bench).toContainText(/1[12]\.\d A as predicted, [+−]?\d\.\d %/)
  await expect(page.locator('.machine-says')).not.toContainText('of the 460 V nameplate on')
  await expect(page.locator('.work-entry').filter({ hasText: 'to 3 turns open' })).toContainText(/12\.\d → 1[12]\.\d A/)
  await page.goto(`/speed-change?machine=${id}`)
  await page.getByText('All of them').click()
  await expect(page.locator('.speed-record')).toContainText('AHU-2 / SF')
})

test('a speed change without a machine, on a phone', async ({ open }) => {
  const page = await open('arden', phone)
  await page.goto('/speed-change')
  await page.getByLabel('Motor sheave, pitch, closed').fill('5')
  await page.getByRole('group', { name: 'Goal' }).getByRole('button', { name: 'Fan speed' }).click()
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('760')
  await expect(page.getByRole('region', { name: 'Effect' }).getByRole('heading')).toContainText('motor sheave')
  await expect(page.getByRole('button', { name: 'Plan this work' })).toHaveCount(0)
  await page.getByRole('textbox', { name: 'To', exact: true }).fill('much')
  await expect(page.getByText('“much” is not a number')).toBeVisible()
  await expectUpright(page)
})

test('parts are installed in the drive train and the drawing follows', async ({ open }) => {
  const page = await open('okonjo', desktop)
  const id = await machineId(page, 'AHU-1/RF')
  await page.goto(`/machines/${id}/drive`)
  const sheave = page.getByRole('region', { name: 'Fan sheave' })
  await sheave.getByRole('button', { name: 'Replace' }).click()
  await sheave.getByRole('textbox', { name: /^Diameter/ }).fill('14')
  await sheave.getByLabel('What was wrong with the old one').fill('dished groove')
  await sheave.getByRole('button', { name: 'Save replacement' }).click()
  await expect(sheave).toContainText('14 in pitch')
  await expect(sheave).toContainText('dished groove')
  await expect(page.getByRole('img', { name: /^Belt drive/ })).toHaveAttribute('aria-label', /; 14 in;/)
  await page.getByRole('button', { name: 'Center distance, base, rotation' }).click()
  const form = page.getByRole('form', { name: 'Drive layout' })
  await form.getByLabel('Center distance').fill('eighteen')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form.getByRole('alert').first()).toBeVisible()
  await form.getByLabel('Center distance').fill('18')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toHaveCount(0)
})
