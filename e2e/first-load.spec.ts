import { gzipSync } from 'node:zlib'
import { expect } from '@playwright/test'
import { phone, test } from './world.ts'

test('the first load of the walk is at most 300 kB of scripts and styles, compressed', async ({ open }) => {
  const page = await open('okonjo', phone)
  await page.goto('/')
  const rounds = (await (await page.request.get('/api/v1/rounds')).json()) as { id: string; name: string }[]
  const id = rounds.find((r) => r.name === 'Freight shed and crew house')?.id ?? ''
  const fresh = await page
    .context()
    .browser()
    ?.newContext({ viewport: phone, storageState: await page.context().storageState() })
  if (!fresh) throw new Error('no browser')
  const walk = await fresh.newPage()
  const bodies = new Map<string, Promise<number>>()
  walk.on('response', (r) => {
    const { pathname } = new URL(r.url())
    if (/\/assets\/.*\.(js|css)$/.test(pathname))
      bodies.set(
        pathname,
        r.body().then((b) => gzipSync(b).length),
      )
  })
  // What is asked for after the walk is on the page belongs to what comes next, however slow this machine is.
  await walk.addInitScript(() => {
    new MutationObserver((_changes, observer) => {
      if (!document.querySelector('.walk-here')) return
      performance.mark('walk-here')
      observer.disconnect()
    }).observe(document, { childList: true, subtree: true })
  })
  await walk.goto(new URL(`/rounds/${id}/walk`, page.url()).href)
  await walk.locator('.walk-here').waitFor()
  const first = await walk.evaluate(() => {
    const shown = performance.getEntriesByName('walk-here')[0]?.startTime ?? 0
    return performance
      .getEntriesByType('resource')
      .filter((e) => e.startTime < shown)
      .map((e) => new URL(e.name).pathname)
  })
  const sizes = await Promise.all(first.flatMap((path) => bodies.get(path) ?? []))
  expect(sizes.length).toBeGreaterThan(5)
  expect(sizes.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(300_000)
  await fresh.close()
})
