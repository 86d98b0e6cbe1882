import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { MachinePage, Quote } from '@motor-round/contract'
import { simpleParser } from 'mailparser'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sendMails } from '../mail/outbox.ts'
import { binaryOf, pagesOf } from '../test/binary.test-help.ts'
import { bring } from '../test/rounds.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let hand: Caller
let machineId: string
const folder = mkdtempSync(join(tmpdir(), 'mails-'))
beforeAll(async () => {
  world = await openWorld(true)
  hand = await world.as('okonjo')
  machineId = await hand.machine('AHU-6/SF')
})
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await world.end()
})

const at = '2026-11-25T08:00:00.000Z'
const option = (over: object = {}) => ({
  kind: 'repair',
  title: 'New belts, sheaves turned',
  hours: 2,
  people: 1,
  parts: [{ name: 'belt', count: 2, price: 30 }],
  access: 0,
  down: 2,
  years: 2,
  ...over,
})
const figures = { chance: 5, growth: 30, planned: 400, times: 3, down: 24, downHour: 0 }
const offered = (jobId: string, over: object = {}) => ({
  kind: 'job-step',
  body: {
    id: randomUUID(),
    jobId,
    machineId,
    at,
    kind: 'offer',
    words: 'The belts are cracked and will tear.',
    rate: 90,
    downHour: 0,
    options: [option(), option({ kind: 'leave', title: 'Wait', hours: 0, parts: [], down: 0, years: 0.5 })],
    waiting: [{ rule: 'failing-part', figures }],
    validUntil: '2026-12-31',
    ...over,
  },
})
async function quoted(over: object = {}) {
  const job = { kind: 'job', body: { id: randomUUID(), machineId, at, title: 'Belts of AHU-6', kinds: ['sheaves'] } }
  const offer = offered(job.body.id, over)
  const { results } = (await bring(hand, [job, offer])).body as {
    results: { outcome: string; problem: { errors: { path: string; message: string }[] } | null }[]
  }
  return { jobId: job.body.id, offerId: offer.body.id, results }
}
const link = async (jobId: string, offerId: string, over: object = {}) =>
  hand.post(`/jobs/${jobId}/quote-links`, { offerId, name: 'Runa Castellane', email: null, ...over })
const tokenOf = (path: string) => path.replace('/quote/', '')
const errorsOf = (body: unknown) => (body as { errors?: { path: string; message: string }[] }).errors

describe('a quote', () => {
  it('is what was offered last, on one page too, with its sums', async () => {
    const { jobId, offerId, results } = await quoted()
    expect(results.map((r) => r.outcome)).toEqual(['applied', 'applied'])
    const quote = (await hand.get(`/jobs/${jobId}/quote`)).body as Quote
    expect(quote).toMatchObject({ offerId, tag: 'SF', unitTag: 'AHU-6', title: 'Belts of AHU-6', decided: null })
    const pages = await pagesOf(await binaryOf(hand, `/jobs/${jobId}/quote.pdf`))
    expect(pages).toHaveLength(1)
    // 2 h × 90 + 2 × 30 = 240, 120 for each of two years.
    expect(pages[0]).toMatch(
      /New belts, sheaves turned.*labor \$180 \(2 hours, 1 person\), parts \$60.*\$240 2 years \$120/,
    )
    // A failure costs 2 × 400 more: 5 % in the first month are $40.
    expect(pages[0]).toContain('$40 in 1 month')
    expect(pages[0]).toContain('holds until Dec 31, 2026')
  })
  it.each([
    [{ waiting: [{ rule: 'magic', figures: {} }] }, 'waiting.0.rule'],
    [{ waiting: [{ rule: 'failing-part', figures: { ...figures, chance: 200 } }] }, 'waiting.0.chance'],
    [{ options: [] }, 'body.options'],
    [{ words: ' ' }, 'body.words'],
    [{ options: [option({ years: 0 })] }, 'body.options.0.years'],
    [{ options: [option({ parts: [{ name: '', count: 1, price: 1 }] })] }, 'body.options.0.parts.0.name'],
    [{ rate: -1 }, 'body.rate'],
  ])('that cannot be is refused at its field: %j', async (over, path) => {
    const { results } = await quoted(over)
    expect(results[1]?.problem?.errors[0]?.path).toBe(path)
  })
  it('there is none of a job nobody priced', async () => {
    expect((await hand.get(`/jobs/${randomUUID()}/quote`)).status).toBe(404)
  })
})

