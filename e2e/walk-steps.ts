import type { Page } from '@playwright/test'
import { expectUpright, machineId } from './world.ts'

/** What the visit says of what was read so far. */
export const told = (page: Page) => page.locator('.visit-told')
/** Answer a question. */
export const choose = (page: Page, group: string, word: string) =>
  page.getByRole('group', { name: group, exact: true }).getByRole('button', { name: word, exact: true }).click()
/** Go to a phase of the visit. */
export const phase = async (page: Page, name: string) => {
  await page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click()
  await expectUpright(page)
}
/** Go to a check of the phase. */
export const check = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Checks' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click()

/** Open a visit of everything on a machine, with the simulated meter on a unit of that kind. */
export async function walk(page: Page, tag: string, scope: string) {
  await page.goto(`/machines/${await machineId(page, tag)}/visit`)
  await phase(page, 'Inspect')
  await choose(page, 'This visit', scope)
}

/** Everything that locks it out, up to proving it dead. */
export async function lockOut(page: Page) {
  await phase(page, 'Lock out')
  await choose(page, 'Disconnect open, locked, tagged', 'Yes')
  await page.getByLabel('Lock or tag number').fill('17')
  await choose(page, 'Second feed, control feed, twin’s breaker', 'None')
  await choose(page, 'The wheel is', 'Still')
  await check(page, 'Prove dead')
}

/** Lock out and prove dead, every figure typed. */
export async function provenDead(page: Page) {
  await lockOut(page)
  for (const v of ['478', '0', '0.1', '0', '0.2', '0', '0.1', '478']) {
    await page.locator('.cell-here input').fill(v)
    await page.locator('.cell-here input').press('Enter')
  }
  await phase(page, 'Dead tests')
}

/** What is answered before power comes back. */
export async function beforePower(page: Page) {
  await phase(page, 'Power up')
  await choose(page, 'Control call', 'Inhibited')
  await choose(page, 'Tools out, people notified', 'Yes')
  await choose(page, 'Guards and panels on', 'Yes')
}

/** Everything that was lifted or opened is back. */
export async function closeUp(page: Page) {
  await phase(page, 'Close up')
  for (const what of [
    'Controls back in automatic',
    'Panels and guards on',
    'Lifted wires and plugs back on',
    'Jumpers off, bypassed switches back in',
  ])
    await choose(page, what, 'Yes')
}
