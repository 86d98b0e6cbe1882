import { machineListPage, type MachineRow as Row } from '@motor-round/contract'
import { cleanup, screen } from '@testing-library/react'
import { renderToStaticMarkup } from 'react-dom/server'
import { MemoryRouter } from 'react-router'
import { afterEach, describe, expect, it } from 'vitest'
import { showAs } from '../../test/show.test-help.tsx'
import { MachineList } from './index.ts'
import { MachineRow } from './machine-row.tsx'

afterEach(cleanup)

const now = Date.parse('2026-11-25T09:00:00Z')
const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
const row = (over: Partial<Row> = {}): Row =>
  machineListPage.shape.rows.element.parse({
    machineId: uuid(1),
    siteId: uuid(2),
    areaId: uuid(3),
    unitTag: 'AHU-9',
    tag: 'SF',
    purpose: 'Hall supply',
    siteName: 'Ferry terminal',
    areaName: 'Hall roof',
    level: 'fix',
    headline: '106 % of the 460 V nameplate on all three legs: 13.6 of 12.8 A.',
    found: null,
    conditions: [],
    confidence: 'full',
    rail: {
      allowed: 12.8,
      columnVolts: 460,
      source: 'motor plate',
      legs: [13.4, 13.5, 13.6].map((amps, i) => ({ name: `L${i + 1}`, amps })),
      usual: { low: 11.8, high: 12.2 },
    },
    meanVolts: 479,
    spark: [0.9, 0.95, 1.06],
    seenAt: '2026-11-24T15:00:00Z',
    dueAt: '2026-12-20T09:00:00Z',
    ...over,
  })
const html = (r: Row) =>
  renderToStaticMarkup(
    <MemoryRouter>
      <MachineRow row={r} now={now} />
    </MemoryRouter>,
  )
const cells = (r: Row) => {
  const page = document.createElement('div')
  page.innerHTML = html(r)
  return [...page.querySelectorAll('[role="cell"]')].map((c) => (c.textContent ?? '').trim())
}

describe('a machine’s row on the Roof', () => {
  it('tells how bad, which, how loaded, why, when seen and when due, every figure with its unit', () => {
    const [level, tag, , amps, says, , seen, due] = cells(row())
    expect(level).toBe('Fix')
    expect(tag).toBe('AHU-9 / SFHall supply')
    expect(amps).toBe('13.4  13.5  13.6of 12.8 A at 479 V')
    expect(says).toContain('106 % of the 460 V nameplate')
    expect(seen).not.toBe('never')
    expect(due).not.toBe('now')
  })
  it('leads to its machine', () => expect(html(row())).toContain(`href="/machines/${uuid(1)}"`))
  it('draws the rail with its legs for who cannot see it', () =>
    expect(html(row())).toMatch(/aria-label="[^"]*L1 13\.4, L2 13\.5, L3 13\.6 ampere, 106 % of nameplate/))
  it('level Stop is due now, whatever the calendar says', () => {
    const all = cells(row({ level: 'stop', dueAt: '2027-01-01T00:00:00Z' }))
    expect(all[0]).toBe('Stop')
    expect(all.at(-1)).toBe('now')
  })
  it('what was found there is told, first where it is worse than what was read', () => {
    const told = (over: Partial<NonNullable<Row['found']>>, level: Row['level'] = 'fix') => {
      const all = cells(
        row({
          level,
          headline: 'Read.',
          found: { level: 'watch', text: 'Guard off', open: true, until: null, more: 0, ...over },
        }),
      )
      return [all[0], all[4], all.at(-1)]
    }
    expect(told({ level: 'stop', more: 2 })).toEqual(['Stop', 'Found: Guard off, and 2 more. Read.', 'now'])
    expect(told({ level: 'watch' }).slice(0, 2)).toEqual(['Fix', 'Read. Found: Guard off.'])
    // What was put off is told and raises nothing.
    expect(told({ level: 'stop', open: false, until: '2026-12-01' }, 'ok').slice(0, 2)).toEqual([
      'OK',
      'Read. Found, put off to Dec 1: Guard off.',
    ])
  })
  it('says how much more is open, and tells a finding once', () => {
    const line = (because: string, key = 'over-amp@') => ({
      key,
      level: 'fix' as const,
      subject: 'motor' as const,
      because,
      next: '',
      since: 0,
      by: null,
    })
    const found = { level: 'fix' as const, text: 'Guard off', open: true, until: null, more: 0 }
    const says = (over: Partial<Row>) => cells(row(over))[4]
    expect(says({ headline: 'A.', conditions: [line('A.'), line('B.', 'fuses@L1')] })).toBe('A. 1 more open.')
    expect(says({ headline: 'Guard off', found, conditions: [line('Guard off', 'finding@1')] })).toBe('Guard off')
  })
  it('the past day is told as late', () => {
    expect(html(row({ level: 'ok', dueAt: '2026-11-01T00:00:00Z' }))).toContain('list-late')
    expect(html(row({ level: 'ok' }))).not.toContain('list-late')
  })
  it('a machine nobody has read asks for its first visit and shows no figure', () => {
    const [level, , rail, amps, says, , seen] = cells(
      row({ level: null, headline: '', rail: null, meanVolts: null, spark: [], seenAt: null }),
    )
    expect(level).not.toBe('OK')
    expect(rail).toBe('')
    expect(amps).toBe('no amps yet')
    expect(says).toBe('No visit yet. Take the first readings.')
    expect(seen).toBe('never')
  })
  it('amps without a plate have no limit to stand against', () => {
    const rail = { ...row().rail, allowed: null, columnVolts: null, source: null }
    expect(cells(row({ rail: rail as Row['rail'] }))[3]).toContain('no nameplate limit')
  })
  it('is named by its area where it has no purpose', () =>
    expect(cells(row({ purpose: '' }))[1]).toBe('AHU-9 / SFHall roof'))
})

describe('the Roof without a server', () => {
  it('says that the list cannot be read, and shows no empty one', async () => {
    await showAs('viewer', <MachineList />)
    expect((await screen.findByText(/The list cannot be loaded/)).textContent).not.toBe('')
    expect(screen.queryByText('No machines')).toBeNull()
  })
})
