import { describe, expect, it } from 'vitest'
import { at, inputFor, now, visitOf } from '../judge/checks/say.test-help.ts'
import { judgeMachine } from '../judge/index.ts'
import { defaultPolicies } from '../limits/index.ts'
import { legPositions, linePositions, terminalPairs, terminalPositions } from '../quantity/index.ts'
import { dayMs, type Visit, type WorkDone } from '../trend/index.ts'
import { checkSettings, plateForDrive } from '../vfd/index.ts'
import { commissionedSince, commissioningSheet, type Commissioned } from './sheet.ts'

const drive: WorkDone = { at: now - 20 * dayMs, kind: 'drive-repaired', note: '' }
const running = (hz: number, amps: number, day: number): Visit =>
  visitOf([...at('amps', legPositions, [amps, amps, amps]), ...at('hz', ['motor'], [hz])], day)
const plate = plateForDrive(
  { volts: '460', amps: '12.2', phases: 3, power: 10, hz: '60', rpm: 1755, sf: 1.15 },
  480,
  null,
)
const set = { 'plate-amps': 12.2, 'plate-volts': 460, 'plate-hz': 60, 'overload-amps': 12.2, 'overload-class': 20 }
const settings = (over: object = {}, ago = 10) => ({
  at: now - ago * dayMs,
  lines: checkSettings({ ...set, ...over }, plate, defaultPolicies),
})
/** Everything that a new drive asks for, read since it was put in. */
const whole = [
  visitOf(
    [
      ...at('megohms', terminalPositions, [900, 900, 900]),
      ...at('winding_ohms', terminalPairs, [1.2, 1.2, 1.2]),
      ...at('volts_ll', linePositions, [479, 480, 478]),
    ],
    -18,
    { lugs: 'tight' },
  ),
  visitOf(at('ground_amps', ['ground-wire'], [0.02]), -17, {
    'rotation.seen': 'right way',
    'rotation.by': 'bump',
    'rotation.end': 'drive end',
  }),
  running(30, 5.1, -16),
  running(45, 7.4, -15),
  running(60, 11.2, -14),
]
function sheet(visits: readonly Visit[], over: Partial<Commissioned> = {}) {
  const work = over.work ?? [drive]
  const { visit: _visit, history: _history, ...rest } = inputFor([], { machine: { hasVfd: true, hasTwin: true } })
  const lines = commissioningSheet({
    visits,
    work,
    motorAt: null,
    judgement: judgeMachine({ ...rest, work, visits: [...visits] }),
    settings: settings(),
    unlikeTwins: 0,
    hasTwin: true,
    control: 'temperature',
    policies: defaultPolicies,
    zone: 'UTC',
    now,
    ...over,
  })
  return new Map(lines.map((l) => [l.id, l]))
}
const states = (m: ReturnType<typeof sheet>) => Object.fromEntries([...m].map(([id, l]) => [id, l.state]))

