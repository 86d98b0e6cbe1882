import { noCare } from '@motor-round/contract'
import { cleanup, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { cacheAnswer } from '../../offline/core/cache.ts'
import { markThisPhone } from '../../offline/core/mark.ts'
import { store } from '../../offline/core/store.ts'
import { pageOf } from '../../test/machine-page.test-help.ts'
import { eventOf, lockedTask, me, roundId, roundOf, visitOf, uuid } from '../../test/round.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { WalkScreen } from './walk-screen.tsx'

const session = {
  person: { ...me, login: 'okonjo', role: 'mechanic', disabledAt: null },
  csrf: 't',
  organization: 'x',
  now: '2026-11-25T09:00:00Z',
}
/** The walk on a phone that took the round along and has no signal. */
async function walk(round = roundOf(), role: 'mechanic' | 'viewer' = 'mechanic') {
  await cacheAnswer(`/rounds/${roundId}`, round)
  await cacheAnswer('/session', session)
  await cacheAnswer('/places', {
    sites: [{ id: uuid(1), name: 'Ferry terminal', zone: 'America/Halifax', version: 1 }],
    areas: [{ id: uuid(2), siteId: uuid(1), name: 'Hall roof', kind: 'roof', version: 1 }],
    units: [],
  })
  const shown = await showAs(role, <WalkScreen />, { path: '/rounds/:id/walk', at: `/rounds/${roundId}/walk` })
  await screen.findByRole('list', { name: 'Visits of this round' })
  return shown
}
const button = (name: RegExp | string) => screen.getByRole('button', { name })
const here = () => screen.getByRole('heading', { level: 2 }).textContent
const line = async () =>
  (await store.outbox.toArray()).map((w) => (w.kind === 'event' ? `${w.body.kind} ${w.body.machineId ?? ''}` : w.kind))

beforeEach(async () => {
  localStorage.clear()
  markThisPhone()
  await Promise.all(store.tables.map((t) => t.clear()))
})
afterEach(cleanup)

describe('a walk without a signal', () => {
  it('stands at the first visit that is open, with what is to be done and why, and what to beware of', async () => {
    const first = visitOf(11, {
      tasks: [lockedTask],
      care: {
        ...noCare,
        windows: [{ from: 360, to: 600 }],
        people: 1,
        hazards: 'Ice on the ladder.',
        tell: 'Terminal desk',
      },
    })
    await walk(roundOf({ visits: [first, visitOf(12)] }))
    expect(here()).toBe('RTU-11 / SF')
    const text = screen.getByRole('region', { name: 'RTU-11 / SF' }).textContent ?? ''
    expect(text).toContain('Belts, bearings and wheel · lock out firstNever done, every 92 days.')
    expect(text).toContain('Notify Terminal desk before shutdown.')
    expect(text).toContain('Ice on the ladder.')
    expect(text).toContain('May be shut down 6:00 AM–10:00 AM.')
    expect(button('Next: RTU-12 / SF')).toBeTruthy()
  })
  it('goes to the visit with the plan that carries its tasks, and says that it was begun', async () => {
    const { user, router } = await walk(roundOf({ visits: [visitOf(11, { tasks: [lockedTask] })] }))
    await user.click(button('Take readings'))
    await waitFor(() => expect(router.state.location.pathname).toBe(`/machines/${uuid(11)}/visit`))
    expect(router.state.location.search).toBe(`?round=${roundId}&scope=drive`)
    expect(await line()).toEqual([`began ${uuid(11)}`])
  })
  it('skips with a reason and not without, and stands at the next', async () => {
    const { user } = await walk()
    await user.click(button('Skip'))
    const why = await screen.findByLabelText('Why RTU-11 / SF is skipped')
    expect(button('Skip')).toHaveProperty('disabled', true)
    await user.type(why, 'locked by others')
    await user.click(button('Skip'))
    await waitFor(() => expect(here()).toBe('RTU-12 / SF'))
    const [kept] = await store.outbox.toArray()
    expect(kept?.kind === 'event' && kept.body).toMatchObject({ kind: 'skipped', note: 'locked by others' })
    expect(button(/^1, RTU-11 \/ SF, skipped/)).toBeTruthy()
  })
  it('puts a visit off: the order follows', async () => {
    const { user } = await walk()
    await user.click(button('Later'))
    await waitFor(() => expect(here()).toBe('RTU-12 / SF'))
    const marks = within(screen.getByRole('list', { name: 'Visits of this round' })).getAllByRole('button')
    expect(marks.map((m) => m.getAttribute('aria-label')?.split(',')[1]?.trim())).toEqual([
      'RTU-12 / SF',
      'RTU-11 / SF',
      'RTU-13 / SF',
    ])
  })
  it('fills marks by what is done, as it was judged on this phone', async () => {
    const body = {
      id: uuid(70),
      machineId: uuid(11),
      takenAt: '2026-11-25T08:00:00Z',
      state: { settled: null, mode: null, filters: null, panels: null, twin: null, turning: null },
      readings: [],
    }
    await store.outbox.add({
      kind: 'visit',
      body,
      status: 'pending' as const,
      why: '',
      dependsOn: [],
      author: '',
      authorName: '',
      level: 'watch',
      readings: 0,
    })
    await store.outbox.add({
      kind: 'event',
      body: { id: uuid(71), roundId, machineId: uuid(11), kind: 'done', at: '2026-11-25T08:00:00Z' },
      status: 'pending' as const,
      why: '',
      dependsOn: [],
      author: '',
      authorName: '',
      level: null,
      readings: 0,
    })
    await walk()
    expect(button('1, RTU-11 / SF, done, Watch')).toBeTruthy()
    expect(here()).toBe('RTU-12 / SF')
  })
  it('adds a machine on record that is on this phone', async () => {
    const page = pageOf()
    await cacheAnswer(`/machines/${page.machine.id}`, page)
    const { user } = await walk()
    await user.click(button('Add a machine'))
    await user.type(await screen.findByLabelText('Tag or name'), 'ahu-9')
    await user.click(await screen.findByRole('button', { name: /AHU-9 \/ SF/ }))
    await waitFor(() => expect(here()).toBe('AHU-9 / SF'))
    expect(await line()).toEqual([`added ${page.machine.id}`])
    expect(screen.getByText('Added during the round: amps and volts.')).toBeTruthy()
  })
  it('adds a unit nobody had on record, which can be visited before it is synced', async () => {
    const { user } = await walk()
    await user.click(button('Add a machine'))
    await user.click(await screen.findByRole('button', { name: 'It is not in the list' }))
    expect(button('Add unit')).toHaveProperty('disabled', true)
    await user.type(screen.getByLabelText('Unit tag'), 'EF-77')
    // The supply is asked for, not guessed.
    expect(button('Add unit')).toHaveProperty('disabled', true)
    await user.type(screen.getByLabelText(/^Supply/), '4800')
    expect(screen.getByText('above 0, at most 1000 V')).toBeTruthy()
    expect(button('Add unit')).toHaveProperty('disabled', true)
    await user.type(screen.getByLabelText(/^Supply/), '{Backspace}')
    await user.click(button('Direct'))
    await user.click(button('Add unit'))
    await waitFor(() => expect(here()).toBe('EF-77 / SF'))
    const [first] = await store.outbox.toArray()
    expect(first?.kind === 'found' && first.body.machine).toMatchObject({ serviceVolts: 480, drive: 'direct' })
    const kinds = await line()
    expect(kinds[0]).toBe('found')
    expect(kinds[1]).toMatch(/^added /)
  })
  it('says when every visit is seen to', async () => {
    const events = [11, 12, 13].map((n) => eventOf(n, 'done', '2026-11-25T08:00:00Z'))
    await walk(roundOf({ events }))
    expect(screen.getByText(/All visits are done/)).toBeTruthy()
    expect(screen.queryByRole('button', { name: /^Next/ })).toBeNull()
  })
  it('lets a viewer look and not write', async () => {
    await walk(roundOf(), 'viewer')
    expect(screen.queryByRole('button', { name: 'Take readings' })).toBeNull()
    expect(screen.queryByRole('button', { name: 'Add a machine' })).toBeNull()
  })
  it('locks out, goes on with the next meanwhile, comes back, and reads again when it has settled', async () => {
    const pauses = {
      rest: { minutes: 15, because: 'the bus of its drive empties' },
      settle: { minutes: 20, because: 'belts seat first' },
    }
    const visits = [visitOf(11, { tasks: [{ ...lockedTask, ...pauses }] }), visitOf(12)]
    const bare = roundOf({ visits })
    const timed = (step: string, start: number) => ({
      step,
      walkers: [me.id],
      start,
      end: start + 6,
      travel: 0,
      waiting: 0,
    })
    const steps = [`${uuid(11)}:lock`, uuid(12), uuid(11), `${uuid(11)}:proof`]
    const route = {
      ...bare.route,
      order: [{ walker: me.id, steps }],
      steps: steps.map((v, i) => timed(v, 430 + i * 25)),
    }
    await walk({ ...bare, route })
    expect(here()).toBe('RTU-11 / SF, lock out')
    expect(document.body.textContent).toContain('wait 15 minThe bus of its drive empties.')
    expect(button('Lock out')).toBeTruthy()
    cleanup()
    await walk({ ...bare, route, events: [eventOf(11, 'began', '2026-11-25T08:00:00Z')] })
    expect(here()).toBe('RTU-12 / SF')
    expect(button('Next: RTU-11 / SF')).toBeTruthy()
    // Going there is not yet switching off: its clock runs from when it was started in its visit.
    const leftAlone = () => screen.getByRole('list', { name: 'Waiting' }).textContent
    expect(leftAlone()).toBe('RTU-11 / SFLocked out? Start the timer in its visit.')
    cleanup()
    const draft = (minutesAgo: number) =>
      localStorage.setItem(
        `motor-round-visit ${uuid(11)} `,
        JSON.stringify({ id: 'x', typed: {}, waits: { bus: Date.now() - minutesAgo * 60_000 } }),
      )
    draft(5)
    await walk({ ...bare, route, events: [eventOf(11, 'began', '2026-11-25T08:00:00Z')] })
    expect(leftAlone()).toMatch(/^RTU-11 \/ SF(10:00|9:5\d)The bus of its drive empties\.$/)
    cleanup()
    draft(16)
    await walk({ ...bare, route, events: [eventOf(11, 'began', '2026-11-25T08:00:00Z')] })
    expect(leftAlone()).toBe('RTU-11 / SFnowGo back and prove it de-energized.')
    cleanup()
    const events = [
      eventOf(11, 'began', '2026-11-25T08:00:00Z'),
      eventOf(12, 'done', '2026-11-25T08:20:00Z', { visitId: uuid(71) }),
      eventOf(11, 'done', '2026-11-25T08:50:00Z', { visitId: uuid(72) }),
    ]
    const { user, router } = await walk({ ...bare, route, events })
    expect(here()).toBe('RTU-11 / SF, read again')
    expect(document.body.textContent).toContain('Amps and volts again, 20 min after the workBelts seat first.')
    expect(document.body.textContent).toContain('3 of 4 done')
    await user.click(button('Re-read'))
    await waitFor(() => expect(router.state.location.search).toContain('scope=running'))
  })
})
