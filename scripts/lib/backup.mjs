import { spawn } from 'node:child_process'
import { createCipheriv, createDecipheriv, createHash, randomBytes, scryptSync } from 'node:crypto'
import {
  createReadStream,
  createWriteStream,
  openSync,
  readSync,
  closeSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { join } from 'node:path'
import { PassThrough, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import pg from 'pg'
import { Plain } from './say.mjs'

// A backup is one line of JSON, the dump of pg_dump (encrypted where there is a passphrase, with its tag of 16 bytes behind
// it), and the SHA-256 of all of that in hexadecimal.
const format = 'motor-round-backup'
const tagBytes = 16
const sumBytes = 64
const keyOf = (passphrase, salt) => scryptSync(passphrase, Buffer.from(salt, 'base64'), 32)

/** Wait for a program to end. @throws Plain with what it said last */
function ended(child, what) {
  let said = ''
  child.stderr.on('data', (b) => (said = `${said}${b}`.slice(-2000)))
  return new Promise((done, fail) => {
    child.once('error', fail)
    child.once('close', (code) =>
      code === 0 ? done() : fail(new Plain(`${what}: ${said.trim().split('\n').pop() ?? `ended with ${code}`}`)),
    )
  })
}

/** Adds up what passes. */
function summing(hash) {
  return new Transform({
    transform(chunk, _encoding, next) {
      hash.update(chunk)
      next(null, chunk)
    },
  })
}

/**
 * Write everything in a database to a file: it is there whole, or not at all.
 * @param {{url: string, file: string, bin: string, passphrase?: string, now?: Date}} options
 * @returns {Promise<number>} bytes
 */
export async function backup({ url, file, bin, passphrase, now = new Date() }) {
  const part = `${file}.part`
  const [salt, iv] = [randomBytes(16).toString('base64'), randomBytes(12)]
  const head = {
    format,
    version: 1,
    madeAt: now.toISOString(),
    encrypted: passphrase !== undefined,
    ...(passphrase === undefined ? {} : { salt, iv: iv.toString('base64') }),
  }
  const dump = spawn(join(bin, 'pg_dump'), ['--format=custom', '--no-owner', '--no-privileges', url], {
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  const whole = ended(dump, 'The backup was not made')
  // Waited for below; until then a failure is not one that nobody hears.
  whole.catch(() => undefined)
  try {
    const out = createWriteStream(part, { mode: 0o600 })
    const hash = createHash('sha256')
    const body = new PassThrough()
    const written = pipeline(body, summing(hash), out, { end: false })
    body.write(`${JSON.stringify(head)}\n`)
    const cipher = passphrase === undefined ? null : createCipheriv('aes-256-gcm', keyOf(passphrase, salt), iv)
    await pipeline([dump.stdout, ...(cipher ? [cipher] : []), body], { end: false })
    await whole
    if (cipher) body.write(cipher.getAuthTag())
    body.end()
    await written
    await new Promise((done, fail) => out.end(hash.digest('hex'), (e) => (e ? fail(e) : done())))
    renameSync(part, file)
    return statSync(file).size
  } catch (e) {
    rmSync(part, { force: true })
    throw e
  }
}

/** The first line of a backup; null where it is none of ours. */
function headOf(text) {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** The first line and the end of a backup, once its sum is right. @throws Plain where it is not whole */
async function opened(file) {
  const size = statSync(file).size
  const fd = openSync(file, 'r')
  const first = Buffer.alloc(Math.min(4096, size))
  readSync(fd, first, 0, first.length, 0)
  const last = Buffer.alloc(Math.min(sumBytes, size))
  readSync(fd, last, 0, last.length, size - last.length)
  const line = first.indexOf('\n')
  const head = headOf(first.subarray(0, Math.max(0, line)).toString())
  const tag = Buffer.alloc(tagBytes)
  if (head?.encrypted) readSync(fd, tag, 0, tagBytes, size - sumBytes - tagBytes)
  closeSync(fd)
  if (head?.format !== format) throw new Plain(`${file} is not a backup of Motor Round.`)
  if (head.version !== 1) throw new Plain(`${file} was made by a newer Motor Round. Restore it with that one.`)
  const hash = createHash('sha256')
  for await (const chunk of createReadStream(file, { end: size - sumBytes - 1 })) hash.update(chunk)
  if (hash.digest('hex') !== last.toString()) throw new Plain(`${file} is damaged or cut short. Nothing was restored.`)
  return { head, tag, start: line + 1, end: size - sumBytes - (head.encrypted ? tagBytes : 0) - 1 }
}

/**
 * Put a backup into an empty database, whole or not at all.
 * @param {{url: string, file: string, bin: string, passphrase?: string}} options
 * @returns {Promise<string>} when it was made
 * @throws Plain where the file is damaged, the passphrase is another, or the database is not empty
 */
export async function restore({ url, file, bin, passphrase }) {
  const { head, tag, start, end } = await opened(file)
  if (head.encrypted && passphrase === undefined)
    throw new Plain(`${file} is encrypted: set BACKUP_PASSPHRASE to the passphrase that it was made with.`)
  const client = new pg.Client(url)
  await client.connect()
  const { rows } = await client.query(
    "select count(*)::int as n from pg_class c join pg_namespace s on s.oid = c.relnamespace where c.relkind in ('r', 'p') and s.nspname not like 'pg_%' and s.nspname <> 'information_schema'",
  )
  await client.end()
  if (rows[0].n > 0)
    throw new Plain(
      'The database is not empty. Restore into a new folder (DATA_DIR=…) or an empty database (DATABASE_URL=…).',
    )
  const into = spawn(
    join(bin, 'pg_restore'),
    ['--single-transaction', '--exit-on-error', '--no-owner', '--no-privileges', '--dbname', url],
    { stdio: ['pipe', 'ignore', 'pipe'] },
  )
  const done = ended(into, 'The backup was not restored')
  done.catch(() => undefined)
  const from = createReadStream(file, { start, end })
  try {
    if (head.encrypted) {
      const decipher = createDecipheriv('aes-256-gcm', keyOf(passphrase, head.salt), Buffer.from(head.iv, 'base64'))
      decipher.setAuthTag(tag)
      // The end of the stream is the end of the transaction: it comes only when the tag is right.
      await pipeline(from, decipher, into.stdin)
    } else await pipeline(from, into.stdin)
  } catch (e) {
    into.kill('SIGKILL')
    const why = await done.then(
      () => '',
      (x) => String(x.message),
    )
    // With another key the first bytes are no dump, or the last ones no tag.
    if (head.encrypted && (/authenticate/.test(String(e)) || /valid archive|SIGKILL|ended with null/.test(why)))
      throw new Plain('That is not the passphrase of this backup. Nothing was restored.')
    throw why === '' ? e : new Plain(why)
  }
  await done
  return head.madeAt
}
