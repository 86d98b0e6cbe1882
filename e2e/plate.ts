import type { Page } from '@playwright/test'

/** Type a plate cell by cell, Enter going from one to the next. */
export async function typePlate(page: Page, values: Record<string, string>) {
  for (const [title, value] of Object.entries(values)) {
    const open = page.locator('.plate-editor input')
    // A plate that is entered begins with the cursor in its first blank cell.
    if (!((await open.count()) > 0 && (await open.getAttribute('aria-label'))?.startsWith(title)))
      await page.getByRole('button', { name: new RegExp(`^${title}`) }).click()
    await page.keyboard.type(value)
    await page.keyboard.press('Enter')
    await page.keyboard.press('Escape')
  }
}
