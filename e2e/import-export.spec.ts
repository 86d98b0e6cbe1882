import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { test } from './world.ts'

interface Row {
  unitTag: string
  tag: string
  siteName: string
  level: string
  rail: { allowed: number; legs: { name: string; amps: number }[] }
  meanVolts: number
}

/** A year of readings, 10,000 rows: healthy machines as they are, three of them gone over the plate in the last week. */
async function sample(page: Page): Promise<{ csv: string; sick: string[] }> {
  const all = (
    (await (await page.context().request.get('/api/v1/machines?limit=500&level=ok')).json()) as { rows: Row[] }
  ).rows
  const rows = all.filter((r) => r.siteName === 'Lantern Reach Aquarium' && r.rail.legs.length === 3).slice(0, 10)
  const sick = rows.slice(0, 3)
  const lines = ['site,unit,machine,taken_at,quantity,position,value,unit_of_measure,by,settled,note']
  const visits = 160
  for (const r of rows)
    for (let i = 0; i < visits; i++) {
      const at = new Date(Date.parse('2026-11-25T06:00:00Z') - (visits - 1 - i) * 2 * 86_400_000).toISOString()
      const bad = sick.includes(r) && i === visits - 1
      const put = (quantity: string, position: string, value: number, unit: string) =>
        lines.push(
          [r.siteName, r.unitTag, r.tag, at, quantity, position, String(value), unit, 'Brin Hallow', 'yes', ''].join(
            ',',
          ),
        )
      for (const [k, p] of ['L1-L2', 'L2-L3', 'L3-L1'].entries())
        put('volts_ll', p, Math.round(r.meanVolts + ((i + k) % 3) - 1), 'V')
      for (const l of r.rail.legs)
        put(
          'amps',
          l.name,
          bad ? Math.round(r.rail.allowed * 109) / 100 : Math.round(l.amps * (100 + (i % 3) * 0.4)) / 100,
          'A',
        )
    }
  while (lines.length <= 10_000) {
    const r = rows[0]
    const at = new Date(Date.parse('2025-12-25T06:00:00Z') - lines.length * 3_600_000).toISOString()
    lines.push([r?.siteName, r?.unitTag, r?.tag, at, 'amps', 'L1', '9.1', 'A', '', '', ''].join(','))
  }
  return { csv: lines.join('\r\n'), sick: sick.map((r) => `${r.unitTag} / ${r.tag}`).sort() }
}

test('a lead imports 10,000 rows and finds the three machines that need a person; the same file twice adds nothing', async ({
  open,
}) => {
  // Tall enough that every row is drawn.
  const page = await open('vale', { width: 1280, height: 4000 })
  await page.goto('/machines?level=stop,fix')
  await expect(page.locator('.list-row').first()).toBeVisible()
  const before = await page.locator('.list-tag b').allTextContents()
  const { csv, sick } = await sample(page)
  await page.goto('/import-export')
  const file = { name: 'a-year.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) }
  await page.locator('input[type=file]').setInputFiles(file)
  await expect(page.getByRole('heading', { name: 'a-year.csv is ready to import' })).toBeVisible()
  await expect(page.getByText('10,000 readings would be added')).toBeVisible()
  await page.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'a-year.csv is imported' })).toBeVisible()
  await page.getByRole('link', { name: 'Show machines that need work' }).click()
  await page.goto('/machines?level=stop,fix')
  await expect(page.locator('.list-row').first()).toBeVisible()
  const after = await page.locator('.list-tag b').allTextContents()
  expect(after.filter((t) => !before.includes(t)).sort()).toEqual(sick)

  await page.goto('/import-export')
  await page.locator('input[type=file]').setInputFiles(file)
  await expect(page.getByText('0 readings would be added')).toBeVisible()
  await expect(page.getByText('10,000 readings already on record, unchanged')).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Drop a file here')).toBeVisible()
})

test('a file with errors names line and column and keeps nothing; dates without a zone are asked about', async ({
  open,
}) => {
  const page = await open('vale')
  await page.goto('/import-export')
  const head = 'site,unit,machine,taken_at,quantity,position,value,unit_of_measure'
  const send = (name: string, text: string) =>
    page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await send('faulty.csv', `${head}\nSlipway Workshop,AHU-7,SF,2026-11-20T10:00:00Z,amps,L1,nine,A`)
  await expect(page.getByRole('heading', { name: '1 error in faulty.csv' })).toBeVisible()
  await expect(page.getByRole('row', { name: '2 value "nine" is not a number' })).toBeVisible()
  await send('zoneless.csv', `${head}\nSlipway Workshop,AHU-7,SF,2026-07-20 10:00,amps,L1,9.1,A`)
  await expect(page.getByText('1 dates carry no time zone')).toBeVisible()
  await page.getByRole('button', { name: /^Use / }).click()
  await expect(page.getByRole('heading', { name: 'zoneless.csv is ready to import' })).toBeVisible()
})

test('machines and readings are exported as files', async ({ open }) => {
  const page = await open('vale')
  await page.goto('/import-export')
  const register = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Machine list (CSV)' }).click()
  const text = readFileSync(await (await register).path(), 'utf8')
  expect(text.split('\r\n')[0]).toMatch(/^site,site_zone,area/)
  expect(text).toContain('AHU-2')
  const whole = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Whole organization (JSON)' }).click()
  const organization = JSON.parse(readFileSync(await (await whole).path(), 'utf8')) as { format: string }
  expect(organization.format).toBe('motor-round-organization')
})
