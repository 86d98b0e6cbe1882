import { describe, expect, it } from 'vitest'
import { jobKinds } from './kinds.ts'
import { notBack } from './not-back.ts'
import { heldBy, planJob } from './plan.ts'
import { takesOff } from './taken-off.ts'

const on = { hasVfd: false }
/** What is off once steps were done one after the other. */
const openAfter = (done: readonly string[]) =>
  notBack(
    done.map((step, at) => {
      const own = { id: String(at), at, by: 'Mosi' }
      return takesOff[step]?.burn
        ? { ...own, kind: 'burn', step, test: goodBurn }
        : { ...own, kind: 'done', step, note: '', count: 12 }
    }),
  )
const goodBurn = {
  fuel: 'natural gas',
  co: 20,
  oxygen: 6,
  rise: 45,
  riseLow: 30,
  riseHigh: 60,
  leakFree: true,
} as const
const ids = (steps: readonly { id: string }[]) => steps.map((s) => s.id)

describe('the steps of a job', () => {
  it('name only what is there, each once', () => {
    for (const k of jobKinds) {
      const steps = planJob([k.id], on)
      expect(new Set(ids(steps)).size, k.id).toBe(steps.length)
      for (const s of steps)
        for (const a of [...s.after, ...(s.irreversible?.needs ?? []), ...s.waits.map((w) => w.after)])
          expect(ids(steps), `${a} before ${s.id}`).toContain(a)
    }
  })
  it('what a step takes off is put back by the end, but for what stays on purpose', () => {
    for (const k of jobKinds) {
      const steps = planJob([k.id], on)
      // A blank or a bypass is put back by the job that follows it.
      expect(openAfter(ids(steps)), k.id).toEqual(k.id === 'temporary' ? ['dead', 'blank', 'bypass'] : [])
    }
  })
  it('half done it says what is open', () => {
    expect(openAfter(['A2', 'A3', 'A5', 'A6'])).toEqual(['call', 'lock', 'hold', 'panel', 'guard'])
    expect(openAfter(['A2', 'A3', 'A5', 'A6', 'Z2'])).toEqual(['call', 'lock'])
  })
  it('what is told of a step belongs to a step that there is', () => {
    const known = new Set(jobKinds.flatMap((k) => ids(planJob([k.id], { hasVfd: true }))))
    for (const [step, { back, count }] of Object.entries(takesOff))
      for (const id of [step, back, count?.same]) if (id !== undefined) expect(known, id).toContain(id)
  })
  it('a cut stays shut until the new part was checked', () => {
    const steps = planJob(['belt-motor'], on)
    const pull = steps.find((s) => s.id === 'BM5')
    if (!pull) throw new Error('BM5')
    expect(heldBy(pull, steps, new Set(['BM3']))).toEqual(['BM7'])
    expect(heldBy(pull, steps, new Set(['BM3', 'BM7']))).toEqual([])
  })
  it('a step left out hands on what came before it', () => {
    const steps = planJob(['sheaves'], on, ['SV4', 'SV6'])
    expect(
      steps
        .find((s) => s.id === 'SV7')
        ?.after.slice()
        .sort(),
    ).toEqual(['SV3', 'SV5'])
    expect(steps.every((s) => s.waits.every((w) => w.after !== 'SV4'))).toBe(true)
  })
  it('a job on the open deck is done between the steps of the deck, opened and closed once', () => {
    const steps = planJob(['deck', 'psc-motor'], on, ['PM3', 'PM7'])
    expect(steps.find((s) => s.id === 'PM1')?.after).toEqual(['FD6'])
    expect(steps.find((s) => s.id === 'FD7')?.after).toEqual(['PM8'])
    expect(ids(steps).filter((id) => id === 'A1')).toHaveLength(1)
    // The longer form.
    expect(steps.find((s) => s.id === 'A1')?.minutes).toBe(15)
  })
  it('a drive waits the minutes of its label before panels come off', () => {
    const a6 = (hasVfd: boolean, busMinutes?: number) =>
      planJob(['belt-motor'], busMinutes === undefined ? { hasVfd } : { hasVfd, busMinutes }).find((s) => s.id === 'A6')
        ?.waits
    expect(a6(false)).toEqual([])
    expect(a6(true)?.[0]?.minutes).toBe(15)
    expect(a6(true, 5)?.[0]?.minutes).toBe(5)
  })
  it('never leaves out what locks and proves dead', () =>
    expect(ids(planJob(['capacitor'], on, ['A3', 'A4', 'A5', 'A6']))).toEqual(
      expect.arrayContaining(['A3', 'A4', 'A5']),
    ))
  it('refuses a kind that does not exist', () => expect(() => planJob(['magic'], on)).toThrow(/magic/))
})
