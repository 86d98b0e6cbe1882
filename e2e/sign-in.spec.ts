import { expect } from '@playwright/test'
import { Secret, TOTP } from 'otpauth'
import pg from 'pg'
import { fixedNow, ownServer, signIn, test } from './world.ts'

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

test('two-step sign-in: set up with an app, asked for at sign-in, and a recovery code where the phone is not there', async ({
  page,
}) => {
  await signIn(page, 'arden')
  await page.goto('/account')
  const part = page.getByRole('region', { name: 'Two-step sign-in' })
  await part.getByRole('button', { name: 'Set up' }).click()
  await expect(part.locator('.factor-code img')).toHaveAttribute('src', /svg/)
  const key = ((await part.locator('.key-text').textContent()) ?? '').replaceAll(' ', '')
  const codeAt = (step: number) =>
    new TOTP({ secret: Secret.fromBase32(key) }).generate({ timestamp: fixedNow.getTime() + step * 30_000 })
  await part.getByLabel('Code that the app shows').fill(codeAt(0) === '000000' ? '111111' : '000000')
  await part.getByRole('button', { name: 'Turn it on' }).click()
  await expect(part.getByText('does not fit. Is the clock of the phone right?')).toBeVisible()
  await part.getByLabel('Code that the app shows').fill(codeAt(0))
  await part.getByRole('button', { name: 'Turn it on' }).click()
  const shown = part.locator('.codes li')
  await expect(shown).toHaveCount(10)
  const codes = await shown.allTextContents()
  await part.getByRole('button', { name: 'I have them' }).click()
  await expect(part.getByText('10 recovery codes are left.')).toBeVisible()

  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.getByLabel('Sign-in name').fill('arden')
  await page.getByLabel('Password', { exact: true }).fill('arden-on-the-roof')
  await page.getByLabel('Password', { exact: true }).press('Enter')
  await expect(page.getByRole('alert')).toHaveText('Enter the code that your authenticator app shows.')
  await page.getByLabel(/Code from your authenticator app/).fill(codes[0] ?? '')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible()
  await page.goto('/account')
  await expect(part.getByText('9 recovery codes are left.')).toBeVisible()
  await part.getByLabel('Code from the app, or a recovery code').fill(codes[1] ?? '')
  await part.getByRole('button', { name: 'Turn it off' }).click()
  await expect(part.getByRole('button', { name: 'Set up' })).toBeVisible()
})

test('an hour after the password was entered it is asked for again before users change; what was typed goes on by itself', async ({
  browser,
}) => {
  const server = await ownServer()
  const context = await browser.newContext({ baseURL: server.base })
  try {
    const page = await context.newPage()
    await signIn(page, 'vale')
    const client = new pg.Client(server.url)
    await client.connect()
    await client.query(`update session set sess = (sess::jsonb - 'confirmedAt')::json`)
    await client.end()
    await page.goto('/limits')
    await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Odo Finch')
    await page.getByRole('textbox', { name: 'Sign-in name' }).fill('finch')
    await page.getByRole('button', { name: 'Add and create sign-in link' }).click()
    const dialog = page.getByRole('dialog', { name: 'Enter your password' })
    await dialog.getByLabel('Password', { exact: true }).fill('not it')
    await dialog.getByRole('button', { name: 'Continue' }).click()
    await expect(dialog.getByText('is not your password')).toBeVisible()
    await dialog.getByLabel('Password', { exact: true }).fill('vale-on-the-roof')
    await dialog.getByRole('button', { name: 'Continue' }).click()
    await expect(page.getByRole('status').filter({ hasText: '/welcome/' })).toBeVisible()
    await expect(dialog).toHaveCount(0)
  } finally {
    await context.close()
    await server.end()
  }
})
