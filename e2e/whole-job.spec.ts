import { expect, type Page } from '@playwright/test'
import { choose as pick, doSteps, putPoint } from './job-steps.ts'
import { beforePower, check, choose, closeUp, phase, provenDead } from './walk-steps.ts'
import { machineId, phone, test } from './world.ts'

/** The clock of the phone goes on by seconds, as the server’s stands: what is read after the work is later than the work. */
const clockTo = (page: Page, iso: string) => page.clock.setFixedTime(new Date(iso))

/** Type figures one after another into the cells of the check that is open. */
async function typeIn(page: Page, values: readonly string[]): Promise<void> {
  for (const v of values) {
    await page.locator('.cell-here input').fill(v)
    await page.locator('.cell-here input').press('Enter')
  }
}

test('a finding is carried to its proof: quoted, approved by link, refused parts, a night, no signal, and the report', async ({
  open,
  browser,
  baseURL,
}) => {
  test.setTimeout(300_000)
  const page = await open('okonjo', phone)
  const id = await machineId(page, 'EF-6/EF')
  await page.goto(`/machines/${id}`)
  await page.getByRole('button', { name: 'Add finding' }).click()
  await page.getByRole('textbox', { name: 'Finding' }).fill('Motor growls, fan bearing slack on its shaft')
  await page.getByRole('button', { name: 'Fix', exact: true }).click()
  await page.getByRole('button', { name: 'Save finding' }).click()
  await page.getByRole('button', { name: 'Make a job' }).click()
  const kinds = page.getByRole('combobox', { name: 'What is to be done' })
  await pick(page, kinds, 'Replace a belt-drive motor')
  await pick(page, kinds, 'Replace shaft and bearings')
  await page.getByRole('button', { name: 'Save the job' }).click()

  // Priced and sent.
  const panel = page.getByRole('region', { name: 'Options and quote' })
  await panel.getByRole('button', { name: 'Enter options and prices' }).click()
  const form = panel.getByRole('form', { name: 'Options' })
  await form.getByRole('textbox', { name: /^What is wrong/ }).fill('Motor and fan bearings are worn out.')
  await form.getByRole('spinbutton', { name: 'Labor, $ an hour' }).fill('90')
  const option = form.getByRole('group', { name: 'Option 1' })
  await option.getByRole('spinbutton', { name: 'Hours on site' }).fill('10')
  await option.getByRole('spinbutton', { name: 'Hours without the fan' }).fill('20')
  await option.getByRole('spinbutton', { name: 'Lasts, years' }).fill('12')
  const prices = option.getByRole('spinbutton', { name: 'Each, $' })
  for (let i = (await prices.count()) - 1; i >= 0; i--) await prices.nth(i).fill('200')
  await form.getByRole('button', { name: 'Save the options' }).click()
  await panel.getByRole('button', { name: 'Send the quote' }).click()
  const send = panel.getByRole('form', { name: 'Send the quote' })
  await send.getByRole('textbox', { name: 'Who decides' }).fill('Runa Castellane')
  await send.getByRole('textbox', { name: /^E-mail/ }).fill('runa@example.org')
  await send.getByRole('button', { name: 'Send the quote' }).click()
  await expect(panel.getByRole('status')).toContainText('Written to runa@example.org')
  const link = new URL(await panel.getByRole('textbox', { name: 'Link to the quote' }).inputValue()).pathname
  const payer = await (
    await browser.newContext({ viewport: phone, ...(baseURL === undefined ? {} : { baseURL }) })
  ).newPage()
  await payer.goto(link)
  await payer
    .getByRole('button', { name: /^Approve: / })
    .first()
    .click()
  await expect(payer.getByRole('heading', { name: 'Approved. Thank you.' })).toBeVisible()
  await payer.context().close()
  await page.reload()
  await expect(page.getByRole('region', { name: 'Decisions' })).toContainText('Approved: Runa Castellane, link')

  // The motor that is offered does not fit: it is not bought.
  const fit = page.getByRole('region', { name: 'Will it fit' })
  await fit.getByRole('button', { name: 'Enter the new nameplate' }).click()
  await fit.getByRole('button', { name: /^Frame/ }).click()
  await page.keyboard.type('254T')
  await page.keyboard.press('Enter')
  await expect(fit.getByRole('status').first()).toContainText('Does not fit')
  await expect(fit).toContainText('The shaft sits higher')

  // Opened up where there is no signal, and left: locked, for another day.
  await page.waitForLoadState('networkidle')
  await page.context().setOffline(true)
  await clockTo(page, '2026-11-25T09:00:20Z')
  await doSteps(page, 'Take the sheave off')
  await page.getByRole('button', { name: 'Interrupt' }).click()
  await page.getByRole('textbox', { name: 'How it is left' }).fill('Locked, belts off, covered')
  await page.getByRole('tooltip').getByRole('button', { name: 'Interrupt' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Interrupted' })).toContainText('Locked, belts off')
  await page.context().setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect
    .poll(async () => {
      const { jobs } = (await (await page.request.get(`/api/v1/machines/${id}`)).json()) as {
        jobs: { steps: { kind: string }[] }[]
      }
      return jobs[0]?.steps.filter((s) => s.kind === 'paused').length
    })
    .toBe(1)

  // Somebody else goes on with it, proves it dead again, and measures.
  const second = await open('vale', phone)
  await second.goto(page.url())
  await expect(second.getByRole('status').filter({ hasText: 'Interrupted' })).toContainText('prove dead again')
  second.setDefaultTimeout(20_000)
  await clockTo(second, '2026-11-25T09:00:40Z')
  await second.getByRole('button', { name: 'Continue the job' }).click()
  await clockTo(second, '2026-11-25T09:00:50Z')
  await expect(second.getByRole('button', { name: /^Done: Tell the people/ })).toBeVisible()
  await doSteps(second, 'Take the sheave off')
  const steps = second.getByRole('region', { name: 'Steps' })
  const stepOf = (title: RegExp) => steps.getByRole('listitem').filter({ hasText: title }).first()
  const motor = stepOf(/^Check the new motor against/).getByRole('form', { name: 'Measure the parts' })
  const bearings = stepOf(/^Check the new shaft/).getByRole('form', { name: 'Measure the parts' })
  for (const point of ['Shaft of the new motor', 'Key width, 0 for a flat', 'Shaft height over the base'])
    await putPoint(motor, point, '1.125', '1.125')
  for (const point of ['Base holes across', 'Base holes along']) await putPoint(motor, point, '7.5', '7.5')
  await motor.getByRole('button', { name: 'Save: the parts fit' }).click()
  await putPoint(bearings, 'Shaft diameter', '1-3/16', '1-3/16')
  await putPoint(bearings, 'Bearing bore', '1-3/16', '1-1/4')
  await bearings.getByRole('button', { name: 'Save: it does not fit' }).click()
  await expect(stepOf(/^Check the new shaft/)).toContainText('The bore is not that of the shaft.')
  await second.getByText(/steps later$/).click()
  await expect(stepOf(/^Take the shaft out/)).toContainText('After: Check the new shaft')

  // The right ones came.
  await clockTo(second, '2026-11-25T09:01:00Z')
  await putPoint(bearings, 'Shaft diameter', '1-3/16', '1-3/16')
  await putPoint(bearings, 'Bearing bore', '1-3/16', '1-3/16')
  await putPoint(bearings, 'Shaft length', '30', '30')
  await putPoint(bearings, 'Key width, 0 for a flat', '1/4', '1/4')
  await putPoint(bearings, 'Bolt spacing of the bearings', '4.5', '4.5')
  const lock = bearings.getByRole('group', { name: 'Lock of the bearings' })
  for (const side of await lock.getByRole('button', { name: 'set screws' }).all()) await side.click()
  await bearings.getByRole('button', { name: 'Save: the parts fit' }).click()
  await expect(second.getByRole('form', { name: 'Measure the parts' })).toHaveCount(0)
  await second.waitForLoadState('networkidle')
  await second.context().setOffline(true)
  await doSteps(second, 'Take your lock off')
  await second.context().setOffline(false)
  await second.evaluate(() => window.dispatchEvent(new Event('online')))

  // It cannot end with the lock on.
  const proof = second.getByRole('region', { name: 'Proof' })
  await expect(proof.getByRole('alert')).toContainText('Your lock')
  await proof.getByRole('button', { name: 'Right', exact: true }).click()
  await expect(proof.getByRole('button', { name: 'Put back what is off first' })).toBeDisabled()
  await clockTo(second, '2026-11-25T09:01:20Z')
  await doSteps(second, null)

  // Proven by the same readings as before: the visit asks for those, and for what keeps people safe.
  await clockTo(second, '2026-11-25T09:01:40Z')
  await proof.getByRole('button', { name: 'Take the readings' }).click()
  await phase(second, 'Inspect')
  await choose(second, 'Turning', 'Right way')
  await choose(second, 'Settled', 'Yes')
  await provenDead(second)
  await check(second, 'Winding ohms')
  await typeIn(second, ['2.1', '2.11', '2.1', 'OL', 'OL', 'OL'])
  await check(second, 'Insulation$')
  await typeIn(second, ['800', '800', '800', '70'])
  await expect(second.getByRole('navigation', { name: 'Checks' })).not.toContainText('Bearings')
  await check(second, 'Belt tension')
  await typeIn(second, ['0.29', '3.6'])
  await beforePower(second)
  await check(second, 'Line-side volts')
  await typeIn(second, ['479', '478', '480'])
  await check(second, 'Rotation')
  await choose(second, 'It turned', 'Right way')
  await choose(second, 'By', 'Test mode')
  await choose(second, 'Seen from', 'Drive end')
  await phase(second, 'Live tests')
  await typeIn(second, ['479', '478', '480', '5', '5.1', '5'])
  await check(second, 'Volts and amps')
  await second.getByLabel(/Fan speed/).fill('915')
  await check(second, 'Vibration')
  await typeIn(second, ['0.05', '0.06', '0.04', '0.05', '0.05', '0.03'])
  await closeUp(second)
  await second.getByRole('button', { name: 'Save visit' }).click()
  await expect(second).not.toHaveURL(/\/visit(\?|$)/)

  // Nothing is missing: it ends as proven, and what was found is answered.
  await second.getByRole('link', { name: 'Motor growls, fan bearing slack on its shaft' }).first().click()
  await expect(proof.getByRole('status')).toContainText('Everything is done, restored and read again.')
  await proof.getByRole('button', { name: 'Right', exact: true }).click()
  await proof.getByRole('spinbutton', { name: 'Hours, of all hands' }).fill('18')
  await proof.getByRole('spinbutton', { name: 'Parts and access, $' }).fill('950')
  await proof.getByRole('button', { name: 'Close the job: proven' }).click()
  await expect(proof.getByRole('status')).toContainText(': proven. The expected cause was right.')
  await expect
    .poll(async () => {
      const { findings } = (await (await second.request.get(`/api/v1/machines/${id}`)).json()) as {
        findings: { state: string }[]
      }
      return findings.map((f) => f.state)
    })
    .toEqual(['closed'])
  const report = await second.request.get(
    (await proof.getByRole('link', { name: 'Report as PDF' }).getAttribute('href')) ?? '',
  )
  expect([report.status(), report.headers()['content-type']]).toEqual([200, 'application/pdf'])
})
