import { expect, type Page } from '@playwright/test'
import { hearing } from './microphone.ts'
import { beforePower, check, choose, closeUp, lockOut, phase, provenDead, told, walk } from './walk-steps.ts'
import { pluckedSpan } from './plucked-span.ts'
import { connect, desktop, machineId, phone, saveRead, take, test } from './world.ts'

// Each walk has a machine of its own, so they go side by side.
test.describe.configure({ mode: 'parallel' })

/** Unfold what was read at the visit that was just saved; the page may still show the machine as it was before. */
const openSaved = (page: Page) =>
  page
    .getByRole('region', { name: 'Visits' })
    .getByRole('row', { name: /^Nov 25, 2026/ })
    .getByRole('button', { name: 'All readings' })
    .click()

test('healthy: the whole walk with the meter, every gate opens, and it is saved with how it was read', async ({
  open,
}) => {
  test.slow()
  const page = await open('okonjo', desktop)
  await walk(page, 'RTU-12/SF', 'Full electrical')
  await check(page, 'As found')
  await choose(page, 'It', 'Runs')
  await choose(page, 'Found', 'Closed')
  await phase(page, 'Dead tests')
  await expect(page.getByRole('region', { name: 'Gate' })).toContainText('Locked: prove de-energized first')
  await page.getByRole('button', { name: 'Enter what is missing' }).click()
  await lockOut(page)
  await connect(page, 'Healthy')
  await take(page, 8)
  await phase(page, 'Dead tests')
  await check(page, 'Winding ohms')
  await take(page, 6)
  await check(page, 'Winding ohms')
  await expect(told(page)).toContainText('balanced within')
  await check(page, 'Insulation$')
  await take(page, 4)
  await expect(page.locator('.part-judge')).toContainText('above 5.0 MΩ')
  await beforePower(page)
  await check(page, 'Line-side volts')
  await take(page, 3)
  await check(page, 'Rotation')
  await expect(
    page.getByRole('group', { name: 'Line side' }).getByRole('button', { name: 'L1 L2 L3' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await choose(page, 'It turned', 'Right way')
  await choose(page, 'By', 'Test mode')
  await choose(page, 'Seen from', 'Drive end')
  await phase(page, 'Live tests')
  await expect(page.getByRole('region', { name: 'Gate' })).toHaveCount(0)
  await take(page, 6)
  await closeUp(page)
  await saveRead(page)
  await expect(page).toHaveURL(/\/machines\/[0-9a-f-]+$/)
  const visits = (
    (await (await page.context().request.get(`/api/v1/machines/${await machineId(page, 'RTU-12/SF')}`)).json()) as {
      visits: { readings: { quantity: string; how?: string }[]; answers: Record<string, string> }[]
    }
  ).visits
  expect(visits[0]?.readings.filter((r) => r.quantity === 'amps').map((r) => r.how)).toEqual([
    'meter',
    'meter',
    'meter',
  ])
  expect(visits[0]?.answers).toMatchObject({ scope: 'full', 'lock.number': '17', 'leave.call': 'yes' })
  await openSaved(page)
  await expect(page.getByText('Lock or tag number')).toBeVisible()
})

test('a lost leg that hums: stop, switch off at the source', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', desktop)
  await walk(page, 'EF-6/EF', 'All live tests')
  await check(page, 'As found')
  await choose(page, 'It', 'Hums, does not turn')
  await expect(told(page)).toContainText('Hums and does not turn')
  await phase(page, 'Live tests')
  await connect(page, 'A leg lost ahead of the starter')
  await take(page, 6)
  await expect(page.locator('.part-judge')).toContainText('One leg is lost.')
  await expect(page.locator('.part-judge')).toContainText('Switch off at the source.')
})

test('winding open with no ground: the ohms condemn it, the power stays off', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', phone)
  await walk(page, 'EF-8/EF', 'Full electrical')
  await lockOut(page)
  await connect(page, 'Winding open, nothing to ground')
  await take(page, 8)
  await phase(page, 'Dead tests')
  await check(page, 'Winding ohms')
  await take(page, 6)
  await check(page, 'Winding ohms')
  await expect(told(page)).toContainText('open at T1')
  await expect(told(page)).toContainText('Nothing to ground.')
  await beforePower(page)
  await check(page, 'Line-side volts')
  await expect(page.getByRole('region', { name: 'Gate' })).toContainText('open at T1')
  await expect(page.getByRole('button', { name: 'Override' })).toHaveCount(0)
})

test('winding to ground behind a tripped breaker: it is not closed, by nobody', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', desktop)
  await walk(page, 'EF-22/EF', 'Full electrical')
  await check(page, 'As found')
  await choose(page, 'Found', 'Tripped')
  await expect(told(page)).toContainText('It opened for a reason')
  await expect(told(page)).toContainText('Do not close it.')
  await beforePower(page)
  await check(page, 'Line-side volts')
  await expect(page.getByRole('region', { name: 'Gate' })).toContainText(
    'every winding pair and every lead to ground tested before it is closed',
  )
  await lockOut(page)
  await connect(page, 'Winding to ground, breaker tripped')
  await take(page, 8)
  await phase(page, 'Dead tests')
  await check(page, 'Winding ohms')
  await take(page, 6)
  await check(page, 'Winding ohms')
  await expect(page.locator('.part-judge')).toContainText('the winding is to ground')
  await expect(page.locator('.part-judge')).toContainText('Do not close any breaker on it.')
  await beforePower(page)
  await check(page, 'Line-side volts')
  await expect(page.getByRole('region', { name: 'Gate' }).getByRole('alert')).toContainText('T2')
  await expect(page.getByRole('button', { name: 'Override' })).toHaveCount(0)
})

