import { noCare, type RoundPage } from '@motor-round/contract'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { api } from '../../app/api.ts'
import { store } from '../../app/store.ts'
import { driveParts } from '../../test/drive.test-help.ts'
import { pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { eventOf, lockedTask, roundId, roundOf, visitOf, uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { Closing } from './closing.tsx'
import { NewRound } from './new-round.tsx'
import { RouteLists } from './route-lists.tsx'
import { PrepareScreen } from './prepare-screen.tsx'
import { RoundsScreen } from './rounds-screen.tsx'
import { RoundScreen } from './round-screen.tsx'

afterEach(cleanup)

const known = (page: RoundPage) => store.dispatch(api.util.upsertQueryData('round', { params: { id: roundId } }, page))
const text = () => document.body.textContent ?? ''

describe('the list of rounds', () => {
  it('has the open ones first, with how far they are, and offers a lead to plan one', async () => {
    await showAs('lead', <RoundsScreen />)
    const head = roundOf({ events: [eventOf(11, 'done', '2026-11-25T08:00:00Z')] }).head
    await store.dispatch(
      api.util.upsertQueryData('rounds', {}, [
        { ...head, recurs: { every: 'quarter', times: 1 } },
        { ...head, id: uuid(901), name: 'Shed', state: 'closed', done: 2, skipped: 1, left: 0 },
      ]),
    )
    const rows = await screen.findAllByRole('link', { name: /done/ })
    expect(rows[0]?.textContent).toContain('Mosi Okonjo · every quarter')
    expect(rows[0]?.textContent).toContain('1 of 3 done')
    expect(rows[1]?.textContent).toContain('closed, 2 of 3 done, 1 skipped')
    expect(screen.getByRole('button', { name: 'Plan a round' })).toBeTruthy()
  })
  it('says what to do where there is none', async () => {
    await showAs('viewer', <RoundsScreen />)
    await store.dispatch(api.util.upsertQueryData('rounds', {}, []))
    await screen.findByText('No round is planned. A lead plans rounds.')
    expect(screen.queryByRole('button', { name: 'Plan a round' })).toBeNull()
  })
})

describe('the plan of a round', () => {
  it('is a list a person: when, which, what, how long and what it is learnt from', async () => {
    const visits = [visitOf(11, { learnt: 4, minutes: 21 }), visitOf(12)]
    await showAs('lead', <RouteLists page={roundOf({ visits })} />)
    const items = within(screen.getByRole('list')).getAllByRole('listitem')
    expect(items[0]?.textContent).toContain('7:10 AMRTU-11 / SF')
    expect(items[0]?.textContent).toContain('Amps and volts · 21 min, from 4 · 2 min to it')
    expect(screen.getByRole('button', { name: 'Move RTU-11 / SF' })).toBeTruthy()
  })
  it('names what found no room and why', async () => {
    const page = roundOf()
    const left = { ...page, route: { ...page.route, left: [{ step: uuid(13), why: 'not before the storm' }] } }
    await showAs('lead', <RouteLists page={left} />)
    expect(screen.getByText('not before the storm')).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Move to top' })).toBeTruthy()
  })
  it('tells what comes before and after a pause, and leaves out what only goes with a machine that found no room', async () => {
    const tasks = [{ ...lockedTask, settle: { minutes: 20, because: 'belts seat first' } }]
    const bare = roundOf({ visits: [visitOf(11, { tasks }), visitOf(12, { tasks })] })
    const proof = { step: `${uuid(11)}:proof`, walkers: [uuid(9)], start: 500, end: 506, travel: 0, waiting: 0 }
    const steps = [...bare.route.steps.slice(0, 1), proof]
    const route = {
      ...bare.route,
      order: [{ walker: uuid(9), steps: steps.map((v) => v.step) }],
      steps,
      left: [
        { step: uuid(12), why: 'no time left' },
        { step: `${uuid(12)}:proof`, why: 'no time left' },
      ],
    }
    await showAs('lead', <RouteLists page={{ ...bare, route }} />)
    const rows = screen.getAllByRole('listitem').map((r) => r.textContent)
    expect(rows).toHaveLength(3)
    expect(rows[1]).toContain('8:20 AMRTU-11 / SF, read again')
    expect(rows[1]).toContain('Belts seat first, 20 min after')
    expect(rows[2]).toContain('RTU-12 / SF')
    expect(text()).toContain('1 visit, done about')
  })
  it('is no mechanic’s to move, nor anybody’s once it is closed', async () => {
    await showAs('mechanic', <RouteLists page={roundOf()} />)
    expect(screen.queryByRole('button', { name: /^Move/ })).toBeNull()
    cleanup()
    const page = roundOf()
    await showAs('lead', <RouteLists page={{ ...page, head: { ...page.head, state: 'closed' } }} />)
    expect(screen.queryByRole('button', { name: /^Move/ })).toBeNull()
  })
})

describe('how a round went', () => {
  const events = [
    eventOf(11, 'began', '2026-11-25T08:00:00Z'),
    eventOf(11, 'done', '2026-11-25T08:12:00Z'),
    eventOf(12, 'skipped', '2026-11-25T08:20:00Z', { note: 'locked by others' }),
  ]
  it('tells levels before and after, minutes against the plan, why something was skipped, and when each is due again', async () => {
    const visits = [visitOf(11, { levelBefore: 'fix', level: 'ok' }), visitOf(12), visitOf(13)]
    await showAs('lead', <Closing page={roundOf({ events, visits })} />)
    const [, first, second] = screen.getAllByRole('row')
    expect(
      within(first as HTMLElement)
        .getAllByRole('cell')
        .map((c) => c.textContent),
    ).toEqual(['Fix', 'OK', '12 of 8', 'Dec 20', 'As usual.'])
    expect(within(first as HTMLElement).getByRole('rowheader').textContent).toBe('RTU-11 / SF')
    expect(second?.textContent).toContain('Skipped: locked by others')
    expect(text()).toContain('1 done, 1 skipped, 1 left')
    expect(
      screen
        .getAllByRole('link')
        .map((a) => a.getAttribute('href'))
        .filter((h) => h?.startsWith('/api')),
    ).toHaveLength(4)
  })
  it('names the phones on which something still is', async () => {
    await showAs(
      'lead',
      <Closing
        page={roundOf({ events, away: [{ device: 'Android 12ab', by: 'Brin Hallow', since: '2026-11-25T07:00:00Z' }] })}
      />,
    )
    expect(text()).toContain('Still on a phone: Brin Hallow (Android 12ab).')
  })
  it('says who closed it, why, and when it comes again; then nobody closes it any more', async () => {
    const closing = { at: '2026-11-25T18:00:00Z', by: 'Tamsin Vale', reason: 'storm', next: '2027-02-25', stood: [] }
    await showAs('lead', <Closing page={roundOf({ events, closing })} />)
    expect(text()).toContain('Closed Nov 25 by Tamsin Vale: storm. It comes again on Feb 25, 2027.')
    expect(screen.queryByRole('button', { name: 'Close the round' })).toBeNull()
  })
  it('is not shown before anything happened, nor closed by a mechanic', async () => {
    await showAs('lead', <Closing page={roundOf()} />)
    expect(screen.queryByText('Round summary')).toBeNull()
    cleanup()
    await showAs('mechanic', <Closing page={roundOf({ events })} />)
    expect(screen.queryByRole('button', { name: 'Close the round' })).toBeNull()
  })
})

describe('a round on its page', () => {
  it('draws the way over the roof with the numbers of its visits, and tells what happened lately', async () => {
    await showAs('mechanic', <RoundScreen />, { path: '/rounds/:id', at: `/rounds/${roundId}` })
    const events = [eventOf(12, 'skipped', '2026-11-25T08:20:00Z', { note: 'no access' })]
    await known(roundOf({ events }))
    const plan = await screen.findByRole('group', { name: 'Route over Hall roof' })
    expect(plan.querySelectorAll('.map-way')).toHaveLength(1)
    expect([...plan.querySelectorAll('.map-number text')].map((t) => t.textContent)).toEqual(['1', '2', '3'])
    expect(text()).toContain('Mosi Okonjo skipped RTU-12 / SF: no access')
    expect(screen.getByRole('button', { name: 'Continue round, 2 left' })).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Download for offline' })).toBeTruthy()
  })
})

describe('preparing', () => {
  it('gathers what to bring by size, hazards, who is told, and readings to beat', async () => {
    await showAs('mechanic', <PrepareScreen />, { path: '/rounds/:id/prepare', at: `/rounds/${roundId}/prepare` })
    const page = pageOf({
      parts: driveParts(),
      visits: [
        visitRecord({
          readings: ['L1', 'L2', 'L3'].map((position, i) => ({
            quantity: 'amps' as const,
            position,
            value: 11 + i / 10,
          })),
        }),
      ],
    })
    const visit = visitOf(5, {
      machineId: page.machine.id,
      level: 'watch',
      headline: 'Down 7 %.',
      tasks: [lockedTask],
      care: { ...noCare, windows: [{ from: 360, to: 600 }], people: 1, hazards: 'Ice.', tell: 'Desk' },
    })
    await store.dispatch(api.util.upsertQueryData('machinePage', { params: { id: page.machine.id } }, page))
    await store.dispatch(
      api.util.upsertQueryData('partLives', {}, [
        { slot: 'belts', n: 12, ended: 8, median: 900, early: 300, late: 1400 },
        { slot: 'wheel', n: 9, ended: 1, median: null, early: 100, late: null },
      ]),
    )
    await known(roundOf({ visits: [visit] }))
    await screen.findByText('Tension gauge')
    expect(text()).toMatch(/Belt [A-Z0-9]+/)
    expect(text()).toContain('RTU-5: Ice.')
    expect(text()).toContain('Desk, before RTU-5 is stopped')
    expect(text()).toContain('11.0 11.1 11.2 A')
    expect(text()).toContain('may be shut down 6:00 AM–10:00 AM')
    expect(text()).toContain('Watch Down 7 %.')
    expect(text()).toMatch(/RTU-5 \/ SF belts, .* years in service, a quarter failed by 10 months/)
    expect(text()).not.toContain('RTU-5 / SF wheel')
  })
  it('is shown whole, and says which machines could not be loaded', async () => {
    await showAs('mechanic', <PrepareScreen />, { path: '/rounds/:id/prepare', at: `/rounds/${roundId}/prepare` })
    await known(roundOf({ visits: [visitOf(5, { machineId: '017e1d3c-542a-73df-8f78-f7d5396f2fa1' })] }))
    expect(screen.getByRole('status', { name: 'Loading' })).toBeTruthy()
    expect(screen.queryByText('Bring')).toBeNull()
    // Nobody answers here.
    await screen.findByText('1 machine could not be loaded: parts and tools for it are missing here.')
  })
})

describe('planning a round', () => {
  const due = (n: number, dueAt: string) => ({
    ...visitOf(n),
    tasks: [
      { ...visitOf(n).tasks[0], task: 'amps', dueAt },
      { ...visitOf(n).tasks[0], task: 'filters', title: 'Filters', dueAt: '2027-05-01T00:00:00Z' },
    ],
  })
  async function open(role: 'lead' | 'mechanic' = 'lead') {
    const shown = await showAs(role, <NewRound />)
    const places = {
      sites: [
        {
          id: uuid(1),
          name: 'Ferry terminal',
          zone: 'UTC',
          hertz: null,
          units: 'us' as const,
          paper: 'letter' as const,
          weekStart: 'sunday' as const,
          version: 1,
        },
      ],
      areas: [],
      units: [],
    }
    await store.dispatch(api.util.upsertQueryData('places', {}, places))
    await store.dispatch(
      api.util.upsertQueryData('dueMachines', { query: { sites: uuid(1) } }, [
        due(11, '2026-11-20T00:00:00Z'),
        due(12, '2027-04-01T00:00:00Z'),
      ] as never),
    )
    return shown
  }
  it('picks what is due by the day, says why, and lets a hand pick otherwise', async () => {
    const { user } = await open()
    await screen.findByText('1 of 2 machines selected')
    expect(text()).toContain('Never done, every 92 days.')
    expect(screen.getByRole('button', { name: /^Plan 1 visit, / })).toBeTruthy()
    await user.click(screen.getByRole('checkbox', { name: /RTU-12 \/ SF/ }))
    expect(screen.getByRole('button', { name: /^Plan 2 visits, / })).toBeTruthy()
    await user.click(screen.getByRole('checkbox', { name: /RTU-11 \/ SF/ }))
    expect(screen.getByText('1 of 2 machines selected')).toBeTruthy()
  })
  it('says beside the field what is no time', async () => {
    const { user } = await open()
    const from = await screen.findByLabelText('Person 1, from')
    await user.clear(from)
    await user.type(from, 'seven')
    expect(screen.getByText('a time such as 7:00')).toBeTruthy()
    await user.type(screen.getByLabelText('Hot hours outdoors'), '15:00-12:00')
    expect(screen.getByText(/earlier first, such as 12:00–15:30/)).toBeTruthy()
  })
  it('is a lead’s', async () => {
    await open('mechanic')
    expect(screen.getByText('Only a lead can plan rounds.')).toBeTruthy()
  })
})
