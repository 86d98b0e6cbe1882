import { describe, expect, it } from 'vitest'
import { waitBegan } from '../../app/visit-drafts.ts'
import { eventOf, lockedTask, roundOf, visitOf, uuid } from '../../test/round.test-help.ts'
import { pausesRunning } from './pauses-running.ts'

const pauses = {
  rest: { minutes: 15, because: 'the bus of its drive empties' },
  settle: { minutes: 20, because: 'belts seat first' },
}
const order = [`${uuid(11)}:lock`, uuid(11), `${uuid(11)}:proof`]
const at = '2026-11-25T08:00:00Z'
const page = (events: ReturnType<typeof eventOf>[]) =>
  roundOf({ visits: [visitOf(11, { tasks: [{ ...lockedTask, ...pauses }] }), visitOf(12)], events })
const never = () => null

describe('pauses that run on a walk', () => {
  it('are none before anybody was there, and none where it is skipped', () => {
    expect(pausesRunning(page([]), order, never)).toEqual([])
    expect(pausesRunning(page([eventOf(11, 'skipped', at, { note: 'locked by others' })]), order, never)).toEqual([])
  })
  it('of a lockout count from the clock of the visit and lead back to the work', () => {
    const [one, ...more] = pausesRunning(page([eventOf(11, 'began', at)]), order, () => 1_000_000)
    expect(more).toEqual([])
    expect(one).toMatchObject({ step: uuid(11), until: 1_000_000 + 15 * 60_000 })
    expect(pausesRunning(page([eventOf(11, 'began', at)]), order, never)[0]?.until).toBeNull()
  })
  it('of what settles count from when the work was done, until it was read again', () => {
    const done = eventOf(11, 'done', '2026-11-25T08:50:00Z', { visitId: uuid(72) })
    const [one, ...more] = pausesRunning(page([eventOf(11, 'began', at), done]), order, () => 1)
    expect(more).toEqual([])
    expect(one).toMatchObject({ step: order[2], until: Date.parse('2026-11-25T09:10:00Z'), then: 'take readings' })
    const again = eventOf(11, 'done', '2026-11-25T09:20:00Z', { visitId: uuid(73) })
    expect(pausesRunning(page([done, again]), order, never)).toEqual([])
  })
})

describe('the clock of a visit that is being taken', () => {
  it('is the first that was started; what cannot be read has none', () => {
    const draft = (text: string) => localStorage.setItem('motor-round-visit m ', text)
    expect(waitBegan('m')).toBeNull()
    draft(JSON.stringify({ waits: { bus: 30, protector: 20 } }))
    expect(waitBegan('m')).toBe(20)
    for (const text of ['{', '{"waits":null}', '{"waits":{"bus":"x"}}', '{}']) {
      draft(text)
      expect(waitBegan('m')).toBeNull()
    }
    localStorage.clear()
  })
})