test('half-dead motor on one leg and the ground wire with the contactor open', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', desktop)
  await walk(page, 'EF-25/EF', 'All live tests')
  await check(page, 'As found')
  await choose(page, 'It', 'Turns though off')
  await check(page, 'Grounding conductor')
  await connect(page, 'Runs on one leg and the ground wire')
  await take(page, 2)
  // The lines one by one are asked for only where somebody wants them.
  await phase(page, 'Inspect')
  await check(page, 'Grounding conductor')
  await page.getByLabel('Fan off, each line, L1, A').focus()
  await take(page, 1)
  const judge = page.locator('.part-judge')
  await expect(judge).toContainText('A winding or a wire is grounded to the frame.')
  await expect(judge).toContainText('the cabinet becomes live')
  await expect(judge).toContainText('half the motor runs on that leg and the ground wire')
  await expect(judge).toContainText('Isolate at the source')
})

test('a transformer a quarter high on two pairs: everything on it off, Live stays shut', async ({ open }) => {
  test.slow()
  const page = await open('vale', desktop)
  const id = await machineId(page, 'RTU-41/SF')
  await page.goto(`/machines/${id}/edit`)
  await page.getByLabel('Power transformer, V in').fill('480')
  await page.getByLabel('V out', { exact: true }).fill('208')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  await walk(page, 'RTU-41/SF', 'Full electrical')
  await beforePower(page)
  await check(page, 'Line-side volts')
  await connect(page, 'Transformer a quarter high on two pairs')
  await take(page, 3)
  await check(page, 'Power transformer')
  await take(page, 6)
  const judge = page.locator('.part-judge')
  await expect(judge).toContainText('This supply damages everything on it')
  await expect(judge).toContainText('A winding or its neutral is open')
  await expect(judge).toContainText('Shut off everything')
  await phase(page, 'Live tests')
  await expect(page.getByRole('region', { name: 'Gate' }).getByRole('alert')).toContainText('unbalance')
})

test('a half-pulled disconnect keeps Dead shut and says which leg and why', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', phone)
  await walk(page, 'EF-5/EF', 'Full electrical')
  await lockOut(page)
  await connect(page, 'Disconnect half pulled')
  await take(page, 8)
  await phase(page, 'Dead tests')
  const gate = page.getByRole('region', { name: 'Gate' })
  await expect(gate.getByRole('alert')).toContainText('feeds the others through the winding')
  await expect(page.getByRole('button', { name: 'Override' })).toHaveCount(0)
})

test('a gate is passed by name and reason, and that stays in the record', async ({ open }) => {
  const page = await open('okonjo', desktop)
  const id = await machineId(page, 'EF-21/EF')
  await walk(page, 'EF-21/EF', 'Dead tests')
  await phase(page, 'Dead tests')
  await page.getByRole('button', { name: 'Override' }).click()
  await expect(page.getByText('Your name, Mosi Okonjo, and the reason stay in the record')).toBeVisible()
  await page.getByLabel('Reason').fill('proved by the electrician, his lock 4 is on')
  await page.getByRole('button', { name: 'Override' }).click()
  await check(page, 'Winding ohms')
  for (const v of ['3.1', '3.12', '3.11', 'OL', 'OL', 'OL']) {
    await page.locator('.cell-here input').fill(v)
    await page.locator('.cell-here input').press('Enter')
  }
  await expect(page.locator('.part-judge')).toContainText('Mosi Okonjo went on: proved by the electrician')
  // What was opened is entered as back, or somebody answers for it, before it is saved.
  await page.getByRole('button', { name: 'Save visit' }).click()
  const unsaved = page.getByRole('region', { name: 'Before saving' })
  await expect(unsaved).toContainText('Lifted wires and plugs back on')
  await unsaved.getByRole('button', { name: 'Override' }).click()
  await unsaved.getByLabel('Reason').fill('left to the electrician')
  await unsaved.getByRole('button', { name: 'Override' }).click()
  await page.getByRole('button', { name: 'Save visit' }).click()
  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  await openSaved(page)
  await expect(page.getByText('Override: dead')).toBeVisible()
})

