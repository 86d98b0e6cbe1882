import type { Page } from '@playwright/test'

/** Type a plate cell by cell, Enter going from one to the next. */
export async function typePlate(page: Page, values: Record<string, string>) {
  for (const [title, value] of Object.entries(values)) {
    await page.getByRole('button', { name: new RegExp(`^${title}`) }).click()
    await page.keyboard.type(value)
    await page.keyboard.press('Enter')
    await page.keyboard.press('Escape')
  }
}
