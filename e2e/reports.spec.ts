import { readFileSync } from 'node:fs'
import readXlsxFile from 'read-excel-file/node'
import { expect } from '@playwright/test'
import { test } from './world.ts'

test('the office reads a quarter, sees what waiting came to, and saves a table for a spreadsheet', async ({ open }) => {
  test.slow()
  const page = await open('vale')
  await page.goto('/machines')
  await page.getByRole('link', { name: 'Reports' }).click()
  await expect(page.getByRole('img', { name: 'Levels over time' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Work and money' })).toContainText('1job closed, 0 proven by readings')
  const postponed = page.getByRole('region', { name: 'Postponed work' })
  await expect(postponed).toContainText(/Replace the wheel.*vibration.*→.*\$/is)
  const saved = page.waitForEvent('download')
  await postponed.getByRole('button', { name: 'Save the table Postponed as XLSX' }).click()
  const file = await saved
  expect(file.suggestedFilename()).toBe('postponed.xlsx')
  const [sheet] = await readXlsxFile(readFileSync(await file.path()))
  expect(sheet?.data[0]).toEqual(['Job', 'Machine', 'Since', 'What grew', 'Waiting came to'])
  expect(sheet?.data[1]?.[0]).toMatch(/^Replace the wheel/)
  // All machines of a filter, not only those on the screen.
  await page.goto('/machines?level=stop')
  await page.getByRole('button', { name: 'Save as' }).hover()
  const all = page.waitForEvent('download')
  await page.getByRole('link', { name: 'CSV' }).click()
  const lines = readFileSync(await (await all).path(), 'utf8')
    .trim()
    .split('\r\n')
  const stops = (await (await page.request.get('/api/v1/machines?limit=1')).json()) as { counts: { stop: number } }
  expect(lines).toHaveLength(stops.counts.stop + 1)
})

test('a lead sets who gets the weekly digest, and reads it as it would go out', async ({ open }) => {
  const page = await open('vale')
  await page.goto('/reports')
  const digest = page.getByRole('region', { name: 'Weekly digest' })
  const field = digest.getByRole('combobox', { name: /^Who gets it/ })
  await field.fill('nobody')
  await field.press('Enter')
  await digest.getByRole('button', { name: 'Save' }).click()
  await expect(digest).toContainText('enter an e-mail address')
  // A backspace that follows a letter at once is taken for one that is held down, and takes no whole address.
  await expect(async () => {
    await field.press('Backspace')
    await expect(digest.getByText('nobody')).toHaveCount(0, { timeout: 500 })
  }).toPass()
  await field.fill('office@example.org')
  await field.press('Enter')
  await digest.getByRole('button', { name: 'Save' }).click()
  await expect(digest.getByRole('status')).toHaveText('Saved.')
  await digest.getByText('As it would go out now').click()
  await expect(digest).toContainText('May not run')
  await page.reload()
  await expect(digest).toContainText('office@example.org')
})
