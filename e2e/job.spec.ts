import { expect, type Locator, type Page } from '@playwright/test'
import { desktop, machineId, phone, test } from './world.ts'

/** Tick steps in turn as the page offers them, until one it is told to stop at. */
async function doSteps(page: Page, until: string | null): Promise<void> {
  const steps = page.getByRole('region', { name: 'Steps' })
  for (;;) {
    const ready = steps.getByRole('button', { name: /^Done: / })
    const names = await ready.evaluateAll((list) => list.map((b) => b.getAttribute('aria-label') ?? ''))
    const next = names.find((n) => until === null || !n.includes(until))
    if (next === undefined) return
    const row = steps.getByRole('button', { name: next, exact: true })
    await row.click()
    await expect(row).toHaveCount(0)
  }
}
const choose = async (page: Page, field: Locator, words: string) => {
  await field.click()
  await page.locator('.ant-select-item-option').getByText(words, { exact: true }).click()
  await page.keyboard.press('Escape')
}

test('a finding becomes a job that is quoted, approved, done without a signal, proven and closed', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', phone)
  const id = await machineId(page, 'EF-16/EF')
  await page.goto(`/machines/${id}`)
  await page.getByRole('button', { name: 'Add finding' }).click()
  await page.getByRole('textbox', { name: 'Finding' }).fill('Contactor pitted, buzzes')
  await page.getByRole('button', { name: 'Fix', exact: true }).click()
  await page.getByRole('button', { name: 'Save finding' }).click()
  await page.getByRole('button', { name: 'Make a job' }).click()
  await choose(page, page.getByRole('combobox', { name: 'What is to be done' }), 'Replace a contactor or overload')
  await expect(page.getByRole('textbox', { name: 'Title' })).toHaveValue('Contactor pitted, buzzes')
  // A starter, sixteen steps and the small opening and closing: 136 minutes for one.
  await expect(page.getByRole('status')).toContainText('2 h 16 min from start to end, 2 h 6 min of work')
  await page.getByRole('button', { name: 'Save the job' }).click()
  await page.getByRole('button', { name: 'Record a decision' }).click()
  const form = page.getByRole('form', { name: 'A decision' })
  await form.getByRole('button', { name: 'Approved', exact: true }).click()
  await form.getByRole('textbox', { name: 'Who' }).fill('Runa Castellane')
  await form.getByRole('button', { name: 'Phone', exact: true }).click()
  await form.getByRole('button', { name: 'Save the decision' }).click()
  await expect(page.getByRole('region', { name: 'Decisions' })).toContainText('Approved: Runa Castellane, phone')

  await page.waitForLoadState('networkidle')
  await page.context().setOffline(true)
  // The old part cannot be cut out before the new one was checked: its step waits for that one.
  await doSteps(page, 'Check amps, poles, coil volts')
  await expect(page.getByRole('button', { name: /^Done: Take the old one out/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Interrupt' }).click()
  await page.getByRole('textbox', { name: 'How it is left' }).fill('Locked, panel closed')
  await page.getByRole('tooltip').getByRole('button', { name: 'Interrupt' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Interrupted' })).toContainText('Locked, panel closed')
  await page.getByRole('button', { name: 'Go on with it' }).click()
  // Another day: the lock is proven again before hands go back in.
  await expect(page.getByRole('button', { name: /^Done: Tell the people/ })).toBeVisible()
  await doSteps(page, 'Check amps, poles, coil volts')
  const check = page.getByRole('button', { name: /^Done: Check amps, poles/ })
  await check.click()
  await expect(check).toHaveCount(0)
  await doSteps(page, 'Take your lock off')
  await page.context().setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))

  const proof = page.getByRole('region', { name: 'Proof' })
  await expect(proof.getByRole('alert')).toContainText('Your lock')
  await doSteps(page, null)
  await expect(proof).toContainText('not read yet')
  // Without its proof it takes a reason.
  await proof.getByRole('button', { name: 'Right', exact: true }).click()
  await expect(proof.getByRole('button', { name: 'Enter why, to close it without its proof' })).toBeDisabled()
  await proof.getByRole('textbox', { name: 'Why it is closed without its proof' }).fill('Meter is at calibration')
  await proof.getByRole('button', { name: 'Close without its proof' }).click()
  await expect(proof.getByRole('status')).toContainText('without its proof: Meter is at calibration')
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/v1/machines/${id}`)
      const { jobs } = (await answer.json()) as { jobs: { steps: { kind: string }[] }[] }
      return jobs[0]?.steps.filter((s) => s.kind === 'closed').length
    })
    .toBe(1)
})

test('a job that was postponed comes back when what it watches has grown', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'EF-11/EF')}`)
  // It is the first of the list of all.
  await page.goto('/jobs')
  const first = page.getByRole('region', { name: 'All jobs' }).locator('.job-title').first()
  await expect(first).toHaveText('Replace the wheel: blade bent, vibration grows')
  await expect(page.getByText(/^Due again: vibration, peak/)).toBeVisible()
  await page.goto(`/machines/${await machineId(page, 'EF-11/EF')}`)
  const jobs = page.getByRole('region', { name: 'Jobs', exact: true })
  await expect(jobs.getByRole('alert')).toContainText(/Postponed, and due again\..* in\/s since it was postponed on/)
  await jobs.getByRole('link', { name: /Replace the wheel/ }).click()
  await expect(page.getByRole('alert').first()).toContainText('What it watches has grown.')
})

test('a permit to run it has limits, a name and an end of a week at most', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'FCU-1/SF')}`)
  await page
    .getByRole('region', { name: 'Jobs', exact: true })
    .getByRole('link', { name: /Capacitor/ })
    .click()
  await page.getByRole('button', { name: 'Give a temporary-run permit' }).click()
  const form = page.getByRole('form', { name: 'A permit' })
  await expect(form.getByRole('note')).toContainText('Never on a permit: live frame')
  await form.getByRole('textbox', { name: /^What is wrong/ }).fill('Wrong capacitor, runs warm.')
  await form.getByRole('textbox', { name: /^Limits/ }).fill('Shell below 160 °F.')
  await form.getByRole('textbox', { name: /^Accepted by/ }).fill('Runa Castellane')
  const day = async (label: RegExp, text: string) => {
    await form.getByRole('textbox', { name: label }).fill(text)
    await page.keyboard.press('Tab')
  }
  await day(/^Until/, 'Dec 20, 2026')
  await expect(form).toContainText('At most 7 days: enter an earlier date.')
  await day(/^Until/, 'Nov 28, 2026')
  await day(/^Next reading/, 'Nov 26, 2026')
  await form.getByRole('button', { name: 'Give the permit' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Runs on a permit until Nov 28' })).toBeVisible()
})

test('a motor that does not fit is refused before it is bought', async ({ open }) => {
  const page = await open('okonjo', desktop)
  await page.goto(`/machines/${await machineId(page, 'RTU-12/SF')}`)
  await page
    .getByRole('region', { name: 'Jobs' })
    .getByRole('link', { name: /Replace the motor/ })
    .click()
  const fit = page.getByRole('region', { name: 'Will it fit' })
  await fit.getByRole('button', { name: 'Enter the new nameplate' }).click()
  await fit.getByRole('button', { name: /^Volts/ }).click()
  await page.keyboard.type('575')
  await page.keyboard.press('Enter')
  await expect(fit.getByRole('status')).toContainText('Does not fit')
  await expect(fit).toContainText('No column for 480 V.')
  // Kept, though it is left.
  await page.reload()
  await expect(fit.getByRole('status')).toContainText('Does not fit')
})
