import { expect } from '@playwright/test'
import { expectUpright, machineId, phone, test } from './world.ts'

test('a calculator is filled from a machine, answers each key, and names what is wrong', async ({ open }) => {
  const page = await open('arden')
  await page.goto(`/machines/${await machineId(page, 'EF-16/EF')}`)
  await page.getByRole('link', { name: 'Open in calculators' }).click()
  await expect(page.getByText('Filled in from')).toContainText('EF-16 / EF')
  await page.getByRole('link', { name: 'Voltage unbalance and derating' }).click()
  const result = page.getByRole('region', { name: 'Result' })
  await expect(result).toContainText(/Unbalance by NEMA\s*[23]\.\d+ %/)
  await expect(page.locator('canvas')).toBeVisible()
  // NEMA MG 1, 14.36.2: 460, 467, 450 V are 1.96 % unbalanced.
  for (const [leg, v] of [
    ['L1-L2', '460'],
    ['L2-L3', '467'],
    ['L3-L1', '450'],
  ] as const)
    await page.getByLabel(`Line volts, ${leg}, V`).fill(v)
  await expect(result).toContainText('1.961 %')
  await page.getByLabel('Line volts, L1-L2, V').fill('4x0')
  await expect(page.getByRole('alert')).toBeVisible()
  await expect(result).toContainText('Correct the marked fields.')
})

test('every calculator has a page with its formula and source, and its worked example runs, on a phone', async ({
  open,
}) => {
  test.setTimeout(120_000)
  const page = await open('okonjo', phone)
  await page.goto('/calculators')
  await page.getByRole('heading', { name: 'Calculators', exact: true }).waitFor()
  const links = await page.locator('.calc-index a').evaluateAll((all) => all.map((a) => a.getAttribute('href') ?? ''))
  expect(links.length).toBeGreaterThan(20)
  for (const href of links) {
    await page.locator(`.calc-index a[href="${href}"]`).click()
    await page.getByRole('button', { name: 'Worked example' }).click()
    await expect(page.locator('.calc-out')).toBeVisible()
    await expect(page.locator('.calc-formula')).not.toHaveText('')
    await expectUpright(page)
    await page.goBack()
  }
})
