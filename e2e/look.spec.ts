import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { desktop, expectUpright, machineId, moveTo, phone, test } from './world.ts'

// They look and change nothing, so they go side by side.
test.describe.configure({ mode: 'parallel' })

/** Serious and critical findings of axe on a page. */
async function findings(page: Page): Promise<string[]> {
  const result = await new AxeBuilder({ page })
    // Every screen is one document: nothing has to be gathered from frames on a page of its own.
    .setLegacyMode()
    .options({ resultTypes: ['violations'], preload: false })
    .analyze()
  return result.violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)
}

/** What a gloved thumb has to hit and cannot: under 44 px either way. A link inside of a sentence is read, not aimed at. */
const smallTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const inText = (e: Element) =>
      e.matches('a') && getComputedStyle(e).display === 'inline' && e.parentElement?.textContent !== e.textContent
    const reached = (e: Element): Element => e.closest('label, .ant-select, .ant-picker, .ant-input-affix-wrapper') ?? e
    return [
      ...document.querySelectorAll('a[href], button, input, select, textarea, summary, [role=button], [role=checkbox]'),
    ]
      .filter((e) => e.checkVisibility() && !inText(e) && !e.closest('.visually-hidden, [aria-hidden=true]'))
      .map((e) => [e, reached(e).getBoundingClientRect()] as const)
      .filter(([, box]) => box.width > 0 && box.height > 0 && (box.height < 43.5 || box.width < 43.5))
      .map(
        ([e, box]) =>
          `${e.tagName} ${e.className.toString().slice(0, 40)} "${(e.textContent || e.getAttribute('aria-label') || '').slice(0, 24)}" ${Math.round(box.width)}×${Math.round(box.height)}`,
      )
  })

/** The round of today. */
async function roundOf(page: Page): Promise<string> {
  const list = (await (await page.context().request.get('/api/v1/rounds')).json()) as { id: string; state: string }[]
  return list.find((r) => r.state === 'planned')?.id ?? ''
}

/** The area in which a machine stands. */
async function areaOf(page: Page, tag: string): Promise<string | undefined> {
  const answer = await page.context().request.get(`/api/v1/machines/${await machineId(page, tag)}`)
  return ((await answer.json()) as { area?: { id: string } }).area?.id
}

/** The trace that was begun at a machine of the demo. */
async function traceOf(page: Page): Promise<string> {
  const id = await machineId(page, 'EF-7/EF')
  const answer = await page.context().request.get(`/api/v1/machines/${id}`)
  return `/machines/${id}/trace/${((await answer.json()) as { traces: { id: string }[] }).traces[0]?.id ?? ''}`
}

/** A job of the demo, in work. */
async function jobOf(page: Page): Promise<string> {
  const answer = await page.request.get('/api/v1/jobs')
  const { jobs } = (await answer.json()) as { jobs: { id: string; machineId: string; state: string }[] }
  const job = jobs.find((j) => j.state === 'paused')
  return `/machines/${job?.machineId ?? ''}/jobs/${job?.id ?? ''}`
}

const screens: readonly [string, (page: Page) => Promise<string>, string][] = [
  ['machines', () => Promise.resolve('/machines'), '.list-row'],
  ['machine', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}`, 'canvas'],
  ['visit', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}/visit`, '.visit-cells'],
  ['trace start', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}/trace`, '.trace-start'],
  ['trace', traceOf, '.trace-suspects'],
  ['jobs', () => Promise.resolve('/jobs'), '.job-title'],
  ['new job', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}/jobs/new`, '.job'],
  ['job', jobOf, '.job-steps'],
  ['edit', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}/edit`, '.form-grid'],
  ['motor', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}/motor`, '.plate'],
  ['new machine', () => Promise.resolve('/machines/new'), '.form-grid'],
  ['places', () => Promise.resolve('/places'), '.place-row'],
  ['live data', () => Promise.resolve('/live'), '.live-columns'],
  ['live data of a machine', async (p) => `/machines/${await machineId(p, 'EF-16/EF')}/live`, 'canvas'],
  ['import-export', () => Promise.resolve('/import-export'), '.import-drop'],
  ['policies', () => Promise.resolve('/limits'), '.limits-table'],
  ['calculators', () => Promise.resolve('/calculators'), '.calc-index'],
  ['calculator', async (p) => `/calculators/voltage-unbalance?machine=${await machineId(p, 'AHU-2/SF')}`, 'canvas'],
  ['insulation chart', async (p) => `/machines/${await machineId(p, 'EF-15/EF')}`, '.insulation-chart canvas'],
  ['drive', async (p) => `/machines/${await machineId(p, 'AHU-3/RF')}/vfd`, '.vfd'],
  ['commissioning', async (p) => `/machines/${await machineId(p, 'AHU-3/SF')}/vfd/sheet`, '.commissioning-lines'],
  ['motor connection', async (p) => `/machines/${await machineId(p, 'AHU-2/SF')}/wiring`, '.wiring'],
  ['drive train', async (p) => `/machines/${await machineId(p, 'AHU-1/SF')}/drive`, '.slot'],
  ['speed change', async (p) => `/speed-change?machine=${await machineId(p, 'AHU-2/SF')}`, '.speed-told'],
  ['area air', async (p) => `/areas/${(await areaOf(p, 'AHU-1/SF')) ?? ''}/air`, '.columns'],
  ['set up', () => Promise.resolve('/start'), '.first-run'],
  ['rounds', () => Promise.resolve('/rounds'), '.round-row'],
  ['plan a round', () => Promise.resolve('/rounds/new'), '.due-list'],
  ['round', async (p) => `/rounds/${await roundOf(p)}`, '.route-list'],
  ['prepare', async (p) => `/rounds/${await roundOf(p)}/prepare`, '.prepare-table'],
  ['walk', async (p) => `/rounds/${await roundOf(p)}/walk`, '.walk-here'],
  ['roof map', async (p) => `/areas/${(await areaOf(p, 'AHU-1/SF')) ?? ''}/map`, '.roof-map'],
  ['tags', async (p) => `/tags?area=${(await areaOf(p, 'AHU-1/SF')) ?? ''}`, '.tag-sheet'],
  ['phone', () => Promise.resolve('/phone'), 'h1'],
  ['account', () => Promise.resolve('/account'), '.account'],
  ['stock', () => Promise.resolve('/stock'), '.stock'],
  ['reports', () => Promise.resolve('/reports'), '.reports-figures'],
  ['keys', () => Promise.resolve('/keys'), '.ant-descriptions'],
]