describe('the report of a job', () => {
  it('is one page in plain words: decided, before and after, money, what is left and why', async () => {
    const { jobId, offerId } = await quoted()
    const said = (body: object) => ({ kind: 'job-step', body: { id: randomUUID(), jobId, machineId, at, ...body } })
    await bring(hand, [
      said({
        kind: 'decision',
        decision: 'approved',
        who: 'Runa Castellane',
        means: 'phone',
        chosen: { offerId, option: 0 },
        at: '2026-11-25T08:01:00.000Z',
      }),
      said({ kind: 'skipped', step: 'SV4', reason: 'Bushings are new', at: '2026-11-25T08:02:00.000Z' }),
      said({
        kind: 'closed',
        reason: 'Gauge broken',
        cause: 'wrong',
        hours: 3,
        money: 66,
        at: '2026-11-25T08:30:00.000Z',
      }),
    ])
    const pages = await pagesOf(await binaryOf(hand, `/jobs/${jobId}/report.pdf`))
    expect(pages).toHaveLength(1)
    const text = pages[0] ?? ''
    expect(text).toContain('The belts are cracked and will tear.')
    expect(text).toContain('approved by Runa Castellane, phone')
    expect(text).toContain('Closed Nov 25, 2026 by Mosi Okonjo. The expected cause was wrong.')
    // Quoted 2 h × 90 + 60 = 240; three hours and 66 came to 336.
    expect(text).toContain('Quoted: $240. Came to: $336. Hours: 3 of 2 quoted.')
    // What was read last stands beside what it may be.
    expect(text).toMatch(/How it stands now, against its limits\s+(OK|Watch|Fix|Stop)/)
    expect(text).toContain('Not done: Bushings are new')
    expect(text).toContain('Closed without its proof: Gauge broken')
    expect((await hand.get(`/jobs/${randomUUID()}/report.pdf`)).status).toBe(404)
  })
  it('tells the last combustion test by its figures, each thing by itself', async () => {
    const burner = await hand.machine('MAU-1/SF')
    const job = { id: randomUUID(), machineId: burner, at, title: 'Deck of MAU-1', kinds: ['deck'] }
    const burn = (minute: number, oxygen: number) => ({
      kind: 'job-step',
      body: {
        id: randomUUID(),
        jobId: job.id,
        machineId: burner,
        at: `2026-11-25T08:0${minute}:00.000Z`,
        kind: 'burn',
        step: 'FD11',
        test: {
          fuel: 'natural gas',
          leakFree: true,
          co: 20,
          oxygen,
          steady: true,
          stack: 400,
          rise: 45,
          riseLow: 30,
          riseHigh: 60,
        },
      },
    })
    await bring(hand, [{ kind: 'job', body: job }, burn(1, 7), burn(2, 9.8)])
    const text = (await pagesOf(await binaryOf(hand, `/jobs/${job.id}/report.pdf`))).join(' ')
    // 20 × 20.9 ÷ (20.9 − 9.8) = 37.7 ppm.
    expect(text).toMatch(/Read Nov 25, 2026 by Mosi Okonjo: CO 20 ppm, 38 ppm air-\s?free, oxygen 9\.8 %\./)
    expect(text).toMatch(/Stop\s+Oxygen 9\.8 %, outside 6 to 9 %/)
    expect(text).toMatch(/OK\s+Stack 400 °F\./)
    expect(text).not.toContain('Oxygen 7 %')
    expect(text).toContain('Nobody was asked yet.')
  })
})

