import { gzipSync } from 'node:zlib'
import { expect } from '@playwright/test'
import { phone, test } from './world.ts'

test('the first load of the walk is at most 350 kB of scripts and styles, compressed', async ({ open }) => {
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
  const sizes = new Map<string, Promise<number>>()
  walk.on('response', (r) => {
    const { pathname } = new URL(r.url())
    if (/\/assets\/.*\.(js|css)$/.test(pathname))
      sizes.set(
        pathname,
        r.body().then((b) => gzipSync(b).length),
      )
  })
  await walk.goto(new URL(`/rounds/${id}/walk`, page.url()).href)
  await walk.locator('.walk-here').waitFor()
  const all = await Promise.all(sizes.values())
  expect(all.length).toBeGreaterThan(5)
  expect(all.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(350_000)
  await fresh.close()
})
