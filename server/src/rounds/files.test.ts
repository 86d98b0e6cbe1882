import { randomUUID } from 'node:crypto'
import type { RoundHead, RoundPage } from '@motor-round/contract'
import ICAL from 'ical.js'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { RoundRecord } from './record.ts'
import { recordPdf } from './record-pdf.ts'
import { reportPdf } from './report.ts'
import { zoneOfSites } from './zone.ts'
import { binaryOf, pagesOf } from '../test/binary.test-help.ts'
import { openWorld, type Caller, type World } from '../test/world.ts'

let world: World
let lead: Caller
let viewer: Caller
let walked: RoundHead
let today: RoundPage
beforeAll(async () => {
  world = await openWorld(true)
  lead = await world.as('vale')
  viewer = await world.as('arden')
  const heads = (await viewer.get('/rounds')).body as RoundHead[]
  walked = heads.find((h) => h.state === 'closed') as RoundHead
  today = (await viewer.get(`/rounds/${heads.find((h) => h.state === 'planned')?.id ?? ''}`)).body as RoundPage
})
afterAll(() => world.end())

const binary = (path: string) => binaryOf(viewer, path)
const calendarOf = (text: string) => new ICAL.Component(ICAL.parse(text) as unknown[])

describe('the calendar of a round', () => {
  it('is read by another parser: its times by the clock of the site, its visits, its recurrence', async () => {
    const text = (await viewer.get(`/rounds/${today.head.id}/round.ics`)).text
    const calendar = calendarOf(text)
    const events = calendar.getAllSubcomponents('vevent').map((v) => new ICAL.Event(v))
    // Today's, and the twelve times it comes again.
    expect(events).toHaveLength(13)
    expect(new Set(events.map((e) => e.uid)).size).toBe(13)
    const [event, next] = events
    expect(event?.summary).toBe('Freight shed and crew house')
    // Seven in the morning at Halifax in November is eleven in Greenwich.
    expect(event?.startDate.toJSDate().toISOString()).toBe('2026-11-25T11:00:00.000Z')
    expect(event?.endDate.compare(event.startDate)).toBe(1)
    for (const s of today.visits.filter((x) => today.route.steps.some((v) => v.step === x.machineId)))
      expect(event?.description).toContain(`${s.unitTag} / ${s.tag}`)
    expect(next?.startDate.toJSDate().toISOString()).toBe('2027-02-25T11:00:00.000Z')
    expect(text).toMatch(/\r\n/)
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
  })
  it('is subscribed to by an address of one’s own; a new one ends it, and no other opens it', async () => {
    const first = ((await viewer.post('/calendar')).body as { path: string }).path.replace('/api/v1', '')
    const stranger = world.visitor()
    const feed = calendarOf((await stranger.get(first)).text)
    expect(feed.getAllSubcomponents('vevent').length).toBeGreaterThanOrEqual(2)
    await viewer.post('/calendar')
    expect((await stranger.get(first)).status).toBe(404)
    expect((await stranger.get('/calendar/none.ics')).status).toBe(404)
  })
})