const dark = ['machines', 'machine', 'visit', 'policies', 'calculator']
/** Used on the roof, with a layout of their own there. */
const roofSide = [
  'machines',
  'machine',
  'visit',
  'calculators',
  'calculator',
  'motor',
  'job',
  'new job',
  'drive train',
  'speed change',
  'walk',
  'round',
  'phone',
  'account',
  'stock',
]

/** In two halves, so that they go side by side. */
const half = (n: number) =>
  screens.slice(Math.ceil((n * screens.length) / 2), Math.ceil(((n + 1) * screens.length) / 2))

for (const [look, viewport, part, list] of [
  ['light', desktop, ', from machines', half(0)],
  ['light', desktop, ', from drives', half(1)],
  ['light', phone, ', from machines', half(0)],
  ['light', phone, ', from drives', half(1)],
  ['dark', desktop, '', screens],
] as const)
  test(`no serious accessibility finding on any screen, ${look}, ${viewport.width} wide${part}`, async ({ open }) => {
    test.setTimeout(300_000)
    const page = await open('vale', viewport)
    if (look === 'dark') await page.addInitScript(() => localStorage.setItem('motor-round-look', 'dark'))
    for (const [name, path, ready] of list) {
      // The dark look has the same parts in other colors: the screens that show all of them are enough.
      if (look === 'dark' && !dark.includes(name)) continue
      await moveTo(page, await path(page))
      await page.locator(ready).first().waitFor()
      if (viewport !== phone || roofSide.includes(name)) expect([name, await findings(page)]).toEqual([name, []])
      if (viewport === phone) await expectUpright(page)
      if (viewport === phone && roofSide.includes(name)) expect([name, await smallTargets(page)]).toEqual([name, []])
    }
  })

for (const viewport of [desktop, phone])
  test(`no serious accessibility finding in any phase of a visit, ${viewport.width} wide`, async ({ open }) => {
    test.setTimeout(120_000)
    const page = await open('okonjo', viewport)
    await page.goto(`/machines/${await machineId(page, 'AHU-2/SF')}/visit`)
    const nav = page.getByRole('navigation', { name: 'Phases' })
    await nav.getByRole('button', { name: /^Inspect/ }).click()
    await page.getByRole('group', { name: 'This visit' }).getByRole('button', { name: 'Full electrical' }).click()
    await page.getByRole('button', { name: 'Meter', exact: true }).click()
    for (const phase of ['Inspect', 'Lock out', 'Dead tests', 'Power up', 'Live tests', 'Results', 'Close up']) {
      await nav.getByRole('button', { name: new RegExp(`^${phase}`) }).click()
      expect([phase, await findings(page)]).toEqual([phase, []])
      await expectUpright(page)
    }
    await page.getByRole('button', { name: 'Add finding', exact: true }).click()
    await page.getByRole('form', { name: 'A finding' }).waitFor()
    expect(await findings(page)).toEqual([])
    await expectUpright(page)
  })

for (const viewport of [desktop, phone])
  test(`no serious accessibility finding while a roof map is edited, ${viewport.width} wide`, async ({ open }) => {
    const page = await open('okonjo', viewport)
    const id = await machineId(page, 'MAU-2/SF')
    const machine = (await (await page.request.get(`/api/v1/machines/${id}`)).json()) as { area: { id: string } }
    await page.goto(`/areas/${machine.area.id}/map`)
    await page.getByRole('button', { name: 'Edit map' }).click()
    await page.getByLabel('Width, ft', { exact: true }).fill('wide')
    await expect(page.getByRole('alert')).toHaveText('6.6 to 6561.7 ft')
    expect(await findings(page)).toEqual([])
    await expectUpright(page)
  })

test('no serious accessibility finding on the sign-in page', async ({ page }) => {
  await page.goto('/sign-in')
  await page.getByRole('heading', { name: 'Motor Round' }).waitFor()
  expect(await findings(page)).toEqual([])
})

test('the machines list is walked by keys and filtered by level', async ({ open }) => {
  const page = await open('arden')
  await page.goto('/machines')
  await expect(page.locator('.list-row').first()).toContainText('EF-14 / EF')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/machines\//)
  await page.goto('/machines')
  await page.getByRole('button', { name: /to stop$/ }).click()
  await expect(page).toHaveURL(/level=stop/)
  await expect(page.getByText('OK', { exact: true })).toHaveCount(0)
})

test('what is loaded late moves nothing under a thumb', async ({ open }) => {
  const page = await open('okonjo', phone)
  let release = () => {}
  const held = new Promise<void>((go) => (release = go))
  await page.route(/\/assets\/finder-/, async (route) => {
    await held
    await route.continue()
  })
  await page.goto('/calculators')
  const link = page.locator('.calc-index a').first()
  const before = await link.boundingBox()
  await expect(page.getByLabel('Find a machine')).toHaveCount(0)
  release()
  await page.getByLabel('Find a machine').waitFor()
  expect(await link.boundingBox()).toEqual(before)
})
