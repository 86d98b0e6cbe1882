import { createHash, randomBytes } from 'node:crypto'
import { endpoints, type RoundPage } from '@motor-round/contract'
import { clockOf, stepOf } from '@motor-round/core/round'
import { eq } from 'drizzle-orm'
import type { Router } from 'express'
import { createEvents, type EventAttributes } from 'ics'
import { instantIn } from '../dates.ts'
import { calendarLinks } from '../db/rounds-schema.ts'
import { people } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { mount } from '../http/mount.ts'
import { notFound } from '../http/problem.ts'
import { nextRound, type Recurrence } from './recur.ts'
import { zoneOfSites } from './zone.ts'
import { pageOfRound, roundList } from './page.ts'

/** The instant of a minute of a day by the clock of a zone; a plan's minutes are no whole ones. */
export const instantOf = (day: string, minute: number, zone: string): Date => {
  const whole = Math.round(minute)
  const two = (n: number) => String(n).padStart(2, '0')
  return instantIn(`${day} ${two(Math.floor(whole / 60))}:${two(whole % 60)}:00.000`, zone)
}

const utc = (d: Date): [number, number, number, number, number] => [
  d.getUTCFullYear(),
  d.getUTCMonth() + 1,
  d.getUTCDate(),
  d.getUTCHours(),
  d.getUTCMinutes(),
]

/** How many of the rounds that will come again a calendar shows. */
const ahead = 12

/**
 * The days on which a round comes again. Each is an event of its own: a rule in UTC moves by an hour with daylight saving, and
 * one by the day of the month leaves out the months that are shorter.
 */
export function daysAhead(day: string, recurs: Recurrence): string[] {
  const days: string[] = []
  for (let last = day; days.length < ahead;) {
    last = nextRound(day, recurs, last)
    days.push(last)
  }
  return days
}

/** A round as an event, from the first who starts to the last who is back, its visits as the description; and when it comes again. */
function eventsOf(page: RoundPage, zone: string, origin: string): EventAttributes[] {
  const { head, route } = page
  const from = Math.min(...head.people.map((p) => p.from))
  const to = Math.max(...route.steps.map((v) => v.end), from + 30)
  const parts = { lock: ', lock out', work: '', proof: ', read again' } as const
  const tagOf = (step: string) => {
    const { machineId, part } = stepOf(step)
    const s = page.visits.find((x) => x.machineId === machineId)
    return s ? `${s.unitTag} / ${s.tag}${parts[part]}` : ''
  }
  const first: EventAttributes = {
    uid: `${head.id}@motor-round`,
    title: head.name,
    start: utc(instantOf(head.day, from, zone)),
    startInputType: 'utc',
    startOutputType: 'utc',
    end: utc(instantOf(head.day, to, zone)),
    endInputType: 'utc',
    endOutputType: 'utc',
    description: [
      head.people.map((p) => p.name).join(', '),
      ...route.steps.map((v) => `${clockOf(v.start)} ${tagOf(v.step)}`),
      ...(page.note === '' ? [] : [page.note]),
    ].join('\n'),
    location: [...new Set(page.visits.map((s) => s.siteName))].join(', '),
    url: `${origin}/round/${head.id}`,
    status: 'CONFIRMED',
    sequence: head.version,
    productId: 'motor-round',
    calName: 'Motor Round',
  }
  const days = head.recurs && head.state === 'planned' ? daysAhead(head.day, head.recurs) : []
  return [
    first,
    ...days.map((day) => ({
      ...first,
      uid: `${head.id}-${day}@motor-round`,
      start: utc(instantOf(day, from, zone)),
      end: utc(instantOf(day, to, zone)),
      description: 'Recurring round; its visits are planned from what is due then.',
    })),
  ]
}

/** @source RFC 5545 */
function fileOf(events: EventAttributes[]): string {
  if (events.length === 0)
    return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:motor-round', 'END:VCALENDAR', ''].join('\r\n')
  const { error, value } = createEvents(events)
  if (error || value == null) throw error ?? new Error('no calendar was made')
  return value
}

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/** Rounds as a calendar file, and as an address to subscribe to. */
export function calendarRoutes(router: Router, deps: Deps): void {
  const eventsFor = async (id: string, origin: string) => {
    const page = await pageOfRound(deps.db, id)
    return eventsOf(page, await zoneOfSites(deps.db, page.head.siteIds), origin)
  }
  mount(router, deps, endpoints.roundCalendar, async ({ params, req, res }) => {
    const origin = `${req.protocol}://${req.get('host') ?? ''}`
    const file = fileOf(await eventsFor(params.id, origin))
    res.type('text/calendar; charset=utf-8').set('content-disposition', 'attachment; filename="round.ics"').send(file)
    return undefined
  })
  mount(router, deps, endpoints.calendarLink, async ({ person }) => {
    const token = randomBytes(24).toString('base64url')
    const row = { tokenHash: hashOf(token), madeAt: deps.now() }
    await deps.db
      .insert(calendarLinks)
      .values({ personId: person.id, ...row })
      .onConflictDoUpdate({ target: calendarLinks.personId, set: row })
    return { path: `/api/v1/calendar/${token}.ics` }
  })
  mount(router, deps, endpoints.calendarFeed, async ({ params, req, res }) => {
    const [link] = await deps.db
      .select({ disabledAt: people.disabledAt })
      .from(calendarLinks)
      .innerJoin(people, eq(people.id, calendarLinks.personId))
      .where(eq(calendarLinks.tokenHash, hashOf(params.token)))
    if (!link || link.disabledAt !== null) throw notFound('calendar')
    const origin = `${req.protocol}://${req.get('host') ?? ''}`
    const events: EventAttributes[] = []
    for (const head of (await roundList(deps.db)).slice(0, 60)) events.push(...(await eventsFor(head.id, origin)))
    res.type('text/calendar; charset=utf-8').send(fileOf(events))
    return undefined
  })
}
