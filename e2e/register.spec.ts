import { expect } from '@playwright/test'
import { typePlate } from './plate.ts'
import { machineId, test, typeStop } from './world.ts'

test('a machine is added with its place and its nameplate; an impossible nameplate is asked about, not blocked', async ({
  open,
}) => {
  const page = await open('vale')
  await page.goto('/machines/new')
  await page.getByLabel('Site', { exact: true }).fill('Tern Point Depot')
  await page.getByLabel('Unit tag').fill('RTU-61')
  await page.getByLabel('Area', { exact: true }).fill('Depot roof')
  await page.getByLabel('Serves').fill('Depot supply')
  await page.getByRole('button', { name: 'Add machine' }).click()
  await expect(page.getByRole('heading', { name: 'Motor nameplate of RTU-61 / SF' })).toBeVisible()
  await typePlate(page, {
    'Rated power': '3.25',
    'Full-load speed': '1750',
    'Volts as printed': '230/460',
    'Full-load amps': '4.8/2.4',
  })
  await expect(page.getByText(/4\.8 A at 230 V carries 1\.91 kVA, too little for 3\.25 hp/)).toBeVisible()
  await page.getByRole('button', { name: 'Save nameplate' }).click()
  await expect(page.getByRole('heading', { name: 'RTU-61 / SF' })).toBeVisible()
  await expect(page.getByText('No visit yet')).toBeVisible()
  await expect(page.locator('.plate u').first()).toHaveText('460')
  // It was a misread 1.25: mended in place on the plate.
  await typePlate(page, { 'Rated power': '1-1/2' })
  await expect(page.getByText('Check:')).toHaveCount(0)
  await page.getByRole('button', { name: 'Save nameplate' }).click()
  await expect(page.getByRole('button', { name: 'Save nameplate' })).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('button', { name: /^Rated power.*1\.5/ })).toBeVisible()
})

test('a motor is replaced: the old one is kept, the new nameplate is the limit from that day', async ({ open }) => {
  const page = await open('okonjo')
  const id = await machineId(page, 'EF-6/EF')
  await page.goto(`/machines/${id}`)
  await page.getByRole('button', { name: 'Replace the motor' }).click()
  await expect(page.getByRole('heading', { name: 'Replace the motor of EF-6 / EF' })).toBeVisible()
  await typePlate(page, {
    'Rated power': '3',
    'Full-load speed': '1750',
    'Volts as printed': '208-230/460',
    'Full-load amps': '8.9-8.4/4.2',
    'Service factor ?:': '1.15',
  })
  await page.getByLabel('Installed').fill('2026-11-25T04:00')
  await page.getByLabel('Installed').press('Enter')
  await page.getByLabel('What was wrong with the old one').fill('winding to ground')
  await page.getByRole('switch', { name: 'Temporary substitute' }).click()
  await page.getByRole('button', { name: 'Save replacement' }).click()
  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  await expect(page.getByText(/winding to ground/).first()).toBeVisible()
  await expect(page.getByText(/^temporary substitute, installed Nov 25/)).toBeVisible()
  await expect(page.getByText(/^Amps not read since the /)).toBeVisible()
  await page.getByRole('button', { name: 'Take readings' }).click()
  await typeStop(page, ['478', '479', '477', '4.5', '4.4', '4.6'])
  await expect(page.locator('.part-judge')).toContainText(
    '110 % of the 460 V nameplate on all three legs: 4.6 of 4.2 A.',
  )
})

test('a stale edit says what changed, and nothing typed is lost', async ({ open }) => {
  const mine = await open('okonjo')
  const theirs = await open('vale')
  const id = await machineId(mine, 'AHU-8/SF')
  for (const page of [mine, theirs]) await page.goto(`/machines/${id}/edit`)
  await mine.getByLabel('Serves').fill('Drying hall, upper')
  await theirs.getByLabel('Serves').fill('Drying hall, lower')
  await theirs.getByRole('button', { name: 'Save' }).click()
  await expect(theirs).toHaveURL(new RegExp(`/machines/${id}$`))
  await mine.getByRole('button', { name: 'Save' }).click()
  const told = mine.getByRole('alert')
  await expect(told).toContainText('Tamsin Vale changed this machine in the meantime.')
  await expect(told.getByRole('row', { name: /Serves/ })).toContainText('Drying hall, upper')
  await expect(told.getByRole('row', { name: /Serves/ })).toContainText('Drying hall, lower')
  await expect(mine.getByLabel('Serves')).toHaveValue('Drying hall, upper')
  await mine.getByRole('button', { name: 'Keep mine' }).click()
  await expect(mine).toHaveURL(new RegExp(`/machines/${id}$`))
  await expect(mine.getByText('Drying hall, upper')).toBeVisible()
})

test('a stale nameplate edit shows both', async ({ open }) => {
  const mine = await open('okonjo')
  const theirs = await open('vale')
  const id = await machineId(mine, 'EF-26/EF')
  for (const page of [mine, theirs]) await page.goto(`/machines/${id}`)
  await typePlate(mine, { Frame: '80M' })
  await typePlate(theirs, { Frame: '80L' })
  await theirs.getByRole('button', { name: 'Save nameplate' }).click()
  await expect(theirs.getByRole('button', { name: 'Save nameplate' })).toHaveCount(0)
  await mine.getByRole('button', { name: 'Save nameplate' }).click()
  const told = mine.getByRole('alert')
  await expect(told).toContainText('Tamsin Vale changed this motor in the meantime.')
  await expect(told.getByRole('row', { name: /Frame/ })).toContainText('80M')
  await expect(told.getByRole('row', { name: /Frame/ })).toContainText('80L')
  await told.getByRole('button', { name: 'Keep theirs' }).click()
  await expect(mine.getByRole('button', { name: /^Frame: 80L/ })).toBeVisible()
})

test('work is recorded and starts a new baseline; the machine retires and comes back', async ({ open }) => {
  const page = await open('vale')
  const id = await machineId(page, 'EF-11/EF')
  await page.goto(`/machines/${id}`)
  await page.getByRole('button', { name: 'Record work' }).click()
  await expect(page.getByText('This starts a new baseline')).toBeVisible()
  await page.getByLabel('Notes').fill('half an inch of slack')
  await page.getByRole('button', { name: 'Save work' }).click()
  await expect(page.getByText('belt tensioning: half an inch of slack')).toBeVisible()
  await expect(page.getByText(/^Amps not read since the /)).toBeVisible()
  await page.getByRole('button', { name: 'Edit', exact: true }).click()
  await page.getByLabel('Why').fill('hall closed for the winter')
  await page.getByRole('button', { name: 'Retire machine' }).click()
  await expect(page).toHaveURL(/\/machines/)
  await page.goto(`/machines/${id}/edit`)
  await page.getByLabel('Why').fill('reopened')
  await page.getByRole('button', { name: 'Return to service' }).click()
  await expect(page).toHaveURL(new RegExp(`/machines/${id}$`))
  await page.getByRole('button', { name: 'Show', exact: true }).click()
  await expect(page.getByText('machine back in service: reopened')).toBeVisible()
})
