import type { VfdLink } from '@motor-round/contract'
import {
  decodeLive,
  decodeParameters,
  readPlan,
  type ParameterSet,
  type VfdProfile,
  type VfdReading,
  type Words,
} from '@motor-round/core/vfd'
import type { Logger } from 'pino'
import { HttpProblem } from '../http/problem.ts'
import { offThread } from '../run/off-thread.ts'
import type { DriveAddress, Failure } from './modbus.ts'

type Link = Pick<VfdLink, 'host' | 'port' | 'unit'>

const told: Readonly<Record<Failure, string>> = {
  'no connection': 'Nothing answers there. Check that the drive has power, its network cable, and the address.',
  refused: 'The device refuses the connection. Check the port and that Modbus TCP is turned on.',
  'unknown name': 'Unknown name in this network. Enter the IP address.',
  'no answer':
    'It accepts the connection but does not answer. Check the unit number, and that no other system is reading it now.',
  'connection lost': 'The connection broke in mid-answer; none of it is used. Read again.',
  'no such register': 'The drive has no such register. The profile is for another drive.',
  'wrong answer': 'Its answer makes no sense; none of it is used. Check the unit number and the profile.',
}

/** @throws HttpProblem 502 with what failed and what to check */
function refuseFailed({ host, port }: Link, failed: Failure): never {
  throw new HttpProblem(502, `The drive at ${host}, port ${port}, was not read. ${told[failed]}`)
}

const waiting = new Map<string, Promise<unknown>>()

/** Drives take few connections: of this process one at a time goes to each. */
async function inTurn<T>({ host, port }: DriveAddress, work: () => Promise<T>): Promise<T> {
  const key = `${host} ${port}`
  const before = waiting.get(key) ?? Promise.resolve()
  const mine = before.then(work, work)
  const settled = mine.catch(() => undefined)
  waiting.set(key, settled)
  try {
    return await mine
  } finally {
    if (waiting.get(key) === settled) waiting.delete(key)
  }
}

/** A drive that can be called: where it answers, what it is, and where what goes wrong unforeseen is written down. */
export interface Drive {
  readonly link: VfdLink
  readonly profile: VfdProfile
  readonly log: Logger
}

/**
 * Ask a drive, in its turn.
 * @throws HttpProblem 502 where it did not answer as it should, whatever that broke; 503 where too many wait
 */
async function asked<T extends object>(
  { link, log }: Drive,
  ask: (at: DriveAddress) => Promise<T | { readonly failed: Failure }>,
): Promise<T> {
  const { host, port, unit } = link
  const at = { host, port, unit }
  const answer = await inTurn(at, () => ask(at)).catch((e: unknown) => {
    if (e instanceof HttpProblem) throw e
    // What a drive sends may be anything: an answer that broke its reader is a wrong one, and this server's to look into.
    log.error({ err: e, host, port }, 'the answer of a drive broke its reader')
    return { failed: 'wrong answer' as const }
  })
  if ('failed' in answer) refuseFailed(link, answer.failed)
  return answer
}

async function wordsOf(drive: Drive, wanted: 'live' | 'parameters'): Promise<Words> {
  const blocks = readPlan(drive.profile, wanted)
  const answer = await asked(drive, (at) => offThread('readRegisters', { at, blocks }))
  const all = new Map(answer.blocks.flatMap((b) => b.words.map((w, i) => [`${b.table} ${b.from + i}`, w] as const)))
  return (table, register) => all.get(`${table} ${register}`)
}

/** What a drive shows now. @throws HttpProblem 502 where it was not read whole */
export const readLive = async (drive: Drive): Promise<VfdReading> =>
  decodeLive(drive.profile, await wordsOf(drive, 'live'))

/** The settings of a drive. @throws HttpProblem 502 where they were not read whole */
export const readSettings = async (
  drive: Drive,
): Promise<{ readonly set: ParameterSet; readonly doubts: readonly string[] }> =>
  decodeParameters(drive.profile, await wordsOf(drive, 'parameters'))

/** Write the registers of one setting. @throws HttpProblem 502 where the drive did not take it */
export async function writeWords(drive: Drive, register: number, words: readonly number[]): Promise<void> {
  await asked(drive, (at) => offThread('writeRegisters', { at, register, words }))
}
