import { expect, test as base, type BrowserContext, type Page } from '@playwright/test'
import pg from 'pg'
import { builtServer, copyOf } from '../scripts/lib/demo-server.mjs'
import { signInAs } from '../scripts/lib/sign-in.mjs'

export const fixedNow = new Date('2026-11-25T09:00:00Z')
export const desktop = { width: 1280, height: 800 }
export const phone = { width: 390, height: 844 }
export type Login = 'vale' | 'okonjo' | 'arden'

/** Sign in by the form. */
export async function signIn(page: Page, login: Login): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Sign-in name').fill(login)
  await page.getByLabel('Password', { exact: true }).fill(`${login}-on-the-roof`)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/machines')
}

/** Nothing of the page lies beside it: a thumb that slips must not push the page away. */
export async function expectUpright(page: Page): Promise<void> {
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(wide, `${page.url()} scrolls sideways`).toBeLessThanOrEqual(0)
}

/** What a server warns of is seen where the tests run; who asked for what is not. */
const printed = (text: string) => {
  const told = text.split('\n').filter((line) => line !== '' && !/^\{"level":[123]0,/.test(line))
  if (told.length > 0) process.stderr.write(`${told.join('\n')}\n`)
}

/** A server over a copy of the demo, which may be ended in any way and started again at the same address. */
export async function ownServer(env: Record<string, string> = {}, log = printed) {
  const url = await copyOf(process.env['E2E_DATABASE'] ?? '')
  const start = (port?: number) =>
    builtServer({
      url,
      ...(port === undefined ? {} : { port }),
      env: { CHECK_ANSWERS: 'yes', METER_PACE: '12', ...env },
      log,
    })
  const first = await start()
  return { ...first, url, again: () => start(Number(new URL(first.base).port)) }
}

/** A server over a copy of the demo, all that it logs, and the sessions of who has signed in to it. */
async function freshServer() {
  const log: string[] = []
  const server = await ownServer({ LOG_LEVEL: 'info' }, (text) => {
    log.push(text)
    printed(text)
  })
  const signedIn = new Map<Login, Promise<{ cookie: string }>>()
  /** Once a server, and not by the form: that has tests of its own. */
  const cookieOf = async (login: Login) => {
    const known = signedIn.get(login) ?? signInAs(server.base, login)
    signedIn.set(login, known)
    return (await known).cookie
  }
  return { ...server, log, cookieOf }
}

/** End a server, and go through all that it logged: no session, token, password or one-time link is in it. */
async function leave({ url, end, log }: Server): Promise<void> {
  const client = new pg.Client(url)
  await client.connect()
  const { rows } = await client.query<{ sid: string; csrf: string }>(`select sid, sess ->> 'csrf' as csrf from session`)
  await client.end()
  await end()
  const all = log.join('')
  // A file whose tests have servers of their own leaves this one alone.
  if (rows.length > 0) expect(all).toContain('"url":"/api/v1/session"')
  for (const secret of [...rows.flatMap((r) => [r.sid, r.csrf]), '-on-the-roof', 'gravel teapot'])
    expect(all.includes(secret), 'the log holds no secret').toBe(false)
  expect(all).not.toMatch(/\/(?:invitations|welcome|quote-links|quote|calendar)\/[\w-]{12,}/)
}
type Server = Awaited<ReturnType<typeof freshServer>>

interface Shared {
  /** The server of a file: files never see what another did, so they may run in any order, side by side. */
  serverOf: (file: string) => Promise<Server>
}

interface Fixtures {
  /** A page of someone who is signed in; the browser's clock stands where the server's does. */
  open: (login: Login, viewport?: { width: number; height: number }) => Promise<Page>
}

export const test = base.extend<Fixtures, Shared>({
  serverOf: [
    // eslint-disable-next-line no-empty-pattern -- a fixture names what it needs, and this one needs nothing
    async ({}, use) => {
      let now: { file: string; server: Server } | null = null
      await use(async (file) => {
        if (now?.file !== file) {
          if (now) await leave(now.server)
          now = { file, server: await freshServer() }
        }
        return now.server
      })
      const last = now as { server: Server } | null
      if (last) await leave(last.server)
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ serverOf }, use, info) => use((await serverOf(info.file)).base),
  open: async ({ browser, serverOf }, use, info) => {
    const { base, cookieOf } = await serverOf(info.file)
    const contexts: BrowserContext[] = []
    await use(async (login, viewport = desktop) => {
      const context = await browser.newContext({
        viewport,
        baseURL: base,
        ...(viewport === phone ? { hasTouch: true } : {}),
      })
      contexts.push(context)
      const [name = '', value = ''] = (await cookieOf(login)).split('=')
      await context.addCookies([{ name, value, url: base, httpOnly: true, sameSite: 'Strict' }])
      const page = await context.newPage()
      await page.clock.setFixedTime(fixedNow)
      return page
    })
    // No page may be left scrolling sideways, whatever was done on it.
    if (info.status === 'passed')
      for (const page of contexts.flatMap((c) => c.pages()).filter((p) => !p.isClosed())) await expectUpright(page)
    for (const c of contexts) await c.close()
  },
})

/** Go to a screen as a link of the app does: what is loaded stays, only the screen is another. */
export async function moveTo(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto(path)
  else
    await page.evaluate((to) => {
      history.pushState(null, '', to)
      dispatchEvent(new PopStateEvent('popstate'))
    }, path)
}

export interface Found {
  id: string
  unitTag: string
  tag: string
}

/** The id of a machine by `AHU-2/SF`. */
export async function machineId(page: Page, tag: string): Promise<string> {
  const [unit, section] = tag.split('/')
  const found = (await (
    await page.context().request.get(`/api/v1/find?q=${encodeURIComponent(unit ?? '')}`)
  ).json()) as Found[]
  const hit = found.find((m) => m.unitTag === unit && m.tag === section)
  if (!hit) throw new Error(`no machine ${tag}`)
  return hit.id
}

/** Type a visit as a mechanic does: digits and Enter, the first cell having the cursor. */
export async function typeStop(page: Page, values: readonly string[]): Promise<void> {
  await page.locator('.cell-here input').and(page.locator(':focus')).waitFor()
  for (const v of values) {
    await page.keyboard.type(v)
    await page.keyboard.press('Enter')
  }
}

/** Connect the simulated meter to a unit of that kind. */
export async function connect(page: Page, pattern: string) {
  await page.getByRole('button', { name: 'Meter', exact: true }).click()
  await page.getByLabel('The simulated unit is').click()
  await page.locator('.ant-select-item-option').getByText(pattern, { exact: true }).click()
  await page.getByRole('button', { name: 'Connect' }).click()
  await expect(page.getByRole('group', { name: 'Meter', exact: true })).toBeVisible()
}

/** Take so many values from the meter: each when it has settled or shows over range, Enter goes on. */
export async function take(page: Page, count: number) {
  for (let i = 0; i < count; i++) {
    const label = (await page.locator('.cell-here input').getAttribute('aria-label')) ?? ''
    const cell = page.getByLabel(label, { exact: true })
    // A hand that wobbles just as Enter is pressed takes nothing: then it is pressed again, as anyone would.
    await expect(async () => {
      if (!(await cell.isVisible()) || (await cell.inputValue()) !== '') return
      await cell.focus()
      await expect(page.locator('.meter-steady')).toBeVisible({ timeout: 8000 })
      // The last cell is left with its page: there it is taken first, so that it is seen to be.
      if (i === count - 1) {
        await page.getByRole('button', { name: /^Take / }).click({ timeout: 5000 })
        await expect(cell).not.toHaveValue('', { timeout: 800 })
      }
      await cell.press('Enter')
      // The last cell of a check is left behind with its page.
      if (i < count - 1 || (await cell.isVisible())) await expect(cell).not.toHaveValue('', { timeout: 800 })
    }).toPass({ timeout: 40_000 })
  }
}

/** Save what a meter read. Two legs that it happens to show alike are asked about first, and it did read that. */
export async function saveRead(page: Page) {
  const yes = page.getByRole('button', { name: 'Yes, correct' })
  await expect(async () => {
    if (await yes.isVisible()) {
      await yes.click()
      await page
        .getByRole('navigation', { name: 'Phases' })
        .getByRole('button', { name: /^Results/ })
        .click()
    }
    await page.getByRole('button', { name: 'Save visit' }).click({ timeout: 2000 })
    await expect(page).not.toHaveURL(/\/visit(\?|$)/, { timeout: 2000 })
  }).toPass({ timeout: 30_000 })
}
