import { expect, type Page } from '@playwright/test'
import { fixedNow, machineId, moveTo, phone, test } from './world.ts'

const tag = 'RTU-12/SF'
const choose = (page: Page, group: string, word: string) =>
  page.getByRole('group', { name: group, exact: true }).getByRole('button', { name: word, exact: true }).tap()
const phase = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Phases' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .tap()
const check = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Checks' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .tap()
const type = async (page: Page, values: readonly string[]) => {
  for (const v of values) {
    await page.locator('.cell-here input').fill(v)
    await page.locator('.cell-here input').press('Enter')
  }
}

let minute = 0
/** A visit of its own, some minutes after the one before. */
async function visit(page: Page, scope: string, steps: () => Promise<void>, on = tag) {
  minute += 5
  await page.clock.setFixedTime(new Date(fixedNow.getTime() - (300 - minute) * 60_000))
  await moveTo(page, `/machines/${await machineId(page, on)}/visit`)
  await phase(page, 'Inspect')
  await choose(page, 'This visit', scope)
  await steps()
  await phase(page, 'Results')
  await page.getByRole('button', { name: 'Save visit' }).tap()
  const before = page.getByRole('region', { name: 'Before saving' })
  const saved = page.waitForURL(/\/machines\/[0-9a-f-]+$/)
  await Promise.race([saved, before.waitFor()])
  if (await before.isVisible()) {
    await before.getByRole('button', { name: 'Override' }).tap()
    await before.getByLabel('Reason').fill('left to the next one')
    await before.getByRole('button', { name: 'Override' }).tap()
    await page.getByRole('button', { name: 'Save visit' }).tap()
  }
  await saved
}
/** The dead tests, proven by somebody else. */
async function dead(page: Page, name: string, steps: () => Promise<void>) {
  await phase(page, 'Dead tests')
  await page.getByRole('button', { name: 'Override' }).tap()
  await page.getByLabel('Reason').fill('proved by the electrician, his lock 4 is on')
  await page.getByRole('button', { name: 'Override' }).tap()
  await check(page, name)
  await steps()
  await phase(page, 'Close up')
  for (const what of [
    'Panels, guards and filters in',
    'Lifted wires and plugs back on',
    'Jumpers off, bypassed switches back in',
  ])
    await choose(page, what, 'Yes')
}

interface Story {
  readonly name: string
  readonly scope: string
  readonly told: string | RegExp
  readonly find: (page: Page) => Promise<void>
  readonly answer: (page: Page) => Promise<void>
  /** What a good answer leaves open, until it is tested. */
  readonly left?: RegExp
  /** Left out: the machine of most of them. */
  readonly on?: string
}
const inspect = (name: string, group: string, found: string, answer: string, told: string | RegExp): Story => ({
  name,
  scope: 'Full electrical',
  told,
  find: async (page) => {
    await check(page, 'As found')
    await choose(page, group, found)
  },
  answer: async (page) => {
    await check(page, 'As found')
    await choose(page, group, answer)
  },
})
const looked = (
  name: string,
  sheet: string,
  group: string,
  found: string,
  answer: string,
  told: string | RegExp,
  scope = 'Full electrical',
): Story => ({
  name,
  scope,
  told,
  find: (page) => dead(page, sheet, () => choose(page, group, found)),
  answer: (page) => dead(page, sheet, () => choose(page, group, answer)),
})
const measured = (
  name: string,
  sheet: string,
  found: readonly string[],
  answer: readonly string[],
  told: string | RegExp,
): Story => ({
  name,
  scope: 'Full electrical',
  told,
  find: (page) => dead(page, sheet, () => type(page, found)),
  answer: (page) => dead(page, sheet, () => type(page, answer)),
})
const leftOff = (name: string, what: string, told: RegExp): Story => {
  const leave = (answer: string) => async (page: Page) => {
    await phase(page, 'Close up')
    await choose(page, what, answer)
  }
  return { name, scope: 'Full electrical', told, find: leave('No'), answer: leave('Yes') }
}

const cutout = async (page: Page, answer: string) => {
  await phase(page, 'Close up')
  await check(page, 'Gas section')
  await choose(page, 'Cut-out leads on', answer)
}

