import { EventEmitter } from 'node:events'
import type { Response } from 'express'
import { describe, expect, it } from 'vitest'
import { HttpProblem } from './problem.ts'
import { takeTurn } from './turns.ts'

/** An answer, as far as a turn looks at it. */
class Answer extends EventEmitter {
  headers: Record<string, string> = {}
  set(name: string, value: string): this {
    this.headers[name] = value
    return this
  }
  get as(): Response {
    return this as unknown as Response
  }
}

describe('what takes long', () => {
  it('is run so many times at once for each person; whoever has more is told when to come again', () => {
    const mine = [new Answer(), new Answer(), new Answer()]
    for (const a of mine) takeTurn({ id: 'exportReadings' }, 'me', a.as)
    const more = new Answer()
    expect(() => takeTurn({ id: 'exportOrganization' }, 'me', more.as)).toThrow(HttpProblem)
    expect(more.headers).toEqual({ 'retry-after': '5' })
    // Another kind, and another person, are nobody's turn.
    takeTurn({ id: 'startImport' }, 'me', new Answer().as)
    takeTurn({ id: 'exportReadings' }, 'you', new Answer().as)
    // A turn that ended, however it did, is free.
    mine[0]?.emit('close')
    takeTurn({ id: 'exportReadings' }, 'me', new Answer().as)
    expect(() => takeTurn({ id: 'exportReadings' }, 'me', new Answer().as)).toThrow('You have 3 downloads running')
  })
  it('what is quick takes no turn', () => {
    const a = new Answer()
    for (let i = 0; i < 100; i++) takeTurn({ id: 'machineList' }, 'me', a.as)
    expect(a.listenerCount('close')).toBe(0)
  })
})
