import { expect } from '@playwright/test'
import { desktop, fixedNow, machineId, phone, test } from './world.ts'

const minuteMs = 60_000
/** By the clock of the site, which is four hours behind UTC in November. */
const local = (t: number) => new Date(t - 4 * 60 * minuteMs).toISOString().slice(0, 16).replace('T', ' ')

/** Three days of a fan: amps in tenths, and its status, which drops out every four minutes on the last. */
function buildingFile(): string {
  const lines = ['Time,Reach EF13 Amps,Reach EF13 Sts']
  const end = fixedNow.getTime() - 10 * 60 * minuteMs
  for (let t = end - 3 * 24 * 60 * minuteMs; t < end; t += minuteMs) {
    const cycles = end - t < 10 * 60 * minuteMs
    const on = !cycles || Math.floor(t / minuteMs) % 4 !== 0
    lines.push(`${local(t)},${on ? 30 + (Math.floor(t / minuteMs) % 3) : 0},${on ? 'On' : 'Off'}`)
  }
  return lines.join('\r\n')
}

test('a building’s file is assigned, its unit questioned, sent again, and what it shows stands at the machine', async ({
  open,
}) => {
  const page = await open('vale', desktop)
  const id = await machineId(page, 'EF-13/EF')
  const text = buildingFile()
  const file = (name: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.goto('/live')
  const upload = page.getByRole('region', { name: 'Upload a file' })
  await upload.locator('input[type=file]').setInputFiles(file('reach.csv'))
  await expect(upload.getByRole('status')).toContainText('None of its columns belongs to a machine yet')

  const columns = page.getByRole('region', { name: 'Columns to assign' })
  const assign = async (name: string) => {
    await columns.getByRole('listitem').filter({ hasText: name }).getByRole('button', { name: 'Assign' }).click()
    const form = page.getByRole('group', { name: `Assign ${name}` })
    await form.getByRole('combobox', { name: 'Machine' }).fill('EF-13')
    await page.locator('.ant-select-item-option', { hasText: 'EF-13 / EF' }).first().click()
    return form
  }
  const amps = await assign('reach ef13 amps')
  await amps.getByRole('button', { name: 'Assign the column' }).click()
  // The nameplate says that these are no amperes.
  await expect(amps.getByRole('alert')).toContainText('Is it sent in 0.1 A')
  await amps.getByRole('combobox', { name: 'Sent in' }).click()
  await page.locator('.ant-select-item-option', { hasText: /^0\.1 A$/ }).click()
  await amps.getByRole('button', { name: 'Assign the column' }).click()
  await expect(amps).toHaveCount(0)
  const sts = await assign('reach ef13 sts')
  await sts.getByRole('button', { name: 'Assign the column' }).click()
  await expect(columns).toHaveCount(0)

  await upload.locator('input[type=file]').setInputFiles(file('reach again.csv'))
  await expect(upload.getByRole('status')).toContainText('8,640 values added')
  await upload.locator('input[type=file]').setInputFiles(file('reach once more.csv'))
  await expect(upload.getByRole('status')).toContainText('0 values added, 8,640 there already')

  await page.getByRole('link', { name: 'EF-13 / EF' }).first().click()
  await expect(page.getByRole('heading', { name: 'EF-13 / EF · Live data' })).toBeVisible()
  // It is ten hours since something came.
  await expect(page.getByText(/^Nothing came since Nov 24, 2026/)).toBeVisible()
  const noticed = page.getByRole('region', { name: 'Noticed' })
  await expect(noticed).toContainText('It short cycles: 15 starts in an hour')
  await expect(noticed.getByText('Fix')).toBeVisible()
  await expect(page.locator('canvas')).toHaveCount(2)
  await page.getByText('Day', { exact: true }).first().click()
  await expect(page.getByText('every minute')).toBeVisible()

  await page.goto(`/machines/${id}`)
  await expect(page.getByRole('region', { name: 'Results' })).toContainText('It short cycles')
  await page.goto('/machines?level=fix')
  await expect(page.getByText('EF-13 / EF')).toBeVisible()
})

test('off hours are entered, and a fan that runs in them is told; on a phone it is looked at and not changed', async ({
  open,
}) => {
  const page = await open('vale', desktop)
  const id = await machineId(page, 'AHU-3/SF')
  await page.goto(`/machines/${id}/live`)
  const off = page.getByRole('region', { name: 'Off hours' })
  await off.getByRole('button', { name: 'Add off hours' }).click()
  await off.getByLabel('From').fill('23:00')
  await off.getByLabel('To').fill('23:00')
  await off.getByRole('button', { name: 'Save off hours' }).click()
  await expect(off.getByRole('alert')).toHaveText('from and to are the same time')
  await off.getByLabel('To').fill('05:00')
  await off.getByLabel(/^At most, Hz/).fill('20')
  await off.getByRole('button', { name: 'Save off hours' }).click()
  await expect(off.getByRole('listitem')).toContainText(
    /^Mon to Fri, (11:00 PM to 5:00 AM|23:00 to 0?5:00) the next day: at most 20 Hz/,
  )
  await expect(page.getByRole('region', { name: 'Noticed' })).toContainText('faster than its night setback')
  await off.getByRole('button', { name: 'Remove' }).click()
  await expect(off).toContainText('None entered')

  const roof = await open('okonjo', phone)
  await roof.goto(`/machines/${id}/live`)
  await expect(roof.locator('canvas').first()).toBeVisible()
  await expect(roof.getByRole('button', { name: 'Add off hours' })).toHaveCount(0)
  await roof.goto('/live')
  await expect(roof.getByText('Only a lead can upload files and assign columns.')).toBeVisible()
})

test('while the clamp is on, the live sensor is beside it; a clamp that disagrees is told before it is taken off', async ({
  open,
}) => {
  const page = await open('okonjo', phone)
  const id = await machineId(page, 'AHU-3/SF')
  await page.goto(`/machines/${id}/visit`)
  const sensor = page.getByRole('status').filter({ hasText: /live sensor/i })
  await expect(sensor).toHaveText(/^Live sensor: [\d.]+ A, [\d.]+ Hz at /)
  const [amps = 0, hz = 0] = ((await sensor.textContent()) ?? '').match(/[\d.]+/g)?.map(Number) ?? []
  const type = async (each: number) => {
    for (const leg of ['L1', 'L2', 'L3'])
      await page.getByLabel(`Amps, motor leads, ${leg}, A`, { exact: true }).fill(each.toFixed(2))
    await page.getByLabel('Also, if read, Frequency, Hz', { exact: true }).fill(hz.toFixed(1))
  }
  await type(amps)
  await expect(sensor).toContainText('The clamp agrees.')
  await type(1.4 * amps)
  await expect(sensor).toHaveText(/^Clamp [\d.]+ A, live sensor .* Clamp again on the output leads/)
})
