import { expect } from '@playwright/test'
import { machineId, phone, test } from './world.ts'

test('a belt is added, received, taken by its label without a signal; of two phones that take the last one the second is told', async ({
  open,
}) => {
  const page = await open('okonjo', phone)
  await page.goto('/stock')
  await page.getByRole('button', { name: 'Add an item' }).click()
  const form = page.getByRole('form', { name: 'A new item' })
  await form.getByRole('button', { name: 'Add the item' }).click()
  // What is missing is said at its field.
  await expect(form.locator('.field-error').first()).toBeVisible()
  await form.getByRole('textbox', { name: 'Section' }).fill('b')
  await form.getByRole('spinbutton', { name: 'Length number' }).fill('1234')
  await form.getByRole('textbox', { name: /^Label/ }).fill('BE-X1')
  await form.getByRole('button', { name: 'Add the item' }).click()
  await page.getByRole('textbox', { name: 'Find an item' }).fill('B1234')
  await page.getByRole('link', { name: /Belt B1234/ }).click()
  const act = page.getByRole('form', { name: 'What happens to it' })
  await act.getByRole('button', { name: 'Workshop' }).click()
  await expect(act.getByRole('button', { name: 'None at Workshop' })).toBeDisabled()
  await act.getByRole('button', { name: 'Receive', exact: true }).click()
  await act.getByRole('button', { name: 'Receive 1 piece' }).click()
  const there = page.getByRole('list', { name: 'Where it lies' })
  await expect(there).toContainText('Workshop1 on hand')
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('Received: 1')

  // The other phone looks at the same shelf.
  const other = await open('vale', phone)
  await other.goto('/s/be-x1')
  await expect(other.getByRole('heading', { name: 'Belt B1234' })).toBeVisible()

  // Down in the cellar there is no signal: its label opens it all the same.
  await page.waitForLoadState('networkidle')
  await page.context().setOffline(true)
  await act.getByRole('button', { name: 'Take', exact: true }).click()
  await act.getByRole('button', { name: 'Take 1 piece' }).click()
  await expect(there).toContainText('Workshop0 on hand')
  await expect(act.getByRole('button', { name: 'None at Workshop' })).toBeDisabled()
  await page.context().setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.getByRole('region', { name: 'What happened' })).toContainText('Taken: 1')

  // The other one still sees one, and takes it.
  await other.getByRole('form', { name: 'What happens to it' }).getByRole('button', { name: 'Take 1 piece' }).click()
  await expect(other.getByRole('list', { name: 'Where it lies' })).toContainText('Workshop0 on hand')
  await other.goto('/phone')
  await expect(other.getByText(/none of Belt B1234 left at Workshop: Mosi Okonjo took 1/)).toBeVisible()
})

test('a job holds parts, nobody else takes them, and the job takes what it holds', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto(`/machines/${await machineId(page, 'RTU-12/SF')}`)
  await page
    .getByRole('region', { name: 'Jobs', exact: true })
    .getByRole('link', { name: /Replace the motor/ })
    .click()
  const parts = page.getByRole('region', { name: 'Parts of the stock' })
  const first = parts.getByRole('listitem').first()
  await expect(first).toContainText(/2 × Belt .*Workshop/)
  await first.getByRole('link').click()
  await expect(page.getByRole('list', { name: 'Where it lies' })).toContainText('2 held for jobs')
  await page.goBack()
  await parts.getByRole('button', { name: 'Take 2 pieces' }).click()
  await expect(parts).toContainText('Nothing is held for this job.')
})

test('the page to prepare a round says what is missing before the van leaves', async ({ open }) => {
  const page = await open('okonjo')
  await page.goto('/rounds')
  const link = page.getByRole('link', { name: /Freight shed and crew house/ }).first()
  await link.click()
  await page.waitForURL(/rounds\/[0-9a-f-]+/)
  const id = /rounds\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? ''
  await page.goto(`/rounds/${id}/prepare`)
  await expect(page.getByText(/^(load it: |in the van: |None in stock|Only )/).first()).toBeVisible()
})