describe('the files of a closed round', () => {
  it('the report is one page, and says what was done, what needs something, and what was not done and why', async () => {
    const pages = await pagesOf(await binary(`/rounds/${walked.id}/report.pdf`))
    expect(pages).toHaveLength(1)
    const page = (await viewer.get(`/rounds/${walked.id}`)).body as RoundPage
    expect(pages[0]).toContain('Departures hall roof')
    expect(pages[0]).toContain(`${walked.done} of ${walked.visits} machines visited`)
    const bad = page.visits.filter((s) => s.level === 'fix' || s.level === 'stop')
    for (const s of bad) expect(pages[0]).toContain(`${s.unitTag} / ${s.tag}`)
    for (const e of page.events.filter((x) => x.kind === 'skipped')) expect(pages[0]).toContain(e.note)
    const found = page.findings.filter((f) => f.roundId === walked.id)
    expect(found.map((f) => f.text)).toEqual(['Flexible connection torn at the discharge'])
    expect(pages[0]).toContain('Findings')
    expect(pages[0]).toContain(found[0]?.text)
    // What is open there from before is no finding of this round, and still stands at its machine.
    expect(page.findings.length).toBeGreaterThan(1)
    expect(pages[0]?.split('Findings')[1]).not.toContain('Grease runs from the curb')
  })
  it('the report stays one page however much was found, and says how much more the full record has', async () => {
    const record = (await viewer.get(`/rounds/${walked.id}/record.json`)).body as RoundRecord
    const [visit] = record.page.visits
    const [finding] = record.page.findings.filter((f) => f.roundId === walked.id)
    if (!visit || !finding) throw new Error('the demo has no such round')
    const many = <T>(thing: T, count: number) => Array.from({ length: count }, () => thing)
    const headline = 'A sentence that is long enough to need a second line in its narrow column of the one page.'
    const page = {
      ...record.page,
      visits: many({ ...visit, level: 'fix' as const, headline }, 40),
      findings: Array.from({ length: 40 }, (_, i) => ({ ...finding, text: `Finding number ${i}` })),
    }
    const made = await pagesOf(await reportPdf(world.deps.db, { ...record, page }))
    expect(made).toHaveLength(1)
    expect(made[0]).toMatch(/and \d+ more, in the full record .*and \d+ more, in the full record/)
    const full = (await pagesOf(await recordPdf({ ...record, page }))).join(' ')
    for (const i of [0, 17, 18, 39]) expect(full).toContain(`Finding number ${i}`)
  })
  it('shows a picture that was taken', async () => {
    const page = (await viewer.get(`/rounds/${walked.id}`)).body as RoundPage
    const done = page.events.find((e) => e.kind === 'done')
    const bytes = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
    const before = (await binary(`/rounds/${walked.id}/report.pdf`)).length
    const body = {
      id: randomUUID(),
      machineId: done?.machineId,
      visitId: done?.visitId,
      check: 'belts',
      takenAt: '2026-11-24T10:00:00Z',
      type: 'image/png',
      bytes,
    }
    await lead.post('/sync', { device: 'x', mutations: [{ n: 0, kind: 'picture', body }] })
    const pdf = await binary(`/rounds/${walked.id}/report.pdf`)
    expect(pdf.length).toBeGreaterThan(before)
    expect((await pagesOf(pdf))[0]).toContain('Pictures')
  })
  it('the record holds every visit with its readings and what each verdict rests on', async () => {
    const text = (await pagesOf(await binary(`/rounds/${walked.id}/record.pdf`))).join(' ')
    const json = (await viewer.get(`/rounds/${walked.id}/record.json`)).body as {
      page: RoundPage
      visits: { tag: string; visit: { takenAt: string; readings: unknown[] }; judgement: { level: string } | null }[]
    }
    expect(json.visits).toHaveLength(walked.done)
    for (const s of json.visits) expect(text).toContain(s.tag)
    expect(text).toContain('Flexible connection torn at the discharge')
    expect(text).toContain('NEMA MG 1')
    // By the clock of the site, each reading by its name and unit, and what is still open.
    const { page } = json
    const first = json.visits[0]?.visit
    const clock = new Intl.DateTimeFormat('en-US', {
      timeZone: (await zoneOfSites(world.deps.db, page.head.siteIds)) || 'UTC',
      dateStyle: 'medium',
      timeStyle: 'short',
    })
    expect(text).toContain(clock.format(new Date(first?.takenAt ?? 0)).replace(/[\u202f\u00a0]/g, ' '))
    expect(text).not.toMatch(/ UTC |volts_ln|insulation_|over_range/)
    const open = page.visits.flatMap((s) => s.conditions)
    expect(open.length).toBeGreaterThan(0)
    expect(text).toContain('Still open at these machines')
    // Lines are broken and signs drawn as the page needs it.
    const bare = (words: string) => words.replace(/[^a-z0-9]/gi, '')
    for (const k of open) expect(bare(text)).toContain(bare(k.because))
    const csv = (await viewer.get(`/rounds/${walked.id}/record.csv`)).text.trimEnd().split('\r\n')
    expect(csv).toHaveLength(1 + json.visits.reduce((n, s) => n + s.visit.readings.length, 0))
    expect(csv[0]).toBe('round,machine,taken_at,quantity,position,value,unit_of_measure,how,by,level,note')
  })
  it('of a round on which nothing was done say so', async () => {
    const text = (await pagesOf(await binary(`/rounds/${today.head.id}/record.pdf`))).join(' ')
    expect(text).toContain('No readings were taken on this round.')
    expect((await viewer.get(`/rounds/${randomUUID()}/report.pdf`)).status).toBe(404)
  })
})
