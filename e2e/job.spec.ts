import { expect } from '@playwright/test'
import { choose, doSteps, putPoint } from './job-steps.ts'
import { desktop, machineId, moveTo, phone, test } from './world.ts'

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
  // Whoever opens the machine meanwhile reads what is off.
  const job = new URL(page.url()).pathname
  await moveTo(page, `/machines/${id}`)
  await expect(
    page.getByText(/Now: controls held off, .*guards off\. Interrupted: Locked, panel closed\./),
  ).toBeVisible()
  await moveTo(page, job)
  await page.getByRole('button', { name: 'Continue the job' }).click()
  // Another day: the lock is proven again before hands go back in.
  await expect(page.getByRole('button', { name: /^Done: Tell the people/ })).toBeVisible()
  await doSteps(page, 'Check amps, poles, coil volts')
  const parts = page.getByRole('form', { name: 'Measure the parts' })
  for (const point of [
    'Coil',
    'Contacts',
    'Poles',
    'Overload, low end of its range',
    'Overload, high end of its range',
  ])
    for (const side of await parts.getByRole('group', { name: point, exact: true }).getByRole('textbox').all())
      await side.fill('24')
  await parts.getByRole('button', { name: 'Save: the parts fit' }).click()
  await expect(parts).toHaveCount(0)
  await doSteps(page, 'Take your lock off')
  await page.context().setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))

  const proof = page.getByRole('region', { name: 'Proof' })
  await expect(proof.getByRole('alert')).toContainText('Your lock')
  await doSteps(page, null)
  await expect(proof).toContainText('not read yet')
  // What was done is on record by itself: nobody enters it a second time.
  await expect
    .poll(async () => {
      const { work } = (await (await page.request.get(`/api/v1/machines/${id}`)).json()) as { work: { kind: string }[] }
      return work.filter((w) => w.kind === 'contactor-renewed').length
    })
    .toBe(1)
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

test('bearings of the wrong bore stop the cut; a stuck hub goes by its ladder; the right ones open it', async ({
  open,
}) => {
  test.slow()
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'AHU-2/RF')}`)
  await page
    .getByRole('region', { name: 'Jobs', exact: true })
    .getByRole('link', { name: /shaft and bearings/ })
    .click()
  const steps = page.getByRole('region', { name: 'Steps' })
  await expect(steps).toBeVisible()
  await doSteps(page, 'Take the sheave off')
  const parts = steps.getByRole('form', { name: 'Measure the parts' })
  const put = (point: string, old: string, now: string) => putPoint(parts, point, old, now)
  await put('Shaft diameter', '1-11/16', '1-11/16')
  await put('Bearing bore', '1-11/16', '1-7/16')
  await expect(parts.getByRole('group', { name: 'Bearing bore' }).getByRole('status')).toContainText('Does not fit.')
  // It is worth keeping before the rest is measured.
  await parts.getByRole('button', { name: 'Save: it does not fit' }).click()
  await expect(steps.getByRole('alert')).toContainText('Nothing is cut or pulled')
  await expect(steps).toContainText('Bearing bore: 1.688 in → 1.438 in. The bore is not that of the shaft.')
  await page.getByText(/steps later$/).click()
  await expect(steps.getByRole('listitem').filter({ hasText: 'Take the shaft out' }).first()).toContainText(
    'After: Check the new shaft',
  )
  // The sheave is stuck: cleaned without moving it, the oil is next.
  const hub = steps.getByRole('group').filter({ hasText: 'Stuck on its shaft' }).first()
  await hub.getByText('Stuck on its shaft').click()
  await hub.getByRole('spinbutton', { name: /^Saved if it comes free/ }).fill('480')
  await hub.getByRole('spinbutton', { name: /^Labor/ }).fill('90')
  await expect(hub.getByRole('status')).toContainText('Next: Sand the shaft')
  await hub.getByRole('button', { name: 'did not move' }).click()
  await hub.getByRole('button', { name: 'Record this try' }).click()
  await expect(hub).toContainText('Sand the shaft, dress burrs, clean the keyway: 8 min, did not move')
  await expect(hub.getByRole('status')).toContainText('Next: Oil both ends and wait')
  // The list of jobs says it.
  await page.goto('/jobs')
  await expect(page.getByText('A new part does not fit')).toBeVisible()
  await page.goBack()
  await page.clock.setFixedTime(new Date('2026-11-25T09:20:00Z'))
  // The right ones come: every point measured, and the cut is open.
  await put('Shaft diameter', '1-11/16', '1-11/16')
  await put('Bearing bore', '1-11/16', '1.6875')
  await put('Shaft length', '40', '40')
  await put('Key width, 0 for a flat', '3/8', '3/8')
  await put('Bolt spacing of the bearings', '5.5', '5.5')
  const lock = parts.getByRole('group', { name: 'Lock of the bearings' })
  for (const side of await lock.getByRole('button', { name: 'eccentric collar' }).all()) await side.click()
  await parts.getByRole('button', { name: 'Save: the parts fit' }).click()
  await expect(parts).toHaveCount(0)
  await doSteps(page, 'Load the shaft')
  await expect(steps.getByRole('button', { name: /^Done: Load the shaft/ })).toBeVisible()
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

test('an app that a job was opened on goes on without a signal: started anew, with the limits, readings too', async ({
  open,
}) => {
  const page = await open('okonjo', phone)
  const { jobs } = (await (await page.request.get('/api/v1/jobs')).json()) as {
    jobs: { id: string; machineId: string; state: string }[]
  }
  const job = jobs.find((j) => j.state === 'paused')
  // The session is asked for twice: by the page, and last of all that is kept for the job.
  let asked = 0
  const kept = page.waitForResponse((r) => r.url().endsWith('/api/v1/session') && ++asked === 2)
  await page.goto(`/machines/${job?.machineId ?? ''}/jobs/${job?.id ?? ''}`)
  await kept
  await page.locator('.job-steps').first().waitFor()
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  await page.context().setOffline(true)
  await page.reload()
  await expect(page.locator('.job-steps').first()).toBeVisible()
  await moveTo(page, `/machines/${job?.machineId ?? ''}/visit`)
  await expect(page.locator('.visit-cells').first()).toBeVisible()
})
