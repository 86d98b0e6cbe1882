import type { Motor } from '@motor-round/contract'
import { dayTime } from '../../app/dates.ts'
import type { Difference } from '../stale-note/index.ts'
import { plateCells } from './cells.ts'
import { readCell } from './cell-text.ts'

type Said = Pick<Motor, 'plate' | 'connectionVolts' | 'installedAt' | 'substitute'>

/** In what two records of a motor differ, as it is read. */
export function motorDifferences(mine: Said, theirs: Said): Difference[] {
  const volts = (m: Said) => (m.connectionVolts === null ? 'nearest to the supply' : `${m.connectionVolts} V`)
  const rows = [
    ...plateCells.map((c) => [c.title, (m: Said) => readCell(m.plate, c.field) || 'blank'] as const),
    ['Connected for', volts] as const,
    [
      'Installed',
      (m: Said) => (m.installedAt.startsWith('1970') ? 'before records began' : dayTime(m.installedAt)),
    ] as const,
    ['Temporary substitute', (m: Said) => (m.substitute ? 'yes' : 'no')] as const,
  ]
  return rows.map(([what, of]) => ({ what, mine: of(mine), theirs: of(theirs) })).filter((d) => d.mine !== d.theirs)
}
