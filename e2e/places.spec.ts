import { expect } from '@playwright/test'
import { test } from './world.ts'

test('a site and a unit are renamed where they stand; a taken tag gets its error beside the field', async ({
  open,
}) => {
  const page = await open('vale')
  await page.goto('/places')
  const unit = page.locator('.place-row').filter({ hasText: 'FCU-2' })
  await unit.getByRole('button', { name: 'Edit' }).click()
  await page.getByLabel('Unit tag').fill('AHU-6')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert').first()).toContainText('that site has a unit of that tag')
  await page.getByLabel('Unit tag').fill('FCU-20')
  await page.getByLabel('Model').fill('low plenum')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('FCU-20')).toBeVisible()
  await page.goto('/machines')
  await expect(page.locator('.list-row').first()).toBeVisible()
  await page.locator('#find-machine').waitFor()
  await page.keyboard.press('/')
  await page.keyboard.type('fcu-20')
  await expect(page.getByText('Control room').last()).toBeVisible()
})

test('a place changed by two people: the second one sees it, and what was typed stays', async ({ open }) => {
  const mine = await open('vale')
  const theirs = await open('vale')
  for (const page of [mine, theirs]) {
    await page.goto('/places')
    await page
      .locator('.place-row')
      .filter({ hasText: 'Paint hall roof' })
      .getByRole('button', { name: 'Edit' })
      .click()
  }
  await theirs.getByLabel('Area name').fill('Paint hall, upper roof')
  await theirs.getByRole('button', { name: 'Save' }).click()
  await expect(theirs.getByText('Paint hall, upper roof')).toBeVisible()
  await mine.getByLabel('Area name').fill('Paint hall roof, new')
  await mine.getByRole('button', { name: 'Save' }).click()
  await expect(mine.getByText(/changed this area in the meantime/)).toBeVisible()
  await expect(mine.getByText(/On record now: Paint hall, upper roof/)).toBeVisible()
  await expect(mine.getByLabel('Area name')).toHaveValue('Paint hall roof, new')
  await mine.getByRole('button', { name: 'Save' }).click()
  await expect(mine.getByText('Paint hall roof, new')).toBeVisible()
})
