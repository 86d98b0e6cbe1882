import { expect, type Locator, type Page } from '@playwright/test'

/** Tick steps in turn as the page offers them, until one it is told to stop at. */
export async function doSteps(page: Page, until: string | null): Promise<void> {
  const steps = page.getByRole('region', { name: 'Steps' })
  // What was done is drawn before what it opens: with nothing to tick the page is asked again for a while, unless it is plain that
  // this was all.
  for (let quietSince: number | null = null; ;) {
    await expect(steps.getByText(/^\d+ of \d+ done$/)).toBeVisible()
    const ready = steps.getByRole('button', { name: /^Done: / })
    const names = await ready.evaluateAll((list) => list.map((b) => b.getAttribute('aria-label') ?? ''))
    const next = names.find((n) => until === null || !n.includes(until))
    if (next === undefined) {
      const all =
        until === null ? await steps.getByText('Every step is done or skipped.').isVisible() : names.length > 0
      quietSince ??= Date.now()
      if (Date.now() - quietSince > (all ? 400 : 3000)) return
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
      continue
    }
    quietSince = null
    const row = steps.getByRole('button', { name: next, exact: true })
    await row.click()
    await expect(row).toHaveCount(0)
  }
}

/** Choose in a list that opens. */
export const choose = async (page: Page, field: Locator, words: string): Promise<void> => {
  await field.click()
  await page.locator('.ant-select-item-option').getByText(words, { exact: true }).click()
  await page.keyboard.press('Escape')
}

/** Enter both sides of a point of the parts check that is open. */
export const putPoint = async (parts: Locator, point: string, old: string, now: string): Promise<void> => {
  const sides = parts.getByRole('group', { name: point, exact: true }).getByRole('textbox')
  await sides.nth(0).fill(old)
  await sides.nth(1).fill(now)
}
