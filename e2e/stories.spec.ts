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
/** The dead tests, proven by somebody else, and everything put back. */
async function dead(page: Page, steps: () => Promise<void>) {
  await phase(page, 'Dead tests')
  await page.getByRole('button', { name: 'Override' }).tap()
  await page.getByLabel('Reason').fill('proved by the electrician, his lock 4 is on')
  await page.getByRole('button', { name: 'Override' }).tap()
  await steps()
  await phase(page, 'Close up')
  for (const what of [
    'Panels and guards on',
    'Lifted wires and plugs back on',
    'Jumpers off, bypassed switches back in',
  ])
    await choose(page, what, 'Yes')
}

/** Something that is found, and what answers it. */
interface Thing {
  readonly name: string
  readonly told: string | RegExp
  readonly find: (page: Page) => Promise<void>
  readonly answer: (page: Page) => Promise<void>
  /** What a good answer leaves open, until it is tested. */
  readonly left?: RegExp
}
/** Things that one visit finds, one answers. */
interface Story {
  readonly scope: string
  readonly things: readonly Thing[]
  /** Around what is done of them: what comes before, and how the visit is closed up. */
  readonly around?: (page: Page, steps: () => Promise<void>) => Promise<void>
  /** Left out: the machine of most of them. */
  readonly on?: string
}
const chosen = (
  name: string,
  at: ((page: Page) => Promise<void>) | null,
  group: string,
  found: string,
  answer: string,
  told: string | RegExp,
): Thing => {
  const one = (word: string) => async (page: Page) => {
    if (at) await at(page)
    await choose(page, group, word)
  }
  return { name, told, find: one(found), answer: one(answer) }
}
const typed = (
  name: string,
  sheet: string,
  found: readonly string[],
  answer: readonly string[],
  told: string | RegExp,
): Thing => {
  const one = (values: readonly string[]) => async (page: Page) => {
    await check(page, sheet)
    await type(page, values)
  }
  return { name, told, find: one(found), answer: one(answer) }
}
const sheet = (name: string) => (page: Page) => check(page, name)
const asItIs: NonNullable<Story['around']> = (_page, steps) => steps()
const inspected = async (page: Page) => {
  await phase(page, 'Inspect')
  await check(page, 'As found')
}
const closed = (page: Page) => phase(page, 'Close up')

const stories: readonly Story[] = [
  {
    scope: 'Full electrical',
    things: [
      chosen('it hums', inspected, 'It', 'Hums, does not turn', 'Runs', 'Hums and does not turn'),
      {
        ...chosen(
          'the smell of a burnt winding',
          inspected,
          'Smell',
          'Burnt winding',
          'None',
          /^Smells of burnt winding/,
        ),
        left: /^No smell now\. It smelled of burnt winding before/,
      },
      {
        ...chosen('a tripped breaker', inspected, 'Found', 'Tripped', 'Closed', /^Found tripped/),
        left: /^Found closed\. It was found tripped before/,
      },
      chosen(
        'lifted wires left off',
        closed,
        'Lifted wires and plugs back on',
        'No',
        'Yes',
        /lifted wire or plug is not back on/,
      ),
      chosen('panels left off', closed, 'Panels and guards on', 'No', 'Yes', /panel or guard is not back on/),
    ],
  },
  {
    scope: 'Full electrical',
    around: dead,
    things: [
      chosen('a seized motor', sheet('Spin by hand'), 'As it is', 'Seized', 'Free', /seized/i),
      chosen('a wire worn through', sheet('Terminals and wires'), 'Wires', 'Worn through', 'Whole', /worn through/i),
      chosen('a burnt lug', sheet('Terminals and wires'), 'Lugs', 'Burnt', 'Tight', 'Burnt marks at a lug.'),
      typed(
        '50 Ω to the frame',
        'Winding ohms',
        ['1.31', '1.32', '1.31', 'OL', '50', 'OL'],
        ['1.31', '1.32', '1.31', 'OL', 'OL', 'OL'],
        /T2 .*50/,
      ),
      typed(
        'an open fuse',
        'Contactor and fuses',
        ['0.2', '0.2', '0.2', '0.1', 'OL', '0.1'],
        ['0.2', '0.2', '0.2', '0.1', '0.1', '0.1'],
        /Fuse L2.* blown/,
      ),
    ],
  },
  {
    scope: 'Full electrical',
    around: dead,
    things: [
      typed(
        'an uneven winding',
        'Winding ohms',
        ['1.31', '1.32', '1.75', 'OL', 'OL', 'OL'],
        ['1.31', '1.32', '1.31', 'OL', 'OL', 'OL'],
        /1\.75 Ω/,
      ),
    ],
  },
  {
    scope: 'Drive and bearings',
    around: dead,
    things: [chosen('cracked blades', sheet('Wheel'), 'Blades, hub', 'Cracked', 'Whole', /crack/i)],
  },
  {
    scope: 'Full electrical',
    things: [chosen('a fan that turns backward', null, 'Turning', 'Backward', 'Right way', /backward/i)],
  },
  {
    scope: 'Full electrical',
    on: 'MAU-1/SF',
    things: [
      chosen(
        'a cut-out of the gas section left off',
        async (page) => {
          await closed(page)
          await check(page, 'Gas section')
        },
        'Cut-out leads on',
        'No',
        'Yes',
        /cut-out or roll-out lead/,
      ),
    ],
  },
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
  const conditions = page.getByRole('list', { name: 'Open conditions' })
  /** The form of the visit has the same heading: its machine has this. */
  const onMachine = () => page.getByRole('button', { name: 'Take readings' }).waitFor()
  for (const { things, scope, around = asItIs, on = tag } of stories)
    await test.step(things.map((t) => t.name).join(', '), async () => {
      const figures = await figuresOf(on)
      const visitOf = (list: readonly Thing[], what: 'find' | 'answer') =>
        visit(
          page,
          scope,
          () =>
            around(page, async () => {
              for (const thing of list) await thing[what](page)
            }),
          on,
        )
      await visitOf(things, 'find')
      for (const { told } of things) await expect(conditions.getByText(told).first()).toBeVisible()
      await visit(
        page,
        'Running amps',
        async () => {
          await phase(page, 'Live tests')
          await type(page, figures)
        },
        on,
      )
      for (const { told } of things) await expect(conditions.getByText(told).first()).toBeVisible()
      // Of several, the last one is answered later: it stays until then, the others do not.
      const last = things.slice(-1)
      for (const answered of [things.slice(0, -1), last].filter((list) => list.length > 0)) {
        await visitOf(answered, 'answer')
        await onMachine()
        for (const { told, left } of answered) {
          await expect(conditions.getByText(told)).toHaveCount(0)
          if (left) await expect(conditions.getByText(left)).toBeVisible()
        }
        if (answered !== last)
          for (const { told } of last) await expect(conditions.getByText(told).first()).toBeVisible()
      }
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
