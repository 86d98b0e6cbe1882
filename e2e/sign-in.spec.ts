import { expect } from '@playwright/test'
import { signIn, test } from './world.ts'

test('first sign-in: a wrong password gets an error, the right one leads to the machines list, and where one was going', async ({
  page,
}) => {
  await page.goto('/import-export')
  await expect(page).toHaveURL(/sign-in\?to=%2Fimport-export/)
  await page.getByLabel('Sign-in name').fill('vale')
  await page.getByLabel('Password', { exact: true }).fill('not it')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('alert')).toHaveText('Wrong name or password.')
  await page.getByLabel('Password', { exact: true }).fill('vale-on-the-roof')
  await page.getByLabel('Password', { exact: true }).press('Enter')
  await expect(page).toHaveURL(/\/import-export$/)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page).toHaveURL(/sign-in/)
  await page.goto('/machines')
  await expect(page).toHaveURL(/sign-in/)
})

test('a new user gets a link, sets a password and sees what the role allows', async ({ page, browser }) => {
  await signIn(page, 'vale')
  await page.goto('/limits')
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Odo Finch')
  await page.getByRole('textbox', { name: 'Sign-in name' }).fill('finch')
  await page.getByRole('button', { name: 'Add and create sign-in link' }).click()
  const link = (await page.getByRole('status').textContent())?.match(/\/welcome\/\S+/)?.[0] ?? ''
  const context = await browser.newContext()
  const other = await context.newPage()
  await other.goto(link)
  await expect(other.getByRole('heading', { name: 'Welcome, Odo Finch' })).toBeVisible()
  await other.getByLabel('Password, at least 12 characters').fill('gravel teapot ninety fork')
  await other.getByRole('button', { name: 'Set password and sign in' }).click()
  await expect(other.getByRole('heading', { name: /machines/ })).toBeVisible()
  await other.goto('/import-export')
  await expect(other.getByText('Only a lead can import files.')).toBeVisible()
  await other.goto(link)
  await expect(other.getByRole('heading', { name: 'This link does not work' })).toBeVisible()
  await context.close()
})