describe('the commissioning sheet of a drive', () => {
  it('is done when all of it was read since the drive went in', () => {
    const s = sheet(whole)
    expect(states(s)).toEqual(Object.fromEntries([...s.keys()].map((id) => [id, 'done'])))
    expect(s.get('speeds')?.told).toBe('5.1 A at 30 Hz, 7.4 A at 45 Hz, 11.2 A at 60 Hz')
    expect(s.size).toBe(10)
  })
  it('takes nothing from before the drive or the motor went in', () => {
    const s = sheet(whole, { work: [{ ...drive, at: now - 3 * dayMs }], settings: settings({}, 10) })
    expect(
      new Set(
        ['insulation', 'winding', 'line', 'lugs', 'ground', 'settings', 'rotation', 'speeds'].map(
          (id) => s.get(id)?.state,
        ),
      ),
    ).toEqual(new Set(['missing']))
    expect(commissionedSince({ work: [drive], motorAt: now - 2 * dayMs })).toBe(now - 2 * dayMs)
    expect(commissionedSince({ work: [], motorAt: null })).toBeNull()
  })
  it('says what is missing, line by line, and how to get it', () => {
    const s = sheet([])
    expect(Object.values(states(s)).filter((x) => x === 'missing').length).toBe(7)
    expect(s.get('speeds')).toMatchObject({
      told: 'None read since.',
      next: expect.stringContaining('three legs on the output') as string,
    })
    expect(s.get('insulation')?.next).toContain('never through the drive')
  })
  it('names the worst setting: an overload for another motor does not protect this one', () => {
    const s = sheet(whole, { settings: settings({ 'overload-amps': 21 }) })
    expect(s.get('settings')).toMatchObject({ state: 'wrong' })
    expect(s.get('settings')?.told).toContain('Overload set for 21 A on a 12.2 A motor')
  })
  it('takes nothing for proven that nobody could judge', () => {
    const s = sheet(whole, { judgement: null })
    expect(s.get('insulation')).toMatchObject({ state: 'missing' })
    expect(s.get('insulation')?.told).toContain('could not be judged')
  })
  it('takes settings for known only where what protects the motor was read', () => {
    const few = { at: now - 10 * dayMs, lines: checkSettings({ accel: 30 }, plate, defaultPolicies) }
    expect(sheet(whole, { settings: few }).get('settings')).toMatchObject({ state: 'missing' })
    const blind = plateForDrive(null, 480, null)
    const unjudged = { at: now - 10 * dayMs, lines: checkSettings(set, blind, defaultPolicies) }
    expect(sheet(whole, { settings: unjudged }).get('settings')?.state).toBe('missing')
  })
  it('shows a lug that was found loose after it was tight', () => {
    const loose = [...whole, visitOf([], -1, { lugs: 'loose' })]
    expect(sheet(loose).get('lugs')).toMatchObject({ state: 'wrong' })
    const none = [...whole, visitOf([{ quantity: 'lug_torque', position: 'line', value: 0 }], -1)]
    expect(sheet(none).get('lugs')).toMatchObject({
      state: 'wrong',
      told: expect.stringContaining('Line lugs at 0.0 lbf·in'),
    })
  })
  it('counts three speeds only where they lie apart', () => {
    const near = [...whole.slice(0, 2), running(45, 7.4, -16), running(48, 8, -15), running(60, 11, -14)]
    expect(sheet(near).get('speeds')).toMatchObject({ state: 'missing', told: 'Only 7.4 A at 45 Hz, 11.0 A at 60 Hz.' })
    // Not against the one that was left out between them.
    const steps = [
      ...whole.slice(0, 2),
      running(40, 7, -16),
      running(44, 7.6, -15),
      running(48, 8, -14),
      running(60, 11, -13),
    ]
    expect(sheet(steps).get('speeds')?.state).toBe('done')
  })
  it('asks for the lugs once more after their first weeks', () => {
    expect(sheet(whole).get('lugs')?.next).toMatch(/^Torque them again by Jun 1[01]/)
    const again: WorkDone = { at: now - dayMs, kind: 'terminals-tightened', note: '' }
    const old = { ...drive, at: now - 60 * dayMs }
    expect(sheet(whole, { work: [old, again] }).get('lugs')).toMatchObject({ state: 'done', next: '' })
  })
  it('takes no phase meter for an eye, and shows a wheel that turns backward', () => {
    const meter = [
      ...whole.slice(0, 1),
      visitOf([], -17, { 'rotation.seen': 'right way', 'rotation.by': 'phase meter' }),
    ]
    expect(sheet(meter).get('rotation')?.state).toBe('missing')
    const backward = [...whole, visitOf([], -1, { 'rotation.seen': 'wrong way', 'rotation.by': 'bump' })]
    expect(sheet(backward).get('rotation')).toMatchObject({ state: 'wrong' })
  })
  it('advises against a bypass where duct pressure turns the fan down', () => {
    expect(sheet(whole, { control: 'duct pressure' }).get('bypass')?.told).toContain('Advised against')
    expect(sheet(whole, { control: null }).get('bypass')?.state).toBe('missing')
    expect(sheet(whole).get('bypass')?.next).toContain('Bump it alone')
  })
  it('holds twins against each other, where there are some', () => {
    expect(sheet(whole, { unlikeTwins: 2 }).get('twin')).toMatchObject({ state: 'wrong', told: '2 settings differ.' })
    expect(sheet(whole, { unlikeTwins: null }).get('twin')?.state).toBe('missing')
    expect(sheet(whole, { hasTwin: false }).has('twin')).toBe(false)
  })
})
