import type { Block } from '@motor-round/core/vfd'
import ModbusRTU from 'modbus-serial'

/** Where a drive answers. */
export interface DriveAddress {
  readonly host: string
  readonly port: number
  readonly unit: number
}

/** Why a drive was not read. */
export type Failure =
  'no connection' | 'refused' | 'unknown name' | 'no answer' | 'connection lost' | 'no such register' | 'wrong answer'

export type Registers =
  { readonly blocks: readonly (Block & { readonly words: readonly number[] })[] } | { readonly failed: Failure }

/** For the connection, and for each answer. A drive answers in milliseconds; a gateway to a slow bus takes longer. */
const answerMs = 2500
/** All of it: a drive that keeps talking is left. */
const allMs = 10_000

/** The package throws things that look like errors and are none. */
const text = (e: unknown): string =>
  typeof e === 'object' && e !== null && 'message' in e ? String(e.message) : String(e)

/** What went wrong, from what the packages say of it. */
function failureOf(e: unknown, connected: boolean): Failure {
  if (typeof e === 'object' && e !== null) {
    if ('modbusCode' in e && typeof e.modbusCode === 'number')
      // 2 illegal address, 3 illegal value; the rest is the drive's own trouble. @source Modbus application protocol 1.1b3, 7
      return e.modbusCode === 2 || e.modbusCode === 3 ? 'no such register' : 'wrong answer'
    if ('code' in e) {
      if (e.code === 'ECONNREFUSED') return 'refused'
      if (e.code === 'ENOTFOUND' || e.code === 'EAI_AGAIN') return 'unknown name'
      if (e.code === 'ECONNRESET' || e.code === 'EPIPE') return 'connection lost'
    }
  }
  const said = text(e)
  if (/timed? ?out/i.test(said)) return connected ? 'no answer' : 'no connection'
  if (/not open/i.test(said)) return 'connection lost'
  return connected ? 'wrong answer' : 'no connection'
}

/** Connect, do something, and let go, whatever happens. */
async function withDrive<T>(
  at: DriveAddress,
  work: (client: ModbusRTU) => Promise<T>,
): Promise<T | { failed: Failure }> {
  const client = new ModbusRTU()
  let connected = false
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new Error('timed out')), allMs)
  })
  try {
    const all = async () => {
      await client.connectTCP(at.host, { port: at.port, timeout: answerMs })
      connected = true
      client.setID(at.unit)
      client.setTimeout(answerMs)
      return work(client)
    }
    const lost = new Promise<never>((_, fail) => client.on('error', fail))
    return await Promise.race([all(), late, lost])
  } catch (e) {
    return { failed: failureOf(e, connected) }
  } finally {
    clearTimeout(timer)
    // What it still sends is not read.
    client.on('error', () => undefined)
    client.destroy(() => undefined)
  }
}

/** Read registers of a drive. Everything that goes wrong is an answer, nothing is thrown. */
export async function readRegisters(of: {
  readonly at: DriveAddress
  readonly blocks: readonly Block[]
}): Promise<Registers> {
  return withDrive(of.at, async (client) => {
    const blocks: (Block & { words: readonly number[] })[] = []
    for (const b of of.blocks) {
      const { data } =
        b.table === 'holding'
          ? await client.readHoldingRegisters(b.from, b.count)
          : await client.readInputRegisters(b.from, b.count)
      if (data.length !== b.count) return { failed: 'wrong answer' as const }
      blocks.push({ ...b, words: [...data] })
    }
    return { blocks }
  })
}

/** Write the registers of one figure. */
export async function writeRegisters(of: {
  readonly at: DriveAddress
  readonly register: number
  readonly words: readonly number[]
}): Promise<{ readonly written: true } | { readonly failed: Failure }> {
  return withDrive(of.at, async (client) => {
    const [only] = of.words
    if (of.words.length === 1 && only !== undefined) await client.writeRegister(of.register, only)
    else await client.writeRegisters(of.register, [...of.words])
    return { written: true as const }
  })
}
