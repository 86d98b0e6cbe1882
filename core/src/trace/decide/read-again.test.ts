import { describe, expect, it } from 'vitest'
import { believe, hypothesesOf } from '../index.ts'
import { fan, resultsIn } from '../trace.test-help.ts'
import { readAgain } from './read-again.ts'

const again = (
  complaint: string,
  text: string,
  twice: readonly string[],
  more: boolean,
  differ: readonly string[] = [],
) => {
  const results = resultsIn(text)
  const said = readAgain(believe(hypothesesOf(complaint, fan), results), results, new Set(twice), new Set(differ), more)
  return said && [said.test.id, said.why]
}

// Common practice: read twice before a part is condemned, and read again what does not fit before it is called a mystery.
describe('what is read a second time', () => {
  const lost = 'see-fan=hums spin=free ohms3=even fuse-ohms=whole poles=good line-volts=lost'
  it('the reading that a proven cause rests on alone, and once only', () => {
    const dead = 'ctl-volts=out0 half-split=none'
    expect(again('dead', dead, [], true)).toEqual(['ctl-volts', 'all rests on it'])
    expect(again('dead', dead, ['ctl-volts', 'half-split'], true)).toBeNull()
    // Amps and volts carry it together: neither alone.
    expect(again('hums', `${lost} amps=leg0`, [], true)).toBeNull()
  })
  it('a third time, what came out two ways', () => {
    const dead = 'ctl-volts=out0 half-split=none'
    expect(again('dead', dead, [], true, ['ctl-volts'])).toEqual(['ctl-volts', 'two differ'])
    // Likelier to be misread than what goes least with the rest and was read once.
    const seized = `${lost} spin=seized`.replace('spin=free ', '')
    expect(again('hums', seized, [], false, ['line-volts'])).toEqual(['line-volts', 'two differ'])
  })
  it('nothing, while another test tells more', () => {
    expect(again('hums', 'see-fan=hums spin=free', [], true)).toBeNull()
  })
  it('when nothing else would tell more, what goes least with the rest', () => {
    // A look at the fan costs nothing; then the shaft is turned by hand once more.
    const seized = `${lost} spin=seized`.replace('spin=free ', '')
    expect(again('hums', seized, ['line-volts'], false)).toEqual(['see-fan', 'fits least'])
    expect(again('hums', seized, ['line-volts', 'see-fan'], false)).toEqual(['spin', 'fits least'])
    expect(again('hums', 'see-fan=hums', ['see-fan'], false)).toBeNull()
  })
})