test('a winding that wanders is taken as unsteady and judged as bad as open', async ({ open }) => {
  test.slow()
  const page = await open('okonjo', desktop)
  await walk(page, 'EF-27/EF', 'Dead tests')
  await lockOut(page)
  await connect(page, 'A lug that makes and breaks')
  await take(page, 8)
  await phase(page, 'Dead tests')
  await check(page, 'Winding ohms')
  await take(page, 1)
  for (const pair of ['T2-T3', 'T3-T1']) {
    const cell = page.getByLabel(`Pair to pair, ${pair}, Ω`)
    await expect(cell).toBeFocused()
    await page.getByRole('button', { name: /^Take .* unsteady/ }).click()
    await expect(cell).not.toHaveValue('')
    await cell.press('Enter')
    // What wanders may come to what the pair before read: that is asked about, and confirmed.
    const yes = page.getByRole('button', { name: 'Yes, correct' })
    if (await yes.isVisible()) await yes.click()
  }
  await expect(page.locator('.part-judge')).toContainText('An unsteady reading is as bad as an open circuit.')
})

test('the insulation clock asks for its points and draws the curve', async ({ open }) => {
  const page = await open('okonjo', desktop)
  await walk(page, 'EF-23/EF', 'Dead tests')
  await lockOut(page)
  for (const v of ['402', '0', '0.1', '0', '0.2', '0', '0.1', '402']) {
    await page.locator('.cell-here input').fill(v)
    await page.locator('.cell-here input').press('Enter')
  }
  await phase(page, 'Dead tests')
  await check(page, 'Insulation over time')
  await expect(page.locator('.insulation-clock')).toContainText('500 V direct')
  await page.getByRole('button', { name: 'Test voltage is on: start the timer' }).click()
  const start = new Date('2026-11-25T09:00:00Z').getTime()
  for (const [seconds, label, value] of [
    [16, '15 s', '180'],
    [31, '30 s', '240'],
    [61, '1 min', '310'],
    [601, '10 min', '780'],
  ] as const) {
    await page.clock.setFixedTime(new Date(start + seconds * 1000))
    await expect(page.getByLabel(`Megohms at, ${label}, MΩ`)).toBeFocused()
    await page.keyboard.type(value)
  }
  await expect(page.getByRole('timer')).toHaveText('10:01')
  await expect(told(page)).toContainText('DAR 1.29, PI 2.52')
  await expect(page.getByRole('img', { name: /Insulation over time: 180 MΩ at 15 s/ })).toBeVisible()
})

test('drive and bearings: by hand and by meter, behind the Dead gate, kept and shown on the machine', async ({
  open,
}) => {
  test.slow()
  const page = await open('okonjo', phone)
  const id = await machineId(page, 'AHU-2/SF')
  await walk(page, 'AHU-2/SF', 'Drive and bearings')
  await phase(page, 'Dead tests')
  await expect(page.getByRole('region', { name: 'Gate' })).toContainText('Locked: prove de-energized first')
  await provenDead(page)
  await check(page, 'Belts and sheaves')
  await choose(page, 'Tension', 'Too tight')
  await expect(told(page)).toContainText('one eighth of the bearing life')
  await check(page, 'Bearings and shaft')
  await choose(page, 'Drive end', 'Growls')
  // What was locked out goes through Power up, whatever the visit was meant to be; line-side volts come before the bump.
  await beforePower(page)
  await check(page, 'Rotation')
  await page.getByRole('button', { name: 'Read line-side volts' }).click()
  await connect(page, 'Healthy')
  await take(page, 3)
  await check(page, 'Rotation')
  await choose(page, 'It turned', 'Right way')
  await phase(page, 'Live tests')
  await check(page, 'Vibration')
  await take(page, 6)
  await check(page, 'Vibration')
  await expect(told(page)).toContainText(/0\.1\d in\/s peak at (DE|ODE)-[HV]: within/)
  await closeUp(page)
  await saveRead(page)
  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  await expect(page.getByText('The drive-end bearing growls.').first()).toBeVisible()
})

test('the note of a span is heard by the microphone and judged as tension', async ({ baseURL }) => {
  test.slow()
  await hearing(pluckedSpan(33), baseURL, async (page) => {
    await walk(page, 'AHU-2/SF', 'Drive and bearings')
    await provenDead(page)
    await check(page, 'Belt tension')
    const listen = page.getByRole('group', { name: 'Listen to the span' })
    // A busy machine may drop a little of the sound: then it is listened to again, as anyone would.
    await expect(async () => {
      await listen.getByRole('button', { name: /^Listen/ }).click()
      await expect(listen).toContainText(/: taken\.$|: taken\.Listen/, { timeout: 25_000 })
      await expect(page.getByLabel('Its note')).toHaveValue('33', { timeout: 1000 })
    }).toPass({ timeout: 90_000 })
    await expect(told(page)).toContainText(/33 Hz on this span: \d+\.\d lbf a belt/)
  })
})
