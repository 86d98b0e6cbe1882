import { usUnits } from '@motor-round/core/quantity'
import { readColumns } from '@motor-round/core/plate'
import { cleanup, screen, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { store } from '../../offline/core/store.ts'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { VisitForm } from './visit-form.tsx'

beforeEach(() => localStorage.clear())
afterEach(cleanup)

const draft = () =>
  JSON.parse(localStorage.getItem(`motor-round-visit ${machineId} `) ?? '{}') as Record<string, unknown>
const cell = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const told = () => document.querySelector('.visit-told')?.textContent ?? ''
const judged = () => document.body.textContent ?? ''
const phase = (name: RegExp) => within(screen.getByRole('navigation', { name: 'Phases' })).getByRole('button', { name })
const check = (name: RegExp) => within(screen.getByRole('navigation', { name: 'Checks' })).getByRole('button', { name })
const choice = (group: string, word: string) =>
  within(screen.getByRole('group', { name: group })).getByRole('button', { name: word })
const volts = ['L1-L2', 'L2-L3', 'L3-L1'].map((p) => `Volts, line to line, ${p}, V`)
const amps = ['L1', 'L2', 'L3'].map((p) => `Amps, ${p}, A`)

describe('a visit of running amps', () => {
  it('starts at the first volt cell; digits and Enter walk it; it is judged before the last Enter', async () => {
    const { user } = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    expect(cell(volts[0] ?? '')).toBe(document.activeElement)
    for (const v of ['479', '478', '480', '13.4', '13.5']) await user.keyboard(`${v}{Enter}`)
    expect(cell(amps[2] ?? '')).toBe(document.activeElement)
    await user.keyboard('13.6')
    // 13.6 of 12.8 A is 106 %.
    expect(readColumns('460', '12.8')[0]?.amps).toBe(12.8)
    expect(told()).toContain('106 % of the 460 V nameplate on all three legs: 13.6 of 12.8 A.')
    expect(screen.getByRole('img', { name: /L1 13.4, L2 13.5, L3 13.6 ampere, 106 % of nameplate/ })).toBeTruthy()
  })

  it('keeps every key on the device, and finds it again', async () => {
    const first = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    await first.user.keyboard('479{Enter}47')
    expect(draft()['typed']).toEqual({ 'volts_ll L1-L2': '479', 'volts_ll L2-L3': '47' })
    const { id } = draft()
    cleanup()
    await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    expect(cell(volts[1] ?? '').value).toBe('47')
    expect(draft()['id']).toBe(id)
  })

  it('asks about ten times the usual before it goes on, and takes yes for an answer', async () => {
    const visits = [1, 2, 3].map((n) =>
      visitRecord({
        id: `00000000-0000-7000-8000-00000000010${n}`,
        takenAt: `2026-0${n}-25T09:00:00Z`,
        readings: ['L1', 'L2', 'L3'].map((position) => ({ quantity: 'amps', position, value: 9.8 })),
      }),
    )
    const { user } = await showAs('mechanic', <VisitForm page={pageOf({ visits })} old={null} units={usUnits} />)
    await user.click(cell(amps[0] ?? ''))
    await user.keyboard('98{Enter}')
    expect(screen.getByRole('alert').textContent).toContain('Is that right?')
    expect(cell(amps[0] ?? '').value).toBe('98')
    // What is typed next replaces the doubted figure.
    await user.keyboard('98')
    expect(cell(amps[0] ?? '').value).toBe('98')
    await user.keyboard('{Enter}')
    await user.click(screen.getByRole('button', { name: 'Yes, correct' }))
    expect(cell(amps[1] ?? '')).toBe(document.activeElement)
    expect(draft()['meant']).toHaveLength(1)
  })

  it('names a text that is no figure and does not pass it by', async () => {
    const { user } = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    await user.keyboard('4..8{Enter}')
    expect(screen.getByRole('alert').textContent).toContain('“4..8” is not a number.')
    expect(cell(volts[0] ?? '')).toBe(document.activeElement)
  })

  it('takes a comma for a point', async () => {
    const { user } = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    await user.click(cell(amps[0] ?? ''))
    await user.keyboard('9,8')
    expect(cell(amps[0] ?? '').value).toBe('9.8')
  })

  it('is kept on this phone when the server is out of reach, to sync by itself', async () => {
    const { user } = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    for (const v of ['479', '478', '480', '9.4', '9.5', '9.6']) await user.keyboard(`${v}{Enter}`)
    await user.click(screen.getByRole('button', { name: 'Save visit' }))
    await screen.findByText(/saved on this phone, 6 readings/)
    const [waiting] = await store.outbox.toArray()
    expect(waiting).toMatchObject({ kind: 'visit', readings: 6, status: 'pending' as const, why: '', level: 'ok' })
    await store.outbox.clear()
  })

  it('stays on the page where this phone keeps nothing, and says so', async () => {
    const { user } = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    for (const v of ['479', '478', '480', '9.4', '9.5', '9.6']) await user.keyboard(`${v}{Enter}`)
    const full = vi
      .spyOn(store.outbox, 'add')
      .mockRejectedValue(Object.assign(new Error('full'), { name: 'QuotaExceededError' }))
    await user.click(screen.getByRole('button', { name: 'Save visit' }))
    expect((await screen.findByText(/This phone is full/)).textContent).toContain('still here')
    expect(draft()['typed']).toMatchObject({ 'amps L3': '9.6' })
    full.mockRestore()
  })

  it('is closed by Escape, with nothing lost', async () => {
    const { user, router } = await showAs('mechanic', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    await user.keyboard('479{Escape}')
    expect(router.state.location.pathname).toBe(`/machines/${machineId}`)
    expect(draft()['typed']).toEqual({ 'volts_ll L1-L2': '479' })
  })

  it('is not offered to somebody who only looks', async () => {
    await showAs('viewer', <VisitForm page={pageOf()} old={null} units={usUnits} />)
    expect(screen.getByText(/signed in as a viewer/)).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Save visit' })).toBeNull()
  })
})

describe('a correction', () => {
  it('starts with what was read, how it was taken, and its instant', async () => {
    const old = visitRecord({
      readings: [
        { quantity: 'amps', position: 'L1', value: 9.8, how: 'meter', spread: 0.1 },
        { quantity: 'amps', position: 'L2', value: 9.7 },
      ],
    })
    const { user } = await showAs('mechanic', <VisitForm page={pageOf({ visits: [old] })} old={old} units={usUnits} />)
    expect(cell(amps[0] ?? '').value).toBe('9.8')
    await user.click(cell(amps[1] ?? ''))
    await user.keyboard('{Backspace}9')
    const kept = JSON.parse(localStorage.getItem(`motor-round-visit ${machineId} ${old.id}`) ?? '{}') as {
      taken: object
      takenAt: string
    }
    expect(kept.takenAt).toBe(old.takenAt)
    expect(kept.taken).toEqual({ 'amps L1': { how: 'meter', spread: 0.1 } })
    // Nothing of a correction mixes with a new visit's draft.
    expect(draft()).toEqual({})
  })
})

describe('the walk of everything', () => {
  const whole = async (page = pageOf()) => {
    const shown = await showAs('mechanic', <VisitForm page={page} old={null} units={usUnits} />)
    await shown.user.click(phase(/^Inspect/))
    await shown.user.click(choice('This visit', 'Full electrical'))
    return shown
  }

  it('keeps Dead shut until it is locked and proven, and leads back to what is missing', async () => {
    const { user } = await whole()
    await user.click(phase(/^Dead tests/))
    const gate = screen.getByRole('region', { name: 'Gate' })
    expect(gate.textContent).toContain('Locked: prove de-energized first')
    await user.click(screen.getByRole('button', { name: 'Enter what is missing' }))
    await user.click(choice('Disconnect open, locked, tagged', 'Yes'))
    await user.type(cell('Lock or tag number'), '17')
    await user.click(choice('Second feed, control feed, twin’s breaker', 'None'))
    await user.click(choice('The wheel is', 'Still'))
    await user.click(check(/^Prove dead/))
    for (const v of ['478', '0', '0.1', '0', '0.2', '0', '0.1', '478']) await user.keyboard(`${v}{Enter}`)
    await user.click(phase(/^Dead tests/))
    expect(screen.queryByRole('region', { name: 'Gate' })).toBeNull()
    expect(screen.getByRole('heading', { level: 2 }).textContent).not.toBe('')
  })

  it('a leg that is alive shuts it for everybody, with the leg and the reason', async () => {
    const { user } = await whole()
    await user.click(phase(/^Lock out/))
    await user.click(check(/^Prove dead/))
    for (const v of ['478', '0', '0', '0', '0', '277', '0', '478']) await user.keyboard(`${v}{Enter}`)
    expect(judged()).toContain('L2 is live')
    await user.click(phase(/^Dead tests/))
    expect(within(screen.getByRole('region', { name: 'Gate' })).getByRole('alert').textContent).toContain('L2')
    expect(screen.queryByRole('button', { name: 'Override' })).toBeNull()
  })

  it('a gate is passed by name and reason, kept in the draft', async () => {
    const { user } = await whole()
    await user.click(phase(/^Dead tests/))
    await user.click(screen.getByRole('button', { name: 'Override' }))
    await user.type(cell('Reason'), 'proven by the electrician, lock 4')
    await user.click(screen.getByRole('button', { name: 'Override' }))
    expect(draft()['passes']).toMatchObject([
      { gate: 'dead', by: 'Mosi Okonjo', reason: 'proven by the electrician, lock 4' },
    ])
    expect(screen.queryByRole('region', { name: 'Gate' })).toBeNull()
  })

  it('a drive’s bus is waited out by a clock that a reload does not stop', async () => {
    const page = pageOf({ machine: { hasVfd: true } })
    const { user } = await whole(page)
    await user.click(phase(/^Lock out/))
    await user.click(check(/^Prove dead/))
    await user.click(screen.getByRole('button', { name: 'Drive bus draining: wait 15 min' }))
    expect(screen.getByRole('timer').textContent).toBe('15:00')
    // The cursor is where it was: the wait is started in passing.
    expect(cell('Meter proven, before, Known source, V')).toBe(document.activeElement)
    const began = (draft()['waits'] as Record<string, number>)['bus'] ?? 0
    cleanup()
    // A reload four minutes on.
    localStorage.setItem(
      `motor-round-visit ${machineId} `,
      JSON.stringify({ ...draft(), waits: { bus: began - 240_000 } }),
    )
    const again = await showAs('mechanic', <VisitForm page={page} old={null} units={usUnits} />)
    await again.user.click(phase(/^Lock out/))
    await again.user.click(check(/^Prove dead/))
    expect(screen.getByRole('timer').textContent).toMatch(/^(11:00|10:5\d)$/)
    await again.user.click(screen.getByRole('button', { name: 'Off' }))
    expect(draft()['waits']).toEqual({})
  })

  it('when the wait is over it says what is done next, not that it is safe', async () => {
    const page = pageOf({ machine: { hasVfd: true } })
    await whole(page)
    localStorage.setItem(
      `motor-round-visit ${machineId} `,
      JSON.stringify({ ...draft(), waits: { bus: Date.now() - 901_000 } }),
    )
    cleanup()
    const again = await showAs('mechanic', <VisitForm page={page} old={null} units={usUnits} />)
    await again.user.click(phase(/^Lock out/))
    await again.user.click(check(/^Prove dead/))
    expect(screen.getByRole('group', { name: 'Drive bus draining' }).textContent).toContain(
      'the meter decides, not the timer',
    )
  })

  it('asks only what this machine has: a single-phase motor has leads and a capacitor, no rotation of three', async () => {
    const { user } = await whole(
      pageOf({
        machine: { phases: 1, serviceVolts: 230, drive: 'direct' },
        plate: { phases: 1, volts: '230', amps: '3.0', power: 0.5, rpm: 1100, sf: 1 },
      }),
    )
    await user.click(phase(/^Lock out/))
    await user.click(check(/^Prove dead/))
    expect(screen.queryByLabelText('Line to line, L2-L3, V')).toBeNull()
    expect(cell('Capacitor, Volts across it, V')).toBeTruthy()
  })
})

describe('a visit of drive and bearings', () => {
  const driveOf = async (page = pageOf()) => {
    const shown = await showAs('mechanic', <VisitForm page={page} old={null} units={usUnits} />)
    await shown.user.click(phase(/^Inspect/))
    await shown.user.click(choice('This visit', 'Drive and bearings'))
    return shown.user
  }
  const passed = async (user: Awaited<ReturnType<typeof driveOf>>) => {
    await user.click(phase(/^Dead tests/))
    await user.click(screen.getByRole('button', { name: 'Override' }))
    await user.type(cell('Reason'), 'lock 4 of the electrician')
    await user.click(screen.getByRole('button', { name: 'Override' }))
  }

  it('waits for the Dead gate, and for no gate of an electrical visit', async () => {
    await driveOf()
    expect(phase(/^Dead tests/).textContent).toContain('locked')
    expect(phase(/^Live tests/).textContent).not.toContain('locked')
    expect(
      within(screen.getByRole('navigation', { name: 'Phases' })).queryByRole('button', { name: /^Power up/ }),
    ).toBeNull()
  })

  it('words are judged as they are chosen, and taken back when they are chosen again', async () => {
    const user = await driveOf()
    await passed(user)
    await user.click(check(/^Belts and sheaves/))
    await user.click(choice('Tension', 'Slack'))
    expect(told()).toContain('so the amps do not show the fan load')
    await user.click(choice('Tension', 'Right'))
    expect(told()).toContain('Belt and sheaves good.')
    expect(draft()).toMatchObject({ scope: 'drive', answers: { 'belt.tension': 'right' } })
  })

  it('a cracked blade is level Stop', async () => {
    const user = await driveOf()
    await passed(user)
    await user.click(check(/^Wheel/))
    await user.click(choice('Blades, hub', 'Cracked'))
    expect(told()).toContain('it can come apart')
    expect(judged()).toContain('Stop')
  })

  it('vibration is judged by the motor’s size and how it stands, by the standard', async () => {
    const shaking = async (mounting: 'flexible' | 'rigid') => {
      const user = await driveOf(pageOf({ machine: { layout: { mounting } } }))
      await user.click(phase(/^Live tests/))
      await user.click(check(/^Vibration/))
      await user.click(cell('Drive end, Horizontal, in/s'))
      await user.keyboard('0.42')
      return told()
    }
    expect(await shaking('flexible')).toContain('below the alarm of 0.65')
    cleanup()
    localStorage.clear()
    expect(await shaking('rigid')).toContain('over the alarm of 0.40 in/s')
  })

  it('says what this span asks for before it is measured, and judges what was pressed', async () => {
    const user = await driveOf(pageOf({ parts: driveParts(), machine: { layout: { center: 470 } } }))
    await passed(user)
    await user.click(check(/^Belt tension/))
    expect(document.querySelector('.check-advice')?.textContent).toMatch(/^Press 0\.\d\d in: \d+\.\d lbf used/)
    await user.click(cell('Pressed, How far, in'))
    await user.keyboard('0.3{Enter}2')
    expect(told()).toContain('Slack')
    await user.keyboard('8')
    expect(told()).toContain('Too tight')
  })

  it('a direct drive is not asked for its belt', async () => {
    const user = await driveOf(pageOf({ machine: { drive: 'direct' } }))
    await passed(user)
    expect(
      within(screen.getByRole('navigation', { name: 'Checks' })).queryByRole('button', { name: /^Belts/ }),
    ).toBeNull()
    expect(check(/^Bearings/)).toBeTruthy()
  })
})
