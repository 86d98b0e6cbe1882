import { coreVisit, judgeInput, speaking, type MachinePage, type VisitRecord } from '@motor-round/contract'
import { pastChanges } from '@motor-round/core/speed-change'
import { judge } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import { driveParts } from '../../test/drive.test-help.ts'
import { machineId, pageOf, visitRecord } from '../../test/machine-page.test-help.ts'
import { showAs } from '../../test/show.test-help.tsx'
import { SpeedChangeLine, wayBack } from './speed-change-line.tsx'
import { WorkPanel } from './work-panel.tsx'

afterEach(cleanup)

const now = Date.parse('2026-11-25T09:00:00Z')
const visit = (n: number, takenAt: string, amps: number): VisitRecord =>
  visitRecord({
    id: `00000000-0000-7000-8000-00000000060${n}`,
    takenAt,
    readings: [
      ...['L1-L2', 'L2-L3', 'L3-L1'].map((position) => ({ quantity: 'volts_ll' as const, position, value: 478 })),
      ...['L1', 'L2', 'L3'].map((position) => ({ quantity: 'amps' as const, position, value: amps })),
    ],
  })
const turned = {
  id: '00000000-0000-7000-8000-000000000650',
  machineId,
  doneAt: '2026-06-10T09:00:00Z',
  kind: 'sheave-turned' as const,
  note: 'to bring it down',
  turns: { before: 2, after: 2.5 },
  by: 'Mosi Okonjo',
}
const page = (over: Partial<MachinePage> = {}): MachinePage => ({
  ...pageOf({
    parts: driveParts(),
    visits: [visit(2, '2026-07-01T09:00:00Z', 12.2), visit(1, '2026-06-01T09:00:00Z', 12.7)],
  }),
  work: [turned],
  ...over,
})
const judged = (p: MachinePage) => {
  const standing = speaking(p)
  if (!standing || !p.motor) throw new Error('it was read, and has a motor')
  const input = judgeInput({ ...p, motors: [p.motor], policies: defaultPolicies }, standing)
  return { input, judgement: judge(input), changes: pastChanges(input) }
}

describe('the work of a machine', () => {
  it('stands with what it did to the amps, and what was predicted of it; parts that were installed are among it', async () => {
    const p = page()
    await showAs(
      'viewer',
      <WorkPanel page={p} visits={p.visits.map(coreVisit)} changes={judged(p).changes} now={now} />,
    )
    const text = document.body.textContent ?? ''
    expect(text).toMatch(
      /Jun 10 · sheave from 2 turns to 2½ turns open: to bring it down 12\.7 → 12\.2 A \(predicted: 12\.\d A\) Mosi Okonjo/,
    )
    expect(text).toContain('May 1, 2024 · new belt set')
  })
  it('says what was before where nobody has read it since', async () => {
    const p = page({ visits: [visit(1, '2026-06-01T09:00:00Z', 12.7)] })
    await showAs('viewer', <WorkPanel page={p} visits={p.visits.map(coreVisit)} changes={[]} now={now} />)
    expect(document.body.textContent).toContain('12.7 A before, not read since')
  })
})

describe('the speed change in one line', () => {
  it('says the way back under the plate with its interval, and leads to the speed change', async () => {
    const p = page({ visits: [visit(1, '2026-07-01T09:00:00Z', 13.1)], work: [] })
    const { input, judgement, changes } = judged(p)
    const way = wayBack(input, judgement, changes)
    if (!way) throw new Error('there is a way')
    await showAs('viewer', <SpeedChangeLine way={way} machineId={machineId} unit="in" />)
    expect(document.body.textContent).toMatch(
      /open the motor sheave ½ turn, to 3 open: 12\.\d A \(1\d\.\d to 1\d\.\d\), \d+ rpm, −\d % air\./,
    )
    expect(screen.getByRole('link', { name: 'Speed change' }).getAttribute('href')).toBe(
      `/speed-change?machine=${machineId}`,
    )
  })
})