const stories: readonly Story[] = [
  inspect('it hums', 'It', 'Hums, does not turn', 'Runs', 'Hums and does not turn'),
  {
    ...inspect('the smell of a burnt winding', 'Smell', 'Burnt winding', 'None', /^Smells of burnt winding/),
    left: /^No smell now\. It smelled of burnt winding before/,
  },
  {
    ...inspect('a tripped breaker', 'Found', 'Tripped', 'Closed', /^Found tripped/),
    left: /^Found closed\. It was found tripped before/,
  },
  looked('a seized motor', 'Spin by hand', 'As it is', 'Seized', 'Free', /seized/i),
  looked('a wire worn through', 'Terminals and wires', 'Wires', 'Worn through', 'Whole', /worn through/i),
  looked('a burnt lug', 'Terminals and wires', 'Lugs', 'Burnt', 'Tight', 'Burnt marks at a lug.'),
  looked('cracked blades', 'Wheel', 'Blades, hub', 'Cracked', 'Whole', /crack/i, 'Drive and bearings'),
  measured(
    '50 Ω to the frame',
    'Winding ohms',
    ['1.31', '1.32', '1.31', 'OL', '50', 'OL'],
    ['1.31', '1.32', '1.31', 'OL', 'OL', 'OL'],
    /T2 .*50/,
  ),
  measured(
    'an uneven winding',
    'Winding ohms',
    ['1.31', '1.32', '1.75', 'OL', 'OL', 'OL'],
    ['1.31', '1.32', '1.31', 'OL', 'OL', 'OL'],
    /1\.75 Ω/,
  ),
  measured(
    'an open fuse',
    'Contactor and fuses',
    ['0.2', '0.2', '0.2', '0.1', 'OL', '0.1'],
    ['0.2', '0.2', '0.2', '0.1', '0.1', '0.1'],
    /Fuse L2.* blown/,
  ),
  {
    name: 'a fan that turns backward',
    scope: 'Full electrical',
    told: /backward/i,
    find: (page) => choose(page, 'Turning', 'Backward'),
    answer: (page) => choose(page, 'Turning', 'Right way'),
  },
  {
    name: 'a cut-out of the gas section left off',
    scope: 'Full electrical',
    told: /cut-out or roll-out lead/,
    on: 'MAU-1/SF',
    find: (page) => cutout(page, 'No'),
    answer: (page) => cutout(page, 'Yes'),
  },
  leftOff('lifted wires left off', 'Lifted wires and plugs back on', /lifted wires and plugs back on/),
  leftOff('panels left off', 'Panels, guards and filters in', /panels, guards and filters in/),
]

test.use({ actionTimeout: 15_000 })

test('what is found outlasts plain amps and clears with its own answer', async ({ open }) => {
  test.slow()
  test.setTimeout(500_000)
  const page = await open('okonjo', phone)
  const figuresOf = async (on: string) => {
    const id = await machineId(page, on)
    const machine = (await (await page.context().request.get(`/api/v1/machines/${id}`)).json()) as {
      visits: { readings: { quantity: string; position: string; value: number }[] }[]
    }
    const last = machine.visits.find((s) => s.readings.some((r) => r.quantity === 'amps'))?.readings ?? []
    return ['volts_ll', 'amps'].flatMap((q) => last.filter((r) => r.quantity === q).map((r) => String(r.value)))
  }
  const open1 = page.getByRole('list', { name: 'Open conditions' })
  for (const story of stories)
    await test.step(story.name, async () => {
      const on = story.on ?? tag
      const figures = await figuresOf(on)
      await visit(page, story.scope, () => story.find(page), on)
      await expect(open1.getByText(story.told).first()).toBeVisible()
      await visit(
        page,
        'Running amps',
        async () => {
          await phase(page, 'Live tests')
          await type(page, figures)
        },
        on,
      )
      await expect(open1.getByText(story.told).first()).toBeVisible()
      await visit(page, story.scope, () => story.answer(page), on)
      // The form of the visit has the same heading: its machine has this.
      await expect(page.getByRole('button', { name: 'Take readings' })).toBeVisible()
      await expect(open1.getByText(story.told)).toHaveCount(0)
      if (story.left) await expect(open1.getByText(story.left)).toBeVisible()
    })
})

test('a condition is closed by a person with a reason, and opened again', async ({ open }) => {
  const page = await open('okonjo', phone)
  await visit(
    page,
    'Full electrical',
    async () => {
      await check(page, 'As found')
      await choose(page, 'Smell', 'Burnt winding')
    },
    'AHU-2/SF',
  )
  const item = page
    .getByRole('list', { name: 'Open conditions' })
    .getByRole('listitem')
    .filter({ hasText: /burnt winding/i })
  await item.getByRole('button', { name: 'Close', exact: true }).tap()
  await page.getByLabel('What was done, or why nothing is needed').fill('The smell came from the kitchen below')
  await page.getByRole('form', { name: 'Close condition' }).getByRole('button', { name: 'Close' }).tap()
  await expect(item).toHaveCount(0)
  await page.getByRole('button', { name: '1 closed by a person' }).tap()
  const closed = page.getByRole('list', { name: 'Closed conditions' })
  await expect(closed).toContainText('The smell came from the kitchen below')
  await closed.getByRole('button', { name: 'Reopen' }).tap()
  await page.getByLabel('Why it is reopened').fill('It smells again')
  await page.getByRole('button', { name: 'Reopen condition' }).tap()
  await expect(item).toBeVisible()
})
