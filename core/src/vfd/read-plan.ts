import { wordsOf, type RegisterTable, type VfdProfile } from './profile.ts'

/** Registers read in one request. */
export interface Block {
  readonly table: RegisterTable
  readonly from: number
  readonly count: number
}

/** What is wanted of a drive: its figures and states, its settings, or both. */
export type Wanted = 'live' | 'parameters'

/** A request of the protocol holds 125 registers at most; many drives answer fewer. @source Modbus application protocol 1.1b3, 6.3 */
const longest = 60
/** Registers between two wanted ones that are read along rather than asked for apart. */
const gap = 8

/**
 * The requests that bring what is wanted, as few as the drive allows.
 * @returns in the order of table and register
 */
export function readPlan(profile: VfdProfile, wanted: Wanted): readonly Block[] {
  const { status, fault, faultLog } = profile
  const spans: Block[] = []
  const add = (table: RegisterTable, from: number, count: number) => spans.push({ table, from, count })
  if (wanted === 'live') {
    for (const f of Object.values(profile.values)) add(f.table, f.register, wordsOf(f.type))
    add(status.table, status.register, 1)
    add(fault.table, fault.register, 1)
    if (faultLog) add(faultLog.table, faultLog.register, 2 * faultLog.entries)
  } else for (const f of Object.values(profile.parameters)) add(f.table, f.register, wordsOf(f.type))
  spans.sort((a, b) => (a.table === b.table ? a.from - b.from : a.table < b.table ? -1 : 1))
  const blocks: Block[] = []
  for (const span of spans) {
    const last = blocks.at(-1)
    const end = span.from + span.count
    if (last && last.table === span.table && span.from - (last.from + last.count) <= gap && end - last.from <= longest)
      blocks[blocks.length - 1] = { ...last, count: Math.max(last.count, end - last.from) }
    else blocks.push(span)
  }
  return blocks
}
