import { expect } from '@playwright/test'
import { test } from './world.ts'

test('a lead changes the overcurrent policy with a reason; every machine is judged by it, and the change is written down', async ({
  open,
}) => {
  const page = await open('vale')
  await page.goto('/machines?level=fix')
  await expect(page.getByText('AHU-2 / SF')).toBeVisible()
  await page.goto('/limits')
  await expect(page.getByRole('row', { name: /Voltage unbalance, do not run above/ })).toContainText('NEMA MG 1, 14.36')
  await page.getByRole('radio', { name: /^Service factor/ }).check()
  await expect(page.getByText(/\d of 6\d machines changes? level\./)).toBeVisible()
  await expect(page.locator('.effect')).toContainText('AHU-2 / SF')
  await page.getByLabel('Why').fill('cold spell')
  await page.getByRole('button', { name: 'Save and update all results' }).click()
  await expect(page.getByText('Tamsin Vale: cold spell')).toBeVisible()
  await page.goto('/machines?level=watch')
  await expect(page.getByText('AHU-2 / SF')).toBeVisible()
  await page.goto('/limits')
  await page.getByRole('radio', { name: /^Nameplate amps/ }).check()
  await expect(page.getByText(/\d of 6\d machines changes? level\./)).toBeVisible()
  await page.getByLabel('Why').fill('spring again')
  await page.getByRole('button', { name: 'Save and update all results' }).click()
  await expect(page.getByText('Tamsin Vale: spring again')).toBeVisible()
})

test('a limit out of its bounds gets its error beside it', async ({ open }) => {
  const page = await open('vale')
  await page.goto('/limits')
  await page.getByLabel('Own value: Current unbalance, fix above').fill('90 %')
  await expect(page.getByRole('alert')).toHaveText('between 5 % and 20 %')
})