describe('the link of a quote', () => {
  it('goes out by e-mail, shows the quote without an account, and answers once', async () => {
    const { jobId, offerId } = await quoted()
    const made = await link(jobId, offerId, { email: 'runa@example.org' })
    expect(made.body).toMatchObject({ mailed: true, expiresAt: '2026-12-09T09:00:00.000Z' })
    const deps = {
      ...world.deps,
      config: { ...world.deps.config, MAIL_DIR: folder, PUBLIC_URL: 'https://mr.example/' },
    }
    await Promise.all([sendMails(deps), sendMails(deps)])
    const files = readdirSync(folder)
    expect(files).toHaveLength(1)
    const letter = await simpleParser(readFileSync(join(folder, files[0] ?? '')))
    expect(letter.subject).toBe('Quote: Belts of AHU-6 (AHU-6 / SF)')
    expect(letter.to).toMatchObject({ text: 'runa@example.org' })
    const { path } = made.body as { path: string }
    // The tests have no address of their own: the link is that of host and port.
    expect(letter.text).toContain(`http://127.0.0.1:4170${path}`)
    const pages = await pagesOf(letter.attachments[0]?.content ?? Buffer.alloc(0))
    expect(pages[0]).toContain('The belts are cracked and will tear.')
    // What was sent is not kept a second time.
    const { rows } = await world.deps.pool.query('select body, sent_at from mails')
    expect(rows).toMatchObject([{ body: null }])

    const payer = world.visitor()
    const shown = await payer.get(`/quote-links/${tokenOf(path)}`)
    expect(shown.body).toMatchObject({ name: 'Runa Castellane', quote: { title: 'Belts of AHU-6' } })
    const answer = { name: 'Runa Castellane', option: 0, words: 'Before Friday, please.' }
    const both = await Promise.all([1, 2].map(() => payer.post(`/quote-links/${tokenOf(path)}`, answer)))
    expect(both.map((r) => r.status).sort((a, b) => a - b)).toEqual([200, 410])
    const { jobs } = (await hand.get(`/machines/${machineId}`)).body as MachinePage
    const decisions = jobs.find((j) => j.id === jobId)?.steps.filter((s) => s.kind === 'decision')
    expect(decisions).toMatchObject([
      { decision: 'approved', who: 'Runa Castellane', means: 'link', chosen: { offerId, option: 0 } },
    ])
    expect((await payer.get(`/quote-links/${tokenOf(path)}`)).status).toBe(410)
  })
  it('says no as well; then nobody can answer it again by another link', async () => {
    const { jobId, offerId } = await quoted()
    const [a, b] = [await link(jobId, offerId), await link(jobId, offerId)].map(
      (r) => `/quote-links/${tokenOf((r.body as { path: string }).path)}`,
    )
    const payer = world.visitor()
    expect((await payer.post(a ?? '', { name: 'R. C.', option: null })).body).toEqual({ decision: 'declined' })
    expect((await payer.post(b ?? '', { name: 'R. C.', option: 0 })).status).toBe(410)
    expect((await link(jobId, offerId)).status).toBe(422)
  })
  it('ends with a newer quote, an option that is not there, and with its day', async () => {
    const { jobId, offerId } = await quoted()
    const path = `/quote-links/${tokenOf(((await link(jobId, offerId)).body as { path: string }).path)}`
    const payer = world.visitor()
    const wrong = await payer.post(path, { name: 'R. C.', option: 4 })
    expect(errorsOf(wrong.body)?.[0]).toMatchObject({ path: 'option' })
    // A refused answer did not use it up.
    expect((await payer.get(path)).status).toBe(200)
    await bring(hand, [offered(jobId, { at: '2026-11-25T08:10:00.000Z' })])
    expect((await payer.get(path)).body).toMatchObject({ status: 410 })
    expect((await payer.post(path, { name: 'R. C.', option: 0 })).status).toBe(410)
    expect(errorsOf((await link(jobId, offerId)).body)?.[0]?.path).toBe('offerId')
    const old = await quoted({ validUntil: '2026-11-24' })
    expect(errorsOf((await link(old.jobId, old.offerId)).body)?.[0]?.message).toContain('held until Nov 24, 2026')
    const short = await quoted()
    const made = await link(short.jobId, short.offerId, { days: 1 })
    await world.deps.pool.query("update quote_links set expires_at = '2026-11-25T08:59:00Z' where job_id = $1", [
      short.jobId,
    ])
    const late = await payer.get(`/quote-links/${tokenOf((made.body as { path: string }).path)}`)
    expect(late.body).toMatchObject({ status: 410, detail: 'This link has expired. Ask for a new one.' })
    expect((await payer.get('/quote-links/guess')).status).toBe(404)
  })
  it('is made by who works on it, not by who looks; its mail says what became of it', async () => {
    const { jobId, offerId } = await quoted()
    const viewer = await world.as('arden')
    expect((await viewer.post(`/jobs/${jobId}/quote-links`, { offerId, name: 'x', email: null })).status).toBe(403)
    expect(errorsOf((await link(jobId, offerId, { email: 'nowhere' })).body)?.[0]?.path).toBe('email')
    await link(jobId, offerId, { email: 'runa@example.org' })
    const config = { ...world.deps.config, SMTP_URL: 'smtp://127.0.0.1:9' }
    await sendMails({ ...world.deps, config })
    const { mails } = (await (await world.as('vale')).get('/mails')).body as {
      mails: { sentAt: string | null; tries: number; problem: string }[]
    }
    expect(mails.find((m) => m.sentAt === null)).toMatchObject({ tries: 1 })
    expect(mails.find((m) => m.sentAt === null)?.problem).toContain('ECONNREFUSED')
    expect((await hand.get('/mails')).status).toBe(403)
  })
})
