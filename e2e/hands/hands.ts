import { expect, type BrowserContext, type Page } from '@playwright/test'
import { seeded, type Random } from '@motor-round/core/machine'
import { desktop, phone, test, type Login } from '../world.ts'
import { startsOf } from './starts.ts'
import { typed } from './typed.ts'

const steps = 45
/** What no page may show. */
const never =
  /\bNaN\b|\bundefined\b|\[object|\bInfinity\b|This page failed|cannot be shown|Invalid input|Too (?:big|small):/
/** What the browser says by itself when the signal is off, or of a request that was refused. */
const expected = /Failed to load resource|net::|status of 4|WebSocket|dynamically imported module/

/** Everything that can be touched on a page, but for what leaves it or signs out. */
const touchable = (page: Page) =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll<HTMLElement>(
        'a[href], button, input:not([type=file]), textarea, summary, [role=button], [role=tab], [role=option], [role=combobox]',
      ),
    ].flatMap((e, n) => {
      const box = e.getBoundingClientRect()
      const name = (e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 40)
      if (!e.checkVisibility() || box.width < 2 || box.height < 2 || e.matches(':disabled') || name === 'Sign out')
        return []
      if (e.matches('a[download], a[href*="api/v1"], a[href^=http]')) return []
      e.setAttribute('data-hand', String(n))
      return [
        { n, name, types: e.matches('input:not([type=checkbox], [type=radio]), textarea'), bar: !!e.closest('nav') },
      ]
    }),
  )

/** One thing that a hand does. @returns it in words */
async function act(r: Random, page: Page, context: BrowserContext): Promise<string> {
  const chance = r.next()
  if (chance < 0.03)
    return page.goBack().then(
      () => 'back',
      () => 'back',
    )
  if (chance < 0.05) return context.setOffline(true).then(() => 'signal lost')
  if (chance < 0.14) await context.setOffline(false)
  // A page that is just being left has nothing.
  const all = (await touchable(page).catch(() => [])).filter((e) => !e.bar || r.next() < 0.06)
  if (all.length === 0) return 'nothing to touch'
  const one = r.pick(all)
  const there = page.locator(`[data-hand="${one.n}"]`).first()
  // What moved away under the finger is no fault of the page.
  const missed = () => undefined
  if (!one.types)
    return there
      .click({ timeout: 1500 })
      .then(missed, missed)
      .then(() => `tap ${one.name}`)
  const text = r.pick(typed)
  await there.fill(text, { timeout: 1500 }).then(missed, missed)
  if (r.next() < 0.5) await page.keyboard.press(r.pick(['Enter', 'Tab', 'Escape', 'ArrowDown'])).then(missed, missed)
  return `type ${text.slice(0, 20)} into ${one.name}`
}

const runs = Number(process.env['DRILL_RUNS'] ?? 40)
const first = Number(process.env['DRILL_SEED'] ?? 1)
for (let seed = first; seed < first + runs; seed++)
  test(`random hands ${seed}`, async ({ open }) => {
    const r = seeded(seed)
    const viewport = r.next() < 0.5 ? phone : desktop
    const page = await open(r.pick<Login>(['vale', 'vale', 'okonjo', 'arden']), viewport)
    const done: string[] = []
    const wrong: string[] = []
    const note = (what: string) =>
      wrong.push(`${new URL(page.url()).pathname}: ${what} after ${done.slice(-5).join(' > ')}`)
    page.on('pageerror', (e) => expected.test(e.message) || note(e.stack ?? e.message))
    page.on('console', (m) => m.type() !== 'error' || expected.test(m.text()) || note(m.text()))
    // A drive that nobody reaches is no error of the server.
    page.on(
      'response',
      (a) =>
        a.status() < 500 || a.url().includes('/vfd/') || note(`${a.status()} of ${a.request().method()} ${a.url()}`),
    )
    page.on('dialog', (d) => void d.accept())
    await page.goto(r.pick(await startsOf(page)))
    for (let i = 0; i < steps; i++) {
      done.push(await act(r, page, page.context()))
      await page.waitForTimeout(40)
      const text = await page.evaluate(() => document.body.innerText).catch(() => '')
      const shown = never.exec(text)
      if (shown) note(`shows “${text.slice(Math.max(0, shown.index - 60), shown.index + 60)}”`)
      const wide = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth).catch(() => 0)
      // What is just being drawn may be too wide for a moment.
      let over = await wide()
      for (let i = 0; i < 4 && over > 1; i++) {
        await page.waitForTimeout(500)
        over = await wide()
      }
      if (over > 1) note(`scrolls sideways by ${over} px`)
      if (wrong.length > 0) break
    }
    await page.context().setOffline(false)
    expect(wrong).toEqual([])
  })
